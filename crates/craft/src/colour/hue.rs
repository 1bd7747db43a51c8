//! What a colour is called in a search: a few words that everybody means the same by.

use palette::{Hsl, IntoColor, Srgb};

use crate::words::worded;

worded! {
    /// A colour, in a word.
    Hue {
        /// White and cream.
        White = "white",
        /// Grey and black.
        Black = "black",
        /// Brown.
        Brown = "brown",
        /// Red.
        Red = "red",
        /// Pink.
        Pink = "pink",
        /// Orange.
        Orange = "orange",
        /// Yellow and gold.
        Yellow = "yellow",
        /// Green.
        Green = "green",
        /// Blue.
        Blue = "blue",
        /// Violet.
        Violet = "violet",
    }
}

impl Hue {
    /// What `#rrggbb` is called; `None` where that is no colour.
    #[must_use]
    pub fn of(srgb: &str) -> Option<Self> {
        let colour: Srgb<u8> = srgb.parse().ok()?;
        let hsl: Hsl = colour.into_format::<f32>().into_color();
        let (hue, light, strong) = (hsl.hue.into_positive_degrees(), hsl.lightness, hsl.saturation);
        Some(match hue {
            _ if light > 0.88 => Self::White,
            _ if light < 0.1 || strong < 0.1 => Self::Black,
            h if (15.0..55.0).contains(&h) && light < 0.42 => Self::Brown,
            h if !(15.0..330.0).contains(&h) && light > 0.66 => Self::Pink,
            h if !(15.0..345.0).contains(&h) => Self::Red,
            h if h < 40.0 => Self::Orange,
            h if h < 70.0 => Self::Yellow,
            h if h < 165.0 => Self::Green,
            h if h < 250.0 => Self::Blue,
            h if h < 300.0 => Self::Violet,
            _ => Self::Pink,
        })
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn colours_are_called_as_people_call_them() {
        for (srgb, hue) in [
            ("#ffffff", Hue::White),
            ("#101010", Hue::Black),
            ("#2c1a12", Hue::Brown),
            ("#c81e1e", Hue::Red),
            ("#f2a7bd", Hue::Pink),
            ("#e8801a", Hue::Orange),
            ("#d9b344", Hue::Yellow),
            ("#3f8f4a", Hue::Green),
            ("#2f5fb3", Hue::Blue),
            ("#6a3fb0", Hue::Violet),
        ] {
            assert_eq!(Hue::of(srgb), Some(hue), "{srgb}");
        }
        assert_eq!(Hue::of("moon"), None);
    }
}
