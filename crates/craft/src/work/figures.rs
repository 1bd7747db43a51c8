//! Figures: each region in its chocolate, set before the next; hollow or solid, filled, closed,
//! dipped, with what is stuck on.

use serde::{Deserialize, Serialize};

use super::Work;
use super::cast::{CastInputs, WallInputs, Within};
use super::draft::Draft;
use super::drafting::Drafting;
use super::face::Part;
use super::inside::{InsideInputs, check_inside, goods_inside, inside_each_g, remarks_inside};
use super::kinds::{DARK_AND_WHITE, Group, Starting, cast, white};
use super::mistakes::{COLOUR_STAYS, FINE_CRACKS, GREY_BETWEEN, PINHOLES, STAYS_IN_MOULD};
use super::painted::{PaintedInputs, paint, painted_keys};
use super::parting::touched;
use super::parts::{Layer, Pieces, Portion};
use super::shells::{CapInputs, begun};
use super::stuck_on::{StuckOnInputs, stick_on, stuck_on, stuck_on_keys};
use super::task::TaskDraft;
use super::toe::ToeInputs;
use crate::catalogue::work::figures as say;
use crate::check;
use crate::chocolate::Family;
use crate::keeping::Lasts;
use crate::message::names;
use crate::note::{Level, Note};
use crate::shell::{
    Cavity, CavityInputs, Hollow, Inside, MouldInputs, RegionInputs, melted_density,
};
use crate::units::{Length, Mass, Volume, grams, millimetres};

/// Tones at most.
const MOST_TONES: usize = 8;
/// The share of a face behind which nothing need stay hollow, at most.
const MOST_SOLID: f64 = 0.95;
/// The plate under a foot is cut so much larger than the foot is.
const PLATE_SHARE: f64 = 1.3;

/// How a tone lies in its region.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ToneFill {
    /// So thick a layer of it.
    Layer {
        /// How thick, once set.
        thickness_mm: f64,
    },
    /// All of the region's room.
    Solid {
        /// What one takes; by its share of the face if left out.
        #[serde(default)]
        each_g: Option<f64>,
    },
}

impl Default for ToneFill {
    /// One brushed coat.
    fn default() -> Self {
        Self::Layer { thickness_mm: crate::shell::COAT_MM }
    }
}

/// A region, or the whole face, in a chocolate of its own.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToneInputs {
    /// The mould's region; the whole face if left out.
    #[serde(default)]
    pub region: Option<String>,
    /// Its chocolate, by key.
    pub chocolate: String,
    /// How it lies.
    #[serde(default)]
    pub fill: ToneFill,
}

/// Figures, as the maker states them.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FiguresInputs {
    /// Mould, colours, wall, and the chocolate of the body behind the tones.
    pub cast: CastInputs,
    /// The tones, in the order in which they go in: where several lie in a region, the first is
    /// seen.
    pub tones: Vec<ToneInputs>,
    /// What goes inside, through the foot.
    #[serde(default)]
    pub inside: Vec<InsideInputs>,
    /// The plate that closes the foot.
    #[serde(default)]
    pub base: Option<CapInputs>,
    /// What is dipped of it in the end.
    #[serde(default)]
    pub dipped: Option<ToeInputs>,
    /// What is made beside it and stuck on.
    #[serde(default)]
    pub stuck_on: Vec<StuckOnInputs>,
    /// What is painted or dusted on it once it is made.
    #[serde(default)]
    pub painted: Vec<PaintedInputs>,
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
                tones: vec![ToneInputs {
                    region: Some("face".to_owned()),
                    chocolate: white(),
                    fill: ToneFill::default(),
                }],
                inside: Vec::new(),
                base: None,
                dipped: None,
                stuck_on: Vec::new(),
                painted: Vec::new(),
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        let tones = self.tones.iter_mut().map(|tone| &mut tone.chocolate);
        let base = self.base.iter_mut().filter_map(|base| base.chocolate.as_mut());
        let dipped = self.dipped.iter_mut().map(|toe| &mut toe.chocolate);
        let stuck_on = stuck_on_keys(&mut self.stuck_on);
        let painted = painted_keys(&mut self.painted);
        let cast = self.cast.keys_mut().into_iter();
        cast.chain(tones).chain(base).chain(dipped).chain(stuck_on).chain(painted).collect()
    }

    fn cast_mut(&mut self) -> Option<&mut CastInputs> {
        Some(&mut self.cast)
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let laid = self.tones(at)?;
        let inside = check_inside(&self.inside, at);
        let stuck = stuck_on(&self.stuck_on, at);
        let within = Within {
            parts: &laid.parts,
            solid_face: laid.solid_face,
            full: laid.full,
            before: laid.layers,
            first: laid.tasks,
            ..Within::default()
        };
        let lined = self.cast.lined(1, within, at)?;
        let count = f64::from(self.cast.count(1));
        let hollow = Hollow::open(&lined.cavity, lined.cast.shell);
        let mut draft = begun(lined);
        draft
            .takes
            .extend(laid.each.into_iter().map(|(key, each)| Portion::of(&key, each * count)));
        let thickest = laid.thickest;
        draft.size.thickness = draft.size.thickness.map(|wall| wall + thickest);
        let body = draft.shown.cast.as_ref().map_or_else(Mass::default, |cast| cast.each);
        let each = body + laid.mass + grams(inside_each_g(&self.inside));
        draft.size.pieces = Some(Pieces { count, each, area: None });
        let mut end = self.cast.ends(at.fridge);
        end.extend(self.closed(&mut draft, (&laid.cavity, hollow), &inside, count, at)?);
        stick_on(&mut draft, &stuck, count, end);
        if let Some(toe) = &self.dipped {
            toe.dip(&mut draft, laid.cavity.area, count, at)?;
        }
        draft.said.checks = vec![say::check_tones_set(), say::check_no_air(), say::check_cloudy()];
        draft.said.mistakes = vec![GREY_BETWEEN, PINHOLES, STAYS_IN_MOULD, FINE_CRACKS];
        if !self.cast.colours.is_empty() {
            draft.said.mistakes.push(COLOUR_STAYS);
        }
        draft.said.keeps = Some(if self.inside.is_empty() {
            Lasts::weeks(8.0, say::keeps())
        } else {
            Lasts::weeks(8.0, say::keeps_as_inside())
        });
        paint(&mut draft, &self.painted, laid.cavity.area * count, at);
        Some(draft)
    }
}

/// The tones as they lie in one cavity.
struct Laid {
    /// The whole cavity, before anything lies in it.
    cavity: Cavity,
    /// The parts of the face, each with the family that is seen there.
    parts: Vec<Part>,
    /// What each takes, by its chocolate.
    each: Vec<(String, Mass)>,
    /// All of them together.
    mass: Mass,
    layers: Vec<Layer>,
    tasks: Vec<TaskDraft>,
    /// The share of the face behind which nothing stays hollow.
    solid_face: f64,
    /// The room that they take up.
    full: Volume,
    /// The thickest part of the face, before the body.
    thickest: Length,
}

impl FiguresInputs {
    /// The tones, with faults noted under `tones`.
    fn tones(&self, at: &mut Drafting<'_>) -> Option<Laid> {
        let mould = &self.cast.mould;
        if self.tones.len() > MOST_TONES {
            at.check.fault("tones", say::at_most_tones(MOST_TONES, self.tones.len()));
        }
        let cavity = mould.check("cast.mould", at.check);
        let body = at.chocolate("cast.chocolate", &self.cast.chocolate)?.family;
        let cavity = cavity?;
        let mut laid = Laid {
            cavity,
            parts: self.parts(body, at),
            each: Vec::new(),
            mass: Mass::default(),
            layers: Vec::new(),
            tasks: Vec::new(),
            solid_face: 0.0,
            full: Volume::default(),
            thickest: Length::default(),
        };
        for (i, tone) in self.tones.iter().enumerate() {
            let field = format!("tones[{i}]");
            let chocolate = at.chocolate(&format!("{field}.chocolate"), &tone.chocolate)?;
            let Some(share) = mould.share_of(tone.region.as_deref()) else {
                let there = names(mould.regions.iter().map(|region| &region.name));
                let named = tone.region.as_deref().unwrap_or_default();
                let message = if mould.regions.is_empty() {
                    say::has_no_regions()
                } else {
                    say::must_be_a_region(there, named)
                };
                at.check.fault(format!("{field}.region"), message);
                return None;
            };
            let (room, thickness, density) = match tone.fill {
                ToneFill::Layer { thickness_mm } => {
                    let own = format!("{field}.fill.thickness_mm");
                    let thick = millimetres(at.number(&own, thickness_mm, check::TONE_MM));
                    let (there, most) = (self.thickness_at(tone, i), cavity.radius());
                    if !at.check.has_faults() && there >= most {
                        at.check.fault(own, say::thicker_than_the_mould(there, most));
                    }
                    (cavity.area * share * thick, thick, chocolate.solid_density)
                }
                ToneFill::Solid { each_g } => {
                    let own = format!("{field}.fill.each_g");
                    let given = at.check.optional(&own, each_g, check::TONE_G).map(grams);
                    let density = melted_density(&chocolate);
                    let room = given.map_or(cavity.volume * share, |mass| mass / density);
                    if share > MOST_SOLID {
                        at.check.fault(format!("{field}.region"), say::leaves_no_body());
                    }
                    laid.solid_face += share;
                    (room, room / (cavity.area * share), density)
                }
            };
            laid.full += room;
            laid.each.push((tone.chocolate.clone(), room * density));
            laid.mass += room * density;
            laid.layers.push(Layer::of(&tone.chocolate, thickness));
            laid.thickest = laid.thickest.max(self.laid_at(tone, i));
            laid.tasks.extend(tone.tasks(i, at));
        }
        if !at.check.has_faults() && (laid.full >= cavity.volume || laid.solid_face > MOST_SOLID) {
            let holds = cavity.volume * melted_density(&at.chocolate("", &self.cast.chocolate)?);
            at.check.fault("tones", say::fill_the_mould(laid.mass, holds));
        }
        (!at.check.has_faults()).then_some(laid)
    }

    /// What lies where a tone does, up to that tone and with it.
    fn laid_at(&self, tone: &ToneInputs, i: usize) -> Length {
        let meets = |other: &&ToneInputs| {
            other.region.is_none() || tone.region.is_none() || other.region == tone.region
        };
        let layers = self.tones.iter().take(i + 1).filter(meets);
        layers.fold(Length::default(), |sum, other| match other.fill {
            ToneFill::Layer { thickness_mm } => sum + millimetres(thickness_mm.max(0.0)),
            ToneFill::Solid { .. } => sum,
        })
    }

    /// The same, with the wall behind it.
    fn thickness_at(&self, tone: &ToneInputs, i: usize) -> Length {
        let wall = match self.cast.wall {
            // One that is out of its own bounds is told of where the wall is stated.
            WallInputs::Wished { shell_mm } if check::SHELL_MM.contain(shell_mm) => {
                millimetres(shell_mm)
            }
            _ => Length::default(),
        };
        self.laid_at(tone, i) + wall
    }

    /// The parts of the face, each with the family that is seen there: of the first tone that
    /// covers it, or the body's.
    fn parts(&self, body: Family, at: &Drafting<'_>) -> Vec<Part> {
        let seen = |region: Option<&str>| {
            let covers =
                |tone: &&ToneInputs| tone.region.is_none() || tone.region.as_deref() == region;
            let first = self.tones.iter().find(covers);
            first.and_then(|tone| at.family(&tone.chocolate)).unwrap_or(body)
        };
        let regions = &self.cast.mould.regions;
        if regions.is_empty() {
            return vec![Part { name: None, share: 1.0, family: seen(None) }];
        }
        let part = |region: &RegionInputs| Part {
            name: Some(region.name.clone()),
            share: check::FACE_PCT.max.min(region.share_pct) / 100.0,
            family: seen(Some(&region.name)),
        };
        regions.iter().map(part).collect()
    }

    /// What goes inside and the plate that closes the foot; how both are done, once the figures
    /// are out of their mould.
    fn closed(
        &self,
        draft: &mut Draft,
        (cavity, hollow): (&Cavity, Hollow),
        inside: &[Inside],
        count: f64,
        at: &mut Drafting<'_>,
    ) -> Option<Vec<TaskDraft>> {
        let solid = self.cast.is_solid();
        let base = match &self.base {
            Some(base) => {
                let thick = millimetres(at.number("base.cap_mm", base.cap_mm, check::CAP_MM));
                let key = base.chocolate.as_ref().unwrap_or(&self.cast.chocolate);
                Some((key, thick, at.chocolate("base.chocolate", key)?))
            }
            None => None,
        };
        if !inside.is_empty() && (solid || self.cast.mould.two_sided) {
            at.check.fault("inside", say::nothing_goes_in());
        } else if !inside.is_empty() {
            let held = hollow.fits(inside);
            for note in held.notes.iter().filter(|note| note.level == Level::Stop) {
                at.check.fault("inside", say::must_fit(&note.text()));
            }
            draft.said.working.extend(held.working);
            if base.is_none() {
                draft.said.notes.push(Note::caution("foot-open", say::foot_open()));
            }
        }
        if self.base.is_some() && (solid || self.cast.mould.two_sided) {
            at.check.fault("base", say::no_foot());
        }
        if at.check.has_faults() {
            return None;
        }
        draft.goods.extend(goods_inside(&self.inside, count));
        draft.said.notes.extend(remarks_inside(&self.inside));
        let mut tasks = Vec::new();
        if !inside.is_empty() {
            let fill =
                TaskDraft::new("inside", say::put_inside(), say::put_inside_how(), 15.0 * count);
            tasks.push(fill.minding(say::put_inside_mind()));
        }
        if let Some((key, thick, chocolate)) = base {
            let plate: Mass = cavity.opening * PLATE_SHARE * thick * chocolate.solid_density;
            draft.takes.push(Portion::of(key, plate * count));
            draft.sets.layers.push(Layer::of(key, thick));
            let layer = draft.sets.layers.len() - 1;
            let spread = TaskDraft::new(
                "plate",
                say::plate(at.label(key), count as u32, thick),
                say::plate_how(),
                20.0 * count,
            );
            let (text, what) = (say::touch_plate(), say::touch_plate_from());
            draft.tasks.push(spread.with(key));
            draft.tasks.push(touched("touch-plate", text, "plate", layer, what));
            tasks.push(TaskDraft::new("close", say::close(), say::close_how(), 30.0 * count));
            if let Some(pieces) = &mut draft.size.pieces {
                pieces.each += plate;
            }
        }
        Some(tasks)
    }
}

impl ToneInputs {
    fn tasks(&self, i: usize, at: &Drafting<'_>) -> [TaskDraft; 2] {
        let key = format!("tone-{}", i + 1);
        let label = at.label(&self.chocolate);
        let solid = matches!(self.fill, ToneFill::Solid { .. });
        let text = match &self.region {
            Some(region) if solid => say::fill_region(label, region),
            Some(region) => say::put_in(label, region),
            None => say::line_all_over(label),
        };
        let how = if solid { say::fill_region_how() } else { say::put_in_how() };
        let put_in = TaskDraft::new(&key, text, how, 180.0).with(&self.chocolate);
        let touch = match &self.region {
            Some(region) => say::touch_tone(region),
            None => say::touch_lining(),
        };
        let of_touch = format!("touch-tone-{}", i + 1);
        [put_in, touched(&of_touch, touch, &key, i + 1, say::touch_tone_from())]
    }
}
