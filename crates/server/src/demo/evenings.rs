//! What is made at Quillmere, and how it went.

use craft::chocolate::Family;
use craft::method::{Kitchen, Method};
use craft::outcome::{Gloss, Outcome, Released, Snap, Streaks};
use craft::plan::{BarkInputs, ToppingInputs, ToppingWish, TrayInputs};

use super::shelf::{GLASS_BOWL, HALF_POWER, LONG_PROBE, LOW_POWER, chocolate_of, shelf_id};

/// How an evening of the demo went.
pub(super) enum Went {
    /// Not yet at the bench.
    Planned,
    /// Still at the bench, held where seeding is under way.
    AtBench,
    /// Poured, with looks at what came out: hours after, look, remark.
    Poured(&'static [(i64, Outcome, &'static str)]),
    /// Poured after a first test that showed streaks.
    AtSecondTry(&'static [(i64, Outcome, &'static str)]),
    /// Given up.
    Lost(&'static str),
}

/// One of the demo's batches.
pub(super) struct Sheet {
    pub name: &'static str,
    pub note: &'static str,
    pub days_ago: i64,
    pub inputs: BarkInputs,
    pub went: Went,
}

const GOOD: Outcome = Outcome {
    gloss: Gloss::Glossy,
    snap: Snap::Clean,
    released: Released::Freely,
    streaks: Streaks::None,
};
const FAIR: Outcome = Outcome {
    gloss: Gloss::Satin,
    snap: Snap::Clean,
    released: Released::Freely,
    streaks: Streaks::Some,
};

fn tray(length_mm: f64, width_mm: f64) -> TrayInputs {
    TrayInputs::Rectangle { length_mm, width_mm }
}

fn inputs(
    family: Family,
    tray: TrayInputs,
    thickness_mm: f64,
    room_c: f64,
    rh_pct: f64,
) -> BarkInputs {
    let heat = if family == Family::Dark { HALF_POWER } else { LOW_POWER };
    BarkInputs {
        tray,
        thickness_mm,
        room_c,
        rh_pct,
        fridge_c: Some(5.0),
        chocolate_id: chocolate_of(family),
        ware_id: Some(shelf_id(GLASS_BOWL)),
        heat_id: Some(shelf_id(heat)),
        thermometer_id: Some(shelf_id(LONG_PROBE)),
        cooling_min: Some(8.0),
        ..BarkInputs::usual(family)
    }
}

#[allow(clippy::too_many_lines)] // a table
pub(super) fn sheets() -> Vec<Sheet> {
    vec![
        Sheet {
            name: "Nebula sheet for the telescope queue",
            note: "Thin, to be broken small. Violet petals on top.",
            days_ago: 0,
            inputs: BarkInputs {
                topping: Some(ToppingInputs {
                    name: "freeze-dried berry bits".to_owned(),
                    across_mm: 4.0,
                    each_g: 0.02,
                    wish: ToppingWish::Pieces { piece_cm2: 12.0 },
                }),
                ..inputs(Family::Dark, tray(360.0, 260.0), 3.5, 20.5, 47.0)
            },
            went: Went::Planned,
        },
        Sheet {
            name: "Full-moon rounds, white",
            note: "One round tin first, to see how far a bag goes.",
            days_ago: 0,
            inputs: inputs(
                Family::White,
                TrayInputs::Round { diameter_mm: 240.0 },
                4.0,
                19.5,
                44.0,
            ),
            went: Went::Planned,
        },
        Sheet {
            name: "Dark bark under a scatter of stars",
            note: "Main tray for the open night. Sugar stars go on at once.",
            days_ago: 0,
            inputs: inputs(Family::Dark, tray(300.0, 200.0), 4.0, 20.0, 45.0),
            went: Went::AtBench,
        },
        Sheet {
            name: "Milk bark for the youngest visitors",
            note: "No nuts in this one; made before the hazelnut tray.",
            days_ago: 2,
            inputs: inputs(Family::Milk, tray(300.0, 200.0), 4.5, 19.0, 48.0),
            went: Went::Poured(&[
                (1, FAIR, "A few pale swirls where I stopped stirring to answer the door."),
                (25, FAIR, "Snaps well. The swirls stay."),
            ]),
        },
        Sheet {
            name: "Hazelnut dark, gift pieces",
            note: "Roasted the day before, so the nuts were cold.",
            days_ago: 3,
            inputs: inputs(Family::Dark, tray(400.0, 300.0), 5.0, 19.5, 42.0),
            went: Went::Poured(&[
                (2, GOOD, "Let go of the sheet by itself."),
                (26, GOOD, "Best gloss so far: cool room, foil-smooth sheet."),
            ]),
        },
        Sheet {
            name: "White sheet for moon phases",
            note: "",
            days_ago: 5,
            inputs: inputs(Family::White, tray(260.0, 180.0), 3.0, 21.0, 52.0),
            went: Went::Lost(
                "Called to the door in the middle of a burst of two and a half minutes: tan, grainy, smelt of caramel. Into the bin.",
            ),
        },
        Sheet {
            name: "White sheet, second go",
            note: "Lower power, short bursts, never left it.",
            days_ago: 4,
            inputs: inputs(Family::White, tray(260.0, 180.0), 3.0, 20.0, 50.0),
            went: Went::Poured(&[(24, GOOD, "Clean white, no streaks.")]),
        },
        Sheet {
            name: "Ruby bark with dried sour cherries",
            note: "For the raffle tins.",
            days_ago: 7,
            inputs: inputs(Family::Ruby, tray(300.0, 200.0), 4.0, 20.0, 46.0),
            went: Went::AtSecondTry(&[
                (
                    3,
                    GOOD,
                    "First smear streaked; a little more seed and two minutes of stirring mended it.",
                ),
                (27, GOOD, ""),
            ]),
        },
        Sheet {
            name: "Trial slab, first try at seeding",
            note: "Small, to learn the feel of it.",
            days_ago: 12,
            inputs: inputs(Family::Dark, tray(200.0, 150.0), 4.0, 22.5, 57.0),
            went: Went::Poured(&[(
                24,
                Outcome {
                    gloss: Gloss::Satin,
                    snap: Snap::Soft,
                    released: Released::InPlaces,
                    streaks: Streaks::None,
                },
                "The room was warm and damp. Next time in the evening.",
            )]),
        },
        Sheet {
            name: "Milk comets, with ready crystals",
            note: "A small jar of ready crystals is left from the winter course.",
            days_ago: 6,
            inputs: BarkInputs {
                method: Method::find("ready_crystals"),
                kitchen: Kitchen { ready_crystals: true, ..Kitchen::default() },
                ..inputs(Family::Milk, tray(260.0, 180.0), 4.0, 19.5, 44.0)
            },
            went: Went::Poured(&[(
                25,
                GOOD,
                "No seeding, no lumps; it only took its time to come down.",
            )]),
        },
        Sheet {
            name: "Striped planets for small hands",
            note: "Coating, so that the children could help to spread it.",
            days_ago: 9,
            inputs: inputs(Family::Coating, tray(240.0, 160.0), 4.0, 20.0, 46.0),
            went: Went::Poured(&[(
                3,
                Outcome {
                    gloss: Gloss::Satin,
                    snap: Snap::Soft,
                    released: Released::Freely,
                    streaks: Streaks::None,
                },
                "Not a snap, but no tears either. Hands washed before and after.",
            )]),
        },
    ]
}
