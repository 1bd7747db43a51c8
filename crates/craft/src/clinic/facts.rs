//! What is known of an evening.

use serde::{Deserialize, Serialize};

use crate::catalogue::clinic as say;
use crate::check::{self, Bounds, Checker};
use crate::units::celsius;
use crate::words::worded;

worded! {
    /// What a temper test told.
    Tested {
        /// It set evenly and in time.
        Passed = "passed",
        /// It did not.
        Failed = "failed",
        /// There was none.
        Skipped = "skipped",
    }
}

/// What is known of how something was made, measured or stated. What is left out is not known.
#[derive(Clone, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Facts {
    /// The hottest it was.
    pub max_c: Option<f64>,
    /// The most it may have.
    pub limit_c: Option<f64>,
    /// Above this, temper is lost.
    pub lost_c: Option<f64>,
    /// The range it is worked in, lowest and highest.
    pub work_c: Option<[f64; 2]>,
    /// How long it was above that once it was in temper.
    pub above_lost_s: Option<f64>,
    /// What it had when it was poured.
    pub poured_c: Option<f64>,
    /// What the temper test told.
    pub test: Option<Tested>,
    /// Seed as a share of what was melted.
    pub seed_share_pct: Option<f64>,
    /// The same as it was planned; a quarter, if left out.
    pub seed_planned_pct: Option<f64>,
    /// How long it was worked in temper.
    pub worked_min: Option<f64>,
    /// The longest pause in stirring on the way down.
    pub stir_gap_s: Option<f64>,
    /// The room.
    pub room_c: Option<f64>,
    /// Its relative humidity.
    pub rh_pct: Option<f64>,
    /// How long it was in the fridge.
    pub chill_min: Option<f64>,
    /// Dew forms on it if it stays longer.
    pub dew_limit_min: Option<f64>,
    /// How thick it is.
    pub thickness_mm: Option<f64>,
    /// What the goods had that went in or on.
    pub goods_c: Option<f64>,
    /// How long the colour rested before chocolate went on it.
    pub colour_rest_h: Option<f64>,
    /// What the temper test of the colour told.
    pub colour_test: Option<Tested>,
    /// What the mould had.
    pub mould_c: Option<f64>,
    /// Whether the mould was clean and polished.
    pub polished: Option<bool>,
    /// Whether it had come away from the mould when it was turned out.
    pub shrunk: Option<bool>,
    /// Whether water or steam got to it.
    pub water: Option<bool>,
    /// Oil and soft fat in it.
    pub oil_pct: Option<f64>,
    /// Whether coating and couverture are mixed in it.
    pub fats_mixed: Option<bool>,
    /// What it was kept at.
    pub stored_c: Option<f64>,
    /// Whether there are nuts in it.
    pub with_nuts: Option<bool>,
    /// How long after their time toppings went on; nought for in time.
    pub topped_late_min: Option<f64>,
    /// How often it was drawn through.
    pub strokes: Option<f64>,
    /// Whether it was tapped or shaken after the pour.
    pub knocked: Option<bool>,
    /// How old it was when its faults were seen.
    pub age_days: Option<f64>,
    /// Whether it was cast in a mould.
    pub moulded: Option<bool>,
    /// Whether its chocolate is tempered: all but coating is.
    pub tempered: Option<bool>,
    /// Whether it is coloured.
    pub coloured: Option<bool>,
    /// Whether anything goes in it or on it.
    pub with_goods: Option<bool>,
    /// Whether it was in the fridge at all.
    pub chilled: Option<bool>,
}

impl Facts {
    /// Notes what is out of range, under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) {
        let numbers: [(&str, Option<f64>, Bounds); 24] = [
            ("max_c", self.max_c, check::PROBE_C),
            ("limit_c", self.limit_c, check::PROBE_C),
            ("lost_c", self.lost_c, check::PROBE_C),
            ("work_c[0]", self.work_c.map(|[lo, _]| lo), check::PROBE_C),
            ("work_c[1]", self.work_c.map(|[_, hi]| hi), check::PROBE_C),
            ("above_lost_s", self.above_lost_s, check::CLINIC_S),
            ("poured_c", self.poured_c, check::PROBE_C),
            ("seed_share_pct", self.seed_share_pct, check::CLINIC_SEED_PCT),
            ("seed_planned_pct", self.seed_planned_pct, check::CLINIC_SEED_PCT),
            ("worked_min", self.worked_min, check::CLINIC_MIN),
            ("stir_gap_s", self.stir_gap_s, check::CLINIC_S),
            ("room_c", self.room_c, check::ROOM_C),
            ("rh_pct", self.rh_pct, check::RH_PCT),
            ("chill_min", self.chill_min, check::CLINIC_MIN),
            ("dew_limit_min", self.dew_limit_min, check::CLINIC_MIN),
            ("thickness_mm", self.thickness_mm, check::CLINIC_MM),
            ("goods_c", self.goods_c, check::GOODS_C),
            ("colour_rest_h", self.colour_rest_h, check::CLINIC_H),
            ("mould_c", self.mould_c, check::GOODS_C),
            ("oil_pct", self.oil_pct, check::GOODS_PCT),
            ("stored_c", self.stored_c, check::STORED_C),
            ("topped_late_min", self.topped_late_min, check::CLINIC_MIN),
            ("strokes", self.strokes, check::CLINIC_STROKES),
            ("age_days", self.age_days, check::AGE_DAYS),
        ];
        for (name, value, bounds) in numbers {
            check.optional(format_args!("{field}.{name}"), value, bounds);
        }
        if let Some([lo, hi]) = self.work_c.filter(|[lo, hi]| lo > hi) {
            let message = say::range_upside_down(celsius(lo), celsius(hi));
            check.fault(format!("{field}.work_c"), message);
        }
    }
}
