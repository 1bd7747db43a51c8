//! What was learned from how things came out before, at the step where it helps.

use super::step::{Line, LineOf, Step, StepKind};
use crate::catalogue::clinic as say;
use crate::cause::Cause;
use crate::plan::WatchFor;

/// Where in the making of something a cause can be kept from happening.
#[derive(Clone, Copy)]
enum Moment {
    /// While its chocolate is tempered.
    Tempering,
    /// While its colour is tempered.
    TemperingColour,
    /// Before anything is poured.
    Beforehand,
    /// At the pour.
    Pour,
    /// When something is put on or in.
    Topping,
    /// When it is tapped or shaken.
    Knocking,
    /// In the fridge, and out of it.
    Fridge,
    /// When it is turned out.
    Unmoulding,
    /// At the end, when it is put away.
    PuttingAway,
}

fn moment(cause: Cause) -> Moment {
    match cause {
        Cause::Overheated
        | Cause::TemperLost
        | Cause::NotTempered
        | Cause::UnderSeeded
        | Cause::OverSeeded
        | Cause::PoorStirring
        | Cause::Water => Moment::Tempering,
        Cause::ColourNotTempered => Moment::TemperingColour,
        Cause::WarmRoom
        | Cause::DampRoom
        | Cause::MouldWarm
        | Cause::MouldDirty
        | Cause::Oil
        | Cause::IncompatibleFats
        | Cause::NutOil => Moment::Beforehand,
        Cause::PouredTooWarm
        | Cause::PouredTooCool
        | Cause::TooThin
        | Cause::ColourTooFresh
        | Cause::TooManyStrokes
        | Cause::LayerTooSet
        | Cause::ThinLines
        | Cause::ToneSweated => Moment::Pour,
        Cause::WarmGoods | Cause::ToppedLate => Moment::Topping,
        Cause::NotKnocked => Moment::Knocking,
        Cause::Dew | Cause::ChilledTooLong => Moment::Fridge,
        Cause::NotShrunk => Moment::Unmoulding,
        Cause::WarmStorage => Moment::PuttingAway,
    }
}

/// Which step of a component's line it is told at; the pour, where it has no such step.
fn place(moment: Moment, steps: &[Step]) -> Option<usize> {
    let at = |is: &dyn Fn(&Step) -> bool| steps.iter().position(is);
    let pour = || at(&|step| step.kind == StepKind::Pouring).or((!steps.is_empty()).then_some(0));
    match moment {
        Moment::Tempering | Moment::TemperingColour | Moment::Pour => pour(),
        Moment::Beforehand => at(&|step| step.kind == StepKind::Preparing).or_else(pour),
        Moment::Topping => at(&|step| step.task().starts_with("top"))
            .or_else(|| at(&|step| step.task() == "goods"))
            .or_else(pour),
        Moment::Knocking => at(&|step| matches!(step.task(), "knock" | "tap")).or_else(pour),
        Moment::Fridge => at(&Step::goes_into_the_fridge).or_else(pour),
        Moment::Unmoulding => at(&Step::unmoulds).or_else(pour),
        Moment::PuttingAway => steps.len().checked_sub(1),
    }
}

/// The tempering of what a component is poured from, or coloured with; nothing, where it takes none.
fn tempering(lines: &[Line], component: &str, moment: Moment) -> Option<String> {
    let of_it = lines.iter().filter(|line| line.component() == Some(component));
    let kind = match moment {
        Moment::Tempering => StepKind::Pouring,
        Moment::TemperingColour => StepKind::Applying,
        _ => return None,
    };
    let mut steps = of_it.flat_map(|line| &line.steps);
    steps.find(|step| step.kind == kind)?.tempered.clone()
}

/// Puts what was learned to the step where it helps: of each tempering of the chocolate, of each cast.
pub(super) fn mark(lines: &mut [Line], watch_for: &[WatchFor]) {
    for WatchFor { component, cause } in watch_for {
        let said = say::learned(cause.next_time());
        let moment = moment(*cause);
        let tempered = tempering(lines, component, moment);
        for line in lines.iter_mut() {
            let step = match (&tempered, &line.of) {
                (Some(key), LineOf::Bowl { .. }) => line.steps.iter_mut().find(|s| s.key == *key),
                (None, _) if line.component() == Some(component) => {
                    let place = place(moment, &line.steps);
                    place.and_then(|place| line.steps.get_mut(place))
                }
                _ => None,
            };
            if let Some(step) = step.filter(|step| !step.learned.contains(&said)) {
                step.learned.push(said.clone());
            }
        }
    }
}
