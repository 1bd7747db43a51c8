//! Sheets to pipe over: outlines laid out at true size.

use super::joins::{Joins, joins};
use super::outline::Outline;
use super::page::{Drawing, Mark, Paper};
use crate::catalogue::drawn as say;
use crate::message::{Message, spoken};
use crate::units::millimetres;

/// Room between two outlines besides their lines, mm.
const BETWEEN: f64 = 6.0;
/// Sheets at most.
const MOST_SHEETS: usize = 20;

/// So many of an outline.
#[derive(Clone, Debug, PartialEq)]
pub struct Wanted {
    /// The outline, as large as it is to be, with the bridges that hold it together.
    pub outline: Outline,
    /// Which of its lines are features, piped first in a colour of their own.
    pub features: Vec<usize>,
    /// How many of its lines are bridges: the last.
    pub bridges: usize,
    /// How many.
    pub count: u32,
    /// What it is called.
    pub name: String,
}

impl Wanted {
    /// Its lines by their colours: the body's, and the features'.
    #[must_use]
    pub fn in_colours(&self) -> [Outline; 2] {
        let lines = self.outline.lines();
        let of = |features: bool| {
            let lines = lines.iter().enumerate();
            let some = lines.filter(|(i, _)| self.features.contains(i) == features);
            Outline::of_lines(some.map(|(_, line)| line))
        };
        [of(false), of(true)]
    }
}

/// One outline as it was laid out.
#[derive(Clone, Debug, PartialEq)]
pub struct LaidOut {
    /// What it is called.
    pub name: String,
    /// Width and height, mm.
    pub size: [f64; 2],
    /// How long its lines are, mm.
    pub length: f64,
    /// How many.
    pub count: u32,
    /// Whether it hangs together.
    pub joins: Joins,
}

/// The sheets.
#[derive(Clone, Debug, PartialEq)]
pub struct PipingSheets {
    /// The sheets, each an SVG file.
    pub sheets: Vec<String>,
    /// How many outlines are on each.
    pub per_sheet: Vec<usize>,
}

/// Why outlines cannot be laid out.
#[derive(Clone, Debug, PartialEq)]
pub enum LayoutError {
    /// One that no sheet holds.
    TooLarge {
        /// Which of them.
        index: usize,
        /// A sheet's room.
        width: f64,
        /// A sheet's room.
        height: f64,
        /// Its own width.
        w: f64,
        /// Its own height.
        h: f64,
    },
    /// More than are sensible.
    TooMany,
}

impl LayoutError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::TooLarge { width, height, w, h, .. } => say::too_large_for_a_sheet(
                millimetres(*width),
                millimetres(*height),
                millimetres(*w),
                millimetres(*h),
            ),
            Self::TooMany => say::more_sheets_than(MOST_SHEETS),
        }
    }
}

spoken!(LayoutError);

/// Outlines, each with how it hangs together, piped with a line of a width; flooded or not.
#[must_use]
pub fn looked_at(wanted: &[Wanted], line_mm: f64, flooded: bool) -> Vec<LaidOut> {
    wanted
        .iter()
        .map(|one| LaidOut {
            name: one.name.clone(),
            size: one.outline.size(),
            length: one.outline.length(),
            count: one.count,
            joins: joins(&one.outline, line_mm, flooded),
        })
        .collect()
}

/// Lays outlines out in rows, the highest first, to be piped with a line of a width;
/// mirrored where the face goes down.
///
/// # Errors
/// Where one is larger than a sheet, or they take too many.
pub fn piping_sheets(
    wanted: &[Wanted],
    line_mm: f64,
    mirrored: bool,
    paper: Paper,
) -> Result<PipingSheets, LayoutError> {
    let [width, height] = paper.room(false);
    let edge = line_mm / 2.0;
    for (index, one) in wanted.iter().enumerate() {
        let [w, h] = one.outline.size();
        if w + line_mm > width || h + line_mm > height {
            return Err(LayoutError::TooLarge {
                index,
                width: width - line_mm,
                height: height - line_mm,
                w,
                h,
            });
        }
    }
    let in_colours: Vec<_> = wanted
        .iter()
        .map(|one| {
            let [w, _] = one.outline.size();
            one.in_colours().map(|lines| if mirrored { lines.mirrored_within(w) } else { lines })
        })
        .collect();
    let mut all: Vec<(&Wanted, &[Outline; 2])> = wanted
        .iter()
        .zip(&in_colours)
        .flat_map(|(one, lines)| std::iter::repeat_n((one, lines), one.count as usize))
        .collect();
    all.sort_by(|(a, _), (b, _)| b.outline.size()[1].total_cmp(&a.outline.size()[1]));
    let gap = line_mm + BETWEEN;
    let mut sheets: Vec<Vec<Mark>> = Vec::new();
    let mut per_sheet = Vec::new();
    let (mut x, mut y, mut row) = (edge, edge, 0.0_f64);
    for (one, in_colours) in all {
        let [w, h] = one.outline.size();
        if x + w + edge > width && x > edge {
            (x, y, row) = (edge, y + row + gap, 0.0);
        }
        if sheets.is_empty() || y + h + edge > height {
            if sheets.len() == MOST_SHEETS {
                return Err(LayoutError::TooMany);
            }
            sheets.push(Vec::new());
            per_sheet.push(0);
            (x, y, row) = (edge, edge, 0.0);
        }
        if let (Some(marks), Some(count)) = (sheets.last_mut(), per_sheet.last_mut()) {
            // What is piped first is drawn darker.
            for (lines, colour) in in_colours.iter().zip(["#d9d4cf", "#a39b93"]) {
                if lines.is_empty() {
                    continue;
                }
                let data = lines.at(x, y).svg();
                // The line as wide as it is piped, and its middle to follow with the tip.
                marks.push(Mark::Path { data: data.clone(), width: line_mm, colour });
                marks.push(Mark::Path { data, width: 0.4, colour: "#111" });
            }
            *count += 1;
        }
        x += w + gap;
        row = row.max(h);
    }
    let face = if mirrored { "face down: mirrored" } else { "face up" };
    let sheets = sheets
        .into_iter()
        .flat_map(|marks| {
            let title = format!("Pipe {line_mm} mm wide, {face}");
            let drawing = Drawing { size: [width, height], marks, title };
            // As large as a sheet, it is one sheet.
            drawing.sheets(paper).unwrap_or_default()
        })
        .collect();
    Ok(PipingSheets { sheets, per_sheet })
}

#[cfg(test)]
mod tests {
    use super::super::shapes::star;
    use super::*;

    fn stars(count: u32, width_mm: f64) -> Wanted {
        let outline = star(5, 0.45).as_wide_as(width_mm);
        Wanted { outline, features: Vec::new(), bridges: 0, count, name: "stars".to_owned() }
    }

    #[test]
    fn as_many_go_on_a_sheet_as_have_room() {
        let laid = piping_sheets(&[stars(30, 50.0)], 4.0, true, Paper::A4).expect("laid out");
        // Three across and four down.
        assert_eq!(laid.per_sheet, [12, 12, 6]);
        assert_eq!(laid.sheets.len(), 3);
        assert!(laid.sheets[0].contains("mirrored"));
        assert_eq!(looked_at(&[stars(30, 50.0)], 4.0, false)[0].joins.parts, 1);
    }

    #[test]
    fn features_are_drawn_darker_and_turned_with_what_they_lie_on() {
        let face = "M0 0 L60 0 L60 60 L0 60 Z M10 20 L20 20";
        let outline = Outline::new(kurbo::BezPath::from_svg(face).expect("a path"));
        let name = "face".to_owned();
        let face = Wanted { outline, features: vec![1], bridges: 0, count: 1, name };
        let [body, features] = face.in_colours();
        assert!((body.length() - 240.0).abs() < 1e-9 && (features.length() - 10.0).abs() < 1e-9);
        let sheets = piping_sheets(std::slice::from_ref(&face), 4.0, true, Paper::A4);
        let sheet = &sheets.expect("laid out").sheets[0];
        assert_eq!(sheet.matches("#a39b93").count(), 1, "{sheet}");
        // Ten to twenty from the left are forty to fifty from it as seen from behind.
        let turned = features.mirrored_within(60.0);
        assert_eq!(turned.strokes()[0].points, [[50.0, 20.0], [40.0, 20.0]]);
    }

    #[test]
    fn one_that_no_sheet_holds_is_named() {
        let told = piping_sheets(&[stars(1, 60.0), stars(1, 400.0)], 4.0, false, Paper::Letter);
        assert!(matches!(told, Err(LayoutError::TooLarge { index: 1, .. })), "{told:?}");
        let crowd = piping_sheets(&[stars(2_000, 90.0)], 4.0, false, Paper::A4);
        assert_eq!(crowd, Err(LayoutError::TooMany));
    }
}
