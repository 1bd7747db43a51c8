//! What follows for one chocolate of a plan, and for one thing that is made.

use super::bowl::BowlPlan;
use super::left_over::LeftOver;
use crate::fridge::Stay;
use crate::note::Note;
use crate::setting::Setting;
use crate::units::Mass;
use crate::work::{Draft, Task};

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
    /// How it is tempered; `None` where nothing is made from it and nothing weighed
    /// out.
    pub plan: Option<BowlPlan>,
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
    /// Remarks on its times.
    pub notes: Vec<Note>,
}
