//! Tempering methods: the schools that makers follow.
//!
//! Each is one file, and says everything about itself: what it suits and needs,
//! its stages with their windows, the amounts, the instructions on the way to
//! temper, its cautions, and when it has failed. A new one is a file and a line
//! in [`Method::all`].

mod amounts;
mod case;
mod coating;
mod never_leave;
mod ready_crystals;
mod seed_down;
mod seed_down_and_up;
mod shock_set;
mod slab;
mod soften_bottle;

pub use amounts::{Amounts, AmountsError, AmountsRequest, WeighedOut};
pub use case::{Case, Fit, Kitchen, Need};
pub use ready_crystals::{Gate, READY_SHARE_PCT, crystals, gate};

use std::fmt;
use std::ops::Deref;

use serde::{Deserialize, Deserializer, Serialize, Serializer};

use crate::bowl::{Course, Setup};
use crate::chocolate::{Band, Chocolate, Family};
use crate::phrases::{Advice, CoachContext, Failure};
use crate::units::Temperature;

/// What a method says about itself in words.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct About {
    /// Its name in code, API and database.
    pub key: &'static str,
    /// Its name on screen.
    pub name: &'static str,
    /// How it goes, in a sentence.
    pub how: &'static str,
    /// What it is good for.
    pub good_for: &'static str,
    /// What can go wrong.
    pub risk: &'static str,
    /// What is to be minded at the step where it belongs.
    pub cautions: &'static [&'static str],
}

/// One stage on the way, with the window it moves in.
#[derive(Clone, Debug, PartialEq)]
pub struct Stage {
    /// What is done.
    pub name: &'static str,
    /// Between these temperatures.
    pub window: Band,
}

/// A tempering method.
pub trait TemperingMethod: fmt::Debug + Sync {
    /// Its words.
    fn about(&self) -> &'static About;

    /// Whether it suits a family at all.
    fn suits(&self, family: Family) -> bool;

    /// What must be at hand.
    fn needs(&self) -> &'static [Need];

    /// How well it fits what the maker has and makes, and why; `None` where it
    /// is not to be recommended.
    fn fits(&self, case: &Case) -> Option<Fit>;

    /// Its stages in order.
    fn stages(&self, chocolate: &Chocolate) -> Vec<Stage>;

    /// What to melt, hold back, add and pour out.
    ///
    /// # Errors
    /// Where the temperatures do not go with the method.
    fn amounts(&self, wish: &AmountsRequest<'_>) -> Result<Amounts, AmountsError>;

    /// What to do between the melt and the test, at a temperature.
    fn advise(&self, context: &CoachContext<'_>, temp: Temperature) -> Advice;

    /// What to do once temper was lost or a test did not show it.
    fn mend(&self, context: &CoachContext<'_>, temp: Temperature, failure: Failure) -> Advice {
        context.seed_again(temp, failure)
    }

    /// Where the melt stops; one degree into the melting band for most.
    fn melt_to(&self, chocolate: &Chocolate) -> Temperature {
        chocolate.windows.melt.lo + crate::units::degrees(1.0)
    }

    /// The least that must have been reached before it may go on.
    fn melted_from(&self, chocolate: &Chocolate) -> Temperature {
        chocolate.windows.melt.lo
    }

    /// Where the cooling aims, before any warming into the band.
    fn target(&self, chocolate: &Chocolate) -> Temperature {
        chocolate.windows.seed_target()
    }

    /// The band to use it in.
    fn use_band(&self, chocolate: &Chocolate) -> Band {
        chocolate.windows.work
    }

    /// Whether a temper test comes before the pour.
    fn is_tested(&self) -> bool {
        true
    }

    /// Above this its temper is lost.
    fn lost(&self, chocolate: &Chocolate) -> Option<Temperature> {
        chocolate.windows.lost
    }

    /// How warm the water is that it is softened in, where that is not a hob's or a
    /// microwave's work but the hands'.
    fn softened_in(&self) -> Option<Temperature> {
        None
    }

    /// Whether the crystals that are there at the start are to be kept.
    fn keeps_crystals(&self) -> bool {
        false
    }

    /// What a bowl must know of it.
    fn course(&self, chocolate: &Chocolate) -> Course {
        Course {
            use_band: self.use_band(chocolate),
            lost: self.lost(chocolate),
            melted_from: self.melted_from(chocolate),
            is_tested: self.is_tested(),
            keeps_crystals: self.keeps_crystals(),
            softened_in: self.softened_in(),
        }
    }
}

/// One of the methods.
#[derive(Clone, Copy)]
pub struct Method(&'static dyn TemperingMethod);

impl Method {
    /// Every method, in the order in which they are shown.
    #[must_use]
    pub fn all() -> [Self; 8] {
        [
            Self(&seed_down::SeedDown),
            Self(&seed_down_and_up::SeedDownAndUp),
            Self(&slab::Slab),
            Self(&ready_crystals::ReadyCrystals),
            Self(&never_leave::NeverLeave),
            Self(&soften_bottle::SoftenBottle),
            Self(&coating::Coating),
            Self(&shock_set::ShockSet),
        ]
    }

    /// The one with a key.
    #[must_use]
    pub fn find(key: &str) -> Option<Self> {
        Self::all().into_iter().find(|method| method.about().key == key)
    }

    /// Those that suit a family.
    pub fn suiting(family: Family) -> impl Iterator<Item = Self> {
        Self::all().into_iter().filter(move |method| method.suits(family))
    }

    /// The method to recommend, and why, in a sentence.
    ///
    /// Every family has one: seeding for what is tempered, coating for the rest.
    #[must_use]
    pub fn recommended(case: &Case) -> (Self, &'static str) {
        Self::suiting(case.family)
            .filter(|method| method.needs().iter().all(|need| case.kitchen.has(*need)))
            .filter_map(|method| Some((method, method.fits(case)?)))
            // The first of equals: they are listed in the order of habit.
            .reduce(|best, next| if next.1.strength > best.1.strength { next } else { best })
            .map_or((Self(&seed_down::SeedDown), "it works in any kitchen"), |(method, fit)| {
                (method, fit.because)
            })
    }
}

/// A bowl that is taken to the bench, with the method it is tempered by.
#[derive(Clone, Debug, PartialEq)]
pub struct Run {
    /// What it sets out to be.
    pub setup: Setup,
    /// Who says how to get there.
    pub method: Method,
}

impl Default for Method {
    fn default() -> Self {
        Self(&seed_down::SeedDown)
    }
}

impl Deref for Method {
    type Target = dyn TemperingMethod;

    fn deref(&self) -> &Self::Target {
        self.0
    }
}

impl PartialEq for Method {
    fn eq(&self, other: &Self) -> bool {
        self.about().key == other.about().key
    }
}

impl Eq for Method {}

impl fmt::Debug for Method {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(self.about().key)
    }
}

impl fmt::Display for Method {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(self.about().name)
    }
}

impl Serialize for Method {
    fn serialize<S: Serializer>(&self, serializer: S) -> Result<S::Ok, S::Error> {
        serializer.serialize_str(self.about().key)
    }
}

impl<'de> Deserialize<'de> for Method {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        let key = String::deserialize(deserializer)?;
        Self::find(&key).ok_or_else(|| {
            let known = Self::all().map(|method| method.about().key).join(", ");
            serde::de::Error::custom(format!("unknown method `{key}`, expected one of {known}"))
        })
    }
}

#[cfg(feature = "schema")]
impl utoipa::PartialSchema for Method {
    fn schema() -> utoipa::openapi::RefOr<utoipa::openapi::schema::Schema> {
        utoipa::openapi::ObjectBuilder::new()
            .schema_type(utoipa::openapi::schema::Type::String)
            .enum_values(Some(Self::all().map(|method| method.about().key)))
            .description(Some("A tempering method; `GET /methods` tells what each is."))
            .into()
    }
}

#[cfg(feature = "schema")]
impl utoipa::ToSchema for Method {}
