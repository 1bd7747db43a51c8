//! What follows for one chocolate of a plan, and for one thing that is made.

use uuid::Uuid;

use super::bowl::BowlPlan;
use super::keeping::Keeping;
use super::left_over::LeftOver;
use crate::fridge::Stay;
use crate::note::Note;
use crate::setting::Setting;
use crate::units::Mass;
use crate::work::{Draft, Task};

/// A part of a bowl that is in temper.
#[derive(Clone, Debug, PartialEq)]
pub struct TakenPart {
    /// The bowl that it is taken from, by key.
    pub from: String,
    /// What texts call that.
    pub label: String,
    /// How much is taken.
    pub mass: Mass,
}

/// Colour that is stirred into a bowl, or into what is taken from one.
#[derive(Clone, Debug, PartialEq)]
pub struct Tinted {
    /// The colour, by key.
    pub colour: String,
    /// What texts call it.
    pub label: String,
    /// Its share of the chocolate's weight, 0 to 1.
    pub share: f64,
    /// How much chocolate it is stirred into: all of the bowl, but what is taken out of it.
    pub into: Mass,
}

/// A chocolate of the plan, and what is made from it.
#[derive(Clone, Debug, PartialEq)]
pub struct PlannedBowl {
    /// What components call it.
    pub key: String,
    /// What texts call it: its family, or its key where there are two of that.
    pub label: String,
    /// What the components take of it.
    pub needed: Mass,
    /// What moulds and vessels give back.
    pub returned: Mass,
    /// What stays on bowl and tools.
    pub stays_behind: Mass,
    /// How it is tempered; `None` where nothing is made from it and nothing weighed
    /// out, and for what is taken from another bowl.
    pub plan: Option<BowlPlan>,
    /// What it is a part of, where it is taken from another bowl.
    pub taken: Option<TakenPart>,
    /// What is stirred into it.
    pub tinted: Option<Tinted>,
    /// How it looks, `#rrggbb`, where that is not as its family does.
    pub looks: Option<String>,
    /// The bowl on the shelf that it is tempered in.
    pub ware_id: Option<Uuid>,
    /// The microwave or water bath on the shelf that it is melted by.
    pub heat_id: Option<Uuid>,
    /// What is left over, where more is weighed out than is needed.
    pub left_over: Option<LeftOver>,
    /// Remarks.
    pub notes: Vec<Note>,
}

/// A component, planned.
#[derive(Clone, Debug, PartialEq)]
pub struct PlannedComponent {
    /// Its key.
    pub key: String,
    /// What the maker calls it.
    pub name: String,
    /// What goes in, and how it lies.
    pub draft: Draft,
    /// How it is built, with the times.
    pub tasks: Vec<Task>,
    /// The windows of its last layer; `None` where it is not chocolate, or does not set.
    pub setting: Option<Setting>,
    /// A stay in the fridge, once it is touch dry, where there is to be one.
    pub fridge: Option<Stay>,
    /// How it is kept; `None` of what nobody eats as it is.
    pub keeping: Option<Keeping>,
    /// The tray on the shelf that it is made in.
    pub tray_id: Option<Uuid>,
    /// Remarks on its times.
    pub notes: Vec<Note>,
}

/// How a chocolate is tempered: by its own plan, or by that of the bowl it is taken from.
#[must_use]
pub fn plan_of<'b>(bowls: &'b [PlannedBowl], key: &str) -> Option<&'b BowlPlan> {
    let find = |key: &str| bowls.iter().find(|bowl| bowl.key == key);
    let bowl = find(key)?;
    match &bowl.taken {
        Some(taken) => find(&taken.from)?.plan.as_ref(),
        None => bowl.plan.as_ref(),
    }
}
