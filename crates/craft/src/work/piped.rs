//! Piped lines: outlines, lattices, nests, bowls over ice.

use serde::{Deserialize, Serialize};

use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::frozen::{Cold, FrozenInputs};
use super::kinds::{DARK, Group, Starting, dark};
use super::mistakes::{PIECE_BREAKS, SUGAR_BLOOM, WILL_NOT_RELEASE};
use super::outlines::{OutlineInputs, PipedWith, wanted};
use super::parting::{set_and_release, touched};
use super::parts::{Layer, Pieces, Portion};
use super::task::{TaskDraft, Timing};
use super::{Wanted, Work};
use crate::catalogue::work::piped as say;
use crate::catalogue::work::ribbons::{
    chill as keep_cold, chill_how as keep_cold_how, eaten_soon, line as stone_out,
    line_mind as dry_stone,
};
use crate::check;
use crate::chocolate::Chocolate;
use crate::message::Until;
use crate::note::{Note, Working};
use crate::scale::whole_up;
use crate::spread::piped::piped;
use crate::units::{
    Area, Mass, grams_per_cubic_centimetre, in_grams, in_square_centimetres, millimetres,
    square_centimetres,
};

/// What is piped.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PipedShape {
    /// Outlines, over a printed sheet.
    Outlines,
    /// Lattices.
    Lattices,
    /// Nests: a zigzag, gathered while it is soft.
    Nests,
    /// Bowls: zigzagged over a dome of ice, with a foot.
    Bowls,
}

/// A second colour, piped first: it faces the viewer once flipped.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SecondColour {
    /// Its chocolate, by key.
    pub chocolate: String,
    /// How much line of it is in each; of outlines whose features are named it is known.
    pub length_mm: f64,
}

/// A body that is flooded: outlined, then filled level.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FloodedInputs {
    /// What it is filled with, by key.
    pub chocolate: String,
    /// How deep.
    pub depth_mm: f64,
    /// How large the body of one is; of outlines that are stated it is known.
    #[serde(default)]
    pub area_cm2: Option<f64>,
    /// A back in a chocolate of its own, where there is to be one.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub back: Option<BackInputs>,
}

/// A back, spread over bodies that have set: it joins all of their colours.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BackInputs {
    /// Its chocolate, by key.
    pub chocolate: String,
    /// How thick.
    pub depth_mm: f64,
}

/// Piped pieces, as the maker states them.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PipedInputs {
    /// Their chocolate, by key.
    pub chocolate: String,
    /// What they are.
    pub shape: PipedShape,
    /// How much line is in each.
    pub length_mm: f64,
    /// How wide the line is.
    pub line_mm: f64,
    /// How many.
    pub count: u32,
    /// A second colour.
    #[serde(default)]
    pub second: Option<SecondColour>,
    /// How the bodies inside the outlines are filled, where they are.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub flooded: Option<FloodedInputs>,
    /// The outlines that are piped; how many and how much line follow from them.
    #[serde(default)]
    pub outlines: Option<Vec<OutlineInputs>>,
    /// What they are piped on, where that comes from the freezer: a stone under nests, the dome of
    /// ice under bowls.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub frozen: Option<FrozenInputs>,
}

impl Work for PipedInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Piped pieces",
            group: Group::Piped,
            words: "piping, filigree, outlines, letters, names, lace, lattice, nest, cage",
            how: "Outlines, lattices, nests, bowls over ice.",
            families: DARK,
            colours: &[],
            start: Self {
                chocolate: dark(),
                shape: PipedShape::Outlines,
                length_mm: 320.0,
                line_mm: 4.0,
                count: 12,
                second: None,
                flooded: None,
                outlines: None,
                frozen: None,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        let second = self.second.iter_mut().map(|second| &mut second.chocolate);
        let flooded = self.flooded.iter_mut().flat_map(|flooded| {
            let back = flooded.back.as_mut().map(|back| &mut back.chocolate);
            std::iter::once(&mut flooded.chocolate).chain(back)
        });
        std::iter::once(&mut self.chocolate).chain(second).chain(flooded).collect()
    }

    fn make(&mut self, wanted: Wanted) -> bool {
        match self.outlines.as_deref_mut() {
            None => self.count = wanted.pieces,
            // Of several, as many more of each.
            Some(outlines) => {
                let now: u32 = outlines.iter().map(|one| one.count).sum();
                for one in outlines {
                    let share = f64::from(one.count) / f64::from(now.max(1));
                    one.count = whole_up(share * f64::from(wanted.pieces)) as u32;
                }
            }
        }
        true
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let chocolate = at.chocolate("chocolate", &self.chocolate)?;
        let line = millimetres(at.number("line_mm", self.line_mm, check::LINE_MM));
        let lines = self.lines(at);
        let Lines { each_mm, features_mm, count, bodies } = lines;
        let length = millimetres(each_mm);
        let body = piped(&chocolate, length, line, count);
        let mut draft = Draft {
            takes: vec![Portion::of(&self.chocolate, body.chocolate)],
            sets: Sets {
                // Half round: as thick on the average as its section is wide.
                layers: vec![Layer::of(&self.chocolate, line * (std::f64::consts::PI / 8.0))],
                may_chill: self.shape != PipedShape::Bowls,
                on_ice: self.shape == PipedShape::Bowls,
                ..Sets::default()
            },
            size: Size {
                thickness: Some(line / 2.0),
                length: Some(length * f64::from(count)),
                ..Size::default()
            },
            said: Said {
                notes: body.notes,
                working: body.working.into_iter().take(3).collect(),
                ..Said::default()
            },
            ..Draft::default()
        };
        let mut mass = body.chocolate;
        if let Some(second) = &self.second {
            let other = at.chocolate("second.chocolate", &second.chocolate)?;
            let stated = at.number("second.length_mm", second.length_mm, check::PIPED_MM);
            let length = millimetres(features_mm.unwrap_or(stated));
            let features = piped(&other, length, line, count).chocolate;
            draft.takes.push(Portion::of(&second.chocolate, features));
            // They set by their own chocolate's clock, beside the body and not under it.
            let share = (features / (features + body.chocolate)).value;
            let own = Layer::of(&second.chocolate, line * (std::f64::consts::PI / 8.0));
            draft.sets.layers.push(Layer { share, ..own });
            draft.said.working.push(Working::new("of the second colour", in_grams(features), "g"));
            mass += features;
        }
        if let Some(flooded) = &self.flooded {
            mass += self.flood(flooded, &mut draft, bodies, count, at)?;
        }
        let pieces = f64::from(count.max(1));
        draft.size.pieces = Some(Pieces { count: pieces, each: mass / pieces, area: None });
        draft.said.notes.push(Note::info("piped-trial", say::piped_trial()));
        if self.shape == PipedShape::Bowls {
            draft.said.notes.push(Note::caution("piped-ice", say::piped_ice()));
        }
        draft.tasks = self.tasks(at, &lines);
        self.freeze(&mut draft, &chocolate, (mass / pieces, pieces), at);
        draft.said.checks = vec![say::check_joined(), say::check_width(), say::check_dry()];
        draft.said.mistakes = vec![PIECE_BREAKS, WILL_NOT_RELEASE, SUGAR_BLOOM];
        Some(draft)
    }
}

impl PipedInputs {
    /// Whether they are nests on a frozen stone, gathered within seconds.
    fn nests_on_a_stone(&self) -> bool {
        self.shape == PipedShape::Nests && self.frozen.is_some()
    }

    /// Says what the stone or the ice is good for.
    fn freeze(
        &self,
        draft: &mut Draft,
        chocolate: &Chocolate,
        (each, count): (Mass, f64),
        at: &mut Drafting<'_>,
    ) {
        let Some(frozen) = self.frozen else { return };
        let of = match self.shape {
            PipedShape::Nests => Cold::Stone,
            PipedShape::Bowls => Cold::Ice,
            PipedShape::Outlines | PipedShape::Lattices => {
                at.check.fault("frozen", say::frozen_goes_with());
                return;
            }
        };
        let frozen = frozen.check("frozen", of, at);
        if of == Cold::Stone {
            draft.sets.stone = Some(frozen.temp());
            draft.sets.poured = Some(chocolate.windows.melt.lo);
            draft.sets.may_chill = false;
            draft.said.notes.push(Note::caution("eaten-soon", eaten_soon()));
        }
        draft.said.working.extend(frozen.working(chocolate, each));
        draft.said.notes.extend(frozen.remark(chocolate, each, count));
    }

    /// Fills the bodies; gives what that takes.
    fn flood(
        &self,
        flooded: &FloodedInputs,
        draft: &mut Draft,
        bodies: Area,
        count: u32,
        at: &mut Drafting<'_>,
    ) -> Option<Mass> {
        at.chocolate("flooded.chocolate", &flooded.chocolate)?;
        let depth = millimetres(at.number("flooded.depth_mm", flooded.depth_mm, check::FLOODED_MM));
        let stated = at.check.optional("flooded.area_cm2", flooded.area_cm2, check::BODY_CM2);
        if self.shape != PipedShape::Outlines {
            at.check.fault("flooded", say::flooded_within_outlines());
        } else if self.outlines.is_none() && stated.is_none() {
            at.check.fault("flooded.area_cm2", say::area_needed());
        } else if self.outlines.is_some() && !at.check.has_faults() && bodies <= Area::default() {
            at.check.fault("flooded", say::nothing_to_flood());
        }
        let area = match self.outlines {
            Some(_) => bodies,
            None => square_centimetres(stated.unwrap_or_default()) * f64::from(count),
        };
        let filled: Mass = area * depth * grams_per_cubic_centimetre(FLOODED_G_CM3);
        draft.takes.push(Portion::of(&flooded.chocolate, filled));
        // It sets beside its outline, and is the last to let go.
        let lines = draft.takes.iter().fold(Mass::default(), |sum, portion| sum + portion.mass);
        let share = (filled / lines).value;
        draft.sets.governs = draft.sets.layers.len();
        draft.sets.layers.push(Layer { share, ..Layer::of(&flooded.chocolate, depth) });
        draft.size.thickness = Some(depth);
        draft.said.working.push(Working::new(
            "area that is flooded",
            in_square_centimetres(area),
            "cm²",
        ));
        draft.said.working.push(Working::new("in the bodies", in_grams(filled), "g"));
        let Some(back) = &flooded.back else { return Some(filled) };
        at.chocolate("flooded.back.chocolate", &back.chocolate)?;
        let depth = millimetres(at.number("flooded.back.depth_mm", back.depth_mm, check::BACK_MM));
        let spread: Mass = area * depth * grams_per_cubic_centimetre(FLOODED_G_CM3);
        draft.takes.push(Portion::of(&back.chocolate, spread));
        // Over all of it, and the last to let go.
        draft.sets.governs = draft.sets.layers.len();
        draft.sets.layers.push(Layer::of(&back.chocolate, depth));
        draft.size.thickness = draft.size.thickness.map(|body| body + depth);
        draft.said.working.push(Working::new("on the backs", in_grams(spread), "g"));
        Some(filled + spread)
    }

    /// Filled once the outlines hold, then as flat work ends.
    fn flooding(
        &self,
        flooded: &FloodedInputs,
        lines: &Lines,
        at: &Drafting<'_>,
    ) -> Vec<TaskDraft> {
        let seconds = FLOODED_IN_S * f64::from(lines.count);
        let depth = millimetres(flooded.depth_mm);
        let layer = if self.second.is_some() { FEATURES + 1 } else { FEATURES };
        let text = say::flood(at.label(&flooded.chocolate), depth);
        let mut tasks = vec![
            TaskDraft::new("flood", text, say::flood_how(), seconds.clamp(15.0, 3_600.0))
                .with(&flooded.chocolate)
                .since("pour", 0)
                .from(Timing::TouchDry, say::outlines_hold()),
        ];
        let Some(back) = &flooded.back else {
            tasks.extend(set_and_release("flood", layer, at.fridge));
            return tasks;
        };
        let what = say::bodies_set();
        tasks.push(touched("touch-dry-bodies", say::touch_bodies(), "flood", layer, what));
        let text = say::back(at.label(&back.chocolate), millimetres(back.depth_mm));
        let seconds = BACK_IN_S * f64::from(lines.count);
        tasks.push(
            TaskDraft::new("back", text, say::back_how(), seconds.clamp(15.0, 3_600.0))
                .with(&back.chocolate),
        );
        tasks.extend(set_and_release("back", layer + 1, at.fridge));
        tasks
    }

    fn tasks(&self, at: &Drafting<'_>, lines: &Lines) -> Vec<TaskDraft> {
        if self.nests_on_a_stone() {
            let (text, how) = (
                say::nests_on_stone(lines.count, at.label(&self.chocolate)),
                say::nests_on_stone_how(),
            );
            return vec![
                TaskDraft::new("line", stone_out(), say::stone_how(), 45.0).minding(dry_stone()),
                TaskDraft::new("pour", text, how, NEST_S * f64::from(lines.count))
                    .with(&self.chocolate),
                TaskDraft::new("chill", keep_cold(), keep_cold_how(), 20.0),
            ];
        }
        let bowls = self.shape == PipedShape::Bowls;
        let (text, detail) =
            if bowls { (say::ice(), say::ice_how()) } else { (say::line(), say::line_how()) };
        let mut tasks = vec![TaskDraft::new("line", text, detail, 60.0)];
        tasks.push(
            TaskDraft::new("trial", say::trial(), say::trial_how(), 30.0).with(&self.chocolate),
        );
        if let Some(second) = &self.second {
            tasks.push(
                TaskDraft::new(
                    "features",
                    say::features(at.label(&second.chocolate)),
                    say::features_how(),
                    lasting(lines.features_mm.unwrap_or(second.length_mm), lines.count),
                )
                .with(&second.chocolate),
            );
        }
        let label = at.label(&self.chocolate);
        let what = match self.shape {
            PipedShape::Outlines => say::pour_outlines(lines.count, &label),
            PipedShape::Lattices => say::pour_lattices(lines.count, &label),
            PipedShape::Nests => say::pour_nests(lines.count, &label),
            PipedShape::Bowls => say::pour_bowls(&label),
        };
        let how = match self.shape {
            PipedShape::Nests => say::pour_nests_how(),
            _ => say::pour_how(),
        };
        let pour = TaskDraft::new("pour", what, how, lasting(lines.each_mm, lines.count))
            .with(&self.chocolate);
        if self.second.is_some() {
            let what = say::features_dry();
            let text = say::touch_features();
            tasks.push(touched("touch-dry-features", text, "features", FEATURES, what));
        }
        tasks.push(pour);
        if self.shape == PipedShape::Nests {
            tasks.push(
                TaskDraft::new("gather", say::gather(), say::gather_how(), 60.0)
                    .since("pour", 0)
                    .from(Timing::TouchDry, say::gather_from())
                    .until(Timing::FlexibleUntil, say::gather_until(Until), say::gather_late()),
            );
        }
        if bowls {
            tasks.push(
                TaskDraft::new("lift", say::lift(), say::lift_how(), 20.0)
                    .since("pour", 0)
                    .from(Timing::After(60.0), say::lift_from()),
            );
        } else if let Some(flooded) = &self.flooded {
            tasks.extend(self.flooding(flooded, lines, at));
        } else {
            tasks.extend(set_and_release("pour", 0, at.fridge));
        }
        tasks
    }

    /// How much line is in each, and how many: as stated, or as the outlines are.
    fn lines(&self, at: &mut Drafting<'_>) -> Lines {
        let Some(outlines) = &self.outlines else {
            at.number("count", f64::from(self.count), check::PIECES);
            let each_mm = at.number("length_mm", self.length_mm, check::PIPED_MM);
            return Lines {
                each_mm,
                features_mm: None,
                count: self.count,
                bodies: Area::default(),
            };
        };
        let with = PipedWith { line_mm: self.line_mm, flooded: self.flooded.is_some() };
        let wanted = wanted(outlines, with, "outlines", at.check);
        let count: u32 = wanted.iter().map(|(one, _)| one.count).sum();
        let named = wanted.iter().position(|(one, _)| !one.features.is_empty());
        if let Some(i) = named.filter(|_| self.second.is_none()) {
            at.check.fault(format!("outlines[{i}].features"), say::features_need_a_colour());
        }
        let [all_mm, features_mm] = wanted.iter().fold([0.0, 0.0], |[all, features], (one, _)| {
            let pieces = f64::from(one.count);
            let [body, own] = if one.features.is_empty() {
                [one.outline.length(), 0.0]
            } else {
                one.in_colours().map(|lines| lines.length())
            };
            [all + body * pieces, features + own * pieces]
        });
        let bodies_mm2: f64 =
            wanted.iter().map(|(w, _)| w.outline.body() * f64::from(w.count)).sum();
        let bodies = square_centimetres(bodies_mm2 / 100.0);
        let each = f64::from(count.max(1));
        let features_mm = named.map(|_| features_mm / each);
        Lines { each_mm: all_mm / each, features_mm, count, bodies }
    }
}

/// What fills an outline weighs so much, g/cm³, with its rounded edge (*custom*).
const FLOODED_G_CM3: f64 = 1.26;
/// A nest is piped on the stone and gathered in so long, s (*custom*).
const NEST_S: f64 = 30.0;
/// A body is filled in so long, s (*custom*).
const FLOODED_IN_S: f64 = 25.0;
/// A back is spread in so long, s (*custom*).
const BACK_IN_S: f64 = 15.0;
/// The layer of the features, after the body.
const FEATURES: usize = 1;

/// What is piped in all.
struct Lines {
    /// Line in one piece, on the average.
    each_mm: f64,
    /// The same of its features, where those are named.
    features_mm: Option<f64>,
    count: u32,
    /// What all outlines enclose, where they are known.
    bodies: Area,
}

/// A hand pipes about four centimetres a second (*custom*).
fn lasting(length_mm: f64, count: u32) -> f64 {
    (length_mm * f64::from(count) / 40.0).clamp(15.0, 3_600.0)
}
