//! How well forecasts fitted: what was forecast for three minutes ahead, against what was read then,
//! wherever nothing was done to the bowl in between.

use chrono::{DateTime, TimeDelta, Utc};

use crate::bowl::{ActionKind, Record, Setup, fold, forecast};
use crate::units::{in_celsius, seconds};

/// So far ahead.
const AHEAD: TimeDelta = TimeDelta::minutes(3);
/// How far apart moments are looked at.
const EVERY: TimeDelta = TimeDelta::seconds(60);
/// A reading so near to a moment is of it.
const NEAR: TimeDelta = TimeDelta::seconds(20);
/// A bowl is looked at so often at most.
const MOST: usize = 40;

/// How well one bowl's forecasts fitted.
#[derive(Clone, Copy, Debug, Default, PartialEq)]
pub struct Fit {
    /// So many were compared.
    pub compared: usize,
    /// So many of them lay within the range that was shown.
    pub held: usize,
    /// How far they were off together, °C.
    pub off_c: f64,
}

/// What was known of a bowl at a moment.
fn until(record: &Record, at: DateTime<Utc>) -> Record {
    Record::new(
        record.readings().iter().filter(|one| one.at <= at).copied().collect(),
        record.entries().iter().filter(|one| one.at <= at).cloned().collect(),
    )
}

/// How well a bowl's forecasts fitted, from the end of its melt on.
#[must_use]
pub fn fitted(setup: &Setup, record: &Record) -> Fit {
    let mut fit = Fit::default();
    let Some((off, end)) = record.off_heat().zip(record.last_at()) else { return fit };
    let moments = (1..).map(|n| off + EVERY * n).take_while(|at| *at + AHEAD <= end).take(MOST);
    for at in moments {
        let then = at + AHEAD;
        // To stir and to test moves nothing; whatever else is done, does.
        let left_alone = record.actions().all(|action| {
            action.at < at
                || action.at > then
                || matches!(
                    action.kind,
                    ActionKind::Stirred | ActionKind::TestStarted | ActionKind::TestSeen { .. }
                )
        });
        let read = record.readings().iter().min_by_key(|one| (one.at - then).abs());
        let Some(read) = read.filter(|one| left_alone && (one.at - then).abs() <= NEAR) else {
            continue;
        };
        let known = until(record, at);
        let bowl = fold(setup, &known, at);
        let Ok(said) = forecast(setup, &known, &bowl) else { continue };
        let outlook = said.after(seconds((read.at - said.from).as_seconds_f64()));
        let was = in_celsius(read.temp);
        fit.compared += 1;
        let within = in_celsius(outlook.low)..=in_celsius(outlook.high);
        fit.held += usize::from(within.contains(&was));
        fit.off_c += (was - in_celsius(outlook.typical)).abs();
    }
    fit
}

/// How well forecasts fitted over several bowls.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Fitted {
    /// So many bowls.
    pub bowls: usize,
    /// The share of what was compared that lay within the range shown, %.
    pub held_pct: f64,
    /// How far off in the mean, °C.
    pub off_c: f64,
}

/// How well forecasts fitted; nothing where none was compared.
#[must_use]
pub fn how_well<'a>(fits: impl IntoIterator<Item = &'a Fit>) -> Option<Fitted> {
    let mut all = Fit::default();
    let mut bowls = 0;
    for fit in fits.into_iter().filter(|fit| fit.compared > 0) {
        bowls += 1;
        all.compared += fit.compared;
        all.held += fit.held;
        all.off_c += fit.off_c;
    }
    let of = all.compared as f64;
    (bowls > 0).then(|| Fitted {
        bowls,
        held_pct: all.held as f64 / of * 100.0,
        off_c: all.off_c / of,
    })
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;
    use crate::method::Method;
    use crate::plan::{BowlInputs, bowl};
    use crate::pot::{Evening, evening};

    #[test]
    fn forecasts_of_simulated_evenings_fit() {
        let fits: Vec<Fit> = (0..4)
            .map(|seed| {
                // By seeding there is always something to do; this comes down by itself.
                let mut inputs = BowlInputs::alone(Family::Dark, 600.0);
                inputs.method = Method::find("ready_crystals");
                inputs.kitchen.ready_crystals = true;
                let run = bowl(&inputs).expect("a plan").run(DateTime::UNIX_EPOCH);
                fitted(&run.setup, &evening(&run, &Evening::calm(seed)).record)
            })
            .collect();
        let well = how_well(&fits).expect("something was compared");
        assert!(well.bowls >= 3 && well.held_pct > 60.0 && well.off_c < 1.0, "{well:?} {fits:?}");
        assert_eq!(how_well(&[Fit::default()]), None);
    }
}
