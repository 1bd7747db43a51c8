//! A stay in the fridge: long enough to let go, short enough that no dew forms.

use crate::catalogue::room as say;
use crate::chocolate::Chocolate;
use crate::note::{Note, Working};
use crate::room::Room;
use crate::setting::{Dry, Place, until_release};
use crate::units::{
    Length, Temperature, Time, degrees, in_celsius, in_degrees, in_grams_per_cubic_centimetre,
    in_joules_per_gram_degree, in_millimetres, in_seconds, rise, seconds,
};

/// Dew forms on what is this close to the dew point, °C.
const CLEAR_OF_DEW_C: f64 = 1.0;
/// What the shortest stay is worth: so much more is advised where there is room.
const TO_BE_SURE: f64 = 1.15;
/// And no more than this of the longest: nobody is at the door to the second.
const IN_TIME: f64 = 0.9;
/// A closed box is left closed in the room until what is in it has warmed: so many times the
/// time in which it answers.
const LEFT_CLOSED: f64 = 3.0;

/// A stay in a closed box or bag: no dew forms on what is in it.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct BoxedStay {
    /// Until it lets go.
    pub shortest: Time,
    /// How long to leave it.
    pub advised: Time,
    /// How long the box stays closed in the room afterwards.
    pub left_closed: Time,
}

/// A stay in the fridge.
#[derive(Clone, Debug, PartialEq)]
pub struct Stay {
    /// Until it lets go; `None` where the fridge is too warm for that.
    pub shortest: Option<Time>,
    /// Until it is so cold that dew forms on it when it is taken out; `None` where
    /// it never is.
    pub longest: Option<Time>,
    /// How long to leave it; `None` where the two cross.
    pub advised: Option<Time>,
    /// The same in a closed box or bag, where none is advised without; `None` too where the
    /// fridge is too warm.
    pub boxed: Option<BoxedStay>,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

/// How long a slab that is touch dry may lie in a fridge.
///
/// The slab nears the fridge's temperature as T_f + (T_0 − T_f)·e^(−t/τ) with τ =
/// (ρ·h·c_s + tray)/h_f; it must come out before it is within a degree of the
/// room's dew point (docs/craft.md, section 3). The shortest stay is the setting
/// model's. Advised is the shortest and a bit, in good time before the longest; where there
/// is none, a closed box.
#[must_use]
pub fn stay(
    chocolate: &Chocolate,
    thickness: Length,
    dry: Dry,
    fridge: Temperature,
    room: &Room,
) -> Stay {
    let place = Place::Fridge(fridge);
    let shortest = until_release(chocolate, thickness, dry, place);
    let wet_below = room.dew_point() + degrees(CLEAR_OF_DEW_C);
    let held = 1_000.0
        * in_grams_per_cubic_centimetre(chocolate.solid_density)
        * in_millimetres(thickness)
        * in_joules_per_gram_degree(chocolate.family.heat_when_solid());
    let answers_in = |place: Place| seconds((held + place.tray_holds()) / place.carries_off());
    let tau = answers_in(place);
    let longest = (fridge < wet_below).then(|| {
        let ratio = in_degrees(rise(fridge, dry.temp)) / in_degrees(rise(fridge, wet_below));
        // In a room so damp that it is wet from the start, no time is left.
        tau * ratio.max(1.0).ln()
    });
    let advised = match (shortest, longest) {
        (Some(shortest), Some(longest)) if shortest > longest * IN_TIME => None,
        (Some(shortest), longest) => {
            let sure = shortest * TO_BE_SURE;
            Some(longest.map_or(sure, |longest| sure.min(longest * IN_TIME)))
        }
        (None, _) => None,
    };
    let in_box = Place::BoxInFridge(fridge);
    let asked = advised.is_none() && shortest.is_some();
    let in_time = asked.then(|| until_release(chocolate, thickness, dry, in_box)).flatten();
    let boxed = in_time.map(|shortest| BoxedStay {
        shortest,
        advised: shortest * TO_BE_SURE,
        left_closed: answers_in(in_box) * LEFT_CLOSED,
    });
    Stay {
        notes: remarks(shortest, longest, advised, fridge),
        shortest,
        longest,
        advised,
        boxed,
        working: vec![
            Working::new("dew forms below", in_celsius(room.dew_point()), "°C"),
            Working::new("so it must stay above", in_celsius(wet_below), "°C"),
            Working::new("a third of the way to the fridge is left after", in_seconds(tau), "s"),
        ],
    }
}

fn remarks(
    shortest: Option<Time>,
    longest: Option<Time>,
    advised: Option<Time>,
    fridge: Temperature,
) -> Vec<Note> {
    match (shortest, longest, advised) {
        (None, _, _) => vec![Note::stop("fridge-too-warm", say::fridge_too_warm(fridge))],
        (Some(shortest), Some(longest), None) => vec![Note::caution(
            "stay-cannot-be",
            say::stay_cannot_be(shortest, seconds((in_seconds(longest) / 60.0).floor() * 60.0)),
        )],
        (Some(shortest), Some(_), Some(advised)) if advised < shortest * TO_BE_SURE => {
            vec![Note::caution("dew-binds", say::dew_binds())]
        }
        (Some(_), Some(_), _) => vec![Note::info("release-binds", say::release_binds())],
        (Some(_), None, _) => {
            vec![Note::info("no-dew", say::no_dew())]
        }
    }
}
#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::setting::setting;
    use crate::units::{celsius, millimetres, percent_of};

    fn dark(mm: f64, room_c: f64, rh_pct: f64, fridge_c: f64) -> Stay {
        let room = Room { temp: celsius(room_c), humidity: percent_of(rh_pct) };
        let dry = Dry { temp: celsius(24.0), crystals: None };
        stay(&Chocolate::of(Family::Dark), millimetres(mm), dry, celsius(fridge_c), &room)
    }

    fn codes(stay: &Stay) -> Vec<&str> {
        stay.notes.iter().map(|note| note.code.as_ref()).collect()
    }

    #[test]
    fn what_is_too_warm_to_set_in_is_no_fridge() {
        let warm = dark(3.0, 31.0, 40.0, 29.0);
        assert_eq!(codes(&warm), ["fridge-too-warm"]);
        assert!(warm.shortest.is_none() && warm.advised.is_none());
        assert!(warm.notes[0].text().starts_with("29 °C is too warm"), "{}", warm.notes[0].text());
    }

    #[test]
    fn what_binds_is_said() {
        let dry = dark(3.0, 19.0, 45.0, 5.0);
        assert_eq!(codes(&dry), ["release-binds"]);
        assert!(dry.shortest < dry.advised && dry.advised < dry.longest);
        let damp = dark(3.0, 22.0, 62.0, 5.0);
        assert_eq!(codes(&damp), ["stay-cannot-be"]);
        assert_eq!(damp.advised, None);
        assert!(damp.notes[0].text().contains("closed box or bag"));
        let boxed = damp.boxed.expect("no dew forms in a box");
        let open = damp.shortest.expect("it sets");
        let times = in_seconds(boxed.shortest) / in_seconds(open);
        assert!((1.6..2.6).contains(&times), "about twice as long: {times}");
        let desert = dark(3.0, 20.0, 20.0, 5.0);
        assert_eq!((codes(&desert), desert.longest), (vec!["no-dew"], None));
    }

    #[test]
    fn where_it_is_wet_from_the_start_no_time_is_left() {
        let soaked = dark(3.0, 27.0, 95.0, 5.0);
        assert_eq!(soaked.longest, Some(seconds(0.0)));
        assert_eq!(soaked.advised, None);
    }

    #[test]
    fn what_is_advised_never_passes_the_dew() {
        for rh_pct in (20..=90).step_by(5) {
            for mm in [1.5, 3.0, 5.0, 8.0] {
                let stay = dark(mm, 20.0, f64::from(rh_pct), 4.0);
                if let (Some(advised), Some(longest)) = (stay.advised, stay.longest) {
                    assert!(
                        advised <= longest * 0.9 && advised >= stay.shortest.expect("it sets"),
                        "{rh_pct} %, {mm} mm: {stay:?}"
                    );
                }
            }
        }
    }

    /// What was seen in kitchens, and was fine: family, millimetres, minutes from and to.
    const SEEN: [(Family, f64, [f64; 2]); 5] = [
        (Family::Dark, 2.0, [8.0, 10.0]),
        (Family::Milk, 2.5, [8.0, 10.0]),
        (Family::Dark, 3.0, [5.0, 10.0]),
        (Family::Dark, 1.5, [5.0, 5.0]),
        (Family::Coating, 3.0, [10.0, 10.0]),
    ];

    #[test]
    fn what_was_seen_to_be_fine_is_allowed() {
        let air = Room { temp: celsius(20.0), humidity: percent_of(50.0) };
        for (family, mm, [from, to]) in SEEN {
            let chocolate = Chocolate::of(family);
            let poured = celsius(family.sets_from_c().unwrap_or(31.5));
            let poured = if family == Family::Coating { celsius(40.0) } else { poured };
            let place = Place::Room(air.temp);
            let temp = setting(&chocolate, millimetres(mm), poured, place).expect("it sets").dry_at;
            let dry = Dry { temp, crystals: None };
            let stay = stay(&chocolate, millimetres(mm), dry, celsius(5.0), &air);
            let min = |time: Option<Time>| in_seconds(time.expect("so long")) / 60.0;
            let (least, most) = (min(stay.shortest), min(stay.longest));
            // Give or take what any stated time is worth.
            assert!(least * 0.85 <= to, "{family}, {mm} mm: {least:.1} to {most:.1} min");
            assert!(most * 1.15 >= from, "{family}, {mm} mm: {least:.1} to {most:.1} min");
        }
    }
}
