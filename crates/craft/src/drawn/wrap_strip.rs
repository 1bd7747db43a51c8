//! The strip of a cake wrap, at true size, over as many sheets as it takes.

use super::page::{Drawing, Mark, Paper, TooManySheets};
use crate::units::{Length, in_millimetres};

/// The sheets of a strip: its edge to cut along, and where the overlap begins.
///
/// # Errors
/// Where it would take too many sheets.
pub fn wrap_sheets(
    length: Length,
    height: Length,
    overlap: Length,
    paper: Paper,
) -> Result<Vec<String>, TooManySheets> {
    let (long, high, over) =
        (in_millimetres(length), in_millimetres(height), in_millimetres(overlap));
    let line = |data: String, width: f64, colour| Mark::Path { data, width, colour };
    let mut marks = vec![
        line(format!("M0 0 H{long:.2} V{high:.2} H0 Z"), 0.6, "#111"),
        line(format!("M{:.2} 0 V{high:.2}", long - over), 0.4, "#c2185b"),
        Mark::Words { at: [long - over + 1.0, high - 3.0], text: "overlap".to_owned() },
    ];
    // A mark at each ten centimetres, from where it begins.
    let mut at = 100.0;
    while at < long {
        marks.push(line(format!("M{at} 0 v4"), 0.3, "#666"));
        marks.push(Mark::Words { at: [at + 1.0, 4.0], text: format!("{at:.0}") });
        at += 100.0;
    }
    let title = format!("Cake wrap, {long:.0} by {high:.0} mm: cut along the edge");
    Drawing { size: [long, high], marks, title }.sheets(paper)
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::millimetres;

    #[test]
    fn a_strip_goes_over_several_sheets_that_meet() {
        let sheets = |high: f64| {
            let mm = millimetres;
            wrap_sheets(mm(590.5), mm(high), mm(25.0), Paper::A4).expect("some sheets")
        };
        assert_eq!(sheets(105.0).len(), 3);
        assert!(sheets(105.0)[2].contains("overlap"));
        // Higher than a sheet on its side: it stands upright.
        assert!(sheets(230.0)[0].contains("width=\"210mm\""));
    }
}
