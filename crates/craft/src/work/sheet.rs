//! Thin chocolate on a smooth, painted, flecked or printed sheet: shapes, shards,
//! curls.

use crate::colour::Way;
use serde::{Deserialize, Serialize};

use super::Work;
use super::cover::CoverInputs;
use super::draft::Draft;
use super::drafting::Drafting;
use super::face::{FilmInputs, Part, faced, last_film};
use super::kinds::{DARK, Starting, cover, dark};
use super::mistakes::{COLOUR_SMEARS, SUGAR_BLOOM, THIN_PATCHES, WILL_NOT_RELEASE};
use super::parting::set_and_release;
use super::slab::{pieces, poured};
use super::task::{TaskDraft, Timing};
use super::tray::TrayInputs;
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

    fn tray_mut(&mut self) -> Option<&mut TrayInputs> {
        self.cover.tray_mut()
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let (mut draft, cover) = poured(&self.chocolate, &self.cover, None, at)?;
        pieces(&mut draft, &cover, Some(self.piece_cm2), at);
        draft.shown.underside = Some(match self.finish {
            SheetFinish::Plain => "gloss",
            SheetFinish::Painted => "painted",
            SheetFinish::Flecked => "flecked",
            SheetFinish::Printed => "printed",
        });
        draft.said.notes.extend(SHEET.remark(cover.thickness));
        if matches!(self.finish, SheetFinish::Painted | SheetFinish::Flecked) {
            draft.said.notes.push(Note::info(
                "sheet-colour",
                "What goes on the sheet first is what is seen. Only colour that is sold for eating, in \
                 cocoa butter; some are barred from food in some countries: check yours.",
            ));
        }
        draft.said.notes.push(hard_pieces());
        let coloured = matches!(self.finish, SheetFinish::Painted | SheetFinish::Flecked);
        if !coloured && !self.colours.is_empty() {
            at.check.fault("colours", "go with a painted or flecked sheet");
        }
        let family = at.chocolate("chocolate", &self.chocolate)?.family;
        let whole = [Part { name: None, share: 1.0, family }];
        let faced = faced(&self.colours, "colours", cover.tray.area(), &whole, at)?;
        draft.takes.extend(faced.takes);
        draft.said.notes.extend(faced.notes);
        draft.said.sum.extend(faced.sum);
        draft.tasks = self.tasks(faced.tasks, at);
        draft.shown.face = (!self.colours.is_empty()).then_some(faced.face);
        draft.said.checks = vec![
            "The colour is dry to the finger before the chocolate goes on",
            "Spread 1 to 2 mm, out over the edges of the sheet",
            "It lets go by itself, shining",
        ];
        draft.said.mistakes = vec![COLOUR_SMEARS, THIN_PATCHES, WILL_NOT_RELEASE, SUGAR_BLOOM];
        Some(draft)
    }
}

impl SheetInputs {
    /// The tasks, with those of its colours where they are stated.
    fn tasks(&self, colours: Vec<TaskDraft>, at: &Drafting<'_>) -> Vec<TaskDraft> {
        let mut tasks = vec![TaskDraft::new(
            "line",
            "Lay the sheet flat",
            "A drop of water under it holds it to the table; dry on top. Wiped: every finger shows.",
            60.0,
        )];
        match self.finish {
            SheetFinish::Plain => {}
            SheetFinish::Printed => {
                tasks[0].text = "Lay the printed sheet, print side up".to_owned()
            }
            SheetFinish::Painted | SheetFinish::Flecked => {
                let (text, detail) = if self.finish == SheetFinish::Painted {
                    (
                        "Paint the sheet",
                        "Finest detail first, then the field, then white behind it.",
                    )
                } else {
                    ("Fleck the sheet", "A stiff brush, warmed, drawn over the edge of a knife.")
                };
                let last = last_film(&self.colours).unwrap_or_else(|| "colour".to_owned());
                if colours.is_empty() {
                    tasks.push(
                        TaskDraft::new("colour", text, detail, 300.0)
                            .minding(crate::spread::guard::FOOD_COLOUR),
                    );
                }
                tasks.extend(colours);
                tasks.push(
                    TaskDraft::new(
                        "colour-dry",
                        "Touch the colour",
                        "It must be dry, all of it.",
                        5.0,
                    )
                    .since(&last, 0)
                    .from(Timing::After(COLOUR_DRIES_S), "the colour is dry"),
                );
            }
        }
        tasks.push(
            TaskDraft::new(
                "pour",
                format!("Pour the {}", at.label(&self.chocolate)),
                "At the top of its band, no hotter.",
                20.0,
            )
            .with(&self.chocolate),
        );
        tasks.push(TaskDraft::new(
            "spread",
            "Spread it thin, out over the edges",
            "In long strokes with the offset knife.",
            45.0,
        ));
        tasks.push(TaskDraft::new(
            "lift",
            "Lift the sheet by an edge to a clean place",
            "What ran over the edge stays behind.",
            15.0,
        ));
        let mut end = set_and_release("pour", 0, at.fridge).into_iter();
        tasks.extend(end.next());
        let (text, detail) = match self.shape {
            SheetShape::Flat => {
                ("Cut the shapes", "With the back of a pointed knife, not through the sheet.")
            }
            SheetShape::Shards => (
                "Cut the shards",
                "Long and slanted, with the back of a knife, not through the sheet.",
            ),
            SheetShape::Curls => {
                ("Cut strips", "Side by side, with the back of a knife, not through the sheet.")
            }
        };
        tasks.push(
            TaskDraft::new("cut", text, detail, 90.0)
                .since("pour", 0)
                .from(Timing::CutFrom, "soft enough to cut")
                .until(
                    Timing::CutTo,
                    "cuts clean until",
                    "It cracks now: break it into shards instead.",
                ),
        );
        let (text, detail) = match self.shape {
            SheetShape::Flat => {
                ("Parchment and a board on top", "Under a weight it stays flat as it shrinks.")
            }
            SheetShape::Shards => ("Leave it flat", "As it shrinks it lets go."),
            SheetShape::Curls => (
                "Roll or drape it, sheet outward",
                "Round a pin or over a rail; left free it curls by itself.",
            ),
        };
        tasks.push(TaskDraft::new("shape", text, detail, 30.0).since("pour", 0).until(
            Timing::CutTo,
            "it bends until",
            "Too stiff to bend: leave it as it lies.",
        ));
        tasks.extend(end);
        tasks
    }
}

/// A thin film of coloured cocoa butter dries in about so long, s (*custom*).
const COLOUR_DRIES_S: f64 = 600.0;
