//! A strip of chocolate round a cake.

use serde::{Deserialize, Serialize};

use super::Work;
use super::draft::{Draft, Said, Sets, Size};
use super::drafting::Drafting;
use super::frozen::{Cold, FrozenInputs};
use super::kinds::{DARK, Group, Starting, dark};
use super::mistakes::{RIBBON_SNAPS, SUGAR_BLOOM, WRAP_CRACKS, WRAP_FLOPS};
use super::parting::touched;
use super::parts::{Layer, Portion};
use super::task::{TaskDraft, Timing};
use crate::catalogue::work::parting::{touch_dry, touch_dry_from};
use crate::catalogue::work::ribbons::{
    check_frost, check_one_pull, chill as keep_cold, chill_how as keep_cold_how, eaten_soon,
    line as stone_out, line_mind as dry_stone,
};
use crate::catalogue::work::wrap as say;
use crate::check;
use crate::message::Until;
use crate::note::{Note, Working};
use crate::setting::LIFTED_BENDS_S;
use crate::spread::piped::piped;
use crate::spread::wrap::{OVERLAP_MM, SPILL_PCT, WrapInput};
use crate::units::{Length, in_grams, in_millimetres, millimetres, percent_of, seconds};

/// The paper comes off after so long, s: ten to twenty minutes (*custom*).
const PAPER_S: f64 = 900.0;
/// One strip is spread on the stone, lifted and laid round in so long, s (*custom*).
const PULL_S: f64 = 40.0;
/// A pattern is set after so long, s (*custom*).
const PATTERN_S: f64 = 90.0;

/// A pattern in another chocolate, piped first.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WrapPattern {
    /// Its chocolate, by key.
    pub chocolate: String,
    /// How much line.
    pub length_mm: f64,
    /// How wide the line is.
    pub line_mm: f64,
}

/// A wrap, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct WrapInputs {
    /// Its chocolate, by key.
    pub chocolate: String,
    /// The cake, over its icing.
    pub diameter_mm: f64,
    /// How high the cake is.
    pub cake_mm: f64,
    /// How high the strip is.
    pub height_mm: f64,
    /// How thick, once set.
    pub thickness_mm: f64,
    /// How far it overlaps; 25 mm if left out.
    #[serde(default)]
    pub overlap_mm: Option<f64>,
    /// What spreads over the edges; 15 % if left out.
    #[serde(default)]
    pub spill_pct: Option<f64>,
    /// A pattern, piped first.
    #[serde(default)]
    pub pattern: Option<WrapPattern>,
    /// The frozen stone that it is spread on, in place of a sheet.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub frozen: Option<FrozenInputs>,
    /// In how many strips it goes round; in one if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub strips: Option<u32>,
}

impl Work for WrapInputs {
    fn kinds() -> Vec<Starting<Self>> {
        vec![Starting {
            name: "Wrap round a cake",
            group: Group::Piped,
            words: "collar, cake band, cake wrap, border",
            how: "A strip, lifted while it bends.",
            families: DARK,
            colours: &[],
            start: Self {
                chocolate: dark(),
                diameter_mm: 180.0,
                cake_mm: 90.0,
                height_mm: 105.0,
                thickness_mm: 2.0,
                overlap_mm: None,
                spill_pct: None,
                pattern: None,
                frozen: None,
                strips: None,
            },
        }]
    }

    fn keys_mut(&mut self) -> Vec<&mut String> {
        let pattern = self.pattern.iter_mut().map(|pattern| &mut pattern.chocolate);
        std::iter::once(&mut self.chocolate).chain(pattern).collect()
    }

    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft> {
        let chocolate = at.chocolate("chocolate", &self.chocolate)?;
        let thickness = millimetres(at.number("thickness_mm", self.thickness_mm, check::SLAB_MM));
        let wrap = WrapInput {
            chocolate: &chocolate,
            diameter: millimetres(at.number("diameter_mm", self.diameter_mm, check::CAKE_MM)),
            height: millimetres(at.number("height_mm", self.height_mm, check::HEIGHT_MM)),
            thickness,
            overlap: millimetres(at.number(
                "overlap_mm",
                self.overlap_mm.unwrap_or(OVERLAP_MM),
                check::OVERLAP_MM,
            )),
            spill: percent_of(at.number(
                "spill_pct",
                self.spill_pct.unwrap_or(SPILL_PCT),
                check::SPILL_PCT,
            )),
            cake: Some(millimetres(at.number("cake_mm", self.cake_mm, check::HEIGHT_MM))),
        }
        .solve();
        let mut draft = Draft {
            takes: vec![Portion::of(&self.chocolate, wrap.chocolate)],
            sets: Sets { layers: vec![Layer::of(&self.chocolate, thickness)], ..Sets::default() },
            size: Size { thickness: Some(thickness), length: Some(wrap.length), ..Size::default() },
            said: Said { notes: wrap.notes, working: wrap.working, ..Said::default() },
            ..Draft::default()
        };
        if let Some(pattern) = &self.pattern {
            let other = at.chocolate("pattern.chocolate", &pattern.chocolate)?;
            let length =
                millimetres(at.number("pattern.length_mm", pattern.length_mm, check::PIPED_MM));
            let line = millimetres(at.number("pattern.line_mm", pattern.line_mm, check::LINE_MM));
            let mass = piped(&other, length, line, 1).chocolate;
            draft.takes.push(Portion::of(&pattern.chocolate, mass));
            draft.said.working.push(Working::new("the pattern takes", in_grams(mass), "g"));
        }
        let strips = at.check.optional("strips", self.strips.map(f64::from), check::STRIPS);
        let strips = strips.unwrap_or(1.0);
        if strips > 1.0 {
            // Each overlaps the one before.
            let overlaps =
                wrap.length * ((strips - 1.0) * OVERLAP_MM / in_millimetres(wrap.length));
            let more = wrap.chocolate * (overlaps / wrap.length).value;
            draft.takes[0].mass += more;
            draft.takes[0].at_hand += more;
            draft.size.length = Some(wrap.length + overlaps);
            draft.said.working.push(Working::new("for the overlaps", in_grams(more), "g"));
        }
        if let Some(frozen) = self.frozen {
            let frozen = frozen.check("frozen", Cold::Stone, at);
            if self.pattern.is_some() {
                at.check.fault("pattern", say::no_pattern_on_ice());
            }
            let each = draft.takes[0].mass / strips;
            draft.sets.stone = Some(frozen.temp());
            draft.sets.poured = Some(chocolate.windows.melt.lo);
            draft.said.working.extend(frozen.working(&chocolate, each));
            draft.said.notes.extend(frozen.remark(&chocolate, each, strips));
            draft.said.notes.push(Note::caution("eaten-soon", eaten_soon()));
            draft.tasks = self.on_the_stone(at, strips);
            draft.said.checks = vec![say::check_cake(), check_frost(), check_one_pull()];
            draft.said.mistakes = vec![RIBBON_SNAPS, WRAP_FLOPS];
            return Some(draft);
        }
        draft.tasks = self.tasks(at, draft.size.length.unwrap_or(wrap.length));
        draft.said.checks = vec![say::check_cake(), say::check_coat(), say::check_bends()];
        draft.said.mistakes = vec![WRAP_CRACKS, WRAP_FLOPS, SUGAR_BLOOM];
        Some(draft)
    }
}

impl WrapInputs {
    /// Spread on the frozen stone, and round the cake within seconds.
    fn on_the_stone(&self, at: &Drafting<'_>, strips: f64) -> Vec<TaskDraft> {
        let label = at.label(&self.chocolate);
        let (text, how) = if strips > 1.0 {
            (say::pull_strips(strips, label), say::pull_how(seconds(LIFTED_BENDS_S)))
        } else {
            (say::pull(label), say::pull_how(seconds(LIFTED_BENDS_S)))
        };
        vec![
            TaskDraft::new(
                "line",
                stone_out(),
                say::template_how(millimetres(self.height_mm)),
                45.0,
            )
            .minding(dry_stone()),
            TaskDraft::new("pour", text, how, PULL_S * strips).with(&self.chocolate),
            TaskDraft::new("trim", say::trim_cold(), say::trim(), 30.0),
            TaskDraft::new("chill", keep_cold(), keep_cold_how(), 20.0),
        ]
    }

    fn tasks(&self, at: &Drafting<'_>, length: Length) -> Vec<TaskDraft> {
        let mut tasks = vec![TaskDraft::new(
            "line",
            say::line(length, millimetres(self.height_mm)),
            say::line_how(),
            60.0,
        )];
        if let Some(pattern) = &self.pattern {
            tasks.push(
                TaskDraft::new(
                    "pattern",
                    say::pattern(at.label(&pattern.chocolate)),
                    say::pattern_how(),
                    90.0,
                )
                .with(&pattern.chocolate),
            );
        }
        let pour =
            TaskDraft::new("pour", say::pour(at.label(&self.chocolate)), say::pour_how(), 60.0)
                .with(&self.chocolate);
        tasks.push(if self.pattern.is_some() {
            pour.since("pattern", 0).from(Timing::After(PATTERN_S), say::pour_from())
        } else {
            pour
        });
        tasks.push(TaskDraft::new("lift", say::lift(), say::lift_how(), 20.0));
        // Wet yet, so that it lies against the icing, and no longer running.
        tasks.push(
            TaskDraft::new("wrap", say::wrap(), say::wrap_how(), 60.0)
                .since("pour", 0)
                .from(Timing::ToppingUntil, say::wrap_from())
                .until(Timing::FlexibleUntil, say::wrap_until(Until), say::wrap_late()),
        );
        tasks.push(touched("touch-dry", touch_dry(), "pour", 0, touch_dry_from()));
        tasks.push(
            TaskDraft::new("paper", say::paper(), say::paper_how(), 30.0)
                .since("wrap", 0)
                .from(Timing::After(PAPER_S), say::paper_from()),
        );
        tasks.push(TaskDraft::new("trim", say::trim(), say::trim_how(), 30.0));
        tasks
    }
}
