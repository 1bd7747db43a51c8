//! The clinic, measured on made-up evenings.

mod evenings;

use evenings::{ALL, evenings};

#[test]
fn evenings_are_the_same_from_the_same_seed_and_have_the_mistakes_they_are_said_to_have() {
    let [first, again] = [(), ()].map(|()| evenings(7, 600));
    assert_eq!(format!("{first:?}"), format!("{again:?}"));
    let with = |mistakes: usize| first.iter().filter(|one| one.made.len() == mistakes).count();
    assert_eq!([with(0), with(1), with(2)], [120, 360, 120]);
    for mistake in ALL {
        let made = first.iter().filter(|one| one.made.contains(&mistake)).count();
        assert!(made >= 8, "{} was made {made} times", mistake.key());
    }
    let seen = first.iter().filter(|one| one.made.is_empty() && !one.seen.is_empty()).count();
    assert!((4..=25).contains(&seen), "{seen} of 120 clean ones");
    let lost = first.iter().filter(|one| one.noted.room_c.is_none()).count();
    assert!((150..=210).contains(&lost), "{lost} of 600 rooms are not noted");
}
