//! What to do next at the bowl: one instruction at a time.
//!
//! A pure function of the setup, the folded bowl, what lies ahead and the time.
//! Each answer names the rule that spoke, so that it can be shown, tested and
//! questioned.
//!
//! What is the same for every method is here: the melt, the test, the work in
//! temper, the pour. The way from melt to test is the method's own
//! ([`crate::method`]), told in [`crate::phrases`].

mod after_pour;
mod asks;
mod colouring;
pub mod hands;
mod melting;
mod on_the_way;
mod ready;

pub use crate::phrases::{Advice, Alarm, Countdown, Grounds, Rule, STALE_AFTER};

use chrono::{DateTime, Utc};

use crate::bowl::{Ahead, Bowl, Phase, Setup};
use crate::catalogue::bench as say;
use crate::method::{Method, Run};
use crate::phrases::CoachContext;
use crate::units::Time;

/// The next instruction.
#[must_use]
pub fn advise(run: &Run, bowl: &Bowl, ahead: &Ahead, now: DateTime<Utc>) -> Advice {
    let context = CoachContext { setup: &run.setup, bowl, ahead, now };
    let advice = next(run.method, &context);
    Advice { grounds: context.grounds(), asks: asks::asks(&advice, &context), ..advice }
}

fn next(method: Method, context: &CoachContext<'_>) -> Advice {
    if let Some(advice) = context.fahrenheit().or_else(|| context.limit()) {
        return advice;
    }
    let bowl = context.bowl;
    match bowl.phase {
        Phase::Melting => melting::advise(context),
        Phase::Cooling => on_the_way::advise(method, context),
        Phase::Testing => ready::while_testing(context),
        Phase::Working => ready::while_working(context),
        Phase::Done => after_pour::advise(context),
        Phase::Lost => Advice::new(
            Rule::GivenUp,
            say::given_up(),
            say::given_up_reason(bowl.gave_up.as_deref().unwrap_or_default()),
        ),
    }
}

/// The bursts that are left of a melt, the next first; none once it is melted,
/// over water, or before the first reading.
#[must_use]
pub fn bursts_left(setup: &Setup, bowl: &Bowl, now: DateTime<Utc>) -> Vec<Time> {
    let context = CoachContext { setup, bowl, ahead: &Ahead::default(), now };
    match (bowl.phase, setup.microwave, bowl.thermometer.latest) {
        (Phase::Melting, Some(_), Some(latest)) if latest.temp < setup.melted_from() => {
            if setup.course.keeps_crystals {
                Vec::new()
            } else {
                melting::bursts_left(&context, latest.temp)
            }
        }
        _ => Vec::new(),
    }
}
