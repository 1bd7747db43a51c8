//! What colours a bowl of cocoa butter.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::catalogue::plan as say;
use crate::check::{self, Checker};
use crate::colour::{
    ColourButter, Optics, PigmentInputs, Wanted, a_drop, butter_remarks, colour_butter,
};
use crate::note::{Note, Working};
use crate::units::{Mass, in_grams};

/// Pigments in one colour at most.
const MOST_PIGMENTS: usize = 6;
/// Cocoa butter itself takes and throws back a little.
const CLEAR_BUTTER: Optics = Optics { k: [0.002, 0.003, 0.008], s: [0.01; 3] };
/// Flow of a chocolate changes nothing up to here, % (docs/craft.md, section 1).
const THINS_FROM_PCT: f64 = 3.0;
/// Over this it is no tint any more (*custom*), %.
const STRONG_FROM_PCT: f64 = 5.0;

/// A pigment, and how much of it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RecipePart {
    /// A pigment from the shelf, in place of `pigment`.
    #[serde(default)]
    pub pigment_id: Option<Uuid>,
    /// The pigment.
    #[serde(default)]
    pub pigment: Option<PigmentInputs>,
    /// Parts of it to a hundred of butter.
    pub parts_per_100: f64,
}

/// A colour, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RecipeInputs {
    /// What goes in.
    pub pigments: Vec<RecipePart>,
    /// Whether it goes through cloth, as for an airbrush.
    #[serde(default)]
    pub strained: bool,
}

/// Coloured cocoa butter that is stirred into a chocolate.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct TintInputs {
    /// The colour, by its key.
    pub colour: String,
    /// How much of it, of the chocolate's weight.
    pub share_pct: f64,
    /// So many drops of it to 100 g of the chocolate, in place of its share.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub drops_per_100_g: Option<f64>,
}

/// A colour, checked.
#[derive(Clone, Debug, PartialEq)]
pub struct Recipe {
    /// The pigments, each with its parts to a hundred of butter.
    pub pigments: Vec<(PigmentInputs, f64)>,
    /// Whether it is strained.
    pub strained: bool,
}

/// What goes into a colour.
#[derive(Clone, Debug, PartialEq)]
pub struct ColourPlan {
    /// Butter, powder, both.
    pub amounts: ColourButter,
    /// Each pigment and what to weigh of it.
    pub pigments: Vec<(String, Mass)>,
    /// Parts to a hundred of butter, all together.
    pub parts_per_100: f64,
    /// Whether it is strained.
    pub strained: bool,
    /// Whether it is used as it is, with nothing to weigh and work in.
    pub ready: bool,
    /// What the pigments cost, where all their prices are known.
    pub price: Option<f64>,
    /// How it looks by itself, thick, `#rrggbb`.
    pub looks: String,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

impl RecipeInputs {
    /// The same by its numbers alone.
    pub(super) fn off_the_shelf(&self) -> Self {
        let parts = self.pigments.iter().cloned();
        Self {
            pigments: parts.map(|part| RecipePart { pigment_id: None, ..part }).collect(),
            strained: self.strained,
        }
    }

    /// The colour, with faults noted under `field`; `None` where there is none.
    pub fn check(&self, field: &str, check: &mut Checker) -> Option<Recipe> {
        if self.pigments.is_empty() || self.pigments.len() > MOST_PIGMENTS {
            let there = self.pigments.len();
            check.fault(
                format!("{field}.pigments"),
                say::must_be_one_to_pigments(MOST_PIGMENTS, there),
            );
            return None;
        }
        let mut pigments = Vec::new();
        for (i, part) in self.pigments.iter().enumerate() {
            let field = format!("{field}.pigments[{i}]");
            let parts = check.number(
                format_args!("{field}.parts_per_100"),
                part.parts_per_100,
                check::COLOUR_PARTS,
            );
            let Some(pigment) = &part.pigment else {
                check.fault(format!("{field}.pigment"), say::pigment_needed());
                continue;
            };
            pigment.check(&format!("{field}.pigment"), check);
            pigments.push((pigment.clone(), parts));
        }
        let recipe = Recipe { pigments, strained: self.strained };
        if recipe.pigments.len() > 1 && recipe.pigments.iter().any(|(one, _)| one.is_ready()) {
            check.fault(format!("{field}.pigments"), say::ready_colour_alone());
        }
        let most = check::COLOUR_PARTS;
        if recipe.parts() > most.max {
            check.fault(format!("{field}.pigments"), say::too_many_parts(most.max, recipe.parts()));
        }
        Some(recipe)
    }
}

impl TintInputs {
    /// Its share of the chocolate's weight, 0 to 1: as stated, or by its drops.
    #[must_use]
    pub fn share(&self) -> f64 {
        match self.drops_per_100_g {
            Some(drops) => drops * in_grams(a_drop()) / 100.0,
            None => self.share_pct / 100.0,
        }
    }

    /// A remark on so much of it in another colour.
    pub(super) fn mixed(&self) -> Note {
        Note::info("colour-mixed", say::mixed_colour(self.share() * 100.0, &self.colour))
    }

    /// Remarks on so much colour in a chocolate.
    #[must_use]
    pub fn remarks(&self) -> Vec<Note> {
        let share_pct = self.share() * 100.0;
        let mut notes =
            vec![Note::info("tint-in-temper", say::tint_in_temper(share_pct, &self.colour))];
        if share_pct > STRONG_FROM_PCT {
            notes.push(Note::caution("tint-strong", say::tint_strong()));
        } else if share_pct > THINS_FROM_PCT {
            notes.push(Note::caution("tint-thins", say::tint_thins()));
        }
        notes
    }
}

impl Recipe {
    /// Parts to a hundred of butter, all together; nothing where the colour is ready.
    #[must_use]
    pub fn parts(&self) -> f64 {
        self.pigments.iter().filter(|(one, _)| !one.is_ready()).map(|(_, parts)| parts).sum()
    }

    /// Whether it is a colour that is used as it is, with nothing to weigh and work in.
    #[must_use]
    pub fn is_ready(&self) -> bool {
        !self.pigments.is_empty() && self.pigments.iter().all(|(one, _)| one.is_ready())
    }

    /// What a film of a tenth of a millimetre does to light: K and S add by share.
    #[must_use]
    pub fn optics(&self) -> Optics {
        let of_each = self.pigments.iter().map(|(pigment, parts)| pigment.optics(*parts));
        of_each.fold(CLEAR_BUTTER, Optics::and)
    }

    /// How it looks by itself, thick, `#rrggbb`.
    #[must_use]
    pub fn looks(&self) -> String {
        self.optics().by_itself()
    }

    /// What goes into so much of it; all but the butter's price.
    #[must_use]
    pub fn plan(&self, wanted: Wanted) -> ColourPlan {
        let parts = self.parts();
        let amounts = colour_butter(wanted, parts);
        let ready = self.is_ready();
        let of_each =
            |parts: f64| if ready { amounts.total } else { amounts.butter * (parts / 100.0) };
        let mut notes = if ready { Vec::new() } else { butter_remarks(parts) };
        for (pigment, _) in &self.pigments {
            notes.extend(pigment.remarks());
        }
        let price = self.pigments.iter().try_fold(0.0, |sum, (pigment, parts)| {
            Some(sum + pigment.price_per_100g? * in_grams(of_each(*parts)) / 100.0)
        });
        ColourPlan {
            amounts,
            pigments: self
                .pigments
                .iter()
                .map(|(pigment, parts)| (pigment.name.clone(), of_each(*parts)))
                .collect(),
            parts_per_100: parts,
            strained: self.strained,
            ready,
            price,
            looks: self.looks(),
            notes,
            working: vec![
                Working::new("parts to 100 of butter", parts, ""),
                Working::new("cocoa butter", in_grams(amounts.butter), "g"),
                Working::new("powder", in_grams(amounts.pigment), "g"),
                Working::new("all of it", in_grams(amounts.total), "g"),
                Working::new("powder of the total", crate::colour::pct_of_total(parts), "%"),
            ],
        }
    }
}
