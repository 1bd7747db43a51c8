//! When a poured slab may be topped, cut and released: a first model.
//!
//! A thin slab sits at a plateau near 28.4 °C while its fat crystallises. How
//! fast it gets there depends on how fast the room carries the heat off:
//!
//! ```text
//! t = start + ρ·h·q / (U·(28.4 °C − T_room))
//! ```
//!
//! with U = 12 W/(m²·K) for one free face and a lined tray, and *q* the heat
//! given up per gram at each stage, out of about 50 J/g in all (5 J/g of
//! cooling and 125 J/g of fat). The stages are fitted to what makers report for
//! dark poured at 31.5 °C (*custom*); milk and white take longer.

use crate::chocolate::Chocolate;
use crate::note::Note;
use crate::units::{
    Length, Temperature, Time, celsius, degrees, in_celsius, joules_per_gram, minutes, rise,
    watts_per_square_metre_degree,
};

/// What a stated time is worth: give or take this share (*custom*).
pub const SPREAD: f64 = 0.15;
/// The plateau at which the slab crystallises, °C.
const PLATEAU_C: f64 = 28.4;
/// The pour temperature that the stages were fitted at, °C.
const FITTED_POUR_C: f64 = 31.5;
/// Rooms closer to the plateau than this carry off no heat worth counting, °C.
const LEAST_FALL_C: f64 = 1.0;

/// A stretch of time after the pour, with its range.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Moment {
    /// Most likely.
    pub typical: Time,
    /// Not likely before.
    pub earliest: Time,
    /// Not likely after.
    pub latest: Time,
}

/// The windows after a pour.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Setting {
    /// Toppings still stick until then.
    pub topping_until: Moment,
    /// Dry to the touch.
    pub touch_dry: Moment,
    /// Soft enough to cut clean from then…
    pub cut_from: Moment,
    /// …until then; later it cracks.
    pub cut_to: Moment,
    /// Firm and shrunk: lets go by itself.
    pub release: Moment,
}

/// A stage: minutes for the first crystals to spread, and heat given up, J/g.
struct Stage {
    start_min: f64,
    heat_j_g: f64,
}

const TOPPING: Stage = Stage { start_min: 1.2, heat_j_g: 5.2 };
const TOUCH_DRY: Stage = Stage { start_min: 1.5, heat_j_g: 6.6 };
const CUT_FROM: Stage = Stage { start_min: 1.5, heat_j_g: 9.2 };
const CUT_TO: Stage = Stage { start_min: 2.0, heat_j_g: 13.1 };
const RELEASE: Stage = Stage { start_min: 6.0, heat_j_g: 47.2 };

/// The windows of a slab set in a room; `None` where the room is so warm that
/// it does not set.
#[must_use]
pub fn in_room(
    chocolate: &Chocolate,
    thickness: Length,
    poured: Temperature,
    room: Temperature,
) -> Option<Setting> {
    let fall = rise(room, celsius(PLATEAU_C));
    if fall < degrees(LEAST_FALL_C) {
        return None;
    }
    let flux = watts_per_square_metre_degree(12.0) * fall;
    let extra = chocolate.family.heat_when_melted() * rise(celsius(FITTED_POUR_C), poured);
    let moment = |stage: Stage| {
        let heat = (joules_per_gram(stage.heat_j_g) + extra).max(joules_per_gram(1.0));
        let carried: Time = chocolate.solid_density * thickness * heat / flux;
        let typical = (minutes(stage.start_min) + carried) * chocolate.family.setting_factor();
        Moment { typical, earliest: typical * (1.0 - SPREAD), latest: typical * (1.0 + SPREAD) }
    };
    Some(Setting {
        topping_until: moment(TOPPING),
        touch_dry: moment(TOUCH_DRY),
        cut_from: moment(CUT_FROM),
        cut_to: moment(CUT_TO),
        release: moment(RELEASE),
    })
}

/// What to say where it does not set.
#[must_use]
pub fn too_warm_to_set(room: Temperature) -> Note {
    Note::stop(
        "room-does-not-set",
        format!(
            "At {:.0} °C the slab does not set. Cool the room, or set it in the fridge once it is touch dry.",
            in_celsius(room)
        ),
    )
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::units::{in_seconds, millimetres};

    /// One row of the custom bands: mm, °C, then touch dry, topping, cut and
    /// release bands in minutes.
    type Row = (f64, f64, [f64; 2], [f64; 2], [f64; 2], [f64; 2]);

    const BANDS: [Row; 4] = [
        (2.0, 19.0, [3.0, 5.0], [2.0, 4.0], [4.0, 9.0], [20.0, 30.0]),
        (4.0, 19.0, [5.0, 8.0], [4.0, 6.0], [7.0, 14.0], [30.0, 50.0]),
        (6.0, 19.0, [7.0, 12.0], [5.0, 9.0], [10.0, 20.0], [45.0, 75.0]),
        (4.0, 24.0, [9.0, 18.0], [7.0, 14.0], [14.0, 30.0], [70.0, 1e9]),
    ];

    fn set(family: Family, mm: f64, room: f64) -> Option<Setting> {
        in_room(&Chocolate::of(family), millimetres(mm), celsius(31.5), celsius(room))
    }

    #[test]
    fn dark_lands_inside_the_bands_with_its_whole_range() {
        for (mm, room, touch, topping, cut, release) in BANDS {
            let s = set(Family::Dark, mm, room).expect("sets");
            for (moment, [lo, hi], what) in [
                (s.touch_dry, touch, "touch dry"),
                (s.topping_until, topping, "topping until"),
                (s.cut_from, cut, "cut from"),
                (s.cut_to, cut, "cut to"),
                (s.release, release, "release"),
            ] {
                let (from, to) =
                    (in_seconds(moment.earliest) / 60.0, in_seconds(moment.latest) / 60.0);
                assert!(
                    lo <= from && to <= hi,
                    "{what} of {mm} mm at {room} °C: {from:.1}–{to:.1} outside {lo}–{hi} min"
                );
            }
        }
    }

    #[test]
    fn the_stages_come_in_order() {
        let s = set(Family::White, 5.0, 20.0).expect("sets");
        let order = [s.topping_until, s.touch_dry, s.cut_from, s.cut_to, s.release];
        assert!(order.windows(2).all(|w| w[0].typical < w[1].typical));
    }

    #[test]
    fn milk_and_white_take_longer_and_a_hot_room_never_sets() {
        let dark = set(Family::Dark, 4.0, 19.0).expect("sets").release.typical;
        let white = set(Family::White, 4.0, 19.0).expect("sets").release.typical;
        assert!(white > dark);
        assert_eq!(set(Family::Dark, 4.0, 28.0), None);
        assert_eq!(too_warm_to_set(celsius(28.0)).code, "room-does-not-set");
    }
}
