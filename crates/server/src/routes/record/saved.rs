//! A bowl that is saved as one file, of the format of today or of any before.
//!
//! The first format stated one slab: how much the bowl held followed from its tray. The
//! second knew nothing of what came out.

use chrono::{DateTime, Utc};
use craft::batch::{Event, EventKind};
use craft::bowl::{Action, Reading, Source};
use craft::check::{self, Checker};
use craft::plan::{BowlInputs, PlanInputs};
use craft::result::Look;
use craft::shelf::Thing;
use craft::time::Timestamp;
use craft::units::{celsius, in_celsius};
use serde::{Deserialize, Deserializer, Serialize};
use serde_json::{Map, Value, json};
use store::Connection;
use store::batches::NewBatch;
use store::bowls::{BowlLine, BowlStatus};
use store::photos::{PhotoLine, PhotoOf};
use utoipa::ToSchema;
use uuid::Uuid;

use super::MOST;
use crate::answer::action::ActionAnswer;
use crate::catalogue::files as say;
use crate::making::{Making, computed, finalize_bowl, summary, words};
use crate::problem::{Answer, Problem};
use crate::routes::actions::NewAction;
use crate::routes::begin::new_row;
use crate::routes::bowls::frozen;
use crate::routes::results::check_look;
use crate::state::State;
use crate::texts::{LONGEST_NAME, LONGEST_NOTE, under};

/// What marks a bowl that is saved as JSON: its format of today.
const FORMAT: &str = "wide-sheen-bowl-3";
/// Its formats before, the first one first.
const BEFORE: [&str; 2] = ["wide-sheen-bowl-1", "wide-sheen-bowl-2"];
/// What the first format stated besides the bowl.
const OF_THE_SLAB: [&str; 6] =
    ["tray", "mixed_in", "topping", "rh_pct", "fridge_c", "thickness_mm"];
/// Photos in one file at most.
const MOST_PHOTOS: usize = 48;

/// A reading as it was kept.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SavedReading {
    /// Its id.
    pub id: Uuid,
    /// When it was read.
    #[schema(value_type = DateTime<Utc>)]
    pub at: Timestamp,
    /// What it said.
    pub temp_c: f64,
    /// Where it came from.
    pub source: Source,
}

impl From<&Reading> for SavedReading {
    fn from(r: &Reading) -> Self {
        // To a thousandth: finer than any probe, and free of what arithmetic left.
        let temp_c = crate::answer::round(in_celsius(r.temp), 3);
        Self { id: r.id, at: Timestamp(r.at), temp_c, source: r.source }
    }
}

impl From<SavedReading> for Reading {
    fn from(r: SavedReading) -> Self {
        Self { id: r.id, at: r.at.0, temp: celsius(r.temp_c), source: r.source }
    }
}

/// A look at what came out.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SavedResult {
    id: Uuid,
    #[schema(value_type = DateTime<Utc>)]
    noted_at: Timestamp,
    /// When it was looked at; when it was noted, if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[schema(value_type = Option<DateTime<Utc>>)]
    looked_at: Option<Timestamp>,
    #[serde(default, skip_serializing_if = "Option::is_none")]
    component: Option<String>,
    looks: craft::result::Looks,
    #[serde(default, skip_serializing_if = "Option::is_none")]
    taste: Option<craft::result::Taste>,
    #[serde(default)]
    bloom: craft::result::BloomTests,
    #[serde(default)]
    stored: craft::result::Stored,
    #[serde(default)]
    seen: Vec<craft::result::Symptom>,
    #[serde(default)]
    note: String,
}

impl SavedResult {
    fn look(&self) -> Look {
        let Self { component, looks, taste, bloom, stored, seen, note, .. } = self.clone();
        Look { component, looks, taste, bloom, stored, seen, note }
    }
}

/// A step that was done, or taken back.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SavedEvent {
    id: Uuid,
    #[schema(value_type = DateTime<Utc>)]
    at: Timestamp,
    /// The step that was done; left out where one was taken back, or all of them.
    #[serde(default)]
    step: Option<String>,
    #[serde(default)]
    just_now: bool,
    /// The event that did not happen.
    #[serde(default)]
    undoes: Option<Uuid>,
}

/// A photo with its picture.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SavedPhoto {
    id: Uuid,
    #[schema(value_type = DateTime<Utc>)]
    taken_at: Timestamp,
    /// Whether it is of the smear; else of the finished pieces.
    of_the_smear: bool,
    /// The picture, JPEG, as base64.
    jpeg: String,
}

/// A thing on the shelf that the bowl was made with.
#[derive(Debug, Clone, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SavedGear {
    id: Uuid,
    thing: Thing,
}

/// A whole bowl: what it was planned as, everything that happened to it, and what came out.
#[derive(Debug, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SavedBowl {
    /// `wide-sheen-bowl-3`.
    format: String,
    /// The batch's name.
    name: String,
    /// The batch's note.
    #[serde(default)]
    note: String,
    /// When it was taken to the bench.
    #[schema(value_type = DateTime<Utc>)]
    opened_at: Timestamp,
    /// What the maker stated.
    #[serde(deserialize_with = "any_format")]
    inputs: BowlInputs,
    /// What the whole batch stated; what was made of one bowl, if left out.
    #[serde(default)]
    stated: Option<PlanInputs>,
    /// The readings, in order of time.
    readings: Vec<SavedReading>,
    /// What was done, in order of time, undoings and corrections included.
    #[schema(value_type = Vec<ActionAnswer>)]
    actions: Vec<NewAction>,
    /// What came out, the first look first.
    #[serde(default)]
    results: Vec<SavedResult>,
    /// What was done of the batch's steps.
    #[serde(default)]
    steps: Vec<SavedEvent>,
    /// Photos of the smear and of the pieces.
    #[serde(default)]
    photos: Vec<SavedPhoto>,
    /// What it was made with, as it stood on the shelf: for whoever reads the file.
    #[serde(default)]
    gear: Vec<SavedGear>,
}

impl SavedBowl {
    pub(super) fn opened_at(&self) -> DateTime<Utc> {
        self.opened_at.0
    }
}

/// A bowl as it is saved.
pub(super) async fn of(state: &State, id: Uuid) -> Answer<SavedBowl> {
    use base64::Engine as _;
    let bowl = store::bowls::get(&state.pool, id).await?;
    let mut readings = store::readings::of_bowl(&state.pool, id).await?;
    let mut actions = store::actions::of_bowl(&state.pool, id).await?;
    readings.sort_by_key(|r| r.at);
    actions.sort_by_key(|a| a.at);
    let batch = store::batches::get(&state.pool, bowl.batch_id).await?;
    let stated = store::batches::begun_with(&state.pool, batch.id).await?.stated.ok();
    let results = store::results::of_batch(&state.pool, batch.id).await?;
    let events = store::steps::of_batch(&state.pool, batch.id).await?;
    let mut photos = Vec::new();
    let of_smear = store::photos::of_bowl(&state.pool, id).await?;
    let of_pieces = store::photos::of_batch(&state.pool, batch.id).await?;
    for (of_the_smear, line) in of_smear
        .into_iter()
        .map(|line| (true, line))
        .chain(of_pieces.into_iter().map(|l| (false, l)))
    {
        let jpeg = store::photos::picture(&state.pool, line.id).await?;
        photos.push(SavedPhoto {
            id: line.id,
            taken_at: Timestamp(line.taken_at),
            of_the_smear,
            jpeg: base64::engine::general_purpose::STANDARD.encode(jpeg),
        });
    }
    let inputs = bowl.inputs()?.clone();
    let on_shelf = state.shelf.read(&state.pool).await?;
    let named = [inputs.chocolate_id, inputs.ware_id, inputs.heat_id, inputs.thermometer_id];
    let gear = named.into_iter().flatten().filter_map(|id| {
        let row = on_shelf.rows.iter().find(|row| row.id == id)?;
        Some(SavedGear { id, thing: row.thing.as_ref().ok()?.clone() })
    });
    Ok(SavedBowl {
        format: FORMAT.to_owned(),
        name: batch.name,
        note: batch.note,
        opened_at: Timestamp(bowl.opened_at),
        stated,
        readings: readings.iter().map(Into::into).collect(),
        actions: actions.iter().map(NewAction::kept).collect(),
        results: results
            .into_iter()
            .filter_map(|row| {
                let Look { component, looks, taste, bloom, stored, seen, note } =
                    row.result.ok()?;
                let looked_at = (row.looked_at != row.noted_at).then_some(row.looked_at.0);
                Some(SavedResult {
                    id: row.id,
                    noted_at: Timestamp(row.noted_at.0),
                    looked_at: looked_at.map(Timestamp),
                    component,
                    looks,
                    taste,
                    bloom,
                    stored,
                    seen,
                    note,
                })
            })
            .collect(),
        steps: events.iter().map(saved_event).collect(),
        photos,
        gear: gear.collect(),
        inputs,
    })
}

fn saved_event(event: &Event) -> SavedEvent {
    let (step, just_now, undoes) = match &event.kind {
        EventKind::Done { step, just_now } => (Some(step.clone()), *just_now, None),
        EventKind::Undone { event } => (None, false, Some(*event)),
        EventKind::StartedOver => (None, false, None),
    };
    SavedEvent { id: event.id, at: Timestamp(event.at), step, just_now, undoes }
}

impl From<SavedEvent> for Event {
    fn from(saved: SavedEvent) -> Self {
        let kind = match (saved.step, saved.undoes) {
            (Some(step), _) => EventKind::Done { step, just_now: saved.just_now },
            (None, Some(event)) => EventKind::Undone { event },
            (None, None) => EventKind::StartedOver,
        };
        Self { id: saved.id, at: saved.at.0, kind }
    }
}

/// Keeps a saved bowl as a batch of its own, all of it or nothing; gives the bowl's id.
pub(super) async fn bring_in(state: &State, saved: SavedBowl) -> Answer<Uuid> {
    let mut check = Checker::new();
    if saved.format != FORMAT && !BEFORE.contains(&saved.format.as_str()) {
        check.fault("format", say::format(FORMAT, &saved.format));
    }
    check.text("name", &saved.name, LONGEST_NAME);
    check.remark("note", &saved.note, LONGEST_NOTE);
    if saved.readings.len() + saved.actions.len() > MOST {
        check.fault("readings", say::at_most_with_actions(MOST));
    }
    if saved.photos.len() > MOST_PHOTOS {
        check.fault("photos", say::at_most(MOST_PHOTOS));
    }
    for (i, reading) in saved.readings.iter().enumerate() {
        check.number(format_args!("readings[{i}].temp_c"), reading.temp_c, check::PROBE_C);
    }
    for (i, result) in saved.results.iter().enumerate() {
        // A bowl that was saved before whole batches were says nothing of what was made.
        let look = Look { component: None, ..result.look() };
        let look = if saved.stated.is_some() { result.look() } else { look };
        check_look(&format!("results[{i}]."), &look, saved.stated.as_ref(), &mut check);
    }
    let actions = all_actions(saved.actions, &mut check);
    check.finish()?;
    craft::plan::bowl(&saved.inputs).map_err(|faults| under("inputs", faults))?;
    let photos = read_photos(state, saved.photos).await?;
    // What it names stands on another shelf; the numbers came along.
    let inputs = saved.inputs.off_the_shelf();
    let stated = match saved.stated {
        Some(stated) => stated.off_the_shelf(),
        None => PlanInputs::around(inputs.clone()),
    };
    let follows = computed(&stated, None).map_err(|problem| problem.under("stated"))?;
    let shown = summary(&stated);
    let found_by = words(&saved.name, &saved.note, &shown);
    let (_, plan) = frozen(&stated, &follows, &inputs.key)?;
    let now = state.wall.now();
    let id = Uuid::now_v7();
    let mut batch = new_row(id, None, (&saved.name, &saved.note), now);
    batch.begun_at = craft::time::WallTime(saved.opened_at.0);
    let bowl = BowlLine {
        id: Uuid::now_v7(),
        batch_id: id,
        chocolate: inputs.key.clone(),
        opened_at: saved.opened_at.0,
        simulated: false,
        status: BowlStatus::Open,
    };
    let new = NewBatch {
        stated: &stated,
        computed: &follows,
        summary: &shown,
        words: &found_by,
        digest: Uuid::nil(),
    };
    let readings: Vec<Reading> = saved.readings.into_iter().map(Into::into).collect();
    let events: Vec<Event> = saved.steps.into_iter().map(Into::into).collect();
    state
        .whole(async |tx: &mut Connection| {
            store::batches::insert(tx, &batch, &new).await?;
            store::bowls::insert(tx, &bowl, (&inputs, &plan), Uuid::nil()).await?;
            store::append_all(tx, bowl.id, &readings, &actions, now).await?;
            for event in &events {
                store::steps::append(tx, id, event).await?;
            }
            for result in &saved.results {
                let noted = craft::time::WallTime(result.noted_at.0);
                let looked = result.looked_at.map_or(noted, |at| craft::time::WallTime(at.0));
                let look = result.look();
                store::results::append(tx, id, result.id, (noted, looked), &look).await?;
            }
            for (of_the_smear, line, jpeg) in &photos {
                let of = if *of_the_smear { PhotoOf::Bowl(bowl.id) } else { PhotoOf::Batch(id) };
                store::photos::append(tx, of, line, jpeg, Uuid::nil()).await?;
            }
            let row = store::bowls::get(&mut *tx, bowl.id).await?;
            finalize_bowl(tx, &row, batch.clock, now).await?;
            let making = Making::lock(tx, id).await?;
            Ok(making.keep_standing(tx, now).await?)
        })
        .await?;
    Ok(bowl.id)
}

/// Pictures from a file are read with the same care as those that are sent by themselves. They
/// get ids of their own: the same file may be brought in twice.
async fn read_photos(
    state: &State,
    photos: Vec<SavedPhoto>,
) -> Answer<Vec<(bool, PhotoLine, Vec<u8>)>> {
    use base64::Engine as _;
    let mut read = Vec::new();
    for (i, photo) in photos.into_iter().enumerate() {
        let field = format!("photos[{i}].jpeg");
        let bytes = base64::engine::general_purpose::STANDARD
            .decode(photo.jpeg.as_bytes())
            .map_err(|_| Problem::bad_field(field.clone(), say::base64()))?;
        let kept = crate::picture::made_anew_off_thread(&state.pictures, bytes)
            .await?
            .map_err(|message| Problem::bad_field(field, message))?;
        let line = PhotoLine {
            id: Uuid::now_v7(),
            taken_at: photo.taken_at.0,
            width: kept.width,
            height: kept.height,
        };
        read.push((photo.of_the_smear, line, kept.jpeg));
    }
    Ok(read)
}

fn all_actions(saved: Vec<NewAction>, check: &mut Checker) -> Vec<Action> {
    saved
        .into_iter()
        .enumerate()
        .filter_map(|(i, action)| action.saved(&format!("actions[{i}]"), check))
        .collect()
}

/// Reads a bowl's inputs of any format.
fn any_format<'de, D: Deserializer<'de>>(deserializer: D) -> Result<BowlInputs, D::Error> {
    use serde::de::Error;
    let mut stated = Map::deserialize(deserializer)?;
    if stated.contains_key("tray") {
        stated = from_first(stated).map_err(D::Error::custom)?;
    }
    // The second format still had what is the slab's.
    stated.remove("thickness_mm");
    serde_path_to_error::deserialize(Value::Object(stated))
        .map_err(|error| D::Error::custom(format!("{}: {}", error.path(), error.inner())))
}

/// The bowl of a slab, with as much in it as the slab took.
fn from_first(mut stated: Map<String, Value>) -> Result<Map<String, Value>, String> {
    let [tray, mixed_in, topping, rh_pct, fridge_c, thickness_mm] =
        OF_THE_SLAB.map(|name| stated.remove(name).unwrap_or(Value::Null));
    stated.insert("key".to_owned(), json!("chocolate"));
    let whole = json!({
        "format": 2,
        "room_c": stated.get("room_c"),
        "rh_pct": rh_pct,
        "fridge_c": fridge_c,
        "bowls": [stated],
        "components": [{ "key": "slab", "name": "Slab of bark", "work": {
            "kind": "slab",
            "chocolate": "chocolate",
            "cover": { "by": "thickness", "tray": tray, "thickness_mm": thickness_mm },
            "mixed_in": mixed_in,
            "topping": topping,
        } }],
    });
    let whole: PlanInputs =
        store::document::read_value(whole).map_err(|error| error.to_string())?;
    let plan = craft::plan::Plan::of(&whole).map_err(|faults| {
        let first = faults.first().map(|f| format!("{} {}", f.field, f.message));
        first.unwrap_or_else(|| "it cannot be planned".to_owned())
    })?;
    let total = plan.bowls[0].plan.as_ref().map(|plan| crate::answer::grams(plan.total));
    stated.insert("total_g".to_owned(), json!(total));
    Ok(stated)
}

#[cfg(test)]
mod tests {
    use super::*;

    fn inputs(text: &str) -> Result<BowlInputs, String> {
        any_format(&mut serde_json::Deserializer::from_str(text)).map_err(|error| error.to_string())
    }

    #[test]
    fn a_bowl_of_the_first_format_holds_what_its_slab_took() {
        let bowl = inputs(
            r#"{"family":"dark","room_c":20,"rh_pct":45,"thickness_mm":4,"own":{"fat_pct":39},
                "tray":{"shape":"rectangle","length_mm":300,"width_mm":200}}"#,
        )
        .expect("it is read");
        assert_eq!((bowl.total_g, bowl.room_c), (Some(325.08), Some(20.0)));
        assert_eq!(bowl.own.fat_pct, Some(39.0));
        assert!(craft::plan::bowl(&bowl).is_ok());
    }

    #[test]
    fn a_bowl_of_the_second_format_is_read_without_its_slab() {
        let saved: SavedBowl =
            serde_json::from_str(include_str!("../../../tests/fixtures/bowl-2.json"))
                .expect("read");
        assert_eq!(saved.format, "wide-sheen-bowl-2");
        assert!(saved.readings.len() > 40 && saved.results.is_empty());
    }

    #[test]
    fn what_is_of_no_form_says_where() {
        let told = inputs(r#"{"key":"dark","family":"carob"}"#).expect_err("refused");
        assert!(told.starts_with("family: unknown variant"), "{told}");
        let told = inputs(
            r#"{"family":"dark","room_c":20,"rh_pct":45,"thickness_mm":-4,
                "tray":{"shape":"area","area_cm2":600}}"#,
        );
        assert!(told.expect_err("refused").contains("thickness_mm must be"));
    }
}
