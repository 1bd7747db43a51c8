//! Slab: pour most of it on cool stone, work that to the cool point,
//! return them to the rest, check the band.

use super::{
    About, Amounts, AmountsError, AmountsRequest, Case, Fit, Need, Stage, TemperingMethod,
};
use crate::catalogue::bench as say;
use crate::chocolate::{Chocolate, Family};
use crate::heat::stone::split;
use crate::note::{Note, Working};
use crate::phrases::{Advice, CoachContext, Failure};
use crate::units::{Temperature, degrees, in_celsius, in_degrees, in_grams, rise};

/// See the module.
#[derive(Debug)]
pub(super) struct Slab;

/// From this amount on a stone saves time, g (*custom*).
const LARGE_G: f64 = 1_000.0;
/// So far over the band a second part goes on the stone, °C.
const FAR_OVER_C: f64 = 1.5;
/// Pouring out more than this leaves too little to return to, per cent.
const MOST_POURED_PCT: f64 = 85.0;

const ABOUT: About = About {
    key: "slab",
    name: "Slab",
    how: "Pour about four fifths on cool stone, as the sum gives it, work that to the cool \
          point, return it to the rest.",
    good_for: "Larger amounts, with a stone at hand.",
    risk: "A mess, and moisture on the stone.",
    cautions: &["Wipe the stone bone dry: one drop of water and it seizes."],
};

impl TemperingMethod for Slab {
    fn about(&self) -> &'static About {
        &ABOUT
    }

    fn suits(&self, family: Family) -> bool {
        family.tempers() && family != Family::CocoaButter
    }

    fn needs(&self) -> &'static [Need] {
        &[Need::Probe, Need::Stone]
    }

    fn fits(&self, case: &Case) -> Option<Fit> {
        (in_grams(case.total) >= LARGE_G).then_some(Fit {
            strength: 60,
            because: "a stone cools so much chocolate faster than seed does",
        })
    }

    fn stages(&self, chocolate: &Chocolate) -> Vec<Stage> {
        let w = &chocolate.windows;
        let mut stages = vec![Stage { name: "Melt", window: w.melt }];
        stages.extend(w.cool.map(|window| Stage { name: "Work on the stone", window }));
        stages.push(Stage { name: "Return and work", window: w.work });
        stages
    }

    fn amounts(&self, wish: &AmountsRequest<'_>) -> Result<Amounts, AmountsError> {
        let pour_out = split(wish.total, wish.melt_to, wish.stone_to, wish.target)?;
        let share = 100.0 * in_grams(pour_out) / in_grams(wish.total);
        let mut notes = Vec::new();
        if share > MOST_POURED_PCT {
            notes.push(Note::caution("much-poured-out", say::much_poured_out(share)));
        }
        Ok(Amounts {
            pour_out,
            notes,
            working: vec![
                Working::new("to fall", in_degrees(rise(wish.target, wish.melt_to)), "C°"),
                Working::new(
                    "the stone takes its part",
                    in_degrees(rise(wish.stone_to, wish.melt_to)),
                    "C°",
                ),
                Working::new("so pour out", share, "%"),
                Working::new("pour out", in_grams(pour_out), "g"),
                Working::new("worked to", in_celsius(wish.stone_to), "°C"),
            ],
            ..Amounts::melt_all(wish.total)
        })
    }

    fn mend(&self, context: &CoachContext<'_>, temp: Temperature, failure: Failure) -> Advice {
        let again = context.pour_on_stone(temp);
        let say = say::then_test_again(again.say);
        Advice { pour_out: again.pour_out, ..context.failed(failure, say) }
    }

    fn advise(&self, context: &CoachContext<'_>, temp: Temperature) -> Advice {
        let w = &context.setup.chocolate.windows;
        match (context.bowl.went_in.on_stone, context.bowl.went_in.returned) {
            (Some(_), _) => context.work_on_stone(),
            (None, None) => context.pour_on_stone(temp),
            (None, Some(returned)) => {
                if let Some(spreading) = context.spreading(returned) {
                    spreading
                } else if temp > w.work.hi + degrees(FAR_OVER_C) {
                    context.pour_on_stone(temp)
                } else {
                    context.on_to_the_band(temp)
                }
            }
        }
    }
}
