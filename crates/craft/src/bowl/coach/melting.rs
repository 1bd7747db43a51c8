//! On the way up.

use super::{Advice, Alarm, Countdown, Look, Rule, short_of, stir_after_heat, told};
use crate::bowl::fold::{CARRY_OVER_C, Heat};
use crate::heat::microwave::{Microwave, STAGES_S, heat_to_melt};
use crate::units::{Temperature, Time, in_seconds, seconds};

pub(super) fn advise(look: &Look<'_>) -> Advice {
    let w = &look.setup.chocolate.windows;
    let temp = look.temp();
    if let Some(temp) = temp
        && temp >= w.melt.lo
    {
        return Advice::new(
            Rule::Melted,
            "Take it off the heat and stir until no lump is left",
            format!("{} is in the melting band: every crystal is erased.", told(temp)),
        )
        .sounding(Alarm::Limit);
    }
    match look.bowl.heat {
        Heat::Burst { until } => {
            return Advice::new(
                Rule::Heating,
                "Leave it in, then stir",
                "Stir after each burst, even when it does not look melted.",
            )
            .until(Some(Countdown::exact("burst ends", until)));
        }
        Heat::On { .. } => return over_water(look, temp),
        Heat::Off => {}
    }
    if let Some(stir) = stir_after_heat(look) {
        return stir;
    }
    let Some(temp) = temp else { return look.read_thermometer() };
    if look.bowl.off_heat {
        return Advice::new(
            Rule::NotYetMelted,
            format!("Back on the heat, up to {}", told(w.melt.lo)),
            format!("At {} old crystals are left, and they seed the wrong forms.", told(temp)),
        )
        .caution()
        .heating(next_burst(look, temp));
    }
    if temp >= short_of(w.melt.lo, CARRY_OVER_C) {
        return stop_before_melt(temp, w.melt.lo);
    }
    match look.setup.microwave {
        Some(_) => {
            let burst = next_burst(look, temp);
            Advice::new(
                Rule::Warm,
                format!("Heat for {:.0} s", in_seconds(burst)),
                format!(
                    "{} now; melt to {}. Bursts get shorter as it goes.",
                    told(temp),
                    told(look.setup.melt_to)
                ),
            )
            .heating(burst)
        }
        None => Advice::new(
            Rule::Warm,
            "Set it over barely simmering water",
            format!(
                "{} now; melt to {}. The bowl wider than the pan, so that no steam comes in.",
                told(temp),
                told(look.setup.melt_to)
            ),
        ),
    }
}

fn over_water(look: &Look<'_>, temp: Option<Temperature>) -> Advice {
    let w = &look.setup.chocolate.windows;
    let stop_at = short_of(w.melt.lo, CARRY_OVER_C);
    match temp {
        None => look.read_thermometer(),
        Some(temp) if temp >= stop_at => stop_before_melt(temp, w.melt.lo),
        Some(temp) => Advice::new(
            Rule::Heating,
            "Keep stirring over the heat",
            format!("{} now; take it off at {}.", told(temp), told(stop_at)),
        ),
    }
}

fn stop_before_melt(temp: Temperature, melt: Temperature) -> Advice {
    Advice::new(
        Rule::StopBeforeMelt,
        "Stop the heat. Stirring will carry it on",
        format!("{} now; what heat the bowl holds brings it to {}.", told(temp), told(melt)),
    )
    .caution()
    .sounding(Alarm::Limit)
}

/// The next burst: what is still missing, but no longer than the stage allows.
fn next_burst(look: &Look<'_>, temp: Temperature) -> Time {
    let Some(microwave) = look.setup.microwave else { return seconds(STAGES_S[2]) };
    let whole = heating(look, look.setup.seed_temp, &microwave);
    let missing = heating(look, temp, &microwave);
    let stage = if missing > whole / 3.0 {
        STAGES_S[0]
    } else if missing > whole / 6.0 {
        STAGES_S[1]
    } else {
        STAGES_S[2]
    };
    seconds(in_seconds(missing).min(stage).max(3.0).round())
}

fn heating(look: &Look<'_>, from: Temperature, microwave: &Microwave) -> Time {
    let setup = look.setup;
    heat_to_melt(&setup.chocolate, setup.melted, from, setup.melt_to) / microwave.into_chocolate()
}
