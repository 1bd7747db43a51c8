//! The plan of a component: what goes in, how it lies, how it is built.

use craft::colour::Way;
use craft::keeping::Store;
use craft::message::Message;
use craft::note::{Note, Working};
use craft::plan::{Keeping, PlannedComponent};
use craft::spread::Tray;
use craft::spread::mixed::Mixed;
use craft::spread::topping::OnTop;
use craft::units::{in_millimetres, in_square_centimetres};
use craft::work::{Mistake, PaintedLook, Pieces, TrayInputs};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;
use uuid::Uuid;

use super::figures::{FridgeAnswer, SettingAnswer};
use super::filling::FillingAnswer;
use super::moulded::{CastAnswer, FaceAnswer};
use super::{grams, round};

/// What is folded in.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct MixedInAnswer {
    /// What it is.
    pub name: String,
    /// What it weighs.
    pub mass_g: f64,
    /// The share of the room that it takes up.
    pub volume_pct: f64,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<(String, Mixed)> for MixedInAnswer {
    fn from((name, mixed): (String, Mixed)) -> Self {
        Self {
            name,
            mass_g: grams(mixed.dry),
            volume_pct: round(mixed.volume_share * 100.0, 1),
            sum: mixed.working,
        }
    }
}

/// What goes on top.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ToppingAnswer {
    /// What it is.
    pub name: String,
    /// How many of it.
    pub count: f64,
    /// What they weigh.
    pub mass_g: f64,
    /// How much of the slab they cover.
    pub covered_pct: f64,
    /// How many pieces the slab breaks into, where their size is known.
    pub pieces: Option<f64>,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<(String, OnTop)> for ToppingAnswer {
    fn from((name, on_top): (String, OnTop)) -> Self {
        Self {
            name,
            count: on_top.count,
            mass_g: grams(on_top.mass),
            covered_pct: round(on_top.covered * 100.0, 1),
            pieces: on_top.pieces.map(f64::floor),
            sum: on_top.working,
        }
    }
}

/// What a component takes from a bowl.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct PortionAnswer {
    /// The chocolate's key.
    pub chocolate: String,
    /// How much of it is in the piece.
    pub mass_g: f64,
    /// How much must be at hand for it.
    pub at_hand_g: f64,
}

/// What goes in besides chocolate.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct GoodsAnswer {
    /// What it is.
    pub name: String,
    /// What it weighs.
    pub mass_g: f64,
    /// Where it goes: "mixed in", "on top".
    pub goes: String,
    /// What is bought and weighed out for it: itself, where it is not prepared.
    pub bought: Vec<BoughtAnswer>,
}

/// What is used up with it and nobody eats: sticks, sheets, bags.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct UsedAnswer {
    /// What it is.
    pub name: String,
    /// How many.
    pub count: f64,
    /// What for.
    pub goes: String,
}

/// What is bought and weighed out.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct BoughtAnswer {
    /// What it is.
    pub name: String,
    /// What it weighs.
    pub mass_g: f64,
    /// The goods in the pantry that it is, where it was picked there.
    pub goods_id: Option<Uuid>,
}

/// A layer, the lowest first.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct LayerAnswer {
    /// The chocolate's key.
    pub chocolate: String,
    /// How thick, once set.
    pub thickness_mm: f64,
    /// Its own colour, where it is coloured.
    pub colour: Option<String>,
    /// The share of the slab that it makes up; 100 for a layer of its own.
    pub share_pct: f64,
}

/// How many pieces come of it.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct PiecesAnswer {
    /// How many.
    pub count: f64,
    /// What one weighs, all told.
    pub each_g: f64,
    /// How large one is, where it is part of a slab.
    pub area_cm2: Option<f64>,
}

impl From<Pieces> for PiecesAnswer {
    fn from(pieces: Pieces) -> Self {
        Self {
            count: round(pieces.count, 1),
            each_g: grams(pieces.each),
            area_cm2: pieces.area.map(|area| round(in_square_centimetres(area), 2)),
        }
    }
}

/// What goes wrong, and what to do.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct MistakeAnswer {
    /// What is seen.
    pub seen: String,
    /// Likely causes.
    pub cause: String,
    /// What can still be done.
    pub rescue: String,
    /// How it is avoided.
    pub next_time: String,
}

impl From<Mistake> for MistakeAnswer {
    fn from(mistake: Mistake) -> Self {
        Self {
            seen: mistake.seen.to_owned(),
            cause: mistake.cause.to_owned(),
            rescue: mistake.rescue.to_owned(),
            next_time: mistake.next_time.to_owned(),
        }
    }
}

/// What a slab covers.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize, ToSchema)]
#[serde(tag = "shape", rename_all = "snake_case", deny_unknown_fields)]
pub enum OutlineAnswer {
    /// Straight sides.
    Rectangle {
        /// The longer side.
        length_mm: f64,
        /// The shorter side.
        width_mm: f64,
    },
    /// Round.
    Round {
        /// Across.
        diameter_mm: f64,
    },
    /// A puddle.
    Free {
        /// Its area.
        area_cm2: f64,
    },
}

impl From<OutlineAnswer> for TrayInputs {
    fn from(outline: OutlineAnswer) -> Self {
        match outline {
            OutlineAnswer::Rectangle { length_mm, width_mm } => {
                Self::Rectangle { length_mm, width_mm, rim_mm: None }
            }
            OutlineAnswer::Round { diameter_mm } => Self::Round { diameter_mm, rim_mm: None },
            OutlineAnswer::Free { area_cm2 } => Self::Area { area_cm2 },
        }
    }
}

impl From<Tray> for OutlineAnswer {
    fn from(tray: Tray) -> Self {
        let mm = |length| round(in_millimetres(length), 1);
        match tray {
            Tray::Rectangle { length, width } => {
                Self::Rectangle { length_mm: mm(length), width_mm: mm(width) }
            }
            Tray::Round { diameter } => Self::Round { diameter_mm: mm(diameter) },
            Tray::Area(area) => Self::Free { area_cm2: round(in_square_centimetres(area), 1) },
        }
    }
}

/// How something is kept.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct KeepingAnswer {
    /// Days, at the most; `null` where only a date of its own tells.
    pub days: Option<f64>,
    /// Where.
    pub store: Store,
    /// How it is stored, in words.
    pub storage: Message,
    /// What it must not lie beside.
    pub apart: Vec<Message>,
}

impl From<Keeping> for KeepingAnswer {
    fn from(keeping: Keeping) -> Self {
        let Keeping { days, store, storage, apart, .. } = keeping;
        Self { days, store, storage, apart }
    }
}

/// How something painted or dusted on looks.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct PaintedAnswer {
    /// Its colour on the chocolate, `#rrggbb`.
    pub looks: String,
    /// How it is put on; `null` for a dust.
    pub way: Option<Way>,
    /// How much of the surface it covers.
    pub share_pct: f64,
}

impl From<PaintedLook> for PaintedAnswer {
    fn from(PaintedLook { looks, way, share }: PaintedLook) -> Self {
        Self { looks, way, share_pct: round(share * 100.0, 1) }
    }
}

/// Everything that follows from what is stated of a component.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ComponentPlanAnswer {
    /// Its key.
    pub key: String,
    /// What the maker calls it.
    pub name: String,
    /// What it takes from which bowl.
    pub takes: Vec<PortionAnswer>,
    /// What else goes in.
    pub goods: Vec<GoodsAnswer>,
    /// What is used up with it and nobody eats.
    pub used: Vec<UsedAnswer>,
    /// How it lies, the lowest first.
    pub layers: Vec<LayerAnswer>,
    /// What it covers.
    pub outline: Option<OutlineAnswer>,
    /// Its area.
    pub area_cm2: Option<f64>,
    /// How thick it is in all.
    pub thickness_mm: Option<f64>,
    /// How long, where it is a strip or a line.
    pub length_mm: Option<f64>,
    /// How many pieces come of it.
    pub pieces: Option<PiecesAnswer>,
    /// How much of a marbled surface is stirred through.
    pub muddied_pct: Option<f64>,
    /// How its underside looks: matt, gloss, printed, painted, flecked.
    pub underside: Option<String>,
    /// How its face looks, where it is coloured.
    pub face: Option<FaceAnswer>,
    /// How what is painted or dusted on finished pieces looks, in the order of work.
    #[serde(skip_serializing_if = "Vec::is_empty")]
    #[schema(required = false)]
    pub painted: Vec<PaintedAnswer>,
    /// Its shells, where it is cast.
    pub cast: Option<CastAnswer>,
    /// How what it is filled with, or what is dipped, is balanced, where it goes by a recipe.
    pub filling: Option<FillingAnswer>,
    /// How long it keeps, by its most perishable part, in a sentence.
    pub keeps: Option<Message>,
    /// How it is kept.
    pub keeping: Option<KeepingAnswer>,
    /// What is folded in.
    pub mixed_in: Vec<MixedInAnswer>,
    /// What goes on top, as it was stated.
    pub toppings: Vec<ToppingAnswer>,
    /// After the pour; `null` where it is not chocolate or does not set.
    pub setting: Option<SettingAnswer>,
    /// A stay in the fridge, where there is to be one.
    pub fridge: Option<FridgeAnswer>,
    /// What to look for.
    pub checks: Vec<Message>,
    /// What goes wrong.
    pub mistakes: Vec<MistakeAnswer>,
    /// Remarks and cautions.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<PlannedComponent> for ComponentPlanAnswer {
    fn from(planned: PlannedComponent) -> Self {
        let draft = planned.draft;
        let mm = |length| round(in_millimetres(length), 3);
        let mut notes = draft.said.notes;
        notes.extend(planned.notes);
        Self {
            key: planned.key,
            name: planned.name,
            takes: draft
                .takes
                .into_iter()
                .map(|p| PortionAnswer {
                    chocolate: p.chocolate,
                    mass_g: grams(p.mass),
                    at_hand_g: grams(p.at_hand),
                })
                .collect(),
            used: draft
                .used
                .into_iter()
                .map(|one| UsedAnswer {
                    name: one.name.to_owned(),
                    count: one.count,
                    goes: one.goes.to_owned(),
                })
                .collect(),
            goods: draft
                .goods
                .into_iter()
                .map(|g| GoodsAnswer {
                    bought: g
                        .bought()
                        .map(|one| BoughtAnswer {
                            name: one.name.to_owned(),
                            mass_g: grams(one.mass),
                            goods_id: one.goods_id,
                        })
                        .collect(),
                    name: g.name,
                    mass_g: grams(g.mass),
                    goes: g.goes.to_owned(),
                })
                .collect(),
            layers: draft
                .sets
                .layers
                .into_iter()
                .map(|layer| LayerAnswer {
                    chocolate: layer.chocolate,
                    thickness_mm: mm(layer.thickness),
                    colour: layer.colour,
                    share_pct: round(layer.share * 100.0, 2),
                })
                .collect(),
            outline: draft.size.tray.map(Into::into),
            area_cm2: draft.size.tray.map(|tray| round(in_square_centimetres(tray.area()), 2)),
            thickness_mm: draft.size.thickness.map(mm),
            length_mm: draft.size.length.map(mm),
            pieces: draft.size.pieces.map(Into::into),
            muddied_pct: draft.shown.muddied.map(|share| round(share * 100.0, 1)),
            underside: draft.shown.underside.map(ToOwned::to_owned),
            face: draft.shown.face.map(Into::into),
            painted: draft.shown.painted.into_iter().map(Into::into).collect(),
            cast: draft.shown.cast.map(Into::into),
            filling: draft.shown.filling.map(Into::into),
            keeps: planned.keeping.as_ref().map(|keeping| keeping.text.clone()),
            keeping: planned.keeping.map(Into::into),
            mixed_in: draft.mixed_in.into_iter().map(Into::into).collect(),
            toppings: draft.toppings.into_iter().map(Into::into).collect(),
            setting: planned.setting.map(Into::into),
            fridge: planned.fridge.map(Into::into),
            checks: draft.said.checks,
            mistakes: draft.said.mistakes.into_iter().map(Into::into).collect(),
            notes,
            sum: draft.said.working,
        }
    }
}
