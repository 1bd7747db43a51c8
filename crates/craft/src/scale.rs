//! What a kitchen's scale can show: no instruction asks for less, and parts that are weighed
//! add up to the whole that is.

use crate::units::{Mass, grams, in_grams};

/// The maker's scale.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub enum Scale {
    /// A kitchen scale: whole grams.
    #[default]
    Kitchen,
    /// A fine one: tenths of a gram, of what is light.
    Fine,
}

/// From here on a fine scale is no better than a kitchen's, g.
const FINE_BELOW_G: f64 = 10.0;

/// Whole ones, a begun one too: a sum's dust is none.
#[must_use]
pub(crate) fn whole_up(amount: f64) -> f64 {
    (amount - 1e-6).ceil().max(0.0)
}

impl Scale {
    /// The least that it shows of such a mass, g.
    #[must_use]
    pub fn step_g(self, mass: Mass) -> f64 {
        match self {
            Self::Fine if in_grams(mass) < FINE_BELOW_G => 0.1,
            Self::Fine | Self::Kitchen => 1.0,
        }
    }

    /// A mass as it shows it; a little is never nothing.
    ///
    /// ```
    /// use craft::scale::Scale;
    /// use craft::units::{grams, in_grams};
    ///
    /// assert_eq!(in_grams(Scale::Kitchen.shows(grams(26.5))), 27.0);
    /// assert_eq!(in_grams(Scale::Kitchen.shows(grams(0.2))), 1.0);
    /// assert_eq!(in_grams(Scale::Fine.shows(grams(3.25))), 3.3);
    /// assert_eq!(in_grams(Scale::Fine.shows(grams(0.0))), 0.0);
    /// ```
    #[must_use]
    pub fn shows(self, mass: Mass) -> Mass {
        if in_grams(mass) <= 0.0 {
            return Mass::default();
        }
        let step_g = self.step_g(mass);
        let steps = (in_grams(mass) / step_g).round().max(1.0);
        grams(steps / (1.0 / step_g).round())
    }

    /// The parts of a whole as it shows them: each within a step of what it is, and together
    /// the whole as it is shown, by largest remainder. What is too light for it joins the
    /// heaviest part.
    #[must_use]
    pub fn parts<const N: usize>(self, whole: Mass, parts: [Mass; N]) -> [Mass; N] {
        let whole = self.shows(whole);
        let steps_of = |mass: Mass, step_g: f64| in_grams(mass) / step_g;
        let step_g = self.step_g(whole);
        let all = steps_of(whole, step_g).round();
        let sum: f64 = parts.iter().map(|part| in_grams(*part).max(0.0)).sum();
        if sum <= 0.0 {
            return [Mass::default(); N];
        }
        let exact = parts.map(|part| in_grams(part).max(0.0) / sum * all);
        let mut steps = exact.map(f64::floor);
        let mut missing = all - steps.iter().sum::<f64>();
        let mut order: Vec<usize> = (0..N).collect();
        order.sort_by(|a, b| {
            (exact[*b] - steps[*b]).total_cmp(&(exact[*a] - steps[*a])).then(a.cmp(b))
        });
        for i in order {
            if missing < 0.5 {
                break;
            }
            steps[i] += 1.0;
            missing -= 1.0;
        }
        steps.map(|steps| grams(steps / (1.0 / step_g).round()))
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn shown<const N: usize>(scale: Scale, whole: f64, parts: [f64; N]) -> [f64; N] {
        scale.parts(grams(whole), parts.map(grams)).map(in_grams)
    }

    #[test]
    fn parts_add_up_to_the_whole_that_is_shown() {
        assert_eq!(shown(Scale::Kitchen, 112.6, [56.3, 37.53, 18.77]), [56.0, 38.0, 19.0]);
        for tenths in 1..4_000_i32 {
            let whole = f64::from(tenths) * 0.37;
            for scale in [Scale::Kitchen, Scale::Fine] {
                let parts = [whole / 2.0, whole / 3.0, whole / 6.0];
                let told: f64 = shown(scale, whole, parts).iter().sum();
                let all = in_grams(scale.shows(grams(whole)));
                assert!((told - all).abs() < 1e-9, "{whole}: {told} of {all}");
            }
        }
    }

    #[test]
    fn each_part_is_within_a_step_of_what_it_is() {
        for whole in [12.4, 99.9, 455.55, 1_203.2] {
            let parts = [0.734, 0.201, 0.065].map(|share| share * whole);
            for (told, is) in shown(Scale::Kitchen, whole, parts).iter().zip(parts) {
                assert!((told - is).abs() < 1.01, "{told} for {is}");
            }
        }
    }

    #[test]
    fn nothing_is_asked_for_that_the_scale_does_not_show() {
        // A gram of seed for a colour is not divided by three on a kitchen's scale.
        assert_eq!(shown(Scale::Kitchen, 1.0, [0.5, 0.3, 0.2]), [1.0, 0.0, 0.0]);
        assert_eq!(shown(Scale::Fine, 1.0, [0.5, 0.3, 0.2]), [0.5, 0.3, 0.2]);
    }
}
