//! The outlines of an SVG file's elements: paths, and the shapes that are not written as paths.

use kurbo::{BezPath, Circle, Ellipse, Point, Rect, RoundedRect, Shape};
use roxmltree::Node;
use svgtypes::{Length, PointsParser};

use super::import::FARTHEST;
use crate::catalogue::drawn as say;
use crate::message::Message;

/// A curve leaves its circle by no more than this, in the file's units.
const TOLERANCE: f64 = 0.01;

/// The outline of an element; `None` of what has none, or is too small to be seen.
///
/// # Errors
/// Where a number or a path cannot be read.
pub(super) fn outline(node: &Node<'_, '_>) -> Result<Option<BezPath>, Message> {
    let number = |name: &str| number(node, name);
    Ok(match node.tag_name().name() {
        "path" => {
            let data = node.attribute("d").unwrap_or_default();
            Some(BezPath::from_svg(data).map_err(|error| say::as_read(&error))?)
        }
        "circle" => {
            let (centre, r) = (Point::new(number("cx")?, number("cy")?), number("r")?);
            (r > 0.0).then(|| Circle::new(centre, r).to_path(TOLERANCE))
        }
        "ellipse" => {
            let centre = Point::new(number("cx")?, number("cy")?);
            let (rx, ry) = (number("rx")?, number("ry")?);
            (rx > 0.0 && ry > 0.0).then(|| Ellipse::new(centre, (rx, ry), 0.0).to_path(TOLERANCE))
        }
        "rect" => {
            let (x, y) = (number("x")?, number("y")?);
            let (wide, high) = (number("width")?, number("height")?);
            let rounded = number("rx")?.max(number("ry")?).max(0.0);
            let rect = Rect::new(x, y, x + wide, y + high);
            (wide > 0.0 && high > 0.0).then(|| {
                if rounded > 0.0 {
                    RoundedRect::from_rect(rect, rounded).to_path(TOLERANCE)
                } else {
                    rect.to_path(TOLERANCE)
                }
            })
        }
        "line" => {
            let mut line = BezPath::new();
            line.move_to((number("x1")?, number("y1")?));
            line.line_to((number("x2")?, number("y2")?));
            Some(line)
        }
        "polyline" => points(node, false),
        "polygon" => points(node, true),
        _ => None,
    })
}

/// A number of an element in the file's units; nothing where it is left out.
fn number(node: &Node<'_, '_>, name: &str) -> Result<f64, Message> {
    let Some(text) = node.attribute(name) else { return Ok(0.0) };
    let length: Length = text.parse().map_err(|error: svgtypes::Error| say::as_read(&error))?;
    // A curve is divided into the more pieces the larger it is: of what is no drawing, into more
    // than there is room for.
    if !length.number.is_finite() || length.number.abs() > FARTHEST {
        return Err(say::beyond_any_sheet());
    }
    Ok(length.number)
}

fn points(node: &Node<'_, '_>, closed: bool) -> Option<BezPath> {
    let mut all = PointsParser::from(node.attribute("points")?);
    let mut path = BezPath::new();
    path.move_to(all.next()?);
    all.for_each(|point| path.line_to(point));
    if closed {
        path.close_path();
    }
    Some(path)
}

#[cfg(test)]
mod tests {
    use super::super::import::{ImportError, import};

    fn svg(inside: &str) -> String {
        format!("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 100 100\">{inside}</svg>")
    }

    #[test]
    fn shapes_are_taken_as_the_paths_they_are() {
        let size = |inside: &str| import(&svg(inside)).expect("taken").outline.size();
        let near =
            |[a, b]: [f64; 2], [c, d]: [f64; 2]| (a - c).abs() < 0.05 && (b - d).abs() < 0.05;
        assert!(near(size("<circle cx=\"20\" cy=\"20\" r=\"10\"/>"), [20.0, 20.0]));
        assert!(near(size("<ellipse cx=\"20\" cy=\"20\" rx=\"15\" ry=\"5\"/>"), [30.0, 10.0]));
        assert_eq!(size("<rect x=\"1\" y=\"2\" width=\"30\" height=\"8\"/>"), [30.0, 8.0]);
        assert!(near(size("<rect width=\"30\" height=\"8\" rx=\"3\"/>"), [30.0, 8.0]));
        assert_eq!(size("<line x1=\"0\" y1=\"0\" x2=\"12\" y2=\"5\"/>"), [12.0, 5.0]);
        assert_eq!(size("<polygon points=\"0,0 10,0 5,8\"/>"), [10.0, 8.0]);
        assert_eq!(size("<polyline points=\"0 0 10 0 5 8\"/>"), [10.0, 8.0]);
        assert_eq!(
            size("<g transform=\"scale(2)\"><rect width=\"4\" height=\"4\"/></g>"),
            [8.0, 8.0]
        );
    }

    #[test]
    fn a_ring_that_is_drawn_has_a_body_to_flood() {
        let moon = import(&svg("<circle cx=\"50\" cy=\"50\" r=\"20\"/>")).expect("taken");
        let area = std::f64::consts::PI * 400.0;
        assert!((moon.outline.body() - area).abs() < 0.01 * area, "{}", moon.outline.body());
    }

    #[test]
    fn shapes_of_nothing_and_rubbish_are_refused() {
        for nothing in ["<circle r=\"0\"/>", "<rect width=\"4\"/>", "<polygon/>"] {
            assert!(matches!(import(&svg(nothing)), Err(ImportError::NoPath(_))), "{nothing}");
        }
        let rubbish = import(&svg("<circle r=\"ten\"/>"));
        assert!(matches!(rubbish, Err(ImportError::BadPath(_))), "{rubbish:?}");
        let far = import(&svg("<circle r=\"1e300\"/>"));
        assert!(matches!(far, Err(ImportError::BadPath(_))), "{far:?}");
    }
}
