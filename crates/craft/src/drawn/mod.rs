//! What is drawn at true size to work by: outlines to pipe over, score maps, strips to
//! cut; and the sheets they are printed on.

pub mod import;
pub mod joins;
mod label_sheet;
pub mod letters;
pub mod outline;
pub mod page;
pub mod piping;
pub mod polygon;
pub mod score;
pub mod shapes;
mod shapes_of_svg;
pub mod wrap_strip;

pub use label_sheet::LabelSheet;
