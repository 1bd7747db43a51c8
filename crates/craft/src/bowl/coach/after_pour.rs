//! After the pour: top, cut, release.

use chrono::{DateTime, TimeDelta, Utc};

use super::advice::{Advice, Alarm, Countdown, Rule};
use super::look::Look;
use crate::bowl::fold::time_delta;
use crate::setting::{self, Moment, Place};

/// A window that closes this soon is announced.
const CLOSING: TimeDelta = TimeDelta::seconds(60);

fn countdown(what: &'static str, poured: DateTime<Utc>, moment: Moment) -> Countdown {
    Countdown {
        what,
        at: poured + time_delta(moment.typical),
        earliest: poured + time_delta(moment.earliest),
        latest: Some(poured + time_delta(moment.latest)),
    }
}

/// The countdowns after a pour, in the order in which they bind; none where
/// the room is too warm for the slab to set, or it is no slab.
pub(super) fn windows(look: &Look<'_>) -> Option<[Countdown; 4]> {
    let (poured, temp) = look.bowl.poured?;
    let temp = temp.unwrap_or(look.setup.target);
    let s = setting::setting(
        &look.setup.chocolate,
        look.setup.thickness?,
        temp,
        Place::Room(look.setup.room),
    )?;
    Some([
        countdown("topping closes", poured, s.topping_until),
        countdown("cutting opens", poured, s.cut_from),
        countdown("cutting closes", poured, s.cut_to),
        countdown("releases", poured, s.release),
    ])
}

pub(super) fn advise(look: &Look<'_>) -> Advice {
    if look.setup.thickness.is_none() {
        return Advice::new(
            Rule::Build,
            "Build what is made from it",
            "The build guide says step by step what, and how long until.",
        );
    }
    let Some([top, cut_from, cut_to, release]) = windows(look) else {
        return Advice::new(
            Rule::DoesNotSet,
            "Set it in the fridge once it no longer runs",
            setting::too_warm_to_set(look.setup.room).text,
        )
        .caution();
    };
    let now = look.now;
    if now < top.at {
        let closing = top.at - now < CLOSING;
        let advice = Advice::new(
            Rule::Top,
            "Top it while it is wet",
            "Largest pieces first, from low, with a little force so they embed.",
        )
        .until(Some(top));
        if closing { advice.caution().sounding(Alarm::Timer) } else { advice }
    } else if now < cut_from.at {
        Advice::new(
            Rule::LeaveToSet,
            "Leave it alone",
            "It has lost its wet shine and is still soft.",
        )
        .until(Some(cut_from))
    } else if now < cut_to.at {
        let closing = cut_to.at - now < CLOSING;
        let advice = Advice::new(
            Rule::Cut,
            "Cut or score now, if you want straight pieces",
            "Soft enough for a clean edge. Later it cracks: then break it at random.",
        )
        .until(Some(cut_to));
        if closing { advice.caution().sounding(Alarm::Timer) } else { advice }
    } else if now < release.at {
        Advice::new(
            Rule::LeaveToShrink,
            "Leave it to shrink",
            "Tempered chocolate lets go by itself as it sets.",
        )
        .until(Some(release))
    } else {
        Advice::new(
            Rule::Release,
            "Peel and break",
            "It should let go cleanly. Judge gloss and snap after 24 hours. Hard shards are not for small children.",
        )
    }
}
