//! What the coach says.

use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};

use super::rewarming::Warming;
use crate::bowl::ActionKind;
use crate::message::Message;
use crate::note::Level;
use crate::units::{Mass, Time};

/// The rule that spoke.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Rule {
    /// No reading, or none lately.
    ReadThermometer,
    /// At or over the limit.
    LimitPassed,
    /// Close under the limit.
    LimitNear,
    /// The thermometer jumps, or has stopped.
    ProbeTrouble,
    /// Put it on the heat.
    Warm,
    /// On the heat now.
    Heating,
    /// Out of the heat, to be stirred.
    StirAfterHeat,
    /// Take it off before it is there.
    StopBeforeMelt,
    /// Melted through.
    Melted,
    /// Taken off too soon.
    NotYetMelted,
    /// It stands still: the heat is at work on crystals.
    Plateau,
    /// It has stood unstirred for long.
    StirringMissing,
    /// Soften it in warm hands or lukewarm water.
    Soften,
    /// Powder is worked in.
    WorkInColour,
    /// Warm again until it runs like water.
    WarmColour,
    /// Through cloth.
    Strain,
    /// The next addition of seed.
    AddSeed,
    /// Seed is still melting.
    StirIn,
    /// All seed is in; it is on its way down.
    StirDown,
    /// All seed is in and it is not getting there.
    MoreSeed,
    /// On its way down to where ready crystals go in.
    CoolToGate,
    /// Out of the cool water.
    OutOfWater,
    /// It gets too warm on the heating pad.
    OffPad,
    /// Ready crystals go in.
    AddCrystals,
    /// Crystals went in and are to be spread.
    Spread,
    /// A part goes out on the stone.
    PourOnStone,
    /// That part is worked, and then returned.
    WorkOnStone,
    /// From the cool point back into the band.
    WarmBack,
    /// In the band: test.
    TestNow,
    /// The smear is too young to judge.
    WatchSmear,
    /// The smear is due.
    JudgeSmear,
    /// In temper and in the band.
    Pour,
    /// In temper, about to leave the band.
    LeavingBand,
    /// In temper, above the band.
    TooWarmToPour,
    /// Below the band.
    Rewarm,
    /// Far below the band.
    Thickening,
    /// It thickens: too many crystals.
    OverSeeded,
    /// Nothing to temper: use it.
    UseNow,
    /// Temper was there and is gone.
    TemperLost,
    /// The test did not show temper.
    NotInTemper,
    /// Poured: what follows is the steps' to say.
    Poured,
    /// Given up.
    GivenUp,
}

/// Something to be heard as well as seen.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Alarm {
    /// The melt limit is near or passed.
    Limit,
    /// The working band is being entered or left.
    Band,
    /// A time is up or a window is closing.
    Timer,
}

/// A time to count down to.
#[derive(Clone, Debug, PartialEq)]
pub struct Countdown {
    /// What happens then.
    pub what: Message,
    /// When it most likely is.
    pub at: DateTime<Utc>,
    /// Not likely before; the same as `at` where it is exact.
    pub earliest: DateTime<Utc>,
    /// Not likely after; `None` where it may never be.
    pub latest: Option<DateTime<Utc>>,
}

impl Countdown {
    pub(crate) fn exact(what: Message, at: DateTime<Utc>) -> Self {
        Self { what, at, earliest: at, latest: Some(at) }
    }
}

/// What an instruction rests on.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Grounds {
    /// Several readings, their flicker evened out.
    Readings,
    /// One fresh reading.
    OneReading,
    /// No fresh reading: the clock, or what the maker did and saw.
    #[default]
    Clock,
}

/// What the coach says.
#[derive(Clone, Debug, PartialEq)]
pub struct Advice {
    /// The rule that spoke.
    pub rule: Rule,
    /// How much it matters.
    pub level: Level,
    /// The instruction.
    pub say: Message,
    /// The reason.
    pub why: Message,
    /// What a second thermometer at the edge adds to it.
    pub hint: Option<Message>,
    /// How sure it is: what it rests on.
    pub grounds: Grounds,
    /// The one time that matters now.
    pub countdown: Option<Countdown>,
    /// Whether to be heard.
    pub alarm: Option<Alarm>,
    /// The burst that is advised.
    pub heat: Option<Time>,
    /// How it is warmed gently, where that is advised.
    pub gently: Option<ActionKind>,
    /// The seed that is advised.
    pub seed: Option<Mass>,
    /// The ready crystals that are advised.
    pub crystals: Option<Mass>,
    /// What is to be poured out on the stone.
    pub pour_out: Option<Mass>,
    /// What is entered once it is done; `None` where it is to wait, to read or to look.
    pub asks: Option<ActionKind>,
}

impl Advice {
    pub(crate) fn new(rule: Rule, say: Message, why: Message) -> Self {
        Self {
            rule,
            level: Level::Info,
            say,
            why,
            hint: None,
            grounds: Grounds::default(),
            countdown: None,
            alarm: None,
            heat: None,
            gently: None,
            seed: None,
            crystals: None,
            pour_out: None,
            asks: None,
        }
    }

    pub(crate) fn caution(self) -> Self {
        Self { level: Level::Caution, ..self }
    }

    pub(crate) fn stop(self) -> Self {
        Self { level: Level::Stop, ..self }
    }

    pub(crate) fn sounding(self, alarm: Alarm) -> Self {
        Self { alarm: Some(alarm), ..self }
    }

    pub(crate) fn until(self, countdown: Option<Countdown>) -> Self {
        Self { countdown, ..self }
    }

    pub(crate) fn heating(self, lasting: Time) -> Self {
        Self { heat: Some(lasting), ..self }
    }

    pub(crate) fn warming(self, warming: Warming) -> Self {
        match warming {
            Warming::Burst(lasting) => Self { heat: Some(lasting), ..self },
            Warming::Dryer(lasting) => Self { gently: Some(ActionKind::Dryer { lasting }), ..self },
            Warming::WarmWater(lasting) => {
                Self { gently: Some(ActionKind::InWarmWater { lasting }), ..self }
            }
        }
    }

    pub(crate) fn seeding(self, mass: Mass) -> Self {
        Self { seed: Some(mass), ..self }
    }

    pub(crate) fn with_crystals(self, mass: Mass) -> Self {
        Self { crystals: Some(mass), ..self }
    }

    pub(crate) fn pouring_out(self, mass: Mass) -> Self {
        Self { pour_out: Some(mass), ..self }
    }
}
