//! The table of causes: how often each happens, where it can, and which faults it shows as.
//!
//! One row for each row of what makers know of mistakes, and more. How often, and how often a cause
//! shows as a fault, are judgement (*custom*).

use super::facts::Facts;
use crate::cause::Cause;
use crate::result::Symptom;

/// What a cause can only happen to.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Only {
    /// Anything.
    Anything,
    /// What is tempered: all but coating.
    Tempered,
    /// What is cast in a mould.
    Moulded,
    /// What is coloured.
    Coloured,
    /// What has goods in it or on it.
    WithGoods,
    /// What was in the fridge.
    Chilled,
}

/// One row: how often it happens where it can, and how often each fault shows where it did.
#[derive(Clone, Copy, Debug)]
pub struct Row {
    /// Which cause.
    pub cause: Cause,
    /// Of so many evenings of which somebody asks, 0 to 1.
    pub prior: f64,
    /// What it can happen to.
    pub only: Only,
    /// How likely each fault is where nothing else shows it.
    pub shows: &'static [(Symptom, f64)],
}

/// A fault that none of these causes explains is told of so many evenings.
pub const LEAK: f64 = 0.012;

/// A cause that is usual, and one that is rare.
const USUAL: f64 = 0.10;
const RARE: f64 = 0.005;

/// The table.
pub const TABLE: [Row; 30] = {
    use Cause as C;
    use Only::{Anything, Chilled, Coloured, Moulded, Tempered, WithGoods};
    use Symptom as S;
    const fn row(cause: Cause, prior: f64, only: Only, shows: &'static [(Symptom, f64)]) -> Row {
        Row { cause, prior, only, shows }
    }
    [
        row(
            C::Overheated,
            USUAL,
            Anything,
            &[(S::Burnt, 0.7), (S::ThickInBowl, 0.25), (S::Dull, 0.2)],
        ),
        row(
            C::TemperLost,
            USUAL,
            Tempered,
            &[
                (S::Streaks, 0.6),
                (S::Dull, 0.55),
                (S::Soft, 0.45),
                (S::FatBloom, 0.3),
                (S::Stuck, 0.25),
            ],
        ),
        row(
            C::PouredTooWarm,
            USUAL,
            Anything,
            &[
                (S::Dull, 0.5),
                (S::Streaks, 0.45),
                (S::Soft, 0.25),
                (S::Stuck, 0.15),
                (S::ColourLeft, 0.15),
                (S::FatBloom, 0.05),
            ],
        ),
        row(
            C::PouredTooCool,
            USUAL,
            Anything,
            &[
                (S::ThickInBowl, 0.65),
                (S::Bubbles, 0.4),
                (S::ThinSpots, 0.15),
                (S::ColourLeft, 0.15),
                (S::Dull, 0.05),
            ],
        ),
        row(
            C::NotTempered,
            USUAL,
            Tempered,
            &[
                (S::Streaks, 0.65),
                (S::Dull, 0.6),
                (S::Soft, 0.5),
                (S::FatBloom, 0.3),
                (S::Stuck, 0.25),
            ],
        ),
        row(
            C::UnderSeeded,
            USUAL,
            Tempered,
            &[(S::Streaks, 0.55), (S::Dull, 0.45), (S::Soft, 0.35), (S::FatBloom, 0.05)],
        ),
        row(
            C::OverSeeded,
            USUAL,
            Tempered,
            &[(S::ThickInBowl, 0.7), (S::Bubbles, 0.3), (S::Dull, 0.2)],
        ),
        row(
            C::PoorStirring,
            USUAL,
            Tempered,
            &[(S::Streaks, 0.65), (S::Dull, 0.2), (S::Soft, 0.1)],
        ),
        row(
            C::WarmRoom,
            USUAL,
            Anything,
            &[(S::Dull, 0.6), (S::Soft, 0.4), (S::Streaks, 0.2), (S::Stuck, 0.1)],
        ),
        row(C::DampRoom, USUAL, Anything, &[(S::SugarBloom, 0.65), (S::Dull, 0.1)]),
        row(C::Dew, USUAL, Chilled, &[(S::SugarBloom, 0.75), (S::Dull, 0.2), (S::GreyLayer, 0.1)]),
        row(C::ChilledTooLong, USUAL, Chilled, &[(S::Cracks, 0.75), (S::Dull, 0.05)]),
        row(
            C::TooThin,
            USUAL,
            Anything,
            &[(S::ThinSpots, 0.7), (S::Cracks, 0.4), (S::BreaksOnLifting, 0.35), (S::Stuck, 0.15)],
        ),
        row(C::WarmGoods, USUAL, WithGoods, &[(S::Streaks, 0.6), (S::Dull, 0.35), (S::Soft, 0.15)]),
        row(
            C::ColourNotTempered,
            2.0 * RARE,
            Coloured,
            &[(S::ColourLeft, 0.6), (S::Dull, 0.3), (S::Streaks, 0.1)],
        ),
        row(C::ColourTooFresh, USUAL, Coloured, &[(S::ColourLeft, 0.75), (S::Muddy, 0.2)]),
        row(C::MouldWarm, RARE, Moulded, &[(S::Stuck, 0.5), (S::Dull, 0.2)]),
        row(
            C::MouldDirty,
            RARE,
            Moulded,
            &[(S::Stuck, 0.5), (S::Dull, 0.25), (S::ColourLeft, 0.2)],
        ),
        row(C::NotShrunk, RARE, Moulded, &[(S::Stuck, 0.7), (S::Cracks, 0.1)]),
        row(C::Water, RARE, Anything, &[(S::Seized, 0.9), (S::ThickInBowl, 0.3)]),
        row(C::Oil, RARE, Anything, &[(S::Soft, 0.7), (S::Dull, 0.1)]),
        row(
            C::IncompatibleFats,
            RARE,
            Anything,
            &[(S::FatBloom, 0.5), (S::Soft, 0.4), (S::Dull, 0.2)],
        ),
        row(C::WarmStorage, RARE, Anything, &[(S::FatBloom, 0.7), (S::Soft, 0.2), (S::Dull, 0.2)]),
        row(C::NutOil, RARE, WithGoods, &[(S::FatBloom, 0.6), (S::Soft, 0.2)]),
        row(C::ToppedLate, RARE, WithGoods, &[(S::ToppingsFall, 0.85)]),
        row(C::TooManyStrokes, RARE, Anything, &[(S::Muddy, 0.85)]),
        row(C::NotKnocked, RARE, Anything, &[(S::Bubbles, 0.75)]),
        row(C::LayerTooSet, RARE, Anything, &[(S::LayersPart, 0.85)]),
        row(C::ThinLines, RARE, Anything, &[(S::BreaksOnLifting, 0.8)]),
        row(C::ToneSweated, RARE, Anything, &[(S::GreyLayer, 0.8)]),
    ]
};

impl Only {
    /// How much more or less likely it is there, by what is known of the piece: nought where it
    /// cannot be.
    #[must_use]
    pub fn weight(self, facts: &Facts) -> f64 {
        let by = |known: Option<bool>, else_it_is: f64| match known {
            Some(true) => 1.0,
            Some(false) => 0.0,
            None => else_it_is,
        };
        match self {
            Self::Anything => 1.0,
            Self::Tempered => by(facts.tempered, 1.0),
            Self::Moulded => by(facts.moulded, 0.5),
            Self::Coloured => by(facts.coloured, 0.3),
            Self::WithGoods => {
                // What is cast rarely has goods in it; a temperature of goods says that there are some.
                let said = facts.with_goods.or(facts.goods_c.map(|_| true));
                by(said, if facts.moulded == Some(true) { 0.2 } else { 0.6 })
            }
            Self::Chilled => by(facts.chilled.or(facts.chill_min.map(|_| true)), 0.7),
        }
    }
}
