//! A reading is kept, whoever measured it: a thermometer that sends, a maker who types, a log
//! that is watched.

use chrono::TimeDelta;
use craft::bowl::{Place, Reading};
use craft::time::WallTime;
use store::{Connection, Sent};
use uuid::Uuid;

use crate::ground::Ground;
use crate::live::{Heard, Live};
use crate::problem::Problem;

/// A thermometer that was silent for this long has left the bowl.
const GONE_AFTER: TimeDelta = TimeDelta::minutes(2);

/// The longest name of a thermometer.
pub const LONGEST_PROBE: usize = 40;

/// A reading with who it is from.
#[derive(Clone, Copy, Debug)]
pub struct Measured<'a> {
    /// What was read.
    pub reading: Reading,
    /// The thermometer's name, where it has one.
    pub probe: Option<&'a str>,
    /// On which device it was entered, or which sent it, where it was not the main screen.
    pub device: Option<&'a str>,
}

/// Keeps a reading of a bowl, and tells who watches it.
///
/// # Errors
/// Where there is no such bowl, another thermometer measures it there, or another reading was
/// sent by this id.
pub async fn keep(
    ground: &Ground,
    live: &Live,
    bowl_id: Uuid,
    measured: Measured<'_>,
) -> Result<Sent, Problem> {
    let Measured { reading, probe, device } = measured;
    if let Some(name) = probe {
        let at = (bowl_id, reading.source.place());
        hear_probe(ground, live, at, (name, ground.wall.now())).await?;
    }
    let (batch_id, _) = ground.clock_of_bowl(bowl_id).await?;
    let append = async |alone: &mut Connection| {
        let sent = store::readings::append(alone, bowl_id, &reading).await?;
        if let Some(device) = device {
            store::entered_by::note(&mut *alone, batch_id, reading.id, device).await?;
        }
        Ok(sent)
    };
    let sent = store::alone(&ground.pool, append).await?;
    if sent == Sent::New {
        live.heard(bowl_id, Heard::Reading(reading));
    }
    Ok(sent)
}

/// One thermometer measures a bowl at a place: a second one is refused until the first has left.
async fn hear_probe(
    ground: &Ground,
    live: &Live,
    at: (Uuid, Place),
    (name, now): (&str, WallTime),
) -> Result<(), Problem> {
    // One that sends every second need not say so every second.
    if live.heard_lately(at, name, now) {
        return Ok(());
    }
    let (bowl_id, place) = at;
    let silent_since = now.after(-GONE_AFTER);
    let hear = async |alone: &mut Connection| {
        store::bowls::hear_probe(alone, bowl_id, (name, place), (now, silent_since)).await
    };
    match (store::alone(&ground.pool, hear).await?, place) {
        (None, _) => {
            live.hear_probe(at, name, now);
            Ok(())
        }
        (Some(other), Place::Middle) => Err(Problem::conflict(format!(
            "This bowl is measured by \"{other}\", so \"{name}\" cannot measure it too: stop that \
             one, wait two minutes, or have this one say that it stands at the edge."
        ))),
        (Some(other), Place::Edge) => Err(Problem::conflict(format!(
            "The edge of this bowl is measured by \"{other}\", so \"{name}\" cannot measure it \
             too: stop that one, or wait two minutes."
        ))),
    }
}
