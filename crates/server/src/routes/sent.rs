//! What was sent with an id of the sender's own.

use actix_web::HttpResponse;
use store::Sent;

/// `201` for what is new, `200` for what was kept already.
pub(super) fn sent_as(sent: Sent) -> actix_web::HttpResponseBuilder {
    match sent {
        Sent::New => HttpResponse::Created(),
        Sent::Again => HttpResponse::Ok(),
    }
}
