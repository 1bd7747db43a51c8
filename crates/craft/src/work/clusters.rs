//! Dry goods bound by chocolate, spooned into mounds.

use serde::{Deserialize, Serialize};

use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::goods::{MixedInInputs, mixed_in, within_what_binds};
use super::kinds::{DARK, Group, Starting, dark, goods};
use super::mistakes::{FALLS_APART, STREAKS, SUGAR_BLOOM, WILL_NOT_RELEASE};
use super::parting::set_and_release;
use super::parts::{Layer, Pieces, Portion};
use super::task::{TaskDraft, Timing};
use super::{Wanted, Work};
use crate::catalogue::cautions;
use crate::catalogue::work::{clusters as say, goods::no_room};
use crate::check;
use crate::message::Until;
use crate::note::{Note, Working};
use crate::units::{Mass, Volume, grams, in_grams, in_millimetres, millimetres};

/// One mound is spooned in so long, s (*custom*).
const SPOONED_IN_S: f64 = 6.0;
/// While it is shaped the goods are warmed so far through: nuts are slow (*custom*; twenty
/// were shaped from one mixing).
const WARMED_THROUGH: f64 = 0.4;
/// Between the pieces of a mound is so much air (*custom*).
const AIR: f64 = 0.35;

/// Clusters, as the maker states them.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ClustersInputs {
    /// The chocolate that binds them, by key.
    pub chocolate: String,
    /// The dry goods.
    pub mixed_in: Vec<MixedInInputs>,
    /// How many.
    pub count: u32,
    /// What one weighs, goods and chocolate.
    pub each_g: f64,
    /// Coarse salt on top at the end.
    #[serde(default)]
    pub salted: bool,
}

impl Work for ClustersInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Clusters",
            group: Group::Flat,
            words: "rocks, haystacks, crispies, nut clusters, drops, mounds",
            how: "Dry goods bound by chocolate, spooned into mounds.",
            families: DARK,
            colours: &[],
            start: Self {
                chocolate: dark(),
                mixed_in: vec![goods()],
                count: 24,
                each_g: 12.0,
                salted: false,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        vec![&mut self.chocolate]
    }

    fn make(&mut self, wanted: Wanted) -> bool {
        self.count = wanted.pieces;
        true
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let chocolate = at.chocolate("chocolate", &self.chocolate);
        let mixed = mixed_in(&self.mixed_in, at.check);
        if self.mixed_in.is_empty() {
            at.check.fault("mixed_in", say::something_to_bind());
        }
        let count = at.number("count", f64::from(self.count), check::PIECES);
        let each = grams(at.number("each_g", self.each_g, check::CLUSTER_G));
        let chocolate = chocolate?;
        let mass = (each * count - mixed.fixed()) / (1.0 + mixed.parts());
        if !at.check.has_faults() && mass <= Mass::default() {
            at.check.fault("mixed_in", no_room(mixed.fixed()));
        }
        if !at.check.has_faults() && !check::CHOCOLATE_G.contain(in_grams(mass)) {
            at.check.fault("count", say::must_come_to(check::CHOCOLATE_G, mass));
        }
        let density = chocolate.solid_density;
        let (dry, room) = (mixed.dry(mass), mixed.room(mass, density));
        let parts = (dry / mass).value;
        // A mound is about a half ball; what sets is the chocolate between the goods.
        let solid: Volume = room / count;
        let mound_mm3 = solid.value * 1e9 / (1.0 - AIR);
        let radius_mm = (mound_mm3 * 1.5 / std::f64::consts::PI).cbrt();
        let height = millimetres(radius_mm);
        let mut draft = Draft {
            takes: vec![Portion::of(&self.chocolate, mass)],
            sets: Sets {
                layers: vec![Layer {
                    goods_per_gram: parts * WARMED_THROUGH,
                    // A half ball has three times the surface to its volume that a slab
                    // of its height has.
                    ..Layer::of(&self.chocolate, height / 3.0)
                }],
                may_chill: true,
                ..Sets::default()
            },
            size: Size {
                thickness: Some(height),
                pieces: Some(Pieces { count, each, area: None }),
                ..Size::default()
            },
            said: Said {
                working: vec![
                    Working::new("clusters", count, ""),
                    Working::new("each weighs", in_grams(each), "g"),
                    Working::new("dry goods to one of chocolate", parts, ""),
                    Working::new("chocolate in them", in_grams(mass), "g"),
                    Working::new("dry goods", in_grams(dry), "g"),
                    Working::new("a mound is high about", in_millimetres(height), "mm"),
                    Working::new("spooning them takes about", SPOONED_IN_S * count, "s"),
                ],
                ..Said::default()
            },
            ..Draft::default()
        };
        within_what_binds(&mut draft, &self.mixed_in, &mixed, density, mass, at);
        draft.said.notes.push(Note::info("clusters-quick", say::clusters_quick()));
        draft.tasks = vec![
            TaskDraft::new("line", say::line(), say::line_how(), 30.0),
            TaskDraft::new("pour", say::pour(at.label(&self.chocolate)), say::pour_how(), 60.0)
                .with(&self.chocolate)
                .minding(cautions::allergens()),
            TaskDraft::new(
                "spoon",
                say::spoon(self.count, grams(self.each_g)),
                say::spoon_how(),
                SPOONED_IN_S * count,
            )
            .since("pour", 0)
            .until(Timing::TouchDry, say::spoon_until(Until), say::spoon_late()),
        ];
        if self.salted {
            draft.goods.push(at.goods("coarse salt", grams(0.15) * count, "on top"));
            draft.tasks.push(
                TaskDraft::new("salt", say::salt(), say::salt_how(), 30.0).since("pour", 0).until(
                    Timing::TouchDry,
                    say::salt_until(Until),
                    say::salt_late(),
                ),
            );
        }
        draft.tasks.extend(set_and_release("pour", 0, at.fridge));
        draft.said.checks = vec![say::check_coated(), say::check_shape(), say::check_lift()];
        draft.said.mistakes = vec![FALLS_APART, STREAKS, WILL_NOT_RELEASE, SUGAR_BLOOM];
        Some(draft)
    }

    fn mixed_in_mut(&mut self) -> Option<&mut Vec<MixedInInputs>> {
        Some(&mut self.mixed_in)
    }
}
