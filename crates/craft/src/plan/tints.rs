//! Chocolates that are tinted with a colour of the same batch.

use super::bowl_inputs::BowlInputs;
use super::division::taken_out;
use super::needed::Needed;
use crate::catalogue::plan as say;
use crate::check::{self, Checker};
use crate::chocolate::Family;
use crate::colour::{self, Optics, Way};
use crate::units::Mass;
use crate::work::BatchChocolate;

/// Notes a fault where a tint names no colour, or tints a colour.
pub(super) fn check(bowls: &[BowlInputs], known: &[BatchChocolate], check: &mut Checker) {
    for (i, bowl) in bowls.iter().enumerate() {
        let Some(tint) = &bowl.tint else { continue };
        let field = format!("bowls[{i}].tint");
        let is_mixed = known[i].optics.is_some();
        let most = if is_mixed { check::MIXED_PCT } else { check::TINT_PCT };
        check.number(format_args!("{field}.share_pct"), tint.share_pct, most);
        check.optional(
            format_args!("{field}.drops_per_100_g"),
            tint.drops_per_100_g,
            check::TINT_DROPS,
        );
        if known[i].chocolate.family == Family::CocoaButter && !is_mixed {
            check.fault(field.clone(), say::tint_goes_with_chocolate());
        }
        if tint.colour == bowl.key {
            check.fault(format!("{field}.colour"), say::must_be_another(&tint.colour));
            continue;
        }
        if bowls.iter().any(|other| other.key == tint.colour && other.tint.is_some()) {
            check.fault(format!("{field}.colour"), say::must_be_plain(&tint.colour));
            continue;
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
    let taken_out = taken_out(&bowls[i].key, bowls, needs.iter().map(Some));
    (needs[i].total - taken_out).max(Mass::default())
}

/// What each colour does to light, with what is stirred into it.
pub(super) fn optics(bowls: &[BowlInputs], plain: &[Option<Optics>]) -> Vec<Option<Optics>> {
    let of = |key: &str| {
        let place = bowls.iter().position(|bowl| bowl.key == key)?;
        *plain.get(place)?
    };
    bowls
        .iter()
        .zip(plain)
        .map(|(bowl, own)| {
            let stirred =
                bowl.tint.as_ref().and_then(|tint| Some((of(&tint.colour)?, tint.share())));
            let own = (*own)?;
            Some(stirred.map_or(own, |other| Optics::mixed([(own, 1.0), other])))
        })
        .collect()
}

/// How a bowl looks, where that is not as its family does: in its own colour, or tinted.
pub(super) fn looks(bowl: &BowlInputs, known: &[BatchChocolate]) -> Option<String> {
    let tint = bowl.tint.as_ref().and_then(|tint| {
        let of = known.iter().find(|known| known.key == tint.colour)?;
        Some((of.optics?, tint.share()))
    });
    let own = bowl.looks.as_deref();
    let colour = known.iter().find(|known| known.key == bowl.key).and_then(|known| known.optics);
    if let Some(colour) = colour {
        return (tint.is_some() || bowl.taken_from.is_some()).then(|| colour.by_itself());
    }
    match tint {
        Some((colour, share)) => {
            Some(colour::tinted(bowl.family, own.and_then(colour::linear), colour, share))
        }
        None => own.map(str::to_owned),
    }
}
