//! From the melt to the test: what is watched for comes first, then the method has the word.

use crate::catalogue::bench as say;
use crate::method::Method;
use crate::phrases::{Advice, CoachContext, Rule};

pub(super) fn advise(method: Method, context: &CoachContext<'_>) -> Advice {
    if let Some(advice) = context.short_warming().or_else(|| context.probe_trouble()) {
        return advice;
    }
    let Some(temp) = context.temp() else { return context.read_thermometer() };
    if context.bowl.heating.on_pad.is_some() {
        return Advice::new(
            Rule::OffPad,
            say::off_the_pad(),
            say::off_the_pad_to_cool_why(context.shown()),
        )
        .caution();
    }
    if let Some(advice) = context.colouring(temp) {
        return advice;
    }
    match context.failure() {
        Some(failure) if temp < context.setup.chocolate.windows.work.lo => {
            context.failed_cold(temp, failure)
        }
        Some(failure) => method.mend(context, temp, failure),
        None => method.advise(context, temp),
    }
}
