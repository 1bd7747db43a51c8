//! When a poured slab may be topped, cut, lifted, layered and released.
//!
//! The windows are read from how far the fat has crystallised, in a heat balance
//! of a thin slab in its place (`film`). Milk and white take longer by the factors
//! that makers know.

mod film;

use film::{Film, reaches};

use crate::catalogue::room as say;
use crate::chocolate::Chocolate;
use crate::message::Message;
use crate::note::Note;
use crate::units::{Length, Temperature, Time, celsius, rise, seconds};

/// What a stated time is worth: give or take this share (*custom*).
pub const SPREAD: f64 = 0.15;

/// Shares of the fat that have crystallised when each window opens or closes,
/// fitted to what makers report (*custom*).
const TOPPING_UNTIL: f64 = 0.016;
const TOUCH_DRY: f64 = 0.037;
const CUT_FROM: f64 = 0.09;
const FLEXIBLE_UNTIL: f64 = 0.11;
const CUT_TO: f64 = 0.15;
const SECOND_LAYER_UNTIL: f64 = 0.30;
const RELEASE: f64 = 0.77;
/// Chilled, it is firm and shrunk with less of its fat set (*custom*).
const RELEASE_CHILLED: f64 = 0.65;

/// Where a slab lies while it sets.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum Place {
    /// In a room, one face free.
    Room(Temperature),
    /// In a domestic refrigerator, on its tray.
    Fridge(Temperature),
    /// Spread on a slab of stone, from the freezer or cool.
    ColdSlab(Temperature),
}

impl Place {
    /// Its temperature.
    #[must_use]
    pub fn temp(self) -> Temperature {
        match self {
            Self::Room(temp) | Self::Fridge(temp) | Self::ColdSlab(temp) => temp,
        }
    }

    /// Heat it carries off, W/(m²·K): 15 from one face in air (docs/craft.md, section
    /// 3), far more into stone (*custom*: set within seconds).
    pub(crate) fn carries_off(self) -> f64 {
        match self {
            Self::Room(_) | Self::Fridge(_) => 15.0,
            Self::ColdSlab(_) => 200.0,
        }
    }

    /// Heat that a tray holds which must come along, J/(m²·K): a millimetre of
    /// aluminium, 2,400; in a room it has the slab's temperature from the start.
    pub(crate) fn tray_holds(self) -> f64 {
        match self {
            Self::Fridge(_) => 2_400.0,
            Self::Room(_) | Self::ColdSlab(_) => 0.0,
        }
    }
}

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
    /// Dry to the touch; a second layer holds from here on.
    pub touch_dry: Moment,
    /// How warm it is then.
    pub dry_at: Temperature,
    /// Soft enough to cut clean from then…
    pub cut_from: Moment,
    /// …until then; later it cracks.
    pub cut_to: Moment,
    /// A wrap or a ribbon still bends until then.
    pub flexible_until: Moment,
    /// A second layer still grips until then.
    pub second_layer_until: Moment,
    /// Firm and shrunk: lets go by itself.
    pub release: Moment,
}

/// The windows of a slab in a place; `None` where it is so warm that it does not
/// set within hours.
///
/// ```
/// use craft::chocolate::{Chocolate, Family};
/// use craft::setting::{Place, setting};
/// use craft::units::{celsius, in_seconds, millimetres};
///
/// let dark = Chocolate::of(Family::Dark);
/// let room = Place::Room(celsius(19.0));
/// let windows = setting(&dark, millimetres(4.0), celsius(31.5), room).expect("it sets");
/// assert!((5.0..=8.0).contains(&(in_seconds(windows.touch_dry.typical) / 60.0)));
/// ```
#[must_use]
pub fn setting(
    chocolate: &Chocolate,
    thickness: Length,
    poured: Temperature,
    place: Place,
) -> Option<Setting> {
    let course = Film::new(chocolate, thickness, place).course(poured, 0.0, RELEASE);
    let slower = chocolate.family.setting_factor();
    let moment = |crystals: f64| {
        let typical = seconds(reaches(&course, crystals)?.t_s * slower);
        let [earliest, latest] = [typical * (1.0 - SPREAD), typical * (1.0 + SPREAD)];
        Some(Moment { typical, earliest, latest })
    };
    Some(Setting {
        topping_until: moment(TOPPING_UNTIL)?,
        touch_dry: moment(TOUCH_DRY)?,
        dry_at: celsius(reaches(&course, TOUCH_DRY)?.temp_c),
        cut_from: moment(CUT_FROM)?,
        cut_to: moment(CUT_TO)?,
        flexible_until: moment(FLEXIBLE_UNTIL)?,
        second_layer_until: moment(SECOND_LAYER_UNTIL)?,
        release: moment(RELEASE)?,
    })
}

/// A gram of dry goods holds so much against a gram of melted chocolate (*custom*).
const GOODS_HOLD: f64 = 1.05;

/// A slab that has dry goods in it or on it.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct SettingOf<'a> {
    /// Its chocolate.
    pub chocolate: &'a Chocolate,
    /// How thick, once set.
    pub thickness: Length,
    /// How warm it is poured.
    pub poured: Temperature,
    /// Where it lies.
    pub place: Place,
    /// Grams of goods to a gram of chocolate.
    pub goods_per_gram: f64,
    /// How warm they are.
    pub goods_at: Temperature,
}

impl SettingOf<'_> {
    /// The windows; `None` where it does not set within hours.
    ///
    /// Goods take heat from what they lie in until both are equally warm, so it
    /// sets sooner with cold ones and later with warm ones.
    #[must_use]
    pub fn windows(&self) -> Option<Setting> {
        let share = self.goods_per_gram * GOODS_HOLD / (1.0 + self.goods_per_gram * GOODS_HOLD);
        let mixed = self.poured + rise(self.poured, self.goods_at) * share;
        setting(self.chocolate, self.thickness, mixed, self.place)
    }
}

impl Setting {
    /// The same where it sets so many times as slowly.
    #[must_use]
    pub fn paced(self, pace: f64) -> Self {
        Self {
            topping_until: self.topping_until * pace,
            touch_dry: self.touch_dry * pace,
            dry_at: self.dry_at,
            cut_from: self.cut_from * pace,
            cut_to: self.cut_to * pace,
            flexible_until: self.flexible_until * pace,
            second_layer_until: self.second_layer_until * pace,
            release: self.release * pace,
        }
    }
}

impl std::ops::Mul<f64> for Moment {
    type Output = Self;

    fn mul(self, times: f64) -> Self {
        Self {
            typical: self.typical * times,
            earliest: self.earliest * times,
            latest: self.latest * times,
        }
    }
}

/// How long a slab that is touch dry takes in a place until it lets go; `None`
/// where it does not.
#[must_use]
pub fn until_release(
    chocolate: &Chocolate,
    thickness: Length,
    from: Temperature,
    place: Place,
) -> Option<Time> {
    let share = if matches!(place, Place::Room(_)) { RELEASE } else { RELEASE_CHILLED };
    let course = Film::new(chocolate, thickness, place).course(from, TOUCH_DRY, share);
    Some(seconds(reaches(&course, share)?.t_s * chocolate.family.setting_factor()))
}

/// What to say where it does not set.
#[must_use]
pub fn too_warm_to_set(room: Temperature) -> Note {
    Note::stop("room-does-not-set", does_not_set(room))
}

/// That it does not set at a temperature.
#[must_use]
pub fn does_not_set(room: Temperature) -> Message {
    say::room_does_not_set(room)
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
        let room = Place::Room(celsius(room));
        setting(&Chocolate::of(family), millimetres(mm), celsius(31.5), room)
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
        let order = [
            s.topping_until,
            s.touch_dry,
            s.cut_from,
            s.flexible_until,
            s.cut_to,
            s.second_layer_until,
            s.release,
        ];
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

    #[test]
    fn touch_dry_then_the_fridge_takes_what_makers_report() {
        // Minutes in the fridge, by thickness.
        for (mm, [lo, hi]) in [(4.0, [6.0, 12.0]), (2.0, [5.0, 10.0])] {
            let dark = Chocolate::of(Family::Dark);
            let thickness = millimetres(mm);
            let from = set(Family::Dark, mm, 19.0).expect("sets").dry_at;
            let fridge = Place::Fridge(celsius(5.0));
            let min =
                in_seconds(until_release(&dark, thickness, from, fridge).expect("sets")) / 60.0;
            assert!((lo..=hi).contains(&min), "{mm} mm: {min:.1} min");
        }
    }

    #[test]
    fn milk_and_white_take_as_much_longer_as_makers_say() {
        let touch = |family| {
            in_seconds(set(family, 4.0, 19.0).expect("sets").touch_dry.typical)
                / in_seconds(set(Family::Dark, 4.0, 19.0).expect("sets").touch_dry.typical)
        };
        assert!((touch(Family::Milk) - 1.25).abs() < 0.06, "{}", touch(Family::Milk));
        assert!((touch(Family::White) - 1.35).abs() < 0.08, "{}", touch(Family::White));
    }

    #[test]
    fn on_a_frozen_stone_it_sets_within_seconds() {
        let stone = Place::ColdSlab(celsius(-18.0));
        let coating = Chocolate::of(Family::Coating);
        let s = setting(&coating, millimetres(1.5), celsius(40.0), stone).expect("sets");
        assert!(in_seconds(s.touch_dry.typical) < 30.0, "{s:?}");
        assert!(in_seconds(s.flexible_until.typical) < 60.0, "{s:?}");
    }

    #[test]
    fn thicker_warmer_and_hotter_poured_takes_longer() {
        let dry = |mm, room, poured| {
            let s = setting(
                &Chocolate::of(Family::Dark),
                millimetres(mm),
                celsius(poured),
                Place::Room(celsius(room)),
            );
            in_seconds(s.expect("sets").touch_dry.typical)
        };
        assert!(dry(3.0, 19.0, 31.5) < dry(4.0, 19.0, 31.5));
        assert!(dry(4.0, 19.0, 31.5) < dry(4.0, 21.0, 31.5));
        assert!(dry(4.0, 19.0, 31.0) < dry(4.0, 19.0, 32.0));
    }
}
