//! Short warmings: back into the band, and no further.

use chrono::TimeDelta;

use super::advice::{Advice, Rule};
use super::context::CoachContext;
use crate::catalogue::bench as say;
use crate::message::Message;
use crate::units::{Temperature, Time, degrees, in_degrees, in_seconds, rise, seconds};

/// The longest rewarming burst, seconds: more in one go may lose the temper.
const LONGEST_S: f64 = 5.0;
/// For a bowl at the cool point the way back is longer, s.
const LONGEST_BACK_S: f64 = 10.0;
/// However much heat is missing, a burst must leave it this far under where
/// temper is lost, °C.
const SPARE_C: f64 = 0.7;
/// A bowl that thickens is warmed by this much at a time, °C.
const AT_A_TIME_C: f64 = 0.7;
/// "It thickens" is answered for this long.
const THICK_ANSWERED: TimeDelta = TimeDelta::minutes(6);

impl CoachContext<'_> {
    /// Below the band, or about to be: how to warm it back.
    pub(crate) fn rewarm(&self, temp: Temperature) -> Advice {
        let w = &self.setup.chocolate.windows;
        let (rule, what) = if temp < w.thick {
            (Rule::Thickening, say::setting_up())
        } else {
            (Rule::Rewarm, say::under_the_band())
        };
        self.warm_back(temp, rule, what).caution()
    }

    /// A short warming toward the middle of the band.
    pub(crate) fn warm_back(&self, temp: Temperature, rule: Rule, what: Message) -> Advice {
        let w = &self.setup.chocolate.windows;
        let burst = self.rewarming_burst(temp, w.work.middle());
        Advice::new(
            rule,
            say::rewarm(burst),
            say::rewarm_why(what, self.shown(), w.work.lo, self.setup.lost().unwrap_or(w.limit)),
        )
        .heating(burst)
    }

    /// A burst that brings the bowl to a temperature and no further, in whole
    /// seconds, capped. Without a microwave, a hair dryer on low: the cap.
    pub(crate) fn rewarming_burst(&self, temp: Temperature, to: Temperature) -> Time {
        let setup = self.setup;
        let w = &setup.chocolate.windows;
        let longest = if temp < w.thick { LONGEST_BACK_S } else { LONGEST_S };
        let Some(microwave) = setup.microwave else { return seconds(LONGEST_S) };
        let ceiling = self.setup.lost().map_or(w.limit, |lost| lost - degrees(SPARE_C));
        let held =
            (setup.melted + self.bowl.went_in.seeded) * setup.chocolate.family.heat_when_melted();
        let lasting = |to: Temperature, share: f64| {
            in_seconds(held * rise(temp, to) / (microwave.rated() * share))
        };
        // Crystals take heat too, so a burst falls short rather than goes over; the
        // ceiling holds even where more of it shows than ever was seen to.
        let most = setup.burst_response.max(microwave.efficiency);
        let wanted = lasting(to, setup.burst_response).round().max(1.0);
        let allowed = lasting(ceiling, most).floor().max(1.0);
        seconds(wanted.min(longest).min(allowed))
    }

    /// A burst for what has no temper to lose.
    pub(crate) fn warming_burst(&self, temp: Temperature, to: Temperature) -> Time {
        let setup = self.setup;
        let Some(microwave) = setup.microwave else { return seconds(LONGEST_BACK_S) };
        let held =
            (setup.melted + self.bowl.went_in.seeded) * setup.chocolate.family.heat_when_melted();
        let lasting = held * rise(temp, to) / microwave.into_chocolate();
        seconds(in_seconds(lasting).round().clamp(1.0, LONGEST_BACK_S))
    }

    /// The maker said that it thickens: too many crystals, and a little warmth
    /// takes some away.
    pub(crate) fn over_seeded(&self, temp: Temperature) -> Option<Advice> {
        let said = self.bowl.too_thick?;
        let lost = self.setup.lost()?;
        if self.now - said > THICK_ANSWERED {
            return None;
        }
        // Warmed since it was said, and it was said once: wait for the next word.
        if self.bowl.heating.warmed && self.bowl.heating.calm_since.is_some_and(|calm| calm > said)
        {
            return None;
        }
        let to = (temp + degrees(AT_A_TIME_C)).min(lost - degrees(SPARE_C));
        if in_degrees(rise(temp, to)) < 0.2 {
            return Some(
                Advice::new(
                    Rule::OverSeeded,
                    say::over_seeded(),
                    say::over_seeded_why(self.shown(), lost - degrees(SPARE_C)),
                )
                .caution(),
            );
        }
        let burst = self.rewarming_burst(temp, to);
        Some(
            Advice::new(
                Rule::OverSeeded,
                say::over_seeded_warm(burst),
                say::over_seeded_warm_why([degrees(0.5), degrees(1.0)], lost - degrees(SPARE_C)),
            )
            .caution()
            .heating(burst),
        )
    }
}
