//! Coloured cocoa butter: what goes in, how much of it a face takes, how it looks.

mod appearance;
mod butter;
mod film;
mod hue;
mod looks;
mod pigment;
mod spooned;
mod strength;
mod tinting;

pub use appearance::{Film, Ground, Optics, Rgb, hex, light, linear, stack};
pub use butter::{ColourButter, Wanted, colour_butter, pct_of_total, remarks as butter_remarks};
pub use film::{FilmAmount, Way, film};
pub use hue::Hue;
pub use looks::check_looks;
pub use pigment::{Carrier, FoodStatus, PigmentInputs, USUAL_PARTS, usual_pigments};
pub use spooned::{a_drop, measured};
pub use strength::{Strength, seen_strength};
pub use tinting::tinted;
