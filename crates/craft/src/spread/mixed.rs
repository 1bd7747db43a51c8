//! Dry goods folded into the chocolate: each by what it goes by, up to what chocolate can bind.
//!
//! Of each there are *pᵢ* parts to one of chocolate and *fᵢ* whatever the chocolate weighs:
//! mᵢ = pᵢ·m + fᵢ. So a slab of volume V holds
//! m = (V − Σ fᵢ/ρᵢ) / (1/ρ + Σ pᵢ/ρᵢ) of chocolate.

use crate::catalogue::spread as say;
use crate::note::{Note, Working};
use crate::units::{Mass, MassDensity, Volume, in_grams, in_grams_per_cubic_centimetre};

/// Chocolate binds about so many parts of dry goods to one of it (*custom*).
pub const MOST_PARTS: f64 = 1.2;

/// By what one of the goods goes.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum By {
    /// Parts of it to one of chocolate, by mass.
    Parts(f64),
    /// A share of all that is folded together, chocolate and goods, from 0 to 1.
    Share(f64),
    /// So much of it.
    Weight(Mass),
    /// What the others leave of so much goods in all.
    FillingTo(Mass),
}

/// One of the goods to be folded in: *parts* of it to one of chocolate, and *fixed* besides.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct MixedIn {
    /// What goes by the chocolate, as a share of it.
    pub parts: f64,
    /// What there is of it whatever the chocolate weighs.
    pub fixed: Mass,
    /// Its own density, without the air between the pieces.
    pub density: MassDensity,
}

/// All that is folded in.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct MixedTogether {
    /// Each of the goods, as they were named.
    pub goods: Vec<MixedIn>,
}

/// One of the goods, folded in.
#[derive(Clone, Debug, PartialEq)]
pub struct Mixed {
    /// How much of it.
    pub dry: Mass,
    /// The share of the room that it takes up, 0 to 1.
    pub volume_share: f64,
    /// The working.
    pub working: Vec<Working>,
}

impl MixedTogether {
    /// Goods, each by what it goes by. Shares come to less than 1 in all; at most one fills up,
    /// and only where the others go by weight.
    ///
    /// ```
    /// use craft::spread::mixed::{By, MixedTogether};
    /// use craft::units::{grams, grams_per_cubic_centimetre, in_grams};
    ///
    /// // Of all 20 % nuts, and 60 g of cherries: with 300 g of chocolate all weighs 450 g.
    /// let density = grams_per_cubic_centimetre(1.0);
    /// let both = MixedTogether::of(&[(By::Share(0.2), density), (By::Weight(grams(60.0)), density)]);
    /// assert!((in_grams(both.dry(grams(300.0))) - 150.0).abs() < 1e-9);
    /// ```
    #[must_use]
    pub fn of(goods: &[(By, MassDensity)]) -> Self {
        let sum = |of: fn(By) -> f64| goods.iter().map(|(by, _)| of(*by)).sum::<f64>();
        let parts = sum(|by| if let By::Parts(parts) = by { parts } else { 0.0 });
        let shares = sum(|by| if let By::Share(share) = by { share } else { 0.0 });
        let weighed = goods.iter().fold(Mass::default(), |sum, (by, _)| match by {
            By::Weight(mass) => sum + *mass,
            _ => sum,
        });
        let filled = goods.iter().find_map(|(by, _)| match by {
            By::FillingTo(total) => Some(*total),
            _ => None,
        });
        // All of it weighs T = m + p·m + f + s·T, so T = (m·(1 + p) + f) / (1 − s).
        let fixed_in_all = filled.unwrap_or(weighed);
        let goods = goods.iter().map(|(by, density)| {
            let (parts, fixed) = match by {
                By::Parts(parts) => (*parts, Mass::default()),
                By::Share(share) => (
                    share * (1.0 + parts) / (1.0 - shares),
                    fixed_in_all * (share / (1.0 - shares)),
                ),
                By::Weight(mass) => (0.0, *mass),
                By::FillingTo(total) => (0.0, *total - weighed),
            };
            MixedIn { parts, fixed, density: *density }
        });
        Self { goods: goods.collect() }
    }

    /// Whether nothing is folded in.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        self.goods.is_empty()
    }

    /// Parts of goods to one of chocolate, of those that go by it.
    #[must_use]
    pub fn parts(&self) -> f64 {
        self.goods.iter().map(|goods| goods.parts).sum()
    }

    /// What goods weigh whatever the chocolate weighs.
    #[must_use]
    pub fn fixed(&self) -> Mass {
        self.goods.iter().fold(Mass::default(), |sum, goods| sum + goods.fixed)
    }

    /// What all of the goods weigh in so much chocolate.
    #[must_use]
    pub fn dry(&self, chocolate: Mass) -> Mass {
        chocolate * self.parts() + self.fixed()
    }

    /// The room that so much chocolate of a density takes up with all that is folded in.
    #[must_use]
    pub fn room(&self, chocolate: Mass, density: MassDensity) -> Volume {
        self.goods.iter().fold(chocolate / density, |sum, goods| {
            sum + (chocolate * goods.parts + goods.fixed) / goods.density
        })
    }

    /// The chocolate that fills a room with all that is folded in; nothing or less where the
    /// goods alone fill it.
    #[must_use]
    pub fn chocolate_in(&self, room: Volume, density: MassDensity) -> Mass {
        let fixed = self.room(Mass::default(), density);
        let per_gram = self
            .goods
            .iter()
            .fold(density.recip(), |sum, goods| sum + goods.density.recip() * goods.parts);
        (room - fixed) / per_gram
    }

    /// What is folded into so much chocolate of a density, one by one.
    #[must_use]
    pub fn into_mass(&self, chocolate: Mass, density: MassDensity) -> Vec<Mixed> {
        let room = self.room(chocolate, density);
        let mixed = self.goods.iter().map(|goods| {
            let dry = chocolate * goods.parts + goods.fixed;
            Mixed {
                dry,
                volume_share: (dry / goods.density / room).value,
                working: vec![
                    Working::new("parts to one of chocolate", (dry / chocolate).value, ""),
                    Working::new(
                        "a cubic centimetre of it weighs",
                        in_grams_per_cubic_centimetre(goods.density),
                        "g",
                    ),
                    Working::new("chocolate round it", in_grams(chocolate), "g"),
                    Working::new("mixed in", in_grams(dry), "g"),
                ],
            }
        });
        mixed.collect()
    }

    /// What is said of goods that are folded in.
    #[must_use]
    pub fn remarks(&self) -> Vec<Note> {
        if self.is_empty() {
            return Vec::new();
        }
        vec![Note::info("mixed-cold", say::mixed_cold())]
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::{grams, grams_per_cubic_centimetre, millilitres};

    fn dense(g_cm3: f64) -> MassDensity {
        grams_per_cubic_centimetre(g_cm3)
    }

    #[test]
    fn what_fills_a_room_takes_up_that_room() {
        let goods = [
            (By::Parts(0.3), dense(1.05)),
            (By::Share(0.1), dense(0.4)),
            (By::Weight(grams(50.0)), dense(1.35)),
        ];
        let all = MixedTogether::of(&goods);
        let chocolate = all.chocolate_in(millilitres(500.0), dense(1.27));
        let room = all.room(chocolate, dense(1.27));
        assert!((room.value * 1e6 - 500.0).abs() < 1e-9, "{room:?}");
        let mixed = all.into_mass(chocolate, dense(1.27));
        let dry: f64 = mixed.iter().map(|mixed| in_grams(mixed.dry)).sum();
        let share = in_grams(mixed[1].dry) / (in_grams(chocolate) + dry);
        assert!((share - 0.1).abs() < 1e-9, "{share}");
        assert!((in_grams(mixed[0].dry) / in_grams(chocolate) - 0.3).abs() < 1e-9);
        assert!((in_grams(mixed[2].dry) - 50.0).abs() < 1e-9);
    }

    #[test]
    fn one_fills_up_what_the_others_leave() {
        let all = MixedTogether::of(&[
            (By::Weight(grams(80.0)), dense(1.0)),
            (By::FillingTo(grams(200.0)), dense(1.0)),
        ]);
        let mixed = all.into_mass(grams(400.0), dense(1.27));
        assert!((in_grams(mixed[1].dry) - 120.0).abs() < 1e-9);
        assert!((in_grams(all.dry(grams(400.0))) - 200.0).abs() < 1e-9);
    }

    #[test]
    fn goods_that_fill_all_of_a_room_leave_none_for_chocolate() {
        let all = MixedTogether::of(&[(By::Weight(grams(300.0)), dense(1.0))]);
        assert!(all.chocolate_in(millilitres(250.0), dense(1.27)).value < 0.0);
    }
}
