//! The catalogue: every wording of what the core says.
//!
//! One file an area, and one a kind of work, each a [`messages!`](crate::messages). A wording that nobody uses is a warning, one that is
//! asked for with the wrong kind of quantity does not compile.
//!
//! Wordings are plain trade English: short, in the maker's own words. A temperature or a mass
//! is always a parameter, never digits in the wording: it is shown in °F and ounces too.

/// Declares areas, so that every wording of each can be looked at.
macro_rules! areas {
    ($($area:ident),+ $(,)?) => {
        $(pub(crate) mod $area;)+

        #[cfg(test)]
        pub(in crate::catalogue) const AREAS: &[&[$crate::message::Wording]] = &[$($area::ALL),+];
    };
}

areas! {
    bench, bowl, boxes, cautions, chocolate, clinic, colour, cost, drawn, filling, ganache, heat, help, input, keeping, label, logbook, logfile, measure, plan, room, schedule, shelf, shell, shopping, spread,
    steps,
}

pub(crate) mod work;

#[cfg(test)]
mod tests;
