//! The clinic, measured on made-up evenings.

mod evenings;
mod from_record;
mod measured;
mod rows;

use evenings::{ALL, evenings};
use measured::measured;

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

/// The seeds on which the clinic was tuned are others: 1 to 20.
const SEED: u64 = 20_261_129;

#[test]
fn of_six_hundred_evenings_the_clinic_tells_what_was_done_wrong_and_how_sure_it_is() {
    let found = measured([SEED], 600);
    let share = |of: usize, all: usize| of as f64 / all as f64;
    println!("evenings with mistakes: {}", found.with_mistakes);
    println!("one of them is told first: {:.3}", share(found.first, found.with_mistakes));
    println!("one is among the first three: {:.3}", share(found.among_three, found.with_mistakes));
    println!("all are: {:.3}", share(found.all_among_three, found.with_mistakes));
    println!("clean, and nothing called likely: {:.3}", share(found.clean_in_peace, found.clean));
    for bin in found.bins.iter().filter(|bin| bin.chances > 0) {
        println!("told {:.2}, came true {:.2}, of {}", bin.told(), bin.came_true(), bin.chances);
    }
    assert!(share(found.first, found.with_mistakes) >= 0.75);
    assert!(share(found.among_three, found.with_mistakes) >= 0.95);
    assert!(share(found.clean_in_peace, found.clean) >= 0.9);
    for bin in found.bins.iter().filter(|bin| bin.chances >= 20) {
        assert!(
            (bin.told() - bin.came_true()).abs() <= 0.12,
            "{:.2} {:.2}",
            bin.told(),
            bin.came_true()
        );
    }
}
