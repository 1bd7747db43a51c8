//! What to ask: the facts that would tell most.

use super::evidence::Fact;
use super::facts::{Facts, Tested};
use super::infer::Chances;
use crate::result::Symptom;

/// So many questions at the most.
const MOST: usize = 3;
/// What tells less is not asked, bits.
const WORTH_ASKING: f64 = 0.04;
/// A cause that happened shows in its fact so often; one that did not, so often all the same.
const SHOWS: f64 = 0.9;
const SHOWS_ANYWAY: f64 = 0.1;
/// For weighing a question two causes at once are enough.
const AT_ONCE: usize = 2;

/// A question, and how much its answer would tell.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Question {
    /// What is asked.
    pub fact: Fact,
    /// How much less would be in doubt, bits.
    pub tells: f64,
}

/// The facts that are not known and would tell most.
pub(super) fn questions(seen: &[Symptom], facts: &Facts, chances: &Chances) -> Vec<Question> {
    let doubt = in_doubt(&Chances::of(seen, facts, AT_ONCE));
    let asked = of_what_is_not_known(facts, chances);
    let mut all: Vec<Question> = Fact::ALL
        .iter()
        .filter_map(|fact| {
            let of_it = asked.iter().filter(|(of, _)| of == fact).map(|(_, chance)| *chance);
            let suspected = of_it.fold(0.0, f64::max);
            if suspected < 0.03 {
                return None;
            }
            let bad = suspected * SHOWS + (1.0 - suspected) * SHOWS_ANYWAY;
            let after = |is_bad| in_doubt(&Chances::of(seen, &facts.with(*fact, is_bad), AT_ONCE));
            let tells = doubt - (bad * after(true) + (1.0 - bad) * after(false));
            Some(Question { fact: *fact, tells })
        })
        .filter(|question| question.tells >= WORTH_ASKING)
        .collect();
    all.sort_by(|a, b| b.tells.total_cmp(&a.tells));
    all.truncate(MOST);
    all
}

/// The facts that are not known, each with the chance of a cause that it would tell of.
fn of_what_is_not_known(facts: &Facts, chances: &Chances) -> Vec<(Fact, f64)> {
    let can_be = chances.each().filter(|(row, _)| row.only.weight(facts) > 0.0);
    can_be
        .flat_map(|(row, chance)| {
            let not_known = row.cause.evidence(facts).into_iter().filter(|one| !one.known);
            not_known.map(move |one| (one.fact, chance))
        })
        .collect()
}

/// How much is in doubt, bits.
fn in_doubt(chances: &Chances) -> f64 {
    let bits = |p: f64| {
        if p > 0.0 && p < 1.0 { -p * p.log2() - (1.0 - p) * (1.0 - p).log2() } else { 0.0 }
    };
    chances.each().map(|(_, chance)| bits(chance)).sum()
}

impl Facts {
    /// The same with one fact as it would be where it is bad, or where it is as it should be.
    pub(super) fn with(&self, fact: Fact, bad: bool) -> Self {
        let mut facts = self.clone();
        let either = |yes: f64, no: f64| Some(if bad { yes } else { no });
        let limit = *facts.limit_c.get_or_insert(55.0);
        let lost = *facts.lost_c.get_or_insert(34.0);
        let [_, hi] = *facts.work_c.get_or_insert([31.0, 32.0]);
        let test = Some(if bad { Tested::Failed } else { Tested::Passed });
        match fact {
            Fact::Max => facts.max_c = either(limit + 5.0, limit - 5.0),
            Fact::AboveLost => facts.above_lost_s = either(300.0, 0.0),
            Fact::Poured => facts.poured_c = either(hi.midpoint(lost), hi - 0.5),
            Fact::Test => facts.test = test,
            Fact::Seed => facts.seed_share_pct = either(8.0, 25.0),
            Fact::Worked => facts.worked_min = either(90.0, 15.0),
            Fact::StirGap => facts.stir_gap_s = either(400.0, 40.0),
            Fact::Room => facts.room_c = either(27.0, 20.0),
            Fact::Humidity => facts.rh_pct = either(75.0, 45.0),
            Fact::Chill => facts.chill_min = either(45.0, 10.0),
            Fact::Thickness => facts.thickness_mm = either(1.2, 3.5),
            Fact::Goods => facts.goods_c = either(32.0, 20.0),
            Fact::ColourRest => facts.colour_rest_h = either(1.0, 12.0),
            Fact::ColourTest => facts.colour_test = test,
            Fact::Mould => facts.mould_c = either(28.0, 20.0),
            Fact::Polished => facts.polished = Some(!bad),
            Fact::Shrunk => facts.shrunk = Some(!bad),
            Fact::Water => facts.water = Some(bad),
            Fact::Oil => facts.oil_pct = either(8.0, 0.0),
            Fact::FatsMixed => facts.fats_mixed = Some(bad),
            Fact::Stored => facts.stored_c = either(26.0, 17.0),
            Fact::Nuts => facts.with_nuts = Some(bad),
            Fact::ToppedLate => facts.topped_late_min = either(5.0, 0.0),
            Fact::Strokes => facts.strokes = either(25.0, 5.0),
            Fact::Knocked => facts.knocked = Some(!bad),
            Fact::Age => facts.age_days = either(30.0, 0.5),
        }
        facts
    }
}
