//! A ready-made bottle of colour: softened until it feels about hand-warm, and shaken.

use super::{
    About, Amounts, AmountsError, AmountsRequest, Case, Fit, Need, Stage, TemperingMethod,
};
use crate::chocolate::{Band, Chocolate, Family};
use crate::phrases::{Advice, CoachContext};
use crate::units::{Temperature, celsius, degrees};

/// See the module.
#[derive(Debug)]
pub(super) struct SoftenBottle;

/// A bottle that still has soft solid in it may be used up to here, °C; above, its
/// temper is lost (docs/craft.md, section 9).
const BOTTLE_C: f64 = 32.0;
/// Water that a bottle may lie in to soften, °C (*custom*).
const WATER_C: f64 = 35.0;
/// Where softening stops, °C.
const SOFT_C: f64 = 31.0;
/// So near it is soft enough, °C.
const NEAR_ENOUGH_C: f64 = 0.5;

const ABOUT: About = About {
    key: "soften_bottle",
    name: "Soften a bottle",
    how: "A bottle that was bought in temper is warmed by hands or lukewarm water until it feels \
          hand-warm and soft solid is still in it, and shaken.",
    good_for: "Colour bought ready to use.",
    risk: "Hot and runny, its temper is gone: it sets dull, and stays in the mould.",
    cautions: &["The bottle dry outside before it is opened: no water may get in."],
};

impl TemperingMethod for SoftenBottle {
    fn about(&self) -> &'static About {
        &ABOUT
    }

    fn suits(&self, family: Family) -> bool {
        family == Family::CocoaButter
    }

    fn needs(&self) -> &'static [Need] {
        &[Need::Probe, Need::ColourBottle]
    }

    fn fits(&self, _: &Case) -> Option<Fit> {
        Some(Fit { strength: 90, because: "a bottle in temper only has to soften" })
    }

    fn stages(&self, chocolate: &Chocolate) -> Vec<Stage> {
        let lo = chocolate.windows.work.lo;
        vec![
            Stage { name: "Soften and shake", window: Band { lo, hi: celsius(BOTTLE_C) } },
            Stage { name: "Work", window: self.use_band(chocolate) },
        ]
    }

    fn amounts(&self, wish: &AmountsRequest<'_>) -> Result<Amounts, AmountsError> {
        Ok(Amounts::melt_all(wish.total))
    }

    fn melt_to(&self, _: &Chocolate) -> Temperature {
        celsius(SOFT_C)
    }

    /// Half a degree less is near enough: it is shaken, and hands go on warming it.
    fn melted_from(&self, chocolate: &Chocolate) -> Temperature {
        self.melt_to(chocolate) - degrees(NEAR_ENOUGH_C)
    }

    fn target(&self, chocolate: &Chocolate) -> Temperature {
        self.use_band(chocolate).middle()
    }

    fn use_band(&self, chocolate: &Chocolate) -> Band {
        Band { lo: chocolate.windows.work.lo, hi: celsius(BOTTLE_C) }
    }

    fn lost(&self, _: &Chocolate) -> Option<Temperature> {
        Some(celsius(BOTTLE_C))
    }

    fn softened_in(&self) -> Option<Temperature> {
        Some(celsius(WATER_C))
    }

    fn keeps_crystals(&self) -> bool {
        true
    }

    fn advise(&self, context: &CoachContext<'_>, temp: Temperature) -> Advice {
        context.on_to_the_band(temp)
    }
}
