//! What the coach says.

use chrono::{DateTime, Utc};
use craft::bowl::Entry;
use craft::coach::{Advice, Alarm, Countdown, Grounds, Rule};
use craft::message::Message;
use craft::note::Level;
use serde::Serialize;
use utoipa::ToSchema;

/// A time to count down to.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct CountdownAnswer {
    /// What happens then.
    pub what: Message,
    /// When it most likely is.
    pub at: DateTime<Utc>,
    /// Not likely before; the same as `at` where it is exact.
    pub earliest: DateTime<Utc>,
    /// Not likely after; `null` where it may never be.
    pub latest: Option<DateTime<Utc>>,
}

impl From<Countdown> for CountdownAnswer {
    fn from(c: Countdown) -> Self {
        Self { what: c.what, at: c.at, earliest: c.earliest, latest: c.latest }
    }
}

/// What the coach says.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct AdviceAnswer {
    /// The rule that spoke.
    pub rule: Rule,
    /// How much it matters.
    pub level: Level,
    /// The instruction.
    pub say: Message,
    /// The reason.
    pub why: Message,
    /// What a second thermometer at the edge adds to it.
    pub hint: Option<Message>,
    /// How sure it is: what it rests on.
    pub grounds: Grounds,
    /// The one time that matters now.
    pub countdown: Option<CountdownAnswer>,
    /// Whether to be heard.
    pub alarm: Option<Alarm>,
    /// What is entered once it is done; `null` where it is to wait, to read or to look.
    pub asks: Option<Entry>,
}

impl From<Advice> for AdviceAnswer {
    fn from(a: Advice) -> Self {
        Self {
            rule: a.rule,
            level: a.level,
            say: a.say,
            why: a.why,
            hint: a.hint,
            grounds: a.grounds,
            countdown: a.countdown.map(Into::into),
            alarm: a.alarm,
            asks: a.asks.as_ref().map(Entry::from),
        }
    }
}
