//! What a bowl sets out to be.

use chrono::{DateTime, Utc};

use crate::chocolate::{Band, Chocolate};
use crate::heat::microwave::{Microwave, heat_of_vessel, heat_to_melt};
use crate::heat::seed::weighed_additions;
use crate::heat::{GentleHeat, Vessel};
use crate::message::Message;
use crate::scale::Scale;
use crate::units::{Energy, Mass, Temperature, TemperatureDifference};

/// A bowl as it was planned: it does not change once the bowl is open.
#[derive(Clone, Debug, PartialEq)]
pub struct Setup {
    /// When it was taken to the bench.
    pub opened: DateTime<Utc>,
    /// The chocolate in it.
    pub chocolate: Chocolate,
    /// What its method asks of it.
    pub course: Course,
    /// What is melted first.
    pub melted: Mass,
    /// What is held back.
    pub seed: Mass,
    /// Ready crystals to stir in.
    pub crystals: Mass,
    /// Where the cooling aims, before any warming into the band.
    pub target: Temperature,
    /// Where the melt is planned to stop.
    pub melt_to: Temperature,
    /// The room.
    pub room: Temperature,
    /// The seed's temperature.
    pub seed_temp: Temperature,
    /// The stone, where one is used.
    pub stone: Temperature,
    /// How far it carries over once it is off the heat.
    pub carry_over: TemperatureDifference,
    /// How far the thermometer reads low (below zero: high).
    pub offset: TemperatureDifference,
    /// The share of a microwave's heat that shows after a short warming.
    pub burst_response: f64,
    /// What warms it a little besides, and keeps it warm.
    pub gentle: GentleHeat,
    /// The bowl itself, where it is known.
    pub vessel: Option<Vessel>,
    /// The microwave, where one is used.
    pub microwave: Option<Microwave>,
    /// What it is weighed on.
    pub scale: Scale,
    /// The powder that is worked in, where it is coloured here.
    pub colouring: Option<Colouring>,
    /// The step of its batch that it is tempered for; `None` where it stands for itself.
    pub used_for: Option<UsedFor>,
}

/// The step that a bowl is tempered for, and what comes before it.
#[derive(Clone, Debug, PartialEq)]
pub struct UsedFor {
    /// What is done with it, in words.
    pub step: Message,
    /// What must be in temper by then too, by name: it goes into the same piece in one go.
    pub with: Vec<String>,
    /// What is done right before it, with another chocolate that is in temper.
    pub after: Option<Message>,
}

impl UsedFor {
    /// A step that nothing else is waited for with.
    #[must_use]
    pub fn alone(step: Message) -> Self {
        Self { step, with: Vec::new(), after: None }
    }

    /// Whether it is held in temper until something else is ready.
    #[must_use]
    pub fn is_held(&self) -> bool {
        self.after.is_some() || !self.with.is_empty()
    }
}

/// What a bowl must know of the method it is tempered by.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Course {
    /// The band to use it in.
    pub use_band: Band,
    /// Above this its temper is lost.
    pub lost: Option<Temperature>,
    /// Taken off the heat below this, it is not melted through.
    pub melted_from: Temperature,
    /// Whether a temper test comes before the pour.
    pub is_tested: bool,
    /// Whether the crystals that are there at the start are to be kept.
    pub keeps_crystals: bool,
    /// How warm the water is that it is softened in, where that is not a hob's or a
    /// microwave's work but the hands'.
    pub softened_in: Option<Temperature>,
}

/// Colour that is made in a bowl.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Colouring {
    /// All the powder.
    pub pigment: Mass,
    /// Whether it goes through cloth, for an airbrush.
    pub strained: bool,
}

impl Setup {
    /// How far a bowl carries over that nothing was learned about, °C: one to
    /// two from a water bath, more in thick ceramic (*custom*).
    pub const USUAL_CARRY_OVER_C: f64 = 2.0;

    /// The band to use it in.
    #[must_use]
    pub fn use_band(&self) -> Band {
        self.course.use_band
    }

    /// Whether it is colour, made here or from a bottle: put on, not poured.
    #[must_use]
    pub fn is_colour(&self) -> bool {
        self.colouring.is_some() || self.course.softened_in.is_some()
    }

    /// Above this its temper is lost.
    #[must_use]
    pub fn lost(&self) -> Option<Temperature> {
        self.course.lost
    }

    /// Taken off the heat below this, it is not melted through.
    #[must_use]
    pub fn melted_from(&self) -> Temperature {
        self.course.melted_from
    }

    /// The planned additions of seed, as the scale shows them.
    #[must_use]
    pub fn additions(&self) -> Vec<Mass> {
        let [_, seed] = self.scale.parts(self.total(), [self.melted, self.seed]);
        weighed_additions(seed, self.scale)
    }

    /// Heat that brings what is melted first, and the bowl with it, from one
    /// temperature to another.
    #[must_use]
    pub fn heat_to_melt(&self, from: Temperature, to: Temperature) -> Energy {
        heat_to_melt(&self.chocolate, self.melted, from, to) + heat_of_vessel(self.vessel, from, to)
    }

    /// Melted and seed together.
    #[must_use]
    pub fn total(&self) -> Mass {
        self.melted + self.seed
    }
}
