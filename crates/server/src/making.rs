//! A batch as it is being made: what must be kept together with an event.

use std::collections::HashMap;

use chrono::{DateTime, Utc};
use craft::batch::{BowlState, BowlStatus, Event, Standing, guide, standing};
use craft::bowl::{ActionKind, Phase, Record, Setup, fold};
use craft::coach::not_tempered;
use craft::learn::{GearNumbers, lesson, tempering_pace};
use craft::message::Message;
use craft::plan::{BowlInputs, GoodsTaken, Plan, PlanInputs, bowl as bowl_plan};
use craft::result::{due, next};
use craft::schedule::span;
use craft::shelf::{Shelf, Taught, Thing, in_its_unit, stock};
use craft::steps::{Line, lines, usual_time};
use craft::time::WallTime;
use craft::units::{Mass, in_grams};
use craft::work::WorkInputs;
use store::batches::{BatchRow, ClockRow};
use store::bowls::{BowlLine, BowlRow};
use store::changes::Change;
use store::document::{Computed, Summary};
use store::stock::MoveRow;
use store::{Connection, Executor, StoreError};
use uuid::Uuid;

use crate::answer::batch::{BatchAnswer, UNREADABLE};
use crate::answer::bowl::Subject;
use crate::answer::cost::PlanCostAnswer;
use crate::answer::packing::CountAnswer;
use crate::answer::plan::PlanAnswer;
use crate::clock::wall_time;
use crate::ground::Ground;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// The release that works things out here.
pub const RELEASE: &str = env!("CARGO_PKG_VERSION");

/// What follows from a plan that is filled in, as a batch keeps it: with what it costs by the prices
/// of a shelf, where there is one to ask.
///
/// # Errors
/// Where it cannot be planned.
pub fn computed(filled: &PlanInputs, prices: Option<&Shelf>) -> Result<Computed, Problem> {
    let plan = Plan::of(filled)?;
    let lines = lines(&plan);
    let hands = span(&lines).hands;
    let cost = prices.and_then(|shelf| {
        let cost = shelf.cost(&plan, filled, hands).ok()?;
        Some(PlanCostAnswer::of(cost, &shelf.kitchen().currency))
    });
    let answer = PlanAnswer { cost, ..plan.into() };
    let plan = serde_json::to_value(answer).map_err(Problem::unwritable)?;
    Ok(Computed { plan, lines })
}

/// What lists show of a plan that is filled in.
#[must_use]
pub fn summary(filled: &PlanInputs) -> Summary {
    summary_of(filled, Plan::of(filled).ok().as_ref())
}

/// The same, where what follows from it was worked out already.
#[must_use]
pub fn summary_of(filled: &PlanInputs, plan: Option<&Plan>) -> Summary {
    Summary {
        families: filled
            .bowls
            .iter()
            .filter(|bowl| bowl.colour.is_none())
            .map(|bowl| bowl.family)
            .collect(),
        colours: plan
            .iter()
            .flat_map(|plan| &plan.bowls)
            .filter_map(|bowl| Some(bowl.plan.as_ref()?.colour.as_ref()?.looks.clone()))
            .collect(),
        components: filled.components.iter().map(|component| component.name.clone()).collect(),
        kinds: filled.components.iter().map(|component| drawn_as(&component.work)).collect(),
        to_weigh_g: plan.map(|plan| {
            let totals = plan.bowls.iter().filter_map(|bowl| bowl.plan.as_ref());
            crate::answer::grams(
                totals.map(|plan| plan.total).fold(Default::default(), |a, b| a + b),
            )
        }),
    }
}

/// What a piece of work is drawn as in a list.
fn drawn_as(work: &WorkInputs) -> String {
    match work {
        WorkInputs::Slab(slab) if !slab.mixed_in.is_empty() => "mixed".to_owned(),
        // The word that it is kept under.
        other => serde_json::to_value(other)
            .ok()
            .and_then(|kept| kept["kind"].as_str().map(ToOwned::to_owned))
            .unwrap_or_default(),
    }
}

/// What a search looks through.
#[must_use]
pub fn words(name: &str, note: &str, summary: &Summary) -> String {
    let families = summary.families.iter().map(ToString::to_string);
    let parts = [name.to_owned(), note.to_owned()];
    let all = parts.into_iter().chain(summary.components.iter().cloned()).chain(families);
    all.collect::<Vec<_>>().join(" · ").chars().take(2_000).collect()
}

/// A batch with what its standing follows from.
pub struct Making {
    /// The batch.
    pub batch: BatchRow,
    /// Its steps.
    pub lines: Vec<Line>,
    /// What was done of them.
    pub events: Vec<Event>,
    /// Its bowls, the latest first.
    pub bowls: Vec<BowlLine>,
}

impl Making {
    /// Reads a batch that is not deleted.
    ///
    /// # Errors
    /// Where there is none, or its steps cannot be read.
    pub async fn read(state: &State, id: Uuid) -> Result<Self, Problem> {
        Self::of(state, store::batches::get(&state.pool, id).await?.in_use()?).await
    }

    /// The same, of a batch that was read already.
    ///
    /// # Errors
    /// Where its steps cannot be read.
    pub async fn of(state: &State, batch: BatchRow) -> Result<Self, Problem> {
        let mut connection = state.pool.acquire().await.map_err(StoreError::from)?;
        Self::with(&mut connection, batch).await
    }

    /// Reads a batch that is not deleted, and holds it until the transaction ends.
    ///
    /// # Errors
    /// Where there is none, or its steps cannot be read.
    pub async fn lock(connection: &mut Connection, id: Uuid) -> Result<Self, Problem> {
        let batch = store::batches::lock(connection, id).await?.in_use()?;
        Self::with(connection, batch).await
    }

    async fn with(connection: &mut Connection, batch: BatchRow) -> Result<Self, Problem> {
        Ok(Self {
            lines: store::batches::computed(&mut *connection, batch.id).await?.lines,
            events: store::steps::of_batch(&mut *connection, batch.id).await?,
            bowls: store::bowls::of_batch(&mut *connection, batch.id).await?,
            batch,
        })
    }

    /// The open bowl of a chocolate, the latest one.
    #[must_use]
    pub fn open_bowl(&self, chocolate: &str) -> Option<Uuid> {
        let open = |bowl: &&BowlLine| {
            bowl.chocolate == chocolate && bowl.status == store::bowls::BowlStatus::Open
        };
        self.bowls.iter().find(open).map(|bowl| bowl.id)
    }

    /// Its bowls as the rules see them at the bench: which open one is in temper, which of
    /// those that were poured was not.
    pub fn bowl_states_at(&self, bench: &AtBench) -> Vec<BowlState> {
        let states = self.bowl_states(|id| bench.ready.contains(&id));
        let why = self.bowls.iter().map(|bowl| bench.not_tempered.get(&bowl.id).cloned());
        states
            .into_iter()
            .zip(why)
            .map(|(state, not_tempered)| BowlState { not_tempered, ..state })
            .collect()
    }

    /// Its bowls as the rules see them; `ready` says which open one is in temper.
    pub fn bowl_states(&self, ready: impl Fn(Uuid) -> bool) -> Vec<BowlState> {
        self.bowls
            .iter()
            .map(|bowl| BowlState {
                chocolate: bowl.chocolate.clone(),
                opened_at: bowl.opened_at,
                status: match &bowl.status {
                    store::bowls::BowlStatus::Open if ready(bowl.id) => BowlStatus::Ready,
                    store::bowls::BowlStatus::Open => BowlStatus::Open,
                    store::bowls::BowlStatus::Poured { at, .. } => BowlStatus::Poured { at: *at },
                    store::bowls::BowlStatus::GivenUp { .. } => BowlStatus::GivenUp,
                },
                not_tempered: None,
            })
            .collect()
    }

    /// The steps that are done, each with when that was, in the batch's own time.
    pub fn done(&self, now: DateTime<Utc>) -> impl Iterator<Item = (String, DateTime<Utc>)> {
        let bowls = self.bowl_states_at(&AtBench::default());
        let progress = guide(&self.lines, &self.events, &bowls, now).progress;
        let steps = progress.into_iter().flat_map(|line| line.steps);
        steps.filter_map(|step| Some((step.key, step.done_at?)))
    }

    /// Where it stands as a whole.
    #[must_use]
    pub fn standing(&self) -> Standing {
        let closed = self.batch.closed_at.is_some();
        standing(&self.lines, &self.events, &self.bowl_states(|_| false), closed)
    }

    /// Keeps where it stands now, in the transaction of what changed it.
    ///
    /// # Errors
    /// Where the store fails.
    pub async fn keep_standing(
        &self,
        connection: &mut Connection,
        now: WallTime,
    ) -> Result<(), StoreError> {
        let standing = self.standing();
        let ended = self.bowls.iter().filter_map(|bowl| bowl.status.ended()).max();
        let stands = (standing.stage, !standing.to_do.is_empty());
        store::batches::set_standing(&mut *connection, self.batch.id, stands, ended, now).await?;
        store::changes::note(connection, Change::Batch(self.batch.id), now).await
    }
}

/// What the bench knows of a batch's bowls.
#[derive(Debug, Default)]
pub struct AtBench {
    /// The open ones that are in temper.
    pub ready: Vec<Uuid>,
    /// Those that were poured without being tempered, and why.
    pub not_tempered: HashMap<Uuid, Message>,
}

/// What the bench knows of a batch's bowls.
///
/// # Errors
/// Where the store fails.
pub async fn at_bench(state: &State, making: &Making) -> Result<AtBench, Problem> {
    let mut bench = AtBench::default();
    for bowl in &making.bowls {
        if matches!(bowl.status, store::bowls::BowlStatus::GivenUp { .. }) {
            continue;
        }
        let Ok(live) = state.live.bowl(state, bowl.id).await else { continue };
        let now = crate::clock::kitchen_time(making.batch.clock, state.wall.now());
        let setup = &live.subject().run.setup;
        let stands = live.with(|record| fold(setup, record, now));
        if stands.phase == Phase::Working {
            bench.ready.push(bowl.id);
        }
        bench.not_tempered.extend(not_tempered(setup, &stands).map(|why| (bowl.id, why)));
    }
    Ok(bench)
}

/// Notes where a bowl stands by its record, what it took from the shelf and what it taught, or
/// takes that back where its course has not ended after all; and where its batch stands. All
/// of it goes with the action that it follows from. Doing it again changes nothing.
///
/// # Errors
/// Where the store fails.
pub async fn finalize_bowl(
    connection: &mut Connection,
    bowl: &BowlRow,
    clock: ClockRow,
    now: WallTime,
) -> Result<(), Problem> {
    let setup = Subject::of(bowl)?.run.setup;
    let record = kept_record(connection, bowl.id, &setup).await?;
    let making = Making::lock(connection, bowl.batch_id).await?;
    let kept = Kept { bowl, setup: &setup, record: &record, real: making.batch.real_time };
    keep_ending(connection, &kept, clock, now).await?;
    let making = Making::lock(connection, bowl.batch_id).await?;
    Ok(making.keep_standing(connection, now).await?)
}

/// A bowl with what is known of it already.
#[derive(Debug)]
pub struct Kept<'a> {
    /// The bowl.
    pub bowl: &'a BowlRow,
    /// What it set out to be.
    pub setup: &'a Setup,
    /// What happened to it.
    pub record: &'a Record,
    /// Whether it was made in a real kitchen, in the wall's time: a rehearsal teaches nothing.
    pub real: bool,
}

/// The bowl's part of it.
///
/// # Errors
/// Where the store fails.
pub async fn keep_ending(
    connection: &mut Connection,
    &Kept { bowl, setup, record, real }: &Kept<'_>,
    clock: ClockRow,
    now: WallTime,
) -> Result<(), StoreError> {
    let by_the_wall = |at: DateTime<Utc>| wall_time(clock, at, now);
    let status = store::bowls::BowlStatus::by(record.actions(), by_the_wall);
    store::bowls::set_status(&mut *connection, bowl.id, &status).await?;
    let inputs = bowl.inputs()?;
    if status == store::bowls::BowlStatus::Open {
        store::shelf::unteach(&mut *connection, bowl.id).await?;
        store::stock::give_back(&mut *connection, bowl.id).await?;
    } else {
        let end = record.last_at().unwrap_or(setup.opened);
        let taught = Taught {
            opened: bowl.opened_at,
            ware_id: inputs.ware_id,
            heat_id: inputs.heat_id,
            numbers: GearNumbers {
                tempering_pace: bowl_plan(inputs)
                    .ok()
                    .and_then(|plan| tempering_pace(setup, record, usual_time(&plan), end)),
                ..lesson(setup, record, end)
            },
        };
        if real {
            store::shelf::learn(&mut *connection, bowl.id, &taught).await?;
        } else {
            store::shelf::unteach(&mut *connection, bowl.id).await?;
        }
        // A rehearsal empties no bag.
        if real {
            take_stock(
                &mut *connection,
                bowl,
                inputs,
                stock::taken(setup, &fold(setup, record, end)),
                now,
            )
            .await?;
        }
    }
    store::changes::note(connection, Change::Shelf, now).await
}

/// Takes what went into a bowl out of the bag it came from, and what was stirred into it out of its
/// own.
async fn take_stock(
    connection: &mut Connection,
    bowl: &BowlRow,
    inputs: &BowlInputs,
    bowl_took: Mass,
    now: WallTime,
) -> Result<(), StoreError> {
    let of_fat = inputs.fat_added.map(|added| added.of(bowl_took)).unwrap_or_default();
    let moved = |id, thing_id, amount| MoveRow {
        id,
        thing_id,
        bowl_id: Some(bowl.id),
        kind: stock::Move::Taken,
        amount,
        at: now.0,
    };
    if let Some(chocolate_id) = inputs.chocolate_id {
        let taken = moved(bowl.id, chocolate_id, in_grams(bowl_took - of_fat));
        store::stock::take(&mut *connection, &taken).await?;
    }
    let Some((added, goods_id)) = inputs.fat_added.and_then(|a| Some((a, a.goods_id?))) else {
        return Ok(());
    };
    // What was taken off the shelf for good meanwhile has no stock to take from.
    let goods = match store::shelf::get(&mut *connection, goods_id).await {
        Ok(row) => row.thing.ok(),
        Err(StoreError::NotFound(_)) => None,
        Err(error) => return Err(error),
    };
    let Some(Thing::Goods(goods)) = goods else { return Ok(()) };
    let taken = GoodsTaken::weighed(added.fat.name(), Some(goods_id), of_fat);
    if let Some(amount) = in_its_unit(&goods, &taken) {
        let id = Uuid::new_v5(&bowl.id, b"stirred in");
        store::stock::take(&mut *connection, &moved(id, goods_id, amount)).await?;
    }
    Ok(())
}

/// Notes what a batch's steps taught about how long work takes to set in this kitchen, or
/// takes it back where it was undone. Only a clock that kept the wall's time teaches.
///
/// # Errors
/// Where the store fails.
pub async fn teach_setting(
    connection: &mut Connection,
    making: &Making,
    now: WallTime,
) -> Result<(), Problem> {
    let stated = store::batches::begun_with(&mut *connection, making.batch.id).await?.stated;
    let planned_pace = stated.ok().and_then(|stated| stated.setting_pace).unwrap_or(1.0);
    let not_tempered = poured_untempered(connection, making).await?;
    let bowls = making.bowl_states_at(&AtBench { ready: Vec::new(), not_tempered });
    let taught = craft::batch::lesson(&making.lines, &making.events, &bowls, planned_pace);
    let mut components: Vec<&str> = making.lines.iter().filter_map(Line::component).collect();
    components.dedup();
    for component in components {
        // The lesson is this component's, however often it is sent.
        let id = Uuid::new_v5(&making.batch.id, component.as_bytes());
        match taught.iter().find(|(key, _)| key == component).filter(|_| making.batch.real_time) {
            Some((_, numbers)) => {
                let taught = Taught {
                    opened: making.batch.begun_at.0,
                    ware_id: None,
                    heat_id: None,
                    numbers: *numbers,
                };
                store::shelf::learn(&mut *connection, id, &taught).await?;
            }
            None => store::shelf::unteach(&mut *connection, id).await?,
        }
    }
    Ok(store::changes::note(connection, Change::Shelf, now).await?)
}

/// Which bowls were poured without being tempered, by what is kept of them: how that sets
/// says nothing of the kitchen.
async fn poured_untempered(
    connection: &mut Connection,
    making: &Making,
) -> Result<HashMap<Uuid, Message>, Problem> {
    let mut untempered = HashMap::new();
    for line in &making.bowls {
        let store::bowls::BowlStatus::Poured { at, .. } = line.status else { continue };
        let Ok(subject) = Subject::of(&store::bowls::get(&mut *connection, line.id).await?) else {
            continue;
        };
        let setup = subject.run.setup;
        let record = kept_record(connection, line.id, &setup).await?;
        untempered.extend(not_tempered(&setup, &fold(&setup, &record, at)).map(|w| (line.id, w)));
    }
    Ok(untempered)
}

/// A bowl's record as it is kept.
async fn kept_record(
    connection: &mut Connection,
    bowl: Uuid,
    setup: &Setup,
) -> Result<Record, StoreError> {
    let record = Record::new(
        store::readings::of_bowl(&mut *connection, bowl).await?,
        store::actions::of_bowl(&mut *connection, bowl).await?,
    );
    Ok(record.corrected_by(setup.offset))
}

/// The action at the bench that a step's event stands for, where it is the pour that ends a
/// bowl: the two have each other's id.
#[must_use]
pub fn pour_of(event: Uuid) -> Uuid {
    Uuid::new_v5(&event, b"poured")
}

/// Whether an action changes where its bowl stands, or what it took or taught.
#[must_use]
pub fn finalizes_bowl(kind: &ActionKind) -> bool {
    matches!(kind, ActionKind::Poured | ActionKind::GivenUp { .. }) || kind.is_about_the_record()
}

/// What the latest count of a batch comes to; `None` where nothing was counted.
///
/// # Errors
/// Where the store fails.
pub async fn counted(
    database: impl Executor<'_>,
    batch_id: Uuid,
    stated: Option<&PlanInputs>,
) -> Result<Option<CountAnswer>, StoreError> {
    let row = store::counts::latest(database, batch_id).await?;
    Ok(row.and_then(|row| CountAnswer::of(row, stated)))
}

/// A batch with what it was begun with and what was done of it.
///
/// # Errors
/// Where the store fails.
pub async fn answered(ground: &Ground, batch: BatchRow) -> Answer<BatchAnswer> {
    let begun = store::batches::begun_with(&ground.pool, batch.id).await?;
    let results = store::results::of_batch(&ground.pool, batch.id).await?;
    let counted = counted(&ground.pool, batch.id, begun.stated.as_ref().ok()).await?;
    let bowls = store::bowls::of_batch(&ground.pool, batch.id).await?;
    let unreadable = match (&begun.stated, &begun.computed) {
        (Err(unreadable), _) | (_, Some(Err(unreadable))) => Some(unreadable.to_string()),
        (Ok(_), None) => Some(UNREADABLE.to_owned()),
        (Ok(_), Some(Ok(_))) => None,
    };
    let computed = begun.computed.and_then(Result::ok);
    let events = store::steps::of_batch(&ground.pool, batch.id).await?;
    let clock = ground.clock_answer(batch.clock, false);
    let (plan, lines) = match computed {
        Some(computed) => (Some(computed.plan), computed.lines),
        None => (None, Vec::new()),
    };
    let making = Making { batch, lines, events, bowls };
    let standing = making.standing();
    let Making { batch, bowls, .. } = making;
    let poured_at = bowls.iter().filter_map(BowlLine::poured).max();
    let now = ground.wall.now().0;
    let looked: Vec<_> = results.iter().map(|result| result.looked_at.0).collect();
    let due_look =
        poured_at.and_then(|at| due(at.0, &looked, batch.passed_look, now)).map(Into::into);
    let next_look = poured_at.and_then(|at| next(at.0, &looked, now)).map(Into::into);
    Ok(BatchAnswer {
        id: batch.id,
        plan_id: batch.plan_id,
        name: batch.name,
        note: batch.note,
        version: batch.version,
        made_by: batch.made_by,
        stage: if unreadable.is_some() { batch.stage } else { standing.stage },
        to_do: standing.to_do,
        begun_at: batch.begun_at,
        ended_at: batch.ended_at,
        starred: batch.starred,
        poured_at,
        due_look,
        next_look,
        closed_at: batch.closed_at,
        counted,
        stated: begun.stated.ok(),
        plan,
        unreadable,
        bowls: bowls.into_iter().map(Into::into).collect(),
        results: results.into_iter().map(Into::into).collect(),
        clock,
    })
}
