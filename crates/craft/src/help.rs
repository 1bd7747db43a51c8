//! Help in the craft where it is asked for: what a step is for, and how it is done.
//!
//! A step is known by what it says: the codes of its wording lead to a topic. What a maker reads is
//! in the catalogue, as all wordings are.

use serde::{Deserialize, Serialize};

use crate::catalogue::help as say;
use crate::message::Message;

/// What can be asked of a step.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Topic {
    /// Melt, seed, test.
    Temper,
    /// Pour and spread.
    Spread,
    /// Tap and knock.
    Knock,
    /// Fill a mould.
    Fill,
    /// Dump and drain.
    Dump,
    /// Brush a coat.
    Coat,
    /// Scrape the rim.
    Scrape,
    /// Out of the mould.
    Unmould,
    /// Put colour on.
    Colour,
    /// Touch dry.
    Touch,
    /// A short chill.
    Chill,
    /// Peel off the sheet.
    Peel,
    /// Lift a painted sheet.
    Lift,
    /// Roll a wrap.
    Wrap,
    /// Pipe.
    Pipe,
    /// Dip.
    Dip,
    /// Join two halves.
    Join,
    /// Score and cut.
    Score,
    /// Draw a marble.
    Draw,
    /// Boil sugar.
    Boil,
}

/// What is told of a topic.
#[derive(Clone, Debug, PartialEq, Serialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Help {
    /// Which.
    pub topic: Topic,
    /// In a word or two.
    pub title: Message,
    /// Why it is done.
    pub why: Message,
    /// How, one thing after the other.
    pub how: Vec<Message>,
}

impl Topic {
    /// Every topic.
    pub const ALL: [Self; 20] = [
        Self::Temper,
        Self::Spread,
        Self::Knock,
        Self::Fill,
        Self::Dump,
        Self::Coat,
        Self::Scrape,
        Self::Unmould,
        Self::Colour,
        Self::Touch,
        Self::Chill,
        Self::Peel,
        Self::Lift,
        Self::Wrap,
        Self::Pipe,
        Self::Dip,
        Self::Join,
        Self::Score,
        Self::Draw,
        Self::Boil,
    ];

    /// What can be asked of a step that says this, by its code.
    #[must_use]
    pub fn of(text: &Message) -> Option<Self> {
        Some(match text.code.as_ref() {
            "steps.temper" | "steps.temper_again" => Self::Temper,
            "slab.pour" | "slab.spread" | "layered.pour_first" | "layered.spread"
            | "marbled.pour" | "sheet.pour" | "sheet.spread" | "wrap.pour" => Self::Spread,
            "slab.tap" | "cast.knock" | "marbled.tap" => Self::Knock,
            "cast.pour" | "cast.pour_closed" | "cast.spoon_in" => Self::Fill,
            "cast.dump" | "cast.stand" => Self::Dump,
            "cast.first_coat"
            | "cast.next_coat"
            | "cast.smear"
            | "cast.smear_all_over"
            | "figures.put_in"
            | "figures.line_all_over" => Self::Coat,
            "cast.scrape" | "cast.level" => Self::Scrape,
            "cast.turn_out" | "cast.open" => Self::Unmould,
            "face.colour" | "face.colour_region" | "painted.paint" => Self::Colour,
            "parting.touch_dry" | "cast.touch_rim" | "cast.touch_back" | "layered.touch_dry" => {
                Self::Touch
            }
            "parting.fridge_in" | "parting.box_in" | "cast.chill_coat" => Self::Chill,
            "parting.peel" | "parting.flex_off" | "parting.knock_out" | "wrap.paper" => Self::Peel,
            "sheet.lift" | "wrap.lift" => Self::Lift,
            "wrap.wrap" | "wrap.pull" | "wrap.pull_strips" | "ribbons.pour" => Self::Wrap,
            "piped.trial"
            | "piped.pour_outlines"
            | "piped.pour_lattices"
            | "piped.pour_nests"
            | "piped.features"
            | "piped.flood" => Self::Pipe,
            "dipped.pour" | "dipped.pour_with_swirl" | "toe.dip" => Self::Dip,
            "hollows.join" | "figures.close" | "stuck-on.stick" => Self::Join,
            "shards.score" | "sheet.cut_shards" | "sheet.cut_shapes" | "sheet.cut_strips" => {
                Self::Score
            }
            "marbled.draw" | "marbled.blobs" | "sugar.marble" => Self::Draw,
            "sugar.boil" | "sugar.boil_two" => Self::Boil,
            _ => return None,
        })
    }

    /// What is told of it.
    #[must_use]
    pub fn help(self) -> Help {
        let (title, why, how) = match self {
            Self::Temper => (
                say::temper(),
                say::temper_why(),
                vec![say::temper_how_1(), say::temper_how_2(), say::temper_how_3()],
            ),
            Self::Spread => (
                say::spread(),
                say::spread_why(),
                vec![say::spread_how_1(), say::spread_how_2(), say::spread_how_3()],
            ),
            Self::Knock => (
                say::knock(),
                say::knock_why(),
                vec![say::knock_how_1(), say::knock_how_2(), say::knock_how_3()],
            ),
            Self::Fill => (
                say::fill(),
                say::fill_why(),
                vec![say::fill_how_1(), say::fill_how_2(), say::fill_how_3()],
            ),
            Self::Dump => (
                say::dump(),
                say::dump_why(),
                vec![say::dump_how_1(), say::dump_how_2(), say::dump_how_3()],
            ),
            Self::Coat => (
                say::coat(),
                say::coat_why(),
                vec![say::coat_how_1(), say::coat_how_2(), say::coat_how_3()],
            ),
            Self::Scrape => {
                (say::scrape(), say::scrape_why(), vec![say::scrape_how_1(), say::scrape_how_2()])
            }
            Self::Unmould => (
                say::unmould(),
                say::unmould_why(),
                vec![say::unmould_how_1(), say::unmould_how_2(), say::unmould_how_3()],
            ),
            Self::Colour => (
                say::colour(),
                say::colour_why(),
                vec![say::colour_how_1(), say::colour_how_2(), say::colour_how_3()],
            ),
            Self::Touch => {
                (say::touch(), say::touch_why(), vec![say::touch_how_1(), say::touch_how_2()])
            }
            Self::Chill => (
                say::chill(),
                say::chill_why(),
                vec![say::chill_how_1(), say::chill_how_2(), say::chill_how_3()],
            ),
            Self::Peel => (
                say::peel(),
                say::peel_why(),
                vec![say::peel_how_1(), say::peel_how_2(), say::peel_how_3()],
            ),
            Self::Lift => {
                (say::lift(), say::lift_why(), vec![say::lift_how_1(), say::lift_how_2()])
            }
            Self::Wrap => (
                say::wrap(),
                say::wrap_why(),
                vec![say::wrap_how_1(), say::wrap_how_2(), say::wrap_how_3()],
            ),
            Self::Pipe => (
                say::pipe(),
                say::pipe_why(),
                vec![say::pipe_how_1(), say::pipe_how_2(), say::pipe_how_3()],
            ),
            Self::Dip => (
                say::dip(),
                say::dip_why(),
                vec![say::dip_how_1(), say::dip_how_2(), say::dip_how_3()],
            ),
            Self::Join => {
                (say::join(), say::join_why(), vec![say::join_how_1(), say::join_how_2()])
            }
            Self::Score => {
                (say::score(), say::score_why(), vec![say::score_how_1(), say::score_how_2()])
            }
            Self::Draw => {
                (say::draw(), say::draw_why(), vec![say::draw_how_1(), say::draw_how_2()])
            }
            Self::Boil => (
                say::boil(),
                say::boil_why(),
                vec![say::boil_how_1(), say::boil_how_2(), say::boil_how_3()],
            ),
        };
        Help { topic: self, title, why, how }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::kinds::kinds;
    use crate::plan::{BowlInputs, Plan, PlanInputs};
    use crate::steps::lines;
    use crate::work::ComponentInputs;

    #[test]
    fn every_topic_is_reached_from_a_step_and_says_why_and_how() {
        let mut reached = Vec::new();
        for kind in kinds() {
            let used = kind.start.chocolates();
            let families = [crate::chocolate::Family::Dark, crate::chocolate::Family::White];
            let bowls = families.map(BowlInputs::usual).into_iter().chain(kind.colours);
            let inputs = PlanInputs {
                fridge_c: Some(5.0),
                bowls: bowls.filter(|bowl| used.contains(&bowl.key)).collect(),
                components: vec![ComponentInputs {
                    key: "it".to_owned(),
                    name: "It".to_owned(),
                    work: kind.start,
                }],
                ..PlanInputs::usual(crate::chocolate::Family::Dark)
            };
            let plan = Plan::of(&inputs).expect("a plan");
            let steps = lines(&plan).into_iter().flat_map(|line| line.steps);
            reached.extend(steps.filter_map(|step| step.topic));
        }
        // Brushing is chosen, not where any kind starts.
        let coat = Topic::of(&crate::catalogue::work::cast::first_coat("dark"));
        reached.extend(coat);
        for topic in Topic::ALL {
            assert!(reached.contains(&topic), "{topic:?} is at no step");
            let help = topic.help();
            assert!(!help.why.text().is_empty() && help.how.len() >= 2, "{topic:?}");
        }
    }
}
