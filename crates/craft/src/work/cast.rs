//! What all work in moulds shares: the mould, the colours on its face, the wall.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::drafting::Drafting;
use super::face::{Face, Faced, FilmInputs, Part, after_the_rest, faced};
use super::parting::{set_and_release, touched};
use super::parts::Portion;
use super::task::{TaskDraft, Timing};
use crate::catalogue::work::cast as say;
use crate::check;
use crate::chocolate::Chocolate;
use crate::note::{Note, Working};
use crate::shell::{
    Cavity, CavityInputs, Coat, MouldInputs, MouldMaterial, Pouring, ShellWay, Shells,
    ShellsAmount, ShellsError, USUAL_FLOW_GRADE, melted_density,
};
use crate::spread::slab::with_allowance;
use crate::units::{Length, Mass, Volume, celsius, in_grams, in_seconds, millimetres, seconds};

/// Each brushed coat is left for so long before the next, s (docs/craft.md, section 9).
const COAT_SETS_S: f64 = 300.0;
/// Knocking the bubbles out takes so long, s (docs/craft.md, section 9).
const KNOCKS_S: f64 = 30.0;

/// How thick a shell is: as wished, or as a wait makes it.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum WallInputs {
    /// So thick: how long to wait, or how many coats?
    Wished {
        /// How thick, once set.
        shell_mm: f64,
    },
    /// Dumped after so long: how thick?
    Waited {
        /// How long.
        wait_s: f64,
        /// How warm it is poured; the middle of its band if left out.
        #[serde(default)]
        poured_c: Option<f64>,
    },
}

/// Work in a mould, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CastInputs {
    /// The chocolate of the shells, by key.
    pub chocolate: String,
    /// A mould from the shelf, in place of `mould`.
    #[serde(default)]
    pub mould_id: Option<Uuid>,
    /// The mould.
    pub mould: MouldInputs,
    /// How often it is filled.
    pub casts: u32,
    /// The colours on its face, the one that goes in first, and is seen, first.
    #[serde(default)]
    pub colours: Vec<FilmInputs>,
    /// How it is lined.
    #[serde(default)]
    pub way: ShellWay,
    /// How thick the shell is.
    pub wall: WallInputs,
}

/// Shells as they are cast.
#[derive(Clone, Debug, PartialEq)]
pub struct Cast {
    /// One cavity as it was stated.
    pub cavity: CavityInputs,
    /// Across its opening.
    pub across: Length,
    /// Cavities in the mould.
    pub cavities: u32,
    /// How often it is filled.
    pub casts: u32,
    /// What it is made of.
    pub material: MouldMaterial,
    /// The wall.
    pub shell: Length,
    /// How it comes about.
    pub coat: Coat,
    /// One shell.
    pub each: Mass,
    /// The room in it.
    pub hollow: Volume,
    /// The room under its cap.
    pub filling: Volume,
    /// The cap, where there is one.
    pub cap: Option<Length>,
    /// One cap.
    pub cap_each: Mass,
    /// What must be at hand.
    pub in_hand: Mass,
    /// What the shells keep.
    pub kept: Mass,
    /// What comes back.
    pub returned: Mass,
    /// Weighings that its thickness was corrected by.
    pub weighings: usize,
}

/// What a kind of moulded work goes on from.
pub(super) struct Lined {
    pub cavity: Cavity,
    pub cast: Cast,
    pub face: Option<Face>,
    pub takes: Vec<Portion>,
    pub tasks: Vec<TaskDraft>,
    pub notes: Vec<Note>,
    pub working: Vec<Working>,
}

impl CastInputs {
    /// The chocolates it is made from, by key.
    pub(super) fn keys_mut(&mut self) -> Vec<&mut String> {
        let colours = self.colours.iter_mut().map(|film| &mut film.colour);
        std::iter::once(&mut self.chocolate).chain(colours).collect()
    }

    /// How many shells are cast. What is beyond a number is beyond its bounds too.
    pub(super) const fn count(&self) -> u32 {
        self.mould.count.saturating_mul(self.casts)
    }

    /// Shells with their colours, up to the shell that is scraped; faults are noted
    /// under `cast`. Of the parts of a face, each may be of another chocolate.
    pub(super) fn lined(
        &self,
        cap: Option<Length>,
        parts: &[Part],
        at: &mut Drafting<'_>,
    ) -> Option<Lined> {
        let chocolate = at.chocolate("cast.chocolate", &self.chocolate);
        let cavity = self.mould.check("cast.mould", at.check);
        at.number("cast.casts", f64::from(self.casts), check::CASTS);
        let (chocolate, cavity) = (chocolate?, cavity?);
        let (learned, weighings) = self.mould.learned(chocolate.family);
        let flow_grade = at.flow_grade(&self.chocolate).unwrap_or(USUAL_FLOW_GRADE);
        let poured = match self.wall {
            WallInputs::Waited { poured_c, .. } => {
                at.check.optional("cast.wall.poured_c", poured_c, check::MELTED_C).map(celsius)
            }
            WallInputs::Wished { .. } => None,
        };
        let pouring = Pouring { chocolate: &chocolate, flow_grade, poured, learned };
        let (field, shell) = self.shell(&pouring, at);
        let count = self.count();
        let shells = Shells { cavity, count, shell, way: self.way, cap, pouring };
        if at.check.has_faults() {
            return None;
        }
        let amount = match shells.solve() {
            Ok(amount) => amount,
            Err(error @ ShellsError::ThickerThanRadius { .. }) => {
                at.check.fault(field, error.message());
                return None;
            }
            Err(error @ ShellsError::CapFillsIt { .. }) => {
                at.check.fault("cap.cap_mm", error.message());
                return None;
            }
        };
        let whole = [Part { name: None, share: 1.0, family: chocolate.family }];
        let parts = if parts.is_empty() { whole.as_slice() } else { parts };
        let faced =
            faced(&self.colours, "cast.colours", cavity.area * f64::from(count), parts, at)?;
        Some(self.put_together(&chocolate, cavity, shell, &amount, faced, weighings, at))
    }

    /// The wall, and the field that states it.
    fn shell(&self, pouring: &Pouring<'_>, at: &mut Drafting<'_>) -> (&'static str, Length) {
        match self.wall {
            WallInputs::Wished { shell_mm } => {
                let field = "cast.wall.shell_mm";
                (field, millimetres(at.number(field, shell_mm, check::SHELL_MM)))
            }
            WallInputs::Waited { wait_s, .. } => {
                let field = "cast.wall.wait_s";
                if self.way == ShellWay::Brush {
                    at.check.fault(field, say::wait_goes_with_dumping());
                }
                let wait = seconds(at.number(field, wait_s, check::WAIT_S));
                (field, pouring.stays(wait))
            }
        }
    }

    #[expect(clippy::too_many_arguments, reason = "the one place where all of it meets")]
    fn put_together(
        &self,
        chocolate: &Chocolate,
        cavity: Cavity,
        shell: Length,
        amount: &ShellsAmount,
        faced: Faced,
        weighings: usize,
        at: &Drafting<'_>,
    ) -> Lined {
        // One mould full at a time: what an earlier cast gave back fills the next.
        let mould = f64::from(self.mould.count);
        let full: Mass = cavity.volume * melted_density(chocolate) * mould;
        let earlier = amount.shell * (mould * f64::from(self.casts.saturating_sub(1)));
        let at_hand = match self.way {
            ShellWay::Dump => (full + earlier).max(amount.kept),
            ShellWay::Brush => amount.kept,
        };
        let mut takes =
            vec![Portion { chocolate: self.chocolate.clone(), mass: amount.kept, at_hand }];
        takes.extend(faced.takes);
        let mut notes = amount.notes.clone();
        notes.extend(faced.notes);
        if weighings > 0 {
            notes.push(Note::info("weighed", say::weighed(weighings)));
        }
        // What all casts keep follows from one; what is at hand and comes back does not: one
        // mould full at a time.
        let at_once = ["fills the moulds", "comes back", "in hand, with what stays behind"];
        let mut working: Vec<_> =
            amount.working.iter().filter(|line| !at_once.contains(&line.label)).cloned().collect();
        working.extend([
            Working::new("at hand at once", in_grams(at_hand), "g"),
            Working::new("comes back in the end", in_grams(at_hand - amount.kept), "g"),
            Working::new("in hand, with what stays behind", in_grams(with_allowance(at_hand)), "g"),
        ]);
        working.extend(faced.working);
        let cast = Cast {
            cavity: self.mould.cavity,
            across: cavity.across(),
            cavities: self.mould.count,
            casts: self.casts,
            material: self.mould.material,
            shell,
            coat: amount.coat,
            each: amount.shell,
            hollow: amount.hollow,
            filling: amount.filling,
            cap: None,
            cap_each: amount.cap,
            in_hand: with_allowance(at_hand),
            kept: amount.kept,
            returned: at_hand - amount.kept,
            weighings,
        };
        let mut tasks = vec![TaskDraft::new("polish", say::polish(), say::polish_how(), 120.0)];
        if !self.colours.is_empty() {
            tasks.extend(faced.tasks);
            tasks.push(TaskDraft::new("wipe", say::wipe(), say::wipe_how(), 60.0));
        }
        tasks.extend(self.wall_tasks(amount.coat, at));
        Lined { cavity, cast, face: Some(faced.face), takes, tasks, notes, working }
    }

    /// From the pour to the scraped shell.
    fn wall_tasks(&self, coat: Coat, at: &Drafting<'_>) -> Vec<TaskDraft> {
        let label = at.label(&self.chocolate);
        let warm = say::pour_how();
        let mut tasks = Vec::new();
        match coat {
            Coat::Dumped { wait } => {
                let pour = TaskDraft::new("pour", say::pour(&label), warm, 60.0);
                tasks.push(after_the_rest(pour.with(&self.chocolate), &self.colours));
                tasks.push(TaskDraft::new("knock", say::knock(), say::knock_how(), KNOCKS_S));
                let wait_s = wait.map_or(0.0, in_seconds);
                let dump = TaskDraft::new("dump", say::dump(), say::dump_how(), 45.0);
                // However short: its clock runs from the last knock.
                tasks.push(if wait_s >= 1.0 {
                    dump.since("knock", 0).from(Timing::After(wait_s), say::dump_from())
                } else {
                    dump
                });
                tasks.push(TaskDraft::new("stand", say::stand(), say::stand_how(), 10.0));
            }
            Coat::Brushed { coats } => {
                for i in 1..=coats {
                    let (key, text) = if i == 1 {
                        ("pour".to_owned(), say::first_coat(&label))
                    } else {
                        (format!("coat-{i}"), say::next_coat(i))
                    };
                    let how = say::coat_how();
                    let coat = TaskDraft::new(&key, text, how, 90.0).with(&self.chocolate);
                    tasks.push(match i {
                        1 => after_the_rest(coat, &self.colours),
                        _ => {
                            let before =
                                if i == 2 { "pour".to_owned() } else { format!("coat-{}", i - 1) };
                            coat.since(&before, 0)
                                .from(Timing::After(COAT_SETS_S), say::next_coat_from())
                        }
                    });
                }
            }
        }
        tasks.push(touched(
            "touch-rim",
            say::touch_rim(),
            self.poured_by(coat).as_str(),
            0,
            say::touch_rim_from(),
        ));
        tasks.push(TaskDraft::new("scrape", say::scrape(), say::scrape_how(), 30.0));
        tasks
    }

    /// The task that the last of the wall was laid down with.
    fn poured_by(&self, coat: Coat) -> String {
        match coat {
            Coat::Brushed { coats } if coats > 1 => format!("coat-{coats}"),
            _ => "pour".to_owned(),
        }
    }
}

/// Into the fridge, out, and turned out of the mould: how work in moulds ends. Times
/// count from `since`, of the layer; its finger's check was done before where it is
/// the shell itself that is chilled.
pub(super) fn turned_out(since: &str, layer: usize, fridge: bool, touch: bool) -> Vec<TaskDraft> {
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
