//! What is made: the kinds of work, a file each.
//!
//! Each kind says everything about itself: what goes in and how much of it, how it
//! is layered, the order of its tasks with the windows they have, what to check,
//! what goes wrong, and what to mind. A new one is a file and a line in
//! `kinds_of_work`.

mod bottled;
mod cast;
mod clusters;
mod cover;
mod dipped;
mod draft;
mod drafting;
mod face;
mod face_texture;
mod figures;
mod filling;
mod frozen;
mod goods;
mod hollows;
mod inside;
mod kinds;
mod layered;
mod marbled;
mod mistakes;
mod outlines;
mod painted;
mod parting;
mod parts;
mod piped;
mod ribbons;
mod shards;
mod sheet;
mod shells;
mod slab;
mod solids;
mod stuck_on;
mod sugar;
mod task;
#[cfg(test)]
mod tests;
mod toe;
mod tray;
mod wrap;

pub use bottled::{BottledAmount, BottledInputs};
pub use cast::{Cast, CastInputs, CoatsSet, SmearInputs, WallInputs};
pub use clusters::ClustersInputs;
pub use cover::{Cover, CoverInputs, PortionOf, PortionsInputs};
pub use dipped::{CentreKind, DippedInputs, MadeCentres, ShapedBy};
pub use draft::{Draft, Said, Sets, Shown, Size};
pub(crate) use drafting::{BatchChocolate, Drafting};
pub use face::{Face, FaceFilm, FacePart, FilmInputs};
pub use face_texture::FaceTexture;
pub use figures::{FiguresInputs, ToneFill, ToneInputs};
pub use filling::FillingInputs;
pub use frozen::FrozenInputs;
pub use goods::{Fineness, MixedAmount, MixedInInputs, Preparation, ToppingInputs, ToppingWish};
pub use hollows::{HollowFor, HollowsInputs};
pub use inside::InsideInputs;
pub use kinds::{Group, Starting};
pub use layered::{LayerInputs, LayeredInputs};
pub use marbled::{AccentInputs, ColourInputs, ColourKind, MarbledInputs, muddied};
pub use mistakes::Mistake;
pub use outlines::{OutlineInputs, PipedWith, ShapeInputs, wanted};
pub use painted::{PaintedInputs, PaintedLook, PaintedWith};
pub use parting::Lining;
pub(crate) use parting::{in_a_box, without_fridge};
pub(crate) use parts::BoughtRef;
pub use parts::{Goods, Layer, Pieces, Portion, Used};
pub use piped::{BackInputs, FloodedInputs, PipedInputs, PipedShape, SecondColour};
pub use ribbons::RibbonsInputs;
pub use shards::{ShardPattern, ShardsInputs};
pub use sheet::{SheetFinish, SheetInputs, SheetShape};
pub use shells::{CapInputs, ShellsInputs};
pub use slab::SlabInputs;
pub use solids::SolidsInputs;
pub use stuck_on::{PartMadeBy, StuckOnInputs};
pub use sugar::{SugarInputs, SugarLining, SugarRecipe};
pub(crate) use task::LayerTimes;
pub use task::{Due, Task, TaskDraft, Timing};
pub use toe::ToeInputs;
pub use tray::{TrayInputs, USUAL_TRAYS};
pub use wrap::{WrapInputs, WrapPattern};

use serde::{Deserialize, Serialize};

use crate::filling::IngredientInputs;

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

/// How much of a kind of work is to be made.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Wanted {
    /// So many pieces.
    pub pieces: u32,
    /// So large a slab, cm², where it is one.
    pub area_cm2: f64,
}

/// One kind of work.
pub(crate) trait Work {
    /// It in words, with where its plan starts; several where it is known under several names.
    fn kinds() -> Vec<Starting<Self>>
    where
        Self: Sized;

    /// Where it names the chocolates and colours it is made from, by key.
    fn keys_mut(&mut self) -> Vec<&mut String>;

    /// What goes in, how it lies, and how it is built; `None` where what is stated
    /// cannot be worked with, and the faults say why.
    fn draft(&self, at: &mut Drafting<'_>) -> Option<Draft>;

    /// What it is cast in, where it is.
    fn cast_mut(&mut self) -> Option<&mut CastInputs> {
        None
    }

    /// States that so much of it is made; `false` where nothing of it says how much.
    fn make(&mut self, wanted: Wanted) -> bool {
        let cast = self.cast_mut();
        cast.map(|cast| cast.wanted = Some(wanted.pieces)).is_some()
    }

    /// How far its chocolate goes, where that is stated so.
    fn cover_mut(&mut self) -> Option<&mut CoverInputs> {
        None
    }

    /// What it is spread in, where it is.
    fn tray_mut(&mut self) -> Option<&mut TrayInputs> {
        self.cover_mut()?.tray_mut()
    }

    /// What is folded in, where something can be.
    fn mixed_in_mut(&mut self) -> Option<&mut Vec<MixedInInputs>> {
        None
    }

    /// What goes on top, where something can.
    fn toppings_mut(&mut self) -> Option<&mut Vec<ToppingInputs>> {
        None
    }

    /// What is put into what is made for it by a recipe, where something is.
    fn ingredients_mut(&mut self) -> Option<&mut Vec<IngredientInputs>> {
        None
    }
}

/// Declares the kinds of work: each is a line here, and is all else in its own file.
macro_rules! kinds_of_work {
    ($($(#[$doc:meta])* $kind:ident($inputs:ty) = $word:tt),+ $(,)?) => {
        /// The kinds of work.
        #[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
        #[serde(tag = "kind")]
        #[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
        pub enum WorkInputs {
            $($(#[$doc])* #[serde(rename = $word)] $kind($inputs)),+
        }

        impl WorkInputs {
            pub(crate) fn work(&self) -> &dyn Work {
                match self { $(Self::$kind(work) => work),+ }
            }

            /// The kind's name in documents, as each is tagged by.
            #[must_use]
            pub fn kind(&self) -> &'static str {
                match self { $(Self::$kind(_) => $word),+ }
            }

            fn work_mut(&mut self) -> &mut dyn Work {
                match self { $(Self::$kind(work) => work),+ }
            }

            /// Every kind in words, in the order in which they are offered.
            #[must_use]
            pub fn kinds() -> Vec<Starting<Self>> {
                let mut all = Vec::new();
                $(all.extend(<$inputs>::kinds().into_iter().map(|of| of.map(Self::$kind)));)+
                all
            }
        }
    };
}

kinds_of_work! {
    /// A slab of bark, with dry goods in it or not.
    Slab(SlabInputs) = "slab",
    /// Dry goods bound by chocolate, in mounds.
    Clusters(ClustersInputs) = "clusters",
    /// Two to four chocolates over each other.
    Layered(LayeredInputs) = "layered",
    /// A base with others drawn through it.
    Marbled(MarbledInputs) = "marbled",
    /// Scored while soft, broken along the marks.
    Shards(ShardsInputs) = "shards",
    /// On a painted, flecked, printed or plain sheet.
    Sheet(SheetInputs) = "sheet",
    /// A strip round a cake.
    Wrap(WrapInputs) = "wrap",
    /// Piped lines.
    Piped(PipedInputs) = "piped",
    /// Strips from a frozen stone.
    Ribbons(RibbonsInputs) = "ribbons",
    /// A sheet of boiled sugar.
    Sugar(SugarInputs) = "sugar",
    /// Shells, plain or filled and capped.
    Shells(ShellsInputs) = "shells",
    /// Two halves joined, with something dry between them.
    Hollows(HollowsInputs) = "hollows",
    /// Figures, in one tone or several.
    Figures(FiguresInputs) = "figures",
    /// Bars and pieces cast solid.
    Solids(SolidsInputs) = "solids",
    /// Dipped pieces.
    Dipped(DippedInputs) = "dipped",
    /// A bottle of colour, to keep.
    Bottled(BottledInputs) = "bottled",
}

impl WorkInputs {
    /// What it is cast in, where it is.
    pub fn cast_mut(&mut self) -> Option<&mut CastInputs> {
        self.work_mut().cast_mut()
    }

    /// The chocolates and colours it is made from, by key, each once, the first first.
    #[must_use]
    pub fn chocolates(&self) -> Vec<String> {
        let mut of = self.clone();
        let mut keys: Vec<String> = Vec::new();
        for key in of.work_mut().keys_mut() {
            if !keys.contains(key) {
                keys.push(std::mem::take(key));
            }
        }
        keys
    }

    /// Calls its chocolates and colours by other keys.
    pub fn rename(&mut self, to: impl Fn(&str) -> Option<String>) {
        for key in self.work_mut().keys_mut() {
            if let Some(other) = to(key) {
                *key = other;
            }
        }
    }

    /// States that so much of it is made; `false` where nothing of it says how much.
    pub fn make(&mut self, wanted: Wanted) -> bool {
        self.work_mut().make(wanted)
    }

    /// How thick it is to be, once set, where that is stated, mm.
    pub fn thickness_mut(&mut self) -> Option<&mut f64> {
        self.work_mut().cover_mut()?.thickness_mut()
    }

    /// What it is spread in, where it is.
    pub fn tray_mut(&mut self) -> Option<&mut TrayInputs> {
        self.work_mut().tray_mut()
    }

    /// What is folded in, where something can be.
    pub fn mixed_in_mut(&mut self) -> Option<&mut Vec<MixedInInputs>> {
        self.work_mut().mixed_in_mut()
    }

    /// What is put into what is made for it by a recipe, where something is.
    pub fn ingredients_mut(&mut self) -> Option<&mut Vec<IngredientInputs>> {
        self.work_mut().ingredients_mut()
    }

    /// What goes on top, where something can.
    pub fn toppings_mut(&mut self) -> Option<&mut Vec<ToppingInputs>> {
        self.work_mut().toppings_mut()
    }

    /// What it is spread in, where it is.
    #[must_use]
    pub fn tray(&self) -> Option<TrayInputs> {
        self.clone().tray_mut().copied()
    }
}
