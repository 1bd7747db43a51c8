//! A record thinned for drawing.

use chrono::{DateTime, Utc};

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

/// At most about `points` points that draw like the whole record: of each
/// stretch the coldest and the warmest reading, and the first and last of all.
/// Doubted readings stand for themselves.
#[must_use]
pub fn curve(record: &Record, bowl: &Bowl, points: usize) -> Vec<CurvePoint> {
    let all: Vec<CurvePoint> = record
        .readings()
        .iter()
        .zip(&bowl.doubts)
        .map(|(r, doubt)| CurvePoint { at: r.at, temp: r.temp, doubt: *doubt })
        .collect();
    let stretches = points.max(4) / 2;
    if all.len() <= stretches * 2 {
        return all;
    }
    let mut thinned = Vec::with_capacity(points + 2);
    for stretch in all.chunks(all.len().div_ceil(stretches)) {
        let (trusted, doubted): (Vec<_>, Vec<_>) =
            stretch.iter().copied().partition(|p| p.doubt.is_none());
        let by_temp = |a: &&CurvePoint, b: &&CurvePoint| a.temp.value.total_cmp(&b.temp.value);
        let mut kept: Vec<CurvePoint> = trusted
            .iter()
            .min_by(by_temp)
            .into_iter()
            .chain(trusted.iter().max_by(by_temp))
            .copied()
            .collect();
        kept.extend(doubted.first());
        kept.sort_by_key(|p| p.at);
        kept.dedup();
        thinned.extend(kept);
    }
    thinned.extend(all.last());
    thinned.insert(0, all[0]);
    thinned.dedup();
    thinned
}
