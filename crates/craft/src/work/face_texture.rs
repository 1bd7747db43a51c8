//! What the face of a slab is drawn with while it is wet: a fork, a comb, a bubble sheet.

use serde::{Deserialize, Serialize};

use super::draft::Draft;
use super::drafting::Drafting;
use super::parts::Used;
use super::task::{TaskDraft, Timing};
use crate::catalogue::work::face_texture as say;
use crate::message::Until;
use crate::note::Note;

/// What a face is drawn with.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum FaceTexture {
    /// Waves with a fork.
    Fork,
    /// Lines with a comb.
    Comb,
    /// A clean bubble sheet, laid on and peeled off once it has set.
    BubbleSheet,
}

impl FaceTexture {
    /// Draws the face of what was poured with the task `since`, of a layer; `topped` says whether
    /// anything lies on it. Faults are noted under `texture`.
    pub(super) fn draw(
        self,
        draft: &mut Draft,
        (since, layer): (&str, usize),
        topped: bool,
        at: &mut Drafting<'_>,
    ) {
        let (text, how) = match self {
            Self::Fork => (say::fork(), say::fork_how()),
            Self::Comb => (say::comb(), say::comb_how()),
            Self::BubbleSheet => (say::bubbles(), say::bubbles_how()),
        };
        if self == Self::BubbleSheet {
            if topped {
                at.check.fault("texture", say::nothing_under_it());
            }
            draft.used.push(Used { name: "bubble sheets", count: 1.0, goes: "on it" });
            draft.said.notes.push(Note::caution("bubble-sheet", say::bubbles_mind()));
        }
        let task = TaskDraft::new("texture", text, how, 45.0).since(since, layer).until(
            Timing::ToppingUntil,
            say::until(Until),
            say::late(),
        );
        // Before what is strewn, and before the finger's check.
        let place = draft.tasks.iter().position(|task| {
            task.key == "top" || task.is_touch && task.since.as_deref() == Some(since)
        });
        let place = place.unwrap_or(draft.tasks.len());
        draft.tasks.insert(place, task);
        if self == Self::BubbleSheet
            && let Some(peel) = draft.tasks.iter().position(|task| task.key == "peel")
        {
            let off = TaskDraft::new("peel-face", say::peel(), say::peel_how(), 30.0);
            draft.tasks.insert(peel + 1, off);
        }
    }
}
