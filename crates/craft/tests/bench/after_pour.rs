//! What the coach says once it is poured.

use craft::bowl::ActionKind;
use craft::bowl::Seen;
use craft::chocolate::Family;
use craft::coach::Rule;
use craft::note::Level;
use craft::plan::BowlInputs;

use crate::evening::Evening;

#[test]
fn what_follows_the_pour_is_left_to_the_steps_however_long_it_takes() {
    let mut e = Evening::in_temper();
    e.act(ActionKind::Poured);
    for s in [0, 60, 600, 6_000] {
        e.pass(s);
        let advice = e.advice();
        assert_eq!(advice.rule, Rule::Poured);
        assert!(advice.countdown.is_none());
        // No word of topping or cutting: those are the steps' own.
        let said = format!("{} {}", advice.say, advice.why).to_lowercase();
        assert!(
            ["top it", "largest", "cut", "peel"].iter().all(|word| !said.contains(word)),
            "{said}"
        );
    }
}

#[test]
fn what_is_poured_untempered_is_said_to_be_and_can_be_undone() {
    let told = |prepare: &dyn Fn(&mut Evening)| {
        let mut e = Evening::of(&BowlInputs::alone(Family::Dark, 325.0));
        prepare(&mut e);
        e.act(ActionKind::Poured);
        let advice = e.advice();
        assert_eq!((advice.rule, advice.level), (Rule::Poured, Level::Stop), "{}", advice.say);
        assert!(advice.why.text().starts_with("Undo it"), "{}", advice.why);
        advice.say.to_string()
    };
    let melted = |e: &mut Evening| {
        e.read(46.0);
        e.act(ActionKind::OffHeat);
    };
    assert!(told(&|_| {}).contains("not tested"), "nothing was done at all");
    assert!(told(&melted).contains("is over 34.0 °C"));
    assert!(
        told(&|e| {
            melted(e);
            e.act(ActionKind::SeedAdded { mass: craft::units::grams(60.0) });
            e.pass(900);
            e.read(31.5);
        })
        .contains("not tested")
    );
    assert!(
        told(&|e| {
            melted(e);
            e.read(31.5);
            e.act(ActionKind::TestStarted);
            e.pass(300);
            e.act(ActionKind::TestSeen { seen: Seen::Streaks, dull_for: None });
        })
        .contains("its test failed")
    );
    let mut lost = Evening::in_temper();
    lost.read(36.0);
    lost.act(ActionKind::Poured);
    assert!(lost.advice().say.text().contains("too warm after its test"), "{}", lost.advice().say);
    // A coating has no temper to have.
    let mut coating = Evening::of(&BowlInputs::alone(Family::Coating, 325.0));
    coating.read(40.0);
    coating.act(ActionKind::Poured);
    assert_eq!(coating.advice().level, Level::Info, "{}", coating.advice().say);
}
