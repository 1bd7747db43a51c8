//! How far chocolate goes: any one of area, thickness and mass from the others.

use serde::{Deserialize, Serialize};

use super::Wanted;
use super::drafting::Drafting;
use super::parts::{Pieces, Used};
use super::tray::TrayInputs;
use crate::catalogue::work::{cover as say, goods};
use crate::check;
use crate::note::Working;
use crate::spread::Tray;
use crate::spread::mixed::MixedTogether;
use crate::spread::slab::{LEAST_ALLOWANCE_G, with_allowance};
use crate::units::{
    Area, Length, Mass, MassDensity, grams, in_grams, in_grams_per_cubic_centimetre,
    in_millimetres, in_square_centimetres, millimetres,
};

/// What the maker counts by.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PortionOf {
    /// Pieces.
    Pieces,
    /// Servings.
    Servings,
    /// Bags.
    Bags,
}

/// So many of something.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PortionsInputs {
    /// What is counted.
    pub of: PortionOf,
    /// How many.
    pub count: u32,
    /// What one weighs: chocolate, what is folded in and what lies on top.
    pub each_g: f64,
}

/// What is known of a slab; the rest follows.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CoverInputs {
    /// A tray, and how thick: how much chocolate?
    Thickness {
        /// What it is spread in.
        tray: TrayInputs,
        /// How thick, once set.
        thickness_mm: f64,
    },
    /// A tray, and what there is: how thick?
    InHand {
        /// What it is spread in.
        tray: TrayInputs,
        /// The chocolate there is, with what will stay behind.
        in_hand_g: f64,
    },
    /// What there is, and how thick: how far does it go?
    Spread {
        /// The chocolate there is, with what will stay behind.
        in_hand_g: f64,
        /// How thick, once set.
        thickness_mm: f64,
    },
    /// So many pieces, servings or bags, and how thick.
    Portions {
        /// How many of what.
        portions: PortionsInputs,
        /// How thick, once set.
        thickness_mm: f64,
    },
}

/// So many rounds bring slab and toppings together to a whole topping.
const TOPPED_IN: u32 = 8;
/// Less than this is no piece, g.
const LEAST_IN_PIECE_G: f64 = 0.1;

/// A slab's size.
#[derive(Clone, Debug, PartialEq)]
pub struct Cover {
    /// What it covers.
    pub tray: Tray,
    /// How thick, once set.
    pub thickness: Length,
    /// The chocolate in it.
    pub chocolate: Mass,
    /// The portions, where they were stated.
    pub portions: Option<Pieces>,
    /// The working.
    pub working: Vec<Working>,
}

/// What reaches the piece of what is in hand, in several bowls by their shares: of each, 5 %
/// stay behind, 15 g at least.
#[must_use]
pub fn without_allowance(in_hand: Mass, shares: &[f64]) -> Mass {
    let asked = |mass: Mass| {
        shares.iter().fold(Mass::default(), |sum, share| sum + with_allowance(mass * *share))
    };
    // What is asked for rises evenly with what is made: halving finds it to a milligram.
    let (mut low, mut high) = (Mass::default(), in_hand);
    for _ in 0..40 {
        let middle = (low + high) / 2.0;
        if asked(middle) <= in_hand {
            low = middle;
        } else {
            high = middle;
        }
    }
    low
}

impl CoverInputs {
    /// The bags it is packed in, where it is made for some.
    pub fn bags(&self) -> Option<Used> {
        match self {
            Self::Portions { portions, .. } if portions.of == PortionOf::Bags => Some(Used {
                name: "clear bags",
                count: f64::from(portions.count),
                goes: "packed in",
            }),
            _ => None,
        }
    }

    /// The same slab, as thick, so large; as many portions, where it is made for some.
    pub(super) fn make(&mut self, wanted: Wanted) -> bool {
        let area = TrayInputs::Area { area_cm2: wanted.area_cm2 };
        match self {
            Self::Portions { portions, .. } => portions.count = wanted.pieces,
            Self::Thickness { tray, .. } => *tray = area,
            Self::Spread { thickness_mm, .. } => {
                *self = Self::Thickness { tray: area, thickness_mm: *thickness_mm };
            }
            // How thick it lies follows from the tray that is stated.
            Self::InHand { .. } => return false,
        }
        true
    }

    /// How thick it is to be, where that is stated, mm.
    pub fn thickness_mut(&mut self) -> Option<&mut f64> {
        match self {
            Self::Thickness { thickness_mm, .. }
            | Self::Spread { thickness_mm, .. }
            | Self::Portions { thickness_mm, .. } => Some(thickness_mm),
            Self::InHand { .. } => None,
        }
    }

    /// What it is spread in, where that is stated.
    pub fn tray_mut(&mut self) -> Option<&mut TrayInputs> {
        match self {
            Self::Thickness { tray, .. } | Self::InHand { tray, .. } => Some(tray),
            Self::Spread { .. } | Self::Portions { .. } => None,
        }
    }

    /// The size, of chocolate of a density with dry goods folded in; faults are noted
    /// under `cover`.
    ///
    /// `shares` are those of its chocolates, each from a bowl of its own; `on_top` says what lies on
    /// so large a slab of so much chocolate.
    ///
    /// With what is folded into it a mass of chocolate takes up the room A·h.
    pub(super) fn solve(
        &self,
        density: MassDensity,
        mixed: &MixedTogether,
        shares: &[f64],
        on_top: &dyn Fn(Area, Mass) -> Mass,
        at: &mut Drafting<'_>,
    ) -> Option<Cover> {
        let thickness = |mm: f64, at: &mut Drafting<'_>| {
            millimetres(at.number("cover.thickness_mm", mm, check::SLAB_MM))
        };
        let in_hand = |g: f64, at: &mut Drafting<'_>| {
            let all = grams(at.number("cover.in_hand_g", g, check::CHOCOLATE_G));
            let reaches = without_allowance(all, shares);
            if reaches < grams(LEAST_IN_PIECE_G) {
                let bowls = f64::from(u32::try_from(shares.len()).unwrap_or(u32::MAX));
                let stays = grams(LEAST_ALLOWANCE_G) * bowls;
                at.check.fault("cover.in_hand_g", say::more_than_stays_behind(stays, grams(g)));
            }
            reaches
        };
        let (tray, thickness, chocolate, portions) = match *self {
            Self::Thickness { tray, thickness_mm } => {
                let thickness = thickness(thickness_mm, at);
                tray.holds("cover.tray", "cover.thickness_mm", thickness, at.check);
                let tray = tray.check("cover.tray", at.check);
                let mass = mixed.chocolate_in(tray.area() * thickness, density);
                (tray, thickness, mass, None)
            }
            Self::InHand { tray, in_hand_g } => {
                let mass = in_hand(in_hand_g, at);
                let checked = tray.check("cover.tray", at.check);
                let thickness: Length = mixed.room(mass, density) / checked.area();
                if !at.check.has_faults() && !check::SLAB_MM.contain(in_millimetres(thickness)) {
                    at.check
                        .fault("cover.in_hand_g", say::must_make_a_slab(check::SLAB_MM, thickness));
                }
                tray.holds("cover.tray", "cover.in_hand_g", thickness, at.check);
                (checked, thickness, mass, None)
            }
            Self::Spread { in_hand_g, thickness_mm } => {
                let (mass, thickness) = (in_hand(in_hand_g, at), thickness(thickness_mm, at));
                let area: Area = mixed.room(mass, density) / thickness;
                (Tray::Area(area), thickness, mass, None)
            }
            Self::Portions { portions, thickness_mm } => {
                let count =
                    at.number("cover.portions.count", f64::from(portions.count), check::PIECES);
                let each =
                    grams(at.number("cover.portions.each_g", portions.each_g, check::PIECE_G));
                let thickness = thickness(thickness_mm, at);
                let wanted = each * count;
                let of_it = |top: Mass| (wanted - top - mixed.fixed()) / (1.0 + mixed.parts());
                // What lies on top goes by the slab, and the slab by what is left for it.
                let (mut top, mut mass) = (Mass::default(), of_it(Mass::default()));
                for _ in 0..TOPPED_IN {
                    let lies = on_top(mixed.room(mass, density) / thickness, mass);
                    // What is stated wrongly is refused where it is stated.
                    top = if lies.value.is_finite() { lies.max(Mass::default()) } else { top };
                    if top >= wanted {
                        break;
                    }
                    mass = of_it(top);
                }
                if !at.check.has_faults() && top >= wanted {
                    at.check.fault(
                        "cover.portions.each_g",
                        say::no_more_than_on_top(each, top / count),
                    );
                }
                if !at.check.has_faults()
                    && mass > Mass::default()
                    && !check::CHOCOLATE_G.contain(in_grams(mass))
                {
                    at.check
                        .fault("cover.portions.count", say::must_come_to(check::CHOCOLATE_G, mass));
                }
                let area: Area = mixed.room(mass, density) / thickness;
                // What lies on top is added where it is laid on.
                let each = (wanted - top) / count;
                let pieces = Pieces { count, each, area: Some(area / count) };
                (Tray::Area(area), thickness, mass, Some(pieces))
            }
        };
        let cm2 = in_square_centimetres(tray.area());
        if !at.check.has_faults() && !check::TRAY_CM2.contain(cm2) && chocolate > Mass::default() {
            // Only where it follows from what is stated; a tray was looked at already.
            at.check.fault("cover.thickness_mm", say::must_cover(check::TRAY_CM2, tray.area()));
        }
        if !at.check.has_faults() && chocolate <= Mass::default() {
            at.check.fault("mixed_in", goods::no_room(mixed.fixed()));
        }
        let mut working = vec![
            Working::new("area", in_square_centimetres(tray.area()), "cm²"),
            Working::new("thickness once set", in_millimetres(thickness), "mm"),
            Working::new("density once set", in_grams_per_cubic_centimetre(density), "g/cm³"),
        ];
        if !mixed.is_empty() {
            let dry = mixed.dry(chocolate);
            working.push(Working::new(
                "dry goods to one of chocolate",
                (dry / chocolate).value,
                "",
            ));
            working.push(Working::new("dry goods", in_grams(dry), "g"));
        }
        working.push(Working::new("chocolate in the piece", in_grams(chocolate), "g"));
        Some(Cover { tray, thickness, chocolate, portions, working })
    }
}
