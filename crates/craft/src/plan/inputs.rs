//! What the maker states, as it is sent and kept: numbers with their unit in
//! the name. [`BarkInputs::check`] turns it into typed quantities or tells
//! every fault.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::check::{self, Checker, Fault};
use crate::chocolate::{Band, Chocolate, Family, OwnNumbers};
use crate::heat::microwave::Microwave;
use crate::heat::{Material, Ware};
use crate::learn::GearNumbers;
use crate::method::{Kitchen, Method, READY_SHARE_PCT};
use crate::room::Room;
use crate::spread::Tray;
use crate::spread::mixed::MixedIn;
use crate::spread::topping::{Topping, Wish};
use crate::units::{
    Length, Ratio, Temperature, TemperatureDifference, Time, celsius, degrees, grams,
    grams_per_cubic_centimetre, in_celsius, millimetres, minutes, percent_of, square_centimetres,
    watts,
};

/// The longest name of what goes in or on top.
const LONGEST_TOPPING: usize = 80;

/// A tray, or any area to cover.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "shape", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum TrayInputs {
    /// Straight sides.
    Rectangle {
        /// The longer side.
        length_mm: f64,
        /// The shorter side.
        width_mm: f64,
    },
    /// A round tin.
    Round {
        /// Its inner diameter.
        diameter_mm: f64,
    },
    /// A puddle or an odd shape.
    Area {
        /// Its area.
        area_cm2: f64,
    },
}

impl TrayInputs {
    /// The tray, with faults noted under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) -> Tray {
        match *self {
            Self::Rectangle { length_mm, width_mm } => Tray::Rectangle {
                length: millimetres(check.number(
                    &format!("{field}.length_mm"),
                    length_mm,
                    check::TRAY_MM,
                )),
                width: millimetres(check.number(
                    &format!("{field}.width_mm"),
                    width_mm,
                    check::TRAY_MM,
                )),
            },
            Self::Round { diameter_mm } => Tray::Round {
                diameter: millimetres(check.number(
                    &format!("{field}.diameter_mm"),
                    diameter_mm,
                    check::TRAY_MM,
                )),
            },
            Self::Area { area_cm2 } => Tray::Area(square_centimetres(check.number(
                &format!("{field}.area_cm2"),
                area_cm2,
                check::TRAY_CM2,
            ))),
        }
    }
}

/// A bowl.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WareInputs {
    /// What it is made of.
    pub material: Material,
    /// Its empty mass.
    pub mass_g: f64,
}

impl WareInputs {
    /// The bowl, with faults noted under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) -> Ware {
        let mass_g = check.number(&format!("{field}.mass_g"), self.mass_g, check::BOWL_G);
        Ware::usual(self.material, grams(mass_g))
    }
}

/// A microwave.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MicrowaveInputs {
    /// Rated output.
    pub watts: f64,
    /// Power setting, as a share of the output.
    pub power: f64,
}

impl MicrowaveInputs {
    /// The microwave, with faults noted under `field` (empty for none).
    pub fn check(&self, field: &str, check: &mut Checker) -> Microwave {
        let name = |leaf: &str| {
            if field.is_empty() { leaf.to_owned() } else { format!("{field}.{leaf}") }
        };
        let output = watts(check.number(&name("watts"), self.watts, check::MICROWAVE_W));
        let power = check.number(&name("power"), self.power, check::MICROWAVE_POWER);
        Microwave::usual(output, percent_of(power * 100.0))
    }
}

/// The maker's own numbers over a family's defaults.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnInputs {
    /// Own melting band, lower and upper end.
    #[cfg_attr(feature = "schema", schema(min_items = 2, max_items = 2))]
    pub melt_c: Option<[f64; 2]>,
    /// Own limit.
    pub limit_c: Option<f64>,
    /// Own cool point.
    #[cfg_attr(feature = "schema", schema(min_items = 2, max_items = 2))]
    pub cool_c: Option<[f64; 2]>,
    /// Own working band.
    #[cfg_attr(feature = "schema", schema(min_items = 2, max_items = 2))]
    pub work_c: Option<[f64; 2]>,
    /// Own temperature at which temper is lost.
    pub lost_c: Option<f64>,
    /// Own temperature at which the bowl thickens.
    pub thick_c: Option<f64>,
    /// Own share of fat.
    pub fat_pct: Option<f64>,
}

impl OwnInputs {
    /// These numbers, and those of others where these leave one out.
    #[must_use]
    pub fn or(self, others: Self) -> Self {
        Self {
            melt_c: self.melt_c.or(others.melt_c),
            limit_c: self.limit_c.or(others.limit_c),
            cool_c: self.cool_c.or(others.cool_c),
            work_c: self.work_c.or(others.work_c),
            lost_c: self.lost_c.or(others.lost_c),
            thick_c: self.thick_c.or(others.thick_c),
            fat_pct: self.fat_pct.or(others.fat_pct),
        }
    }

    /// A chocolate with these numbers over it, with faults noted under `field`;
    /// the chocolate as it was where they cannot be used.
    pub fn check(&self, field: &str, base: impl Into<Chocolate>, check: &mut Checker) -> Chocolate {
        let base = base.into();
        let mut temp = |name: &str, value: Option<f64>| {
            check.optional(&format!("{field}.{name}"), value, check::MELTED_C).map(celsius)
        };
        let (limit, lost, thick) = (
            temp("limit_c", self.limit_c),
            temp("lost_c", self.lost_c),
            temp("thick_c", self.thick_c),
        );
        let mut band = |name: &str, value: Option<[f64; 2]>| {
            value.map(|[lo, hi]| Band {
                lo: temp(name, Some(lo)).unwrap_or_default(),
                hi: temp(name, Some(hi)).unwrap_or_default(),
            })
        };
        let (melt, cool, work) =
            (band("melt_c", self.melt_c), band("cool_c", self.cool_c), band("work_c", self.work_c));
        let fat = check
            .optional(&format!("{field}.fat_pct"), self.fat_pct, check::FAT_PCT)
            .map(percent_of);
        let own = OwnNumbers { melt, limit, cool, work, lost, thick, fat };
        own.over(base.clone()).unwrap_or_else(|error| {
            check.fault(format!("{field}.{}_c", error.window()), error.to_string());
            base
        })
    }
}

/// One part of a blend.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BlendPart {
    /// Its family.
    pub family: Family,
    /// Its share by mass.
    pub share_pct: f64,
}

/// The chocolate of a blend's parts, with faults noted under `field`; `None`
/// where they cannot be blended.
pub fn blended(parts: &[BlendPart], field: &str, check: &mut Checker) -> Option<Chocolate> {
    for (i, part) in parts.iter().enumerate() {
        check.number(&format!("{field}[{i}].share_pct"), part.share_pct, check::SHARE_PCT);
    }
    let parts: Vec<_> =
        parts.iter().map(|part| (Chocolate::of(part.family), part.share_pct)).collect();
    Chocolate::blend(&parts).map_err(|error| check.fault(field, error.to_string())).ok()
}

/// How much of a topping is wanted.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ToppingWish {
    /// So much of the slab is covered.
    Coverage {
        /// How much.
        coverage_pct: f64,
    },
    /// Every piece gets some.
    Pieces {
        /// How large the pieces are.
        piece_cm2: f64,
    },
}

/// What goes on top.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToppingInputs {
    /// What it is.
    pub name: String,
    /// How wide one of it is.
    pub across_mm: f64,
    /// What one of it weighs.
    pub each_g: f64,
    /// How much of it.
    pub wish: ToppingWish,
}

impl ToppingInputs {
    /// The topping and how much of it, with faults noted under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) -> (Topping, Wish) {
        check.text(&format!("{field}.name"), &self.name, LONGEST_TOPPING);
        let across = check.number(&format!("{field}.across_mm"), self.across_mm, check::TOPPING_MM);
        let each = check.number(&format!("{field}.each_g"), self.each_g, check::TOPPING_G);
        let wish = match self.wish {
            ToppingWish::Coverage { coverage_pct } => {
                let field = format!("{field}.wish.coverage_pct");
                Wish::Covering(check.number(&field, coverage_pct, check::COVERAGE_PCT) / 100.0)
            }
            ToppingWish::Pieces { piece_cm2 } => {
                let field = format!("{field}.wish.piece_cm2");
                let piece = check.number(&field, piece_cm2, check::PIECE_CM2);
                Wish::OnEveryPiece(square_centimetres(piece))
            }
        };
        (Topping { across: millimetres(across), each: grams(each) }, wish)
    }
}

/// Dry goods folded into the chocolate.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MixedInInputs {
    /// What they are.
    pub name: String,
    /// Parts of them to one of chocolate, by mass.
    pub parts: f64,
    /// Their own density, without the air between them.
    pub density_g_cm3: f64,
}

impl MixedInInputs {
    /// The dry goods, with faults noted under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) -> MixedIn {
        check.text(&format!("{field}.name"), &self.name, LONGEST_TOPPING);
        let parts = check.number(&format!("{field}.parts"), self.parts, check::PARTS);
        let density = check.number(
            &format!("{field}.density_g_cm3"),
            self.density_g_cm3,
            check::DENSITY_G_CM3,
        );
        MixedIn { parts, density: grams_per_cubic_centimetre(density) }
    }
}

/// A family's chocolate, or that of a blend in its place, with faults noted under
/// `blend`.
pub(crate) fn family_or_blend(
    family: Family,
    blend: Option<&[BlendPart]>,
    check: &mut Checker,
) -> Chocolate {
    blend.and_then(|parts| blended(parts, "blend", check)).unwrap_or_else(|| Chocolate::of(family))
}

/// A slab of bark as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BarkInputs {
    /// The chocolate.
    pub family: Family,
    /// A blend in its place.
    #[serde(default)]
    pub blend: Option<Vec<BlendPart>>,
    /// The maker's own numbers for it.
    #[serde(default)]
    pub own: OwnInputs,
    /// A chocolate from the shelf in place of family and blend, its own numbers
    /// under those given here.
    #[serde(default)]
    pub chocolate_id: Option<Uuid>,
    /// A bowl from the shelf, in place of `bowl`.
    #[serde(default)]
    pub ware_id: Option<Uuid>,
    /// A microwave or water bath from the shelf, in place of `microwave`.
    #[serde(default)]
    pub heat_id: Option<Uuid>,
    /// A thermometer from the shelf, in place of `offset_c`.
    #[serde(default)]
    pub thermometer_id: Option<Uuid>,
    /// What was learned of the gear; filled in from the shelf.
    #[serde(default)]
    pub learned: GearNumbers,
    /// What the thermometer reads too little.
    #[serde(default)]
    pub offset_c: Option<f64>,
    /// How it is tempered; the one to recommend, if left out.
    #[serde(default)]
    pub method: Option<Method>,
    /// What is at hand.
    #[serde(default)]
    pub kitchen: Kitchen,
    /// The stone's temperature; the room's if left out.
    #[serde(default)]
    pub stone_c: Option<f64>,
    /// Ready crystals as a share of the mass; one per cent if left out.
    #[serde(default)]
    pub crystals_pct: Option<f64>,
    /// What it is spread in.
    pub tray: TrayInputs,
    /// How thick, once set.
    pub thickness_mm: f64,
    /// What is folded in.
    #[serde(default)]
    pub mixed_in: Option<MixedInInputs>,
    /// What goes on top.
    #[serde(default)]
    pub topping: Option<ToppingInputs>,
    /// The room's temperature.
    pub room_c: f64,
    /// The room's relative humidity.
    pub rh_pct: f64,
    /// The fridge's temperature, where it is to set there once it is touch dry.
    #[serde(default)]
    pub fridge_c: Option<f64>,
    /// Where the melt stops; the method's own if left out.
    #[serde(default)]
    pub melt_to_c: Option<f64>,
    /// Where the cooling aims; the method's own if left out.
    #[serde(default)]
    pub target_c: Option<f64>,
    /// The seed's temperature; the room's if left out.
    #[serde(default)]
    pub seed_c: Option<f64>,
    /// The bowl, where its heat is to be counted.
    #[serde(default)]
    pub bowl: Option<WareInputs>,
    /// The microwave, where one is used.
    #[serde(default)]
    pub microwave: Option<MicrowaveInputs>,
    /// How long the cooling usually takes, where the loss to the room is to be
    /// counted.
    #[serde(default)]
    pub cooling_min: Option<f64>,
}

/// Checked inputs, typed.
#[derive(Clone, Debug, PartialEq)]
pub(super) struct Bark {
    pub chocolate: Chocolate,
    /// The maker's choice, if there was one.
    pub method: Option<Method>,
    pub stone: Temperature,
    pub crystals_pct: f64,
    pub tray: Tray,
    pub thickness: Length,
    pub mixed_in: Option<MixedIn>,
    pub topping: Option<(Topping, Wish)>,
    pub room: Room,
    pub fridge: Option<Temperature>,
    pub melt_to: Option<Temperature>,
    pub target: Option<Temperature>,
    pub seed_temp: Temperature,
    /// The field to mend where the seed is too warm.
    pub seed_field: &'static str,
    pub ware: Option<Ware>,
    pub microwave: Option<Microwave>,
    pub learned: GearNumbers,
    pub offset: TemperatureDifference,
    pub cooling: Option<Time>,
}

impl BarkInputs {
    /// Where a plan starts before the maker says anything: a 30 × 20 cm tray,
    /// 4 mm thick, in a good room, melted in an 800 W microwave at half power.
    #[must_use]
    pub fn usual(family: Family) -> Self {
        Self {
            family,
            blend: None,
            own: OwnInputs::default(),
            chocolate_id: None,
            ware_id: None,
            heat_id: None,
            thermometer_id: None,
            learned: GearNumbers::default(),
            offset_c: None,
            method: None,
            kitchen: Kitchen::default(),
            stone_c: None,
            crystals_pct: None,
            tray: TrayInputs::Rectangle { length_mm: 300.0, width_mm: 200.0 },
            thickness_mm: 4.0,
            mixed_in: None,
            topping: None,
            room_c: 20.0,
            rh_pct: 45.0,
            fridge_c: None,
            melt_to_c: None,
            target_c: None,
            seed_c: None,
            bowl: None,
            microwave: Some(MicrowaveInputs { watts: 800.0, power: 0.5 }),
            cooling_min: None,
        }
    }

    /// The same by its numbers alone, without the names of what stands on a shelf.
    #[must_use]
    pub fn off_the_shelf(&self) -> Self {
        Self {
            chocolate_id: None,
            ware_id: None,
            heat_id: None,
            thermometer_id: None,
            ..self.clone()
        }
    }

    pub(super) fn check(&self) -> Result<Bark, Vec<Fault>> {
        let mut check = Checker::new();
        let base = family_or_blend(self.family, self.blend.as_deref(), &mut check);
        let chocolate = self.own.check("own", base, &mut check);
        let learned = self.learned.check("learned", &mut check);
        let offset_c = check.optional("offset_c", self.offset_c, check::OFFSET_C);
        if let Some(method) = self.method
            && !method.suits(chocolate.family)
        {
            let suiting = Method::suiting(chocolate.family).map(|m| m.about().key);
            check.fault(
                "method",
                format!(
                    "does not suit {}; one that does: {}",
                    chocolate.family,
                    suiting.collect::<Vec<_>>().join(", ")
                ),
            );
        }
        let stone_c = check.optional("stone_c", self.stone_c, check::STONE_C);
        let crystals_pct = check.optional("crystals_pct", self.crystals_pct, check::CRYSTALS_PCT);
        let tray = self.tray.check("tray", &mut check);
        let thickness_mm = check.number("thickness_mm", self.thickness_mm, check::SLAB_MM);
        let mixed_in = self.mixed_in.as_ref().map(|mixed| mixed.check("mixed_in", &mut check));
        let topping = self.topping.as_ref().map(|topping| topping.check("topping", &mut check));
        let room_c = check.number("room_c", self.room_c, check::ROOM_C);
        let humidity: Ratio = percent_of(check.number("rh_pct", self.rh_pct, check::RH_PCT));
        let fridge_c = check.optional("fridge_c", self.fridge_c, check::FRIDGE_C);
        let melt_to_c = check.optional("melt_to_c", self.melt_to_c, check::MELTED_C);
        let target_c = check.optional("target_c", self.target_c, check::MELTED_C);
        let seed_c = check.optional("seed_c", self.seed_c, check::SOLID_C);
        let ware = self.bowl.map(|bowl| {
            let ware = bowl.check("bowl", &mut check);
            Ware { cooling_ratio: learned.cooling_ratio.unwrap_or(ware.cooling_ratio), ..ware }
        });
        let microwave = self.microwave.map(|m| {
            let usual = m.check("microwave", &mut check);
            Microwave { efficiency: learned.efficiency.unwrap_or(usual.efficiency), ..usual }
        });
        let cooling_min = check.optional("cooling_min", self.cooling_min, check::COOLING_MIN);

        let limit = chocolate.windows.limit;
        let melt_to = melt_to_c.map(celsius);
        if melt_to.is_some_and(|melt_to| melt_to >= limit) {
            check.fault(
                "melt_to_c",
                format!("must be below the limit of {:.1} °C", in_celsius(limit)),
            );
        }
        check.finish()?;
        Ok(Bark {
            tray,
            thickness: millimetres(thickness_mm),
            mixed_in,
            topping,
            room: Room { temp: celsius(room_c), humidity },
            fridge: fridge_c.map(celsius),
            method: self.method,
            stone: celsius(stone_c.unwrap_or(room_c)),
            crystals_pct: crystals_pct.unwrap_or(READY_SHARE_PCT),
            melt_to,
            target: target_c.map(celsius),
            seed_temp: celsius(seed_c.unwrap_or(room_c)),
            seed_field: if seed_c.is_some() { "seed_c" } else { "room_c" },
            ware,
            microwave,
            learned,
            offset: degrees(offset_c.unwrap_or_default()),
            cooling: cooling_min.map(minutes),
            chocolate,
        })
    }
}
