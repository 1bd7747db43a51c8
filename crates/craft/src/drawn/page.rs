//! Sheets of paper, at true size.
//!
//! Every sheet has a rule of a hundred millimetres on it: measured after printing, it
//! tells whether the printer kept the size. What is larger than a sheet goes on several,
//! which overlap and have marks to lay them together by.

use crate::catalogue::drawn as say;
use crate::message::{Message, spoken};
use std::fmt::Write;

use serde::{Deserialize, Serialize};

/// Kept free at each edge, mm: printers do not reach it.
const MARGIN: f64 = 8.0;
/// Kept free at the foot for the rule and the words, mm.
const FOOT: f64 = 12.0;
/// Sheets of one drawing overlap by so much, mm.
const OVERLAP: f64 = 10.0;
/// Sheets of one drawing at most.
pub const MOST_SHEETS: usize = 40;

/// A size of paper.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Paper {
    /// 210 by 297 mm.
    #[default]
    A4,
    /// 8½ by 11 inches.
    Letter,
}

impl Paper {
    /// Width and height upright, mm.
    #[must_use]
    pub fn size(self) -> [f64; 2] {
        match self {
            Self::A4 => [210.0, 297.0],
            Self::Letter => [215.9, 279.4],
        }
    }

    /// What can be drawn on, upright or on its side: width and height, mm.
    #[must_use]
    pub fn room(self, sideways: bool) -> [f64; 2] {
        let [mut w, mut h] = self.size();
        if sideways {
            std::mem::swap(&mut w, &mut h);
        }
        [w - 2.0 * MARGIN, h - 2.0 * MARGIN - FOOT]
    }
}

/// One thing that is drawn, mm.
#[derive(Clone, Debug, PartialEq)]
pub enum Mark {
    /// A path, as SVG data, with a line of a width and a colour.
    Path {
        /// Its data.
        data: String,
        /// How wide the line is.
        width: f64,
        /// Its colour.
        colour: &'static str,
    },
    /// Words.
    Words {
        /// Where they begin.
        at: [f64; 2],
        /// What they say.
        text: String,
    },
}

/// A drawing that is to be printed.
#[derive(Clone, Debug, PartialEq)]
pub struct Drawing {
    /// Width and height, mm.
    pub size: [f64; 2],
    /// What is drawn.
    pub marks: Vec<Mark>,
    /// What stands at the foot of each sheet.
    pub title: String,
}

/// More sheets than are sensible.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct TooManySheets {
    /// How many it would take.
    pub sheets: usize,
}

impl TooManySheets {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        say::too_many_sheets(self.sheets, MOST_SHEETS)
    }
}

spoken!(TooManySheets);

fn escaped(text: &str) -> String {
    text.replace('&', "&amp;").replace('<', "&lt;").replace('>', "&gt;").replace('"', "&quot;")
}

impl Drawing {
    /// The sheets, each an SVG file at true size: upright or on its side, whichever
    /// takes fewer.
    ///
    /// # Errors
    /// Where it would take more than [`MOST_SHEETS`].
    pub fn sheets(&self, paper: Paper) -> Result<Vec<String>, TooManySheets> {
        let (upright, sideways) = (self.tiles(paper.room(false)), self.tiles(paper.room(true)));
        let count = |[across, down]: [usize; 2]| across * down;
        let on_side = count(sideways) < count(upright);
        let [across, down] = if on_side { sideways } else { upright };
        if across * down > MOST_SHEETS {
            return Err(TooManySheets { sheets: across * down });
        }
        let room = paper.room(on_side);
        let mut sheets = Vec::new();
        for row in 0..down {
            for column in 0..across {
                sheets.push(self.sheet(paper, on_side, room, [column, row], [across, down]));
            }
        }
        Ok(sheets)
    }

    /// How many sheets it takes either way.
    fn tiles(&self, room: [f64; 2]) -> [usize; 2] {
        let along = |size: f64, room: f64| {
            if size <= room + 1e-6 {
                1
            } else {
                ((size - OVERLAP) / (room - OVERLAP)).ceil() as usize
            }
        };
        [along(self.size[0], room[0]), along(self.size[1], room[1])]
    }

    fn sheet(
        &self,
        paper: Paper,
        on_side: bool,
        room: [f64; 2],
        [column, row]: [usize; 2],
        [across, down]: [usize; 2],
    ) -> String {
        let [mut w, mut h] = paper.size();
        if on_side {
            std::mem::swap(&mut w, &mut h);
        }
        let step = [room[0] - OVERLAP, room[1] - OVERLAP];
        let from = [step[0] * column as f64, step[1] * row as f64];
        let mut svg = format!(
            "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{w}mm\" height=\"{h}mm\" viewBox=\"0 0 {w} {h}\">\n"
        );
        // Writing to a string does not fail.
        let _ = writeln!(
            svg,
            "<clipPath id=\"room\"><rect x=\"{MARGIN}\" y=\"{MARGIN}\" width=\"{}\" height=\"{}\"/></clipPath>",
            room[0], room[1]
        );
        let _ = writeln!(
            svg,
            "<g clip-path=\"url(#room)\"><g transform=\"translate({:.2} {:.2})\" fill=\"none\" stroke-linecap=\"round\" stroke-linejoin=\"round\">",
            MARGIN - from[0],
            MARGIN - from[1]
        );
        for mark in &self.marks {
            let _ = match mark {
                Mark::Path { data, width, colour } => {
                    writeln!(
                        svg,
                        "<path d=\"{data}\" stroke=\"{colour}\" stroke-width=\"{width}\"/>"
                    )
                }
                Mark::Words { at: [x, y], text } => writeln!(
                    svg,
                    "<text x=\"{x:.1}\" y=\"{y:.1}\" font-family=\"sans-serif\" font-size=\"4\" fill=\"#333\">{}</text>",
                    escaped(text)
                ),
            };
        }
        svg.push_str("</g></g>\n");
        for joint in joints([column, row], [across, down]) {
            svg.push_str(&joint.crosses(room));
        }
        svg.push_str(&foot(
            h,
            &self.title,
            (across * down > 1).then_some([row * across + column + 1, across * down]),
        ));
        svg.push_str("</svg>\n");
        svg
    }
}

/// The rule of a hundred millimetres, and the words beside it.
fn foot(high: f64, title: &str, of: Option<[usize; 2]>) -> String {
    let (y, top, end, words) = (high - MARGIN, high - MARGIN - 1.5, MARGIN + 100.0, MARGIN + 103.0);
    let sheet = of.map_or_else(String::new, |[at, of]| format!(", sheet {at} of {of}"));
    let text = |y: f64, words_: &str| {
        format!(
            "<text x=\"{words}\" y=\"{y}\" font-family=\"sans-serif\" font-size=\"3.2\" fill=\"#000\">{words_}</text>\n"
        )
    };
    format!(
        "<path d=\"M{MARGIN} {y} h100 M{MARGIN} {top} v3 M{end} {top} v3\" stroke=\"#000\" stroke-width=\"0.3\" fill=\"none\"/>\n{}{}",
        text(y - 3.0, &format!("{}{sheet}", escaped(title))),
        text(y + 1.0, "This line is 100 mm: print at 100 % and measure it.")
    )
}

/// Where a sheet meets another.
struct Joint {
    /// Along which way they lie: 0 beside each other, 1 one above the other.
    axis: usize,
    /// Whether the other comes before this one.
    before: bool,
    /// The same on both sheets.
    name: String,
}

fn joints([column, row]: [usize; 2], [across, down]: [usize; 2]) -> Vec<Joint> {
    let beside = |left: usize, before| Joint {
        axis: 0,
        before,
        name: format!("{}{}", letter(left), row + 1),
    };
    let below = |upper: usize, before| Joint {
        axis: 1,
        before,
        name: format!("{}{}", upper + 1, letter(column)),
    };
    let mut all = Vec::new();
    if column > 0 {
        all.push(beside(column - 1, true));
    }
    if column + 1 < across {
        all.push(beside(column, false));
    }
    if row > 0 {
        all.push(below(row - 1, true));
    }
    if row + 1 < down {
        all.push(below(row, false));
    }
    all
}

fn letter(index: usize) -> char {
    char::from(b'A' + u8::try_from(index % 26).unwrap_or(0))
}

impl Joint {
    /// Crosses half way through the overlap, at a quarter and three quarters along it.
    fn crosses(&self, room: [f64; 2]) -> String {
        let half = OVERLAP / 2.0;
        let at = MARGIN + if self.before { half } else { room[self.axis] - half };
        let mut svg = String::new();
        for share in [0.25, 0.75] {
            let along = MARGIN + room[1 - self.axis] * share;
            let [x, y] = if self.axis == 0 { [at, along] } else { [along, at] };
            let _ = writeln!(
                svg,
                "<path d=\"M{:.2} {y:.2} h8 M{x:.2} {:.2} v8\" stroke=\"#c2185b\" stroke-width=\"0.5\" fill=\"none\"/>\
                 <text x=\"{:.2}\" y=\"{:.2}\" font-family=\"sans-serif\" font-size=\"4\" fill=\"#c2185b\">{}</text>",
                x - 4.0,
                y - 4.0,
                x + 0.8,
                y - 1.2,
                self.name
            );
        }
        svg
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn drawing(size: [f64; 2]) -> Drawing {
        let data = format!("M0 0 H{} V{} H0 Z", size[0], size[1]);
        let marks = vec![Mark::Path { data, width: 0.5, colour: "#000" }];
        Drawing { size, marks, title: "Moons & stars".to_owned() }
    }

    #[test]
    fn it_is_at_true_size_and_carries_its_rule() {
        let sheets = drawing([100.0, 100.0]).sheets(Paper::A4).expect("one sheet");
        assert_eq!(sheets.len(), 1);
        assert!(sheets[0].contains("width=\"210mm\" height=\"297mm\" viewBox=\"0 0 210 297\""));
        assert!(sheets[0].contains("h100") && sheets[0].contains("Moons &amp; stars"));
        assert!(roxmltree::Document::parse(&sheets[0]).is_ok());
    }

    #[test]
    fn what_is_wide_lies_on_its_side_or_goes_on_several_that_meet() {
        let wide = drawing([260.0, 150.0]).sheets(Paper::A4).expect("one sheet");
        assert_eq!(wide.len(), 1);
        assert!(wide[0].contains("width=\"297mm\""));
        let strip = drawing([590.0, 105.0]).sheets(Paper::A4).expect("some sheets");
        assert_eq!(strip.len(), 3);
        // Each joint is marked on both of its sheets.
        let marks = |sheet: &str, name: &str| sheet.matches(&format!(">{name}<")).count();
        assert_eq!((marks(&strip[0], "A1"), marks(&strip[1], "A1")), (2, 2));
        assert_eq!((marks(&strip[1], "B1"), marks(&strip[2], "B1")), (2, 2));
        assert!(strip[2].contains("sheet 3 of 3"));
        assert!(drawing([9_000.0, 9_000.0]).sheets(Paper::Letter).is_err());
    }
}
