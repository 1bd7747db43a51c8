//! A bowl from melt to release, with the coach's word at each turn.

use crate::evening::Evening;
use craft::bowl::trust::Doubt;
use craft::bowl::{ActionKind, Finish, Heat, Phase, Seen, Temper, curve, finish, trend};
use craft::coach::{Alarm, Rule};
use craft::note::Level;
use craft::units::{grams, in_celsius, in_degrees, in_grams, in_seconds, seconds};

fn seed(g: f64) -> ActionKind {
    ActionKind::SeedAdded { mass: grams(g) }
}

fn burst(s: f64) -> ActionKind {
    ActionKind::Heat { lasting: Some(seconds(s)) }
}

#[test]
fn a_whole_evening_follows_the_order_of_work() {
    let mut e = Evening::new();
    assert_eq!(e.advice().rule, Rule::ReadThermometer);

    e.read(20.0);
    let warm = e.advice();
    assert_eq!(warm.rule, Rule::Warm);
    assert!(in_seconds(warm.heat.expect("a burst")) <= 30.0);

    e.act(burst(30.0));
    assert_eq!(e.advice().rule, Rule::Heating);
    assert!(matches!(e.bowl().heating.heat, Heat::Burst { .. }));
    e.pass(31);
    assert_eq!(e.advice().rule, Rule::StirAfterHeat);
    e.act(ActionKind::Stirred);
    e.read(43.5);
    let stop = e.advice();
    assert_eq!((stop.rule, stop.alarm), (Rule::StopBeforeMelt, Some(Alarm::Limit)));
    e.read(45.6);
    assert_eq!(e.advice().rule, Rule::Melted);

    e.act(ActionKind::OffHeat);
    assert_eq!(e.bowl().phase, Phase::Cooling);
    let first = e.advice();
    assert_eq!(first.rule, Rule::AddSeed);
    assert!(first.say.text().contains("first"), "{}", first.say);

    for word in ["next", "last"] {
        let portion = e.advice().seed.expect("a portion");
        e.act(seed(in_grams(portion)));
        assert_eq!(e.advice().rule, Rule::StirIn);
        e.pass(80);
        e.read(36.0);
        assert!(e.advice().say.text().contains(word), "{}", e.advice().say);
    }
    e.act(seed(40.0));
    e.pass(80);
    e.fall_from(33.5, 90);
    assert_eq!(e.advice().rule, Rule::StirringMissing);
    e.act(ActionKind::Stirred);
    let down = e.advice();
    assert_eq!(down.rule, Rule::StirDown);
    let countdown = down.countdown.expect("a forecast");
    assert!(countdown.earliest <= countdown.at && Some(countdown.at) <= countdown.latest);

    // One reading in the band may be a flicker; where it is evened out counts.
    e.read(31.6);
    assert_eq!(e.advice().rule, Rule::StirDown);
    e.fall_from(31.8, 40);
    assert_eq!(e.advice().rule, Rule::TestNow);
    e.act(ActionKind::TestStarted);
    assert_eq!((e.bowl().phase, e.advice().rule), (Phase::Testing, Rule::WatchSmear));
    e.pass(180);
    e.read(31.4);
    e.act(ActionKind::TestSeen { seen: Seen::SetsFromEdge, dull_for: None });
    assert_eq!(e.bowl().phase, Phase::Working);
    e.act(burst(5.0));
    e.pass(6);
    assert_eq!(e.advice().rule, Rule::StirAfterHeat);
    e.act(ActionKind::Stirred);
    e.read(31.5);
    assert!(matches!(e.bowl().temper, Temper::Shown { .. }));
    assert_eq!(e.advice().rule, Rule::Pour);

    e.act(ActionKind::Poured);
    e.pass(60);
    assert_eq!(e.advice().rule, Rule::Poured);
}

#[test]
fn the_limit_never_passes_unsaid() {
    for phase in [None, Some(ActionKind::OffHeat), Some(ActionKind::TestStarted)] {
        let mut e = Evening::new();
        e.read(46.0);
        phase.into_iter().for_each(|kind| e.act(kind));
        e.read(55.4);
        let advice = e.advice();
        assert_eq!(
            (advice.rule, advice.level, advice.alarm),
            (Rule::LimitPassed, Level::Stop, Some(Alarm::Limit))
        );
        assert!(e.bowl().thermometer.over_limit.is_some());
    }
}

#[test]
fn off_the_heat_too_soon_is_sent_back() {
    let mut e = Evening::new();
    e.read(38.0);
    e.act(ActionKind::OffHeat);
    assert_eq!(e.bowl().phase, Phase::Melting);
    assert_eq!(e.advice().rule, Rule::NotYetMelted);
    // The heat held by the bowl may still carry it there.
    e.read(43.2);
    assert_eq!(e.bowl().phase, Phase::Cooling);
}

#[test]
fn a_water_bath_is_left_before_the_melt_is_reached() {
    let mut e = Evening::new();
    e.read(30.0);
    e.act(ActionKind::Heat { lasting: None });
    assert_eq!(e.advice().rule, Rule::Heating);
    e.pass(60);
    e.read(43.1);
    assert_eq!(e.advice().rule, Rule::StopBeforeMelt);
}

#[test]
fn streaks_mean_do_not_pour_but_nothing_is_blocked() {
    let mut e = Evening::seeded();
    e.act(ActionKind::TestStarted);
    e.pass(240);
    e.read(31.2);
    e.act(ActionKind::TestSeen { seen: Seen::Streaks, dull_for: None });
    let advice = e.advice();
    assert_eq!((e.bowl().phase, advice.rule), (Phase::Cooling, Rule::NotInTemper));
    assert!(advice.why.text().contains("do not pour"), "{}", advice.why);
    assert!(in_grams(advice.seed.expect("more seed")) > 0.0);
    e.act(ActionKind::Poured);
    assert_eq!(e.bowl().phase, Phase::Done);
}

#[test]
fn still_wet_is_too_early_to_tell_before_five_minutes() {
    let mut e = Evening::seeded();
    e.act(ActionKind::TestStarted);
    e.pass(120);
    e.act(ActionKind::TestSeen { seen: Seen::StillWet, dull_for: None });
    assert_eq!(e.bowl().phase, Phase::Testing);
    e.pass(185);
    assert_eq!(e.advice().rule, Rule::JudgeSmear);
    e.act(ActionKind::TestSeen { seen: Seen::StillWet, dull_for: None });
    assert_eq!(e.bowl().phase, Phase::Cooling);
}

#[test]
fn temper_warmed_away_is_said_and_sent_back_to_seeding() {
    let mut e = Evening::in_temper();
    e.read(34.6);
    assert!(matches!(e.bowl().temper, Temper::Gone { .. }));
    assert_eq!(e.advice().rule, Rule::TemperLost);
    let more = e.advice().seed.expect("seed");
    e.act(seed(in_grams(more)));
    assert_eq!(e.advice().rule, Rule::StirIn);
}

#[test]
fn the_working_band_is_watched_from_both_sides() {
    let mut e = Evening::in_temper();
    e.read(32.6);
    assert_eq!(e.advice().rule, Rule::TooWarmToPour);
    e.read(30.6);
    let rewarm = e.advice();
    assert_eq!(rewarm.rule, Rule::Rewarm);
    assert!(in_seconds(rewarm.heat.expect("a burst")) <= 5.0);
    e.read(29.0);
    assert_eq!(e.advice().rule, Rule::Thickening);
}

#[test]
fn about_to_leave_the_band_is_said_before_it_happens() {
    let mut e = Evening::in_temper();
    e.fall_from(31.5, 60);
    let advice = e.advice();
    assert_eq!((advice.rule, advice.alarm), (Rule::LeavingBand, Some(Alarm::Band)));
}

#[test]
fn undo_takes_back_the_last_thing_done() {
    let mut e = Evening::seeded();
    let before = e.bowl();
    e.act(seed(50.0));
    assert!(e.bowl().went_in.seeded > before.went_in.seeded);
    let last = e.record().last_action().expect("the seed").id;
    e.act(ActionKind::Undone { action: last });
    assert_eq!(e.bowl().went_in.seeded, before.went_in.seeded);
    assert_eq!(e.bowl().phase, before.phase);
}

#[test]
fn doubted_readings_are_kept_marked_and_left_out() {
    let mut e = Evening::seeded();
    e.fall_from(33.0, 120);
    let clean = e.advice();
    e.read_at_once(-40.0);
    assert_eq!(e.advice().say, clean.say, "one stray reading changes nothing");
    e.read_at_once(200.0);
    let bowl = e.bowl();
    assert_eq!(e.advice().rule, Rule::ProbeTrouble);
    assert_eq!(bowl.thermometer.doubts.iter().flatten().count(), 2);
    assert!(bowl.thermometer.doubts.iter().flatten().all(|d| *d == Doubt::OutOfRange));
    assert!(bowl.thermometer.peak.is_some_and(|p| in_celsius(p) < 60.0));
    let drawn = curve(&e.record(), &bowl, 20);
    assert!(drawn.len() <= 34, "{} points", drawn.len());
    assert!(drawn.iter().any(|p| p.doubt.is_some()));
}

#[test]
fn a_thermometer_that_sends_fahrenheit_is_told_from_a_hot_bowl() {
    let mut e = Evening::new();
    e.read(68.2);
    let advice = e.advice();
    assert_eq!(advice.rule, Rule::ProbeTrouble);
    assert!(advice.why.text().contains("68.2 °F would be 20.1 °C"), "{}", advice.why);
    let mut e = Evening::seeded();
    e.read(88.9);
    assert_eq!(e.advice().rule, Rule::ProbeTrouble);
    // A bowl that was heated may well be hot.
    let mut e = Evening::new();
    e.read(20.0);
    e.act(burst(60.0));
    e.pass(70);
    e.read(68.0);
    assert_eq!(e.advice().rule, Rule::LimitPassed);
}

#[test]
fn a_silent_thermometer_is_asked_after() {
    let mut e = Evening::seeded();
    e.pass(300);
    let advice = e.advice();
    assert_eq!(advice.rule, Rule::ReadThermometer);
    assert!(advice.why.text().contains("5 min old"), "{}", advice.why);
}

#[test]
fn the_trend_is_the_slope_of_the_last_minute() {
    let mut e = Evening::seeded();
    e.fall_from(34.0, 90);
    let slope = in_degrees(trend(&e.record(), &e.bowl()).expect("a trend"));
    assert!((slope + 0.4).abs() < 0.05, "{slope} per minute");
}

#[test]
fn a_bowl_given_up_keeps_its_reason() {
    let mut e = Evening::seeded();
    e.act(ActionKind::GivenUp { reason: "water got in and it seized".into() });
    e.act(ActionKind::Stirred);
    assert_eq!(e.bowl().phase, Phase::Lost);
    assert_eq!(e.advice().why.text(), "water got in and it seized");
}

#[test]
fn the_finish_tells_the_state() {
    let mut e = Evening::new();
    e.read(46.0);
    assert_eq!(finish(&e.setup, &e.bowl()), Finish::Matt);
    let mut e = Evening::seeded();
    assert_eq!(finish(&e.setup, &e.bowl()), Finish::Satin);
    e.act(ActionKind::TestStarted);
    e.act(ActionKind::TestSeen { seen: Seen::Streaks, dull_for: None });
    assert_eq!(finish(&e.setup, &e.bowl()), Finish::Streaks);
    let mut e = Evening::in_temper();
    assert_eq!(finish(&e.setup, &e.bowl()), Finish::Sheen);
    e.read(29.0);
    assert_eq!(finish(&e.setup, &e.bowl()), Finish::Grain);
}

#[test]
fn a_mistyped_reading_and_a_wrong_amount_are_corrected_without_being_rewritten() {
    let mut e = Evening::new();
    e.read(46.0);
    e.act(ActionKind::OffHeat);
    e.act(ActionKind::SeedAdded { mass: grams(400.0) });
    e.read(64.0);
    let wrong = e.record().actions().last().expect("the seed").id;
    let mistyped = e.record().readings().last().expect("the reading").id;
    assert!(e.bowl().thermometer.newest.is_some_and(|newest| in_celsius(newest) > 60.0));
    e.act(ActionKind::ReadingWithdrawn { reading: mistyped });
    e.act(ActionKind::AmountCorrected { action: wrong, mass: grams(40.0) });
    assert!(e.bowl().thermometer.newest.is_some_and(|newest| in_celsius(newest) < 50.0));
    assert!((in_grams(e.bowl().went_in.seeded) - 40.0).abs() < 1e-9);
    assert_eq!(e.bowl().went_in.additions, 1, "a correction is no addition");
    assert_eq!(e.record().withdrawn().len(), 1);
    assert!(e.record().has_reading(mistyped), "it is kept");
    // What was corrected can be set right again.
    let correction = e.record().entries().last().expect("the correction").id;
    e.act(ActionKind::Undone { action: correction });
    assert!((in_grams(e.bowl().went_in.seeded) - 400.0).abs() < 1e-9);
}
