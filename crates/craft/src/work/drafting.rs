//! What a kind of work is drafted with: the batch's chocolates, the room, and where faults go.

use std::fmt::Display;

use crate::catalogue::work::drafting as say;
use crate::check::{Bounds, Checker};
use crate::chocolate::{Chocolate, Family};
use crate::colour::Optics;
use crate::message::{Message, names};
use crate::room::Room;
use crate::scale::Scale;
use crate::units::Mass;
use crate::work::parts::Goods;

/// A chocolate of the batch.
#[derive(Clone, Debug, PartialEq)]
pub(crate) struct BatchChocolate {
    /// What components call it.
    pub key: String,
    /// What tasks call it.
    pub label: String,
    /// What it is.
    pub chocolate: Chocolate,
    /// What a film of it does to light, where it is a colour.
    pub optics: Option<Optics>,
    /// Its pigment, in parts to a hundred of butter, where it is a colour.
    pub parts: Option<f64>,
    /// How freely it flows, 1 thick to 5 thin.
    pub flow_grade: Option<u8>,
}

/// What a kind of work is drafted with.
pub(crate) struct Drafting<'a> {
    /// The chocolates of the batch.
    pub chocolates: &'a [BatchChocolate],
    /// The room.
    pub room: Room,
    /// Whether there is a fridge to set it in.
    pub fridge: bool,
    /// What goods are weighed on.
    pub scale: Scale,
    /// Gathers the faults.
    pub check: &'a mut Checker,
}

impl Drafting<'_> {
    /// A number, with a fault noted where it is out of bounds.
    pub fn number(&mut self, field: impl Display, value: f64, bounds: Bounds) -> f64 {
        self.check.number(field, value, bounds)
    }

    /// So much of something beside the chocolate, as the scale shows it.
    pub fn goods(&self, name: &str, mass: Mass, goes: &'static str) -> Goods {
        Goods::named(name, self.scale.shows(mass), goes)
    }

    /// What a film of a colour does to light, with a fault noted where there is no
    /// such colour.
    pub fn colour(&mut self, field: &str, key: &str) -> Option<Optics> {
        let known = self.chocolates.iter().find(|known| known.key == key);
        let optics = known.and_then(|known| known.optics);
        if optics.is_none() {
            let colours = self.chocolates.iter().filter(|known| known.optics.is_some());
            let keys: Vec<_> = colours.map(|known| known.key.as_str()).collect();
            self.check.fault(field, say::must_name_a_colour(among(&keys), key));
        }
        optics
    }

    /// A colour's parts of pigment to a hundred of butter.
    pub fn parts(&self, key: &str) -> Option<f64> {
        self.chocolates.iter().find(|known| known.key == key)?.parts
    }

    /// How freely a chocolate flows, where its bag says so.
    pub fn flow_grade(&self, key: &str) -> Option<u8> {
        self.chocolates.iter().find(|known| known.key == key)?.flow_grade
    }

    /// A chocolate's family, where there is one by that key.
    pub fn family(&self, key: &str) -> Option<Family> {
        Some(self.chocolates.iter().find(|known| known.key == key)?.chocolate.family)
    }

    /// What tasks call a chocolate.
    pub fn label(&self, key: &str) -> String {
        let known = self.chocolates.iter().find(|known| known.key == key);
        known.map_or_else(|| key.to_owned(), |known| known.label.clone())
    }

    /// A chocolate by its key, with a fault noted where there is none.
    pub fn chocolate(&mut self, field: &str, key: &str) -> Option<Chocolate> {
        let known = self.chocolates.iter().find(|known| known.key == key);
        if known.is_none() {
            let keys: Vec<_> = self.chocolates.iter().map(|known| known.key.as_str()).collect();
            self.check.fault(field, say::must_name_a_chocolate(among(&keys), key));
        }
        known.map(|known| known.chocolate.clone())
    }
}

/// What a key may be one of.
fn among(keys: &[&str]) -> Message {
    if keys.is_empty() { say::none_there() } else { say::those_there(names(keys)) }
}
