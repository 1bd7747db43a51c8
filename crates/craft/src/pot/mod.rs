//! A pot of chocolate: what the simulated thermometer measures, and what a
//! simulated smear shows.
//!
//! Three lumps exchange heat: what is liquid, what is still solid (the block at
//! first, seed later), and the wetted part of the bowl. Solids warm to where
//! they give way and then melt, and a little of them comes loose as form V; the
//! bowl and the surface lose heat to the air; the crystals in what is liquid
//! follow [`crate::crystal`]. What is worked on a stone is a pot's fourth lump.

mod flow;
mod maker;
mod probe;

pub use maker::{Evening, Glance, Mishap, Told, TooSoon, evening, evening_watched};
pub use probe::Probe;

use ode_solvers::{Dopri5, OutputType};

use crate::bowl::{ActionKind, Setup, cool_water};
use crate::chocolate::{Chocolate, Family};
use crate::crystal::film::Film;
use crate::crystal::{Crystals, Smear};
use crate::heat::microwave::EFFICIENCY;
use crate::heat::{GentleHeat, IN_WATER, loss_to_still_air, warm_water};
use crate::units::{
    Mass, Temperature, celsius, grams, in_celsius, in_grams, in_joules_per_degree,
    in_joules_per_gram, in_seconds, in_watts, in_watts_per_degree,
};
use flow::{
    BOWL_C, Flow, LIQUID_C, READY_G, SOLID_C, SOLID_G, STABLE_G, Solids, State, Stuff, UNSTABLE_G,
};

/// How long one "stirred" goes on acting, s.
const STIR_S: f64 = 25.0;
/// A water bath, W: barely simmering, through the bowl of an evening's chocolate.
const WATER_BATH_W: f64 = 130.0;
/// As warm as its steam, °C: nothing over it gets warmer.
const STEAM_C: f64 = 95.0;
/// What the steam passes on at the most, W/K: it matters only near its own warmth.
const STEAM_W_K: f64 = 4.0;
/// Less than this touches less of the bowl, and takes up less, g.
const FILLS_BOWL_G: f64 = 250.0;
/// Warm hands or lukewarm water round a bottle: as warm, and letting so much through.
const LUKEWARM_C: f64 = 35.0;
const LUKEWARM_W_K: f64 = 1.5;
/// A heating pad at its lowest, a cloth between: as warm, and letting so much through (*custom*).
const PAD_C: f64 = 42.0;
const PAD_W_K: f64 = 0.45;
/// A stone takes this much from chocolate that is worked on it, W/K for each
/// gram (*custom*: a few millimetres thick, moved all the time).
const STONE_TAKES: f64 = 0.012;
/// Crystals form where it touches the stone: this share of the way from its own
/// temperature to the stone's.
const SKIN_ON_STONE: f64 = 0.42;
/// A slab that was poured loses heat this many times faster than the bowl.
const POURED_LOSES: f64 = 8.0;
/// Tolerances of the integration, relative and absolute (°C and g).
const TOLERANCE: (f64, f64) = (1e-4, 1e-4);
/// The longest step, s: a thermometer looks more often.
const LONGEST_STEP_S: f64 = 5.0;
/// So far over the limit it is burnt, °C.
const SCORCHES_OVER_LIMIT_C: f64 = 2.0;
/// Of the fat this much must be form V for a temper that shows.
const LEAST_STABLE: f64 = 0.0006;
/// With more crystals than this it is thick: a share of what form V reaches in
/// the middle of the working band.
const THICK: f64 = 0.82;

/// Heat as it goes in.
#[derive(Clone, Copy, Debug, PartialEq)]
enum Source {
    None,
    /// Microwave: seconds left.
    Burst {
        left_s: f64,
    },
    WaterBath,
    Lukewarm,
    /// A hair dryer on low: seconds left.
    Dryer {
        left_s: f64,
    },
    /// Stood in warm water: seconds left.
    WarmWater {
        left_s: f64,
    },
}

impl Source {
    /// The seconds that are left of it, where it ends by itself.
    fn left_s(&mut self) -> Option<&mut f64> {
        match self {
            Self::Burst { left_s } | Self::Dryer { left_s } | Self::WarmWater { left_s } => {
                Some(left_s)
            }
            Self::None | Self::WaterBath | Self::Lukewarm => None,
        }
    }
}

/// How a kitchen differs from what is usual: what is to be learned of it.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Quirks {
    /// The share of the microwave's heat that arrives.
    pub efficiency: f64,
    /// How many times as fast the bowl loses heat.
    pub loses: f64,
    /// The heat of melting of its fat, J/g.
    pub heat_of_fat: f64,
    /// How much later than its melting curve has it a lump gives way, °C.
    pub melts_late_c: f64,
    /// How long its thermometer takes to see most of a change, s.
    pub probe_lag_s: f64,
}

impl Default for Quirks {
    fn default() -> Self {
        Self {
            efficiency: EFFICIENCY,
            loses: 1.0,
            heat_of_fat: in_joules_per_gram(Family::heat_of_melting_fat()),
            melts_late_c: 0.0,
            probe_lag_s: Probe::USUAL_LAG_S,
        }
    }
}

/// How a pot stands, as nobody at the bench can see it.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Condition {
    /// Burnt: nothing saves it.
    Scorched,
    /// Too little form V.
    NotInTemper,
    /// In temper.
    InTemper,
    /// In temper, and thick: too many crystals.
    OverSeeded,
}

/// A simulated pot. Numbers are kept bare (°C, g, J, s): this is the inside of
/// a model, stepped thousands of times.
#[derive(Clone, Debug)]
pub struct Pot {
    chocolate: Chocolate,
    stuff: Stuff,
    solids: Solids,
    state: State,
    total_g: f64,
    on_stone: Option<(f64, Film)>,
    bowl_j_k: f64,
    room_c: f64,
    seed_c: f64,
    stone_c: f64,
    power_w: f64,
    loses: f64,
    /// Whether it is warmed by hands or in lukewarm water.
    by_hand: bool,
    source: Source,
    stirred_left_s: f64,
    in_water: bool,
    on_pad: bool,
    poured: bool,
    scorched: bool,
}

impl Pot {
    /// The pot of a bowl just taken to the bench: all solid, at the seed's
    /// temperature.
    #[must_use]
    pub fn new(setup: &Setup) -> Self {
        let start_c = in_celsius(setup.seed_temp);
        let total_g = in_grams(setup.melted);
        let mut state = State::zeros();
        state[LIQUID_C] = start_c;
        state[SOLID_C] = start_c;
        state[BOWL_C] = start_c;
        state[SOLID_G] = total_g;
        Self {
            chocolate: setup.chocolate.clone(),
            stuff: Stuff::of(&setup.chocolate),
            solids: Solids::Block { melts_late_c: 0.0 },
            state,
            total_g,
            on_stone: None,
            bowl_j_k: setup.vessel.map_or(0.0, |w| in_joules_per_degree(w.wetted_heat())),
            room_c: in_celsius(setup.room),
            seed_c: start_c,
            stone_c: in_celsius(setup.stone),
            power_w: setup.microwave.map_or(WATER_BATH_W, |m| in_watts(m.rated()) * EFFICIENCY),
            loses: 1.0,
            by_hand: setup.course.softened_in.is_some(),
            source: Source::None,
            stirred_left_s: 0.0,
            in_water: false,
            on_pad: false,
            poured: false,
            scorched: false,
        }
    }

    /// The same in a kitchen that is not the usual one.
    #[must_use]
    pub fn with_quirks(setup: &Setup, quirks: &Quirks) -> Self {
        let mut pot = Self::new(setup);
        if setup.microwave.is_some() {
            pot.power_w *= quirks.efficiency / EFFICIENCY;
        }
        pot.loses = quirks.loses;
        pot.stuff.heat_of_fat = quirks.heat_of_fat;
        pot.solids = Solids::Block { melts_late_c: quirks.melts_late_c };
        pot
    }

    /// Does to the pot what the maker did.
    pub fn act(&mut self, kind: &ActionKind) {
        match kind {
            ActionKind::Dryer { lasting } => {
                self.source = Source::Dryer { left_s: in_seconds(*lasting) };
                self.in_water = false;
            }
            ActionKind::InWarmWater { lasting } => {
                self.source = Source::WarmWater { left_s: in_seconds(*lasting) };
                self.in_water = false;
            }
            ActionKind::OnPad => {
                self.on_pad = true;
                self.in_water = false;
            }
            ActionKind::OffPad => self.on_pad = false,
            ActionKind::OnCoolWater => {
                self.source = Source::None;
                self.in_water = true;
                self.on_pad = false;
            }
            ActionKind::OffCoolWater => self.in_water = false,
            ActionKind::Heat { lasting: Some(lasting) } => {
                self.on_pad = false;
                self.source = Source::Burst { left_s: in_seconds(*lasting) };
                self.in_water = false;
            }
            ActionKind::Heat { lasting: None } => {
                self.on_pad = false;
                self.source = if self.by_hand { Source::Lukewarm } else { Source::WaterBath };
                self.in_water = false;
            }
            ActionKind::OffHeat => self.source = Source::None,
            ActionKind::Stirred | ActionKind::ColourIn | ActionKind::Strained => {
                self.stirred_left_s = STIR_S;
            }
            ActionKind::SeedAdded { mass } => {
                self.source = Source::None;
                self.stirred_left_s = 3.0 * STIR_S;
                self.add_solid(in_grams(*mass));
            }
            ActionKind::CrystalsAdded { mass } => self.add_ready_crystals(*mass),
            ActionKind::OnStone { mass } => self.pour_on_stone(*mass),
            ActionKind::OffStone => self.return_from_stone(),
            ActionKind::Poured => {
                self.poured = true;
                self.on_pad = false;
            }
            ActionKind::TooThick
            | ActionKind::TestStarted
            | ActionKind::TestSeen { .. }
            | ActionKind::GivenUp { .. }
            | ActionKind::Undone { .. }
            | ActionKind::AmountCorrected { .. }
            | ActionKind::ReadingWithdrawn { .. } => {}
        }
    }

    fn add_solid(&mut self, added: f64) {
        self.solids = Solids::Seed;
        let solid = self.state[SOLID_G].max(0.0);
        let all = solid + added;
        if all > 0.0 {
            self.state[SOLID_C] = (solid * self.state[SOLID_C] + added * self.seed_c) / all;
            self.state[SOLID_G] = all;
            self.total_g += added;
        }
    }

    /// Puts ready crystals in and stirs: all of their fat is form V.
    fn add_ready_crystals(&mut self, mass: Mass) {
        self.state[READY_G] += in_grams(mass);
        self.total_g += in_grams(mass);
        self.stirred_left_s = STIR_S;
    }

    /// Pours a part of what is liquid on a stone and works it there.
    fn pour_on_stone(&mut self, mass: Mass) {
        let liquid = Flow::liquid_g(self.total_g, &self.state);
        let out = in_grams(mass).min(0.9 * liquid);
        let crystals = self.crystals();
        let kept = 1.0 - out / liquid;
        self.state[UNSTABLE_G] *= kept;
        self.state[STABLE_G] *= kept;
        self.state[READY_G] *= kept;
        self.total_g -= out;
        let film = Film {
            kinetics: self.stuff.kinetics,
            temp_c: self.state[LIQUID_C],
            crystals,
            around_c: self.stone_c,
            to_around: STONE_TAKES * out,
            heat_held: out * self.stuff.c_liquid,
            heat_of_setting: out * self.stuff.fat * self.stuff.heat_of_fat,
            stirring: 1.0,
            skin: SKIN_ON_STONE,
        };
        self.on_stone = Some((out, film));
    }

    /// Returns what is on the stone and stirs it in.
    fn return_from_stone(&mut self) {
        let Some((back, film)) = self.on_stone.take() else { return };
        let liquid = Flow::liquid_g(self.total_g, &self.state);
        self.state[LIQUID_C] =
            (liquid * self.state[LIQUID_C] + back * film.temp_c) / (liquid + back);
        self.state[UNSTABLE_G] += film.crystals.unstable * back * self.stuff.fat;
        self.state[STABLE_G] += film.crystals.stable * back * self.stuff.fat;
        self.total_g += back;
        self.stirred_left_s = 3.0 * STIR_S;
    }

    /// The temperature of what is on the stone.
    #[must_use]
    pub fn on_stone(&self) -> Option<Temperature> {
        self.on_stone.map(|(_, film)| celsius(film.temp_c))
    }

    /// Lets time pass.
    pub fn wait(&mut self, seconds: f64) {
        let mut left = seconds;
        while left > 0.0 {
            // Nothing is switched on or off within a stretch.
            let mut stretch = left;
            if let Some(left_s) = self.source.left_s() {
                stretch = stretch.min(*left_s);
            }
            if self.stirred_left_s > 0.0 {
                stretch = stretch.min(self.stirred_left_s);
            }
            // What water gives follows how warm it has become.
            let in_warm = matches!(
                self.source,
                Source::WaterBath | Source::Lukewarm | Source::WarmWater { .. }
            );
            if in_warm || self.on_pad {
                stretch = stretch.min(LONGEST_STEP_S);
            }
            self.flow(stretch);
            if let Some(left_s) = self.source.left_s() {
                *left_s -= stretch;
                if *left_s <= 0.0 {
                    self.source = Source::None;
                }
            }
            self.stirred_left_s = (self.stirred_left_s - stretch).max(0.0);
            left -= stretch;
        }
    }

    fn flow(&mut self, lasting_s: f64) {
        let (into_chocolate_w, into_bowl_w) = match self.source {
            Source::None => (0.0, 0.0),
            Source::Burst { .. } => (self.power_w, 0.0),
            Source::Dryer { .. } => (GentleHeat::DRYER_W, 0.0),
            Source::WarmWater { .. } => {
                let cooler = in_celsius(warm_water()) - in_celsius(self.temperature());
                let lets_through =
                    in_watts_per_degree(loss_to_still_air(grams(self.total_g))) * IN_WATER;
                (lets_through * cooler.max(0.0), 0.0)
            }
            Source::WaterBath if self.bowl_j_k > 0.0 => (0.0, self.bath_gives_w()),
            Source::WaterBath => (self.bath_gives_w(), 0.0),
            Source::Lukewarm => {
                let cooler = LUKEWARM_C - in_celsius(self.temperature());
                (LUKEWARM_W_K * cooler.max(0.0), 0.0)
            }
        };
        let warmer = PAD_C - in_celsius(self.temperature());
        let pad_w = if self.on_pad { PAD_W_K * warmer.max(0.0) } else { 0.0 };
        let into_chocolate_w = into_chocolate_w + pad_w;
        let loses = match (self.poured, self.in_water) {
            (true, _) => POURED_LOSES,
            (false, true) => IN_WATER * self.loses,
            (false, false) => self.loses,
        };
        let around_c = if self.in_water { in_celsius(cool_water()) } else { self.room_c };
        let flow = Flow {
            stuff: self.stuff,
            solids: self.solids,
            total_g: self.total_g,
            bowl_j_k: self.bowl_j_k,
            room_c: around_c,
            to_air: in_watts_per_degree(loss_to_still_air(grams(self.total_g))) * loses,
            stirring: if self.stirred_left_s > 0.0 { 1.0 } else { 0.0 },
            into_chocolate_w,
            into_bowl_w,
        };
        let (relative, absolute) = TOLERANCE;
        let mut solver = Dopri5::from_param(
            flow,
            0.0,
            lasting_s,
            1.0,
            self.state,
            relative,
            absolute,
            0.9,
            0.04,
            0.2,
            10.0,
            LONGEST_STEP_S,
            // Nothing is at rest for long: the first step may be a fair one.
            lasting_s.min(1.0),
            100_000,
            100_000,
            OutputType::Sparse,
        );
        // Every rate is bounded, so it cannot run away. Should a step fail all
        // the same, what was reached before it stands.
        let _ = solver.integrate();
        if let Some(end) = solver.y_out().last() {
            self.state = *end;
        }
        for amount in [SOLID_G, UNSTABLE_G, STABLE_G, READY_G] {
            self.state[amount] = self.state[amount].max(0.0);
        }
        let scorches = in_celsius(self.chocolate.windows.limit) + SCORCHES_OVER_LIMIT_C;
        self.scorched |= self.state[LIQUID_C] > scorches;
        if let Some((_, film)) = &mut self.on_stone {
            *film = film.after(lasting_s);
        }
    }

    /// What a water bath gives: by what of the bowl is touched, and never past the
    /// warmth of its steam.
    fn bath_gives_w(&self) -> f64 {
        let touched = (self.total_g / FILLS_BOWL_G).min(1.0).powf(2.0 / 3.0);
        let warmest_c = self.state[LIQUID_C].max(self.state[BOWL_C]);
        touched * WATER_BATH_W.min(STEAM_W_K * (STEAM_C - warmest_c).max(0.0))
    }

    /// What a thermometer in the middle of the pot would say, without its own
    /// lag and noise.
    #[must_use]
    pub fn temperature(&self) -> Temperature {
        let liquid_share = Flow::liquid_g(self.total_g, &self.state) / self.total_g;
        // A probe stands in what is liquid; among lumps it sees some of both.
        let seen = (liquid_share * 1.5).min(1.0);
        celsius(seen * self.state[LIQUID_C] + (1.0 - seen) * self.state[SOLID_C])
    }

    /// What is still solid.
    #[must_use]
    pub fn unmelted(&self) -> Mass {
        grams(self.state[SOLID_G])
    }

    /// The crystals in what is liquid, as shares of its fat.
    #[must_use]
    pub fn crystals(&self) -> Crystals {
        Flow::crystals(&self.stuff, self.total_g, &self.state)
    }

    /// How it stands.
    #[must_use]
    pub fn condition(&self) -> Condition {
        let Some(kinetics) = self.stuff.kinetics else {
            return if self.scorched { Condition::Scorched } else { Condition::InTemper };
        };
        let crystals = self.crystals();
        let work_c = in_celsius(self.chocolate.windows.work.middle());
        if self.scorched {
            Condition::Scorched
        } else if crystals.stable < LEAST_STABLE {
            Condition::NotInTemper
        } else if crystals.all() > THICK * kinetics.stable_reach(work_c) {
            Condition::OverSeeded
        } else {
            Condition::InTemper
        }
    }

    /// A smear taken now.
    #[must_use]
    pub fn smear(&self) -> Smear {
        Smear::of(&self.chocolate, self.crystals(), self.state[LIQUID_C], self.room_c)
    }
}
