//! Everything out, everything in: one ZIP with what is kept as JSON lines, readings and actions
//! as CSV, photos, and a manifest with checksums.

mod bring_in;
mod daily;
mod manifest;
mod out;

pub use bring_in::bring_in;
pub use daily::{copy_if_due, keep_daily};
pub use out::write;

/// What a file of ours says that it is.
const FORMAT: &str = "wide-sheen-archive-1";
/// Where its contents are told.
const MANIFEST: &str = "manifest.json";
/// Where photos are told.
const PHOTOS: &str = "photos.jsonl";

/// Does the same with every table, in the order in which they hang on each other.
macro_rules! for_each_table {
    ($do:ident $(, $with:expr)*) => {
        $do!(Shelf, "jsonl" $(, $with)*);
        $do!(StockMoves, "jsonl" $(, $with)*);
        $do!(Lessons, "jsonl" $(, $with)*);
        $do!(Plans, "jsonl" $(, $with)*);
        $do!(PlanVersions, "jsonl" $(, $with)*);
        $do!(Batches, "jsonl" $(, $with)*);
        $do!(Bowls, "jsonl" $(, $with)*);
        $do!(StepEvents, "jsonl" $(, $with)*);
        $do!(Results, "jsonl" $(, $with)*);
        $do!(Counts, "jsonl" $(, $with)*);
        $do!(Readings, "csv" $(, $with)*);
        $do!(Actions, "csv" $(, $with)*);
        $do!(EnteredBy, "jsonl" $(, $with)*);
    };
}
use for_each_table;
