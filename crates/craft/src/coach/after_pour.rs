//! After the pour. What is made from the bowl has its own steps, with their windows; the
//! bench shows those, unless what was poured is not tempered: then none of them holds.

use crate::bowl::{Bowl, Setup, Temper};
use crate::catalogue::bench as say;
use crate::message::Message;
use crate::phrases::CoachContext;
use crate::phrases::{Advice, Alarm, Rule};

pub(super) fn advise(context: &CoachContext<'_>) -> Advice {
    if let Some(what) = not_tempered(context.setup, context.bowl) {
        return Advice::new(Rule::Poured, what, not_tempered_instead())
            .stop()
            .sounding(Alarm::Band);
    }
    let done = if context.setup.is_colour() { say::was_put_on() } else { say::poured() };
    Advice::new(Rule::Poured, done, say::after_the_pour())
}

/// What to do about it.
#[must_use]
pub fn not_tempered_instead() -> Message {
    say::not_tempered_why()
}

/// Why what was poured is not tempered, or may not be; `None` where it is, where it has no
/// temper to have, or where it is not poured yet.
#[must_use]
pub fn not_tempered(setup: &Setup, bowl: &Bowl) -> Option<Message> {
    if !setup.course.is_tested {
        return None;
    }
    let (_, poured_at) = bowl.poured?;
    match (bowl.temper, poured_at, setup.lost()) {
        (Temper::Gone { .. }, ..) => Some(say::poured_temper_lost()),
        (Temper::NotShown { .. }, ..) => Some(say::poured_not_tempered()),
        (_, Some(temp), Some(lost)) if temp > lost => Some(say::poured_too_warm(temp, lost)),
        (Temper::Untested, ..) => Some(say::poured_untested()),
        (Temper::Shown { .. }, ..) if bowl.poured_unread => Some(say::poured_unread()),
        (Temper::Shown { .. }, ..) => None,
    }
}
