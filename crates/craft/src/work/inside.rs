//! What goes inside of what is hollow.

use serde::{Deserialize, Serialize};

use super::drafting::Drafting;
use super::parts::Goods;
use crate::catalogue::work::inside as say;
use crate::check;
use crate::message::names;
use crate::note::Note;
use crate::shell::Inside;
use crate::units::{grams, millilitres, millimetres};

/// The longest name.
const LONGEST_NAME: usize = 80;
/// Things inside at most.
const MOST_INSIDE: usize = 8;

/// Something that goes inside.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct InsideInputs {
    /// What it is.
    pub name: String,
    /// The room that one takes up; of a powder the room it takes up as it lies.
    pub each_ml: f64,
    /// What one weighs.
    pub each_g: f64,
    /// How many in each hollow.
    pub count: u32,
    /// How far across one is.
    pub across_mm: f64,
    /// Whether it is not food: a toy, a slip of paper.
    #[serde(default)]
    pub not_food: bool,
    /// Whether it is made in the same batch, as bonbons are: nothing is bought for it.
    #[serde(default)]
    pub made_here: bool,
}

/// What goes inside, checked, with faults noted under `inside`.
pub(super) fn check_inside(stated: &[InsideInputs], at: &mut Drafting<'_>) -> Vec<Inside> {
    if stated.len() > MOST_INSIDE {
        at.check.fault("inside", say::at_most_inside(MOST_INSIDE, stated.len()));
    }
    let mut inside = Vec::new();
    for (i, one) in stated.iter().enumerate() {
        let field = |name: &str| format!("inside[{i}].{name}");
        at.check.text(field("name"), &one.name, LONGEST_NAME);
        let each_ml = at.number(field("each_ml"), one.each_ml, check::INSIDE_ML);
        at.number(field("each_g"), one.each_g, check::TOPPING_G);
        at.number(field("count"), f64::from(one.count), check::PIECES);
        let across = at.number(field("across_mm"), one.across_mm, check::CAVITY_MM_INSIDE);
        if one.made_here && one.not_food {
            at.check.fault(field("not_food"), say::made_here_is_food());
        }
        inside.push(Inside {
            name: one.name.clone(),
            volume: millilitres(each_ml),
            count: one.count,
            across: millimetres(across),
            loose: one.count > 1,
        });
    }
    inside
}

/// What is bought to go inside of so many.
pub(super) fn goods_inside(stated: &[InsideInputs], hollows: f64) -> Vec<Goods> {
    let bought = stated.iter().filter(|one| !one.made_here);
    let all = |one: &InsideInputs| grams(one.each_g * f64::from(one.count) * hollows);
    let goods = |one: &InsideInputs| Goods {
        not_food: one.not_food,
        ..Goods::named(&one.name, all(one), "inside")
    };
    bought.map(goods).collect()
}

/// What is in one hollow weighs so much, g.
pub(super) fn inside_each_g(stated: &[InsideInputs]) -> f64 {
    stated.iter().map(|one| one.each_g * f64::from(one.count)).sum()
}

/// What is to be minded of what goes inside.
pub(super) fn remarks_inside(stated: &[InsideInputs]) -> Option<Note> {
    let not_food: Vec<_> =
        stated.iter().filter(|one| one.not_food).map(|one| one.name.as_str()).collect();
    (!not_food.is_empty())
        .then(|| Note::caution("not-food-inside", say::not_food_inside(names(not_food))))
}
