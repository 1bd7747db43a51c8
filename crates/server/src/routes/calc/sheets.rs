//! Sheets at true size: outlines to pipe over, a wrap's strip.

use actix_web::post;
use actix_web::web::Json;
use craft::check::{self, Checker};
use craft::drawn::page::{Drawing, Mark, Paper};
use craft::drawn::piping::{LaidOut, LayoutError, Wanted, looked_at, piping_sheets};
use craft::drawn::score::{ScoreMap, score_map};
use craft::drawn::wrap_strip::wrap_sheets;
use craft::message::names;
use craft::note::Note;
use craft::spread::piped::LEAST_LINE_MM;
use craft::units::{millimetres, square_centimetres};
use craft::work::{OutlineInputs, PipedWith, ShardPattern, TrayInputs, wanted};
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::component_plan::OutlineAnswer;
use crate::answer::round;
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};

/// Lines of one outline that are told one by one: more, nobody picks by hand.
const MOST_LINES: usize = 200;

/// Sheets of paper.
#[derive(Debug, Serialize, ToSchema)]
pub struct SheetsAnswer {
    /// The sheets, each an SVG file at true size.
    sheets: Vec<String>,
}

/// Outlines to lay out.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct PipingRequest {
    /// The outlines.
    outlines: Vec<OutlineInputs>,
    /// How wide the line is piped.
    line_mm: f64,
    /// Whether their bodies are flooded, which holds what lies within.
    #[serde(default)]
    flooded: bool,
    /// Whether the face goes down, so that they are drawn mirrored.
    #[serde(default)]
    mirrored: bool,
    /// On which paper.
    #[serde(default)]
    paper: Paper,
}

/// Outlines to look at.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct OutlinesRequest {
    /// The outlines.
    outlines: Vec<OutlineInputs>,
    /// How wide the line is piped.
    line_mm: f64,
    /// Whether their bodies are flooded, which holds what lies within.
    #[serde(default)]
    flooded: bool,
}

/// One line of an outline.
#[derive(Debug, Serialize, ToSchema)]
pub struct LineAnswer {
    /// The data of its SVG path, mm.
    path: String,
    /// How long it is.
    length_mm: f64,
    /// The middle of it.
    #[schema(min_items = 2, max_items = 2)]
    middle_mm: [f64; 2],
    /// Whether it is a feature, piped first in a colour of its own.
    feature: bool,
    /// Whether it was added to hold parts together.
    bridge: bool,
}

/// One outline, and whether it hangs together.
#[derive(Debug, Serialize, ToSchema)]
pub struct LaidOutAnswer {
    /// What it is called.
    name: String,
    /// Width and height.
    #[schema(min_items = 2, max_items = 2)]
    size_mm: [f64; 2],
    /// How long its lines are.
    length_mm: f64,
    /// How many.
    count: u32,
    /// Its lines, as the data of an SVG path, mm.
    path: String,
    /// Into how many parts it would fall.
    parts: usize,
    /// A place on each part but the largest.
    loose_mm: Vec<[f64; 2]>,
    /// Places where two parts only touch.
    thin_mm: Vec<[f64; 2]>,
    /// Ends of lines that touch nothing.
    ends_mm: Vec<[f64; 2]>,
    /// Short lines that would hold all parts together: from x, y to x, y each.
    bridges_mm: Vec<[f64; 4]>,
    /// Its lines one by one; the bridges that were added come last.
    lines: Vec<LineAnswer>,
    /// The data of the path round the body that can be flooded, mm, where there is one.
    body: Option<String>,
    /// Remarks.
    notes: Vec<Note>,
}

/// Outlines as they are piped.
#[derive(Debug, Serialize, ToSchema)]
pub struct OutlinesAnswer {
    /// The outlines.
    outlines: Vec<LaidOutAnswer>,
}

/// Sheets to pipe over.
#[derive(Debug, Serialize, ToSchema)]
pub struct PipingAnswer {
    /// The outlines.
    outlines: Vec<LaidOutAnswer>,
    /// All their lines together.
    length_mm: f64,
    /// How many outlines are on each sheet.
    per_sheet: Vec<usize>,
    /// The sheets, each an SVG file at true size.
    sheets: Vec<String>,
}

fn remarks(laid: &LaidOut, left_out: &[String], line_mm: f64) -> Vec<Note> {
    let joins = &laid.joins;
    let mut notes = Vec::new();
    if joins.parts > 1 {
        notes.push(Note::stop("unconnected", say::unconnected(joins.parts)));
    }
    if !joins.thin.is_empty() {
        notes.push(Note::caution("thin-joints", say::thin_joints()));
    }
    if line_mm < LEAST_LINE_MM {
        notes.push(Note::caution("line-thin", say::line_thin(millimetres(LEAST_LINE_MM))));
    }
    if !joins.ends.is_empty() {
        notes.push(Note::info("open-ends", say::open_ends()));
    }
    if !left_out.is_empty() {
        notes.push(Note::info("left-out", say::left_out(names(left_out))));
    }
    notes
}

fn told(laid: LaidOut, wanted: &Wanted, left_out: &[String], line_mm: f64) -> LaidOutAnswer {
    let places = |all: &[[f64; 2]]| all.iter().map(|p| p.map(|v| round(v, 1))).collect();
    LaidOutAnswer {
        notes: remarks(&laid, left_out, line_mm),
        name: laid.name,
        size_mm: laid.size.map(|v| round(v, 1)),
        length_mm: round(laid.length, 1),
        count: laid.count,
        path: wanted.outline.svg(),
        parts: laid.joins.parts,
        loose_mm: places(&laid.joins.loose),
        thin_mm: places(&laid.joins.thin),
        ends_mm: places(&laid.joins.ends),
        bridges_mm: laid
            .joins
            .bridges
            .iter()
            .map(|[[x1, y1], [x2, y2]]| [*x1, *y1, *x2, *y2].map(|v| round(v, 1)))
            .collect(),
        lines: lines(wanted),
        body: wanted.outline.body_line().map(|(_, line)| line.svg()),
    }
}

fn lines(wanted: &Wanted) -> Vec<LineAnswer> {
    let lines = wanted.outline.lines();
    let own = lines.len() - wanted.bridges;
    let all = lines.into_iter().enumerate();
    all.take(MOST_LINES)
        .map(|(i, line)| LineAnswer {
            path: line.svg(),
            length_mm: round(line.length(), 1),
            middle_mm: line.middle().map(|v| round(v, 1)),
            feature: wanted.features.contains(&i),
            bridge: i >= own,
        })
        .collect()
}

/// Outlines as they are piped: their lines, what of them is a feature, where they would come apart
/// and the bridges that would hold them.
#[utoipa::path(tag = "calc", operation_id = "calc_outlines", request_body = OutlinesRequest, responses((status = 200, body = OutlinesAnswer), (status = 422, body = Problem)))]
#[post("/outlines")]
pub async fn outlines(Body(request): Body<OutlinesRequest>) -> Answer<Json<OutlinesAnswer>> {
    let OutlinesRequest { outlines, line_mm, flooded } = request;
    let mut check = Checker::new();
    let line_mm = check.number("line_mm", line_mm, check::LINE_MM);
    let with = PipedWith { line_mm, flooded };
    let found = wanted(&outlines, with, "outlines", &mut check);
    check.finish()?;
    let (all, left_out): (Vec<_>, Vec<_>) = found.into_iter().unzip();
    Ok(Json(OutlinesAnswer { outlines: looked_over(&all, &left_out, with) }))
}

fn looked_over(all: &[Wanted], left_out: &[Vec<String>], with: PipedWith) -> Vec<LaidOutAnswer> {
    looked_at(all, with.line_mm, with.flooded)
        .into_iter()
        .zip(all.iter().zip(left_out))
        .map(|(one, (wanted, left_out))| told(one, wanted, left_out, with.line_mm))
        .collect()
}

/// Outlines laid out at true size, and whether each hangs together.
#[utoipa::path(tag = "calc", operation_id = "piping_sheet", request_body = PipingRequest, responses((status = 200, body = PipingAnswer), (status = 422, body = Problem)))]
#[post("/piping-sheet")]
pub async fn piping(Body(request): Body<PipingRequest>) -> Answer<Json<PipingAnswer>> {
    let mut check = Checker::new();
    let line_mm = check.number("line_mm", request.line_mm, check::LINE_MM);
    let with = PipedWith { line_mm, flooded: request.flooded };
    let found = wanted(&request.outlines, with, "outlines", &mut check);
    check.finish()?;
    let (all, left_out): (Vec<_>, Vec<_>) = found.into_iter().unzip();
    let laid = piping_sheets(&all, line_mm, request.mirrored, request.paper).map_err(|error| {
        let field = match error {
            LayoutError::TooLarge { index, .. } => format!("outlines[{index}].width_mm"),
            LayoutError::TooMany => "outlines".to_owned(),
        };
        Problem::bad_field(&field, error.message())
    })?;
    let length: f64 = all.iter().map(|one| one.outline.length() * f64::from(one.count)).sum();
    Ok(Json(PipingAnswer {
        outlines: looked_over(&all, &left_out, with),
        length_mm: round(length, 1),
        per_sheet: laid.per_sheet,
        sheets: laid.sheets,
    }))
}

/// A wrap's strip.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct WrapSheetRequest {
    /// Its length, overlap and all.
    length_mm: f64,
    /// How high it is.
    height_mm: f64,
    /// How far it overlaps.
    #[serde(default)]
    overlap_mm: f64,
    /// On which paper.
    #[serde(default)]
    paper: Paper,
}

/// A wrap's strip at true size, over as many sheets as it takes.
#[utoipa::path(tag = "calc", operation_id = "wrap_sheet", request_body = WrapSheetRequest, responses((status = 200, body = SheetsAnswer), (status = 422, body = Problem)))]
#[post("/wrap-sheet")]
pub async fn wrap(Body(request): Body<WrapSheetRequest>) -> Answer<Json<SheetsAnswer>> {
    let mut check = Checker::new();
    let length = millimetres(check.number("length_mm", request.length_mm, check::PIPED_MM));
    let height = millimetres(check.number("height_mm", request.height_mm, check::HEIGHT_MM));
    let overlap = millimetres(check.number("overlap_mm", request.overlap_mm, check::OVERLAP_MM));
    check.finish()?;
    let sheets = wrap_sheets(length, height, overlap, request.paper)
        .map_err(|error| Problem::bad_field("length_mm", error.message()))?;
    Ok(Json(SheetsAnswer { sheets }))
}

/// A slab and the size of its pieces.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ScoreRequest {
    /// The slab.
    outline: OutlineAnswer,
    /// How large a piece is to be.
    piece_cm2: f64,
    /// How the cuts run.
    #[serde(default)]
    pattern: ShardPattern,
    /// Another number, another map.
    #[serde(default)]
    seed: u64,
    /// On which paper it is to be printed, if it is.
    paper: Option<Paper>,
}

/// Where to score.
#[derive(Debug, Serialize, ToSchema)]
pub struct ScoreMapAnswer {
    /// How wide and how high the slab is.
    #[schema(min_items = 2, max_items = 2)]
    size_mm: [f64; 2],
    /// From x, y to x, y each, from the upper left corner.
    cuts: Vec<[f64; 4]>,
    /// How many pieces.
    pieces: usize,
    /// The smallest and the largest of them.
    #[schema(min_items = 2, max_items = 2)]
    between_cm2: [f64; 2],
    /// The sheets to lay under parchment, where paper was named.
    sheets: Vec<String>,
}

/// Where to score a slab so that it parts into pieces of a size.
#[utoipa::path(tag = "calc", operation_id = "calc_score_map", request_body = ScoreRequest, responses((status = 200, body = ScoreMapAnswer), (status = 422, body = Problem)))]
#[post("/score-map")]
pub async fn score(Body(asked): Body<ScoreRequest>) -> Answer<Json<ScoreMapAnswer>> {
    let mut check = Checker::new();
    let tray = TrayInputs::from(asked.outline).check("outline", &mut check);
    let piece = square_centimetres(check.number("piece_cm2", asked.piece_cm2, check::PIECE_CM2));
    check.finish()?;
    let map = score_map(tray, piece, asked.pattern, asked.seed)
        .map_err(|error| Problem::bad_field("piece_cm2", error.message()))?;
    let sheets = match asked.paper {
        Some(paper) => printed(&map)
            .sheets(paper)
            .map_err(|error| Problem::bad_field("outline", error.message()))?,
        None => Vec::new(),
    };
    let areas = map.pieces.iter().map(|piece| piece.area() / 100.0);
    let [least, most] =
        areas.fold([f64::INFINITY, 0.0], |[lo, hi]: [f64; 2], a| [lo.min(a), hi.max(a)]);
    Ok(Json(ScoreMapAnswer {
        size_mm: map.size.map(|v| round(v, 2)),
        cuts: map
            .cuts
            .iter()
            .map(|[[x1, y1], [x2, y2]]| [*x1, *y1, *x2, *y2].map(|v| round(v, 2)))
            .collect(),
        pieces: map.pieces.len(),
        between_cm2: [round(least, 2), round(most, 2)],
        sheets,
    }))
}

/// A score map as it is laid under parchment.
fn printed(map: &ScoreMap) -> Drawing {
    let corners: Vec<_> =
        map.outline.corners().iter().map(|[x, y]| format!("{x:.2} {y:.2}")).collect();
    let edge =
        Mark::Path { data: format!("M{} Z", corners.join(" L")), width: 0.6, colour: "#111" };
    let cut = |[[x1, y1], [x2, y2]]: &[[f64; 2]; 2]| Mark::Path {
        data: format!("M{x1:.2} {y1:.2} L{x2:.2} {y2:.2}"),
        width: 0.8,
        colour: "#111",
    };
    Drawing {
        size: map.size,
        marks: std::iter::once(edge).chain(map.cuts.iter().map(cut)).collect(),
        title: format!("Score map, {} pieces: under parchment", map.pieces.len()),
    }
}
