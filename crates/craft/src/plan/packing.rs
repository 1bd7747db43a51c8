//! What a plan is packed into: boxes, bags or servings, what lies in each, and how much of every
//! kind that takes.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::keeping::packed_apart;
use super::known_goods::Known;
use super::planned::PlannedComponent;
use super::taken::GoodsTaken;
use crate::boxes::{self, InEach, Portion, ToMake, USUAL_SPARE_PCT};
use crate::catalogue::boxes as say;
use crate::check::{self, Checker};
use crate::message::{Message, Nested, names};
use crate::note::Note;
use crate::units::{Mass, grams, in_grams};
use crate::words::worded;

/// The longest name of what it is packed in.
const LONGEST_NAME: usize = 80;
/// So many sorts of wrapping at the most.
const MOST_WRAPPINGS: usize = 20;
/// So many kinds of work at the most have spares of their own.
const MOST_SPARES: usize = 100;

worded! {
    /// What it is packed into.
    PackedAs {
        /// Boxes.
        Boxes = "boxes",
        /// Bags.
        Bags = "bags",
        /// Servings: on a plate, not packed.
        Servings = "servings",
    }
}

/// Something that each is packed in: a box, a bag, a paper cup, a ribbon.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WrappingInputs {
    /// What it is called.
    pub name: String,
    /// The goods in the pantry that it is, where it was picked there.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub goods_id: Option<Uuid>,
    /// How many for each.
    pub count: f64,
}

/// What a plan is packed into.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PackingInputs {
    /// What.
    pub of: PackedAs,
    /// How many.
    pub count: f64,
    /// What lies in each.
    pub each: Vec<InEach>,
    /// What is made beyond that, for what breaks; what was learned for each kind of work, if left
    /// out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub spare_pct: Option<f64>,
    /// What each holds at the most.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub holds_g: Option<f64>,
    /// What each is packed in.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub wrapping: Vec<WrappingInputs>,
}

/// How many of a hundred break of one kind of work, as counts of earlier batches tell.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LearnedSpare {
    /// The kind of work, as documents call it.
    pub kind: String,
    /// So many.
    pub pct: f64,
}

/// One kind of what lies in each.
#[derive(Clone, Debug, PartialEq)]
pub struct PackedKind {
    /// The component's key.
    pub component: String,
    /// Its name.
    pub name: String,
    /// How much of it lies in each.
    pub each: Portion,
    /// How many of a hundred are spare.
    pub spare_pct: f64,
    /// Whether counts of earlier batches say so.
    pub learned: bool,
    /// For all of them, with nothing to spare.
    pub wanted: f64,
    /// What is to be made.
    pub make: Portion,
    /// What the plan makes: pieces where it goes by the piece, grams where it does not.
    pub makes: f64,
    /// What is left of that once all are packed.
    pub left: f64,
    /// In how many casts; `None` of what is not cast.
    pub casts: Option<u32>,
}

/// How a plan is packed.
#[derive(Clone, Debug, PartialEq)]
pub struct Packed {
    /// Into what.
    pub of: PackedAs,
    /// How many.
    pub count: f64,
    /// What lies in each.
    pub kinds: Vec<PackedKind>,
    /// What each weighs, without what it is packed in.
    pub weighs: Mass,
    /// How many can be filled of what the plan makes, where nothing breaks.
    pub fills: u32,
    /// The component that runs out first then, by name.
    pub scarcest: String,
    /// What they are packed in, all told.
    pub wrapping: Vec<GoodsTaken>,
    /// Remarks.
    pub notes: Vec<Note>,
}

impl PackingInputs {
    /// Notes what is wrong with it by itself, under `packing`; gives what lies in each.
    pub(super) fn check(&self, check: &mut Checker) -> Vec<ToMake> {
        check.number("packing.count", self.count, check::BOXES);
        if self.count.fract() != 0.0 {
            check.fault("packing.count", say::whole_boxes());
        }
        check.optional("packing.spare_pct", self.spare_pct, check::SPARE_PCT);
        check.optional("packing.holds_g", self.holds_g, check::IN_A_BOX_G);
        if self.wrapping.len() > MOST_WRAPPINGS {
            check.fault(
                "packing.wrapping",
                say::too_many_wrappings(MOST_WRAPPINGS, self.wrapping.len()),
            );
        }
        for (i, one) in self.wrapping.iter().enumerate().take(MOST_WRAPPINGS) {
            check.text(format_args!("packing.wrapping[{i}].name"), &one.name, LONGEST_NAME);
            check.number(format_args!("packing.wrapping[{i}].count"), one.count, check::WRAPPINGS);
        }
        boxes::check("packing.each", &self.each, check)
    }

    /// How it is packed, of what is planned; faults are noted under `packing`.
    pub(super) fn packed(
        &self,
        components: &[PlannedComponent],
        spares: &[(String, f64)],
        check: &mut Checker,
    ) -> Packed {
        let in_each = self.check(&mut Checker::new());
        let mut kinds = Vec::with_capacity(in_each.len());
        let mut inside: Vec<&PlannedComponent> = Vec::with_capacity(in_each.len());
        let mut weighs = Mass::default();
        for (i, ToMake { component: key, portion }) in in_each.iter().enumerate() {
            let Some(component) = components.iter().find(|one| one.key == *key) else {
                let there = names(components.iter().map(|one| &one.key));
                let field = format!("packing.each[{i}].component");
                check.fault(field, say::must_be_made(there, key));
                continue;
            };
            let pieces = component.draft.size.pieces;
            let makes = match (portion, pieces) {
                (Portion::Pieces(_), Some(pieces)) => pieces.count,
                (Portion::Pieces(_), None) => {
                    let field = format!("packing.each[{i}].pieces");
                    check.fault(field, say::not_by_the_piece(&component.name));
                    continue;
                }
                (Portion::Grams(_), _) => in_grams(component.draft.weighs()),
            };
            weighs += match (portion, pieces) {
                (Portion::Pieces(count), Some(pieces)) => pieces.each * *count,
                (amount, _) => grams(amount.amount()),
            };
            let learned = spares.iter().find(|(of, _)| of == key).map(|(_, pct)| *pct);
            let spare_pct = self.spare_pct.or(learned).unwrap_or(USUAL_SPARE_PCT);
            let wanted = portion.amount() * self.count;
            kinds.push(PackedKind {
                component: key.clone(),
                name: component.name.clone(),
                each: *portion,
                spare_pct,
                learned: self.spare_pct.is_none() && learned.is_some(),
                wanted,
                make: portion.for_boxes(self.count, spare_pct),
                makes,
                left: (makes - wanted).max(0.0),
                casts: component.draft.shown.cast.as_ref().map(|cast| cast.casts),
            });
            inside.push(component);
        }
        let made = |key: &str| {
            let kind = kinds.iter().find(|kind| kind.component == key);
            kind.map_or(0.0, |kind| kind.makes)
        };
        let (fills, scarcest) = boxes::filled(&in_each, made).unwrap_or_default();
        let name = kinds.iter().find(|kind| kind.component == scarcest);
        Packed {
            of: self.of,
            count: self.count,
            weighs,
            fills,
            scarcest: name.map(|kind| kind.name.clone()).unwrap_or_default(),
            wrapping: self
                .wrapping
                .iter()
                .map(|one| {
                    let all = GoodsTaken::by_the_piece(&one.name, one.count * self.count);
                    GoodsTaken { goods_id: one.goods_id, ..all }
                })
                .collect(),
            notes: self.remarks(&kinds, &inside, weighs),
            kinds,
        }
    }

    fn remarks(
        &self,
        kinds: &[PackedKind],
        inside: &[&PlannedComponent],
        weighs: Mass,
    ) -> Vec<Note> {
        let mut notes = Vec::new();
        for kind in kinds {
            if kind.makes + 1e-6 < kind.wanted {
                let amounts = (kind.said(kind.makes), kind.said(kind.wanted));
                notes.push(Note::caution(
                    "packing-short",
                    say::too_few(&kind.name, amounts.0, amounts.1),
                ));
            } else if kind.makes + 1e-6 < kind.make.amount() {
                let spare = kind.said(kind.makes - kind.wanted);
                notes.push(Note::info(
                    "packing-few-spares",
                    say::few_spares(&kind.name, spare, kind.said(kind.make.amount())),
                ));
            }
        }
        if let Some(holds_g) = self.holds_g.filter(|holds| in_grams(weighs) > *holds) {
            let message = say::holds_less(grams(holds_g), weighs);
            notes.push(Note::caution("packing-too-full", message));
        }
        notes.extend(packed_apart(inside.iter().copied()));
        let nutty = |one: &&&PlannedComponent| {
            one.draft.goods.iter().any(|goods| Known::by(&goods.name).nutty)
        };
        let (with, without): (Vec<_>, Vec<_>) = inside.iter().partition(nutty);
        if !with.is_empty() && !without.is_empty() {
            let named = |of: &[&&PlannedComponent]| names(of.iter().map(|one| &one.name));
            notes.push(Note::caution(
                "packing-nuts",
                say::nuts_in_the_box(named(&with), named(&without)),
            ));
        }
        notes
    }
}

impl PackedKind {
    /// So much of it, in pieces or grams as it is counted.
    fn said(&self, amount: f64) -> Nested {
        so_much(match self.each {
            Portion::Pieces(_) => Portion::Pieces(amount),
            Portion::Grams(_) => Portion::Grams(amount),
        })
        .into()
    }
}

/// An amount of a kind, in words.
#[must_use]
pub fn so_much(portion: Portion) -> Message {
    match portion {
        Portion::Pieces(count) => say::so_many(count),
        Portion::Grams(mass) => say::so_much(grams(mass)),
    }
}

impl Packed {
    /// What lies in each, in words: "2 of Planets, 40 g of Bark".
    #[must_use]
    pub fn in_each(&self) -> Vec<Message> {
        let one = |kind: &PackedKind| say::of_kind(so_much(kind.each), &kind.name);
        self.kinds.iter().map(one).collect()
    }
}

/// Notes what is wrong with what was learned of spares.
pub(super) fn check_spares(spares: &[LearnedSpare], check: &mut Checker) {
    if spares.len() > MOST_SPARES {
        check.fault("spares", say::too_many_kinds(MOST_SPARES, spares.len()));
    }
    for (i, one) in spares.iter().enumerate().take(MOST_SPARES) {
        check.text(format_args!("spares[{i}].kind"), &one.kind, LONGEST_NAME);
        check.number(format_args!("spares[{i}].pct"), one.pct, check::SPARE_PCT);
    }
}
