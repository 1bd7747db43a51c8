//! A slab of bark: poured, spread, topped, broken. With dry goods folded in it is
//! mixed-in bark.

use serde::{Deserialize, Serialize};

use super::cover::CoverInputs;
use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::face_texture::FaceTexture;
use super::goods::{
    MixedInInputs, ToppingInputs, mixed_in, on_top, scatter, weigh_on, within_what_binds,
};
use super::kinds::{DARK, Group, Starting, cover, dark, goods};
use super::mistakes::{
    FALLS_APART, STREAKS, SUGAR_BLOOM, THIN_PATCHES, TOPPING_FALLS_OFF, WILL_NOT_RELEASE,
};
use super::parting::{Lining, broken, set_and_release};
use super::parts::{Layer, Pieces, Portion, whole};
use super::task::TaskDraft;
use super::{Cover, Wanted, Work};
use crate::catalogue::cautions;
use crate::catalogue::work::slab as say;
use crate::check;
use crate::spread::guard::{BARK, hard_pieces};
use crate::units::{Area, Mass, square_centimetres};

/// A slab of bark, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SlabInputs {
    /// Its chocolate, by key.
    pub chocolate: String,
    /// What is known of its size.
    pub cover: CoverInputs,
    /// What is folded in.
    #[serde(default)]
    pub mixed_in: Vec<MixedInInputs>,
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

impl Work for SlabInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![
            Starting {
                name: "Slab of bark",
                group: Group::Flat,
                words: "bark, tablet, sheet of chocolate, break-up, broken chocolate, topped slab, nuts on top",
                how: "Poured, spread, topped, broken by hand.",
                families: DARK,
                colours: &[],
                start: Self {
                    chocolate: dark(),
                    cover: cover(4.0),
                    mixed_in: Vec::new(),
                    toppings: Vec::new(),
                    lining: Lining::Parchment,
                    piece_cm2: None,
                    texture: None,
                },
            },
            Starting {
                name: "Mixed-in bark",
                group: Group::Flat,
                words: "rocky, crunchy bark, with raisins, with nuts, with cereal, chunky slab",
                how: "Dry goods folded in, then spread.",
                families: DARK,
                colours: &[],
                start: Self {
                    chocolate: dark(),
                    cover: cover(7.0),
                    mixed_in: vec![goods()],
                    toppings: Vec::new(),
                    lining: Lining::Parchment,
                    piece_cm2: None,
                    texture: None,
                },
            },
        ]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        vec![&mut self.chocolate]
    }

    fn cover_mut(&mut self) -> Option<&mut CoverInputs> {
        Some(&mut self.cover)
    }

    fn make(&mut self, wanted: Wanted) -> bool {
        self.cover.make(wanted)
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let (mut draft, cover) =
            poured(&self.chocolate, &self.cover, &self.mixed_in, &self.toppings, at)?;
        on_top(&mut draft, &self.toppings, at);
        pieces(&mut draft, &cover, self.piece_cm2, at);
        draft.used.extend(self.lining.sheet().into_iter().chain(self.cover.bags()));
        draft.shown.underside = Some(self.lining.underside());
        draft.said.notes.extend(BARK.remark(cover.thickness));
        draft.said.notes.push(hard_pieces());
        draft.tasks = std::iter::once(self.lining.task())
            .chain(pour_and_spread(
                &self.chocolate,
                &at.label(&self.chocolate),
                !self.mixed_in.is_empty(),
            ))
            .chain(scatter(&self.toppings, &draft, "pour", 0))
            .chain(set_and_release("pour", 0, at.fridge))
            .chain([broken()])
            .collect();
        self.lining.comes_off(&mut draft.tasks);
        if let Some(texture) = self.texture {
            texture.draw(&mut draft, ("pour", 0), !self.toppings.is_empty(), at);
        }
        draft.said.checks = vec![say::check_even(), say::check_dry(), say::check_release()];
        draft.said.mistakes = vec![THIN_PATCHES, WILL_NOT_RELEASE, SUGAR_BLOOM];
        if !self.mixed_in.is_empty() {
            draft.said.mistakes.extend([STREAKS, FALLS_APART]);
        }
        if !self.toppings.is_empty() {
            draft.said.mistakes.push(TOPPING_FALLS_OFF);
        }
        Some(draft)
    }

    fn mixed_in_mut(&mut self) -> Option<&mut Vec<MixedInInputs>> {
        Some(&mut self.mixed_in)
    }

    fn toppings_mut(&mut self) -> Option<&mut Vec<ToppingInputs>> {
        Some(&mut self.toppings)
    }
}

/// A slab of one chocolate, with dry goods in it or not: its size and what it takes.
pub(super) fn poured(
    key: &str,
    cover: &CoverInputs,
    goods: &[MixedInInputs],
    toppings: &[ToppingInputs],
    at: &mut Drafting<'_>,
) -> Option<(Draft, Cover)> {
    let chocolate = at.chocolate("chocolate", key);
    let mixed = mixed_in(goods, at.check);
    let chocolate = chocolate?;
    let on_top = |slab, chocolate| weigh_on(toppings, slab, chocolate);
    let cover = cover.solve(chocolate.solid_density, &mixed, &[1.0], &on_top, at)?;
    let goods_per_gram = (mixed.dry(cover.chocolate) / cover.chocolate).value;
    let mut draft = Draft {
        takes: vec![Portion::of(key, cover.chocolate)],
        sets: Sets {
            layers: vec![Layer { goods_per_gram, ..Layer::of(key, cover.thickness) }],
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
    within_what_binds(&mut draft, goods, &mixed, chocolate.solid_density, cover.chocolate, at);
    Some((draft, cover))
}

/// How many pieces a slab gives, where their size is stated.
pub(super) fn pieces(
    draft: &mut Draft,
    cover: &Cover,
    piece_cm2: Option<f64>,
    at: &mut Drafting<'_>,
) {
    let Some(cm2) = piece_cm2 else { return };
    let piece: Area = square_centimetres(at.number("piece_cm2", cm2, check::PIECE_CM2));
    let goods = draft.goods.iter().fold(Mass::default(), |sum, goods| sum + goods.mass);
    let takes = draft.takes.iter().fold(Mass::default(), |sum, portion| sum + portion.mass);
    let count = whole((cover.tray.area() / piece).value);
    if !at.check.has_faults() && count < 1.0 {
        at.check.fault("piece_cm2", say::smaller_than_slab());
    }
    let count = count.max(1.0);
    draft.size.pieces = Some(Pieces { count, each: (takes + goods) / count, area: Some(piece) });
}

/// Pour, spread, tap.
pub(super) fn pour_and_spread(chocolate: &str, label: &str, mixed: bool) -> Vec<TaskDraft> {
    let mut tasks = Vec::new();
    if mixed {
        tasks.push(
            TaskDraft::new("fold", say::fold(label), say::fold_how(), 60.0)
                .with(chocolate)
                .minding(cautions::allergens()),
        );
    }
    tasks.push(TaskDraft::new("pour", say::pour(label), say::pour_how(), 30.0).with(chocolate));
    tasks.push(TaskDraft::new("spread", say::spread(), say::spread_how(), 60.0));
    tasks.push(TaskDraft::new("tap", say::tap(), say::tap_how(), 15.0));
    tasks
}
