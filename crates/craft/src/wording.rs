//! Which texts a name or a note may be.

use crate::catalogue::input as say;
use crate::message::Message;

/// Controls, and marks that turn the direction of what follows: names with them look other
/// than they are, and break files that are written by lines.
fn is_hidden_order(c: char) -> bool {
    matches!(c, '\u{061C}' | '\u{200E}' | '\u{200F}' | '\u{202A}'..='\u{202E}' | '\u{2066}'..='\u{2069}')
}

/// What shows nothing by itself: spaces of all widths, joiners, fillers, blank patterns.
fn is_invisible(c: char) -> bool {
    c.is_whitespace()
        || c.is_control()
        || is_hidden_order(c)
        || matches!(
            c,
            '\u{00AD}' | '\u{034F}' | '\u{115F}' | '\u{1160}' | '\u{17B4}' | '\u{17B5}'
                | '\u{180B}'..='\u{180F}' | '\u{200B}'..='\u{200D}' | '\u{2060}'..='\u{2065}'
                | '\u{206A}'..='\u{206F}' | '\u{2800}' | '\u{3164}' | '\u{FE00}'..='\u{FE0F}'
                | '\u{FEFF}' | '\u{FFA0}' | '\u{FFF0}'..='\u{FFFB}' | '\u{1D159}'
                | '\u{1BCA0}'..='\u{1BCA3}' | '\u{1D173}'..='\u{1D17A}' | '\u{E0000}'..='\u{E0FFF}'
        )
}

/// What is wrong with a text that stands in one line, if anything.
pub(crate) fn wrong_in_line(text: &str) -> Option<Message> {
    if text.chars().any(|c| c.is_control() || is_hidden_order(c)) {
        return Some(say::one_plain_line());
    }
    if !text.is_empty() && text.chars().all(is_invisible) {
        return Some(say::nothing_to_see());
    }
    None
}

/// What is wrong with a text of several lines, if anything.
pub(crate) fn wrong_in_note(text: &str) -> Option<Message> {
    let allowed = |c: char| matches!(c, '\n' | '\t');
    let lines = text.replace("\r\n", "\n");
    (lines.chars().any(|c| (c.is_control() && !allowed(c)) || is_hidden_order(c)))
        .then(say::plain_text)
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn names_are_one_line_that_can_be_seen_and_notes_may_have_several() {
        for name in ["Comet bark", "Ångström & Søn ✶", "Ünïcödé 流星 👩‍🍳", "é"]
        {
            assert_eq!(wrong_in_line(name), None, "{name}");
        }
        for name in ["a\nb", "a\u{0}b", "a\u{202E}txt.exe", "\u{2066}x", "a\rb", "\u{7f}"] {
            assert!(
                wrong_in_line(name).is_some_and(|told| told.text().contains("one line")),
                "{name:?}"
            );
        }
        for name in ["\u{200B}\u{200B}", "\u{3164}", "\u{2800}", "\u{FE0F}", "\u{E0020}"] {
            assert!(
                wrong_in_line(name).is_some_and(|told| told.text().contains("seen")),
                "{name:?}"
            );
        }
        assert_eq!(wrong_in_note("one\ntwo\r\nthree\tfour"), None);
        for note in ["a\u{0}b", "\u{202E}", "bell\u{7}", "a\rb"] {
            assert!(wrong_in_note(note).is_some(), "{note:?}");
        }
    }
}
