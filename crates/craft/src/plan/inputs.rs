//! What the maker states of a plan: the kitchen, the chocolates to be tempered, and
//! what is made from them.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::bowl_inputs::{BowlInputs, USUAL_ROOM_C};
use super::labels::NamedLabel;
use super::packing::{LearnedSpare, PackingInputs};
use super::when::WhenInputs;
use crate::cause::Cause;
use crate::check::{self, Checker};
use crate::chocolate::Family;
use crate::work::{ComponentInputs, CoverInputs, Lining, SlabInputs, TrayInputs, WorkInputs};

/// A plan as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PlanInputs {
    /// The room's temperature.
    pub room_c: f64,
    /// The room's relative humidity.
    pub rh_pct: f64,
    /// The fridge's temperature, where work is to set there once it is touch dry.
    #[serde(default)]
    pub fridge_c: Option<f64>,
    /// How long it takes to set here, against what is usual; filled in from the shelf.
    #[serde(default)]
    pub setting_pace: Option<f64>,
    /// How long bowls take until they are in temper, against what is usual; filled in from the shelf.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub tempering_pace: Option<TemperingPace>,
    /// What the labels say of goods that recipes name and nobody picks; filled in from the shelf.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub labels: Vec<NamedLabel>,
    /// The trays that were picked on the shelf, whose sizes stand with what is made in them; filled
    /// in from the shelf.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub trays: Vec<MadeIn>,
    /// The chocolates to be tempered.
    pub bowls: Vec<BowlInputs>,
    /// What is made.
    pub components: Vec<ComponentInputs>,
    /// How many of a hundred break of each kind of work; filled in from the log.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub spares: Vec<LearnedSpare>,
    /// What it is packed into; nothing, if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub packing: Option<PackingInputs>,
    /// When it is made; as soon as it is begun, if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub when: Option<WhenInputs>,
    /// What to watch for, learned from how it came out before.
    #[serde(default, skip_serializing_if = "Vec::is_empty")]
    pub watch_for: Vec<WatchFor>,
}

/// What went wrong with something before, so that it is watched for.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WatchFor {
    /// The component, by its key.
    pub component: String,
    /// What went wrong.
    pub cause: Cause,
}

/// Which tray on the shelf something is made in.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MadeIn {
    /// The component, by its key.
    pub component: String,
    /// The tray.
    pub tray_id: Uuid,
}

/// How long a maker's bowls take until they are in temper, against what is usual.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TemperingPace {
    /// Most likely.
    pub typical: f64,
    /// Hardly less.
    pub least: f64,
    /// Hardly more.
    pub most: f64,
}

impl Default for TemperingPace {
    /// As custom has it: what one evening takes less, and another more.
    fn default() -> Self {
        Self::of(1.0)
    }
}

impl TemperingPace {
    /// Of a maker of whom the middle is known, and no range.
    #[must_use]
    pub fn of(typical: f64) -> Self {
        // What is learned at the edge of what can be is a pace all the same.
        let check::Bounds { min, max, .. } = check::TEMPERING_PACE;
        Self { typical, least: (typical * 0.7).max(min), most: (typical * 1.9).min(max) }
    }

    pub(crate) fn check(self, check: &mut Checker) {
        for (name, value) in [("typical", self.typical), ("least", self.least), ("most", self.most)]
        {
            let field = format!("tempering_pace.{name}");
            check.number(field, value, check::TEMPERING_PACE);
        }
    }
}

impl PlanInputs {
    /// Where a plan starts before the maker says anything: a slab of one chocolate,
    /// 4 mm thick on a 30 × 20 cm tray, in a good room.
    #[must_use]
    pub fn usual(family: Family) -> Self {
        let bowl = BowlInputs::usual(family);
        let slab = SlabInputs {
            chocolate: bowl.key.clone(),
            cover: CoverInputs::Thickness {
                tray: TrayInputs::Rectangle { length_mm: 300.0, width_mm: 200.0, rim_mm: None },
                thickness_mm: 4.0,
            },
            mixed_in: Vec::new(),
            toppings: Vec::new(),
            lining: Lining::default(),
            piece_cm2: None,
            texture: None,
        };
        Self {
            room_c: USUAL_ROOM_C,
            rh_pct: 45.0,
            fridge_c: None,
            setting_pace: None,
            tempering_pace: None,
            labels: Vec::new(),
            trays: Vec::new(),
            watch_for: Vec::new(),
            bowls: vec![bowl],
            components: vec![ComponentInputs {
                key: "slab".to_owned(),
                name: "Slab of bark".to_owned(),
                work: WorkInputs::Slab(slab),
            }],
            spares: Vec::new(),
            packing: None,
            when: None,
        }
    }

    /// The same by its numbers alone, without the names of what stands on a shelf.
    #[must_use]
    pub fn off_the_shelf(&self) -> Self {
        let mut alone = self.clone();
        for bowl in &mut alone.bowls {
            *bowl = bowl.off_the_shelf();
        }
        for cast in alone.components.iter_mut().filter_map(|c| c.work.cast_mut()) {
            cast.mould_id = None;
        }
        alone.trays.clear();
        alone
    }

    /// A plan of one bowl that was made elsewhere: as much bark as it gives.
    #[must_use]
    pub fn around(bowl: BowlInputs) -> Self {
        let usual = Self::usual(bowl.family);
        let slab = SlabInputs {
            chocolate: bowl.key.clone(),
            cover: CoverInputs::Spread {
                in_hand_g: bowl.total_g.unwrap_or(500.0).max(30.0),
                thickness_mm: 4.0,
            },
            mixed_in: Vec::new(),
            toppings: Vec::new(),
            lining: Lining::default(),
            piece_cm2: None,
            texture: None,
        };
        let work = WorkInputs::Slab(slab);
        let components = usual
            .components
            .into_iter()
            .map(|c| ComponentInputs { work: work.clone(), ..c })
            .collect();
        Self {
            room_c: bowl.room_c.unwrap_or(usual.room_c),
            bowls: vec![BowlInputs { total_g: None, room_c: None, ..bowl }],
            components,
            ..usual
        }
    }
}
