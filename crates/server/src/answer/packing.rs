//! How a plan is packed, and what was counted before that.

use craft::boxes::{InEach, Portion, filled};
use craft::check::Checker;
use craft::note::Note;
use craft::plan::{Packed, PackedAs, PackedKind, PlanInputs};
use craft::time::WallTime;
use serde::{Deserialize, Serialize};
use store::counts::CountRow;
use utoipa::ToSchema;
use uuid::Uuid;

use super::{grams, round};

/// One kind of what lies in each.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct PackedKindAnswer {
    /// The component's key.
    pub component: String,
    /// Its name.
    pub name: String,
    /// Whether it goes by the piece; by weight, where it does not. All amounts of it are in that.
    pub by_the_piece: bool,
    /// How much lies in each.
    pub each: f64,
    /// How many of a hundred are spare.
    pub spare_pct: f64,
    /// Whether counts of earlier batches say so.
    pub learned: bool,
    /// How much lies in all of them.
    pub wanted: f64,
    /// How much is to be made.
    pub make: f64,
    /// How much the plan makes.
    pub makes: f64,
    /// What is left of that once all are packed.
    pub left: f64,
    /// In how many casts; `null` of what is not cast.
    pub casts: Option<u32>,
}

impl From<PackedKind> for PackedKindAnswer {
    fn from(kind: PackedKind) -> Self {
        Self {
            component: kind.component,
            name: kind.name,
            by_the_piece: matches!(kind.each, Portion::Pieces(_)),
            each: kind.each.amount(),
            spare_pct: kind.spare_pct,
            learned: kind.learned,
            wanted: round(kind.wanted, 1),
            make: kind.make.amount(),
            makes: round(kind.makes, 1),
            left: round(kind.left, 1),
            casts: kind.casts,
        }
    }
}

/// Something that each is packed in.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
pub struct WrappingAnswer {
    /// What it is called.
    pub name: String,
    /// The goods in the pantry that it is, where it was picked there.
    pub goods_id: Option<Uuid>,
    /// How many for all of them.
    pub count: f64,
}

/// How a plan is packed.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct PackedAnswer {
    /// Into what.
    pub of: PackedAs,
    /// How many.
    pub count: f64,
    /// What lies in each.
    pub kinds: Vec<PackedKindAnswer>,
    /// What each weighs, without what it is packed in.
    pub weighs_g: f64,
    /// How many can be filled of what the plan makes, where nothing breaks.
    pub fills: u32,
    /// What runs out first then, by name.
    pub scarcest: String,
    /// What they are packed in.
    pub wrapping: Vec<WrappingAnswer>,
    /// Remarks.
    pub notes: Vec<Note>,
}

impl From<Packed> for PackedAnswer {
    fn from(packed: Packed) -> Self {
        let wrapping = packed.wrapping.into_iter().map(|one| WrappingAnswer {
            name: one.name,
            goods_id: one.goods_id,
            count: one.count.unwrap_or_default(),
        });
        Self {
            of: packed.of,
            count: packed.count,
            kinds: packed.kinds.into_iter().map(Into::into).collect(),
            weighs_g: grams(packed.weighs),
            fills: packed.fills,
            scarcest: packed.scarcest,
            wrapping: wrapping.collect(),
            notes: packed.notes,
        }
    }
}

/// What was counted of one thing that was made.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct CountedAnswer {
    /// The component's key.
    pub component: String,
    /// How many are whole; grams of what goes by weight.
    pub whole: f64,
    /// How many broke.
    pub broken: f64,
    /// How many of the whole ones were given away.
    pub given_away: f64,
    /// What is left once all that can be filled is; all of what lies in none.
    pub left: f64,
}

/// What was counted of a batch.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct CountAnswer {
    /// When it was noted.
    pub noted_at: WallTime,
    /// Each thing that was made.
    pub made: Vec<CountedAnswer>,
    /// How many can be filled of it, at most as many as were wanted; `null` where it is not packed.
    pub fills: Option<u32>,
    /// How many more could be filled of what is left then.
    pub fills_more: Option<u32>,
    /// What runs out first, by key.
    pub scarcest: Option<String>,
}

impl CountAnswer {
    /// What a count comes to for a batch that was stated so; `None` where it cannot be read.
    #[must_use]
    pub fn of(row: CountRow, stated: Option<&PlanInputs>) -> Option<Self> {
        let made = row.count.ok()?.made;
        let packing = stated.and_then(|stated| stated.packing.as_ref());
        let each: &[InEach] = packing.map_or(&[], |packing| &packing.each);
        let in_each = craft::boxes::check("each", each, &mut Checker::new());
        let whole =
            |key: &str| made.iter().find(|one| one.component == key).map_or(0.0, |one| one.whole);
        let all = packing.and_then(|_| filled(&in_each, whole));
        let wanted = packing.map_or(0.0, |packing| packing.count);
        let packed = all.map(|(boxes, _)| f64::from(boxes).min(wanted));
        let each_of = |key: &str| {
            let one = in_each.iter().find(|one| one.component == key);
            one.map_or(0.0, |one| one.portion.amount())
        };
        Some(Self {
            noted_at: row.noted_at,
            fills: packed.map(|packed| packed as u32),
            fills_more: all.zip(packed).map(|((boxes, _), packed)| boxes - packed as u32),
            scarcest: all.map(|(_, key)| key.to_owned()),
            made: made
                .iter()
                .map(|one| CountedAnswer {
                    left: round(
                        (one.whole - each_of(&one.component) * packed.unwrap_or(0.0)).max(0.0),
                        1,
                    ),
                    component: one.component.clone(),
                    whole: one.whole,
                    broken: one.broken,
                    given_away: one.given_away,
                })
                .collect(),
        })
    }
}
