//! From many lessons to one number.

use super::Number;

/// So many of the latest bowls count: gear changes, and so do habits.
const LATEST: usize = 15;

/// A number that was learned.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Learned {
    /// The number to use.
    pub value: f64,
    /// How many bowls it rests on.
    pub bowls: usize,
}

/// The number to use after some bowls, the latest first; `None` where none of
/// them taught anything.
///
/// It is the median of what they taught and of what is usual, which counts as a
/// bowl of its own. So the first bowl moves it half the way, and one bowl with a
/// bad probe among several moves it no further than the next good one. What
/// cannot be is left out.
///
/// ```
/// use craft::learn::{Number, learned_value};
///
/// let good = [0.42, 0.41, 0.43, 0.40];
/// let with_a_bad_one = [0.42, 0.41, 0.79, 0.43, 0.40];
/// let value = |seen: &[f64]| learned_value(Number::Efficiency, seen.iter().copied()).unwrap().value;
/// assert!((value(&good) - 0.42).abs() < 0.01);
/// assert!((value(&with_a_bad_one) - value(&good)).abs() < 0.011);
/// ```
#[must_use]
pub fn learned_value(number: Number, taught: impl Iterator<Item = f64>) -> Option<Learned> {
    let bounds = number.bounds();
    let mut seen: Vec<f64> = taught.filter(|value| bounds.contain(*value)).take(LATEST).collect();
    let bowls = seen.len();
    if bowls == 0 {
        return None;
    }
    seen.push(number.usual());
    Some(Learned { value: median(&mut seen), bowls })
}

/// So many bowls must have taught it before their range is told.
const RANGE_OF: usize = 4;

/// Between which values most of the latest bowls lie: without the lowest and the highest of ten;
/// `None` where too few taught it.
#[must_use]
pub fn spread(number: Number, taught: impl Iterator<Item = f64>) -> Option<[f64; 2]> {
    let bounds = number.bounds();
    let mut seen: Vec<f64> = taught.filter(|value| bounds.contain(*value)).take(LATEST).collect();
    if seen.len() < RANGE_OF {
        return None;
    }
    seen.sort_by(f64::total_cmp);
    let cut = seen.len() / 10;
    Some([seen[cut], seen[seen.len() - 1 - cut]])
}

/// The middle of some numbers, of which there is at least one.
pub(super) fn median(values: &mut [f64]) -> f64 {
    values.sort_by(f64::total_cmp);
    let middle = values.len() / 2;
    if values.len().is_multiple_of(2) {
        f64::midpoint(values[middle - 1], values[middle])
    } else {
        values[middle]
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_range_is_told_of_four_bowls_and_leaves_out_one_of_ten() {
        let of = |seen: &[f64]| spread(Number::TemperingPace, seen.iter().copied());
        assert_eq!(of(&[1.0, 1.2, 0.9]), None);
        assert_eq!(of(&[1.0, 1.2, 0.9, 100.0]), None, "what cannot be is no bowl");
        assert_eq!(of(&[1.0, 1.2, 0.9, 1.4]), Some([0.9, 1.4]));
        let mut ten = vec![1.0; 8];
        ten.extend([0.3, 5.0]);
        assert_eq!(of(&ten), Some([1.0, 1.0]));
    }

    fn of(number: Number, seen: &[f64]) -> Option<Learned> {
        learned_value(number, seen.iter().copied())
    }

    #[test]
    fn the_first_bowl_moves_it_half_the_way() {
        let learned = of(Number::Cooling, &[1.4]).expect("one bowl");
        assert!((learned.value - 1.2).abs() < 1e-9);
        assert_eq!(learned.bowls, 1);
        assert_eq!(of(Number::Cooling, &[]), None);
    }

    #[test]
    fn what_cannot_be_teaches_nothing() {
        assert_eq!(of(Number::Efficiency, &[0.02, 1.7, f64::NAN]), None);
        let learned = of(Number::CarryOver, &[3.0, -40.0, 3.2, 3.1]).expect("three bowls");
        assert_eq!(learned.bowls, 3);
        assert!((learned.value - 3.05).abs() < 1e-9);
    }

    #[test]
    fn one_bad_bowl_of_many_moves_it_no_further_than_its_neighbour() {
        let good = [1.10, 1.12, 1.08, 1.11];
        for bad in [0.31, 2.9] {
            let mut seen = good.to_vec();
            seen.insert(0, bad);
            let value = of(Number::Cooling, &seen).expect("learned").value;
            assert!((1.05..=1.12).contains(&value), "{value} with {bad}");
        }
    }

    #[test]
    fn only_the_latest_count() {
        let mut seen = vec![0.4; LATEST];
        seen.extend(vec![0.6; 100]);
        let learned = of(Number::Efficiency, &seen).expect("learned");
        assert_eq!(learned, Learned { value: 0.4, bowls: LATEST });
    }
}
