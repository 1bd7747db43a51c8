//! The tasks that build a component, and the times they have.

use crate::fridge::{BoxedStay, Stay};
use crate::message::Message;
use crate::setting::{Moment, SPREAD, Setting};
use crate::units::{Time, minutes, seconds};

/// Which of the times after a pour is meant.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum Timing {
    /// Toppings stick until then.
    ToppingUntil,
    /// Touch dry.
    TouchDry,
    /// It cuts clean from then.
    CutFrom,
    /// It cuts clean until then.
    CutTo,
    /// It bends until then.
    FlexibleUntil,
    /// A second layer grips until then.
    SecondLayerUntil,
    /// It lets go.
    Release,
    /// Long enough in the fridge.
    FridgeAdvised,
    /// Dew forms on it if it stays longer in the fridge.
    FridgeLongest,
    /// Long enough in the fridge, in a closed box.
    BoxedAdvised,
    /// That box is as warm as the room.
    LeftClosed,
    /// A fixed time, s, that no setting changes; give or take.
    After(f64),
    /// A rest of so many hours, to the minute: no range is said.
    Hours(f64),
}

/// When something opens or closes, counted from an earlier task.
#[derive(Clone, Debug, PartialEq)]
pub struct Due {
    /// How long after.
    pub moment: Moment,
    /// Whether a slower or faster setting shifts it.
    pub sets: bool,
    /// What happens then.
    pub what: Message,
}

/// A task as a kind of work lays it down, before the times are known.
#[derive(Clone, Debug, PartialEq)]
pub struct TaskDraft {
    /// Its own key within the component.
    pub key: String,
    /// What to do.
    pub text: Message,
    /// How, in a sentence.
    pub detail: Message,
    /// How long the hands are at it (*custom*).
    pub takes: Time,
    /// The chocolate that must be ready for it, by key.
    pub chocolate: Option<String>,
    /// Times count from when this task was done.
    pub since: Option<String>,
    /// Which layer's setting counts.
    pub layer: usize,
    /// Not before.
    pub from: Option<(Timing, Message)>,
    /// Not after.
    pub until: Option<(Timing, Message)>,
    /// What is to be done where it was missed; `None` where it has no end.
    pub missed: Option<Message>,
    /// Whether it is the finger's check that the surface is dry.
    pub is_touch: bool,
    /// What is to be minded while it is done.
    pub caution: Option<Message>,
}

impl TaskDraft {
    /// A task that waits for nothing but the one before.
    #[must_use]
    pub fn new(key: &str, text: Message, detail: Message, takes_s: f64) -> Self {
        Self {
            key: key.to_owned(),
            text,
            detail,
            takes: seconds(takes_s),
            chocolate: None,
            since: None,
            layer: 0,
            from: None,
            until: None,
            missed: None,
            is_touch: false,
            caution: None,
        }
    }

    /// What is to be minded while it is done.
    #[must_use]
    pub fn minding(mut self, caution: Message) -> Self {
        self.caution = Some(caution);
        self
    }

    /// It needs this chocolate.
    #[must_use]
    pub fn with(mut self, chocolate: &str) -> Self {
        self.chocolate = Some(chocolate.to_owned());
        self
    }

    /// Its times count from that task, by the setting of a layer.
    #[must_use]
    pub fn since(mut self, task: &str, layer: usize) -> Self {
        self.since = Some(task.to_owned());
        self.layer = layer;
        self
    }

    /// Not before.
    #[must_use]
    pub fn from(mut self, window: Timing, what: Message) -> Self {
        self.from = Some((window, what));
        self
    }

    /// Not after; and what then.
    #[must_use]
    pub fn until(mut self, window: Timing, what: Message, missed: Message) -> Self {
        self.until = Some((window, what));
        self.missed = Some(missed);
        self
    }

    /// It is the check that the surface is dry.
    #[must_use]
    pub fn touch(mut self) -> Self {
        self.is_touch = true;
        self
    }
}

/// A task with its times.
#[derive(Clone, Debug, PartialEq)]
pub struct Task {
    /// Its own key within the component.
    pub key: String,
    /// What to do.
    pub text: Message,
    /// How, in a sentence.
    pub detail: Message,
    /// How long the hands are at it.
    pub takes: Time,
    /// The chocolate that must be ready for it.
    pub chocolate: Option<String>,
    /// Times count from when this task was done.
    pub since: Option<String>,
    /// Not before.
    pub from: Option<Due>,
    /// Not after.
    pub until: Option<Due>,
    /// What is to be done where it was missed; `None` where it has no end.
    pub missed: Option<Message>,
    /// Whether it is the finger's check that the surface is dry.
    pub is_touch: bool,
    /// What is to be minded while it is done; `None` where nothing is.
    pub caution: Option<Message>,
}

/// The times of one layer.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(crate) struct LayerTimes {
    pub setting: Option<Setting>,
    pub fridge: Option<StayTimes>,
}

/// The times of a layer's stay in the fridge.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(crate) struct StayTimes {
    pub advised: Option<Time>,
    pub longest: Option<Time>,
    pub boxed: Option<BoxedStay>,
}

impl From<&Stay> for StayTimes {
    fn from(stay: &Stay) -> Self {
        Self { advised: stay.advised, longest: stay.longest, boxed: stay.boxed }
    }
}

impl LayerTimes {
    /// A time, and whether it depends on how fast it sets; `None` where it never
    /// comes.
    fn of(&self, window: Timing) -> Option<(Moment, bool)> {
        let fixed =
            |time: Time| Some((Moment { typical: time, earliest: time, latest: time }, false));
        let set = |moment: fn(&Setting) -> Moment| Some((moment(self.setting.as_ref()?), true));
        match window {
            Timing::ToppingUntil => set(|s| s.topping_until),
            Timing::TouchDry => set(|s| s.touch_dry),
            Timing::CutFrom => set(|s| s.cut_from),
            Timing::CutTo => set(|s| s.cut_to),
            Timing::FlexibleUntil => set(|s| s.flexible_until),
            Timing::SecondLayerUntil => set(|s| s.second_layer_until),
            Timing::Release => set(|s| s.release),
            Timing::FridgeAdvised => fixed(self.fridge?.advised?),
            Timing::FridgeLongest => fixed(self.fridge?.longest?),
            Timing::BoxedAdvised => fixed(self.fridge?.boxed?.advised),
            Timing::LeftClosed => fixed(self.fridge?.boxed?.left_closed),
            Timing::Hours(hours) => fixed(minutes(hours * 60.0)),
            Timing::After(s) => {
                let time = seconds(s);
                let moment = Moment {
                    typical: time,
                    earliest: time * (1.0 - SPREAD),
                    latest: time * (1.0 + SPREAD),
                };
                Some((moment, false))
            }
        }
    }
}

impl TaskDraft {
    /// The task with its times, by those of the component's layers.
    pub(crate) fn timed(self, layers: &[LayerTimes]) -> Task {
        let due = |window: Option<(Timing, Message)>| {
            let (window, what) = window?;
            let layer = layers.get(self.layer);
            let (moment, sets) = match (layer, window) {
                (Some(times), window) => times.of(window)?,
                // What has no layer, sugar among them, has fixed times alone.
                (None, Timing::After(_) | Timing::Hours(_)) => {
                    LayerTimes { setting: None, fridge: None }.of(window)?
                }
                (None, _) => return None,
            };
            Some(Due { moment, sets, what })
        };
        Task {
            from: due(self.from),
            until: due(self.until),
            key: self.key,
            text: self.text,
            detail: self.detail,
            takes: self.takes,
            chocolate: self.chocolate,
            since: self.since,
            missed: self.missed,
            is_touch: self.is_touch,
            caution: self.caution,
        }
    }
}
