//! Scored while it is soft, broken along the marks once it is hard.

use serde::{Deserialize, Serialize};

use super::cover::CoverInputs;
use super::draft::Draft;
use super::drafting::Drafting;
use super::goods::{ToppingInputs, on_top, scatter};
use super::kinds::{DARK, Group, Starting, cover, dark};
use super::mistakes::{SUGAR_BLOOM, THIN_PATCHES, WILL_NOT_RELEASE};
use super::parting::{Lining, set_and_release};
use super::slab::{pieces, pour_and_spread, poured};
use super::task::{TaskDraft, Timing};
use super::{Wanted, Work};
use crate::catalogue::cautions;
use crate::catalogue::work::shards as say;
pub use crate::drawn::score::ShardPattern;
use crate::message::Until;
use crate::spread::guard::{SHARDS, hard_pieces};

/// Scored shards, as the maker states them.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ShardsInputs {
    /// Its chocolate, by key.
    pub chocolate: String,
    /// What is known of its size.
    pub cover: CoverInputs,
    /// What goes on top.
    #[serde(default)]
    pub toppings: Vec<ToppingInputs>,
    /// What it lies on.
    #[serde(default)]
    pub lining: Lining,
    /// How large the shards are to be.
    pub piece_cm2: f64,
    /// How the marks run.
    #[serde(default)]
    pub pattern: ShardPattern,
}

impl Work for ShardsInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Scored shards",
            group: Group::Flat,
            words: "shards, scored pieces, squares, triangles, cut bark, score and snap",
            how: "Scored while soft, broken along the marks.",
            families: DARK,
            colours: &[],
            start: Self {
                chocolate: dark(),
                cover: cover(4.0),
                toppings: Vec::new(),
                lining: Lining::Parchment,
                piece_cm2: 20.0,
                pattern: ShardPattern::Uneven,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        vec![&mut self.chocolate]
    }

    fn cover_mut(&mut self) -> Option<&mut CoverInputs> {
        Some(&mut self.cover)
    }

    fn make(&mut self, wanted: Wanted) -> bool {
        self.cover.make(wanted)
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let (mut draft, cover) = poured(&self.chocolate, &self.cover, &[], &[], at)?;
        on_top(&mut draft, &self.toppings, at);
        pieces(&mut draft, &cover, Some(self.piece_cm2), at);
        draft.shown.underside = Some(self.lining.underside());
        draft.used.extend(self.lining.sheet().into_iter().chain(self.cover.bags()));
        draft.said.notes.extend(SHARDS.remark(cover.thickness));
        draft.said.notes.push(hard_pieces());
        let detail = match self.pattern {
            ShardPattern::Uneven => say::score_slanted_how(),
            ShardPattern::Even => say::score_even_how(),
        };
        let score = TaskDraft::new("score", say::score(), detail, 120.0)
            .since("pour", 0)
            .from(Timing::CutFrom, say::score_from())
            .until(Timing::CutTo, say::score_until(Until), say::score_late());
        let mut end = set_and_release("pour", 0, at.fridge).into_iter();
        draft.tasks = std::iter::once(self.lining.task())
            .chain(pour_and_spread(&self.chocolate, &at.label(&self.chocolate), false))
            .chain(scatter(&self.toppings, &draft, "pour", 0))
            .chain(end.next())
            .chain([score])
            .chain(end)
            .chain([TaskDraft::new("break", say::break_it(), say::break_how(), 120.0)
                .minding(cautions::sharp())])
            .collect();
        self.lining.comes_off(&mut draft.tasks);
        draft.said.checks = vec![say::check_mark(), say::check_depth(), say::check_release()];
        draft.said.mistakes = vec![THIN_PATCHES, WILL_NOT_RELEASE, SUGAR_BLOOM];
        Some(draft)
    }

    fn toppings_mut(&mut self) -> Option<&mut Vec<ToppingInputs>> {
        Some(&mut self.toppings)
    }
}
