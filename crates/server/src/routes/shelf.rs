//! The shelf: chocolates, goods, bowls, heat sources, thermometers, and the kitchen.

use actix_web::{HttpResponse, delete, get, post, put, web};
use craft::check::{self, Bounds, Checker};
use craft::pantry::GoodsInputs;
use craft::shelf::stock::Move;
use craft::shelf::{Shelf, Thing};
use serde::{Deserialize, Serialize};
use store::changes::Change;
use store::stock::MoveRow;
use store::{Connection, Sent, StoreError};
use utoipa::ToSchema;
use uuid::Uuid;

use super::sent::sent_as;
use super::version::EditedFrom;
use crate::answer::shelf::{ShelfAnswer, ThingAnswer};
use crate::body::Body;
use crate::catalogue::shelf as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// A thing to be put on the shelf.
#[derive(Debug, Serialize, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewThing {
    /// Made by the sender, so that sending twice puts one there.
    id: Option<Uuid>,
    /// What it is.
    thing: Thing,
    /// How much of it there is, in what it is counted in: grams of a chocolate; grams,
    /// millilitres or pieces of goods.
    left: Option<f64>,
}

/// Chocolate or goods that came or went.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewMove {
    /// Made by the sender, so that sending twice notes one.
    id: Option<Uuid>,
    /// How it moved; what a bowl takes is noted with its pour.
    kind: Move,
    /// How much, in what it is counted in.
    amount: f64,
    /// The bowl that it is left over from.
    bowl_id: Option<Uuid>,
}

/// Between which values so much of it is taken; none where it is not counted.
fn counted_within(thing: &Thing) -> Option<Bounds> {
    match thing {
        Thing::Chocolate(_) => Some(check::STOCK_G),
        Thing::Goods(goods) => Some(GoodsInputs::stock_bounds(goods.unit)),
        _ => None,
    }
}

async fn answer(state: &State, id: Uuid) -> Answer<ThingAnswer> {
    state.shelf.changed().await;
    let on_shelf = state.shelf.read(&state.pool).await?;
    let row = on_shelf.rows.iter().find(|row| row.id == id);
    let row = row.ok_or(store::StoreError::NotFound("thing on the shelf"))?;
    Ok(ThingAnswer::new(&on_shelf, row))
}

/// Everything on the shelf.
#[utoipa::path(tag = "shelf", operation_id = "read_shelf", responses((status = 200, body = ShelfAnswer)))]
#[get("/shelf")]
pub async fn read(state: web::Data<State>) -> Answer<web::Json<ShelfAnswer>> {
    let on_shelf = state.shelf.read(&state.pool).await?;
    Ok(web::Json(on_shelf.as_ref().into()))
}

/// Puts a thing on the shelf.
#[utoipa::path(tag = "shelf", operation_id = "add_to_shelf", request_body = NewThing, responses(
    (status = 201, body = ThingAnswer), (status = 200, body = ThingAnswer), (status = 409, body = Problem),
    (status = 422, body = Problem)))]
#[post("/shelf")]
pub async fn add(state: web::Data<State>, Body(new): Body<NewThing>) -> Answer<HttpResponse> {
    let mut check = Checker::new();
    match (&new.thing, counted_within(&new.thing)) {
        (Thing::Kitchen(_), _) => check.fault("thing", say::one_kitchen()),
        (_, Some(bounds)) => {
            check.optional("left", new.left, bounds);
        }
        (_, None) if new.left.is_some() => check.fault("left", say::not_counted()),
        (_, None) => {}
    }
    check.finish()?;
    new.thing.check()?;
    let digest = store::digest(&new);
    let id = new.id.unwrap_or_else(Uuid::now_v7);
    let now = state.wall.now();
    let sent = state
        .whole(async |tx: &mut Connection| {
            let sent = store::shelf::insert(tx, id, &new.thing, digest, now).await?;
            if let (Sent::New, Some(left)) = (sent, new.left) {
                let counted = MoveRow::first_count(id, left, now.0);
                store::stock::append(tx, &counted).await?;
            }
            store::changes::note(tx, Change::Shelf, now).await?;
            Ok(sent)
        })
        .await?;
    Ok(sent_as(sent).json(answer(&state, id).await?))
}

/// Changes a thing on the shelf. Plans that name it follow; bowls stay as they
/// were opened.
#[utoipa::path(tag = "shelf", operation_id = "edit_shelf", params(("If-Match" = String, Header, description = "The version that was read")), request_body = Thing, responses(
    (status = 200, body = ThingAnswer), (status = 404, body = Problem), (status = 412, body = Problem),
    (status = 422, body = Problem), (status = 428, body = Problem)))]
#[put("/shelf/{id}")]
pub async fn edit(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    EditedFrom(version): EditedFrom,
    Body(thing): Body<Thing>,
) -> Answer<web::Json<ThingAnswer>> {
    let kept = store::shelf::get(&state.pool, *id).await?;
    // What cannot be read is written anew as whatever it is to be.
    let kept = kept.thing.ok();
    if kept.as_ref().is_some_and(|kept| kept.kind() != thing.kind()) {
        return Err(Problem::bad_field("kind", say::stay_what_it_is()));
    }
    if let (Some(Thing::Goods(kept)), Thing::Goods(now)) = (&kept, &thing)
        && kept.unit != now.unit
        && state.shelf.read(&state.pool).await?.left.contains_key(&id)
    {
        return Err(Problem::bad_field("unit", say::counted_already()));
    }
    thing.check()?;
    let now = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            store::shelf::update(tx, *id, version, &thing).await?;
            Ok(store::changes::note(tx, Change::Shelf, now).await?)
        })
        .await?;
    Ok(web::Json(answer(&state, *id).await?))
}

/// Archives a thing. It is offered no more; plans and bowls that name it keep it.
#[utoipa::path(tag = "shelf", operation_id = "archive_thing", responses(
    (status = 204), (status = 404, body = Problem), (status = 409, body = Problem)))]
#[delete("/shelf/{id}")]
pub async fn archive(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    if *id == Shelf::KITCHEN {
        return Err(Problem::conflict("The kitchen stays: edit it instead."));
    }
    set_archived(&state, *id, true).await?;
    Ok(HttpResponse::NoContent().finish())
}

/// Takes back that a thing was archived.
#[utoipa::path(tag = "shelf", operation_id = "restore_thing", responses((status = 200, body = ThingAnswer), (status = 404, body = Problem)))]
#[post("/shelf/{id}/restore")]
pub async fn restore(
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Answer<web::Json<ThingAnswer>> {
    set_archived(&state, *id, false).await?;
    Ok(web::Json(answer(&state, *id).await?))
}

async fn set_archived(state: &State, id: Uuid, archived: bool) -> Answer<()> {
    let now = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            store::shelf::set_archived(&mut *tx, id, archived).await?;
            Ok(store::changes::note(tx, Change::Shelf, now).await?)
        })
        .await?;
    state.shelf.changed().await;
    Ok(())
}

/// What is kept of a thing, as it is, whether it can be read or not.
#[utoipa::path(tag = "shelf", operation_id = "save_thing_as_kept", responses(
    (status = 200, content_type = "application/json", body = serde_json::Value), (status = 404, body = Problem)))]
#[get("/shelf/{id}/document")]
pub async fn document(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let text = store::shelf::as_kept(&state.pool, *id).await?;
    Ok(super::attached("application/json", &format!("shelf-{}.json", *id), text.into_bytes()))
}

/// Forgets what was learned of a thing; bowls opened from now on teach anew.
#[utoipa::path(tag = "shelf", operation_id = "unlearn", responses((status = 200, body = ThingAnswer), (status = 404, body = Problem)))]
#[delete("/shelf/{id}/learned")]
pub async fn unlearn(
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Answer<web::Json<ThingAnswer>> {
    let now = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            store::shelf::unlearn(&mut *tx, *id, now).await?;
            Ok(store::changes::note(tx, Change::Shelf, now).await?)
        })
        .await?;
    Ok(web::Json(answer(&state, *id).await?))
}

/// Notes chocolate or goods that came or went: `201` where it is new, `200` where it was
/// noted already.
#[utoipa::path(tag = "shelf", operation_id = "move_stock", request_body = NewMove, responses(
    (status = 201, body = ThingAnswer), (status = 200, body = ThingAnswer),
    (status = 404, body = Problem), (status = 409, body = Problem), (status = 422, body = Problem)))]
#[post("/shelf/{id}/moves")]
pub async fn move_stock(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(new): Body<NewMove>,
) -> Answer<HttpResponse> {
    let thing = store::shelf::get(&state.pool, *id).await?.thing.map_err(StoreError::from)?;
    let mut check = Checker::new();
    match counted_within(&thing) {
        Some(stock) => {
            let least = if new.kind == Move::Counted { stock.min } else { check::MOVED_G.min };
            check.number("amount", new.amount, Bounds { min: least, ..stock });
        }
        None => check.fault("id", say::not_counted()),
    }
    if new.kind == Move::Taken {
        check.fault("kind", say::taken_by_its_pour());
    }
    if new.bowl_id.is_some() != (new.kind == Move::Returned) {
        check.fault("bowl_id", say::bowl_of_what_is_returned());
    }
    check.finish()?;
    if let Some(bowl_id) = new.bowl_id {
        of_this_chocolate(&state, bowl_id, *id).await?;
    }
    let now = state.wall.now();
    let moved = MoveRow {
        id: new.id.unwrap_or_else(Uuid::now_v7),
        thing_id: *id,
        bowl_id: new.bowl_id,
        kind: new.kind,
        amount: new.amount,
        at: now.0,
    };
    let sent = state
        .whole(async |tx: &mut Connection| {
            let sent = store::stock::append(tx, &moved).await?;
            store::changes::note(tx, Change::Shelf, now).await?;
            Ok(sent)
        })
        .await?;
    Ok(sent_as(sent).json(answer(&state, *id).await?))
}

/// Only what was taken can be returned.
async fn of_this_chocolate(state: &State, bowl_id: Uuid, chocolate_id: Uuid) -> Answer<()> {
    let moves = store::stock::of_bowl(&state.pool, bowl_id).await?;
    if moves.iter().any(|m| m.kind == Move::Taken && m.thing_id == chocolate_id) {
        return Ok(());
    }
    Err(Problem::bad_field("bowl_id", say::bowl_that_took_some()))
}

/// Takes back a move that was entered by mistake; what a bowl or a batch took is not one.
#[utoipa::path(tag = "shelf", operation_id = "take_back_move", responses((status = 200, body = ThingAnswer), (status = 404, body = Problem)))]
#[delete("/shelf/{id}/moves/{move}")]
pub async fn take_back_move(
    state: web::Data<State>,
    ids: web::Path<(Uuid, Uuid)>,
) -> Answer<web::Json<ThingAnswer>> {
    let (id, moved) = *ids;
    let now = state.wall.now();
    state
        .whole(async |tx: &mut Connection| {
            store::stock::take_back_entered(&mut *tx, id, moved).await?;
            Ok(store::changes::note(tx, Change::Shelf, now).await?)
        })
        .await?;
    Ok(web::Json(answer(&state, id).await?))
}
