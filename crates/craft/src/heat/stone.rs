//! Chocolate on a cool stone: how far it is worked, and how much goes out.

use crate::catalogue::heat as say;
use crate::chocolate::Chocolate;
use crate::message::{Message, spoken};
use crate::units::{Mass, Temperature, celsius, degrees, in_celsius, rise};

/// What is poured out cannot bring the rest to the target.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct OutsideSplit {
    /// Where the poured-out part ends, °C.
    pub low_c: f64,
    /// Where the melt stops, °C.
    pub high_c: f64,
    /// The target, °C.
    pub target_c: f64,
}

impl OutsideSplit {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        let Self { low_c, high_c, target_c } = *self;
        say::outside_split(celsius(low_c), celsius(high_c), celsius(target_c))
    }
}

spoken!(OutsideSplit);

/// Where there is no cool point, a stone brings it this far over its own, °C.
const OVER_STONE_C: f64 = 6.0;

/// Where what lies on a stone is worked to: the middle of the cool point.
#[must_use]
pub fn worked_to(chocolate: &Chocolate, stone: Temperature) -> Temperature {
    chocolate.windows.cool.map_or(stone + degrees(OVER_STONE_C), |cool| cool.middle())
}

/// How much to pour out on the stone so that the mix lands on the target:
/// x = (T_melted − T_target)/(T_melted − T_stone). All liquid to first order; the
/// crystals that form are ignored (docs/craft.md, section 2).
///
/// # Errors
/// Where the target does not lie between the two.
pub fn split(
    total: Mass,
    melted: Temperature,
    stone: Temperature,
    target: Temperature,
) -> Result<Mass, OutsideSplit> {
    if !(stone < target && target < melted) {
        return Err(OutsideSplit {
            low_c: in_celsius(stone),
            high_c: in_celsius(melted),
            target_c: in_celsius(target),
        });
    }
    Ok(total * (rise(target, melted) / rise(stone, melted)))
}
