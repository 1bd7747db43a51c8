//! Seed down: melt fully, stir unmelted tempered chocolate in down to the top of
//! the working band, test.

use super::amounts::seeded;
use super::{
    About, Amounts, AmountsError, AmountsRequest, Case, Fit, Need, Stage, TemperingMethod,
};
use crate::chocolate::{Chocolate, Family};
use crate::phrases::{Advice, CoachContext};
use crate::units::Temperature;

/// See the module.
#[derive(Debug)]
pub(super) struct SeedDown;

const ABOUT: About = About {
    key: "seed_down",
    name: "Seed down",
    how: "Melt it all but a part, then stir that part in until the bowl is at the top of the \
          working band.",
    good_for: "Most work at home.",
    risk: "Lumps that stay, or too little seed.",
    cautions: &["Everything bone dry: one drop of water and it seizes."],
};

impl TemperingMethod for SeedDown {
    fn about(&self) -> &'static About {
        &ABOUT
    }

    fn suits(&self, family: Family) -> bool {
        family.tempers()
    }

    fn needs(&self) -> &'static [Need] {
        &[Need::Probe, Need::TemperedPieces]
    }

    fn fits(&self, _: &Case) -> Option<Fit> {
        Some(Fit {
            strength: 50,
            because: "it works in any kitchen, and the seed does the cooling",
        })
    }

    fn stages(&self, chocolate: &Chocolate) -> Vec<Stage> {
        let w = &chocolate.windows;
        vec![
            Stage { name: "Melt", window: w.melt },
            Stage { name: "Seed down and work", window: w.work },
        ]
    }

    fn amounts(&self, wish: &AmountsRequest<'_>) -> Result<Amounts, AmountsError> {
        seeded(wish, wish.target)
    }

    fn advise(&self, context: &CoachContext<'_>, temp: Temperature) -> Advice {
        let top = context.setup.chocolate.windows.work.hi;
        if let Some(melting_in) = context.still_melting_in() {
            return melting_in;
        }
        if temp > top { context.seed_down(temp, top) } else { context.on_to_the_band(temp) }
    }
}
