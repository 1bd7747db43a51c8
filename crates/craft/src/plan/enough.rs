//! So much of everything that the boxes can be filled, with something to spare.

use super::packing::PackedKind;
use super::planned::PlannedComponent;
use super::{Plan, PlanInputs};
use crate::boxes::Portion;
use crate::check::Fault;
use crate::scale::whole_up;
use crate::units::in_square_centimetres;
use crate::work::Wanted;

/// What goes in by a fixed weight makes less room than the rest: the second or third time it is
/// enough.
const ROUNDS: usize = 3;
/// What is made by weight may be so much more than is wanted.
const MORE: f64 = 1.02;

/// A plan that makes enough for what it is packed into.
#[derive(Clone, Debug, PartialEq)]
pub struct Enough {
    /// The plan.
    pub inputs: PlanInputs,
    /// What the maker must see to, by name: nothing of it says how much is made.
    pub by_hand: Vec<String>,
}

/// States of each kind that lies in a box how much is made: what is wanted, with the spares.
/// `fill` puts the shelf's numbers in.
///
/// # Errors
/// Every fault of the plan, each with its field.
pub fn enough(
    stated: &PlanInputs,
    fill: impl Fn(&PlanInputs) -> Result<PlanInputs, Vec<Fault>>,
) -> Result<Enough, Vec<Fault>> {
    let mut inputs = stated.clone();
    let mut by_hand = Vec::new();
    for _ in 0..ROUNDS {
        let plan = Plan::of(&fill(&inputs)?)?;
        let Some(packed) = &plan.packing else { break };
        by_hand.clear();
        let mut changed = false;
        for kind in packed.kinds.iter().filter(|kind| !is_right(kind)) {
            let planned = plan.components.iter().find(|one| one.key == kind.component);
            let component = inputs.components.iter_mut().find(|one| one.key == kind.component);
            let (Some(planned), Some(component)) = (planned, component) else { continue };
            if component.work.make(wanted(kind, planned)) {
                changed = true;
            } else {
                by_hand.push(kind.name.clone());
            }
        }
        if !changed {
            break;
        }
    }
    Ok(Enough { inputs, by_hand })
}

/// Whether as much is made as is wanted: exactly so where it is counted.
fn is_right(kind: &PackedKind) -> bool {
    match kind.make {
        Portion::Pieces(pieces) => (kind.makes - pieces).abs() < 0.5,
        Portion::Grams(grams) => (grams - 1e-6..=grams * MORE).contains(&kind.makes),
    }
}

fn wanted(kind: &PackedKind, planned: &PlannedComponent) -> Wanted {
    let more = kind.make.amount() / kind.makes.max(1e-9);
    let size = &planned.draft.size;
    let pieces = match kind.make {
        Portion::Pieces(pieces) => pieces,
        Portion::Grams(_) => whole_up(size.pieces.map_or(1.0, |pieces| pieces.count) * more),
    };
    let area = size.tray.as_ref().map(|tray| tray.area()).unwrap_or_default();
    // Of what is cut, as many pieces as are wanted; what is left at the edge is none.
    let by_the_piece = size.pieces.and_then(|pieces| pieces.area).map(|area| area * pieces);
    let area = match kind.make {
        Portion::Pieces(_) => by_the_piece.unwrap_or(area * more),
        Portion::Grams(_) => area * more,
    };
    Wanted { pieces: pieces as u32, area_cm2: whole_up(in_square_centimetres(area)) }
}
