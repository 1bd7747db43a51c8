//! Bodies that are outlined and filled.

use super::*;
use crate::work::{
    BackInputs, FloodedInputs, OutlineInputs, PipedShape, SecondColour, ShapeInputs,
};

fn flooded(change: impl Fn(&mut PipedInputs)) -> WorkInputs {
    let WorkInputs::Piped(mut work) = piped(false) else { panic!("piped") };
    work.shape = PipedShape::Outlines;
    work.count = 10;
    work.flooded = Some(FloodedInputs {
        chocolate: "white".to_owned(),
        depth_mm: 3.0,
        area_cm2: Some(20.0),
        back: None,
    });
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
    let ring = OutlineInputs {
        outline: ShapeInputs::Ring { spokes: 0 },
        width_mm: 50.0,
        count: 4,
        features: Vec::new(),
        bridged: false,
    };
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
        features: Vec::new(),
        bridged: false,
    };
    assert_eq!(told(flooded(|work| work.outlines = Some(vec![letters.clone()]))), at("flooded"));
}

/// A face as a drawing: a square with two eyes and a mouth, 60 wide.
fn face(features: Vec<u32>, bridged: bool) -> OutlineInputs {
    let paths = "M0 0 L60 0 L60 60 L0 60 Z M15 20 L25 20 M35 20 L45 20 M15 42 L45 42";
    let svg = format!(r#"<svg xmlns="http://www.w3.org/2000/svg"><path d="{paths}"/></svg>"#);
    let outline = ShapeInputs::Drawing { svg };
    OutlineInputs { outline, width_mm: 60.0, count: 3, features, bridged }
}

fn with_face(face: OutlineInputs, change: impl Fn(&mut PipedInputs)) -> WorkInputs {
    flooded(|work| {
        work.outlines = Some(vec![face.clone()]);
        work.second = Some(SecondColour { chocolate: "milk".to_owned(), length_mm: 500.0 });
        if let Some(flooded) = &mut work.flooded {
            flooded.area_cm2 = None;
        }
        change(work);
    })
}

#[test]
fn features_body_and_back_each_take_their_own_chocolate() {
    let one_colour = plan(with_face(face(Vec::new(), false), |work| work.second = None));
    let work = with_face(face(vec![2, 3, 4], false), |work| {
        let flooded = work.flooded.as_mut().expect("it is");
        flooded.back = Some(BackInputs { chocolate: "dark".to_owned(), depth_mm: 1.0 });
    });
    let plan = plan(work);
    // Two eyes of 10 and a mouth of 30 are features, the square is the body's.
    let lines = |plan: &Plan, key| takes(plan, key);
    let all = lines(&one_colour, "dark");
    let features = lines(&plan, "milk");
    assert!((features / all * 290.0 - 50.0).abs() < 1.0, "{features} of {all}");
    let backs = 3.0 * 36.0 * 0.1 * 1.26;
    let outlines = all * 240.0 / 290.0;
    assert!((lines(&plan, "dark") - outlines - backs).abs() < 0.5, "{}", lines(&plan, "dark"));
    let keys: Vec<_> = it(&plan).tasks.iter().map(|task| task.key.as_str()).collect();
    let at = |key: &str| keys.iter().position(|k| *k == key).unwrap_or_else(|| panic!("{keys:?}"));
    let order = ["features", "pour", "flood", "touch-dry-bodies", "back", "touch-dry", "peel"];
    assert!(order.windows(2).all(|two| at(two[0]) < at(two[1])), "{keys:?}");
    let find = |key: &str| it(&plan).tasks.iter().find(|task| task.key == key).expect("a step");
    assert_eq!(find("touch-dry").since.as_deref(), Some("back"));
}

#[test]
fn bridges_are_more_line_and_a_flooded_body_needs_none() {
    let length = |bridged, flooded: bool| {
        let work = with_face(face(Vec::new(), bridged), |work| {
            work.second = None;
            if !flooded {
                work.flooded = None;
            }
        });
        crate::units::in_millimetres(it(&plan(work)).draft.size.length.expect("a line"))
    };
    assert!((length(false, false) - 3.0 * 290.0).abs() < 0.1);
    // An eye to its side or the other eye, the mouth to its side.
    assert!(length(true, false) > 3.0 * 310.0, "{}", length(true, false));
    assert!((length(true, true) - length(false, true)).abs() < 1e-9, "the body holds them");
}

#[test]
fn features_that_are_no_lines_or_have_no_colour_are_refused() {
    let told = |work| -> Vec<String> {
        let faults = Plan::of(&inputs(work)).expect_err("refused");
        faults.into_iter().map(|fault| fault.field).collect()
    };
    let at = ["components[0].work.outlines[0].features"];
    let second = format!("{}[1]", at[0]);
    assert_eq!(told(with_face(face(vec![2, 0], false), |_| {})), [second.as_str()]);
    assert_eq!(told(with_face(face(vec![2, 5], false), |_| {})), [second.as_str()]);
    assert_eq!(told(with_face(face(vec![1, 2, 3, 4], false), |_| {})), at);
    assert_eq!(told(with_face(face(vec![2], false), |work| work.second = None)), at);
    let thick = with_face(face(Vec::new(), false), |work| {
        let flooded = work.flooded.as_mut().expect("it is");
        flooded.back = Some(BackInputs { chocolate: "mint".to_owned(), depth_mm: 40.0 });
    });
    assert_eq!(told(thick), ["components[0].work.flooded.back.chocolate"]);
}
