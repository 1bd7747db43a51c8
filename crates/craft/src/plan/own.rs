//! The maker's own numbers for a chocolate.

use serde::{Deserialize, Serialize};

use crate::check::{self, Checker};
use crate::chocolate::{Band, Chocolate, OwnNumbers};
use crate::units::{celsius, percent_of};

/// The maker's own numbers over a family's defaults.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct OwnInputs {
    /// Own melting band, lower and upper end.
    #[cfg_attr(feature = "schema", schema(min_items = 2, max_items = 2))]
    pub melt_c: Option<[f64; 2]>,
    /// Own limit.
    pub limit_c: Option<f64>,
    /// Own cool point.
    #[cfg_attr(feature = "schema", schema(min_items = 2, max_items = 2))]
    pub cool_c: Option<[f64; 2]>,
    /// Own working band.
    #[cfg_attr(feature = "schema", schema(min_items = 2, max_items = 2))]
    pub work_c: Option<[f64; 2]>,
    /// Own temperature at which temper is lost.
    pub lost_c: Option<f64>,
    /// Own temperature at which the bowl thickens.
    pub thick_c: Option<f64>,
    /// Own share of fat.
    pub fat_pct: Option<f64>,
}

impl OwnInputs {
    /// These numbers, and those of others where these leave one out.
    #[must_use]
    pub fn or(self, others: Self) -> Self {
        Self {
            melt_c: self.melt_c.or(others.melt_c),
            limit_c: self.limit_c.or(others.limit_c),
            cool_c: self.cool_c.or(others.cool_c),
            work_c: self.work_c.or(others.work_c),
            lost_c: self.lost_c.or(others.lost_c),
            thick_c: self.thick_c.or(others.thick_c),
            fat_pct: self.fat_pct.or(others.fat_pct),
        }
    }

    /// A chocolate with these numbers over it, with faults noted under `field`;
    /// the chocolate as it was where they cannot be used.
    pub fn check(&self, field: &str, base: impl Into<Chocolate>, check: &mut Checker) -> Chocolate {
        let base = base.into();
        let mut temp = |name: &str, value: Option<f64>| {
            check.optional(format_args!("{field}.{name}"), value, check::MELTED_C).map(celsius)
        };
        let (limit, lost, thick) = (
            temp("limit_c", self.limit_c),
            temp("lost_c", self.lost_c),
            temp("thick_c", self.thick_c),
        );
        let mut band = |name: &str, value: Option<[f64; 2]>| {
            value.map(|[lo, hi]| Band {
                lo: temp(name, Some(lo)).unwrap_or_default(),
                hi: temp(name, Some(hi)).unwrap_or_default(),
            })
        };
        let (melt, cool, work) =
            (band("melt_c", self.melt_c), band("cool_c", self.cool_c), band("work_c", self.work_c));
        let fat = check
            .optional(format!("{field}.fat_pct"), self.fat_pct, check::FAT_PCT)
            .map(percent_of);
        let own = OwnNumbers { melt, limit, cool, work, lost, thick, fat };
        own.over(base.clone()).unwrap_or_else(|error| {
            check.fault(format!("{field}.{}_c", error.window()), error.message());
            base
        })
    }
}
