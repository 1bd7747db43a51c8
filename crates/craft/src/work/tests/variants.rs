//! The shapes, finishes and centres that a kind of work can have, and what is refused of
//! its lists.

use super::*;
use crate::colour::Way;
use crate::shell::ShellWay;

/// The starting inputs of a kind, changed.
macro_rules! changed {
    ($name:literal, $kind:ident($work:ident) => $change:expr) => {{
        let WorkInputs::$kind(mut $work) = start($name) else { unreachable!() };
        $change;
        WorkInputs::$kind($work)
    }};
}

fn texts(plan: &Plan) -> Vec<String> {
    it(plan).tasks.iter().map(|task| task.text.to_string()).collect()
}

/// What is told of one field of the work.
fn told(work: WorkInputs, field: &str) -> String {
    let field = format!("components[0].work.{field} ");
    let all = faults(work);
    let found = all.iter().find_map(|told| told.strip_prefix(&field));
    found.unwrap_or_else(|| panic!("{field}: {all:?}")).to_owned()
}

#[test]
fn lattices_nests_and_bowls_are_piped_each_in_its_way() {
    let shaped = |shape| {
        let WorkInputs::Piped(piped) = piped(false) else { unreachable!() };
        plan(WorkInputs::Piped(PipedInputs { shape, ..piped }))
    };
    let lattices = shaped(PipedShape::Lattices);
    assert!(
        texts(&lattices).iter().any(|text| text == "Pipe the 6 lattices in dark"),
        "{:?}",
        texts(&lattices)
    );

    let nests = shaped(PipedShape::Nests);
    assert!(texts(&nests).iter().any(|text| text == "Zigzag 6 nests in dark"));
    let gather = it(&nests).tasks.iter().find(|task| task.key == "gather").expect("gathered");
    let (from, until) =
        (gather.from.as_ref().expect("opens"), gather.until.as_ref().expect("closes"));
    assert!(from.moment.typical < until.moment.typical, "it bends before it snaps");
    assert!(texts(&nests).iter().any(|text| text.starts_with("Lay the sheet")));

    let bowls = shaped(PipedShape::Bowls);
    assert_eq!(texts(&bowls)[0], "Turn out the domes of ice and dry them");
    let last = it(&bowls).tasks.last().expect("tasks");
    assert_eq!((last.key.as_str(), last.since.as_deref()), ("lift", Some("pour")));
    assert!(codes(&bowls).contains(&"piped-ice"));
    assert!(it(&bowls).fridge.is_none(), "what lies on ice needs no fridge");
    assert!(it(&lattices).fridge.is_some());
}

#[test]
fn a_sheet_is_plain_painted_flecked_or_printed() {
    let finished = |finish| {
        let WorkInputs::Sheet(sheet) = sheet() else { unreachable!() };
        plan(WorkInputs::Sheet(SheetInputs { finish, ..sheet }))
    };
    for (finish, underside, text, colour) in [
        (SheetFinish::Plain, "gloss", "Lay the sheet flat", false),
        (SheetFinish::Painted, "painted", "Paint the sheet", true),
        (SheetFinish::Flecked, "flecked", "Fleck the sheet", true),
        (SheetFinish::Printed, "printed", "Lay the printed sheet, print side up", false),
    ] {
        let plan = finished(finish);
        assert_eq!(it(&plan).draft.shown.underside, Some(underside));
        assert!(texts(&plan).iter().any(|told| told == text), "{finish:?}: {:?}", texts(&plan));
        assert_eq!(codes(&plan).contains(&"sheet-colour"), colour, "{finish:?}");
    }
    let plain =
        changed!("Sheet: shapes, shards, curls", Sheet(sheet) => sheet.finish = SheetFinish::Plain);
    assert_eq!(told(plain, "colours"), "go with a painted or flecked sheet");
}

#[test]
fn what_lies_on_a_printed_sheet_takes_its_print() {
    let slab = SlabInputs { lining: Lining::Printed, ..slab(cover(4.0)) };
    let plan = plan(WorkInputs::Slab(slab));
    assert_eq!(it(&plan).draft.shown.underside, Some("printed"));
    assert_eq!(texts(&plan)[0], "Lay the printed sheet, print side up");
}

#[test]
fn what_is_dipped_keeps_as_long_as_its_centre() {
    let of = |centre, sticks| {
        let WorkInputs::Dipped(dipped) = start("Dipped pieces") else { unreachable!() };
        plan(WorkInputs::Dipped(DippedInputs { centre, sticks, ..dipped }))
    };
    for (centre, keeps, code) in [
        (CentreKind::Truffle, "10 days", Some("perishable")),
        (CentreKind::Fruit, "24 hours", Some("fruit-dry")),
        (CentreKind::Biscuit, "3 weeks", None),
        (CentreKind::Dry, "6 weeks", None),
    ] {
        let plan = of(centre, false);
        let said = it(&plan).draft.said.keeps.clone().expect("keeps so long").text;
        assert!(said.text().contains(keeps), "{centre:?}: {said}");
        let minded = ["perishable", "fruit-dry"].into_iter().find(|c| codes(&plan).contains(c));
        assert_eq!(minded, code, "{centre:?}");
        assert_eq!(texts(&plan)[0], "Line a tray with parchment");
    }
    let on_sticks = of(CentreKind::Dry, true);
    assert_eq!(texts(&on_sticks)[0], "Set up the stand, or line a tray");
    assert!(codes(&on_sticks).contains(&"sticks"));
}

#[test]
fn shells_without_a_filling_are_turned_out_as_they_are() {
    let open = plan(changed!("Filled shells", Shells(shells) => {
        shells.filling = None;
        shells.cap = None;
    }));
    let keys: Vec<_> = it(&open).tasks.iter().map(|task| task.key.as_str()).collect();
    assert!(!keys.iter().any(|key| key.contains("fill") || key.contains("cap")), "{keys:?}");
    assert!(
        it(&open)
            .draft
            .said
            .keeps
            .as_ref()
            .is_some_and(|keeps| keeps.text.text().contains("8 weeks"))
    );
    let closed_on_nothing = changed!("Filled shells", Shells(shells) => shells.filling = None);
    assert!(told(closed_on_nothing, "cap").starts_with("closes a filling"));
    let capped_full = changed!("Filled shells", Shells(shells) => {
        shells.cast.mould.cavity.diameter_mm = Some(10.0);
        if let Some(cap) = &mut shells.cap {
            cap.cap_mm = 4.0;
        }
    });
    let said = told(capped_full, "cap.cap_mm");
    assert!(said.starts_with("must be less than the hollow is deep"), "{said}");
}

#[test]
fn brushed_coats_are_wished_for_and_not_waited_for() {
    let waited = changed!("Filled shells", Shells(shells) => {
        shells.cast.way = ShellWay::Brush;
        shells.cast.wall = WallInputs::Waited { wait_s: 30.0, poured_c: None };
    });
    assert!(told(waited, "cast.wall.wait_s").starts_with("goes with filling and dumping"));
}

#[test]
fn a_tone_goes_on_a_region_that_the_mould_has() {
    let start = || {
        let WorkInputs::Figures(figures) = start("Two-tone figures") else { unreachable!() };
        figures
    };
    let mut elsewhere = start();
    elsewhere.tones[0].region = Some("tail".to_owned());
    let said = told(WorkInputs::Figures(elsewhere), "tones[0].region");
    assert_eq!(said, "must be a region of the mould (face, body); it is tail");

    let mut no_region = start();
    no_region.cast.mould.regions.clear();
    let said = told(WorkInputs::Figures(no_region.clone()), "tones[0].region");
    assert!(said.starts_with("must be left out: the mould has no regions"), "{said}");
    no_region.tones.clear();
    assert!(it(&plan(WorkInputs::Figures(no_region))).tasks.iter().all(|t| t.key != "tone-1"));
}

#[test]
fn an_odd_half_is_left_over_and_not_everything_fits_inside() {
    let odd = plan(changed!("Joined hollows", Hollows(work) => {
        work.cast.mould.count = 5;
        work.cast.casts = 1;
    }));
    assert!(codes(&odd).contains(&"half-over"));
    let even = plan(start("Joined hollows"));
    assert!(!codes(&even).contains(&"half-over"));
    let many = changed!("Joined hollows", Hollows(work) => {
        let one = work.inside[0].clone();
        work.inside = vec![one; 40];
    });
    assert!(told(many, "inside").starts_with("must be at most"));
}

#[test]
fn films_lie_on_the_mould_there_is() {
    let nowhere = changed!("Filled shells", Shells(shells) => {
        shells.cast.colours[0].region = Some("rim".to_owned());
    });
    assert_eq!(
        told(nowhere, "cast.colours[0].region"),
        "must be a region of the mould (it has none)"
    );
    let crowd = changed!("Filled shells", Shells(shells) => {
        let one = shells.cast.colours[0].clone();
        shells.cast.colours = vec![one; 12];
    });
    assert!(told(crowd, "cast.colours").starts_with("must be at most"));
    for (way, verb) in [(Way::Finger, "Swipe"), (Way::Spray, "Spray"), (Way::Fleck, "Fleck")] {
        let WorkInputs::Shells(mut shells) = start("Filled shells") else { unreachable!() };
        shells.cast.colours.truncate(1);
        shells.cast.colours[0].way = way;
        let plan = plan(WorkInputs::Shells(shells));
        let said = texts(&plan).join("; ");
        assert!(said.contains(&format!("{verb} the ")), "{way:?}: {said}");
        let task =
            it(&plan).tasks.iter().find(|task| task.text.text().starts_with(verb)).expect("put on");
        let caution = task.caution.as_ref().expect("minded");
        assert_eq!(caution.text().contains("flame"), way == Way::Spray);
    }
}

#[test]
fn an_accent_has_a_colour_that_is_one_and_there_are_few() {
    let WorkInputs::Marbled(mut marbled) = marbled(6, 25.0, ColourKind::Oil) else {
        unreachable!()
    };
    marbled.accents[0].colour =
        Some(ColourInputs { kind: ColourKind::Oil, srgb: "violet".to_owned() });
    let said = told(WorkInputs::Marbled(marbled.clone()), "accents[0].colour.srgb");
    assert_eq!(said, "must be a colour such as #3b5bdb; it is violet");
    marbled.accents.clear();
    assert!(told(WorkInputs::Marbled(marbled), "accents").starts_with("must be 1 to"));
}

#[test]
fn clusters_take_a_bowl_that_there_can_be() {
    let WorkInputs::Clusters(many) = clusters(0.8, 500) else { unreachable!() };
    let heavy = WorkInputs::Clusters(ClustersInputs { each_g: 100.0, ..many });
    assert!(told(heavy, "count").starts_with("must come to 1 to 20000 g of chocolate"));
}

#[test]
fn what_is_round_or_known_by_its_area_alone_is_scored_as_well() {
    for tray in [
        TrayInputs::Round { diameter_mm: 240.0, rim_mm: None },
        TrayInputs::Area { area_cm2: 450.0 },
    ] {
        let WorkInputs::Shards(shards) = shards() else { unreachable!() };
        let cover = CoverInputs::Thickness { tray, thickness_mm: 4.0 };
        let plan = plan(WorkInputs::Shards(ShardsInputs { cover, ..shards }));
        let pieces = it(&plan).draft.size.pieces.as_ref().expect("pieces");
        let area = in_square_centimetres(it(&plan).draft.size.tray.expect("an area").area());
        assert!((pieces.count - area / 20.0).abs() <= 1.0, "{} of {area}", pieces.count);
    }
}
