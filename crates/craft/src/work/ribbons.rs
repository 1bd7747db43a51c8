//! Ribbons from a frozen stone: spread, trimmed and lifted within seconds.
//!
//! Each pull gives the stone the heat of the melt and of the crystals that form. It is
//! warm when it no longer sets a strip quickly: the number of pulls is what its store
//! of cold holds between the two (*custom*, from the heat sum).

use serde::{Deserialize, Serialize};

use super::Work;
use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::kinds::{DARK, Group, Starting, dark};
use super::mistakes::RIBBON_SNAPS;
use super::parts::{Layer, Pieces, Portion};
use super::task::TaskDraft;
use crate::catalogue::work::ribbons as say;
use crate::check;
use crate::chocolate::{Chocolate, Family};
use crate::note::{Note, Working};
use crate::setting::LIFTED_BENDS_S;
use crate::units::{
    Mass, celsius, in_celsius, in_grams, in_joules_per_gram, in_joules_per_gram_degree, in_percent,
    millimetres, seconds,
};

/// Above this the stone no longer sets a strip at once, °C (*custom*).
const STONE_TOO_WARM_C: f64 = -4.0;
/// Heat that a stone holds, J/(g·K): granite and marble alike.
const STONE_HOLDS: f64 = 0.85;
/// The share of its fat that sets on the stone before it is lifted (*custom*).
const SETS_ON_STONE: f64 = 0.3;
/// One is spread, trimmed, lifted and folded in so long, s (*custom*).
const EACH_S: f64 = 25.0;
/// What is trimmed off and melted again (*custom*).
const TRIMMED: f64 = 0.15;

/// Ribbons, as the maker states them.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RibbonsInputs {
    /// Their chocolate, by key.
    pub chocolate: String,
    /// How long a strip is.
    pub length_mm: f64,
    /// How wide.
    pub width_mm: f64,
    /// How thick.
    pub thickness_mm: f64,
    /// How many.
    pub count: u32,
    /// What the stone weighs.
    pub stone_kg: f64,
    /// How cold it comes from the freezer.
    pub stone_c: f64,
}

impl RibbonsInputs {
    /// Pulls from one freezing: the cold in the stone over the heat of one strip.
    fn pulls(&self, chocolate: &Chocolate, strip: Mass) -> f64 {
        let cold = self.stone_kg * 1_000.0 * STONE_HOLDS * (STONE_TOO_WARM_C - self.stone_c);
        let melt_c = in_celsius(chocolate.windows.melt.lo);
        let falls = melt_c - STONE_TOO_WARM_C;
        let each = in_grams(strip)
            * (in_joules_per_gram_degree(chocolate.family.heat_when_melted()) * falls
                + SETS_ON_STONE
                    * in_joules_per_gram(Family::heat_of_melting_fat())
                    * in_percent(chocolate.fat)
                    / 100.0);
        (cold / each).floor().max(0.0)
    }
}

impl Work for RibbonsInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Ribbons from a frozen slab",
            group: Group::Piped,
            words: "ribbons, bows, nest, cold stone, frozen stone, flowers",
            how: "Spread on a frozen stone, lifted within seconds.",
            families: DARK,
            colours: &[],
            start: Self {
                chocolate: dark(),
                length_mm: 250.0,
                width_mm: 40.0,
                thickness_mm: 1.0,
                count: 6,
                stone_kg: 6.0,
                stone_c: -18.0,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        vec![&mut self.chocolate]
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let chocolate = at.chocolate("chocolate", &self.chocolate)?;
        let length = millimetres(at.number("length_mm", self.length_mm, check::STRIP_MM));
        let width = millimetres(at.number("width_mm", self.width_mm, check::STRIP_MM));
        let thickness = millimetres(at.number("thickness_mm", self.thickness_mm, check::RIBBON_MM));
        let count = at.number("count", f64::from(self.count), check::PIECES);
        at.number("stone_kg", self.stone_kg, check::STONE_KG);
        let stone = celsius(at.number("stone_c", self.stone_c, check::FROZEN_C));
        let strip: Mass = length * width * thickness * chocolate.solid_density;
        let all = strip * count * (1.0 + TRIMMED);
        let pulls = self.pulls(&chocolate, strip);
        let mut draft = Draft {
            takes: vec![Portion::of(&self.chocolate, all)],
            sets: Sets {
                layers: vec![Layer::of(&self.chocolate, thickness)],
                poured: Some(chocolate.windows.melt.lo),
                stone: Some(stone),
                ..Sets::default()
            },
            size: Size {
                thickness: Some(thickness),
                length: Some(length),
                pieces: Some(Pieces { count, each: strip, area: None }),
                ..Size::default()
            },
            said: Said {
                working: vec![
                    Working::new("a strip weighs", in_grams(strip), "g"),
                    Working::new("strips", count, ""),
                    Working::new("with what is trimmed off", in_grams(all), "g"),
                    Working::new("pulls from one freezing, about", pulls, ""),
                    Working::new("bends once lifted, about", LIFTED_BENDS_S, "s"),
                ],
                ..Said::default()
            },
            ..Draft::default()
        };
        if pulls < count {
            let text = if pulls < 1.0 {
                say::stone_too_warm(celsius(self.stone_c), self.stone_kg)
            } else {
                say::stone_warms(self.stone_kg, celsius(self.stone_c), pulls)
            };
            draft.said.notes.push(Note::caution("stone-warms", text));
        }
        draft.said.notes.push(Note::caution("eaten-soon", say::eaten_soon()));
        draft.tasks = vec![
            TaskDraft::new("line", say::line(), say::line_how(), 30.0).minding(say::line_mind()),
            TaskDraft::new(
                "pour",
                say::pour(self.count, at.label(&self.chocolate)),
                say::pour_how(seconds(LIFTED_BENDS_S)),
                EACH_S * count,
            )
            .with(&self.chocolate),
            TaskDraft::new("chill", say::chill(), say::chill_how(), 20.0),
        ];
        draft.said.checks = vec![say::check_frost(), say::check_one_pull()];
        draft.said.mistakes = vec![RIBBON_SNAPS];
        Some(draft)
    }
}
