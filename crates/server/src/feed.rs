//! What other servers on the same database keep: found within half a second.

use std::collections::HashSet;
use std::sync::Arc;
use std::time::Duration;

use store::StoreError;
use store::changes::Change;

use crate::door::Door;
use crate::ground::Ground;
use crate::live::Live;
use crate::on_shelf::ShelfCache;

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
pub async fn follow(
    ground: Ground,
    live: Arc<Live>,
    shelf: Arc<ShelfCache>,
    door: Arc<Door>,
) -> Ended {
    let mut seq = loop {
        match store::changes::latest(&ground.pool).await {
            Ok(seq) => break seq,
            Err(_) => tokio::time::sleep(EVERY).await,
        }
    };
    let mut seen: HashSet<u64> = HashSet::new();
    let mut ticks = tokio::time::interval(EVERY);
    ticks.set_missed_tick_behavior(tokio::time::MissedTickBehavior::Delay);
    for count in 1_u64.. {
        ticks.tick().await;
        let looked = look(&ground, (&live, &shelf, &door), (&mut seq, &mut seen)).await;
        live.is_away_now(looked.is_err());
        if looked.is_err() {
            continue;
        }
        if count.is_multiple_of(3)
            && let Ok(Some(version)) = store::schema_version(&ground.pool).await
            && version > store::known_version()
        {
            return Ended::Newer;
        }
        if count.is_multiple_of(ONCE_IN_A_WHILE) {
            live.let_go_of_idle();
            let before = ground.wall.now().after(-chrono::TimeDelta::minutes(FORGOTTEN_MIN));
            // What is not forgotten now is forgotten next time.
            let _ = store::changes::forget(&ground.pool, before).await;
        }
    }
    Ended::Newer
}

async fn look(
    ground: &Ground,
    (live, shelf, door): (&Live, &ShelfCache, &Door),
    (seq, seen): (&mut u64, &mut HashSet<u64>),
) -> Result<(), StoreError> {
    let from = seq.saturating_sub(LOOK_BACK);
    for (number, change) in store::changes::since(&ground.pool, from).await? {
        *seq = (*seq).max(number);
        if !seen.insert(number) {
            continue;
        }
        match change {
            Change::Shelf => shelf.changed().await,
            Change::Door => door.changed(&ground.pool).await?,
            Change::Batch(id) => {
                ground.clocks.forget(id);
                live.batch_changed(id);
            }
        }
    }
    let oldest = seq.saturating_sub(2 * LOOK_BACK);
    seen.retain(|number| *number >= oldest);
    for bowl in live.all() {
        bowl.catch_up(ground).await?;
    }
    Ok(())
}
