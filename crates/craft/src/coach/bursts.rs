//! How long the next burst of a melt is, and those after it.

use crate::bowl::Setup;
use crate::heat::microwave::{
    EFFICIENCY, Microwave, SHORTEST_S, STAGES_S, shortest_felt, still_to_come,
};
use crate::heat::{latent_heat, sensible_heat};
use crate::phrases::{CoachContext, SPARE_C};
use crate::units::{
    Energy, Temperature, Time, celsius, degrees, in_seconds, percent_of, rise, seconds, watts,
};

/// Below this, stirred, there are lumps still melting, °C (*custom*).
const MELTING_BELOW_C: f64 = 36.0;
/// However much is left to melt, a burst keeps this clear of the limit, °C.
const CLEAR_OF_LIMIT_C: f64 = 3.0;
/// Where the crystals are to be kept, so much of the heat of melting is counted on to hold
/// a burst back: of what is still to melt some may have melted already.
const COUNTED_ON: f64 = 0.6;
/// What a bowl over barely simmering water takes up, W (*custom*), where it is held there
/// for a stretch at a time.
const OVER_WATER_W: f64 = 130.0;
/// Of a melt that was given heat for so long it can be told what that really brought.
const TELLS_FROM_S: f64 = 60.0;
/// What a melt brought less than was reckoned is made up for up to so many times.
const MOST_MADE_UP: f64 = 2.5;

/// The next burst: the first of those that are left; `None` where even the shortest one
/// could pass the limit.
pub(super) fn next(context: &CoachContext<'_>, temp: Temperature) -> Option<Time> {
    let shortest = seconds(SHORTEST_S);
    let safe = safe_burst(context, temp);
    if safe < shortest {
        return None;
    }
    let first = left(context, temp).first().copied().unwrap_or(shortest);
    Some(first.max(shortest).min(safe))
}

/// The bursts that are left of the melt, by the latest reading and what was given so far.
pub(super) fn left(context: &CoachContext<'_>, temp: Temperature) -> Vec<Time> {
    let setup = context.setup;
    let safe = safe_burst(context, temp);
    let given = context.bowl.heating.heated;
    let planned = time_to_melt(setup, setup.seed_temp);
    let by_reading = time_to_melt(setup, temp) * made_up_for(context, temp);
    // While lumps are melting the thermometer stands still: what was given tells more than
    // what it says.
    let missing = if !setup.course.keeps_crystals && temp < celsius(MELTING_BELOW_C) {
        by_reading.max(planned - given).max(seconds(STAGES_S[1]))
    } else {
        by_reading
    };
    let whole = planned.max(given + missing);
    let felt = shortest_felt(&setup.chocolate, setup.melted, &microwave(setup));
    let felt = (felt * made_up_for(context, temp)).min(seconds(STAGES_S[0]));
    still_to_come(whole, missing, felt).into_iter().map(|burst| burst.min(safe)).collect()
}

/// How long heat takes from a temperature to the end of the melt.
fn time_to_melt(setup: &Setup, from: Temperature) -> Time {
    setup.heat_to_melt(from, setup.melt_to.max(from)) / microwave(setup).into_chocolate()
}

/// How many times as long it takes as was reckoned, by what was brought so far: a weak oven
/// and a large bowl lose much to the room between bursts.
fn made_up_for(context: &CoachContext<'_>, temp: Temperature) -> f64 {
    let setup = context.setup;
    let heated = context.bowl.heating.heated;
    if in_seconds(heated) < TELLS_FROM_S {
        return 1.0;
    }
    let reckoned: Energy = microwave(setup).into_chocolate() * heated;
    let brought = setup.heat_to_melt(setup.seed_temp, temp);
    (reckoned / brought).value.clamp(1.0, MOST_MADE_UP)
}

/// A burst that stays clear of the limit even if nothing is left to melt; where crystals are
/// to be kept, of where they are lost, even if much of what should still melt has melted.
fn safe_burst(context: &CoachContext<'_>, temp: Temperature) -> Time {
    let setup = context.setup;
    let chocolate = &setup.chocolate;
    let held = setup.melted * chocolate.family.heat_when_melted();
    let most = setup.lost().filter(|_| setup.course.keeps_crystals);
    let takes: Energy = match most {
        Some(lost) => {
            let to = lost - degrees(SPARE_C);
            let melting = setup.melted * latent_heat(chocolate, temp, to) * COUNTED_ON;
            setup.melted * sensible_heat(chocolate, temp, to) + melting
        }
        None => held * rise(temp, chocolate.windows.limit - degrees(CLEAR_OF_LIMIT_C)),
    };
    let microwave = microwave(setup);
    // What was learned may make it shorter, never longer than is usual.
    let power = microwave.rated() * microwave.efficiency.max(EFFICIENCY);
    seconds(in_seconds(takes / power).floor().max(0.0))
}

/// What it is heated by; over water as if by an oven that gives as much.
fn microwave(setup: &Setup) -> Microwave {
    setup.microwave.unwrap_or_else(|| Microwave {
        output: watts(OVER_WATER_W / EFFICIENCY),
        power: percent_of(100.0),
        efficiency: EFFICIENCY,
    })
}
