//! How a filling is balanced: its water, fat and sugars, how much of the water is free, how long
//! it keeps by that, and how it handles.
//!
//! Water activity by Norrish, each solute alone in all of the water,
//! ln a = ln x_w − K·x_s² in mole fractions of the water phase, and the product of all (Ross).
//! An estimate, never a promise.

use serde::Serialize;

use super::ganache::{PIPE_BELOW_C, keeping};
use super::ingredient::{Composition, Solute};
use crate::catalogue::filling as say;
use crate::keeping::Lasts;
use crate::message::Message;
use crate::note::{Note, Working};
use crate::units::{Mass, celsius, in_grams};

/// Under so much water there is no estimate of its activity, %.
pub const LEAST_WATER: f64 = 10.0;
/// Water, g/mol.
const WATER_MOLAR: f64 = 18.015;
/// Chocolate, as much dark, to one of what is not, up from which a filling pipes, rolls and cuts
/// (*custom*, from the ratios of ganache: dark pipes at 1 to 2, milk at 2 to 2.5, white at 2.5
/// to 3).
const HANDLES_FROM: [(f64, Texture); 3] =
    [(2.3, Texture::Cuts), (1.65, Texture::Rolls), (1.0, Texture::Pipes)];

/// What has little free water keeps as long as the chocolate round it, weeks (*custom*).
const DRY_WEEKS: f64 = 8.0;
/// What is perishable keeps for days: so many are counted on, where no recipe says (*custom*).
const PERISHABLE_DAYS: f64 = 4.0;

/// How long a filling keeps by the activity of its water (*custom*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Keeps {
    /// Under 0.70: for months.
    Months,
    /// 0.70 to 0.80: five to six weeks, cool.
    Weeks,
    /// 0.80 to 0.85: about three weeks.
    ThreeWeeks,
    /// Above 0.85: perishable, days in the fridge.
    Perishable,
}

impl Keeps {
    fn of(activity: f64) -> Self {
        match activity {
            a if a < 0.70 => Self::Months,
            a if a < 0.80 => Self::Weeks,
            a if a <= 0.85 => Self::ThreeWeeks,
            _ => Self::Perishable,
        }
    }

    /// Weeks, at the most.
    fn weeks(self) -> f64 {
        match self {
            Self::Months => DRY_WEEKS,
            Self::Weeks => 5.0,
            Self::ThreeWeeks => 3.0,
            Self::Perishable => PERISHABLE_DAYS / 7.0,
        }
    }

    /// In words.
    #[must_use]
    pub fn words(self) -> Message {
        match self {
            Self::Months => say::keeps_months(),
            Self::Weeks => say::keeps_weeks(),
            Self::ThreeWeeks => say::keeps_three_weeks(),
            Self::Perishable => say::keeps_days(),
        }
    }
}

/// How a filling handles once it has rested (*custom*).
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Texture {
    /// Soft: to dip into, or for shells that are capped.
    Dips,
    /// It pipes.
    Pipes,
    /// It rolls.
    Rolls,
    /// It cuts.
    Cuts,
}

/// A filling's balance.
#[derive(Clone, Debug, PartialEq)]
pub struct Balance {
    /// What it weighs.
    pub total: Mass,
    /// Its water, %.
    pub water_pct: f64,
    /// Its fat, %.
    pub fat_pct: f64,
    /// Its sugars, sorbitol among them, %.
    pub sugar_pct: f64,
    /// The activity of its water, 0 to 1; `None` under [`LEAST_WATER`].
    pub activity: Option<f64>,
    /// How long it keeps by that.
    pub keeps: Option<Keeps>,
    /// How it handles; `None` without chocolate in it.
    pub texture: Option<Texture>,
    /// Whether anything in it spoils: milk, cream, butter, juice, fruit.
    pub perishes: bool,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

/// The balance of what is put in, each with its weight; all of it weighs something.
///
/// ```
/// use craft::filling::{Ingredient, Keeps, balance};
/// use craft::units::grams;
///
/// let parts = [(Ingredient::Cream, 150.0), (Ingredient::MilkChocolate, 330.0)];
/// let made = balance(&parts.map(|(part, g)| (part.composition(), grams(g))));
/// assert!((made.water_pct - 18.8).abs() < 0.1);
/// assert_eq!(made.keeps, Some(Keeps::Perishable));
/// ```
#[must_use]
pub fn balance(parts: &[(Composition, Mass)]) -> Balance {
    let sum = |of: fn(&Composition) -> f64| {
        parts.iter().map(|(part, mass)| of(part) / 100.0 * in_grams(*mass)).sum::<f64>()
    };
    let total = parts.iter().fold(Mass::default(), |sum, (_, mass)| sum + *mass);
    let all = in_grams(total);
    let water = sum(|part| part.water);
    let fat = sum(|part| part.fat);
    let dissolved = |solute: Solute| -> f64 {
        let of = |part: &Composition| -> f64 {
            let same = part.solutes.iter().flatten().filter(|(kind, _)| *kind == solute);
            same.map(|(_, share)| share).sum()
        };
        parts.iter().map(|(part, mass)| of(part) / 100.0 * in_grams(*mass)).sum()
    };
    let sugars: f64 =
        Solute::ALL.into_iter().filter(|s| *s != Solute::Alcohol).map(dissolved).sum();
    let pct = |g: f64| g / all * 100.0;
    let enough = pct(water) >= LEAST_WATER;
    let moles = water / WATER_MOLAR;
    let log: f64 = Solute::ALL
        .into_iter()
        .map(|solute| {
            let dissolved = dissolved(solute) / solute.molar_mass();
            let share = dissolved / (dissolved + moles);
            (1.0 - share).ln() - solute.constant() * share * share
        })
        .sum();
    let activity = enough.then(|| log.exp());
    let keeps = activity.map(Keeps::of);
    let setting: f64 = parts.iter().map(|(part, mass)| part.sets * in_grams(*mass)).sum();
    let others: f64 =
        parts.iter().filter(|(part, _)| part.sets == 0.0).map(|(_, mass)| in_grams(*mass)).sum();
    let texture = (setting > 0.0).then(|| {
        let ratio = setting / others;
        HANDLES_FROM.iter().find(|(from, _)| ratio >= *from).map_or(Texture::Dips, |(_, t)| *t)
    });
    let mut working = vec![
        Working::new("all of it", all, "g"),
        Working::new("water in it", water, "g"),
        Working::new("fat in it", fat, "g"),
        Working::new("sugars in it", sugars, "g"),
    ];
    if let Some(activity) = activity {
        working.push(Working::new("water activity, 0 to 1", activity, ""));
    }
    let perishes = parts.iter().any(|(part, mass)| part.perishes && *mass > Mass::default());
    Balance {
        total,
        water_pct: pct(water),
        fat_pct: pct(fat),
        sugar_pct: pct(sugars),
        activity,
        keeps,
        texture,
        perishes,
        notes: remarks(keeps, texture, perishes),
        working,
    }
}

impl Balance {
    /// How long it keeps, in a sentence: by its class or by the custom of what spoils in it,
    /// whichever is the stricter.
    #[must_use]
    pub fn keeping(&self) -> Lasts {
        match (self.keeps, self.perishes) {
            (Some(Keeps::Perishable), _) => Lasts::cold(PERISHABLE_DAYS, Keeps::Perishable.words()),
            (_, true) => keeping(self.water_pct / 100.0),
            (Some(keeps), false) => Lasts::weeks(keeps.weeks(), keeps.words()),
            (None, false) => Lasts::weeks(DRY_WEEKS, say::keeps_as_dry()),
        }
    }
}

fn remarks(keeps: Option<Keeps>, texture: Option<Texture>, perishes: bool) -> Vec<Note> {
    let mut notes = Vec::new();
    match keeps {
        None => notes.push(Note::info("no-activity", say::no_activity(LEAST_WATER))),
        Some(keeps) => notes.push(Note::info("keeps-by-activity", keeps.words())),
    }
    // The stricter of class and custom wins.
    if perishes {
        notes.push(Note::caution("perishable", say::of_milk_or_fruit()));
    }
    if let Some(texture) = texture {
        notes.push(Note::info(
            "texture",
            match texture {
                Texture::Dips => say::dips(),
                Texture::Pipes => say::pipes(celsius(PIPE_BELOW_C)),
                Texture::Rolls => say::rolls(),
                Texture::Cuts => say::cuts(),
            },
        ));
    }
    notes
}

#[cfg(test)]
mod tests {
    use super::super::Ingredient;
    use super::*;
    use crate::units::grams;

    fn of(parts: &[(Ingredient, f64)]) -> Balance {
        let parts: Vec<_> = parts.iter().map(|(part, g)| (part.composition(), grams(*g))).collect();
        balance(&parts)
    }

    #[test]
    fn ganaches_by_their_ratio_handle_as_makers_say() {
        use Ingredient::{Cream, Dark, MilkChocolate, White};
        for (chocolate, ratio, texture) in [
            (Dark, 0.8, Texture::Dips),
            (Dark, 1.5, Texture::Pipes),
            (MilkChocolate, 2.2, Texture::Pipes),
            (White, 2.7, Texture::Pipes),
            (Dark, 2.0, Texture::Rolls),
            (Dark, 2.6, Texture::Cuts),
        ] {
            let made = of(&[(chocolate, 100.0 * ratio), (Cream, 100.0)]);
            assert_eq!(made.texture, Some(texture), "{chocolate:?} at {ratio}");
        }
    }

    #[test]
    fn sugar_binds_water_and_more_of_it_keeps_longer() {
        use Ingredient::{Cream, MilkChocolate, Sorbitol, Sugar};
        let plain = of(&[(MilkChocolate, 200.0), (Cream, 100.0)]);
        let bound = of(&[(MilkChocolate, 200.0), (Cream, 100.0), (Sorbitol, 30.0)]);
        let much = of(&[(MilkChocolate, 200.0), (Cream, 100.0), (Sugar, 120.0)]);
        assert!(bound.activity < plain.activity && much.activity < bound.activity);
        assert_eq!(plain.keeps, Some(Keeps::Perishable));
    }

    #[test]
    fn without_water_there_is_no_guess_and_cream_always_perishes() {
        use Ingredient::{Cream, Dark, NutPaste};
        let praline = of(&[(NutPaste, 100.0), (Dark, 50.0)]);
        assert_eq!((praline.activity, praline.keeps), (None, None));
        let codes = |made: &Balance| -> Vec<String> {
            made.notes.iter().map(|note| note.code.to_string()).collect()
        };
        assert!(codes(&praline).contains(&"no-activity".to_owned()));
        assert!(!codes(&praline).contains(&"perishable".to_owned()));
        assert!(codes(&of(&[(Cream, 50.0), (Dark, 100.0)])).contains(&"perishable".to_owned()));
    }

    #[test]
    fn alone_in_its_water_each_is_between_dry_and_wet() {
        for part in [Ingredient::Honey, Ingredient::Spirit, Ingredient::Puree, Ingredient::Water] {
            let activity = of(&[(part, 100.0)]).activity.expect("watery");
            assert!((0.4..=1.0).contains(&activity), "{part:?}: {activity}");
        }
    }
}
