//! A filling's balance.

use craft::filling::{Balance, Keeps, Texture};
use craft::message::Message;
use craft::note::{Note, Working};
use serde::Serialize;
use utoipa::ToSchema;

use super::{grams, round};

/// A filling's balance.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct FillingAnswer {
    /// What all of it weighs.
    pub total_g: f64,
    /// Its water.
    pub water_pct: f64,
    /// Its fat.
    pub fat_pct: f64,
    /// Sugars, sorbitol among them.
    pub sugar_pct: f64,
    /// The activity of its water, 0 to 1; `null` where there is too little of it to say.
    pub aw: Option<f64>,
    /// How long it keeps by that.
    pub class: Option<Keeps>,
    /// How long it keeps, in a sentence: by its class or by the custom of what spoils in it,
    /// whichever is the stricter.
    pub keeps: Message,
    /// How it handles once it has rested; `null` without chocolate.
    pub texture: Option<Texture>,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<Balance> for FillingAnswer {
    fn from(made: Balance) -> Self {
        Self {
            keeps: made.keeping().text,
            total_g: grams(made.total),
            water_pct: round(made.water_pct, 3),
            fat_pct: round(made.fat_pct, 3),
            sugar_pct: round(made.sugar_pct, 3),
            aw: made.activity.map(|activity| round(activity, 4)),
            class: made.keeps,
            texture: made.texture,
            notes: made.notes,
            sum: made.working,
        }
    }
}
