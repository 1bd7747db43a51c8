//! From which step to which each thing is taken up of which a kitchen has only so much.

use uuid::Uuid;

use super::gear::Gear;
use super::step::{Line, LineOf, Step, StepKind};
use crate::units::{Time, minutes};

/// A stone is cold through again after so long in the freezer, minutes (*custom*).
const FREEZES_MIN: f64 = 8.0 * 60.0;
/// Bowls, tools and table are washed in so long, after what a chocolate was tempered for, minutes
/// (*custom*).
pub const CLEANING_MIN: f64 = 10.0;

/// A thing of the kitchen.
#[derive(Clone, Debug, PartialEq, Eq, Hash, PartialOrd, Ord)]
pub enum Thing {
    /// A mould on the shelf.
    Mould(Uuid),
    /// The mould of a component that picked none on the shelf, by the component's key.
    MouldOf(String),
    /// A tray on the shelf.
    Tray(Uuid),
    /// A bowl on the shelf.
    Ware(Uuid),
    /// A microwave or water bath on the shelf.
    Heat(Uuid),
    /// The slab of stone.
    Stone,
    /// A place in the fridge.
    Fridge,
}

/// A thing that is taken up from the begin of one step to the end of another.
#[derive(Clone, Debug, PartialEq)]
pub struct TakenUp {
    /// What.
    pub thing: Thing,
    /// The step it is taken up with, by key.
    pub from: String,
    /// It is wanted so long before that: a stone is frozen first.
    pub before: Time,
    /// The step it is free with, by key.
    pub to: String,
    /// It is wanted so long after that: a bowl is washed.
    pub after: Time,
}

impl TakenUp {
    fn between(thing: Thing, from: &Step, to: &Step) -> Self {
        let (from, to) = (from.key.clone(), to.key.clone());
        Self { thing, from, before: Time::default(), to, after: Time::default() }
    }
}

/// What all lines of a plan take up.
#[must_use]
pub fn taken_up(lines: &[Line]) -> Vec<TakenUp> {
    let mut all = Vec::new();
    for line in lines {
        match &line.of {
            LineOf::Component { component, casts, .. } => {
                of_component(line, component, *casts, &mut all)
            }
            LineOf::Bowl { .. } => of_bowl(line, lines, &mut all),
            LineOf::Packing {} => {}
        }
    }
    all
}

fn of_component(line: &Line, component: &str, casts: u32, all: &mut Vec<TakenUp>) {
    let Some((first, last)) = line.steps.first().zip(line.steps.last()) else { return };
    let out = line.steps.iter().find(|step| step.unmoulds()).unwrap_or(last);
    let picked = line.gear.iter().any(|gear| matches!(gear, Gear::Mould { .. }));
    if casts > 1 && !picked {
        all.push(TakenUp::between(Thing::MouldOf(component.to_owned()), first, out));
    }
    for gear in &line.gear {
        let (thing, until, before) = match gear {
            Gear::Mould { id } => (Thing::Mould(*id), out, Time::default()),
            Gear::Tray { id } => (Thing::Tray(*id), out, Time::default()),
            Gear::FrozenStone {} => (Thing::Stone, last, minutes(FREEZES_MIN)),
            Gear::Stone {} | Gear::Ware { .. } | Gear::Heat { .. } => continue,
        };
        all.push(TakenUp { before, ..TakenUp::between(thing, first, until) });
    }
    for step in line.steps.iter().filter(|step| step.goes_into_the_fridge()) {
        let counts = |other: &&Step| other.wait.as_ref().is_some_and(|wait| wait.step == step.key);
        if let Some(out) = line.steps.iter().find(counts) {
            all.push(TakenUp::between(Thing::Fridge, step, out));
        }
    }
}

/// A bowl is taken up until all of what was tempered in it is used, and washed.
fn of_bowl(line: &Line, lines: &[Line], all: &mut Vec<TakenUp>) {
    let Some(temper) = line.steps.iter().find(|step| step.kind == StepKind::Tempering) else {
        return;
    };
    let mut steps = lines.iter().flat_map(|line| &line.steps);
    let last = steps.rfind(|step| step.tempered.as_ref() == Some(&temper.key));
    for gear in &line.gear {
        all.push(match gear {
            Gear::Ware { id } => TakenUp {
                after: minutes(CLEANING_MIN),
                ..TakenUp::between(Thing::Ware(*id), temper, last.unwrap_or(temper))
            },
            Gear::Heat { id } => TakenUp::between(Thing::Heat(*id), temper, temper),
            Gear::Stone {} => TakenUp::between(Thing::Stone, temper, temper),
            Gear::FrozenStone {} | Gear::Mould { .. } | Gear::Tray { .. } => continue,
        });
    }
}
