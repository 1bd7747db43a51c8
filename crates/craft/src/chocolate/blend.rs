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
    /// Coatings are made of other fats.
    CoatingWithChocolate,
}

impl BlendError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::TooFewParts => say::too_few_parts(),
            Self::NotWhole { sum_pct } => say::not_whole(*sum_pct),
            Self::CoatingWithChocolate => say::coating_with_chocolate(),
        }
    }
}

spoken!(BlendError);

impl Chocolate {
    /// A blend of chocolates, with their shares by mass in per cent.
    ///
    /// Each bound is the mean of its parts' bounds, weighted by mass (docs/craft.md,
    /// section 1), so is the fat; densities are weighted so that volumes add up.
    /// It counts as the family of its largest part.
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
    /// Where there are fewer than two parts, they do not make a whole, or one is
    /// a coating and another is not.
    pub fn blend(parts: &[(Self, f64)]) -> Result<Self, BlendError> {
        if parts.len() < 2 {
            return Err(BlendError::TooFewParts);
        }
        let sum_pct: f64 = parts.iter().map(|(_, pct)| pct).sum();
        if (sum_pct - 100.0).abs() > SLACK_PCT {
            return Err(BlendError::NotWhole { sum_pct });
        }
        let tempers = parts.iter().filter(|(part, _)| part.family.tempers()).count();
        if tempers != 0 && tempers != parts.len() {
            return Err(BlendError::CoatingWithChocolate);
        }
        let mean = |of: &dyn Fn(&Self) -> f64| {
            parts.iter().map(|(part, pct)| of(part) * pct / sum_pct).sum::<f64>()
        };
        // Within a blend either every part has a bound or none has.
        let band = |of: &dyn Fn(&Windows) -> Option<Band>| {
            parts.iter().all(|(part, _)| of(&part.windows).is_some()).then(|| {
                let end = |of_band: fn(&Band) -> f64| {
                    celsius(mean(&|c| of(&c.windows).as_ref().map_or(0.0, of_band)))
                };
                Band { lo: end(|b| in_celsius(b.lo)), hi: end(|b| in_celsius(b.hi)) }
            })
        };
        let sure = |of: fn(&Windows) -> Band| {
            band(&move |w| Some(of(w))).unwrap_or(of(&parts[0].0.windows))
        };
        let point = |of: fn(&Windows) -> f64| celsius(mean(&|c| of(&c.windows)));
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
        assert_eq!(
            of(&[(Family::Dark, 60.0), (Family::Coating, 40.0)]),
            Err(BlendError::CoatingWithChocolate)
        );
    }
}
