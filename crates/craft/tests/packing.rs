//! Boxes: what lies in each, how much of everything that takes, and packing as the last of the work.

use std::collections::HashMap;

use chrono::{DateTime, NaiveTime, TimeDelta, Utc};
use craft::batch::{Event, EventKind, guide, standing};
use craft::boxes::{InEach, Portion};
use craft::chocolate::Family;
use craft::edits::{Edit, edited};
use craft::kinds::kinds;
use craft::plan::{
    LearnedSpare, PackedAs, PackingInputs, Plan, PlanInputs, WhenInputs, WrappingInputs, enough,
};
use craft::schedule::{Around, AtHand, Hours, days, span};
use craft::shelf::{Counted, Shelf};
use craft::steps::{Line, lines};
use uuid::Uuid;

fn plan_of(names: &[&str]) -> PlanInputs {
    let start = PlanInputs { components: Vec::new(), ..PlanInputs::usual(Family::Dark) };
    names.iter().fold(start, |inputs, name| {
        let add = Edit::AddKind { kind: (*name).to_owned() };
        edited(&inputs, add).expect("such a kind").inputs
    })
}

fn in_each(component: &str, portion: Portion) -> InEach {
    let (pieces, grams) = match portion {
        Portion::Pieces(pieces) => (Some(pieces), None),
        Portion::Grams(grams) => (None, Some(grams)),
    };
    InEach { component: component.to_owned(), pieces, grams }
}

fn boxes(count: f64, each: Vec<InEach>) -> PackingInputs {
    PackingInputs {
        of: PackedAs::Boxes,
        count,
        each,
        spare_pct: None,
        holds_g: None,
        wrapping: Vec::new(),
    }
}

fn as_stated(inputs: &PlanInputs) -> Result<PlanInputs, Vec<craft::check::Fault>> {
    Ok(inputs.clone())
}

fn fields(inputs: &PlanInputs) -> Vec<String> {
    let faults = Plan::of(inputs).expect_err("faults");
    faults.into_iter().map(|fault| fault.field).collect()
}

#[test]
fn every_kind_that_is_counted_or_weighed_can_be_made_for_boxes() {
    for kind in kinds() {
        let mut inputs = plan_of(&[kind.name]);
        let key = inputs.components[0].key.clone();
        let by_the_piece = Plan::of(&inputs).expect("a plan").components[0].draft.size.pieces;
        let portions = [Portion::Pieces(2.0), Portion::Grams(35.0)];
        for portion in portions {
            if matches!(portion, Portion::Pieces(_)) && by_the_piece.is_none() {
                continue;
            }
            inputs.packing = Some(boxes(17.0, vec![in_each(&key, portion)]));
            let made = enough(&inputs, as_stated).expect(kind.name);
            let packed = Plan::of(&made.inputs).expect(kind.name).packing.expect("packed");
            if !made.by_hand.is_empty() {
                assert!(
                    ["Wrap", "cocoa butter"].iter().any(|k| kind.name.contains(k)),
                    "{}",
                    kind.name
                );
                continue;
            }
            assert!(packed.fills >= 17, "{}: {packed:?}", kind.name);
            let kind_of_it = &packed.kinds[0];
            assert!(
                kind_of_it.makes + 1e-6 >= kind_of_it.make.amount(),
                "{}: {packed:?}",
                kind.name
            );
            if let Portion::Pieces(pieces) = kind_of_it.make {
                assert_eq!(pieces, 38.0, "34 and a tenth more");
                assert!(kind_of_it.makes < 42.0, "{}: {kind_of_it:?}", kind.name);
            }
            assert!(
                packed.notes.iter().all(|note| !note.code.starts_with("packing-")),
                "{packed:?}"
            );
        }
    }
}

#[test]
fn a_box_weighs_what_is_in_it_and_what_is_short_is_said() {
    let mut inputs = plan_of(&["Filled shells", "Slab of bark"]);
    let each = vec![in_each("shells", Portion::Pieces(3.0)), in_each("slab", Portion::Grams(40.0))];
    inputs.packing = Some(PackingInputs {
        holds_g: Some(60.0),
        wrapping: vec![WrappingInputs { name: "paper cups".into(), goods_id: None, count: 3.0 }],
        ..boxes(60.0, each)
    });
    let plan = Plan::of(&inputs).expect("a plan");
    let packed = plan.packing.as_ref().expect("packed");
    let shell = plan.components[0].draft.size.pieces.expect("pieces").each;
    let weighs = craft::units::in_grams(shell) * 3.0 + 40.0;
    assert!((craft::units::in_grams(packed.weighs) - weighs).abs() < 1e-9);
    let codes: Vec<_> = packed.notes.iter().map(|note| &*note.code).collect();
    assert_eq!(codes, ["packing-short", "packing-short", "packing-too-full"]);
    assert!(packed.fills < 60, "{packed:?}");
    let cups = plan.goods.iter().find(|goods| goods.name == "paper cups").expect("they are bought");
    assert_eq!(cups.count, Some(180.0));
    let said: Vec<_> = packed.in_each().iter().map(|one| one.text().into_owned()).collect();
    assert_eq!(said, ["3 of Filled shells", "40 g of Slab of bark"]);
}

#[test]
fn spares_are_as_stated_or_learned_or_as_usual() {
    let mut inputs = plan_of(&["Filled shells", "Slab of bark"]);
    let each = vec![in_each("shells", Portion::Pieces(2.0)), in_each("slab", Portion::Grams(40.0))];
    inputs.packing = Some(boxes(10.0, each));
    let spares = |inputs: &PlanInputs| -> Vec<(f64, bool)> {
        let packed = Plan::of(inputs).expect("a plan").packing.expect("packed");
        packed.kinds.iter().map(|kind| (kind.spare_pct, kind.learned)).collect()
    };
    assert_eq!(spares(&inputs), [(10.0, false), (10.0, false)]);
    let counted = |broken| Counted { kind: "shells".into(), made: 40.0, broken };
    let shelf = Shelf::default().counting(vec![counted(2.0), counted(0.0), counted(8.0)]);
    let filled = shelf.fill(&inputs).expect("filled");
    assert_eq!(filled.spares, [LearnedSpare { kind: "shells".into(), pct: 6.0 }]);
    assert_eq!(spares(&filled), [(6.0, true), (10.0, false)]);
    inputs.packing.as_mut().expect("packing").spare_pct = Some(0.0);
    assert_eq!(spares(&shelf.fill(&inputs).expect("filled")), [(0.0, false); 2]);
}

#[test]
fn what_cannot_be_packed_is_refused_by_its_field() {
    let mut inputs = plan_of(&["Wrap round a cake"]);
    let wrap = inputs.components[0].key.clone();
    inputs.packing = Some(boxes(0.0, Vec::new()));
    assert_eq!(fields(&inputs), ["packing.count", "packing.each"]);
    inputs.packing = Some(boxes(2.5, vec![in_each("moons", Portion::Pieces(1.0))]));
    assert_eq!(fields(&inputs), ["packing.count"]);
    let stray = vec![in_each("moons", Portion::Pieces(1.0)), in_each(&wrap, Portion::Pieces(1.0))];
    inputs.packing = Some(boxes(2.0, stray));
    assert_eq!(fields(&inputs), ["packing.each[0].component", "packing.each[1].pieces"]);
    let nothing = WrappingInputs { name: String::new(), goods_id: None, count: 0.0 };
    let one = vec![in_each(&wrap, Portion::Grams(10.0))];
    inputs.packing = Some(PackingInputs { wrapping: vec![nothing], ..boxes(2.0, one) });
    assert_eq!(fields(&inputs), ["packing.wrapping[0].name", "packing.wrapping[0].count"]);
    inputs.packing = None;
    inputs.spares = vec![LearnedSpare { kind: "shells".into(), pct: f64::NAN }];
    assert_eq!(fields(&inputs), ["spares[0].pct"]);
}

fn packed_lines() -> Vec<Line> {
    let mut inputs = plan_of(&["Clusters", "Slab of bark"]);
    let each =
        vec![in_each("clusters", Portion::Pieces(2.0)), in_each("slab", Portion::Grams(40.0))];
    inputs.packing = Some(boxes(6.0, each));
    lines(&Plan::of(&inputs).expect("a plan"))
}

#[test]
fn packing_comes_once_all_is_made_and_is_the_last_of_it() {
    let lines = packed_lines();
    let packing = lines.last().expect("lines");
    let steps: Vec<_> = packing.steps.iter().map(|step| step.key.as_str()).collect();
    assert_eq!(steps, ["=packing/count", "=packing/pack", "=packing/label"]);
    let mut now = DateTime::<Utc>::UNIX_EPOCH + TimeDelta::days(20_000);
    let mut events: Vec<Event> = Vec::new();
    let mut order: Vec<String> = Vec::new();
    for nth in 0..100_u128 {
        let Some(instruction) = guide(&lines, &events, &[], now).now else { break };
        order.push(instruction.step.clone());
        let kind = EventKind::Done { step: instruction.step, just_now: false };
        events.push(Event { id: Uuid::from_u128(nth), at: now, kind });
        now += TimeDelta::hours(3);
    }
    let packed = order.iter().position(|step| step.starts_with('=')).expect("it is packed");
    assert_eq!(order[packed..], steps, "{order:?}");
    assert!(standing(&lines, &events, &[], false).to_do.is_empty());
    let before = &events[..packed];
    let left = standing(&lines, before, &[], false).to_do;
    assert_eq!(left.iter().map(|one| one.step.as_str()).collect::<Vec<_>>(), ["=packing/count"]);
}

#[test]
fn packing_has_its_time_in_the_days_after_all_else() {
    let lines = packed_lines();
    let hour = |h| NaiveTime::from_hms_opt(h, 0, 0).expect("an hour");
    let hours = Hours::daily(hour(8), hour(22), chrono_tz::UTC);
    let now = DateTime::<Utc>::UNIX_EPOCH + TimeDelta::days(20_000);
    let when = WhenInputs { ready_by: Some(now + TimeDelta::days(4)), ..WhenInputs::default() };
    for done in [HashMap::new(), HashMap::from([("slab/pour".to_owned(), now)])] {
        let around =
            Around { now, hours: &hours, busy: &[], done: &done, at_hand: &AtHand::default() };
        let days = days(&lines, &when, &around).expect("days").expect("something to do");
        let (last, others) = days.slots.split_last().expect("slots");
        assert!(last.sitting.packs && last.sitting.step == "=packing/count");
        assert!(others.iter().all(|slot| slot.to <= last.from && !slot.sitting.packs));
        assert!(days.broken.is_empty() && days.late_min <= 0.0);
    }
    let packing = lines.last().expect("lines").steps.iter().map(|step| step.takes.typical_s);
    let with: f64 = packing.sum();
    let all = span(&lines);
    let without = span(&lines[..lines.len() - 1]);
    let more = craft::units::in_seconds(all.over - without.over);
    assert!((more - with).abs() < 1e-6, "{more} {with}");
}
