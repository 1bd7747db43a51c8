//! Words to be piped: a stroke font of our own, made for a bag.
//!
//! Letters are single lines, not outlines of letters, so that they can be piped in a
//! few movements; each stands on the line, where a bar joins them all so that the word
//! lifts in one.

use kurbo::{Affine, BezPath, Shape};

use super::outline::Outline;
use crate::catalogue::drawn as say;
use crate::message::{Message, spoken};

/// The longest word.
pub const LONGEST_WORD: usize = 24;
/// Letters stand so far apart.
const GAP: f64 = 22.0;
/// A space is so wide.
const SPACE: f64 = 40.0;
/// Letters stand on this line.
const LINE: f64 = 100.0;

/// The letters, upright, a hundred high.
const LETTERS: [(char, &str); 37] = [
    ('A', "M0 100 L35 0 L70 100 M14 60 L56 60"),
    (
        'B',
        "M0 0 L0 100 L40 100 Q66 100 66 74 Q66 48 40 48 L0 48 M40 48 Q58 46 58 24 Q58 0 36 0 L0 0",
    ),
    ('C', "M66 18 Q54 0 36 0 Q0 0 0 50 Q0 100 36 100 Q54 100 66 82"),
    ('D', "M0 0 L0 100 L30 100 Q70 100 70 50 Q70 0 30 0 L0 0"),
    ('E', "M56 0 L0 0 L0 100 L56 100 M0 48 L46 48"),
    ('F', "M56 0 L0 0 L0 100 M0 48 L44 48"),
    ('G', "M66 18 Q54 0 36 0 Q0 0 0 50 Q0 100 36 100 Q66 100 68 60 L40 60"),
    ('H', "M0 0 L0 100 M64 0 L64 100 M0 48 L64 48"),
    ('I', "M0 0 L0 100"),
    ('J', "M40 0 L40 70 Q40 100 18 100 Q0 100 0 80"),
    ('K', "M0 0 L0 100 M60 0 L0 56 M22 35.5 L62 100"),
    ('L', "M0 0 L0 100 L52 100"),
    ('M', "M0 100 L0 0 L40 60 L80 0 L80 100"),
    ('N', "M0 100 L0 0 L64 100 L64 0"),
    ('O', "M38 0 Q0 0 0 50 Q0 100 38 100 Q76 100 76 50 Q76 0 38 0 Z"),
    ('P', "M0 100 L0 0 L34 0 Q62 0 62 28 Q62 56 34 56 L0 56"),
    ('Q', "M38 0 Q0 0 0 50 Q0 100 38 100 Q76 100 76 50 Q76 0 38 0 Z M44 70 L72 104"),
    ('R', "M0 100 L0 0 L34 0 Q62 0 62 28 Q62 56 34 56 L0 56 M30 56 L62 100"),
    ('S', "M58 16 Q48 0 30 0 Q2 0 2 24 Q2 46 30 49 Q60 53 60 76 Q60 100 30 100 Q8 100 0 82"),
    ('T', "M0 0 L64 0 M32 0 L32 100"),
    ('U', "M0 0 L0 66 Q0 100 32 100 Q64 100 64 66 L64 0"),
    ('V', "M0 0 L34 100 L68 0"),
    ('W', "M0 0 L24 100 L46 30 L68 100 L92 0"),
    ('X', "M0 0 L62 100 M62 0 L0 100"),
    ('Y', "M0 0 L32 48 L64 0 M32 48 L32 100"),
    ('Z', "M0 0 L60 0 L0 100 L60 100"),
    ('0', "M30 0 Q0 0 0 50 Q0 100 30 100 Q60 100 60 50 Q60 0 30 0 Z"),
    ('1', "M0 18 L22 0 L22 100"),
    ('2', "M2 24 Q4 0 30 0 Q58 0 58 26 Q58 46 30 68 L0 100 L60 100"),
    ('3', "M4 14 Q14 0 30 0 Q56 0 56 24 Q56 48 28 48 Q60 48 60 74 Q60 100 30 100 Q10 100 0 84"),
    ('4', "M46 100 L46 0 L0 68 L62 68"),
    ('5', "M56 0 L8 0 L4 44 Q14 38 28 38 Q60 38 60 68 Q60 100 28 100 Q10 100 0 86"),
    ('6', "M50 4 Q0 20 0 66 Q0 100 30 100 Q60 100 60 70 Q60 42 32 42 Q6 42 0 66"),
    ('7', "M0 0 L60 0 L22 100"),
    (
        '8',
        "M30 48 Q4 44 4 24 Q4 0 30 0 Q56 0 56 24 Q56 44 30 48 Q0 52 0 76 Q0 100 30 100 Q60 100 60 76 Q60 52 30 48",
    ),
    ('9', "M60 34 Q54 58 30 58 Q0 58 0 30 Q0 0 30 0 Q60 0 60 34 Q60 80 14 100"),
    ('-', "M0 52 L34 52 M17 52 L17 100"),
];

/// Why a word cannot be piped.
#[derive(Clone, Debug, PartialEq)]
pub enum WordError {
    /// Nothing to pipe.
    Empty,
    /// Too much to pipe.
    TooLong {
        /// How many there are.
        there: usize,
    },
    /// A character that is not in the font.
    NoSuchLetter {
        /// Which.
        character: char,
    },
}

impl WordError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::Empty => crate::catalogue::input::empty_text(LONGEST_WORD),
            Self::TooLong { there } => crate::catalogue::input::text_too_long(LONGEST_WORD, *there),
            Self::NoSuchLetter { character } => say::no_such_letter(character),
        }
    }
}

spoken!(WordError);

/// A word, its letters joined by a bar under them or not.
///
/// # Errors
/// Where it is empty, too long, or has characters that the font lacks.
pub fn word(text: &str, bar: bool) -> Result<Outline, WordError> {
    let text = text.trim();
    let there = text.chars().count();
    if there == 0 {
        return Err(WordError::Empty);
    }
    if there > LONGEST_WORD {
        return Err(WordError::TooLong { there });
    }
    let mut path = BezPath::new();
    let mut at = 0.0;
    let mut end = 0.0;
    for character in text.chars() {
        if character == ' ' {
            at += SPACE;
            continue;
        }
        let letter = drawn(character).ok_or(WordError::NoSuchLetter { character })?;
        let bounds = letter.bounding_box();
        path.extend(Affine::translate((at, 0.0)) * letter);
        end = at + bounds.width();
        at = end + GAP;
    }
    if bar {
        path.move_to((0.0, LINE));
        // A lone I has no width: its bar is a foot.
        path.line_to((end.max(GAP), LINE));
    }
    Ok(Outline::new(path))
}

fn drawn(character: char) -> Option<BezPath> {
    let upper = character.to_uppercase().next()?;
    let (_, data) = LETTERS.iter().find(|(letter, _)| *letter == upper)?;
    BezPath::from_svg(data).ok()
}

#[cfg(test)]
mod tests {
    use super::super::joins::joins;
    use super::*;

    #[test]
    fn every_letter_stands_on_the_line_and_hangs_together() {
        for (letter, _) in LETTERS {
            let path = drawn(letter).expect("it can be read");
            let bounds = path.bounding_box();
            assert!(bounds.y1 >= 100.0 && bounds.x0 > -0.1, "{letter}: {bounds:?}");
            let alone = Outline::new(path);
            assert_eq!(joins(&alone, 6.0, false).parts, 1, "{letter}");
        }
    }

    #[test]
    fn a_word_lifts_in_one_with_its_bar_and_not_without() {
        let with = word("Quillmere 26", true).expect("a word").as_wide_as(150.0);
        assert_eq!(joins(&with, 3.0, false).parts, 1);
        let without = word("Quillmere 26", false).expect("a word").as_wide_as(150.0);
        assert_eq!(joins(&without, 3.0, false).parts, 11);
    }

    #[test]
    fn what_cannot_be_piped_is_named() {
        assert_eq!(word("  ", true), Err(WordError::Empty));
        assert_eq!(word("Comète", true), Err(WordError::NoSuchLetter { character: 'è' }));
        assert_eq!(word(&"a".repeat(30), true), Err(WordError::TooLong { there: 30 }));
    }
}
