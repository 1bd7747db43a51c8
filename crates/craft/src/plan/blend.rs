//! Chocolates mixed with each other.

use serde::{Deserialize, Serialize};

use crate::check::{self, Checker};
use crate::chocolate::{Chocolate, Family};

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
        check.number(&format!("{field}[{i}].share_pct"), part.share_pct, check::SHARE_PCT);
    }
    let parts: Vec<_> =
        parts.iter().map(|part| (Chocolate::of(part.family), part.share_pct)).collect();
    Chocolate::blend(&parts).map_err(|error| check.fault(field, error.message())).ok()
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
