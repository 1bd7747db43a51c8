//! Chocolates that are tinted with a colour of the same batch.

use super::bowl_inputs::BowlInputs;
use super::needed::Needed;
use crate::catalogue::plan as say;
use crate::check::{self, Checker};
use crate::chocolate::Family;
use crate::colour::{self, Way};
use crate::units::Mass;
use crate::work::BatchChocolate;

/// Notes a fault where a tint names no colour, or tints a colour.
pub(super) fn check(bowls: &[BowlInputs], known: &[BatchChocolate], check: &mut Checker) {
    for (i, bowl) in bowls.iter().enumerate() {
        let Some(tint) = &bowl.tint else { continue };
        let field = format!("bowls[{i}].tint");
        check.number(&format!("{field}.share_pct"), tint.share_pct, check::TINT_PCT);
        check.optional(
            &format!("{field}.drops_per_100_g"),
            tint.drops_per_100_g,
            check::TINT_DROPS,
        );
        if known[i].chocolate.family == Family::CocoaButter {
            check.fault(field.clone(), say::tint_goes_with_chocolate());
        }
        let is_colour =
            |known: &&BatchChocolate| known.key == tint.colour && known.optics.is_some();
        if !known.iter().any(|known| is_colour(&known)) {
            check.fault(format!("{field}.colour"), say::must_name_a_colour(&tint.colour));
        }
    }
}

/// Adds what is stirred into other chocolates to what is needed of each colour. What is taken
/// out of a bowl is not tinted with it.
pub(super) fn add(bowls: &[BowlInputs], needs: &mut [Needed]) {
    for (i, bowl) in bowls.iter().enumerate() {
        let Some(tint) = &bowl.tint else { continue };
        let more = tinted_mass(i, bowls, needs) * tint.share();
        if let Some(colour) = bowls.iter().position(|other| other.key == tint.colour) {
            needs[colour].and(more);
            // As much as wets a brush through: less is not melted and stirred.
            needs[colour].at_least(Way::Brush.least());
        }
    }
}

/// How much of a bowl is tinted with its tint: all of it, but what is taken out.
pub(super) fn tinted_mass(i: usize, bowls: &[BowlInputs], needs: &[Needed]) -> Mass {
    let parts = bowls.iter().zip(needs);
    let parts = parts.filter(|(other, _)| other.taken_from.as_ref() == Some(&bowls[i].key));
    let taken_out = parts.fold(Mass::default(), |sum, (_, needed)| sum + needed.total);
    (needs[i].total - taken_out).max(Mass::default())
}

/// How a bowl looks, where that is not as its family does: in its own colour, or tinted.
pub(super) fn looks(bowl: &BowlInputs, known: &[BatchChocolate]) -> Option<String> {
    let tint = bowl.tint.as_ref().and_then(|tint| {
        let of = known.iter().find(|known| known.key == tint.colour)?;
        Some((of.optics?, tint.share()))
    });
    let own = bowl.looks.as_deref();
    match tint {
        Some((colour, share)) => {
            Some(colour::tinted(bowl.family, own.and_then(colour::linear), colour, share))
        }
        None => own.map(str::to_owned),
    }
}
