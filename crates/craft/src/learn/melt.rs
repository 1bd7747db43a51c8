//! What the melt teaches: what a microwave puts in, and how far a bowl goes on
//! rising.

use chrono::{DateTime, TimeDelta, Utc};

use super::learned::median;
use super::trace::{AFTER, Trace};
use crate::bowl::ActionKind;
use crate::units::{celsius, in_celsius, in_joules, in_seconds, in_watts};

/// Above this no lump is left to melt, °C (*custom*).
const ALL_MELTED_C: f64 = 38.0;
/// The rise after the heat is over by then.
const RISES_FOR: TimeDelta = TimeDelta::minutes(3);
/// It takes this long to show.
const RISES_AT_LEAST: TimeDelta = TimeDelta::seconds(40);

impl Trace<'_> {
    /// Rated heat that the melt was given, J; `None` where some of it came from a
    /// water bath, or none at all.
    fn given_to_melt(&self) -> Option<f64> {
        let microwave = self.setup.microwave?;
        let mut given_s = 0.0;
        for action in &self.actions[..self.melt_ends] {
            match action.kind {
                ActionKind::Heat { lasting: Some(lasting) } => given_s += in_seconds(lasting),
                ActionKind::Heat { lasting: None } => return None,
                _ => {}
            }
        }
        (given_s > 0.0).then(|| given_s * in_watts(microwave.rated()))
    }

    /// The whole melt, from the first reading to what it evened out at: heat that
    /// arrived over heat that was sent.
    pub(super) fn efficiency(&self) -> Option<f64> {
        if self.setup.course.keeps_crystals {
            return None;
        }
        let given = self.given_to_melt()?;
        let mut bursts = self.actions[..self.melt_ends].iter().filter_map(|a| Self::burst(a));
        let (first, end, _) = bursts.next()?;
        let last = bursts.next_back().map_or(end, |(_, end, _)| end);
        let start = self
            .mean(first - RISES_FOR, first + TimeDelta::seconds(5))
            .unwrap_or(in_celsius(self.setup.seed_temp));
        let undisturbed = self.disturbed_after(self.melt_ends, last);
        let end = self.settled(last, undisturbed)?;
        if end < ALL_MELTED_C {
            return None;
        }
        let setup = self.setup;
        Some(in_joules(setup.heat_to_melt(celsius(start), celsius(end))) / given)
    }

    /// The rise from the end of the heat to the highest the bowl went by itself.
    ///
    /// In a microwave the thermometer says nothing until the burst is stirred in,
    /// so there the rise counts from then.
    pub(super) fn carry_over(&self) -> Option<f64> {
        let (number, stop) = self.stop_of_melt()?;
        let in_bursts = self.setup.microwave.is_some();
        let stirred_in = if in_bursts { AFTER[0] } else { TimeDelta::zero() };
        let from = stop + stirred_in;
        let off = self.mean(from - TimeDelta::seconds(8), from + TimeDelta::seconds(3))?;
        let until = self.disturbed_after(number + 1, from).min(from + RISES_FOR);
        // Seeded before it was done rising: how far it would have gone is not known.
        if until - from < RISES_AT_LEAST {
            return None;
        }
        let after: Vec<f64> = self.between(from, until).map(|(_, temp_c)| temp_c).collect();
        // The highest of three in a row's middles: one flicker is no rise.
        let highest = after
            .windows(3)
            .map(|three| median(&mut [three[0], three[1], three[2]]))
            .max_by(f64::total_cmp)?;
        (highest >= ALL_MELTED_C).then(|| (highest - off).max(0.0))
    }

    /// The last end of heat in the melt: the action's number, and when.
    fn stop_of_melt(&self) -> Option<(usize, DateTime<Utc>)> {
        let mut on_since = None;
        let mut stop = None;
        for (number, action) in self.actions[..self.melt_ends].iter().enumerate() {
            match action.kind {
                ActionKind::Heat { lasting: None } => on_since = Some(action.at),
                ActionKind::Heat { lasting: Some(_) } => {
                    stop = Self::burst(action).map(|(_, end, _)| (number, end));
                }
                ActionKind::OffHeat if on_since.take().is_some() => {
                    stop = Some((number, action.at));
                }
                _ => {}
            }
        }
        stop
    }
}
