//! Powder into cocoa butter: worked in, warmed until no grain shows, strained.

use crate::bowl::fluid_from;
use crate::catalogue::bench as say;
use crate::phrases::CoachContext;
use crate::phrases::{Advice, Rule};
use crate::units::{Temperature, grams};

/// From here up a stick blender has something to work in, g (docs/craft.md, section 9).
const BLENDER_FROM_G: f64 = 100.0;

impl CoachContext<'_> {
    /// What is to be done before a colour is seeded; `None` where that is done, or no
    /// colour is made here.
    pub(super) fn colouring(&self, temp: Temperature) -> Option<Advice> {
        let colouring = self.setup.colouring?;
        let bowl = self.bowl;
        if bowl.went_in.additions > 0
            || bowl.went_in.crystals_in.is_some()
            || bowl.went_in.on_stone.is_some()
        {
            return None;
        }
        if bowl.colour.colour_in.is_none() {
            let how = if self.setup.melted >= grams(BLENDER_FROM_G) {
                say::stick_blender()
            } else {
                say::small_spatula()
            };
            return Some(Advice::new(
                Rule::WorkInColour,
                say::work_in_colour(colouring.pigment),
                say::work_in_colour_why(how, self.shown()),
            ));
        }
        if !bowl.colour.fluid {
            let warming = self.warming(temp, self.setup.chocolate.windows.melt.lo);
            let say = self.said_of(warming, say::warm_colour, say::warm_colour_gently);
            let why = say::warm_colour_why(self.shown(), fluid_from());
            return Some(Advice::new(Rule::WarmColour, say, why).warming(warming));
        }
        (colouring.strained && bowl.colour.strained.is_none())
            .then(|| Advice::new(Rule::Strain, say::strain(), say::strain_why()))
    }
}
