//! What the core says, as data.
//!
//! A [`Message`] names one wording of the [catalogue](crate::catalogue) and carries what
//! stands in it: every number with its unit, and whether it is a temperature or a difference
//! of temperatures. It is worded in °C and grams here; who shows other units fills the same
//! wording with the same parameters, and nobody reads numbers out of sentences.

mod kinds;
mod param;
mod quantity;
mod wording;

pub use kinds::{
    Between, Centimetres, Count, DegreesRange, FineGrams, FineMillilitres, FinePercent, Given,
    Grams, Kilograms, List, MeasuredMm, Metres, Millilitres, Minutes, MinutesRange, MinutesUp, Mm,
    MmRange, Nested, Number, Percent, PercentRange, Reading, Seconds, SquareCentimetres,
    StatedArea, StatedDegrees, StatedGrams, StatedMinutes, StatedMm, StatedPercent, StatedTemp,
    StatedTempRange, Temp, TempRange, Tenths, ToWeigh, Until, WholeMinutes, WholeMm, WholeTemp,
    Words, list, names,
};
pub use param::Param;
pub use quantity::Quantity;
pub use wording::{Wording, flaws};

use std::borrow::Cow;
use std::collections::BTreeMap;
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
    /// In words, in °C and grams.
    #[cfg_attr(feature = "schema", schema(value_type = String))]
    pub text: Cow<'static, str>,
    /// How it is worded, with `{name}` where the parameter of that name stands; left out
    /// where nothing does.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>))]
    pub template: Option<Cow<'static, str>>,
    /// What stands in it, by name.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    #[cfg_attr(feature = "schema", schema(value_type = BTreeMap<String, Param>))]
    pub params: BTreeMap<Cow<'static, str>, Param>,
}

impl Message {
    /// A message of the catalogue.
    #[doc(hidden)]
    #[must_use]
    pub fn new<const N: usize>(
        code: &'static str,
        template: &'static str,
        params: [(&'static str, Param); N],
    ) -> Self {
        if N == 0 {
            return Self {
                code: code.into(),
                text: template.into(),
                template: None,
                params: BTreeMap::new(),
            };
        }
        let params: BTreeMap<Cow<'static, str>, Param> =
            params.into_iter().map(|(name, param)| (name.into(), param)).collect();
        Self {
            code: code.into(),
            text: filled(template, &params).into(),
            template: Some(template.into()),
            params,
        }
    }
}

impl fmt::Display for Message {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        f.write_str(&self.text)
    }
}

/// A wording with each `{name}` replaced by that parameter; a name that is not there stays
/// as it is.
fn filled(template: &str, params: &BTreeMap<Cow<'static, str>, Param>) -> String {
    use fmt::Write as _;
    let mut text = String::with_capacity(template.len() + 16);
    let mut rest = template;
    while let Some((before, after)) = rest.split_once('{') {
        text.push_str(before);
        let Some((name, after)) = after.split_once('}') else {
            text.push('{');
            rest = after;
            continue;
        };
        match params.get(name) {
            // Writing to a String cannot fail.
            Some(param) => _ = write!(text, "{param}"),
            None => _ = write!(text, "{{{name}}}"),
        }
        rest = after;
    }
    text.push_str(rest);
    text
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
        assert_eq!(told().text, "31.3 °C now, 100 g of the {new} bag left, 1.5 °C off.");
        let plain = Message::new("test.plain", "Stir.", []);
        assert_eq!((plain.text.as_ref(), plain.template), ("Stir.", None));
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

    #[test]
    fn a_wording_with_a_stray_brace_is_shown_as_it_is() {
        let params = BTreeMap::from([("a".into(), Param::from(Words::from("A")))]);
        assert_eq!(filled("{a} {b} {", &params), "A {b} {");
    }
}
