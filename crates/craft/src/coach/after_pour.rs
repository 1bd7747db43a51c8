//! After the pour. What is made from the bowl has its own steps, with their windows; the
//! bench shows those.

use crate::phrases::Look;
use crate::phrases::{Advice, Rule};

pub(super) fn advise(look: &Look<'_>) -> Advice {
    if look.setup.is_colour() {
        Advice::new(
            Rule::Poured,
            "Put on",
            "What comes next is the next step of what is made from it.",
        )
    } else {
        Advice::new(
            Rule::Poured,
            "Poured",
            "What comes next is the next step of what is made from it.",
        )
    }
}
