//! Typed quantities, and the kitchen's units for them.
//!
//! A thin layer over `uom`: short names for the quantities this craft uses, and
//! one constructor and one reader for each kitchen unit.

use uom::si::{
    area::square_centimeter, available_energy::joule_per_gram, energy::joule,
    heat_capacity::joule_per_kelvin, heat_transfer::watt_per_square_meter_kelvin,
    length::millimeter, mass::gram, mass_density::gram_per_cubic_centimeter, power::watt,
    ratio::percent, specific_heat_capacity::joule_per_gram_degree_celsius,
    temperature_interval::kelvin as kelvin_difference, thermal_conductance::watt_per_kelvin,
    thermodynamic_temperature::degree_celsius, time::second, volume::milliliter,
};

pub use uom::si::f64::{
    Area, AvailableEnergy, Energy, HeatCapacity, HeatTransfer, Length, Mass, MassDensity, Power,
    Ratio, SpecificHeatCapacity, ThermalConductance, Time, Volume,
};

/// A reading on the thermometer's scale.
pub type Temperature = uom::si::f64::ThermodynamicTemperature;
/// How much warmer one thing is than another.
pub type TemperatureDifference = uom::si::f64::TemperatureInterval;

macro_rules! kitchen_unit {
    ($($make:ident, $read:ident, $quantity:ty, $unit:ident, $words:literal;)*) => {$(
        #[doc = concat!("A quantity stated in ", $words, ".")]
        #[must_use]
        pub fn $make(value: f64) -> $quantity {
            <$quantity>::new::<$unit>(value)
        }

        #[doc = concat!("The number of ", $words, " in a quantity.")]
        #[must_use]
        pub fn $read(quantity: $quantity) -> f64 {
            quantity.get::<$unit>()
        }
    )*};
}

kitchen_unit! {
    grams, in_grams, Mass, gram, "grams";
    celsius, in_celsius, Temperature, degree_celsius, "degrees Celsius";
    degrees, in_degrees, TemperatureDifference, kelvin_difference, "Celsius degrees of difference";
    millimetres, in_millimetres, Length, millimeter, "millimetres";
    square_centimetres, in_square_centimetres, Area, square_centimeter, "square centimetres";
    millilitres, in_millilitres, Volume, milliliter, "millilitres";
    seconds, in_seconds, Time, second, "seconds";
    watts, in_watts, Power, watt, "watts";
    joules, in_joules, Energy, joule, "joules";
    joules_per_gram, in_joules_per_gram, AvailableEnergy, joule_per_gram, "joules per gram";
    joules_per_gram_degree, in_joules_per_gram_degree, SpecificHeatCapacity, joule_per_gram_degree_celsius,
        "joules per gram and degree";
    joules_per_degree, in_joules_per_degree, HeatCapacity, joule_per_kelvin, "joules per degree";
    watts_per_degree, in_watts_per_degree, ThermalConductance, watt_per_kelvin,
        "watts per degree";
    watts_per_square_metre_degree, in_watts_per_square_metre_degree, HeatTransfer,
        watt_per_square_meter_kelvin, "watts per square metre and degree";
    grams_per_cubic_centimetre, in_grams_per_cubic_centimetre, MassDensity,
        gram_per_cubic_centimeter, "grams per cubic centimetre";
    percent_of, in_percent, Ratio, percent, "per cent";
}

/// Minutes, the bench's usual measure of time.
#[must_use]
pub fn minutes(value: f64) -> Time {
    seconds(value * 60.0)
}

/// How much warmer `to` is than `from`; negative where it is cooler.
///
/// Two temperatures cannot be added, but they can be compared. `uom` leaves
/// this out because its temperature type cannot tell the two cases apart.
#[must_use]
pub fn rise(from: Temperature, to: Temperature) -> TemperatureDifference {
    degrees(in_celsius(to) - in_celsius(from))
}

/// The temperature halfway between two others.
#[must_use]
pub fn midpoint(a: Temperature, b: Temperature) -> Temperature {
    a + rise(a, b) / 2.0
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_rise_is_a_difference_and_carries_its_sign() {
        assert!((in_degrees(rise(celsius(47.0), celsius(31.5))) + 15.5).abs() < 1e-9);
        assert!((in_celsius(midpoint(celsius(20.0), celsius(31.0))) - 25.5).abs() < 1e-9);
    }
}
