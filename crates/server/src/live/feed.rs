//! What other servers on the same database keep: found within half a second.

use std::collections::HashSet;
use std::sync::atomic::Ordering;
use std::time::Duration;

use store::StoreError;
use store::changes::Change;

use crate::state::State;

/// How often it is looked.
const EVERY: Duration = Duration::from_millis(400);
/// Numbers are given before rows can be seen: so many behind the latest are looked at again.
const LOOK_BACK: u64 = 64;
/// Changes are forgotten after so long, min; every server has heard of them.
const FORGOTTEN_MIN: i64 = 30;
/// What is done once in a while is done every so many looks.
const ONCE_IN_A_WHILE: u64 = 150;

/// What became of a look.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Ended {
    /// The database is of a later release now: this server must not go on.
    Newer,
}

/// Looks for what others keep, until the database is of a later release.
pub async fn follow(state: State) -> Ended {
    let mut seq = loop {
        match store::changes::latest(&state.pool).await {
            Ok(seq) => break seq,
            Err(_) => tokio::time::sleep(EVERY).await,
        }
    };
    let mut seen: HashSet<u64> = HashSet::new();
    let mut ticks = tokio::time::interval(EVERY);
    ticks.set_missed_tick_behavior(tokio::time::MissedTickBehavior::Delay);
    for count in 1_u64.. {
        ticks.tick().await;
        let looked = look(&state, &mut seq, &mut seen).await;
        state.live.away.store(looked.is_err(), Ordering::Relaxed);
        if looked.is_err() {
            continue;
        }
        if count.is_multiple_of(3)
            && let Ok(Some(version)) = store::schema_version(&state.pool).await
            && version > store::known_version()
        {
            return Ended::Newer;
        }
        if count.is_multiple_of(ONCE_IN_A_WHILE) {
            state.live.let_go_of_idle();
            let before = state.wall.now().after(-chrono::TimeDelta::minutes(FORGOTTEN_MIN));
            // What is not forgotten now is forgotten next time.
            let _ = store::changes::forget(&state.pool, before).await;
        }
    }
    Ended::Newer
}

async fn look(state: &State, seq: &mut u64, seen: &mut HashSet<u64>) -> Result<(), StoreError> {
    let from = seq.saturating_sub(LOOK_BACK);
    for (number, change) in store::changes::since(&state.pool, from).await? {
        *seq = (*seq).max(number);
        if !seen.insert(number) {
            continue;
        }
        match change {
            Change::Shelf => state.shelf.changed().await,
            Change::Batch(id) => {
                state.clocks.forget(id);
                state.live.batch_changed(id);
            }
        }
    }
    let oldest = seq.saturating_sub(2 * LOOK_BACK);
    seen.retain(|number| *number >= oldest);
    for bowl in state.live.all() {
        bowl.catch_up(state).await?;
    }
    Ok(())
}
