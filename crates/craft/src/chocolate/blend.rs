//! Two or more chocolates melted together.

use super::{Band, Chocolate, Windows};
use crate::catalogue::chocolate as say;
use crate::message::{Message, spoken};
use crate::units::{
    celsius, grams_per_cubic_centimetre, in_celsius, in_grams_per_cubic_centimetre, in_percent,
    percent_of,
};

/// Shares may miss 100 % by this much: they are typed by hand.
const SLACK_PCT: f64 = 0.5;
/// So much of a coating in couverture, or the other way round, sets with it; more softens both
/// and blooms, % (*custom*).
const MOST_OF_OTHER_FAT_PCT: f64 = 5.0;

/// Why there is no blend.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum BlendError {
    /// One chocolate is no blend.
    TooFewParts,
    /// The shares do not make a whole.
    NotWhole {
        /// What they add up to, per cent.
        sum_pct: f64,
    },
    /// Coatings are made of other fats: more than a little of either in the other.
    CoatingWithChocolate {
        /// The share of the one there is less of, per cent.
        share_pct: f64,
    },
}

impl BlendError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::TooFewParts => say::too_few_parts(),
            Self::NotWhole { sum_pct } => say::not_whole(*sum_pct),
            Self::CoatingWithChocolate { share_pct } => {
                say::coating_with_chocolate(MOST_OF_OTHER_FAT_PCT, *share_pct)
            }
        }
    }
}

spoken!(BlendError);

impl Chocolate {
    /// A blend of chocolates, with their shares by mass in per cent.
    ///
    /// Each bound is the mean of its parts' bounds, weighted by mass (docs/craft.md,
    /// section 1), so is the fat; densities are weighted so that volumes add up.
    /// It counts as the family of its largest part. A little coating in couverture, or a
    /// little couverture in a coating, changes neither's bounds, only how it lasts.
    ///
    /// ```
    /// use craft::chocolate::{Chocolate, Family};
    /// use craft::units::in_celsius;
    ///
    /// let dark_milk = Chocolate::blend(&[
    ///     (Chocolate::of(Family::Dark), 60.0),
    ///     (Chocolate::of(Family::Milk), 40.0),
    /// ])?;
    /// assert_eq!(dark_milk.family, Family::Dark);
    /// assert!((in_celsius(dark_milk.windows.work.hi) - 31.2).abs() < 1e-9);
    /// # Ok::<(), craft::chocolate::BlendError>(())
    /// ```
    ///
    /// # Errors
    /// Where there are fewer than two parts, they do not make a whole, or there is more
    /// than 5 % of a coating in chocolate that is tempered, or of that in a coating.
    pub fn blend(parts: &[(Self, f64)]) -> Result<Self, BlendError> {
        if parts.len() < 2 {
            return Err(BlendError::TooFewParts);
        }
        let sum_pct: f64 = parts.iter().map(|(_, pct)| pct).sum();
        if (sum_pct - 100.0).abs() > SLACK_PCT {
            return Err(BlendError::NotWhole { sum_pct });
        }
        let share_pct = other_fat_pct(parts);
        if share_pct > MOST_OF_OTHER_FAT_PCT {
            return Err(BlendError::CoatingWithChocolate { share_pct });
        }
        let mean = |of: &dyn Fn(&Self) -> f64| {
            parts.iter().map(|(part, pct)| of(part) * pct / sum_pct).sum::<f64>()
        };
        // What sets it is the fat there is most of: either every part of that has a bound or
        // none has.
        let tempers = tempering_pct(parts) * 2.0 >= sum_pct;
        let alike: Vec<&(Self, f64)> =
            parts.iter().filter(|(part, _)| part.family.tempers() == tempers).collect();
        let alike_pct: f64 = alike.iter().map(|(_, pct)| pct).sum();
        let mean_alike = |of: &dyn Fn(&Self) -> f64| {
            alike.iter().map(|(part, pct)| of(part) * pct / alike_pct).sum::<f64>()
        };
        let band = |of: &dyn Fn(&Windows) -> Option<Band>| {
            alike.iter().all(|(part, _)| of(&part.windows).is_some()).then(|| {
                let end = |of_band: fn(&Band) -> f64| {
                    celsius(mean_alike(&|c| of(&c.windows).as_ref().map_or(0.0, of_band)))
                };
                Band { lo: end(|b| in_celsius(b.lo)), hi: end(|b| in_celsius(b.hi)) }
            })
        };
        let sure = |of: fn(&Windows) -> Band| {
            band(&move |w| Some(of(w))).unwrap_or(of(&parts[0].0.windows))
        };
        let point = |of: fn(&Windows) -> f64| celsius(mean_alike(&|c| of(&c.windows)));
        let windows = Windows {
            melt: sure(|w| w.melt),
            limit: point(|w| in_celsius(w.limit)),
            cool: band(&|w| w.cool),
            work: sure(|w| w.work),
            lost: band(&|w| w.lost.map(|lost| Band { lo: lost, hi: lost })).map(|b| b.lo),
            thick: point(|w| in_celsius(w.thick)),
        };
        let largest = parts
            .iter()
            .reduce(|a, b| if b.1 > a.1 { b } else { a })
            .map_or(parts[0].0.family, |(part, _)| part.family);
        Ok(Self {
            family: largest,
            sets_slower: mean(&|c| c.sets_slower),
            windows,
            fat: percent_of(mean(&|c| in_percent(c.fat))),
            solid_density: grams_per_cubic_centimetre(
                1.0 / mean(&|c| 1.0 / in_grams_per_cubic_centimetre(c.solid_density)),
            ),
            own: parts.iter().any(|(part, _)| part.own),
        })
    }
}

/// How much of some parts is tempered, per cent of what they were stated in.
fn tempering_pct(parts: &[(Chocolate, f64)]) -> f64 {
    parts.iter().filter(|(part, _)| part.family.tempers()).map(|(_, pct)| pct).sum()
}

/// Of coating and of what is tempered the share there is less of, per cent: nothing where all
/// is of one kind.
pub(crate) fn other_fat_pct(parts: &[(Chocolate, f64)]) -> f64 {
    let sum: f64 = parts.iter().map(|(_, pct)| pct).sum();
    let tempers = tempering_pct(parts);
    tempers.min(sum - tempers) / sum * 100.0
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;

    fn of(parts: &[(Family, f64)]) -> Result<Chocolate, BlendError> {
        let parts: Vec<_> = parts.iter().map(|&(f, pct)| (Chocolate::of(f), pct)).collect();
        Chocolate::blend(&parts)
    }

    #[test]
    fn every_bound_lies_between_those_of_the_parts() {
        let blend = of(&[(Family::Dark, 25.0), (Family::White, 75.0)]).expect("a blend");
        assert_eq!(blend.family, Family::White);
        assert!((in_celsius(blend.windows.limit) - 49.75).abs() < 1e-9);
        let cool = blend.windows.cool.expect("both have one").in_celsius();
        assert!((cool[0] - 25.5).abs() < 1e-9 && (cool[1] - 26.5).abs() < 1e-9);
        assert!((in_celsius(blend.windows.lost.expect("both have one")) - 32.125).abs() < 1e-9);
        assert!((in_percent(blend.fat) - 36.75).abs() < 1e-9);
    }

    #[test]
    fn a_blend_of_one_with_itself_is_itself() {
        let blend = of(&[(Family::Milk, 50.0), (Family::Milk, 50.0)]).expect("a blend");
        assert_eq!(blend.windows.melt, Family::Milk.windows().melt);
        let density = in_grams_per_cubic_centimetre(blend.solid_density);
        assert!((density - 1.27).abs() < 1e-12);
    }

    #[test]
    fn what_is_no_blend_is_refused() {
        assert_eq!(of(&[(Family::Dark, 100.0)]), Err(BlendError::TooFewParts));
        assert!(matches!(
            of(&[(Family::Dark, 60.0), (Family::Milk, 30.0)]),
            Err(BlendError::NotWhole { .. })
        ));
        for (dark, coating, least) in [(60.0, 40.0, 40.0), (94.0, 6.0, 6.0), (8.0, 92.0, 8.0)] {
            let told = of(&[(Family::Dark, dark), (Family::Coating, coating)]);
            let Err(BlendError::CoatingWithChocolate { share_pct }) = told else {
                panic!("{told:?} of {dark} and {coating}");
            };
            assert!((share_pct - least).abs() < 1e-9);
        }
    }

    #[test]
    fn a_little_coating_leaves_every_bound_of_a_chocolate_where_it_was_and_the_other_way_round() {
        let dark = of(&[(Family::Dark, 95.0), (Family::Coating, 5.0)]).expect("a blend");
        assert_eq!((dark.family, dark.windows), (Family::Dark, Family::Dark.windows()));
        let coating = of(&[(Family::Milk, 4.0), (Family::Coating, 96.0)]).expect("a blend");
        assert_eq!(coating.windows, Family::Coating.windows());
        let mixed = [(Family::Dark, 50.0), (Family::Milk, 46.0), (Family::Coating, 4.0)];
        let mixed = of(&mixed).expect("a blend");
        assert_eq!(mixed.family, Family::Dark);
        let lost = in_celsius(mixed.windows.lost.expect("it tempers"));
        let [dark, milk] = [Family::Dark, Family::Milk]
            .map(|family| in_celsius(family.windows().lost.expect("it tempers")));
        assert!((lost - (50.0 * dark + 46.0 * milk) / 96.0).abs() < 1e-9);
    }
}
