//! Two to four chocolates over each other.

use serde::{Deserialize, Serialize};

use super::draft::{Draft, Sets, Size};
use super::drafting::Drafting;
use super::face_texture::FaceTexture;
use super::goods::{ToppingInputs, on_top, scatter};
use super::kinds::{DARK_AND_WHITE, Group, Starting, dark, topped, tray, white};
use super::mistakes::{LAYERS_PART, SUGAR_BLOOM, TOPPING_FALLS_OFF, WILL_NOT_RELEASE};
use super::parting::{Lining, broken, set_and_release, touched};
use super::parts::{Layer, Portion};
use super::slab::pieces;
use super::task::{TaskDraft, Timing};
use super::tray::TrayInputs;
use super::{Cover, Wanted, Work};
use crate::catalogue::work::layered as say;
use crate::check;
use crate::message::Until;
use crate::note::{Note, Working};
use crate::spread::guard::{BARK, hard_pieces};
use crate::units::{Length, in_grams, in_millimetres, millimetres};

/// Layers at least and at most.
const LAYERS: [usize; 2] = [2, 4];

/// One layer, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LayerInputs {
    /// Its chocolate, by key.
    pub chocolate: String,
    /// How thick, once set.
    pub thickness_mm: f64,
}

/// Layered bark, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LayeredInputs {
    /// What it is spread in.
    pub tray: TrayInputs,
    /// The layers, the lowest first.
    pub layers: Vec<LayerInputs>,
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

impl Work for LayeredInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Layered bark",
            group: Group::Flat,
            words: "two layers, mint bark, white and dark, stripes in section, sandwich",
            how: "Two to four chocolates, one over the other.",
            families: DARK_AND_WHITE,
            colours: &[],
            start: Self {
                tray: tray(),
                layers: [dark(), white()]
                    .map(|chocolate| LayerInputs { chocolate, thickness_mm: 3.0 })
                    .into(),
                toppings: vec![topped()],
                lining: Lining::Parchment,
                piece_cm2: None,
                texture: None,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        self.layers.iter_mut().map(|layer| &mut layer.chocolate).collect()
    }

    fn tray_mut(&mut self) -> Option<&mut TrayInputs> {
        Some(&mut self.tray)
    }

    fn make(&mut self, wanted: Wanted) -> bool {
        self.tray = TrayInputs::Area { area_cm2: wanted.area_cm2 };
        true
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let [least, most] = LAYERS;
        if !(least..=most).contains(&self.layers.len()) {
            let there = self.layers.len();
            at.check.fault("layers", say::layers(least, most, there));
        }
        let tray = self.tray.check("tray", at.check);
        let mut draft = Draft {
            size: Size { tray: Some(tray), ..Size::default() },
            sets: Sets { may_chill: true, ..Sets::default() },
            ..Draft::default()
        };
        draft.said.working.push(Working::new(
            "area",
            crate::units::in_square_centimetres(tray.area()),
            "cm²",
        ));
        let mut all = Length::default();
        for (i, layer) in self.layers.iter().enumerate() {
            let mm = at.number(
                format_args!("layers[{i}].thickness_mm"),
                layer.thickness_mm,
                check::SLAB_MM,
            );
            let chocolate = at.chocolate(&format!("layers[{i}].chocolate"), &layer.chocolate)?;
            let thickness = millimetres(mm);
            let mass = tray.area() * thickness * chocolate.solid_density;
            all += thickness;
            draft.takes.push(Portion::of(&layer.chocolate, mass));
            draft.said.working.push(Working::new("a layer takes", in_grams(mass), "g"));
            draft.sets.layers.push(Layer::of(&layer.chocolate, thickness));
        }
        self.tray.holds("tray", "layers", all, at.check);
        draft.said.working.push(Working::new("thickness in all", in_millimetres(all), "mm"));
        draft.size.thickness = Some(all);
        draft.shown.underside = Some(self.lining.underside());
        draft.used.extend(self.lining.sheet());
        draft.said.notes.extend(BARK.remark(all));
        on_top(&mut draft, &self.toppings, at);
        let cover = Cover {
            tray,
            thickness: all,
            chocolate: draft.takes.iter().map(|p| p.mass).fold(Default::default(), |a, b| a + b),
            portions: None,
            working: Vec::new(),
        };
        pieces(&mut draft, &cover, self.piece_cm2, at);
        draft.said.notes.push(Note::info("layer-grip", say::layer_grip()));
        draft.said.notes.push(hard_pieces());
        let last = self.layers.len().saturating_sub(1);
        draft.sets.governs = last;
        draft.tasks = std::iter::once(self.lining.task())
            .chain(self.layers.iter().enumerate().flat_map(|(i, layer)| {
                pour_layer(i, &layer.chocolate, &at.label(&layer.chocolate))
            }))
            .chain(scatter(&self.toppings, &draft, &pour_key(last), last))
            .chain(set_and_release(&pour_key(last), last, at.fridge))
            .chain([broken()])
            .collect();
        if let Some(texture) = self.texture {
            let topped = !self.toppings.is_empty();
            texture.draw(&mut draft, (&pour_key(last), last), topped, at);
        }
        self.lining.comes_off(&mut draft.tasks);
        draft.said.checks = vec![say::check_below(), say::check_upper(), say::check_topping()];
        draft.said.mistakes = vec![LAYERS_PART, WILL_NOT_RELEASE, SUGAR_BLOOM];
        if !self.toppings.is_empty() {
            draft.said.mistakes.push(TOPPING_FALLS_OFF);
        }
        Some(draft)
    }

    fn toppings_mut(&mut self) -> Option<&mut Vec<ToppingInputs>> {
        Some(&mut self.toppings)
    }
}

/// The task that pours a layer.
fn pour_key(layer: usize) -> String {
    if layer == 0 { "pour".to_owned() } else { format!("pour-{}", layer + 1) }
}

fn pour_layer(i: usize, chocolate: &str, label: &str) -> Vec<TaskDraft> {
    let say = [say::pour_first, say::pour_second, say::pour_third, say::pour_fourth];
    let key = pour_key(i);
    let pour = TaskDraft::new(
        &key,
        say[i.min(say.len() - 1)](label),
        if i == 0 { say::pour_first_how() } else { say::pour_next_how() },
        30.0,
    )
    .with(chocolate);
    let spread =
        TaskDraft::new(&format!("spread-{}", i + 1), say::spread(), say::spread_how(), 60.0);
    if i == 0 {
        return vec![pour, spread];
    }
    let below = pour_key(i - 1);
    let touch =
        touched(&format!("touch-dry-{i}"), say::touch_dry(), &below, i - 1, say::touch_dry_from());
    let pour = pour.since(&below, i - 1).until(
        Timing::SecondLayerUntil,
        say::touch_dry_until(Until),
        say::touch_dry_late(),
    );
    vec![touch, pour, spread]
}
