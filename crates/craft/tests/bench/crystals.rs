//! What makers know of tempering, as runs of the simulated pot: numbers.md,
//! section 8, for dark, and with shifted windows for the others.

use chrono::DateTime;
use craft::bowl::{ActionKind, Seen, Setup};
use craft::chocolate::{Chocolate, Family};
use craft::pot::{Condition, Pot};
use craft::units::{
    Temperature, celsius, degrees, grams, in_celsius, in_seconds, minutes, seconds,
};

const TEMPERED: [Family; 6] =
    [Family::Dark, Family::Milk, Family::White, Family::Ruby, Family::Blond, Family::CocoaButter];

/// A pot of 500 g in a room of 20 °C, and its windows.
struct Run {
    setup: Setup,
    pot: Pot,
}

impl Run {
    fn of(family: Family, melted_g: f64) -> Self {
        let chocolate = Chocolate::of(family);
        let setup = Setup {
            opened: DateTime::from_timestamp(1_790_000_000, 0).expect("in range"),
            target: chocolate.windows.seed_target(),
            melt_to: chocolate.windows.melt.lo + degrees(1.0),
            course: craft::method::Method::default().course(&chocolate),
            chocolate,
            melted: grams(melted_g),
            seed: grams(0.0),
            crystals: grams(0.0),
            room: celsius(20.0),
            seed_temp: celsius(20.0),
            stone: celsius(20.0),
            carry_over: degrees(Setup::USUAL_CARRY_OVER_C),
            gentle: craft::heat::GentleHeat::default(),
            vessel: None,
            scale: craft::scale::Scale::Fine,
            colouring: None,
            used_for: None,
            offset: degrees(0.0),
            burst_response: craft::heat::microwave::EFFICIENCY,
            microwave: Some(craft::heat::microwave::Microwave::usual(
                craft::units::watts(800.0),
                craft::units::percent_of(50.0),
            )),
        };
        Self { pot: Pot::new(&setup), setup }
    }

    fn temp(&self) -> Temperature {
        self.pot.temperature()
    }

    /// The working band's middle.
    fn work(&self) -> Temperature {
        self.setup.chocolate.windows.work.middle()
    }

    fn cool(&self) -> Temperature {
        self.setup.chocolate.windows.cool.expect("it has one").middle()
    }

    /// As many degrees from the dark chocolate's number as the family's window.
    fn shifted(&self, dark_c: f64) -> Temperature {
        let dark = Chocolate::of(Family::Dark).windows.lost.expect("dark has one");
        let own = self.setup.chocolate.windows.lost.expect("a family with crystals");
        celsius(dark_c + in_celsius(own) - in_celsius(dark))
    }

    fn stir_for(&mut self, s: f64) {
        let mut left = s;
        while left > 0.0 {
            self.pot.act(&ActionKind::Stirred);
            self.pot.wait(left.min(20.0));
            left -= 20.0;
        }
    }

    fn heat(&mut self, s: f64) {
        self.pot.act(&ActionKind::Heat { lasting: Some(seconds(s)) });
        self.pot.wait(s);
        self.stir_for(10.0);
    }

    fn melted(mut self) -> Self {
        while self.temp() < self.setup.melt_to {
            self.heat(10.0);
        }
        self.stir_for(30.0);
        self
    }

    fn heated_past(mut self, temp: Temperature) -> Self {
        while self.temp() < temp {
            self.heat(3.0);
        }
        self
    }

    fn stirred_down_to(mut self, temp: Temperature) -> Self {
        for _ in 0..2_000 {
            if self.temp() <= temp {
                break;
            }
            self.stir_for(5.0);
        }
        self
    }

    fn left_to_cool_to(mut self, temp: Temperature) -> Self {
        for _ in 0..20_000 {
            if self.temp() <= temp {
                break;
            }
            self.pot.wait(5.0);
        }
        self
    }

    /// Brought back by warmings of five seconds.
    fn rewarmed_to(mut self, temp: Temperature) -> Self {
        for _ in 0..40 {
            if self.temp() >= temp {
                break;
            }
            self.heat(5.0);
            self.stir_for(10.0);
        }
        self
    }

    /// Held at a temperature, stirred.
    fn held(mut self, temp: Temperature, s: f64) -> Self {
        let mut left = s;
        while left > 0.0 {
            if self.temp() < temp {
                self.heat(1.0);
                left -= 11.0;
            } else {
                self.stir_for(5.0);
                left -= 5.0;
            }
        }
        self
    }

    fn seeded(family: Family, share: f64) -> Self {
        let mut run = Self::of(family, 500.0 / (1.0 + share)).melted();
        let seed = 500.0 - 500.0 / (1.0 + share);
        for part in [0.5, 1.0 / 3.0, 1.0 / 6.0] {
            run.pot.act(&ActionKind::SeedAdded { mass: grams(seed * part) });
            run.stir_for(75.0);
        }
        let top = run.setup.chocolate.windows.work.hi;
        run.stirred_down_to(top)
    }

    fn worked_on_stone(family: Family) -> Self {
        let mut run = Self::of(family, 500.0).melted();
        let (melted, cool, work) =
            (in_celsius(run.temp()), in_celsius(run.cool()), in_celsius(run.work()));
        let mass = grams(500.0 * (melted - work) / (melted - cool));
        run.pot.act(&ActionKind::OnStone { mass });
        while run.pot.on_stone().is_some_and(|temp| temp > run.cool()) {
            run.stir_for(5.0);
        }
        run.pot.act(&ActionKind::OffStone);
        run.stir_for(60.0);
        run
    }

    #[track_caller]
    fn shows(&self, what: Condition) {
        assert_eq!(self.pot.condition(), what, "{}: {}", self.setup.chocolate.family, self.told());
    }

    fn told(&self) -> String {
        let smear = self.pot.smear();
        format!(
            "{:.1} °C, {:?}, dry after {:?} s, at 2/5/8 min {:?}",
            in_celsius(self.temp()),
            self.pot.crystals(),
            smear.dry_after().map(in_seconds),
            [2.0, 5.0, 8.0].map(|m| smear.look(minutes(m))),
        )
    }

    #[track_caller]
    fn passes_the_test(&self) {
        let smear = self.pot.smear();
        let dry = smear.dry_after().map_or(f64::INFINITY, in_seconds);
        assert!((60.0..=300.0).contains(&dry), "{}: {}", self.setup.chocolate.family, self.told());
        let looks = [4.0, 5.0].map(|m| smear.look(minutes(m)));
        assert!(
            matches!(looks, [Seen::SetsFromEdge | Seen::EvenSatin, Seen::EvenSatin]),
            "{}: {}",
            self.setup.chocolate.family,
            self.told()
        );
    }
}

/// The row "46, left to cool unstirred to 22".
#[test]
fn left_to_cool_it_sets_streaked() {
    for family in TEMPERED {
        let run = Run::of(family, 500.0).melted();
        let to = run.shifted(22.0).max(celsius(20.5));
        let run = run.left_to_cool_to(to);
        run.shows(Condition::NotInTemper);
        let crystals = run.pot.crystals();
        assert!(crystals.all() > 0.2 && crystals.share_stable() < 0.1, "{}", run.told());
        assert_eq!(run.pot.smear().look(minutes(8.0)), Seen::Streaks, "{}", run.told());
    }
}

/// The row "46, 25–30 % seed stirred in, settles 31–32".
#[test]
fn seeded_it_is_in_temper() {
    for family in TEMPERED {
        for share in [0.25, 0.30] {
            // Cocoa butter holds more heat of melting: a quarter is its most.
            let share = if family == Family::CocoaButter { share * 0.75 } else { share };
            let run = Run::seeded(family, share);
            run.shows(Condition::InTemper);
            run.passes_the_test();
        }
    }
}

/// The row "46, no seed, stirred to 31.5 and poured".
#[test]
fn without_seed_the_test_stays_wet() {
    for family in TEMPERED {
        let run = Run::of(family, 500.0).melted();
        let to = run.work();
        let run = run.stirred_down_to(to);
        run.shows(Condition::NotInTemper);
        assert_eq!(run.pot.smear().look(minutes(8.0)), Seen::StillWet, "{}", run.told());
    }
}

/// The rows "46, slab …, rewarmed to 31.5" and "the same, rewarmed to 35".
#[test]
fn worked_on_a_stone_it_is_in_temper_until_it_is_warmed_too_far() {
    for family in TEMPERED {
        let run = Run::worked_on_stone(family);
        let work = run.work();
        let run = run.rewarmed_to(work);
        run.shows(Condition::InTemper);
        run.passes_the_test();

        let too_warm = run.shifted(35.0);
        let run = run.rewarmed_to(too_warm).held(too_warm, 60.0).stirred_down_to(work);
        run.shows(Condition::NotInTemper);
    }
}

/// The row "in temper at 31.5, held and stirred 60 min".
#[test]
fn held_for_an_hour_it_thickens_and_a_little_warmth_brings_it_back() {
    for family in TEMPERED {
        let run = Run::seeded(family, 0.27);
        let work = run.work();
        let run = run.rewarmed_to(work).held(work, 3_600.0);
        run.shows(Condition::OverSeeded);
        let warmer = work + degrees(1.0);
        run.rewarmed_to(warmer).held(warmer, 300.0).shows(Condition::InTemper);
    }
}

/// The row "in temper, drifted to 28 unstirred 10 min".
#[test]
fn drifting_cold_it_thickens_and_short_warmings_recover_it() {
    for family in TEMPERED {
        let run = Run::seeded(family, 0.27);
        let before = run.pot.crystals();
        let cold = run.setup.chocolate.windows.thick - degrees(1.5);
        let mut run = run.left_to_cool_to(cold);
        run.pot.wait(600.0);
        run.shows(Condition::OverSeeded);
        assert!(run.pot.crystals().unstable > before.unstable, "{}", run.told());

        let top = run.setup.chocolate.windows.work.hi;
        let run = run.rewarmed_to(top).held(top, 300.0);
        run.shows(Condition::InTemper);
        run.passes_the_test();
    }
}

/// The rows "46, cooled to 34.5, 1 % ready crystals" and "at 38": half a degree
/// under the top of the gate, and three and a half degrees above that.
#[test]
fn ready_crystals_need_their_gate() {
    for family in TEMPERED {
        let gate = craft::method::gate(&Chocolate::of(family)).expect("it tempers");
        let top = gate.hi - degrees(0.5);
        for (at, shows) in
            [(top, Condition::InTemper), (top + degrees(3.5), Condition::NotInTemper)]
        {
            let run = Run::of(family, 500.0).melted();
            let mut run = run.stirred_down_to(at);
            run.pot.act(&ActionKind::CrystalsAdded { mass: grams(5.0) });
            run.stir_for(120.0);
            let work = run.setup.chocolate.windows.work.hi;
            let run = run.stirred_down_to(work);
            run.shows(shows);
            if shows == Condition::InTemper {
                run.passes_the_test();
            }
        }
    }
}

/// The row "tempered pieces warmed in bursts to 33, never above 34".
#[test]
fn what_never_loses_its_temper_keeps_it() {
    for family in TEMPERED {
        let run = Run::of(family, 500.0);
        let to = run.shifted(33.0);
        let mut run = run.heated_past(to);
        let lost = run.setup.chocolate.windows.lost.expect("it has one");
        assert!(run.temp() < lost, "{}", run.told());
        run.stir_for(150.0);
        run.shows(Condition::InTemper);
        run.passes_the_test();
    }
}

/// The row "heated to 60".
#[test]
fn burnt_is_lost() {
    for family in TEMPERED {
        let run = Run::of(family, 500.0);
        let burnt = run.setup.chocolate.windows.limit + degrees(5.0);
        let run = run.heated_past(burnt).stirred_down_to(celsius(40.0));
        run.shows(Condition::Scorched);
    }
}
