//! Testing, and working in temper.

use chrono::{DateTime, TimeDelta, Utc};

use crate::bowl::temper_test::{TestTimes, Verdict, in_words};
use crate::bowl::time_delta;
use crate::catalogue::bench as say;
use crate::phrases::Look;
use crate::phrases::{Advice, Alarm, Countdown, Rule};
use crate::units::in_seconds;

/// In temper it may stand a little longer than on the way down.
const STANDS: TimeDelta = TimeDelta::minutes(4);

pub(super) fn while_testing(look: &Look<'_>) -> Advice {
    let started: DateTime<Utc> = look.bowl.test.map_or(look.bowl.since, |t| t.started);
    let family = look.setup.chocolate.family;
    let times = TestTimes::of(family);
    let first = started + time_delta(times.first_look);
    let last = started + time_delta(times.last_look);
    let dry_by = in_seconds(times.last_look) / 60.0;
    if look.now >= last {
        return Advice::new(
            Rule::JudgeSmear,
            say::judge_smear(),
            say::judge_smear_why(&family, dry_by),
        )
        .caution()
        .sounding(Alarm::Timer);
    }
    // The smear needs no hands; the bowl does where it leaves the band meanwhile.
    if let Some(advice) = look.short_warming() {
        return advice;
    }
    let w = &look.setup.chocolate.windows;
    if let Some(temp) = look.temp()
        && temp < w.work.lo
    {
        return look.rewarm(temp);
    }
    let (say, countdown) = if look.now < first {
        (say::leave_the_smear(), Countdown::exact(say::first_look(), first))
    } else {
        (say::look_at_the_smear(), Countdown::exact(say::last_look(), last))
    };
    Advice::new(Rule::WatchSmear, say, say::watch_smear_why(&family, dry_by)).until(Some(countdown))
}

pub(super) fn while_working(look: &Look<'_>) -> Advice {
    let band = look.setup.use_band();
    if let Some(advice) = look.short_warming().or_else(|| look.probe_trouble()) {
        return advice;
    }
    let Some(temp) = look.temp() else { return look.read_thermometer() };
    if !look.setup.course.is_tested {
        return look.use_as_it_is(temp, band);
    }
    let w = &look.setup.chocolate.windows;
    if temp > band.hi {
        return Advice::new(
            Rule::TooWarmToPour,
            say::too_warm_to_pour(band.hi),
            say::too_warm_to_pour_why(look.shown(), look.setup.lost().unwrap_or(w.limit)),
        )
        .caution()
        .until(look.countdown_to(say::enters_band(), band.hi));
    }
    if temp < band.lo {
        return look.rewarm(temp).sounding(Alarm::Band);
    }
    if let Some(advice) = look.over_seeded(temp) {
        return advice;
    }
    let leaving = look.countdown_to(say::leaves_band(), band.lo);
    if look.soon(band.lo) {
        let burst = look.rewarming_burst(temp, band.middle());
        return Advice::new(
            Rule::LeavingBand,
            if look.setup.is_colour() { say::put_on_now() } else { say::pour_now() },
            say::leaving_band_why(look.shown(), band.lo, burst),
        )
        .caution()
        .heating(burst)
        .sounding(Alarm::Band)
        .until(leaving);
    }
    if look.unstirred() > STANDS
        && let Some(advice) = look.stirring_missing()
    {
        return advice;
    }
    let weak = look
        .bowl
        .test
        .and_then(|t| t.look)
        .filter(|(_, _, verdict)| *verdict == Verdict::Weak)
        .map(|(seen, age, verdict)| in_words(look.setup.chocolate.family, verdict, seen, age));
    Advice::new(
        Rule::Pour,
        if look.setup.is_colour() { say::put_on_thin() } else { say::pour() },
        weak.unwrap_or_else(|| say::pour_why(look.shown())),
    )
    .until(leaving)
}
