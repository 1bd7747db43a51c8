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
mod bursts;
mod colouring;
pub mod hands;
mod melting;
mod on_the_way;
mod ready;

pub use after_pour::{not_tempered, not_tempered_instead};

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
    Advice {
        grounds: context.grounds(),
        hint: context.uneven(),
        asks: asks::asks(&advice, &context),
        ..advice
    }
}

fn next(method: Method, context: &CoachContext<'_>) -> Advice {
    let watched = context.fahrenheit().or_else(|| context.limit());
    if let Some(advice) = watched.or_else(|| context.rose_by_itself()) {
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

/// The bursts that are left of a melt, the next first; none once it is melted, over water,
/// before the first reading, or where the advice is to stop.
#[must_use]
pub fn bursts_left(
    setup: &Setup,
    bowl: &Bowl,
    ahead: &Ahead,
    advice: &Advice,
    now: DateTime<Utc>,
) -> Vec<Time> {
    let context = CoachContext { setup, bowl, ahead, now };
    let goes_on = matches!(
        advice.rule,
        Rule::Warm | Rule::NotYetMelted | Rule::Heating | Rule::StirAfterHeat
    );
    match (bowl.phase, setup.microwave, context.temp()) {
        (Phase::Melting, Some(_), Some(temp)) if goes_on && temp < setup.melted_from() => {
            let mut left = bursts::left(&context, temp);
            // What is advised is the first of them, to the second.
            match (advice.heat, left.first_mut()) {
                (Some(next), Some(first)) => *first = next,
                (Some(next), None) => left.push(next),
                (None, _) if matches!(advice.rule, Rule::Warm | Rule::NotYetMelted) => left.clear(),
                (None, _) => {}
            }
            left
        }
        _ => Vec::new(),
    }
}
