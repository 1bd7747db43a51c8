//! A sheet of boiled sugar, clear as ice.
//!
//! Sugar, glucose syrup and water in parts 3 : 1 : 1 (*custom*), boiled to the hard
//! crack, which is reached a degree lower for each 300 m (docs/craft.md, section 6). It
//! cools like any body in air: T(t) = T_room + (T_0 − T_room)·e^(−t/τ).

use serde::{Deserialize, Serialize};

use super::Work;
use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::kinds::{Group, Starting, tray};
use super::mistakes::{SUGAR_GRAINS, SUGAR_STICKY};
use super::parts::{Pieces, whole};
use super::task::{TaskDraft, Timing};
use super::tray::TrayInputs;
use crate::catalogue::cautions;
use crate::catalogue::work::sugar as say;
use crate::check;
use crate::message::Until;
use crate::note::{Note, Working};
use crate::units::{
    Mass, celsius, degrees, grams_per_cubic_centimetre, in_celsius, in_grams, in_millimetres,
    in_square_centimetres, millimetres, square_centimetres,
};

/// Boiled to this at the sea, °C.
pub const HARD_CRACK_C: f64 = 151.0;
/// A degree lower for each so many metres.
pub const METRES_PER_DEGREE: f64 = 300.0;
/// What boiled sugar weighs, g/cm³.
const DENSITY: f64 = 1.5;
/// Of what goes into the pan besides water, so much is left in the sheet: glucose
/// syrup is a fifth water, and a little of it stays (*custom*).
const LEFT_OF_GLUCOSE: f64 = 0.82;
/// Parts of sugar and of glucose syrup and water to one of each (*custom*).
const SUGAR_PARTS: f64 = 3.0;
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

/// A sugar sheet, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SugarInputs {
    /// What it is poured in.
    pub tray: TrayInputs,
    /// How thick.
    pub thickness_mm: f64,
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

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let tray = self.tray.check("tray", at.check);
        let thickness = millimetres(at.number("thickness_mm", self.thickness_mm, check::SLAB_MM));
        self.tray.holds("tray", "thickness_mm", thickness, at.check);
        let altitude = at.number("altitude_m", self.altitude_m.unwrap_or(0.0), check::ALTITUDE_M);
        let whitened =
            at.number("whitened_pct", self.whitened_pct.unwrap_or(10.0), check::SHARE_PCT) / 100.0;
        let piece = square_centimetres(at.number("piece_cm2", self.piece_cm2, check::PIECE_CM2));
        let sheet: Mass = tray.area() * thickness * grams_per_cubic_centimetre(DENSITY);
        let boiled = sheet * (1.0 + STAYS_IN_PAN);
        let part = boiled / (SUGAR_PARTS + LEFT_OF_GLUCOSE);
        let boil_c = HARD_CRACK_C - altitude / METRES_PER_DEGREE;
        let room_c = in_celsius(at.room.temp);
        // g/cm³ times mm is kg/m².
        let tau_s =
            (1_000.0 * DENSITY * in_millimetres(thickness) * HOLDS + TRAY_HOLDS) / CARRIED_OFF;
        let poured_c = boil_c - POURED_BELOW;
        let after = |temp_c: f64| tau_s * ((poured_c - room_c) / (temp_c - room_c).max(0.5)).ln();
        let count = whole((tray.area() / piece).value).max(1.0);
        let mut draft = Draft {
            goods: vec![
                at.goods("sugar", part * SUGAR_PARTS, "boiled"),
                at.goods("glucose syrup", part, "boiled"),
                at.goods("water", part, "boiled away"),
            ],
            size: Size {
                tray: Some(tray),
                thickness: Some(thickness),
                pieces: Some(Pieces { count, each: sheet / count, area: Some(piece) }),
                ..Size::default()
            },
            sets: Sets { poured: Some(celsius(poured_c)), ..Sets::default() },
            said: Said {
                working: vec![
                    Working::new("area", in_square_centimetres(tray.area()), "cm²"),
                    Working::new("the sheet weighs", in_grams(sheet), "g"),
                    Working::new("with what stays in the pan", in_grams(boiled), "g"),
                    Working::new("boiled to", boil_c, "°C"),
                    Working::new("kept back, whitened", in_grams(sheet) * whitened, "g"),
                    Working::new("a third of its heat is left after", tau_s, "s"),
                ],
                ..Said::default()
            },
            ..Draft::default()
        };
        draft.said.notes.push(Note::stop("sugar-burns", say::sugar_burns(celsius(boil_c))));
        if altitude.abs() >= METRES_PER_DEGREE / 2.0 {
            draft.said.notes.push(Note::info(
                "sugar-altitude",
                say::sugar_altitude(altitude, celsius(boil_c), degrees(1.0)),
            ));
        }
        draft.said.notes.push(Note::info("sugar-flavour", say::sugar_flavour()));
        draft.said.notes.push(crate::spread::guard::hard_pieces());
        let (from, to, cold) = (after(SCORES_FROM_C), after(SCORES_TO_C), after(COLD_C));
        draft.tasks = vec![
            TaskDraft::new("line", say::line(), say::line_how(), 60.0),
            TaskDraft::new("boil", say::boil(celsius(boil_c)), say::boil_how(), 900.0)
                .minding(say::boil_mind()),
            TaskDraft::new("flavour", say::flavour(), say::flavour_how(), 30.0)
                .minding(say::flavour_mind()),
            TaskDraft::new("reserve", say::reserve(sheet * whitened), say::reserve_how(), 30.0),
            TaskDraft::new("pour", say::pour(), say::pour_how(), 30.0)
                .minding(say::pour_mind(celsius(poured_c))),
            TaskDraft::new("marble", say::marble(), say::marble_how(), 30.0)
                .since("pour", 0)
                .until(Timing::After(90.0), say::marble_until(Until), say::marble_late()),
            TaskDraft::new("score", say::score(), say::score_how(), 90.0)
                .since("pour", 0)
                .from(Timing::After(from), say::score_from())
                .until(Timing::After(to), say::score_until(Until), say::score_late()),
            TaskDraft::new("break", say::break_it(), say::break_how(), 120.0)
                .since("pour", 0)
                .from(Timing::After(cold), say::break_from())
                .minding(cautions::sharp()),
            TaskDraft::new("box", say::into_box(), say::box_how(), 60.0),
        ];
        draft.said.checks = vec![say::check_drop(), say::check_grain(), say::check_mark()];
        draft.said.mistakes = vec![SUGAR_GRAINS, SUGAR_STICKY];
        Some(draft)
    }
}
