//! Lists a page at a time, as they are asked for.

use craft::time::WallTime;
use serde::Deserialize;
use store::Page;
use utoipa::IntoParams;
use uuid::Uuid;

use crate::catalogue::records as say;
use crate::problem::{Answer, Problem};

/// Lines on a page where nobody says.
const USUAL: u32 = 50;
/// Lines on a page at most.
const MOST: u32 = 200;
/// The longest search.
const LONGEST_SEARCH: usize = 120;

/// Which part of a list.
#[derive(Debug, Default, Deserialize, IntoParams)]
#[into_params(parameter_in = Query)]
#[serde(deny_unknown_fields)]
pub struct PageAsked {
    /// What is to be found in it: a part of a name, of what is made, of a chocolate.
    pub search: Option<String>,
    /// `next` of the page before; the beginning, if left out.
    pub after: Option<String>,
    /// Lines at most, 1 to 200; 50 if left out.
    pub most: Option<u32>,
}

impl PageAsked {
    /// The part that is meant.
    ///
    /// # Errors
    /// The field that cannot be.
    pub fn page(&self) -> Answer<Page> {
        let most = self.most.unwrap_or(USUAL);
        if !(1..=MOST).contains(&most) {
            return Err(Problem::bad_field("most", say::one_to(MOST, f64::from(most))));
        }
        if self.search.as_ref().is_some_and(|s| s.chars().count() > LONGEST_SEARCH) {
            return Err(Problem::bad_field("search", say::at_most_characters(LONGEST_SEARCH)));
        }
        match &self.after {
            None => Ok(Page::first(most)),
            Some(after) => {
                let before = read(after)
                    .ok_or_else(|| Problem::bad_field("after", say::next_of_the_page_before()))?;
                Ok(Page::after(before, most))
            }
        }
    }
}

/// Where the next page begins; `None` where this was the last.
pub fn next<T>(lines: &[T], most: u32, key: impl Fn(&T) -> (WallTime, Uuid)) -> Option<String> {
    let last = lines.last().filter(|_| lines.len() >= most as usize)?;
    let (at, id) = key(last);
    Some(format!("{}.{}", at.0.timestamp_millis(), id.simple()))
}

fn read(after: &str) -> Option<(WallTime, Uuid)> {
    let (ms, id) = after.split_once('.')?;
    let at = chrono::DateTime::from_timestamp_millis(ms.parse().ok()?)?;
    if !craft::time::is_in_range(at) {
        return None;
    }
    Some((WallTime(at), id.parse().ok()?))
}
