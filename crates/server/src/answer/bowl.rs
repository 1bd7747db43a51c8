//! A bowl, as the bench shows it.

use chrono::{DateTime, Utc};
use craft::bowl::temper_test::in_words;
use craft::bowl::trust::Doubt;
use craft::bowl::{
    Bowl, Finish, Forecast, Heat, Phase, Record, Seen, Setup, Standing, Temper, curve, finish,
    fold, look_ahead, shake_due,
};
use craft::coach::{advise, bursts_left};
use craft::message::Message;
use craft::method::{Method, Run};
use craft::units::in_degrees;
use serde::Serialize;
use store::bowls::BowlRow;
use utoipa::ToSchema;
use uuid::Uuid;

use super::action::ActionAnswer;
use super::advice::AdviceAnswer;
use super::figures::WindowsAnswer;
use super::{band, celsius, grams, round, seconds};
use crate::clock::ClockAnswer;
use crate::problem::Problem;

/// How many points of the curve are sent: twice what a wide screen can show.
const CURVE_POINTS: usize = 360;

/// The latest trusted reading.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct LatestAnswer {
    /// What it said.
    pub temp_c: f64,
    /// When.
    pub at: DateTime<Utc>,
}

impl LatestAnswer {
    fn of(standing: Standing) -> Self {
        Self { temp_c: celsius(standing.temp), at: standing.at }
    }
}

/// One planned addition of seed.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct AdditionAnswer {
    /// How much.
    pub planned_g: f64,
    /// Whether an addition was made in its place.
    pub done: bool,
}

/// A temper test.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct TestAnswer {
    /// When the smear was made.
    pub started_at: DateTime<Utc>,
    /// What was seen last.
    pub seen: Option<Seen>,
    /// How old the smear was then.
    pub age_s: Option<f64>,
    /// What that says.
    pub words: Option<Message>,
}

/// What is known of the temper.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum TemperAnswer {
    /// Nothing yet.
    Untested,
    /// A test showed it.
    Shown,
    /// A test did not show it.
    NotShown,
    /// It was there, and was warmed away.
    Gone,
}

/// A reading that was typed.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct TypedAnswer {
    /// Its id.
    pub id: Uuid,
    /// When it was read.
    pub at: DateTime<Utc>,
    /// What was typed, corrected by what the thermometer reads too little.
    pub temp_c: f64,
}

/// A point of the curve.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct PointAnswer {
    /// When.
    pub at: DateTime<Utc>,
    /// What the thermometer said.
    pub temp_c: f64,
    /// Why it is doubted, if it is.
    pub doubt: Option<Doubt>,
}

/// A point of the forecast.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct OutlookAnswer {
    /// When.
    pub at: DateTime<Utc>,
    /// Most likely.
    pub temp_c: f64,
    /// Lower end of the range.
    pub low_c: f64,
    /// Upper end of the range.
    pub high_c: f64,
}

/// A colour at the bench, as a bottle that stands there.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct BottleAnswer {
    /// What its batch calls it.
    pub name: String,
    /// How it looks, `#rrggbb`.
    pub looks: String,
    /// When it was last shaken or stirred, on its own clock.
    pub shaken_at: Option<DateTime<Utc>>,
    /// Whether it is to be shaken before it is used: its pigment has settled.
    pub shake_due: bool,
}

/// A bowl as it stands.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct BowlAnswer {
    /// Its id.
    pub id: Uuid,
    /// The batch it was opened for.
    pub batch_id: Uuid,
    /// Which of the batch's chocolates it is.
    pub chocolate: String,
    /// Where it is a colour.
    pub bottle: Option<BottleAnswer>,
    /// When it was taken to the bench.
    pub opened_at: DateTime<Utc>,
    /// Its time.
    pub clock: ClockAnswer,
    /// Where it stands.
    pub phase: Phase,
    /// Since when.
    pub phase_since: DateTime<Utc>,
    /// The finish of the chocolate.
    pub finish: Finish,
    /// The latest trusted reading.
    pub latest: Option<LatestAnswer>,
    /// The latest trusted reading of its edge, where a second thermometer stands there.
    pub edge: Option<LatestAnswer>,
    /// How fast it moves.
    pub trend_c_per_min: Option<f64>,
    /// How many readings are doubted.
    pub doubted: usize,
    /// When the running burst ends.
    pub burst_until: Option<DateTime<Utc>>,
    /// On the heat until taken off, since.
    pub on_heat_since: Option<DateTime<Utc>>,
    /// How it is tempered.
    pub method: Method,
    /// Whether its crystals are kept from the start: it is only warmed, not melted through.
    pub keeps_crystals: bool,
    /// Whether the method asks for a temper test before the pour.
    pub tested: bool,
    /// The bursts that are left of the melt, the next first; corrected by each
    /// reading.
    pub bursts_left_s: Vec<f64>,
    /// The planned additions of seed; none where no seed is planned.
    pub additions: Vec<AdditionAnswer>,
    /// Seed added so far.
    pub seeded_g: f64,
    /// Ready crystals that are planned, as the scale shows them.
    pub crystals_g: f64,
    /// Whether ready crystals went in.
    pub crystals_in: bool,
    /// How much lies on the stone now.
    pub on_stone_g: Option<f64>,
    /// The latest test.
    pub test: Option<TestAnswer>,
    /// What is known of the temper.
    pub temper: TemperAnswer,
    /// Hottest trusted reading.
    pub peak_c: Option<f64>,
    /// When it first passed the limit.
    pub over_limit_at: Option<DateTime<Utc>>,
    /// When it was poured.
    pub poured_at: Option<DateTime<Utc>>,
    /// How warm it was then.
    pub poured_c: Option<f64>,
    /// Why it was given up.
    pub gave_up: Option<String>,
    /// What to do next.
    pub advice: AdviceAnswer,
    /// The chocolate's windows.
    pub windows: WindowsAnswer,
    /// The band to use it in, as the method has it.
    #[schema(min_items = 2, max_items = 2)]
    pub use_c: [f64; 2],
    /// Where the cooling aims.
    pub target_c: f64,
    /// The room it was planned for.
    pub room_c: f64,
    /// Since when it stands in cool water.
    pub in_water_since: Option<DateTime<Utc>>,
    /// Since when it stands on a heating pad.
    pub on_pad_since: Option<DateTime<Utc>>,
    /// Whether there is a heating pad at hand.
    pub has_pad: bool,
    /// Whether it is warmed in bursts, by a microwave; else over water.
    pub by_microwave: bool,
    /// The latest reading that was typed and stands: it can be taken back.
    pub last_typed: Option<TypedAnswer>,
    /// What was added to each reading: what its thermometer reads too little.
    pub offset_c: f64,
    /// The record, thinned for drawing.
    pub curve: Vec<PointAnswer>,
    /// The forecast, from the latest reading on; empty where there is none.
    pub fan: Vec<OutlookAnswer>,
    /// The actions that stand, in order.
    pub actions: Vec<ActionAnswer>,
}

/// What a bowl's answer is made from.
#[derive(Clone, Debug)]
pub struct Subject {
    /// Its id.
    pub id: Uuid,
    /// The batch it was opened for.
    pub batch_id: Uuid,
    /// Which of the batch's chocolates it is.
    pub chocolate: String,
    /// What it set out to be, and how.
    pub run: Run,
    /// How it looks, `#rrggbb`, where it is a colour.
    pub colour: Option<String>,
}

impl Subject {
    /// Of a bowl that is kept.
    ///
    /// # Errors
    /// Where what it was opened with cannot be read, or is no longer accepted.
    pub fn of(bowl: &BowlRow) -> Result<Self, Problem> {
        let plan = craft::plan::bowl(bowl.inputs()?)?;
        Ok(Self {
            id: bowl.id,
            batch_id: bowl.batch_id,
            chocolate: bowl.chocolate.clone(),
            run: plan.run(bowl.opened_at),
            colour: plan.colour.map(|colour| colour.looks),
        })
    }

    /// The bowl as a bottle, where it is a colour.
    #[must_use]
    pub fn bottle(&self, bowl: &Bowl, now: DateTime<Utc>) -> Option<BottleAnswer> {
        self.colour.clone().map(|looks| BottleAnswer {
            name: self.chocolate.clone(),
            looks,
            shaken_at: bowl.last_stir,
            shake_due: shake_due(bowl, now),
        })
    }

    /// The bowl as it stands at a time on its own clock.
    #[must_use]
    pub fn at(&self, record: &Record, clock: ClockAnswer) -> BowlAnswer {
        let (setup, now) = (&self.run.setup, clock.now);
        let bowl = fold(setup, record, now);
        let ahead = look_ahead(setup, record, &bowl);
        let advice = advise(&self.run, &bowl, &ahead, now);
        BowlAnswer {
            id: self.id,
            batch_id: self.batch_id,
            chocolate: self.chocolate.clone(),
            bottle: self.bottle(&bowl, now),
            opened_at: setup.opened,
            phase: bowl.phase,
            phase_since: bowl.since,
            finish: finish(setup, &bowl),
            latest: bowl.thermometer.latest.map(LatestAnswer::of),
            edge: bowl.thermometer.edge.map(LatestAnswer::of),
            trend_c_per_min: ahead.trend.map(|t| round(in_degrees(t), 2)),
            doubted: bowl.thermometer.doubts.iter().flatten().count(),
            burst_until: match bowl.heating.heat {
                Heat::Burst { until } => Some(until),
                Heat::On { .. } | Heat::Off => None,
            },
            on_heat_since: match bowl.heating.heat {
                Heat::On { since } => Some(since),
                Heat::Burst { .. } | Heat::Off => None,
            },
            method: self.run.method,
            keeps_crystals: setup.course.keeps_crystals,
            tested: setup.course.is_tested,
            bursts_left_s: bursts_left(setup, &bowl, &ahead, &advice, now)
                .into_iter()
                .map(seconds)
                .collect(),
            additions: additions(setup, &bowl),
            seeded_g: grams(bowl.went_in.seeded),
            crystals_g: grams(setup.scale.shows(setup.crystals)),
            crystals_in: bowl.went_in.crystals_in.is_some(),
            on_stone_g: bowl.went_in.on_stone.map(|(_, mass)| grams(mass)),
            test: test(setup, &bowl),
            temper: match bowl.temper {
                Temper::Untested => TemperAnswer::Untested,
                Temper::Shown { .. } => TemperAnswer::Shown,
                Temper::NotShown { .. } => TemperAnswer::NotShown,
                Temper::Gone { .. } => TemperAnswer::Gone,
            },
            peak_c: bowl.thermometer.peak.map(celsius),
            over_limit_at: bowl.thermometer.over_limit,
            poured_at: bowl.poured.map(|(at, _)| at),
            poured_c: bowl.poured.and_then(|(_, temp)| temp).map(celsius),
            gave_up: bowl.gave_up.clone(),
            advice: advice.into(),
            windows: (&setup.chocolate).into(),
            use_c: band(setup.use_band()),
            target_c: celsius(setup.target),
            room_c: celsius(setup.room),
            in_water_since: bowl.heating.in_water,
            on_pad_since: bowl.heating.on_pad,
            has_pad: setup.gentle.pad,
            by_microwave: setup.microwave.is_some(),
            last_typed: record.last_typed().map(|reading| TypedAnswer {
                id: reading.id,
                at: reading.at,
                temp_c: celsius(reading.temp),
            }),
            offset_c: round(in_degrees(setup.offset), 2),
            curve: curve(record, &bowl, CURVE_POINTS)
                .into_iter()
                .map(|p| PointAnswer { at: p.at, temp_c: celsius(p.temp), doubt: p.doubt })
                .collect(),
            fan: ahead.forecast.as_ref().map(fan).unwrap_or_default(),
            actions: record.actions().map(Into::into).collect(),
            clock,
        }
    }
}

fn additions(setup: &Setup, bowl: &Bowl) -> Vec<AdditionAnswer> {
    if grams(setup.seed) <= 0.0 {
        return Vec::new();
    }
    setup
        .additions()
        .into_iter()
        .enumerate()
        .map(|(i, mass)| AdditionAnswer {
            planned_g: grams(mass),
            done: i < bowl.went_in.additions,
        })
        .collect()
}

fn test(setup: &Setup, bowl: &Bowl) -> Option<TestAnswer> {
    let run = bowl.test?;
    Some(TestAnswer {
        started_at: run.started,
        seen: run.look.map(|(look, _)| look.seen),
        age_s: run.look.map(|(look, _)| seconds(look.age)),
        words: run.look.map(|(look, verdict)| in_words(setup.chocolate.family, verdict, &look)),
    })
}

fn fan(forecast: &Forecast) -> Vec<OutlookAnswer> {
    forecast
        .fan()
        .into_iter()
        .map(|o| {
            #[allow(clippy::cast_possible_truncation)] // twenty minutes
            let after = chrono::TimeDelta::milliseconds((seconds(o.after) * 1000.0) as i64);
            OutlookAnswer {
                at: forecast.from + after,
                temp_c: celsius(o.typical),
                low_c: celsius(o.low),
                high_c: celsius(o.high),
            }
        })
        .collect()
}
