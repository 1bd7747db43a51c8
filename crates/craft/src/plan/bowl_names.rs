//! What the chocolates and colours of a plan are called.

use super::bowl_inputs::BowlInputs;
use crate::catalogue::plan as say;
use crate::chocolate::Family;

/// How the key of a part begins.
pub(crate) const PART_OF: &str = "part of ";

/// A name that is not taken: "dark", "dark 2", …
pub(crate) fn free<'a>(wish: &str, taken: impl Iterator<Item = &'a str>) -> String {
    let taken: Vec<_> = taken.collect();
    let mut name = wish.to_owned();
    let mut n = 2;
    while taken.contains(&name.as_str()) {
        name = format!("{wish} {n}");
        n += 1;
    }
    name
}

/// What each bowl is called: as the maker calls it, else by what it is now. Of two that are the
/// same a key that somebody made up tells which; a key that was made of what the bowl was at first
/// tells nothing, and they are numbered.
///
/// Those that stand for themselves come first, in their order; a part is called by what it is
/// taken from. A colour goes by its key.
pub(super) fn names(bowls: &[BowlInputs]) -> Vec<String> {
    let mut names: Vec<Option<String>> = vec![None; bowls.len()];
    for (i, bowl) in bowls.iter().enumerate() {
        let name = bowl.name.as_deref();
        names[i] = name.map(|name| free(name, names.iter().flatten().map(String::as_str)));
    }
    for parts in [false, true] {
        for (i, bowl) in bowls.iter().enumerate() {
            if names[i].is_some() || bowl.taken_from.is_some() != parts {
                continue;
            }
            let wish = match (&bowl.taken_from, &bowl.colour) {
                (None, Some(_)) => bowl.key.clone(),
                (Some(from), _) if is_made_of_a_kind(&bowl.key) => {
                    let whole = bowls.iter().position(|other| other.key == *from);
                    let whole = whole.and_then(|place| names[place].as_deref());
                    say::part_of(whole.unwrap_or(from)).to_string()
                }
                (None, None) if is_made_of_a_kind(&bowl.key) || is_alone(bowl, bowls) => kind(bowl),
                _ => bowl.key.clone(),
            };
            names[i] = Some(free(&wish, names.iter().flatten().map(String::as_str)));
        }
    }
    names.into_iter().flatten().collect()
}

/// What a chocolate is.
fn kind(bowl: &BowlInputs) -> String {
    if bowl.blend.is_some() { say::blend().to_string() } else { bowl.family.to_string() }
}

/// Whether it is the only chocolate of its kind that stands for itself.
fn is_alone(bowl: &BowlInputs, bowls: &[BowlInputs]) -> bool {
    let whole = |other: &&BowlInputs| other.taken_from.is_none() && other.colour.is_none();
    bowls.iter().filter(whole).filter(|other| kind(other) == kind(bowl)).count() == 1
}

/// Whether a key was made of what a bowl was when it was added: "dark", "dark 2", "part of dark".
fn is_made_of_a_kind(key: &str) -> bool {
    let number = |word: &str| word.bytes().all(|byte| byte.is_ascii_digit());
    let bare = key.rsplit_once(' ').filter(|(_, last)| number(last)).map_or(key, |(bare, _)| bare);
    match bare.strip_prefix(PART_OF) {
        Some(whole) => is_made_of_a_kind(whole),
        None => Family::ALL.iter().any(|family| family.to_string() == bare),
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn bowl(key: &str, family: Family) -> BowlInputs {
        BowlInputs { key: key.to_owned(), ..BowlInputs::usual(family) }
    }

    fn part(key: &str, from: &str) -> BowlInputs {
        BowlInputs { taken_from: Some(from.to_owned()), ..bowl(key, Family::White) }
    }

    #[test]
    fn a_bowl_is_called_by_what_it_is_now_and_no_two_are_called_the_same() {
        // What was begun as dark was made white, then a part taken out, another white added.
        let bowls = [
            part("part of dark", "dark"),
            bowl("dark", Family::White),
            bowl("milk", Family::White),
            part("part of milk", "milk"),
            BowlInputs { name: Some("Moon".to_owned()), ..bowl("white", Family::White) },
            BowlInputs { name: Some("Moon".to_owned()), ..bowl("ruby", Family::Ruby) },
            part("part of white", "white"),
            part("the tinted third", "milk"),
        ];
        assert_eq!(
            names(&bowls),
            [
                "part of white",
                "white",
                "white 2",
                "part of white 2",
                "Moon",
                "Moon 2",
                "part of Moon",
                "the tinted third"
            ]
        );
    }
}
