//! From what is stated of a component to what goes into it.

use super::cast::Cast;
use super::face::Face;
use super::mistakes::Mistake;
use super::task::TaskDraft;
use crate::check::{Bounds, Checker};
use crate::chocolate::Chocolate;
use crate::colour::Optics;
use crate::note::{Note, Working};
use crate::room::Room;
use crate::spread::Tray;
use crate::spread::mixed::Mixed;
use crate::spread::topping::OnTop;
use crate::units::{Area, Length, Mass, Temperature};

/// A chocolate of the batch.
#[derive(Clone, Debug, PartialEq)]
pub(crate) struct Known {
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

/// What a component takes from a bowl.
#[derive(Clone, Debug, PartialEq)]
pub struct Portion {
    /// The bowl's key.
    pub chocolate: String,
    /// How much of it is in the piece.
    pub mass: Mass,
    /// How much must be at hand for it: more than that where moulds are filled and
    /// dumped, things dipped, or a tool needs more to work at all.
    pub at_hand: Mass,
}

impl Portion {
    /// What is in the piece, and no more than that at hand.
    #[must_use]
    pub fn of(chocolate: &str, mass: Mass) -> Self {
        Self { chocolate: chocolate.to_owned(), mass, at_hand: mass }
    }
}

/// What goes in besides chocolate.
#[derive(Clone, Debug, PartialEq)]
pub struct Goods {
    /// What it is.
    pub name: String,
    /// What it weighs.
    pub mass: Mass,
    /// Where it goes, in a word or two: "mixed in", "on top".
    pub goes: &'static str,
}

/// What lies over what, the lowest first.
#[derive(Clone, Debug, PartialEq)]
pub struct Layer {
    /// The bowl's key.
    pub chocolate: String,
    /// How thick, once set.
    pub thickness: Length,
    /// Its own colour, `#rrggbb`, where it is coloured.
    pub colour: Option<String>,
    /// The share of the surface that it makes up, where it is one of several drawn
    /// through each other; 1 for a layer of its own.
    pub share: f64,
    /// Heat that what is folded in or lies on it takes up, as grams of it to a gram
    /// of chocolate.
    pub goods_per_gram: f64,
}

impl Layer {
    /// A layer of its own, plain.
    #[must_use]
    pub fn of(chocolate: &str, thickness: Length) -> Self {
        Self {
            chocolate: chocolate.to_owned(),
            thickness,
            colour: None,
            share: 1.0,
            goods_per_gram: 0.0,
        }
    }
}

/// How many pieces come of it.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Pieces {
    /// How many.
    pub count: f64,
    /// What one weighs, all told.
    pub each: Mass,
    /// How large one is, where it is part of a slab.
    pub area: Option<Area>,
}

/// A component before its times are known.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Draft {
    /// What it takes from which bowl.
    pub takes: Vec<Portion>,
    /// What else goes in.
    pub goods: Vec<Goods>,
    /// How it lies, the lowest first.
    pub layers: Vec<Layer>,
    /// What it covers.
    pub tray: Option<Tray>,
    /// How thick it is in all.
    pub thickness: Option<Length>,
    /// How long, where it is a strip or a line.
    pub length: Option<Length>,
    /// How many pieces come of it.
    pub pieces: Option<Pieces>,
    /// What is folded in.
    pub mixed_in: Option<Mixed>,
    /// What goes on top.
    pub topping: Option<OnTop>,
    /// How it is built.
    pub tasks: Vec<TaskDraft>,
    /// What to look for.
    pub checks: Vec<&'static str>,
    /// What goes wrong.
    pub mistakes: Vec<Mistake>,
    /// Remarks and cautions.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
    /// Whether it may set in the fridge.
    pub may_chill: bool,
    /// How warm it is poured, where that is not the band of its bowl.
    pub poured: Option<Temperature>,
    /// The share of a marbled surface that is stirred through, 0 to 1.
    pub muddied: Option<f64>,
    /// How its underside looks.
    pub underside: Option<&'static str>,
    /// The layer by which it sets: the base, or the last that was poured.
    pub governs: usize,
    /// The stone it is spread on, where it is a frozen one.
    pub stone: Option<Temperature>,
    /// How its face looks, where it is coloured.
    pub face: Option<Face>,
    /// What it is cast in, where it is.
    pub cast: Option<Cast>,
    /// How long it keeps at 15–18 °C, airtight, in a sentence (*custom*).
    pub keeps: Option<String>,
}

/// What a kind of work is drafted with.
pub(crate) struct Drafting<'a> {
    /// The chocolates of the batch.
    pub chocolates: &'a [Known],
    /// The room.
    pub room: Room,
    /// Whether there is a fridge to set it in.
    pub fridge: bool,
    /// Gathers the faults.
    pub check: &'a mut Checker,
}

impl Drafting<'_> {
    /// A number, with a fault noted where it is out of bounds.
    pub fn number(&mut self, field: &str, value: f64, bounds: Bounds) -> f64 {
        self.check.number(field, value, bounds)
    }

    /// What a film of a colour does to light, with a fault noted where there is no
    /// such colour.
    pub fn colour(&mut self, field: &str, key: &str) -> Option<Optics> {
        let known = self.chocolates.iter().find(|known| known.key == key);
        let optics = known.and_then(|known| known.optics);
        if optics.is_none() {
            let colours = self.chocolates.iter().filter(|known| known.optics.is_some());
            let keys: Vec<_> = colours.map(|known| known.key.as_str()).collect();
            let there = if keys.is_empty() { "none".to_owned() } else { keys.join(", ") };
            self.check.fault(
                field,
                format!("must name a coloured cocoa butter of this batch ({there}); it is {key}"),
            );
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
            let there = if keys.is_empty() { "none".to_owned() } else { keys.join(", ") };
            self.check.fault(
                field,
                format!("must name a chocolate of this batch ({there}); it is {key}"),
            );
        }
        known.map(|known| known.chocolate.clone())
    }
}

/// How many whole ones there are; a hair's breadth under one is one.
pub(super) fn whole(count: f64) -> f64 {
    (count + 1e-9).floor()
}
