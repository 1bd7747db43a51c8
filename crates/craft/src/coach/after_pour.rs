//! After the pour. What is made from the bowl has its own steps, with their windows; the
//! bench shows those, unless what was poured is not tempered: then none of them holds.

use crate::bowl::Temper;
use crate::catalogue::bench as say;
use crate::message::Message;
use crate::phrases::CoachContext;
use crate::phrases::{Advice, Alarm, Rule};

pub(super) fn advise(context: &CoachContext<'_>) -> Advice {
    if let Some(what) = not_tempered(context) {
        return Advice::new(Rule::Poured, what, say::not_tempered_why())
            .stop()
            .sounding(Alarm::Band);
    }
    let done = if context.setup.is_colour() { say::was_put_on() } else { say::poured() };
    Advice::new(Rule::Poured, done, say::after_the_pour())
}

/// Why what was poured is not tempered, or may not be; `None` where it is, or has no temper to
/// have.
fn not_tempered(context: &CoachContext<'_>) -> Option<Message> {
    if !context.setup.course.is_tested {
        return None;
    }
    let (_, poured_at) = context.bowl.poured?;
    match (context.bowl.temper, poured_at, context.setup.lost()) {
        (Temper::Gone { .. }, ..) => Some(say::poured_temper_lost()),
        (Temper::NotShown { .. }, ..) => Some(say::poured_not_tempered()),
        (_, Some(temp), Some(lost)) if temp > lost => Some(say::poured_too_warm(temp, lost)),
        (Temper::Untested, ..) => Some(say::poured_untested()),
        (Temper::Shown { .. }, None, _) => Some(say::poured_unread()),
        (Temper::Shown { .. }, Some(_), _) => None,
    }
}
