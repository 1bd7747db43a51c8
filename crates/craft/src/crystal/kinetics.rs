//! How fast crystals form and melt.

use crate::chocolate::Chocolate;
use crate::units::in_celsius;

/// Form V melts this far below where temper is called lost, °C: a bowl that
/// passes it for a moment keeps its crystals.
const STABLE_MELTS_BELOW_LOST_C: f64 = 0.2;
/// What form V reaches at a given undercooling, per degree and per degree².
const STABLE_REACH: (f64, f64) = (0.028, 0.0025);
/// What the unstable forms reach, likewise.
const UNSTABLE_REACH: (f64, f64) = (0.025, 0.003);
/// Of the fat this much sets at most; the rest stays liquid at room temperature.
const MOST_SET: f64 = 0.8;
/// Growth of form V, still: per second at one degree of undercooling, and how
/// it rises with that.
const STABLE_GROWS: (f64, f64) = (1.2e-3, 1.8);
/// What stirring adds to it, likewise: it breaks crystals and carries them about.
const STABLE_SPREADS: (f64, f64) = (0.013, 0.5);
/// A share so small that it is not one crystal to a spoonful: it seeds nothing.
const NOT_ONE: f64 = 1e-6;
/// Form V above what it can reach dissolves, per second.
const STABLE_DISSOLVES: f64 = 0.01;
/// Melting of form V, per second and degree.
const STABLE_MELTS: f64 = 0.03;
/// Unstable crystals that appear, still, per second and degree.
const UNSTABLE_APPEARS: f64 = 2.2e-5;
/// Stirred, this many times faster.
const STIRRED_APPEARS: f64 = 8.0;
/// Growth of the unstable forms, per second and degree.
const UNSTABLE_GROWS: f64 = 0.0006;
/// Melting of the unstable forms, per second and degree.
const UNSTABLE_MELTS: f64 = 0.06;
/// Unstable crystals that are worked into form V, per second.
const WORKED_STABLE: f64 = 1.3e-2;

/// Form V of pure cocoa butter melts at, °C (Wille & Lutton 1966).
const READY_MELT_C: f64 = 33.8;
/// Ready crystals are taken up, per second: still, and how much more stirred.
const TAKEN_UP: (f64, f64) = (0.003, 0.03);

/// Crystals as shares of the fat; or their change per second.
#[derive(Clone, Copy, Debug, Default, PartialEq)]
pub struct Crystals {
    /// Form IV and below.
    pub unstable: f64,
    /// Form V.
    pub stable: f64,
}

impl Crystals {
    /// Both together.
    #[must_use]
    pub fn all(&self) -> f64 {
        self.unstable + self.stable
    }

    /// Form V as a share of all crystals; 0 where there are none.
    #[must_use]
    pub fn share_stable(&self) -> f64 {
        if self.all() > 0.0 { self.stable / self.all() } else { 0.0 }
    }
}

/// The temperatures at which one chocolate's crystals form and melt.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Kinetics {
    /// Form V melts above, °C.
    stable_melts_c: f64,
    /// Form IV and below melt above, °C.
    unstable_melts_c: f64,
}

impl Kinetics {
    /// A chocolate's; `None` for coatings, which have nothing to temper.
    ///
    /// Milk fat lowers both temperatures as it lowers the windows, so they are
    /// taken from those: form V melts near `lost`, the unstable forms at `thick`.
    #[must_use]
    pub fn of(chocolate: &Chocolate) -> Option<Self> {
        let w = &chocolate.windows;
        Some(Self {
            stable_melts_c: in_celsius(w.lost?) - STABLE_MELTS_BELOW_LOST_C,
            unstable_melts_c: in_celsius(w.thick),
        })
    }

    /// What form V reaches in the end at a temperature, as a share of the fat.
    #[must_use]
    pub fn stable_reach(&self, temp_c: f64) -> f64 {
        reach(STABLE_REACH, (self.stable_melts_c - temp_c).max(0.0))
    }

    /// How the crystals change, per second.
    ///
    /// `stirring` runs from 0 (still) to 1 (stirred well).
    #[must_use]
    pub fn change(&self, now: Crystals, temp_c: f64, stirring: f64) -> Crystals {
        let free = (MOST_SET - now.all()).max(0.0);
        let (u, v) = (now.unstable.max(0.0), now.stable.max(0.0));

        let below_v = self.stable_melts_c - temp_c;
        let grown = if below_v > 0.0 {
            let room = (reach(STABLE_REACH, below_v) - v).min(free);
            if room > 0.0 {
                let rate =
                    raised(STABLE_GROWS, below_v) + stirring * raised(STABLE_SPREADS, below_v);
                rate * v * (v / (v + NOT_ONE)) * room
            } else {
                STABLE_DISSOLVES * room
            }
        } else {
            STABLE_MELTS * below_v * v
        };

        let below_u = self.unstable_melts_c - temp_c;
        let (appeared, turned) = if below_u > 0.0 {
            let room = (reach(UNSTABLE_REACH, below_u) - u).min(free);
            let stirred = 1.0 + (STIRRED_APPEARS - 1.0) * stirring;
            let rate = (UNSTABLE_APPEARS * stirred + UNSTABLE_GROWS * u) * below_u;
            (rate * room, WORKED_STABLE * stirring * u)
        } else {
            (UNSTABLE_MELTS * below_u * u, 0.0)
        };
        Crystals { unstable: appeared - turned, stable: grown + turned }
    }
}

/// What a form reaches in the end at an undercooling.
fn reach((per_degree, per_degree_squared): (f64, f64), below_c: f64) -> f64 {
    (per_degree * below_c + per_degree_squared * below_c * below_c).min(MOST_SET)
}

/// How ready crystals fare, as shares of what is left of them per second: melted
/// away, and taken into the chocolate.
///
/// They are cocoa butter and melt where that does, whatever they are stirred
/// into; the chocolate takes them up once it can keep them.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct ReadyFate {
    /// Melted away.
    pub melts: f64,
    /// Taken up as form V.
    pub taken_up: f64,
}

impl Kinetics {
    /// The fate of ready crystals at a temperature, stirred from 0 to 1.
    #[must_use]
    pub fn ready_fate(&self, temp_c: f64, stirring: f64) -> ReadyFate {
        let above = (temp_c - READY_MELT_C).max(0.0);
        let kept = temp_c < self.stable_melts_c;
        ReadyFate {
            melts: STABLE_MELTS * above,
            taken_up: if kept { TAKEN_UP.0 + stirring * TAKEN_UP.1 } else { 0.0 },
        }
    }
}

/// A rate at one degree of undercooling, raised with it.
fn raised((at_one_degree, power): (f64, f64), below_c: f64) -> f64 {
    at_one_degree * below_c.powf(power)
}
