//! The year before: small evenings, each a slab, in which the maker learned to stay at the bowl.

use craft::chocolate::Family;
use craft::plan::PlanInputs;

use super::evenings::{FAIR, GOOD, Sheet, Went, inputs, seen};
use super::pieces::tray;

/// How one of them went.
#[derive(Clone, Copy)]
enum Evening {
    /// Somebody was called away on the way down, and it streaked.
    CalledAway,
    /// The maker stayed.
    Stayed,
}

/// Borrowed gear, and chocolate that is eaten up: nothing of it stands on the shelf any more.
fn of_then(family: Family, room_c: f64, rh_pct: f64) -> PlanInputs {
    let mut then = inputs(family, tray(220.0, 160.0), 4.0, room_c, rh_pct);
    for bowl in &mut then.bowls {
        *bowl = bowl.off_the_shelf();
    }
    then
}

/// The evenings of the year before, the first first.
pub(super) fn sheets() -> Vec<Sheet> {
    use Evening::{CalledAway, Stayed};
    use Family::{Dark, Milk};
    let all: [(&str, i64, Family, f64, f64, Evening); 14] = [
        ("First bark of the season", 331, Dark, 19.5, 41.0, CalledAway),
        ("Bark for the telescope fund", 318, Milk, 20.0, 44.0, CalledAway),
        ("Bark for the star walk", 290, Dark, 19.0, 43.0, Stayed),
        ("Thank-you bark for the roofers", 262, Dark, 20.5, 46.0, CalledAway),
        ("Bark for the eclipse talk", 241, Milk, 20.5, 48.0, CalledAway),
        ("Bark, one pot for two", 214, Dark, 20.0, 50.0, Stayed),
        ("Bark for the school visit", 196, Milk, 21.0, 52.0, CalledAway),
        ("Meteor night bark", 171, Dark, 21.0, 53.0, CalledAway),
        ("Bark, phone switched off", 150, Dark, 20.5, 51.0, Stayed),
        ("Bark for the dome painters", 128, Milk, 20.5, 49.0, Stayed),
        ("Bark for the late shift", 107, Dark, 20.0, 47.0, CalledAway),
        ("Bark, with a helper at the door", 92, Dark, 20.0, 46.0, Stayed),
        ("Bark for the planet quiz", 74, Milk, 19.5, 45.0, Stayed),
        ("Bark for the new members", 58, Dark, 19.5, 44.0, Stayed),
    ];
    let sheet = |(name, days_ago, family, room_c, rh_pct, evening)| Sheet {
        name,
        note: "",
        days_ago,
        inputs: of_then(family, room_c, rh_pct),
        went: match evening {
            CalledAway => Went::CalledAway(vec![(24, seen(FAIR, "Pale swirls again."))]),
            Stayed => Went::Poured(vec![(24, seen(GOOD, "Even all over."))]),
        },
    };
    all.into_iter().map(sheet).collect()
}
