//! Ribbons from a frozen stone: spread, trimmed and lifted within seconds.

use serde::{Deserialize, Serialize};

use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::frozen::Frozen;
use super::kinds::{DARK, Group, Starting, dark};
use super::mistakes::RIBBON_SNAPS;
use super::parts::{Layer, Pieces, Portion};
use super::task::TaskDraft;
use super::{Wanted, Work};
use crate::catalogue::work::ribbons as say;
use crate::check;
use crate::note::{Note, Working};
use crate::setting::LIFTED_BENDS_S;
use crate::units::{Mass, celsius, in_grams, millimetres, seconds};

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

    fn make(&mut self, wanted: Wanted) -> bool {
        self.count = wanted.pieces;
        true
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
        let frozen = Frozen::stone(self.stone_kg, self.stone_c);
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
                    Working::new("bends once lifted, about", LIFTED_BENDS_S, "s"),
                ],
                ..Said::default()
            },
            ..Draft::default()
        };
        draft.said.working.extend(frozen.working(&chocolate, strip));
        draft.said.notes.extend(frozen.remark(&chocolate, strip, count));
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
