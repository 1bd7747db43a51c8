//! What a piece is made of: portions of chocolate, goods, layers, and how many pieces.

use uuid::Uuid;

use crate::allergens::LabelInputs;
use crate::setting::Scattered;
use crate::units::{Area, Length, Mass};

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
    /// Whether nobody eats it: a toy, a slip of paper.
    pub not_food: bool,
    /// The goods in the pantry that it is.
    pub goods_id: Option<Uuid>,
    /// What its label says of allergens, where it was put in.
    pub label: Option<LabelInputs>,
    /// What is bought and weighed out for it, where it is prepared first: other weights, and what
    /// goes in besides.
    pub raw: Option<Vec<Bought>>,
}

/// What is bought and weighed out.
#[derive(Clone, Debug, PartialEq)]
pub struct Bought {
    /// What it is.
    pub name: String,
    /// What it weighs.
    pub mass: Mass,
    /// The goods in the pantry that it is.
    pub goods_id: Option<Uuid>,
    /// What its label says of allergens, where it was put in.
    pub label: Option<LabelInputs>,
}

/// The same, where it stands.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct BoughtRef<'g> {
    /// What it is.
    pub name: &'g str,
    /// What it weighs.
    pub mass: Mass,
    /// The goods in the pantry that it is.
    pub goods_id: Option<Uuid>,
    /// What its label says of allergens, where it was put in.
    pub label: Option<&'g LabelInputs>,
}

impl Goods {
    /// What goes somewhere, by its name alone.
    pub fn named(name: &str, mass: Mass, goes: &'static str) -> Self {
        Self {
            name: name.to_owned(),
            mass,
            goes,
            not_food: false,
            goods_id: None,
            label: None,
            raw: None,
        }
    }

    /// What is bought and weighed out for it: itself, where it is not prepared.
    pub fn bought(&self) -> impl Iterator<Item = BoughtRef<'_>> {
        let itself = self.raw.is_none().then_some(BoughtRef {
            name: &self.name,
            mass: self.mass,
            goods_id: self.goods_id,
            label: self.label.as_ref(),
        });
        let raw = self.raw.iter().flatten().map(|one| BoughtRef {
            name: &one.name,
            mass: one.mass,
            goods_id: one.goods_id,
            label: one.label.as_ref(),
        });
        raw.chain(itself)
    }

    /// It is goods of the pantry, with what their label says.
    pub fn of_pantry(self, goods_id: Option<Uuid>, label: Option<&LabelInputs>) -> Self {
        Self { goods_id, label: label.cloned(), ..self }
    }
}

/// What is used up with it and nobody eats: sticks, sheets, bags.
#[derive(Clone, Debug, PartialEq)]
pub struct Used {
    /// What it is.
    pub name: &'static str,
    /// How many.
    pub count: f64,
    /// What for, in a word or two.
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
    /// Heat that what is folded in takes up, as grams of it to a gram of chocolate.
    pub goods_per_gram: f64,
    /// What is scattered on it.
    pub on_top: Scattered,
    /// In how many coats it is brushed on; 1 for what is poured.
    pub coats: u32,
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
            on_top: Scattered::default(),
            coats: 1,
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

/// How many whole ones there are; a hair's breadth under one is one.
pub(super) fn whole(count: f64) -> f64 {
    (count + 1e-9).floor()
}
