//! What a log tells over all its batches: what goes with good and bad results for this maker, what is
//! different about one of them, how well forecasts fitted.

mod factor;
mod fit;
mod patterns;
mod stands_out;

pub use factor::{Case, Factor, Split};
pub use fit::{Fit, Fitted, fitted, how_well};
pub use patterns::{FEWEST, Pattern, Patterns, Side, patterns};
pub use stands_out::{Usual, usual_of};
