//! A pigment's strength, from how a finished piece looks.

use super::appearance::{Film, Rgb, stack};

/// Strengths that are believed.
const RANGE: [f64; 2] = [0.1, 10.0];
/// Steps of the search, on a scale on which each is the same factor.
const STEPS: u32 = 60;

/// How strong a colour is against what was counted on.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Strength {
    /// So many times.
    pub factor: f64,
    /// How it then looks.
    pub looks: Rgb,
    /// How far that is from what was seen, as the root of the mean square of the
    /// channels' reflectances.
    pub off_by: f64,
}

/// The strength of the film `which` (counted from the face) with which the stack
/// comes closest to what was seen.
///
/// One number for all channels: it corrects how much colour there is, not its hue.
/// The distance has one minimum over the range for a film that is seen at all;
/// a golden-section search on a logarithmic scale finds it.
#[must_use]
pub fn seen_strength(ground: Rgb, films: &[Film], which: usize, seen: Rgb) -> Strength {
    let mut films = films.to_vec();
    let one = films[which].optics;
    let mut at = |factor: f64| {
        films[which].optics = one.times(factor);
        let looks = stack(ground, &films);
        let square: f64 = looks.iter().zip(seen).map(|(a, b)| (a - b) * (a - b)).sum();
        Strength { factor, looks, off_by: (square / 3.0).sqrt() }
    };
    let golden = (5f64.sqrt() - 1.0) / 2.0;
    let [mut lo, mut hi] = RANGE.map(f64::ln);
    for _ in 0..STEPS {
        let (a, b) = (hi - golden * (hi - lo), lo + golden * (hi - lo));
        if at(a.exp()).off_by < at(b.exp()).off_by { hi = b } else { lo = a }
    }
    at(f64::midpoint(lo, hi).exp())
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::colour::{Ground, usual_pigments};

    #[test]
    fn a_colour_that_came_out_twice_as_strong_is_found_out() {
        let films: Vec<Film> = [("Blue lake", 0.6), ("Titanium white", 1.0)]
            .map(|(name, thickness)| {
                let pigment = usual_pigments().into_iter().find(|p| p.name == name);
                Film { optics: pigment.expect("known").optics(10.0), thickness }
            })
            .into();
        let ground = Ground::Dark.tinted();
        let mut stronger = films.clone();
        stronger[0].optics = stronger[0].optics.times(2.0);
        let found = seen_strength(ground, &films, 0, stack(ground, &stronger));
        assert!((found.factor - 2.0).abs() < 0.01, "{found:?}");
        assert!(found.off_by < 1e-3);
        // A hue that no amount of this colour has is not hidden.
        assert!(seen_strength(ground, &films, 0, [0.9, 0.05, 0.05]).off_by > 0.2);
    }
}
