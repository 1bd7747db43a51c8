//! What short warmings teach: how much of a burst shows.

use super::trace::{AFTER, BEFORE, Trace};
use crate::heat::loss_to_still_air;
use crate::units::{
    Temperature, celsius, in_degrees, in_joules_per_degree, in_watts, in_watts_per_degree, rise,
};

impl Trace<'_> {
    /// Short warmings of what was melted: the rise that showed, with what was lost
    /// to the room meanwhile, over the heat that was sent.
    pub(super) fn burst_response(&self) -> Option<f64> {
        let microwave = self.setup.microwave?;
        let (showed, sent) = (self.melt_ends..self.actions.len())
            .filter_map(|number| {
                let (start, end, s) = Self::burst(self.actions[number])?;
                let undisturbed = self.disturbed_after(number + 1, end);
                let before = self.mean(start - BEFORE, start)?;
                let after = self.settled(end, undisturbed)?;
                let mass = self.mass_before(number);
                let held =
                    in_joules_per_degree(mass * self.setup.chocolate.family.heat_when_melted());
                let from: Temperature = celsius(f64::midpoint(before, after));
                let gap_s = s + (BEFORE + AFTER[0] + AFTER[1]).as_seconds_f64() / 2.0;
                let lost = in_watts_per_degree(loss_to_still_air(mass))
                    * in_degrees(rise(self.setup.room, from))
                    * gap_s;
                Some(((after - before) * held + lost, s * in_watts(microwave.rated())))
            })
            .fold((0.0, 0.0), |(showed, sent), (j, w)| (showed + j, sent + w));
        (sent > 0.0).then(|| showed / sent)
    }
}
