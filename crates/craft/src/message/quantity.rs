//! A number with its unit.

use std::borrow::Cow;
use std::fmt;

use serde::{Deserialize, Serialize};

/// A number, or a range of numbers, with its unit and as many decimals as make sense.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Quantity {
    /// The number, or the lower end of the range.
    pub value: f64,
    /// The upper end of a range.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub to: Option<f64>,
    /// The unit, as it is written; empty where it has none.
    #[serde(default)]
    #[cfg_attr(feature = "schema", schema(value_type = String))]
    pub unit: Cow<'static, str>,
    /// How many decimals it is shown with; as many as it was stated with where left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub decimals: Option<u8>,
}

impl Quantity {
    pub(super) fn new(value: f64, unit: &'static str, decimals: Option<u8>) -> Self {
        Self { value: tidied(value), to: None, unit: unit.into(), decimals }
    }

    pub(super) fn up_to(self, to: f64) -> Self {
        Self { to: Some(tidied(to)), ..self }
    }

    fn number(&self, value: f64, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self.decimals {
            Some(decimals) => {
                // Half a step goes up, as the interface rounds it.
                let steps = 10_f64.powi(i32::from(decimals));
                let rounded = (value * steps + value.signum() * 1e-9).round() / steps;
                write!(f, "{rounded:.*}", usize::from(decimals))
            }
            None => write!(f, "{value}"),
        }
    }
}

impl fmt::Display for Quantity {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        self.number(self.value, f)?;
        if let Some(to) = self.to {
            f.write_str(" to ")?;
            self.number(to, f)?;
        }
        if self.unit.is_empty() { Ok(()) } else { write!(f, " {}", self.unit) }
    }
}

/// A number without what units add behind the last decimal that anybody states.
fn tidied(value: f64) -> f64 {
    const STATED_TO: f64 = 1e6;
    // What is smaller was stated to more decimals; what is larger has none to tidy.
    const TIDIED: std::ops::Range<f64> = 1e-3..1e9;
    if TIDIED.contains(&value.abs()) { (value * STATED_TO).round() / STATED_TO } else { value }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::{in_millimetres, millimetres};

    #[test]
    fn numbers_show_as_they_were_stated_or_with_their_decimals() {
        let stated = |value: f64| Quantity::new(value, "mm", None).to_string();
        assert_eq!(stated(in_millimetres(millimetres(15.1))), "15.1 mm");
        assert_eq!(stated(0.000_001), "0.000001 mm");
        assert_eq!(stated(20_000.0), "20000 mm");
        assert_eq!(Quantity::new(f64::MAX, "", None).value, f64::MAX);
        assert_eq!(Quantity::new(0.1, "", None).up_to(5.0).to_string(), "0.1 to 5");
        assert_eq!(Quantity::new(45.04, "°C", Some(1)).up_to(50.0).to_string(), "45.0 to 50.0 °C");
    }
}
