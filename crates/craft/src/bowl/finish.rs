//! How the surface of the chocolate looks at each stage: the state in one word.

use serde::{Deserialize, Serialize};

use super::fold::{Bowl, Phase, Temper};
use super::setup::Setup;

/// The finish of the chocolate, as the bench draws it.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Finish {
    /// Melted, no crystals: a flat, wet dark.
    Matt,
    /// Seeded: crystals take hold.
    Satin,
    /// In temper.
    Sheen,
    /// Setting up in the bowl.
    Grain,
    /// Temper was lost, or a test did not show it.
    Streaks,
}

/// Whether crystals went in, in one way or another.
fn seeded(setup: &Setup, bowl: &Bowl) -> bool {
    bowl.went_in.additions > 0
        || bowl.went_in.crystals_in.is_some()
        || bowl.went_in.returned.is_some()
        || setup.course.keeps_crystals
}

/// The finish that goes with a bowl's state.
#[must_use]
pub fn finish(setup: &Setup, bowl: &Bowl) -> Finish {
    let thick = setup.chocolate.windows.thick;
    let cold = bowl.thermometer.latest.is_some_and(|l| l.temp < thick);
    match (bowl.phase, bowl.temper) {
        (Phase::Lost, _) | (_, Temper::Gone { .. } | Temper::NotShown { .. }) => Finish::Streaks,
        (Phase::Done, Temper::Shown { .. }) => Finish::Sheen,
        (Phase::Cooling | Phase::Testing | Phase::Working, _) if cold => Finish::Grain,
        (_, Temper::Shown { .. }) => Finish::Sheen,
        (Phase::Melting, _) => Finish::Matt,
        _ if !setup.course.is_tested => Finish::Satin,
        _ if !seeded(setup, bowl) => Finish::Matt,
        _ => Finish::Satin,
    }
}
