//! What input is accepted, and how a refusal is worded.
//!
//! A [`Checker`] gathers every fault in one go, so that a maker sees all the
//! fields to mend at once and nothing is half accepted.

use std::fmt::Display;

use crate::catalogue::input as say;
use crate::message::{Between, Given, Message};
use crate::wording::{wrong_in_line, wrong_in_note};

/// The range in which a stated number makes sense in a home kitchen.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Bounds {
    /// Smallest accepted value.
    pub min: f64,
    /// Largest accepted value.
    pub max: f64,
    /// Unit of both, as the maker writes it; `C°` is a difference of temperatures.
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

impl From<Bounds> for Between {
    fn from(bounds: Bounds) -> Self {
        Self::new(bounds.min, bounds.max, bounds.unit)
    }
}

impl From<(f64, Bounds)> for Given {
    fn from((value, bounds): (f64, Bounds)) -> Self {
        Self::new(value, bounds.unit)
    }
}

/// Chocolate in one bowl or one slab.
pub const CHOCOLATE_G: Bounds = Bounds::new(1.0, 20_000.0, "g");
/// What can be weighed in at a bowl.
pub const WEIGHED_G: Bounds = Bounds { min: 0.1, ..CHOCOLATE_G };
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
/// How long ago a smear turned dull.
pub const DULL_FOR_S: Bounds = Bounds::new(0.0, 3_600.0, "s");
/// Density of dry goods folded in.
pub const DENSITY_G_CM3: Bounds = Bounds::new(0.02, 3.0, "g/cm³");
/// How fast a bowl loses heat, against what is usual for its load.
pub const COOLING_RATIO: Bounds = Bounds::new(0.3, 3.0, "");
/// The share of a microwave's heat that ends up in chocolate.
pub const EFFICIENCY: Bounds = Bounds::new(0.15, 0.9, "");
/// How far a bowl carries over off the heat.
pub const CARRY_OVER_C: Bounds = Bounds::new(0.0, 8.0, "C°");
/// What a thermometer that is worth correcting is off by.
pub const OFFSET_C: Bounds = Bounds::new(-5.0, 5.0, "C°");
/// How freely a chocolate flows, as bags grade it: 1 thick, 5 thin.
pub const FLOW_GRADE: Bounds = Bounds::new(1.0, 5.0, "");
/// What a kilogram costs, in the maker's own money.
pub const PRICE_PER_KG: Bounds = Bounds::new(0.0, 10_000.0, "");
/// Chocolate on the shelf.
pub const STOCK_G: Bounds = Bounds::new(0.0, 200_000.0, "g");
/// Goods on the shelf that are counted by the millilitre.
pub const STOCK_ML: Bounds = Bounds::new(0.0, 200_000.0, "ml");
/// Goods on the shelf that are counted by the piece.
pub const STOCK_PIECES: Bounds = Bounds::new(0.0, 200_000.0, "pieces");
/// What is in a pack, in what it is counted in.
pub const PACK: Bounds = Bounds::new(0.1, 50_000.0, "");
/// What a pack costs, in the maker's own money.
pub const PACK_PRICE: Bounds = Bounds::new(0.0, 10_000.0, "");
/// Chocolate that is put on the shelf or taken from it.
pub const MOVED_G: Bounds = Bounds::new(0.1, 200_000.0, "g");
/// Parts of dry goods to one of chocolate.
pub const PARTS: Bounds = Bounds::new(0.05, 5.0, "parts");
/// A share of all that is folded together.
pub const MIXED_SHARE_PCT: Bounds = Bounds::new(0.1, 60.0, "%");
/// So much of one of the goods.
pub const GOODS_G: Bounds = Bounds::new(0.1, 10_000.0, "g");
/// Cups or spoons of one of the goods.
pub const SPOONS: Bounds = Bounds::new(0.1, 100.0, "cups or spoons");
/// What a millilitre of goods weighs as they are poured.
pub const BULK_G_ML: Bounds = Bounds::new(0.01, 3.0, "g/ml");
/// Goods that go in or on.
pub const GOODS_C: Bounds = Bounds::new(-25.0, 60.0, "°C");
/// Water or fat in goods.
pub const GOODS_PCT: Bounds = Bounds::new(0.0, 100.0, "%");
/// Parts of sugar in a recipe of boiled sugar.
pub const SUGAR_PARTS: Bounds = Bounds::new(0.5, 20.0, "parts");
/// Parts of glucose syrup in it.
pub const SYRUP_PARTS: Bounds = Bounds::new(0.0, 10.0, "parts");
/// Parts of water in it.
pub const WATER_PARTS: Bounds = Bounds::new(0.1, 10.0, "parts");
/// Sugar that is boiled.
pub const SUGAR_G: Bounds = Bounds::new(20.0, 5_000.0, "g");
/// Glucose syrup that is boiled with it.
pub const SYRUP_G: Bounds = Bounds::new(0.0, 5_000.0, "g");
/// Water that is boiled away.
pub const WATER_G: Bounds = Bounds::new(5.0, 5_000.0, "g");
/// How often boiled sugar is pulled.
pub const PULLS: Bounds = Bounds::new(0.0, 60.0, "pulls");
/// Oil, butter or coconut fat in chocolate: above it, it does not set.
pub const ADDED_FAT_PCT: Bounds = Bounds::new(0.1, 8.0, "%");
/// How deep a piped outline is filled.
pub const FLOODED_MM: Bounds = Bounds::new(1.5, 6.0, "mm");
/// How large the body of one piped piece is.
pub const BODY_CM2: Bounds = Bounds::new(0.5, 600.0, "cm²");
/// How thick the back of a flooded body is.
pub const BACK_MM: Bounds = Bounds::new(0.5, 4.0, "mm");
/// A line of an outline, by its place.
pub const OUTLINE_LINE: Bounds = Bounds::new(1.0, 20_000.0, "");
/// An oven in which goods are toasted.
pub const TOASTING_C: Bounds = Bounds::new(80.0, 220.0, "°C");
/// How long goods are toasted.
pub const TOASTING_MIN: Bounds = Bounds::new(1.0, 90.0, "min");
/// Parts of sugar to one of goods that are candied.
pub const CANDYING_PARTS: Bounds = Bounds::new(0.1, 3.0, "parts");
/// What a hair dryer on low brings into a bowl.
pub const DRYER_W: Bounds = Bounds::new(5.0, 120.0, "W");
/// How fast warm water warms a bowl, against what is usual.
pub const WARM_WATER_RATIO: Bounds = Bounds::new(0.3, 3.0, "");
/// What a moment over simmering water brings into a bowl.
pub const BATH_W: Bounds = Bounds::new(30.0, 600.0, "W");
/// Where a spot of a picture lies.
pub const PLACE_PCT: Bounds = Bounds::new(0.0, 100.0, "%");
/// How warm a fat is melted.
pub const MELTING_C: Bounds = Bounds::new(30.0, 70.0, "°C");
/// An oven in which goods are dried.
pub const DRYING_C: Bounds = Bounds::new(30.0, 120.0, "°C");
/// How long goods are dried.
pub const DRYING_H: Bounds = Bounds::new(0.5, 48.0, "h");
/// What is left of goods that are dried.
pub const DRYING_LEAVES_PCT: Bounds = Bounds::new(5.0, 100.0, "%");
/// How wide one piece of topping is.
pub const TOPPING_MM: Bounds = Bounds::new(1.0, 60.0, "mm");
/// What one piece of topping weighs.
pub const TOPPING_G: Bounds = Bounds::new(0.001, 100.0, "g");
/// How much of a slab is covered.
pub const COVERAGE_PCT: Bounds = Bounds::new(1.0, 100.0, "%");
/// One piece that a slab is broken into.
pub const PIECE_CM2: Bounds = Bounds::new(1.0, 2_000.0, "cm²");
/// What one piece, serving or bag weighs.
pub const PIECE_G: Bounds = Bounds::new(0.5, 5_000.0, "g");
/// How wide an outline is.
pub const OUTLINE_MM: Bounds = Bounds::new(5.0, 280.0, "mm");
/// How many of an outline.
pub const OUTLINES: Bounds = Bounds::new(1.0, 500.0, "pieces");
/// Points of a star.
pub const POINTS: Bounds = Bounds::new(3.0, 16.0, "points");
/// How far out a star's inner corners lie.
pub const INNER_PCT: Bounds = Bounds::new(15.0, 95.0, "%");
/// How much of a moon is lit.
pub const LIT_PCT: Bounds = Bounds::new(5.0, 95.0, "%");
/// Spokes of a ring.
pub const SPOKES: Bounds = Bounds::new(0.0, 16.0, "spokes");
/// Veins of a leaf.
pub const VEINS: Bounds = Bounds::new(0.0, 12.0, "veins");
/// Bars of a lattice.
pub const BARS: Bounds = Bounds::new(1.0, 20.0, "bars");
/// A lattice's height, of its width.
pub const HIGH_PCT: Bounds = Bounds::new(20.0, 300.0, "%");
/// One cluster.
pub const CLUSTER_G: Bounds = Bounds::new(2.0, 200.0, "g");
/// How high a tray's rim is.
pub const RIM_MM: Bounds = Bounds::new(1.0, 200.0, "mm");
/// Topping, of the chocolate's weight.
pub const TOPPING_SHARE_PCT: Bounds = Bounds::new(0.5, 100.0, "%");
/// Strokes drawn through a marbled slab.
pub const STROKES: Bounds = Bounds::new(1.0, 60.0, "strokes");
/// A ribbon.
pub const RIBBON_MM: Bounds = Bounds::new(0.3, 4.0, "mm");
/// A strip lifted off a frozen stone: its sides.
pub const STRIP_MM: Bounds = Bounds::new(5.0, 1_000.0, "mm");
/// A stone slab.
pub const STONE_KG: Bounds = Bounds::new(0.5, 60.0, "kg");
/// A stone slab from the freezer.
pub const FROZEN_C: Bounds = Bounds::new(-30.0, 0.0, "°C");
/// How high above the sea a kitchen lies.
pub const ALTITUDE_M: Bounds = Bounds::new(-430.0, 5_500.0, "m");
/// How fast it sets, against what is usual.
pub const SETTING_PACE: Bounds = Bounds::new(0.3, 3.0, "");
/// How long a bowl takes until it is in temper, against what is usual.
pub const TEMPERING_PACE: Bounds = Bounds::new(0.2, 6.0, "");
/// A time that the clinic is told, s.
pub const CLINIC_S: Bounds = Bounds::new(0.0, 86_400.0, "s");
/// A time that the clinic is told, minutes.
pub const CLINIC_MIN: Bounds = Bounds::new(0.0, 20_000.0, "min");
/// A time that the clinic is told, hours.
pub const CLINIC_H: Bounds = Bounds::new(0.0, 2_000.0, "h");
/// Seed against what is melted, as the clinic is told it.
pub const CLINIC_SEED_PCT: Bounds = Bounds::new(0.0, 300.0, "%");
/// A thickness that the clinic is told.
pub const CLINIC_MM: Bounds = Bounds::new(0.05, 200.0, "mm");
/// Strokes that the clinic is told.
pub const CLINIC_STROKES: Bounds = Bounds::new(0.0, 1_000.0, "strokes");
/// Where something is kept.
pub const STORED_C: Bounds = Bounds::new(-30.0, 50.0, "°C");
/// How old something is.
pub const AGE_DAYS: Bounds = Bounds::new(0.0, 3_650.0, "days");
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
/// How long one task takes.
pub const TASK_MIN: Bounds = Bounds::new(0.0, 10_080.0, "min");
/// How long one task waits for another.
pub const WAIT_MIN: Bounds = Bounds::new(0.0, 129_600.0, "min");
/// Pairs of hands in a kitchen.
pub const HANDS: Bounds = Bounds::new(1.0, 6.0, "pairs of hands");
/// Pairs of hands at one task.
pub const TASK_HANDS: Bounds = Bounds { min: 0.0, ..HANDS };
/// A day of the week: 1 is Monday.
pub const WEEKDAY: Bounds = Bounds::new(1.0, 7.0, "");
/// How many there are of a thing that tasks need.
pub const AT_HAND: Bounds = Bounds::new(1.0, 100.0, "");
/// How many boxes.
pub const BOXES: Bounds = Bounds::new(1.0, 10_000.0, "boxes");
/// What a bag of chocolate holds.
pub const BAG_G: Bounds = Bounds::new(10.0, 50_000.0, "g");
/// What an hour of work costs, in the maker's own money.
pub const HOUR_PRICE: Bounds = Bounds::new(0.0, 10_000.0, "");
/// What a kilowatt-hour costs, in the maker's own money.
pub const KWH_PRICE: Bounds = Bounds::new(0.0, 1_000.0, "");
/// Rows and columns of a sheet of labels.
pub const LABEL_ROWS: Bounds = Bounds::new(1.0, 60.0, "");
/// How long and wide a label is.
pub const LABEL_MM: Bounds = Bounds::new(8.0, 300.0, "mm");
/// Between labels, and at the edges of their sheet.
pub const LABEL_GAP_MM: Bounds = Bounds::new(0.0, 150.0, "mm");
/// What of one kind lies in a box.
pub const IN_A_BOX_G: Bounds = Bounds::new(0.5, 20_000.0, "g");
/// How many pieces of one kind came out, or grams of it.
pub const COUNTED: Bounds = Bounds::new(0.0, 100_000.0, "");
/// How many of one wrapping each is packed in.
pub const WRAPPINGS: Bounds = Bounds::new(0.01, 1_000.0, "");
/// What is made beyond what is wanted, for what breaks.
pub const SPARE_PCT: Bounds = Bounds::new(0.0, 100.0, "%");
/// What is needed or there of one item, in what it is counted in.
pub const BOUGHT: Bounds = Bounds::new(0.0, 1_000_000.0, "");
/// What something costs by its weight.
pub const COSTED_G: Bounds = Bounds::new(0.0, 1_000_000.0, "g");
/// What something costs by its number.
pub const COSTED_COUNT: Bounds = Bounds::new(0.0, 100_000.0, "");
/// What is earned, of the price.
pub const MARGIN_PCT: Bounds = Bounds::new(0.0, 95.0, "%");
/// How many pieces.
pub const PIECES: Bounds = Bounds::new(1.0, 10_000.0, "pieces");
/// Parts of pigment to a hundred of cocoa butter: above 20 it blocks and will not flow.
pub const COLOUR_PARTS: Bounds = Bounds::new(0.1, 20.0, "parts to 100 of butter");
/// Powder to colour cocoa butter with.
pub const PIGMENT_G: Bounds = Bounds::new(0.01, 2_000.0, "g");
/// How strong a pigment is against what is usual.
pub const PIGMENT_STRENGTH: Bounds = Bounds::new(0.1, 10.0, "");
/// A film's K or S.
pub const FILM_OPTICS: Bounds = Bounds::new(1e-6, 1_000.0, "");
/// A film's thickness, in the unit its K and S are for.
pub const FILM_THICKNESS: Bounds = Bounds::new(1e-3, 100.0, "");
/// A pigment's share of a film.
pub const FILM_SHARE: Bounds = Bounds::new(1e-6, 1_000.0, "");
/// A ground's reflectance.
pub const REFLECTANCE: Bounds = Bounds::new(0.0, 0.999, "");
/// The area that is coloured.
pub const FACE_CM2: Bounds = Bounds::new(0.1, 100_000.0, "cm²");
/// Passes of an airbrush, or coats.
pub const PASSES: Bounds = Bounds::new(1.0, 20.0, "passes");
/// The share of a face that is coloured.
pub const FACE_PCT: Bounds = Bounds::new(1.0, 100.0, "%");
/// Coloured cocoa butter that is stirred into a chocolate.
pub const TINT_PCT: Bounds = Bounds::new(0.1, 20.0, "%");
/// Drops of a colour that are stirred into 100 g of a chocolate.
pub const TINT_DROPS: Bounds = Bounds::new(1.0, 400.0, "drops");
/// One colour that is stirred into another.
pub const MIXED_PCT: Bounds = Bounds::new(0.1, 100.0, "%");
/// Cavities of a mould.
pub const CAVITIES: Bounds = Bounds::new(1.0, 500.0, "cavities");
/// How often a mould is filled.
pub const CASTS: Bounds = Bounds::new(1.0, 50.0, "casts");
/// What a cavity holds.
pub const CAVITY_ML: Bounds = Bounds::new(0.2, 3_000.0, "ml");
/// A cavity's inside, without its opening.
pub const CAVITY_CM2: Bounds = Bounds::new(0.5, 2_000.0, "cm²");
/// A cavity's sides.
pub const CAVITY_MM: Bounds = Bounds::new(5.0, 400.0, "mm");
/// How far across something is that goes into a hollow.
pub const CAVITY_MM_INSIDE: Bounds = Bounds::new(0.1, 400.0, "mm");
/// A shell's wall.
pub const SHELL_MM: Bounds = Bounds::new(0.5, 12.0, "mm");
/// Strips that a collar goes round in.
pub const STRIPS: Bounds = Bounds::new(1.0, 12.0, "strips");
/// How long colour rests before the chocolate.
pub const REST_H: Bounds = Bounds::new(0.1, 48.0, "hours");
/// A tone behind the face of a figure.
pub const TONE_MM: Bounds = Bounds::new(0.3, 20.0, "mm");
/// A tone that fills a part of a figure.
pub const TONE_G: Bounds = Bounds::new(0.5, 3_000.0, "g");
/// Parts of a sort that are stuck on one piece.
pub const STUCK_ON: Bounds = Bounds::new(1.0, 40.0, "to a piece");
/// The share of a piece's surface that is dipped in the end.
pub const DIPPED_PCT: Bounds = Bounds::new(1.0, 100.0, "%");
/// How deep a part of a piece is dipped.
pub const DEEP_MM: Bounds = Bounds::new(2.0, 200.0, "mm");
/// How long a filled mould waits before it is turned over.
pub const WAIT_S: Bounds = Bounds::new(0.0, 600.0, "s");
/// A cap.
pub const CAP_MM: Bounds = Bounds::new(0.5, 6.0, "mm");
/// A mould on the scale, empty or lined.
pub const MOULD_G: Bounds = Bounds::new(5.0, 20_000.0, "g");
/// Chocolate to one of cream.
pub const GANACHE_RATIO: Bounds = Bounds::new(0.3, 6.0, "parts of chocolate to one of cream");
/// Butter in a ganache, of chocolate and cream.
pub const BUTTER_PCT: Bounds = Bounds::new(0.0, 25.0, "%");
/// Any amount of a filling.
pub const FILLING_G: Bounds = Bounds::new(0.5, 20_000.0, "g");
/// Room that something takes up inside.
pub const INSIDE_ML: Bounds = Bounds::new(0.05, 2_000.0, "ml");
/// A coat on what is dipped.
pub const COAT_MM: Bounds = Bounds::new(0.4, 6.0, "mm");
/// A vessel's inner diameter.
pub const VESSEL_MM: Bounds = Bounds::new(20.0, 400.0, "mm");
/// What is dipped, as it goes in.
pub const CENTRE_C: Bounds = Bounds::new(-20.0, 30.0, "°C");
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
#[derive(Clone, Debug, PartialEq)]
pub struct Fault {
    /// The field, as a path: `bowl.mass_g`, `readings[3].temp_c`.
    pub field: String,
    /// What is wrong and what would be right.
    pub message: Message,
}

impl Fault {
    /// The fault of a part, with the part's name before its field (none where it is
    /// empty).
    #[must_use]
    pub fn under(self, part: &str) -> Self {
        let field = match (part.is_empty(), self.field.is_empty()) {
            (true, _) => self.field,
            (false, true) => part.to_owned(),
            (false, false) => format!("{part}.{}", self.field),
        };
        Self { field, ..self }
    }
}

/// Why a number outside its bounds is refused.
fn out_of(bounds: Bounds, value: f64) -> Message {
    if value.is_finite() {
        say::out_of_bounds(bounds, (value, bounds))
    } else {
        say::not_a_number(bounds)
    }
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

    /// Notes a fault, unless one was found in the same field before: what is out of
    /// its bounds need not be told that it does not go with another number either.
    pub fn fault(&mut self, field: impl Into<String>, message: Message) {
        self.add(Fault { field: field.into(), message });
    }

    /// Notes a fault that was found elsewhere, as [`Checker::fault`] does.
    pub fn add(&mut self, fault: Fault) {
        if self.faults.iter().all(|found| found.field != fault.field) {
            self.faults.push(fault);
        }
    }

    /// Notes a fault where the number lies outside the bounds, and gives the
    /// number back either way so that reading can go on. The field's name is only put together
    /// where there is a fault: `format_args!("{list}[{i}].name")` costs nothing until then.
    pub fn number(&mut self, field: impl Display, value: f64, bounds: Bounds) -> f64 {
        if !bounds.contain(value) {
            self.fault(field.to_string(), out_of(bounds, value));
        }
        value
    }

    /// [`Checker::number`] for a number that may be left out.
    pub fn optional(
        &mut self,
        field: impl Display,
        value: Option<f64>,
        bounds: Bounds,
    ) -> Option<f64> {
        value.map(|v| self.number(field, v, bounds))
    }

    /// Notes a fault where a text is empty, longer than `longest` characters, or not one
    /// line of plain text.
    pub fn text(&mut self, field: impl Display, value: &str, longest: usize) {
        let length = value.chars().count();
        if value.trim().is_empty() {
            self.fault(field.to_string(), say::empty_text(longest));
        } else if length > longest {
            self.fault(field.to_string(), say::text_too_long(longest, length));
        } else if let Some(wrong) = wrong_in_line(value) {
            self.fault(field.to_string(), wrong);
        }
    }

    /// Notes a fault where a text of several lines is empty, longer than `longest`, or not
    /// plain text.
    pub fn told(&mut self, field: &str, value: &str, longest: usize) {
        if value.trim().is_empty() {
            self.fault(field, say::empty_text(longest));
        } else {
            self.remark(field, value, longest);
        }
    }

    /// Notes a fault where a text that may be empty is longer than `longest`.
    pub fn remark(&mut self, field: &str, value: &str, longest: usize) {
        let length = value.chars().count();
        if length > longest {
            self.fault(field, say::remark_too_long(longest, length));
        } else if let Some(wrong) = wrong_in_note(value) {
            self.fault(field, wrong);
        }
    }

    /// Takes over the faults of a part, with the part's name before each field
    /// (none where it is empty).
    pub fn take_under(&mut self, part: &str, faults: Self) {
        faults.faults.into_iter().for_each(|fault| self.add(fault.under(part)));
    }

    /// How many faults were found.
    #[must_use]
    pub fn faults(&self) -> usize {
        self.faults.len()
    }

    /// Whether a fault was found.
    #[must_use]
    pub fn has_faults(&self) -> bool {
        !self.faults.is_empty()
    }

    /// Every fault found.
    #[must_use]
    pub fn into_faults(self) -> Vec<Fault> {
        self.faults
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
                "room_c must be 5 to 40 °C; it is 90 °C",
                "thickness_mm must be 0.5 to 40 mm; it is not a number",
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
