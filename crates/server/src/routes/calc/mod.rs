//! Calculations: stateless, one file for each family of formulas.

mod bark;
mod cooling;
mod microwave;
mod ready_crystals;
mod room;
mod seed;
mod slab;
mod slab_split;
mod windows;

use craft::check::Checker;
use craft::chocolate::{Chocolate, Family};
use craft::plan::{BlendPart, OwnInputs, blended};
use utoipa_actix_web::service_config::ServiceConfig;

/// The calculation endpoints.
pub fn routes(config: &mut ServiceConfig<'_>) {
    config
        .service(windows::windows)
        .service(seed::seed)
        .service(ready_crystals::ready_crystals)
        .service(slab_split::slab_split)
        .service(slab::slab)
        .service(room::room)
        .service(cooling::cooling)
        .service(microwave::microwave)
        .service(bark::bark);
}

/// The chocolate that is asked about: a family or a blend, with the maker's own
/// numbers over it where they are given.
fn chocolate(
    family: Option<Family>,
    blend: Option<&[BlendPart]>,
    own: Option<OwnInputs>,
    check: &mut Checker,
) -> Chocolate {
    let base = match (family, blend) {
        (Some(family), None) => Some(Chocolate::of(family)),
        (None, Some(parts)) => blended(parts, "blend", check),
        (given, _) => {
            let what = if given.is_some() { "both are given" } else { "neither is given" };
            check.fault("family", format!("give either family or blend; {what}"));
            None
        }
    };
    let base = base.unwrap_or_else(|| Chocolate::of(Family::Dark));
    own.map_or_else(|| base.clone(), |own| own.check("own", base.clone(), check))
}
