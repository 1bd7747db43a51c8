//! What is smeared on the bare mould before the shell: streaks, or a first thin coat.

use serde::{Deserialize, Serialize};

use crate::catalogue::work::cast as say;
use crate::check;
use crate::chocolate::Chocolate;
use crate::units::{Area, millimetres};
use crate::work::drafting::Drafting;
use crate::work::parting::touched;
use crate::work::parts::{Layer, Portion};
use crate::work::task::TaskDraft;

/// A fingertip leaves so much, mm (*custom*).
const SMEAR_MM: f64 = 0.5;
/// A face is smeared in so long, s (*custom*).
const SMEARS_S: f64 = 90.0;
/// From here up nothing is left bare: it is a coat, not streaks.
const ALL_OVER_PCT: f64 = 95.0;

/// What is smeared on the bare mould.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct SmearInputs {
    /// The chocolate, by key: another one shows as streaks, that of the shell keeps pinholes out
    /// of its face.
    pub chocolate: String,
    /// How much of the face it covers.
    pub share_pct: f64,
}

/// A smear that is in order.
pub(super) struct Smear<'s> {
    inputs: &'s SmearInputs,
    chocolate: Chocolate,
    share: f64,
}

/// A smear as it lies.
pub(super) struct Smeared {
    pub takes: Portion,
    pub layer: Layer,
    pub tasks: Vec<TaskDraft>,
}

impl SmearInputs {
    /// The smear, with faults noted under `cast.smear`.
    pub(super) fn check(&self, at: &mut Drafting<'_>) -> Option<Smear<'_>> {
        let chocolate = at.chocolate("cast.smear.chocolate", &self.chocolate);
        let share = at.number("cast.smear.share_pct", self.share_pct, check::FACE_PCT) / 100.0;
        Some(Smear { inputs: self, chocolate: chocolate?, share })
    }
}

impl Smear<'_> {
    /// What it takes on an area, and how it is put on; `layer` is its place among the layers.
    pub(super) fn smeared(&self, area: Area, layer: usize, at: &Drafting<'_>) -> Smeared {
        let (key, label) = (&self.inputs.chocolate, at.label(&self.inputs.chocolate));
        let thickness = millimetres(SMEAR_MM);
        let all_over = self.inputs.share_pct >= ALL_OVER_PCT;
        let text = if all_over {
            say::smear_all_over(label)
        } else {
            say::smear(label, self.inputs.share_pct)
        };
        let smear = TaskDraft::new("smear", text, say::smear_how(), SMEARS_S).with(key);
        let what = say::smear_from();
        Smeared {
            takes: Portion::of(key, area * self.share * thickness * self.chocolate.solid_density),
            layer: Layer { share: self.share, ..Layer::of(key, thickness) },
            tasks: vec![smear, touched("touch-smear", say::touch_smear(), "smear", layer, what)],
        }
    }
}
