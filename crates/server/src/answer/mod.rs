//! What the API answers: the core's figures with their unit in the name.

pub mod action;
pub mod advice;
pub mod batch;
pub mod bench;
pub mod bowl;
pub mod bowl_plan;
pub mod clinic;
pub mod component_plan;
pub mod cost;
pub mod figures;
pub mod filling;
pub mod guide;
pub mod moulded;
pub mod packing;
pub mod plan;
pub mod result;
pub mod shelf;
pub mod shopping;

/// Rounds to a number of decimals, so that 31.5 does not go out as
/// 31.500000000000057.
pub(crate) fn round(value: f64, decimals: i32) -> f64 {
    let scale = 10f64.powi(decimals);
    (value * scale).round() / scale
}

/// Temperatures go out to the hundredth.
pub(crate) fn celsius(temp: craft::units::Temperature) -> f64 {
    round(craft::units::in_celsius(temp), 2)
}

/// Masses go out to the hundredth.
pub(crate) fn grams(mass: craft::units::Mass) -> f64 {
    round(craft::units::in_grams(mass), 2)
}

/// Times go out to the tenth.
pub(crate) fn seconds(time: craft::units::Time) -> f64 {
    round(craft::units::in_seconds(time), 1)
}

/// A band as its two ends.
pub(crate) fn band(band: craft::chocolate::Band) -> [f64; 2] {
    [celsius(band.lo), celsius(band.hi)]
}
