//! Flat shapes with straight sides that bulge everywhere, mm.

/// A point, mm from the left and from the top.
pub type Point = [f64; 2];

/// Sides of the polygon that stands for a circle: within a thousandth of its area.
const SIDES: u32 = 90;

/// A convex polygon, its corners in order.
#[derive(Clone, Debug, PartialEq)]
pub struct Polygon(Vec<Point>);

/// A straight cut.
pub type Cut = [Point; 2];

impl Polygon {
    /// A rectangle with a corner at the origin.
    #[must_use]
    pub fn rectangle(width: f64, height: f64) -> Self {
        Self(vec![[0.0, 0.0], [width, 0.0], [width, height], [0.0, height]])
    }

    /// A circle inside the square at the origin, of the same area as the circle.
    #[must_use]
    pub fn circle(diameter: f64) -> Self {
        let step = std::f64::consts::TAU / f64::from(SIDES);
        // A polygon on the circle is a little smaller; as much wider it has its area.
        let wider = (step / step.sin()).sqrt();
        let r = diameter / 2.0;
        let corner = |i: u32| {
            let turn = f64::from(i) * step;
            [r + r * wider * turn.cos(), r + r * wider * turn.sin()]
        };
        Self((0..SIDES).map(corner).collect())
    }

    /// Its corners.
    #[must_use]
    pub fn corners(&self) -> &[Point] {
        &self.0
    }

    /// Its area, mm².
    #[must_use]
    pub fn area(&self) -> f64 {
        let next = self.0.iter().cycle().skip(1);
        let twice: f64 = self.0.iter().zip(next).map(|(a, b)| a[0] * b[1] - b[0] * a[1]).sum();
        twice.abs() / 2.0
    }

    /// How far it reaches along a direction: the least and the most.
    #[must_use]
    pub fn reach(&self, along: Point) -> [f64; 2] {
        let at = self.0.iter().map(|p| p[0] * along[0] + p[1] * along[1]);
        at.fold([f64::INFINITY, f64::NEG_INFINITY], |[lo, hi], a| [lo.min(a), hi.max(a)])
    }

    /// The parts on this side of a line and beyond it, and the cut between them; the
    /// line stands `at` along a direction, square to it.
    #[must_use]
    pub fn split(&self, along: Point, at: f64) -> (Self, Self, Option<Cut>) {
        let (mut near, mut far, mut cut) = (Vec::new(), Vec::new(), Vec::new());
        let height = |p: Point| p[0] * along[0] + p[1] * along[1] - at;
        for (i, &a) in self.0.iter().enumerate() {
            let b = self.0[(i + 1) % self.0.len()];
            let (ha, hb) = (height(a), height(b));
            if ha <= 0.0 {
                near.push(a);
            }
            if ha >= 0.0 {
                far.push(a);
            }
            if (ha < 0.0 && hb > 0.0) || (ha > 0.0 && hb < 0.0) {
                let share = ha / (ha - hb);
                let crossing = [a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share];
                near.push(crossing);
                far.push(crossing);
                cut.push(crossing);
            } else if ha == 0.0 {
                cut.push(a);
            }
        }
        let cut = match cut.as_slice() {
            [a, b, ..] => Some([*a, *b]),
            _ => None,
        };
        (Self(near), Self(far), cut)
    }

    /// Where a line across a direction leaves this share of the area on this side.
    #[must_use]
    pub fn at_share(&self, along: Point, share: f64) -> f64 {
        let [mut lo, mut hi] = self.reach(along);
        let wanted = self.area() * share;
        // Each step halves what is uncertain: forty are finer than a hair.
        for _ in 0..40 {
            let middle = f64::midpoint(lo, hi);
            if self.split(along, middle).0.area() < wanted { lo = middle } else { hi = middle }
        }
        f64::midpoint(lo, hi)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_split_loses_nothing() {
        for shape in [Polygon::rectangle(300.0, 200.0), Polygon::circle(240.0)] {
            let along = [0.8, 0.6];
            let at = shape.at_share(along, 0.3);
            let (near, far, cut) = shape.split(along, at);
            assert!((near.area() + far.area() - shape.area()).abs() < 1e-6);
            assert!((near.area() / shape.area() - 0.3).abs() < 1e-6);
            let [a, b] = cut.expect("it goes through");
            assert!((a[0] * 0.8 + a[1] * 0.6 - at).abs() < 1e-6);
            assert!((b[0] * 0.8 + b[1] * 0.6 - at).abs() < 1e-6);
        }
    }

    #[test]
    fn a_circle_has_its_area() {
        let area = Polygon::circle(240.0).area();
        assert!((area - std::f64::consts::PI * 120.0 * 120.0).abs() < 1e-6, "{area}");
    }

    #[test]
    fn a_line_beside_it_cuts_nothing() {
        let (near, far, cut) = Polygon::rectangle(10.0, 10.0).split([1.0, 0.0], 50.0);
        assert_eq!((near.area(), far.area(), cut), (100.0, 0.0, None));
    }
}
