//! How films of colour look over chocolate.
//!
//! Light that enters a film is partly absorbed (K) and partly scattered back (S);
//! what comes through is thrown back by what lies behind, and crosses the film
//! again. The two-flux model (Kubelka & Munk 1931; docs/craft.md, section 5) gives
//! the reflectance of a film over a ground, for each channel of linear RGB.

use std::str::FromStr;

use palette::{LinSrgb, Srgb};

use crate::units::{Length, in_millimetres};

/// Reflectance, or any other number, of the red, green and blue channel.
pub type Rgb = [f64; 3];

/// So little absorption that the film only scatters.
const CLEAR: f64 = 1e-9;

/// Optics are stated for a film so thick, mm.
const OPTICS_MM: f64 = 0.1;
/// A film through which nothing shows, in units of that thickness.
const THICK: f64 = 20.0;

/// What a film of thickness one does to light.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Optics {
    /// Absorption, for each channel; above zero.
    pub k: Rgb,
    /// Scattering, for each channel; above zero.
    pub s: Rgb,
}

/// What a white takes up, at the most, of what it scatters (*custom*).
const WHITE_TAKES_UP: f64 = 0.03;

/// A film and its thickness, in units of the thickness its optics are for.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Film {
    /// What it does to light.
    pub optics: Optics,
    /// How thick it is.
    pub thickness: f64,
}

impl Optics {
    /// As much of everything, so many times.
    #[must_use]
    pub fn times(self, factor: f64) -> Self {
        Self { k: self.k.map(|k| k * factor), s: self.s.map(|s| s * factor) }
    }

    /// Both together: K and S add.
    #[must_use]
    pub fn and(self, other: Self) -> Self {
        let add = |a: Rgb, b: Rgb| std::array::from_fn(|i| a[i] + b[i]);
        Self { k: add(self.k, other.k), s: add(self.s, other.s) }
    }

    /// Some stirred together, each by its share, in any unit: K and S are their means.
    #[must_use]
    pub fn mixed(parts: impl IntoIterator<Item = (Self, f64)>) -> Self {
        let (all, shares) = parts
            .into_iter()
            .fold((Self { k: [0.0; 3], s: [0.0; 3] }, 0.0), |(all, shares), (optics, share)| {
                (all.and(optics.times(share)), shares + share)
            });
        all.times(1.0 / f64::max(shares, f64::MIN_POSITIVE))
    }

    /// How it looks by itself, so thick that nothing shows through, `#rrggbb`.
    #[must_use]
    pub fn by_itself(self) -> String {
        hex(stack([Ground::White.grey(); 3], &[Film::thick(self)]))
    }
}

impl Film {
    /// Whether it is a white: it scatters far more than it takes up, in every channel.
    #[must_use]
    pub fn is_white(&self) -> bool {
        self.optics.k.iter().zip(self.optics.s).all(|(k, s)| k / s < WHITE_TAKES_UP)
    }

    /// A film that lies so thick.
    #[must_use]
    pub fn lying(optics: Optics, thickness: Length) -> Self {
        Self { optics, thickness: in_millimetres(thickness) / OPTICS_MM }
    }

    /// A film through which nothing shows.
    #[must_use]
    pub const fn thick(optics: Optics) -> Self {
        Self { optics, thickness: THICK }
    }

    /// A brushed film of white that hides well.
    #[must_use]
    pub const fn white() -> Self {
        Self { optics: Optics { k: [0.01; 3], s: [4.0; 3] }, thickness: 1.0 }
    }

    /// The reflectance over a ground.
    #[must_use]
    pub fn over(&self, ground: Rgb) -> Rgb {
        let Optics { k, s } = self.optics;
        std::array::from_fn(|i| reflectance(k[i], s[i], self.thickness, ground[i]))
    }
}

/// R = (1 − R_g·(a − b·coth(b·S·X)))/(a − R_g + b·coth(b·S·X)), a = 1 + K/S,
/// b = √(a² − 1).
fn reflectance(k: f64, s: f64, x: f64, ground: f64) -> f64 {
    let a = 1.0 + k / s;
    let b = (a * a - 1.0).max(0.0).sqrt();
    // b·coth(bSX) goes to 1/(SX) as b goes to nothing.
    let b_coth = if b < CLEAR { 1.0 / (s * x) } else { b / (b * s * x).tanh() };
    (1.0 - ground * (a - b_coth)) / (a - ground + b_coth)
}

/// How films look over a ground, the one at the face first.
#[must_use]
pub fn stack(ground: Rgb, from_the_face: &[Film]) -> Rgb {
    from_the_face.iter().rev().fold(ground, |behind, film| film.over(behind))
}

/// The chocolate behind the films.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Ground {
    /// Dark.
    Dark,
    /// Milk.
    Milk,
    /// White.
    White,
    /// Ruby.
    Ruby,
    /// Caramelised white.
    Blond,
}

impl Ground {
    /// Its grey level (docs/craft.md, section 5; ruby and blond are *custom*).
    #[must_use]
    pub fn grey(self) -> f64 {
        match self {
            Self::Dark => 0.03,
            Self::Milk => 0.10,
            Self::White => 0.70,
            Self::Ruby => 0.28,
            Self::Blond => 0.38,
        }
    }

    /// Its reflectance with its own tint, of the same grey level on the average
    /// (*custom*).
    #[must_use]
    pub fn tinted(self) -> Rgb {
        let tint: Rgb = match self {
            Self::Dark => [1.52, 0.86, 0.62],
            Self::Milk => [1.60, 0.85, 0.55],
            Self::White => [1.12, 1.04, 0.84],
            Self::Ruby => [1.55, 0.72, 0.73],
            Self::Blond => [1.45, 0.97, 0.58],
        };
        tint.map(|t| t * self.grey())
    }
}

impl From<crate::chocolate::Family> for Ground {
    fn from(family: crate::chocolate::Family) -> Self {
        use crate::chocolate::Family;
        match family {
            Family::Dark | Family::Coating => Self::Dark,
            Family::Milk => Self::Milk,
            Family::White | Family::CocoaButter => Self::White,
            Family::Ruby => Self::Ruby,
            Family::Blond => Self::Blond,
        }
    }
}

/// A reflectance as a screen's colour, `#rrggbb`.
#[must_use]
pub fn hex(reflectance: Rgb) -> String {
    let [r, g, b] = reflectance.map(|c| c.clamp(0.0, 1.0));
    let colour: Srgb<u8> = Srgb::from_linear(LinSrgb::new(r, g, b));
    format!("#{colour:x}")
}

/// A screen's colour as a reflectance; `None` where it is no `#rrggbb`.
#[must_use]
pub fn linear(hex: &str) -> Option<Rgb> {
    let digits = hex.strip_prefix('#').filter(|digits| digits.len() == 6)?;
    let colour = Srgb::<u8>::from_str(digits).ok()?;
    Some(light([colour.red, colour.green, colour.blue]))
}

/// The light of a picture's dot, whose channels are a screen's.
#[must_use]
pub fn light([red, green, blue]: [u8; 3]) -> Rgb {
    let light = Srgb::new(red, green, blue).into_linear::<f64>();
    [light.red, light.green, light.blue]
}

#[cfg(test)]
mod tests {
    use super::*;

    fn grey(k: f64, s: f64) -> Film {
        Film { optics: Optics { k: [k; 3], s: [s; 3] }, thickness: 1.0 }
    }

    #[test]
    fn a_transparent_film_sinks_on_dark_and_white_behind_it_saves_it() {
        let red = grey(0.4, 0.3);
        let white = grey(0.01, 4.0);
        let dark = [Ground::Dark.grey(); 3];
        assert!((stack(dark, &[red])[0] - 0.1718).abs() < 5e-5);
        assert!((stack(dark, &[red, white])[0] - 0.4034).abs() < 5e-5);
        assert!((stack([0.7; 3], &[red])[0] - 0.371).abs() < 5e-5);
        // The other way round the white is all that is seen.
        assert!(stack(dark, &[white, red])[0] > 0.7);
    }

    #[test]
    fn no_film_and_thick_films_are_the_limits() {
        let thin = Film { thickness: 1e-9, ..grey(0.4, 0.3) };
        assert!((thin.over([0.5; 3])[0] - 0.5).abs() < 1e-6);
        let thick = Film { thickness: 1e4, ..grey(0.4, 0.3) };
        let a: f64 = 1.0 + 0.4 / 0.3;
        assert!((thick.over([0.9; 3])[0] - (a - (a * a - 1.0).sqrt())).abs() < 1e-9);
        let clear = Film { optics: Optics { k: [1e-15; 3], s: [0.3; 3] }, thickness: 1.0 };
        assert!(
            (clear.over([0.7; 3])[0] - (1.0 - 0.7 + 0.7 / 0.3) / (0.3 + 1.0 / 0.3)).abs() < 1e-6
        );
    }

    #[test]
    fn colours_go_to_screens_and_back() {
        for colour in ["#000000", "#3b5bdb", "#ffffff", "#c0392b"] {
            assert_eq!(hex(linear(colour).expect("a colour")), colour);
        }
        for nonsense in ["3b5bdb", "#3b5", "#3b5bdbff", "#zzzzzz", "#é1234"] {
            assert_eq!(linear(nonsense), None, "{nonsense}");
        }
    }

    #[test]
    fn tints_keep_the_grey_level() {
        for ground in [Ground::Dark, Ground::Milk, Ground::White, Ground::Ruby, Ground::Blond] {
            let mean: f64 = ground.tinted().iter().sum::<f64>() / 3.0;
            assert!((mean - ground.grey()).abs() < 1e-9, "{ground:?}");
        }
    }
}
