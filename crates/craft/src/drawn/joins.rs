//! Whether an outline hangs together once it is piped.
//!
//! A line of width *w* is half round, so it is highest along its middle and tapers to
//! nothing at its edges. Two lines whose middles come within half a width of each other
//! grow into one; up to a whole width apart they only touch, and break as they are
//! lifted; further apart they are two pieces (*custom*).

use petgraph::unionfind::UnionFind;
use rstar::primitives::{GeomWithData, Line};
use rstar::{AABB, RTree};

use super::outline::{Outline, Stroke};
use super::polygon::Point;

/// Middles this share of a width apart grow into one.
const FIRM: f64 = 0.5;
/// Two thin joints closer than so many widths are one.
const APART: f64 = 2.0;
/// Places that are told at most.
const MOST_PLACES: usize = 50;

/// How an outline hangs together.
#[derive(Clone, Debug, PartialEq)]
pub struct Joins {
    /// How many parts there are.
    pub parts: usize,
    /// A place on each part but the largest.
    pub loose: Vec<Point>,
    /// Places at which two parts only touch.
    pub thin: Vec<Point>,
    /// Ends that touch nothing.
    pub ends: Vec<Point>,
    /// Short lines that would hold all parts together, each from point to point.
    pub bridges: Vec<[Point; 2]>,
}

type Segment = GeomWithData<Line<Point>, usize>;

/// How an outline hangs together, piped with a line of a width. Where its body is flooded, that
/// holds all that lies within it.
#[must_use]
pub fn joins(outline: &Outline, line_mm: f64, flooded: bool) -> Joins {
    let strokes = outline.strokes();
    let segments: Vec<Segment> = interleaved(&strokes);
    let tree = RTree::bulk_load(segments.clone());
    let mut firm = UnionFind::<usize>::new(strokes.len());
    let mut parts = strokes.len();
    let body = if flooded { outline.body_line() } else { None };
    let within = |at: &Point| body.as_ref().is_some_and(|(_, line)| line.holds(*at));
    if let Some((body, _)) = &body {
        for (i, stroke) in strokes.iter().enumerate() {
            if stroke.points.iter().any(within) {
                parts -= usize::from(firm.union(*body, i));
            }
        }
    }
    let mut touching: Vec<(usize, usize, Point)> = Vec::new();
    for segment in &segments {
        // All in one: there is nothing left that could be loose or thin.
        if parts <= 1 {
            break;
        }
        let [from, to] = [segment.geom().from, segment.geom().to];
        for other in tree.locate_in_envelope_intersecting(around(from, to, line_mm)) {
            let (a, b) = (segment.data, other.data);
            if a >= b || firm.equiv(a, b) {
                continue;
            }
            let (distance, at) = nearest([from, to], [other.geom().from, other.geom().to]);
            if distance <= FIRM * line_mm {
                parts -= usize::from(firm.union(a, b));
            } else if distance <= line_mm {
                touching.push((a, b, at));
            }
        }
    }
    // Where two strokes only touch but hang together otherwise, nothing is amiss.
    touching.retain(|(a, b, _)| !firm.equiv(*a, *b));
    let mut thin: Vec<Point> = Vec::new();
    let mut held = firm.clone();
    for (a, b, at) in touching {
        held.union(a, b);
        let told = thin.iter().any(|p| far(*p, at) < APART * line_mm);
        if !told && thin.len() < MOST_PLACES {
            thin.push(at);
        }
    }
    let (count, loose) = loose(&strokes, &held);
    let mut ends = ends(&strokes, &tree, line_mm);
    ends.retain(|at| !within(at));
    Joins { parts: count, loose, thin, ends, bridges: bridges(&strokes, &segments, &tree, held) }
}

/// Lines that join each part to what is nearest to it, the smallest first, until all hang
/// together.
fn bridges(
    strokes: &[Stroke],
    segments: &[Segment],
    tree: &RTree<Segment>,
    mut held: UnionFind<usize>,
) -> Vec<[Point; 2]> {
    let mut bridges = Vec::new();
    while bridges.len() < MOST_PLACES {
        let parts = by_part(strokes, &held);
        let [.., _, (smallest, ..)] = parts.as_slice() else { break };
        let own = segments.iter().filter(|segment| held.find(segment.data) == *smallest);
        let spans = own.flat_map(|segment| {
            let [from, to] = [segment.geom().from, segment.geom().to];
            let other = |end: Point| {
                let mut near = tree.nearest_neighbor_iter(end);
                near.find(|other| held.find(other.data) != *smallest)
            };
            [from, to].into_iter().filter_map(other).map(move |other| {
                let ends = closest([from, to], [other.geom().from, other.geom().to]);
                (segment.data, other.data, ends)
            })
        });
        let shortest = spans.min_by(|(.., a), (.., b)| far(a[0], a[1]).total_cmp(&far(b[0], b[1])));
        let Some((a, b, ends)) = shortest else { break };
        held.union(a, b);
        bridges.push(ends);
    }
    bridges
}

/// The straight bits of all strokes: the first of each, then the second of each, and so
/// on, so that strokes are soon known to hang together where they do.
fn interleaved(strokes: &[Stroke]) -> Vec<Segment> {
    let mut bits: Vec<(usize, Segment)> = strokes
        .iter()
        .enumerate()
        .flat_map(|(of, stroke)| {
            let lines = stroke.points.windows(2).map(|w| Line::new(w[0], w[1]));
            lines.map(move |line| GeomWithData::new(line, of)).enumerate()
        })
        .collect();
    bits.sort_by_key(|(place, _)| *place);
    bits.into_iter().map(|(_, segment)| segment).collect()
}

fn around(from: Point, to: Point, by: f64) -> AABB<Point> {
    AABB::from_corners(
        [from[0].min(to[0]) - by, from[1].min(to[1]) - by],
        [from[0].max(to[0]) + by, from[1].max(to[1]) + by],
    )
}

/// How many parts there are, and a place on each but the largest.
fn loose(strokes: &[Stroke], parts: &UnionFind<usize>) -> (usize, Vec<Point>) {
    let by_part = by_part(strokes, parts);
    let places = by_part.iter().skip(1).take(MOST_PLACES).map(|(_, _, at)| *at).collect();
    (by_part.len(), places)
}

/// Each part, the one with the most line first: its name, how much line, a place on it.
fn by_part(strokes: &[Stroke], parts: &UnionFind<usize>) -> Vec<(usize, f64, Point)> {
    let mut by_part: Vec<(usize, f64, Point)> = Vec::new();
    for (i, stroke) in strokes.iter().enumerate() {
        let part = parts.find(i);
        let length: f64 = stroke.points.windows(2).map(|w| far(w[0], w[1])).sum();
        match by_part.iter_mut().find(|(known, ..)| *known == part) {
            Some((_, sum, _)) => *sum += length,
            None => by_part.push((part, length, stroke.points[stroke.points.len() / 2])),
        }
    }
    by_part.sort_by(|a, b| b.1.total_cmp(&a.1));
    by_part
}

/// Ends of open strokes that touch nothing, not even their own stroke further on.
fn ends(strokes: &[Stroke], tree: &RTree<Segment>, line_mm: f64) -> Vec<Point> {
    let mut ends = Vec::new();
    for (i, stroke) in strokes.iter().enumerate().filter(|(_, stroke)| !stroke.closed) {
        let last = stroke.points.len() - 1;
        for (end, along) in [(0, 1), (last, last - 1)] {
            let at = stroke.points[end];
            // Its own first bit is not what it touches.
            let own = [at, stroke.points[along]];
            let touches =
                tree.locate_in_envelope_intersecting(around(at, at, line_mm)).any(|other| {
                    let [a, b] = [other.geom().from, other.geom().to];
                    let is_own = other.data == i && (own.contains(&a) && own.contains(&b));
                    let follows = other.data == i && (a == own[1] || b == own[1]);
                    !is_own && !follows && nearest([at, at], [a, b]).0 <= FIRM * line_mm
                });
            if !touches && ends.len() < MOST_PLACES {
                ends.push(at);
            }
        }
    }
    ends
}

fn far(a: Point, b: Point) -> f64 {
    (a[0] - b[0]).hypot(a[1] - b[1])
}

/// How near two straight bits come, and the middle between them there.
fn nearest(one: [Point; 2], other: [Point; 2]) -> (f64, Point) {
    let [at, there] = closest(one, other);
    (far(at, there), [f64::midpoint(at[0], there[0]), f64::midpoint(at[1], there[1])])
}

/// The two points, on either of two straight bits, that are nearest to each other.
fn closest([a, b]: [Point; 2], [c, d]: [Point; 2]) -> [Point; 2] {
    if let Some(at) = crossing([a, b], [c, d]) {
        return [at, at];
    }
    let to = |p: Point, [from, to]: [Point; 2]| {
        let along = [to[0] - from[0], to[1] - from[1]];
        let square = along[0] * along[0] + along[1] * along[1];
        let share = if square > 0.0 {
            (((p[0] - from[0]) * along[0] + (p[1] - from[1]) * along[1]) / square).clamp(0.0, 1.0)
        } else {
            0.0
        };
        [p, [from[0] + along[0] * share, from[1] + along[1] * share]]
    };
    let back = |[there, here]: [Point; 2]| [here, there];
    let first = to(a, [c, d]);
    let others = [to(b, [c, d]), back(to(c, [a, b])), back(to(d, [a, b]))];
    let nearer = |best: [Point; 2], next: [Point; 2]| {
        if far(next[0], next[1]) < far(best[0], best[1]) { next } else { best }
    };
    others.into_iter().fold(first, nearer)
}

fn crossing([a, b]: [Point; 2], [c, d]: [Point; 2]) -> Option<Point> {
    let (r, s) = ([b[0] - a[0], b[1] - a[1]], [d[0] - c[0], d[1] - c[1]]);
    let turn = r[0] * s[1] - r[1] * s[0];
    if turn.abs() < 1e-12 {
        return None;
    }
    let ac = [c[0] - a[0], c[1] - a[1]];
    let (t, u) = ((ac[0] * s[1] - ac[1] * s[0]) / turn, (ac[0] * r[1] - ac[1] * r[0]) / turn);
    ((0.0..=1.0).contains(&t) && (0.0..=1.0).contains(&u))
        .then(|| [a[0] + t * r[0], a[1] + t * r[1]])
}

#[cfg(test)]
mod tests {
    use kurbo::BezPath;

    use super::*;

    fn of(data: &str, line_mm: f64) -> Joins {
        joins(&drawn(data), line_mm, false)
    }

    fn drawn(data: &str) -> Outline {
        Outline::new(BezPath::from_svg(data).expect("a path"))
    }

    /// A face: a round, two eyes and a mouth.
    const FACE: &str = "M0 30 C0 -10 60 -10 60 30 C60 70 0 70 0 30 Z \
        M18 20 L22 20 M38 20 L42 20 M18 42 Q30 50 42 42 M90 20 L100 20";

    #[test]
    fn a_cross_is_one_part_and_two_bars_are_two() {
        let cross = of("M0 20 L40 20 M20 0 L20 40", 4.0);
        assert_eq!((cross.parts, cross.loose.len(), cross.thin.len()), (1, 0, 0));
        let bars = of("M0 0 L40 0 M0 20 L30 20", 4.0);
        assert_eq!((bars.parts, bars.thin.len()), (2, 0));
        // The shorter one is the loose one.
        assert!((bars.loose[0][1] - 20.0).abs() < 1e-9);
    }

    #[test]
    fn lines_that_only_touch_are_told_where() {
        let touch = of("M0 0 L40 0 M20 3 L20 40", 4.0);
        assert_eq!((touch.parts, touch.thin.len()), (1, 1));
        assert!(far(touch.thin[0], [20.0, 1.5]) < 0.1, "{touch:?}");
        // With a heavier line they grow into one.
        assert_eq!(of("M0 0 L40 0 M20 3 L20 40", 6.5).thin, Vec::<Point>::new());
    }

    #[test]
    fn an_open_end_is_told_and_a_closed_line_has_none() {
        assert_eq!(of("M0 0 L40 0 L40 40 Z", 4.0).ends, Vec::<Point>::new());
        let open = of("M0 0 L40 0 L40 40 L5 5", 4.0);
        assert_eq!(open.ends.len(), 2, "{open:?}");
        // One that comes back to its own beginning is closed by the chocolate.
        assert_eq!(of("M0 0 L40 0 L40 40 L1 1", 4.0).ends, Vec::<Point>::new());
    }

    #[test]
    fn short_bridges_make_one_of_all_parts() {
        let face = drawn(FACE);
        let apart = joins(&face, 4.0, false);
        assert_eq!((apart.parts, apart.bridges.len()), (5, 4), "{apart:?}");
        let longest = apart.bridges.iter().map(|[a, b]| far(*a, *b)).fold(0.0, f64::max);
        // The one beside the face is as far off as it was drawn.
        assert!((longest - 30.0).abs() < 1.0, "{:?}", apart.bridges);
        let whole = joins(&face.with(&apart.bridges), 4.0, false);
        assert_eq!((whole.parts, whole.bridges.len()), (1, 0), "{whole:?}");
        assert!(of("M0 20 L40 20 M20 0 L20 40", 4.0).bridges.is_empty());
    }

    #[test]
    fn a_body_that_is_flooded_holds_what_lies_within_it() {
        let flooded = joins(&drawn(FACE), 4.0, true);
        assert_eq!((flooded.parts, flooded.bridges.len()), (2, 1), "{flooded:?}");
        assert_eq!(flooded.ends.len(), 2, "those of the line beside it: {:?}", flooded.ends);
        // Without a closed line there is nothing that could be flooded.
        let open = joins(&drawn("M0 0 L40 0 M0 20 L30 20"), 4.0, true);
        assert_eq!(open.parts, 2);
    }
}
