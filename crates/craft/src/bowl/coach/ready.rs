//! Testing, and working in temper.

use chrono::{DateTime, Utc};

use super::{
    Advice, Alarm, Countdown, Look, Rule, rewarm, rewarming_burst, short_warming, soon, told,
};
use crate::bowl::fold::time_delta;
use crate::bowl::temper_test::{Verdict, first_look, in_words, last_look};
use crate::units::in_seconds;

pub(super) fn while_testing(look: &Look<'_>) -> Advice {
    let started: DateTime<Utc> = look.bowl.test.map_or(look.bowl.since, |t| t.started);
    let first = started + time_delta(first_look());
    let last = started + time_delta(last_look());
    let w = &look.setup.chocolate.windows;
    if look.now >= last {
        return Advice::new(
            Rule::JudgeSmear,
            "Judge the smear now",
            "In temper it is dry by five minutes, even and satin. Streaks or still wet: do not pour.",
        )
        .caution()
        .sounding(Alarm::Timer);
    }
    let (say, countdown) = if look.now < first {
        ("Leave the smear. Keep stirring the bowl", Countdown::exact("first look", first))
    } else {
        ("Look at the smear: is it setting from the edge?", Countdown::exact("last look", last))
    };
    let why = match look.temp() {
        Some(temp) if temp < w.work.lo => {
            format!(
                "The bowl is at {}, under the band: warm it for 5 s while you wait.",
                told(temp)
            )
        }
        _ => "In temper it starts to set from the edge within a minute or two and is dry by five."
            .to_owned(),
    };
    Advice::new(Rule::WatchSmear, say, why).until(Some(countdown))
}

pub(super) fn while_working(look: &Look<'_>) -> Advice {
    let w = &look.setup.chocolate.windows;
    if let Some(advice) = short_warming(look) {
        return advice;
    }
    let Some(temp) = look.temp() else { return look.read_thermometer() };
    if temp > w.work.hi {
        return Advice::new(
            Rule::TooWarmToPour,
            format!("Stir down to {} before pouring", told(w.work.hi)),
            format!(
                "{} is over the working band; at {} the temper is lost.",
                told(temp),
                told(w.lost.unwrap_or(w.limit))
            ),
        )
        .caution()
        .sounding(Alarm::Band)
        .until(look.countdown_to("enters the band", w.work.hi));
    }
    if temp < w.work.lo {
        return rewarm(look, temp).sounding(Alarm::Band);
    }
    let leaving = look.countdown_to("leaves the band", w.work.lo);
    if leaving.as_ref().is_some_and(|c| soon(c, look.now)) {
        let burst = rewarming_burst(look, temp);
        return Advice::new(
            Rule::LeavingBand,
            format!("Pour now, or warm it for {:.0} s", in_seconds(burst)),
            format!("{} and about to leave the band at {}.", told(temp), told(w.work.lo)),
        )
        .caution()
        .heating(burst)
        .sounding(Alarm::Band)
        .until(leaving);
    }
    let weak = look
        .bowl
        .test
        .and_then(|t| t.look)
        .filter(|(_, _, verdict)| *verdict == Verdict::Weak)
        .map(|(seen, age, verdict)| in_words(verdict, seen, age));
    Advice::new(
        Rule::Pour,
        "Pour, spread to the edges, tap the tray",
        weak.unwrap_or_else(|| format!("In temper and in the band at {}.", told(temp))),
    )
    .until(leaving)
}
