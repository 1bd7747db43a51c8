//! Windows after the pour.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::note::Note;
use craft::plan::{BlendPart, OwnInputs};
use craft::setting::{self, Place, SPREAD};
use craft::units::{celsius, millimetres};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::figures::SettingAnswer;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// Where it lies.
#[derive(Clone, Copy, Debug, Deserialize, ToSchema)]
#[serde(rename_all = "kebab-case")]
pub enum PlaceKind {
    /// In a room.
    Room,
    /// In a domestic refrigerator, on its tray.
    Fridge,
    /// On a slab of stone.
    ColdSlab,
}

/// Where it lies, and how cold it is there.
#[derive(Clone, Copy, Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PlaceRequest {
    kind: PlaceKind,
    temp_c: f64,
}

/// What is poured, and where it lies.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SettingRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
    /// How thick, once set.
    thickness_mm: f64,
    /// How warm it is poured.
    pour_c: f64,
    place: PlaceRequest,
}

/// Windows after the pour, with remarks.
#[derive(Debug, Serialize, ToSchema)]
pub struct SettingWithNotes {
    #[serde(flatten)]
    windows: SettingAnswer,
    /// Remarks.
    notes: Vec<Note>,
    /// The working; a model has none to show.
    sum: Vec<craft::note::Working>,
}

/// When a poured slab may be topped, cut, lifted and released, in seconds from the
/// pour.
#[utoipa::path(tag = "calc", operation_id = "setting", request_body = SettingRequest, responses((status = 200, body = SettingWithNotes), (status = 422, body = Problem)))]
#[post("/setting")]
pub async fn windows(
    state: Data<State>,
    Body(request): Body<SettingRequest>,
) -> Answer<Json<SettingWithNotes>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    let thickness = check.number("thickness_mm", request.thickness_mm, check::SLAB_MM);
    let pour_c = check.number("pour_c", request.pour_c, check::MELTED_C);
    let temp_c = check.number("place.temp_c", request.place.temp_c, check::PLACE_C);
    check.finish()?;
    let temp = celsius(temp_c);
    let place = match request.place.kind {
        PlaceKind::Room => Place::Room(temp),
        PlaceKind::Fridge => Place::Fridge(temp),
        PlaceKind::ColdSlab => Place::ColdSlab(temp),
    };
    let windows = setting::setting(&chocolate, millimetres(thickness), celsius(pour_c), place)
        .ok_or_else(|| Problem::bad_field("place.temp_c", setting::does_not_set(temp)))?;
    Ok(Json(SettingWithNotes {
        windows: windows.into(),
        notes: vec![Note::info("rule-of-thumb", say::rule_of_thumb(SPREAD * 100.0))],
        sum: Vec::new(),
    }))
}
