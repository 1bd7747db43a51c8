//! The whole bench, as one pair of hands needs it.

use craft::bowl::{Finish, Heat, Phase, Record, finish, fold, look_ahead};
use craft::chocolate::Family;
use craft::coach::hands::{Call, Need, Turn, queue};
use craft::coach::{Advice, advise};
use craft::time::WallTime;
use craft::units::in_degrees;
use serde::Serialize;
use utoipa::ToSchema;
use uuid::Uuid;

use super::advice::AdviceAnswer;
use super::bowl::{BottleAnswer, LatestAnswer, Subject};
use super::{band, celsius, round};
use crate::clock::ClockAnswer;

/// A bowl at the bench and what it is for.
#[derive(Clone, Debug)]
pub struct Seat {
    /// Its batch.
    pub batch_id: Uuid,
    /// Its batch's name.
    pub batch_name: String,
    /// The bowl.
    pub subject: Subject,
}

/// Whether a bowl needs hands.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum NeedsAnswer {
    /// Now.
    Now,
    /// At `needs_at`.
    Later,
    /// Not that can be told.
    Never,
}

/// A bowl at the bench, in short.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct BenchBowlAnswer {
    /// Its id.
    pub id: Uuid,
    /// Its batch.
    pub batch_id: Uuid,
    /// Its batch's name.
    pub batch_name: String,
    /// Its chocolate.
    pub family: Family,
    /// Where it is a colour.
    pub bottle: Option<BottleAnswer>,
    /// Its time.
    pub clock: ClockAnswer,
    /// Where it stands.
    pub phase: Phase,
    /// Whether its method asks for a temper test.
    pub tested: bool,
    /// Whether it is on the heat until taken off.
    pub on_heat: bool,
    /// The finish of the chocolate.
    pub finish: Finish,
    /// The latest trusted reading.
    pub latest: Option<LatestAnswer>,
    /// How fast it moves.
    pub trend_c_per_min: Option<f64>,
    /// The band to use it in.
    #[schema(min_items = 2, max_items = 2)]
    pub use_c: [f64; 2],
    /// What to do next.
    pub advice: AdviceAnswer,
    /// Whether it needs hands.
    pub needs: NeedsAnswer,
    /// When it will, in real time.
    pub needs_at: Option<WallTime>,
    /// What comes first where two need hands in the same minute: its batch, and which of
    /// its bowls where several are at the bench.
    pub after: Option<String>,
}

/// Every open bowl, the one that needs hands first on top.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct BenchAnswer {
    /// Wall time when this was answered.
    pub now: WallTime,
    /// The bowls, in order.
    pub bowls: Vec<BenchBowlAnswer>,
}

/// A bowl at the bench, as it stands at a moment.
pub struct Seen<'a> {
    seat: &'a Seat,
    clock: ClockAnswer,
    advice: Advice,
    bowl: craft::bowl::Bowl,
    trend: Option<f64>,
}

impl Seat {
    /// The bowl as it stands at a time of its own.
    #[must_use]
    pub fn seen(&self, record: &Record, clock: ClockAnswer) -> Seen<'_> {
        let setup = &self.subject.run.setup;
        let bowl = fold(setup, record, clock.now);
        let ahead = look_ahead(setup, record, &bowl);
        let advice = advise(&self.subject.run, &bowl, &ahead, clock.now);
        Seen { seat: self, clock, advice, bowl, trend: ahead.trend.map(in_degrees) }
    }
}

impl BenchAnswer {
    /// The bench at a time by the wall.
    #[must_use]
    pub fn of(mut seen: Vec<Seen<'_>>, real: WallTime) -> Self {
        // Equals keep the order in which they were opened.
        seen.sort_by_key(|s| (s.seat.subject.run.setup.opened, s.seat.subject.id));
        let calls: Vec<_> = seen
            .iter()
            .map(|s| Call { advice: &s.advice, now: s.clock.now, rate: s.clock.rate })
            .collect();
        let turns = queue(&calls, real.0);
        Self { now: real, bowls: turns.iter().map(|turn| answer(&seen, turn)).collect() }
    }
}

fn answer(seen: &[Seen<'_>], turn: &Turn) -> BenchBowlAnswer {
    let Seen { seat, clock, advice, bowl, trend } = &seen[turn.bowl];
    let setup = &seat.subject.run.setup;
    let (needs, needs_at) = match turn.need {
        Need::Now => (NeedsAnswer::Now, None),
        Need::At(at) => (NeedsAnswer::Later, Some(WallTime(at))),
        Need::Never => (NeedsAnswer::Never, None),
    };
    BenchBowlAnswer {
        id: seat.subject.id,
        batch_id: seat.batch_id,
        batch_name: seat.batch_name.clone(),
        family: setup.chocolate.family,
        bottle: seat.subject.bottle(bowl, clock.now),
        clock: clock.clone(),
        phase: bowl.phase,
        tested: setup.course.is_tested,
        on_heat: matches!(bowl.heating.heat, Heat::On { .. }),
        finish: finish(setup, bowl),
        latest: bowl.thermometer.latest.map(|l| LatestAnswer { temp_c: celsius(l.temp), at: l.at }),
        trend_c_per_min: trend.map(|t| round(t, 2)),
        use_c: band(setup.use_band()),
        advice: advice.clone().into(),
        needs,
        needs_at,
        after: turn.after.map(|before| called(seen, before)),
    }
}

/// What a bowl is called among the others.
fn called(seen: &[Seen<'_>], at: usize) -> String {
    let seat = seen[at].seat;
    let of_batch = seen.iter().filter(|other| other.seat.batch_id == seat.batch_id).count();
    if of_batch == 1 {
        return seat.batch_name.clone();
    }
    format!("the {} of {}", seat.subject.chocolate, seat.batch_name)
}
