//! Calculations: stateless, one file for each family of formulas.

mod bark;
mod cooling;
mod microwave;
mod room;
mod seed;
mod slab;
mod windows;

use craft::check::Checker;
use craft::chocolate::{Chocolate, Family};
use craft::plan::OwnInputs;
use utoipa_actix_web::service_config::ServiceConfig;

/// The calculation endpoints.
pub fn routes(config: &mut ServiceConfig<'_>) {
    config
        .service(windows::windows)
        .service(seed::seed)
        .service(slab::slab)
        .service(room::room)
        .service(cooling::cooling)
        .service(microwave::microwave)
        .service(bark::bark);
}

/// A family, with the maker's own numbers over it where they are given.
fn chocolate(family: Family, own: Option<OwnInputs>, check: &mut Checker) -> Chocolate {
    own.map_or_else(|| Chocolate::of(family), |own| own.check("own", family, check))
}
