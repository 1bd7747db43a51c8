//! What goes with good and bad results: Fisher's exact test of each factor, Holm's correction over all
//! that could be tested, and silence where there are fewer than five on a side or chance explains it.
//!
//! Sources: R. A. Fisher, *The Design of Experiments* (1935); S. Holm, *A Simple Sequentially Rejective
//! Multiple Test Procedure* (1979).

use statrs::distribution::{Discrete, Hypergeometric};

use super::factor::{Case, Factor, Split};
use crate::catalogue::logbook as say;
use crate::message::Message;
use crate::units::{celsius, degrees, minutes, seconds};

/// At least so many cases on each side.
pub const FEWEST: usize = 5;
/// What chance does no more often than this, over all tests together.
const BY_CHANCE: f64 = 0.05;

/// So many of so many had a fault.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct Side {
    /// With a fault.
    pub faulty: usize,
    /// In all.
    pub of: usize,
}

/// What goes with results.
#[derive(Clone, Debug, PartialEq)]
pub struct Pattern {
    /// What.
    pub factor: Factor,
    /// Where the sides part.
    pub split: Split,
    /// Above it.
    pub above: Side,
    /// At it and below.
    pub below: Side,
    /// How often chance alone makes a difference as large, 0 to 1.
    pub chance: f64,
    /// The same with all that was tested counted in.
    pub corrected: f64,
    /// All that, as it is told.
    pub says: Message,
}

/// What was found, and how much was looked at.
#[derive(Clone, Debug, Default, PartialEq)]
pub struct Patterns {
    /// What goes with results, the surest first; mostly nothing.
    pub found: Vec<Pattern>,
    /// Factors that could be tested.
    pub tested: usize,
    /// Cases in all.
    pub cases: usize,
}

/// How often chance alone deals the faults out at least as unevenly over two sides.
fn by_chance(above: Side, below: Side) -> f64 {
    let all = (above.of + below.of) as u64;
    let faulty = (above.faulty + below.faulty) as u64;
    let Ok(dealt) = Hypergeometric::new(all, faulty, above.of as u64) else { return 1.0 };
    let as_it_is = dealt.pmf(above.faulty as u64);
    let most = faulty.min(above.of as u64);
    // Two-sided: every deal that is no likelier than this one. Rounding must not leave out its twin.
    let sum: f64 = (0..=most).map(|n| dealt.pmf(n)).filter(|p| *p <= as_it_is * (1.0 + 1e-7)).sum();
    sum.min(1.0)
}

/// How the cases lie on both sides of a split, above it first.
fn sides(cases: &[(f64, bool)], Split { above }: Split) -> (Side, Side) {
    let side = |is_above: bool| {
        let on_it = cases.iter().filter(|(value, _)| (*value > above) == is_above);
        Side { faulty: on_it.clone().filter(|(_, faulty)| *faulty).count(), of: on_it.count() }
    };
    (side(true), side(false))
}

/// Where a factor parts its cases: where makers draw the line, or at the middle value where too few
/// lie on one side of that. Neither looks at what had a fault, so that the test stays exact.
fn split(factor: Factor, cases: &[(f64, bool)]) -> Split {
    let custom = Split { above: factor.edge() };
    let (above, below) = sides(cases, custom);
    if factor == Factor::Test || (above.of >= FEWEST && below.of >= FEWEST) {
        return custom;
    }
    let mut values: Vec<f64> = cases.iter().map(|(value, _)| *value).collect();
    values.sort_by(f64::total_cmp);
    let middle = values.get(values.len().saturating_sub(1) / 2).copied().unwrap_or_default();
    let step = factor.step();
    Split { above: ((middle / step).round() * step * 1e6).round() / 1e6 }
}

fn says(factor: Factor, Split { above: at }: Split, above: Side, below: Side) -> Message {
    let counted = |side: Side| say::so_many_of(side.faulty, side.of);
    let (more, less) = (counted(above), counted(below));
    match factor {
        Factor::Poured => say::found_poured(degrees(at), more, less),
        Factor::Peak => say::found_peak(degrees(at), less, more),
        Factor::Test => say::found_test(more, less),
        Factor::Seed => say::found_seed(at * 100.0, less, more),
        Factor::StirGap => say::found_stir_gap(seconds(at), more, less),
        Factor::Worked => say::found_worked(minutes(at), more, less),
        Factor::Room => say::found_room(celsius(at), more, less),
        Factor::Humidity => say::found_humidity(at, more, less),
    }
}

/// What goes with good and bad results.
#[must_use]
pub fn patterns(cases: &[Case]) -> Patterns {
    let mut tested: Vec<Pattern> = Vec::new();
    for &factor in Factor::ALL {
        let known: Vec<(f64, bool)> =
            cases.iter().filter_map(|case| Some((case.value(factor)?, case.faulty))).collect();
        let split = split(factor, &known);
        let (above, below) = sides(&known, split);
        if above.of < FEWEST || below.of < FEWEST {
            continue;
        }
        let chance = by_chance(above, below);
        let says = says(factor, split, above, below);
        tested.push(Pattern { factor, split, above, below, chance, corrected: 1.0, says });
    }
    tested.sort_by(|a, b| a.chance.total_cmp(&b.chance));
    // Holm: the surest is held against all of them, the next against one fewer, none against less
    // than the one before it.
    let all = tested.len();
    let mut least = 0.0_f64;
    for (place, one) in tested.iter_mut().enumerate() {
        least = least.max((one.chance * (all - place) as f64).min(1.0));
        one.corrected = least;
    }
    let found = tested.into_iter().filter(|one| one.corrected <= BY_CHANCE).collect();
    Patterns { found, tested: all, cases: cases.len() }
}

#[cfg(test)]
mod tests {
    use super::*;
    use rand::{RngExt, SeedableRng};
    use rand_chacha::ChaCha8Rng;

    fn case(factor: Factor, value: f64, faulty: bool) -> Case {
        let mut values = [None; 8];
        values[factor as usize] = Some(value);
        Case { values, faulty }
    }

    #[test]
    fn the_exact_test_agrees_with_the_tables() {
        // Fisher's tea: eight cups, all told right.
        let tea = by_chance(Side { faulty: 4, of: 4 }, Side { faulty: 0, of: 4 });
        assert!((tea - 2.0 / 70.0).abs() < 1e-9, "{tea}");
        let poured = by_chance(Side { faulty: 6, of: 7 }, Side { faulty: 1, of: 14 });
        // C(14,1) C(7,6) / C(21,7) + C(14,0) C(7,7) / C(21,7).
        assert!((poured - (14.0 * 7.0 + 1.0) / 116_280.0).abs() < 1e-9, "{poured}");
        assert!(
            (by_chance(Side { faulty: 2, of: 5 }, Side { faulty: 2, of: 5 }) - 1.0).abs() < 1e-9
        );
    }

    #[test]
    fn what_goes_with_faults_is_told_with_its_counts() {
        let mut cases: Vec<Case> =
            (0..7).map(|i| case(Factor::StirGap, 200.0 + f64::from(i), i != 3)).collect();
        cases.extend((0..14).map(|i| case(Factor::StirGap, 30.0 + f64::from(i), i == 5)));
        let told = patterns(&cases);
        assert_eq!((told.tested, told.cases), (1, 21));
        let found = &told.found[0];
        let counted = (found.above, found.below);
        assert_eq!(counted, (Side { faulty: 6, of: 7 }, Side { faulty: 1, of: 14 }));
        let said = "A pause in stirring of more than 120 s: 6 of 7 had a fault; shorter: 1 of 14.";
        assert_eq!(found.says.text(), said);
        // Where nobody crosses the line of custom, the middle value parts them.
        let calm: Vec<Case> =
            (0..20).map(|i| case(Factor::StirGap, 15.0 * f64::from(i / 10 + 1), i >= 10)).collect();
        assert_eq!(patterns(&calm).found[0].split, Split { above: 15.0 });
    }

    #[test]
    fn fewer_than_five_on_a_side_say_nothing() {
        let mut cases: Vec<Case> = (0..4).map(|_| case(Factor::Test, 0.0, true)).collect();
        cases.extend((0..30).map(|_| case(Factor::Test, 1.0, false)));
        assert_eq!(patterns(&cases), Patterns { found: Vec::new(), tested: 0, cases: 34 });
        assert_eq!(patterns(&[]), Patterns::default());
    }

    #[test]
    fn chance_is_hardly_ever_taken_for_a_pattern() {
        let mut random = ChaCha8Rng::seed_from_u64(15);
        let found = (0..400)
            .filter(|_| {
                let cases: Vec<Case> = (0..40)
                    .map(|_| Case {
                        values: std::array::from_fn(|_| Some(random.random_range(0.0..100.0))),
                        faulty: random.random_bool(0.4),
                    })
                    .collect();
                !patterns(&cases).found.is_empty()
            })
            .count();
        assert!(found <= 20, "{found} of 400 logs of nothing but chance");
    }
}
