//! From the melt to the test: what is watched for comes first, then the method has the word.

use crate::method::Method;
use crate::phrases::{Advice, Look};

pub(super) fn advise(method: Method, look: &Look<'_>) -> Advice {
    if let Some(advice) = look.short_warming().or_else(|| look.probe_trouble()) {
        return advice;
    }
    let Some(temp) = look.temp() else { return look.read_thermometer() };
    if let Some(advice) = look.colouring(temp) {
        return advice;
    }
    match look.failure() {
        Some(failure) => method.mend(look, temp, failure),
        None => method.advise(look, temp),
    }
}
