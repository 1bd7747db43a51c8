//! Shells from a mould.

use actix_web::post;
use actix_web::web::{Data, Json};
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::note::{Note, Working};
use craft::plan::{BlendPart, OwnInputs};
use craft::shell::{CavityInputs, Coat, Pouring, ShellWay, Shells, ShellsError, USUAL_FLOW_GRADE};
use craft::units::{celsius, in_millilitres, millimetres};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::Which;
use crate::answer::{grams, round, seconds};
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What is cast.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ShellRequest {
    /// The chocolate; or else `blend` or `chocolate_id`.
    family: Option<Family>,
    /// A blend in its place.
    blend: Option<Vec<BlendPart>>,
    /// A chocolate from the shelf in its place.
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
    /// One cavity.
    cavity: CavityInputs,
    /// How many.
    count: u32,
    /// How thick the wall is, once set.
    shell_mm: f64,
    /// Filled and dumped, or brushed.
    way: ShellWay,
    /// A cap, so thick.
    cap_mm: Option<f64>,
    /// How freely the chocolate flows, 1 thick to 5 thin; 3 if left out.
    flow_grade: Option<u8>,
    /// How warm it is poured; the middle of its band if left out.
    poured_c: Option<f64>,
}

/// What shells take.
#[derive(Debug, Serialize, ToSchema)]
pub struct ShellAnswer {
    /// One shell.
    shell_g: f64,
    /// The room in one.
    fill_ml: f64,
    /// The room in one, under its cap.
    filling_ml: f64,
    /// One cap.
    cap_g: f64,
    /// What must be at hand for all, with what stays on bowl and spatula.
    in_hand_g: f64,
    /// What all shells keep.
    kept_g: f64,
    /// What comes back.
    returned_g: f64,
    /// Brushed coats.
    coats: Option<u32>,
    /// How long a filled mould waits before it is dumped; `null` where it is brushed,
    /// or where more than that stays however soon it is dumped.
    wait_s: Option<f64>,
    /// Remarks.
    notes: Vec<Note>,
    /// The working.
    sum: Vec<Working>,
}

/// Shells: what they weigh, what must be at hand, what fits in.
#[utoipa::path(tag = "calc", request_body = ShellRequest, responses((status = 200, body = ShellAnswer), (status = 422, body = Problem)))]
#[post("/shell")]
pub async fn shells(
    state: Data<State>,
    Body(request): Body<ShellRequest>,
) -> Answer<Json<ShellAnswer>> {
    let mut check = Checker::new();
    let which =
        Which::of(request.family, request.blend.as_deref(), request.chocolate_id, request.own);
    let chocolate = super::chocolate(&state, which, &mut check).await?;
    let cavity = request.cavity.check("cavity", &mut check);
    check.number("count", f64::from(request.count), check::PIECES);
    let shell = check.number("shell_mm", request.shell_mm, check::SHELL_MM);
    let cap = check.optional("cap_mm", request.cap_mm, check::CAP_MM);
    check.optional("flow_grade", request.flow_grade.map(f64::from), check::FLOW_GRADE);
    let poured = check.optional("poured_c", request.poured_c, check::MELTED_C);
    check.finish()?;
    let Some(cavity) = cavity else {
        return Err(Problem::bad_field("cavity", say::not_complete()));
    };
    let amount = Shells {
        cavity,
        count: request.count,
        shell: millimetres(shell),
        way: request.way,
        cap: cap.map(millimetres),
        pouring: Pouring {
            chocolate: &chocolate,
            flow_grade: request.flow_grade.unwrap_or(USUAL_FLOW_GRADE),
            poured: poured.map(celsius),
            learned: 1.0,
        },
    }
    .solve()
    .map_err(|error| {
        let field = match error {
            ShellsError::ThickerThanRadius { .. } => "shell_mm",
            ShellsError::CapFillsIt { .. } => "cap_mm",
        };
        Problem::bad_field(field, error.message())
    })?;
    let (coats, wait_s) = match amount.coat {
        Coat::Brushed { coats } => (Some(coats), None),
        Coat::Dumped { wait } => (None, wait.map(seconds)),
        Coat::Turned | Coat::Filled => (None, None),
    };
    Ok(Json(ShellAnswer {
        shell_g: round(craft::units::in_grams(amount.shell), 3),
        fill_ml: round(in_millilitres(amount.hollow), 3),
        filling_ml: round(in_millilitres(amount.filling), 3),
        cap_g: round(craft::units::in_grams(amount.cap), 3),
        in_hand_g: grams(amount.in_hand),
        kept_g: grams(amount.kept),
        returned_g: grams(amount.returned),
        coats,
        wait_s,
        notes: amount.notes,
        sum: amount.working,
    }))
}
