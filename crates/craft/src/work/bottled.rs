//! Colour made to be kept: a bottle of coloured cocoa butter.

use serde::{Deserialize, Serialize};

use super::Work;
use super::draft::{Draft, Said};
use super::drafting::Drafting;
use super::kinds::{Group, Starting};
use super::mistakes::COLOUR_STAYS;
use super::parts::Portion;
use super::task::{TaskDraft, Timing};
use crate::catalogue::work::bottled as say;
use crate::check;
use crate::colour::{Wanted, colour_butter};
use crate::keeping::{Lasts, Store};
use crate::note::Working;
use crate::units::{grams, in_grams};

/// A bottle is solid after so long in the room, hours (*custom*).
const SOLID_H: f64 = 2.0;

/// What is known of the amount.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum BottledAmount {
    /// What the bottle is to hold.
    Total {
        /// Butter and powder together.
        total_g: f64,
    },
    /// The butter in hand: all of it is used.
    Butter {
        /// The butter.
        butter_g: f64,
    },
    /// The powder in hand: all of it is used.
    Pigment {
        /// The powder, of all pigments together.
        pigment_g: f64,
    },
}

impl BottledAmount {
    /// The same as an amount of coloured butter, with faults noted under `field`.
    pub fn check(&self, field: &str, check: &mut check::Checker) -> Wanted {
        let mut of = |name: &str, value, bounds| {
            grams(check.number(format_args!("{field}.{name}"), value, bounds))
        };
        match *self {
            Self::Total { total_g } => Wanted::Total(of("total_g", total_g, check::CHOCOLATE_G)),
            Self::Butter { butter_g } => {
                Wanted::Butter(of("butter_g", butter_g, check::CHOCOLATE_G))
            }
            Self::Pigment { pigment_g } => {
                Wanted::Pigment(of("pigment_g", pigment_g, check::PIGMENT_G))
            }
        }
    }
}

/// A bottle of colour, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BottledInputs {
    /// The colour, by its key.
    pub colour: String,
    /// How much of it.
    pub amount: BottledAmount,
}

impl Work for BottledInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Coloured cocoa butter",
            group: Group::Colour,
            words: "colour bottle, pigment, paint, spray colour, airbrush, cocoa butter colour",
            how: "Coloured cocoa butter, tempered and bottled, from what is in hand.",
            families: &[],
            colours: &[("blue", "Blue lake")],
            start: Self {
                colour: "blue".to_owned(),
                amount: BottledAmount::Total { total_g: 60.0 },
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        vec![&mut self.colour]
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        at.colour("colour", &self.colour);
        let wanted = self.amount.check("amount", at.check);
        let parts = at.parts(&self.colour)?;
        let made = colour_butter(wanted, parts);
        Some(Draft {
            takes: vec![Portion::of(&self.colour, made.total)],
            tasks: vec![
                TaskDraft::new("line", say::line(), say::line_how(), 30.0),
                TaskDraft::new("pour", say::pour(&self.colour), say::pour_how(), 30.0)
                    .with(&self.colour),
                TaskDraft::new("name", say::name(), say::name_how(), 30.0),
                TaskDraft::new("away", say::away(), say::away_how(), 15.0)
                    .since("pour", 0)
                    .from(Timing::Hours(SOLID_H), say::away_from()),
            ],
            said: Said {
                working: vec![
                    Working::new("cocoa butter", in_grams(made.butter), "g"),
                    Working::new("parts to 100 of butter", parts, ""),
                    Working::new("powder", in_grams(made.pigment), "g"),
                    Working::new("in the bottle", in_grams(made.total), "g"),
                ],
                checks: vec![say::check_grain(), say::check_smear()],
                mistakes: vec![COLOUR_STAYS],
                keeps: Some(Lasts::as_dated(Store::CoolRoom, say::keeps())),
                ..Said::default()
            },
            ..Draft::default()
        })
    }
}
