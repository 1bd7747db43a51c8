//! Shells: moulds, coats, hollows, and what they take.

mod cavity;
mod coat;
mod hollow;
mod mould;
mod wall;

pub use cavity::{Cavity, CavityInputs, CavityShape};
pub use coat::{COAT_MM, Coat, Pouring, ShellWay, USUAL_FLOW_GRADE, USUAL_WAIT_S, drained};
pub use hollow::{DRINK_MM, Fits, Hollow, Inside};
pub use mould::{MouldInputs, MouldMaterial, RegionInputs, Weighing};
pub use wall::{CAP_MM, Shells, ShellsAmount, ShellsError, brimful, melted_density, wall_of};
