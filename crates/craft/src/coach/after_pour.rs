//! After the pour. What is made from the bowl has its own steps, with their windows; the
//! bench shows those.

use crate::catalogue::bench as say;
use crate::phrases::CoachContext;
use crate::phrases::{Advice, Rule};

pub(super) fn advise(context: &CoachContext<'_>) -> Advice {
    if context.setup.is_colour() {
        Advice::new(Rule::Poured, say::was_put_on(), say::after_the_pour())
    } else {
        Advice::new(Rule::Poured, say::poured(), say::after_the_pour())
    }
}
