//! What is dipped of a piece that has come out of its mould: a toe, a corner, a base.

use serde::{Deserialize, Serialize};

use super::draft::Draft;
use super::drafting::Drafting;
use super::parting::touched;
use super::parts::{Layer, Portion};
use super::task::TaskDraft;
use crate::catalogue::work::toe as say;
use crate::check;
use crate::dip::COAT_MM;
use crate::shell::melted_density;
use crate::units::{Area, Mass, grams, in_grams, millilitres, millimetres};

/// So much deeper than the toe goes the chocolate stands, mm (*custom*).
const UNDER_MM: f64 = 10.0;
/// One is dipped in so long, s (*custom*).
const ONE_DIP_S: f64 = 25.0;

/// A dipped toe.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ToeInputs {
    /// What it is dipped in, by key.
    pub chocolate: String,
    /// How much of the surface is dipped.
    pub share_pct: f64,
    /// How deep it goes in.
    pub deep_mm: f64,
    /// The vessel, inside, across.
    pub vessel_mm: f64,
}

impl ToeInputs {
    /// Dips so many pieces of a surface, once they are out of their mould, with faults noted under
    /// `dipped`. What stands in the vessel covers the last one too.
    pub(super) fn dip(
        &self,
        draft: &mut Draft,
        surface: Area,
        pieces: f64,
        at: &mut Drafting<'_>,
    ) -> Option<()> {
        let chocolate = at.chocolate("dipped.chocolate", &self.chocolate);
        let share = at.number("dipped.share_pct", self.share_pct, check::DIPPED_PCT) / 100.0;
        let deep_mm = at.number("dipped.deep_mm", self.deep_mm, check::DEEP_MM);
        let vessel_mm = at.number("dipped.vessel_mm", self.vessel_mm, check::VESSEL_MM);
        let chocolate = chocolate?;
        let coat: Mass = surface * share * millimetres(COAT_MM) * chocolate.solid_density;
        let base_cm2 = std::f64::consts::PI * (vessel_mm / 20.0).powi(2);
        let stands = millilitres(base_cm2 * (deep_mm + UNDER_MM) / 10.0);
        let all = coat * pieces;
        draft.takes.push(Portion {
            chocolate: self.chocolate.clone(),
            mass: all,
            at_hand: all + stands * melted_density(&chocolate),
        });
        draft.sets.layers.push(Layer::of(&self.chocolate, millimetres(COAT_MM)));
        let layer = draft.sets.layers.len() - 1;
        let label = at.label(&self.chocolate);
        let text = say::dip(label, millimetres(deep_mm));
        let dip = TaskDraft::new("dip", text, say::dip_how(), ONE_DIP_S * pieces);
        draft.tasks.push(dip.with(&self.chocolate).minding(say::dip_mind()));
        draft.tasks.push(touched("touch-dip", say::touch(), "dip", layer, say::touch_from()));
        if let Some(of) = &mut draft.size.pieces {
            of.each += grams(in_grams(coat));
        }
        Some(())
    }
}
