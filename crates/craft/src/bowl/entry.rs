//! Actions as they are sent, kept and written in tables: a name, and the fields that go
//! with it. The one place that tells which kinds there are and what each needs.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::event::{ActionKind, Seen};
use crate::catalogue::bowl as say;
use crate::check::{self, Checker};
use crate::message::names;
use crate::units::{Mass, Time, grams, in_grams, in_seconds, seconds};
use crate::words::worded;

/// The longest reason.
const LONGEST_REASON: usize = 500;

worded! {
    /// What an action was.
    ActionName {
        /// Put on the heat: with `seconds` a burst, without until taken off.
        Heat = "heat",
        /// Warmed with a hair dryer on low: `seconds`.
        Dryer = "dryer",
        /// Stood in warm water for a moment: `seconds`.
        InWarmWater = "in_warm_water",
        /// Stood on a heating pad.
        OnPad = "on_pad",
        /// Taken off the heating pad.
        OffPad = "off_pad",
        /// Taken off the heat: the melt is done.
        OffHeat = "off_heat",
        /// Set in cool water.
        OnCoolWater = "on_cool_water",
        /// Taken out of the cool water.
        OffCoolWater = "off_cool_water",
        /// Stirred.
        Stirred = "stirred",
        /// Seed added: `grams`.
        SeedAdded = "seed_added",
        /// Ready crystals stirred in: `grams`.
        CrystalsAdded = "crystals_added",
        /// A part poured out on the stone: `grams`.
        OnStone = "on_stone",
        /// What was on the stone returned.
        OffStone = "off_stone",
        /// Powder of a colour worked in.
        ColourIn = "colour_in",
        /// Strained through cloth.
        Strained = "strained",
        /// It thickens: the maker says so.
        TooThick = "too_thick",
        /// A smear was made.
        TestStarted = "test_started",
        /// The smear was looked at: `seen`, and `seconds` where it turned dull so long before.
        TestSeen = "test_seen",
        /// Poured.
        Poured = "poured",
        /// Given up: `reason`.
        GivenUp = "given_up",
        /// An earlier action did not happen: `undoes`.
        Undone = "undone",
        /// Correction of what was weighed in an earlier action: `corrects`, `grams`.
        AmountCorrected = "amount_corrected",
        /// Correction: a reading was mistyped: `reading`.
        ReadingWithdrawn = "reading_withdrawn",
    }
}

/// An action without its id and time; which fields there are goes with the kind.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Entry {
    /// What was done.
    pub kind: ActionName,
    /// For `heat`: the length of a burst; without it, on until taken off. For `dryer` and
    /// `in_warm_water`: how long.
    /// For `test_seen`: how long ago the smear turned dull; not known if left out.
    #[serde(default)]
    pub seconds: Option<f64>,
    /// What was weighed: for `seed_added`, `crystals_added`, `on_stone` and `amount_corrected`.
    #[serde(default)]
    pub grams: Option<f64>,
    /// For `test_seen`.
    #[serde(default)]
    pub seen: Option<Seen>,
    /// For `given_up`.
    #[serde(default)]
    pub reason: Option<String>,
    /// For `undone`: the action that did not happen.
    #[serde(default)]
    pub undoes: Option<Uuid>,
    /// For `amount_corrected`: the action in which it was weighed.
    #[serde(default)]
    pub corrects: Option<Uuid>,
    /// For `reading_withdrawn`: the reading that does not count.
    #[serde(default)]
    pub reading: Option<Uuid>,
}

/// To a hundredth: finer than any scale, and free of what arithmetic left.
fn rounded(value: f64) -> f64 {
    (value * 100.0).round() / 100.0
}

impl From<&ActionKind> for Entry {
    fn from(kind: &ActionKind) -> Self {
        let plain = |kind| Self {
            kind,
            seconds: None,
            grams: None,
            seen: None,
            reason: None,
            undoes: None,
            corrects: None,
            reading: None,
        };
        let weighed =
            |kind, mass: Mass| Self { grams: Some(rounded(in_grams(mass))), ..plain(kind) };
        let timed =
            |kind, lasting| Self { seconds: Some(rounded(in_seconds(lasting))), ..plain(kind) };
        match kind {
            ActionKind::Heat { lasting } => Self {
                seconds: lasting.map(|time| rounded(in_seconds(time))),
                ..plain(ActionName::Heat)
            },
            ActionKind::Dryer { lasting } => timed(ActionName::Dryer, *lasting),
            ActionKind::InWarmWater { lasting } => timed(ActionName::InWarmWater, *lasting),
            ActionKind::OnPad => plain(ActionName::OnPad),
            ActionKind::OffPad => plain(ActionName::OffPad),
            ActionKind::OffHeat => plain(ActionName::OffHeat),
            ActionKind::OnCoolWater => plain(ActionName::OnCoolWater),
            ActionKind::OffCoolWater => plain(ActionName::OffCoolWater),
            ActionKind::Stirred => plain(ActionName::Stirred),
            ActionKind::SeedAdded { mass } => weighed(ActionName::SeedAdded, *mass),
            ActionKind::CrystalsAdded { mass } => weighed(ActionName::CrystalsAdded, *mass),
            ActionKind::OnStone { mass } => weighed(ActionName::OnStone, *mass),
            ActionKind::OffStone => plain(ActionName::OffStone),
            ActionKind::ColourIn => plain(ActionName::ColourIn),
            ActionKind::Strained => plain(ActionName::Strained),
            ActionKind::TooThick => plain(ActionName::TooThick),
            ActionKind::TestStarted => plain(ActionName::TestStarted),
            ActionKind::TestSeen { seen, dull_for } => Self {
                seen: Some(*seen),
                seconds: dull_for.map(|time| rounded(in_seconds(time))),
                ..plain(ActionName::TestSeen)
            },
            ActionKind::Poured => plain(ActionName::Poured),
            ActionKind::GivenUp { reason } => {
                Self { reason: Some(reason.clone()), ..plain(ActionName::GivenUp) }
            }
            ActionKind::Undone { action } => {
                Self { undoes: Some(*action), ..plain(ActionName::Undone) }
            }
            ActionKind::AmountCorrected { action, mass } => {
                Self { corrects: Some(*action), ..weighed(ActionName::AmountCorrected, *mass) }
            }
            ActionKind::ReadingWithdrawn { reading } => {
                Self { reading: Some(*reading), ..plain(ActionName::ReadingWithdrawn) }
            }
        }
    }
}

impl Entry {
    /// What was done, with everything that it needs; faults are noted.
    pub fn check(self, check: &mut Checker) -> Option<ActionKind> {
        let name = self.kind;
        let mut belongs = |field: &str, given: bool, to: &[ActionName]| {
            if given && !to.contains(&name) {
                let kinds = to.iter().map(|kind| kind.word());
                check.fault(field, say::does_not_go_with(names(kinds)));
            }
        };
        use ActionName as N;
        let timed = [N::Heat, N::Dryer, N::InWarmWater, N::TestSeen];
        belongs("seconds", self.seconds.is_some(), &timed);
        let weighed = [N::SeedAdded, N::CrystalsAdded, N::OnStone, N::AmountCorrected];
        belongs("grams", self.grams.is_some(), &weighed);
        belongs("seen", self.seen.is_some(), &[N::TestSeen]);
        belongs("reason", self.reason.is_some(), &[N::GivenUp]);
        belongs("undoes", self.undoes.is_some(), &[N::Undone]);
        belongs("corrects", self.corrects.is_some(), &[N::AmountCorrected]);
        belongs("reading", self.reading.is_some(), &[N::ReadingWithdrawn]);
        let mass = if weighed.contains(&name) {
            needed("grams", self.grams, check)
                .map(|g| grams(check.number("grams", g, check::WEIGHED_G)))
        } else {
            None
        };
        match name {
            N::Heat => Some(ActionKind::Heat {
                lasting: check.optional("seconds", self.seconds, check::BURST_S).map(seconds),
            }),
            N::Dryer => self.lasting(check).map(|lasting| ActionKind::Dryer { lasting }),
            N::InWarmWater => {
                self.lasting(check).map(|lasting| ActionKind::InWarmWater { lasting })
            }
            N::OnPad => Some(ActionKind::OnPad),
            N::OffPad => Some(ActionKind::OffPad),
            N::OffHeat => Some(ActionKind::OffHeat),
            N::OnCoolWater => Some(ActionKind::OnCoolWater),
            N::OffCoolWater => Some(ActionKind::OffCoolWater),
            N::Stirred => Some(ActionKind::Stirred),
            N::SeedAdded => mass.map(|mass| ActionKind::SeedAdded { mass }),
            N::CrystalsAdded => mass.map(|mass| ActionKind::CrystalsAdded { mass }),
            N::OnStone => mass.map(|mass| ActionKind::OnStone { mass }),
            N::OffStone => Some(ActionKind::OffStone),
            N::ColourIn => Some(ActionKind::ColourIn),
            N::Strained => Some(ActionKind::Strained),
            N::TooThick => Some(ActionKind::TooThick),
            N::TestStarted => Some(ActionKind::TestStarted),
            N::TestSeen => {
                let dull_for = check.optional("seconds", self.seconds, check::DULL_FOR_S);
                needed("seen", self.seen, check)
                    .map(|seen| ActionKind::TestSeen { seen, dull_for: dull_for.map(seconds) })
            }
            N::Poured => Some(ActionKind::Poured),
            N::GivenUp => needed("reason", self.reason, check).map(|reason| {
                check.told("reason", &reason, LONGEST_REASON);
                ActionKind::GivenUp { reason }
            }),
            N::Undone => {
                needed("undoes", self.undoes, check).map(|action| ActionKind::Undone { action })
            }
            N::AmountCorrected => {
                let action = needed("corrects", self.corrects, check);
                Some(ActionKind::AmountCorrected { action: action?, mass: mass? })
            }
            N::ReadingWithdrawn => needed("reading", self.reading, check)
                .map(|reading| ActionKind::ReadingWithdrawn { reading }),
        }
    }
}

impl Entry {
    /// How long a warming lasts that is known by its length.
    fn lasting(&self, check: &mut Checker) -> Option<Time> {
        let s = needed("seconds", self.seconds, check)?;
        Some(seconds(check.number("seconds", s, check::BURST_S)))
    }
}

fn needed<T>(field: &str, value: Option<T>, check: &mut Checker) -> Option<T> {
    if value.is_none() {
        check.fault(field, say::needed_for_this_action());
    }
    value
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn every_kind_is_written_and_read_back() {
        let id = Uuid::from_u128(7);
        let mass = grams(12.5);
        let kinds = [
            ActionKind::Heat { lasting: Some(seconds(30.0)) },
            ActionKind::Heat { lasting: None },
            ActionKind::Dryer { lasting: seconds(5.0) },
            ActionKind::InWarmWater { lasting: seconds(20.0) },
            ActionKind::OnPad,
            ActionKind::OffPad,
            ActionKind::OffHeat,
            ActionKind::OnCoolWater,
            ActionKind::OffCoolWater,
            ActionKind::Stirred,
            ActionKind::SeedAdded { mass },
            ActionKind::CrystalsAdded { mass },
            ActionKind::OnStone { mass },
            ActionKind::OffStone,
            ActionKind::ColourIn,
            ActionKind::Strained,
            ActionKind::TooThick,
            ActionKind::TestStarted,
            ActionKind::TestSeen { seen: Seen::EvenSatin, dull_for: None },
            ActionKind::TestSeen { seen: Seen::EvenSatin, dull_for: Some(seconds(120.0)) },
            ActionKind::Poured,
            ActionKind::GivenUp { reason: "seized".to_owned() },
            ActionKind::Undone { action: id },
            ActionKind::AmountCorrected { action: id, mass },
            ActionKind::ReadingWithdrawn { reading: id },
        ];
        let mut named = std::collections::HashSet::new();
        for kind in kinds {
            let entry = Entry::from(&kind);
            named.insert(entry.kind);
            let text = serde_json::to_string(&entry).expect("written");
            let read: Entry = serde_json::from_str(&text).expect("read");
            let mut check = Checker::new();
            assert_eq!(read.check(&mut check), Some(kind));
            assert!(!check.has_faults());
        }
        assert_eq!(named.len(), ActionName::ALL.len(), "none is left out");
    }

    #[test]
    fn what_a_kind_needs_and_what_does_not_go_with_it_is_told_by_field() {
        let entry = |text: &str| serde_json::from_str::<Entry>(text).expect("read");
        let told = |text: &str| {
            let mut check = Checker::new();
            entry(text).check(&mut check);
            check.into_faults().into_iter().map(|f| f.field).collect::<Vec<_>>()
        };
        assert_eq!(told(r#"{"kind":"seed_added"}"#), ["grams"]);
        assert_eq!(told(r#"{"kind":"stirred","grams":3}"#), ["grams"]);
        assert_eq!(told(r#"{"kind":"amount_corrected"}"#), ["grams", "corrects"]);
        assert_eq!(
            told(r#"{"kind":"reading_withdrawn","undoes":"00000000-0000-0000-0000-000000000007"}"#),
            ["undoes", "reading"]
        );
        assert_eq!(told(r#"{"kind":"seed_added","grams":-3}"#), ["grams"]);
        assert_eq!(told(r#"{"kind":"dryer"}"#), ["seconds"]);
        assert_eq!(told(r#"{"kind":"stirred","seconds":60}"#), ["seconds"]);
        assert_eq!(told(r#"{"kind":"test_seen","seen":"even_satin","seconds":-1}"#), ["seconds"]);
    }
}
