//! The home network: whether and where it is served, by what devices know it, who was not let in.

use actix_web::{HttpResponse, get, web};
use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};
use utoipa::{IntoParams, ToSchema};

use super::attached;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// The home network, as it is served.
#[derive(Debug, Serialize, ToSchema)]
pub struct SharedAnswer {
    /// Where devices find it.
    pub addresses: Vec<String>,
    /// The name under which devices list the authority that they are to trust.
    pub authority: String,
    /// The SHA-256 of its certificate, as devices show it.
    pub fingerprint: String,
    /// The certificate that is served with holds until then; it is renewed before.
    pub until: Option<DateTime<Utc>>,
}

/// Somebody who was not let in.
#[derive(Debug, Serialize, ToSchema)]
pub struct RefusalAnswer {
    /// When, the last time.
    pub at: DateTime<Utc>,
    /// From which address.
    pub came_from: String,
    /// Why: the last word of the problem's type.
    pub why: String,
    /// How often, one soon after the other.
    pub times: u32,
}

/// Who can come in, and how.
#[derive(Debug, Serialize, ToSchema)]
pub struct SharingAnswer {
    /// The home network; `null` where only this machine is answered.
    pub shared: Option<SharedAnswer>,
    /// Whether this machine's own screen asks for a passphrase.
    pub has_passphrase: bool,
    /// Who was not let in, the latest first.
    pub refusals: Vec<RefusalAnswer>,
}

/// Who can come in, and how; and who was not let in.
#[utoipa::path(tag = "devices", operation_id = "read_sharing", responses((status = 200, body = SharingAnswer)))]
#[get("/sharing")]
pub async fn read(state: web::Data<State>) -> Answer<web::Json<SharingAnswer>> {
    let shared = state.door.sharing().map(|sharing| SharedAnswer {
        addresses: sharing.addresses(),
        authority: sharing.authority(),
        fingerprint: sharing.fingerprint(),
        until: sharing.until(),
    });
    let refusals = store::devices::refusals(&state.pool).await?.into_iter();
    let refusal = |row: store::devices::RefusalRow| RefusalAnswer {
        at: row.at.0,
        came_from: row.came_from,
        why: row.why,
        times: row.times,
    };
    Ok(web::Json(SharingAnswer {
        shared,
        has_passphrase: state.door.passphrase().is_some(),
        refusals: refusals.map(refusal).collect(),
    }))
}

/// How a certificate is written.
#[derive(Clone, Copy, Debug, Default, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum Form {
    /// In bytes, as devices open it.
    #[default]
    Der,
    /// In letters, as programs read it.
    Pem,
}

/// In which form.
#[derive(Debug, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct CertificateQuery {
    /// In bytes, as devices open it, where it is left out.
    #[param(inline)]
    form: Option<Form>,
}

/// The certificate of the authority, for a device to trust. It is no secret.
#[utoipa::path(tag = "devices", operation_id = "save_certificate", params(CertificateQuery), responses(
    (status = 200, description = "A certificate", content_type = "application/x-x509-ca-cert"),
    (status = 400, body = Problem), (status = 404, body = Problem)))]
#[get("/sharing/certificate")]
pub async fn certificate(
    state: web::Data<State>,
    query: web::Query<CertificateQuery>,
) -> Answer<HttpResponse> {
    let Some(sharing) = state.door.sharing() else {
        return Err(Problem::not_found("The home network is not served, so it needs none."));
    };
    let (kind, name, body) = match query.form.unwrap_or_default() {
        Form::Der => ("application/x-x509-ca-cert", "wide-sheen.crt", sharing.certificate()),
        Form::Pem => ("application/x-pem-file", "wide-sheen.pem", sharing.pem().into_bytes()),
    };
    Ok(attached(kind, name, body))
}
