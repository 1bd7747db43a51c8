//! The least that a bowl can take: somebody who sees into the pot, with the same
//! hands, and works as the handbook has it (bursts that get shorter, seed in
//! three additions). Plays the pot itself, without readings, coach or test, and
//! keeps the fastest of some ways to go about it.

use craft::bowl::{ActionKind, Setup};
use craft::chocolate::Band;
use craft::heat::seed::ADDITIONS;
use craft::method::{Method, Run, gate};
use craft::pot::{Condition, Pot, Quirks};
use craft::units::{Mass, Temperature, celsius, degrees, grams, in_celsius, in_grams, seconds};

use crate::scenario::Scenario;

/// No longer than this, s.
const LONGEST_S: f64 = 7_200.0;
/// What seed, crystals or the part on the stone are tried at, as a share of the plan.
const SHARES: [f64; 5] = [0.8, 1.0, 1.2, 1.4, 1.7];
/// Bursts that are tried, s: the longest that goes.
const BURSTS_S: [f64; 7] = [30.0, 20.0, 15.0, 10.0, 5.0, 3.0, 1.0];

/// The least that the bowl of a scenario can take until it is in temper and in
/// its band, s.
pub fn least(scenario: &Scenario) -> Option<f64> {
    let (least, most) = scenario.how.delay_s;
    let delay = (least + most) as f64 / 2.0;
    SHARES
        .into_iter()
        .filter_map(|share| Hands::new(&scenario.run, &scenario.how.quirks, delay, share).go())
        .min_by(f64::total_cmp)
}

struct Hands<'a> {
    setup: &'a Setup,
    method: Method,
    band: Band,
    delay: f64,
    share: f64,
    pot: Pot,
    passed: f64,
}

impl<'a> Hands<'a> {
    fn new(run: &'a Run, quirks: &Quirks, delay: f64, share: f64) -> Self {
        let setup = &run.setup;
        let pot = Pot::with_quirks(setup, quirks);
        Self { setup, method: run.method, band: setup.use_band(), delay, share, pot, passed: 0.0 }
    }

    fn go(mut self) -> Option<f64> {
        self.melt()?;
        match self.method.about().key {
            "seed_down" => self.seed()?,
            "seed_down_and_up" => {
                self.seed()?;
                let cool = self.setup.chocolate.windows.cool?;
                self.stir_until(|pot| pot.temperature() <= cool.hi)?;
                while self.temp() < self.band.lo {
                    self.burst(self.band.hi)?;
                }
            }
            "slab" => {
                let mass = self.part(self.setup.melted * 0.67);
                self.act(ActionKind::OnStone { mass });
                let cool = self.setup.chocolate.windows.cool?;
                self.stir_until(|pot| pot.on_stone().is_none_or(|temp| temp <= cool.hi))?;
                self.act(ActionKind::OffStone);
            }
            "ready_crystals" => {
                let gate = gate(&self.setup.chocolate)?;
                self.stir_until(|pot| pot.temperature() <= gate.hi)?;
                self.act(ActionKind::CrystalsAdded { mass: self.part(self.setup.crystals) });
            }
            _ => {}
        }
        let (band, tested) = (self.band, self.setup.course.is_tested);
        self.stir_until(|pot| is_ready(pot, band, tested))?;
        Some(self.passed)
    }

    /// In three additions, each when the one before has melted in.
    fn seed(&mut self) -> Option<()> {
        for share in ADDITIONS {
            let mass = self.part(self.setup.seed) * share;
            self.act(ActionKind::SeedAdded { mass });
            self.stir_until(|pot| pot.unmelted() < grams(2.0))?;
        }
        Some(())
    }

    fn part(&self, of: Mass) -> Mass {
        grams(in_grams(of * self.share).max(0.1))
    }

    fn temp(&self) -> Temperature {
        self.pot.temperature()
    }

    /// Until nothing is solid and every crystal that is not wanted is gone.
    fn melt(&mut self) -> Option<()> {
        let from = self.setup.melted_from();
        let most = if self.setup.course.keeps_crystals {
            self.setup.melt_to
        } else {
            // Every degree more has to be cooled away again.
            from + degrees(1.0)
        };
        let keeps = self.setup.course.keeps_crystals;
        let melted =
            |pot: &Pot| pot.temperature() >= from && (keeps || pot.unmelted() < grams(1.0));
        if self.setup.microwave.is_none() || self.setup.course.softened_in.is_some() {
            self.act(ActionKind::Heat { lasting: None });
            self.stir_until(|pot| pot.temperature() >= from)?;
            self.act(ActionKind::OffHeat);
            return if keeps {
                Some(())
            } else {
                self.stir_until(|pot| pot.unmelted() < grams(1.0))
            };
        }
        while !melted(&self.pot) {
            self.burst(most)?;
        }
        self.act(ActionKind::OffHeat);
        Some(())
    }

    /// The longest burst, shorter toward the end, that stays under a temperature once it is stirred in;
    /// where even the shortest goes over, a while of stirring.
    fn burst(&mut self, most: Temperature) -> Option<()> {
        let fits = |s: &f64| {
            let mut tried = self.pot.clone();
            tried.act(&ActionKind::Heat { lasting: Some(seconds(*s)) });
            tried.wait(*s);
            tried.act(&ActionKind::Stirred);
            tried.wait(5.0);
            tried.temperature() <= most
        };
        let left = in_grams(self.pot.unmelted()) / in_grams(self.setup.melted);
        let most_s = if left > 0.33 { 30.0 } else { 15.0 };
        match BURSTS_S.into_iter().filter(|s| *s <= most_s).find(fits) {
            Some(s) => {
                self.act(ActionKind::Heat { lasting: Some(seconds(s)) });
                self.wait(s);
                self.act(ActionKind::Stirred);
            }
            None => self.act(ActionKind::Stirred),
        }
        self.wait(5.0);
        (self.passed < LONGEST_S).then_some(())
    }

    /// The hand gets there, and does it.
    fn act(&mut self, kind: ActionKind) {
        self.wait(self.delay);
        self.pot.act(&kind);
    }

    fn wait(&mut self, s: f64) {
        self.pot.wait(s);
        self.passed += s;
    }

    fn stir_until(&mut self, done: impl Fn(&Pot) -> bool) -> Option<()> {
        while !done(&self.pot) {
            if self.passed % 20.0 < 2.0 {
                self.pot.act(&ActionKind::Stirred);
            }
            self.wait(2.0);
            if self.passed > LONGEST_S || self.temp() < celsius(in_celsius(self.band.lo) - 8.0) {
                return None;
            }
        }
        Some(())
    }
}

/// In its band, and in temper where that is wanted.
pub fn is_ready(pot: &Pot, band: Band, tested: bool) -> bool {
    let temp = pot.temperature();
    let tempered = matches!(pot.condition(), Condition::InTemper | Condition::OverSeeded);
    temp <= band.hi && temp >= band.lo && (tempered || !tested)
}
