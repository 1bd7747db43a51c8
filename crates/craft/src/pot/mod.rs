//! A pot of chocolate as heat sees it: what the simulated thermometer measures.
//!
//! Three lumps exchange heat: what is liquid, what is still solid (the block at
//! first, seed later), and the wetted part of the bowl. Solids warm to where
//! they start to melt and then melt; the bowl and the surface lose heat to the
//! air. Crystallising is left out: a pot like this does not set.

mod maker;
mod probe;

pub use maker::{Evening, Mishap, evening};
pub use probe::Probe;

use crate::bowl::{ActionKind, Setup};
use crate::chocolate::{Chocolate, Family};
use crate::heat::loss_to_still_air;
use crate::units::{
    Temperature, celsius, grams, in_celsius, in_grams, in_joules_per_degree, in_joules_per_gram,
    in_joules_per_gram_degree, in_percent, in_seconds, in_watts, in_watts_per_degree,
};

/// How long one "stirred" goes on acting, s.
const STIR_S: f64 = 25.0;
/// What still chocolate exchanges and loses, as a share of stirred.
const STILL: f64 = 0.35;
/// Exchange between solids and liquid, stirred, W/(K·kg^⅔).
const SOLID_EXCHANGE: f64 = 90.0;
/// Exchange between liquid and bowl, W/K.
const BOWL_EXCHANGE: f64 = 9.0;
/// The share of the loss to air that leaves through the bowl.
const LOSS_THROUGH_BOWL: f64 = 0.6;
/// Solids start to give way this far below the thickening temperature, °C.
const MELTS_BELOW_THICK_C: f64 = 1.5;
/// A water bath, W: barely simmering, through the bowl.
const WATER_BATH_W: f64 = 130.0;
/// The longest step that stays stable, s.
const STEP_S: f64 = 0.25;

/// Heat as it goes in.
#[derive(Clone, Copy, Debug, PartialEq)]
enum Source {
    None,
    /// Microwave: seconds left, watts into the chocolate.
    Burst {
        left_s: f64,
        power_w: f64,
    },
    WaterBath,
}

/// A simulated pot. Numbers are kept bare (°C, g, J, s): this is the inside of
/// a model, stepped thousands of times.
#[derive(Clone, Debug)]
pub struct Pot {
    liquid_g: f64,
    liquid_c: f64,
    solid_g: f64,
    solid_c: f64,
    bowl_c: f64,
    bowl_j_k: f64,
    room_c: f64,
    seed_c: f64,
    melts_c: f64,
    heat_of_melting: f64,
    c_liquid: f64,
    c_solid: f64,
    power_w: f64,
    source: Source,
    stirred_left_s: f64,
    poured: bool,
}

impl Pot {
    /// The pot of a bowl just taken to the bench: all solid, at the seed's
    /// temperature.
    #[must_use]
    pub fn new(setup: &Setup) -> Self {
        let Chocolate { family, ref windows, fat, .. } = setup.chocolate;
        let start_c = in_celsius(setup.seed_temp);
        Self {
            liquid_g: 0.0,
            liquid_c: start_c,
            solid_g: in_grams(setup.melted),
            solid_c: start_c,
            bowl_c: start_c,
            bowl_j_k: setup.ware.map_or(0.0, |w| in_joules_per_degree(w.wetted_heat())),
            room_c: in_celsius(setup.room),
            seed_c: start_c,
            melts_c: in_celsius(windows.thick) - MELTS_BELOW_THICK_C,
            heat_of_melting: in_joules_per_gram(Family::heat_of_melting_fat()) * in_percent(fat)
                / 100.0,
            c_liquid: in_joules_per_gram_degree(family.heat_when_melted()),
            c_solid: in_joules_per_gram_degree(family.heat_when_solid()),
            power_w: setup.microwave.map_or(WATER_BATH_W, |m| in_watts(m.into_chocolate())),
            source: Source::None,
            stirred_left_s: 0.0,
            poured: false,
        }
    }

    /// Does to the pot what the maker did.
    pub fn act(&mut self, kind: &ActionKind) {
        match kind {
            ActionKind::Heat { lasting: Some(lasting) } => {
                self.source = Source::Burst { left_s: in_seconds(*lasting), power_w: self.power_w };
            }
            ActionKind::Heat { lasting: None } => self.source = Source::WaterBath,
            ActionKind::OffHeat => self.source = Source::None,
            ActionKind::Stirred => self.stirred_left_s = STIR_S,
            ActionKind::SeedAdded { mass } => {
                self.source = Source::None;
                self.stirred_left_s = 3.0 * STIR_S;
                let added = in_grams(*mass);
                let all = self.solid_g + added;
                if all > 0.0 {
                    self.solid_c = (self.solid_g * self.solid_c + added * self.seed_c) / all;
                    self.solid_g = all;
                }
            }
            ActionKind::Poured => self.poured = true,
            ActionKind::TestStarted
            | ActionKind::TestSeen { .. }
            | ActionKind::GivenUp { .. }
            | ActionKind::Undone { .. } => {}
        }
    }

    /// Lets time pass.
    pub fn wait(&mut self, seconds: f64) {
        let mut left = seconds;
        while left > 0.0 {
            let dt = left.min(STEP_S);
            self.step(dt);
            left -= dt;
        }
    }

    /// What a thermometer in the middle of the pot would say, without its own
    /// lag and noise.
    #[must_use]
    pub fn temperature(&self) -> Temperature {
        let all = self.liquid_g + self.solid_g;
        let liquid_share = self.liquid_g / all;
        // A probe stands in what is liquid; among lumps it sees some of both.
        let seen = (liquid_share * 1.5).min(1.0);
        celsius(seen * self.liquid_c + (1.0 - seen) * self.solid_c)
    }

    /// What is still solid.
    #[must_use]
    pub fn unmelted(&self) -> crate::units::Mass {
        grams(self.solid_g)
    }

    fn step(&mut self, dt: f64) {
        let kg = (self.liquid_g + self.solid_g) / 1000.0;
        let stirring = if self.stirred_left_s > 0.0 { 1.0 } else { STILL };
        self.stirred_left_s -= dt;

        let (into_chocolate, into_bowl) = self.heating(dt);
        let loss = in_watts_per_degree(loss_to_still_air(grams(kg * 1000.0)))
            * (0.5 + 0.5 * stirring)
            // Poured out, a thin slab follows the room within minutes.
            * if self.poured { 8.0 } else { 1.0 };
        let bowl_share = if self.bowl_j_k > 0.0 { LOSS_THROUGH_BOWL } else { 0.0 };
        let to_air = loss * (1.0 - bowl_share) * (self.liquid_c - self.room_c);

        let solid_share = self.solid_g / (self.solid_g + self.liquid_g);
        let exchange = SOLID_EXCHANGE * (self.solid_g / 1000.0).powf(2.0 / 3.0) * stirring;
        let to_solid = if self.liquid_g > 0.0 {
            exchange * (self.liquid_c - self.solid_c).max(0.0)
        } else {
            0.0
        };
        let to_bowl =
            if self.bowl_j_k > 0.0 { BOWL_EXCHANGE * (self.liquid_c - self.bowl_c) } else { 0.0 };

        if self.bowl_j_k > 0.0 {
            let bowl_to_air = loss * bowl_share * (self.bowl_c - self.room_c);
            self.bowl_c += (to_bowl + into_bowl - bowl_to_air) * dt / self.bowl_j_k;
        }
        let mut into_solid = to_solid + into_chocolate * solid_share;
        let mut into_liquid = into_chocolate * (1.0 - solid_share) - to_solid - to_bowl - to_air;
        if self.liquid_g <= 0.0 {
            // No liquid to pass it on: the block itself touches bowl and air.
            into_solid += into_liquid;
            into_liquid = 0.0;
        }
        self.warm_solid(into_solid * dt);
        if self.liquid_g > 0.0 {
            self.liquid_c += into_liquid * dt / (self.liquid_g * self.c_liquid);
        } else {
            self.liquid_c = self.solid_c;
        }
    }

    /// Watts into the chocolate and into the bowl for this step.
    fn heating(&mut self, dt: f64) -> (f64, f64) {
        match &mut self.source {
            Source::None => (0.0, 0.0),
            Source::Burst { left_s, power_w } => {
                let on = left_s.min(dt).max(0.0) / dt;
                let power = *power_w * on;
                *left_s -= dt;
                if *left_s <= 0.0 {
                    self.source = Source::None;
                }
                (power, 0.0)
            }
            Source::WaterBath if self.bowl_j_k > 0.0 => (0.0, WATER_BATH_W),
            Source::WaterBath => (WATER_BATH_W, 0.0),
        }
    }

    fn warm_solid(&mut self, joules: f64) {
        if self.solid_g <= 0.0 {
            return;
        }
        let to_melting = (self.melts_c - self.solid_c) * self.solid_g * self.c_solid;
        if joules <= to_melting {
            self.solid_c += joules / (self.solid_g * self.c_solid);
            return;
        }
        self.solid_c = self.melts_c;
        let melted = ((joules - to_melting) / self.heat_of_melting).min(self.solid_g);
        let all = self.liquid_g + melted;
        self.liquid_c = (self.liquid_g * self.liquid_c + melted * self.melts_c) / all;
        self.liquid_g = all;
        self.solid_g -= melted;
        if self.solid_g < 0.01 {
            self.solid_g = 0.0;
        }
    }
}
