//! Powder into cocoa butter: worked in, warmed until no grain shows, strained.

use crate::bowl::fluid_from;
use crate::phrases::{Advice, Rule};
use crate::phrases::{Look, told};
use crate::units::{Temperature, grams, in_grams, in_seconds};

/// From here up a stick blender has something to work in, g (docs/craft.md, section 9).
const BLENDER_FROM_G: f64 = 100.0;

impl Look<'_> {
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
                "A stick blender, its head kept under, works it in best"
            } else {
                "A little at a time, rubbed against the glass with a small spatula"
            };
            return Some(Advice::new(
                Rule::WorkInColour,
                format!("Work the {:.1} g of powder in", in_grams(colouring.pigment)),
                format!("{how}; powder is not blown about over a flame. {} now.", self.shown()),
            ));
        }
        if !bowl.colour.fluid {
            let burst = self.warming_burst(temp, self.setup.chocolate.windows.melt.lo);
            return Some(
                Advice::new(
                    Rule::WarmColour,
                    format!("Warm it again for {:.0} s and stir", in_seconds(burst)),
                    format!(
                        "{} now; from {} it runs like water, and no grain may show against the glass.",
                        self.shown(),
                        told(fluid_from())
                    ),
                )
                .heating(burst),
            );
        }
        (colouring.strained && bowl.colour.strained.is_none()).then(|| {
            Advice::new(
                Rule::Strain,
                "Strain it through cloth",
                "While it runs like water: grit blocks an airbrush's needle.",
            )
        })
    }
}
