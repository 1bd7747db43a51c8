//! Thin chocolate on a smooth, painted, flecked or printed sheet: shapes, shards,
//! curls.

use crate::catalogue::cautions;
use crate::catalogue::work::sheet as say;
use crate::colour::Way;
use crate::message::Until;
use serde::{Deserialize, Serialize};

use super::cover::CoverInputs;
use super::draft::Draft;
use super::drafting::Drafting;
use super::face::{FilmInputs, Part, faced, last_film};
use super::kinds::{DARK, Group, Starting, cover, dark};
use super::mistakes::{COLOUR_SMEARS, SUGAR_BLOOM, THIN_PATCHES, WILL_NOT_RELEASE};
use super::parting::{Lining, set_and_release};
use super::slab::{pieces, poured};
use super::task::{TaskDraft, Timing};
use super::{Wanted, Work};
use crate::note::Note;
use crate::spread::guard::{SHEET, hard_pieces};

/// What is on the sheet before the chocolate.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SheetFinish {
    /// Nothing: it shines.
    Plain,
    /// Painted with coloured cocoa butter.
    Painted,
    /// Flecked with it.
    Flecked,
    /// Printed.
    Printed,
}

/// What is made of it.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum SheetShape {
    /// Cut shapes that stay flat, under a weight.
    Flat,
    /// Shards, cut or broken.
    Shards,
    /// Strips that curl, draped.
    Curls,
}

/// Sheet work, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SheetInputs {
    /// Its chocolate, by key.
    pub chocolate: String,
    /// What is known of its size.
    pub cover: CoverInputs,
    /// What is on the sheet.
    pub finish: SheetFinish,
    /// What is made of it.
    pub shape: SheetShape,
    /// How large the pieces are to be.
    pub piece_cm2: f64,
    /// The colours on a painted or flecked sheet, the one that goes on first, and is
    /// seen, first.
    #[serde(default)]
    pub colours: Vec<FilmInputs>,
}

impl Work for SheetInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Sheet: shapes, shards, curls",
            group: Group::Flat,
            words: "decorations, curls, discs, thin sheet, plaques, cake decorations, transfer, acetate, painted sheet",
            how: "Thin, on a painted, flecked, printed or plain sheet.",
            families: DARK,
            colours: &[("blue", "Blue lake"), ("white colour", "Titanium white")],
            start: Self {
                chocolate: dark(),
                cover: cover(1.5),
                finish: SheetFinish::Painted,
                shape: SheetShape::Shards,
                piece_cm2: 12.0,
                colours: vec![
                    FilmInputs { share_pct: 60.0, ..FilmInputs::all_over("blue", Way::Sheet) },
                    FilmInputs::all_over("white colour", Way::Sheet),
                ],
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        let colours = self.colours.iter_mut().map(|film| &mut film.colour);
        std::iter::once(&mut self.chocolate).chain(colours).collect()
    }

    fn cover_mut(&mut self) -> Option<&mut CoverInputs> {
        Some(&mut self.cover)
    }

    fn make(&mut self, wanted: Wanted) -> bool {
        self.cover.make(wanted)
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let (mut draft, cover) = poured(&self.chocolate, &self.cover, &[], &[], at)?;
        pieces(&mut draft, &cover, Some(self.piece_cm2), at);
        let lining = match self.finish {
            SheetFinish::Printed => Lining::Printed,
            SheetFinish::Plain | SheetFinish::Painted | SheetFinish::Flecked => Lining::Acetate,
        };
        draft.used.extend(lining.sheet().into_iter().chain(self.cover.bags()));
        draft.shown.underside = Some(match self.finish {
            SheetFinish::Plain => "gloss",
            SheetFinish::Painted => "painted",
            SheetFinish::Flecked => "flecked",
            SheetFinish::Printed => "printed",
        });
        draft.said.notes.extend(SHEET.remark(cover.thickness));
        if matches!(self.finish, SheetFinish::Painted | SheetFinish::Flecked) {
            draft.said.notes.push(Note::info("sheet-colour", say::sheet_colour()));
        }
        draft.said.notes.push(hard_pieces());
        let coloured = matches!(self.finish, SheetFinish::Painted | SheetFinish::Flecked);
        if !coloured && !self.colours.is_empty() {
            at.check.fault("colours", say::colours_need_a_finish());
        }
        let family = at.chocolate("chocolate", &self.chocolate)?.family;
        let whole = [Part { name: None, share: 1.0, family }];
        let faced = faced(&self.colours, "colours", cover.tray.area(), &whole, at)?;
        draft.takes.extend(faced.takes);
        draft.said.notes.extend(faced.notes);
        draft.said.working.extend(faced.working);
        draft.tasks = self.tasks(faced.tasks, at);
        draft.shown.face = (!self.colours.is_empty()).then_some(faced.face);
        draft.said.checks =
            vec![say::check_colour_dry(), say::check_spread(), say::check_release()];
        draft.said.mistakes = vec![COLOUR_SMEARS, THIN_PATCHES, WILL_NOT_RELEASE, SUGAR_BLOOM];
        Some(draft)
    }
}

impl SheetInputs {
    /// The tasks, with those of its colours where they are stated.
    fn tasks(&self, colours: Vec<TaskDraft>, at: &Drafting<'_>) -> Vec<TaskDraft> {
        let mut tasks = vec![TaskDraft::new("line", say::line(), say::line_how(), 60.0)];
        match self.finish {
            SheetFinish::Plain => {}
            SheetFinish::Printed => tasks[0].text = say::lay_printed_sheet(),
            SheetFinish::Painted | SheetFinish::Flecked => {
                let (text, detail) = if self.finish == SheetFinish::Painted {
                    (say::paint(), say::paint_how())
                } else {
                    (say::fleck(), say::fleck_how())
                };
                let last = last_film(&self.colours).unwrap_or_else(|| "colour".to_owned());
                if colours.is_empty() {
                    tasks.push(
                        TaskDraft::new("colour", text, detail, 300.0)
                            .minding(cautions::food_colour()),
                    );
                }
                tasks.extend(colours);
                tasks.push(
                    TaskDraft::new("colour-dry", say::colour_dry(), say::colour_dry_how(), 5.0)
                        .since(&last, 0)
                        .from(Timing::After(COLOUR_DRIES_S), say::colour_dry_from()),
                );
            }
        }
        tasks.push(
            TaskDraft::new("pour", say::pour(at.label(&self.chocolate)), say::pour_how(), 20.0)
                .with(&self.chocolate),
        );
        tasks.push(TaskDraft::new("spread", say::spread(), say::spread_how(), 45.0));
        tasks.push(TaskDraft::new("lift", say::lift(), say::lift_how(), 15.0));
        let mut end = set_and_release("pour", 0, at.fridge).into_iter();
        tasks.extend(end.next());
        let (text, detail) = match self.shape {
            SheetShape::Flat => (say::cut_shapes(), say::cut_shapes_how()),
            SheetShape::Shards => (say::cut_shards(), say::cut_shards_how()),
            SheetShape::Curls => (say::cut_strips(), say::cut_strips_how()),
        };
        tasks.push(
            TaskDraft::new("cut", text, detail, 90.0)
                .since("pour", 0)
                .from(Timing::CutFrom, say::cut_from())
                .until(Timing::CutTo, say::cut_until(Until), say::cut_late()),
        );
        let (text, detail) = match self.shape {
            SheetShape::Flat => (say::shape_flat(), say::shape_flat_how()),
            SheetShape::Shards => (say::shape_shards(), say::shape_shards_how()),
            SheetShape::Curls => (say::shape_curls(), say::shape_curls_how()),
        };
        tasks.push(TaskDraft::new("shape", text, detail, 30.0).since("pour", 0).until(
            Timing::CutTo,
            say::shape_until(Until),
            say::shape_late(),
        ));
        tasks.extend(end);
        tasks
    }
}

/// A thin film of coloured cocoa butter dries in about so long, s (*custom*).
const COLOUR_DRIES_S: f64 = 600.0;
