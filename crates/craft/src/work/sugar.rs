//! A sheet of boiled sugar, clear as ice.
//!
//! Sugar, glucose syrup and water, in parts 3 : 1 : 1 by custom or by a recipe of one's own,
//! boiled to the hard crack, which is reached a degree lower for each 300 m (docs/craft.md,
//! section 6). What is left then is the dry matter / 0.985. It cools like any body in air:
//! T(t) = T_room + (T_0 − T_room)·e^(−t/τ).

use serde::{Deserialize, Serialize};

use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::kinds::{Group, Starting, tray};
use super::mistakes::{SUGAR_GRAINS, SUGAR_STICKY};
use super::parts::{Goods, Pieces, whole};
use super::task::{TaskDraft, Timing};
use super::tray::TrayInputs;
use super::{Wanted, Work};
use crate::catalogue::cautions;
use crate::catalogue::steps::so_much_of;
use crate::catalogue::work::sugar as say;
use crate::check;
use crate::filling::Ingredient;
use crate::keeping::{Lasts, Store};
use crate::message::{Nested, Until, list};
use crate::note::{Note, Working};
use crate::spread::Tray;
use crate::units::{
    Length, Mass, celsius, degrees, grams, grams_per_cubic_centimetre, in_celsius, in_grams,
    in_millimetres, in_square_centimetres, millilitres, millimetres, square_centimetres,
};

/// Boiled to this at the sea, °C.
pub const HARD_CRACK_C: f64 = 151.0;
/// A degree lower for each so many metres.
pub const METRES_PER_DEGREE: f64 = 300.0;
/// What boiled sugar weighs, g/cm³.
const DENSITY: f64 = 1.5;
/// At the hard crack so much of it is dry matter; the rest is water that stays.
const DRY_OF_BOILED: f64 = 0.985;
/// Flavour oil, ml to a hundred grams of what is boiled (*custom*: 1 to 2 ml per 500 g).
const FLAVOUR_ML: f64 = 0.3;
/// A flavour weighs so much, g/ml (*custom*).
const FLAVOUR_G_ML: f64 = 0.92;
/// One pull of the whitened part takes so long, s (*custom*).
const PULL_S: f64 = 4.0;
/// Pulling works only while it is above this, °C, and below this in gloves (*custom*).
const PULLED_C: [f64; 2] = [70.0, 85.0];
/// What sticks to the pan (*custom*).
const STAYS_IN_PAN: f64 = 0.08;
/// It cools by so much, W/(m²·K): air and radiation on one face, the tray on the
/// other (*custom*).
const CARRIED_OFF: f64 = 25.0;
/// It holds so much, J/(g·K) (*custom*).
const HOLDS: f64 = 2.0;
/// A tray's store of heat, J/(m²·K) (docs/craft.md, section 3).
const TRAY_HOLDS: f64 = 2_400.0;
/// Poured some degrees below the boil, °C (*custom*).
const POURED_BELOW: f64 = 6.0;
/// It takes a mark from and until these, and is cold enough to touch, °C (*custom*).
const SCORES_FROM_C: f64 = 100.0;
const SCORES_TO_C: f64 = 80.0;
const COLD_C: f64 = 32.0;
/// A white part draws through it so long after the pour, s (*custom*).
const MARBLES_S: f64 = 90.0;
/// The longest name of a flavour or a colour.
const LONGEST_NAME: usize = 80;

/// What goes into the pan.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SugarRecipe {
    /// In parts; as much is boiled as the sheet takes.
    Parts {
        /// Of sugar.
        sugar: f64,
        /// Of glucose syrup.
        syrup: f64,
        /// Of water.
        water: f64,
    },
    /// In weights, all of which is boiled; how thick the sheet gets follows.
    Weights {
        /// Sugar.
        sugar_g: f64,
        /// Glucose syrup.
        syrup_g: f64,
        /// Water.
        water_g: f64,
    },
}

impl Default for SugarRecipe {
    fn default() -> Self {
        Self::Parts { sugar: 3.0, syrup: 1.0, water: 1.0 }
    }
}

impl SugarRecipe {
    /// Sugar, syrup and water, with faults noted under `recipe`.
    fn check(self, check: &mut check::Checker) -> [f64; 3] {
        let mut part =
            |name: &str, value, bounds| check.number(format_args!("recipe.{name}"), value, bounds);
        match self {
            Self::Parts { sugar, syrup, water } => [
                part("sugar", sugar, check::SUGAR_PARTS),
                part("syrup", syrup, check::SYRUP_PARTS),
                part("water", water, check::WATER_PARTS),
            ],
            Self::Weights { sugar_g, syrup_g, water_g } => [
                part("sugar_g", sugar_g, check::SUGAR_G),
                part("syrup_g", syrup_g, check::SYRUP_G),
                part("water_g", water_g, check::WATER_G),
            ],
        }
    }
}

/// What a sugar sheet is poured on.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SugarLining {
    /// The bare tray, oiled thin.
    #[default]
    Oiled,
    /// A heat-proof silicone mat.
    Mat,
    /// Foil, smoothed and oiled; crumpled it gives its texture.
    Foil,
}

/// A sugar sheet, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SugarInputs {
    /// What it is poured in.
    pub tray: TrayInputs,
    /// How thick; where the recipe is in weights, that follows from them.
    pub thickness_mm: f64,
    /// What goes into the pan.
    #[serde(default)]
    pub recipe: SugarRecipe,
    /// What it is flavoured with.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub flavour: Option<String>,
    /// How the clear part is coloured.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub colour: Option<String>,
    /// What it is poured on.
    #[serde(default)]
    pub lining: SugarLining,
    /// How often the whitened part is pulled, so that it turns to satin.
    #[serde(default)]
    pub pulls: u32,
    /// Whether the whitened part is boiled in a pan of its own.
    #[serde(default)]
    pub second_pan: bool,
    /// How high above the sea the kitchen lies.
    #[serde(default)]
    pub altitude_m: Option<f64>,
    /// How much of it is kept back, whitened, to marble with.
    #[serde(default)]
    pub whitened_pct: Option<f64>,
    /// How large the pieces are to be.
    pub piece_cm2: f64,
}

impl Work for SugarInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Boiled-sugar sheet",
            group: Group::Flat,
            words: "sugar glass, stained glass, boiled sugar, candy, hard sugar, isomalt",
            how: "Clear as ice. The hottest thing in this kitchen.",
            families: &[],
            colours: &[],
            start: Self {
                tray: tray(),
                thickness_mm: 4.0,
                recipe: SugarRecipe::default(),
                flavour: None,
                colour: None,
                lining: SugarLining::Oiled,
                pulls: 0,
                second_pan: false,
                altitude_m: None,
                whitened_pct: None,
                piece_cm2: 20.0,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        Vec::new()
    }

    fn tray_mut(&mut self) -> Option<&mut TrayInputs> {
        Some(&mut self.tray)
    }

    fn make(&mut self, wanted: Wanted) -> bool {
        self.tray = TrayInputs::Area { area_cm2: wanted.area_cm2 };
        true
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let tray = self.tray.check("tray", at.check);
        let stated = millimetres(at.number("thickness_mm", self.thickness_mm, check::SLAB_MM));
        let recipe = self.recipe.check(at.check);
        for (name, text) in [("flavour", &self.flavour), ("colour", &self.colour)] {
            if let Some(text) = text {
                at.check.text(name, text, LONGEST_NAME);
            }
        }
        at.number("pulls", f64::from(self.pulls), check::PULLS);
        let altitude = at.number("altitude_m", self.altitude_m.unwrap_or(0.0), check::ALTITUDE_M);
        let whitened =
            at.number("whitened_pct", self.whitened_pct.unwrap_or(10.0), check::SHARE_PCT) / 100.0;
        let piece = square_centimetres(at.number("piece_cm2", self.piece_cm2, check::PIECE_CM2));
        let panful = self.panful(&tray, stated, recipe, at);
        self.tray.holds(
            "tray",
            panful.follows.unwrap_or("thickness_mm"),
            panful.thickness,
            at.check,
        );
        let boil_c = HARD_CRACK_C - altitude / METRES_PER_DEGREE;
        let cooling = Cooling::of(panful.thickness, boil_c, in_celsius(at.room.temp));
        let sheet = panful.sheet;
        let count = whole((tray.area() / piece).value).max(1.0);
        let kept_back = sheet * whitened;
        let mut draft = Draft {
            goods: self.goods(&panful, at),
            size: Size {
                tray: Some(tray),
                thickness: Some(panful.thickness),
                pieces: Some(Pieces { count, each: sheet / count, area: Some(piece) }),
                ..Size::default()
            },
            sets: Sets { poured: Some(celsius(cooling.poured_c)), ..Sets::default() },
            said: Said {
                working: vec![
                    Working::new("area", in_square_centimetres(tray.area()), "cm²"),
                    Working::new("boiled, it comes to", in_grams(panful.boiled), "g"),
                    Working::new("of it stays in the pan", in_grams(panful.boiled - sheet), "g"),
                    Working::new("the sheet weighs", in_grams(sheet), "g"),
                    Working::new("it is thick", in_millimetres(panful.thickness), "mm"),
                    Working::new("boiled to", boil_c, "°C"),
                    Working::new("kept back, whitened", in_grams(kept_back), "g"),
                    Working::new("a third of its heat is left after", cooling.tau_s, "s"),
                ],
                ..Said::default()
            },
            ..Draft::default()
        };
        draft.said.notes = self.remarks(altitude, boil_c);
        draft.tasks = self.tasks(&draft, [panful.boiled, kept_back], boil_c, &cooling);
        draft.said.checks = vec![say::check_drop(), say::check_grain(), say::check_mark()];
        draft.said.mistakes = vec![SUGAR_GRAINS, SUGAR_STICKY];
        draft.said.keeps = Some(Lasts::as_dated(Store::Dry, say::keeps()));
        Some(draft)
    }
}

/// What is in the pan, and the sheet that comes of it.
struct Panful {
    sugar: Mass,
    syrup: Mass,
    water: Mass,
    /// What is left of it.
    boiled: Mass,
    /// Less what stays in the pan.
    sheet: Mass,
    thickness: Length,
    /// The field from which the thickness follows, where it is not stated.
    follows: Option<&'static str>,
}

/// How a sheet cools.
struct Cooling {
    poured_c: f64,
    room_c: f64,
    tau_s: f64,
}

impl Cooling {
    fn of(thickness: Length, boil_c: f64, room_c: f64) -> Self {
        // g/cm³ times mm is kg/m².
        let tau_s =
            (1_000.0 * DENSITY * in_millimetres(thickness) * HOLDS + TRAY_HOLDS) / CARRIED_OFF;
        Self { poured_c: boil_c - POURED_BELOW, room_c, tau_s }
    }

    /// So long after the pour it has come down to this, s.
    fn after(&self, temp_c: f64) -> f64 {
        let above = (temp_c - self.room_c).max(0.5);
        self.tau_s * ((self.poured_c - self.room_c) / above).ln()
    }
}

impl SugarInputs {
    fn panful(
        &self,
        tray: &Tray,
        stated: Length,
        [sugar, syrup, water]: [f64; 3],
        at: &mut Drafting<'_>,
    ) -> Panful {
        let density = grams_per_cubic_centimetre(DENSITY);
        let dry_of_syrup = 1.0 - Ingredient::GlucoseSyrup.composition().water / 100.0;
        let left = (sugar + syrup * dry_of_syrup) / DRY_OF_BOILED;
        let in_pan = 1.0 + STAYS_IN_PAN;
        let (times, thickness, follows) = match self.recipe {
            SugarRecipe::Parts { .. } => {
                let sheet: Mass = tray.area() * stated * density;
                (in_grams(sheet) * in_pan / left, stated, None)
            }
            SugarRecipe::Weights { .. } => {
                let sheet = grams(left / in_pan);
                let thickness: Length = sheet / density / tray.area();
                let mm = in_millimetres(thickness);
                if !at.check.has_faults() && !check::SLAB_MM.contain(mm) {
                    let message = say::comes_out_at(check::SLAB_MM, thickness);
                    at.check.fault("recipe.sugar_g", message);
                }
                (1.0, thickness, Some("recipe.sugar_g"))
            }
        };
        let boiled = grams(left * times);
        Panful {
            sugar: grams(sugar * times),
            syrup: grams(syrup * times),
            water: grams(water * times),
            boiled,
            sheet: boiled / in_pan,
            thickness,
            follows,
        }
    }

    /// What is bought for it, by where it goes.
    fn goods(&self, panful: &Panful, at: &Drafting<'_>) -> Vec<Goods> {
        let mut goods = vec![
            at.goods("sugar", panful.sugar, "boiled"),
            at.goods("glucose syrup", panful.syrup, "boiled"),
            at.goods("water", panful.water, "boiled away"),
        ];
        goods.retain(|one| one.mass > Mass::default());
        if let Some(flavour) = &self.flavour {
            goods.push(at.goods(flavour, flavour_of(panful.boiled), "off the heat"));
        }
        goods
    }

    fn remarks(&self, altitude: f64, boil_c: f64) -> Vec<Note> {
        let mut notes = vec![Note::stop("sugar-burns", say::sugar_burns(celsius(boil_c)))];
        if altitude.abs() >= METRES_PER_DEGREE / 2.0 {
            notes.push(Note::info(
                "sugar-altitude",
                say::sugar_altitude(altitude, celsius(boil_c), degrees(1.0)),
            ));
        }
        notes.push(Note::info("sugar-flavour", say::sugar_flavour()));
        if self.colour.is_some() {
            notes.push(Note::caution("sugar-colour", cautions::food_colour()));
        }
        notes.push(crate::spread::guard::hard_pieces());
        notes
    }

    fn tasks(
        &self,
        draft: &Draft,
        [boiled, kept_back]: [Mass; 2],
        boil_c: f64,
        cooling: &Cooling,
    ) -> Vec<TaskDraft> {
        let boils_at = celsius(boil_c);
        let in_pan = draft.goods.iter().filter(|goods| goods.goes != "off the heat");
        let parts = in_pan.map(|goods| so_much_of(goods.mass, &goods.name)).map(Nested::from);
        let (line, line_how) = match self.lining {
            SugarLining::Oiled => (say::line(), say::line_how()),
            SugarLining::Mat => (say::line_mat(), say::line_how()),
            SugarLining::Foil => (say::line_foil(), say::line_foil_how()),
        };
        let boil_how = if self.second_pan { say::boil_two_how() } else { say::boil_how() };
        let boil =
            if self.second_pan { say::boil_two(kept_back, boils_at) } else { say::boil(boils_at) };
        let flavour = match &self.flavour {
            Some(flavour) => {
                let ml = in_grams(flavour_of(boiled)) / FLAVOUR_G_ML;
                say::flavour_with(millilitres(ml), flavour)
            }
            None => say::flavour(),
        };
        let mut tasks = vec![
            TaskDraft::new("line", line, line_how, 60.0),
            TaskDraft::new("weigh", say::weigh(list(parts, ", ")), say::weigh_how(), 120.0),
            TaskDraft::new("boil", boil, boil_how, 900.0).minding(say::boil_mind()),
            TaskDraft::new("flavour", flavour, say::flavour_how(), 30.0)
                .minding(say::flavour_mind()),
        ];
        if let Some(colour) = &self.colour {
            tasks.push(
                TaskDraft::new("colour", say::colour(colour), say::colour_how(), 20.0)
                    .minding(cautions::food_colour()),
            );
        }
        let reserve =
            if self.second_pan { say::whiten(kept_back) } else { say::reserve(kept_back) };
        tasks.push(TaskDraft::new("reserve", reserve, say::reserve_how(), 30.0));
        // Before the pour: the white is drawn through it while it still flows.
        if self.pulls > 0 {
            let seconds = PULL_S * f64::from(self.pulls);
            tasks.push(
                TaskDraft::new("pull", say::pull(self.pulls), say::pull_how(PULLED_C), seconds)
                    .minding(say::pull_mind()),
            );
        }
        tasks.push(
            TaskDraft::new("pour", say::pour(), say::pour_how(), 30.0)
                .minding(say::pour_mind(celsius(cooling.poured_c))),
        );
        tasks.push(
            TaskDraft::new("marble", say::marble(), say::marble_how(), 30.0)
                .since("pour", 0)
                .until(Timing::After(MARBLES_S), say::marble_until(Until), say::marble_late()),
        );
        let timed = |temp_c: f64| Timing::After(cooling.after(temp_c));
        tasks.extend([
            TaskDraft::new("score", say::score(), say::score_how(), 90.0)
                .since("pour", 0)
                .from(timed(SCORES_FROM_C), say::score_from())
                .until(timed(SCORES_TO_C), say::score_until(Until), say::score_late()),
            TaskDraft::new("break", say::break_it(), say::break_how(), 120.0)
                .since("pour", 0)
                .from(timed(COLD_C), say::break_from())
                .minding(cautions::sharp()),
            TaskDraft::new("box", say::into_box(), say::box_how(), 60.0),
        ]);
        tasks
    }
}

/// The flavour that so much of it takes.
fn flavour_of(boiled: Mass) -> Mass {
    grams(in_grams(boiled) / 100.0 * FLAVOUR_ML * FLAVOUR_G_ML)
}
