//! Testing, and working in temper.

use chrono::{DateTime, TimeDelta, Utc};

use crate::bowl::temper_test::{TestTimes, Verdict, in_words};
use crate::bowl::{UsedFor, time_delta};
use crate::catalogue::bench as say;
use crate::message::{Message, names};
use crate::phrases::CoachContext;
use crate::phrases::{Advice, Alarm, Countdown, Rule};
use crate::units::{degrees, in_seconds};

/// In temper it may stand a little longer than on the way down.
const STANDS: TimeDelta = TimeDelta::minutes(4);
/// On a heating pad it is stirred more often: it is warm from below.
const STANDS_ON_PAD: TimeDelta = TimeDelta::minutes(2);
/// It comes off the pad this far under the top of its band, °C: what the pad has taken up comes
/// through.
const OFF_PAD_UNDER_C: f64 = 0.3;

pub(super) fn while_testing(context: &CoachContext<'_>) -> Advice {
    let started: DateTime<Utc> = context.bowl.test.map_or(context.bowl.since, |t| t.started);
    let family = context.setup.chocolate.family;
    let times = TestTimes::of(family);
    let first = started + time_delta(times.first_look);
    let last = started + time_delta(times.last_look);
    let dry_by = in_seconds(times.last_look) / 60.0;
    if context.now >= last {
        return Advice::new(
            Rule::JudgeSmear,
            say::judge_smear(),
            say::judge_smear_why(&family, dry_by),
        )
        .caution()
        .sounding(Alarm::Timer);
    }
    // The smear has the word; the bowl only where it is about to set up meanwhile.
    if let Some(advice) = context.short_warming() {
        return advice;
    }
    let w = &context.setup.chocolate.windows;
    if let Some(temp) = context.temp()
        && temp < w.thick
    {
        return context.rewarm(temp);
    }
    let (say, countdown) = if context.now < first {
        (say::leave_the_smear(), Countdown::exact(say::first_look(), first))
    } else {
        (say::look_at_the_smear(), Countdown::exact(say::last_look(), last))
    };
    Advice::new(Rule::WatchSmear, say, say::watch_smear_why(&family, dry_by)).until(Some(countdown))
}

pub(super) fn while_working(context: &CoachContext<'_>) -> Advice {
    let band = context.setup.use_band();
    if let Some(advice) = context.short_warming().or_else(|| context.probe_trouble()) {
        return advice;
    }
    let Some(temp) = context.temp() else { return context.read_thermometer() };
    if !context.setup.course.is_tested {
        return context.use_as_it_is(temp, band);
    }
    let w = &context.setup.chocolate.windows;
    let on_pad = context.bowl.heating.on_pad.is_some();
    if on_pad && temp >= band.hi - degrees(OFF_PAD_UNDER_C) {
        return Advice::new(
            Rule::OffPad,
            say::off_the_pad(),
            say::off_the_pad_why(context.shown(), band.hi),
        )
        .caution()
        .sounding(Alarm::Band);
    }
    if temp > band.hi {
        return Advice::new(
            Rule::TooWarmToPour,
            say::too_warm_to_pour(band.hi),
            say::too_warm_to_pour_why(context.shown(), context.setup.lost().unwrap_or(w.limit)),
        )
        .caution()
        .until(context.countdown_to(say::enters_band(), band.hi));
    }
    if context.needs_warming(temp, band.lo) {
        return context.rewarm(temp).sounding(Alarm::Band);
    }
    if let Some(advice) = context.over_seeded(temp) {
        return advice;
    }
    let weak = context
        .bowl
        .test
        .and_then(|t| t.look)
        .filter(|(_, verdict)| *verdict == Verdict::Weak)
        .map(|(look, verdict)| in_words(context.setup.chocolate.family, verdict, &look));
    if let Some(weak) = &weak
        && temp > band.middle()
    {
        return Advice::new(
            Rule::TooWarmToPour,
            say::too_warm_to_pour(band.middle()),
            weak.clone(),
        )
        .until(context.countdown_to(say::lower_end(), band.middle()));
    }
    let leaving = context.countdown_to(say::leaves_band(), band.lo);
    let held = context.setup.used_for.as_ref().filter(|used| used.is_held());
    // What is held for another is warmed a little where it leaves its band, and not used alone.
    if held.is_none() && context.soon(band.lo) {
        let now = match &context.setup.used_for {
            Some(used) => say::step_now(used.step.clone()),
            None if context.setup.is_colour() => say::put_on_now(),
            None => say::pour_now(),
        };
        let why = if temp < band.lo {
            say::pour_low_why(context.shown(), band.lo)
        } else if context.setup.gentle.pad && !on_pad {
            say::leaving_band_or_pad_why(context.shown(), band.lo)
        } else {
            say::leaving_band_why(context.shown(), band.lo)
        };
        return Advice::new(Rule::LeavingBand, now, why)
            .caution()
            .sounding(Alarm::Band)
            .until(leaving);
    }
    let stands = if on_pad { STANDS_ON_PAD } else { STANDS };
    if context.unstirred() > stands
        && let Some(advice) = context.stirring_missing()
    {
        return advice;
    }
    let colour = context.setup.is_colour();
    let next = match &context.setup.used_for {
        Some(used) => first_what_it_waits_for(used),
        None if colour => say::put_on(),
        None => say::pour(),
    };
    let why = || match (temp < band.lo, colour) {
        (true, _) => say::pour_low_why(context.shown(), band.lo),
        (false, true) => say::put_on_why(context.shown()),
        (false, false) => say::pour_why(context.shown()),
    };
    let why =
        if held.is_some() { say::held_why(context.shown()) } else { weak.unwrap_or_else(why) };
    Advice::new(Rule::Pour, next, why).until(leaving)
}

/// What is done with a bowl, with what must be so before.
fn first_what_it_waits_for(used: &UsedFor) -> Message {
    let step = used.step.clone();
    let step = match &used.after {
        Some(first) => say::first_then(first.clone(), step),
        None => step,
    };
    if used.with.is_empty() { step } else { say::once_in_temper_too(names(&used.with), step) }
}
