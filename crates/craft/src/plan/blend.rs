//! Chocolates mixed with each other.

use serde::{Deserialize, Serialize};

use crate::catalogue::chocolate as say;
use crate::check::{self, Checker};
use crate::chocolate::{Chocolate, Family, other_fat_pct};
use crate::note::Note;

/// One part of a blend.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BlendPart {
    /// Its family.
    pub family: Family,
    /// Its share by mass.
    pub share_pct: f64,
}

/// The chocolate of a blend's parts, with faults noted under `field`; `None`
/// where they cannot be blended.
pub fn blended(parts: &[BlendPart], field: &str, check: &mut Checker) -> Option<Chocolate> {
    for (i, part) in parts.iter().enumerate() {
        check.number(format_args!("{field}[{i}].share_pct"), part.share_pct, check::SHARE_PCT);
    }
    let parts: Vec<_> =
        parts.iter().map(|part| (Chocolate::of(part.family), part.share_pct)).collect();
    Chocolate::blend(&parts).map_err(|error| check.fault(field, error.message())).ok()
}

/// Of coating and of what is tempered the share there is less of, per cent.
fn other_fat(parts: &[BlendPart]) -> f64 {
    let parts: Vec<_> =
        parts.iter().map(|part| (Chocolate::of(part.family), part.share_pct)).collect();
    other_fat_pct(&parts)
}

/// Whether there is coating in a chocolate, or chocolate in a coating.
pub(super) fn are_fats_mixed(parts: &[BlendPart]) -> bool {
    other_fat(parts) > 0.0
}

/// A remark on the coating in a chocolate, or the chocolate in a coating.
pub(super) fn remark(parts: &[BlendPart]) -> Option<Note> {
    are_fats_mixed(parts).then(|| Note::caution("other-fat", say::other_fat(other_fat(parts))))
}

/// A family's chocolate, or that of a blend in its place, with faults noted under
/// `blend`.
pub(crate) fn family_or_blend(
    family: Family,
    blend: Option<&[BlendPart]>,
    check: &mut Checker,
) -> Chocolate {
    blend.and_then(|parts| blended(parts, "blend", check)).unwrap_or_else(|| Chocolate::of(family))
}
