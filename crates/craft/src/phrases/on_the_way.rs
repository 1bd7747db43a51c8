//! From the melt to the test: the phrases in which the methods speak.

use chrono::{DateTime, TimeDelta, Utc};

use super::advice::{Advice, Alarm, Countdown, Rule};
use super::look::{Look, told};
use crate::bowl::Temper;
use crate::chocolate::Band;
use crate::heat::seed::{Amount, SeedInput};
use crate::units::{Mass, Temperature, grams, in_grams, in_seconds, minutes};

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
#[derive(Clone, Copy, Debug)]
pub struct Failure {
    /// Which of the two.
    pub rule: Rule,
    /// In words.
    pub what: &'static str,
}

impl Look<'_> {
    pub(crate) fn failure(&self) -> Option<Failure> {
        let (at, rule, what) = match self.bowl.temper {
            Temper::Gone { at } => (at, Rule::TemperLost, "Temper is gone: it was too warm."),
            Temper::NotShown { at } => (at, Rule::NotInTemper, "Not in temper: do not pour."),
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
        self.failed(
            failure,
            format!(
                "Add {:.0} g of seed and stir for two minutes, then test again",
                in_grams(more)
            ),
        )
        .seeding(more)
    }

    /// What failed, with what to do about it.
    pub(crate) fn failed(&self, failure: Failure, say: String) -> Advice {
        let w = &self.setup.chocolate.windows;
        Advice::new(
            failure.rule,
            say,
            format!(
                "{} {} now; the band is {} to {}.",
                failure.what,
                self.shown(),
                told(w.work.lo),
                told(w.work.hi)
            ),
        )
        .stop()
        .sounding(Alarm::Band)
    }

    /// The latest addition needs its time.
    pub(crate) fn still_melting_in(&self) -> Option<Advice> {
        let ready = self.bowl.went_in.last_seed? + MELTING_IN;
        (self.now < ready).then(|| {
            Advice::new(
                Rule::StirIn,
                "Keep stirring: the seed is melting in",
                "Stirring spreads the crystals. It matters as much as the number.",
            )
            .until(Some(Countdown::exact("look again", ready)))
        })
    }

    /// Crystals that went in at a time are being spread.
    pub(crate) fn spreading(&self, since: DateTime<Utc>) -> Option<Advice> {
        let ready = since + SPREADING;
        (self.now < ready).then(|| {
            Advice::new(
                Rule::Spread,
                "Stir well for two minutes",
                "The crystals must reach every corner of the bowl.",
            )
            .until(Some(Countdown::exact("stirred in", ready)))
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
        let portion = (needed.max(least) * *share).max(grams(0.0));
        let portion = grams(in_grams(portion).round());
        if !self.worth_weighing(portion) {
            return self.stir_down_or_seed_more(temp, top);
        }
        let left = self.setup.seed - self.bowl.went_in.seeded;
        let hint = if needed > left * 1.25 && left > grams(0.0) {
            format!(
                " It is warmer than planned: {:.0} g more than was held back may be needed.",
                in_grams(needed - left)
            )
        } else {
            String::new()
        };
        let ordinal = ["first", "next", "last"][number];
        Advice::new(
            Rule::AddSeed,
            format!("Add the {ordinal} {:.0} g of seed and stir", in_grams(portion)),
            format!("{} now, on the way to {}.{hint}", self.shown(), told(self.setup.target)),
        )
        .seeding(portion)
    }

    fn stir_down_or_seed_more(&self, temp: Temperature, top: Temperature) -> Advice {
        let more = self.seed_to(temp, self.setup.target).filter(|m| self.worth_weighing(*m));
        let countdown = self.countdown_to("enters the band", top);
        if self.plateau(temp).is_none()
            && let (Some(more), Some(countdown)) = (more, &countdown)
            && self.left(countdown) > minutes(LONG_WAIT_MIN)
        {
            return Advice::new(
                Rule::MoreSeed,
                format!("Add {:.0} g more seed and stir", in_grams(more)),
                format!(
                    "{} with all seed in: by itself it takes more than {LONG_WAIT_MIN:.0} min to the band.",
                    self.shown()
                ),
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
        let why = format!("{} now.", self.shown());
        self.come_down(Rule::StirDown, "enters the band", top, why)
    }

    /// Stirring until a temperature is reached, announced when that is near.
    fn come_down(&self, rule: Rule, what: &'static str, to: Temperature, why: String) -> Advice {
        let advice = Advice::new(rule, format!("Stir down to {}", told(to)), why)
            .until(self.countdown_to(what, to));
        if self.soon(to) { advice.sounding(Alarm::Band) } else { advice }
    }

    /// Above the band: stir down; in it: test; below it: warm it back first.
    pub(crate) fn on_to_the_band(&self, temp: Temperature) -> Advice {
        let work = self.setup.chocolate.windows.work;
        if temp > work.hi {
            self.stir_down(temp, work.hi)
        } else if temp < work.lo {
            self.rewarm(temp)
        } else {
            self.test_now()
        }
    }

    /// In the band: test.
    pub(crate) fn test_now(&self) -> Advice {
        let w = &self.setup.chocolate.windows;
        Advice::new(
            Rule::TestNow,
            "Test it: a smear on paper at room temperature",
            format!(
                "{} is in the working band. A number is not proof: the smear is.",
                self.shown()
            ),
        )
        .until(self.countdown_to("leaves the band", w.work.lo))
        .sounding(Alarm::Band)
    }

    /// Down to where ready crystals go in.
    pub(crate) fn stir_down_to_gate(&self, gate: Band) -> Advice {
        if let Some(advice) = self.stirring_missing() {
            return advice;
        }
        let why = format!("{} now: hotter than that, ready crystals melt away.", self.shown());
        self.come_down(Rule::CoolToGate, "crystals go in", gate.hi, why)
    }

    /// The gate is open.
    pub(crate) fn add_crystals(&self, temp: Temperature, gate: Band) -> Advice {
        let mass = self.setup.crystals;
        let when = if temp < gate.lo {
            format!("{} is under the gate: stir them in all the longer.", self.shown())
        } else {
            format!("{} is in the gate of {} to {}.", self.shown(), told(gate.lo), told(gate.hi))
        };
        Advice::new(
            Rule::AddCrystals,
            format!("Stir in {:.1} g of ready crystals", in_grams(mass)),
            when,
        )
        .with_crystals(mass)
        .sounding(Alarm::Band)
    }

    /// Nothing to temper: warm enough and not too warm is all.
    pub(crate) fn use_as_it_is(&self, temp: Temperature, band: Band) -> Advice {
        if temp > band.hi {
            return self.stir_down(temp, band.hi);
        }
        if temp < band.lo {
            let burst = self.warming_burst(temp, band.middle());
            return Advice::new(
                Rule::Rewarm,
                format!("Warm it for {:.0} s and stir", in_seconds(burst)),
                format!("{} is too cool to flow; use it from {}.", self.shown(), told(band.lo)),
            )
            .heating(burst);
        }
        Advice::new(Rule::UseNow, "Use it now", format!("{}, and nothing to temper.", self.shown()))
            .until(self.countdown_to("too cool to use", band.lo))
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
            ware: self.setup.ware,
            still_air: None,
        }
        .solve()
        .ok()
        // Whole grams: what is said is what is weighed.
        .map(|plan| grams(in_grams(plan.seed).round()))
    }
}
