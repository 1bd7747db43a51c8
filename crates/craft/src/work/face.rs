//! Colours on the face of a mould or a sheet: what goes in first is what is seen.

use serde::{Deserialize, Serialize};

use super::drafting::Drafting;
use super::parts::Portion;
use super::task::{TaskDraft, Timing};
use crate::catalogue::work::face as say;
use crate::check;
use crate::chocolate::Family;
use crate::colour::{Film, Ground, Rgb, Way, film, hex, stack};
use crate::message::{Until, names};
use crate::note::{Note, Working};
use crate::units::{Area, Length, in_grams, in_square_centimetres, minutes};

/// Films on one face at most.
const MOST_FILMS: usize = 8;
/// A film that changes no channel by more than this is not seen.
const SEEN_FROM: f64 = 0.02;
/// A colour that white behind it would change by this much in a channel sinks (*custom*).
const SINKS_FROM: f64 = 0.12;
/// A brushed film dries in about so long, s; thinner ones sooner (*custom*).
const BRUSHED_DRIES_S: f64 = 600.0;
/// The rest before the chocolate, hours: six is usual, overnight is safe.
pub(super) const RESTS_H: f64 = 6.0;
/// It lets go of the mould by itself when it is left too long, hours (*custom*).
const RESTS_AT_MOST_H: f64 = 72.0;
/// Taping off, pulling the tape, and how long after the colour, s (*custom*).
const MASK_S: f64 = 120.0;
const UNMASK_S: f64 = 30.0;
const UNMASK_AFTER_S: f64 = 120.0;
/// A rest this short and the chocolate may take the colour with it; under six hours it does where it
/// is thick, hours (*custom*).
const SHORT_REST_H: f64 = 1.0;
/// A hand covers so much in a second, cm² (*custom*).
const CM2_A_SECOND: f64 = 1.0;

/// A film of colour, as the maker states it. Films are listed in the order of work:
/// the first is the one that is seen.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct FilmInputs {
    /// The coloured cocoa butter, by its key.
    pub colour: String,
    /// How it is put on.
    pub way: Way,
    /// Passes, or coats.
    #[serde(default = "once")]
    pub passes: u32,
    /// How much of the face, or of the region, it covers.
    #[serde(default = "all_of_it")]
    pub share_pct: f64,
    /// The region of the mould that it goes on; the whole face if left out.
    #[serde(default)]
    pub region: Option<String>,
    /// Whether tape keeps the rest of the face bare of it.
    #[serde(default, skip_serializing_if = "std::ops::Not::not")]
    pub masked: bool,
}

const fn once() -> u32 {
    1
}

const fn all_of_it() -> f64 {
    100.0
}

impl FilmInputs {
    /// One coat all over.
    #[must_use]
    pub fn all_over(colour: &str, way: Way) -> Self {
        Self {
            colour: colour.to_owned(),
            way,
            passes: 1,
            share_pct: 100.0,
            region: None,
            masked: false,
        }
    }
}

/// A part of a face: its name and its share, 0 to 1.
#[derive(Clone, Debug, PartialEq)]
pub(super) struct Part {
    pub name: Option<String>,
    pub share: f64,
    pub family: Family,
}

/// A film as it lies.
#[derive(Clone, Debug, PartialEq)]
pub struct FaceFilm {
    /// The colour's key.
    pub colour: String,
    /// How it is put on.
    pub way: Way,
    /// How thick it lies.
    pub thickness: Length,
    /// The share of its part of the face that it covers, 0 to 1.
    pub share: f64,
    /// The part that it goes on; the whole face where none is named.
    pub region: Option<String>,
    /// How it looks by itself, thick, `#rrggbb`.
    pub looks: String,
    /// Whether it is seen once all is on.
    pub seen: bool,
}

/// A part of the face as it comes out.
#[derive(Clone, Debug, PartialEq)]
pub struct FacePart {
    /// Its name, where the face has parts.
    pub name: Option<String>,
    /// Its share of the face, 0 to 1.
    pub share: f64,
    /// How it looks where no fleck or streak lies, `#rrggbb`.
    pub looks: String,
    /// How it would look with white behind the films.
    pub backed: String,
    /// How the films that cover only a share of it look: which, and the colour.
    pub flecks: Vec<(usize, String)>,
}

/// A face as it comes out of its mould, or off its sheet.
#[derive(Clone, Debug, PartialEq)]
pub struct Face {
    /// The films, the one that is seen first.
    pub films: Vec<FaceFilm>,
    /// The parts.
    pub parts: Vec<FacePart>,
}

/// A face, and what it takes.
pub(super) struct Faced {
    pub face: Face,
    pub takes: Vec<Portion>,
    pub tasks: Vec<TaskDraft>,
    pub notes: Vec<Note>,
    pub working: Vec<Working>,
}

/// The films on a face of this area in all, over the chocolate of each of its parts.
pub(super) fn faced(
    films: &[FilmInputs],
    field: &str,
    area: Area,
    parts: &[Part],
    at: &mut Drafting<'_>,
) -> Option<Faced> {
    if films.len() > MOST_FILMS {
        let there = films.len();
        at.check.fault(field, say::at_most_films(MOST_FILMS, there));
    }
    let mut lying = Vec::new();
    let mut faced = Faced {
        face: Face { films: Vec::new(), parts: Vec::new() },
        takes: Vec::new(),
        tasks: Vec::new(),
        notes: Vec::new(),
        working: Vec::new(),
    };
    for (i, one) in films.iter().enumerate() {
        let field = format!("{field}[{i}]");
        let optics = at.colour(&format!("{field}.colour"), &one.colour);
        let passes =
            at.number(format_args!("{field}.passes"), f64::from(one.passes), check::PASSES);
        let share =
            at.number(format_args!("{field}.share_pct"), one.share_pct, check::FACE_PCT) / 100.0;
        let of_region = match &one.region {
            None => Some(1.0),
            Some(name) => parts.iter().find(|p| p.name.as_ref() == Some(name)).map(|p| p.share),
        };
        let Some(of_region) = of_region else {
            let regions: Vec<_> = parts.iter().filter_map(|p| p.name.as_deref()).collect();
            let there = if regions.is_empty() {
                say::no_regions()
            } else {
                say::its_regions(names(regions))
            };
            at.check.fault(format!("{field}.region"), say::must_be_a_region(there));
            continue;
        };
        let amount = film(area, one.way, passes as u32, share * of_region);
        faced.takes.push(Portion {
            chocolate: one.colour.clone(),
            mass: amount.film,
            at_hand: amount.to_prepare,
        });
        faced.working.push(Working::new("colour", in_grams(amount.film), "g"));
        let Some(optics) = optics else { continue };
        faced.face.films.push(FaceFilm {
            colour: one.colour.clone(),
            way: one.way,
            thickness: amount.thickness,
            share,
            region: one.region.clone(),
            looks: optics.by_itself(),
            seen: true,
        });
        lying.push(Film::lying(optics, amount.thickness));
    }
    if at.check.has_faults() {
        return None;
    }
    faced.tasks = tasks(films, &faced.face.films, area, at);
    if films.iter().any(|film| film.masked) {
        faced.notes.push(Note::info("masked", say::masked()));
    }
    for part in parts {
        let mut looked = looked_at(part, &faced.face.films, &lying);
        faced.notes.append(&mut looked.notes);
        for i in looked.hidden {
            faced.face.films[i].seen = false;
        }
        faced.face.parts.push(looked.part);
    }
    faced.notes.dedup();
    Some(faced)
}

struct LookedAt {
    part: FacePart,
    hidden: Vec<usize>,
    notes: Vec<Note>,
}

fn differs(a: Rgb, b: Rgb) -> f64 {
    a.iter().zip(b).map(|(a, b)| (a - b).abs()).fold(0.0, f64::max)
}

/// How a part comes out, and whether every film on it is seen: the order is wrong
/// where one is hidden that the other way round would be seen.
fn looked_at(part: &Part, films: &[FaceFilm], lying: &[Film]) -> LookedAt {
    let ground = Ground::from(part.family).tinted();
    let on_it = |i: &usize| films[*i].region.is_none() || films[*i].region == part.name;
    let here: Vec<usize> = (0..films.len()).filter(on_it).collect();
    let whole = |i: &usize| films[*i].share >= 1.0;
    let shown = |order: &[usize]| {
        let stacked: Vec<Film> = order.iter().map(|i| lying[*i]).collect();
        stack(ground, &stacked)
    };
    let field: Vec<usize> = here.iter().copied().filter(whole).collect();
    let looks = shown(&field);
    // Where a fleck lies, the fleck and whatever covers all of it.
    let with = |i: usize| -> Vec<usize> {
        here.iter().copied().filter(|j| *j == i || films[*j].share >= 1.0).collect()
    };
    let mut hidden = Vec::new();
    let mut notes = Vec::new();
    for i in here.iter().copied() {
        let order = with(i);
        let without: Vec<usize> = order.iter().copied().filter(|j| *j != i).collect();
        if differs(shown(&order), shown(&without)) >= SEEN_FROM {
            continue;
        }
        hidden.push(i);
        let name = &films[i].colour;
        let swapped = |j: usize| -> Vec<usize> {
            let swap = |k: &usize| {
                if *k == i {
                    j
                } else if *k == j {
                    i
                } else {
                    *k
                }
            };
            order.iter().map(swap).collect()
        };
        let before = order.iter().copied().take_while(|j| *j != i);
        // The other way round both are seen, or this one in front of the other.
        let better = before.into_iter().find(|j| {
            let order = swapped(*j);
            let only: Vec<usize> = order.iter().copied().filter(|k| k != j).collect();
            let alone: Vec<usize> = order.iter().copied().filter(|k| *k != i).collect();
            differs(shown(&order), shown(&alone)) >= SEEN_FROM
                && (differs(shown(&order), shown(&only)) >= SEEN_FROM || films[i].share < 1.0)
        });
        notes.push(match better {
            Some(j) => Note::stop("upside-down", say::upside_down(&films[j].colour, name)),
            None => Note::info("not-seen", say::not_seen(name)),
        });
    }
    let backed: Vec<Film> = field.iter().map(|i| lying[*i]).chain([Film::white()]).collect();
    let backed = stack(ground, &backed);
    if !field.is_empty() && differs(backed, looks) > SINKS_FROM {
        let name = &films[field[0]].colour;
        let white = field[1..].iter().any(|i| lying[*i].is_white());
        let text = if white {
            say::sinks_over_white(name, &part.family)
        } else {
            say::sinks(name, &part.family)
        };
        notes.push(Note::caution("sinks", text));
    }
    let flecks = here
        .iter()
        .filter(|i| films[**i].share < 1.0)
        .map(|i| (*i, hex(shown(&with(*i)))))
        .collect();
    LookedAt {
        part: FacePart {
            name: part.name.clone(),
            share: part.share,
            looks: hex(looks),
            backed: hex(backed),
            flecks,
        },
        hidden,
        notes,
    }
}

fn tasks(
    stated: &[FilmInputs],
    films: &[FaceFilm],
    area: Area,
    at: &Drafting<'_>,
) -> Vec<TaskDraft> {
    let mut tasks = Vec::new();
    for (i, film) in films.iter().enumerate() {
        let label = at.label(&film.colour);
        let takes = in_square_centimetres(area) * film.share / CM2_A_SECOND;
        let verb = film.way.verb();
        let text = match &film.region {
            Some(region) => say::colour_region(verb, label, region),
            None => say::colour(verb, label),
        };
        let mut task = TaskDraft::new(
            &format!("colour-{}", i + 1),
            text,
            film.way.how(),
            takes.clamp(60.0, 3_600.0),
        )
        .with(&film.colour)
        .minding(film.way.caution());
        if i > 0 {
            let before = &films[i - 1];
            let dries = BRUSHED_DRIES_S * (before.thickness / Way::Brush.thickness()).value;
            task = task
                .since(&format!("colour-{i}"), 0)
                .from(Timing::After(dries.clamp(180.0, 1_800.0)), say::film_from());
        }
        let masked = stated.get(i).is_some_and(|film| film.masked);
        if masked {
            let key = format!("mask-{}", i + 1);
            tasks.push(TaskDraft::new(&key, say::mask(), say::mask_how(), MASK_S));
        }
        tasks.push(task);
        if masked {
            let (key, since) = (format!("unmask-{}", i + 1), format!("colour-{}", i + 1));
            let unmask = TaskDraft::new(&key, say::unmask(), say::unmask_how(), UNMASK_S);
            let (from, what) = (Timing::After(UNMASK_AFTER_S), say::unmask_from());
            tasks.push(unmask.since(&since, 0).from(from, what));
        }
    }
    tasks
}

/// The key of the last film's task.
pub(super) fn last_film(films: &[FilmInputs]) -> Option<String> {
    (!films.is_empty()).then(|| format!("colour-{}", films.len()))
}

/// What a rest that is shorter than usual risks.
pub(super) fn short_rest(rest_h: f64) -> Option<Note> {
    if rest_h < SHORT_REST_H {
        Some(Note::caution("rest-short", say::rest_minutes(minutes(rest_h * 60.0))))
    } else if rest_h < RESTS_H {
        Some(Note::info("rest-short", say::rest_hours(rest_h)))
    } else {
        None
    }
}

/// The pour waits until the colour has rested.
pub(super) fn after_the_rest(pour: TaskDraft, films: &[FilmInputs], rest_h: f64) -> TaskDraft {
    let Some(last) = last_film(films) else { return pour };
    pour.since(&last, 0).from(Timing::Hours(rest_h), say::pour_from()).until(
        Timing::Hours(RESTS_AT_MOST_H),
        say::pour_until(Until),
        say::pour_late(),
    )
}
