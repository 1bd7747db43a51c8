//! The log's list: batches by what they are found by, a page of them with what a line shows.

use std::collections::BTreeSet;

use chrono::{DateTime, Utc};
use craft::batch::Stage;
use craft::result::Look;
use craft::time::WallTime;
use serde_json::Value;
use sqlx::MySqlExecutor;
use uuid::Uuid;

use crate::StoreError;
use crate::document::{Kept, Summary, read, read_value};
use crate::page::{Page, pattern};

/// A batch as a list shows it.
#[derive(Clone, Debug, PartialEq)]
pub struct BatchLine {
    /// Its id.
    pub id: Uuid,
    /// The plan it was made of.
    pub plan_id: Option<Uuid>,
    /// What it is called.
    pub name: String,
    /// Where it stands.
    pub stage: Stage,
    /// Whether anything is still to do.
    pub unfinished: bool,
    /// What there is to show of it.
    pub summary: Option<Kept<Summary>>,
    /// Whether what it was begun with can be read.
    pub readable: bool,
    /// When it was begun.
    pub begun_at: WallTime,
    /// When its last bowl ended.
    pub ended_at: Option<WallTime>,
    /// When anything happened to it last.
    pub last_at: WallTime,
    /// When it was deleted.
    pub deleted_at: Option<WallTime>,
    /// Why its latest bowl was given up, where it was.
    pub gave_up: Option<String>,
    /// Its open bowl.
    pub open_bowl: Option<Uuid>,
    /// The looks at what came out, the latest first, without the maker's remarks.
    pub looks: Vec<Kept<Look>>,
    /// The latest photo of its pieces.
    pub photo: Option<Uuid>,
    /// Whether the maker marked it.
    pub starred: bool,
}

/// What a list of batches is narrowed to, besides words.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct Narrowed {
    /// Made, or begun, from then on.
    pub from: Option<WallTime>,
    /// Made, or begun, before then.
    pub until: Option<WallTime>,
    /// Those that the maker marked.
    pub starred: bool,
    /// Those with a picture of the pieces.
    pub pictured: bool,
    /// What they are found by: all of these tags.
    pub tags: Vec<String>,
}

/// So many tags narrow a list at most.
const MOST_TAGS: usize = 7;

/// A row of a list, as it is read.
struct Shown {
    id: Uuid,
    plan_id: Option<Uuid>,
    name: String,
    stage: String,
    unfinished: bool,
    summary: Option<String>,
    readable: bool,
    begun_at: DateTime<Utc>,
    ended_at: Option<DateTime<Utc>>,
    last_at: DateTime<Utc>,
    deleted_at: Option<DateTime<Utc>>,
    gave_up: Option<String>,
    open_bowl: Option<Uuid>,
    looks: Option<String>,
    photo: Option<Uuid>,
    starred: bool,
}

/// Which batches a list shows.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq)]
pub enum BatchesOf {
    /// All.
    #[default]
    All,
    /// Those under way.
    UnderWay,
    /// Those that are over: made, lost or closed.
    Over,
    /// Those of them that were made.
    Made,
    /// Those of them that were given up.
    GivenUp,
    /// Those that were deleted, and can be had back.
    Deleted,
}

/// Each document of an array, whether the others can be read or not.
fn read_each(array: &str) -> Vec<Kept<Look>> {
    let each: Vec<Value> = serde_json::from_str(array).unwrap_or_default();
    each.into_iter().map(read_value).collect()
}

/// Batches, those of the newest activity first, a page of them.
///
/// # Errors
/// Where the database fails.
pub async fn list(
    database: impl MySqlExecutor<'_>,
    of: BatchesOf,
    search: Option<&str>,
    narrowed: &Narrowed,
    page: Page,
) -> Result<Vec<BatchLine>, StoreError> {
    let from = narrowed.from.map_or_else(Default::default, |at| at.0);
    let until = narrowed.until.map(|at| at.0.naive_utc());
    let wanted: BTreeSet<&str> = narrowed.tags.iter().map(String::as_str).collect();
    // As many as a statement that is checked beforehand takes.
    let mut tags = wanted.iter().copied().map(Some).chain(std::iter::repeat(None));
    let [one, two, three, four, five, six, seven]: [Option<&str>; MOST_TAGS] =
        std::array::from_fn(|_| tags.next().flatten());
    let pattern = pattern(search);
    let deleted = of == BatchesOf::Deleted;
    // In one list by their stage, so that those under way are found among however many.
    let [first, second, third, fourth] = match of {
        BatchesOf::All | BatchesOf::Deleted => ["under_way", "made", "lost", "closed"],
        BatchesOf::UnderWay => ["under_way"; 4],
        BatchesOf::Over => ["made", "lost", "closed", "closed"],
        BatchesOf::Made => ["made", "closed", "closed", "closed"],
        BatchesOf::GivenUp => ["lost"; 4],
    };
    let before = page.before.0.0.naive_utc();
    // What has tags is looked for among what has them, so that the rare is found as soon as the
    // usual; what a line shows is read of the page alone.
    macro_rules! lines {
        ($among:literal $(, $argument:expr)*) => {
            sqlx::query_as!(
                Shown,
                r#"SELECT id AS "id: Uuid", plan_id AS "plan_id: Uuid", name, stage,
                  unfinished AS "unfinished: bool", summary AS "summary: String",
                  computed IS NOT NULL AS "readable!: bool",
                  begun_at AS "begun_at: DateTime<Utc>", ended_at AS "ended_at: DateTime<Utc>",
                  last_at AS "last_at: DateTime<Utc>", deleted_at AS "deleted_at: DateTime<Utc>",
                  (SELECT w.gave_up FROM bowls w WHERE w.batch_id = batches.id
                   ORDER BY w.opened_at DESC LIMIT 1) AS "gave_up: String",
                  (SELECT w.id FROM bowls w WHERE w.batch_id = batches.id AND w.status = 'open'
                   ORDER BY w.opened_at DESC LIMIT 1) AS "open_bowl: Uuid",
                  (SELECT JSON_ARRAYAGG(JSON_REMOVE(r.document, '$.note')
                                        ORDER BY r.looked_at DESC, r.seq DESC)
                   FROM results r WHERE r.batch_id = batches.id) AS "looks: String",
                  (SELECT p.id FROM photos p WHERE p.batch_id = batches.id
                   ORDER BY p.taken_at DESC LIMIT 1) AS "photo: Uuid", starred AS "starred: bool"
           FROM batches JOIN (
               SELECT b.id AS on_page FROM "# + $among + r#"
               WHERE (b.deleted_at IS NOT NULL) = ? AND b.stage IN (?, ?, ?, ?)
                 AND b.words LIKE ?
                 AND COALESCE(b.ended_at, b.begun_at) >= ?
                 AND (? IS NULL OR COALESCE(b.ended_at, b.begun_at) < ?)
                 AND (NOT ? OR b.starred)
                 AND (NOT ? OR EXISTS (SELECT 1 FROM photos p WHERE p.batch_id = b.id))
                 AND b.last_at <= ? AND (b.last_at < ? OR b.id < ?)
               ORDER BY b.last_at DESC, b.id DESC LIMIT ?) AS page ON page.on_page = batches.id
           ORDER BY last_at DESC, id DESC"#,
                $($argument,)*
                deleted,
                first,
                second,
                third,
                fourth,
                pattern,
                from.naive_utc(),
                until,
                until,
                narrowed.starred,
                narrowed.pictured,
                before,
                before,
                page.before.1,
                page.most
            )
            .fetch_all(database)
            .await?
        };
    }
    let rows = if wanted.is_empty() {
        lines!("batches b")
    } else {
        lines!(
            "(SELECT t.batch_id FROM tags t WHERE t.tag IN (?, ?, ?, ?, ?, ?, ?)
                     GROUP BY t.batch_id HAVING COUNT(*) = ?) AS tagged
               JOIN batches b ON b.id = tagged.batch_id",
            one,
            two,
            three,
            four,
            five,
            six,
            seven,
            wanted.len() as u32
        )
    };
    let line = rows.into_iter().map(|row| BatchLine {
        id: row.id,
        plan_id: row.plan_id,
        name: row.name,
        stage: Stage::from_word(&row.stage).unwrap_or(Stage::UnderWay),
        unfinished: row.unfinished,
        summary: row.summary.map(|summary| read(&summary)),
        readable: row.readable,
        begun_at: WallTime(row.begun_at),
        ended_at: row.ended_at.map(WallTime),
        last_at: WallTime(row.last_at),
        deleted_at: row.deleted_at.map(WallTime),
        gave_up: row.gave_up,
        open_bowl: row.open_bowl,
        looks: row.looks.map(|looks| read_each(&looks)).unwrap_or_default(),
        photo: row.photo,
        starred: row.starred,
    });
    Ok(line.collect())
}
