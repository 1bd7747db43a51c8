//! What lies under it, and the tasks that most flat work ends with.

use serde::{Deserialize, Serialize};

use super::task::{TaskDraft, Timing};

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
}

impl Lining {
    /// How the underside looks.
    #[must_use]
    pub fn underside(self) -> &'static str {
        match self {
            Self::Parchment => "matt",
            Self::Acetate => "gloss",
            Self::Printed => "printed",
        }
    }

    /// The task that lays it out.
    pub(super) fn task(self) -> TaskDraft {
        let (text, detail) = match self {
            Self::Parchment => {
                ("Line the tray with parchment", "Flat into the corners, with a lip to lift it by.")
            }
            Self::Acetate => (
                "Lay the smooth sheet flat",
                "Wipe it with a dry cloth: every finger shows on the gloss.",
            ),
            Self::Printed => (
                "Lay the printed sheet, print side up",
                "The print marries to the chocolate. Only prints that are sold for food.",
            ),
        };
        TaskDraft::new("line", text, detail, 60.0)
    }
}

/// The finger's check of what was poured with the task `since`.
pub(super) fn touched(
    key: &str,
    text: &str,
    since: &str,
    layer: usize,
    what: &'static str,
) -> TaskDraft {
    TaskDraft::new(
        key,
        text,
        "Dry to the finger and still soft. Say so when it is: the rest follows from it.",
        5.0,
    )
    .since(since, layer)
    .from(Timing::TouchDry, what)
    .touch()
}

/// The finger's check, and a stay in the fridge or a wait in the room, then off the
/// sheet: how flat work ends. Times count from the pour `since`, of the layer.
pub(super) fn set_and_release(since: &str, layer: usize, fridge: bool) -> Vec<TaskDraft> {
    let mut tasks = vec![touched("touch-dry", "Touch it lightly", since, layer, "touch dry")];
    if fridge {
        tasks.push(TaskDraft::new(
            "fridge-in",
            "Into the fridge",
            "Uncovered, level, away from smells.",
            20.0,
        ));
        tasks.push(
            TaskDraft::new(
                "fridge-out",
                "Out of the fridge",
                "It has shrunk and lets go at the edges.",
                20.0,
            )
            .since("fridge-in", layer)
            .from(Timing::FridgeAdvised, "out of the fridge")
            .until(
                Timing::FridgeLongest,
                "dew forms on it if it stays",
                "Into a closed box until it is as warm as the room: then no dew forms on it.",
            ),
        );
        tasks.push(TaskDraft::new("peel", "Peel off the sheet", PEEL, 30.0));
    } else {
        tasks.push(
            TaskDraft::new("peel", "Peel off the sheet", PEEL, 30.0)
                .since(since, layer)
                .from(Timing::Release, "lets go"),
        );
    }
    tasks
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
                task.since(&since, layer).from(Timing::Release, "lets go")
            } else {
                task
            }
        })
        .collect()
}

const PEEL: &str = "Turn it over and roll the sheet away. A clean release is the proof of temper.";

/// Broken at random.
pub(super) fn broken() -> TaskDraft {
    TaskDraft::new("break", "Break it", "By hand, in gloves, held by the edges.", 120.0)
        .minding(crate::spread::guard::SHARP)
}
