//! What lies under it, and the tasks that most flat work ends with.

use serde::{Deserialize, Serialize};

use super::parts::Used;
use super::task::{TaskDraft, Timing};
use crate::catalogue::cautions;
use crate::catalogue::work::parting as say;
use crate::message::Message;

/// What it lies on: how its underside looks.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Lining {
    /// Parchment: a plain, matt underside.
    #[default]
    Parchment,
    /// Acetate or another smooth sheet: a glossy underside.
    Acetate,
    /// A printed transfer sheet: its pattern marries to the chocolate.
    Printed,
    /// The bare tin, polished.
    BareTin,
    /// Silicone: a mat, or a soft tray.
    Silicone,
    /// Foil, drawn smooth.
    Foil,
    /// Foil, crumpled and spread out again: a face like rock.
    CrumpledFoil,
}

impl Lining {
    /// The sheet that is used up with it.
    pub(super) fn sheet(self) -> Option<Used> {
        let name = match self {
            Self::Acetate => "acetate sheets",
            Self::Printed => "printed transfer sheets",
            Self::Parchment | Self::BareTin | Self::Silicone | Self::Foil | Self::CrumpledFoil => {
                return None;
            }
        };
        Some(Used { name, count: 1.0, goes: "under it" })
    }

    /// How the underside looks.
    #[must_use]
    pub fn underside(self) -> &'static str {
        match self {
            Self::Parchment => "matt",
            Self::Silicone => "satin",
            Self::Acetate | Self::BareTin | Self::Foil => "gloss",
            Self::CrumpledFoil => "crumpled",
            Self::Printed => "printed",
        }
    }

    /// How what lay on it comes off, where that is not a sheet that is peeled away.
    pub(super) fn comes_off(self, tasks: &mut [TaskDraft]) {
        let Some(peel) = tasks.iter_mut().find(|task| task.key == "peel") else { return };
        match self {
            Self::BareTin => (peel.text, peel.detail) = (say::knock_out(), say::knock_out_how()),
            Self::Silicone => (peel.text, peel.detail) = (say::flex_off(), say::flex_off_how()),
            Self::Parchment | Self::Acetate | Self::Printed | Self::Foil | Self::CrumpledFoil => {}
        }
    }

    /// The task that lays it out.
    pub(super) fn task(self) -> TaskDraft {
        let (text, detail) = match self {
            Self::Parchment => (say::line_with_parchment(), say::line_with_parchment_how()),
            Self::Acetate => (say::lay_smooth_sheet(), say::lay_smooth_sheet_how()),
            Self::Printed => (say::lay_printed_sheet(), say::lay_printed_sheet_how()),
            Self::BareTin => (say::polish_tin(), say::polish_tin_how()),
            Self::Silicone => (say::lay_silicone(), say::lay_silicone_how()),
            Self::Foil => (say::lay_foil(), say::lay_foil_how()),
            Self::CrumpledFoil => (say::crumple_foil(), say::crumple_foil_how()),
        };
        let task = TaskDraft::new("line", text, detail, 60.0);
        match self {
            Self::Foil | Self::CrumpledFoil => task.minding(say::foil_mind()),
            _ => task,
        }
    }
}

/// The finger's check of what was poured with the task `since`.
pub(super) fn touched(
    key: &str,
    text: Message,
    since: &str,
    layer: usize,
    what: Message,
) -> TaskDraft {
    TaskDraft::new(key, text, say::touch_how(), 5.0)
        .since(since, layer)
        .from(Timing::TouchDry, what)
        .touch()
}

/// The finger's check, and a stay in the fridge or a wait in the room, then off the
/// sheet: how flat work ends. Times count from the pour `since`, of the layer.
pub(super) fn set_and_release(since: &str, layer: usize, fridge: bool) -> Vec<TaskDraft> {
    let mut tasks =
        vec![touched("touch-dry", say::touch_dry(), since, layer, say::touch_dry_from())];
    if fridge {
        tasks.push(TaskDraft::new("fridge-in", say::fridge_in(), say::fridge_in_how(), 20.0));
        tasks.push(
            TaskDraft::new("fridge-out", say::fridge_out(), say::fridge_out_how(), 20.0)
                .since("fridge-in", layer)
                .from(Timing::FridgeAdvised, say::fridge_out_from())
                .until(Timing::FridgeLongest, say::fridge_out_until(), say::fridge_out_late()),
        );
        tasks.push(TaskDraft::new("peel", say::peel(), say::peel_how(), 30.0));
    } else {
        tasks.push(
            TaskDraft::new("peel", say::peel(), say::peel_how(), 30.0)
                .since(since, layer)
                .from(Timing::Release, say::peel_from()),
        );
    }
    tasks
}

/// The same tasks where it is safe only in a closed box: in that, and left closed in the
/// room until it is as warm.
pub(crate) fn in_a_box(tasks: Vec<TaskDraft>) -> Vec<TaskDraft> {
    let mut boxed = Vec::new();
    for task in tasks {
        match task.key.as_str() {
            "fridge-in" => {
                let (text, detail) = (say::box_in(), say::box_in_how());
                boxed.push(TaskDraft { text, detail, ..task });
            }
            "fridge-out" => {
                let layer = task.layer;
                boxed.push(
                    TaskDraft::new("fridge-out", say::box_out(), say::box_out_how(), 20.0)
                        .since("fridge-in", layer)
                        .from(Timing::BoxedAdvised, say::fridge_out_from()),
                );
                boxed.push(
                    TaskDraft::new("unbox", say::unbox(), say::unbox_how(), 20.0)
                        .since("fridge-out", layer)
                        .from(Timing::LeftClosed, say::unbox_from()),
                );
            }
            _ => boxed.push(task),
        }
    }
    boxed
}

/// The same tasks where there is no safe stay in the fridge: it waits in the room until
/// it lets go.
pub(crate) fn without_fridge(tasks: Vec<TaskDraft>) -> Vec<TaskDraft> {
    let pour =
        tasks.iter().rfind(|task| task.is_touch).map(|touch| (touch.since.clone(), touch.layer));
    let Some((Some(since), layer)) = pour else { return tasks };
    tasks
        .into_iter()
        .filter(|task| !task.key.starts_with("fridge-"))
        .map(|task| {
            if task.key == "peel" {
                task.since(&since, layer).from(Timing::Release, say::peel_from())
            } else {
                task
            }
        })
        .collect()
}

/// Broken at random.
pub(super) fn broken() -> TaskDraft {
    TaskDraft::new("break", say::break_it(), say::break_how(), 120.0).minding(cautions::sharp())
}
