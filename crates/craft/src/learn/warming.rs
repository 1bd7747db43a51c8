//! What short warmings teach: how much heat of a burst, a hair dryer, warm water shows.

use super::trace::{AFTER, BEFORE, Trace};
use crate::bowl::ActionKind;
use crate::heat::{IN_WATER, loss_to_still_air, warm_water};
use crate::units::{
    Mass, Temperature, celsius, in_degrees, in_joules_per_degree, in_seconds, in_watts,
    in_watts_per_degree, rise,
};

/// A warming of what was melted, and what it did.
struct Warmed {
    /// What was in the bowl.
    mass: Mass,
    /// Its mean temperature meanwhile.
    mean: Temperature,
    /// What showed of it, with what was lost to the room, J.
    showed_j: f64,
    /// How long it lasted, s.
    lasted_s: f64,
}

impl Trace<'_> {
    /// Short warmings of what was melted, those of a kind of action that has a length.
    fn warmings(&self, lasting: impl Fn(&ActionKind) -> Option<f64>) -> Vec<Warmed> {
        (self.melt_ends..self.actions.len())
            .filter_map(|number| {
                let action = self.actions[number];
                let (start, lasted_s) = (action.at, lasting(&action.kind)?);
                let end = start + chrono::TimeDelta::milliseconds(whole(lasted_s * 1_000.0));
                let undisturbed = self.disturbed_after(number + 1, end);
                let before = self.mean(start - BEFORE, start)?;
                let after = self.settled(end, undisturbed)?;
                let mass = self.mass_before(number);
                let held =
                    in_joules_per_degree(mass * self.setup.chocolate.family.heat_when_melted());
                let mean: Temperature = celsius(f64::midpoint(before, after));
                let gap_s = lasted_s + (BEFORE + AFTER[0] + AFTER[1]).as_seconds_f64() / 2.0;
                let lost = in_watts_per_degree(loss_to_still_air(mass))
                    * in_degrees(rise(self.setup.room, mean))
                    * gap_s;
                let showed_j = (after - before) * held + lost;
                Some(Warmed { mass, mean, showed_j, lasted_s })
            })
            .collect()
    }

    /// What of a microwave's bursts showed, over the heat that was sent.
    pub(super) fn burst_response(&self) -> Option<f64> {
        let rated = in_watts(self.setup.microwave?.rated());
        ratio(self.warmings(burst).iter().map(|w| (w.showed_j, w.lasted_s * rated)))
    }

    /// What moments over simmering water brought, W.
    pub(super) fn bath(&self) -> Option<f64> {
        if self.setup.microwave.is_some() {
            return None;
        }
        ratio(self.warmings(burst).iter().map(|w| (w.showed_j, w.lasted_s)))
    }

    /// What the hair dryer brought, W.
    pub(super) fn dryer(&self) -> Option<f64> {
        let dryer = |kind: &ActionKind| match kind {
            ActionKind::Dryer { lasting } => Some(in_seconds(*lasting)),
            _ => None,
        };
        ratio(self.warmings(dryer).iter().map(|w| (w.showed_j, w.lasted_s)))
    }

    /// How fast warm water warmed it, against what is usual.
    pub(super) fn warm_water(&self) -> Option<f64> {
        let stood = |kind: &ActionKind| match kind {
            ActionKind::InWarmWater { lasting } => Some(in_seconds(*lasting)),
            _ => None,
        };
        ratio(self.warmings(stood).iter().map(|w| {
            let usual = in_watts_per_degree(loss_to_still_air(w.mass)) * IN_WATER;
            (w.showed_j, usual * in_degrees(rise(w.mean, warm_water())) * w.lasted_s)
        }))
    }
}

fn burst(kind: &ActionKind) -> Option<f64> {
    match kind {
        ActionKind::Heat { lasting } => lasting.map(in_seconds),
        _ => None,
    }
}

/// All that showed over all that was to be expected; `None` where nothing was.
fn ratio(all: impl Iterator<Item = (f64, f64)>) -> Option<f64> {
    let (showed, expected) = all.fold((0.0, 0.0), |(a, b), (c, d)| (a + c, b + d));
    (expected > 0.0).then(|| showed / expected)
}

#[allow(clippy::cast_possible_truncation)] // a warming lasts minutes
fn whole(ms: f64) -> i64 {
    ms.round() as i64
}
