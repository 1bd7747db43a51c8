//! Never leave: start from tempered pieces and warm them in very short bursts,
//! never past where temper is lost, until just fluid with specks.

use super::{
    About, Amounts, AmountsError, AmountsRequest, Case, Fit, Need, Stage, TemperingMethod,
};
use crate::chocolate::{Band, Chocolate, Family};
use crate::heat::melted_to;
use crate::phrases::{Advice, CoachContext};
use crate::units::{Temperature, degrees, in_grams};

/// See the module.
#[derive(Debug)]
pub(super) struct NeverLeave;

/// Up to this amount short bursts keep it even, g (*custom*).
const SMALL_G: f64 = 150.0;
/// Fluid with specks: so much of its fat has melted (*custom*).
const FLUID_SHARE: f64 = 0.9;
/// So far under where temper is lost no burst is aimed, °C.
const CLEAR_OF_LOST_C: f64 = 0.7;
/// So near the end of its melt it is called melted, °C.
const NEAR_ENOUGH_C: f64 = 0.5;

const ABOUT: About = About {
    key: "never_leave",
    name: "Never leave temper",
    how: "Warm tempered pieces in very short bursts until just fluid with specks, never past \
          where temper is lost.",
    good_for: "Small amounts, quick jobs, a bottle of colour.",
    risk: "One burst too long.",
    cautions: &["Stir after every burst: the edges run ahead of what the thermometer says."],
};

impl TemperingMethod for NeverLeave {
    fn about(&self) -> &'static About {
        &ABOUT
    }

    fn suits(&self, family: Family) -> bool {
        family.tempers()
    }

    fn needs(&self) -> &'static [Need] {
        &[Need::Probe, Need::TemperedPieces]
    }

    fn fits(&self, case: &Case) -> Option<Fit> {
        (case.in_bursts && !case.coloured_here && in_grams(case.total) <= SMALL_G).then_some(Fit {
            strength: 60,
            because: "so little can be warmed in a few short bursts that keep its crystals",
        })
    }

    fn stages(&self, chocolate: &Chocolate) -> Vec<Stage> {
        let w = &chocolate.windows;
        vec![
            Stage {
                name: "Warm, no further",
                window: Band { lo: w.work.hi, hi: w.lost.unwrap_or(w.limit) },
            },
            Stage { name: "Work", window: w.work },
        ]
    }

    fn amounts(&self, wish: &AmountsRequest<'_>) -> Result<Amounts, AmountsError> {
        Ok(Amounts::melt_all(wish.total))
    }

    /// Where it is fluid with specks, and clear of where temper is lost.
    fn melt_to(&self, chocolate: &Chocolate) -> Temperature {
        let fluid = melted_to(chocolate.family, FLUID_SHARE);
        let w = &chocolate.windows;
        w.lost.map_or(fluid, |lost| fluid.min(lost - degrees(CLEAR_OF_LOST_C)).max(w.work.hi))
    }

    /// Half a degree less is near enough: stirred, the last specks go.
    fn melted_from(&self, chocolate: &Chocolate) -> Temperature {
        (self.melt_to(chocolate) - degrees(NEAR_ENOUGH_C)).max(chocolate.windows.work.middle())
    }

    fn keeps_crystals(&self) -> bool {
        true
    }

    fn advise(&self, context: &CoachContext<'_>, temp: Temperature) -> Advice {
        context.on_to_the_band(temp)
    }
}
