//! What goes into a component, how it lies, and how it is built, before its times are known.

use super::cast::Cast;
use super::face::Face;
use super::mistakes::Mistake;
use super::painted::PaintedLook;
use super::parts::{Goods, Layer, Pieces, Portion, Used};
use super::task::TaskDraft;
use crate::filling::Balance;
use crate::keeping::Lasts;
use crate::message::Message;
use crate::note::{Note, Working};
use crate::spread::Tray;
use crate::spread::mixed::Mixed;
use crate::spread::topping::OnTop;
use crate::units::{Length, Mass, Temperature, rise};

/// How large it is, and how many come of it.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Size {
    /// What it covers.
    pub tray: Option<Tray>,
    /// How thick it is in all.
    pub thickness: Option<Length>,
    /// How long, where it is a strip or a line.
    pub length: Option<Length>,
    /// How many pieces come of it.
    pub pieces: Option<Pieces>,
}

/// How it lies, and by what it sets.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Sets {
    /// How it lies, the lowest first.
    pub layers: Vec<Layer>,
    /// The layer by which it sets: the base, or the last that was poured.
    pub governs: usize,
    /// How warm it is poured, where that is not the band of its bowl.
    pub poured: Option<Temperature>,
    /// The stone it is spread on, where it is a frozen one.
    pub stone: Option<Temperature>,
    /// What goes in and on, and how warm it is.
    pub goods: Vec<(Mass, Temperature)>,
    /// Whether it is set on ice.
    pub on_ice: bool,
    /// Whether it may set in the fridge.
    pub may_chill: bool,
}

impl Sets {
    /// How warm goods are on the average, by their weight; as the room where there are none.
    #[must_use]
    pub fn goods_at(&self, room: Temperature) -> Temperature {
        let all = self.goods.iter().fold(Mass::default(), |sum, (mass, _)| sum + *mass);
        if all <= Mass::default() {
            return room;
        }
        self.goods.iter().fold(room, |mean, (mass, temp)| mean + rise(room, *temp) * (*mass / all))
    }
}

/// How it looks.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Shown {
    /// How its face looks, where it is coloured.
    pub face: Option<Face>,
    /// What it is cast in, where it is.
    pub cast: Option<Cast>,
    /// How what is painted or dusted on finished pieces looks, in the order of work.
    pub painted: Vec<PaintedLook>,
    /// How its underside looks.
    pub underside: Option<&'static str>,
    /// How what it is filled with, or what is dipped, is balanced.
    pub filling: Option<Balance>,
    /// The share of a marbled surface that is stirred through, 0 to 1.
    pub muddied: Option<f64>,
}

/// What is said of it.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Said {
    /// What to look for.
    pub checks: Vec<Message>,
    /// What goes wrong.
    pub mistakes: Vec<Mistake>,
    /// Remarks and cautions.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
    /// How long its own kind keeps (*custom*); what goes in may keep less.
    pub keeps: Option<Lasts>,
}

/// How what goes in or on is prepared.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Prepared {
    /// Before anything else.
    pub first: Vec<TaskDraft>,
    /// Once it is cold, before chocolate touches it.
    pub cold: Vec<TaskDraft>,
}

/// A component before its times are known.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Draft {
    /// What it takes from which bowl.
    pub takes: Vec<Portion>,
    /// What else goes in.
    pub goods: Vec<Goods>,
    /// Which of the goods that go in or on are moist.
    pub moist: Vec<String>,
    /// What is used up with it and nobody eats.
    pub used: Vec<Used>,
    /// How it lies, and by what it sets.
    pub sets: Sets,
    /// How large it is, and how many come of it.
    pub size: Size,
    /// What is folded in, each by its name.
    pub mixed_in: Vec<(String, Mixed)>,
    /// What goes on top, each by its name, as it was stated.
    pub toppings: Vec<(String, OnTop)>,
    /// How it is built.
    pub tasks: Vec<TaskDraft>,
    /// What is done before that to what goes in or on.
    pub prepared: Prepared,
    /// What is said of it.
    pub said: Said,
    /// How it looks.
    pub shown: Shown,
}

impl Draft {
    /// What comes of it, all told: its pieces, or what is in it where it is not cut.
    #[must_use]
    pub fn weighs(&self) -> Mass {
        match self.size.pieces {
            Some(pieces) => pieces.each * pieces.count,
            None => {
                let chocolate: Mass = self.takes.iter().map(|portion| portion.mass).sum();
                chocolate + self.goods.iter().map(|goods| goods.mass).sum::<Mass>()
            }
        }
    }

    /// The same, with what is prepared in its place among the tasks.
    #[must_use]
    pub fn in_order(mut self) -> Self {
        let Prepared { first, cold } = std::mem::take(&mut self.prepared);
        let takes = self.tasks.iter().position(|task| task.chocolate.is_some());
        let takes = takes.unwrap_or(self.tasks.len());
        self.tasks.splice(takes..takes, cold);
        self.tasks.splice(0..0, first);
        self
    }
}
