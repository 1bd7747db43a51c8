//! One tempered bowl divided: parts of it that are taken out, tinted or plain.

use super::bowl_inputs::BowlInputs;
use super::needed::Needed;
use crate::catalogue::plan as say;
use crate::check::Checker;
use crate::message::Message;
use crate::units::Mass;

/// The bowl that another is taken from, where it is.
pub(super) fn parent<'b>(bowl: &BowlInputs, bowls: &'b [BowlInputs]) -> Option<&'b BowlInputs> {
    let from = bowl.taken_from.as_ref()?;
    bowls.iter().find(|other| other.key == *from)
}

/// The bowls with what is known of those that parts are taken from put in their place, with
/// faults noted where a part has no bowl to be taken from.
pub(super) fn put_in(bowls: &[BowlInputs], check: &mut Checker) -> Vec<BowlInputs> {
    let mut whole = Vec::with_capacity(bowls.len());
    for (i, bowl) in bowls.iter().enumerate() {
        whole.push(match part_of(bowl, bowls) {
            Ok(part) => part,
            Err(fault) => {
                check.fault(format!("bowls[{i}].taken_from"), fault);
                bowl.clone()
            }
        });
    }
    whole
}

/// A part with what is known of its bowl; a whole bowl as it is. What is wrong with a part that
/// has no bowl to be taken from.
fn part_of(bowl: &BowlInputs, bowls: &[BowlInputs]) -> Result<BowlInputs, Message> {
    let Some(from) = &bowl.taken_from else { return Ok(bowl.clone()) };
    let parent = parent(bowl, bowls).filter(|parent| parent.key != bowl.key);
    let parent = parent.ok_or_else(|| say::taken_from_nothing(from))?;
    if parent.taken_from.is_some() {
        return Err(say::taken_from_a_part(from));
    }
    if bowl.colour.is_some() {
        return Err(say::taken_without_a_recipe());
    }
    Ok(BowlInputs {
        key: bowl.key.clone(),
        name: bowl.name.clone(),
        taken_from: bowl.taken_from.clone(),
        looks: bowl.looks.clone().or_else(|| parent.looks.clone()),
        total_g: bowl.total_g,
        tint: bowl.tint.clone(),
        ..parent.clone()
    })
}

/// What is taken out of a bowl in all, by what is needed of its parts.
pub(super) fn taken_out<'n>(
    key: &str,
    bowls: &[BowlInputs],
    needs: impl IntoIterator<Item = Option<&'n Needed>>,
) -> Mass {
    let parts = bowls.iter().zip(needs).filter(|(bowl, _)| bowl.taken_from.as_deref() == Some(key));
    parts.filter_map(|(_, needed)| needed).fold(Mass::default(), |sum, n| sum + n.total)
}

/// Notes a fault where parts that are stated come to more than the bowl holds that they are
/// taken from.
pub(super) fn check_parts(bowls: &[BowlInputs], needs: &[Needed], check: &mut Checker) {
    for (i, bowl) in bowls.iter().enumerate() {
        let Some(of) = bowl.taken_from.as_ref().filter(|_| bowl.total_g.is_some()) else {
            continue;
        };
        let Some(place) = bowls.iter().position(|other| other.key == *of) else { continue };
        let stated = bowls[place].total_g.map(crate::units::grams);
        let all = taken_out(of, bowls, needs.iter().map(Some));
        let last = bowls.iter().rposition(|one| one.taken_from.as_ref() == Some(of));
        if let Some(holds) = stated.filter(|holds| all > *holds && last == Some(i)) {
            check.fault(format!("bowls[{i}].total_g"), say::more_than_the_bowl(of, holds, all));
        }
    }
}
