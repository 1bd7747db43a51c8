//! Coloured cocoa butter by drops and spoons, where a scale shows too little of it.

use crate::catalogue::steps as say;
use crate::message::Message;
use crate::units::{Mass, grams, in_grams};

/// A drop from a bottle or off a stick, g (*custom*: about twenty to a millilitre).
const DROP_G: f64 = 0.048;
/// A level teaspoon of it: five millilitres of 0.97 g (docs/craft.md, sections 5 and 7).
const TEASPOON_G: f64 = 5.0 * 0.97;
/// Less than this a kitchen's scale does not show well: it is counted in drops.
const IN_DROPS_BELOW_G: f64 = 2.0;

/// What a drop weighs.
#[must_use]
pub fn a_drop() -> Mass {
    grams(DROP_G)
}

/// So much of a colour as the hands measure it: little in drops, some in grams and spoons.
#[must_use]
pub fn measured(mass: Mass) -> Message {
    let g = in_grams(mass);
    if g < IN_DROPS_BELOW_G {
        return say::in_drops((g / DROP_G).round().max(1.0) as u32, mass);
    }
    let quarters = (g / TEASPOON_G * 4.0).round();
    let spoons = match quarters as u32 {
        1 => "a quarter of a teaspoon",
        2 => "half a teaspoon",
        3 => "three quarters of a teaspoon",
        4 => "a teaspoon",
        5..=6 => "a teaspoon and a half",
        7..=9 => "two teaspoons",
        10..=13 => "three teaspoons, or one tablespoon",
        _ => return say::in_grams(mass),
    };
    say::in_teaspoons(mass, format!("about {spoons}"))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn little_is_counted_in_drops_some_in_spoons_and_much_on_the_scale() {
        assert_eq!(measured(grams(0.1)).text(), "2 drops (about 0.1 g)");
        assert!(measured(grams(2.4)).text().ends_with("(about half a teaspoon)"));
        assert!(measured(grams(4.8)).text().ends_with("(about a teaspoon)"));
        assert_eq!(measured(grams(40.0)).text(), "40 g");
    }
}
