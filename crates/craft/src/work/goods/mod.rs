//! What goes in and what goes on top, as the maker states it.

mod mixed_in;
mod prepared;
mod topping;

pub use mixed_in::{MixedAmount, MixedInInputs};
pub(super) use mixed_in::{mixed_in, within_what_binds};
pub use prepared::{Fineness, Preparation};
pub use topping::{ToppingInputs, ToppingWish};
pub(super) use topping::{on_top, on_top_of, scatter, weigh_on};

use crate::catalogue::work::goods as say;
use crate::check::Checker;
use crate::message::Message;
use crate::units::Mass;

/// The longest name of what goes in or on top.
const LONGEST_NAME: usize = 80;
/// So many different goods go into one piece of work, and so many on it.
const MOST_GOODS: usize = 12;

/// Notes faults where what fills up to a total cannot: one fills up at most, to more than what the
/// others weigh, and only where nothing hinders it. `field` names the field of each.
fn check_totals(
    totals: impl IntoIterator<Item = (usize, Mass)>,
    others: Mass,
    hindered: Option<Message>,
    field: impl Fn(usize) -> String,
    check: &mut Checker,
) {
    for (nth, (i, total)) in totals.into_iter().enumerate() {
        let wrong = if nth > 0 {
            Some(say::one_fills_up())
        } else if hindered.is_some() {
            hindered.clone()
        } else {
            (total <= others).then(|| say::others_weigh(others, total))
        };
        if let Some(wrong) = wrong {
            check.fault(field(i), wrong);
        }
    }
}

/// Which of several is the largest; the last of those that are alike.
fn largest(sizes: impl Iterator<Item = f64>) -> Option<usize> {
    sizes.enumerate().max_by(|(_, a), (_, b)| a.total_cmp(b)).map(|(i, _)| i)
}
