//! How much of a chocolate must be at hand.

use super::bowl_inputs::Tempering;
use crate::spread::slab::with_allowance;
use crate::units::Mass;
use crate::work::{Draft, Portion};

/// What is made of a chocolate, and what must be at hand for it.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(super) struct Needed {
    /// What is in the pieces.
    pub mass: Mass,
    /// What must be weighed out.
    pub wanted: Mass,
    /// What is weighed out: as stated, or as wanted.
    pub total: Mass,
    /// What moulds and vessels give back, beyond what the rest is made of.
    pub returned: Mass,
}

impl Needed {
    /// By what the components take.
    ///
    /// What gives back, filled moulds and vessels, comes first, one after the other;
    /// the rest is made of what came back. So the most that is at hand at once is
    /// weighed out, not the sum.
    ///
    /// What is taken out of it, `parts`, is at hand besides: nobody knows whether it is taken
    /// before or after the moulds.
    pub fn of(key: &str, drafts: &[Draft], tempering: &Tempering, parts: Mass) -> Self {
        let portions = || {
            drafts.iter().map(|draft| draft.takes.iter().filter(|portion| portion.chocolate == key))
        };
        let mut kept = Mass::default();
        let mut most = Mass::default();
        for of_component in portions() {
            let takes: Vec<&Portion> = of_component.collect();
            let gives_back = takes.iter().any(|portion| portion.at_hand > portion.mass);
            if gives_back {
                // One after the other too: a mould is emptied before anything is dipped.
                for portion in takes {
                    most = most.max(kept + portion.at_hand);
                    kept += portion.mass;
                }
            }
        }
        let mass = portions().flatten().fold(Mass::default(), |sum, portion| sum + portion.mass);
        let at_hand = most.max(mass) + parts;
        let mass = mass + parts;
        // What stays on a colour's brush and in its cup is counted with the film.
        let is_colour = tempering.recipe.is_some();
        let wanted =
            if at_hand > Mass::default() && !is_colour { with_allowance(at_hand) } else { at_hand };
        let total = tempering.total.unwrap_or(wanted);
        Self { mass, wanted, total, returned: at_hand - mass }
    }

    /// So much more of it is stirred into another chocolate.
    pub fn and(&mut self, more: Mass) {
        let stated = self.total != self.wanted;
        self.mass += more;
        self.wanted += more;
        if !stated {
            self.total = self.wanted;
        }
    }

    /// No less of it can be made at all, where any is needed.
    pub fn at_least(&mut self, least: Mass) {
        let stated = self.total != self.wanted;
        if self.wanted > Mass::default() {
            self.wanted = self.wanted.max(least);
        }
        if !stated {
            self.total = self.wanted;
        }
    }
}
