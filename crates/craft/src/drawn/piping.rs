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
    /// The outline, as large as it is to be.
    pub outline: Outline,
    /// How many.
    pub count: u32,
    /// What it is called.
    pub name: String,
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
    /// The outlines.
    pub outlines: Vec<LaidOut>,
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
    let mut all: Vec<&Wanted> =
        wanted.iter().flat_map(|one| std::iter::repeat_n(one, one.count as usize)).collect();
    all.sort_by(|a, b| b.outline.size()[1].total_cmp(&a.outline.size()[1]));
    let gap = line_mm + BETWEEN;
    let mut sheets: Vec<Vec<Mark>> = Vec::new();
    let mut per_sheet = Vec::new();
    let (mut x, mut y, mut row) = (edge, edge, 0.0_f64);
    for one in all {
        let outline = if mirrored { one.outline.mirrored() } else { one.outline.clone() };
        let [w, h] = outline.size();
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
        let data = outline.at(x, y).svg();
        if let (Some(marks), Some(count)) = (sheets.last_mut(), per_sheet.last_mut()) {
            // The line as wide as it is piped, and its middle to follow with the tip.
            marks.push(Mark::Path { data: data.clone(), width: line_mm, colour: "#d9d4cf" });
            marks.push(Mark::Path { data, width: 0.4, colour: "#111" });
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
    let outlines = wanted
        .iter()
        .map(|one| LaidOut {
            name: one.name.clone(),
            size: one.outline.size(),
            length: one.outline.length(),
            count: one.count,
            joins: joins(&one.outline, line_mm),
        })
        .collect();
    Ok(PipingSheets { outlines, sheets, per_sheet })
}

#[cfg(test)]
mod tests {
    use super::super::shapes::star;
    use super::*;

    fn stars(count: u32, width_mm: f64) -> Wanted {
        Wanted { outline: star(5, 0.45).as_wide_as(width_mm), count, name: "stars".to_owned() }
    }

    #[test]
    fn as_many_go_on_a_sheet_as_have_room() {
        let laid = piping_sheets(&[stars(30, 50.0)], 4.0, true, Paper::A4).expect("laid out");
        // Three across and four down.
        assert_eq!(laid.per_sheet, [12, 12, 6]);
        assert_eq!(laid.sheets.len(), 3);
        assert!(laid.sheets[0].contains("mirrored"));
        assert_eq!(laid.outlines[0].joins.parts, 1);
    }

    #[test]
    fn one_that_no_sheet_holds_is_named() {
        let told = piping_sheets(&[stars(1, 60.0), stars(1, 400.0)], 4.0, false, Paper::Letter);
        assert!(matches!(told, Err(LayoutError::TooLarge { index: 1, .. })), "{told:?}");
        let crowd = piping_sheets(&[stars(2_000, 90.0)], 4.0, false, Paper::A4);
        assert_eq!(crowd, Err(LayoutError::TooMany));
    }
}
