//! What makers know of mistakes, row by row: what is seen, what was noted, and which cause comes
//! first. Those that no made-up evening has are told here alone.

use craft::clinic::{Cause, Fact, Facts, Tested, diagnose};
use craft::result::Symptom::{self, *};

fn first(seen: &[Symptom], facts: &Facts) -> Cause {
    diagnose(seen, facts).suspects[0].cause
}

/// An evening on which all was as it should be.
fn fine() -> Facts {
    Facts {
        max_c: Some(48.0),
        limit_c: Some(55.0),
        lost_c: Some(34.0),
        work_c: Some([31.0, 32.0]),
        above_lost_s: Some(0.0),
        poured_c: Some(31.5),
        test: Some(Tested::Passed),
        seed_share_pct: Some(25.0),
        stir_gap_s: Some(45.0),
        room_c: Some(20.0),
        rh_pct: Some(45.0),
        chill_min: Some(10.0),
        dew_limit_min: Some(22.0),
        thickness_mm: Some(3.5),
        goods_c: Some(20.0),
        colour_rest_h: Some(12.0),
        ..Facts::default()
    }
}

#[test]
fn each_row_has_its_cause_first() {
    let rows: &[(&[Symptom], Facts, Cause)] = &[
        (&[Seized], Facts::default(), Cause::Water),
        (&[Seized, ThickInBowl], Facts { water: Some(true), ..fine() }, Cause::Water),
        (&[Burnt], Facts::default(), Cause::Overheated),
        (&[Burnt, Dull], Facts { max_c: Some(62.0), ..fine() }, Cause::Overheated),
        (
            &[Streaks, Soft],
            Facts { test: Some(Tested::Failed), ..Facts::default() },
            Cause::NotTempered,
        ),
        (&[Streaks], Facts { goods_c: Some(35.0), ..fine() }, Cause::WarmGoods),
        (&[Streaks], Facts { stir_gap_s: Some(600.0), ..fine() }, Cause::PoorStirring),
        (&[Dull, Streaks], Facts { above_lost_s: Some(240.0), ..fine() }, Cause::TemperLost),
        (&[Dull], Facts { room_c: Some(27.0), ..fine() }, Cause::WarmRoom),
        (&[Dull], Facts { poured_c: Some(33.4), ..fine() }, Cause::PouredTooWarm),
        (&[Soft], Facts { oil_pct: Some(8.0), ..fine() }, Cause::Oil),
        (&[Streaks, Soft], Facts { seed_share_pct: Some(8.0), ..fine() }, Cause::UnderSeeded),
        (&[ThickInBowl], Facts { seed_share_pct: Some(50.0), ..fine() }, Cause::OverSeeded),
        (&[ThickInBowl, Bubbles], Facts { poured_c: Some(29.0), ..fine() }, Cause::PouredTooCool),
        (
            &[Stuck],
            Facts { thickness_mm: Some(1.0), moulded: Some(true), ..fine() },
            Cause::TooThin,
        ),
        (&[Stuck], Facts { shrunk: Some(false), moulded: Some(true), ..fine() }, Cause::NotShrunk),
        (
            &[Stuck],
            Facts { polished: Some(false), moulded: Some(true), ..fine() },
            Cause::MouldDirty,
        ),
        (
            &[Stuck, Dull],
            Facts { mould_c: Some(28.0), moulded: Some(true), ..fine() },
            Cause::MouldWarm,
        ),
        (
            &[ColourLeft],
            Facts { colour_rest_h: Some(0.5), coloured: Some(true), ..fine() },
            Cause::ColourTooFresh,
        ),
        (
            &[ColourLeft, Dull],
            Facts { colour_test: Some(Tested::Failed), coloured: Some(true), ..fine() },
            Cause::ColourNotTempered,
        ),
        (
            &[Cracks],
            Facts { chill_min: Some(90.0), dew_limit_min: Some(120.0), ..fine() },
            Cause::ChilledTooLong,
        ),
        (&[Cracks, ThinSpots], Facts { thickness_mm: Some(0.9), ..fine() }, Cause::TooThin),
        (&[SugarBloom], Facts { chill_min: Some(40.0), ..fine() }, Cause::Dew),
        (&[SugarBloom], Facts { rh_pct: Some(80.0), ..fine() }, Cause::DampRoom),
        (
            &[FatBloom],
            Facts { stored_c: Some(27.0), age_days: Some(20.0), ..fine() },
            Cause::WarmStorage,
        ),
        (
            &[FatBloom],
            Facts {
                with_nuts: Some(true),
                with_goods: Some(true),
                age_days: Some(40.0),
                stored_c: Some(17.0),
                fats_mixed: Some(false),
                ..fine()
            },
            Cause::NutOil,
        ),
        (&[FatBloom, Soft], Facts { fats_mixed: Some(true), ..fine() }, Cause::IncompatibleFats),
        (&[Bubbles], Facts { knocked: Some(false), ..fine() }, Cause::NotKnocked),
        (&[LayersPart], Facts::default(), Cause::LayerTooSet),
        (&[ToppingsFall], Facts { topped_late_min: Some(4.0), ..fine() }, Cause::ToppedLate),
        (&[Muddy], Facts { strokes: Some(30.0), ..fine() }, Cause::TooManyStrokes),
        (&[BreaksOnLifting], fine(), Cause::ThinLines),
        (&[GreyLayer], fine(), Cause::ToneSweated),
    ];
    for (seen, facts, cause) in rows {
        let told = diagnose(seen, facts);
        assert_eq!(told.suspects[0].cause, *cause, "{seen:?}: {:#?}", told.suspects);
    }
}

#[test]
fn every_cause_is_told_by_something_it_shows_as_and_every_symptom_has_one() {
    for symptom in Symptom::ALL {
        assert!(!diagnose(&[*symptom], &Facts::default()).suspects.is_empty(), "{symptom:?}");
    }
    let yes = Some(true);
    let anything =
        Facts { moulded: yes, coloured: yes, with_goods: yes, chilled: yes, ..Facts::default() };
    let told: std::collections::BTreeSet<Cause> = Symptom::ALL
        .iter()
        .flat_map(|symptom| diagnose(&[*symptom], &anything).suspects)
        .map(|suspect| suspect.cause)
        .collect();
    for cause in Cause::ALL {
        assert!(told.contains(cause), "{cause:?} is never told");
        let texts = [cause.name(), cause.rescue(true), cause.rescue(false), cause.next_time()];
        assert!(texts.iter().all(|text| !text.text().is_empty()));
    }
}

#[test]
fn what_cannot_be_is_not_told() {
    let flat = Facts {
        moulded: Some(false),
        coloured: Some(false),
        with_goods: Some(false),
        chilled: Some(false),
        ..fine()
    };
    let flat = Facts { chill_min: None, goods_c: None, colour_rest_h: None, ..flat };
    for symptom in Symptom::ALL {
        for suspect in diagnose(&[*symptom], &flat).suspects {
            let cannot = [
                Cause::MouldDirty,
                Cause::MouldWarm,
                Cause::NotShrunk,
                Cause::ColourTooFresh,
                Cause::WarmGoods,
                Cause::Dew,
            ];
            assert!(!cannot.contains(&suspect.cause), "{symptom:?}: {suspect:?}");
        }
    }
    assert_eq!(first(&[SugarBloom], &flat), Cause::DampRoom);
}

#[test]
fn coating_is_told_nothing_of_temper() {
    let coating = Facts {
        tempered: Some(false),
        test: None,
        seed_share_pct: None,
        lost_c: None,
        work_c: Some([38.0, 42.0]),
        ..Facts::default()
    };
    for symptom in Symptom::ALL {
        let told = diagnose(&[*symptom], &coating);
        for suspect in &told.suspects {
            let cannot = [
                Cause::TemperLost,
                Cause::NotTempered,
                Cause::UnderSeeded,
                Cause::OverSeeded,
                Cause::PoorStirring,
            ];
            assert!(!cannot.contains(&suspect.cause), "{symptom:?}: {suspect:?}");
            let advice = [suspect.rescue.text(), suspect.cause.next_time().text()].concat();
            // A colour on it is tempered all the same.
            let of_colour = suspect.cause == Cause::ColourNotTempered;
            assert!(of_colour || !advice.contains("temper "), "{symptom:?}: {advice}");
        }
        let asked: Vec<_> = told.questions.iter().map(|one| one.fact).collect();
        assert!(!asked.contains(&Fact::Test) && !asked.contains(&Fact::Seed), "{asked:?}");
    }
}

#[test]
fn what_is_known_says_whether_it_speaks_for_it_and_what_is_not_known_says_nothing() {
    let told = diagnose(&[Dull], &Facts { room_c: Some(27.0), ..Facts::default() });
    for suspect in &told.suspects {
        assert!(
            (0.0..=1.0).contains(&suspect.chance) && !suspect.shows.is_empty()
                || suspect.chance < 0.2
        );
        for one in &suspect.evidence {
            assert_eq!(one.speaks_for().is_none(), !one.known || (one.ratio - 1.0).abs() < 1e-9);
        }
    }
    let room = told.suspects.iter().find(|one| one.cause == Cause::WarmRoom).expect("the room");
    assert_eq!(room.evidence[0].speaks_for(), Some(true));
    assert_eq!(&*room.evidence[0].says.text(), "The room had 27.0 °C.");
}
