//! Outlines from an SVG file that the maker brings.
//!
//! Only the numbers of its paths and shapes are taken; nothing else of the file is kept, so nothing
//! in it can do harm. What could (scripts, references, entities) is refused all the
//! same, so that the maker knows what kind of file it is.

use kurbo::{Affine, BezPath, PathEl, Shape};
use roxmltree::{Document, Node, ParsingOptions};

use super::outline::Outline;
use super::shapes_of_svg as shapes;
use crate::catalogue::drawn as say;
use crate::message::{Message, names, spoken};

/// The largest file, bytes.
pub const LARGEST_FILE: usize = 1_000_000;
/// Elements at most.
const MOST_NODES: u32 = 20_000;
/// Path segments at most.
pub const MOST_SEGMENTS: usize = 20_000;
/// Coordinates beyond this are no drawing.
pub(super) const FARTHEST: f64 = 1e6;
/// Elements that can do something.
const ACTIVE: [&str; 10] = [
    "script",
    "foreignObject",
    "image",
    "use",
    "iframe",
    "animate",
    "animateMotion",
    "animateTransform",
    "set",
    "a",
];
/// Elements whose paths are not drawn.
const HIDDEN: [&str; 6] = ["defs", "clipPath", "mask", "marker", "pattern", "symbol"];
/// What is drawn and has no outline of its own.
const LEFT_OUT: [&str; 1] = ["text"];

/// What was found in a file.
#[derive(Clone, Debug, PartialEq)]
pub struct Imported {
    /// Its paths.
    pub outline: Outline,
    /// How many segments they have.
    pub segments: usize,
    /// Shapes that were left out, by name.
    pub left_out: Vec<String>,
}

/// Why a file is not taken.
#[derive(Clone, Debug, PartialEq)]
pub enum ImportError {
    /// Larger than any drawing of outlines.
    TooLarge(usize),
    /// Not an SVG file.
    NotSvg(Message),
    /// Something in it could do something.
    Active(Message),
    /// A path that cannot be read.
    BadPath(Message),
    /// More than a hand could pipe.
    TooMuch(usize),
    /// There is nothing to pipe; what was left out, that could be turned into paths.
    NoPath(Vec<String>),
}

impl ImportError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::TooLarge(there) => say::file_too_large(LARGEST_FILE, *there),
            Self::NotSvg(why) => say::not_svg(why.clone()),
            Self::Active(what) => say::active(what.clone()),
            Self::BadPath(why) => say::bad_path(why.clone()),
            Self::TooMuch(there) => say::too_many_segments(MOST_SEGMENTS, *there),
            Self::NoPath(left_out) if left_out.is_empty() => say::no_path(),
            Self::NoPath(left_out) => say::no_path_but(names(left_out)),
        }
    }
}

spoken!(ImportError);

/// The paths of an SVG file as one outline.
///
/// # Errors
/// Where it is no SVG file, is too large, could do something, or has no path.
pub fn import(text: &str) -> Result<Imported, ImportError> {
    if text.len() > LARGEST_FILE {
        return Err(ImportError::TooLarge(text.len()));
    }
    if text.trim().is_empty() {
        return Err(ImportError::NotSvg(say::none_chosen()));
    }
    // Without a DTD there are no entities, so nothing that unfolds.
    let options =
        ParsingOptions { allow_dtd: false, nodes_limit: MOST_NODES, ..ParsingOptions::default() };
    let document = Document::parse_with_options(text, options)
        .map_err(|error| ImportError::NotSvg(say::as_read(&error)))?;
    let root = document.root_element();
    if root.tag_name().name() != "svg" {
        return Err(ImportError::NotSvg(say::other_root(root.tag_name().name())));
    }
    let mut path = BezPath::new();
    let mut segments = 0;
    let mut left_out = Vec::new();
    for node in root.descendants().filter(Node::is_element) {
        refuse_active(&node)?;
        let name = node.tag_name().name();
        if node.ancestors().any(|a| HIDDEN.contains(&a.tag_name().name())) {
            continue;
        }
        if LEFT_OUT.contains(&name) {
            left_out.push(name.to_owned());
        }
        let Some(own) = shapes::outline(&node).map_err(ImportError::BadPath)? else { continue };
        segments += own.elements().iter().filter(|e| !matches!(e, PathEl::MoveTo(_))).count();
        if segments > MOST_SEGMENTS {
            return Err(ImportError::TooMuch(segments));
        }
        path.extend(placed(&node)? * own);
    }
    left_out.sort();
    left_out.dedup();
    let bounds = path.bounding_box();
    let far = [bounds.x0, bounds.y0, bounds.x1, bounds.y1];
    if far.iter().any(|v| !v.is_finite() || v.abs() > FARTHEST) {
        return Err(ImportError::BadPath(say::beyond_any_sheet()));
    }
    if segments == 0 || (bounds.width() < 1e-6 && bounds.height() < 1e-6) {
        return Err(ImportError::NoPath(left_out));
    }
    Ok(Imported { outline: Outline::new(path), segments, left_out })
}

/// Where a node's own coordinates lie among the file's.
fn placed(node: &Node<'_, '_>) -> Result<Affine, ImportError> {
    let mut whole = Affine::IDENTITY;
    for ancestor in node.ancestors().filter(Node::is_element) {
        if let Some(text) = ancestor.attribute("transform") {
            let t: svgtypes::Transform = text
                .parse()
                .map_err(|error: svgtypes::Error| ImportError::BadPath(say::as_read(&error)))?;
            whole = Affine::new([t.a, t.b, t.c, t.d, t.e, t.f]) * whole;
        }
    }
    Ok(whole)
}

fn refuse_active(node: &Node<'_, '_>) -> Result<(), ImportError> {
    let name = node.tag_name().name();
    if ACTIVE.contains(&name) {
        return Err(ImportError::Active(say::active_element(name)));
    }
    for attribute in node.attributes() {
        let (key, value) = (attribute.name(), attribute.value().to_ascii_lowercase());
        if key.to_ascii_lowercase().starts_with("on") {
            return Err(ImportError::Active(say::active_attribute(key)));
        }
        if key == "href" || value.contains("javascript:") {
            return Err(ImportError::Active(say::a_reference()));
        }
        if value.contains("url(") && !value.contains("url(#") {
            return Err(ImportError::Active(say::a_reference_elsewhere()));
        }
    }
    let styled = name == "style"
        && node.text().is_some_and(|text| {
            let text = text.to_ascii_lowercase();
            text.contains("@import") || text.contains("url(")
        });
    if styled {
        return Err(ImportError::Active(say::a_style_elsewhere()));
    }
    Ok(())
}

#[cfg(test)]
mod tests {
    use super::*;

    fn svg(inside: &str) -> String {
        format!("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 100 100\">{inside}</svg>")
    }

    #[test]
    fn paths_are_taken_where_they_lie() {
        let found = import(&svg(
            "<g transform=\"translate(10 0) scale(2)\"><path d=\"M0 0 L20 0 L20 10 Z\"/></g>\
             <path d=\"M0 0 L0 20\"/><text>stars</text><defs><path d=\"M0 0 L900 900\"/></defs>",
        ))
        .expect("it can be taken");
        assert_eq!(found.outline.size(), [50.0, 20.0]);
        assert_eq!((found.segments, found.left_out), (4, vec!["text".to_owned()]));
    }

    #[test]
    fn what_could_do_something_is_refused_by_name() {
        for (inside, named) in [
            ("<script>1</script>", "a <script>"),
            ("<path d=\"M0 0 L1 1\" onload=\"x()\"/>", "an onload"),
            ("<image href=\"http://x/y.png\"/>", "a <image>"),
            ("<path d=\"M0 0 L1 1\" fill=\"url(http://x/y)\"/>", "a reference to another file"),
            ("<style>@import 'x.css'</style>", "a style that refers"),
            ("<use href=\"#p\"/>", "a <use>"),
        ] {
            let told = import(&svg(inside)).expect_err("refused").to_string();
            assert!(told.contains(named), "{inside}: {told}");
        }
    }

    #[test]
    fn bombs_and_rubbish_are_refused_without_being_unfolded() {
        let entities = "<!DOCTYPE svg [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;&a;\">]>\
                        <svg><path d=\"&b;\"/></svg>";
        assert!(matches!(import(entities), Err(ImportError::NotSvg(_))));
        let many = svg(&format!("<path d=\"M0 0{}\"/>", " L1 1 L0 0".repeat(MOST_SEGMENTS)));
        assert!(matches!(import(&many), Err(ImportError::TooMuch(_))));
        let crowd = svg(&"<g/>".repeat(30_000));
        assert!(matches!(import(&crowd), Err(ImportError::NotSvg(_))));
        let deep = svg(&("<g>".repeat(9_000) + &"</g>".repeat(9_000)));
        assert!(import(&deep).is_err());
        assert!(matches!(import(&"x".repeat(LARGEST_FILE + 1)), Err(ImportError::TooLarge(_))));
        assert!(matches!(import("<html/>"), Err(ImportError::NotSvg(_))));
        assert!(matches!(import("not xml"), Err(ImportError::NotSvg(_))));
        assert!(matches!(
            import(&svg("<path d=\"M0 0 L1e300 1e300\"/>")),
            Err(ImportError::BadPath(_))
        ));
        assert!(matches!(import(&svg("<path d=\"M0 0 R\"/>")), Err(ImportError::BadPath(_))));
        let told = import(&svg("<text>stars</text>")).expect_err("no path").to_string();
        assert!(told.contains("turn its text into paths"), "{told}");
    }
}
