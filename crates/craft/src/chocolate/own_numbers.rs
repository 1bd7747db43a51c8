//! The maker's own numbers over a family's defaults: the bag knows better.

use super::{Band, Chocolate};
use crate::catalogue::chocolate as say;
use crate::message::{Message, spoken};
use crate::units::{Ratio, Temperature, celsius, in_celsius};

/// Numbers that replace a family's defaults, each where it is given.
#[derive(Clone, Copy, Debug, Default, PartialEq)]
pub struct OwnNumbers {
    /// Own melting band.
    pub melt: Option<Band>,
    /// Own upper limit.
    pub limit: Option<Temperature>,
    /// Own cool point.
    pub cool: Option<Band>,
    /// Own working band.
    pub work: Option<Band>,
    /// Own temperature at which temper is lost.
    pub lost: Option<Temperature>,
    /// Own temperature at which the bowl thickens.
    pub thick: Option<Temperature>,
    /// Own share of fat.
    pub fat: Option<Ratio>,
}

/// Why a set of own numbers cannot be used.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum OwnNumbersError {
    /// A band's lower end lies above its upper end.
    BandUpsideDown {
        /// Which band.
        band: &'static str,
        /// Lower end, °C.
        lo: f64,
        /// Upper end, °C.
        hi: f64,
    },
    /// Two windows are in the wrong order.
    WrongOrder {
        /// The window that must be lower.
        lower: &'static str,
        /// Its bound, °C.
        lower_c: f64,
        /// The window that must be higher.
        upper: &'static str,
        /// Its bound, °C.
        upper_c: f64,
    },
}

impl OwnNumbersError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::BandUpsideDown { lo, hi, .. } => {
                say::band_upside_down(celsius(*lo), celsius(*hi))
            }
            Self::WrongOrder { lower_c, upper, upper_c, .. } => {
                say::wrong_order(words(upper), celsius(*upper_c), celsius(*lower_c))
            }
        }
    }
}

spoken!(OwnNumbersError);

/// A window as a maker speaks of it.
fn words(window: &str) -> Message {
    match window {
        "work" => say::the_working_band(),
        "lost" => say::where_temper_is_lost(),
        "melt" => say::the_melting_band(),
        _ => say::the_limit(),
    }
}

impl OwnNumbersError {
    /// The window to mend.
    #[must_use]
    pub fn window(&self) -> &'static str {
        match self {
            Self::BandUpsideDown { band, .. } => band,
            Self::WrongOrder { lower, .. } => lower,
        }
    }
}

impl OwnNumbers {
    /// Whether nothing is replaced.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        *self == Self::default()
    }

    /// A chocolate with these numbers over its own.
    ///
    /// # Errors
    /// Where the windows that result are out of order: `thick` < `work` ≤
    /// `lost` < `melt` ≤ `limit`, and `cool` below `work`.
    pub fn over(&self, base: impl Into<Chocolate>) -> Result<Chocolate, OwnNumbersError> {
        let mut chocolate = base.into();
        let w = &mut chocolate.windows;
        w.melt = self.melt.unwrap_or(w.melt);
        w.limit = self.limit.unwrap_or(w.limit);
        w.cool = self.cool.or(w.cool);
        w.work = self.work.unwrap_or(w.work);
        w.lost = self.lost.or(w.lost);
        w.thick = self.thick.unwrap_or(w.thick);

        for (name, band) in [("melt", Some(w.melt)), ("cool", w.cool), ("work", Some(w.work))] {
            if let Some(band) = band
                && band.lo > band.hi
            {
                let [lo, hi] = band.in_celsius();
                return Err(OwnNumbersError::BandUpsideDown { band: name, lo, hi });
            }
        }
        let order = |lower, low: Temperature, upper, high: Temperature, may_touch| {
            if low < high || (may_touch && low == high) {
                Ok(())
            } else {
                Err(OwnNumbersError::WrongOrder {
                    lower,
                    lower_c: in_celsius(low),
                    upper,
                    upper_c: in_celsius(high),
                })
            }
        };
        order("thick", w.thick, "work", w.work.lo, true)?;
        if let Some(cool) = w.cool {
            order("cool", cool.hi, "work", w.work.lo, true)?;
        }
        if let Some(lost) = w.lost {
            order("work", w.work.hi, "lost", lost, true)?;
            order("lost", lost, "melt", w.melt.lo, false)?;
        }
        order("melt", w.melt.hi, "limit", w.limit, true)?;

        chocolate.fat = self.fat.unwrap_or(chocolate.fat);
        chocolate.own |= !self.is_empty();
        Ok(chocolate)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::units::{celsius, percent_of};

    fn band(lo: f64, hi: f64) -> Option<Band> {
        Some(Band { lo: celsius(lo), hi: celsius(hi) })
    }

    #[test]
    fn the_bag_wins_and_the_rest_stays() {
        let own = OwnNumbers {
            work: band(30.5, 31.5),
            fat: Some(percent_of(39.0)),
            ..OwnNumbers::default()
        };
        let chocolate = own.over(Family::Dark).expect("in order");
        assert_eq!(Some(chocolate.windows.work), own.work);
        assert_eq!(chocolate.windows.melt, Family::Dark.windows().melt);
        assert!(chocolate.own);
        assert!(!OwnNumbers::default().over(Family::Dark).expect("defaults").own);
    }

    #[test]
    fn every_familys_own_defaults_are_in_order() {
        for family in Family::ALL {
            assert!(OwnNumbers::default().over(family).is_ok(), "{family}");
        }
    }

    #[test]
    fn windows_out_of_order_are_named() {
        let upside_down = OwnNumbers { work: band(32.0, 31.0), ..OwnNumbers::default() };
        assert_eq!(upside_down.over(Family::Dark).expect_err("refused").window(), "work");

        let above_lost = OwnNumbers { work: band(31.0, 35.0), ..OwnNumbers::default() };
        let told = above_lost.over(Family::Dark).expect_err("refused").to_string();
        assert_eq!(told, "must stay below where temper is lost at 34 °C; it reaches 35 °C");

        let scorching = OwnNumbers { melt: band(45.0, 58.0), ..OwnNumbers::default() };
        assert_eq!(scorching.over(Family::Dark).expect_err("refused").window(), "melt");

        let never_thick = OwnNumbers { thick: Some(celsius(31.5)), ..OwnNumbers::default() };
        assert_eq!(never_thick.over(Family::Dark).expect_err("refused").window(), "thick");
    }
}
