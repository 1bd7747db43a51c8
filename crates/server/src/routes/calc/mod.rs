//! Calculations: stateless, one file for each family of formulas.

mod boxes;
mod clinic;
mod colour;
mod convert;
mod cooling;
mod cost;
mod dip;
mod filling;
mod fridge;
mod ganache;
pub(super) mod label;
mod microwave;
mod piped;
mod plan;
mod proposals;
mod ready_crystals;
mod room;
mod schedule;
mod seed;
mod setting;
mod sheets;
mod shell;
mod shopping;
mod slab;
mod slab_split;
mod windows;
mod wrap;

use craft::check::Checker;
use craft::chocolate::{Chocolate, Family};
use craft::plan::{BlendPart, OwnInputs, blended};
use utoipa_actix_web::service_config::ServiceConfig;
use uuid::Uuid;

use crate::catalogue::calc as say;
use crate::problem::Answer;
use crate::state::State;

/// The calculation endpoints.
pub fn routes(config: &mut ServiceConfig<'_>) {
    config
        .service(windows::windows)
        .service(proposals::proposals)
        .service(sheets::outlines)
        .service(sheets::piping)
        .service(sheets::wrap)
        .service(sheets::score)
        .service(seed::seed)
        .service(ready_crystals::ready_crystals)
        .service(slab_split::slab_split)
        .service(slab::slab)
        .service(room::room)
        .service(cooling::cooling)
        .service(microwave::microwave)
        .service(fridge::fridge)
        .service(setting::windows)
        .service(wrap::wrap)
        .service(piped::lines)
        .service(convert::convert)
        .service(shell::shells)
        .service(colour::butter)
        .service(colour::weigh_out)
        .service(colour::film_on)
        .service(colour::stacked)
        .service(colour::look)
        .service(dip::dipped)
        .service(ganache::made)
        .service(filling::balanced)
        .service(schedule::ordered)
        .service(boxes::made)
        .service(clinic::told)
        .service(clinic::learned)
        .service(shopping::listed)
        .service(cost::added)
        .service(label::worded)
        .service(plan::plan)
        .service(plan::edit)
        .service(plan::make_enough)
        .service(plan::merge);
}

/// What is said of the chocolate that is asked about.
#[derive(Clone, Copy)]
struct Which<'a> {
    family: Option<Family>,
    blend: Option<&'a [BlendPart]>,
    chocolate_id: Option<Uuid>,
    own: Option<OwnInputs>,
}

impl<'a> Which<'a> {
    fn of(
        family: Option<Family>,
        blend: Option<&'a [BlendPart]>,
        chocolate_id: Option<Uuid>,
        own: Option<OwnInputs>,
    ) -> Self {
        Self { family, blend, chocolate_id, own }
    }

    fn is_given(&self) -> bool {
        self.family.is_some() || self.blend.is_some() || self.chocolate_id.is_some()
    }
}

/// The chocolate that is asked about: a family, a blend or one from the shelf, with
/// the maker's own numbers over it where they are given.
async fn chocolate(state: &State, which: Which<'_>, check: &mut Checker) -> Answer<Chocolate> {
    let base = match (which.family, which.blend, which.chocolate_id) {
        (Some(family), None, None) => Some(Chocolate::of(family)),
        (None, Some(parts), None) => blended(parts, "blend", check),
        (None, None, Some(id)) => {
            let on_shelf = state.shelf.read(&state.pool).await?;
            on_shelf.shelf.check_chocolate(id, "chocolate_id", check)
        }
        (None, None, None) => {
            check.fault("family", say::no_chocolate());
            None
        }
        _ => {
            check.fault("family", say::one_chocolate());
            None
        }
    };
    let base = base.unwrap_or_else(|| Chocolate::of(Family::Dark));
    Ok(match which.own {
        Some(own) => own.check("own", base, check),
        None => base,
    })
}
