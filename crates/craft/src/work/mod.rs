//! What is made: the kinds of work, a file each.
//!
//! Each kind says everything about itself: what goes in and how much of it, how it
//! is layered, the order of its tasks with the windows they have, what to check,
//! what goes wrong, and what to mind. A new one is a file, a variant of
//! [`WorkInputs`] and a line in its `work`.

mod bottled;
mod cast;
mod clusters;
mod cover;
mod dipped;
mod drafting;
mod face;
mod figures;
mod filling;
mod goods;
mod hollows;
mod kinds;
mod layered;
mod marbled;
mod mistakes;
mod outlines;
mod parting;
mod piped;
mod ribbons;
mod shards;
mod sheet;
mod shells;
mod slab;
mod sugar;
mod task;
#[cfg(test)]
mod tests;
mod tray;
mod wrap;

pub use bottled::{BottledAmount, BottledInputs};
pub use cast::{Cast, CastInputs, WallInputs};
pub use clusters::ClustersInputs;
pub use cover::{Cover, CoverInputs, PortionOf, PortionsInputs};
pub use dipped::{CentreKind, DippedInputs};
pub use drafting::{Draft, Goods, Layer, Pieces, Portion};
pub(crate) use drafting::{Drafting, Known};
pub use face::{Face, FaceFilm, FacePart, FilmInputs};
pub use figures::{FiguresInputs, ToneInputs};
pub use filling::FillingInputs;
pub use goods::{MixedInInputs, ToppingInputs, ToppingWish};
pub use hollows::{HollowFor, HollowsInputs, InsideInputs};
pub use kinds::{Kind, kinds};
pub use layered::{LayerInputs, LayeredInputs};
pub use marbled::{AccentInputs, ColourInputs, ColourKind, MarbledInputs, muddied};
pub use mistakes::Mistake;
pub use outlines::{OutlineInputs, ShapeInputs, wanted};
pub use parting::Lining;
pub(crate) use parting::without_fridge;
pub use piped::{PipedInputs, PipedShape, SecondColour};
pub use ribbons::RibbonsInputs;
pub use shards::{ShardPattern, ShardsInputs};
pub use sheet::{SheetFinish, SheetInputs, SheetShape};
pub use shells::{CapInputs, ShellsInputs};
pub use slab::SlabInputs;
pub use sugar::SugarInputs;
pub(crate) use task::LayerTimes;
pub use task::{Due, Task, TaskDraft, Timing};
pub use tray::{TrayInputs, USUAL_TRAYS};
pub use wrap::{WrapInputs, WrapPattern};

use serde::{Deserialize, Serialize};

/// One thing made in a batch, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct ComponentInputs {
    /// Its own key within the batch.
    pub key: String,
    /// What the maker calls it.
    pub name: String,
    /// What it is.
    pub work: WorkInputs,
}

/// The kinds of work.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum WorkInputs {
    /// A slab of bark, with dry goods in it or not.
    Slab(SlabInputs),
    /// Dry goods bound by chocolate, in mounds.
    Clusters(ClustersInputs),
    /// Two to four chocolates over each other.
    Layered(LayeredInputs),
    /// A base with others drawn through it.
    Marbled(MarbledInputs),
    /// Scored while soft, broken along the marks.
    Shards(ShardsInputs),
    /// On a painted, flecked, printed or plain sheet.
    Sheet(SheetInputs),
    /// A strip round a cake.
    Wrap(WrapInputs),
    /// Piped lines.
    Piped(PipedInputs),
    /// Strips from a frozen stone.
    Ribbons(RibbonsInputs),
    /// A sheet of boiled sugar.
    Sugar(SugarInputs),
    /// Shells, plain or filled and capped.
    Shells(ShellsInputs),
    /// Two halves joined, with something dry between them.
    Hollows(HollowsInputs),
    /// Figures of several tones.
    Figures(FiguresInputs),
    /// Dipped things.
    Dipped(DippedInputs),
    /// A bottle of colour, to keep.
    Bottled(BottledInputs),
}

/// One kind of work.
pub(crate) trait Work {
    /// The chocolates it is made from, by key.
    fn chocolates(&self) -> Vec<&str>;

    /// What goes in, how it lies, and how it is built; `None` where what is stated
    /// cannot be worked with, and the faults say why.
    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft>;
}

impl WorkInputs {
    pub(crate) fn work(&self) -> &dyn Work {
        match self {
            Self::Slab(work) => work,
            Self::Clusters(work) => work,
            Self::Layered(work) => work,
            Self::Marbled(work) => work,
            Self::Shards(work) => work,
            Self::Sheet(work) => work,
            Self::Wrap(work) => work,
            Self::Piped(work) => work,
            Self::Ribbons(work) => work,
            Self::Sugar(work) => work,
            Self::Shells(work) => work,
            Self::Hollows(work) => work,
            Self::Figures(work) => work,
            Self::Dipped(work) => work,
            Self::Bottled(work) => work,
        }
    }

    /// What it is cast in, where it is.
    pub fn cast_mut(&mut self) -> Option<&mut CastInputs> {
        match self {
            Self::Shells(work) => Some(&mut work.cast),
            Self::Hollows(work) => Some(&mut work.cast),
            Self::Figures(work) => Some(&mut work.cast),
            _ => None,
        }
    }

    /// The chocolates it is made from, by key.
    #[must_use]
    pub fn chocolates(&self) -> Vec<&str> {
        self.work().chocolates()
    }

    /// What it is spread in, where it is.
    pub fn tray_mut(&mut self) -> Option<&mut TrayInputs> {
        match self {
            Self::Slab(work) => work.cover.tray_mut(),
            Self::Marbled(work) => work.cover.tray_mut(),
            Self::Shards(work) => work.cover.tray_mut(),
            Self::Sheet(work) => work.cover.tray_mut(),
            Self::Layered(work) => Some(&mut work.tray),
            Self::Sugar(work) => Some(&mut work.tray),
            Self::Clusters(_)
            | Self::Wrap(_)
            | Self::Piped(_)
            | Self::Ribbons(_)
            | Self::Shells(_)
            | Self::Hollows(_)
            | Self::Figures(_)
            | Self::Dipped(_)
            | Self::Bottled(_) => None,
        }
    }

    /// What it is spread in, where it is.
    #[must_use]
    pub fn tray(&self) -> Option<TrayInputs> {
        self.clone().tray_mut().copied()
    }
}
