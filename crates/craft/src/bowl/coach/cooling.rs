//! On the way down.

use chrono::TimeDelta;

use super::{Advice, Alarm, Countdown, Look, Rule, left, rewarm, short_warming, soon, told};
use crate::bowl::fold::Temper;
use crate::heat::seed::{Amount, SeedInput};
use crate::units::{Mass, Temperature, grams, in_grams, minutes};

/// How long an addition takes to melt, stirred.
const MELTING_IN: TimeDelta = TimeDelta::seconds(75);
/// Farther from the band than this with all seed in, more seed is the better way.
const LONG_WAIT_MIN: f64 = 8.0;
/// Fresh crystals for a bowl that is in the band and yet not in temper, as a
/// share of what was melted (*custom*).
const PINCH_SHARE: f64 = 0.03;
/// Less seed than this is not worth weighing, g.
const LEAST_SEED_G: f64 = 3.0;

pub(super) fn advise(look: &Look<'_>) -> Advice {
    let w = &look.setup.chocolate.windows;
    if let Some(advice) = short_warming(look) {
        return advice;
    }
    let Some(temp) = look.temp() else { return look.read_thermometer() };
    if let Some(advice) = after_a_failure(look, temp) {
        return advice;
    }
    if let Some(melting_in) = still_melting_in(look) {
        return melting_in;
    }
    if temp > w.work.hi {
        return if look.bowl.additions < look.setup.additions().len() {
            add_seed(look, temp)
        } else {
            stir_down(look, temp)
        };
    }
    if temp < w.work.lo {
        return rewarm(look, temp);
    }
    Advice::new(
        Rule::TestNow,
        "Test it: a smear on paper at room temperature",
        format!("{} is in the working band. A number is not proof: the smear is.", told(temp)),
    )
    .until(look.countdown_to("leaves the band", w.work.lo))
    .sounding(Alarm::Band)
}

/// What to do once temper was lost or a test did not show it.
fn after_a_failure(look: &Look<'_>, temp: Temperature) -> Option<Advice> {
    let w = &look.setup.chocolate.windows;
    let (at, rule, what) = match look.bowl.temper {
        Temper::Gone { at } => (at, Rule::TemperLost, "Temper is gone: it was too warm."),
        Temper::NotShown { at } => (at, Rule::NotInTemper, "Not in temper: do not pour."),
        Temper::Untested | Temper::Shown { .. } => return None,
    };
    if look.bowl.last_seed.is_some_and(|seed| seed > at) {
        return None;
    }
    let more = seed_for(look, temp)
        .filter(|m| *m > grams(LEAST_SEED_G))
        // In the band already: a pinch of fresh crystals, the least that tells.
        .unwrap_or_else(|| {
            grams((in_grams(look.setup.melted) * PINCH_SHARE).round().max(LEAST_SEED_G))
        });
    Some(
        Advice::new(
            rule,
            format!(
                "Add {:.0} g of seed and stir for two minutes, then test again",
                in_grams(more)
            ),
            format!(
                "{what} {} now; the band is {} to {}.",
                told(temp),
                told(w.work.lo),
                told(w.work.hi)
            ),
        )
        .stop()
        .seeding(more)
        .sounding(Alarm::Band),
    )
}

fn still_melting_in(look: &Look<'_>) -> Option<Advice> {
    let ready = look.bowl.last_seed? + MELTING_IN;
    (look.now < ready).then(|| {
        Advice::new(
            Rule::StirIn,
            "Keep stirring: the seed is melting in",
            "Stirring spreads the crystals. It matters as much as the number.",
        )
        .until(Some(Countdown::exact("look again", ready)))
    })
}

fn add_seed(look: &Look<'_>, temp: Temperature) -> Advice {
    let planned = look.setup.additions();
    let number = look.bowl.additions;
    let portion = planned[number];
    let ordinal = ["first", "second", "last"][number];
    let needed = seed_for(look, temp).unwrap_or_default();
    let left_over: Mass =
        planned[number..].iter().fold(Mass::default(), |sum, portion| sum + *portion);
    let hint = if needed > left_over * 1.25 {
        format!(
            " It is warmer than planned: {:.0} g more than was held back may be needed.",
            in_grams(needed - left_over)
        )
    } else {
        String::new()
    };
    Advice::new(
        Rule::AddSeed,
        format!("Add the {ordinal} {:.0} g of seed and stir", in_grams(portion)),
        format!("{} now, on the way to {}.{hint}", told(temp), told(look.setup.target)),
    )
    .seeding(portion)
}

fn stir_down(look: &Look<'_>, temp: Temperature) -> Advice {
    let w = &look.setup.chocolate.windows;
    let countdown = look.countdown_to("enters the band", w.work.hi);
    if let Some(countdown) = &countdown
        && left(countdown, look.now) > minutes(LONG_WAIT_MIN)
        && let Some(more) = seed_for(look, temp).filter(|m| *m > grams(LEAST_SEED_G))
    {
        return Advice::new(
            Rule::MoreSeed,
            format!("Add {:.0} g more seed, or wait and stir", in_grams(more)),
            format!("{} with all seed in: by itself it takes more than {LONG_WAIT_MIN:.0} min to the band.", told(temp)),
        )
        .seeding(more)
        .until(Some(countdown.clone()));
    }
    let near = countdown.as_ref().is_some_and(|c| soon(c, look.now));
    let advice = Advice::new(
        Rule::StirDown,
        format!("Stir down to {}", told(w.work.hi)),
        format!(
            "{} now; the working band is {} to {}.",
            told(temp),
            told(w.work.lo),
            told(w.work.hi)
        ),
    )
    .until(countdown);
    if near { advice.sounding(Alarm::Band) } else { advice }
}

/// The seed that brings what is in the bowl now to the target.
fn seed_for(look: &Look<'_>, temp: Temperature) -> Option<Mass> {
    SeedInput {
        chocolate: &look.setup.chocolate,
        amount: Amount::Melted(look.setup.melted + look.bowl.seeded),
        melted: temp,
        target: look.setup.target,
        seed: look.setup.seed_temp,
        ware: look.setup.ware,
        still_air: None,
    }
    .solve()
    .ok()
    // Whole grams: what is said is what is weighed.
    .map(|plan| grams(in_grams(plan.seed).round()))
}
