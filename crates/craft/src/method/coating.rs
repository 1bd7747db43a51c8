//! Coating, no temper: compound coatings and melts are melted and used.

use super::{
    About, Amounts, AmountsError, AmountsRequest, Case, Fit, Need, Stage, TemperingMethod,
};
use crate::chocolate::{Chocolate, Family};
use crate::phrases::{Advice, CoachContext};
use crate::units::Temperature;

/// See the module.
#[derive(Debug)]
pub(super) struct Coating;

const ABOUT: About = About {
    key: "coating",
    name: "Coating, no temper",
    how: "Melt it gently, let it come down to the using temperature, use it.",
    good_for: "Work with children, piping, marbled colours.",
    risk: "It scorches too, and it is not chocolate to the taste.",
    cautions: &["Children not at the hob: steam and hot bowls burn."],
};

impl TemperingMethod for Coating {
    fn about(&self) -> &'static About {
        &ABOUT
    }

    fn suits(&self, family: Family) -> bool {
        !family.tempers()
    }

    fn needs(&self) -> &'static [Need] {
        &[Need::Probe]
    }

    fn fits(&self, _: &Case) -> Option<Fit> {
        Some(Fit { strength: 100, because: "a coating has nothing to temper" })
    }

    fn stages(&self, chocolate: &Chocolate) -> Vec<Stage> {
        let w = &chocolate.windows;
        vec![Stage { name: "Melt", window: w.melt }, Stage { name: "Use", window: w.work }]
    }

    fn amounts(&self, wish: &AmountsRequest<'_>) -> Result<Amounts, AmountsError> {
        Ok(Amounts::melt_all(wish.total))
    }

    fn is_tested(&self) -> bool {
        false
    }

    fn advise(&self, context: &CoachContext<'_>, temp: Temperature) -> Advice {
        context.use_as_it_is(temp, self.use_band(&context.setup.chocolate))
    }
}
