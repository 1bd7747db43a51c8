//! A slab of bark: poured, spread, topped, broken. With dry goods folded in it is
//! mixed-in bark.

use serde::{Deserialize, Serialize};

use super::cover::CoverInputs;
use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::goods::{MixedInInputs, ToppingInputs};
use super::kinds::{DARK, Group, Starting, cover, dark, goods};
use super::mistakes::{
    FALLS_APART, STREAKS, SUGAR_BLOOM, THIN_PATCHES, TOPPING_FALLS_OFF, WILL_NOT_RELEASE,
};
use super::parting::{Lining, broken, set_and_release};
use super::parts::{Goods, Layer, Pieces, Portion, whole};
use super::task::{TaskDraft, Timing};
use super::tray::TrayInputs;
use super::{Cover, Work};
use crate::catalogue::cautions;
use crate::catalogue::steps::so_much_of;
use crate::catalogue::work::slab as say;
use crate::check;
use crate::message::Until;
use crate::setting::Scattered;
use crate::spread::guard::{BARK, hard_pieces};
use crate::spread::mixed::Mixed;
use crate::spread::topping::OnTop;
use crate::units::{Area, Mass, in_grams, square_centimetres};

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
    pub mixed_in: Option<MixedInInputs>,
    /// What goes on top.
    #[serde(default)]
    pub topping: Option<ToppingInputs>,
    /// What it lies on.
    #[serde(default)]
    pub lining: Lining,
    /// How large the pieces are to be.
    #[serde(default)]
    pub piece_cm2: Option<f64>,
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
                    mixed_in: None,
                    topping: None,
                    lining: Lining::Parchment,
                    piece_cm2: None,
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
                    mixed_in: Some(goods()),
                    topping: None,
                    lining: Lining::Parchment,
                    piece_cm2: None,
                },
            },
        ]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        vec![&mut self.chocolate]
    }

    fn tray_mut(&mut self) -> Option<&mut TrayInputs> {
        self.cover.tray_mut()
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let (mut draft, cover) = poured(&self.chocolate, &self.cover, self.mixed_in.as_ref(), at)?;
        on_top(&mut draft, self.topping.as_ref(), at);
        pieces(&mut draft, &cover, self.piece_cm2, at);
        draft.shown.underside = Some(self.lining.underside());
        draft.said.notes.extend(BARK.remark(cover.thickness));
        draft.said.notes.push(hard_pieces());
        draft.tasks = std::iter::once(self.lining.task())
            .chain(pour_and_spread(
                &self.chocolate,
                &at.label(&self.chocolate),
                self.mixed_in.is_some(),
            ))
            .chain(self.topping.is_some().then(|| scatter(draft.goods.last(), "pour", 0)))
            .chain(set_and_release("pour", 0, at.fridge))
            .chain([broken()])
            .collect();
        draft.said.checks = vec![say::check_even(), say::check_dry(), say::check_release()];
        draft.said.mistakes = vec![THIN_PATCHES, WILL_NOT_RELEASE, SUGAR_BLOOM];
        if self.mixed_in.is_some() {
            draft.said.mistakes.extend([STREAKS, FALLS_APART]);
        }
        if self.topping.is_some() {
            draft.said.mistakes.push(TOPPING_FALLS_OFF);
        }
        Some(draft)
    }
}

/// A slab of one chocolate, with dry goods in it or not: its size and what it takes.
pub(super) fn poured(
    key: &str,
    cover: &CoverInputs,
    mixed_in: Option<&MixedInInputs>,
    at: &mut Drafting<'_>,
) -> Option<(Draft, Cover)> {
    let chocolate = at.chocolate("chocolate", key);
    let mixed = mixed_in.map(|mixed| mixed.check("mixed_in", at.check));
    let chocolate = chocolate?;
    let cover = cover.solve(chocolate.solid_density, mixed, &[1.0], at)?;
    let goods_per_gram = mixed.map_or(0.0, |mixed| mixed.parts);
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
    if let (Some(mixed), Some(inputs)) = (mixed, mixed_in) {
        let mixed = Mixed::into_mass(mixed, cover.chocolate, chocolate.solid_density);
        draft.goods.push(at.goods(&inputs.name, mixed.dry, "mixed in"));
        draft.said.notes.extend(mixed.notes.iter().cloned());
        draft.mixed_in = Some(mixed);
    }
    Some((draft, cover))
}

/// Puts a topping on what is drafted.
pub(super) fn on_top(draft: &mut Draft, topping: Option<&ToppingInputs>, at: &mut Drafting<'_>) {
    let (Some(inputs), Some(tray)) = (topping, draft.size.tray) else { return };
    let chocolate = draft.takes.iter().fold(Mass::default(), |sum, p| sum + p.mass);
    let (topping, wish) = inputs.check("topping", chocolate, at.check);
    let on_top: OnTop = topping.on(tray.area(), wish);
    draft.goods.push(at.goods(&inputs.name, on_top.mass, "on top"));
    draft.said.notes.extend(on_top.notes.iter().cloned());
    if let Some(pieces) = &mut draft.size.pieces {
        // What is counted in bags and pieces weighs with what lies on it.
        pieces.each += on_top.mass / pieces.count.max(1.0);
    }
    if let Some(top) = draft.sets.layers.last_mut() {
        // It is at room temperature and takes heat out of what it falls on.
        let layer = in_grams(chocolate) * top.share;
        top.on_top =
            Scattered { per_gram: in_grams(on_top.mass) / layer.max(1.0), covered: on_top.covered };
    }
    draft.topping = Some(on_top);
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

/// Scatter what goes on top while it sticks.
pub(super) fn scatter(goods: Option<&Goods>, since: &str, layer: usize) -> TaskDraft {
    let what = goods.map_or_else(say::the_topping, |goods| so_much_of(goods.mass, &goods.name));
    TaskDraft::new("top", say::top(what), say::top_how(), 60.0)
        .minding(cautions::allergens())
        .since(since, layer)
        .until(Timing::ToppingUntil, say::top_until(Until), say::top_late())
}
