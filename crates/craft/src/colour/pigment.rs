//! A pigment: what carries it, what it does to light, and what its label says.

use serde::{Deserialize, Serialize};

use super::appearance::{Film, Ground, Optics, Rgb, linear};
use crate::catalogue::colour as say;
use crate::check::{self, Checker};
use crate::note::Note;

/// The longest name.
const LONGEST_NAME: usize = 80;
/// The longest list of what was mixed.
const LONGEST_MIXED_OF: usize = 400;
/// Parts to a hundred of butter that a pigment's optics are stated for.
pub const USUAL_PARTS: f64 = 10.0;
/// Scattering of an opaque, a shimmering and a transparent pigment, for a tenth of
/// a millimetre with ten parts to a hundred (*custom*).
const OPAQUE_S: f64 = 4.0;
const SHIMMER_S: f64 = 0.9;
const TRANSPARENT_S: f64 = 0.3;
/// No swatch is darker or lighter than this.
const SWATCH: [f64; 2] = [0.004, 0.96];

/// What carries a colour.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Carrier {
    /// A dry powder that disperses in fat: a lake, a mineral, mica.
    Powder,
    /// A colour in oil.
    Oil,
    /// Water-based: drops, or a paste.
    Water,
    /// A gel: water with a thickener.
    Gel,
    /// Coloured cocoa butter as it is: a bottle that was bought, or one mixed of others by eye.
    Butter,
}

/// What the label says of eating it, as the maker declares.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum FoodStatus {
    /// Sold for eating.
    ForEating,
    /// Not said.
    #[default]
    NotSaid,
    /// For decoration only; "non-toxic" is this.
    NotForEating,
}

/// A pigment, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PigmentInputs {
    /// What the maker calls it.
    pub name: String,
    /// What carries it.
    pub carrier: Carrier,
    /// How it looks, `#rrggbb`: an opaque one by itself, another in a thin film over
    /// white chocolate.
    pub srgb: String,
    /// Whether it hides what lies behind.
    pub opaque: bool,
    /// Whether it shimmers.
    #[serde(default)]
    pub shimmer: bool,
    /// What its label says of eating it.
    #[serde(default)]
    pub food: FoodStatus,
    /// Whether it is barred from food in some countries, as titanium dioxide is.
    #[serde(default)]
    pub check_country: bool,
    /// What its label calls it, as a label of what is made with it must: a name, a number.
    #[serde(default, skip_serializing_if = "String::is_empty")]
    pub declared: String,
    /// How strong it is against what is usual; corrected by a piece that was made.
    #[serde(default)]
    pub strength: Option<f64>,
    /// What a hundred grams cost, in the maker's own money.
    #[serde(default)]
    pub price_per_100g: Option<f64>,
    /// Where it was mixed by eye: of what, as far as that was noted.
    #[serde(default, skip_serializing_if = "String::is_empty")]
    pub mixed_of: String,
}

impl PigmentInputs {
    /// Its faults, noted under `field` (none where it is empty).
    pub fn check(&self, field: &str, check: &mut Checker) {
        let mut faults = Checker::new();
        faults.text("name", &self.name, LONGEST_NAME);
        match self.carrier {
            Carrier::Powder | Carrier::Oil | Carrier::Butter => {}
            Carrier::Water | Carrier::Gel => faults.fault("carrier", say::must_disperse_in_fat()),
        }
        if linear(&self.srgb).is_none() {
            faults.fault("srgb", say::must_be_a_colour(&self.srgb));
        }
        if self.food == FoodStatus::NotForEating {
            faults.fault("food", say::must_be_food());
        }
        faults.remark("declared", &self.declared, LONGEST_NAME);
        faults.optional("strength", self.strength, check::PIGMENT_STRENGTH);
        faults.optional("price_per_100g", self.price_per_100g, check::PRICE_PER_KG);
        faults.remark("mixed_of", &self.mixed_of, LONGEST_MIXED_OF);
        check.take_under(field, faults);
    }

    /// Whether it is a colour that is used as it is, not worked into butter.
    #[must_use]
    pub fn is_ready(&self) -> bool {
        self.carrier == Carrier::Butter
    }

    /// What a film of a tenth of a millimetre does to light, with so many parts of
    /// it to a hundred of butter.
    ///
    /// An opaque pigment looks as it does by itself: K/S = (1 − R)²/2R. Of any other
    /// the K is sought with which that film over white chocolate looks as it does.
    #[must_use]
    pub fn optics(&self, parts_per_100: f64) -> Optics {
        let seen = linear(&self.srgb).unwrap_or([0.5; 3]);
        let seen = seen.map(|r| r.clamp(SWATCH[0], SWATCH[1]));
        let optics = if self.opaque {
            let k = seen.map(|r| OPAQUE_S * (1.0 - r) * (1.0 - r) / (2.0 * r));
            Optics { k, s: [OPAQUE_S; 3] }
        } else {
            let s = if self.shimmer { SHIMMER_S } else { TRANSPARENT_S };
            through(seen, s)
        };
        // What is ready is as strong as it is.
        let parts = if self.is_ready() { USUAL_PARTS } else { parts_per_100 };
        optics.times(parts / USUAL_PARTS * self.strength.unwrap_or(1.0))
    }

    /// What is to be minded of it.
    #[must_use]
    pub fn remarks(&self) -> Vec<Note> {
        let name = &self.name;
        let mut notes = Vec::new();
        if self.food == FoodStatus::NotSaid {
            notes.push(Note::caution("food-not-said", say::food_not_said(name)));
        }
        if self.check_country {
            notes.push(Note::caution("check-country", say::check_country(name)));
        }
        notes
    }
}

/// The optics with which a film over white chocolate looks like this.
fn through(seen: Rgb, s: f64) -> Optics {
    let white = Ground::White.grey();
    let looks = |k: f64| {
        let film = Film { optics: Optics { k: [k; 3], s: [s; 3] }, thickness: 1.0 };
        film.over([white; 3])[0]
    };
    let k = seen.map(|r| {
        // More absorption is darker: halve the range until it is found.
        let (mut lo, mut hi) = (1e-3_f64, 40.0_f64);
        for _ in 0..40 {
            let mid = (lo * hi).sqrt();
            if looks(mid) > r { lo = mid } else { hi = mid }
        }
        (lo * hi).sqrt()
    });
    Optics { k, s: [s; 3] }
}

/// Pigments by kind, as a start; what the label of the maker's own says comes first.
#[must_use]
pub fn usual_pigments() -> Vec<PigmentInputs> {
    let one = |name: &str, srgb: &str, opaque, shimmer| PigmentInputs {
        name: name.to_owned(),
        carrier: Carrier::Powder,
        srgb: srgb.to_owned(),
        opaque,
        shimmer,
        food: FoodStatus::NotSaid,
        check_country: false,
        declared: String::new(),
        strength: None,
        price_per_100g: None,
        mixed_of: String::new(),
    };
    vec![
        PigmentInputs { check_country: true, ..one("Titanium white", "#f8f7f3", true, false) },
        one("Red lake", "#c81e2b", false, false),
        one("Orange lake", "#e8641b", false, false),
        one("Yellow lake", "#f2c21a", false, false),
        one("Green lake", "#2f8f4a", false, false),
        one("Blue lake", "#2b4fc2", false, false),
        one("Violet lake", "#6a3aa8", false, false),
        one("Red-brown iron oxide", "#7a3b22", true, false),
        one("Vegetable black", "#1d1b1c", true, false),
        one("Silver mica", "#c9ced6", false, true),
        one("Gold mica", "#d3b160", false, true),
    ]
}

#[cfg(test)]
mod tests {
    use super::*;

    fn usual(name: &str) -> PigmentInputs {
        usual_pigments().into_iter().find(|p| p.name == name).expect("such a pigment")
    }

    #[test]
    fn a_swatch_looks_like_itself_where_it_was_taken() {
        for name in ["Blue lake", "Yellow lake", "Gold mica"] {
            let pigment = usual(name);
            let film = Film { optics: pigment.optics(10.0), thickness: 1.0 };
            let seen = film.over([Ground::White.grey(); 3]);
            for (a, b) in seen.into_iter().zip(linear(&pigment.srgb).expect("a colour")) {
                // What is lighter than the chocolate behind cannot be had by absorbing.
                assert!((a - b).abs() < 0.01 || b > 0.6, "{name}: {a} for {b}");
            }
        }
        let black = usual("Vegetable black");
        let thick = Film { optics: black.optics(10.0), thickness: 50.0 };
        assert!(thick.over([0.7; 3])[0] < 0.02);
    }

    #[test]
    fn an_opaque_pigment_hides_and_a_transparent_one_sinks() {
        let over_dark = |pigment: &PigmentInputs| {
            Film { optics: pigment.optics(10.0), thickness: 1.0 }.over(Ground::Dark.tinted())
        };
        assert!(over_dark(&usual("Titanium white"))[1] > 0.6);
        assert!(over_dark(&usual("Yellow lake"))[1] < 0.25);
    }

    #[test]
    fn what_is_not_for_fat_or_not_for_eating_is_refused_with_the_reason() {
        let told = |pigment: PigmentInputs| {
            let mut check = Checker::new();
            pigment.check("pigments[0]", &mut check);
            check
                .into_faults()
                .into_iter()
                .map(|f| format!("{} {}", f.field, f.message))
                .collect::<Vec<_>>()
        };
        let red = usual("Red lake");
        assert!(told(red.clone()).is_empty());
        for carrier in [Carrier::Water, Carrier::Gel] {
            let told = told(PigmentInputs { carrier, ..red.clone() });
            assert!(told[0].starts_with("pigments[0].carrier must be a powder"), "{told:?}");
        }
        let dust = told(PigmentInputs { food: FoodStatus::NotForEating, ..red.clone() });
        assert!(dust[0].contains("must be sold for eating"), "{dust:?}");
        let many = told(PigmentInputs { srgb: "red".into(), strength: Some(0.0), ..red });
        assert_eq!(many.len(), 2, "{many:?}");
    }

    #[test]
    fn titanium_white_says_check_your_country() {
        let codes: Vec<_> = usual("Titanium white").remarks().into_iter().map(|n| n.code).collect();
        assert_eq!(codes, ["food-not-said", "check-country"]);
    }
}
