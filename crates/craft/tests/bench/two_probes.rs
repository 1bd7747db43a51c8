//! A second thermometer at the bowl's edge: a hint to stir, and nothing else goes by it.

use craft::bowl::{Action, ActionKind, Phase, Reading, Record, Source};
use craft::units::{celsius, degrees, in_celsius, seconds};
use uuid::Uuid;

use crate::evening::Evening;

fn hint(e: &Evening) -> Option<String> {
    e.advice().hint.map(|hint| hint.to_string())
}

fn edge_c(e: &Evening) -> Option<f64> {
    e.bowl().thermometer.edge.map(|edge| (in_celsius(edge.temp) * 10.0).round() / 10.0)
}

#[test]
fn a_cold_edge_asks_for_stirring_and_an_even_bowl_for_nothing() {
    let mut e = Evening::seeded();
    e.sends_at_edge(31.0);
    assert_eq!((hint(&e), edge_c(&e)), (None, Some(31.0)));
    e.sends_at_edge(28.3);
    let said = hint(&e).expect("it is uneven");
    assert!(
        said.starts_with("The edge is at 28.3 °C, 3.5 °C colder than the middle: stir"),
        "{said}"
    );
    // Stirred, the edge is as warm as the rest: no more is said.
    e.act(ActionKind::Stirred);
    e.read(31.4);
    e.sends_at_edge(31.1);
    assert_eq!(hint(&e), None);
}

#[test]
fn the_coach_goes_by_the_middle_whatever_the_edge_says() {
    let mut alone = Evening::seeded();
    let mut two = Evening::seeded();
    for c in [31.7, 31.6, 31.5, 31.4] {
        for e in [&mut alone, &mut two] {
            e.sends(c);
            e.pass(1);
        }
        two.pass(-1);
        two.sends_at_edge(20.5);
    }
    let without_edge = |e: &Evening| {
        let mut bowl = e.bowl();
        bowl.thermometer.edge = None;
        (bowl, e.ahead(), craft::coach::Advice { hint: None, ..e.advice() })
    };
    assert!(edge_c(&two).is_some());
    assert_eq!(without_edge(&alone), without_edge(&two));
}

#[test]
fn an_edge_over_water_is_hotter_and_past_the_limit_is_taken_off() {
    let mut e = Evening::new();
    e.act(ActionKind::Heat { lasting: None });
    e.read(38.0);
    e.sends_at_edge(43.0);
    assert!(hint(&e).expect("said").contains("5.0 °C hotter than the middle: stir"));
    e.read(39.5);
    e.pass(8);
    e.sends_at_edge(in_celsius(e.setup.chocolate.windows.limit) + 1.0);
    let said = hint(&e).expect("said");
    assert!(said.contains("over the limit") && said.contains("off the heat"), "{said}");
    assert_eq!(e.bowl().thermometer.over_limit, None);
}

#[test]
fn a_tip_in_the_air_an_old_reading_and_a_bowl_in_the_oven_ask_for_no_stirring() {
    let mut e = Evening::seeded();
    e.sends_at_edge(19.0);
    assert!(hint(&e).expect("said").ends_with("is its tip in the chocolate?"));
    e.pass(45);
    assert_eq!(hint(&e), None);
    e.read(31.6);
    assert_eq!(hint(&e), None, "the edge's is old");
    let mut e = Evening::new();
    e.act(ActionKind::Heat { lasting: Some(seconds(30.0)) });
    e.read_at_once(30.0);
    e.sends_at_edge(35.0);
    assert_eq!(hint(&e), None);
}

#[test]
fn what_no_bowl_can_be_is_kept_and_not_believed() {
    let mut e = Evening::seeded();
    e.sends_at_edge(30.9);
    e.sends_at_edge(300.0);
    assert_eq!((edge_c(&e), hint(&e)), (Some(30.9), None));
    assert_eq!(e.record().at_edge().len(), 2);
}

#[test]
fn nothing_is_said_once_it_is_poured() {
    let mut e = Evening::in_temper();
    e.sends_at_edge(29.0);
    assert!(hint(&e).is_some());
    e.act(ActionKind::Poured);
    assert_eq!((e.bowl().phase, hint(&e)), (Phase::Done, None));
}

#[test]
fn the_edge_is_another_thermometer_and_is_withdrawn_like_any_reading() {
    let at = |s| chrono::DateTime::from_timestamp(1_790_000_000 + s, 0).expect("in range");
    let reading = |n: u128, c: f64, source| Reading {
        id: Uuid::from_u128(n),
        at: at(i64::try_from(n).expect("small")),
        temp: celsius(c),
        source,
    };
    let all = vec![reading(1, 40.0, Source::Probe), reading(2, 39.0, Source::Edge)];
    let record = Record::new(all, Vec::new()).corrected_by(degrees(1.0));
    assert_eq!(record.readings()[0].temp, celsius(41.0));
    assert_eq!(record.at_edge()[0].temp, celsius(39.0));
    let mut more = record.clone();
    more.add_reading(reading(3, 38.0, Source::Edge));
    assert_eq!((more.readings().len(), more.at_edge().len()), (1, 2));
    assert!(more.has_reading(Uuid::from_u128(3)));
    assert_eq!(more.last_at(), Some(at(3)));
    let wrong = ActionKind::ReadingWithdrawn { reading: Uuid::from_u128(2) };
    let entry = Action { id: Uuid::from_u128(9), at: at(4), kind: wrong };
    more.add_action(entry.clone());
    assert_eq!((more.at_edge().len(), more.withdrawn().len()), (1, 1));
    assert!(more.has_reading(Uuid::from_u128(2)));
    let back = ActionKind::Undone { action: entry.id };
    more.add_action(Action { id: Uuid::from_u128(10), at: at(5), kind: back });
    assert_eq!((more.at_edge().len(), more.at_edge()[0].temp), (2, celsius(39.0)));
}
