//! What is different about a batch from the maker's own good ones: more than three spreads from the
//! middle, the spread by the median of distances (robust: one odd evening moves neither).

use super::factor::{Case, Factor};

/// Of fewer good ones nobody can say what is usual.
const FEWEST_GOOD: usize = 5;
/// A median of distances as a standard deviation, for what is spread normally.
const AS_DEVIATION: f64 = 1.4826;
/// So many spreads off stands out.
const STANDS_OUT: f64 = 3.0;

/// What is usual of a factor in the maker's good batches.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Usual {
    /// The middle.
    pub middle: f64,
    /// The spread around it.
    pub spread: f64,
}

impl Usual {
    /// How many spreads a value is off.
    #[must_use]
    pub fn off(&self, value: f64) -> f64 {
        (value - self.middle).abs() / self.spread
    }

    /// Whether a value stands out.
    #[must_use]
    pub fn stands_out(&self, value: f64) -> bool {
        self.off(value) > STANDS_OUT
    }
}

fn median(mut values: Vec<f64>) -> Option<f64> {
    values.sort_by(f64::total_cmp);
    let last = values.len().checked_sub(1)?;
    Some(f64::midpoint(values[last / 2], values[last.div_ceil(2)]))
}

/// What is usual of a factor in the good ones among these; nothing where there are too few.
#[must_use]
pub fn usual_of(factor: Factor, cases: &[Case]) -> Option<Usual> {
    let good = cases.iter().filter(|case| !case.faulty);
    let values: Vec<f64> = good.filter_map(|case| case.value(factor)).collect();
    if values.len() < FEWEST_GOOD {
        return None;
    }
    let middle = median(values.clone())?;
    let off = median(values.iter().map(|value| (value - middle).abs()).collect())?;
    Some(Usual { middle, spread: (off * AS_DEVIATION).max(factor.least_spread()) })
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn what_is_far_from_the_good_ones_stands_out_and_faulty_ones_are_not_counted() {
        let case = |gap: f64, faulty| {
            let mut values = [None; 8];
            values[Factor::StirGap as usize] = Some(gap);
            Case { values, faulty }
        };
        let mut cases: Vec<_> = [40.0, 50.0, 45.0, 60.0].map(|gap| case(gap, false)).to_vec();
        cases.extend([300.0, 400.0, 500.0].map(|gap| case(gap, true)));
        assert_eq!(usual_of(Factor::StirGap, &cases), None, "four good ones are too few");
        cases.push(case(55.0, false));
        let usual = usual_of(Factor::StirGap, &cases).expect("five good ones");
        assert!((usual.middle - 50.0).abs() < 1e-9, "{usual:?}");
        assert!(usual.stands_out(300.0) && !usual.stands_out(90.0), "{usual:?}");
        assert_eq!(usual_of(Factor::Room, &cases), None);
    }
}
