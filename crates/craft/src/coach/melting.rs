//! On the way up.

use chrono::TimeDelta;

use super::bursts;
use crate::bowl::Heat;
use crate::catalogue::bench as say;
use crate::heat::microwave::SHORTEST_S;
use crate::phrases::CoachContext;
use crate::phrases::{Advice, Alarm, Countdown, Rule};
use crate::units::{Temperature, in_degrees, minutes, seconds};

/// A bowl that is done rising falls at least this fast, °C/min.
const FALLS_C_PER_MIN: f64 = -0.2;
/// A bowl whose own heat is still coming through rises at least this fast, °C/min.
const STILL_RISES_C_PER_MIN: f64 = 0.6;
/// After a burst that was stirred in, whatever the bowl itself still held has come
/// through by now.
const COMES_THROUGH: TimeDelta = TimeDelta::seconds(40);

pub(super) fn advise(context: &CoachContext<'_>) -> Advice {
    let temp = context.temp();
    let there = context.setup.melted_from();
    match context.bowl.heating.heat {
        // Nobody takes it out of an oven that stops by itself, but where it is warm enough.
        Heat::Burst { until } if temp.is_none_or(|temp| temp < there) => {
            return Advice::new(Rule::Heating, say::leave_it_in(), say::leave_it_in_why())
                .until(Some(Countdown::exact(say::burst_ends(), until)));
        }
        Heat::Burst { .. } | Heat::On { .. } | Heat::Off => {}
    }
    if let Some(temp) = temp
        && temp >= there
    {
        return melted(context, temp);
    }
    if matches!(context.bowl.heating.heat, Heat::On { .. }) {
        // What jumps cannot be watched against the limit.
        return context.probe_trouble().unwrap_or_else(|| over_water(context, temp));
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
    if temp >= there - context.setup.carry_over && is_carried_on(context) {
        return stop_before_melt(context, there);
    }
    if context.bowl.heating.off_heat {
        let say = say::not_yet_melted(there);
        let why = say::not_yet_melted_why(context.shown());
        let advice = Advice::new(Rule::NotYetMelted, say, why).caution();
        // Over water it goes back until it is taken off.
        if context.setup.microwave.is_none() {
            return advice;
        }
        return match bursts::next(context, temp) {
            Some(burst) => advice.heating(burst),
            None => too_much_for_bursts(context, temp),
        };
    }
    match context.setup.microwave {
        Some(_) => {
            let Some(burst) = bursts::next(context, temp) else {
                return too_much_for_bursts(context, temp);
            };
            Advice::new(
                Rule::Warm,
                say::heat_for(context.burst_of(burst)),
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

/// Whether the bowl's own heat may still carry it on: it was on the heat a moment ago, or it
/// rises. What does not come is not waited for.
fn is_carried_on(context: &CoachContext<'_>) -> bool {
    let heated = context.bowl.heating.last_heat;
    let lately = heated.is_some_and(|last| context.now - last < COMES_THROUGH);
    let pace = context.ahead.trend.map(in_degrees);
    match pace {
        Some(pace) if pace < FALLS_C_PER_MIN => false,
        Some(pace) if pace > STILL_RISES_C_PER_MIN => true,
        _ => lately,
    }
}

fn melted(context: &CoachContext<'_>, temp: Temperature) -> Advice {
    if context.setup.course.keeps_crystals {
        return Advice::new(
            Rule::Melted,
            say::melted_with_its_crystals(),
            say::melted_with_its_crystals_why(context.shown()),
        )
        .sounding(Alarm::Band);
    }
    let melt = context.setup.chocolate.windows.melt;
    let why = if temp > melt.hi {
        say::melted_hot_why(context.shown(), melt)
    } else {
        say::melted_why(context.shown(), melt)
    };
    Advice::new(Rule::Melted, say::melted(), why).sounding(Alarm::Limit)
}

/// Short bursts, each so short that it cannot pass where temper is lost.
fn warm_carefully(context: &CoachContext<'_>, temp: Temperature) -> Advice {
    let w = &context.setup.chocolate.windows;
    let Some(burst) = bursts::next(context, temp) else {
        return too_much_for_bursts(context, temp);
    };
    Advice::new(
        Rule::Warm,
        say::warm_carefully(context.burst_of(burst)),
        say::never_past(context.shown(), context.setup.lost().unwrap_or(w.limit)),
    )
    .heating(burst)
}

/// So little for so strong an oven that the shortest burst may pass the limit.
fn too_much_for_bursts(context: &CoachContext<'_>, temp: Temperature) -> Advice {
    let advice = Advice::new(
        Rule::Warm,
        say::too_much_for_bursts(),
        say::too_much_for_bursts_why(context.shown(), seconds(SHORTEST_S)),
    );
    advice.warming(context.gently(temp, context.setup.melt_to))
}

fn over_water(context: &CoachContext<'_>, temp: Option<Temperature>) -> Advice {
    let there = context.setup.melted_from();
    // Hands and lukewarm water leave nothing in a bottle that would carry it on.
    let by_hand = context.setup.course.softened_in.is_some();
    let stop_at = if by_hand { there } else { there - context.setup.carry_over };
    match temp {
        None => context.read_thermometer(),
        Some(temp) if temp >= stop_at => stop_before_melt(context, there),
        Some(temp) if context.limit_within(temp, minutes(1.5)) => Advice::new(
            Rule::StopBeforeMelt,
            say::warms_too_fast(),
            say::warms_too_fast_why(context.shown(), context.setup.chocolate.windows.limit),
        )
        .caution()
        .sounding(Alarm::Limit),
        Some(_) => Advice::new(
            Rule::Heating,
            if by_hand { say::roll_and_shake() } else { say::keep_stirring() },
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
