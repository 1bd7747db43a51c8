//! Joined hollows: two halves with something dry between them.

use crate::catalogue::work::hollows as say;
use crate::keeping::Lasts;
use crate::shell::MouldInputs;
use serde::{Deserialize, Serialize};

use super::Work;
use super::cast::{CastInputs, Within};
use super::draft::Draft;
use super::drafting::Drafting;
use super::inside::{InsideInputs, check_inside, goods_inside, inside_each_g, remarks_inside};
use super::kinds::{DARK, Group, Starting, cast};
use super::mistakes::{COLOUR_STAYS, FINE_CRACKS, STAYS_IN_MOULD, SUGAR_BLOOM};
use super::painted::{PaintedInputs, paint, painted_keys};
use super::parts::Pieces;
use super::shells::begun;
use super::stuck_on::{StuckOnInputs, stick_on, stuck_on, stuck_on_keys};
use super::task::{TaskDraft, Timing};
use crate::note::{Level, Note};
use crate::shell::{DRINK_MM, Hollow};

use crate::units::{grams, in_grams, in_millimetres, millimetres};

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
    /// What is made beside them and stuck on.
    #[serde(default)]
    pub stuck_on: Vec<StuckOnInputs>,
    /// What is painted or dusted on them once they are made.
    #[serde(default)]
    pub painted: Vec<PaintedInputs>,
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
                    made_here: false,
                }],
                purpose: HollowFor::Eating,
                stuck_on: Vec::new(),
                painted: Vec::new(),
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        let keys = self.cast.keys_mut().into_iter();
        keys.chain(stuck_on_keys(&mut self.stuck_on))
            .chain(painted_keys(&mut self.painted))
            .collect()
    }

    fn cast_mut(&mut self) -> Option<&mut CastInputs> {
        Some(&mut self.cast)
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let inside = check_inside(&self.inside, at);
        self.cast.must_be_hollow_and_open(at);
        let stuck = stuck_on(&self.stuck_on, at);
        let lined = self.cast.lined(2, Within::default(), at)?;
        let halves = self.cast.count(2);
        let pairs = halves / 2;
        if pairs == 0 {
            at.check.fault("cast.casts", say::two_halves());
            return None;
        }
        let held = Hollow::joined(&lined.cavity, lined.cast.shell).fits(&inside);
        if !held.fits {
            for note in held.notes.iter().filter(|note| note.level == Level::Stop) {
                at.check.fault("inside", say::must_fit(&note.text(), held.smallest));
            }
            return None;
        }
        let across = in_millimetres(lined.cast.across);
        let surface = lined.cavity.area * 2.0;
        let mut draft = begun(lined);
        draft.said.working.extend(held.working);
        draft.said.notes.extend(self.remarks(halves, across));
        let pairs_f = f64::from(pairs);
        draft.goods = goods_inside(&self.inside, pairs_f);
        let inside_g = inside_each_g(&self.inside);
        let half_g = draft.shown.cast.as_ref().map_or(0.0, |cast| in_grams(cast.each));
        draft.size.pieces =
            Some(Pieces { count: pairs_f, each: grams(2.0 * half_g + inside_g), area: None });
        let mut end = self.cast.ends(at.fridge);
        end.extend(self.joining(pairs));
        stick_on(&mut draft, &stuck, pairs_f, end);
        draft.said.checks = vec![say::check_rims(), say::check_dry(), say::check_seam()];
        draft.said.mistakes = vec![STAYS_IN_MOULD, FINE_CRACKS, SUGAR_BLOOM];
        if !self.cast.colours.is_empty() {
            draft.said.mistakes.push(COLOUR_STAYS);
        }
        draft.said.keeps = Some(Lasts::weeks(8.0, say::keeps_as_inside()));
        paint(&mut draft, &self.painted, surface * pairs_f, at);
        Some(draft)
    }
}

impl HollowsInputs {
    fn remarks(&self, halves: u32, across_mm: f64) -> Vec<Note> {
        let mut notes = Vec::new();
        if halves % 2 == 1 {
            notes.push(Note::info("half-over", say::half_over()));
        }
        notes.extend(remarks_inside(&self.inside));
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
