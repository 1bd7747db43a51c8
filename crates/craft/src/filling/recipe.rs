//! A filling by its recipe: what is put in, by weight, and how much of each so many pieces take.

use serde::{Deserialize, Serialize};

use super::balance::{Balance, balance};
use super::ingredient::{Composition, PartOf};
use crate::allergens::LabelInputs;
use crate::catalogue::filling as say;
use crate::check::{self, Checker};
use crate::units::{Mass, MassDensity, grams, grams_per_cubic_centimetre, in_grams};

/// So many different things are in a filling at most.
pub const MOST_PARTS: usize = 40;
/// The longest name of an ingredient.
const LONGEST_NAME: usize = 80;
/// Water, fat that has set, and all that is dissolved or solid, g/cm³ (*custom*: ganache comes to
/// about 1.15).
const DENSITIES: [f64; 3] = [1.0, 0.96, 1.6];

/// An ingredient of a filling, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct IngredientInputs {
    /// What it is: a known ingredient by its name, or its water, fat and sugars.
    pub ingredient: PartOf,
    /// What the maker calls it; as it is usually called, if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub name: Option<String>,
    /// How much of it the recipe has.
    pub grams: f64,
    /// What its label says of allergens: that of the goods of its name on the shelf.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub label: Option<LabelInputs>,
}

impl IngredientInputs {
    /// What it is called.
    #[must_use]
    pub fn called(&self) -> &str {
        match (&self.name, self.ingredient) {
            (Some(name), _) => name,
            (None, PartOf::Known(known)) => known.usual_name(),
            (None, PartOf::Own(_)) => "another ingredient",
        }
    }
}

/// A recipe whose ingredients are in order.
#[derive(Clone, Debug, PartialEq)]
pub struct FillingRecipe {
    parts: Vec<(Composition, Mass)>,
}

/// How a filling is put together (*custom*).
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Making {
    /// What is watery is warmed and stirred into the chocolate.
    Emulsion,
    /// Fat, sugar and dry things alone: stirred together, no hotter than chocolate is melted.
    Fatty,
    /// Without chocolate: cooked or stirred by the maker's own recipe.
    Without,
}

impl FillingRecipe {
    /// The recipe of what is stated, with faults noted under `field`.
    pub fn check(stated: &[IngredientInputs], field: &str, check: &mut Checker) -> Option<Self> {
        if stated.is_empty() || stated.len() > MOST_PARTS {
            check.fault(field, say::parts_of_a_filling(MOST_PARTS, stated.len()));
            return None;
        }
        let parts = stated
            .iter()
            .enumerate()
            .map(|(i, part)| {
                let at = format!("{field}[{i}]");
                let composition = part.ingredient.check(&format!("{at}.ingredient"), check);
                if let Some(name) = &part.name {
                    check.text(format_args!("{at}.name"), name, LONGEST_NAME);
                }
                let mass = check.number(format_args!("{at}.grams"), part.grams, check::FILLING_G);
                (composition, grams(mass))
            })
            .collect();
        (!check.has_faults()).then_some(Self { parts })
    }

    /// How it is balanced.
    #[must_use]
    pub fn balance(&self) -> Balance {
        balance(&self.parts)
    }

    /// What each weighs where all of it weighs so much, in the order in which they are stated.
    pub fn scaled(&self, total: Mass) -> impl Iterator<Item = Mass> + '_ {
        let of_recipe = self.parts.iter().fold(Mass::default(), |sum, (_, mass)| sum + *mass);
        let times = total / of_recipe;
        self.parts.iter().map(move |(_, mass)| *mass * times)
    }

    /// Its density, of those of water, fat and the rest (*custom*).
    #[must_use]
    pub fn density(&self) -> MassDensity {
        let (mut all, mut ml) = (0.0, 0.0);
        for (part, mass) in &self.parts {
            let g = in_grams(*mass);
            let rest = 100.0 - part.water - part.fat;
            let shares = [part.water, part.fat, rest];
            all += g;
            ml += g * shares.iter().zip(DENSITIES).map(|(s, d)| s / 100.0 / d).sum::<f64>();
        }
        grams_per_cubic_centimetre(all / ml)
    }

    /// How it is put together.
    #[must_use]
    pub fn making(&self) -> Making {
        let chocolate = self.parts.iter().any(|(part, _)| part.sets > 0.0);
        let watery = self.balance().activity.is_some();
        match (chocolate, watery) {
            (true, true) => Making::Emulsion,
            (true, false) => Making::Fatty,
            (false, _) => Making::Without,
        }
    }
}

#[cfg(test)]
mod tests {
    use super::super::{Ingredient, OwnComposition};
    use super::*;
    use crate::units::in_grams_per_cubic_centimetre;

    fn part(ingredient: Ingredient, grams: f64) -> IngredientInputs {
        IngredientInputs { ingredient: PartOf::Known(ingredient), name: None, grams, label: None }
    }

    fn recipe(stated: &[IngredientInputs]) -> Result<FillingRecipe, Vec<String>> {
        let mut check = Checker::new();
        let recipe = FillingRecipe::check(stated, "parts", &mut check);
        match check.finish() {
            Ok(()) => Ok(recipe.expect("no fault")),
            Err(faults) => Err(faults.into_iter().map(|fault| fault.field).collect()),
        }
    }

    #[test]
    fn a_recipe_goes_by_its_proportions() {
        use Ingredient::{Cream, Dark};
        let made = recipe(&[part(Dark, 150.0), part(Cream, 100.0)]).expect("a recipe");
        let scaled: Vec<f64> = made.scaled(grams(500.0)).map(in_grams).collect();
        assert!((scaled[0] - 300.0).abs() < 1e-9 && (scaled[1] - 200.0).abs() < 1e-9);
        // A ganache of this ratio weighs about 1.18.
        let density = in_grams_per_cubic_centimetre(made.density());
        assert!((density - 1.16).abs() < 0.04, "{density}");
        assert_eq!(made.making(), Making::Emulsion);
    }

    #[test]
    fn how_it_is_made_goes_by_what_is_in_it() {
        use Ingredient::{Dark, GlucoseSyrup, NutPaste, Puree, Sugar};
        let making = |parts: &[IngredientInputs]| recipe(parts).expect("a recipe").making();
        assert_eq!(making(&[part(NutPaste, 100.0), part(Dark, 60.0)]), Making::Fatty);
        let jelly = [part(Puree, 100.0), part(Sugar, 90.0), part(GlucoseSyrup, 20.0)];
        assert_eq!(making(&jelly), Making::Without);
    }

    #[test]
    fn what_is_wrong_is_refused_by_its_field() {
        assert_eq!(recipe(&[]), Err(vec!["parts".to_owned()]));
        let odd = IngredientInputs {
            ingredient: PartOf::Own(OwnComposition {
                water_pct: 80.0,
                fat_pct: 30.0,
                sugar_pct: 10.0,
            }),
            name: Some(" ".to_owned()),
            grams: 0.0,
            label: None,
        };
        assert_eq!(
            recipe(&[odd]),
            Err(["parts[0].ingredient.sugar_pct", "parts[0].name", "parts[0].grams"]
                .map(ToOwned::to_owned)
                .to_vec())
        );
    }
}
