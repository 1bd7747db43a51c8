//! Melting in bursts.

use super::{Vessel, heat_per_gram};
use crate::catalogue::heat as say;
use crate::chocolate::Chocolate;
use crate::message::Message;
use crate::note::Working;
use crate::units::{
    Energy, Mass, Power, Ratio, Temperature, Time, degrees, in_joules, in_percent, in_seconds,
    in_watts, rise, seconds,
};

/// The share of a microwave's output that ends up in the chocolate (*custom*;
/// relearned from each burst with a reading before and after).
pub const EFFICIENCY: f64 = 0.5;
/// Burst lengths by stage, seconds: they get shorter as it goes.
pub const STAGES_S: [f64; 3] = [30.0, 15.0, 10.0];
/// A shorter burst does nothing that can be told: most ovens take a second or two to
/// come to their power (*custom*). One that is left over is added to the one before it.
pub const SHORTEST_S: f64 = 3.0;

/// A microwave as the maker uses it.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Microwave {
    /// Rated output.
    pub output: Power,
    /// Power setting as a share of the output.
    pub power: Ratio,
    /// The share of that which ends up in the chocolate.
    pub efficiency: f64,
}

impl Microwave {
    /// A microwave of which nothing was learned.
    #[must_use]
    pub fn usual(output: Power, power: Ratio) -> Self {
        Self { output, power, efficiency: EFFICIENCY }
    }

    /// What it sends at its setting.
    #[must_use]
    pub fn rated(&self) -> Power {
        self.output * self.power
    }

    /// Its setting, as one turns it: "at half of 800 W".
    #[must_use]
    pub fn setting_in_words(&self) -> Message {
        let output = in_watts(self.output).round();
        let share = in_percent(self.power);
        if share > 99.5 {
            say::at_full_power(output)
        } else if (share - 50.0).abs() < 0.5 {
            say::at_half_power(output)
        } else {
            say::at_a_share_of_power(share, output)
        }
    }

    /// What reaches the chocolate.
    #[must_use]
    pub fn into_chocolate(&self) -> Power {
        self.rated() * self.efficiency
    }
}

/// A burst that warms a bowl by less than this is lost on it, °C (*custom*).
const FELT_C: f64 = 1.0;

/// Heat that brings a mass of tempered pieces from one temperature to another, melting on
/// the way ([`super::heat_per_gram`]); none where the second is not higher.
#[must_use]
pub fn heat_to_melt(
    chocolate: &Chocolate,
    mass: Mass,
    from: Temperature,
    to: Temperature,
) -> Energy {
    mass * heat_per_gram(chocolate, from, to)
}

/// A melt as a row of bursts.
#[derive(Clone, Debug, PartialEq)]
pub struct BurstPlan {
    /// Heating time in all.
    pub total: Time,
    /// The bursts, whole seconds, with stirring after each.
    pub bursts: Vec<Time>,
    /// The oven's setting in words.
    pub setting: Message,
    /// The working.
    pub working: Vec<Working>,
}

/// The bursts that melt a mass: 30 s until two thirds of the heat are in, then
/// 15 s to half of what is left, then 10 s; none so short that the bowl would not feel it
/// ([`shortest_felt`]). A bowl that is known is warmed along,
/// by the chocolate in it.
#[must_use]
pub fn bursts(
    chocolate: &Chocolate,
    mass: Mass,
    [from, to]: [Temperature; 2],
    microwave: &Microwave,
    vessel: Option<Vessel>,
) -> BurstPlan {
    let to_melt = heat_to_melt(chocolate, mass, from, to);
    let along = heat_of_vessel(vessel, from, to);
    let total = (to_melt + along) / microwave.into_chocolate();
    let mut working = vec![Working::new("heat to warm and melt", in_joules(to_melt), "J")];
    if vessel.is_some() {
        working.push(Working::new("heat to warm the bowl", in_joules(along), "J"));
    }
    working.push(Working::new(
        "of which reaches the chocolate each second",
        in_watts(microwave.into_chocolate()),
        "J",
    ));
    working.push(Working::new("heating in all", in_seconds(total), "s"));
    BurstPlan {
        total,
        bursts: still_to_come(total, total, shortest_felt(chocolate, mass, microwave)),
        setting: microwave.setting_in_words(),
        working,
    }
}

/// What the wetted part of a bowl takes up between two temperatures; nothing where
/// it is not known.
#[must_use]
pub fn heat_of_vessel(vessel: Option<Vessel>, from: Temperature, to: Temperature) -> Energy {
    let held = vessel.map(|vessel| vessel.wetted_heat()).unwrap_or_default();
    held * rise(from, to.max(from))
}

/// The shortest burst that is felt in a mass: a degree's worth, 3 to 30 s. What is shorter
/// the room takes back while it is stirred.
#[must_use]
pub fn shortest_felt(chocolate: &Chocolate, mass: Mass, microwave: &Microwave) -> Time {
    let degree: Energy = mass * chocolate.family.heat_when_melted() * degrees(FELT_C);
    let s = in_seconds(degree / microwave.into_chocolate()).round();
    seconds(s.clamp(SHORTEST_S, STAGES_S[0]))
}

/// The bursts that are left of a melt: of `whole`, `missing` is still to go in.
/// Whole seconds, no longer than the stage that has been reached allows, unless that would
/// be shorter than `felt`.
#[must_use]
pub fn still_to_come(whole: Time, missing: Time, felt: Time) -> Vec<Time> {
    let whole = in_seconds(whole.max(missing)).round();
    let stage_ends = [whole * 2.0 / 3.0, whole * 5.0 / 6.0, whole];
    let mut done = whole - in_seconds(missing).round();
    let mut lengths: Vec<f64> = Vec::new();
    for (length, end) in STAGES_S.into_iter().zip(stage_ends) {
        let length = length.max(in_seconds(felt).round());
        while done + length <= end {
            lengths.push(length);
            done += length;
        }
    }
    let rest = whole - done;
    match lengths.last_mut() {
        Some(last) if rest > 0.0 && rest < SHORTEST_S => *last += rest,
        _ if rest > 0.0 => lengths.push(rest),
        _ => {}
    }
    lengths.into_iter().map(seconds).collect()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::units::celsius;

    fn lengths(total_s: f64) -> Vec<f64> {
        let bursts = still_to_come(seconds(total_s), seconds(total_s), seconds(3.0));
        bursts.into_iter().map(in_seconds).collect()
    }

    #[test]
    fn bursts_get_shorter_and_add_up() {
        assert_eq!(lengths(143.4), [30.0, 30.0, 30.0, 15.0, 10.0, 10.0, 10.0, 8.0]);
        assert_eq!(lengths(12.0), [12.0]);
        assert_eq!(lengths(3.0), [3.0]);
        assert_eq!(lengths(0.0), [0.0; 0]);
    }

    #[test]
    fn what_is_left_keeps_to_the_stage_that_was_reached() {
        let left = |whole, missing| -> Vec<f64> {
            let bursts = still_to_come(seconds(whole), seconds(missing), seconds(3.0));
            bursts.into_iter().map(in_seconds).collect()
        };
        assert_eq!(left(180.0, 180.0)[..2], [30.0, 30.0]);
        assert_eq!(left(180.0, 60.0), [15.0, 15.0, 10.0, 10.0, 10.0]);
        assert_eq!(left(180.0, 12.0), [12.0]);
        // It takes more than was reckoned.
        assert_eq!(left(60.0, 90.0), left(90.0, 90.0));
    }

    #[test]
    fn much_over_little_heat_is_not_melted_in_bursts_that_the_room_takes_back() {
        let butter = Chocolate::of(Family::CocoaButter);
        let weak = Microwave::usual(crate::units::watts(720.0), crate::units::percent_of(33.0));
        let felt = shortest_felt(&butter, crate::units::grams(1_245.0), &weak);
        assert_eq!(in_seconds(felt), 21.0);
        let bursts = still_to_come(seconds(300.0), seconds(60.0), felt);
        let lengths: Vec<_> = bursts.into_iter().map(in_seconds).collect();
        assert_eq!(lengths, [21.0, 21.0, 18.0]);
        // A usual bowl's are as they were.
        let usual = Microwave::usual(crate::units::watts(800.0), crate::units::percent_of(50.0));
        let dark = Chocolate::of(Family::Dark);
        assert!(in_seconds(shortest_felt(&dark, crate::units::grams(400.0), &usual)) < 5.0);
    }

    #[test]
    fn no_heat_where_it_is_warm_enough() {
        let dark = Chocolate::of(Family::Dark);
        let mass = crate::units::grams(400.0);
        assert_eq!(in_joules(heat_to_melt(&dark, mass, celsius(46.0), celsius(45.0))), 0.0);
    }

    #[test]
    fn the_heat_of_two_stretches_is_the_heat_of_the_whole() {
        let dark = Chocolate::of(Family::Dark);
        let mass = crate::units::grams(400.0);
        let whole = heat_to_melt(&dark, mass, celsius(20.0), celsius(47.0));
        for cut in [25.0, 32.0, 40.0] {
            let parts = heat_to_melt(&dark, mass, celsius(20.0), celsius(cut))
                + heat_to_melt(&dark, mass, celsius(cut), celsius(47.0));
            assert!((in_joules(parts) - in_joules(whole)).abs() < 1e-6, "cut at {cut}");
        }
    }
}
