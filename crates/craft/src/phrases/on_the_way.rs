//! From the melt to the test: the phrases in which the methods speak.

use chrono::{DateTime, TimeDelta, Utc};

use super::advice::{Advice, Alarm, Countdown, Rule};
use super::context::CoachContext;
use crate::bowl::Temper;
use crate::catalogue::bench as say;
use crate::chocolate::Band;
use crate::heat::seed::{Amount, SeedInput, weighed_additions};
use crate::message::Message;
use crate::units::{Mass, Temperature, grams, in_grams, minutes};

/// How long an addition takes to melt, stirred.
const MELTING_IN: TimeDelta = TimeDelta::seconds(75);
/// How long fresh crystals are to be stirred in.
const SPREADING: TimeDelta = TimeDelta::seconds(120);
/// Farther from the band than this with all seed in, more seed is the better way.
const LONG_WAIT_MIN: f64 = 8.0;
/// Each addition as a share of what is still needed: half, then two thirds of
/// the rest, then the rest.
const OF_WHAT_IS_NEEDED: [f64; 3] = [1.0 / 2.0, 2.0 / 3.0, 1.0];
/// However cool it is already, this share of the melted mass must go in as
/// seed: without it there are too few crystals (*custom*).
const LEAST_SHARE: f64 = 0.06;
/// Fresh crystals for a bowl that is in the band and yet not in temper, as a
/// share of what was melted (*custom*).
const PINCH_SHARE: f64 = 0.03;
/// Less seed than this share of the melted mass is not worth weighing…
const NOT_WORTH_SHARE: f64 = 0.01;
/// …nor less than this, g.
const LEAST_SEED_G: f64 = 1.0;

/// Temper was lost, or a test did not show it, and nothing was done about it yet.
#[derive(Clone, Debug)]
pub struct Failure {
    /// Which of the two.
    pub rule: Rule,
    /// In words.
    pub what: Message,
}

impl CoachContext<'_> {
    pub(crate) fn failure(&self) -> Option<Failure> {
        let (at, rule, what) = match self.bowl.temper {
            Temper::Gone { at } => (at, Rule::TemperLost, say::temper_is_gone()),
            Temper::NotShown { at } => (at, Rule::NotInTemper, say::not_in_temper()),
            Temper::Untested | Temper::Shown { .. } => return None,
        };
        let bowl = self.bowl;
        let done = [
            bowl.went_in.last_seed,
            bowl.went_in.crystals_in.map(|(at, _)| at),
            bowl.went_in.on_stone.map(|(at, _)| at),
            bowl.went_in.returned,
        ];
        let nothing_done = done.into_iter().flatten().all(|done| done <= at);
        nothing_done.then_some(Failure { rule, what })
    }

    /// The usual way out of a failure: fresh seed.
    pub(crate) fn seed_again(&self, temp: Temperature, failure: Failure) -> Advice {
        let pinch = (in_grams(self.in_the_bowl()) * PINCH_SHARE).round().max(LEAST_SEED_G);
        // In the band already, it takes a pinch of fresh crystals at the least.
        let more = self.seed_to(temp, self.setup.chocolate.windows.seed_target());
        let more = more.unwrap_or_default().max(grams(pinch));
        self.failed(failure, say::seed_again(more)).seeding(more)
    }

    /// What failed, with what to do about it.
    pub(crate) fn failed(&self, failure: Failure, say: Message) -> Advice {
        let w = &self.setup.chocolate.windows;
        Advice::new(failure.rule, say, say::failed_why(failure.what, self.shown(), w.work))
            .stop()
            .sounding(Alarm::Band)
    }

    /// What failed in a bowl that is too cold: nothing that is added melts in or spreads
    /// there, so it is warmed first.
    pub(crate) fn failed_cold(&self, temp: Temperature, failure: Failure) -> Advice {
        let work = self.setup.chocolate.windows.work;
        let why = say::failed_cold_why(failure.what, self.shown(), work.lo, self.setup.melt_to);
        let warm = self.warm_back(temp, failure.rule, say::under_the_band());
        Advice { why, ..warm }.stop().sounding(Alarm::Band)
    }

    /// The latest addition needs its time: to melt in, or in the band and under it, where
    /// seed does not melt, to spread.
    pub(crate) fn still_melting_in(&self) -> Option<Advice> {
        let added = self.bowl.went_in.last_seed?;
        if self.temp().is_some_and(|temp| temp <= self.setup.chocolate.windows.work.hi) {
            return self.spreading(added);
        }
        let ready = added + MELTING_IN;
        (self.now < ready).then(|| {
            Advice::new(Rule::StirIn, say::stir_in(), say::stir_in_why())
                .until(Some(Countdown::exact(say::look_again(), ready)))
        })
    }

    /// Crystals that went in at a time are being spread.
    pub(crate) fn spreading(&self, since: DateTime<Utc>) -> Option<Advice> {
        let ready = since + SPREADING;
        (self.now < ready).then(|| {
            Advice::new(Rule::Spread, say::spread(), say::spread_why())
                .until(Some(Countdown::exact(say::stirred_in(), ready)))
        })
    }

    /// Down by seed: the next addition, sized from what the thermometer says, or
    /// stirring where all is in.
    pub(crate) fn seed_down(&self, temp: Temperature, top: Temperature) -> Advice {
        let number = self.bowl.went_in.additions;
        let Some(share) = OF_WHAT_IS_NEEDED.get(number) else {
            return self.stir_down_or_seed_more(temp, top);
        };
        let needed = self.seed_to(temp, self.setup.target).unwrap_or_default();
        let least = self.in_the_bowl() * LEAST_SHARE - self.bowl.went_in.seeded;
        let pinch = self.is_a_pinch();
        // A pinch is not divided: all of it goes in at once.
        let share = if pinch { 1.0 } else { *share };
        let portion = (needed.max(least) * share).max(grams(0.0));
        let portion =
            if pinch { self.setup.scale.shows(portion) } else { grams(in_grams(portion).round()) };
        if pinch && number == 0 && portion > grams(0.0) {
            let why = say::add_seed_why(self.shown(), self.setup.target);
            return Advice::new(Rule::AddSeed, say::add_pinch(portion), why).seeding(portion);
        }
        if !self.worth_weighing(portion) {
            return self.stir_down_or_seed_more(temp, top);
        }
        let left = self.setup.seed - self.bowl.went_in.seeded;
        let say = [say::add_first_seed, say::add_next_seed, say::add_last_seed][number](portion);
        let why = if needed > left * 1.25 && left > grams(0.0) {
            say::add_seed_warmer_why(self.shown(), self.setup.target, needed - left)
        } else {
            say::add_seed_why(self.shown(), self.setup.target)
        };
        Advice::new(Rule::AddSeed, say, why).seeding(portion)
    }

    fn stir_down_or_seed_more(&self, temp: Temperature, top: Temperature) -> Advice {
        let more = self.seed_to(temp, self.setup.target).filter(|m| self.worth_weighing(*m));
        let countdown = self.countdown_to(say::enters_band(), top);
        if self.plateau(temp).is_none()
            && let (Some(more), Some(countdown)) = (more, &countdown)
            && self.left(countdown) > minutes(LONG_WAIT_MIN)
        {
            return Advice::new(
                Rule::MoreSeed,
                say::more_seed(more),
                say::more_seed_why(self.shown(), minutes(LONG_WAIT_MIN)),
            )
            .seeding(more)
            .until(Some(countdown.clone()));
        }
        self.stir_down(temp, top)
    }

    /// Down by stirring.
    pub(crate) fn stir_down(&self, temp: Temperature, top: Temperature) -> Advice {
        if let Some(advice) = self.plateau(temp).or_else(|| self.stirring_missing()) {
            return advice;
        }
        let why = say::now(self.shown());
        self.come_down(Rule::StirDown, say::enters_band(), top, why)
    }

    /// Stirring until a temperature is reached, announced when that is near.
    pub(super) fn come_down(
        &self,
        rule: Rule,
        what: Message,
        to: Temperature,
        why: Message,
    ) -> Advice {
        let advice =
            Advice::new(rule, say::stir_down_to(to), why).until(self.countdown_to(what, to));
        if self.soon(to) { advice.sounding(Alarm::Band) } else { advice }
    }

    /// Above the band: stir down; in it: test; below it: warm it back first.
    pub(crate) fn on_to_the_band(&self, temp: Temperature) -> Advice {
        let work = self.setup.chocolate.windows.work;
        if temp > work.hi {
            self.stir_down(temp, work.hi)
        } else if self.needs_warming(temp, work.lo) {
            self.rewarm(temp)
        } else {
            self.test_now()
        }
    }

    /// In the band: test.
    pub(crate) fn test_now(&self) -> Advice {
        let w = &self.setup.chocolate.windows;
        let why = match self.temp() {
            _ if self.was_tested_cold() => say::test_again_warm_why(self.shown()),
            Some(temp) if temp < w.work.lo => say::test_now_low_why(self.shown(), w.work.lo),
            _ => say::test_now_why(self.shown()),
        };
        Advice::new(Rule::TestNow, say::test_now(), why)
            .until(self.countdown_to(say::leaves_band(), w.work.lo))
            .sounding(Alarm::Band)
    }

    /// The gate is open.
    pub(crate) fn add_crystals(&self, temp: Temperature, gate: Band) -> Advice {
        let mass = self.setup.scale.shows(self.setup.crystals);
        let when = if temp < gate.lo {
            say::under_the_gate(self.shown())
        } else {
            say::in_the_gate(self.shown(), gate)
        };
        Advice::new(Rule::AddCrystals, say::add_crystals(mass), when)
            .with_crystals(mass)
            .sounding(Alarm::Band)
    }

    /// Nothing to temper: warm enough and not too warm is all.
    pub(crate) fn use_as_it_is(&self, temp: Temperature, band: Band) -> Advice {
        if temp > band.hi {
            return self.stir_down(temp, band.hi);
        }
        if temp < band.lo {
            let warming = self.warming(temp, band.middle());
            let say = self.said_of(warming, say::warm_to_flow, say::warm_to_flow_gently);
            let why = say::warm_to_flow_why(self.shown(), band.lo);
            return Advice::new(Rule::Rewarm, say, why).warming(warming);
        }
        Advice::new(Rule::UseNow, say::use_now(), say::use_now_why(self.shown()))
            .until(self.countdown_to(say::too_cool_to_use(), band.lo))
    }

    /// Whether its seed is so little that it is not divided.
    fn is_a_pinch(&self) -> bool {
        weighed_additions(self.setup.seed, self.setup.scale).len() == 1
    }

    /// What is in the bowl, seed included.
    pub(crate) fn in_the_bowl(&self) -> Mass {
        self.setup.melted + self.bowl.went_in.seeded
    }

    fn worth_weighing(&self, seed: Mass) -> bool {
        seed >= grams(LEAST_SEED_G) && seed >= self.in_the_bowl() * NOT_WORTH_SHARE
    }

    /// The seed that brings what is in the bowl now to a target.
    fn seed_to(&self, temp: Temperature, target: Temperature) -> Option<Mass> {
        SeedInput {
            chocolate: &self.setup.chocolate,
            amount: Amount::Melted(self.in_the_bowl()),
            melted: temp,
            target,
            seed: self.setup.seed_temp,
            vessel: self.setup.vessel,
            still_air: None,
        }
        .solve()
        .ok()
        // Whole grams: what is said is what is weighed.
        .map(|plan| grams(in_grams(plan.seed).round()))
    }
}
