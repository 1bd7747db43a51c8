//! When what is done: the order over hours and days, forward from a beginning or backward from
//! when it must be ready.
//!
//! A schedule is a network of waits. Every [`Task`] has hands and things it needs while it lasts,
//! and waits for others, at the least and at the most. Which of two tasks goes first where both
//! need the same hands or the same mould is what is searched for (`search`); once that is settled,
//! the waits and the maker's hours give every task its soonest time (`network`), and no other
//! order of times with the same order of tasks is sooner. Backward is the same with time running
//! the other way.

mod asked;
mod broken;
mod days;
mod free;
mod held;
mod hours;
mod network;
mod search;
mod sittings;
mod task;

pub use asked::{Asked, Broken, Placed, Schedule, What};
pub use days::{Around, Days, Mend, Slot, days};
pub use free::Free;
pub use held::AtHand;
pub use hours::{Exception, Hours, Span as DaySpan, Weekly};
pub use sittings::{Sitting, Span, sittings, span, zone};
pub use task::{After, Hold, Task};
