//! What the clinic answers.

use super::ask::{Question, questions};
use super::evidence::Evidence;
use super::facts::Facts;
use super::infer::Chances;
use crate::catalogue::clinic as say;
use crate::cause::Cause;
use crate::message::{Message, names};
use crate::result::Symptom;
use crate::words::worded;

/// So many causes at once are weighed.
const AT_ONCE: usize = 3;
/// What is less likely is not told.
const WORTH_TELLING: f64 = 0.02;

worded! {
    /// How likely, in a word.
    Likely {
        /// Nine in ten and more.
        AlmostCertain = "almost_certain",
        /// Six in ten and more.
        Likely = "likely",
        /// One in seven and more.
        Possible = "possible",
        /// Less.
        Unlikely = "unlikely",
    }
}

impl Likely {
    fn of(chance: f64) -> Self {
        if chance >= 0.9 {
            Self::AlmostCertain
        } else if chance >= 0.6 {
            Self::Likely
        } else if chance >= 0.15 {
            Self::Possible
        } else {
            Self::Unlikely
        }
    }
}

/// One cause, and what there is to say of it.
#[derive(Clone, Debug, PartialEq)]
pub struct Suspect {
    /// Which.
    pub cause: Cause,
    /// How likely, 0 to 1.
    pub chance: f64,
    /// How often it happens, before anything is known, 0 to 1.
    pub prior: f64,
    /// What of what was seen it shows as, and how often.
    pub shows: Vec<(Symptom, f64)>,
    /// What speaks for it and against it, and what is not known.
    pub evidence: Vec<Evidence>,
    /// What can still be done with what was made.
    pub rescue: Message,
}

/// Chances as one says them: so many of so many.
const SAID: [(u32, u32); 12] = [
    (1, 20),
    (1, 10),
    (1, 6),
    (1, 4),
    (1, 3),
    (1, 2),
    (2, 3),
    (3, 4),
    (5, 6),
    (9, 10),
    (19, 20),
    (99, 100),
];

impl Suspect {
    /// How likely, in a word.
    #[must_use]
    pub fn likely(&self) -> Likely {
        Likely::of(self.chance)
    }

    /// How likely, in a word and in numbers.
    #[must_use]
    pub fn in_words(&self) -> Message {
        let off = |(of, all): &(u32, u32)| (f64::from(*of) / f64::from(*all) - self.chance).abs();
        let near = SAID.iter().min_by(|a, b| off(a).total_cmp(&off(b)));
        let &(of, all) = near.unwrap_or(&SAID[0]);
        match self.likely() {
            Likely::AlmostCertain => say::almost_certain(of, all),
            Likely::Likely => say::likely(of, all),
            Likely::Possible => say::possible(of, all),
            Likely::Unlikely => say::unlikely(of, all),
        }
    }
}

/// What is to be said of an evening.
#[derive(Clone, Debug, PartialEq)]
pub struct Diagnosis {
    /// The causes, the most likely first.
    pub suspects: Vec<Suspect>,
    /// What to ask, that which tells most first.
    pub questions: Vec<Question>,
    /// What should have been noted, where it cannot be told from what was.
    pub cannot_be_told: Option<Message>,
}

/// Why this was seen, by what is known.
///
/// Chances come from a noisy-or over the sets of up to three causes of [`TABLE`], with a ratio for
/// each known fact.
#[must_use]
pub fn diagnose(seen: &[Symptom], facts: &Facts) -> Diagnosis {
    let chances = Chances::of(seen, facts, AT_ONCE);
    let mut suspects: Vec<Suspect> = chances
        .each()
        .filter_map(|(row, chance)| {
            let shows = row.shows.iter().filter(|(symptom, _)| seen.contains(symptom));
            (chance >= WORTH_TELLING).then(|| Suspect {
                cause: row.cause,
                chance,
                prior: row.prior,
                shows: shows.copied().collect(),
                evidence: row.cause.evidence(facts),
                rescue: row.cause.rescue(facts.tempered != Some(false)),
            })
        })
        .collect();
    suspects.sort_by(|a, b| b.chance.total_cmp(&a.chance));
    let questions = if seen.is_empty() { Vec::new() } else { questions(seen, facts, &chances) };
    let cannot_be_told = cannot_be_told(seen, &suspects);
    Diagnosis { suspects, questions, cannot_be_told }
}

/// Where the likeliest is no more than possible and nothing known speaks for it: what was not noted.
fn cannot_be_told(seen: &[Symptom], suspects: &[Suspect]) -> Option<Message> {
    let first = suspects.first()?;
    let told = first.evidence.iter().any(|one| one.speaks_for() == Some(true));
    if seen.is_empty() || told || first.chance >= 0.6 {
        return None;
    }
    let mut not_noted: Vec<&str> = Vec::new();
    for one in suspects.iter().take(3).flat_map(|suspect| &suspect.evidence) {
        if !one.known && !not_noted.contains(&one.fact.noted()) {
            not_noted.push(one.fact.noted());
        }
    }
    (!not_noted.is_empty()).then(|| say::cannot_be_told(names(not_noted)))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn nothing_seen_is_nothing_told_and_nothing_asked() {
        let nothing = diagnose(&[], &Facts::default());
        assert!(nothing.suspects.iter().all(|one| one.chance < 0.15), "{:?}", nothing.suspects);
        assert_eq!((nothing.questions, nothing.cannot_be_told), (Vec::new(), None));
    }

    #[test]
    fn chances_are_said_in_words_with_numbers() {
        let suspect = |chance| Suspect {
            cause: Cause::Dew,
            chance,
            prior: 0.1,
            shows: Vec::new(),
            evidence: Vec::new(),
            rescue: Cause::Dew.rescue(true),
        };
        let said = |chance| suspect(chance).in_words().text().into_owned();
        assert_eq!(said(0.76), "likely, about 3 in 4");
        assert_eq!(said(0.97), "almost certain, about 19 in 20");
        assert_eq!(said(0.3), "possible, about 1 in 3");
        assert_eq!(said(0.04), "unlikely, about 1 in 20");
    }

    #[test]
    fn what_is_not_noted_is_asked_for_and_what_is_answered_is_not_asked_again() {
        let streaks = diagnose(&[Symptom::Streaks], &Facts::default());
        assert!(streaks.cannot_be_told.is_some(), "{:?}", streaks.suspects[0]);
        assert!(!streaks.questions.is_empty() && streaks.questions.len() <= 3);
        let mut facts = Facts::default();
        for _ in 0..30 {
            let asked = diagnose(&[Symptom::Streaks], &facts).questions;
            let Some(question) = asked.first() else { return };
            let answered = facts.with(question.fact, false);
            assert_ne!(answered, facts);
            facts = answered;
            let again = diagnose(&[Symptom::Streaks], &facts).questions;
            assert!(again.iter().all(|other| other.fact != question.fact), "{question:?}");
        }
        panic!("it asks for ever");
    }
}
