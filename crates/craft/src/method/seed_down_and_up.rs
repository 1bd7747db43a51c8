//! Seed down and up: the same, but on to the cool point, then warmed back into
//! the band.
//!
//! Some use it at the cool point. It is too thick there for moulds and goes on
//! thickening, so it is always warmed back.

use super::amounts::seeded;
use super::{
    About, Amounts, AmountsError, AmountsRequest, Case, Fit, Need, Stage, TemperingMethod,
};
use crate::catalogue::bench as say;
use crate::chocolate::{Chocolate, Family};
use crate::phrases::{Advice, CoachContext, Rule};
use crate::units::Temperature;

/// See the module.
#[derive(Debug)]
pub(super) struct SeedDownAndUp;

const ABOUT: About = About {
    key: "seed_down_and_up",
    name: "Seed down and up",
    how: "Seed it on down to the cool point, then warm it back into the working band.",
    good_for: "Whoever was taught three temperatures; a strong temper.",
    risk: "Warming back too far.",
    cautions: &["Warm back in short bursts: past the limit for temper all is to do again."],
};

impl TemperingMethod for SeedDownAndUp {
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
        Some(Fit { strength: 10, because: "three temperatures give a strong temper" })
    }

    fn stages(&self, chocolate: &Chocolate) -> Vec<Stage> {
        let w = &chocolate.windows;
        let mut stages = vec![Stage { name: "Melt", window: w.melt }];
        stages.extend(w.cool.map(|window| Stage { name: "Seed down", window }));
        stages.push(Stage { name: "Warm back and work", window: w.work });
        stages
    }

    fn amounts(&self, wish: &AmountsRequest<'_>) -> Result<Amounts, AmountsError> {
        seeded(wish, wish.target)
    }

    fn target(&self, chocolate: &Chocolate) -> Temperature {
        let w = &chocolate.windows;
        w.cool.unwrap_or(w.work).middle()
    }

    fn advise(&self, context: &CoachContext<'_>, temp: Temperature) -> Advice {
        let w = &context.setup.chocolate.windows;
        let cool = w.cool.unwrap_or(w.work);
        let was_cool = context.bowl.thermometer.coolest.is_some_and(|coolest| coolest <= cool.hi);
        if was_cool {
            return if context.is_well_under(temp, w.work.lo) {
                context.warm_back(temp, Rule::WarmBack, say::was_at_the_cool_point())
            } else if temp > w.work.hi {
                context.stir_down(temp, w.work.hi)
            } else {
                context.test_now()
            };
        }
        if let Some(melting_in) = context.still_melting_in() {
            return melting_in;
        }
        context.seed_down(temp, cool.hi)
    }
}
