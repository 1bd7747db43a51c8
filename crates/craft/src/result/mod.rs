//! What came out of a batch.

mod bloom;
mod due;

use std::collections::BTreeSet;

pub use bloom::{Bloom, BloomTests, Rubbed, Wetted};
pub use due::{Due, LookAfter, due, next};

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

worded! {
    /// How it tastes.
    Taste {
        /// As it should.
        Good = "good",
        /// Of little, or chalky.
        Flat = "flat",
        /// Old: of cardboard, soap, the fridge.
        Stale = "stale",
        /// Burnt.
        Burnt = "burnt",
    }
}
worded! {
    /// Where it was kept until it was looked at.
    StoredIn {
        /// In a cupboard, at the room's temperature.
        Cupboard = "cupboard",
        /// In a cool room or cellar.
        CoolRoom = "cool_room",
        /// In the fridge.
        Fridge = "fridge",
        /// In the freezer.
        Freezer = "freezer",
        /// In the sun, near an oven, in a car: warm at times.
        Warm = "warm",
    }
}

/// How it was kept until it was looked at.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Stored {
    /// Where.
    pub place: Option<StoredIn>,
    /// At which temperature, where somebody read one, °C.
    pub temp_c: Option<f64>,
}

/// How it looks, breaks and comes away.
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

/// All that was noted at one look.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
pub struct Look {
    /// The component that was looked at, by its key; all of it, if left out.
    #[serde(default)]
    pub component: Option<String>,
    /// How it looks.
    pub looks: Looks,
    /// How it tastes, where somebody tried it.
    #[serde(default)]
    pub taste: Option<Taste>,
    /// How a veil behaved when it was rubbed and wetted.
    #[serde(default)]
    pub bloom: BloomTests,
    /// How it was kept until then.
    #[serde(default)]
    pub stored: Stored,
    /// Faults that were seen besides those that the looks are.
    #[serde(default)]
    pub seen: Vec<Symptom>,
    /// The maker's remarks.
    #[serde(default)]
    pub note: String,
}

impl Look {
    /// A look at all of it, with nothing to say but how it looks.
    #[must_use]
    pub fn at_all(looks: Looks) -> Self {
        Self {
            component: None,
            looks,
            taste: None,
            bloom: BloomTests::default(),
            stored: Stored::default(),
            seen: Vec::new(),
            note: String::new(),
        }
    }

    /// Every fault that was seen: those that were named, those that the looks, the taste and the
    /// two tests of a veil are.
    #[must_use]
    pub fn faults(&self) -> BTreeSet<Symptom> {
        let burnt = (self.taste == Some(Taste::Burnt)).then_some(Symptom::Burnt);
        let bloom = self.bloom.told().symptom();
        let mut faults = self.looks.symptoms();
        faults.extend(self.seen.iter().copied().chain(burnt).chain(bloom));
        faults
    }

    /// Whether it is of a component: a look at all of it is of each.
    #[must_use]
    pub fn is_of(&self, component: &str) -> bool {
        self.component.as_deref().is_none_or(|key| key == component)
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
    fn a_look_names_what_was_tasted_and_tested_besides_what_was_seen() {
        let looks = Looks {
            gloss: Gloss::Satin,
            snap: Snap::Clean,
            released: Released::Freely,
            streaks: Streaks::None,
        };
        let look = Look {
            component: Some("shells".to_owned()),
            taste: Some(Taste::Burnt),
            bloom: BloomTests { rubbed: Some(Rubbed::WipesOff), wetted: None },
            seen: vec![Symptom::Cracks],
            ..Look::at_all(looks)
        };
        let words: BTreeSet<_> = look.faults().into_iter().map(Symptom::word).collect();
        assert_eq!(words, BTreeSet::from(["burnt", "cracks", "fat_bloom"]));
        assert!(look.is_of("shells") && !look.is_of("bark"));
        assert!(Look::at_all(looks).is_of("bark") && Look::at_all(looks).faults().is_empty());
    }

    #[test]
    fn every_symptom_is_found_by_its_word() {
        for symptom in Symptom::ALL {
            assert_eq!(Symptom::from_word(symptom.word()), Some(*symptom));
        }
    }
}
