//! What came out of a batch.

use std::collections::BTreeSet;

use serde::{Deserialize, Serialize};

use crate::words::worded;

worded! {
    /// How it shines.
    Gloss {
        /// Like the sheet it lay on.
        Glossy = "glossy",
        /// A soft shine.
        Satin = "satin",
        /// No shine.
        Dull = "dull",
    }
}
worded! {
    /// How it breaks.
    Snap {
        /// With a crack.
        Clean = "clean",
        /// With a bend first.
        Soft = "soft",
        /// It does not break.
        Bends = "bends",
    }
}
worded! {
    /// How it unmoulded.
    Released {
        /// By itself.
        Freely = "freely",
        /// With some help.
        InPlaces = "in_places",
        /// Not.
        Stuck = "stuck",
    }
}
worded! {
    /// Streaks and bloom.
    Streaks {
        /// None.
        None = "none",
        /// Here and there.
        Some = "some",
        /// All over.
        Many = "many",
    }
}
worded! {
    /// A fault that can be seen, by which its causes can be found.
    Symptom {
        /// No shine.
        Dull = "dull",
        /// Streaks or swirls.
        Streaks = "streaks",
        /// A grey film that rubs off: fat.
        FatBloom = "fat_bloom",
        /// A rough, dry film that does not: sugar.
        SugarBloom = "sugar_bloom",
        /// It bends before it breaks, or melts in the fingers.
        Soft = "soft",
        /// It would not come off the sheet or out of the mould.
        Stuck = "stuck",
        /// Cracks.
        Cracks = "cracks",
        /// Thin spots.
        ThinSpots = "thin_spots",
        /// Bubbles.
        Bubbles = "bubbles",
        /// Colour stayed behind in the mould or on the sheet.
        ColourLeft = "colour_left",
        /// It thickened in the bowl.
        ThickInBowl = "thick_in_bowl",
        /// It seized.
        Seized = "seized",
        /// Layers came apart.
        LayersPart = "layers_part",
        /// Toppings fall off.
        ToppingsFall = "toppings_fall",
        /// Colours ran into each other.
        Muddy = "muddy",
        /// It broke when it was lifted.
        BreaksOnLifting = "breaks_on_lifting",
        /// A grey layer inside.
        GreyLayer = "grey_layer",
        /// It tastes burnt.
        Burnt = "burnt",
    }
}

/// What was seen of it, at one look.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Looks {
    /// How it shines.
    pub gloss: Gloss,
    /// How it breaks.
    pub snap: Snap,
    /// How it unmoulded.
    pub released: Released,
    /// Streaks and bloom.
    pub streaks: Streaks,
}

impl Looks {
    /// The faults that these looks are: no shine, streaks, a soft break, what stuck.
    #[must_use]
    pub fn symptoms(&self) -> BTreeSet<Symptom> {
        let faults = [
            (self.gloss == Gloss::Dull, Symptom::Dull),
            (self.streaks != Streaks::None, Symptom::Streaks),
            (self.snap != Snap::Clean, Symptom::Soft),
            (self.released == Released::Stuck, Symptom::Stuck),
        ];
        faults.into_iter().filter(|(is, _)| *is).map(|(_, symptom)| symptom).collect()
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn looks_name_their_faults_and_good_ones_have_none() {
        let good = Looks {
            gloss: Gloss::Glossy,
            snap: Snap::Clean,
            released: Released::Freely,
            streaks: Streaks::None,
        };
        assert!(good.symptoms().is_empty());
        let bad = Looks { gloss: Gloss::Dull, streaks: Streaks::Some, snap: Snap::Bends, ..good };
        let words: Vec<_> = bad.symptoms().into_iter().map(Symptom::word).collect();
        assert_eq!(words, ["dull", "streaks", "soft"]);
    }

    #[test]
    fn every_symptom_is_found_by_its_word() {
        for symptom in Symptom::ALL {
            assert_eq!(Symptom::from_word(symptom.word()), Some(*symptom));
        }
    }
}
