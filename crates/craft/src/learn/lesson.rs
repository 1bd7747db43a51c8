//! What one bowl's record teaches.

use chrono::{DateTime, TimeDelta, Utc};

use super::settle::median;
use super::{GearNumbers, Number};
use crate::bowl::{Action, ActionKind, Record, Setup, fold, time_delta};
use crate::chocolate::Family;
use crate::heat::cooling::{CoolingFit, Point};
use crate::heat::loss_to_still_air;
use crate::heat::seed::UNMELTED_SHARE;
use crate::units::{
    Mass, Temperature, celsius, degrees, in_celsius, in_degrees, in_joules, in_joules_per_degree,
    in_seconds, in_watts, in_watts_per_degree, rise, seconds,
};

/// A record of which more than this share is doubted teaches nothing.
const MOST_DOUBTED: f64 = 0.1;
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
/// Above this no lump is left to melt, °C (*custom*).
const ALL_MELTED_C: f64 = 38.0;
/// A burst that is stirred in at once shows after this long.
const STIRRED_IN: TimeDelta = TimeDelta::seconds(8);
/// The rise after the heat is over by then.
const RISES_FOR: TimeDelta = TimeDelta::minutes(3);
/// It takes this long to show.
const RISES_AT_LEAST: TimeDelta = TimeDelta::seconds(40);
/// Seeding that tells what else took heat lasts this long, at least.
const SEEDED_FOR: TimeDelta = TimeDelta::minutes(2);
/// A burst is judged by readings up to this long before it…
const BEFORE: TimeDelta = TimeDelta::seconds(25);
/// …and in this time after it, once it is stirred in.
const AFTER: [TimeDelta; 2] = [TimeDelta::seconds(20), TimeDelta::seconds(60)];

/// What a bowl's record teaches about its gear, once its course has ended.
///
/// Nothing where the thermometer cannot be believed. Each number only where the
/// record allows it: a melt that was followed to its end, a stretch of quiet
/// cooling above the working band, a thermometer that was read.
#[must_use]
pub fn lesson(setup: &Setup, record: &Record, now: DateTime<Utc>) -> GearNumbers {
    let Some(trace) = Trace::of(setup, record, now) else { return GearNumbers::default() };
    let sane = |number: Number, value: Option<f64>| value.filter(|v| number.bounds().contain(*v));
    GearNumbers {
        cooling_ratio: sane(Number::Cooling, trace.cooling_ratio()),
        efficiency: sane(Number::Efficiency, trace.efficiency()),
        carry_over_c: sane(Number::CarryOver, trace.carry_over()),
        burst_response: sane(Number::BurstResponse, trace.burst_response()),
    }
}

/// A record's trusted readings beside its actions.
struct Trace<'a> {
    setup: &'a Setup,
    readings: Vec<(DateTime<Utc>, f64)>,
    actions: Vec<&'a Action>,
    /// Whatever is done from here on is done to molten chocolate; the number of
    /// the first such action.
    melt_ends: usize,
}

impl<'a> Trace<'a> {
    fn of(setup: &'a Setup, record: &'a Record, now: DateTime<Utc>) -> Option<Self> {
        let bowl = fold(setup, record, now);
        let readings: Vec<_> = record
            .readings()
            .iter()
            .zip(&bowl.doubts)
            .filter(|(_, doubt)| doubt.is_none())
            .map(|(reading, _)| (reading.at, in_celsius(reading.temp)))
            .collect();
        #[allow(clippy::cast_precision_loss)] // a record never has 2^52 readings
        let doubted = 1.0 - readings.len() as f64 / record.readings().len().max(1) as f64;
        if readings.is_empty() || bowl.stuck || doubted > MOST_DOUBTED {
            return None;
        }
        let actions: Vec<_> = record.actions().collect();
        let further = |action: &&Action| {
            matches!(
                action.kind,
                ActionKind::SeedAdded { .. }
                    | ActionKind::CrystalsAdded { .. }
                    | ActionKind::OnStone { .. }
                    | ActionKind::TestStarted
                    | ActionKind::Poured
                    | ActionKind::GivenUp { .. }
            )
        };
        let further = actions.iter().position(further).unwrap_or(actions.len());
        // The last time it was taken off the heat before that.
        let off = actions[..further].iter().rposition(|a| a.kind == ActionKind::OffHeat);
        let melt_ends = off.map_or(further, |off| off + 1);
        Some(Self { setup, readings, actions, melt_ends })
    }

    /// Trusted readings in a stretch of time.
    fn between(
        &self,
        from: DateTime<Utc>,
        to: DateTime<Utc>,
    ) -> impl Iterator<Item = (DateTime<Utc>, f64)> + Clone {
        self.readings.iter().copied().filter(move |(at, _)| (from..=to).contains(at))
    }

    fn mean(&self, from: DateTime<Utc>, to: DateTime<Utc>) -> Option<f64> {
        let (n, sum) = self
            .between(from, to)
            .fold((0.0, 0.0), |(n, sum), (_, temp_c)| (n + 1.0, sum + temp_c));
        (n > 0.0).then(|| sum / n)
    }

    /// What it evened out at after a burst; soon after it, where something else was
    /// done at once.
    fn settled(&self, end: DateTime<Utc>, undisturbed: DateTime<Utc>) -> Option<f64> {
        let until = undisturbed.min(end + AFTER[1]);
        self.mean(end + AFTER[0], until).or_else(|| self.mean(end + STIRRED_IN, until))
    }

    /// The burst that an action is: its start, its end, its length in seconds.
    fn burst(action: &Action) -> Option<(DateTime<Utc>, DateTime<Utc>, f64)> {
        let ActionKind::Heat { lasting: Some(lasting) } = action.kind else { return None };
        Some((action.at, action.at + time_delta(lasting), in_seconds(lasting)))
    }

    /// When the bowl is next disturbed after a time, by an action from a number on.
    fn disturbed_after(&self, number: usize, at: DateTime<Utc>) -> DateTime<Utc> {
        let next = self.actions[number..]
            .iter()
            .find(|a| a.at > at && (a.kind.disturbs_cooling() || is_crystals(&a.kind)));
        let last = self.readings.last().map_or(at, |(last, _)| *last);
        next.map_or(last, |action| action.at)
    }

    /// What is in the bowl before an action.
    fn mass_before(&self, number: usize) -> Mass {
        self.actions[..number].iter().fold(self.setup.melted, |mass, action| match action.kind {
            ActionKind::SeedAdded { mass: added } => mass + added,
            _ => mass,
        })
    }

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
    fn efficiency(&self) -> Option<f64> {
        if self.setup.method.keeps_crystals() {
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
    fn carry_over(&self) -> Option<f64> {
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

    /// How fast the bowl loses heat: by quiet cooling where there was some, else by
    /// what the seed does not account for.
    fn cooling_ratio(&self) -> Option<f64> {
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
            #[allow(clippy::cast_precision_loss)] // milliseconds within hours
            let since = |at: DateTime<Utc>| (at - first.0).num_milliseconds() as f64 / 1000.0;
            let line = points
                .iter()
                .map(|(at, temp_c)| Point { t: seconds(since(*at)), temp: celsius(*temp_c) });
            let Ok(fit) = CoolingFit::to(line, self.setup.room) else { continue };
            let mass = self.mass_before(number + 1);
            let ware = self.setup.ware.map(|w| w.wetted_heat()).unwrap_or_default();
            let held = mass * self.setup.chocolate.family.heat_when_melted() + ware;
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
            + setup.ware.map(|w| w.wetted_heat()).unwrap_or_default();
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
                #[allow(clippy::cast_precision_loss)] // milliseconds within hours
                let s = (two[1].0 - two[0].0).num_milliseconds() as f64 / 1000.0;
                middle * s
            })
            .sum();
        let usual = in_watts_per_degree(loss_to_still_air(setup.melted + seed)) * over_room;
        (usual > 0.0).then(|| missing / usual)
    }

    /// Short warmings of what was melted: the rise that showed, with what was lost
    /// to the room meanwhile, over the heat that was sent.
    fn burst_response(&self) -> Option<f64> {
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
                let gap_s = s + in_seconds(half(BEFORE)) + in_seconds(half(AFTER[0] + AFTER[1]));
                let lost = in_watts_per_degree(loss_to_still_air(mass))
                    * in_degrees(rise(self.setup.room, from))
                    * gap_s;
                Some(((after - before) * held + lost, s * in_watts(microwave.rated())))
            })
            .fold((0.0, 0.0), |(showed, sent), (j, w)| (showed + j, sent + w));
        (sent > 0.0).then(|| showed / sent)
    }
}

fn is_crystals(kind: &ActionKind) -> bool {
    matches!(kind, ActionKind::CrystalsAdded { .. })
}

fn half(time: TimeDelta) -> crate::units::Time {
    #[allow(clippy::cast_precision_loss)] // seconds
    seconds(time.num_milliseconds() as f64 / 2000.0)
}
