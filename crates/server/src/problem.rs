//! Errors as the API tells them: RFC 9457, with the fields to mend.

use std::borrow::Cow;
use std::collections::BTreeMap;

use actix_web::http::{StatusCode, header};
use actix_web::{HttpResponse, ResponseError};
use craft::check::Fault;
use craft::message::{Message, Param};
use craft::plan::Clash;
use serde::Serialize;
use store::StoreError;
use utoipa::ToSchema;

/// One field to mend.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct Field {
    /// The field's path in what was sent.
    pub field: String,
    /// Which refusal it is. A stable name for programs.
    #[schema(value_type = String)]
    pub code: Cow<'static, str>,
    /// What is wrong and what would be right, in °C and grams.
    pub message: String,
    /// How that is worded, with `{name}` where the parameter of that name stands; left out
    /// where nothing does.
    #[serde(skip_serializing_if = "Option::is_none")]
    #[schema(value_type = Option<String>)]
    pub template: Option<Cow<'static, str>>,
    /// What stands in it, by name.
    #[serde(skip_serializing_if = "BTreeMap::is_empty")]
    pub params: BTreeMap<String, Param>,
}

impl Field {
    /// A field, and what is wrong with it.
    pub fn new(field: impl Into<String>, wrong: Message) -> Self {
        let Message { code, said } = wrong;
        let params = said.params().into_iter();
        Self {
            field: field.into(),
            code,
            message: said.text().into_owned(),
            template: said.template().cloned(),
            params: params.map(|(name, param)| (name.to_owned(), param.clone())).collect(),
        }
    }
}

/// A refusal, as `application/problem+json`.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema, thiserror::Error)]
#[error("{title}: {detail}")]
pub struct Problem {
    /// What sort of problem.
    #[serde(rename = "type")]
    pub kind: String,
    /// Its name.
    pub title: String,
    /// The HTTP status.
    pub status: u16,
    /// What happened this time.
    pub detail: String,
    /// The fields to mend; empty where it is not about a field.
    pub fields: Vec<Field>,
    /// The fields that somebody else changed too, with both values; empty where it is not
    /// about two edits.
    #[serde(skip_serializing_if = "<[Clash]>::is_empty")]
    #[schema(value_type = Vec<Clash>)]
    pub clashes: Box<[Clash]>,
    /// Whether two transactions stood in each other's way, so that it may be tried anew.
    #[serde(skip)]
    in_the_way: bool,
}

impl Problem {
    fn new(status: StatusCode, kind: &str, title: &str, detail: impl Into<String>) -> Self {
        Self {
            kind: format!("urn:wide-sheen:problem:{kind}"),
            title: title.to_owned(),
            status: status.as_u16(),
            detail: detail.into(),
            fields: Vec::new(),
            clashes: Box::default(),
            in_the_way: false,
        }
    }

    /// Fields that cannot be used as they are.
    pub fn bad_input(fields: Vec<Field>) -> Self {
        let detail = match fields.as_slice() {
            [one] => format!("{} {}", one.field, one.message),
            many => format!("{} fields need mending.", many.len()),
        };
        Self {
            fields,
            ..Self::new(
                StatusCode::UNPROCESSABLE_ENTITY,
                "bad-input",
                "Some of this cannot be used",
                detail,
            )
        }
    }

    /// One field that cannot be used as it is.
    pub fn bad_field(field: impl Into<String>, wrong: Message) -> Self {
        Self::bad_input(vec![Field::new(field, wrong)])
    }

    /// What was sent is not JSON.
    pub fn not_json(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::BAD_REQUEST, "not-json", "This is not JSON", detail)
    }

    /// What was sent is not said to be JSON.
    pub fn not_said_to_be_json() -> Self {
        Self::new(
            StatusCode::UNSUPPORTED_MEDIA_TYPE,
            "media-type",
            "Send JSON",
            "The content type must be application/json.",
        )
    }

    /// More was sent than is accepted.
    pub fn too_large(limit: usize) -> Self {
        Self::new(
            StatusCode::PAYLOAD_TOO_LARGE,
            "too-large",
            "This is too large",
            format!("At most {limit} bytes are accepted here."),
        )
    }

    /// There is no such thing.
    pub fn not_found(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::NOT_FOUND, "not-found", "Not found", detail)
    }

    /// It is not possible at this stage.
    pub fn conflict(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::CONFLICT, "conflict", "Not possible at this stage", detail)
    }

    /// An edit without the version it was made from.
    pub fn version_missing() -> Self {
        Self::new(
            StatusCode::PRECONDITION_REQUIRED,
            "version-missing",
            "Say which version was edited",
            "Send If-Match with the ETag that was read.",
        )
    }

    /// Two edits of the same field: neither is thrown away unasked.
    pub fn clash(current: u32, clashes: Vec<Clash>) -> Self {
        Self { clashes: clashes.into(), ..StoreError::Changed { current }.into() }
    }

    /// Two edits changed the same fields, each to something else.
    pub fn of_two_minds(clashes: Vec<Clash>) -> Self {
        Self { clashes: clashes.into(), ..Self::conflict("Both changed the same fields.") }
    }

    /// There is no such method at this address.
    pub fn no_such_method() -> Self {
        Self::new(
            StatusCode::METHOD_NOT_ALLOWED,
            "method",
            "Not done this way",
            "This address does not take this method.",
        )
    }

    /// A path or a query that cannot be read.
    pub fn bad_address(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::BAD_REQUEST, "address", "Invalid address", detail)
    }

    /// A request that comes from elsewhere.
    pub fn from_elsewhere(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::FORBIDDEN, "elsewhere", "Not from here", detail)
    }

    /// A device that was not let in.
    pub fn not_let_in() -> Self {
        Self::new(
            StatusCode::UNAUTHORIZED,
            "not-let-in",
            "Not let in",
            "This device was not let in: a screen that is in shows a code for it, under Settings.",
        )
    }

    /// A device that is not known, or not any more.
    pub fn unknown_device() -> Self {
        Self::new(
            StatusCode::UNAUTHORIZED,
            "unknown-device",
            "Not let in",
            "This device is not let in any more: a screen that is in shows a new code, under Settings.",
        )
    }

    /// What lets a device in, shown at another address than that device's.
    pub fn other_address() -> Self {
        Self::new(
            StatusCode::UNAUTHORIZED,
            "other-address",
            "Not from there",
            "The device that this belongs to is at another address: a copy lets nobody in.",
        )
    }

    /// This machine's own screen asks for its passphrase.
    pub fn sign_in() -> Self {
        Self::new(
            StatusCode::UNAUTHORIZED,
            "sign-in",
            "Sign in",
            "This machine asks for its passphrase.",
        )
    }

    /// A passphrase, a code or a signature that is not the one.
    pub fn not_the_one(kind: &str, field: &str, wrong: Message) -> Self {
        let field = Field::new(field, wrong);
        let detail = format!("{} {}", field.field, field.message);
        let problem = Self::new(StatusCode::FORBIDDEN, kind, "Not let in", detail);
        Self { fields: vec![field], ..problem }
    }

    /// Something that this device may not do.
    pub fn not_yours(detail: impl Into<String>) -> Self {
        Self::new(StatusCode::FORBIDDEN, "not-yours", "Not for this device", detail)
    }

    /// More was asked in a short time than is answered.
    pub fn too_often() -> Self {
        Self::new(
            StatusCode::TOO_MANY_REQUESTS,
            "too-often",
            "Too often",
            "This was asked too often in a short time. Try again in a minute.",
        )
    }

    /// Which sort of problem, where it is that somebody was not let in or tried what is not theirs.
    pub fn of_the_door(&self) -> Option<&str> {
        const KINDS: [&str; 9] = [
            "elsewhere",
            "not-let-in",
            "unknown-device",
            "other-address",
            "wrong-code",
            "wrong-passphrase",
            "wrong-signature",
            "not-yours",
            "too-often",
        ];
        let kind = self.kind.rsplit(':').next()?;
        KINDS.contains(&kind).then_some(kind)
    }

    /// What was sent could not be put down: the disk, most likely.
    pub fn unwritten(error: &std::io::Error) -> Self {
        tracing::error!(%error, "what was sent could not be put down");
        Self::new(
            StatusCode::INSUFFICIENT_STORAGE,
            "no-room",
            "No room for it",
            "What was sent could not be put down here: is the disk full? Nothing of it was kept.",
        )
    }

    /// What was sent took too long to arrive.
    pub fn too_slow() -> Self {
        Self::new(
            StatusCode::REQUEST_TIMEOUT,
            "too-slow",
            "This took too long to arrive",
            "Send it again.",
        )
    }

    /// Something that was kept, or worked out, cannot be written as JSON.
    #[allow(clippy::needless_pass_by_value)] // as `map_err` hands it over
    pub fn unwritable(error: impl std::fmt::Display) -> Self {
        tracing::error!(%error, "an answer could not be written");
        Self::internal()
    }

    /// The database is away: it will be back.
    pub fn away() -> Self {
        Self::busy()
    }

    /// The same, of a part: its name before each field.
    #[must_use]
    pub fn under(mut self, part: &str) -> Self {
        for field in &mut self.fields {
            field.field = format!("{part}.{}", field.field);
        }
        self
    }

    /// Whether the same may succeed in a moment.
    #[must_use]
    pub fn is_passing(&self) -> bool {
        self.status == StatusCode::SERVICE_UNAVAILABLE.as_u16()
    }

    /// Whether two transactions stood in each other's way.
    #[must_use]
    pub fn is_in_the_way(&self) -> bool {
        self.in_the_way
    }

    /// Something went wrong here: what, is for the server's log alone.
    pub fn internal() -> Self {
        Self::new(
            StatusCode::INTERNAL_SERVER_ERROR,
            "internal",
            "Something went wrong here",
            "Nothing of this request was kept. The server's log says more.",
        )
    }

    fn busy() -> Self {
        Self::new(
            StatusCode::SERVICE_UNAVAILABLE,
            "busy",
            "The database does not answer",
            "Try again in a moment.",
        )
    }

    fn status(&self) -> StatusCode {
        StatusCode::from_u16(self.status).unwrap_or(StatusCode::INTERNAL_SERVER_ERROR)
    }
}

impl From<Vec<Fault>> for Problem {
    fn from(faults: Vec<Fault>) -> Self {
        Self::bad_input(faults.into_iter().map(|f| Field::new(f.field, f.message)).collect())
    }
}

impl From<StoreError> for Problem {
    fn from(error: StoreError) -> Self {
        match error {
            StoreError::NotFound(what) => Self::not_found(format!("There is no such {what}.")),
            StoreError::Changed { current } => Self::new(
                StatusCode::PRECONDITION_FAILED,
                "changed",
                "Somebody changed it meanwhile",
                format!("It is at version {current} now. Read it again before changing it."),
            ),
            StoreError::OtherContent(what) => Self::conflict(format!(
                "Another {what} was sent by this id before: send this one by an id of its own."
            )),
            StoreError::Unreadable(unreadable) => Self::new(
                StatusCode::CONFLICT,
                "unreadable",
                "This cannot be read",
                format!("{unreadable}. It can be saved as it is."),
            ),
            StoreError::DiskFull => {
                tracing::error!("the disk is full");
                Self::new(
                    StatusCode::INSUFFICIENT_STORAGE,
                    "disk-full",
                    "The disk is full",
                    "Nothing of this was kept. Make room, and try again.",
                )
            }
            error @ StoreError::Database(_) => {
                let in_the_way = error.is_in_the_way();
                tracing::error!(%error, "the store failed");
                Self { in_the_way, ..Self::busy() }
            }
            error @ (StoreError::Migration(_) | StoreError::Newer | StoreError::Unsuited(_)) => {
                tracing::error!(%error, "the store failed");
                Self::internal()
            }
        }
    }
}

impl ResponseError for Problem {
    fn status_code(&self) -> StatusCode {
        self.status()
    }

    fn error_response(&self) -> HttpResponse {
        // `json` keeps a content type that is set already.
        HttpResponse::build(self.status())
            .insert_header((header::CONTENT_TYPE, "application/problem+json"))
            .json(self)
    }
}

/// What a handler gives back.
pub type Answer<T> = Result<T, Problem>;
