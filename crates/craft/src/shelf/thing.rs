//! What stands on the shelf, as the maker states it.

use chrono::NaiveDate;
use chrono_tz::Tz;
use serde::{Deserialize, Serialize};

use crate::allergens::LabelInputs;
use crate::catalogue::shelf as say;
use crate::check::{self, Checker, Fault};
use crate::chocolate::{Chocolate, Family};
use crate::colour::{PigmentInputs, check_looks};
use crate::drawn::LabelSheet;
use crate::heat::Material;
use crate::method::Kitchen;
use crate::pantry::GoodsInputs;
use crate::plan::{self, BlendPart, MicrowaveInputs, OwnInputs, family_or_blend};
use crate::schedule::{self, Exception, Hours, Weekly};
use crate::shell;
use crate::work;

/// The longest name.
const LONGEST_NAME: usize = 120;
/// The longest lot number.
const LONGEST_LOT: usize = 60;
/// The longest note.
const LONGEST_NOTE: usize = 2_000;
/// A mouth, under the tongue, °C: 36.8 give or take four tenths.
const MOUTH_C: f64 = 36.8;
/// Ice water, stirred, °C.
const ICE_WATER_C: f64 = 0.0;

/// A chocolate.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ChocolateInputs {
    /// What the maker calls it.
    pub name: String,
    /// Its family.
    pub family: Family,
    /// A blend in its place.
    #[serde(default)]
    pub blend: Option<Vec<BlendPart>>,
    /// How it looks, `#rrggbb`: coating and wafers come in any colour; as its family does, if left
    /// out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub looks: Option<String>,
    /// The numbers on its bag.
    #[serde(default)]
    pub own: OwnInputs,
    /// How freely it flows: 1 thick to 5 thin.
    #[serde(default)]
    pub flow_grade: Option<u8>,
    /// The bag's lot number.
    #[serde(default)]
    pub lot: String,
    /// The bag's best-before date.
    #[serde(default)]
    pub best_before: Option<NaiveDate>,
    /// What a kilogram costs, in the maker's own money.
    #[serde(default)]
    pub price_per_kg: Option<f64>,
    /// What a bag of it holds.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub pack_g: Option<f64>,
    /// What else the label says: ingredients.
    #[serde(default)]
    pub label: String,
    /// What it says of allergens, where the maker put that in.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub allergens: Option<LabelInputs>,
}

impl ChocolateInputs {
    /// The chocolate it is, with faults noted under `field`.
    pub fn chocolate(&self, field: &str, check: &mut Checker) -> Chocolate {
        let base = family_or_blend(self.family, self.blend.as_deref(), check);
        let own = if field.is_empty() { "own".to_owned() } else { format!("{field}.own") };
        self.own.check(&own, base, check)
    }

    /// What it would be without the numbers on its bag.
    #[must_use]
    pub fn usual(&self) -> Chocolate {
        family_or_blend(self.family, self.blend.as_deref(), &mut Checker::new())
    }

    fn check(&self, check: &mut Checker) {
        check.text("name", &self.name, LONGEST_NAME);
        check.remark("lot", &self.lot, LONGEST_LOT);
        check.remark("label", &self.label, LONGEST_NOTE);
        check.optional("flow_grade", self.flow_grade.map(f64::from), check::FLOW_GRADE);
        check.optional("price_per_kg", self.price_per_kg, check::PRICE_PER_KG);
        check.optional("pack_g", self.pack_g, check::BAG_G);
        check_looks(self.looks.as_deref(), check);
        self.chocolate("", check);
    }
}

fn check_many(how_many: Option<u32>, check: &mut Checker) {
    check.optional("how_many", how_many.map(f64::from), check::AT_HAND);
}

/// A bowl.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema), schema(as = SavedWareInputs))]
pub struct WareInputs {
    /// What the maker calls it.
    pub name: String,
    /// What it is made of.
    pub material: Material,
    /// Its empty mass.
    pub mass_g: f64,
    /// How many of it there are; as many as are wanted, if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub how_many: Option<u32>,
}

impl WareInputs {
    /// The bowl as a plan states one.
    #[must_use]
    pub fn bowl(&self) -> plan::WareInputs {
        plan::WareInputs { material: self.material, mass_g: self.mass_g }
    }

    fn check(&self, check: &mut Checker) {
        check.text("name", &self.name, LONGEST_NAME);
        check.number("mass_g", self.mass_g, check::BOWL_G);
        check_many(self.how_many, check);
    }
}

/// A microwave, or a water bath.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HeatInputs {
    /// What the maker calls it.
    pub name: String,
    /// The microwave at its usual setting; none for a water bath.
    #[serde(default)]
    pub microwave: Option<MicrowaveInputs>,
    /// How many of it there are; as many as are wanted, if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub how_many: Option<u32>,
}

impl HeatInputs {
    fn check(&self, check: &mut Checker) {
        check.text("name", &self.name, LONGEST_NAME);
        if let Some(microwave) = self.microwave {
            microwave.check("microwave", check);
        }
        check_many(self.how_many, check);
    }
}

/// What a thermometer was checked in.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum OffsetCheck {
    /// Crushed ice with a little water, stirred: 0 °C.
    IceWater,
    /// Under the tongue: 36.8 °C, give or take half a degree.
    Body,
}

impl OffsetCheck {
    /// What a true thermometer shows there, °C.
    #[must_use]
    pub fn true_c(self) -> f64 {
        match self {
            Self::IceWater => ICE_WATER_C,
            Self::Body => MOUTH_C,
        }
    }
}

/// A thermometer.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ThermometerInputs {
    /// What the maker calls it.
    pub name: String,
    /// What it was checked in.
    #[serde(default)]
    pub checked_in: Option<OffsetCheck>,
    /// What it showed there.
    #[serde(default)]
    pub showed_c: Option<f64>,
}

impl ThermometerInputs {
    /// How far it reads low (below zero: high); `None` where it was
    /// not checked.
    #[must_use]
    pub fn offset_c(&self) -> Option<f64> {
        // Thermometers show tenths; so much of a sum's dust is cut off.
        let off = self.checked_in?.true_c() - self.showed_c?;
        Some((off * 100.0).round() / 100.0)
    }

    fn check(&self, check: &mut Checker) {
        check.text("name", &self.name, LONGEST_NAME);
        match (self.checked_in, self.showed_c) {
            (Some(checked_in), Some(showed)) => {
                let bounds = check::Bounds {
                    min: checked_in.true_c() + check::OFFSET_C.min,
                    max: checked_in.true_c() + check::OFFSET_C.max,
                    unit: "°C",
                };
                if !bounds.contain(showed) {
                    check.fault("showed_c", say::shows_too_far_off(bounds, (showed, bounds)));
                }
            }
            (Some(_), None) => check.fault("showed_c", say::showed_needed()),
            (None, Some(_)) => check.fault("checked_in", say::checked_in_needed()),
            (None, None) => {}
        }
    }
}

/// A tray or a tin.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema), schema(as = SavedTrayInputs))]
pub struct TrayInputs {
    /// What the maker calls it.
    pub name: String,
    /// Its shape.
    pub shape: work::TrayInputs,
    /// How many of it there are; one, if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub how_many: Option<u32>,
}

impl TrayInputs {
    fn check(&self, check: &mut Checker) {
        check.text("name", &self.name, LONGEST_NAME);
        self.shape.check("shape", check);
        self.shape.holds("shape", "shape", crate::units::Length::default(), check);
        check_many(self.how_many, check);
    }
}

/// A mould.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema), schema(as = SavedMouldInputs))]
pub struct MouldInputs {
    /// What the maker calls it.
    pub name: String,
    /// Its cavities, and how it came out when it was weighed.
    pub mould: shell::MouldInputs,
    /// How many of it there are; one, if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub how_many: Option<u32>,
}

impl MouldInputs {
    fn check(&self, check: &mut Checker) {
        check.text("name", &self.name, LONGEST_NAME);
        self.mould.check("mould", check);
        check_many(self.how_many, check);
    }
}

/// The kitchen.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct KitchenInputs {
    /// What the room usually has.
    pub room_c: Option<f64>,
    /// Its usual relative humidity.
    pub rh_pct: Option<f64>,
    /// What the stone usually has.
    pub stone_c: Option<f64>,
    /// What the fridge has.
    pub fridge_c: Option<f64>,
    /// How many trays or moulds stand in it at once; as many as are wanted, if left out.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub fridge_holds: Option<u32>,
    /// What is at hand.
    pub at_hand: Kitchen,
    /// The time zone it is in, by its IANA name; schedules and calendars go by it.
    pub zone: Option<String>,
    /// When the maker is free, each week; from eight to ten in the evening, each day, where nothing
    /// is stated.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub hours: Vec<Weekly>,
    /// Days that are not as their weekday is.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    pub except: Vec<Exception>,
    /// What prices are in, as it is written before them: a sign or some letters.
    #[serde(skip_serializing_if = "String::is_empty")]
    pub currency: String,
    /// What an hour of the maker's hands costs; not counted, if left out.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub hour_price: Option<f64>,
    /// What a kilowatt-hour costs; not counted, if left out.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub kwh_price: Option<f64>,
    /// What is to be earned, of the price; none is worked out, if left out.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub margin_pct: Option<f64>,
    /// Who makes it, as labels say it.
    #[serde(skip_serializing_if = "String::is_empty")]
    pub maker: String,
    /// Where, as labels say it.
    #[serde(skip_serializing_if = "String::is_empty")]
    pub address: String,
    /// The sheets that labels are printed on.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub label_sheet: Option<LabelSheet>,
}

/// The longest sign of a currency.
const LONGEST_CURRENCY: usize = 8;
/// The longest name and address of a maker.
const LONGEST_ADDRESS: usize = 200;

/// The hours in which most are up.
const UP: [&str; 2] = ["08:00", "22:00"];

impl KitchenInputs {
    fn check(&self, check: &mut Checker) {
        check.optional("room_c", self.room_c, check::ROOM_C);
        check.optional("rh_pct", self.rh_pct, check::RH_PCT);
        check.optional("stone_c", self.stone_c, check::STONE_C);
        check.optional("fridge_c", self.fridge_c, check::FRIDGE_C);
        check.optional("fridge_holds", self.fridge_holds.map(f64::from), check::AT_HAND);
        let zone = self.zone.as_deref().map(|zone| schedule::zone("zone", zone, check));
        self.free_hours(zone.unwrap_or_default(), check);
        check.remark("currency", &self.currency, LONGEST_CURRENCY);
        check.optional("hour_price", self.hour_price, check::HOUR_PRICE);
        check.optional("kwh_price", self.kwh_price, check::KWH_PRICE);
        check.optional("margin_pct", self.margin_pct, check::MARGIN_PCT);
        check.remark("maker", &self.maker, LONGEST_NAME);
        check.remark("address", &self.address, LONGEST_ADDRESS);
        if let Some(sheet) = &self.label_sheet {
            sheet.check("label_sheet", check);
        }
    }

    /// When the maker is free, by a clock of that zone; faults are noted under `hours`.
    pub fn free_hours(&self, zone: Tz, check: &mut Checker) -> Hours {
        let [from, to] = UP.map(ToOwned::to_owned);
        let usual = [Weekly { weekdays: (1..=7).collect(), from, to }];
        let hours = if self.hours.is_empty() { usual.as_slice() } else { &self.hours };
        Hours::of("hours", hours, &self.except, zone, check)
    }
}

/// One thing on the shelf.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Thing {
    /// A chocolate.
    Chocolate(ChocolateInputs),
    /// A bowl.
    Ware(WareInputs),
    /// A microwave or a water bath.
    Heat(HeatInputs),
    /// A thermometer.
    Thermometer(ThermometerInputs),
    /// A tray or a tin.
    Tray(TrayInputs),
    /// A mould.
    Mould(MouldInputs),
    /// A pigment.
    Pigment(PigmentInputs),
    /// Goods in the pantry.
    Goods(GoodsInputs),
    /// The kitchen.
    Kitchen(KitchenInputs),
}

/// What kind of thing it is.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Kind {
    /// A chocolate.
    Chocolate,
    /// A bowl.
    Ware,
    /// A microwave or a water bath.
    Heat,
    /// A thermometer.
    Thermometer,
    /// A tray or a tin.
    Tray,
    /// A mould.
    Mould,
    /// A pigment.
    Pigment,
    /// Goods in the pantry.
    Goods,
    /// The kitchen.
    Kitchen,
}

impl Thing {
    /// What kind of thing it is.
    #[must_use]
    pub fn kind(&self) -> Kind {
        match self {
            Self::Chocolate(_) => Kind::Chocolate,
            Self::Ware(_) => Kind::Ware,
            Self::Heat(_) => Kind::Heat,
            Self::Thermometer(_) => Kind::Thermometer,
            Self::Tray(_) => Kind::Tray,
            Self::Mould(_) => Kind::Mould,
            Self::Pigment(_) => Kind::Pigment,
            Self::Goods(_) => Kind::Goods,
            Self::Kitchen(_) => Kind::Kitchen,
        }
    }

    /// Whether it can stand on the shelf.
    ///
    /// # Errors
    /// Every fault, each with its field.
    pub fn check(&self) -> Result<(), Vec<Fault>> {
        let mut check = Checker::new();
        match self {
            Self::Chocolate(chocolate) => chocolate.check(&mut check),
            Self::Ware(ware) => ware.check(&mut check),
            Self::Heat(heat) => heat.check(&mut check),
            Self::Thermometer(thermometer) => thermometer.check(&mut check),
            Self::Tray(tray) => tray.check(&mut check),
            Self::Mould(mould) => mould.check(&mut check),
            Self::Pigment(pigment) => pigment.check("", &mut check),
            Self::Goods(goods) => goods.check(&mut check),
            Self::Kitchen(kitchen) => kitchen.check(&mut check),
        }
        check.finish()
    }
}
