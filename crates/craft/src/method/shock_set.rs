//! Shock-set: melted, not tempered, spread on a frozen slab or over ice.

use super::{
    About, Amounts, AmountsError, AmountsRequest, Case, Fit, Need, Stage, TemperingMethod,
};
use crate::chocolate::{Band, Chocolate, Family};
use crate::phrases::{Advice, CoachContext};
use crate::units::{Temperature, degrees};

/// See the module.
#[derive(Debug)]
pub(super) struct ShockSet;

/// Runny enough to spread in one movement this far below the melting band, °C.
const SPREADS_BELOW_MELT_C: f64 = 8.0;

/// And this far above where it begins to set up, °C: a coating's melting band lies near that.
const OVER_THICK_C: f64 = 2.0;

const ABOUT: About = About {
    key: "shock_set",
    name: "Shock-set",
    how: "Melt it and spread it on a slab from the freezer: it sets in seconds and bends for a \
          moment.",
    good_for: "Ribbons, nests and bowls that are eaten soon.",
    risk: "It is not tempered: it dulls in a day or two.",
    cautions: &[
        "Eaten within two days: it is not tempered and will dull.",
        "Wipe the frost off the slab first: water makes it seize.",
    ],
};

impl TemperingMethod for ShockSet {
    fn about(&self) -> &'static About {
        &ABOUT
    }

    fn suits(&self, family: Family) -> bool {
        family != Family::CocoaButter
    }

    fn needs(&self) -> &'static [Need] {
        &[Need::Probe, Need::FrozenSlab]
    }

    fn fits(&self, _: &Case) -> Option<Fit> {
        // A slab that is to keep is never to be shock-set: this is chosen, not advised.
        None
    }

    fn stages(&self, chocolate: &Chocolate) -> Vec<Stage> {
        vec![
            Stage { name: "Melt", window: chocolate.windows.melt },
            Stage { name: "Spread on the frozen slab", window: self.use_band(chocolate) },
        ]
    }

    fn amounts(&self, wish: &AmountsRequest<'_>) -> Result<Amounts, AmountsError> {
        Ok(Amounts::melt_all(wish.total))
    }

    fn target(&self, chocolate: &Chocolate) -> Temperature {
        self.use_band(chocolate).middle()
    }

    fn use_band(&self, chocolate: &Chocolate) -> Band {
        let melt = chocolate.windows.melt;
        let runny = chocolate.windows.thick + degrees(OVER_THICK_C);
        Band { lo: runny.max(melt.lo - degrees(SPREADS_BELOW_MELT_C)), hi: melt.hi }
    }

    fn is_tested(&self) -> bool {
        false
    }

    fn advise(&self, context: &CoachContext<'_>, temp: Temperature) -> Advice {
        context.use_as_it_is(temp, self.use_band(&context.setup.chocolate))
    }
}
