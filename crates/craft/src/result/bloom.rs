//! Fat bloom or sugar bloom: two tests that a fingertip and a drop of water make.
//!
//! Fat bloom is crystals of cocoa butter: it melts and wipes off under a warm finger, and water beads
//! on it. Sugar bloom is sugar that was dissolved and dried again: it is rough and stays under a dry
//! finger, and a drop of water takes it up.

use serde::{Deserialize, Serialize};

use super::Symptom;
use crate::words::worded;

worded! {
    /// What a dry, warm fingertip does to a grey veil.
    Rubbed {
        /// It melts and wipes off.
        WipesOff = "wipes_off",
        /// It stays, and feels rough.
        Stays = "stays",
    }
}
worded! {
    /// What a drop of water does to it.
    Wetted {
        /// The veil dissolves under it.
        Dissolves = "dissolves",
        /// The drop beads, and the veil stays.
        Beads = "beads",
    }
}
worded! {
    /// What the two tests tell.
    Bloom {
        /// Neither was made.
        NotTested = "not_tested",
        /// Fat.
        Fat = "fat",
        /// Sugar.
        Sugar = "sugar",
        /// They contradict each other: there may be both.
        Undecided = "undecided",
    }
}

/// The two tests of a veil, each where it was made.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BloomTests {
    /// Rub it.
    pub rubbed: Option<Rubbed>,
    /// Wet it.
    pub wetted: Option<Wetted>,
}

impl BloomTests {
    /// What they tell together.
    #[must_use]
    pub fn told(self) -> Bloom {
        let by_rubbing = self.rubbed.map(|rubbed| match rubbed {
            Rubbed::WipesOff => Bloom::Fat,
            Rubbed::Stays => Bloom::Sugar,
        });
        let by_water = self.wetted.map(|wetted| match wetted {
            Wetted::Beads => Bloom::Fat,
            Wetted::Dissolves => Bloom::Sugar,
        });
        match (by_rubbing, by_water) {
            (None, None) => Bloom::NotTested,
            (Some(one), Some(other)) if one != other => Bloom::Undecided,
            (Some(told), _) | (None, Some(told)) => told,
        }
    }
}

impl Bloom {
    /// The fault that it is.
    #[must_use]
    pub fn symptom(self) -> Option<Symptom> {
        match self {
            Self::Fat => Some(Symptom::FatBloom),
            Self::Sugar => Some(Symptom::SugarBloom),
            Self::NotTested | Self::Undecided => None,
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn each_pair_of_tests_tells_one_thing() {
        let told = |rubbed, wetted| BloomTests { rubbed, wetted }.told();
        assert_eq!(told(None, None), Bloom::NotTested);
        assert_eq!(told(Some(Rubbed::WipesOff), None), Bloom::Fat);
        assert_eq!(told(None, Some(Wetted::Beads)), Bloom::Fat);
        assert_eq!(told(Some(Rubbed::Stays), Some(Wetted::Dissolves)), Bloom::Sugar);
        assert_eq!(told(Some(Rubbed::WipesOff), Some(Wetted::Dissolves)), Bloom::Undecided);
        assert_eq!(told(Some(Rubbed::Stays), Some(Wetted::Beads)), Bloom::Undecided);
        assert_eq!(Bloom::Undecided.symptom(), None);
    }
}
