//! Shells, plain or filled and capped: colour, rest, shell, overnight, fill, crust,
//! cap, a short chill, out.

use super::face::FilmInputs;
use crate::catalogue::work::shells as say;
use crate::chocolate::Family;
use crate::colour::Way;
use crate::filling::IngredientInputs;
use crate::keeping::Lasts;
use crate::shell::{CAP_MM, MouldInputs};
use serde::{Deserialize, Serialize};

use super::Work;
use super::cast::{CastInputs, Lined, Within, turned_out};
use super::draft::{Draft, Said, Sets, Shown, Size};
use super::drafting::Drafting;
use super::filling::{CRUSTS_AT_MOST_H, CRUSTS_H, FillingInputs};
use super::kinds::{DARK, Group, Starting, cast};
use super::mistakes::{COLOUR_STAYS, FINE_CRACKS, PINHOLES, STAYS_IN_MOULD, SUGAR_BLOOM};
use super::painted::{PaintedInputs, paint, painted_keys};
use super::parts::{Layer, Pieces, Portion};
use super::task::{TaskDraft, Timing};
use crate::check;
use crate::note::Note;
use crate::units::{Length, grams, in_grams, millimetres};

/// The caps of a filled mould.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CapInputs {
    /// Their chocolate, by key; that of the shells if left out.
    #[serde(default)]
    pub chocolate: Option<String>,
    /// How thick.
    pub cap_mm: f64,
}

/// Shells, as the maker states them.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ShellsInputs {
    /// Mould, colours, wall.
    pub cast: CastInputs,
    /// What goes in.
    #[serde(default)]
    pub filling: Option<FillingInputs>,
    /// What closes them, where they are filled.
    #[serde(default)]
    pub cap: Option<CapInputs>,
    /// What is painted or dusted on them once they are made.
    #[serde(default)]
    pub painted: Vec<PaintedInputs>,
}

impl Work for ShellsInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Filled shells",
            group: Group::Moulded,
            words: "bonbons, pralines, truffles in a mould, filled chocolates, ganache, shiny shells, half balls",
            how: "Glossy shells from a mould, coloured, filled, capped.",
            families: DARK,
            colours: &[("blue", "Blue lake"), ("white colour", "Titanium white")],
            start: Self {
                cast: CastInputs {
                    colours: vec![
                        FilmInputs::all_over("blue", Way::Brush),
                        FilmInputs::all_over("white colour", Way::Brush),
                    ],
                    ..cast(MouldInputs::hemispheres(30.0, 24), 1.8)
                },
                filling: Some(FillingInputs::Ganache {
                    family: Family::Dark,
                    ratio: 1.5,
                    butter_pct: 0.0,
                    infusion: None,
                    each_g: None,
                }),
                cap: Some(CapInputs { chocolate: None, cap_mm: CAP_MM }),
                painted: Vec::new(),
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        let cap = self.cap.iter_mut().filter_map(|cap| cap.chocolate.as_mut());
        let painted = painted_keys(&mut self.painted);
        self.cast.keys_mut().into_iter().chain(cap).chain(painted).collect()
    }

    fn cast_mut(&mut self) -> Option<&mut CastInputs> {
        Some(&mut self.cast)
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let cap = self
            .cap
            .as_ref()
            .map(|cap| millimetres(at.number("cap.cap_mm", cap.cap_mm, check::CAP_MM)));
        if self.cap.is_some() && self.filling.is_none() {
            at.check.fault("cap", say::cap_closes_a_filling());
        }
        self.cast.must_be_hollow_and_open(at);
        let lined = self.cast.lined(1, Within { cap, ..Within::default() }, at)?;
        let surface = lined.cavity.area;
        let count = self.cast.count(1);
        let filled = match &self.filling {
            Some(filling) => Some(filling.fill((lined.cast.filling, cap.is_some()), count, at)?),
            None => None,
        };
        let mut draft = begun(lined);
        let mut each = draft.shown.cast.as_ref().map_or(0.0, |cast| in_grams(cast.each));
        draft.said.checks = vec![say::check_thin(), say::check_rim(), say::check_cloudy()];
        draft.said.mistakes = vec![STAYS_IN_MOULD, PINHOLES, FINE_CRACKS, SUGAR_BLOOM];
        if !self.cast.colours.is_empty() {
            draft.said.mistakes.push(COLOUR_STAYS);
        }
        draft.said.keeps = Some(Lasts::weeks(8.0, say::keeps()));
        if let Some(filled) = filled {
            each += filled.each_g;
            draft.goods = filled.goods;
            draft.said.notes.extend(filled.notes);
            draft.said.working.extend(filled.working);
            draft.tasks.extend(filled.tasks);
            draft.said.keeps = Some(filled.keeps);
            draft.shown.filling = filled.balance;
            if filled.share < 0.999 {
                draft.said.notes.push(Note::info("not-full", say::not_full(filled.share * 100.0)));
            }
        }
        if let (Some(inputs), Some(cap)) = (&self.cap, cap) {
            let key = inputs.chocolate.as_deref().unwrap_or(&self.cast.chocolate);
            each += self.capped(&mut draft, key, cap, at)?;
        } else {
            draft.tasks.extend(self.cast.ends(at.fridge));
        }
        let count = f64::from(count);
        draft.size.pieces = Some(Pieces { count, each: grams(each), area: None });
        paint(&mut draft, &self.painted, surface * count, at);
        Some(draft)
    }

    fn ingredients_mut(&mut self) -> Option<&mut Vec<IngredientInputs>> {
        match &mut self.filling {
            Some(FillingInputs::Recipe { parts, .. }) => Some(parts),
            _ => None,
        }
    }
}

impl ShellsInputs {
    /// Puts the caps on; gives what one weighs, g.
    fn capped(
        &self,
        draft: &mut Draft,
        key: &str,
        cap: Length,
        at: &mut Drafting<'_>,
    ) -> Option<f64> {
        let chocolate = at.chocolate("cap.chocolate", key)?;
        let cast = draft.shown.cast.as_mut()?;
        // Figures of the shells count caps of their own chocolate.
        let shells = at.chocolate("cast.chocolate", &self.cast.chocolate)?;
        let each = cast.cap_each * (chocolate.solid_density / shells.solid_density).value;
        cast.cap = Some(cap);
        cast.cap_each = each;
        let count = f64::from(cast.filled);
        draft.takes.push(Portion::of(key, each * count));
        draft.sets.layers.push(Layer::of(key, cap));
        let layer = draft.sets.layers.len() - 1;
        draft.sets.governs = layer;
        let label = at.label(key);
        draft.tasks.push(
            TaskDraft::new("cap", say::cap(&label), say::cap_how(), 240.0)
                .with(key)
                .since("fill", 0)
                .from(Timing::Hours(CRUSTS_H), say::cap_from())
                .until(Timing::Hours(CRUSTS_AT_MOST_H), say::cap_until(), say::cap_late()),
        );
        draft.tasks.extend(turned_out("cap", layer, at.fridge, true));
        Some(in_grams(each))
    }
}

/// A draft of what was cast, without what its kind does with it.
pub(super) fn begun(lined: Lined) -> Draft {
    Draft {
        takes: lined.takes,
        tasks: lined.tasks,
        sets: Sets { layers: lined.layers, may_chill: true, ..Sets::default() },
        size: Size { thickness: Some(lined.cast.shell), ..Size::default() },
        said: Said { notes: lined.notes, working: lined.working, ..Said::default() },
        shown: Shown {
            underside: Some("gloss"),
            face: lined.face,
            cast: Some(lined.cast),
            ..Shown::default()
        },
        ..Draft::default()
    }
}
