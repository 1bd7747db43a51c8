//! A kitchen thermometer: it lags, it flickers, it rounds.

use super::Pot;
use crate::units::{Temperature, in_celsius};

/// How long it takes to see most of a change, s.
const LAG_S: f64 = 4.0;
/// How much it flickers, °C (standard deviation).
const NOISE_C: f64 = 0.08;
/// What it rounds to, steps per °C.
const STEPS_PER_C: f64 = 10.0;

/// A thermometer in a pot. The same seed gives the same flicker.
#[derive(Clone, Debug)]
pub struct Probe {
    felt_c: f64,
    flicker: u64,
}

impl Probe {
    /// A thermometer that has felt a temperature for long.
    #[must_use]
    pub fn new(seed: u64, felt: Temperature) -> Self {
        Self { felt_c: in_celsius(felt), flicker: seed }
    }

    /// Lets it feel the pot for a while.
    pub fn settle(&mut self, pot: &Pot, seconds: f64) {
        let gap = in_celsius(pot.temperature()) - self.felt_c;
        self.felt_c += gap * (1.0 - (-seconds / LAG_S).exp());
    }

    /// What it shows, °C.
    pub fn says(&mut self) -> f64 {
        // The sum of twelve even numbers is close to a normal one.
        let sum: f64 = (0..12).map(|_| self.even()).sum();
        let shown = self.felt_c + NOISE_C * (sum - 6.0);
        (shown * STEPS_PER_C).round() / STEPS_PER_C
    }

    /// A number spread evenly over 0–1 (`SplitMix64`: a fixed, public sequence,
    /// so that a record can be made again to the digit).
    fn even(&mut self) -> f64 {
        self.flicker = self.flicker.wrapping_add(0x9E37_79B9_7F4A_7C15);
        let mut z = self.flicker;
        z = (z ^ (z >> 30)).wrapping_mul(0xBF58_476D_1CE4_E5B9);
        z = (z ^ (z >> 27)).wrapping_mul(0x94D0_49BB_1331_11EB);
        z ^= z >> 31;
        #[allow(clippy::cast_precision_loss)] // 53 bits fit
        let even = (z >> 11) as f64 / (1_u64 << 53) as f64;
        even
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::celsius;

    #[test]
    fn it_flickers_around_what_it_feels_and_repeats_itself() {
        let said = |seed| {
            let mut probe = Probe::new(seed, celsius(31.5));
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
