//! How a mould is filled, emptied, turned, and what was cast turned out of it.

use serde::{Deserialize, Serialize};

use super::CastInputs;
use crate::catalogue::work::cast as say;
use crate::shell::{Coat, ShellsAmount};
use crate::units::in_seconds;
use crate::work::drafting::Drafting;
use crate::work::parting::{set_and_release, touched};
use crate::work::task::{TaskDraft, Timing};

/// Each brushed coat is left for so long before the next, s (docs/craft.md, section 9).
const COAT_SETS_S: f64 = 300.0;
/// In the fridge a thin coat has set in so long, s (*custom*).
const COAT_CHILLS_S: f64 = 180.0;
/// Knocking the bubbles out takes so long, s (docs/craft.md, section 9).
const KNOCKS_S: f64 = 30.0;
/// A closed mould is turned by hand for so long, s, until nothing in it runs (*custom*).
const TURNS_S: f64 = 420.0;

/// Where each brushed coat sets before the next.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CoatsSet {
    /// In the room.
    #[default]
    Room,
    /// In the fridge, a short while.
    Fridge,
}

impl CastInputs {
    /// From the pour to the scraped shell.
    pub(super) fn wall_tasks(&self, amount: &ShellsAmount, at: &Drafting<'_>) -> Vec<TaskDraft> {
        let label = at.label(&self.chocolate);
        let pour = || {
            let closed = self.mould.two_sided;
            let text = if closed { say::pour_closed(&label) } else { say::pour(&label) };
            TaskDraft::new("pour", text, say::pour_how(), 60.0).with(&self.chocolate)
        };
        let knock = || TaskDraft::new("knock", say::knock(), say::knock_how(), KNOCKS_S);
        match amount.coat {
            Coat::Dumped { wait } => {
                let wait_s = wait.map_or(0.0, in_seconds);
                let dump = TaskDraft::new("dump", say::dump(), say::dump_how(), 45.0);
                let tasks = vec![
                    pour(),
                    knock(),
                    // However short: its clock runs from the last knock.
                    if wait_s >= 1.0 {
                        dump.since("knock", 0).from(Timing::After(wait_s), say::dump_from())
                    } else {
                        dump
                    },
                    TaskDraft::new("stand", say::stand(), say::stand_how(), 10.0),
                ];
                tasks.into_iter().chain(self.rim("pour")).collect()
            }
            Coat::Brushed { coats } => {
                let mut tasks: Vec<_> =
                    (1..=coats).flat_map(|coat| self.brushed(coat, coats, &label)).collect();
                if self.mould.two_sided {
                    let (text, how) = (say::clip_wet(), say::clip_wet_how());
                    tasks.push(TaskDraft::new("clip", text, how, 30.0));
                    return tasks;
                }
                tasks.extend(self.rim(&coat_key(coats)));
                tasks
            }
            Coat::Turned => {
                let text = say::spoon_in(amount.shell, &label);
                let (clip, clip_how) = (say::clip(), say::clip_how());
                vec![
                    TaskDraft::new("pour", text, say::pour_how(), 45.0).with(&self.chocolate),
                    TaskDraft::new("clip", clip, clip_how, 20.0),
                    TaskDraft::new("turn", say::turn(), say::turn_how(), TURNS_S),
                ]
            }
            Coat::Filled => {
                vec![pour(), knock(), TaskDraft::new("level", say::level(), say::level_how(), 20.0)]
            }
        }
    }

    /// One brushed coat, and its stay in the fridge where it has one.
    fn brushed(&self, coat: u32, coats: u32, label: &str) -> Vec<TaskDraft> {
        let text = if coat == 1 { say::first_coat(label) } else { say::next_coat(coat) };
        let task = TaskDraft::new(&coat_key(coat), text, say::coat_how(), 90.0);
        let mut task = task.with(&self.chocolate);
        let chilled = self.between == CoatsSet::Fridge;
        let chill = |coat: u32| format!("chill-{coat}");
        if coat > 1 {
            task = if chilled {
                task.since(&chill(coat - 1), 0)
                    .from(Timing::After(COAT_CHILLS_S), say::next_coat_from())
                    .minding(say::next_coat_mind())
            } else {
                task.since(&coat_key(coat - 1), 0)
                    .from(Timing::After(COAT_SETS_S), say::next_coat_from())
            };
        }
        let mut tasks = vec![task];
        if chilled && coat < coats {
            let (text, how) = (say::chill_coat(), say::chill_coat_how());
            tasks.push(TaskDraft::new(&chill(coat), text, how, 10.0));
        }
        tasks
    }

    /// The rim is touched and scraped: times count from what the last of the wall was laid with.
    fn rim(&self, since: &str) -> [TaskDraft; 2] {
        [
            touched("touch-rim", say::touch_rim(), since, 0, say::touch_rim_from()),
            TaskDraft::new("scrape", say::scrape(), say::scrape_how(), 30.0),
        ]
    }

    /// Into the fridge, out, and turned out of the mould. What is solid, or closed, was not
    /// touched before.
    pub(in crate::work) fn ends(&self, fridge: bool) -> Vec<TaskDraft> {
        let touch = self.is_solid() && !self.mould.two_sided;
        let mut tasks = turned_out("pour", 0, fridge, touch);
        for task in &mut tasks {
            if task.key == "touch-dry" {
                task.text = say::touch_back();
            }
            if task.key == "peel" && self.mould.two_sided {
                task.text = say::open();
                task.detail = say::open_how();
            }
        }
        tasks
    }
}

/// The key of a coat's task.
fn coat_key(coat: u32) -> String {
    if coat == 1 { "pour".to_owned() } else { format!("coat-{coat}") }
}

/// Into the fridge, out, and turned out of the mould: how work in moulds ends. Times
/// count from `since`, of the layer; its finger's check was done before where it is
/// the shell itself that is chilled.
pub(in crate::work) fn turned_out(
    since: &str,
    layer: usize,
    fridge: bool,
    touch: bool,
) -> Vec<TaskDraft> {
    let tasks = set_and_release(since, layer, fridge);
    let skip = usize::from(!touch);
    let mut tasks: Vec<_> = tasks.into_iter().skip(skip).collect();
    for task in &mut tasks {
        if task.key == "peel" {
            task.text = say::turn_out();
            task.detail = say::turn_out_how();
        }
        if task.key == "fridge-out" {
            task.detail = say::fridge_out_how();
        }
    }
    tasks
}
