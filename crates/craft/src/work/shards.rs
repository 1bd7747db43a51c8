//! Scored while it is soft, broken along the marks once it is hard.

use serde::{Deserialize, Serialize};

use super::Work;
use super::cover::CoverInputs;
use super::draft::Draft;
use super::drafting::Drafting;
use super::goods::ToppingInputs;
use super::kinds::{DARK, Starting, cover, dark};
use super::mistakes::{SUGAR_BLOOM, THIN_PATCHES, WILL_NOT_RELEASE};
use super::parting::{Lining, set_and_release};
use super::slab::{on_top, pieces, pour_and_spread, poured, scatter};
use super::task::{TaskDraft, Timing};
use super::tray::TrayInputs;
pub use crate::drawn::score::ShardPattern;
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
    pub topping: Option<ToppingInputs>,
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
            how: "Scored while soft, broken along the marks.",
            families: DARK,
            colours: &[],
            start: Self {
                chocolate: dark(),
                cover: cover(4.0),
                topping: None,
                lining: Lining::Parchment,
                piece_cm2: 20.0,
                pattern: ShardPattern::Uneven,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        vec![&mut self.chocolate]
    }

    fn tray_mut(&mut self) -> Option<&mut TrayInputs> {
        self.cover.tray_mut()
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let (mut draft, cover) = poured(&self.chocolate, &self.cover, None, at)?;
        on_top(&mut draft, self.topping.as_ref(), at);
        pieces(&mut draft, &cover, Some(self.piece_cm2), at);
        draft.shown.underside = Some(self.lining.underside());
        draft.said.notes.extend(SHARDS.remark(cover.thickness));
        draft.said.notes.push(hard_pieces());
        let detail = match self.pattern {
            ShardPattern::Uneven => {
                "In slanted strips of uneven width, half way down, with the back of a knife."
            }
            ShardPattern::Even => "Along a ruler, half way down, with the back of a knife.",
        };
        let score = TaskDraft::new("score", "Score it", detail, 120.0)
            .since("pour", 0)
            .from(Timing::CutFrom, "soft enough to score")
            .until(
                Timing::CutTo,
                "scores clean until",
                "It cracks beside the knife now: break it at random instead.",
            );
        let mut end = set_and_release("pour", 0, at.fridge).into_iter();
        draft.tasks = std::iter::once(self.lining.task())
            .chain(pour_and_spread(&self.chocolate, &at.label(&self.chocolate), false))
            .chain(self.topping.is_some().then(|| scatter(draft.goods.last(), "pour", 0)))
            .chain(end.next())
            .chain([score])
            .chain(end)
            .chain([TaskDraft::new(
                "break",
                "Break it along the marks",
                "Over an edge, in gloves.",
                120.0,
            )
            .minding(crate::spread::guard::SHARP)])
            .collect();
        draft.said.checks = vec![
            "It has lost its wet shine and takes a clean mark",
            "The marks go half way down",
            "Lets go of the sheet by itself",
        ];
        draft.said.mistakes = vec![THIN_PATCHES, WILL_NOT_RELEASE, SUGAR_BLOOM];
        Some(draft)
    }
}
