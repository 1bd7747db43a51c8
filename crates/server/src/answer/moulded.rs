//! Faces and shells: the colours that are seen, the walls behind them.

use craft::colour::Way;
use craft::note::{Note, Working};
use craft::plan::ColourPlan;
use craft::shell::{CavityInputs, Coat, MouldMaterial};
use craft::units::{in_millilitres, in_millimetres};
use craft::work::{Cast, Face, FaceFilm, FacePart};
use serde::Serialize;
use utoipa::ToSchema;

use super::{grams, round, seconds};

/// A film as it lies.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct FaceFilmAnswer {
    /// The colour's key.
    pub colour: String,
    /// How it is put on.
    pub way: Way,
    /// How thick it lies.
    pub thickness_mm: f64,
    /// The share of its part of the face that it covers.
    pub share_pct: f64,
    /// The part that it goes on; the whole face where none is named.
    pub region: Option<String>,
    /// How it looks by itself, thick, `#rrggbb`.
    pub looks: String,
    /// Whether it is seen once all is on.
    pub seen: bool,
}

impl From<FaceFilm> for FaceFilmAnswer {
    fn from(film: FaceFilm) -> Self {
        Self {
            colour: film.colour,
            way: film.way,
            thickness_mm: round(in_millimetres(film.thickness), 3),
            share_pct: round(film.share * 100.0, 1),
            region: film.region,
            looks: film.looks,
            seen: film.seen,
        }
    }
}

/// A fleck or streak on a part of a face.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct FleckAnswer {
    /// Which film it is, counted from the face, from 0.
    pub film: usize,
    /// How it looks, `#rrggbb`.
    pub looks: String,
}

/// A part of the face as it comes out.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct FacePartAnswer {
    /// Its name, where the face has parts.
    pub name: Option<String>,
    /// Its share of the face.
    pub share_pct: f64,
    /// How it looks where no fleck or streak lies, `#rrggbb`.
    pub looks: String,
    /// How it would look with white behind the films.
    pub backed: String,
    /// Films that cover only a share of it.
    pub flecks: Vec<FleckAnswer>,
}

impl From<FacePart> for FacePartAnswer {
    fn from(part: FacePart) -> Self {
        let fleck = |(film, looks)| FleckAnswer { film, looks };
        Self {
            name: part.name,
            share_pct: round(part.share * 100.0, 1),
            looks: part.looks,
            backed: part.backed,
            flecks: part.flecks.into_iter().map(fleck).collect(),
        }
    }
}

/// A face as it comes out of its mould, or off its sheet.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct FaceAnswer {
    /// The films, the one that is seen first.
    pub films: Vec<FaceFilmAnswer>,
    /// The parts.
    pub parts: Vec<FacePartAnswer>,
}

impl From<Face> for FaceAnswer {
    fn from(face: Face) -> Self {
        Self {
            films: face.films.into_iter().map(Into::into).collect(),
            parts: face.parts.into_iter().map(Into::into).collect(),
        }
    }
}

/// How a mould is filled.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum CastBy {
    /// Filled, waited, dumped.
    Dumping,
    /// Brushed in coats.
    Brushing,
    /// Closed, and turned until it has coated its sides.
    Turning,
    /// Filled to the brim: solid.
    Filling,
}

/// Shells as they are cast.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct CastAnswer {
    /// One cavity as it was stated.
    pub cavity: CavityInputs,
    /// Across its opening, as though that were round.
    pub across_mm: f64,
    /// Cavities in the mould.
    pub cavities: u32,
    /// How often it is filled.
    pub casts: u32,
    /// Cavities that are filled in all; the last cast may leave some empty.
    pub filled: u32,
    /// How it is filled.
    pub by: CastBy,
    /// Whether its two sides close to a whole piece.
    pub two_sided: bool,
    /// What the mould is made of.
    pub material: MouldMaterial,
    /// The wall, once set.
    pub shell_mm: f64,
    /// Brushed coats.
    pub coats: Option<u32>,
    /// How long a filled mould waits; `null` where it is brushed, or where more stays
    /// however soon it is dumped.
    pub wait_s: Option<f64>,
    /// One shell.
    pub shell_g: f64,
    /// The room in it.
    pub hollow_ml: f64,
    /// The room under its cap.
    pub filling_ml: f64,
    /// The cap, where there is one.
    pub cap_mm: Option<f64>,
    /// One cap.
    pub cap_g: f64,
    /// What must be at hand, with what stays behind.
    pub in_hand_g: f64,
    /// What the shells keep.
    pub kept_g: f64,
    /// What comes back.
    pub returned_g: f64,
    /// Weighings that the wall was corrected by.
    pub weighings: usize,
}

impl From<Cast> for CastAnswer {
    fn from(cast: Cast) -> Self {
        let (by, coats, wait_s) = match cast.coat {
            Coat::Brushed { coats } => (CastBy::Brushing, Some(coats), None),
            Coat::Dumped { wait } => (CastBy::Dumping, None, wait.map(seconds)),
            Coat::Turned => (CastBy::Turning, None, None),
            Coat::Filled => (CastBy::Filling, None, None),
        };
        let mm = |length| round(in_millimetres(length), 2);
        Self {
            cavity: cast.cavity,
            across_mm: mm(cast.across),
            cavities: cast.cavities,
            casts: cast.casts,
            filled: cast.filled,
            by,
            two_sided: cast.two_sided,
            material: cast.material,
            shell_mm: mm(cast.shell),
            coats,
            wait_s,
            shell_g: grams(cast.each),
            hollow_ml: round(in_millilitres(cast.hollow), 2),
            filling_ml: round(in_millilitres(cast.filling), 2),
            cap_mm: cast.cap.map(mm),
            cap_g: grams(cast.cap_each),
            in_hand_g: grams(cast.in_hand),
            kept_g: grams(cast.kept),
            returned_g: grams(cast.returned),
            weighings: cast.weighings,
        }
    }
}

/// A pigment and what to weigh of it.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct PigmentAmount {
    /// The pigment.
    pub name: String,
    /// What to weigh.
    pub mass_g: f64,
}

/// What goes into a colour.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ColourPlanAnswer {
    /// Cocoa butter.
    pub butter_g: f64,
    /// So much of it is melted, and takes the powder; the rest is its seed. `null` where
    /// no bowl of it is planned, or it comes ready made from a bottle.
    pub melted_g: Option<f64>,
    /// All the powder.
    pub pigment_g: f64,
    /// Each pigment.
    pub pigments: Vec<PigmentAmount>,
    /// Parts to a hundred of butter, all together.
    pub parts_per_100: f64,
    /// The powder, of the total.
    pub pct_of_total: f64,
    /// How it looks by itself, thick, `#rrggbb`.
    pub looks: String,
    /// Whether it goes through cloth.
    pub strained: bool,
    /// What the pigments cost, in the maker's own money, where that is known.
    pub cost: Option<f64>,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<ColourPlan> for ColourPlanAnswer {
    fn from(colour: ColourPlan) -> Self {
        let amount = |(name, mass)| PigmentAmount { name, mass_g: grams(mass) };
        Self {
            butter_g: grams(colour.amounts.butter),
            melted_g: None,
            pigment_g: grams(colour.amounts.pigment),
            pigments: colour.pigments.into_iter().map(amount).collect(),
            parts_per_100: round(colour.parts_per_100, 2),
            pct_of_total: round(craft::colour::pct_of_total(colour.parts_per_100), 2),
            looks: colour.looks,
            strained: colour.strained,
            cost: colour.price.map(|price| round(price, 2)),
            notes: colour.notes,
            sum: colour.working,
        }
    }
}
