//! Everything that is kept, table by table, as rows that can be written out and brought in
//! elsewhere. What is there already by the same id stays as it is.

use chrono::NaiveDateTime;
use futures::stream::BoxStream;
use serde::de::DeserializeOwned;
use serde::{Deserialize, Serialize};
use sqlx::{Executor, MySqlConnection};
use uuid::Uuid;

use crate::{Pool, StoreError};

/// The rows of a table, as an archive holds them.
pub trait Table {
    /// What it is called in an archive.
    const NAME: &'static str;
    /// The schema that it came with, where archives of earlier ones are read.
    const SINCE: i64;
    /// One row.
    type Row: Serialize + DeserializeOwned + Send;

    /// Every row, in the order in which they came.
    fn all(connection: &mut MySqlConnection) -> BoxStream<'_, Result<Self::Row, sqlx::Error>>;

    /// Keeps a row, where there is none by its id.
    ///
    /// # Errors
    /// Where it hangs on what is not there, or cannot be kept.
    fn put(
        connection: &mut MySqlConnection,
        row: &Self::Row,
    ) -> impl Future<Output = Result<(), StoreError>>;
}

/// A document, as JSON inside of JSON; `null` where there is none.
mod document {
    use serde::{Deserialize, Deserializer, Serialize, Serializer};
    use serde_json::value::RawValue;

    pub fn serialize<S: Serializer>(text: &Option<String>, to: S) -> Result<S::Ok, S::Error> {
        let raw = text.clone().map(RawValue::from_string).transpose();
        raw.map_err(serde::ser::Error::custom)?.serialize(to)
    }

    pub fn deserialize<'de, D: Deserializer<'de>>(from: D) -> Result<Option<String>, D::Error> {
        Ok(Option::<Box<RawValue>>::deserialize(from)?.map(|raw| raw.get().to_owned()))
    }
}

macro_rules! table {
    ($table:ident $name:literal, $row:ident $fields:tt, $select:literal, $insert:literal) => {
        table!($table $name since 1, $row $fields, $select, $insert);
    };
    ($table:ident $name:literal since $since:literal, $row:ident { $($(#[$how:meta])* $field:ident: $type:ty),+ $(,)? }, $select:literal, $insert:literal) => {
        #[doc = concat!("The table of ", $name, ".")]
        #[derive(Debug)]
        pub struct $table;

        #[doc = concat!("A row of ", $name, ".")]
        #[derive(Debug, Serialize, Deserialize)]
        #[serde(deny_unknown_fields)]
        #[allow(missing_docs)] // as the columns are called
        pub struct $row { $($(#[$how])* pub $field: $type),+ }

        impl Table for $table {
            const NAME: &'static str = $name;
            const SINCE: i64 = $since;
            type Row = $row;

            fn all(connection: &mut MySqlConnection) -> BoxStream<'_, Result<$row, sqlx::Error>> {
                sqlx::query_as!($row, $select).fetch(connection)
            }

            async fn put(connection: &mut MySqlConnection, row: &$row) -> Result<(), StoreError> {
                let done = sqlx::query!($insert, $(row.$field),+).execute(connection).await;
                done.map_err(StoreError::inserting("what it hangs on"))?;
                Ok(())
            }
        }
    };
}

table!(Shelf "shelf", ShelfThing {
    id: Uuid, #[serde(with = "document")] thing: Option<String>, version: u32, put_away: bool,
    learns_from: Option<NaiveDateTime>, created_at: NaiveDateTime, digest: Option<Uuid>,
},
    r#"SELECT id AS "id: Uuid", thing AS "thing?: String", version, put_away AS "put_away: bool",
              learns_from AS "learns_from: NaiveDateTime", created_at AS "created_at: NaiveDateTime",
              digest AS "digest: Uuid"
       FROM shelf ORDER BY created_at, id"#,
    // The kitchen is in every installation: the one that was edited more often stands.
    "INSERT INTO shelf (id, thing, version, put_away, learns_from, created_at, digest)
     VALUES (?, ?, ?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE
         thing = IF(VALUES(version) > version, VALUES(thing), thing),
         put_away = IF(VALUES(version) > version, VALUES(put_away), put_away),
         learns_from = IF(VALUES(version) > version, VALUES(learns_from), learns_from),
         version = GREATEST(version, VALUES(version))");

table!(StockMoves "stock-moves", StockMove {
    // Before goods were counted too, these were a chocolate and its grams.
    #[serde(alias = "chocolate_id")] thing_id: Uuid, id: Uuid, bowl_id: Option<Uuid>, kind: String,
    #[serde(alias = "grams")] amount: f64, at: NaiveDateTime,
},
    r#"SELECT thing_id AS "thing_id: Uuid", id AS "id: Uuid", bowl_id AS "bowl_id: Uuid",
              kind, amount, at AS "at: NaiveDateTime"
       FROM stock_moves ORDER BY seq"#,
    "INSERT INTO stock_moves (thing_id, id, bowl_id, kind, amount, at) VALUES (?, ?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE id = stock_moves.id");

table!(Lessons "lessons", Lesson {
    bowl_id: Uuid, ware_id: Option<Uuid>, heat_id: Option<Uuid>, opened_at: NaiveDateTime,
    #[serde(with = "document")] taught: Option<String>,
},
    r#"SELECT bowl_id AS "bowl_id: Uuid", ware_id AS "ware_id: Uuid", heat_id AS "heat_id: Uuid",
              opened_at AS "opened_at: NaiveDateTime", taught AS "taught?: String"
       FROM lessons ORDER BY opened_at, bowl_id"#,
    "INSERT INTO lessons (bowl_id, ware_id, heat_id, opened_at, taught) VALUES (?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE bowl_id = lessons.bowl_id");

table!(Plans "plans", Plan {
    id: Uuid, name: String, note: String, #[serde(with = "document")] inputs: Option<String>,
    version: u32, words: String, digest: Option<Uuid>, created_at: NaiveDateTime,
    changed_at: NaiveDateTime, archived_at: Option<NaiveDateTime>, deleted_at: Option<NaiveDateTime>,
},
    r#"SELECT id AS "id: Uuid", name, note, inputs AS "inputs?: String", version, words,
              digest AS "digest: Uuid", created_at AS "created_at: NaiveDateTime",
              changed_at AS "changed_at: NaiveDateTime", archived_at AS "archived_at: NaiveDateTime",
              deleted_at AS "deleted_at: NaiveDateTime"
       FROM plans ORDER BY created_at, id"#,
    "INSERT INTO plans (id, name, note, inputs, version, words, digest, created_at, changed_at,
                        archived_at, deleted_at)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE id = plans.id");

table!(PlanVersions "plan-versions", PlanVersion {
    plan_id: Uuid, version: u32, name: String, note: String,
    #[serde(with = "document")] inputs: Option<String>, undo_to: Option<u32>,
},
    r#"SELECT plan_id AS "plan_id: Uuid", version, name, note, inputs AS "inputs?: String", undo_to
       FROM plan_versions ORDER BY plan_id, version"#,
    "INSERT INTO plan_versions (plan_id, version, name, note, inputs, undo_to)
     VALUES (?, ?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE version = plan_versions.version");

table!(Batches "batches", Batch {
    id: Uuid, plan_id: Option<Uuid>, name: String, note: String, version: u32,
    #[serde(with = "document")] stated: Option<String>,
    #[serde(with = "document")] computed: Option<String>, made_by: String, digest: Option<Uuid>,
    begun_at: NaiveDateTime, closed_at: Option<NaiveDateTime>, deleted_at: Option<NaiveDateTime>,
    clock_real: NaiveDateTime, clock_kitchen: NaiveDateTime, clock_rate: f64, real_time: bool,
    stage: String, unfinished: bool, #[serde(with = "document")] summary: Option<String>,
    words: String, ended_at: Option<NaiveDateTime>, last_at: NaiveDateTime,
    #[serde(default)] passed_look: Option<String>, #[serde(default)] starred: bool,
},
    r#"SELECT id AS "id: Uuid", plan_id AS "plan_id: Uuid", name, note, version,
              stated AS "stated?: String", computed AS "computed: String", made_by,
              digest AS "digest: Uuid", begun_at AS "begun_at: NaiveDateTime",
              closed_at AS "closed_at: NaiveDateTime", deleted_at AS "deleted_at: NaiveDateTime",
              clock_real AS "clock_real: NaiveDateTime",
              clock_kitchen AS "clock_kitchen: NaiveDateTime", clock_rate,
              real_time AS "real_time: bool", stage, unfinished AS "unfinished: bool",
              summary AS "summary: String", words, ended_at AS "ended_at: NaiveDateTime",
              last_at AS "last_at: NaiveDateTime", passed_look,
              starred AS "starred: bool"
       FROM batches ORDER BY begun_at, id"#,
    "INSERT INTO batches (id, plan_id, name, note, version, stated, computed, made_by, digest,
                          begun_at, closed_at, deleted_at, clock_real, clock_kitchen, clock_rate,
                          real_time, stage, unfinished, summary, words, ended_at, last_at,
                          passed_look, starred)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE id = batches.id");

table!(Bowls "bowls", Bowl {
    id: Uuid, batch_id: Uuid, chocolate: String, #[serde(with = "document")] inputs: Option<String>,
    #[serde(with = "document")] plan: Option<String>, opened_at: NaiveDateTime, status: String,
    ended_at: Option<NaiveDateTime>, ended_wall: Option<NaiveDateTime>, gave_up: Option<String>,
    digest: Option<Uuid>,
},
    r#"SELECT id AS "id: Uuid", batch_id AS "batch_id: Uuid", chocolate,
              inputs AS "inputs?: String", plan AS "plan?: String",
              opened_at AS "opened_at: NaiveDateTime", status,
              ended_at AS "ended_at: NaiveDateTime", ended_wall AS "ended_wall: NaiveDateTime",
              gave_up, digest AS "digest: Uuid"
       FROM bowls ORDER BY opened_at, id"#,
    "INSERT INTO bowls (id, batch_id, chocolate, inputs, plan, opened_at, status, ended_at,
                        ended_wall, gave_up, digest)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE id = bowls.id");

table!(StepEvents "step-events", StepEvent {
    batch_id: Uuid, id: Uuid, at: NaiveDateTime, kind: String, step: Option<String>,
    just_now: bool, undoes: Option<Uuid>,
},
    r#"SELECT batch_id AS "batch_id: Uuid", id AS "id: Uuid", at AS "at: NaiveDateTime", kind, step,
              just_now AS "just_now: bool", undoes AS "undoes: Uuid"
       FROM step_events ORDER BY seq"#,
    "INSERT INTO step_events (batch_id, id, at, kind, step, just_now, undoes)
     VALUES (?, ?, ?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE id = step_events.id");

table!(Results "results", ResultRow {
    batch_id: Uuid, id: Uuid, noted_at: NaiveDateTime,
    // Before it was kept by itself, it was looked at when it was noted.
    #[serde(default)] looked_at: Option<NaiveDateTime>,
    #[serde(with = "document")] document: Option<String>,
},
    r#"SELECT batch_id AS "batch_id: Uuid", id AS "id: Uuid", noted_at AS "noted_at: NaiveDateTime",
              looked_at AS "looked_at?: NaiveDateTime", document AS "document?: String"
       FROM results ORDER BY seq"#,
    "INSERT INTO results (batch_id, id, noted_at, looked_at, document)
     VALUES (?, ?, ?, COALESCE(?, noted_at), ?)
     ON DUPLICATE KEY UPDATE id = results.id");

table!(Counts "counts" since 11, CountRow {
    batch_id: Uuid, id: Uuid, noted_at: NaiveDateTime,
    #[serde(with = "document")] document: Option<String>,
},
    r#"SELECT batch_id AS "batch_id: Uuid", id AS "id: Uuid", noted_at AS "noted_at: NaiveDateTime",
              document AS "document?: String"
       FROM counts ORDER BY seq"#,
    "INSERT INTO counts (batch_id, id, noted_at, document) VALUES (?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE id = counts.id");

table!(Readings "readings", Reading {
    bowl_id: Uuid, id: Uuid, at: NaiveDateTime, temp_c: f64, source: String,
},
    r#"SELECT bowl_id AS "bowl_id: Uuid", id AS "id: Uuid", at AS "at: NaiveDateTime", temp_c, source
       FROM readings ORDER BY seq"#,
    "INSERT INTO readings (bowl_id, id, at, temp_c, source) VALUES (?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE id = readings.id");

table!(Actions "actions", Action {
    bowl_id: Uuid, id: Uuid, at: NaiveDateTime, kind: String, seconds: Option<f64>,
    grams: Option<f64>, seen: Option<String>, reason: Option<String>, undoes: Option<Uuid>,
    corrects: Option<Uuid>, reading: Option<Uuid>, kept_at: Option<NaiveDateTime>,
},
    r#"SELECT bowl_id AS "bowl_id: Uuid", id AS "id: Uuid", at AS "at: NaiveDateTime", kind, seconds,
              grams, seen, reason, undoes AS "undoes: Uuid", corrects AS "corrects: Uuid",
              reading AS "reading: Uuid", kept_at AS "kept_at: NaiveDateTime"
       FROM actions ORDER BY seq"#,
    "INSERT INTO actions (bowl_id, id, at, kind, seconds, grams, seen, reason, undoes, corrects,
                          reading, kept_at)
     VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
     ON DUPLICATE KEY UPDATE id = actions.id");

table!(EnteredBy "entered-by" since 17, EnteredByRow {
    id: Uuid, batch_id: Uuid, device: String,
},
    r#"SELECT id AS "id: Uuid", batch_id AS "batch_id: Uuid", device FROM entered_by
       ORDER BY batch_id, id"#,
    "INSERT INTO entered_by (id, batch_id, device) VALUES (?, ?, ?)
     ON DUPLICATE KEY UPDATE id = entered_by.id");

/// A photo without its picture.
#[derive(Clone, Debug, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[allow(missing_docs)] // as the columns are called
pub struct Photo {
    pub id: Uuid,
    pub bowl_id: Option<Uuid>,
    pub batch_id: Option<Uuid>,
    #[serde(default)]
    pub thing_id: Option<Uuid>,
    pub taken_at: NaiveDateTime,
    pub width: u32,
    pub height: u32,
}

/// Every photo, without its picture.
///
/// # Errors
/// Where the database fails.
pub async fn photos(connection: &mut MySqlConnection) -> Result<Vec<Photo>, StoreError> {
    Ok(sqlx::query_as!(
        Photo,
        r#"SELECT id AS "id: Uuid", bowl_id AS "bowl_id: Uuid", batch_id AS "batch_id: Uuid",
                  thing_id AS "thing_id: Uuid", taken_at AS "taken_at: NaiveDateTime", width, height
           FROM photos ORDER BY taken_at, id"#
    )
    .fetch_all(connection)
    .await?)
}

/// A photo's picture.
///
/// # Errors
/// Where the database fails.
pub async fn picture(connection: &mut MySqlConnection, id: Uuid) -> Result<Vec<u8>, StoreError> {
    Ok(sqlx::query_scalar!("SELECT jpeg FROM photos WHERE id = ?", id)
        .fetch_one(connection)
        .await?)
}

/// Keeps a photo with its picture, where there is none by its id.
///
/// # Errors
/// Where it hangs on what is not there, or cannot be kept.
pub async fn put_photo(
    connection: &mut MySqlConnection,
    photo: &Photo,
    jpeg: &[u8],
) -> Result<(), StoreError> {
    let done = sqlx::query!(
        "INSERT INTO photos (id, bowl_id, batch_id, thing_id, taken_at, width, height, jpeg)
         VALUES (?, ?, ?, ?, ?, ?, ?, ?)
         ON DUPLICATE KEY UPDATE id = photos.id",
        photo.id,
        photo.bowl_id,
        photo.batch_id,
        photo.thing_id,
        photo.taken_at,
        photo.width,
        photo.height,
        jpeg
    )
    .execute(connection)
    .await;
    done.map_err(StoreError::inserting("what it hangs on"))?;
    Ok(())
}

/// A connection that sees everything as it is at one moment, whatever is written meanwhile. It
/// is none of the pool's any more: nobody after it may find that moment still going on.
///
/// # Errors
/// Where the database fails.
pub async fn at_one_moment(pool: &Pool) -> Result<MySqlConnection, StoreError> {
    let mut connection = pool.acquire().await?.detach();
    connection.execute("SET TRANSACTION ISOLATION LEVEL REPEATABLE READ").await?;
    connection.execute("START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY").await?;
    Ok(connection)
}

/// How many rows there are in all that goes into an archive, photos among them.
///
/// # Errors
/// Where the database fails.
pub async fn how_many(connection: &mut MySqlConnection) -> Result<u64, StoreError> {
    let rows = sqlx::query_scalar!(
        r#"SELECT (SELECT COUNT(*) FROM shelf) + (SELECT COUNT(*) FROM stock_moves)
                + (SELECT COUNT(*) FROM lessons) + (SELECT COUNT(*) FROM plans)
                + (SELECT COUNT(*) FROM plan_versions) + (SELECT COUNT(*) FROM batches)
                + (SELECT COUNT(*) FROM bowls) + (SELECT COUNT(*) FROM step_events)
                + (SELECT COUNT(*) FROM results) + (SELECT COUNT(*) FROM counts)
                + (SELECT COUNT(*) FROM readings) + (SELECT COUNT(*) FROM entered_by)
                + (SELECT COUNT(*) FROM actions) + (SELECT COUNT(*) FROM photos) AS "n!: i64""#
    )
    .fetch_one(connection)
    .await?;
    Ok(u64::try_from(rows).unwrap_or_default())
}
