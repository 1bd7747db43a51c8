//! What input is accepted, and how a refusal is worded.
//!
//! A [`Checker`] gathers every fault in one go, so that a maker sees all the
//! fields to mend at once and nothing is half accepted.

use std::fmt;

/// The range in which a stated number makes sense in a home kitchen.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Bounds {
    /// Smallest accepted value.
    pub min: f64,
    /// Largest accepted value.
    pub max: f64,
    /// Unit of both, as the maker writes it.
    pub unit: &'static str,
}

impl Bounds {
    const fn new(min: f64, max: f64, unit: &'static str) -> Self {
        Self { min, max, unit }
    }

    /// Whether the value is a number in the range.
    #[must_use]
    pub fn contain(&self, value: f64) -> bool {
        value.is_finite() && (self.min..=self.max).contains(&value)
    }
}

impl fmt::Display for Bounds {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        write!(f, "{} to {}", self.min, self.max)?;
        if self.unit.is_empty() { Ok(()) } else { write!(f, " {}", self.unit) }
    }
}

/// Chocolate in one bowl or one slab.
pub const CHOCOLATE_G: Bounds = Bounds::new(1.0, 20_000.0, "g");
/// Temperature of chocolate that is or was melted.
pub const MELTED_C: Bounds = Bounds::new(15.0, 80.0, "°C");
/// Temperature of unmelted chocolate.
pub const SOLID_C: Bounds = Bounds::new(-25.0, 34.0, "°C");
/// Chocolate before it is melted, or on its way.
pub const START_C: Bounds = Bounds::new(-25.0, 79.0, "°C");
/// A kitchen's air.
pub const ROOM_C: Bounds = Bounds::new(5.0, 40.0, "°C");
/// A kitchen's relative humidity.
pub const RH_PCT: Bounds = Bounds::new(1.0, 100.0, "%");
/// An empty bowl.
pub const BOWL_G: Bounds = Bounds::new(10.0, 10_000.0, "g");
/// How long the cooling usually takes.
pub const COOLING_MIN: Bounds = Bounds::new(0.0, 180.0, "min");
/// A tray's side or diameter.
pub const TRAY_MM: Bounds = Bounds::new(20.0, 1_500.0, "mm");
/// A tray given by its area.
pub const TRAY_CM2: Bounds = Bounds::new(4.0, 20_000.0, "cm²");
/// A slab's thickness.
pub const SLAB_MM: Bounds = Bounds::new(0.5, 40.0, "mm");
/// A microwave's rated output.
pub const MICROWAVE_W: Bounds = Bounds::new(100.0, 3_000.0, "W");
/// A microwave's power setting as a share of its rated output.
pub const MICROWAVE_POWER: Bounds = Bounds::new(0.05, 1.0, "");
/// Fat in a chocolate.
pub const FAT_PCT: Bounds = Bounds::new(15.0, 100.0, "%");
/// What a kitchen probe can send at all. A value a probe can send but that no
/// bowl of chocolate has is kept and marked, not refused: see
/// [`crate::bowl::trust`].
pub const PROBE_C: Bounds = Bounds::new(-60.0, 250.0, "°C");
/// A part's share of a blend.
pub const SHARE_PCT: Bounds = Bounds::new(1.0, 99.0, "%");
/// Ready crystals as a share of the mass.
pub const CRYSTALS_PCT: Bounds = Bounds::new(0.1, 5.0, "%");
/// A slab of stone to work on.
pub const STONE_C: Bounds = Bounds::new(5.0, 26.0, "°C");
/// What is worked on a stone, when it is returned.
pub const WORKED_C: Bounds = Bounds::new(5.0, 40.0, "°C");
/// One burst of heat.
pub const BURST_S: Bounds = Bounds::new(1.0, 600.0, "s");
/// Density of dry goods folded in.
pub const DENSITY_G_CM3: Bounds = Bounds::new(0.02, 3.0, "g/cm³");
/// How fast a bowl loses heat, against what is usual for its load.
pub const COOLING_RATIO: Bounds = Bounds::new(0.3, 3.0, "");
/// The share of a microwave's heat that ends up in chocolate.
pub const EFFICIENCY: Bounds = Bounds::new(0.15, 0.9, "");
/// How far a bowl goes on rising off the heat.
pub const CARRY_OVER_C: Bounds = Bounds::new(0.0, 8.0, "°C");
/// What a thermometer that is worth correcting is off by.
pub const OFFSET_C: Bounds = Bounds::new(-5.0, 5.0, "°C");
/// How freely a chocolate flows, as bags grade it: 1 thick, 5 thin.
pub const FLOW_GRADE: Bounds = Bounds::new(1.0, 5.0, "");
/// What a kilogram costs, in the maker's own money.
pub const PRICE_PER_KG: Bounds = Bounds::new(0.0, 10_000.0, "");
/// Chocolate on the shelf.
pub const STOCK_G: Bounds = Bounds::new(0.0, 200_000.0, "g");
/// Chocolate that is put on the shelf or taken from it.
pub const MOVED_G: Bounds = Bounds::new(0.1, 200_000.0, "g");
/// Parts of dry goods to one of chocolate.
pub const PARTS: Bounds = Bounds::new(0.05, 5.0, "parts");
/// How wide one piece of topping is.
pub const TOPPING_MM: Bounds = Bounds::new(1.0, 60.0, "mm");
/// What one piece of topping weighs.
pub const TOPPING_G: Bounds = Bounds::new(0.001, 100.0, "g");
/// How much of a slab is covered.
pub const COVERAGE_PCT: Bounds = Bounds::new(1.0, 100.0, "%");
/// One piece that a slab is broken into.
pub const PIECE_CM2: Bounds = Bounds::new(1.0, 2_000.0, "cm²");
/// A cake, over its icing.
pub const CAKE_MM: Bounds = Bounds::new(40.0, 800.0, "mm");
/// How high a strip, or a cake, is.
pub const HEIGHT_MM: Bounds = Bounds::new(5.0, 500.0, "mm");
/// How far a wrap overlaps.
pub const OVERLAP_MM: Bounds = Bounds::new(0.0, 200.0, "mm");
/// What spreads over a wrap's edges.
pub const SPILL_PCT: Bounds = Bounds::new(0.0, 100.0, "%");
/// The piped line of one piece.
pub const PIPED_MM: Bounds = Bounds::new(1.0, 100_000.0, "mm");
/// How wide a piped line is.
pub const LINE_MM: Bounds = Bounds::new(0.5, 20.0, "mm");
/// How many pieces.
pub const PIECES: Bounds = Bounds::new(1.0, 10_000.0, "pieces");
/// Where a slab sets: from the freezer to a warm room.
pub const PLACE_C: Bounds = Bounds::new(-30.0, 40.0, "°C");
/// A number in any unit.
pub const ANY: Bounds = Bounds::new(-1_000_000.0, 1_000_000.0, "");
/// A refrigerator.
pub const FRIDGE_C: Bounds = Bounds::new(-5.0, 15.0, "°C");
/// Time in a cooling record, from its start.
pub const RECORD_S: Bounds = Bounds::new(0.0, 172_800.0, "s");

/// What a device's clock is ahead of UTC.
pub const UTC_OFFSET_MIN: Bounds = Bounds::new(-840.0, 840.0, "min");
/// What a device's clock is off by: at most a year.
pub const SHIFT_S: Bounds = Bounds::new(-31_622_400.0, 31_622_400.0, "s");

/// One thing wrong with what was sent, and what would be right.
#[derive(Clone, Debug, PartialEq, Eq)]
pub struct Fault {
    /// The field, as a path: `bowl.mass_g`, `readings[3].temp_c`.
    pub field: String,
    /// What is wrong and what would be right.
    pub message: String,
}

/// Gathers the faults of one piece of input.
#[derive(Debug, Default)]
pub struct Checker {
    faults: Vec<Fault>,
}

impl Checker {
    /// A checker that has found nothing yet.
    #[must_use]
    pub fn new() -> Self {
        Self::default()
    }

    /// Notes a fault.
    pub fn fault(&mut self, field: impl Into<String>, message: impl Into<String>) {
        self.faults.push(Fault { field: field.into(), message: message.into() });
    }

    /// Notes a fault where the number lies outside the bounds, and gives the
    /// number back either way so that reading can go on.
    pub fn number(&mut self, field: &str, value: f64, bounds: Bounds) -> f64 {
        if !bounds.contain(value) {
            self.fault(field, format!("must be {bounds}; it is {value}"));
        }
        value
    }

    /// [`Checker::number`] for a number that may be left out.
    pub fn optional(&mut self, field: &str, value: Option<f64>, bounds: Bounds) -> Option<f64> {
        value.map(|v| self.number(field, v, bounds))
    }

    /// Notes a fault where a text is empty or longer than `longest` characters.
    pub fn text(&mut self, field: &str, value: &str, longest: usize) {
        let length = value.chars().count();
        if value.trim().is_empty() {
            self.fault(field, format!("must be 1 to {longest} characters; it is empty"));
        } else if length > longest {
            self.fault(field, format!("must be 1 to {longest} characters; it has {length}"));
        }
    }

    /// Notes a fault where a text that may be empty is longer than `longest`.
    pub fn remark(&mut self, field: &str, value: &str, longest: usize) {
        let length = value.chars().count();
        if length > longest {
            self.fault(field, format!("must be at most {longest} characters; it has {length}"));
        }
    }

    /// All is well, or every fault found.
    ///
    /// # Errors
    /// The faults, where there are any.
    pub fn finish(self) -> Result<(), Vec<Fault>> {
        if self.faults.is_empty() { Ok(()) } else { Err(self.faults) }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_fault_is_told_with_its_range() {
        let mut check = Checker::new();
        check.number("room_c", 90.0, ROOM_C);
        check.number("thickness_mm", f64::NAN, SLAB_MM);
        check.number("watts", 800.0, MICROWAVE_W);
        check.text("name", "  ", 10);
        check.text("label", "twelve chars", 10);
        let faults = check.finish().expect_err("four faults");
        let told: Vec<_> = faults.iter().map(|f| format!("{} {}", f.field, f.message)).collect();
        assert_eq!(
            told,
            [
                "room_c must be 5 to 40 °C; it is 90",
                "thickness_mm must be 0.5 to 40 mm; it is NaN",
                "name must be 1 to 10 characters; it is empty",
                "label must be 1 to 10 characters; it has 12",
            ]
        );
    }

    #[test]
    fn length_is_counted_in_characters_not_bytes() {
        let mut check = Checker::new();
        check.text("name", "Ø Æ Å é ü ñ", 11);
        assert_eq!(check.finish(), Ok(()));
    }
}
