//! An outline: the lines along which chocolate is piped, mm.

use kurbo::{Affine, BezPath, PathEl, Shape};

use super::polygon::Point;

/// Curves are drawn as straight bits that miss them by so much at most, mm: a twentieth
/// of the thinnest line that is piped.
const WITHIN_MM: f64 = 0.15;

/// One line, without lifting the bag.
#[derive(Clone, Debug, PartialEq)]
pub struct Stroke {
    /// Its points, in order.
    pub points: Vec<Point>,
    /// Whether it ends where it began.
    pub closed: bool,
}

/// An outline.
#[derive(Clone, Debug, PartialEq)]
pub struct Outline {
    path: BezPath,
}

impl Outline {
    /// An outline along a path, its upper left corner at the origin.
    #[must_use]
    pub fn new(path: BezPath) -> Self {
        let bounds = path.bounding_box();
        let home = Affine::translate((-bounds.x0, -bounds.y0));
        Self { path: home * path }
    }

    /// Width and height, mm.
    #[must_use]
    pub fn size(&self) -> [f64; 2] {
        let bounds = self.path.bounding_box();
        [bounds.width(), bounds.height()]
    }

    /// The same, so wide; or so high, where it is a line straight down.
    #[must_use]
    pub fn as_wide_as(&self, width_mm: f64) -> Self {
        let [width, height] = self.size();
        let widest = if width > 1e-9 { width } else { height.max(1e-9) };
        Self { path: Affine::scale(width_mm / widest) * self.path.clone() }
    }

    /// As it looks from behind.
    #[must_use]
    pub fn mirrored(&self) -> Self {
        Self::new(Affine::FLIP_X * self.path.clone())
    }

    /// As it looks from behind as a part of what is so wide.
    #[must_use]
    pub fn mirrored_within(&self, width: f64) -> Self {
        Self { path: Affine::translate((width, 0.0)) * Affine::FLIP_X * self.path.clone() }
    }

    /// Whether there is no line in it.
    #[must_use]
    pub fn is_empty(&self) -> bool {
        self.path.elements().is_empty()
    }

    /// Moved.
    #[must_use]
    pub fn at(&self, x: f64, y: f64) -> Self {
        Self { path: Affine::translate((x, y)) * self.path.clone() }
    }

    /// As the data of an SVG path, to a hundredth of a millimetre.
    #[must_use]
    pub fn svg(&self) -> String {
        let hundredth = |v: f64| (v * 100.0).round() / 100.0;
        let mut rounded = self.path.clone();
        for element in rounded.elements_mut() {
            let round =
                |p: &mut kurbo::Point| *p = kurbo::Point::new(hundredth(p.x), hundredth(p.y));
            match element {
                PathEl::MoveTo(p) | PathEl::LineTo(p) => round(p),
                PathEl::QuadTo(a, b) => [a, b].into_iter().for_each(round),
                PathEl::CurveTo(a, b, c) => [a, b, c].into_iter().for_each(round),
                PathEl::ClosePath => {}
            }
        }
        rounded.to_svg()
    }

    /// Its strokes, as straight bits.
    #[must_use]
    pub fn strokes(&self) -> Vec<Stroke> {
        let mut strokes: Vec<Stroke> = Vec::new();
        kurbo::flatten(&self.path, WITHIN_MM, |element| match element {
            PathEl::MoveTo(p) => {
                strokes.push(Stroke { points: vec![[p.x, p.y]], closed: false });
            }
            PathEl::LineTo(p) => {
                if let Some(stroke) = strokes.last_mut() {
                    stroke.points.push([p.x, p.y]);
                }
            }
            PathEl::ClosePath => {
                if let Some(stroke) = strokes.last_mut() {
                    stroke.points.push(stroke.points[0]);
                    stroke.closed = true;
                }
            }
            // Flattened, there are no curves left.
            PathEl::QuadTo(..) | PathEl::CurveTo(..) => {}
        });
        strokes.retain(|stroke| stroke.points.len() > 1);
        strokes
    }

    /// Its lines, each by itself and where it lies in the whole: as many as it has strokes, in
    /// their order.
    #[must_use]
    pub fn lines(&self) -> Vec<Self> {
        let mut lines: Vec<BezPath> = Vec::new();
        for element in self.path.elements() {
            if matches!(element, PathEl::MoveTo(_)) {
                lines.push(BezPath::new());
            }
            if let Some(line) = lines.last_mut() {
                line.push(*element);
            }
        }
        let lines = lines.into_iter().map(|path| Self { path });
        lines.filter(|line| !line.strokes().is_empty()).collect()
    }

    /// Some lines together, each where it lies.
    #[must_use]
    pub fn of_lines<'l>(lines: impl IntoIterator<Item = &'l Self>) -> Self {
        let elements = lines.into_iter().flat_map(|line| line.path.elements().iter().copied());
        Self { path: elements.collect() }
    }

    /// With straight lines from point to point added to it.
    #[must_use]
    pub fn with(&self, straight: &[[Point; 2]]) -> Self {
        let mut path = self.path.clone();
        for [from, to] in straight {
            path.move_to((from[0], from[1]));
            path.line_to((to[0], to[1]));
        }
        Self { path }
    }

    /// Its largest closed line, by its place among its lines: round the body that can be flooded.
    #[must_use]
    pub fn body_line(&self) -> Option<(usize, Self)> {
        let closed = self.lines().into_iter().enumerate().filter(|(_, line)| line.is_closed());
        closed.max_by(|(_, a), (_, b)| a.encloses().total_cmp(&b.encloses()))
    }

    /// What its largest closed line encloses, mm²: the body that can be flooded. Nothing where
    /// no line is closed.
    #[must_use]
    pub fn body(&self) -> f64 {
        self.body_line().map_or(0.0, |(_, line)| line.encloses())
    }

    fn is_closed(&self) -> bool {
        self.path.elements().iter().any(|element| matches!(element, PathEl::ClosePath))
    }

    fn encloses(&self) -> f64 {
        self.path.area().abs()
    }

    /// Whether a point lies within it, where it is one closed line.
    #[must_use]
    pub fn holds(&self, [x, y]: Point) -> bool {
        self.path.winding(kurbo::Point::new(x, y)) != 0
    }

    /// The middle of its first line, as one goes along it.
    #[must_use]
    pub fn middle(&self) -> Point {
        let strokes = self.strokes();
        let Some(stroke) = strokes.first() else { return [0.0, 0.0] };
        let far = |w: &[Point]| (w[1][0] - w[0][0]).hypot(w[1][1] - w[0][1]);
        let half = stroke.points.windows(2).map(far).sum::<f64>() / 2.0;
        let mut gone = 0.0;
        for bit in stroke.points.windows(2) {
            let long = far(bit);
            if gone + long >= half && long > 0.0 {
                let share = (half - gone) / long;
                return [0, 1].map(|i| bit[0][i] + (bit[1][i] - bit[0][i]) * share);
            }
            gone += long;
        }
        stroke.points[0]
    }

    /// How long its lines are together, mm.
    #[must_use]
    pub fn length(&self) -> f64 {
        self.strokes()
            .iter()
            .flat_map(|stroke| stroke.points.windows(2))
            .map(|w| (w[1][0] - w[0][0]).hypot(w[1][1] - w[0][1]))
            .sum()
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn square() -> Outline {
        Outline::new(BezPath::from_svg("M5 5 L15 5 L15 15 L5 15 Z").expect("a path"))
    }

    #[test]
    fn it_lies_at_the_origin_and_grows_to_its_width() {
        assert_eq!(square().size(), [10.0, 10.0]);
        let large = square().as_wide_as(40.0);
        assert!((large.length() - 160.0).abs() < 1e-9);
        assert!(large.strokes()[0].closed);
    }

    #[test]
    fn mirrored_twice_it_is_itself() {
        let hook = Outline::new(BezPath::from_svg("M0 0 L0 30 Q10 40 20 30").expect("a path"));
        assert_ne!(hook.mirrored(), hook);
        let back = hook.mirrored().mirrored();
        assert!((back.length() - hook.length()).abs() < 1e-9);
        assert_eq!(back.svg(), hook.svg());
    }

    #[test]
    fn its_lines_are_told_apart_and_lie_where_they_lay() {
        let both = Outline::new(BezPath::from_svg("M0 0 L10 0 M2 5 L2 9 L6 9").expect("a path"));
        let lines = both.lines();
        assert_eq!(lines.len(), 2);
        assert_eq!(lines[0].middle(), [5.0, 0.0]);
        assert_eq!(lines[1].middle(), [2.0, 9.0]);
        assert!(both.body_line().is_none() && square().body_line().is_some());
        let (_, body) = square().body_line().expect("a closed line");
        assert!(body.holds([5.0, 5.0]) && !body.holds([11.0, 5.0]));
    }

    #[test]
    fn a_curve_is_as_long_as_it_is() {
        let circle = kurbo::Circle::new((0.0, 0.0), 50.0).to_path(1e-3);
        let length = Outline::new(circle).length();
        assert!((length - std::f64::consts::TAU * 50.0).abs() < 0.8, "{length}");
    }
}
