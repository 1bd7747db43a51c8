//! Ready crystals: cool to just under 35 °C, stir in one per cent of cocoa butter
//! that is all form V.

use super::{
    About, Amounts, AmountsError, AmountsRequest, Case, Fit, Need, Stage, TemperingMethod,
};
use crate::catalogue::bench as say;
use crate::chocolate::{Band, Chocolate, Family};
use crate::note::{Note, Working};
use crate::phrases::{Advice, CoachContext, Failure};
use crate::units::{Mass, Temperature, celsius, grams, in_grams};

/// See the module.
#[derive(Debug)]
pub(super) struct ReadyCrystals;

/// The usual share of ready crystals, per cent of the mass; 0.5 to 1.5 is used.
pub const READY_SHARE_PCT: f64 = 1.0;
const ABOUT: About = About {
    key: "ready_crystals",
    name: "Ready crystals",
    how: "Cool it to the gate, then stir in one per cent of cocoa butter that is all form V, soft \
          as hand cream.",
    good_for: "Several chocolates in one go; precise work.",
    risk: "Stirred in too hot they melt; not stirred well they stay in one place.",
    cautions: &["Their fat is cocoa butter: the label of what you make stays the same."],
};

/// Where ready crystals go in.
pub type Gate = Band;

/// The gate of a family, °C: dark 33.5–35, milk, white, ruby and blond 32.5–34,
/// cocoa butter 32–33.5 (*custom*); moved along with a chocolate's own `lost`.
#[must_use]
pub fn gate(chocolate: &Chocolate) -> Option<Gate> {
    let (lo, hi) = match chocolate.family {
        Family::Dark => (33.5, 35.0),
        Family::Milk | Family::White | Family::Ruby | Family::Blond => (32.5, 34.0),
        Family::CocoaButter => (32.0, 33.5),
        Family::Coating => return None,
    };
    let usual = chocolate.family.windows().lost?;
    let own = chocolate.windows.lost?;
    let moved = crate::units::rise(usual, own);
    Some(Band { lo: celsius(lo) + moved, hi: celsius(hi) + moved })
}

/// The usual range of that share, per cent.
const USUAL_SHARE_PCT: [f64; 2] = [0.5, 1.5];

/// Ready crystals for a mass, at a share in per cent.
#[must_use]
pub fn crystals(total: Mass, share_pct: f64) -> Amounts {
    let crystals = total * (share_pct / 100.0);
    let mut notes = Vec::new();
    if crystals < grams(1.0) {
        notes.push(Note::caution("too-little-to-weigh", say::too_little_to_weigh(grams(1.0))));
    }
    let [least, most] = USUAL_SHARE_PCT;
    if !(least..=most).contains(&share_pct) {
        notes.push(Note::caution("unusual-share", say::unusual_share(USUAL_SHARE_PCT)));
    }
    Amounts {
        crystals,
        notes,
        working: vec![
            Working::new("all the chocolate", in_grams(total), "g"),
            Working::new("share", share_pct, "%"),
            Working::new("ready crystals", in_grams(crystals), "g"),
        ],
        ..Amounts::melt_all(total)
    }
}

impl TemperingMethod for ReadyCrystals {
    fn about(&self) -> &'static About {
        &ABOUT
    }

    fn suits(&self, family: Family) -> bool {
        family.tempers()
    }

    fn needs(&self) -> &'static [Need] {
        &[Need::Probe, Need::ReadyCrystals]
    }

    fn fits(&self, _: &Case) -> Option<Fit> {
        Some(Fit {
            strength: 70,
            because: "you have ready crystals, and they need the least watching",
        })
    }

    fn stages(&self, chocolate: &Chocolate) -> Vec<Stage> {
        let w = &chocolate.windows;
        let mut stages = vec![Stage { name: "Melt", window: w.melt }];
        stages.extend(gate(chocolate).map(|window| Stage { name: "Crystals in", window }));
        stages.push(Stage { name: "Stir down and work", window: w.work });
        stages
    }

    fn amounts(&self, wish: &AmountsRequest<'_>) -> Result<Amounts, AmountsError> {
        Ok(crystals(wish.total, wish.crystals_pct))
    }

    fn mend(&self, context: &CoachContext<'_>, temp: Temperature, failure: Failure) -> Advice {
        let gate = gate(&context.setup.chocolate).unwrap_or(context.setup.chocolate.windows.work);
        if temp > gate.hi {
            let say = say::cool_for_fresh_crystals(gate.hi);
            return context.failed(failure, say);
        }
        let again = context.add_crystals(temp, gate);
        let say = say::once_more_then_test(again.say);
        Advice { crystals: again.crystals, ..context.failed(failure, say) }
    }

    fn advise(&self, context: &CoachContext<'_>, temp: Temperature) -> Advice {
        let w = &context.setup.chocolate.windows;
        let Some((added, _)) = context.bowl.went_in.crystals_in else {
            let gate = gate(&context.setup.chocolate).unwrap_or(w.work);
            // A large bowl takes its time from there to where they are safe.
            return if temp > gate.middle() {
                context.stir_down_to_gate(temp, gate)
            } else {
                context.add_crystals(temp, gate)
            };
        };
        context.spreading(added).unwrap_or_else(|| context.on_to_the_band(temp))
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::OwnNumbers;
    use crate::units::in_celsius;

    #[test]
    fn too_little_to_weigh_and_unusual_shares_are_said() {
        let codes = |g: f64, pct: f64| -> Vec<String> {
            crystals(grams(g), pct).notes.into_iter().map(|note| note.code.into_owned()).collect()
        };
        assert!(codes(500.0, 1.0).is_empty());
        assert_eq!(codes(80.0, 1.0), ["too-little-to-weigh"]);
        assert_eq!(codes(500.0, 3.0), ["unusual-share"]);
        assert_eq!(codes(500.0, 0.1), ["too-little-to-weigh", "unusual-share"]);
    }

    #[test]
    fn the_gate_lies_about_where_temper_is_lost_and_moves_with_it() {
        for family in Family::ALL.into_iter().filter(|family| family.tempers()) {
            let chocolate = Chocolate::of(family);
            let gate = gate(&chocolate).expect("it tempers");
            let lost = chocolate.windows.lost.expect("it tempers");
            assert!(gate.lo > chocolate.windows.work.hi, "{family}");
            assert!(in_celsius(gate.hi) <= in_celsius(lost) + 2.5, "{family}");
        }
        let own = OwnNumbers { lost: Some(celsius(33.5)), ..OwnNumbers::default() };
        let moved = gate(&own.over(Family::Dark).expect("in order")).expect("it tempers");
        assert!((in_celsius(moved.lo) - 33.0).abs() < 1e-9);
        assert!(gate(&Chocolate::of(Family::Coating)).is_none());
    }
}
