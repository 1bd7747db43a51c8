//! Why something came out as it did: likely causes with what speaks for and against each, what can be
//! saved, and what to do otherwise.
//!
//! A transparent model over a table of causes ([`TABLE`]): see [`diagnose`]. It never says more than
//! the facts allow: a cause that nothing was noted of stays a guess, and is called one.

mod applied;
mod ask;
mod diagnosis;
mod evidence;
mod facts;
mod infer;
mod record;
mod table;

pub use crate::cause::Cause;
pub use applied::{Applied, apply};
pub use ask::Question;
pub use diagnosis::{Diagnosis, Likely, Suspect, diagnose};
pub use evidence::{Asks, Evidence, Fact};
pub use facts::{Facts, Tested};
pub use record::{Tempered, facts_of};
pub use table::{LEAK, Only, Row, TABLE};
