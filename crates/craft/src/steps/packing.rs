//! Packing as steps: once all is made, what is whole is counted, packed and labelled.

use super::step::{Line, LineOf, Step, StepKind, Takes};
use crate::catalogue::{boxes as say, cautions};
use crate::message::{Message, Nested, list};
use crate::plan::{Packed, PackedAs};
use crate::units::seconds;

/// The key of its line. Nothing that is made is called so: a component's key is typed or made of
/// words.
const LINE: &str = "=packing";
/// Counting each kind takes so long, s (*custom*).
const COUNTED_S: f64 = 60.0;
/// What is laid out takes so long for any number, and each box, bag or plate so long, s (*custom*).
const PACKED_S: [f64; 2] = [180.0, 60.0];
/// Each piece or handful that goes in, s (*custom*).
const LAID_IN_S: f64 = 5.0;
/// A label takes so long, s (*custom*).
const LABELLED_S: f64 = 15.0;

/// The steps of packing.
pub(super) fn line(packed: &Packed) -> Line {
    let kinds = packed.kinds.len() as f64;
    let in_each = list(packed.in_each().into_iter().map(Nested::from), ", ");
    let lays: f64 = packed
        .kinds
        .iter()
        .map(|kind| match kind.each {
            crate::boxes::Portion::Pieces(pieces) => pieces,
            crate::boxes::Portion::Grams(_) => 2.0,
        })
        .sum();
    let text = match packed.of {
        PackedAs::Boxes => say::pack_boxes(packed.count, in_each),
        PackedAs::Bags => say::pack_bags(packed.count, in_each),
        PackedAs::Servings => say::plate(packed.count, in_each),
    };
    let [any, each] = PACKED_S;
    let mut steps = vec![
        step("count", say::count(), say::count_how(), None, COUNTED_S * kinds),
        step(
            "pack",
            text,
            say::pack_how(),
            Some(cautions::allergens()),
            any + packed.count * (each + LAID_IN_S * lays),
        ),
    ];
    if packed.of != PackedAs::Servings {
        let takes_s = LABELLED_S * packed.count;
        steps.push(step("label", say::label(), say::label_how(), None, takes_s));
    }
    let name = say::packing().text().into_owned();
    Line {
        key: LINE.to_owned(),
        of: LineOf::Packing {},
        name,
        gear: Vec::new(),
        keeps_days: None,
        steps,
    }
}

fn step(
    task: &str,
    text: Message,
    detail: Message,
    caution: Option<Message>,
    takes_s: f64,
) -> Step {
    Step {
        key: format!("{LINE}/{task}"),
        kind: StepKind::Finishing,
        text,
        detail,
        caution,
        missed: None,
        takes: Takes::about(seconds(takes_s)),
        chocolate: None,
        tempered: None,
        wait: None,
        is_touch: false,
        topic: None,
        learned: Vec::new(),
    }
}
