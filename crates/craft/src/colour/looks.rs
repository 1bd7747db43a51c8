//! How a chocolate looks, as its maker states it.

use super::appearance::linear;
use crate::catalogue::colour as say;
use crate::check::Checker;

/// Notes a fault under `looks` where it is stated and no `#rrggbb`.
pub fn check_looks(looks: Option<&str>, check: &mut Checker) {
    if let Some(looks) = looks.filter(|looks| linear(looks).is_none()) {
        check.fault("looks", say::must_be_srgb(looks));
    }
}
