//! A record thinned for drawing.

use chrono::{DateTime, TimeDelta, Utc};

use super::fold::Bowl;
use super::record::Record;
use super::trust::Doubt;
use crate::units::Temperature;

/// A point to draw.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct CurvePoint {
    /// When.
    pub at: DateTime<Utc>,
    /// What the thermometer said.
    pub temp: Temperature,
    /// Why it is doubted, if it is.
    pub doubt: Option<Doubt>,
}

/// How much of the end of a record is shown in detail.
const DETAIL: TimeDelta = TimeDelta::minutes(25);

/// At most about `points` points that draw like the whole record, most of them
/// for its last stretch. Of each piece the coldest and the warmest reading are
/// kept, and the first and last of all. Doubted readings stand for themselves.
#[must_use]
pub fn curve(record: &Record, bowl: &Bowl, points: usize) -> Vec<CurvePoint> {
    let all: Vec<CurvePoint> = record
        .readings()
        .iter()
        .zip(&bowl.thermometer.doubts)
        .map(|(r, doubt)| CurvePoint { at: r.at, temp: r.temp, doubt: *doubt })
        .collect();
    let (Some(first), Some(last)) = (all.first(), all.last()) else { return all };
    let (older, recent) = all.split_at(all.partition_point(|p| p.at < last.at - DETAIL));
    let mut thinned = vec![*first];
    thin(older, points / 3, &mut thinned);
    thin(recent, points - points / 3, &mut thinned);
    thinned.push(*last);
    thinned.dedup();
    thinned
}

fn thin(all: &[CurvePoint], points: usize, into: &mut Vec<CurvePoint>) {
    let pieces = (points / 2).max(1);
    if all.len() <= pieces * 2 {
        into.extend(all);
        return;
    }
    let by_temp = |a: &&CurvePoint, b: &&CurvePoint| a.temp.value.total_cmp(&b.temp.value);
    for piece in all.chunks(all.len().div_ceil(pieces)) {
        let trusted = || piece.iter().filter(|p| p.doubt.is_none());
        let mut kept: Vec<CurvePoint> = [
            trusted().min_by(by_temp),
            trusted().max_by(by_temp),
            piece.iter().find(|p| p.doubt.is_some()),
        ]
        .into_iter()
        .flatten()
        .copied()
        .collect();
        kept.sort_by_key(|p| p.at);
        kept.dedup();
        into.extend(kept);
    }
}
