//! What the labels say of goods that recipes name and nobody picks on the shelf: a ganache's
//! cream, a candy's sugar.

use serde::{Deserialize, Serialize};

use crate::allergens::LabelInputs;
use crate::catalogue::plan as say;
use crate::check::Checker;

/// Such goods, by the names that recipes have for them.
pub const BY_NAME: [&str; 6] =
    ["cream", "butter", "sunflower oil", "coconut fat", "sugar", "glucose syrup"];
/// The longest name.
const LONGEST_NAME: usize = 80;

/// What the label of some goods says, by their name.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct NamedLabel {
    /// What they are called.
    pub name: String,
    /// What their label says of allergens.
    pub label: LabelInputs,
}

/// Notes faults of labels that are stated.
pub(super) fn check(labels: &[NamedLabel], check: &mut Checker) {
    if labels.len() > BY_NAME.len() {
        check.fault("labels", say::must_be_at_most(BY_NAME.len(), labels.len()));
    }
    for (i, known) in labels.iter().enumerate() {
        check.text(format_args!("labels[{i}].name"), &known.name, LONGEST_NAME);
    }
}
