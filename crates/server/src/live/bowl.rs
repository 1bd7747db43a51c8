//! A bowl that is watched.

use std::sync::{Arc, Mutex, RwLock};
use std::time::Duration;

use craft::batch::{BowlState, BowlStatus};
use craft::bowl::{Action, Reading, Record, UsedFor};
use store::StoreError;
use store::batches::ClockRow;
use store::bowls::BowlRow;
use tokio::sync::{Notify, watch};
use tokio::time::Instant;
use uuid::Uuid;

use super::{Telling, Timed, Told};
use crate::answer::bowl::{BowlAnswer, Subject};
use crate::clock::ClockAnswer;
use crate::ground::Ground;
use crate::problem::Problem;

/// Time passes even when nothing happens: a burst ends, a smear comes due.
const TICK: Duration = Duration::from_secs(1);
/// However fast readings come, a screen is not told more often than this.
const NOT_MORE_OFTEN: Duration = Duration::from_millis(200);

/// Something that was kept of a bowl.
#[derive(Clone, Debug)]
pub enum Heard {
    /// A reading.
    Reading(Reading),
    /// An action.
    Action(Action),
    /// Its batch's clock was set, its thermometer, or the batch is gone.
    Batch,
}

/// The step that a bowl is tempered for; none where its batch's steps cannot be read.
async fn used_for(ground: &Ground, bowl: &BowlRow) -> Result<Option<UsedFor>, Problem> {
    let Ok(computed) = store::batches::computed(&ground.pool, bowl.batch_id).await else {
        return Ok(None);
    };
    let bowls = store::bowls::of_batch(&ground.pool, bowl.batch_id).await?;
    let states: Vec<_> = bowls
        .iter()
        .map(|bowl| BowlState {
            chocolate: bowl.chocolate.clone(),
            opened_at: bowl.opened_at,
            status: match bowl.status {
                store::bowls::BowlStatus::GivenUp { .. } => BowlStatus::GivenUp,
                _ => BowlStatus::Open,
            },
            not_tempered: None,
        })
        .collect();
    Ok(craft::batch::use_of(&computed.lines, &states, &bowl.chocolate, bowl.opened_at))
}

/// A record, and up to which number of the database it was read.
#[derive(Debug)]
struct Followed {
    record: Record,
    readings: u64,
    actions: u64,
}

/// A bowl with its record in memory.
#[derive(Debug)]
pub struct LiveBowl {
    subject: Subject,
    followed: RwLock<Followed>,
    /// Its batch's clock, and whether the simulated thermometer measures it; read anew where
    /// that was set.
    standing: RwLock<Option<(ClockRow, bool)>>,
    happened: Notify,
    told: Mutex<Option<watch::Receiver<Told>>>,
}

impl LiveBowl {
    /// Reads a bowl with its whole record.
    pub(super) async fn read(ground: &Ground, id: Uuid) -> Result<Self, Problem> {
        let row = store::bowls::get(&ground.pool, id).await?;
        ground.clocks.know(id, row.batch_id);
        let mut subject = Subject::of(&row)?;
        subject.run.setup.used_for = used_for(ground, &row).await?;
        let readings = store::readings::numbered(&ground.pool, id, 0).await?;
        let actions = store::actions::numbered(&ground.pool, id, 0).await?;
        let last = |n: Option<u64>| n.unwrap_or(0);
        let followed = Followed {
            readings: last(readings.last().map(|(n, _)| *n)),
            actions: last(actions.last().map(|(n, _)| *n)),
            record: Record::new(
                readings.into_iter().map(|(_, reading)| reading).collect(),
                actions.into_iter().map(|(_, action)| action).collect(),
            )
            .corrected_by(subject.run.setup.offset),
        };
        Ok(Self {
            subject,
            followed: RwLock::new(followed),
            standing: RwLock::default(),
            happened: Notify::new(),
            told: Mutex::default(),
        })
    }

    /// What its answers are made from.
    #[must_use]
    pub fn subject(&self) -> &Subject {
        &self.subject
    }

    pub(super) fn batch_id(&self) -> Uuid {
        self.subject.batch_id
    }

    /// Does something with its record.
    pub fn with<T>(&self, work: impl FnOnce(&Record) -> T) -> T {
        match self.followed.read() {
            Ok(followed) => work(&followed.record),
            Err(poisoned) => work(&poisoned.into_inner().record),
        }
    }

    pub(super) fn hear(&self, heard: Heard) {
        if let Ok(mut followed) = self.followed.write() {
            match &heard {
                Heard::Reading(reading) => followed.record.add_reading(*reading),
                Heard::Action(action) => followed.record.add_action(action.clone()),
                Heard::Batch => {}
            }
        }
        if matches!(heard, Heard::Batch)
            && let Ok(mut standing) = self.standing.write()
        {
            *standing = None;
        }
        self.happened.notify_one();
    }

    /// Its batch's clock, and whether the simulated thermometer measures it.
    ///
    /// # Errors
    /// Where it is gone.
    pub async fn standing(&self, ground: &Ground) -> Result<(ClockRow, bool), Problem> {
        if let Some(known) = self.standing.read().ok().and_then(|standing| *standing) {
            return Ok(known);
        }
        let line = store::bowls::line(&ground.pool, self.subject.id).await?;
        let batch = store::batches::get(&ground.pool, line.batch_id).await?;
        if batch.deleted_at.is_some() {
            return Err(StoreError::NotFound("bowl").into());
        }
        let known = (batch.clock, line.simulated);
        if let Ok(mut standing) = self.standing.write() {
            *standing = Some(known);
        }
        Ok(known)
    }

    pub(super) fn is_watched(&self) -> bool {
        self.told.lock().is_ok_and(|told| told.as_ref().is_some_and(|t| t.has_changed().is_ok()))
    }

    /// Takes up what another server kept of it.
    pub(crate) async fn catch_up(&self, ground: &Ground) -> Result<(), StoreError> {
        let (readings, actions) = match self.followed.read() {
            Ok(followed) => (followed.readings, followed.actions),
            Err(_) => return Ok(()),
        };
        let id = self.subject.id;
        let readings = store::readings::numbered(&ground.pool, id, readings).await?;
        let actions = store::actions::numbered(&ground.pool, id, actions).await?;
        if readings.is_empty() && actions.is_empty() {
            return Ok(());
        }
        if let Ok(mut followed) = self.followed.write() {
            for (n, reading) in readings {
                followed.readings = n;
                // One that was heard already stays once: it has its place in the record.
                followed.record.add_reading(reading);
            }
            for (n, action) in actions {
                followed.actions = n;
                if !followed.record.has_action(action.id) {
                    followed.record.add_action(action);
                }
            }
        }
        self.happened.notify_one();
        Ok(())
    }

    /// The bowl as it stands.
    #[must_use]
    pub fn answer(&self, clock: ClockAnswer) -> BowlAnswer {
        self.with(|record| self.subject.at(record, clock))
    }

    /// What is said of it, from now on.
    ///
    /// # Errors
    /// Where it is gone.
    pub async fn watch(
        self: &Arc<Self>,
        ground: &Ground,
    ) -> Result<watch::Receiver<Told>, Problem> {
        if let Some(told) = self.told.lock().ok().and_then(|told| told.clone())
            && told.has_changed().is_ok()
        {
            return Ok(told);
        }
        let mut talk =
            Talk { bowl: self.clone(), ground: ground.clone(), telling: Telling::default() };
        let first = talk.told().await?;
        let (sender, receiver) = watch::channel(first);
        if let Ok(mut told) = self.told.lock() {
            *told = Some(receiver.clone());
        }
        tokio::spawn(talk.run(sender));
        Ok(receiver)
    }
}

/// Says what there is to say of a bowl, as long as anybody listens.
struct Talk {
    bowl: Arc<LiveBowl>,
    ground: Ground,
    telling: Telling<BowlAnswer>,
}

impl Timed for BowlAnswer {
    fn clock(&mut self) -> &mut ClockAnswer {
        &mut self.clock
    }
}

impl Talk {
    async fn run(mut self, sender: watch::Sender<Told>) {
        loop {
            self.wait(Instant::now()).await;
            // The one that is kept for those who come later does not listen.
            if sender.receiver_count() <= 1 {
                return;
            }
            match self.told().await {
                Ok(told) => {
                    if sender.send(told).is_err() {
                        return;
                    }
                }
                // A database that is away for a moment ends nothing.
                Err(problem) if problem.is_passing() => {}
                Err(_) => return,
            }
        }
    }

    async fn wait(&self, sent_at: Instant) {
        tokio::select! {
            () = tokio::time::sleep_until(sent_at + TICK) => {}
            () = self.bowl.happened.notified() => {
                tokio::time::sleep_until(sent_at + NOT_MORE_OFTEN).await;
            }
        }
    }

    /// What there is to say now.
    async fn told(&mut self) -> Result<Told, Problem> {
        let (clock, simulated) = self.bowl.standing(&self.ground).await?;
        let clock = self.ground.clock_answer(clock, simulated);
        self.telling.tell(self.bowl.answer(clock))
    }
}
