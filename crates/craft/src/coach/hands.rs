//! One pair of hands and several bowls: which needs them first.

use chrono::{DateTime, TimeDelta, Utc};

use crate::phrases::{Advice, Rule};

/// Two calls this close together are one minute's work: which comes first has to
/// be said.
const SAME_MINUTE: TimeDelta = TimeDelta::seconds(60);

/// When a bowl needs hands, in real time.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Need {
    /// Now.
    Now,
    /// At a time.
    At(DateTime<Utc>),
    /// Not that can be told.
    Never,
}

/// A bowl's place in the queue for hands.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct Turn {
    /// Which bowl, by its place in what was asked.
    pub bowl: usize,
    /// When it needs hands.
    pub need: Need,
    /// Another bowl that comes first in the same minute.
    pub after: Option<usize>,
}

/// A bowl that asks for hands.
#[derive(Clone, Copy, Debug)]
pub struct Call<'a> {
    /// What its coach says.
    pub advice: &'a Advice,
    /// Its own time now.
    pub now: DateTime<Utc>,
    /// Its own seconds in one real second; at 0 it is held and needs nobody.
    pub rate: f64,
}

/// How soon spoilt: the lower, the sooner. What cannot be taken back comes first,
/// then what closes, then what can wait while it is stirred.
fn rank(rule: Rule) -> u8 {
    match rule {
        Rule::LimitPassed | Rule::LimitNear => 0,
        Rule::StopBeforeMelt | Rule::Melted => 1,
        Rule::LeavingBand | Rule::Thickening => 2,
        Rule::JudgeSmear | Rule::WorkOnStone | Rule::OutOfWater | Rule::OffPad => 3,
        Rule::Pour | Rule::UseNow | Rule::Rewarm | Rule::OverSeeded | Rule::AddCrystals => 4,
        Rule::TemperLost | Rule::NotInTemper | Rule::TooWarmToPour => 5,
        Rule::AddSeed
        | Rule::MoreSeed
        | Rule::PourOnStone
        | Rule::TestNow
        | Rule::WarmBack
        | Rule::WorkInColour
        | Rule::WarmColour
        | Rule::Strain => 6,
        Rule::StirAfterHeat | Rule::StirringMissing | Rule::Spread => 8,
        Rule::StirIn | Rule::StirDown | Rule::CoolToGate | Rule::Plateau => 9,
        Rule::ProbeTrouble
        | Rule::ReadThermometer
        | Rule::NotYetMelted
        | Rule::Warm
        | Rule::Soften => 10,
        Rule::Heating | Rule::WatchSmear => 11,
        Rule::Poured | Rule::GivenUp => 12,
    }
}

/// Whether nothing is to be done before the countdown ends.
fn only_waits(rule: Rule) -> bool {
    matches!(rule, Rule::Heating | Rule::WatchSmear | Rule::WorkOnStone)
}

impl Call<'_> {
    /// When it needs hands, in real time from `real`.
    fn need(&self, real: DateTime<Utc>) -> Need {
        if self.rate <= 0.0 || matches!(self.advice.rule, Rule::Poured | Rule::GivenUp) {
            return Need::Never;
        }
        if !only_waits(self.advice.rule) {
            return Need::Now;
        }
        let Some(countdown) = &self.advice.countdown else { return Need::Never };
        let left = (countdown.at - self.now).as_seconds_f64() / self.rate;
        if left <= 0.0 {
            return Need::Now;
        }
        #[allow(clippy::cast_possible_truncation)] // hours
        Need::At(real + TimeDelta::milliseconds((left * 1000.0) as i64))
    }
}

/// The bowls in the order in which they need hands, each with the one before it
/// where both call in the same minute.
#[must_use]
pub fn queue(calls: &[Call<'_>], real: DateTime<Utc>) -> Vec<Turn> {
    let mut turns: Vec<_> = calls
        .iter()
        .enumerate()
        .map(|(bowl, call)| Turn { bowl, need: call.need(real), after: None })
        .collect();
    let when = |need: Need| match need {
        Need::Now => Some(real),
        Need::At(at) => Some(at),
        Need::Never => None,
    };
    turns.sort_by_key(|turn| {
        let at = when(turn.need).unwrap_or(DateTime::<Utc>::MAX_UTC);
        // Within a minute it is what spoils sooner that decides.
        ((at - real).num_minutes(), rank(calls[turn.bowl].advice.rule), at)
    });
    for i in 1..turns.len() {
        let (before, this) = (when(turns[i - 1].need), when(turns[i].need));
        if let (Some(before), Some(this)) = (before, this)
            && (this - before).abs() < SAME_MINUTE
        {
            turns[i].after = Some(turns[i - 1].bowl);
        }
    }
    turns
}
