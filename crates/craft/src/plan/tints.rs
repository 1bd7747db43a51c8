//! Chocolates that are tinted with a colour of the same batch.

use super::bowl_inputs::BowlInputs;
use super::needed::Needed;
use crate::catalogue::plan as say;
use crate::check::{self, Checker};
use crate::chocolate::Family;
use crate::work::BatchChocolate;

/// Notes a fault where a tint names no colour, or tints a colour.
pub(super) fn check(bowls: &[BowlInputs], known: &[BatchChocolate], check: &mut Checker) {
    for (i, bowl) in bowls.iter().enumerate() {
        let Some(tint) = &bowl.tint else { continue };
        let field = format!("bowls[{i}].tint");
        check.number(&format!("{field}.share_pct"), tint.share_pct, check::TINT_PCT);
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

/// Adds what is stirred into other chocolates to what is needed of each colour.
pub(super) fn add(bowls: &[BowlInputs], needs: &mut [Needed]) {
    for (i, bowl) in bowls.iter().enumerate() {
        let Some(tint) = &bowl.tint else { continue };
        let more = needs[i].total * (tint.share_pct / 100.0);
        if let Some(colour) = bowls.iter().position(|other| other.key == tint.colour) {
            needs[colour].and(more);
        }
    }
}
