//! Sheets of labels: a grid of any size on A4 or Letter, at true size.

use serde::{Deserialize, Serialize};

use super::page::Paper;
use crate::catalogue::drawn as say;
use crate::check::{self, Bounds, Checker};
use crate::units::millimetres;

/// A grid may be so much wider than its paper by the way it was measured, mm.
const MEASURED: f64 = 0.5;

/// A sheet of labels, as its pack says or a ruler measures, mm.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LabelSheet {
    /// Which paper, upright.
    #[serde(default)]
    pub paper: Paper,
    /// How many labels beside each other.
    pub columns: u32,
    /// How many below each other.
    pub rows: u32,
    /// How wide a label is.
    pub width_mm: f64,
    /// How high.
    pub height_mm: f64,
    /// Between two beside each other.
    pub gap_x_mm: f64,
    /// Between two below each other.
    pub gap_y_mm: f64,
    /// From the left edge of the paper to the first.
    pub left_mm: f64,
    /// From its upper edge.
    pub top_mm: f64,
}

impl Default for LabelSheet {
    /// Two by four on A4, cut from plain paper.
    fn default() -> Self {
        Self {
            paper: Paper::A4,
            columns: 2,
            rows: 4,
            width_mm: 92.0,
            height_mm: 64.0,
            gap_x_mm: 6.0,
            gap_y_mm: 6.0,
            left_mm: 10.0,
            top_mm: 11.0,
        }
    }
}

impl LabelSheet {
    /// Gift tags: three by three, upright, to be cut out.
    #[must_use]
    pub fn tags(paper: Paper) -> Self {
        Self::cut(paper, [3, 3], [55.0, 85.0])
    }

    /// Cards: two by two, a quarter of the paper each, cut in its middle.
    #[must_use]
    pub fn cards(paper: Paper) -> Self {
        let [wide, high] = paper.size();
        Self::cut(paper, [2, 2], [wide / 2.0, high / 2.0])
    }

    /// So many of that size in the middle of the paper, as far apart as the room allows, with as much
    /// at the edges.
    fn cut(paper: Paper, [columns, rows]: [u32; 2], [width_mm, height_mm]: [f64; 2]) -> Self {
        let [wide, high] = paper.size();
        let apart = |room: f64, many: u32, each: f64| {
            ((room - f64::from(many) * each) / f64::from(many + 1)).max(0.0)
        };
        let (gap_x_mm, gap_y_mm) = (apart(wide, columns, width_mm), apart(high, rows, height_mm));
        Self {
            paper,
            columns,
            rows,
            width_mm,
            height_mm,
            gap_x_mm,
            gap_y_mm,
            left_mm: gap_x_mm,
            top_mm: gap_y_mm,
        }
    }

    /// Notes what is wrong with it, under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) {
        let before = check.faults();
        let mut number = |name: &str, value: f64, bounds: Bounds| {
            check.number(format_args!("{field}.{name}"), value, bounds);
        };
        number("columns", f64::from(self.columns), check::LABEL_ROWS);
        number("rows", f64::from(self.rows), check::LABEL_ROWS);
        number("width_mm", self.width_mm, check::LABEL_MM);
        number("height_mm", self.height_mm, check::LABEL_MM);
        number("gap_x_mm", self.gap_x_mm, check::LABEL_GAP_MM);
        number("gap_y_mm", self.gap_y_mm, check::LABEL_GAP_MM);
        number("left_mm", self.left_mm, check::LABEL_GAP_MM);
        number("top_mm", self.top_mm, check::LABEL_GAP_MM);
        if check.faults() > before {
            return;
        }
        let [wide, high] = self.paper.size();
        let [across, down] = self.reaches();
        for (name, reaches, paper) in [("columns", across, wide), ("rows", down, high)] {
            if reaches > paper + MEASURED {
                check.fault(
                    format!("{field}.{name}"),
                    say::labels_off_the_paper(millimetres(reaches), millimetres(paper)),
                );
            }
        }
    }

    /// How far the last of them reaches from the left and the upper edge, mm.
    fn reaches(&self) -> [f64; 2] {
        let [x, y] = self.at(self.columns.saturating_sub(1), self.rows.saturating_sub(1));
        [x + self.width_mm, y + self.height_mm]
    }

    fn at(&self, column: u32, row: u32) -> [f64; 2] {
        [
            self.left_mm + f64::from(column) * (self.width_mm + self.gap_x_mm),
            self.top_mm + f64::from(row) * (self.height_mm + self.gap_y_mm),
        ]
    }

    /// Where each label begins, row by row: from the left and the upper edge of the paper, mm.
    ///
    /// ```
    /// use craft::drawn::LabelSheet;
    ///
    /// let places = LabelSheet::default().places();
    /// assert_eq!(places.len(), 8);
    /// assert_eq!(places[..3], [[10.0, 11.0], [108.0, 11.0], [10.0, 81.0]]);
    /// ```
    #[must_use]
    pub fn places(&self) -> Vec<[f64; 2]> {
        let rows = 0..self.rows;
        rows.flat_map(|row| (0..self.columns).map(move |column| self.at(column, row))).collect()
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn fields(sheet: LabelSheet) -> Vec<String> {
        let mut check = Checker::new();
        sheet.check("sheet", &mut check);
        check.into_faults().into_iter().map(|fault| fault.field).collect()
    }

    #[test]
    fn a_grid_that_fits_is_taken_and_one_that_does_not_is_refused_by_what_is_too_many() {
        let usual = LabelSheet::default();
        assert!(fields(usual).is_empty());
        assert_eq!(fields(LabelSheet { columns: 3, ..usual }), ["sheet.columns"]);
        assert_eq!(fields(LabelSheet { paper: Paper::Letter, ..usual }), ["sheet.rows"]);
        let whole = LabelSheet {
            columns: 1,
            rows: 1,
            width_mm: 210.0,
            height_mm: 297.0,
            left_mm: 0.0,
            top_mm: 0.0,
            ..usual
        };
        assert!(fields(whole).is_empty());
        for paper in [Paper::A4, Paper::Letter] {
            assert!(fields(LabelSheet::tags(paper)).is_empty());
            assert!(fields(LabelSheet::cards(paper)).is_empty());
        }
        let odd = LabelSheet { columns: 0, width_mm: f64::NAN, gap_y_mm: -1.0, ..usual };
        assert_eq!(fields(odd), ["sheet.columns", "sheet.width_mm", "sheet.gap_y_mm"]);
    }

    #[test]
    fn labels_neither_touch_nor_leave_the_paper() {
        let sheet = LabelSheet {
            columns: 3,
            rows: 8,
            width_mm: 60.0,
            height_mm: 30.0,
            ..Default::default()
        };
        let places = sheet.places();
        for (i, [x, y]) in places.iter().enumerate() {
            assert!(x + sheet.width_mm <= 210.0 && y + sheet.height_mm <= 297.0);
            for [other_x, other_y] in &places[..i] {
                let apart =
                    (x - other_x).abs() >= sheet.width_mm || (y - other_y).abs() >= sheet.height_mm;
                assert!(apart, "{x} {y}, {other_x} {other_y}");
            }
        }
    }
}
