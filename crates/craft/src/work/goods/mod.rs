//! What goes in and what goes on top, as the maker states it.

mod mixed_in;
mod prepared;
mod topping;

pub use mixed_in::{MixedAmount, MixedInInputs};
pub(super) use mixed_in::{mixed_in, within_what_binds};
pub use prepared::{Fineness, Preparation};
pub use topping::{ToppingInputs, ToppingWish};
pub(super) use topping::{on_top, scatter};

/// The longest name of what goes in or on top.
const LONGEST_NAME: usize = 80;
/// So many different goods go into one piece of work, and so many on it.
const MOST_GOODS: usize = 12;
