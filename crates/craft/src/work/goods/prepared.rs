//! What is done to goods before they go in or on: each a step of its own, and cold again before
//! chocolate touches it.
//!
//! All figures *custom*: times and temperatures of home ovens, losses as cooks reckon them.

use std::fmt::Display;

use serde::{Deserialize, Serialize};

use crate::catalogue::cautions;
use crate::catalogue::work::prepared as say;
use crate::check::{self, Checker};
use crate::message::Message;
use crate::units::{Mass, celsius, minutes};
use crate::work::draft::Draft;
use crate::work::drafting::Drafting;
use crate::work::parts::{Bought, Goods};
use crate::work::task::{TaskDraft, Timing};

/// So many preparations of one of the goods at most.
const MOST: usize = 4;
/// Toasting drives off so much of nuts and flakes.
const TOASTED_LEAVES: f64 = 0.96;
/// Goods from the oven are as cold as the room after so long, spread on a cold tray, s.
const COLD_AFTER_S: f64 = 2_400.0;
/// Candied goods hold their heat longer, s.
const CANDIED_COLD_AFTER_S: f64 = 3_600.0;
/// Boiled sugar draws threads at, °C.
const THREADS_C: f64 = 118.0;
/// Candying goods takes so long at the stove, s.
const CANDYING_S: f64 = 900.0;
/// A hundred grams are chopped in so long, s: coarse, medium, fine.
const CHOPPING_S: [f64; 3] = [60.0, 90.0, 150.0];
/// Butter or another fat is melted so fast, s…
const MELTING_S: f64 = 300.0;
/// …and lukewarm again after so long, stirred now and then, s.
const LUKEWARM_AFTER_S: f64 = 900.0;

/// How finely goods are chopped.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Fineness {
    /// Halves and quarters.
    Coarse,
    /// Like peppercorns.
    Medium,
    /// Like coarse sugar.
    Fine,
}

/// What is done to goods before they go in or on.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Preparation {
    /// In the oven, until they smell.
    Toasting {
        /// How hot it is.
        oven_c: f64,
        /// How long.
        minutes: f64,
    },
    /// In boiled sugar, stirred until it is sandy or clear.
    Candying {
        /// Parts of sugar to one of goods.
        sugar_parts: f64,
    },
    /// With a knife.
    Chopping {
        /// How finely.
        to: Fineness,
    },
    /// Butter or another fat, gently, until it is clear.
    Melting {
        /// How warm it gets.
        to_c: f64,
    },
    /// In a low oven or a dryer, until they snap.
    Drying {
        /// How hot it is.
        dryer_c: f64,
        /// How long.
        hours: f64,
        /// What is left of their weight.
        leaves_pct: f64,
    },
}

impl Preparation {
    fn check(self, field: &str, check: &mut Checker) {
        let mut number = |name: &str, value: f64, bounds| {
            check.number(format_args!("{field}.{name}"), value, bounds);
        };
        match self {
            Self::Toasting { oven_c, minutes } => {
                number("oven_c", oven_c, check::TOASTING_C);
                number("minutes", minutes, check::TOASTING_MIN);
            }
            Self::Candying { sugar_parts } => {
                number("sugar_parts", sugar_parts, check::CANDYING_PARTS);
            }
            Self::Chopping { .. } => {}
            Self::Melting { to_c } => number("to_c", to_c, check::MELTING_C),
            Self::Drying { dryer_c, hours, leaves_pct } => {
                number("dryer_c", dryer_c, check::DRYING_C);
                number("hours", hours, check::DRYING_H);
                number("leaves_pct", leaves_pct, check::DRYING_LEAVES_PCT);
            }
        }
    }

    /// How much of the goods there is before it, where so much is there after; and the sugar
    /// that it takes.
    fn before(self, after: Mass) -> (Mass, Mass) {
        match self {
            Self::Toasting { .. } => (after / TOASTED_LEAVES, Mass::default()),
            Self::Candying { sugar_parts } => {
                let goods = after / (1.0 + sugar_parts);
                (goods, after - goods)
            }
            Self::Chopping { .. } | Self::Melting { .. } => (after, Mass::default()),
            Self::Drying { leaves_pct, .. } => (after / (leaves_pct / 100.0), Mass::default()),
        }
    }

    /// The step, of so much of it.
    fn task(self, key: &str, name: &str, mass: Mass, sugar: Mass) -> TaskDraft {
        match self {
            Self::Toasting { oven_c, minutes } => TaskDraft::new(
                key,
                say::toast(mass, name, celsius(oven_c)),
                say::toast_how(crate::units::minutes(minutes)),
                minutes * 60.0,
            )
            .minding(say::oven()),
            Self::Candying { .. } => TaskDraft::new(
                key,
                say::candy(mass, name, sugar),
                say::candy_how(celsius(THREADS_C)),
                CANDYING_S,
            )
            .minding(say::boiled_sugar()),
            Self::Chopping { to } => {
                let (how, each_s) = match to {
                    Fineness::Coarse => (say::chop_coarse(), CHOPPING_S[0]),
                    Fineness::Medium => (say::chop_medium(), CHOPPING_S[1]),
                    Fineness::Fine => (say::chop_fine(), CHOPPING_S[2]),
                };
                let hundreds = crate::units::in_grams(mass) / 100.0;
                TaskDraft::new(key, say::chop(mass, name), how, each_s * hundreds.clamp(0.5, 10.0))
            }
            Self::Melting { to_c } => TaskDraft::new(
                key,
                say::melt(mass, name, celsius(to_c)),
                say::melt_how(),
                MELTING_S,
            )
            .minding(say::hot_fat()),
            Self::Drying { dryer_c, hours, .. } => TaskDraft::new(
                key,
                say::dry(mass, name, celsius(dryer_c)),
                say::dry_how(minutes(hours * 60.0)),
                300.0,
            )
            .minding(say::oven()),
        }
    }

    /// How long after its step the goods are cold, and what that is called; none where they
    /// never were warm.
    fn cold(self, name: &str) -> Option<(Timing, Message)> {
        let cold = say::they_are_cold(name);
        match self {
            Self::Toasting { .. } => Some((Timing::After(COLD_AFTER_S), cold)),
            Self::Candying { .. } => Some((Timing::After(CANDIED_COLD_AFTER_S), cold)),
            Self::Chopping { .. } => None,
            Self::Melting { .. } => {
                Some((Timing::After(LUKEWARM_AFTER_S), say::it_is_lukewarm(name)))
            }
            Self::Drying { hours, .. } => {
                Some((Timing::Hours(hours + COLD_AFTER_S / 3_600.0), cold))
            }
        }
    }
}

/// Notes faults of how goods are prepared, under `field`.
pub(super) fn check(list: &[Preparation], field: impl Display, check: &mut Checker) {
    if list.len() > MOST {
        check.fault(field.to_string(), say::too_many(MOST, list.len()));
    }
    for (i, one) in list.iter().enumerate() {
        one.check(&format!("{field}[{i}]"), check);
    }
}

/// Lays down the steps in which goods are prepared, and says what is bought for them.
///
/// `place` tells them from the other goods of the component.
pub(super) fn prepare(
    draft: &mut Draft,
    list: &[Preparation],
    place: impl Display,
    goods: Goods,
    at: &Drafting<'_>,
) -> Goods {
    if list.is_empty() {
        return goods;
    }
    // From the last to the first: what goes in is what is left in the end.
    let mut mass = goods.mass;
    let mut amounts: Vec<(Mass, Mass)> = list
        .iter()
        .rev()
        .map(|one| {
            let (before, sugar) = one.before(mass);
            mass = before;
            (at.scale.shows(before), at.scale.shows(sugar))
        })
        .collect();
    amounts.reverse();
    let name = goods.name.as_str();
    let melted = matches!(list.last(), Some(Preparation::Melting { .. }));
    let mut warm: Option<(String, Timing, Message)> = None;
    let mut late = false;
    for (i, (one, (before, sugar))) in list.iter().zip(&amounts).enumerate() {
        let key = format!("prepare-{place}-{}", i + 1);
        let mut task = one.task(&key, name, *before, *sugar);
        if let Some((since, timing, cold)) = warm.take() {
            task = task.since(&since, 0).from(timing, cold);
        }
        if late { &mut draft.prepared.cold } else { &mut draft.prepared.first }.push(task);
        if let Some((timing, cold)) = one.cold(name) {
            warm = Some((key, timing, cold));
            // What comes after it waits until it is cold, and other work need not.
            late = true;
        }
    }
    if let Some((since, timing, cold)) = warm {
        let key = format!("cold-{place}");
        let (text, how) = if melted {
            (say::feel_melted(name), say::feel_melted_how())
        } else {
            (say::feel(name), say::feel_how())
        };
        let feel = TaskDraft::new(&key, text, how, 15.0).minding(cautions::allergens());
        draft.prepared.cold.push(feel.since(&since, 0).from(timing, cold));
    }
    let raw = amounts.first().map_or(goods.mass, |(before, _)| *before);
    let sugar = amounts.iter().fold(Mass::default(), |sum, (_, sugar)| sum + *sugar);
    let mut bought = vec![Bought {
        name: goods.name.clone(),
        mass: raw,
        goods_id: goods.goods_id,
        label: goods.label.clone(),
    }];
    if sugar > Mass::default() {
        let name = "sugar".to_owned();
        bought.push(Bought { name, mass: sugar, goods_id: None, label: None });
    }
    Goods { raw: Some(bought), ..goods }
}
