//! A base with others drawn through it.
//!
//! Every stroke drags one colour through another over a strip of its own width. The
//! share of the surface that is still pure after *n* strokes is e^(−n·w/L), *w* the
//! width a stroke stirs and *L* the slab's shorter side (*custom*: strokes fall where
//! they fall, so what is left untouched shrinks by the same share with each). A colour
//! is muddied by as much towards the mean of all.

use serde::{Deserialize, Serialize};

use super::cover::CoverInputs;
use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::face_texture::FaceTexture;
use super::goods::{ToppingInputs, on_top, scatter, weigh_on};
use super::kinds::{DARK_AND_WHITE, Group, Starting, cover, dark, white};
use super::mistakes::{GRAINY_COLOUR, MUDDY, STREAKS, SUGAR_BLOOM, WILL_NOT_RELEASE};
use super::parting::{Lining, broken, set_and_release};
use super::parts::{Layer, Portion};
use super::slab::pieces;
use super::task::{TaskDraft, Timing};
use super::{Wanted, Work};
use crate::catalogue::cautions;
use crate::catalogue::work::marbled as say;
use crate::check;
use crate::message::Until;
use crate::note::{Note, Working};
use crate::spread::guard::{BARK, hard_pieces};
use crate::spread::mixed::MixedTogether;
use crate::units::{
    Area, MassDensity, grams_per_cubic_centimetre, in_grams_per_cubic_centimetre,
    in_square_centimetres,
};

/// Accents at most.
const MOST_ACCENTS: usize = 4;
/// A stroke with a stick stirs so wide a strip, mm (*custom*).
const STROKE_MM: f64 = 12.0;
/// Below this share of pure colour it looks muddy (*custom*).
const MUDDY_BELOW: f64 = 0.5;

/// What a colour is carried by.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ColourKind {
    /// Soluble in oil.
    Oil,
    /// Powder that is stirred into cocoa butter.
    CocoaButter,
    /// Water-based, gels among them: chocolate seizes.
    Water,
}

/// A colour that is stirred into a chocolate.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ColourInputs {
    /// What carries it.
    pub kind: ColourKind,
    /// How it looks, `#rrggbb`.
    pub srgb: String,
}

/// One accent, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct AccentInputs {
    /// Its chocolate, by key.
    pub chocolate: String,
    /// Its share of the slab.
    pub share_pct: f64,
    /// The colour in it.
    #[serde(default)]
    pub colour: Option<ColourInputs>,
}

/// A marbled slab, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MarbledInputs {
    /// The base, by key; it is what the accents leave.
    pub base: String,
    /// What is drawn through it.
    pub accents: Vec<AccentInputs>,
    /// What is known of its size.
    pub cover: CoverInputs,
    /// How many strokes.
    pub strokes: u32,
    /// What goes on top.
    #[serde(default)]
    pub toppings: Vec<ToppingInputs>,
    /// What it lies on.
    #[serde(default)]
    pub lining: Lining,
    /// How large the pieces are to be.
    #[serde(default)]
    pub piece_cm2: Option<f64>,
    /// What its face is drawn with while it is wet.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub texture: Option<FaceTexture>,
}

impl ColourInputs {
    fn check(&self, field: &str, at: &mut Drafting<'_>) {
        if self.kind == ColourKind::Water {
            at.check.fault(format!("{field}.kind"), say::must_disperse_in_fat());
        }
        let digits = self.srgb.strip_prefix('#').unwrap_or_default();
        if digits.len() != 6 || !digits.bytes().all(|b| b.is_ascii_hexdigit()) {
            at.check.fault(format!("{field}.srgb"), say::must_be_a_colour(&self.srgb));
        }
    }
}

/// The share of a marbled slab that is mixed after so many strokes, 0 to 1.
#[must_use]
pub fn muddied(strokes: u32, area: Area) -> f64 {
    let side_mm = (in_square_centimetres(area) * 100.0).sqrt();
    1.0 - (-f64::from(strokes) * STROKE_MM / side_mm).exp()
}

impl MarbledInputs {
    /// The density of all of it together: the volumes add up.
    fn density(&self, parts: &[(MassDensity, f64)]) -> MassDensity {
        let volume: f64 = parts
            .iter()
            .map(|(density, share)| share / in_grams_per_cubic_centimetre(*density))
            .sum();
        grams_per_cubic_centimetre(1.0 / volume)
    }

    fn shares(&self, at: &mut Drafting<'_>) -> Option<Vec<(String, MassDensity, f64)>> {
        if self.accents.is_empty() || self.accents.len() > MOST_ACCENTS {
            let there = self.accents.len();
            at.check.fault("accents", say::accents(MOST_ACCENTS, there));
        }
        let base = at.chocolate("base", &self.base);
        let mut accents = Vec::new();
        for (i, accent) in self.accents.iter().enumerate() {
            let field = format!("accents[{i}]");
            let share =
                at.number(format_args!("{field}.share_pct"), accent.share_pct, check::SHARE_PCT);
            if let Some(colour) = &accent.colour {
                colour.check(&format!("{field}.colour"), at);
            }
            let chocolate = at.chocolate(&format!("{field}.chocolate"), &accent.chocolate)?;
            accents.push((accent.chocolate.clone(), chocolate.solid_density, share / 100.0));
        }
        let left = 1.0 - accents.iter().map(|(_, _, share)| share).sum::<f64>();
        if left < 0.01 {
            at.check.fault("accents", say::leave_some_base((1.0 - left) * 100.0));
        }
        let mut shares = vec![(self.base.clone(), base?.solid_density, left)];
        shares.extend(accents);
        Some(shares)
    }
}

impl Work for MarbledInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Marbled bark",
            group: Group::Flat,
            words: "swirl, marble, nebula, coloured bark, streaks on purpose",
            how: "A base with others drawn through it.",
            families: DARK_AND_WHITE,
            colours: &[],
            start: Self {
                base: dark(),
                accents: vec![AccentInputs { chocolate: white(), share_pct: 30.0, colour: None }],
                cover: cover(4.0),
                strokes: 8,
                toppings: Vec::new(),
                lining: Lining::Acetate,
                piece_cm2: None,
                texture: None,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        let accents = self.accents.iter_mut().map(|accent| &mut accent.chocolate);
        std::iter::once(&mut self.base).chain(accents).collect()
    }

    fn cover_mut(&mut self) -> Option<&mut CoverInputs> {
        Some(&mut self.cover)
    }

    fn make(&mut self, wanted: Wanted) -> bool {
        self.cover.make(wanted)
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let shares = self.shares(at)?;
        at.number("strokes", f64::from(self.strokes), check::STROKES);
        let densities: Vec<_> =
            shares.iter().map(|(_, density, share)| (*density, *share)).collect();
        let in_each: Vec<f64> = shares.iter().map(|(_, _, share)| *share).collect();
        let lies = |slab, chocolate| weigh_on(&self.toppings, slab, chocolate);
        let (density, plain) = (self.density(&densities), MixedTogether::default());
        let cover = self.cover.solve(density, &plain, &in_each, &lies, at)?;
        let colours = std::iter::once(None).chain(self.accents.iter().map(|a| a.colour.as_ref()));
        let mut draft = Draft {
            takes: shares
                .iter()
                .map(|(key, _, share)| Portion::of(key, cover.chocolate * *share))
                .collect(),
            sets: Sets {
                layers: shares
                    .iter()
                    .zip(colours)
                    .map(|((key, _, share), colour)| Layer {
                        colour: colour.map(|colour| colour.srgb.clone()),
                        share: *share,
                        ..Layer::of(key, cover.thickness)
                    })
                    .collect(),
                may_chill: true,
                ..Sets::default()
            },
            size: Size {
                tray: Some(cover.tray),
                thickness: Some(cover.thickness),
                pieces: cover.portions,
                ..Size::default()
            },
            said: Said { working: cover.working.clone(), ..Said::default() },
            ..Draft::default()
        };
        on_top(&mut draft, &self.toppings, at);
        pieces(&mut draft, &cover, self.piece_cm2, at);
        let mixed = muddied(self.strokes, cover.tray.area());
        draft.shown.muddied = Some(mixed);
        draft.shown.underside = Some(self.lining.underside());
        draft.used.extend(self.lining.sheet().into_iter().chain(self.cover.bags()));
        draft.said.working.push(Working::new("strokes", f64::from(self.strokes), ""));
        draft.said.working.push(Working::new(
            "of the surface is stirred through",
            mixed * 100.0,
            "%",
        ));
        if 1.0 - mixed < MUDDY_BELOW {
            draft.said.notes.push(Note::caution("muddy", say::muddy(self.strokes, mixed * 100.0)));
        }
        if self.accents.iter().any(|accent| accent.colour.is_some()) {
            draft.said.notes.push(Note::info("colour-food-grade", say::colour_food_grade()));
        }
        draft.said.notes.extend(BARK.remark(cover.thickness));
        draft.said.notes.push(hard_pieces());
        draft.tasks = self.tasks(&draft, at);
        if let Some(texture) = self.texture {
            texture.draw(&mut draft, ("pour", 0), !self.toppings.is_empty(), at);
        }
        self.lining.comes_off(&mut draft.tasks);
        draft.said.checks = vec![say::check_in_temper(), say::check_blobs(), say::check_passes()];
        draft.said.mistakes = vec![MUDDY, STREAKS, WILL_NOT_RELEASE, SUGAR_BLOOM];
        if self.accents.iter().any(|accent| accent.colour.is_some()) {
            draft.said.mistakes.insert(1, GRAINY_COLOUR);
        }
        Some(draft)
    }

    fn toppings_mut(&mut self) -> Option<&mut Vec<ToppingInputs>> {
        Some(&mut self.toppings)
    }
}

impl MarbledInputs {
    fn tasks(&self, draft: &Draft, at: &Drafting<'_>) -> Vec<TaskDraft> {
        let mut tasks = vec![self.lining.task()];
        for (i, accent) in self.accents.iter().enumerate().filter(|(_, a)| a.colour.is_some()) {
            tasks.push(
                TaskDraft::new(
                    &format!("colour-{}", i + 1),
                    say::colour(at.label(&accent.chocolate)),
                    say::colour_how(),
                    60.0,
                )
                .with(&accent.chocolate)
                .minding(cautions::food_colour()),
            );
        }
        tasks.push(
            TaskDraft::new("pour", say::pour(at.label(&self.base)), say::pour_how(), 60.0)
                .with(&self.base),
        );
        for (i, accent) in self.accents.iter().enumerate() {
            tasks.push(
                TaskDraft::new(
                    &format!("blobs-{}", i + 1),
                    say::blobs(at.label(&accent.chocolate)),
                    say::blobs_how(),
                    45.0,
                )
                .with(&accent.chocolate)
                .since("pour", 0)
                .until(Timing::ToppingUntil, say::blobs_until(Until), say::late()),
            );
        }
        tasks.push(
            TaskDraft::new("draw", say::draw(self.strokes), say::draw_how(), 45.0)
                .since("pour", 0)
                .until(Timing::ToppingUntil, say::draw_until(Until), say::late()),
        );
        tasks.push(TaskDraft::new("tap", say::tap(), say::tap_how(), 15.0));
        tasks.extend(scatter(&self.toppings, draft, "pour", 0));
        tasks.extend(set_and_release("pour", 0, at.fridge));
        tasks.push(broken());
        tasks
    }
}
