//! What all work in moulds shares: the mould, the colours on its face, the wall.

mod pouring;
mod smear;

pub use pouring::CoatsSet;
pub(super) use pouring::turned_out;
pub use smear::SmearInputs;

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::drafting::Drafting;
use super::face::{Face, Faced, FilmInputs, Part, RESTS_H, after_the_rest, faced, short_rest};
use super::parts::{Layer, Portion};
use super::task::TaskDraft;
use crate::catalogue::work::cast as say;
use crate::check;
use crate::chocolate::Chocolate;
use crate::note::{Note, Working};
use crate::shell::{
    Cavity, CavityInputs, Coat, MouldInputs, MouldMaterial, Pouring, ShellWay, Shells,
    ShellsAmount, ShellsError, USUAL_FLOW_GRADE, brimful, melted_density,
};
use crate::spread::mixed::MixedTogether;
use crate::spread::slab::with_allowance;
use crate::units::{Length, Mass, Volume, celsius, in_grams, millimetres, seconds};

/// How thick a shell is: as wished, as a wait makes it, or filled solid.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum WallInputs {
    /// So thick: how long to wait, or how many coats?
    Wished {
        /// How thick, once set.
        shell_mm: f64,
    },
    /// Dumped after so long: how thick?
    Waited {
        /// How long.
        wait_s: f64,
        /// How warm it is poured; the middle of its band if left out.
        #[serde(default)]
        poured_c: Option<f64>,
    },
    /// Filled to the brim and left: nothing stays hollow.
    Solid {},
}

/// Work in a mould, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CastInputs {
    /// The chocolate of the shells, by key.
    pub chocolate: String,
    /// A mould from the shelf, in place of `mould`.
    #[serde(default)]
    pub mould_id: Option<Uuid>,
    /// The mould.
    pub mould: MouldInputs,
    /// How often it is filled.
    pub casts: u32,
    /// How many pieces are wanted: it is filled as often as they need, in place of `casts`.
    #[serde(default)]
    pub wanted: Option<u32>,
    /// The colours on its face, the one that goes in first, and is seen, first.
    #[serde(default)]
    pub colours: Vec<FilmInputs>,
    /// How long the colours rest before the chocolate; six hours if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub colour_rest_h: Option<f64>,
    /// What is smeared on the bare mould before the shell goes in.
    #[serde(default)]
    pub smear: Option<SmearInputs>,
    /// How it is lined.
    #[serde(default)]
    pub way: ShellWay,
    /// Where each brushed coat sets before the next.
    #[serde(default)]
    pub between: CoatsSet,
    /// How thick the shell is.
    pub wall: WallInputs,
}

/// Shells as they are cast.
#[derive(Clone, Debug, PartialEq)]
pub struct Cast {
    /// The mould on the shelf that it is cast in, where it was picked there.
    pub mould_id: Option<Uuid>,
    /// One cavity as it was stated.
    pub cavity: CavityInputs,
    /// Across its opening.
    pub across: Length,
    /// Cavities in the mould.
    pub cavities: u32,
    /// How often it is filled.
    pub casts: u32,
    /// Cavities that are filled, in all casts together; the last may leave some empty.
    pub filled: u32,
    /// What it is made of.
    pub material: MouldMaterial,
    /// Whether its two sides close to a whole piece.
    pub two_sided: bool,
    /// The wall; of what is solid, as thick as its cavity is wide to its middle.
    pub shell: Length,
    /// How it comes about.
    pub coat: Coat,
    /// One shell.
    pub each: Mass,
    /// The room in it.
    pub hollow: Volume,
    /// The room under its cap.
    pub filling: Volume,
    /// The cap, where there is one.
    pub cap: Option<Length>,
    /// One cap.
    pub cap_each: Mass,
    /// What must be at hand.
    pub in_hand: Mass,
    /// What the shells keep.
    pub kept: Mass,
    /// What comes back.
    pub returned: Mass,
    /// Weighings that its thickness was corrected by.
    pub weighings: usize,
}

/// What lies in the mould before the shell, and what closes it or is folded into it: by kind.
#[derive(Default)]
pub(super) struct Within<'w> {
    /// How thick the cap is, where there is one.
    pub cap: Option<Length>,
    /// The parts of its face, each with the family behind it; one whole where there are none.
    pub parts: &'w [Part],
    /// The share of the face behind which nothing stays hollow.
    pub solid_face: f64,
    /// The room in a cavity that is full before the shell goes in.
    pub full: Volume,
    /// What lies on the face before the shell does.
    pub before: Vec<Layer>,
    /// How that is put in.
    pub first: Vec<TaskDraft>,
    /// What is folded into the chocolate, where it is solid.
    pub mixed: Option<&'w MixedTogether>,
}

/// What a kind of moulded work goes on from.
pub(super) struct Lined {
    pub cavity: Cavity,
    pub cast: Cast,
    pub face: Option<Face>,
    pub takes: Vec<Portion>,
    /// The wall, then what lies on the face before it.
    pub layers: Vec<Layer>,
    pub tasks: Vec<TaskDraft>,
    pub notes: Vec<Note>,
    pub working: Vec<Working>,
}

/// What is cast, and how often.
#[derive(Clone, Copy)]
struct Counted {
    filled: u32,
    casts: u32,
}

impl CastInputs {
    /// The chocolates it is made from, by key.
    pub(super) fn keys_mut(&mut self) -> Vec<&mut String> {
        let colours = self.colours.iter_mut().map(|film| &mut film.colour);
        let smear = self.smear.iter_mut().map(|smear| &mut smear.chocolate);
        std::iter::once(&mut self.chocolate).chain(colours).chain(smear).collect()
    }

    /// How many cavities are filled, where a piece takes so many. What is beyond a number is
    /// beyond its bounds too.
    pub(super) fn count(&self, to_a_piece: u32) -> u32 {
        match self.wanted {
            Some(pieces) => pieces.saturating_mul(to_a_piece),
            None => self.mould.count.saturating_mul(self.casts),
        }
    }

    /// How many cavities are filled, and how often the mould is, with faults noted.
    fn counted(&self, to_a_piece: u32, at: &mut Drafting<'_>) -> Counted {
        at.number("cast.casts", f64::from(self.casts), check::CASTS);
        let filled = self.count(to_a_piece);
        let Some(pieces) = self.wanted else { return Counted { filled, casts: self.casts } };
        at.number("cast.wanted", f64::from(pieces), check::PIECES);
        let casts = filled.div_ceil(self.mould.count.max(1));
        if !at.check.has_faults() && !check::CASTS.contain(f64::from(casts)) {
            at.check.fault("cast.wanted", say::too_often(check::CASTS, casts));
        }
        Counted { filled, casts }
    }

    /// Whether it is filled solid.
    pub(super) const fn is_solid(&self) -> bool {
        matches!(self.wall, WallInputs::Solid {})
    }

    /// Notes a fault where something is to go into what is filled solid, or closes by itself.
    pub(super) fn must_be_hollow_and_open(&self, at: &mut Drafting<'_>) {
        if self.is_solid() {
            at.check.fault("cast.wall.by", say::must_be_hollow());
        }
        if self.mould.two_sided {
            at.check.fault("cast.mould.two_sided", say::must_be_open());
        }
    }

    /// Shells with their colours, up to the shell that is scraped; faults are noted
    /// under `cast`. A piece takes so many cavities.
    pub(super) fn lined(
        &self,
        to_a_piece: u32,
        within: Within<'_>,
        at: &mut Drafting<'_>,
    ) -> Option<Lined> {
        let chocolate = at.chocolate("cast.chocolate", &self.chocolate);
        let cavity = self.mould.check("cast.mould", at.check);
        let counted = self.counted(to_a_piece, at);
        at.check.optional("cast.colour_rest_h", self.colour_rest_h, check::REST_H);
        let smear = match &self.smear {
            Some(smear) => Some(smear.check(at)?),
            None => None,
        };
        let (chocolate, cavity) = (chocolate?, cavity?);
        self.goes_together(at);
        let (learned, weighings) = self.mould.learned(chocolate.family);
        let flow_grade = at.flow_grade(&self.chocolate).unwrap_or(USUAL_FLOW_GRADE);
        let poured = match self.wall {
            WallInputs::Waited { poured_c, .. } => {
                at.check.optional("cast.wall.poured_c", poured_c, check::MELTED_C).map(celsius)
            }
            WallInputs::Wished { .. } | WallInputs::Solid {} => None,
        };
        let pouring = Pouring { chocolate: &chocolate, flow_grade, poured, learned };
        let left = cavity.without(within.solid_face, within.full);
        let (field, shell) = self.shell(&left, &pouring, at);
        if at.check.has_faults() {
            return None;
        }
        let amount = if self.is_solid() {
            brimful(&left, counted.filled, &chocolate, within.mixed)
        } else {
            let (count, cap, way) = (counted.filled, within.cap, self.way);
            let shells = Shells { cavity: left, count, shell, way, cap, pouring };
            match shells.solve() {
                Ok(amount) => amount,
                Err(error @ ShellsError::ThickerThanRadius { .. }) => {
                    at.check.fault(field, error.message());
                    return None;
                }
                Err(error @ ShellsError::CapFillsIt { .. }) => {
                    at.check.fault("cap.cap_mm", error.message());
                    return None;
                }
            }
        };
        let whole = [Part { name: None, share: 1.0, family: chocolate.family }];
        let parts = if within.parts.is_empty() { whole.as_slice() } else { within.parts };
        let area = cavity.area * f64::from(counted.filled);
        let faced = faced(&self.colours, "cast.colours", area, parts, at)?;
        let smeared = smear.map(|of| of.smeared(area, 1 + within.before.len(), at));
        let mut lined = Lined {
            takes: vec![Portion {
                chocolate: self.chocolate.clone(),
                mass: amount.kept,
                at_hand: self.at_hand(&left, &chocolate, &amount, counted),
            }],
            layers: vec![Layer {
                coats: match amount.coat {
                    Coat::Brushed { coats } => coats,
                    Coat::Dumped { .. } | Coat::Turned | Coat::Filled => 1,
                },
                ..Layer::of(&self.chocolate, self.sets_as_thick(&left, shell))
            }],
            tasks: vec![TaskDraft::new("polish", say::polish(), say::polish_how(), 120.0)],
            notes: amount.notes.clone(),
            working: Vec::new(),
            cast: self.cast(&cavity, shell, &amount, counted, weighings),
            cavity: left,
            face: None,
        };
        lined.cast.in_hand = with_allowance(lined.takes[0].at_hand);
        lined.cast.returned = lined.takes[0].at_hand - amount.kept;
        lined.layers.extend(within.before);
        let mut first = within.first;
        if let Some(smeared) = smeared {
            lined.takes.push(smeared.takes);
            lined.layers.push(smeared.layer);
            first.splice(0..0, smeared.tasks);
        }
        self.put_together(&mut lined, &amount, faced, first, at);
        Some(lined)
    }

    /// Notes faults where what is stated does not go together.
    fn goes_together(&self, at: &mut Drafting<'_>) {
        if self.is_solid() && self.way != ShellWay::Dump {
            at.check.fault("cast.way", say::solid_is_filled());
        }
        if self.way == ShellWay::Turn && !self.mould.two_sided {
            at.check.fault("cast.way", say::turned_is_two_sided());
        }
        let brushed = self.way == ShellWay::Brush;
        if self.between == CoatsSet::Fridge && brushed && !at.fridge {
            at.check.fault("cast.between", say::no_fridge());
        }
    }

    /// The wall, and the field that states it.
    fn shell(
        &self,
        left: &Cavity,
        pouring: &Pouring<'_>,
        at: &mut Drafting<'_>,
    ) -> (&'static str, Length) {
        match self.wall {
            WallInputs::Wished { shell_mm } => {
                let field = "cast.wall.shell_mm";
                (field, millimetres(at.number(field, shell_mm, check::SHELL_MM)))
            }
            WallInputs::Waited { wait_s, .. } => {
                let field = "cast.wall.wait_s";
                if self.way != ShellWay::Dump {
                    at.check.fault(field, say::wait_goes_with_dumping());
                }
                let wait = seconds(at.number(field, wait_s, check::WAIT_S));
                (field, pouring.stays(wait))
            }
            WallInputs::Solid {} => ("cast.wall.by", left.radius()),
        }
    }

    /// As a slab of which thickness it sets: a third of its radius, where it is solid, since a
    /// wall as thick as that has all of the cavity in it (docs/craft.md, section 4).
    fn sets_as_thick(&self, left: &Cavity, shell: Length) -> Length {
        if self.is_solid() { left.radius() / 3.0 } else { shell }
    }

    /// The most that is at hand at once: one mould full at a time, and what an earlier cast gave
    /// back fills the next.
    fn at_hand(
        &self,
        left: &Cavity,
        chocolate: &Chocolate,
        amount: &ShellsAmount,
        Counted { filled, casts }: Counted,
    ) -> Mass {
        if self.way != ShellWay::Dump || self.is_solid() {
            return amount.kept;
        }
        let full: Mass = left.volume * melted_density(chocolate);
        let mut most = amount.kept;
        let mut lined = 0;
        for _ in 0..casts {
            let now = self.mould.count.min(filled.saturating_sub(lined));
            most = most.max(full * f64::from(now) + amount.shell * f64::from(lined));
            lined += now;
        }
        most
    }

    fn cast(
        &self,
        cavity: &Cavity,
        shell: Length,
        amount: &ShellsAmount,
        Counted { filled, casts }: Counted,
        weighings: usize,
    ) -> Cast {
        let two_sided = self.mould.two_sided;
        Cast {
            mould_id: self.mould_id,
            cavity: self.mould.cavity,
            across: if two_sided { cavity.as_a_ball() } else { cavity.across() },
            cavities: self.mould.count,
            casts,
            filled,
            material: self.mould.material,
            two_sided,
            shell,
            coat: amount.coat,
            each: amount.shell,
            hollow: amount.hollow,
            filling: amount.filling,
            cap: None,
            cap_each: amount.cap,
            in_hand: Mass::default(),
            kept: amount.kept,
            returned: Mass::default(),
            weighings,
        }
    }

    /// Colours, what lies before the shell, the shell; and all that is said of them.
    fn put_together(
        &self,
        lined: &mut Lined,
        amount: &ShellsAmount,
        faced: Faced,
        first: Vec<TaskDraft>,
        at: &Drafting<'_>,
    ) {
        lined.takes.extend(faced.takes);
        lined.notes.extend(faced.notes);
        lined.face = Some(faced.face);
        if lined.cast.weighings > 0 {
            lined.notes.push(Note::info("weighed", say::weighed(lined.cast.weighings)));
        }
        // What all casts keep follows from one; what is at hand and comes back does not: one
        // mould full at a time.
        let at_once = ["fills the moulds", "comes back", "in hand, with what stays behind"];
        lined
            .working
            .extend(amount.working.iter().filter(|line| !at_once.contains(&&*line.label)).cloned());
        lined.working.extend([
            Working::new("filled so often", f64::from(lined.cast.casts), ""),
            Working::new("at hand at once", in_grams(lined.takes[0].at_hand), "g"),
            Working::new("comes back in the end", in_grams(lined.cast.returned), "g"),
            Working::new("in hand, with what stays behind", in_grams(lined.cast.in_hand), "g"),
        ]);
        lined.working.extend(faced.working);
        if !self.colours.is_empty() {
            lined.tasks.extend(faced.tasks);
            lined.tasks.push(TaskDraft::new("wipe", say::wipe(), say::wipe_how(), 60.0));
        }
        let mut poured: Vec<TaskDraft> =
            first.into_iter().chain(self.wall_tasks(amount, at)).collect();
        // What goes in first waits for the colour's rest, whatever it is.
        if !poured.is_empty() {
            let rest_h = self.colour_rest_h.unwrap_or(RESTS_H);
            let rested = after_the_rest(poured.remove(0), &self.colours, rest_h);
            lined.notes.extend(short_rest(rest_h).filter(|_| !self.colours.is_empty()));
            poured.insert(0, rested);
        }
        lined.tasks.extend(poured);
    }
}
