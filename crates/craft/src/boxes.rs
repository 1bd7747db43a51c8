//! How many of each kind: from boxes wanted to pieces to make, and from pieces made to boxes they
//! fill.

use serde::{Deserialize, Serialize};
use statrs::statistics::{Data, OrderStatistics};

use crate::catalogue::boxes as say;
use crate::check::{self, Checker, Fault};
use crate::scale::whole_up;

/// So many kinds in a box at the most.
const MOST_KINDS: usize = 50;
/// The longest key of a component.
const LONGEST_KEY: usize = 120;
/// A sum's dust is no piece.
const DUST: f64 = 1e-6;

/// How much of one kind.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum Portion {
    /// So many pieces.
    Pieces(f64),
    /// So many grams.
    Grams(f64),
}

impl Portion {
    /// So often, with so many of a hundred to spare; whole pieces, whole grams.
    #[must_use]
    pub fn for_boxes(self, boxes: f64, spare_pct: f64) -> Self {
        let factor = boxes * (1.0 + spare_pct / 100.0);
        let whole = |amount: f64| whole_up(amount * factor);
        match self {
            Self::Pieces(pieces) => Self::Pieces(whole(pieces)),
            Self::Grams(grams) => Self::Grams(whole(grams)),
        }
    }

    /// How much, in pieces or grams.
    #[must_use]
    pub fn amount(self) -> f64 {
        match self {
            Self::Pieces(amount) | Self::Grams(amount) => amount,
        }
    }
}

/// What lies in each box of one kind.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct InEach {
    /// The kind: a component's key.
    pub component: String,
    /// So many pieces; or else `grams`.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub pieces: Option<f64>,
    /// So many grams.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub grams: Option<f64>,
}

/// What is to be made of one kind.
#[derive(Clone, Debug, PartialEq)]
pub struct ToMake {
    /// The component's key.
    pub component: String,
    /// How much, with what is spare for breakage.
    pub portion: Portion,
}

/// Notes what is wrong with what lies in each box, under `field`; gives what is right.
pub fn check(field: &str, each: &[InEach], check: &mut Checker) -> Vec<ToMake> {
    if each.is_empty() {
        check.fault(field, say::box_of_nothing());
    }
    if each.len() > MOST_KINDS {
        check.fault(field, say::too_many_kinds(MOST_KINDS, each.len()));
        return Vec::new();
    }
    let mut right: Vec<ToMake> = Vec::with_capacity(each.len());
    for (i, one) in each.iter().enumerate() {
        let of = format!("{field}[{i}]");
        check.text(format_args!("{of}.component"), &one.component, LONGEST_KEY);
        if right.iter().any(|known| known.component == one.component) {
            check.fault(format!("{of}.component"), say::kind_twice(&one.component));
        }
        let portion = match (one.pieces, one.grams) {
            (Some(pieces), None) => {
                check.number(format_args!("{of}.pieces"), pieces, check::PIECES);
                if pieces.fract() != 0.0 {
                    check.fault(format!("{of}.pieces"), say::whole_pieces());
                }
                Portion::Pieces(pieces)
            }
            (None, Some(grams)) => {
                Portion::Grams(check.number(format_args!("{of}.grams"), grams, check::IN_A_BOX_G))
            }
            _ => {
                check.fault(format!("{of}.pieces"), say::pieces_or_grams());
                continue;
            }
        };
        right.push(ToMake { component: one.component.clone(), portion });
    }
    right
}

/// What is to be made for so many boxes, with so much more for breakage: rounded up to whole
/// pieces and grams.
///
/// ```
/// use craft::boxes::{InEach, Portion, to_make};
///
/// let moons = InEach { component: "moons".into(), pieces: Some(3.0), grams: None };
/// let make = to_make(12.0, &[moons], Some(10.0)).expect("boxes");
/// assert_eq!(make[0].portion, Portion::Pieces(40.0));
/// ```
///
/// # Errors
/// Every fault, each with its field: no boxes, a box of nothing, half a piece.
pub fn to_make(
    boxes: f64,
    each: &[InEach],
    spare_pct: Option<f64>,
) -> Result<Vec<ToMake>, Vec<Fault>> {
    let mut faults = Checker::new();
    faults.number("boxes", boxes, check::BOXES);
    if boxes.fract() != 0.0 {
        faults.fault("boxes", say::whole_boxes());
    }
    faults.optional("spare_pct", spare_pct, check::SPARE_PCT);
    let in_each = check("each", each, &mut faults);
    faults.finish()?;
    let spare_pct = spare_pct.unwrap_or(0.0);
    let make = in_each.into_iter().map(|ToMake { component, portion }| ToMake {
        component,
        portion: portion.for_boxes(boxes, spare_pct),
    });
    Ok(make.collect())
}

/// How many boxes can be filled of what there is, and which kind runs out first; `None` where
/// nothing lies in a box.
#[must_use]
pub fn filled(in_each: &[ToMake], there_is: impl Fn(&str) -> f64) -> Option<(u32, &str)> {
    let boxes = in_each.iter().map(|one| {
        let of = (there_is(&one.component) / one.portion.amount() + DUST).floor();
        (of.clamp(0.0, f64::from(u32::MAX)) as u32, one.component.as_str())
    });
    boxes.min_by_key(|(boxes, _)| *boxes)
}

/// How many of a hundred are to spare, by what was counted of earlier batches, `(made, broken)`: the
/// middle of what they lost; `None` where fewer than [`COUNTED`] were counted.
///
/// What broke must be replaced by what breaks no less often: of twenty that lost one, five of a
/// hundred, six are spare.
#[must_use]
pub fn spare_learned(counted: &[(f64, f64)]) -> Option<f64> {
    let lost: Vec<f64> = counted
        .iter()
        .filter(|(made, _)| *made > 0.0)
        .map(|(made, broken)| 100.0 * broken.clamp(0.0, *made) / made)
        .collect();
    if lost.len() < COUNTED {
        return None;
    }
    let median = Data::new(lost).median();
    Some((100.0 * median / (100.0 - median).max(1.0)).ceil().min(check::SPARE_PCT.max))
}

/// So many batches must have been counted.
pub const COUNTED: usize = 3;

/// So many of a hundred are spare, where breakage was not counted yet (*custom*).
pub const USUAL_SPARE_PCT: f64 = 10.0;

#[cfg(test)]
mod tests {
    use super::*;

    fn pieces(component: &str, pieces: f64) -> InEach {
        InEach { component: component.into(), pieces: Some(pieces), grams: None }
    }

    fn weight(component: &str, grams: f64) -> InEach {
        InEach { component: component.into(), pieces: None, grams: Some(grams) }
    }

    #[test]
    fn boxes_are_pieces_and_grams_with_some_to_spare() {
        let each = [pieces("moons", 3.0), weight("bark", 50.0)];
        let make = to_make(12.0, &each, Some(10.0)).expect("boxes");
        assert_eq!(make[0].portion, Portion::Pieces(40.0), "39.6 are 40");
        assert_eq!(make[1].portion, Portion::Grams(660.0), "and 660 are 660");
        let bare = to_make(12.0, &each, None).expect("boxes");
        assert_eq!(bare[0].portion, Portion::Pieces(36.0));
    }

    #[test]
    fn what_is_left_fills_as_many_boxes_as_its_scarcest_kind() {
        let mut check = Checker::new();
        let each = super::check("each", &[pieces("moons", 3.0), weight("bark", 50.0)], &mut check);
        let there_is = |key: &str| if key == "moons" { 31.0 } else { 490.0 };
        assert_eq!(filled(&each, there_is), Some((9, "bark")));
        assert_eq!(filled(&each, |_| 0.0), Some((0, "moons")));
        assert_eq!(filled(&[], |_| 1.0), None);
    }

    #[test]
    fn breakage_is_learned_from_counts() {
        assert_eq!(spare_learned(&[(40.0, 0.0), (40.0, 0.0)]), None, "too few");
        let lost = [(40.0, 2.0), (20.0, 1.0), (50.0, 25.0)];
        assert_eq!(spare_learned(&lost), Some(6.0), "5 of 100 broke");
        assert_eq!(spare_learned(&[(40.0, 0.0); 3]), Some(0.0));
        assert_eq!(spare_learned(&[(10.0, 10.0); 4]), Some(check::SPARE_PCT.max));
    }

    #[test]
    fn a_box_of_nothing_and_half_a_piece_are_refused_by_their_field() {
        let fields = |boxes, each: &[InEach]| -> Vec<String> {
            let faults = to_make(boxes, each, Some(-1.0)).expect_err("faults");
            faults.into_iter().map(|fault| fault.field).collect()
        };
        assert_eq!(fields(0.0, &[]), ["boxes", "spare_pct", "each"]);
        let both = InEach { grams: Some(5.0), ..pieces("stars", 1.0) };
        let odd = [pieces("moons", 0.5), pieces("moons", 1.5), both, weight("bark", f64::NAN)];
        assert_eq!(
            fields(2.5, &odd),
            [
                "boxes",
                "spare_pct",
                "each[0].pieces",
                "each[1].component",
                "each[1].pieces",
                "each[2].pieces",
                "each[3].grams"
            ]
        );
    }
}
