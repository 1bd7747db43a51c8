//! Every button at every instruction, the foolish ones too: the coach never swings.

use std::collections::BTreeSet;

use chrono::{DateTime, TimeDelta, Utc};
use craft::bowl::{
    Action, ActionKind, Bowl, Phase, Reading, Record, Seen, Source, fold, look_ahead,
};
use craft::chocolate::Family;
use craft::coach::{Advice, Rule, advise};
use craft::crystal::Smear;
use craft::method::{Method, Run};
use craft::note::Level;
use craft::plan::{BowlInputs, bowl};
use craft::pot::{Pot, Probe};
use craft::units::{celsius, grams, in_celsius, seconds};
use uuid::Uuid;

/// So many different things may be said without anything coming of it…
const MOST_SAID: usize = 12;
/// …in this time.
const WITHIN: TimeDelta = TimeDelta::minutes(20);
/// An evening ends after so long, s.
const LONGEST_S: i64 = 4_500;
/// A reading comes this often, s.
const EVERY_S: i64 = 10;
/// Where something came of it so often, no more is looked at.
const ENOUGH: usize = 3;

/// What can be touched where an instruction is given.
fn offered(rule: Rule, run: &Run) -> Vec<ActionKind> {
    let seen = |seen| ActionKind::TestSeen { seen, dull_for: None };
    let mut buttons = vec![
        ActionKind::Stirred,
        ActionKind::OffHeat,
        ActionKind::Heat { lasting: Some(seconds(5.0)) },
        ActionKind::Heat { lasting: Some(seconds(30.0)) },
        ActionKind::Heat { lasting: None },
    ];
    let key = run.method.about().key;
    if run.setup.seed > grams(0.0) {
        buttons.push(ActionKind::SeedAdded { mass: grams(10.0) });
    }
    if key == "ready_crystals" {
        buttons.push(ActionKind::CrystalsAdded { mass: grams(3.0) });
    }
    if rule == Rule::CoolToGate {
        buttons.push(ActionKind::OnCoolWater);
    }
    if run.setup.course.is_tested {
        buttons.push(ActionKind::TestStarted);
    }
    if !matches!(rule, Rule::Warm | Rule::Melted | Rule::NotYetMelted) {
        buttons.push(ActionKind::TooThick);
    }
    if rule == Rule::WatchSmear {
        buttons.extend([Seen::EvenSatin, Seen::Streaks, Seen::StillWet].map(seen));
    }
    buttons
}

/// Whether a button makes another bowl of it, so that what follows is a new beginning.
fn changes_it(kind: &ActionKind) -> bool {
    matches!(
        kind,
        ActionKind::Heat { .. } | ActionKind::SeedAdded { .. } | ActionKind::CrystalsAdded { .. }
    )
}

/// Keeps it where it is until what is asked for is done: no other aim.
fn only_keeps_it(rule: Rule) -> bool {
    matches!(
        rule,
        Rule::Heating
            | Rule::StirAfterHeat
            | Rule::Rewarm
            | Rule::WarmBack
            | Rule::Thickening
            | Rule::StirringMissing
            | Rule::Plateau
            | Rule::TooWarmToPour
            | Rule::LeavingBand
            | Rule::StopBeforeMelt
            | Rule::LimitNear
    )
}

/// Somebody at a pot.
struct Somebody {
    run: Run,
    pot: Pot,
    probe: Probe,
    record: Record,
    smear: Option<Smear>,
    now: DateTime<Utc>,
    ids: u128,
    acts_at: DateTime<Utc>,
}

impl Somebody {
    fn at(method: Method, family: Family) -> Self {
        let inputs = BowlInputs {
            method: Some(method),
            stone_c: Some(16.0),
            ..BowlInputs::alone(family, 325.0)
        };
        let now = DateTime::from_timestamp(1_790_000_000, 0).expect("in range");
        let run = bowl(&inputs).expect("a plain plan").run(now);
        let pot = Pot::new(&run.setup);
        let probe = Probe::new(7, pot.temperature(), 0.05);
        let (record, ids) = (Record::default(), 0);
        Self { run, pot, probe, record, smear: None, now, ids, acts_at: now }
    }

    fn id(&mut self) -> Uuid {
        self.ids += 1;
        Uuid::from_u128(self.ids)
    }

    /// Some seconds go by, and the thermometer is read.
    fn wait(&mut self) -> (Bowl, Advice) {
        #[allow(clippy::cast_precision_loss)] // seconds
        let s = EVERY_S as f64;
        self.now += TimeDelta::seconds(EVERY_S);
        self.pot.wait(s);
        self.probe.settle(&self.pot, s);
        let temp = celsius(self.probe.says());
        let reading = Reading { id: self.id(), at: self.now, temp, source: Source::Probe };
        self.record.add_reading(reading);
        let bowl = fold(&self.run.setup, &self.record, self.now);
        let ahead = look_ahead(&self.run.setup, &self.record, &bowl);
        let advice = advise(&self.run, &bowl, &ahead, self.now);
        (bowl, advice)
    }

    fn act(&mut self, kind: ActionKind) {
        if kind == ActionKind::TestStarted {
            self.smear = Some(self.pot.smear());
        }
        self.pot.act(&kind);
        let action = Action { id: self.id(), at: self.now, kind };
        self.record.add_action(action);
        self.acts_at = self.now + TimeDelta::seconds(EVERY_S);
    }

    /// What obeying is.
    fn obeys(&self, bowl: &Bowl, advice: &Advice) -> Option<ActionKind> {
        if matches!(advice.rule, Rule::WatchSmear | Rule::JudgeSmear) {
            let age = self.now - bowl.test?.started;
            #[allow(clippy::cast_precision_loss)] // minutes
            let seen = self.smear?.look(seconds(age.num_seconds() as f64));
            let due = advice.rule == Rule::JudgeSmear || seen == Seen::EvenSatin;
            return due.then_some(ActionKind::TestSeen { seen, dull_for: Some(seconds(0.0)) });
        }
        if advice.rule == Rule::WorkOnStone {
            let done = advice.countdown.as_ref().is_none_or(|back| back.at <= self.now);
            return advice.asks.clone().filter(|_| done);
        }
        let heats = matches!(bowl.heating.heat, craft::bowl::Heat::Burst { .. });
        advice
            .asks
            .clone()
            .or((advice.rule == Rule::Warm).then_some(ActionKind::Heat { lasting: None }))
            .filter(|_| !heats)
    }
}

/// What has come of it so far: where any of these moves, there is progress.
fn stands(bowl: &Bowl) -> (Phase, usize, bool, bool, i64) {
    let went_in = &bowl.went_in;
    let peak = bowl.thermometer.peak.map_or(0.0, in_celsius);
    #[allow(clippy::cast_possible_truncation)] // tens of degrees
    let peak = (peak / 3.0) as i64;
    (
        bowl.phase,
        went_in.additions,
        went_in.crystals_in.is_some(),
        went_in.returned.is_some() || went_in.on_stone.is_some(),
        peak,
    )
}

/// Answers a rule always with a button, and obeys else. The rules that were met; or what was
/// said in vain.
fn evening(
    method: Method,
    family: Family,
    answer: Option<(Rule, &ActionKind)>,
) -> Result<BTreeSet<String>, Vec<String>> {
    let mut met = BTreeSet::new();
    let mut who = Somebody::at(method, family);
    // Since when nothing came of it, how it stood then, and what was said since.
    let mut vain: Option<(DateTime<Utc>, _, Vec<String>)> = None;
    let mut came_of_it = 0;
    for _ in 0..LONGEST_S / EVERY_S {
        let (bowl, advice) = who.wait();
        if bowl.ended() {
            break;
        }
        met.insert(format!("{:?}", advice.rule));
        if let Some((since, stood, said)) = &mut vain {
            let line = format!("{:?} at {:.1}", advice.rule, in_celsius(who.pot.temperature()));
            let before = said.last().and_then(|last: &String| last.split(' ').next());
            if before != line.split(' ').next() && !only_keeps_it(advice.rule) {
                said.push(line);
            }
            if *stood != stands(&bowl) || advice.level == Level::Stop || who.now - *since > WITHIN {
                vain = None;
                came_of_it += 1;
                if came_of_it == ENOUGH {
                    break;
                }
            } else if said.len() > MOST_SAID {
                return Err(said.clone());
            }
        }
        if who.now < who.acts_at {
            continue;
        }
        let foolish = answer.filter(|(rule, _)| *rule == advice.rule).map(|(_, kind)| kind.clone());
        if let Some(kind) = &foolish
            && (vain.is_none() || changes_it(kind))
        {
            vain = Some((who.now, stands(&bowl), Vec::new()));
        }
        if let Some(kind) = foolish.or_else(|| who.obeys(&bowl, &advice)) {
            who.act(kind);
        }
    }
    Ok(met)
}

const RULES: [Rule; 24] = [
    Rule::Warm,
    Rule::Heating,
    Rule::StirAfterHeat,
    Rule::StopBeforeMelt,
    Rule::Melted,
    Rule::NotYetMelted,
    Rule::Soften,
    Rule::AddSeed,
    Rule::StirIn,
    Rule::StirDown,
    Rule::MoreSeed,
    Rule::Plateau,
    Rule::CoolToGate,
    Rule::AddCrystals,
    Rule::Spread,
    Rule::PourOnStone,
    Rule::WorkOnStone,
    Rule::WarmBack,
    Rule::TestNow,
    Rule::WatchSmear,
    Rule::Pour,
    Rule::LeavingBand,
    Rule::Rewarm,
    Rule::UseNow,
];

#[test]
fn any_button_at_any_instruction_leads_on_or_to_a_stop() {
    let mut in_vain = Vec::new();
    for (m, method) in Method::all().into_iter().enumerate() {
        let families: Vec<_> = Family::ALL.into_iter().filter(|f| method.suits(*f)).collect();
        let obeyed = evening(method, families[0], None).expect("who obeys gets on");
        let met = |rule: &Rule| obeyed.contains(&format!("{rule:?}"));
        for (r, rule) in RULES.into_iter().filter(met).enumerate() {
            // Families take turns.
            let family = families[(m + r) % families.len()];
            for button in &offered(rule, &Somebody::at(method, family).run) {
                if let Err(said) = evening(method, family, Some((rule, button))) {
                    in_vain.push(format!(
                        "{} of {family}, {rule:?} answered by {button:?}: {said:?}",
                        method.about().key
                    ));
                }
            }
        }
    }
    assert!(in_vain.is_empty(), "{}:\n{}", in_vain.len(), in_vain.join("\n"));
}
