use super::{AREAS, work};
use crate::message::flaws;

#[test]
fn wordings_are_whole_and_hold_no_quantity_of_their_own() {
    let all = [AREAS.concat(), work::AREAS.concat()].concat();
    assert_eq!(flaws(&all), Vec::<String>::new());
    assert!(all.len() > 500, "the whole catalogue: {}", all.len());
}
