//! What is made beside a piece and stuck on it: ears, a horn, leaves.

use serde::{Deserialize, Serialize};

use super::draft::Draft;
use super::drafting::Drafting;
use super::parting::touched;
use super::parts::{Layer, Portion};
use super::task::TaskDraft;
use crate::catalogue::work::stuck_on as say;
use crate::check;
use crate::message::Message;
use crate::units::{Mass, grams, millimetres};

/// The longest name.
const LONGEST_NAME: usize = 60;
/// Sorts of parts at most.
const MOST_SORTS: usize = 6;
/// So thick they set, mm (*custom*).
const THICK_MM: f64 = 3.0;
/// One is made, and one is stuck on, in so long, s (*custom*).
const ONE_MADE_S: f64 = 12.0;
const ONE_STUCK_S: f64 = 25.0;

/// How a part is made.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PartMadeBy {
    /// Piped on a smooth sheet.
    Piping,
    /// Cast in a little mould of its own.
    Casting,
    /// Cut out of a thin sheet.
    Cutting,
}

/// A part that is stuck on.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct StuckOnInputs {
    /// What they are: ears.
    pub name: String,
    /// Their chocolate, by key.
    pub chocolate: String,
    /// How they are made.
    pub made_by: PartMadeBy,
    /// How many on each piece.
    pub count: u32,
    /// What one weighs.
    pub each_g: f64,
}

/// Parts that are in order: what tasks call the chocolate of each.
pub(super) struct StuckOn<'s>(Vec<(&'s StuckOnInputs, String)>);

/// Where parts name the chocolates they are made of.
pub(super) fn stuck_on_keys(parts: &mut [StuckOnInputs]) -> impl Iterator<Item = &mut String> {
    parts.iter_mut().map(|part| &mut part.chocolate)
}

/// Parts, checked, with faults noted under `stuck_on`.
pub(super) fn stuck_on<'s>(parts: &'s [StuckOnInputs], at: &mut Drafting<'_>) -> StuckOn<'s> {
    if parts.len() > MOST_SORTS {
        at.check.fault("stuck_on", say::at_most_sorts(MOST_SORTS, parts.len()));
    }
    for (i, part) in parts.iter().enumerate() {
        let field = |name: &str| format!("stuck_on[{i}].{name}");
        at.check.text(field("name"), &part.name, LONGEST_NAME);
        at.chocolate(&field("chocolate"), &part.chocolate);
        at.number(field("count"), f64::from(part.count), check::STUCK_ON);
        at.number(field("each_g"), part.each_g, check::TOPPING_G);
    }
    StuckOn(parts.iter().map(|part| (part, at.label(&part.chocolate))).collect())
}

/// Puts parts on so many pieces: made while the wall sets, chilled with it, and stuck on at the
/// end; `end` is how the pieces come out of their mould and are closed.
pub(super) fn stick_on(
    draft: &mut Draft,
    StuckOn(parts): &StuckOn<'_>,
    pieces: f64,
    end: Vec<TaskDraft>,
) {
    let mut on = Vec::new();
    let mut each_g = 0.0;
    for (i, (part, label)) in parts.iter().enumerate() {
        let all = f64::from(part.count) * pieces;
        let mass: Mass = grams(part.each_g) * all;
        each_g += part.each_g * f64::from(part.count);
        draft.takes.push(Portion::of(&part.chocolate, mass));
        draft.sets.layers.push(Layer::of(&part.chocolate, millimetres(THICK_MM)));
        let (key, layer) = (format!("part-{}", i + 1), draft.sets.layers.len() - 1);
        let (text, how) = part.made(all, label);
        let made = TaskDraft::new(&key, text, how, ONE_MADE_S * all).with(&part.chocolate);
        let touch = format!("touch-part-{}", i + 1);
        let (text, what) = (say::touch(&part.name), say::touch_from());
        draft.tasks.extend([made, touched(&touch, text, &key, layer, what)]);
        let (key, takes_s) = (format!("stick-{}", i + 1), ONE_STUCK_S * all);
        let stick = TaskDraft::new(&key, say::stick(&part.name), say::stick_how(), takes_s);
        on.push(stick.minding(say::stick_mind()));
    }
    draft.tasks.extend(end);
    draft.tasks.extend(on);
    if let Some(pieces) = &mut draft.size.pieces {
        pieces.each += grams(each_g);
    }
}

impl StuckOnInputs {
    fn made(&self, count: f64, label: &str) -> (Message, Message) {
        let (name, count) = (&self.name, count as u32);
        match self.made_by {
            PartMadeBy::Piping => (say::pipe(count, name, label), say::pipe_how()),
            PartMadeBy::Casting => (say::cast(count, name, label), say::cast_how()),
            PartMadeBy::Cutting => (say::cut(count, name, label), say::cut_how()),
        }
    }
}
