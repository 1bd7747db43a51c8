//! What a batch's own record tells: of an evening at the simulated pot.

use std::collections::HashMap;

use chrono::{DateTime, TimeDelta, TimeZone, Utc};
use craft::bowl::{ActionKind, Record};
use craft::chocolate::Family;
use craft::clinic::{Cause, Facts, Tempered, Tested, facts_of};
use craft::method::Run;
use craft::plan::{Plan, PlanInputs};
use craft::pot::{Evening, Mishap, evening};
use craft::steps::{Line, lines, tempering_key};

fn at(min: i64) -> DateTime<Utc> {
    let noon = Utc.with_ymd_and_hms(2026, 10, 10, 12, 0, 0).single().expect("a time");
    noon + TimeDelta::minutes(min)
}

struct Made {
    plan: Plan,
    lines: Vec<Line>,
    run: Run,
    record: Record,
}

fn made(mishap: Option<Mishap>) -> Made {
    let inputs = PlanInputs { fridge_c: Some(5.0), ..PlanInputs::usual(Family::Dark) };
    let plan = Plan::of(&inputs).expect("a plan");
    let run = plan.bowls[0].plan.clone().expect("a bowl").run(at(0));
    let record = evening(&run, &Evening { mishap, ..Evening::calm(3) }).record;
    Made { lines: lines(&plan), plan, run, record }
}

impl Made {
    fn facts(&self, done: &HashMap<String, DateTime<Utc>>) -> Facts {
        let poured = self.record.actions().find(|one| one.kind == ActionKind::Poured);
        let bowl = Tempered {
            step: tempering_key("dark", 1),
            setup: self.run.setup.clone(),
            record: self.record.clone(),
            poured: poured.expect("poured").at,
        };
        facts_of(&self.plan, &self.plan.components[0], &self.lines, done, &[bowl])
    }
}

#[test]
fn a_calm_evening_has_facts_as_they_should_be() {
    let calm = made(None);
    let facts = calm.facts(&HashMap::new());
    let [lo, hi] = facts.work_c.expect("its range");
    assert!(facts.poured_c.is_some_and(|c| c > lo - 0.6 && c < hi + 0.6), "{facts:?}");
    assert!(facts.max_c < facts.limit_c && facts.max_c > Some(40.0), "{facts:?}");
    assert_eq!((facts.test, facts.above_lost_s), (Some(Tested::Passed), Some(0.0)));
    let share = facts.seed_share_pct.zip(facts.seed_planned_pct).map(|(is, was)| is / was);
    assert!(share.is_some_and(|share| (0.5..1.25).contains(&share)), "{facts:?}");
    assert!(facts.stir_gap_s.is_some_and(|gap| gap < 200.0), "{facts:?}");
    assert_eq!(
        (facts.moulded, facts.coloured, facts.with_goods),
        (Some(false), Some(false), Some(false))
    );
    assert_eq!((facts.chill_min, facts.knocked), (None, None), "nobody ticked anything");
}

#[test]
fn what_was_ticked_off_tells_of_the_fridge_and_what_nobody_entered_is_not_known() {
    let calm = made(None);
    let ticked = |task: &str, min: i64| (format!("slab/{task}"), at(min));
    let done = [ticked("tap", 60), ticked("fridge-in", 70), ticked("fridge-out", 95)];
    let facts = calm.facts(&done.into());
    assert_eq!((facts.chill_min, facts.knocked), (Some(25.0), Some(true)));
    assert!(facts.dew_limit_min.is_some_and(|limit| limit > 1.0), "{facts:?}");
    // Without a bowl there is what the plan says, and no more.
    let alone = facts_of(&calm.plan, &calm.plan.components[0], &calm.lines, &HashMap::new(), &[]);
    assert_eq!((alone.poured_c, alone.test, alone.max_c), (None, None, None));
    assert!(alone.thickness_mm.is_some() && alone.room_c.is_some());
    // A record in which nobody said when it was stirred.
    let quiet = calm
        .record
        .actions()
        .filter(|one| !matches!(one.kind, ActionKind::Stirred | ActionKind::SeedAdded { .. }));
    let record = Record::new(calm.record.readings().to_vec(), quiet.cloned().collect());
    let facts = Made { record, ..calm }.facts(&HashMap::new());
    assert_eq!(
        (facts.stir_gap_s, facts.seed_share_pct, facts.seed_planned_pct),
        (None, None, None)
    );
}

#[test]
fn seed_that_is_less_than_planned_is_little_only_where_it_is_little() {
    let told = |share: f64, planned: Option<f64>| {
        let facts =
            Facts { seed_share_pct: Some(share), seed_planned_pct: planned, ..Facts::default() };
        [Cause::UnderSeeded, Cause::OverSeeded].map(|cause| cause.evidence(&facts)[0].speaks_for())
    };
    let against = [Some(false); 2];
    assert_eq!(told(22.0, Some(40.0)), against, "it cooled by itself");
    assert_eq!(told(40.0, Some(42.0)), against, "as planned");
    assert_eq!(told(8.0, Some(30.0)), [Some(true), Some(false)]);
    assert_eq!(told(55.0, Some(30.0)), [Some(false), Some(true)]);
    assert_eq!(told(55.0, None), [Some(false), Some(true)]);
}
