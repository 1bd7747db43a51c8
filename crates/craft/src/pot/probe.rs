//! A kitchen thermometer: it lags, it flickers, it rounds.

use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;
use rand_distr::StandardNormal;

use super::Pot;
use crate::units::{Temperature, in_celsius};

/// What it rounds to, steps per °C.
const STEPS_PER_C: f64 = 10.0;

/// A thermometer in a pot. The same seed gives the same flicker.
#[derive(Clone, Debug)]
pub struct Probe {
    felt_c: f64,
    noise_c: f64,
    lag_s: f64,
    chance: ChaCha8Rng,
}

impl Probe {
    /// How much a good one flickers, °C (standard deviation).
    pub const USUAL_NOISE_C: f64 = 0.08;
    /// How long one takes to see most of a change, s.
    pub const USUAL_LAG_S: f64 = 4.0;

    /// A thermometer that has felt a temperature for long.
    #[must_use]
    pub fn new(seed: u64, felt: Temperature, noise_c: f64) -> Self {
        let chance = ChaCha8Rng::seed_from_u64(seed);
        Self { felt_c: in_celsius(felt), noise_c, lag_s: Self::USUAL_LAG_S, chance }
    }

    /// The same that takes so long to see most of a change, s.
    #[must_use]
    pub fn lagging(self, lag_s: f64) -> Self {
        Self { lag_s, ..self }
    }

    /// Lets it feel the pot for a while.
    pub fn settle(&mut self, pot: &Pot, seconds: f64) {
        let gap = in_celsius(pot.temperature()) - self.felt_c;
        self.felt_c += gap * (1.0 - (-seconds / self.lag_s).exp());
    }

    /// What it shows, °C.
    pub fn says(&mut self) -> f64 {
        let flicker: f64 = self.chance.sample(StandardNormal);
        let shown = self.felt_c + self.noise_c * flicker;
        (shown * STEPS_PER_C).round() / STEPS_PER_C
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::celsius;

    #[test]
    fn it_flickers_around_what_it_feels_and_repeats_itself() {
        let said = |seed| {
            let mut probe = Probe::new(seed, celsius(31.5), Probe::USUAL_NOISE_C);
            (0..400).map(|_| probe.says()).collect::<Vec<_>>()
        };
        let readings = said(7);
        let mean = readings.iter().sum::<f64>() / 400.0;
        assert!((mean - 31.5).abs() < 0.03, "{mean}");
        assert!(readings.iter().all(|c| (c - 31.5).abs() < 0.5));
        assert!(readings.windows(2).any(|w| w[0] != w[1]));
        assert_eq!(readings, said(7));
        assert_ne!(readings, said(8));
    }
}
