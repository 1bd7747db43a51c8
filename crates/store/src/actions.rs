//! Actions: append-only.

use chrono::{DateTime, Utc};
use craft::bowl::{Action, ActionKind, Seen};
use craft::units::{grams, in_grams, in_seconds, seconds};
use sqlx::MySqlExecutor;
use uuid::Uuid;

use crate::error::appended;
use crate::{Pool, StoreError};

/// The columns that an action's kind fills.
#[derive(Default)]
struct Columns<'a> {
    kind: &'static str,
    seconds: Option<f64>,
    grams: Option<f64>,
    seen: Option<&'static str>,
    reason: Option<&'a str>,
    undoes: Option<Uuid>,
}

impl<'a> From<&'a ActionKind> for Columns<'a> {
    fn from(kind: &'a ActionKind) -> Self {
        let named = |kind| Self { kind, ..Self::default() };
        let weighed = |kind, mass| Self { grams: Some(in_grams(mass)), ..named(kind) };
        match kind {
            ActionKind::Heat { lasting } => {
                Self { seconds: lasting.map(in_seconds), ..named("heat") }
            }
            ActionKind::OffHeat => named("off_heat"),
            ActionKind::Stirred => named("stirred"),
            ActionKind::SeedAdded { mass } => weighed("seed_added", *mass),
            ActionKind::CrystalsAdded { mass } => weighed("crystals_added", *mass),
            ActionKind::OnStone { mass } => weighed("on_stone", *mass),
            ActionKind::OffStone => named("off_stone"),
            ActionKind::ColourIn => named("colour_in"),
            ActionKind::Strained => named("strained"),
            ActionKind::TooThick => named("too_thick"),
            ActionKind::TestStarted => named("test_started"),
            ActionKind::TestSeen { seen } => Self { seen: Some(word(*seen)), ..named("test_seen") },
            ActionKind::Poured => named("poured"),
            ActionKind::GivenUp { reason } => Self { reason: Some(reason), ..named("given_up") },
            ActionKind::Undone { action } => Self { undoes: Some(*action), ..named("undone") },
        }
    }
}

/// Keeps an action. Gives `false` where it was kept already.
///
/// # Errors
/// [`StoreError::NotFound`] where there is no such bowl.
pub async fn append(
    database: impl MySqlExecutor<'_>,
    bowl_id: Uuid,
    action: &Action,
) -> Result<bool, StoreError> {
    let columns = Columns::from(&action.kind);
    let result = sqlx::query!(
        "INSERT INTO actions (bowl_id, id, at, kind, seconds, grams, seen, reason, undoes)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)",
        bowl_id,
        action.id,
        action.at,
        columns.kind,
        columns.seconds,
        columns.grams,
        columns.seen,
        columns.reason,
        columns.undoes
    )
    .execute(database)
    .await;
    appended(result, "bowl")
}

/// A bowl's actions, in the order in which they arrived.
///
/// # Errors
/// [`StoreError::Unreadable`] where a row makes no sense.
pub async fn of_bowl(pool: &Pool, bowl_id: Uuid) -> Result<Vec<Action>, StoreError> {
    let rows = sqlx::query!(
        r#"SELECT id AS "id: Uuid", at AS "at: DateTime<Utc>", kind, seconds, grams, seen, reason,
                  undoes AS "undoes: Uuid"
           FROM actions WHERE bowl_id = ? ORDER BY seq"#,
        bowl_id
    )
    .fetch_all(pool)
    .await?;
    rows.into_iter()
        .map(|row| {
            let mass = row.grams.map(grams);
            let kind = match row.kind.as_str() {
                "heat" => Some(ActionKind::Heat { lasting: row.seconds.map(seconds) }),
                "off_heat" => Some(ActionKind::OffHeat),
                "stirred" => Some(ActionKind::Stirred),
                "seed_added" => mass.map(|mass| ActionKind::SeedAdded { mass }),
                "crystals_added" => mass.map(|mass| ActionKind::CrystalsAdded { mass }),
                "on_stone" => mass.map(|mass| ActionKind::OnStone { mass }),
                "off_stone" => Some(ActionKind::OffStone),
                "colour_in" => Some(ActionKind::ColourIn),
                "strained" => Some(ActionKind::Strained),
                "too_thick" => Some(ActionKind::TooThick),
                "test_started" => Some(ActionKind::TestStarted),
                "test_seen" => {
                    row.seen.as_deref().and_then(seen).map(|seen| ActionKind::TestSeen { seen })
                }
                "poured" => Some(ActionKind::Poured),
                "given_up" => row.reason.map(|reason| ActionKind::GivenUp { reason }),
                "undone" => row.undoes.map(|action| ActionKind::Undone { action }),
                _ => None,
            };
            let kind = kind.ok_or_else(|| {
                StoreError::unreadable("an action", format!("{} of kind {}", row.id, row.kind))
            })?;
            Ok(Action { id: row.id, at: row.at, kind })
        })
        .collect()
}

const SEEN: [(Seen, &str); 4] = [
    (Seen::SetsFromEdge, "sets_from_edge"),
    (Seen::EvenSatin, "even_satin"),
    (Seen::Streaks, "streaks"),
    (Seen::StillWet, "still_wet"),
];

fn word(seen: Seen) -> &'static str {
    SEEN.iter().find(|(s, _)| *s == seen).map_or("", |(_, word)| word)
}

fn seen(word: &str) -> Option<Seen> {
    SEEN.iter().find(|(_, w)| *w == word).map(|(seen, _)| *seen)
}
