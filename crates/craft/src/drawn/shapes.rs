//! Outlines by a few numbers: stars, moons, rings, leaves, lattices. All a hundred wide;
//! they are scaled to what is wanted.

use std::f64::consts::{FRAC_PI_2, TAU};

use kurbo::{BezPath, Circle, Shape};

use super::outline::Outline;

const R: f64 = 50.0;
const FINE: f64 = 0.05;

/// A star: every second corner lies this share of the way out.
#[must_use]
pub fn star(points: u32, inner: f64) -> Outline {
    let corners = points * 2;
    let mut path = BezPath::new();
    for i in 0..corners {
        let far = if i % 2 == 0 { R } else { R * inner };
        let turn = f64::from(i) * TAU / f64::from(corners) - FRAC_PI_2;
        let at = (R + far * turn.cos(), R + far * turn.sin());
        if i == 0 { path.move_to(at) } else { path.line_to(at) }
    }
    path.close_path();
    Outline::new(path)
}

/// A moon, lit by this share of its width: under a half a crescent, over it gibbous.
#[must_use]
pub fn moon(lit: f64) -> Outline {
    let bulge = R * (1.0 - 2.0 * lit);
    // The lit edge is half a circle, the other half an ellipse as wide as its phase.
    let sweep = u8::from(bulge > 0.0);
    let rx = bulge.abs().max(0.01);
    let data = format!("M{R} 0 A{R} {R} 0 0 0 {R} 100 A{rx} {R} 0 0 {sweep} {R} 0 Z");
    // The words are ours: there is nothing in them that could not be read.
    Outline::new(BezPath::from_svg(&data).unwrap_or_default())
}

/// A ring, with spokes to its middle, or without.
#[must_use]
pub fn ring(spokes: u32) -> Outline {
    let mut path = Circle::new((R, R), R).to_path(FINE);
    for i in 0..spokes {
        let turn = f64::from(i) * TAU / f64::from(spokes) - FRAC_PI_2;
        path.move_to((R, R));
        path.line_to((R + R * turn.cos(), R + R * turn.sin()));
    }
    Outline::new(path)
}

/// A leaf with a rib down its middle and veins either side.
#[must_use]
pub fn leaf(veins: u32) -> Outline {
    let mut path = BezPath::new();
    path.move_to((50.0, 0.0));
    path.quad_to((110.0, 70.0), (50.0, 140.0));
    path.quad_to((-10.0, 70.0), (50.0, 0.0));
    path.close_path();
    path.move_to((50.0, 0.0));
    path.line_to((50.0, 160.0));
    for i in 1..=veins {
        let y = 140.0 * f64::from(i) / f64::from(veins + 1);
        // Up to the edge, which is a parabola in y.
        let share = (y - 10.0).max(0.0) / 140.0;
        let half = 60.0 * share * (1.0 - share);
        path.move_to((50.0 - half, y - 10.0));
        path.line_to((50.0, y));
        path.line_to((50.0 + half, y - 10.0));
    }
    Outline::new(path)
}

/// A lattice in a frame: so many bars either way.
#[must_use]
pub fn lattice(bars: u32, high: f64) -> Outline {
    let (width, height) = (100.0, 100.0 * high);
    let mut path = BezPath::new();
    path.move_to((0.0, 0.0));
    path.line_to((width, 0.0));
    path.line_to((width, height));
    path.line_to((0.0, height));
    path.close_path();
    for i in 1..=bars {
        let share = f64::from(i) / f64::from(bars + 1);
        path.move_to((width * share, 0.0));
        path.line_to((width * share, height));
        path.move_to((0.0, height * share));
        path.line_to((width, height * share));
    }
    Outline::new(path)
}

#[cfg(test)]
mod tests {
    use super::super::joins::joins;
    use super::*;

    #[test]
    fn each_hangs_together() {
        let all =
            [star(5, 0.45), moon(0.25), moon(0.75), ring(0), ring(6), leaf(4), lattice(3, 1.0)];
        for shape in all {
            let joins = joins(&shape.as_wide_as(60.0), 4.0, false);
            assert_eq!((joins.parts, joins.thin.len()), (1, 0), "{shape:?}");
        }
    }

    #[test]
    fn a_crescent_is_thinner_than_a_gibbous_moon() {
        let width = |lit| moon(lit).size()[0];
        assert!(width(0.2) < 51.0 && width(0.8) > 70.0, "{} {}", width(0.2), width(0.8));
    }
}
