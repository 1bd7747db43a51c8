//! What goes on top, and in which order: the largest first.

use std::fmt::Arguments;

use serde::{Deserialize, Serialize};

use super::prepared::{self, Preparation, prepare};
use super::{LONGEST_NAME, MOST_GOODS, check_totals, largest};
use crate::allergens::LabelInputs;
use crate::catalogue::cautions;
use crate::catalogue::steps::so_much_of;
use crate::catalogue::work::goods as say;
use crate::catalogue::work::slab;
use crate::check::{self, Checker};
use crate::message::Until;
use crate::pantry::{self, GoodsNotes, Spooned};
use crate::setting::Scattered;
use crate::spread::topping::{OnTop, Topping, Wish, remarks};
use crate::units::{Area, Mass, grams, in_grams, millimetres, square_centimetres};
use crate::work::draft::Draft;
use crate::work::drafting::Drafting;
use crate::work::task::{TaskDraft, Timing};
use uuid::Uuid;

/// A slab carries one layer of what lies on it.
const CARRIES: f64 = 1.0;

/// How much of a topping is wanted.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ToppingWish {
    /// So much of the slab is covered.
    Coverage {
        /// How much.
        coverage_pct: f64,
    },
    /// Every piece gets some.
    Pieces {
        /// How large the pieces are.
        piece_cm2: f64,
    },
    /// So much of the chocolate's weight.
    Share {
        /// How much.
        share_pct: f64,
    },
    /// So much of it.
    Grams {
        /// How much.
        mass_g: f64,
    },
    /// Cups or spoons of it.
    Spooned {
        /// How many.
        count: f64,
        /// Of which.
        of: Spooned,
    },
    /// So many pieces of it.
    Count {
        /// How many.
        count: u32,
    },
    /// What the others leave of so much topping in all.
    FillTo {
        /// How much in all.
        total_g: f64,
    },
}

impl ToppingWish {
    /// Its field for how much.
    fn field(self) -> &'static str {
        match self {
            Self::Coverage { .. } => "coverage_pct",
            Self::Pieces { .. } => "piece_cm2",
            Self::Share { .. } => "share_pct",
            Self::Grams { .. } => "mass_g",
            Self::Spooned { .. } | Self::Count { .. } => "count",
            Self::FillTo { .. } => "total_g",
        }
    }
}

/// What goes on top.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToppingInputs {
    /// What it is.
    pub name: String,
    /// The goods in the pantry that it is; what is known of those stands in for what is stated
    /// here.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub goods_id: Option<Uuid>,
    /// How wide one of it is.
    pub across_mm: f64,
    /// What one of it weighs.
    pub each_g: f64,
    /// How much of it.
    pub wish: ToppingWish,
    /// What else is known of it.
    #[serde(default)]
    pub known: GoodsNotes,
    /// What its label says of allergens, where it was put in.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub label: Option<LabelInputs>,
    /// What is done to it first, in this order.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub prepared: Vec<Preparation>,
}

/// A topping and how much of it, as far as that is known without the others.
enum Wanted {
    By(Wish),
    FillTo(Mass),
}

/// How large a topping is of which nothing is known, mm and g (*custom*: about a raisin).
const UNKNOWN: (f64, f64) = (10.0, 0.5);

impl ToppingInputs {
    /// So much of some of the common goods, by their name.
    #[must_use]
    pub fn usual(name: &str, wish: ToppingWish) -> Self {
        let goods = pantry::named(name);
        Self {
            name: name.to_owned(),
            goods_id: None,
            across_mm: goods.as_ref().and_then(|goods| goods.across_mm).unwrap_or(UNKNOWN.0),
            each_g: goods.as_ref().and_then(|goods| goods.each_g).unwrap_or(UNKNOWN.1),
            wish,
            known: goods.map(|goods| goods.known).unwrap_or_default(),
            label: None,
            prepared: Vec::new(),
        }
    }

    /// The topping and how much of it goes on so much chocolate, with faults noted
    /// under `field`.
    fn check(
        &self,
        field: Arguments<'_>,
        chocolate: Mass,
        check: &mut Checker,
    ) -> (Topping, Wanted) {
        check.text(format_args!("{field}.name"), &self.name, LONGEST_NAME);
        let across =
            check.number(format_args!("{field}.across_mm"), self.across_mm, check::TOPPING_MM);
        let each = check.number(format_args!("{field}.each_g"), self.each_g, check::TOPPING_G);
        self.known.check(format_args!("{field}.known"), check);
        prepared::check(&self.prepared, format_args!("{field}.prepared"), check);
        let own = format_args!("{field}.wish.{}", self.wish.field());
        let wanted = match self.wish {
            ToppingWish::Coverage { coverage_pct } => {
                let share = check.number(own, coverage_pct, check::COVERAGE_PCT);
                Wanted::By(Wish::Covering(share / 100.0))
            }
            ToppingWish::Pieces { piece_cm2 } => {
                let piece = check.number(own, piece_cm2, check::PIECE_CM2);
                Wanted::By(Wish::OnEveryPiece(square_centimetres(piece)))
            }
            ToppingWish::Share { share_pct } => {
                let share = check.number(own, share_pct, check::TOPPING_SHARE_PCT);
                Wanted::By(Wish::Weighing(chocolate * share / 100.0))
            }
            ToppingWish::Grams { mass_g } => {
                Wanted::By(Wish::Weighing(grams(check.number(own, mass_g, check::GOODS_G))))
            }
            ToppingWish::Spooned { count, of } => {
                let count = check.number(own, count, check::SPOONS);
                Wanted::By(Wish::Weighing(self.known.spooned(field, count, of, check)))
            }
            ToppingWish::Count { count } => {
                let count = check.number(own, f64::from(count), check::PIECES);
                Wanted::By(Wish::Weighing(grams(each) * count))
            }
            ToppingWish::FillTo { total_g } => {
                Wanted::FillTo(grams(check.number(own, total_g, check::GOODS_G)))
            }
        };
        (Topping { across: millimetres(across), each: grams(each) }, wanted)
    }
}

/// What all toppings weigh on so large a slab of so much chocolate.
pub(crate) fn weigh_on(stated: &[ToppingInputs], slab: Area, chocolate: Mass) -> Mass {
    let checked =
        stated.iter().map(|one| one.check(format_args!(""), chocolate, &mut Checker::new()));
    let (sum, fill_to) =
        checked.fold((Mass::default(), None), |(sum, fill_to), (one, wanted)| match wanted {
            Wanted::By(wish) => (sum + one.on(slab, wish).mass, fill_to),
            Wanted::FillTo(total) => (sum, Some(total)),
        });
    fill_to.map_or(sum, |total| sum.max(total))
}

/// Puts toppings on what is spread out on a tray: they lie on its last layer.
pub(crate) fn on_top(draft: &mut Draft, stated: &[ToppingInputs], at: &mut Drafting<'_>) {
    let Some(slab) = draft.size.tray.map(|tray| tray.area()) else { return };
    let layer = draft.sets.layers.len().saturating_sub(1);
    on_top_of(draft, slab, layer, stated, at);
}

/// Puts toppings on a layer of what is drafted, over an area in all.
pub(crate) fn on_top_of(
    draft: &mut Draft,
    slab: Area,
    layer: usize,
    stated: &[ToppingInputs],
    at: &mut Drafting<'_>,
) {
    if stated.len() > MOST_GOODS {
        at.check.fault("toppings", say::too_many(MOST_GOODS, stated.len()));
        return;
    }
    let chocolate = draft.takes.iter().fold(Mass::default(), |sum, p| sum + p.mass);
    let checked: Vec<_> = stated
        .iter()
        .enumerate()
        .map(|(i, inputs)| inputs.check(format_args!("toppings[{i}]"), chocolate, at.check))
        .collect();
    if at.check.has_faults() || stated.is_empty() {
        return;
    }
    let field = |i: usize| {
        let name = stated.get(i).map_or("by", |inputs| inputs.wish.field());
        format!("toppings[{i}].wish.{name}")
    };
    let placed: Vec<Option<OnTop>> = checked
        .iter()
        .map(|(topping, wanted)| match wanted {
            Wanted::By(wish) => Some(topping.on(slab, *wish)),
            Wanted::FillTo(_) => None,
        })
        .collect();
    let others = placed.iter().flatten().fold(Mass::default(), |sum, on_top| sum + on_top.mass);
    let totals = checked.iter().enumerate().filter_map(|(i, (_, wanted))| match wanted {
        Wanted::FillTo(total) => Some((i, *total)),
        Wanted::By(_) => None,
    });
    check_totals(totals, others, None, field, at.check);
    if at.check.has_faults() {
        return;
    }
    let placed: Vec<OnTop> = placed
        .into_iter()
        .zip(&checked)
        .filter_map(|(on_top, (topping, wanted))| match wanted {
            Wanted::By(_) => on_top,
            Wanted::FillTo(total) => Some(topping.on(slab, Wish::Weighing(*total - others))),
        })
        .collect();
    let covered: f64 = placed.iter().map(|on_top| on_top.covered).sum();
    // One too many by rounding up is no more than a whole one.
    let spare: f64 = placed.iter().map(|on_top| on_top.covered / on_top.count.max(1.0)).sum();
    if covered - spare > CARRIES {
        let most = largest(placed.iter().map(|on_top| on_top.covered));
        let message = say::more_than_it_carries(covered * 100.0);
        at.check.fault(field(most.unwrap_or_default()), message);
    }
    let toppings: Vec<_> = checked.iter().map(|(topping, _)| *topping).collect();
    draft.said.notes.extend(remarks(&toppings, covered));
    let room = at.room.temp;
    let mut mass = Mass::default();
    for (i, (inputs, on_top)) in stated.iter().zip(placed).enumerate() {
        mass += on_top.mass;
        let one = at.goods(&inputs.name, on_top.mass, "on top");
        let one = one.of_pantry(inputs.goods_id, inputs.label.as_ref());
        let one = prepare(draft, &inputs.prepared, format_args!("top-{}", i + 1), one, at);
        draft.goods.push(one);
        draft.sets.goods.push((on_top.mass, inputs.known.temp(room)));
        draft.said.notes.extend(inputs.known.remarks(&inputs.name, room));
        draft.moist.extend(inputs.known.are_moist().then(|| inputs.name.clone()));
        draft.toppings.push((inputs.name.clone(), on_top));
    }
    if let Some(pieces) = &mut draft.size.pieces {
        // What is counted in bags and pieces weighs with what lies on it.
        pieces.each += mass / pieces.count.max(1.0);
    }
    if let Some(top) = draft.sets.layers.get_mut(layer) {
        // It takes heat out of what it falls on.
        let of_it = in_grams(chocolate) * top.share;
        top.on_top =
            Scattered { per_gram: in_grams(mass) / of_it.max(1.0), covered: covered.min(1.0) };
    }
}

/// Scatter what goes on top while it sticks: one after the other, the largest first.
pub(crate) fn scatter(
    stated: &[ToppingInputs],
    draft: &Draft,
    since: &str,
    layer: usize,
) -> Vec<TaskDraft> {
    // As the scale shows them, in the order in which they were stated.
    let weighed = draft.goods.iter().filter(|goods| goods.goes == "on top");
    let mut order: Vec<_> = stated.iter().zip(weighed).collect();
    order.sort_by(|(a, _), (b, _)| b.across_mm.total_cmp(&a.across_mm));
    order
        .into_iter()
        .map(|(_, goods)| so_much_of(goods.mass, &goods.name))
        .enumerate()
        .map(|(i, what)| {
            let task = if i == 0 {
                TaskDraft::new("top", slab::top(what), slab::top_how(), 60.0)
                    .minding(cautions::allergens())
            } else {
                let key = format!("top-{}", i + 1);
                TaskDraft::new(&key, slab::top(what), say::scatter_next_how(), 60.0)
            };
            task.since(since, layer).until(
                Timing::ToppingUntil,
                slab::top_until(Until),
                slab::top_late(),
            )
        })
        .collect()
}
