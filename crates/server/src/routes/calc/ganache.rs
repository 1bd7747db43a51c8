//! Ganache.

use actix_web::post;
use actix_web::web::Json;
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::note::{Note, Working};
use craft::units::grams;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::{grams as in_grams, round};
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};

/// What is known of it.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct GanacheRequest {
    /// The chocolate's family.
    family: Family,
    /// Parts of chocolate to one of cream; or else `chocolate_g` and `cream_g`.
    ratio: Option<f64>,
    /// The chocolate there is.
    chocolate_g: Option<f64>,
    /// The cream there is.
    cream_g: Option<f64>,
    /// All of it; needed with `ratio`.
    total_g: Option<f64>,
    /// Butter, of chocolate and cream together.
    butter_pct: Option<f64>,
    /// What goes in one piece.
    piece_g: f64,
}

/// A ganache.
#[derive(Debug, Serialize, ToSchema)]
pub struct GanacheAnswer {
    chocolate_g: f64,
    cream_g: f64,
    butter_g: f64,
    total_g: f64,
    /// Pieces that it fills.
    pieces: f64,
    /// What is left after them.
    left_g: f64,
    /// Water in it: what makes it perish.
    water_pct: f64,
    notes: Vec<Note>,
    sum: Vec<Working>,
}

/// Chocolate and cream, and how many pieces they fill.
#[utoipa::path(tag = "calc", request_body = GanacheRequest, responses((status = 200, body = GanacheAnswer), (status = 422, body = Problem)))]
#[post("/ganache")]
pub async fn made(Body(request): Body<GanacheRequest>) -> Answer<Json<GanacheAnswer>> {
    let mut check = Checker::new();
    let piece = check.number("piece_g", request.piece_g, check::PIECE_G);
    let butter = check.optional("butter_pct", request.butter_pct, check::BUTTER_PCT);
    let butter_share = butter.unwrap_or(0.0) / 100.0;
    let (ratio, total) = match (request.ratio, request.chocolate_g, request.cream_g) {
        (Some(ratio), None, None) => {
            let Some(total) = request.total_g else {
                check.fault("total_g", say::needed_with_ratio());
                check.finish()?;
                unreachable!("a fault was noted");
            };
            (ratio, check.number("total_g", total, check::FILLING_G))
        }
        (None, Some(chocolate), Some(cream)) => {
            let chocolate = check.number("chocolate_g", chocolate, check::FILLING_G);
            let cream = check.number("cream_g", cream, check::FILLING_G);
            let both = (chocolate + cream) * (1.0 + butter_share);
            (
                chocolate / cream,
                request
                    .total_g
                    .map_or(both, |total| check.number("total_g", total, check::FILLING_G)),
            )
        }
        _ => {
            check.fault("ratio", say::ratio_or_masses());
            (1.0, 1.0)
        }
    };
    check.number("ratio", ratio, check::GANACHE_RATIO);
    check.finish()?;
    let made = craft::filling::ganache(request.family, ratio, butter_share, grams(total));
    let pieces = (total / piece + 1e-9).floor();
    Ok(Json(GanacheAnswer {
        chocolate_g: in_grams(made.chocolate),
        cream_g: in_grams(made.cream),
        butter_g: in_grams(made.butter),
        total_g: in_grams(made.total),
        pieces,
        left_g: round(total - pieces * piece, 2),
        water_pct: round(made.water * 100.0, 1),
        notes: made.notes,
        sum: made.working,
    }))
}
