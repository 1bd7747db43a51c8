//! The code that lets the next device in.

use actix_web::{get, put, web};
use chrono::{DateTime, Utc};
use craft::check::Checker;
use serde::{Deserialize, Serialize};
use store::Connection;
use store::pairings::PairingRow;
use trust::{Code, Pairing, Role, Standing};
use utoipa::ToSchema;
use uuid::Uuid;

use crate::body::Body;
use crate::catalogue::door as say;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// What the next device is to be.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct NewPairing {
    /// What it may do.
    role: Role,
    /// The bowl that a thermometer is lent to; it can be lent later too.
    bowl_id: Option<Uuid>,
}

/// A code, as it is shown this once.
#[derive(Debug, Serialize, ToSchema)]
pub struct CodeAnswer {
    /// Six digits, to be typed on the device.
    pub code: String,
    /// What the device may do.
    pub role: Role,
    /// It lets nobody in any more from then on.
    pub until: DateTime<Utc>,
    /// Where the device goes with it.
    pub addresses: Vec<String>,
}

/// How a code stands.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum CodeStanding {
    /// It lets a device in.
    Open,
    /// It let one in.
    Used,
    /// Its ten minutes are over.
    Late,
    /// Too many others were tried.
    Closed,
    /// None was shown.
    None,
}

/// What became of the latest code.
#[derive(Debug, Serialize, ToSchema)]
pub struct PairingAnswer {
    /// How it stands.
    pub standing: CodeStanding,
    /// How many tries are left, while it is open.
    pub tries_left: Option<u8>,
}

/// A code that cannot be made: the machine gives no chance.
pub(super) fn no_chance(error: &trust::TrustError) -> Problem {
    tracing::error!(%error, "no secret could be made");
    Problem::internal()
}

/// Shows a new code, for one device: it stands for ten minutes and five tries, and ends the one
/// before.
#[utoipa::path(tag = "devices", operation_id = "show_code", request_body = NewPairing, responses(
    (status = 200, body = CodeAnswer), (status = 404, body = Problem), (status = 409, body = Problem),
    (status = 422, body = Problem)))]
#[put("/pairing")]
pub async fn show(
    state: web::Data<State>,
    Body(new): Body<NewPairing>,
) -> Answer<web::Json<CodeAnswer>> {
    let NewPairing { role, bowl_id } = new;
    let Some(sharing) = state.door.sharing() else {
        return Err(Problem::conflict(
            "The home network is not served: start with ./start --share.",
        ));
    };
    let mut check = Checker::new();
    if bowl_id.is_some() && role != Role::Thermometer {
        check.fault("bowl_id", say::only_for_a_thermometer());
    }
    check.finish()?;
    let now = state.wall.now().0;
    let code = Code::random().map_err(|error| no_chance(&error))?;
    let pairing = Pairing::of(code, Uuid::new_v4().into_bytes(), now);
    let Standing::Open { until, .. } = pairing.stands(now) else { return Err(Problem::internal()) };
    let row = PairingRow { id: Uuid::now_v7(), role, bowl_id, pairing };
    state.whole(async |tx: &mut Connection| Ok(store::pairings::replace(tx, &row).await?)).await?;
    let addresses = sharing.addresses();
    Ok(web::Json(CodeAnswer { code: code.to_string(), role, until, addresses }))
}

/// What became of the code that was shown last.
#[utoipa::path(tag = "devices", operation_id = "read_pairing", responses((status = 200, body = PairingAnswer)))]
#[get("/pairing")]
pub async fn read(state: web::Data<State>) -> Answer<web::Json<PairingAnswer>> {
    let latest = store::pairings::latest(&state.pool).await?;
    let stands = latest.map(|row| row.pairing.stands(state.wall.now().0));
    let (standing, tries_left) = match stands {
        Some(Standing::Open { left, .. }) => (CodeStanding::Open, Some(left)),
        Some(Standing::Used) => (CodeStanding::Used, None),
        Some(Standing::Expired) => (CodeStanding::Late, None),
        Some(Standing::TriedOut) => (CodeStanding::Closed, None),
        None => (CodeStanding::None, None),
    };
    Ok(web::Json(PairingAnswer { standing, tries_left }))
}
