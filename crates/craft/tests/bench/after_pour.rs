//! What the coach says once it is poured.

use craft::bowl::ActionKind;
use craft::chocolate::Family;
use craft::coach::Rule;
use craft::plan::BowlInputs;

use crate::evening::Evening;

#[test]
fn what_follows_the_pour_is_left_to_the_steps_however_long_it_takes() {
    let mut e = Evening::of(&BowlInputs::alone(Family::Dark, 325.0));
    e.read(31.6);
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
