//! What a plan takes up of the kitchen over its days: moulds, trays, bowls, heat sources, the
//! stone, the fridge.

use std::collections::{BTreeMap, HashMap};

use uuid::Uuid;

use super::sittings::Sitting;
use super::task::Hold;
use crate::steps::{Line, TakenUp, Thing, taken_up};
use crate::units::{Time, in_seconds, seconds};

/// What was taken up before anything that is still to do: so long before it, minutes.
const LONG_AGO_MIN: f64 = 400.0 * 24.0 * 60.0;

/// How many there are of what there may be more of.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct AtHand {
    /// Of things on the shelf, by id; of what is not named here there is one, but of bowls and heat
    /// sources as many as are wanted.
    pub things: HashMap<Uuid, u32>,
    /// So many trays or moulds stand in the fridge at once; as many as are wanted, if left out.
    pub in_fridge: Option<u32>,
}

impl AtHand {
    /// How many there are of a thing; `None` where nobody said that there are few.
    pub(super) fn of(&self, thing: &Thing) -> Option<u32> {
        let known = |id: &Uuid| self.things.get(id).copied();
        match thing {
            Thing::Ware(id) | Thing::Heat(id) => known(id),
            Thing::Mould(id) | Thing::Tray(id) => Some(known(id).unwrap_or(1)),
            Thing::MouldOf(_) | Thing::Stone => Some(1),
            Thing::Fridge => self.in_fridge,
        }
    }
}

/// A thing that is held, and the sittings it is held from and to.
pub(super) struct Held {
    pub thing: Thing,
    /// Places among what is left, and how long after the begin of the one, until how long before
    /// the end of the other, minutes.
    from: (usize, f64),
    to: (usize, f64),
}

impl Thing {
    /// What it is called among what tasks need.
    pub(super) fn key(&self) -> String {
        match self {
            Self::Mould(id) => format!("mould {id}"),
            Self::MouldOf(component) => format!("mould of {component}"),
            Self::Tray(id) => format!("tray {id}"),
            Self::Ware(id) => format!("bowl {id}"),
            Self::Heat(id) => format!("heat {id}"),
            Self::Stone => "stone".to_owned(),
            Self::Fridge => "fridge".to_owned(),
        }
    }
}

impl Held {
    /// All that is held of what there are few.
    pub fn all(lines: &[Line], left: &[Sitting], at_hand: &AtHand) -> Vec<Self> {
        let takes: HashMap<&str, Time> = lines
            .iter()
            .flat_map(|line| &line.steps)
            .map(|step| (step.key.as_str(), seconds(step.takes.typical_s)))
            .collect();
        let few = taken_up(lines).into_iter().filter(|taken| at_hand.of(&taken.thing).is_some());
        let mut by_thing: BTreeMap<Thing, Vec<Self>> = BTreeMap::new();
        for one in few.filter_map(|taken| Self::of(taken, left, &takes)) {
            by_thing.entry(one.thing.clone()).or_default().push(one);
        }
        by_thing.into_values().flat_map(joined).collect()
    }

    /// Where its steps lie in what is left; `None` where it is free already.
    fn of(taken: TakenUp, left: &[Sitting], takes: &HashMap<&str, Time>) -> Option<Self> {
        let min = |time: Time| in_seconds(time) / 60.0;
        let place = |step: &str| {
            left.iter().enumerate().find_map(|(i, sitting)| Some((i, sitting.mark(step)?)))
        };
        let (last, done) = place(&taken.to)?;
        let from = match place(&taken.from) {
            Some((first, done)) => {
                let begun = done - takes[taken.from.as_str()];
                (first, min(begun - taken.before))
            }
            // It has it already.
            None => (last, -LONG_AGO_MIN),
        };
        Some(Self {
            thing: taken.thing,
            from,
            to: (last, min(left[last].lasts - done - taken.after)),
        })
    }

    /// How many there are of it.
    pub fn many(&self, at_hand: &AtHand) -> u32 {
        at_hand.of(&self.thing).unwrap_or(1)
    }

    /// As the schedule asks for it.
    pub fn hold(&self, left: &[Sitting]) -> Hold {
        let step = |place: usize| left[place].step.clone();
        Hold {
            what: self.thing.key(),
            from: step(self.from.0),
            after_begin_min: self.from.1,
            to: step(self.to.0),
            before_end_min: self.to.1,
        }
    }

    /// The component that has it first.
    pub fn component<'s>(&self, left: &'s [Sitting]) -> &'s str {
        &left[self.from.0].component
    }

    fn shares_a_sitting(&self, other: &Self) -> bool {
        [self.from.0, self.to.0].iter().any(|place| [other.from.0, other.to.0].contains(place))
    }
}

/// What is held twice in one sitting, one after the other, is held throughout: within a sitting
/// nothing can be put off.
fn joined(all: Vec<Held>) -> Vec<Held> {
    let mut joined: Vec<Held> = Vec::with_capacity(all.len());
    for mut one in all {
        while let Some(i) = joined.iter().position(|other| other.shares_a_sitting(&one)) {
            let other = joined.swap_remove(i);
            if other.from < one.from {
                one.from = other.from;
            }
            // The last sitting, and there the least before its end.
            let later = |(place, before_end): (usize, f64)| (place, -before_end);
            if later(other.to) > later(one.to) {
                one.to = other.to;
            }
        }
        joined.push(one);
    }
    joined
}
