//! What can be made from what is at hand: one chocolate, so many grams, a tray or a mould.
//!
//! Each proposal is a plan of its own that takes what there is and no more, its count found by
//! working the plan out, so that a proposal and the plan it becomes cannot differ.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use crate::catalogue::{plan as say, shelf as on_shelf};
use crate::check::{self, Checker, Fault};
use crate::chocolate::Family;
use crate::kinds::kinds;
use crate::message::Message;
use crate::plan::{Plan, PlanInputs};
use crate::shelf::Shelf;
use crate::shell::MouldInputs;
use crate::units::{Length, Mass, grams};
use crate::work::{ComponentInputs, CoverInputs, TrayInputs, WorkInputs};

/// A free slab, mm: breaks by hand and snaps.
const FREE_MM: f64 = 4.0;
/// The same with dry goods in it, mm.
const MIXED_MM: f64 = 7.0;
/// No chocolate is lighter once set, g/cm³.
const LEAST_DENSITY: f64 = 1.15;
/// More of one thing than this nobody makes in an evening.
const MOST_PIECES: u32 = 500;

/// What there is.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct HaveInputs {
    /// The chocolate's family.
    pub family: Family,
    /// The chocolate on the shelf.
    #[serde(default)]
    pub chocolate_id: Option<Uuid>,
    /// How much of it there is.
    pub in_hand_g: f64,
    /// A tray to pour it in.
    #[serde(default)]
    pub tray: Option<TrayInputs>,
    /// A mould from the shelf.
    #[serde(default)]
    pub mould_id: Option<Uuid>,
    /// A mould by its measures, where it is not from the shelf.
    #[serde(default)]
    pub mould: Option<MouldInputs>,
}

/// Something that can be made of it.
#[derive(Clone, Debug, PartialEq)]
pub struct Proposal {
    /// The kind of work.
    pub kind: &'static str,
    /// What it is, in a few words.
    pub text: Message,
    /// A plan of it.
    pub inputs: PlanInputs,
}

/// What can be made of what there is, the plainest first. `usual` is where a plan starts in this
/// kitchen.
///
/// # Errors
/// Where what there is cannot be, each fault with its field; `in_hand_g` where it is too little
/// for anything.
pub fn proposals(
    have: &HaveInputs,
    usual: &PlanInputs,
    shelf: &Shelf,
) -> Result<Vec<Proposal>, Vec<Fault>> {
    let mut check = Checker::new();
    let in_hand = grams(check.number("in_hand_g", have.in_hand_g, check::CHOCOLATE_G));
    if have.chocolate_id.is_some_and(|id| shelf.chocolate(id).is_none()) {
        check.fault("chocolate_id", on_shelf::not_a_chocolate());
    }
    match have.tray {
        Some(TrayInputs::Saved { tray_id }) if shelf.tray(tray_id).is_some() => {}
        Some(tray) => {
            tray.check("tray", &mut check);
            // Only its own bounds: how thick it comes is told by the plan.
            tray.holds("tray", "in_hand_g", Length::default(), &mut check);
        }
        None => {}
    }
    match (have.mould_id, &have.mould) {
        (Some(id), _) if shelf.mould(id).is_none() => {
            check.fault("mould_id", on_shelf::not_a_mould());
        }
        (None, Some(mould)) => {
            mould.check("mould", &mut check);
        }
        _ => {}
    }
    check.finish()?;

    let starts = kinds();
    let maker = Maker { have, usual, shelf, in_hand };
    let start = |name: &str| starts.iter().find(|kind| kind.name == name);
    let slab = |name: &str, by: CoverInputs| {
        let mut kind = start(name)?.clone();
        if let WorkInputs::Slab(slab) = &mut kind.start {
            slab.cover = by;
        }
        Some((kind.name, kind.start))
    };
    let in_hand_g = have.in_hand_g;
    let over_tray = have
        .tray
        .and_then(|tray| slab("Slab of bark", CoverInputs::InHand { tray, in_hand_g }))
        .and_then(|(kind, work)| maker.as_it_is(kind, say::propose_tray(), work));
    let counted = |name: &str, text: Message, with: &dyn Fn(&mut WorkInputs, u32)| {
        let kind = start(name)?;
        maker.most(kind.name, text, |count| {
            let mut work = kind.start.clone();
            with(&mut work, count);
            work
        })
    };
    let in_mould = (have.mould.is_some() || have.mould_id.is_some())
        .then(|| {
            counted("Filled shells", say::propose_shells(), &|work, casts| {
                let WorkInputs::Shells(shells) = work else { return };
                shells.cast.colours.clear();
                shells.cast.mould_id = have.mould_id;
                if let Some(mould) = &have.mould {
                    shells.cast.mould.clone_from(mould);
                }
                shells.cast.casts = casts;
            })
        })
        .flatten();
    let free = |name: &str, text: Message, thickness_mm: f64| {
        // On no table is there room for more than the largest tray.
        let covers_cm2 = in_hand_g / LEAST_DENSITY / (thickness_mm / 10.0);
        if covers_cm2 > check::TRAY_CM2.max {
            return None;
        }
        slab(name, CoverInputs::Spread { in_hand_g, thickness_mm })
            .and_then(|(kind, work)| maker.as_it_is(kind, text, work))
    };
    let all = [
        in_mould,
        over_tray,
        free("Slab of bark", say::propose_free(), FREE_MM),
        free("Mixed-in bark", say::propose_mixed(), MIXED_MM),
        counted("Clusters", say::propose_clusters(), &|work, count| {
            if let WorkInputs::Clusters(clusters) = work {
                clusters.count = count;
            }
        }),
        counted("Dipped pieces", say::propose_dipped(), &|work, count| {
            if let WorkInputs::Dipped(dipped) = work {
                dipped.count = count;
            }
        }),
        counted("Piped pieces", say::propose_piped(), &|work, count| {
            if let WorkInputs::Piped(piped) = work {
                piped.count = count;
            }
        }),
    ];
    let found: Vec<_> = all.into_iter().flatten().collect();
    if found.is_empty() {
        let message = say::too_little_for_anything(in_hand);
        return Err(vec![Fault { field: "in_hand_g".to_owned(), message }]);
    }
    Ok(found)
}

/// Who tries what can be made.
struct Maker<'a> {
    have: &'a HaveInputs,
    usual: &'a PlanInputs,
    shelf: &'a Shelf,
    in_hand: Mass,
}

impl Maker<'_> {
    /// The plan of one thing from this chocolate alone.
    fn inputs(&self, kind: &str, mut work: WorkInputs) -> PlanInputs {
        let mut inputs = self.usual.clone();
        inputs.bowls.truncate(1);
        for bowl in &mut inputs.bowls {
            bowl.key = self.have.family.to_string();
            bowl.family = self.have.family;
            bowl.chocolate_id = self.have.chocolate_id;
            let key = bowl.key.clone();
            work.rename(|_| Some(key.clone()));
        }
        let component = ComponentInputs { key: "it".to_owned(), name: kind.to_owned(), work };
        PlanInputs { components: vec![component], ..inputs }
    }

    /// Whether it can be planned, from no more than there is.
    fn fits(&self, inputs: &PlanInputs) -> bool {
        let plan = self.shelf.fill(inputs).and_then(|filled| Plan::of(&filled));
        plan.is_ok_and(|plan| {
            let weighed = plan.bowls.iter().filter_map(|bowl| bowl.plan.as_ref());
            // What the scale shows is what there is.
            let weighed: Mass = weighed.map(|bowl| bowl.weighed_out().total).sum();
            weighed <= self.in_hand + grams(0.5)
        })
    }

    /// Work that takes what there is by itself.
    fn as_it_is(&self, kind: &'static str, text: Message, work: WorkInputs) -> Option<Proposal> {
        let inputs = self.inputs(kind, work);
        self.fits(&inputs).then_some(Proposal { kind, text, inputs })
    }

    /// As many as there is chocolate for; `None` where it is not even enough for one.
    fn most(
        &self,
        kind: &'static str,
        text: Message,
        work: impl Fn(u32) -> WorkInputs,
    ) -> Option<Proposal> {
        let of = |count| self.inputs(kind, work(count));
        if !self.fits(&of(1)) {
            return None;
        }
        // Of more there is more to weigh: halving finds the most that fits.
        let (mut fits, mut over) = (1, MOST_PIECES + 1);
        while over - fits > 1 {
            let middle = u32::midpoint(fits, over);
            if self.fits(&of(middle)) { fits = middle } else { over = middle }
        }
        Some(Proposal { kind, text, inputs: of(fits) })
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::in_grams;

    fn have(family: Family, in_hand_g: f64) -> HaveInputs {
        let tray = TrayInputs::Rectangle { length_mm: 200.0, width_mm: 200.0, rim_mm: None };
        HaveInputs {
            family,
            chocolate_id: None,
            in_hand_g,
            tray: Some(tray),
            mould_id: None,
            mould: Some(MouldInputs::hemispheres(30.0, 8)),
        }
    }

    fn made_of(have: &HaveInputs) -> Result<Vec<Proposal>, Vec<Fault>> {
        proposals(have, &PlanInputs::usual(have.family), &Shelf::default())
    }

    #[test]
    fn what_is_proposed_takes_what_there_is_and_no_more() {
        for family in [Family::Dark, Family::Milk, Family::White, Family::Ruby, Family::Coating] {
            for in_hand_g in [60.0, 250.0, 400.0, 2_000.0] {
                let found = made_of(&have(family, in_hand_g)).expect("something");
                for Proposal { kind, inputs, .. } in &found {
                    let plan = Plan::of(inputs).expect("a plan");
                    let weighed = plan
                        .bowls
                        .iter()
                        .filter_map(|b| b.plan.as_ref())
                        .map(|b| b.weighed_out().total);
                    let weighed = in_grams(weighed.sum::<Mass>());
                    assert!(weighed <= in_hand_g + 0.5, "{kind} of {in_hand_g} g: {weighed}");
                    let more = match &inputs.components[0].work {
                        // So many that another would not fit.
                        WorkInputs::Clusters(of) => of.count < MOST_PIECES,
                        WorkInputs::Slab(_) => true,
                        _ => continue,
                    };
                    let slack = if kind == &"Clusters" { 13.0 } else { 1.0 };
                    assert!(!more || weighed >= in_hand_g - slack, "{kind}: {weighed}");
                }
            }
        }
    }

    #[test]
    fn of_little_there_is_less_and_of_next_to_nothing_nothing() {
        let much = made_of(&have(Family::Dark, 400.0)).expect("something");
        let kinds: Vec<_> = much.iter().map(|proposal| proposal.kind).collect();
        assert_eq!(kinds[..3], ["Filled shells", "Slab of bark", "Slab of bark"]);
        assert!(kinds.contains(&"Clusters") && kinds.contains(&"Dipped pieces"));
        // Shells are poured from more than stays in them.
        let little = made_of(&have(Family::Dark, 40.0)).expect("something");
        assert!(little.len() < much.len());
        let faults = made_of(&have(Family::Dark, 5.0)).expect_err("nothing");
        assert_eq!(faults[0].field, "in_hand_g");
        let bare = HaveInputs { tray: None, mould: None, ..have(Family::Dark, 400.0) };
        let bare = made_of(&bare).expect("something");
        assert!(bare.iter().all(|proposal| proposal.kind != "Filled shells"));
    }

    #[test]
    fn what_cannot_be_is_told_by_its_field() {
        let mut wrong = have(Family::Dark, -3.0);
        wrong.tray = Some(TrayInputs::Area { area_cm2: 0.0 });
        let fields: Vec<_> =
            made_of(&wrong).expect_err("faults").into_iter().map(|fault| fault.field).collect();
        assert_eq!(fields, ["in_hand_g", "tray.area_cm2"]);
        let mut gone = have(Family::Dark, 300.0);
        gone.tray = Some(TrayInputs::Saved { tray_id: Uuid::nil() });
        gone.mould_id = Some(Uuid::nil());
        gone.chocolate_id = Some(Uuid::nil());
        let fields: Vec<_> =
            made_of(&gone).expect_err("faults").into_iter().map(|fault| fault.field).collect();
        assert_eq!(fields, ["chocolate_id", "tray.tray_id", "mould_id"]);
    }
}
