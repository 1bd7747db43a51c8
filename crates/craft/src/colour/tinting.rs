//! How a chocolate looks that a colour is stirred into.

use super::appearance::{Ground, Optics, Rgb};
use crate::chocolate::Family;

/// Chocolate scatters so much in a tenth of a millimetre: nothing shows through one millimetre of
/// it (*custom*).
const SCATTERS: f64 = 2.0;

/// What so thick a chocolate does to light that looks like this: K/S = (1 − R)²/(2·R), the two-flux
/// model's for what nothing shows through (Kubelka & Munk 1931; docs/craft.md, section 5).
fn optics(looks: Rgb) -> Optics {
    let absorbs = |r: f64| {
        let r = r.clamp(0.005, 0.995);
        SCATTERS * (1.0 - r) * (1.0 - r) / (2.0 * r)
    };
    Optics { k: looks.map(absorbs), s: [SCATTERS; 3] }
}

/// How a chocolate looks with a share, 0 to 1, of a colour stirred into it, `#rrggbb`; `looks` is its
/// own reflectance, where that is not as its family's.
#[must_use]
pub fn tinted(family: Family, looks: Option<Rgb>, colour: Optics, share: f64) -> String {
    let chocolate = optics(looks.unwrap_or_else(|| Ground::from(family).tinted()));
    Optics::mixed([(chocolate, 1.0 - share), (colour, share)]).by_itself()
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::colour::linear;

    const BLUE: Optics = Optics { k: [6.0, 2.5, 0.2], s: [0.5; 3] };

    #[test]
    fn more_colour_looks_more_of_it_and_dark_hides_it() {
        let looks = |family, share| linear(&tinted(family, None, BLUE, share)).expect("a colour");
        let bluish = |[r, _, b]: Rgb| b - r;
        let [none, some, more] = [0.0, 0.02, 0.08].map(|share| looks(Family::White, share));
        assert!(bluish(none) < bluish(some) && bluish(some) < bluish(more), "{none:?} {more:?}");
        // Nothing stirred in looks as it did.
        let plain = Ground::White.tinted();
        assert!((none[0] - plain[0]).abs() < 0.02 && (none[2] - plain[2]).abs() < 0.02);
        let on_dark = bluish(looks(Family::Dark, 0.02)) - bluish(looks(Family::Dark, 0.0));
        assert!(on_dark < (bluish(some) - bluish(none)) / 2.0, "{on_dark}");
        let own = tinted(Family::Coating, linear("#3366cc"), BLUE, 0.0);
        assert!(bluish(linear(&own).expect("a colour")) > 0.2, "{own}");
    }
}
