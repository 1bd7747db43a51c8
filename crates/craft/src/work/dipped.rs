//! Dipped pieces: truffles on sticks, fruit, biscuits.

use serde::{Deserialize, Serialize};

use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::filling::{KEEPS_SMOOTH_H, RESTS_H, STAYS_BEHIND, made, of_recipe};
use super::kinds::{DARK, Group, Starting, dark};
use super::mistakes::{FINE_CRACKS, SUGAR_BLOOM};
use super::parting::set_and_release;
use super::parts::{Goods, Layer, Pieces, Portion, Used};
use super::task::{TaskDraft, Timing};
use super::{Wanted, Work};
use crate::catalogue::cautions;
use crate::catalogue::work::dipped as say;
use crate::check;
use crate::dip::{DippedShape, centre_remarks, dip};
use crate::filling::{COLD_C, FillingRecipe, IngredientInputs, Texture};
use crate::keeping::Lasts;
use crate::message::Until;
use crate::note::Note;

use crate::units::{Mass, celsius, grams, in_grams, millimetres};

/// The longest name.
const LONGEST_NAME: usize = 80;
/// Of a two-tone surface so much is of the second chocolate, of the coats (*custom*).
const SWIRL_SHARE: f64 = 0.25;
/// While its coat sets, so little of a centre is warmed: only what lies next to it (*custom*).
const WARMED_THROUGH: f64 = 0.15;
/// A dip, a drip and a flick take so long, s (*custom*).
const ONE_DIP_S: f64 = 20.0;
/// A centre is rolled, cut or piped in so long, s (*custom*).
const ONE_SHAPED_S: f64 = 15.0;

/// What is dipped.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CentreKind {
    /// A truffle, of ganache or cake.
    Truffle,
    /// Fresh fruit.
    Fruit,
    /// A biscuit, a wafer, a pretzel.
    Biscuit,
    /// Anything else that is dry and keeps.
    Dry,
}

/// How centres that are made for it are shaped.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum ShapedBy {
    /// Rolled into balls.
    Rolling,
    /// Cut from a slab.
    Cutting,
    /// Piped in drops.
    Piping,
}

/// Centres that are made for it, by a recipe in weights; as much is made as is dipped.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MadeCentres {
    /// What is put in.
    pub parts: Vec<IngredientInputs>,
    /// How they are shaped.
    pub shaped_by: ShapedBy,
    /// What is steeped in what is watery, and strained out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub steeped: Option<String>,
}

impl MadeCentres {
    /// What is to be minded of shaping what handles so.
    fn remark(&self, texture: Option<Texture>) -> Option<Note> {
        let soft = match (self.shaped_by, texture?) {
            (ShapedBy::Rolling, Texture::Dips | Texture::Pipes) => say::too_soft_to_roll(),
            (ShapedBy::Cutting, Texture::Dips | Texture::Pipes | Texture::Rolls) => {
                say::too_soft_to_cut()
            }
            (ShapedBy::Piping, Texture::Dips) => say::too_soft_to_pipe(),
            (ShapedBy::Piping, Texture::Rolls | Texture::Cuts) => say::too_firm_to_pipe(),
            _ => return None,
        };
        Some(Note::caution("centre-texture", soft))
    }

    /// How they are made and shaped, the day before.
    fn tasks(&self, name: &str, recipe: &FillingRecipe, count: u32, each: Mass) -> Vec<TaskDraft> {
        let (text, how) = match self.shaped_by {
            ShapedBy::Rolling => (say::roll(count, each), say::roll_how()),
            ShapedBy::Cutting => (say::cut(count, each), say::cut_how()),
            ShapedBy::Piping => (say::pipe(count, each), say::pipe_how()),
        };
        let shape = TaskDraft::new("shape", text, how, ONE_SHAPED_S * f64::from(count))
            .since("centres", 0)
            .from(Timing::Hours(RESTS_H), say::rested())
            .until(Timing::Hours(KEEPS_SMOOTH_H), say::rested_until(Until), say::rested_late());
        let mut tasks = made("centres", name, recipe, self.steeped.as_deref(), None);
        tasks.push(shape);
        tasks
    }
}

/// Dipped pieces, as the maker states them.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DippedInputs {
    /// The chocolate they are dipped in, by key.
    pub chocolate: String,
    /// What they are called.
    pub name: String,
    /// What they are.
    pub centre: CentreKind,
    /// How large one is, as far as it is dipped.
    pub shape: DippedShape,
    /// What one weighs.
    pub each_g: f64,
    /// How warm they are as they go in.
    pub centre_c: f64,
    /// How many.
    pub count: u32,
    /// How thick the coat is; 1.3 mm if left out.
    #[serde(default)]
    pub coat_mm: Option<f64>,
    /// The vessel, inside, across.
    pub vessel_mm: f64,
    /// A second chocolate, zigzagged over the surface of the first, by key.
    #[serde(default)]
    pub swirl: Option<String>,
    /// Whether they are on sticks.
    #[serde(default)]
    pub sticks: bool,
    /// The recipe of the centres, where they are made for it; bought or made before, if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub made: Option<MadeCentres>,
}

impl Work for DippedInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Dipped pieces",
            group: Group::Dipped,
            words: "truffles, coated, enrobed, strawberries, fruit, biscuits, pretzels, pops, lollies, sticks, cake pops",
            how: "Truffles on sticks, fruit, biscuits; in one chocolate or two.",
            families: DARK,
            colours: &[],
            start: Self {
                chocolate: dark(),
                name: "truffles".to_owned(),
                centre: CentreKind::Truffle,
                shape: DippedShape { diameter_mm: Some(28.0), ..DippedShape::default() },
                each_g: 13.0,
                centre_c: 14.0,
                count: 24,
                coat_mm: None,
                vessel_mm: 70.0,
                swirl: None,
                sticks: true,
                made: None,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        std::iter::once(&mut self.chocolate).chain(&mut self.swirl).collect()
    }

    fn make(&mut self, wanted: Wanted) -> bool {
        self.count = wanted.pieces;
        true
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let chocolate = at.chocolate("chocolate", &self.chocolate);
        at.check.text("name", &self.name, LONGEST_NAME);
        let centre = self.shape.check("shape", at.check);
        let each_g = at.number("each_g", self.each_g, check::PIECE_G);
        let temp = celsius(at.number("centre_c", self.centre_c, check::CENTRE_C));
        at.number("count", f64::from(self.count), check::PIECES);
        let coat = at.check.optional("coat_mm", self.coat_mm, check::COAT_MM);
        let coat = millimetres(coat.unwrap_or(crate::dip::COAT_MM));
        let vessel = millimetres(at.number("vessel_mm", self.vessel_mm, check::VESSEL_MM));
        let (chocolate, centre) = (chocolate?, centre?);
        if let Some(steeped) = self.made.as_ref().and_then(|made| made.steeped.as_ref()) {
            at.check.text("made.steeped", steeped, LONGEST_NAME);
        }
        let recipe = match &self.made {
            Some(made) => Some(FillingRecipe::check(&made.parts, "made.parts", at.check)?),
            None => None,
        };
        if at.check.has_faults() {
            return None;
        }
        let dipped = match dip(&chocolate, &centre, self.count, coat, vessel) {
            Ok(dipped) => dipped,
            Err(error) => {
                at.check.fault("vessel_mm", error.message());
                return None;
            }
        };
        let count = f64::from(self.count);
        let swirl_share = if self.swirl.is_some() { SWIRL_SHARE } else { 0.0 };
        let own = dipped.coats * (1.0 - swirl_share);
        let mut draft = Draft {
            takes: vec![Portion {
                chocolate: self.chocolate.clone(),
                mass: own,
                at_hand: dipped.in_vessel + own,
            }],
            goods: vec![Goods::named(&self.name, grams(each_g * count), "dipped")],
            sets: Sets {
                layers: vec![Layer {
                    // The centre takes up heat: the coat sets the faster.
                    goods_per_gram: WARMED_THROUGH * each_g / in_grams(dipped.coat).max(0.1),
                    ..Layer::of(&self.chocolate, coat)
                }],
                may_chill: self.centre != CentreKind::Biscuit,
                ..Sets::default()
            },
            size: Size {
                thickness: Some(coat),
                pieces: Some(Pieces { count, each: grams(each_g) + dipped.coat, area: None }),
                ..Size::default()
            },
            said: Said { notes: dipped.notes, working: dipped.working, ..Said::default() },
            used: self
                .sticks
                .then_some(Used { name: "paper sticks", count, goes: "on them" })
                .into_iter()
                .collect(),
            ..Draft::default()
        };
        if let Some(swirl) = &self.swirl {
            at.chocolate("swirl", swirl)?;
            draft.takes.push(Portion::of(swirl, dipped.coats * SWIRL_SHARE));
            draft.said.notes.push(Note::info("swirl-lines", say::swirl_lines()));
        }
        draft.said.notes.extend(centre_remarks(temp));
        draft.said.notes.extend(self.remarks());
        draft.tasks = self.tasks(at);
        draft.said.checks = vec![say::check_centres(), say::check_vessel(), say::check_foot()];
        draft.said.mistakes = vec![FINE_CRACKS, SUGAR_BLOOM];
        draft.said.keeps = Some(self.keeps());
        if let (Some(made), Some(recipe)) = (&self.made, recipe) {
            let total = grams(each_g * count * (1.0 + STAYS_BEHIND));
            draft.goods = of_recipe((&recipe, &made.parts), total, "in the centres", at);
            let balance = recipe.balance();
            draft.said.keeps = Some(balance.keeping());
            // What is known of them stands in for what is usual of their kind.
            draft.said.notes.retain(|note| note.code != "perishable");
            draft.said.notes.extend(balance.notes.iter().cloned());
            draft.said.notes.extend(made.remark(balance.texture));
            draft.said.working.extend(balance.working.iter().cloned());
            let first = made.tasks(&self.name, &recipe, self.count, grams(each_g));
            draft.tasks.splice(0..0, first);
            draft.shown.filling = Some(balance);
        }
        Some(draft)
    }

    fn ingredients_mut(&mut self) -> Option<&mut Vec<IngredientInputs>> {
        self.made.as_mut().map(|made| &mut made.parts)
    }
}

impl DippedInputs {
    fn keeps(&self) -> Lasts {
        match self.centre {
            CentreKind::Fruit => Lasts::cold(1.0, say::keeps_fruit()),
            CentreKind::Truffle => Lasts::cold(10.0, say::keeps_truffle(COLD_C)),
            CentreKind::Biscuit => Lasts::weeks(3.0, say::keeps_biscuit()),
            CentreKind::Dry => Lasts::weeks(6.0, say::keeps_dry()),
        }
    }

    fn remarks(&self) -> Vec<Note> {
        let mut notes = Vec::new();
        match self.centre {
            CentreKind::Fruit => notes.push(Note::caution("fruit-dry", say::fruit_dry())),
            CentreKind::Truffle => notes.push(Note::caution("perishable", say::perishable())),
            CentreKind::Biscuit | CentreKind::Dry => {}
        }
        if self.sticks {
            notes.push(Note::caution("sticks", say::sticks_note()));
        }
        notes
    }

    fn tasks(&self, at: &Drafting<'_>) -> Vec<TaskDraft> {
        let label = at.label(&self.chocolate);
        let mut tasks = vec![TaskDraft::new(
            "line",
            if self.sticks { say::set_up_the_stand() } else { say::line() },
            say::line_how(),
            60.0,
        )];
        if self.sticks {
            tasks.push(
                TaskDraft::new(
                    "sticks",
                    say::sticks(&label),
                    say::sticks_how(),
                    6.0 * f64::from(self.count),
                )
                .with(&self.chocolate),
            );
        }
        tasks.push(
            TaskDraft::new("fill-vessel", say::fill_vessel(&label), say::fill_vessel_how(), 30.0)
                .with(&self.chocolate),
        );
        let (text, how) = match &self.swirl {
            Some(swirl) => {
                (say::pour_with_swirl(&self.name, at.label(swirl)), say::pour_with_swirl_how())
            }
            None => (say::pour(&self.name), say::pour_how()),
        };
        let seconds = ONE_DIP_S * f64::from(self.count);
        let mut pour =
            TaskDraft::new("pour", text, how, seconds.min(7_200.0)).minding(cautions::allergens());
        pour = pour.with(self.swirl.as_deref().unwrap_or(&self.chocolate));
        if self.sticks {
            pour = pour.since("sticks", 0).from(Timing::TouchDry, say::pour_from());
        }
        tasks.push(pour);
        let mut end = set_and_release("pour", 0, at.fridge && self.centre != CentreKind::Biscuit);
        if let Some(peel) = end.iter_mut().find(|task| task.key == "peel") {
            peel.text = say::take_off();
            peel.detail = say::take_off_how();
        }
        tasks.extend(end);
        tasks
    }
}
