//! What is painted or dusted on pieces once they are finished.

use serde::{Deserialize, Serialize};

use super::draft::Draft;
use super::drafting::Drafting;
use super::parts::{Goods, Portion};
use super::task::{TaskDraft, Timing};
use crate::catalogue::work::painted as say;
use crate::check;
use crate::chocolate::Family;
use crate::colour::{Film, Ground, Way, film, hex};
use crate::note::{Note, Working};
use crate::units::{Area, in_grams, in_square_centimetres, square_centimetres};

/// Paintings of one piece at most.
const MOST: usize = 6;
/// The longest name of a dust.
const LONGEST_NAME: usize = 60;
/// A soft brush leaves so much dust, g on 100 cm² (*custom*).
const DUST_G_PER_100_CM2: f64 = 0.05;
/// A hand paints so much in a second, cm² (*custom*).
const CM2_A_SECOND: f64 = 0.5;
/// Colour on finished chocolate is dry to the touch in so long, s (*custom*).
const DRIES_S: f64 = 900.0;

/// What with.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "by", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum PaintedWith {
    /// Coloured cocoa butter.
    Colour {
        /// The colour, by its key.
        colour: String,
        /// How it is put on.
        way: Way,
    },
    /// A dry dust, brushed on.
    Dust {
        /// What it is called.
        name: String,
    },
}

/// What is painted or dusted on, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct PaintedInputs {
    /// What with.
    pub with: PaintedWith,
    /// How much of the surface it covers.
    pub share_pct: f64,
}

/// How a painting looks on the chocolate.
#[derive(Clone, Debug, PartialEq)]
pub struct PaintedLook {
    /// Its colour there, `#rrggbb`.
    pub looks: String,
    /// How it is put on; `None` for a dust.
    pub way: Option<Way>,
    /// How much of the surface it covers, 0 to 1.
    pub share: f64,
}

/// Dusts by a word of their names, and how they look; any other as gold (*custom*).
const DUSTS: [(&str, &str); 8] = [
    ("silver", "#c9ced3"),
    ("pearl", "#efe9df"),
    ("bronze", "#b07a42"),
    ("copper", "#b8693f"),
    ("cocoa", "#6b4226"),
    ("sugar", "#f7f5f0"),
    ("ruby", "#a8324a"),
    ("blue", "#3f6fb5"),
];
const GOLD: &str = "#d8b24a";

fn dust_looks(name: &str) -> String {
    let lower = name.to_lowercase();
    let named = DUSTS.iter().find(|(word, _)| lower.contains(word));
    named.map_or(GOLD, |(_, looks)| looks).to_owned()
}

/// Where paintings name their colours.
pub(super) fn painted_keys(all: &mut [PaintedInputs]) -> impl Iterator<Item = &mut String> {
    all.iter_mut().filter_map(|one| match &mut one.with {
        PaintedWith::Colour { colour, .. } => Some(colour),
        PaintedWith::Dust { .. } => None,
    })
}

/// Paints what is drafted, once all else is done to it; `surface` is that of all pieces together.
/// Faults are noted under `painted`.
pub(super) fn paint(
    draft: &mut Draft,
    stated: &[PaintedInputs],
    surface: Area,
    at: &mut Drafting<'_>,
) {
    if stated.len() > MOST {
        at.check.fault("painted", say::at_most(MOST, stated.len()));
    }
    let family = draft.takes.first().and_then(|portion| at.family(&portion.chocolate));
    let ground = Ground::from(family.unwrap_or(Family::Dark)).tinted();
    let takes_s =
        |share: f64| (in_square_centimetres(surface) * share / CM2_A_SECOND).clamp(60.0, 7_200.0);
    for (i, one) in stated.iter().enumerate() {
        let field = format!("painted[{i}]");
        let share =
            at.number(format_args!("{field}.share_pct"), one.share_pct, check::FACE_PCT) / 100.0;
        let key = format!("paint-{}", i + 1);
        let task = match &one.with {
            PaintedWith::Colour { colour, way } => {
                let optics = at.colour(&format!("{field}.with.colour"), colour);
                draft.shown.painted.extend(optics.map(|optics| PaintedLook {
                    looks: hex(Film::lying(optics, way.thickness()).over(ground)),
                    way: Some(*way),
                    share,
                }));
                if *way == Way::Sheet {
                    at.check.fault(format!("{field}.with.way"), say::not_on_a_sheet());
                }
                let amount = film(surface, *way, 1, share);
                draft.takes.push(Portion {
                    chocolate: colour.clone(),
                    mass: amount.film,
                    at_hand: amount.to_prepare,
                });
                draft.said.working.push(Working::new("painted on", in_grams(amount.film), "g"));
                let text = say::paint(way.verb(), at.label(colour));
                TaskDraft::new(&key, text, say::paint_how(), takes_s(share))
                    .with(colour)
                    .minding(way.caution())
            }
            PaintedWith::Dust { name } => {
                at.check.text(format_args!("{field}.with.name"), name, LONGEST_NAME);
                draft.shown.painted.push(PaintedLook { looks: dust_looks(name), way: None, share });
                let hundreds = surface * share / square_centimetres(100.0);
                let mass = crate::units::grams(DUST_G_PER_100_CM2 * hundreds.value);
                // Less than a kitchen's scale shows, and still bought.
                draft.goods.push(Goods::named(name, mass, "dusted on"));
                TaskDraft::new(&key, say::dust(name), say::dust_how(), takes_s(share))
                    .minding(say::dust_mind())
            }
        };
        let wet = i > 0 && matches!(stated[i - 1].with, PaintedWith::Colour { .. });
        draft.tasks.push(if wet {
            task.since(&format!("paint-{i}"), 0).from(Timing::After(DRIES_S), say::dry())
        } else {
            task
        });
    }
    if !stated.is_empty() {
        draft.said.notes.push(Note::info("painted", say::matt()));
    }
}
