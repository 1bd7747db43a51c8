//! From a plan to its lines of steps.

use std::cmp::Ordering;
use std::collections::{BTreeMap, HashMap};

use super::gear::Gear;
use super::parted::parted;
use super::shared::put_together;
use super::step::{Anchor, Due, Line, LineOf, Step, StepKind, Takes, Wait};
use super::{learned, packing, tempering};
use crate::catalogue::cautions;
use crate::catalogue::steps as say;
use crate::help::Topic;
use crate::message::{Nested, list};
use crate::plan::{Plan, PlannedComponent, plan_of};
use crate::units::{Time, in_seconds};
use crate::work::{self, Goods, Task};

/// A chocolate is held in temper so long for what comes next; what is poured later is
/// tempered for again, s (*custom*).
pub(crate) const APART_S: f64 = 45.0 * 60.0;

/// The lines of a plan: its temperings, then a line for each cast of each component, then packing.
#[must_use]
pub fn lines(plan: &Plan) -> Vec<Line> {
    let colours: Vec<&str> = plan
        .bowls
        .iter()
        .filter(|bowl| plan_of(&plan.bowls, &bowl.key).is_some_and(|plan| plan.colour.is_some()))
        .map(|bowl| bowl.key.as_str())
        .collect();
    let mut lines = Vec::new();
    let mut uses = Vec::new();
    for component in &plan.components {
        let casts = component.draft.shown.cast.as_ref().map_or(1, |cast| cast.casts.max(1));
        let mut begins_s = 0.0;
        for cast in 1..=casts {
            let line = component_line(component, cast, casts, &colours, plan);
            begins_s = find_uses(&line, (lines.len(), casts == 1), begins_s, &mut uses);
            lines.push(line);
        }
    }
    let put_off = put_together(&lines, &mut uses);
    let mut lines = in_order(lines, &put_off, &mut uses);
    let temperings = temperings(&mut lines, uses);
    let mut of_bowls: Vec<_> = temperings
        .into_iter()
        .filter_map(|((key, nth), tempering)| {
            let bowl = plan.bowls.iter().find(|bowl| bowl.key == key)?;
            let line = tempering::line(bowl, nth, tempering.wait, plan.tempering_pace)?;
            Some((tempering.first, line))
        })
        .collect();
    // In the order of their first use: a colour before the chocolate that follows it.
    of_bowls.sort_by(|(a, _), (b, _)| a.0.total_cmp(&b.0).then(a.1.cmp(&b.1)));
    let packing = plan.packing.as_ref().map(packing::line);
    let mut all: Vec<Line> =
        of_bowls.into_iter().map(|(_, line)| line).chain(lines).chain(packing).collect();
    learned::mark(&mut all, &plan.watch_for);
    all
}

/// What was put off comes after what it is made with: that fills its moulds first.
fn in_order(lines: Vec<Line>, put_off: &[usize], uses: &mut [Use]) -> Vec<Line> {
    let mut order: Vec<usize> = (0..lines.len()).collect();
    order.sort_by_key(|line| put_off.contains(line));
    for one in uses {
        one.line = order.iter().position(|line| *line == one.line).unwrap_or(one.line);
    }
    let mut lines: Vec<Option<Line>> = lines.into_iter().map(Some).collect();
    order.into_iter().filter_map(|line| lines[line].take()).collect()
}

/// A tempering: what it waits for, and when and where it is first used.
struct Tempering {
    wait: Option<Wait>,
    first: (f64, (usize, usize)),
}

/// A step that takes a tempered chocolate.
#[derive(Clone)]
pub(super) struct Use {
    pub chocolate: String,
    pub line: usize,
    step: usize,
    /// When it comes, where nothing else is made, s.
    pub at_s: f64,
    /// The long wait that lies before it: of its line, or of what it is made with.
    pub wait: Option<Wait>,
    /// Whether its line can be put off as a whole.
    pub may_wait: bool,
}

impl Use {
    /// Of each chocolate the soonest first.
    pub fn by_chocolate_and_time(a: &Self, b: &Self) -> Ordering {
        a.chocolate.cmp(&b.chocolate).then(a.at_s.total_cmp(&b.at_s))
    }

    /// Whether it is made from the same tempering as the one before it.
    pub fn goes_on_with(&self, before: &Self) -> bool {
        self.chocolate == before.chocolate && self.at_s - before.at_s < APART_S
    }
}

/// Notes which steps of a line take chocolate, and when; gives when the line is done.
fn find_uses(
    line: &Line,
    (index, may_wait): (usize, bool),
    begins_s: f64,
    uses: &mut Vec<Use>,
) -> f64 {
    let mut done: HashMap<&str, f64> = HashMap::new();
    let mut at_s = begins_s;
    let mut long: Option<Wait> = None;
    for (i, step) in line.steps.iter().enumerate() {
        if let Some(wait) = &step.wait
            && let Some(opens) = &wait.opens
        {
            let since = done.get(wait.step.as_str()).copied().unwrap_or(at_s);
            at_s = at_s.max(since + opens.typical_s);
            if opens.typical_s >= APART_S {
                long = Some(wait.clone());
            }
        }
        if let Some(chocolate) = &step.chocolate {
            let wait = long.clone();
            let chocolate = chocolate.clone();
            uses.push(Use { chocolate, line: index, step: i, at_s, wait, may_wait });
        }
        at_s += step.takes.typical_s;
        done.insert(&step.key, at_s);
    }
    at_s
}

/// Gathers what is poured soon after each other into one tempering, and says of each
/// step which one it is of. Gives what each tempering waits for: nothing, where any of
/// its users waits for nothing.
fn temperings(lines: &mut [Line], mut uses: Vec<Use>) -> BTreeMap<(String, u32), Tempering> {
    uses.sort_by(Use::by_chocolate_and_time);
    let mut waits = BTreeMap::new();
    let mut nth = 0;
    let mut before: Option<Use> = None;
    for one in uses {
        nth = match &before {
            Some(last) if last.chocolate != one.chocolate => 1,
            Some(last) if one.goes_on_with(last) => nth,
            _ => nth + 1,
        };
        let Use { chocolate, line, step, at_s, wait, .. } = one.clone();
        before = Some(one);
        lines[line].steps[step].tempered = Some(tempering::tempering_key(&chocolate, nth));
        waits
            .entry((chocolate, nth))
            .and_modify(|known: &mut Tempering| {
                if wait.is_none() {
                    known.wait = None;
                }
            })
            .or_insert(Tempering { wait, first: (at_s, (line, step)) });
    }
    waits
}

fn component_line(
    component: &PlannedComponent,
    cast: u32,
    casts: u32,
    colours: &[&str],
    plan: &Plan,
) -> Line {
    let key = if cast == 1 { component.key.clone() } else { format!("{}#{cast}", component.key) };
    let name = if casts == 1 {
        component.name.clone()
    } else {
        format!("{}, cast {cast} of {casts}", component.name)
    };
    let first_taking = component.tasks.iter().position(|task| task.chocolate.is_some());
    let mut steps: Vec<Step> = Vec::new();
    if cast == 1 {
        steps.extend(goods(component, &key));
    }
    for (i, task) in component.tasks.iter().enumerate() {
        let before = first_taking.is_some_and(|first| i < first);
        steps.push(step(task, &key, kind(task, before, colours)));
    }
    let steps = parted(steps, &key, component, casts, plan);
    let of = LineOf::Component { component: component.key.clone(), cast, casts };
    let keeps_days = component.keeping.as_ref().and_then(|keeping| keeping.days);
    Line { key, of, name, gear: gear(component), keeps_days, steps }
}

fn gear(component: &PlannedComponent) -> Vec<Gear> {
    let draft = &component.draft;
    let mould = draft.shown.cast.as_ref().and_then(|cast| cast.mould_id);
    let mould = mould.map(|id| Gear::Mould { id });
    let tray = component.tray_id.map(|id| Gear::Tray { id });
    let frozen = (draft.sets.stone.is_some() && !draft.sets.on_ice).then_some(Gear::FrozenStone {});
    mould.into_iter().chain(tray).chain(frozen).collect()
}

/// What goes in or on is weighed before anything is poured.
fn goods(component: &PlannedComponent, line: &str) -> Option<Step> {
    let parts: Vec<_> = component
        .draft
        .goods
        .iter()
        .filter(|goods| matches!(goods.goes, "mixed in" | "on top"))
        .flat_map(Goods::bought)
        .map(|bought| say::so_much_of(bought.mass, bought.name))
        .collect();
    let together = match parts.split_last()? {
        (only, []) => only.clone(),
        (last, others) => {
            let others = list(others.iter().cloned().map(Nested::from), ", ");
            say::and_last(others, last.clone())
        }
    };
    Some(Step {
        key: format!("{line}/goods"),
        kind: StepKind::Preparing,
        text: say::weigh_goods(together),
        detail: say::goods_how(),
        caution: Some(cautions::allergens()),
        missed: None,
        takes: Takes { typical_s: 90.0, least_s: 60.0, most_s: 240.0 },
        chocolate: None,
        tempered: None,
        wait: None,
        is_touch: false,
        topic: None,
        learned: Vec::new(),
    })
}

fn kind(task: &Task, before: bool, colours: &[&str]) -> StepKind {
    match &task.chocolate {
        Some(key) if colours.contains(&key.as_str()) => StepKind::Applying,
        Some(_) => StepKind::Pouring,
        None if task.is_touch => StepKind::Waiting,
        None if task.key.starts_with("fridge-") => StepKind::Chilling,
        None if before => StepKind::Preparing,
        None => StepKind::Finishing,
    }
}

fn due(due: &work::Due) -> Due {
    let ms = |time: Time| (in_seconds(time) * 1_000.0).round() / 1_000.0;
    Due {
        typical_s: ms(due.moment.typical),
        earliest_s: ms(due.moment.earliest),
        latest_s: ms(due.moment.latest),
        sets: due.sets,
        what: due.what.clone(),
    }
}

fn step(task: &Task, line: &str, kind: StepKind) -> Step {
    let wait = task.since.as_ref().map(|since| Wait {
        step: format!("{line}/{since}"),
        anchor: Anchor::End,
        opens: task.from.as_ref().map(due),
        closes: task.until.as_ref().map(due),
    });
    Step {
        key: format!("{line}/{}", task.key),
        kind,
        text: task.text.clone(),
        detail: task.detail.clone(),
        caution: task.caution.clone(),
        missed: task.missed.clone(),
        takes: Takes::about(task.takes),
        chocolate: task.chocolate.clone(),
        tempered: None,
        wait: wait.filter(|wait| wait.opens.is_some() || wait.closes.is_some()),
        is_touch: task.is_touch,
        topic: Topic::of(&task.text),
        learned: Vec::new(),
    }
}
