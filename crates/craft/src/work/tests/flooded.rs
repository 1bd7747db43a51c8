//! Bodies that are outlined and filled.

use super::*;
use crate::work::{FloodedInputs, OutlineInputs, PipedShape, ShapeInputs};

fn flooded(change: impl Fn(&mut PipedInputs)) -> WorkInputs {
    let WorkInputs::Piped(mut work) = piped(false) else { panic!("piped") };
    work.shape = PipedShape::Outlines;
    work.count = 10;
    work.flooded =
        Some(FloodedInputs { chocolate: "white".to_owned(), depth_mm: 3.0, area_cm2: Some(20.0) });
    change(&mut work);
    WorkInputs::Piped(work)
}

#[test]
fn a_body_takes_its_area_times_its_depth_and_sets_last() {
    let plan = plan(flooded(|_| {}));
    // Ten of 20 cm2, 3 mm deep, at 1.26.
    assert!((takes(&plan, "white") - 10.0 * 20.0 * 0.3 * 1.26).abs() < 0.01);
    let keys: Vec<_> = it(&plan).tasks.iter().map(|task| task.key.as_str()).collect();
    let at = |key: &str| keys.iter().position(|k| *k == key).unwrap_or_else(|| panic!("{keys:?}"));
    assert!(at("pour") < at("flood") && at("flood") < at("peel"), "{keys:?}");
    let find = |key: &str| it(&plan).tasks.iter().find(|task| task.key == key).expect("a step");
    assert!(find("flood").from.is_some(), "once the outlines hold");
    assert_eq!(find("touch-dry").since.as_deref(), Some("flood"));
    let each = it(&plan).draft.size.pieces.expect("pieces").each;
    assert!((in_grams(each) * 10.0 - takes(&plan, "white") - takes(&plan, "dark")).abs() < 0.01);
}

#[test]
fn what_drawn_outlines_enclose_is_known() {
    let ring = OutlineInputs { outline: ShapeInputs::Ring { spokes: 0 }, width_mm: 50.0, count: 4 };
    let work = flooded(|work| {
        work.outlines = Some(vec![ring.clone()]);
        if let Some(flooded) = &mut work.flooded {
            flooded.area_cm2 = None;
        }
    });
    let circle_cm2 = std::f64::consts::PI * 2.5 * 2.5;
    let white = takes(&plan(work), "white");
    assert!((white / (4.0 * circle_cm2 * 0.3 * 1.26) - 1.0).abs() < 0.01, "{white}");
}

#[test]
fn what_cannot_be_flooded_is_refused_by_its_field() {
    let told = |work| -> Vec<String> {
        let faults = Plan::of(&inputs(work)).expect_err("refused");
        faults.into_iter().map(|fault| fault.field).collect()
    };
    let at = |field: &str| vec![format!("components[0].work.{field}")];
    assert_eq!(told(flooded(|work| work.shape = PipedShape::Nests)), at("flooded"));
    let unknown = flooded(|work| work.flooded.as_mut().expect("it is").area_cm2 = None);
    assert_eq!(told(unknown), at("flooded.area_cm2"));
    let deep = flooded(|work| work.flooded.as_mut().expect("it is").depth_mm = 20.0);
    assert_eq!(told(deep), at("flooded.depth_mm"));
    let letters = OutlineInputs {
        outline: ShapeInputs::Word { text: "IL".to_owned(), bar: false },
        width_mm: 60.0,
        count: 2,
    };
    assert_eq!(told(flooded(|work| work.outlines = Some(vec![letters.clone()]))), at("flooded"));
}
