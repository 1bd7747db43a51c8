//! What a fact says of a cause.
//!
//! A fact that is known makes its cause so many times as likely against all others, or as
//! unlikely: strongly where it is well outside what makers keep to, some at the edge, against it
//! where it is as it should be. These ratios are judgement (*custom*), and are shown when asked for.

use super::facts::{Facts, Tested};
use crate::catalogue::clinic as say;
use crate::cause::Cause;
use crate::message::Message;
use crate::units::{celsius, millimetres, minutes, seconds};
use crate::words::worded;

/// A fact well outside what it should be.
const STRONG: f64 = 800.0;
/// At the edge.
const SOME: f64 = 3.0;
/// As it should be.
const AGAINST: f64 = 0.03;

worded! {
    /// What can be asked of an evening.
    Fact {
        /// The hottest it was, against its limit.
        Max = "max_c",
        /// How long it was too warm once in temper.
        AboveLost = "above_lost_s",
        /// What it had when it was poured, against its range.
        Poured = "poured_c",
        /// What the temper test told.
        Test = "test",
        /// The share of seed.
        Seed = "seed_share_pct",
        /// How long it was worked.
        Worked = "worked_min",
        /// The longest pause in stirring.
        StirGap = "stir_gap_s",
        /// The room.
        Room = "room_c",
        /// Its humidity.
        Humidity = "rh_pct",
        /// How long it was in the fridge.
        Chill = "chill_min",
        /// How thick it is.
        Thickness = "thickness_mm",
        /// What the goods had.
        Goods = "goods_c",
        /// How long the colour rested.
        ColourRest = "colour_rest_h",
        /// What the test of the colour told.
        ColourTest = "colour_test",
        /// What the mould had.
        Mould = "mould_c",
        /// Whether the mould was polished.
        Polished = "polished",
        /// Whether it had shrunk.
        Shrunk = "shrunk",
        /// Whether water got in.
        Water = "water",
        /// Oil in it.
        Oil = "oil_pct",
        /// Whether fats were mixed.
        FatsMixed = "fats_mixed",
        /// Where it was kept.
        Stored = "stored_c",
        /// Whether there are nuts in it.
        Nuts = "with_nuts",
        /// How late toppings went on.
        ToppedLate = "topped_late_min",
        /// How often it was drawn through.
        Strokes = "strokes",
        /// Whether it was knocked.
        Knocked = "knocked",
        /// How old it was.
        Age = "age_days",
    }
}

/// What one fact says of one cause.
#[derive(Clone, Debug, PartialEq)]
pub struct Evidence {
    /// Which fact.
    pub fact: Fact,
    /// What it is.
    pub says: Message,
    /// So many times as likely the cause is with it; 1 where it is not known.
    pub ratio: f64,
    /// Whether it is known.
    pub known: bool,
}

impl Evidence {
    fn known(fact: Fact, ratio: f64, says: Message) -> Self {
        Self { fact, says, ratio, known: true }
    }

    fn not_known(fact: Fact) -> Self {
        Self { fact, says: say::not_noted(fact.noted()), ratio: 1.0, known: false }
    }

    /// Whether it speaks for the cause; `None` where it says nothing.
    #[must_use]
    pub fn speaks_for(&self) -> Option<bool> {
        (self.known && (self.ratio - 1.0).abs() > 1e-9).then_some(self.ratio > 1.0)
    }
}

/// The ratio of a value that is the worse the higher it is: at the edge from `edge` on, well
/// outside from `outside` on.
fn graded(value: f64, edge: f64, outside: f64) -> f64 {
    if value >= outside {
        STRONG
    } else if value >= edge {
        SOME
    } else {
        AGAINST
    }
}

fn yes(is: bool) -> f64 {
    if is { STRONG } else { AGAINST }
}

/// What is so or is not: the ratio where `wrong` is what speaks for the cause, and how it is said
/// where it is so and where it is not.
fn told_so(is: Option<bool>, wrong: bool, says: [fn() -> Message; 2]) -> Option<(f64, Message)> {
    let [so, not_so] = says;
    is.map(|is| (yes(is == wrong), if is { so() } else { not_so() }))
}

fn told(test: Tested, fact: Fact) -> Evidence {
    // A test that was skipped says little: many skip it and all is well.
    match test {
        Tested::Passed => Evidence::known(fact, AGAINST, say::test_passed()),
        Tested::Failed => Evidence::known(fact, 30.0, say::test_failed()),
        Tested::Skipped => Evidence::known(fact, 2.0, say::test_skipped()),
    }
}

fn chilled(facts: &Facts, dew: bool) -> Evidence {
    let fact = Fact::Chill;
    match (facts.chill_min, facts.dew_limit_min) {
        (Some(chill), Some(limit)) if dew => Evidence::known(
            fact,
            graded(chill - limit, -1.0, 1.0),
            say::chilled_against_dew(minutes(chill), minutes(limit)),
        ),
        // Where nobody knows when dew forms, a usual stay speaks against it.
        (Some(chill), None) if dew => {
            let ratio = if chill >= 16.0 { SOME } else { 0.15 };
            Evidence::known(fact, ratio, say::chilled_for(minutes(chill)))
        }
        (Some(chill), _) => {
            Evidence::known(fact, graded(chill, 35.0, 48.0), say::chilled_for(minutes(chill)))
        }
        (None, _) => Evidence::not_known(fact),
    }
}

/// The share of seed, the same as if a quarter had been planned, and what it was. Who cools it
/// otherwise needs less than was planned: little or much is what is so by either.
fn seed(facts: &Facts) -> Option<([f64; 2], Message)> {
    let share = facts.seed_share_pct?;
    Some(match facts.seed_planned_pct.filter(|planned| *planned > 0.0) {
        Some(planned) => ([share, share / planned * 25.0], say::seed_against_plan(share, planned)),
        None => ([share, share], say::seed_was(share)),
    })
}

impl Cause {
    /// What there is to say of it in these facts, known or not.
    #[must_use]
    pub fn evidence(self, facts: &Facts) -> Vec<Evidence> {
        use Fact as F;
        let of = |fact: Fact, found: Option<(f64, Message)>| match found {
            Some((ratio, says)) => Evidence::known(fact, ratio, says),
            None => Evidence::not_known(fact),
        };
        let tested = |fact: Fact, test: Option<Tested>| {
            test.map_or_else(|| Evidence::not_known(fact), |test| told(test, fact))
        };
        match self {
            Self::Overheated => {
                let found = facts.max_c.zip(facts.limit_c).map(|(max, limit)| {
                    (graded(max - limit, -0.5, 0.5), say::reached(celsius(max), celsius(limit)))
                });
                vec![of(F::Max, found)]
            }
            Self::TemperLost => {
                let found = facts.above_lost_s.map(|s| {
                    let says = match facts.lost_c {
                        Some(lost) if s > 0.0 => say::above_lost(seconds(s), celsius(lost)),
                        _ => say::never_above_lost(),
                    };
                    (graded(s, 20.0, 50.0), says)
                });
                vec![of(F::AboveLost, found)]
            }
            Self::PouredTooWarm => {
                let found = facts.poured_c.zip(facts.work_c).map(|(poured, [_, hi])| {
                    let says = say::poured_above(celsius(poured), celsius(hi));
                    (graded(poured - hi, 0.2, 0.45), says)
                });
                vec![of(F::Poured, found)]
            }
            Self::PouredTooCool => {
                let found = facts.poured_c.zip(facts.work_c).map(|(poured, [lo, _])| {
                    let says = say::poured_below(celsius(poured), celsius(lo));
                    (graded(lo - poured, 0.2, 0.5), says)
                });
                vec![of(F::Poured, found)]
            }
            Self::NotTempered => vec![tested(F::Test, facts.test)],
            Self::UnderSeeded => {
                let found =
                    seed(facts).map(|([a, b], says)| (graded(-a.max(b), -17.0, -15.0), says));
                vec![of(F::Seed, found)]
            }
            Self::OverSeeded => {
                let seed = seed(facts).map(|([a, b], says)| (graded(a.min(b), 35.0, 39.0), says));
                // A usual time says nothing: the seed may have been too much all the same.
                let worked = facts.worked_min.map(|min| {
                    let ratio = if min >= 60.0 { SOME } else { 1.0 };
                    (ratio, say::worked_for(minutes(min)))
                });
                let mut all = vec![of(F::Seed, seed)];
                all.extend(worked.map(|found| of(F::Worked, Some(found))));
                all
            }
            Self::PoorStirring => {
                let found = facts
                    .stir_gap_s
                    .map(|gap| (graded(gap, 130.0, 220.0), say::stir_gap(seconds(gap))));
                vec![of(F::StirGap, found)]
            }
            Self::WarmRoom => {
                let found = facts
                    .room_c
                    .map(|room| (graded(room, 23.5, 24.8), say::room_was(celsius(room))));
                vec![of(F::Room, found)]
            }
            Self::DampRoom => {
                let found = facts.rh_pct.map(|rh| (graded(rh, 60.0, 66.0), say::humidity_was(rh)));
                vec![of(F::Humidity, found)]
            }
            Self::Dew => vec![chilled(facts, true)],
            Self::ChilledTooLong => vec![chilled(facts, false)],
            Self::TooThin => {
                let found = facts
                    .thickness_mm
                    .map(|mm| (graded(-mm, -1.9, -1.7), say::thickness_was(millimetres(mm))));
                vec![of(F::Thickness, found)]
            }
            Self::WarmGoods => {
                let found =
                    facts.goods_c.map(|c| (graded(c, 24.5, 27.0), say::goods_were(celsius(c))));
                vec![of(F::Goods, found)]
            }
            Self::ColourNotTempered => {
                let found = facts.colour_test.map(|test| {
                    let Evidence { ratio, says, .. } = told(test, F::ColourTest);
                    (ratio, say::colour_tested_so(says))
                });
                vec![of(F::ColourTest, found)]
            }
            Self::ColourTooFresh => {
                let found = facts
                    .colour_rest_h
                    .map(|hours| (graded(-hours, -4.0, -2.5), say::colour_rested(hours)));
                vec![of(F::ColourRest, found)]
            }
            Self::MouldWarm => {
                let found =
                    facts.mould_c.map(|c| (graded(c, 23.0, 25.0), say::mould_was(celsius(c))));
                vec![of(F::Mould, found)]
            }
            Self::MouldDirty => vec![of(
                F::Polished,
                told_so(facts.polished, false, [say::was_polished, say::was_not_polished]),
            )],
            Self::NotShrunk => vec![of(
                F::Shrunk,
                told_so(facts.shrunk, false, [say::had_shrunk, say::had_not_shrunk]),
            )],
            Self::Water => {
                vec![of(F::Water, told_so(facts.water, true, [say::water_got_in, say::no_water]))]
            }
            Self::Oil => {
                let found = facts.oil_pct.map(|pct| (graded(pct, 4.0, 6.0), say::oil_was(pct)));
                vec![of(F::Oil, found)]
            }
            Self::IncompatibleFats => vec![of(
                F::FatsMixed,
                told_so(facts.fats_mixed, true, [say::fats_mixed, say::fats_apart]),
            )],
            Self::WarmStorage => {
                let stored =
                    facts.stored_c.map(|c| (graded(c, 20.0, 23.0), say::stored_at(celsius(c))));
                // What is seen at once has nothing to do with how it was kept.
                let mut all = vec![of(F::Stored, stored)];
                all.extend(age(facts));
                all
            }
            Self::NutOil => {
                let nuts = facts.with_nuts.map(|is| {
                    (yes(is).min(SOME), if is { say::with_nuts() } else { say::without_nuts() })
                });
                let mut all = vec![of(F::Nuts, nuts)];
                all.extend(age(facts));
                all
            }
            Self::ToppedLate => {
                let found = facts.topped_late_min.map(|late| {
                    let says = if late > 0.0 {
                        say::topped_after(minutes(late))
                    } else {
                        say::topped_in_time()
                    };
                    (graded(late, 0.2, 1.0), says)
                });
                vec![of(F::ToppedLate, found)]
            }
            Self::TooManyStrokes => {
                let found = facts
                    .strokes
                    .map(|count| (graded(count, 10.0, 16.0), say::strokes_were(count)));
                vec![of(F::Strokes, found)]
            }
            Self::NotKnocked => vec![of(
                F::Knocked,
                told_so(facts.knocked, false, [say::was_knocked, say::was_not_knocked]),
            )],
            // What is seen is all there is to tell them by.
            Self::LayerTooSet | Self::ThinLines | Self::ToneSweated => Vec::new(),
        }
    }
}

fn age(facts: &Facts) -> Option<Evidence> {
    let days = facts.age_days?;
    let ratio = if days < 2.0 {
        AGAINST
    } else if days >= 14.0 {
        SOME
    } else {
        1.0
    };
    Some(Evidence::known(Fact::Age, ratio, say::age_was(days)))
}

impl Fact {
    /// What was to be noted, in words.
    #[must_use]
    pub const fn noted(self) -> &'static str {
        match self {
            Self::Max => "how hot it got",
            Self::AboveLost => "how long it was too warm once in temper",
            Self::Poured => "how warm it was poured",
            Self::Test => "the temper test",
            Self::Seed => "how much seed went in",
            Self::Worked => "how long it was worked",
            Self::StirGap => "when it was stirred",
            Self::Room => "the room",
            Self::Humidity => "the room's humidity",
            Self::Chill => "the time in the fridge",
            Self::Thickness => "how thick it is",
            Self::Goods => "how warm the goods were",
            Self::ColourRest => "how long the colour rested",
            Self::ColourTest => "the test of the colour",
            Self::Mould => "how warm the mould was",
            Self::Polished => "whether the mould was polished",
            Self::Shrunk => "whether it had come away from the mould",
            Self::Water => "whether water or steam got to it",
            Self::Oil => "how much oil or soft fat is in it",
            Self::FatsMixed => "whether coating and couverture are mixed in it",
            Self::Stored => "how warm it was kept",
            Self::Nuts => "whether there are nuts in it",
            Self::ToppedLate => "when the toppings went on",
            Self::Strokes => "how often it was drawn through",
            Self::Knocked => "whether it was tapped or shaken",
            Self::Age => "how old it was",
        }
    }
}

worded! {
    /// What a fact is answered with.
    Asks {
        /// A temperature, °C.
        Temperature = "celsius",
        /// Seconds.
        Seconds = "seconds",
        /// Minutes.
        Minutes = "minutes",
        /// Hours.
        Hours = "hours",
        /// Days.
        Days = "days",
        /// A share, per cent.
        Percent = "percent",
        /// A length, mm.
        Millimetres = "millimetres",
        /// A number.
        Count = "count",
        /// What a temper test told.
        Tested = "tested",
        /// Yes or no.
        YesNo = "yes_no",
    }
}

impl Fact {
    /// How it is asked for.
    #[must_use]
    pub fn question(self) -> Message {
        match self {
            Self::Max => say::ask_max(),
            Self::AboveLost => say::ask_above_lost(),
            Self::Poured => say::ask_poured(),
            Self::Test => say::ask_test(),
            Self::Seed => say::ask_seed(),
            Self::Worked => say::ask_worked(),
            Self::StirGap => say::ask_stir_gap(),
            Self::Room => say::ask_room(),
            Self::Humidity => say::ask_humidity(),
            Self::Chill => say::ask_chill(),
            Self::Thickness => say::ask_thickness(),
            Self::Goods => say::ask_goods(),
            Self::ColourRest => say::ask_colour_rest(),
            Self::ColourTest => say::ask_colour_test(),
            Self::Mould => say::ask_mould(),
            Self::Polished => say::ask_polished(),
            Self::Shrunk => say::ask_shrunk(),
            Self::Water => say::ask_water(),
            Self::Oil => say::ask_oil(),
            Self::FatsMixed => say::ask_fats_mixed(),
            Self::Stored => say::ask_stored(),
            Self::Nuts => say::ask_nuts(),
            Self::ToppedLate => say::ask_topped_late(),
            Self::Strokes => say::ask_strokes(),
            Self::Knocked => say::ask_knocked(),
            Self::Age => say::ask_age(),
        }
    }

    /// What it is answered with.
    #[must_use]
    pub const fn asks(self) -> Asks {
        match self {
            Self::Max | Self::Poured | Self::Room | Self::Goods | Self::Mould | Self::Stored => {
                Asks::Temperature
            }
            Self::AboveLost | Self::StirGap => Asks::Seconds,
            Self::Test | Self::ColourTest => Asks::Tested,
            Self::Seed | Self::Humidity | Self::Oil => Asks::Percent,
            Self::Worked | Self::Chill | Self::ToppedLate => Asks::Minutes,
            Self::Thickness => Asks::Millimetres,
            Self::ColourRest => Asks::Hours,
            Self::Polished
            | Self::Shrunk
            | Self::Water
            | Self::FatsMixed
            | Self::Nuts
            | Self::Knocked => Asks::YesNo,
            Self::Strokes => Asks::Count,
            Self::Age => Asks::Days,
        }
    }
}
