//! Photos of smears, of finished pieces, and of colours that were mixed by eye.

use actix_web::http::header::{CACHE_CONTROL, CONTENT_TYPE};
use actix_web::{HttpResponse, delete, get, post, web};
use chrono::{DateTime, Utc};
use craft::check::{self, Checker};
use craft::shelf::Thing;
use serde::{Deserialize, Serialize};
use store::photos::{PhotoLine, PhotoOf};
use store::{Connection, StoreError};
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use super::sent::sent_as;
use crate::body::{Body, Raw};
use crate::catalogue::files as say;
use crate::picture::{made_anew_off_thread, spot as spot_of};
use crate::problem::{Answer, Problem};
use crate::state::State;

/// A bowl, a batch or a colour has at most this many photos.
const MOST: usize = 24;

/// A photo; its picture is at `/photos/{id}`.
#[derive(Debug, Serialize, ToSchema)]
pub struct PhotoAnswer {
    /// Its id.
    id: Uuid,
    /// When it was taken, on the bowl's clock.
    taken_at: DateTime<Utc>,
    /// Width, pixels.
    width: u32,
    /// Height, pixels.
    height: u32,
}

impl From<PhotoLine> for PhotoAnswer {
    fn from(p: PhotoLine) -> Self {
        Self { id: p.id, taken_at: p.taken_at, width: p.width, height: p.height }
    }
}

/// Which photo it is.
#[derive(Debug, Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
#[serde(deny_unknown_fields)]
pub struct PhotoSent {
    /// Made by the sender, so that sending twice keeps one.
    id: Option<Uuid>,
}

/// Keeps a photo of a smear: a PNG or a JPEG of at most 4 MB, made small and
/// written anew without anything but the picture.
#[utoipa::path(tag = "photos", operation_id = "append_photo", params(PhotoSent), request_body(content = Vec<u8>, content_type = "image/jpeg"), responses(
    (status = 201, body = PhotoAnswer), (status = 200, body = PhotoAnswer), (status = 404, body = Problem), (status = 409, body = Problem),
    (status = 413, body = Problem), (status = 422, body = Problem)))]
#[post("/bowls/{id}/photos")]
pub async fn append(
    state: web::Data<State>,
    bowl_id: web::Path<Uuid>,
    sent: web::Query<PhotoSent>,
    Raw(body): Raw,
) -> Answer<HttpResponse> {
    let taken_at = state.kitchen_now(*bowl_id).await?;
    if store::photos::of_bowl(&state.pool, *bowl_id).await?.len() >= MOST {
        return Err(Problem::conflict(format!("A bowl has at most {MOST} photos.")));
    }
    keep(&state, PhotoOf::Bowl(*bowl_id), taken_at, sent.id, body).await
}

/// Keeps a photo of finished pieces: a PNG or a JPEG of at most 4 MB, made small and
/// written anew without anything but the picture.
#[utoipa::path(tag = "photos", operation_id = "append_piece_photo", params(PhotoSent), request_body(content = Vec<u8>, content_type = "image/jpeg"), responses(
    (status = 201, body = PhotoAnswer), (status = 200, body = PhotoAnswer), (status = 404, body = Problem), (status = 409, body = Problem),
    (status = 413, body = Problem), (status = 422, body = Problem)))]
#[post("/batches/{id}/photos")]
pub async fn append_of_batch(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
    sent: web::Query<PhotoSent>,
    Raw(body): Raw,
) -> Answer<HttpResponse> {
    super::begin::in_use(&state, *batch_id).await?;
    if store::photos::of_batch(&state.pool, *batch_id).await?.len() >= MOST {
        return Err(Problem::conflict(format!("A batch has at most {MOST} photos.")));
    }
    keep(&state, PhotoOf::Batch(*batch_id), state.wall.now().0, sent.id, body).await
}

/// The photos of a batch's finished pieces, the first taken first.
#[utoipa::path(tag = "photos", operation_id = "list_piece_photos", responses((status = 200, body = [PhotoAnswer]), (status = 404, body = Problem)))]
#[get("/batches/{id}/photos")]
pub async fn list_of_batch(
    state: web::Data<State>,
    batch_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<PhotoAnswer>>> {
    super::begin::in_use(&state, *batch_id).await?;
    let photos = store::photos::of_batch(&state.pool, *batch_id).await?;
    Ok(web::Json(photos.into_iter().map(Into::into).collect()))
}

/// Keeps a photo of a colour on the shelf: a PNG or a JPEG of at most 4 MB, made small and
/// written anew without anything but the picture.
#[utoipa::path(tag = "photos", operation_id = "append_colour_photo", params(PhotoSent), request_body(content = Vec<u8>, content_type = "image/jpeg"), responses(
    (status = 201, body = PhotoAnswer), (status = 200, body = PhotoAnswer), (status = 404, body = Problem), (status = 409, body = Problem),
    (status = 413, body = Problem), (status = 422, body = Problem)))]
#[post("/shelf/{id}/photos")]
pub async fn append_of_thing(
    state: web::Data<State>,
    thing_id: web::Path<Uuid>,
    sent: web::Query<PhotoSent>,
    Raw(body): Raw,
) -> Answer<HttpResponse> {
    let thing = store::shelf::get(&state.pool, *thing_id).await?.thing.map_err(StoreError::from)?;
    if !matches!(thing, Thing::Pigment(_)) {
        return Err(Problem::bad_field("id", say::not_a_colour()));
    }
    if store::photos::of_thing(&state.pool, *thing_id).await?.len() >= MOST {
        return Err(Problem::conflict(format!("A colour has at most {MOST} photos.")));
    }
    keep(&state, PhotoOf::Thing(*thing_id), state.wall.now().0, sent.id, body).await
}

/// The photos of a thing on the shelf, the first taken first.
#[utoipa::path(tag = "photos", operation_id = "list_colour_photos", responses((status = 200, body = [PhotoAnswer]), (status = 404, body = Problem)))]
#[get("/shelf/{id}/photos")]
pub async fn list_of_thing(
    state: web::Data<State>,
    thing_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<PhotoAnswer>>> {
    store::shelf::get(&state.pool, *thing_id).await?;
    let photos = store::photos::of_thing(&state.pool, *thing_id).await?;
    Ok(web::Json(photos.into_iter().map(Into::into).collect()))
}

/// A spot of a photo.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SpotRequest {
    /// How far from the left, of the width.
    x_pct: f64,
    /// How far from the top, of the height.
    y_pct: f64,
}

/// What colour it has there.
#[derive(Debug, Serialize, ToSchema)]
pub struct SpotAnswer {
    /// As a screen shows it, `#rrggbb`.
    srgb: String,
}

/// The colour of a spot of a photo: the mean of the light that comes from it.
#[utoipa::path(tag = "photos", operation_id = "spot_of_photo", request_body = SpotRequest, responses((status = 200, body = SpotAnswer), (status = 404, body = Problem), (status = 422, body = Problem)))]
#[post("/photos/{id}/spot")]
pub async fn spot(
    state: web::Data<State>,
    id: web::Path<Uuid>,
    Body(asked): Body<SpotRequest>,
) -> Answer<web::Json<SpotAnswer>> {
    let mut check = Checker::new();
    let x = check.number("x_pct", asked.x_pct, check::PLACE_PCT) / 100.0;
    let y = check.number("y_pct", asked.y_pct, check::PLACE_PCT) / 100.0;
    check.finish()?;
    let jpeg = store::photos::picture(&state.pool, *id).await?;
    let srgb = web::block(move || spot_of(&jpeg, [x, y]))
        .await
        .map_err(|_| Problem::internal())?
        .ok_or_else(Problem::internal)?;
    Ok(web::Json(SpotAnswer { srgb }))
}

async fn keep(
    state: &State,
    of: PhotoOf,
    taken_at: DateTime<Utc>,
    id: Option<Uuid>,
    body: web::Bytes,
) -> Answer<HttpResponse> {
    let digest = store::digest_of_bytes(&body);
    let kept = made_anew_off_thread(&state.pictures, body)
        .await?
        .map_err(|message| Problem::bad_field("photo", message))?;
    let id = id.unwrap_or_else(Uuid::now_v7);
    let photo = PhotoLine { id, taken_at, width: kept.width, height: kept.height };
    let sent = state
        .whole(async |tx: &mut Connection| {
            Ok(store::photos::append(tx, of, &photo, &kept.jpeg, digest).await?)
        })
        .await?;
    let kept = store::photos::line(&state.pool, id).await?;
    Ok(sent_as(sent).json(PhotoAnswer::from(kept)))
}

/// A bowl's photos, the first taken first.
#[utoipa::path(tag = "photos", operation_id = "list_photos", responses((status = 200, body = [PhotoAnswer]), (status = 404, body = Problem)))]
#[get("/bowls/{id}/photos")]
pub async fn list(
    state: web::Data<State>,
    bowl_id: web::Path<Uuid>,
) -> Answer<web::Json<Vec<PhotoAnswer>>> {
    store::bowls::line(&state.pool, *bowl_id).await?;
    let photos = store::photos::of_bowl(&state.pool, *bowl_id).await?;
    Ok(web::Json(photos.into_iter().map(Into::into).collect()))
}

/// The picture of a photo.
#[utoipa::path(tag = "photos", operation_id = "read_photo", responses((status = 200, content_type = "image/jpeg", body = Vec<u8>), (status = 404, body = Problem)))]
#[get("/photos/{id}")]
pub async fn read(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    let jpeg = store::photos::picture(&state.pool, *id).await?;
    Ok(HttpResponse::Ok()
        .insert_header((CONTENT_TYPE, "image/jpeg"))
        .insert_header((CACHE_CONTROL, "private, max-age=31536000, immutable"))
        .body(jpeg))
}

/// Forgets a photo.
#[utoipa::path(tag = "photos", operation_id = "delete_photo", responses((status = 204), (status = 404, body = Problem)))]
#[delete("/photos/{id}")]
pub async fn forget(state: web::Data<State>, id: web::Path<Uuid>) -> Answer<HttpResponse> {
    store::photos::delete(&state.pool, *id).await?;
    Ok(HttpResponse::NoContent().finish())
}
