//! Two-tone figures: each region in its chocolate, set before the next.

use crate::catalogue::work::figures as say;
use crate::message::names;
use crate::shell::{CavityInputs, MouldInputs, RegionInputs};
use serde::{Deserialize, Serialize};

use super::Work;
use super::cast::{CastInputs, turned_out};
use super::draft::Draft;
use super::drafting::Drafting;
use super::face::{Part, after_the_rest};
use super::kinds::{DARK_AND_WHITE, Group, Starting, cast, white};
use super::mistakes::{COLOUR_STAYS, FINE_CRACKS, GREY_BETWEEN, PINHOLES, STAYS_IN_MOULD};
use super::parting::touched;
use super::parts::{Layer, Pieces, Portion};
use super::shells::begun;
use super::task::TaskDraft;
use crate::check;
use crate::units::{Mass, in_grams, in_square_centimetres, millimetres, square_centimetres};

/// A tone is brushed so thick, mm (docs/craft.md, section 4: a coat).
const TONE_MM: f64 = crate::shell::COAT_MM;

/// A region in a chocolate of its own.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToneInputs {
    /// The mould's region.
    pub region: String,
    /// Its chocolate, by key.
    pub chocolate: String,
}

/// Figures, as the maker states them.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FiguresInputs {
    /// Mould, colours, wall, and the chocolate of the body behind the tones.
    pub cast: CastInputs,
    /// The tones, in the order in which they go in.
    pub tones: Vec<ToneInputs>,
}

impl Work for FiguresInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Two-tone figures",
            group: Group::Moulded,
            words: "animals, owl, hollow figure, two colours, mould figure",
            how: "Each region of a mould in its own chocolate, set before the next.",
            families: DARK_AND_WHITE,
            colours: &[],
            start: Self {
                cast: cast(
                    MouldInputs {
                        cavity: CavityInputs {
                            volume_ml: Some(120.0),
                            area_cm2: Some(130.0),
                            opening_cm2: Some(28.0),
                            ..CavityInputs::default()
                        },
                        regions: vec![
                            RegionInputs { name: "face".to_owned(), share_pct: 25.0 },
                            RegionInputs { name: "body".to_owned(), share_pct: 75.0 },
                        ],
                        ..MouldInputs::hemispheres(60.0, 2)
                    },
                    3.0,
                ),
                tones: vec![ToneInputs { region: "face".to_owned(), chocolate: white() }],
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        let tones = self.tones.iter_mut().map(|tone| &mut tone.chocolate);
        self.cast.keys_mut().into_iter().chain(tones).collect()
    }

    fn cast_mut(&mut self) -> Option<&mut CastInputs> {
        Some(&mut self.cast)
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let parts = self.parts(at)?;
        let lined = self.cast.lined(None, &parts, at)?;
        let count = f64::from(self.cast.count());
        let area_cm2 = in_square_centimetres(lined.cavity.area);
        let mut draft = begun(&self.cast, lined);
        let mut tone_g = 0.0;
        let mut tones = Vec::new();
        for (i, tone) in self.tones.iter().enumerate() {
            let chocolate = at.chocolate(&format!("tones[{i}].chocolate"), &tone.chocolate)?;
            let share = self.cast.mould.share_of(Some(&tone.region))?;
            let each: Mass = square_centimetres(area_cm2 * share)
                * millimetres(TONE_MM)
                * chocolate.solid_density;
            tone_g += in_grams(each);
            draft.takes.push(Portion::of(&tone.chocolate, each * count));
            draft.sets.layers.push(Layer::of(&tone.chocolate, millimetres(TONE_MM)));
            tones.extend(self.tone_tasks(i, tone, at));
        }
        // The tones go in after the colours and before the body.
        let pour = draft.tasks.iter().position(|task| task.key == "pour")?;
        if !self.tones.is_empty() {
            draft.tasks[pour].since = None;
            draft.tasks[pour].from = None;
            draft.tasks[pour].until = None;
        }
        draft.tasks.splice(pour..pour, tones);
        draft.tasks.extend(turned_out("pour", 0, at.fridge, false));
        let body_g = draft.shown.cast.as_ref().map_or(0.0, |cast| in_grams(cast.each));
        draft.size.pieces =
            Some(Pieces { count, each: crate::units::grams(body_g + tone_g), area: None });
        draft.said.checks = vec![say::check_tones_set(), say::check_no_air(), say::check_cloudy()];
        draft.said.mistakes = vec![GREY_BETWEEN, PINHOLES, STAYS_IN_MOULD, FINE_CRACKS];
        if !self.cast.colours.is_empty() {
            draft.said.mistakes.push(COLOUR_STAYS);
        }
        draft.said.keeps = Some(say::keeps());
        Some(draft)
    }
}

impl FiguresInputs {
    /// The parts of the face, each with the family behind it.
    fn parts(&self, at: &mut Drafting<'_>) -> Option<Vec<Part>> {
        let regions = &self.cast.mould.regions;
        if regions.len() < 2 {
            at.check.fault("cast.mould.regions", say::two_regions());
            return None;
        }
        if self.tones.is_empty() {
            at.check.fault("tones", say::one_tone());
        }
        for (i, tone) in self.tones.iter().enumerate() {
            let field = format!("tones[{i}].region");
            if regions.iter().all(|region| region.name != tone.region) {
                let there = names(regions.iter().map(|region| &region.name));
                at.check.fault(field, say::must_be_a_region(there, &tone.region));
            } else if self.tones[..i].iter().any(|other| other.region == tone.region) {
                at.check.fault(field, say::tone_of_its_own(&tone.region));
            }
        }
        let body = at.chocolate("cast.chocolate", &self.cast.chocolate)?.family;
        let mut parts = Vec::new();
        for region in regions {
            let tone = self.tones.iter().position(|tone| tone.region == region.name);
            let family = match tone {
                Some(i) => {
                    at.chocolate(&format!("tones[{i}].chocolate"), &self.tones[i].chocolate)?.family
                }
                None => body,
            };
            let share = check::FACE_PCT.max.min(region.share_pct) / 100.0;
            parts.push(Part { name: Some(region.name.clone()), share, family });
        }
        Some(parts)
    }

    fn tone_tasks(&self, i: usize, tone: &ToneInputs, at: &Drafting<'_>) -> Vec<TaskDraft> {
        let key = format!("tone-{}", i + 1);
        let put_in = TaskDraft::new(
            &key,
            say::put_in(at.label(&tone.chocolate), &tone.region),
            say::put_in_how(),
            180.0,
        )
        .with(&tone.chocolate);
        let put_in = if i == 0 { after_the_rest(put_in, &self.cast.colours) } else { put_in };
        let touch = touched(
            &format!("touch-tone-{}", i + 1),
            say::touch_tone(&tone.region),
            &key,
            i + 1,
            say::touch_tone_from(),
        );
        vec![put_in, touch]
    }
}
