//! On the way up.

use crate::bowl::Heat;
use crate::bowl::Setup;
use crate::catalogue::bench as say;
use crate::heat::microwave::{EFFICIENCY, Microwave, STAGES_S, still_to_come};
use crate::phrases::CoachContext;
use crate::phrases::{Advice, Alarm, Countdown, Rule};
use crate::units::{
    Temperature, Time, celsius, degrees, in_celsius, in_degrees, in_seconds, minutes, rise, seconds,
};

/// Where nothing may be lost, no burst is longer, s.
const LONGEST_CAREFUL_S: f64 = 15.0;
/// Below this, stirred, there are lumps still melting, °C (*custom*).
const MELTING_BELOW_C: f64 = 36.0;
/// However much is left to melt, a burst keeps this clear of the limit, °C.
const CLEAR_OF_LIMIT_C: f64 = 3.0;
/// A bowl that is done rising falls at least this fast, °C/min.
const FALLS_C_PER_MIN: f64 = -0.2;
/// The shortest burst, s.
const LEAST_S: f64 = 3.0;

pub(super) fn advise(context: &CoachContext<'_>) -> Advice {
    let temp = context.temp();
    let there = context.setup.melted_from();
    if let Some(temp) = temp
        && temp >= there
    {
        return melted(context);
    }
    match context.bowl.heating.heat {
        Heat::Burst { until } => {
            return Advice::new(Rule::Heating, say::leave_it_in(), say::leave_it_in_why())
                .until(Some(Countdown::exact(say::burst_ends(), until)));
        }
        // What jumps cannot be watched against the limit.
        Heat::On { .. } => {
            return context.probe_trouble().unwrap_or_else(|| over_water(context, temp));
        }
        Heat::Off => {}
    }
    if let Some(advice) = context.stir_after_heat().or_else(|| context.probe_trouble()) {
        return advice;
    }
    let Some(temp) = temp else { return context.read_thermometer() };
    if let Some(water) = context.setup.course.softened_in {
        let why = say::never_past(
            context.shown(),
            context.setup.lost().unwrap_or(context.setup.chocolate.windows.limit),
        );
        return Advice::new(Rule::Soften, say::warm_the_bottle(water), why)
            .until(context.countdown_to(say::soft_enough(), there));
    }
    if context.setup.course.keeps_crystals {
        return warm_carefully(context, temp);
    }
    if context.bowl.heating.off_heat {
        return Advice::new(
            Rule::NotYetMelted,
            say::not_yet_melted(there),
            say::not_yet_melted_why(context.shown()),
        )
        .caution()
        .heating(next_burst(context, temp));
    }
    if temp >= there - context.setup.carry_over && !has_carried(context) {
        return stop_before_melt(context, there);
    }
    match context.setup.microwave {
        Some(_) => {
            let burst = next_burst(context, temp);
            Advice::new(
                Rule::Warm,
                say::heat_for(burst),
                say::melt_to_in_bursts(context.shown(), context.setup.melt_to),
            )
            .heating(burst)
        }
        None => Advice::new(
            Rule::Warm,
            say::over_water(),
            say::melt_to_over_water(context.shown(), context.setup.melt_to),
        ),
    }
}

/// Whether the bowl's own heat has brought it as far as it will: it falls again.
fn has_carried(context: &CoachContext<'_>) -> bool {
    context.ahead.trend.is_some_and(|trend| in_degrees(trend) < FALLS_C_PER_MIN)
}

fn melted(context: &CoachContext<'_>) -> Advice {
    if context.setup.course.keeps_crystals {
        return Advice::new(
            Rule::Melted,
            say::melted_with_its_crystals(),
            say::melted_with_its_crystals_why(context.shown()),
        )
        .sounding(Alarm::Band);
    }
    Advice::new(Rule::Melted, say::melted(), say::melted_why(context.shown()))
        .sounding(Alarm::Limit)
}

/// Short bursts, each so short that even well stirred in at once it cannot pass
/// where temper is lost.
fn warm_carefully(context: &CoachContext<'_>, temp: Temperature) -> Advice {
    let burst = careful_burst(context, temp);
    let w = &context.setup.chocolate.windows;
    Advice::new(
        Rule::Warm,
        say::warm_carefully(burst),
        say::never_past(context.shown(), context.setup.lost().unwrap_or(w.limit)),
    )
    .heating(burst)
}

/// As if nothing were left to melt: what is melting makes it come out cooler.
fn careful_burst(context: &CoachContext<'_>, temp: Temperature) -> Time {
    let Some(microwave) = context.setup.microwave else { return seconds(STAGES_S[2]) };
    let setup = context.setup;
    let heat = setup.melted * setup.chocolate.family.heat_when_melted();
    let lasting = heat * rise(temp, setup.melt_to) / microwave.into_chocolate();
    seconds(in_seconds(lasting).floor().clamp(1.0, LONGEST_CAREFUL_S))
}

fn over_water(context: &CoachContext<'_>, temp: Option<Temperature>) -> Advice {
    let there = context.setup.melted_from();
    let stop_at = there - context.setup.carry_over;
    match temp {
        None => context.read_thermometer(),
        Some(temp) if temp >= stop_at => stop_before_melt(context, there),
        Some(temp) if context.limit_within(temp, minutes(1.0)) => Advice::new(
            Rule::StopBeforeMelt,
            say::warms_too_fast(),
            say::warms_too_fast_why(context.shown(), context.setup.chocolate.windows.limit),
        )
        .caution()
        .sounding(Alarm::Limit),
        Some(_) => Advice::new(
            Rule::Heating,
            if context.setup.course.softened_in.is_some() {
                say::roll_and_shake()
            } else {
                say::keep_stirring()
            },
            say::take_it_off_at(context.shown(), stop_at),
        ),
    }
}

fn stop_before_melt(context: &CoachContext<'_>, melt: Temperature) -> Advice {
    Advice::new(
        Rule::StopBeforeMelt,
        say::stop_before_melt(),
        say::stop_before_melt_why(context.shown(), melt),
    )
    .caution()
    .sounding(Alarm::Limit)
}

/// The next burst: the first of those that are left.
fn next_burst(context: &CoachContext<'_>, temp: Temperature) -> Time {
    bursts_left(context, temp).first().copied().unwrap_or(seconds(LEAST_S)).max(seconds(LEAST_S))
}

/// The bursts that are left of the melt, by the latest reading and what was
/// given so far; one of ten seconds at a time without a microwave.
pub(super) fn bursts_left(context: &CoachContext<'_>, temp: Temperature) -> Vec<Time> {
    let setup = context.setup;
    let Some(microwave) = setup.microwave else { return vec![seconds(STAGES_S[2])] };
    let whole = heating(context, setup.seed_temp, &microwave);
    let by_reading = heating(context, temp, &microwave);
    // While lumps are melting the thermometer stands still: what was given tells
    // more than what it says.
    let missing = if temp < celsius(MELTING_BELOW_C) {
        by_reading.max(whole - context.bowl.heating.heated).max(seconds(STAGES_S[1]))
    } else {
        by_reading
    };
    let safe = safe_burst(setup, temp, &microwave);
    still_to_come(whole, missing).into_iter().map(|burst| burst.min(safe)).collect()
}

/// A burst that stays clear of the limit even if nothing is left to melt.
fn safe_burst(setup: &Setup, temp: Temperature, microwave: &Microwave) -> Time {
    let held = setup.melted * setup.chocolate.family.heat_when_melted();
    let room = rise(temp, setup.chocolate.windows.limit - degrees(CLEAR_OF_LIMIT_C));
    // What was learned may make it shorter, never longer than is usual.
    let most = microwave.rated() * microwave.efficiency.max(EFFICIENCY);
    let lasting = held * room / most;
    seconds(in_seconds(lasting).floor().max(LEAST_S))
}

fn heating(context: &CoachContext<'_>, from: Temperature, microwave: &Microwave) -> Time {
    let setup = context.setup;
    let to = if in_celsius(from) < in_celsius(setup.melt_to) { setup.melt_to } else { from };
    setup.heat_to_melt(from, to) / microwave.into_chocolate()
}
