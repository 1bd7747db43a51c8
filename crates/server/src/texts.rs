//! Names and notes: how long they may be.

use craft::check::Checker;

use crate::problem::{Answer, Problem};

/// The longest name.
pub const LONGEST_NAME: usize = 120;
/// The longest note.
pub const LONGEST_NOTE: usize = 2_000;

/// Checks a name and a note.
///
/// # Errors
/// Where one of them is not to be kept, by its field.
pub fn check_words(name: &str, note: &str) -> Answer<()> {
    let mut check = Checker::new();
    check.text("name", name, LONGEST_NAME);
    check.remark("note", note, LONGEST_NOTE);
    Ok(check.finish()?)
}

/// Faults of a part, with the part's name before each field.
pub fn under(part: &str, faults: Vec<craft::check::Fault>) -> Problem {
    faults.into_iter().map(|fault| fault.under(part)).collect::<Vec<_>>().into()
}
