//! What the core says, as data.
//!
//! A [`Message`] names one wording of the [catalogue](crate::catalogue) and carries what
//! stands in it: every number with its unit, and whether it is a temperature or a difference
//! of temperatures. It is worded in °C and grams here; who shows other units fills the same
//! wording with the same parameters, and nobody reads numbers out of sentences.

mod kinds;
mod param;
mod quantity;
mod said;
mod wording;

pub use kinds::{
    Between, Centimetres, Count, Degrees, DegreesRange, FineGrams, FineMillilitres, FinePercent,
    Given, Grams, Kilograms, List, MeasuredMm, Metres, Millilitres, Minutes, MinutesRange,
    MinutesUp, Mm, MmRange, Nested, Number, Percent, PercentRange, Reading, Seconds,
    SquareCentimetres, StatedArea, StatedDegrees, StatedGrams, StatedMinutes, StatedMm,
    StatedPercent, StatedTemp, StatedTempRange, Temp, TempRange, Tenths, ToWeigh, Until,
    WholeMinutes, WholeMm, WholeTemp, Words, list, names,
};
pub use param::Param;
pub use quantity::Quantity;
pub use said::Said;
pub use wording::{Wording, flaws};

use std::borrow::Cow;
use std::fmt;

use serde::{Deserialize, Serialize};

/// What an error says is its message.
macro_rules! spoken {
    ($error:ty) => {
        impl std::fmt::Display for $error {
            fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
                self.message().fmt(f)
            }
        }

        impl std::error::Error for $error {}
    };
}

pub(crate) use spoken;

/// A sentence, or a part of one: which of the catalogue it is, and what stands in it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Message {
    /// Which one of the catalogue it is. A stable name for programs.
    #[cfg_attr(feature = "schema", schema(value_type = String))]
    pub code: Cow<'static, str>,
    /// What is said.
    #[serde(flatten)]
    pub said: Said,
}

impl Message {
    /// A message of the catalogue.
    #[doc(hidden)]
    #[must_use]
    pub fn new<const N: usize>(
        code: &'static str,
        wording: &'static str,
        params: [(&'static str, Param); N],
    ) -> Self {
        Self { code: code.into(), said: Said::new(wording, params) }
    }

    /// In words, in °C and grams.
    #[must_use]
    pub fn text(&self) -> Cow<'_, str> {
        self.said.text()
    }
}

impl fmt::Display for Message {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        self.said.fmt(f)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::{celsius, degrees, grams};

    fn told() -> Message {
        Message::new(
            "test.told",
            "{now} now, {much} of {what} left, {off} off.",
            [
                ("now", Temp::from(celsius(31.26)).into()),
                ("much", Grams::from(grams(99.6)).into()),
                ("what", Words::from("the {new} bag").into()),
                ("off", StatedDegrees::from(degrees(1.5)).into()),
            ],
        )
    }

    #[test]
    fn a_message_is_worded_in_degrees_celsius_and_grams() {
        assert_eq!(told().text(), "31.3 °C now, 100 g of the {new} bag left, 1.5 °C off.");
        let plain = Message::new("test.plain", "Stir.", []);
        assert_eq!((plain.text().as_ref(), plain.said.template()), ("Stir.", None));
    }

    #[test]
    fn what_is_sent_tells_a_temperature_from_a_difference_and_reads_back() {
        let sent = serde_json::to_value(told()).expect("is JSON");
        assert_eq!(sent["params"]["now"]["kind"], "temperature");
        assert_eq!(sent["params"]["off"]["kind"], "difference");
        assert_eq!(sent["params"]["much"]["kind"], "mass");
        assert_eq!(sent["params"]["what"]["kind"], "words");
        assert_eq!(serde_json::from_value::<Message>(sent).expect("reads back"), told());
    }
}
