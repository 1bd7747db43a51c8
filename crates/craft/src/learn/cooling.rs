//! What the way down teaches: how fast a bowl loses heat.

use chrono::{DateTime, TimeDelta, Utc};

use super::learned::median;
use super::trace::{BEFORE, Trace, is_crystals};
use crate::bowl::{Action, ActionKind};
use crate::chocolate::Family;
use crate::heat::cooling::{CoolingFit, Point};
use crate::heat::loss_to_still_air;
use crate::heat::seed::UNMELTED_SHARE;
use crate::units::{
    Mass, celsius, degrees, in_celsius, in_joules, in_watts_per_degree, rise, seconds,
};

/// After heat or seed the bowl itself takes this long to come along.
const COMES_ALONG: TimeDelta = TimeDelta::seconds(60);
/// A stretch of cooling that says how fast, at least.
const STRETCH: TimeDelta = TimeDelta::seconds(75);
/// It counts as stirred where it was stirred this often.
const STIRRED_EVERY: TimeDelta = TimeDelta::seconds(75);
/// Readings in it, at least.
const READINGS_IN_STRETCH: usize = 5;
/// Above the working band by this much no crystals form that would give heat, °C.
const CLEAR_OF_BAND_C: f64 = 1.0;
/// Seeding that tells what else took heat lasts this long, at least.
const SEEDED_FOR: TimeDelta = TimeDelta::minutes(2);

impl Trace<'_> {
    /// How fast the bowl loses heat: by quiet cooling where there was some, else by
    /// what the seed does not account for.
    pub(super) fn cooling_ratio(&self) -> Option<f64> {
        self.quiet_cooling().or_else(|| self.left_by_seed())
    }

    /// Quiet cooling of what is all liquid: its rate times the heat it holds, over
    /// what is usual for its mass.
    fn quiet_cooling(&self) -> Option<f64> {
        let clear = self.setup.chocolate.windows.work.hi + degrees(CLEAR_OF_BAND_C);
        let mut ratios = Vec::new();
        for number in self.melt_ends.saturating_sub(1)..self.actions.len() {
            let action = self.actions[number];
            if matches!(action.kind, ActionKind::OnStone { .. }) {
                // What is worked on a stone comes back full of crystals.
                break;
            }
            if !action.kind.disturbs_cooling() && !is_crystals(&action.kind) {
                continue;
            }
            if matches!(action.kind, ActionKind::OnCoolWater | ActionKind::OnPad) {
                // Water takes far more than the air does, and a pad gives.
                continue;
            }
            let calm = Self::burst(action).map_or(action.at, |(_, end, _)| end) + COMES_ALONG;
            let until = self.disturbed_after(number + 1, calm);
            let points: Vec<_> = self
                .between(calm, until)
                .filter(|(_, temp_c)| *temp_c > in_celsius(clear))
                .collect();
            let (Some(first), Some(last)) = (points.first(), points.last()) else { continue };
            let long_enough = last.0 - first.0 >= STRETCH;
            if points.len() < READINGS_IN_STRETCH || !long_enough || !self.stirred(calm, last.0) {
                continue;
            }
            let since = |at: DateTime<Utc>| (at - first.0).as_seconds_f64();
            let line = points
                .iter()
                .map(|(at, temp_c)| Point { t: seconds(since(*at)), temp: celsius(*temp_c) });
            let Ok(fit) = CoolingFit::to(line, self.setup.room) else { continue };
            let mass = self.mass_before(number + 1);
            let vessel = self.setup.vessel.map(|w| w.wetted_heat()).unwrap_or_default();
            let held = mass * self.setup.chocolate.family.heat_when_melted() + vessel;
            let usual = in_watts_per_degree(loss_to_still_air(mass));
            ratios.push(in_watts_per_degree(fit.ua(held)) / usual);
        }
        (!ratios.is_empty()).then(|| median(&mut ratios))
    }

    /// Whether it was stirred all through a stretch: left standing it loses less.
    fn stirred(&self, from: DateTime<Utc>, to: DateTime<Utc>) -> bool {
        let stirs = self.actions.iter().filter(|a| {
            a.kind == ActionKind::Stirred && (from - STIRRED_EVERY..=to).contains(&a.at)
        });
        let mut last = from;
        let mut longest = TimeDelta::zero();
        for stir in stirs {
            longest = longest.max(stir.at - last);
            last = last.max(stir.at);
        }
        longest.max(to - last) <= STIRRED_EVERY
    }

    /// The heat that went missing while seed was stirred in, over what a usual bowl
    /// would have lost: the balance of [`crate::heat::seed`], solved for the loss.
    fn left_by_seed(&self) -> Option<f64> {
        let course = &self.actions[self.melt_ends..];
        let is_seed = |a: &&&Action| matches!(a.kind, ActionKind::SeedAdded { .. });
        let first = course.iter().find(is_seed)?.at;
        let is_end = |a: &&&Action| {
            matches!(a.kind, ActionKind::TestStarted)
                || a.kind.disturbs_cooling() && !matches!(a.kind, ActionKind::SeedAdded { .. })
        };
        let end = course.iter().find(is_end)?.at;
        let seeds: Vec<_> = course.iter().filter(|a| a.at < end).filter(is_seed).collect();
        let last = seeds.last()?.at;
        if end - last < STRETCH || end - first < SEEDED_FOR {
            return None;
        }
        let from = celsius(self.mean(first - BEFORE, first)?);
        let to = celsius(self.mean(end - BEFORE, end)?);
        let setup = self.setup;
        let family = setup.chocolate.family;
        let seed = seeds.iter().fold(Mass::default(), |sum, a| match a.kind {
            ActionKind::SeedAdded { mass } => sum + mass,
            _ => sum,
        });
        let held = setup.melted * family.heat_when_melted()
            + setup.vessel.map(|w| w.wetted_heat()).unwrap_or_default();
        let each = family.heat_when_solid() * rise(setup.seed_temp, to)
            + Family::heat_of_melting_fat() * setup.chocolate.fat * (1.0 - UNMELTED_SHARE);
        let missing = in_joules(held * rise(to, from)) - in_joules(seed * each);
        // Degrees over the room, for how long.
        let over_room: f64 = self
            .readings
            .windows(2)
            .filter(|two| two[0].0 >= first && two[1].0 <= end)
            .map(|two| {
                let middle = f64::midpoint(two[0].1, two[1].1) - in_celsius(setup.room);
                middle * (two[1].0 - two[0].0).as_seconds_f64()
            })
            .sum();
        let usual = in_watts_per_degree(loss_to_still_air(setup.melted + seed)) * over_room;
        (usual > 0.0).then(|| missing / usual)
    }
}
