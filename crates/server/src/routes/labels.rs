//! Labels: of what is made, and of the boxes it lies in.

use actix_web::{get, web};
use chrono::{DateTime, Datelike, Days, NaiveDate, TimeDelta, Utc};
use craft::drawn::LabelSheet;
use craft::keeping::Store;
use craft::label::Named;
use craft::message::Message;
use craft::note::Note;
use craft::plan::{Plan, PlanInputs};
use craft::shelf::{Labelled, Shelf};
use serde::Serialize;
use store::batches::{BatchesOf, Narrowed};
use store::{Page, StoreError};
use utoipa::ToSchema;
use uuid::Uuid;

use super::calc::label::IngredientAnswer;
use super::days::DaysAsked;
use super::{begin, plans};
use crate::agenda::Agenda;
use crate::answer::grams;
use crate::answer::packing::PackedAnswer;
use crate::catalogue::calc as say;
use crate::making::counted;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What was made so long before or after is taken to have been on the same bench.
const SAME_DAY: TimeDelta = TimeDelta::hours(24);
/// So many of the latest batches are looked at for that.
const LOOKED_AT: u32 = 50;

/// What one label says.
#[derive(Debug, Serialize, ToSchema)]
pub struct LabelledAnswer {
    /// The component's key; `null` of a box with all that lies in it.
    component: Option<String>,
    /// What it is called.
    name: String,
    /// Ingredients, most first.
    ingredients: Vec<IngredientAnswer>,
    /// Allergens in it.
    contains: Vec<String>,
    /// Those there may be traces of.
    may_contain: Vec<String>,
    /// What it weighs.
    net_g: f64,
    /// The day until which it keeps; `null` where nobody can tell.
    best_before: Option<NaiveDate>,
    /// Where it is kept.
    store: Store,
    /// How it is stored, in words.
    storage: Option<Message>,
    /// What of it nobody eats.
    not_food: Vec<String>,
    /// Whose label is still to be read.
    unread: Vec<String>,
    /// Remarks.
    notes: Vec<Note>,
}

/// Sheets of one size of label.
#[derive(Debug, Serialize, ToSchema)]
pub struct GridAnswer {
    /// The grid.
    sheet: LabelSheet,
    /// Where each label begins, from the left and the upper edge of the paper, mm.
    places: Vec<[f64; 2]>,
    /// The paper's width and height, mm.
    paper_mm: [f64; 2],
}

impl From<LabelSheet> for GridAnswer {
    fn from(sheet: LabelSheet) -> Self {
        Self { sheet, places: sheet.places(), paper_mm: sheet.paper.size() }
    }
}

/// The labels of a plan or of a batch, and all that goes on them.
#[derive(Debug, Serialize, ToSchema)]
pub struct LabelsAnswer {
    /// The day on which it was made, or is to be ready.
    made_on: NaiveDate,
    /// The lot; `null` of a plan.
    lot: Option<String>,
    /// Who makes it.
    maker: String,
    /// Where.
    address: String,
    /// The sheets that labels are printed on, as the kitchen states them.
    label: GridAnswer,
    /// Sheets of gift tags on the same paper.
    tag: GridAnswer,
    /// Sheets of cards on the same paper.
    card: GridAnswer,
    /// How it is packed, where it is.
    packing: Option<PackedAnswer>,
    /// How many boxes there are; `null` where nothing is packed.
    boxes: Option<u32>,
    /// The labels: of a box first.
    labels: Vec<LabelledAnswer>,
    /// Remarks on all of them.
    notes: Vec<Note>,
}

fn answered(labelled: Labelled, made_on: NaiveDate) -> LabelledAnswer {
    let keeps = labelled.days.and_then(|days| made_on.checked_add_days(Days::new(days as u64)));
    let names = |all: Vec<Named>| all.into_iter().map(|one| one.name).collect();
    LabelledAnswer {
        component: labelled.component,
        name: labelled.name,
        ingredients: labelled.label.ingredients.into_iter().map(Into::into).collect(),
        contains: names(labelled.label.contains),
        may_contain: names(labelled.label.may_contain),
        net_g: grams(labelled.net),
        best_before: keeps.into_iter().chain(labelled.dated).min(),
        store: labelled.store,
        storage: labelled.storage,
        not_food: labelled.not_food,
        unread: labelled.unread,
        notes: labelled.notes,
    }
}

fn labels(
    shelf: &Shelf,
    filled: &PlanInputs,
    beside: &[Named],
    made_on: NaiveDate,
    (lot, boxes): (Option<String>, Option<u32>),
) -> Answer<LabelsAnswer> {
    let plan = Plan::of(filled)?;
    let labelled = shelf.labels(&plan, filled, beside)?;
    let kitchen = shelf.kitchen();
    let sheet = kitchen.label_sheet.unwrap_or_default();
    let packing: Option<PackedAnswer> = plan.packing.map(Into::into);
    Ok(LabelsAnswer {
        made_on,
        lot,
        maker: kitchen.maker,
        address: kitchen.address,
        label: sheet.into(),
        tag: LabelSheet::tags(sheet.paper).into(),
        card: LabelSheet::cards(sheet.paper).into(),
        boxes: packing.as_ref().map(|packing| boxes.unwrap_or(packing.count as u32)),
        packing,
        labels: labelled.into_iter().map(|one| answered(one, made_on)).collect(),
        notes: vec![Note::info("law", say::food_law())],
    })
}

/// The labels of what a plan makes, as they would be on the day it is ready.
#[utoipa::path(tag = "labels", operation_id = "read_labels_of_plan", params(DaysAsked), responses(
    (status = 200, body = LabelsAnswer), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/plans/{id}/labels")]
pub async fn of_plan(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    asked: web::Query<DaysAsked>,
) -> Answer<web::Json<LabelsAnswer>> {
    let inputs = plans::in_use(&state, *id).await?.inputs.map_err(StoreError::from)?;
    let on_shelf = state.shelf.read(&state.pool).await?;
    let filled = on_shelf.shelf.fill(&inputs)?;
    let ready = inputs.when.as_ref().and_then(|when| when.ready_by);
    let made_on = on_the_day(&state, &asked, ready.unwrap_or(state.wall.now().0)).await?;
    Ok(web::Json(labels(&on_shelf.shelf, &filled, &[], made_on, (None, None))?))
}

/// The labels of a batch. Ingredients and allergens are read from what the shelf says today: what
/// was missing there can be put in.
#[utoipa::path(tag = "labels", operation_id = "read_labels_of_batch", params(DaysAsked), responses(
    (status = 200, body = LabelsAnswer), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[get("/batches/{id}/labels")]
pub async fn of_batch(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    asked: web::Query<DaysAsked>,
) -> Answer<web::Json<LabelsAnswer>> {
    let batch = begin::in_use(&state, *id).await?;
    let stated = store::batches::begun_with(&state.pool, *id).await?.stated;
    let stated = stated.map_err(StoreError::from)?;
    let on_shelf = state.shelf.read(&state.pool).await?;
    // The mildest reading of when it was made: its first day.
    let made = batch.begun_at.0;
    let made_on = on_the_day(&state, &asked, made).await?;
    let beside = beside(&state, &on_shelf.shelf, *id, made).await?;
    let counted = counted(&state.pool, *id, Some(&stated)).await?;
    let fills = counted.and_then(|counted| counted.fills);
    let lot = lot(made_on, *id);
    Ok(web::Json(labels(&on_shelf.shelf, &stated, &beside, made_on, (Some(lot), fills))?))
}

/// A batch's lot: the year, the day of the year, and four characters of its own.
fn lot(made_on: NaiveDate, id: Uuid) -> String {
    let tail = id.simple().to_string().to_uppercase();
    let own = tail.get(tail.len() - 4..).unwrap_or_default();
    format!("L{:02}{:03}-{own}", made_on.year().rem_euclid(100), made_on.ordinal())
}

/// The day that a moment is of, by the kitchen's clock, or the device's.
async fn on_the_day(state: &State, asked: &DaysAsked, at: DateTime<Utc>) -> Answer<NaiveDate> {
    let hours = Agenda::hours(state, asked.zone.as_deref()).await?.hours;
    Ok(at.with_timezone(&hours.zone()).date_naive())
}

/// What else was on the bench: allergens of other batches that were made within a day of it.
async fn beside(state: &State, shelf: &Shelf, id: Uuid, made: DateTime<Utc>) -> Answer<Vec<Named>> {
    let page = Page::first(LOOKED_AT);
    let lines =
        store::batches::list(&state.pool, BatchesOf::All, None, &Narrowed::default(), page).await?;
    let near = |at: DateTime<Utc>| (at - made).abs() < SAME_DAY;
    let mut all = Vec::new();
    for line in lines.into_iter().filter(|line| line.id != id) {
        if !near(line.begun_at.0) && !near(line.last_at.0) {
            continue;
        }
        let Ok(stated) = store::batches::begun_with(&state.pool, line.id).await?.stated else {
            continue;
        };
        let Ok(plan) = Plan::of(&stated) else { continue };
        let labelled = shelf.labels(&plan, &stated, &[]).unwrap_or_default();
        all.extend(labelled.into_iter().flat_map(|one| one.label.contains));
    }
    Ok(all)
}
