//! A scripted evening at the bench.

use std::cell::Cell;

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{
    Action, ActionKind, Ahead, Bowl, Reading, Record, Seen, Setup, Source, fold, look_ahead,
};
use craft::chocolate::Family;
use craft::coach::{Advice, advise, bursts_left};
use craft::method::{Method, Run};
use craft::plan::{BowlInputs, MicrowaveInputs, bowl};
use craft::units::{Time, celsius, grams};
use uuid::Uuid;

pub struct Evening {
    pub setup: Setup,
    method: Method,
    readings: Vec<Reading>,
    actions: Vec<Action>,
    now: DateTime<Utc>,
    ids: Cell<u128>,
}

impl Evening {
    /// Dark bark in a 30 × 20 cm tray, just taken to the bench.
    pub fn new() -> Self {
        Self::of(&BowlInputs { cooling_min: Some(6.0), ..BowlInputs::alone(Family::Dark, 325.0) })
    }

    /// The same of another chocolate, by a method.
    pub fn by(method: &str, family: Family) -> Self {
        let method = Method::find(method).expect("there is such a method");
        let usual = BowlInputs::alone(family, 325.0);
        Self::of(&BowlInputs { method: Some(method), stone_c: Some(16.0), ..usual })
    }

    /// Any plan, just taken to the bench.
    pub fn of(inputs: &BowlInputs) -> Self {
        let opened = DateTime::from_timestamp(1_790_000_000, 0).expect("in range");
        let plan = bowl(inputs).expect("a plain plan");
        Self {
            setup: plan.setup(opened),
            method: plan.method,
            readings: Vec::new(),
            actions: Vec::new(),
            now: opened,
            ids: Cell::new(0),
        }
    }

    /// Two hundred grams in a strong oven, seeded and stirred: a burst would carry it too far.
    pub fn too_little_for_bursts() -> Self {
        let mut e = Self::of(&BowlInputs {
            method: Method::find("seed_down"),
            microwave: Some(MicrowaveInputs { watts: 800.0, power: 1.0 }),
            ..BowlInputs::alone(Family::Dark, 200.0)
        });
        e.read(46.0);
        e.act(ActionKind::OffHeat);
        for g in [25.0, 15.0, 10.0] {
            e.act(ActionKind::SeedAdded { mass: grams(g) });
            e.pass(80);
        }
        e.pass(130);
        e.act(ActionKind::Stirred);
        e
    }

    /// All seed in, just under the top of the band.
    pub fn seeded() -> Self {
        let mut e = Self::new();
        e.read(46.0);
        e.act(ActionKind::OffHeat);
        for g in [40.0, 27.0, 13.0] {
            e.act(ActionKind::SeedAdded { mass: grams(g) });
            e.pass(80);
        }
        e.read(31.8);
        e
    }

    /// Tested and found in temper.
    pub fn in_temper() -> Self {
        let mut e = Self::seeded();
        e.act(ActionKind::TestStarted);
        e.pass(150);
        e.act(ActionKind::TestSeen { seen: Seen::EvenSatin, dull_for: None });
        e.read(31.6);
        e
    }

    pub fn now(&self) -> DateTime<Utc> {
        self.now
    }

    fn id(&self) -> Uuid {
        self.ids.set(self.ids.get() + 1);
        Uuid::from_u128(self.ids.get())
    }

    pub fn pass(&mut self, s: i64) {
        self.now += TimeDelta::seconds(s);
    }

    /// A reading, ten seconds on.
    pub fn read(&mut self, c: f64) {
        self.pass(10);
        self.read_at_once(c);
    }

    pub fn read_at_once(&mut self, c: f64) {
        self.said(c, Source::Hand);
    }

    /// What the thermometer sends, five seconds on.
    pub fn sends(&mut self, c: f64) {
        self.pass(5);
        self.said(c, Source::Probe);
    }

    /// What a second thermometer at the edge sends, a second on.
    pub fn sends_at_edge(&mut self, c: f64) {
        self.pass(1);
        self.said(c, Source::Edge);
    }

    fn said(&mut self, c: f64, source: Source) {
        let reading = Reading { id: self.id(), at: self.now, temp: celsius(c), source };
        self.readings.push(reading);
    }

    /// A reading every five seconds for `s` seconds, falling 0.4 °C a minute.
    pub fn fall_from(&mut self, c: f64, s: i32) {
        for t in (0..s).step_by(5) {
            self.pass(5);
            self.read_at_once(c - 0.4 / 60.0 * f64::from(t));
        }
    }

    pub fn act(&mut self, kind: ActionKind) {
        self.pass(1);
        self.actions.push(Action { id: self.id(), at: self.now, kind });
    }

    pub fn record(&self) -> Record {
        Record::new(self.readings.clone(), self.actions.clone())
    }

    pub fn bowl(&self) -> Bowl {
        fold(&self.setup, &self.record(), self.now)
    }

    /// The bursts that are left of the melt.
    pub fn bursts_left(&self) -> Vec<Time> {
        let ahead = self.ahead();
        bursts_left(&self.setup, &self.bowl(), &ahead, &self.advice(), self.now)
    }

    pub fn ahead(&self) -> Ahead {
        look_ahead(&self.setup, &self.record(), &self.bowl())
    }

    pub fn advice(&self) -> Advice {
        let (bowl, ahead) = (self.bowl(), self.ahead());
        let run = Run { setup: self.setup.clone(), method: self.method };
        advise(&run, &bowl, &ahead, self.now)
    }
}
