//! How heat and crystals move in a pot: the right-hand side of its equations.

use ode_solvers::{SVector, System};

use crate::chocolate::{Chocolate, Family};
use crate::crystal::{Crystals, Kinetics, ReadyFate};
use crate::heat::MeltingCurve;
use crate::units::{in_celsius, in_joules_per_gram, in_joules_per_gram_degree, in_percent};

/// What changes, in this order.
pub(super) type State = SVector<f64, 7>;

pub(super) const LIQUID_C: usize = 0;
pub(super) const SOLID_C: usize = 1;
pub(super) const BOWL_C: usize = 2;
pub(super) const SOLID_G: usize = 3;
pub(super) const UNSTABLE_G: usize = 4;
pub(super) const STABLE_G: usize = 5;
pub(super) const READY_G: usize = 6;

/// What still chocolate exchanges and loses, as a share of stirred.
const STILL: f64 = 0.35;
/// Exchange between solids and liquid, stirred, W/(K·kg^⅔).
const SOLID_EXCHANGE: f64 = 110.0;
/// Exchange between chocolate and bowl, W/K.
const BOWL_EXCHANGE: f64 = 9.0;
/// The share of the loss to air that leaves through the bowl.
const LOSS_THROUGH_BOWL: f64 = 0.6;
/// Seed gives way this far below the thickening temperature, °C…
const SEED_MELTS_BELOW_THICK_C: f64 = 1.5;
/// …over a stretch, °C. It is stirred into what is far warmer, and most of it melts though
/// a slow warming would keep more (docs/craft.md, section 2).
const SEED_MELTS_OVER_C: f64 = 1.0;
/// What is left of a block near the end of its melting curve gives way at the most so
/// readily, a share for each degree: the last of it takes next to no heat.
const MOST_READILY: f64 = 25.0;
/// The share of a solid's fat that comes loose as form V where it melts: what
/// makes it seed (docs/craft.md, section 2: the share meant to stay unmelted).
const COMES_LOOSE: f64 = 0.05;
/// A pot is never quite dry: a film of liquid, g, carries the first heat.
const FILM_G: f64 = 1.0;

/// The chocolate's constants, bare.
#[derive(Clone, Copy, Debug)]
pub(super) struct Stuff {
    pub kinetics: Option<Kinetics>,
    pub fat: f64,
    pub heat_of_fat: f64,
    pub c_liquid: f64,
    c_solid: f64,
    curve: MeltingCurve,
    seed_melts_c: f64,
}

impl Stuff {
    pub fn of(chocolate: &Chocolate) -> Self {
        Self {
            kinetics: Kinetics::of(chocolate),
            fat: in_percent(chocolate.fat) / 100.0,
            heat_of_fat: in_joules_per_gram(Family::heat_of_melting_fat()),
            c_liquid: in_joules_per_gram_degree(chocolate.family.heat_when_melted()),
            c_solid: in_joules_per_gram_degree(chocolate.family.heat_when_solid()),
            curve: MeltingCurve::of(chocolate.family),
            seed_melts_c: in_celsius(chocolate.windows.thick) - SEED_MELTS_BELOW_THICK_C,
        }
    }

    /// How a solid at a temperature takes up a joule: the degrees by which a gram of it
    /// warms, and the grams of it that melt.
    fn takes_up(&self, solids: Solids, solid_c: f64) -> (f64, f64) {
        let melting = self.heat_of_fat * self.fat * (1.0 - COMES_LOOSE);
        match solids {
            // Tempered pieces give way little by little, by their own curve: of what is
            // left a share for each degree.
            Solids::Block { melts_late_c } => {
                let (melted, grows) = self.curve.at(solid_c - melts_late_c);
                let readily = if melted >= 1.0 {
                    MOST_READILY
                } else {
                    (grows / (1.0 - melted)).min(MOST_READILY)
                };
                let takes = self.c_solid + melting * readily;
                (1.0 / takes, readily / takes)
            }
            Solids::Seed => {
                let share =
                    ((solid_c - self.seed_melts_c) / SEED_MELTS_OVER_C + 1.0).clamp(0.0, 1.0);
                ((1.0 - share) / self.c_solid, share / melting)
            }
        }
    }
}

/// What the solids in a pot are.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(super) enum Solids {
    /// The tempered pieces that it began with.
    Block {
        /// In some kitchens thick lumps melt so much later than the curve has it, °C.
        melts_late_c: f64,
    },
    /// Seed, stirred into what is melted.
    Seed,
}

/// A pot over a stretch in which nothing is done to it.
#[derive(Clone, Copy, Debug)]
pub(super) struct Flow {
    pub stuff: Stuff,
    pub solids: Solids,
    pub total_g: f64,
    /// Heat held by the wetted bowl, J/K; 0 where it is not counted.
    pub bowl_j_k: f64,
    pub room_c: f64,
    /// Loss to the air, stirred, W/K.
    pub to_air: f64,
    /// From 0 to 1.
    pub stirring: f64,
    pub into_chocolate_w: f64,
    pub into_bowl_w: f64,
}

impl Flow {
    /// What is liquid, g; the crystals in it included.
    pub fn liquid_g(total_g: f64, y: &State) -> f64 {
        (total_g - y[SOLID_G].max(0.0)).max(FILM_G)
    }

    /// Its crystals, as shares of its fat.
    pub fn crystals(stuff: &Stuff, total_g: f64, y: &State) -> Crystals {
        let fat_g = Self::liquid_g(total_g, y) * stuff.fat;
        Crystals {
            unstable: y[UNSTABLE_G].max(0.0) / fat_g,
            stable: (y[STABLE_G].max(0.0) + y[READY_G].max(0.0)) / fat_g,
        }
    }
}

impl System<f64, State> for Flow {
    fn system(&self, _: f64, y: &State, dy: &mut State) {
        let Stuff { fat, heat_of_fat, c_liquid, kinetics, .. } = self.stuff;
        let solid_g = y[SOLID_G].max(0.0);
        let liquid_g = Self::liquid_g(self.total_g, y);
        let wet = liquid_g / (liquid_g + solid_g);
        let moved = STILL + (1.0 - STILL) * self.stirring;

        // Contact with bowl and air is shared between liquid and solid.
        let counted = if self.bowl_j_k > 0.0 { 1.0 } else { 0.0 };
        let to_air = self.to_air * (0.5 + 0.5 * moved);
        let from_surface = to_air * (1.0 - LOSS_THROUGH_BOWL * counted);
        let to_bowl = BOWL_EXCHANGE * counted;
        let lost =
            |temp_c: f64| from_surface * (temp_c - self.room_c) + to_bowl * (temp_c - y[BOWL_C]);
        let liquid_lost = wet * lost(y[LIQUID_C]);
        let solid_lost = (1.0 - wet) * lost(y[SOLID_C]);
        let passed = SOLID_EXCHANGE
            * (solid_g / 1000.0).powf(2.0 / 3.0)
            * moved
            * wet
            * (y[LIQUID_C] - y[SOLID_C]);

        let into_solid = passed + self.into_chocolate_w * (1.0 - wet) - solid_lost;
        let (warms, melts) = if into_solid > 0.0 {
            self.stuff.takes_up(self.solids, y[SOLID_C])
        } else {
            (1.0 / self.stuff.c_solid, 0.0)
        };
        let melted = into_solid * melts;
        dy[SOLID_G] = -melted;
        dy[SOLID_C] = into_solid * warms / solid_g.max(0.1);

        let in_chocolate = Crystals {
            unstable: y[UNSTABLE_G].max(0.0) / (liquid_g * fat),
            stable: y[STABLE_G].max(0.0) / (liquid_g * fat),
        };
        let (change, ready) = kinetics.map_or_else(
            || (Crystals::default(), ReadyFate { melts: 0.0, taken_up: 0.0 }),
            |kinetics| {
                (
                    kinetics.change(in_chocolate, y[LIQUID_C], self.stirring),
                    kinetics.ready_fate(y[LIQUID_C], self.stirring),
                )
            },
        );
        // The film is there for the heat; there is too little of it to set.
        let fat_g = (liquid_g - FILM_G) * fat;
        let into_liquid = self.into_chocolate_w * wet - passed - liquid_lost
            + change.all() * fat_g * heat_of_fat
            + melted * c_liquid * (y[SOLID_C] - y[LIQUID_C]);
        dy[LIQUID_C] = into_liquid / (liquid_g * c_liquid);
        dy[UNSTABLE_G] = change.unstable * fat_g;
        let ready_g = y[READY_G].max(0.0);
        dy[STABLE_G] =
            change.stable * fat_g + melted * fat * COMES_LOOSE + ready.taken_up * ready_g;
        dy[READY_G] = -(ready.melts + ready.taken_up) * ready_g;

        dy[BOWL_C] = if counted > 0.0 {
            (liquid_lost + solid_lost
                - from_surface * (wet * y[LIQUID_C] + (1.0 - wet) * y[SOLID_C] - self.room_c)
                + self.into_bowl_w
                - to_air * LOSS_THROUGH_BOWL * (y[BOWL_C] - self.room_c))
                / self.bowl_j_k
        } else {
            0.0
        };
    }
}
