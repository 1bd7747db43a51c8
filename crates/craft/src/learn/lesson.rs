//! What one bowl's record teaches.

use chrono::{DateTime, Utc};

use super::trace::Trace;
use super::{GearNumbers, Number};
use crate::bowl::{Record, Setup, Temper, fold};
use crate::units::{Time, in_seconds};

/// What a bowl's record teaches about its gear, once its course has ended.
///
/// Nothing where the thermometer cannot be believed. Each number only where the
/// record allows it: a melt that was followed to its end, a stretch of quiet
/// cooling above the working band, a thermometer that was read.
#[must_use]
pub fn lesson(setup: &Setup, record: &Record, now: DateTime<Utc>) -> GearNumbers {
    let Some(trace) = Trace::of(setup, record, now) else { return GearNumbers::default() };
    let sane = |number: Number, value: Option<f64>| value.filter(|v| number.bounds().contain(*v));
    GearNumbers {
        cooling_ratio: sane(Number::Cooling, trace.cooling_ratio()),
        efficiency: sane(Number::Efficiency, trace.efficiency()),
        carry_over_c: sane(Number::CarryOver, trace.carry_over()),
        burst_response: sane(Number::BurstResponse, trace.burst_response()),
        setting_pace: None,
        tempering_pace: None,
        dryer_w: sane(Number::Dryer, trace.dryer()),
        warm_water_ratio: sane(Number::WarmWater, trace.warm_water()),
        bath_w: sane(Number::Bath, trace.bath()),
    }
}

/// How long its maker took until a bowl was in temper, against what was planned: from when it was
/// taken to the bench to the test that showed it. `None` where no test did.
#[must_use]
pub fn tempering_pace(
    setup: &Setup,
    record: &Record,
    planned: Time,
    now: DateTime<Utc>,
) -> Option<f64> {
    let Temper::Shown { at, .. } = fold(setup, record, now).temper else { return None };
    let took = (at - setup.opened).as_seconds_f64();
    let pace = took / in_seconds(planned);
    Some(pace).filter(|pace| Number::TemperingPace.bounds().contain(*pace))
}
