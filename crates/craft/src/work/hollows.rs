//! Joined hollows: two halves with something dry between them.

use crate::catalogue::work::hollows as say;
use crate::message::names;
use crate::shell::MouldInputs;
use serde::{Deserialize, Serialize};

use super::Work;
use super::cast::{CastInputs, turned_out};
use super::draft::Draft;
use super::drafting::Drafting;
use super::kinds::{DARK, Group, Starting, cast};
use super::mistakes::{COLOUR_STAYS, FINE_CRACKS, STAYS_IN_MOULD, SUGAR_BLOOM};
use super::parts::{Goods, Pieces};
use super::shells::begun;
use super::task::{TaskDraft, Timing};
use crate::check;
use crate::note::{Level, Note};
use crate::shell::{DRINK_MM, Inside, fits};

use crate::units::{grams, in_grams, in_millimetres, millilitres, millimetres};

/// The longest name.
const LONGEST_NAME: usize = 80;
/// Things inside at most.
const MOST_INSIDE: usize = 8;
/// One is filled, warmed and closed in so long, s (*custom*).
const JOINS_S: f64 = 40.0;
/// A joined pair rests so long, s (*custom*).
const JOINED_S: f64 = 300.0;

/// What a hollow is for.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum HollowFor {
    /// To be opened and eaten.
    #[default]
    Eating,
    /// To be melted in hot milk.
    Drink,
    /// To be hung up.
    Ornament,
}

/// Something that goes inside.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct InsideInputs {
    /// What it is.
    pub name: String,
    /// The room that one takes up; of a powder the room it takes up as it lies.
    pub each_ml: f64,
    /// What one weighs.
    pub each_g: f64,
    /// How many in each hollow.
    pub count: u32,
    /// How far across one is.
    pub across_mm: f64,
    /// Whether it is not food: a toy, a slip of paper.
    #[serde(default)]
    pub not_food: bool,
}

/// Joined hollows, as the maker states them.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HollowsInputs {
    /// Mould, colours, wall; a cavity is one half.
    pub cast: CastInputs,
    /// What goes inside.
    #[serde(default)]
    pub inside: Vec<InsideInputs>,
    /// What they are for.
    #[serde(default)]
    pub purpose: HollowFor,
}

impl Work for HollowsInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Joined hollows",
            group: Group::Moulded,
            words: "balls, spheres, eggs, hot chocolate bombs, drinking balls, ornaments, surprise inside, hollow",
            how: "Two halves joined, with something dry between them: gifts, drink bombs, ornaments.",
            families: DARK,
            colours: &[],
            start: Self {
                cast: CastInputs { casts: 2, ..cast(MouldInputs::hemispheres(60.0, 6), 2.5) },
                inside: vec![InsideInputs {
                    name: "puffed cereal".to_owned(),
                    each_ml: 25.0,
                    each_g: 2.0,
                    count: 1,
                    across_mm: 8.0,
                    not_food: false,
                }],
                purpose: HollowFor::Eating,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        self.cast.keys_mut()
    }

    fn cast_mut(&mut self) -> Option<&mut CastInputs> {
        Some(&mut self.cast)
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let inside = self.check_inside(at);
        let lined = self.cast.lined(None, &[], at)?;
        let halves = self.cast.count();
        let pairs = halves / 2;
        if pairs == 0 {
            at.check.fault("cast.casts", say::two_halves());
            return None;
        }
        let held = fits(&lined.cavity, lined.cast.shell, &inside);
        if !held.fits {
            for note in held.notes.iter().filter(|note| note.level == Level::Stop) {
                at.check.fault("inside", say::must_fit(&note.text, held.smallest));
            }
            return None;
        }
        let across = in_millimetres(lined.cast.across);
        let mut draft = begun(&self.cast, lined);
        draft.said.working.extend(held.working);
        draft.said.notes.extend(self.remarks(halves, across));
        let pairs_f = f64::from(pairs);
        draft.goods = self
            .inside
            .iter()
            .map(|one| {
                let mass = grams(one.each_g * f64::from(one.count) * pairs_f);
                Goods::named(&one.name, mass, "inside")
            })
            .collect();
        let inside_g: f64 = self.inside.iter().map(|one| one.each_g * f64::from(one.count)).sum();
        let half_g = draft.shown.cast.as_ref().map_or(0.0, |cast| in_grams(cast.each));
        draft.size.pieces =
            Some(Pieces { count: pairs_f, each: grams(2.0 * half_g + inside_g), area: None });
        draft.tasks.extend(turned_out("pour", 0, at.fridge, false));
        draft.tasks.extend(self.joining(pairs));
        draft.said.checks = vec![say::check_rims(), say::check_dry(), say::check_seam()];
        draft.said.mistakes = vec![STAYS_IN_MOULD, FINE_CRACKS, SUGAR_BLOOM];
        if !self.cast.colours.is_empty() {
            draft.said.mistakes.push(COLOUR_STAYS);
        }
        draft.said.keeps = Some(say::keeps_as_inside());
        Some(draft)
    }
}

impl HollowsInputs {
    fn check_inside(&self, at: &mut Drafting<'_>) -> Vec<Inside> {
        if self.inside.len() > MOST_INSIDE {
            let there = self.inside.len();
            at.check.fault("inside", say::at_most_inside(MOST_INSIDE, there));
        }
        let mut inside = Vec::new();
        for (i, one) in self.inside.iter().enumerate() {
            let field = |name: &str| format!("inside[{i}].{name}");
            at.check.text(&field("name"), &one.name, LONGEST_NAME);
            let each_ml = at.number(&field("each_ml"), one.each_ml, check::INSIDE_ML);
            at.number(&field("each_g"), one.each_g, check::TOPPING_G);
            at.number(&field("count"), f64::from(one.count), check::PIECES);
            let across = at.number(&field("across_mm"), one.across_mm, check::CAVITY_MM_INSIDE);
            inside.push(Inside {
                name: one.name.clone(),
                volume: millilitres(each_ml),
                count: one.count,
                across: millimetres(across),
                loose: one.count > 1,
            });
        }
        inside
    }

    fn remarks(&self, halves: u32, across_mm: f64) -> Vec<Note> {
        let mut notes = Vec::new();
        if halves % 2 == 1 {
            notes.push(Note::info("half-over", say::half_over()));
        }
        let not_food: Vec<_> =
            self.inside.iter().filter(|one| one.not_food).map(|one| one.name.as_str()).collect();
        if !not_food.is_empty() {
            notes.push(Note::caution("not-food-inside", say::not_food_inside(names(not_food))));
        }
        match self.purpose {
            HollowFor::Eating => {}
            HollowFor::Drink if across_mm < DRINK_MM => {
                notes.push(Note::caution("drink-small", say::drink_small(millimetres(DRINK_MM))))
            }
            HollowFor::Drink => notes.push(Note::info("drink-milk", say::drink_milk())),
            HollowFor::Ornament => notes.push(Note::caution("ornament", say::ornament())),
        }
        notes
    }

    /// Each is filled, its rims warmed, and closed before the next: rims set again in seconds.
    fn joining(&self, pairs: u32) -> Vec<TaskDraft> {
        let hung = self.purpose == HollowFor::Ornament;
        let filled = !self.inside.is_empty();
        let how = if filled { say::join_filled_how() } else { say::join_how() };
        let mind = if filled { say::join_filled_mind() } else { say::join_mind() };
        let mut tasks = vec![
            TaskDraft::new("join", say::join(pairs), how, JOINS_S * f64::from(pairs)).minding(mind),
            TaskDraft::new("rest", say::rest(), say::rest_how(), 10.0)
                .since("join", 0)
                .from(Timing::After(JOINED_S), say::rest_from()),
        ];
        if hung {
            // Before the seam is hidden: the loop lies in it.
            tasks.push(
                TaskDraft::new("hook", say::hook(), say::hook_how(), 60.0)
                    .minding(say::hook_mind()),
            );
        }
        tasks.push(TaskDraft::new("seam", say::seam(), say::seam_how(), 60.0));
        tasks
    }
}
