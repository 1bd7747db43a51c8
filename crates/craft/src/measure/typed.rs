//! A measure as people type it: "10 1/2 in", "10,5 cm", "¼ in".

use super::Unit;
use crate::catalogue::measure as say;
use crate::message::{Message, spoken};

/// A measure that was typed.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Typed {
    /// How many.
    pub value: f64,
    /// Of what; `None` where it was left out.
    pub unit: Option<Unit>,
}

/// Why a text is no measure.
#[derive(Clone, Debug, PartialEq, Eq)]
pub enum TypedError {
    /// There is nothing in it.
    Empty,
    /// Something in it is no number.
    NoNumber(String),
    /// What follows the number is no unit.
    NoUnit(String),
}

impl TypedError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::Empty => say::empty(),
            Self::NoNumber(text) => say::no_number(text),
            Self::NoUnit(unit) => say::no_unit(unit),
        }
    }
}

spoken!(TypedError);

const FRACTIONS: [(char, f64); 9] = [
    ('½', 1.0 / 2.0),
    ('¼', 1.0 / 4.0),
    ('¾', 3.0 / 4.0),
    ('⅓', 1.0 / 3.0),
    ('⅔', 2.0 / 3.0),
    ('⅛', 1.0 / 8.0),
    ('⅜', 3.0 / 8.0),
    ('⅝', 5.0 / 8.0),
    ('⅞', 7.0 / 8.0),
];

/// Reads a measure. Decimals may have a point or a comma; fractions stand alone or
/// after a whole number; the unit may be left out.
///
/// ```
/// use craft::measure::{Unit, read};
///
/// let typed = read("10 1/2 in")?;
/// assert_eq!((typed.value, typed.unit), (10.5, Some(Unit::Inch)));
/// assert_eq!(read("10,5 cm")?.value, 10.5);
/// assert_eq!(read("¼in")?.value, 0.25);
/// # Ok::<(), craft::measure::TypedError>(())
/// ```
///
/// # Errors
/// Where there is no number, or what follows it is no unit.
pub fn read(text: &str) -> Result<Typed, TypedError> {
    let text = text.trim();
    if text.is_empty() {
        return Err(TypedError::Empty);
    }
    let number_ends = text.find(|c: char| !is_of_number(c)).unwrap_or(text.len());
    let (number, unit) = text.split_at(number_ends);
    let unit = unit.trim();
    let unit = match unit {
        "" => None,
        unit => Some(unit_of(unit).ok_or_else(|| TypedError::NoUnit(unit.to_owned()))?),
    };
    let no_number =
        || TypedError::NoNumber(if number.is_empty() { text } else { number }.trim().to_owned());
    let value = number_of(number).ok_or_else(no_number)?;
    Ok(Typed { value, unit })
}

fn is_of_number(c: char) -> bool {
    c.is_ascii_digit()
        || matches!(c, '.' | ',' | '/' | '-' | '+' | ' ' | '\u{a0}')
        || fraction_of(c).is_some()
}

fn fraction_of(c: char) -> Option<f64> {
    FRACTIONS.iter().find(|(sign, _)| *sign == c).map(|(_, value)| *value)
}

/// One whole or decimal number, one fraction, or one after the other.
fn number_of(text: &str) -> Option<f64> {
    let text = text.trim();
    let (negative, text) = match text.strip_prefix('-') {
        Some(rest) => (true, rest.trim_start()),
        None => (false, text.strip_prefix('+').unwrap_or(text).trim_start()),
    };
    // A fraction sign may stand right after its number: 10½.
    let spaced: String = text
        .chars()
        .flat_map(|c| if fraction_of(c).is_some() { vec![' ', c] } else { vec![c] })
        .collect();
    let parts: Vec<&str> = spaced.split_whitespace().collect();
    let value = match parts[..] {
        [one] => decimal(one).or_else(|| fraction(one))?,
        [whole, part] if whole.chars().all(|c| c.is_ascii_digit()) => {
            decimal(whole)? + fraction(part)?
        }
        _ => return None,
    };
    Some(if negative { -value } else { value })
}

fn decimal(text: &str) -> Option<f64> {
    let plain = text.chars().all(|c| c.is_ascii_digit() || matches!(c, '.' | ','));
    let value: f64 = text.replace(',', ".").parse().ok()?;
    (plain && value.is_finite()).then_some(value)
}

fn fraction(text: &str) -> Option<f64> {
    let mut signs = text.chars();
    if let (Some(sign), None) = (signs.next(), signs.next()) {
        return fraction_of(sign);
    }
    let (above, below) = text.split_once('/')?;
    let (above, below): (u32, u32) = (above.parse().ok()?, below.parse().ok()?);
    (below != 0).then(|| f64::from(above) / f64::from(below))
}

fn unit_of(word: &str) -> Option<Unit> {
    let word = word.to_lowercase();
    Some(match word.trim_end_matches('.') {
        "°c" | "c" | "degc" => Unit::Celsius,
        "°f" | "f" | "degf" => Unit::Fahrenheit,
        "g" | "gram" | "grams" => Unit::Gram,
        "kg" | "kilo" | "kilos" => Unit::Kilogram,
        "oz" | "ounce" | "ounces" => Unit::Ounce,
        "lb" | "lbs" | "pound" | "pounds" => Unit::Pound,
        "mm" => Unit::Millimetre,
        "cm" => Unit::Centimetre,
        "in" | "inch" | "inches" | "\"" | "″" => Unit::Inch,
        "ml" => Unit::Millilitre,
        "cup" | "cups" => Unit::Cup,
        "tbsp" | "tablespoon" | "tablespoons" => Unit::Tablespoon,
        "tsp" | "teaspoon" | "teaspoons" => Unit::Teaspoon,
        _ => return None,
    })
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_people_type_is_understood() {
        for (text, value, unit) in [
            ("10 1/2 in", 10.5, Some(Unit::Inch)),
            ("10½\"", 10.5, Some(Unit::Inch)),
            ("¼ in", 0.25, Some(Unit::Inch)),
            ("3/4 cup", 0.75, Some(Unit::Cup)),
            ("10,5 cm", 10.5, Some(Unit::Centimetre)),
            ("10.5cm", 10.5, Some(Unit::Centimetre)),
            ("  380 g ", 380.0, Some(Unit::Gram)),
            ("1 ⅓ cups", 4.0 / 3.0, Some(Unit::Cup)),
            ("2 Tbsp.", 2.0, Some(Unit::Tablespoon)),
            ("-18 °C", -18.0, Some(Unit::Celsius)),
            ("88 F", 88.0, Some(Unit::Fahrenheit)),
            ("12", 12.0, None),
        ] {
            let typed = read(text).unwrap_or_else(|error| panic!("{text}: {error}"));
            assert!((typed.value - value).abs() < 1e-12, "{text}: {typed:?}");
            assert_eq!(typed.unit, unit, "{text}");
        }
    }

    #[test]
    fn nonsense_is_named() {
        assert_eq!(read("  "), Err(TypedError::Empty));
        for text in ["about ten cm", "1/0 in", "10 1/2 1/2 in", "1.5 1/2 in", "--3 g", "1.2.3 g"] {
            let error = read(text).expect_err(text);
            assert!(
                matches!(error, TypedError::NoNumber(_)) || text.starts_with("about"),
                "{error}"
            );
        }
        assert_eq!(read("3 furlongs"), Err(TypedError::NoUnit("furlongs".to_owned())));
        assert_eq!(
            read("3 furlongs").expect_err("no unit").to_string(),
            "has a unit that is not known here: “furlongs”"
        );
    }
}
