//! What an instruction asks for, as what is entered once it is done.

use crate::bowl::{ActionKind, Heat};
use crate::phrases::{Advice, CoachContext, Rule};

/// The one thing that an instruction asks for; `None` where it is to wait, to read the
/// thermometer, or to look.
pub(super) fn asks(advice: &Advice, context: &CoachContext<'_>) -> Option<ActionKind> {
    let scale = context.setup.scale;
    if let Some(mass) = advice.crystals {
        return Some(ActionKind::CrystalsAdded { mass: scale.shows(mass) });
    }
    if let Some(mass) = advice.pour_out {
        return Some(ActionKind::OnStone { mass: scale.shows(mass) });
    }
    if let Some(mass) = advice.seed {
        return Some(ActionKind::SeedAdded { mass: scale.shows(mass) });
    }
    if let Some(warming) = &advice.gently {
        return Some(warming.clone());
    }
    let on_heat = matches!(context.bowl.heating.heat, Heat::On { .. });
    match advice.rule {
        Rule::Melted | Rule::LimitPassed | Rule::LimitNear => Some(ActionKind::OffHeat),
        Rule::StopBeforeMelt if on_heat => Some(ActionKind::OffHeat),
        Rule::WorkInColour => Some(ActionKind::ColourIn),
        Rule::Strain => Some(ActionKind::Strained),
        Rule::Soften => Some(ActionKind::Heat { lasting: None }),
        // Over water, or back over it: until it is taken off.
        Rule::Warm | Rule::NotYetMelted if advice.heat.is_none() && !on_heat => {
            Some(ActionKind::Heat { lasting: None })
        }
        Rule::WorkOnStone => Some(ActionKind::OffStone),
        Rule::OutOfWater => Some(ActionKind::OffCoolWater),
        Rule::OffPad => Some(ActionKind::OffPad),
        Rule::TestNow => Some(ActionKind::TestStarted),
        Rule::Pour | Rule::LeavingBand | Rule::UseNow => Some(ActionKind::Poured),
        Rule::StirAfterHeat
        | Rule::StirIn
        | Rule::StirDown
        | Rule::StopBeforeMelt
        | Rule::StirringMissing
        | Rule::Plateau
        | Rule::Spread
        | Rule::CoolToGate => Some(ActionKind::Stirred),
        Rule::Warm
        | Rule::NotYetMelted
        | Rule::WarmColour
        | Rule::WarmBack
        | Rule::Rewarm
        | Rule::Thickening
        | Rule::OverSeeded
        | Rule::TooWarmToPour
        | Rule::TemperLost
        | Rule::NotInTemper
        | Rule::AddSeed
        | Rule::MoreSeed
        | Rule::AddCrystals
        | Rule::PourOnStone
        | Rule::ReadThermometer
        | Rule::ProbeTrouble
        | Rule::Heating
        | Rule::WatchSmear
        | Rule::JudgeSmear
        | Rule::Poured
        | Rule::GivenUp => advice.heat.map(|lasting| ActionKind::Heat { lasting: Some(lasting) }),
    }
}
