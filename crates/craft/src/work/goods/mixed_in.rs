//! Dry goods folded into the chocolate.

use std::fmt::Arguments;

use serde::{Deserialize, Serialize};

use super::prepared::{self, Preparation, prepare};
use super::{LONGEST_NAME, MOST_GOODS, check_totals, largest};
use crate::allergens::LabelInputs;
use crate::catalogue::work::goods as say;
use crate::check::{self, Checker};
use crate::pantry::{self, GoodsNotes, Spooned};
use crate::spread::mixed::{By, MOST_PARTS, MixedTogether};
use crate::units::{Mass, MassDensity, grams, grams_per_cubic_centimetre};
use crate::work::draft::Draft;
use crate::work::drafting::Drafting;
use uuid::Uuid;

/// How much of it is folded in.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum MixedAmount {
    /// So many parts to one of chocolate, by mass.
    Parts {
        /// How many.
        parts: f64,
    },
    /// A share of all that is folded together, chocolate and goods.
    Share {
        /// How large a one.
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
        /// What one weighs.
        each_g: f64,
    },
    /// What the others leave of so much goods in all.
    FillTo {
        /// How much in all.
        total_g: f64,
    },
}

impl MixedAmount {
    /// Its field for how much.
    fn field(self) -> &'static str {
        match self {
            Self::Parts { .. } => "parts",
            Self::Share { .. } => "share_pct",
            Self::Grams { .. } => "mass_g",
            Self::Spooned { .. } | Self::Count { .. } => "count",
            Self::FillTo { .. } => "total_g",
        }
    }
}

/// One of the dry goods that are folded into the chocolate.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MixedInInputs {
    /// What they are.
    pub name: String,
    /// The goods in the pantry that they are; what is known of those stands in for what is
    /// stated here.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub goods_id: Option<Uuid>,
    /// How much of them.
    pub amount: MixedAmount,
    /// Their own density, without the air between them.
    pub density_g_cm3: f64,
    /// What else is known of them.
    #[serde(default)]
    pub known: GoodsNotes,
    /// What their label says of allergens, where it was put in.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub label: Option<LabelInputs>,
    /// What is done to them first, in this order.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub prepared: Vec<Preparation>,
}

/// The density of dry goods of which nothing is known, g/cm³ (*custom*: about that of water).
const UNKNOWN_G_CM3: f64 = 1.0;

impl MixedInInputs {
    /// So much of some of the common goods, by their name.
    #[must_use]
    pub fn usual(name: &str, amount: MixedAmount) -> Self {
        let goods = pantry::named(name);
        Self {
            name: name.to_owned(),
            goods_id: None,
            amount,
            density_g_cm3: goods.as_ref().and_then(|g| g.density_g_cm3).unwrap_or(UNKNOWN_G_CM3),
            known: goods.map(|goods| goods.known).unwrap_or_default(),
            label: None,
            prepared: Vec::new(),
        }
    }

    /// By what they go, with faults noted under `field`.
    fn check(&self, field: Arguments<'_>, check: &mut Checker) -> By {
        check.text(format_args!("{field}.name"), &self.name, LONGEST_NAME);
        check.number(
            format_args!("{field}.density_g_cm3"),
            self.density_g_cm3,
            check::DENSITY_G_CM3,
        );
        self.known.check(format_args!("{field}.known"), check);
        prepared::check(&self.prepared, format_args!("{field}.prepared"), check);
        let own = format_args!("{field}.amount.{}", self.amount.field());
        match self.amount {
            MixedAmount::Parts { parts } => By::Parts(check.number(own, parts, check::PARTS)),
            MixedAmount::Share { share_pct } => {
                By::Share(check.number(own, share_pct, check::MIXED_SHARE_PCT) / 100.0)
            }
            MixedAmount::Grams { mass_g } => {
                By::Weight(grams(check.number(own, mass_g, check::GOODS_G)))
            }
            MixedAmount::Spooned { count, of } => {
                let count = check.number(own, count, check::SPOONS);
                By::Weight(self.known.spooned(field, count, of, check))
            }
            MixedAmount::Count { count, each_g } => {
                let count = check.number(own, f64::from(count), check::PIECES);
                let each =
                    check.number(format_args!("{field}.amount.each_g"), each_g, check::TOPPING_G);
                By::Weight(grams(each) * count)
            }
            MixedAmount::FillTo { total_g } => {
                By::FillingTo(grams(check.number(own, total_g, check::GOODS_G)))
            }
        }
    }
}

/// All that is folded in, with faults noted under `mixed_in`.
pub(crate) fn mixed_in(goods: &[MixedInInputs], check: &mut Checker) -> MixedTogether {
    if goods.len() > MOST_GOODS {
        check.fault("mixed_in", say::too_many(MOST_GOODS, goods.len()));
        return MixedTogether::default();
    }
    let by: Vec<_> = goods
        .iter()
        .enumerate()
        .map(|(i, goods)| {
            let by = goods.check(format_args!("mixed_in[{i}]"), check);
            (by, grams_per_cubic_centimetre(goods.density_g_cm3))
        })
        .collect();
    if !check.has_faults() {
        go_together(goods, &by, check);
    }
    if check.has_faults() { MixedTogether::default() } else { MixedTogether::of(&by) }
}

/// Notes faults where goods that are in order one by one do not go together.
fn go_together(goods: &[MixedInInputs], by: &[(By, MassDensity)], check: &mut Checker) {
    let field = |i: usize| {
        let name = goods.get(i).map_or("by", |goods| goods.amount.field());
        format!("mixed_in[{i}].amount.{name}")
    };
    let shares: f64 = by.iter().map(|(by, _)| if let By::Share(s) = by { *s } else { 0.0 }).sum();
    if shares * 100.0 > check::MIXED_SHARE_PCT.max
        && let Some(last) = by.iter().rposition(|(by, _)| matches!(by, By::Share(_)))
    {
        check.fault(field(last), say::shares_in_all(check::MIXED_SHARE_PCT.max, shares * 100.0));
    }
    let weighed = by.iter().fold(Mass::default(), |sum, (by, _)| match by {
        By::Weight(mass) => sum + *mass,
        _ => sum,
    });
    let by_chocolate = by.iter().any(|(by, _)| matches!(by, By::Parts(_) | By::Share(_)));
    let totals = by.iter().enumerate().filter_map(|(i, (by, _))| match by {
        By::FillingTo(total) => Some((i, *total)),
        _ => None,
    });
    check_totals(totals, weighed, by_chocolate.then(say::fills_up_weights), field, check);
}

/// Puts what is folded into so much chocolate into the draft; a fault where there is more of it
/// than chocolate binds.
pub(crate) fn within_what_binds(
    draft: &mut Draft,
    goods: &[MixedInInputs],
    all: &MixedTogether,
    density: MassDensity,
    chocolate: Mass,
    at: &mut Drafting<'_>,
) {
    let mixed = all.into_mass(chocolate, density);
    let parts = (all.dry(chocolate) / chocolate).value;
    if !at.check.has_faults() && parts > MOST_PARTS {
        let most = largest(mixed.iter().map(|mixed| mixed.dry.value));
        if let Some((i, most)) = most.and_then(|i| Some((i, goods.get(i)?))) {
            let field = format!("mixed_in[{i}].amount.{}", most.amount.field());
            at.check.fault(field, say::too_many_parts(MOST_PARTS, parts));
        }
    }
    draft.said.notes.extend(all.remarks());
    let room = at.room.temp;
    for (i, (mixed, goods)) in mixed.into_iter().zip(goods).enumerate() {
        let one = at.goods(&goods.name, mixed.dry, "mixed in");
        let one = one.of_pantry(goods.goods_id, goods.label.as_ref());
        let one = prepare(draft, &goods.prepared, format_args!("in-{}", i + 1), one, at);
        draft.goods.push(one);
        draft.said.notes.extend(goods.known.remarks(&goods.name, room));
        draft.sets.goods.push((mixed.dry, goods.known.temp(room)));
        draft.moist.extend(goods.known.are_moist().then(|| goods.name.clone()));
        draft.mixed_in.push((goods.name.clone(), mixed));
    }
}
