//! What a label says, taken apart.

/// A label's own text in its parts.
#[derive(Clone, Debug, Default, PartialEq, Eq)]
pub struct LabelText {
    /// Its ingredients, in its order.
    pub ingredients: Vec<String>,
    /// What it says that it contains, in its words.
    pub contains: Option<String>,
    /// What it says there may be traces of, in its words.
    pub may_contain: Option<String>,
}

/// How a sentence about traces begins.
const MAY_CONTAIN: [&str; 4] =
    ["may contain", "may also contain", "traces of", "made in a place that handles"];
/// How a sentence about allergens begins.
const CONTAINS: [&str; 2] = ["contains", "allergens:"];
/// How a list of ingredients begins.
const INGREDIENTS: &str = "ingredients";

/// Takes a label's text apart: ingredients at its commas, outside of brackets; sentences about
/// allergens and traces by how they begin.
///
/// ```
/// use craft::label::opened;
///
/// let text = opened("Ingredients: cocoa mass, sugar, emulsifier (lecithins, soya). May contain milk.");
/// assert_eq!(text.ingredients, ["cocoa mass", "sugar", "emulsifier (lecithins, soya)"]);
/// assert_eq!(text.may_contain.as_deref(), Some("may contain milk"));
/// ```
#[must_use]
pub fn opened(text: &str) -> LabelText {
    let mut read = LabelText::default();
    let mut list = String::new();
    for sentence in sentences(text) {
        let lower = sentence.to_lowercase();
        let begins = |with: &[&str]| with.iter().any(|begin| lower.starts_with(begin));
        let told = if begins(&MAY_CONTAIN) {
            &mut read.may_contain
        } else if begins(&CONTAINS) {
            &mut read.contains
        } else {
            if !list.is_empty() {
                list.push_str(", ");
            }
            list.push_str(without_heading(&sentence));
            continue;
        };
        match told {
            Some(before) => {
                before.push_str(", ");
                before.push_str(&lower);
            }
            None => *told = Some(lower),
        }
    }
    read.ingredients = at_commas(&list);
    read
}

/// A sentence ends at a full stop before a space or the end, outside of brackets: "1.5 %" does not.
fn sentences(text: &str) -> Vec<String> {
    let mut all = vec![String::new()];
    let mut depth = 0_usize;
    let mut characters = text.chars().peekable();
    while let Some(c) = characters.next() {
        depth = deeper(depth, c);
        let ends = depth == 0
            && (c == '\n' || c == '.' && characters.peek().is_none_or(|next| next.is_whitespace()));
        match all.last_mut() {
            Some(last) if !ends => last.push(c),
            _ => all.push(String::new()),
        }
    }
    all.iter().map(|one| one.trim().to_owned()).filter(|one| !one.is_empty()).collect()
}

fn deeper(depth: usize, c: char) -> usize {
    match c {
        '(' | '[' | '{' => depth + 1,
        ')' | ']' | '}' => depth.saturating_sub(1),
        _ => depth,
    }
}

fn without_heading(sentence: &str) -> &str {
    let heading = sentence.get(..INGREDIENTS.len());
    match heading.filter(|heading| heading.eq_ignore_ascii_case(INGREDIENTS)) {
        Some(_) => sentence[INGREDIENTS.len()..].trim_start_matches([':', ' ']),
        None => sentence,
    }
}

fn at_commas(list: &str) -> Vec<String> {
    let mut all = vec![String::new()];
    let mut depth = 0_usize;
    for c in list.chars() {
        depth = deeper(depth, c);
        match all.last_mut() {
            Some(last) if !(depth == 0 && matches!(c, ',' | ';')) => last.push(c),
            _ => all.push(String::new()),
        }
    }
    let tidy = all.into_iter().map(|one| one.split_whitespace().collect::<Vec<_>>().join(" "));
    tidy.filter(|one| !one.is_empty()).collect()
}

#[cfg(test)]
mod tests {
    use proptest::prelude::*;

    use super::*;

    #[test]
    fn brackets_hold_together_and_numbers_with_a_point_do_not_end_a_sentence() {
        let text =
            opened("dark chocolate 55.5 % (cocoa mass, sugar [beet, cane]), salt 1.5 %; vanilla");
        assert_eq!(
            text.ingredients,
            ["dark chocolate 55.5 % (cocoa mass, sugar [beet, cane])", "salt 1.5 %", "vanilla"]
        );
        assert_eq!((text.contains, text.may_contain), (None, None));
    }

    #[test]
    fn sentences_of_allergens_are_no_ingredients() {
        let text =
            opened("INGREDIENTS sugar, milk\nContains: milk. May contain nuts.\nTraces of egg.");
        assert_eq!(text.ingredients, ["sugar", "milk"]);
        assert_eq!(text.contains.as_deref(), Some("contains: milk"));
        assert_eq!(text.may_contain.as_deref(), Some("may contain nuts, traces of egg"));
        assert_eq!(opened(" \n . "), LabelText::default());
    }

    proptest! {
        #[test]
        fn no_text_breaks_it(text in ".{0,200}") {
            let read = opened(&text);
            prop_assert!(read.ingredients.iter().all(|one| !one.trim().is_empty()));
        }
    }
}
