//! Bars and pieces cast solid: plain, with goods folded in, with something on their backs.

use serde::{Deserialize, Serialize};

use super::Work;
use super::cast::{CastInputs, WallInputs, Within};
use super::draft::Draft;
use super::drafting::Drafting;
use super::goods::{MixedInInputs, ToppingInputs, mixed_in, on_top_of, scatter, within_what_binds};
use super::kinds::{DARK, Group, Starting, cast};
use super::mistakes::{
    COLOUR_STAYS, FALLS_APART, FINE_CRACKS, PINHOLES, STAYS_IN_MOULD, STREAKS, SUGAR_BLOOM,
    TOPPING_FALLS_OFF,
};
use super::painted::{PaintedInputs, paint, painted_keys};
use super::parts::Pieces;
use super::shells::begun;
use super::task::TaskDraft;
use super::toe::ToeInputs;
use crate::catalogue::cautions;
use crate::catalogue::work::{slab, solids as say};
use crate::shell::{CavityInputs, CavityShape, MouldInputs, melted_density};
use crate::units::Mass;

/// Folding goods in takes so long, s (*custom*).
const FOLDS_S: f64 = 60.0;

/// Bars and pieces, as the maker states them.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SolidsInputs {
    /// Mould, colours; its wall is solid.
    pub cast: CastInputs,
    /// What is folded in.
    #[serde(default)]
    pub mixed_in: Vec<MixedInInputs>,
    /// What goes on their backs.
    #[serde(default)]
    pub toppings: Vec<ToppingInputs>,
    /// What is dipped of them in the end.
    #[serde(default)]
    pub dipped: Option<ToeInputs>,
    /// What is painted or dusted on them once they are made.
    #[serde(default)]
    pub painted: Vec<PaintedInputs>,
}

impl Work for SolidsInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Solid bars and pieces",
            group: Group::Moulded,
            words: "bar, tablet, block, coins, discs, lollies, moulded clusters, nut bar, solid figure, chocolates without filling",
            how: "A mould filled to the brim: bars and pieces, with nuts in them or on them.",
            families: DARK,
            colours: &[],
            start: Self {
                cast: CastInputs {
                    wall: WallInputs::Solid {},
                    ..cast(
                        MouldInputs {
                            cavity: CavityInputs {
                                shape: CavityShape::Block,
                                length_mm: Some(150.0),
                                width_mm: Some(75.0),
                                depth_mm: Some(8.0),
                                ..CavityInputs::default()
                            },
                            ..MouldInputs::hemispheres(30.0, 3)
                        },
                        2.0,
                    )
                },
                mixed_in: Vec::new(),
                toppings: Vec::new(),
                dipped: None,
                painted: Vec::new(),
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        let dipped = self.dipped.iter_mut().map(|toe| &mut toe.chocolate);
        let painted = painted_keys(&mut self.painted);
        self.cast.keys_mut().into_iter().chain(dipped).chain(painted).collect()
    }

    fn cast_mut(&mut self) -> Option<&mut CastInputs> {
        Some(&mut self.cast)
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let mixed = mixed_in(&self.mixed_in, at.check);
        if !self.cast.is_solid() {
            at.check.fault("cast.wall.by", say::must_be_solid());
        }
        if self.cast.mould.two_sided && !self.toppings.is_empty() {
            at.check.fault("toppings", say::no_back());
        }
        let within = Within { mixed: (!mixed.is_empty()).then_some(&mixed), ..Within::default() };
        let chocolate = at.chocolate("cast.chocolate", &self.cast.chocolate)?;
        let lined = self.cast.lined(1, within, at)?;
        let (cavity, count) = (lined.cavity, f64::from(self.cast.count(1)));
        let kept = lined.cast.kept;
        if kept <= Mass::default() {
            at.check.fault("mixed_in", say::no_room(mixed.fixed()));
            return None;
        }
        let surface = cavity.area * count;
        let mut draft = begun(lined);
        draft.size.thickness = Some(cavity.volume / cavity.opening);
        let density = melted_density(&chocolate);
        within_what_binds(&mut draft, &self.mixed_in, &mixed, density, kept, at);
        if let Some(layer) = draft.sets.layers.first_mut() {
            layer.goods_per_gram = (mixed.dry(kept) / kept).value;
        }
        let each = (kept + mixed.dry(kept)) / count;
        draft.size.pieces = Some(Pieces { count, each, area: Some(cavity.opening) });
        on_top_of(&mut draft, cavity.opening * count, 0, &self.toppings, at);
        if !self.mixed_in.is_empty()
            && let Some(pour) = draft.tasks.iter().position(|task| task.key == "pour")
        {
            let label = at.label(&self.cast.chocolate);
            let fold = TaskDraft::new("fold", slab::fold(label), slab::fold_how(), FOLDS_S);
            let fold = fold.with(&self.cast.chocolate).minding(cautions::allergens());
            let waits = (draft.tasks[pour].since.take(), draft.tasks[pour].from.take());
            let until = draft.tasks[pour].until.take();
            let missed = draft.tasks[pour].missed.take();
            let (since, from) = waits;
            draft.tasks.insert(pour, TaskDraft { since, from, until, missed, ..fold });
        }
        let top = scatter(&self.toppings, &draft, "pour", 0);
        draft.tasks.extend(top);
        draft.tasks.extend(self.cast.ends(at.fridge));
        if let Some(toe) = &self.dipped {
            toe.dip(&mut draft, cavity.area + cavity.opening, count, at)?;
        }
        draft.said.checks = vec![say::check_level(), say::check_air(), say::check_cloudy()];
        draft.said.mistakes = vec![STAYS_IN_MOULD, PINHOLES, STREAKS, FINE_CRACKS, SUGAR_BLOOM];
        if !self.mixed_in.is_empty() {
            draft.said.mistakes.push(FALLS_APART);
        }
        if !self.toppings.is_empty() {
            draft.said.mistakes.push(TOPPING_FALLS_OFF);
        }
        if !self.cast.colours.is_empty() {
            draft.said.mistakes.push(COLOUR_STAYS);
        }
        paint(&mut draft, &self.painted, surface, at);
        Some(draft)
    }

    fn mixed_in_mut(&mut self) -> Option<&mut Vec<MixedInInputs>> {
        Some(&mut self.mixed_in)
    }

    fn toppings_mut(&mut self) -> Option<&mut Vec<ToppingInputs>> {
        Some(&mut self.toppings)
    }
}
