//! Coloured cocoa butter: what goes in, how much a face takes, how it looks.

use actix_web::post;
use actix_web::web::Json;
use craft::check::{self, Checker};
use craft::chocolate::Family;
use craft::colour::{
    Film, Ground, Optics, Rgb, Wanted, Way, butter_remarks, colour_butter, film, hex, linear,
    pct_of_total, seen_strength, stack,
};
use craft::note::{Note, Working};
use craft::plan::RecipeInputs;
use craft::units::{grams, in_millimetres, square_centimetres};
use craft::work::BottledAmount;
use serde::{Deserialize, Serialize};
use utoipa::ToSchema;

use crate::answer::moulded::ColourPlanAnswer;
use crate::answer::{grams as in_grams, round};
use crate::body::Body;
use crate::catalogue::calc as say;
use crate::problem::{Answer, Problem};

/// Films in one stack at most.
const MOST_FILMS: usize = 12;

/// Butter, or pigment, or both together; and how strong.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ColourButterRequest {
    /// The butter there is; or else `total_g` or `pigment_g`.
    butter_g: Option<f64>,
    /// What both are to weigh; or else `butter_g` or `pigment_g`.
    total_g: Option<f64>,
    /// The pigment there is; or else `butter_g` or `total_g`.
    pigment_g: Option<f64>,
    /// Parts of pigment to a hundred of butter.
    parts_per_100: f64,
}

/// What to weigh.
#[derive(Debug, Serialize, ToSchema)]
pub struct ColourButterAnswer {
    butter_g: f64,
    pigment_g: f64,
    total_g: f64,
    /// The pigment, of the total.
    pct_of_total: f64,
    notes: Vec<Note>,
    sum: Vec<Working>,
}

/// Cocoa butter and pigment by weight.
#[utoipa::path(tag = "calc", request_body = ColourButterRequest, responses((status = 200, body = ColourButterAnswer), (status = 422, body = Problem)))]
#[post("/colour-butter")]
pub async fn butter(Body(request): Body<ColourButterRequest>) -> Answer<Json<ColourButterAnswer>> {
    let mut check = Checker::new();
    let parts = check.number("parts_per_100", request.parts_per_100, check::COLOUR_PARTS);
    let wanted = match (request.butter_g, request.total_g, request.pigment_g) {
        (Some(g), None, None) => {
            Wanted::Butter(grams(check.number("butter_g", g, check::CHOCOLATE_G)))
        }
        (None, Some(g), None) => {
            Wanted::Total(grams(check.number("total_g", g, check::CHOCOLATE_G)))
        }
        (None, None, Some(g)) => {
            Wanted::Pigment(grams(check.number("pigment_g", g, check::PIGMENT_G)))
        }
        given => {
            let none = given == (None, None, None);
            let given = if none { say::none_given() } else { say::several_given() };
            check.fault("butter_g", say::one_of_butter_total_pigment(given));
            Wanted::Butter(grams(1.0))
        }
    };
    check.finish()?;
    let made = colour_butter(wanted, parts);
    let (butter_g, pigment_g) = (in_grams(made.butter), in_grams(made.pigment));
    Ok(Json(ColourButterAnswer {
        butter_g,
        pigment_g,
        total_g: in_grams(made.total),
        pct_of_total: round(pct_of_total(parts), 3),
        notes: butter_remarks(parts),
        sum: vec![
            Working::new("cocoa butter", butter_g, "g"),
            Working::new("parts to 100 of butter", parts, ""),
            Working::new("pigment", pigment_g, "g"),
        ],
    }))
}

/// A colour, and how much of it.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ColourRecipeRequest {
    /// What is in it; its pigments stand in it themselves, not by the shelf's ids.
    recipe: RecipeInputs,
    /// How much of it, or of what is in hand.
    amount: BottledAmount,
}

/// What to weigh for a colour, pigment by pigment, and how it looks.
#[utoipa::path(tag = "calc", request_body = ColourRecipeRequest, responses((status = 200, body = ColourPlanAnswer), (status = 422, body = Problem)))]
#[post("/colour-recipe")]
pub async fn weigh_out(Body(request): Body<ColourRecipeRequest>) -> Answer<Json<ColourPlanAnswer>> {
    let mut check = Checker::new();
    let recipe = request.recipe.check("recipe", &mut check);
    let wanted = request.amount.check("amount", &mut check);
    check.finish()?;
    // A recipe is only missing where a fault was noted.
    let recipe = recipe.ok_or_else(|| Problem::bad_field("recipe", say::needed()))?;
    Ok(Json(recipe.plan(wanted).into()))
}

/// A face, and how it is coloured.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ColourFilmRequest {
    /// All that is coloured.
    area_cm2: f64,
    way: Way,
    /// Passes or coats; one if left out.
    passes: Option<u32>,
    /// The share of the area that is covered; 100 if left out.
    share_pct: Option<f64>,
}

/// What a face takes.
#[derive(Debug, Serialize, ToSchema)]
pub struct ColourFilmAnswer {
    /// What is used, with what misses the face or stays in the tool.
    film_g: f64,
    /// What to have ready at least, so that the tool works.
    to_prepare_g: f64,
    /// How thick it lies.
    thickness_mm: f64,
    notes: Vec<Note>,
    sum: Vec<Working>,
}

/// Coloured cocoa butter on a face.
#[utoipa::path(tag = "calc", request_body = ColourFilmRequest, responses((status = 200, body = ColourFilmAnswer), (status = 422, body = Problem)))]
#[post("/colour-film")]
pub async fn film_on(Body(request): Body<ColourFilmRequest>) -> Answer<Json<ColourFilmAnswer>> {
    let mut check = Checker::new();
    let area = check.number("area_cm2", request.area_cm2, check::FACE_CM2);
    let passes = request.passes.unwrap_or(1);
    check.number("passes", f64::from(passes), check::PASSES);
    let share = check.optional("share_pct", request.share_pct, check::FACE_PCT).unwrap_or(100.0);
    check.finish()?;
    let amount = film(square_centimetres(area), request.way, passes, share / 100.0);
    Ok(Json(ColourFilmAnswer {
        film_g: round(craft::units::in_grams(amount.film), 3),
        to_prepare_g: in_grams(amount.to_prepare),
        thickness_mm: round(in_millimetres(amount.thickness), 3),
        notes: amount.notes,
        sum: amount.working,
    }))
}

/// A chocolate behind the films, by its name.
#[derive(Clone, Copy, Debug, Deserialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum GroundName {
    Dark,
    Milk,
    White,
    Ruby,
    Blond,
}

impl From<GroundName> for Ground {
    fn from(name: GroundName) -> Self {
        match name {
            GroundName::Dark => Self::Dark,
            GroundName::Milk => Self::Milk,
            GroundName::White => Self::White,
            GroundName::Ruby => Self::Ruby,
            GroundName::Blond => Self::Blond,
        }
    }
}

/// What lies behind the films: a chocolate, or what was measured.
#[derive(Clone, Copy, Debug, Deserialize, ToSchema)]
#[serde(
    untagged,
    expecting = "must be dark, milk, white, ruby or blond, or {\"reflectance\": [r, g, b]}"
)]
pub enum GroundRequest {
    /// A chocolate.
    Named(GroundName),
    /// The reflectance of each channel, linear, 0 to 1.
    Measured {
        /// Red, green, blue.
        #[schema(min_items = 3, max_items = 3)]
        reflectance: [f64; 3],
    },
}

/// A pigment as it is measured.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct FilmPigment {
    /// Absorption for each channel, for a film of thickness one.
    #[schema(min_items = 3, max_items = 3)]
    k: [f64; 3],
    /// Scattering for each channel.
    #[schema(min_items = 3, max_items = 3)]
    s: [f64; 3],
    /// Its share of the film's pigments, in any unit: they are set against each other.
    share: f64,
}

/// A film.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct StackFilm {
    /// What is in it.
    pigments: Vec<FilmPigment>,
    /// How thick it is.
    thickness: f64,
}

/// Films over a ground, from the face inward.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ColourStackRequest {
    ground: GroundRequest,
    films: Vec<StackFilm>,
}

/// How it looks from the face.
#[derive(Debug, Serialize, ToSchema)]
pub struct ColourStackAnswer {
    /// On a screen, `#rrggbb`.
    srgb: String,
    /// Of each channel, linear, 0 to 1.
    #[schema(min_items = 3, max_items = 3)]
    reflectance: [f64; 3],
    notes: Vec<Note>,
    sum: Vec<Working>,
}

fn check_count(field: &str, there: usize, check: &mut Checker) {
    if there > MOST_FILMS {
        check.fault(field, say::at_most(MOST_FILMS, there));
    }
}

/// Stacked films over chocolate, by the two-flux model. A named ground counts with its
/// grey level.
#[utoipa::path(tag = "calc", request_body = ColourStackRequest, responses((status = 200, body = ColourStackAnswer), (status = 422, body = Problem)))]
#[post("/colour-stack")]
pub async fn stacked(Body(request): Body<ColourStackRequest>) -> Answer<Json<ColourStackAnswer>> {
    let mut check = Checker::new();
    let ground = match request.ground {
        GroundRequest::Named(name) => [Ground::from(name).grey(); 3],
        GroundRequest::Measured { reflectance } => {
            for (i, r) in reflectance.into_iter().enumerate() {
                check.number(format_args!("ground.reflectance[{i}]"), r, check::REFLECTANCE);
            }
            reflectance
        }
    };
    check_count("films", request.films.len(), &mut check);
    let films: Vec<_> = request
        .films
        .iter()
        .enumerate()
        .map(|(i, film)| film.check(&format!("films[{i}]"), &mut check))
        .collect();
    check.finish()?;
    let seen = stack(ground, &films);
    Ok(Json(ColourStackAnswer {
        srgb: hex(seen),
        reflectance: seen.map(|r| round(r, 5)),
        notes: Vec::new(),
        sum: ["red", "green", "blue"]
            .into_iter()
            .zip(seen)
            .map(|(channel, r)| Working::new(channel, round(r * 100.0, 2), "%"))
            .collect(),
    }))
}

impl StackFilm {
    fn check(&self, field: &str, check: &mut Checker) -> Film {
        let thickness =
            check.number(format_args!("{field}.thickness"), self.thickness, check::FILM_THICKNESS);
        check_count(&format!("{field}.pigments"), self.pigments.len(), check);
        if self.pigments.is_empty() {
            check.fault(format!("{field}.pigments"), say::one_at_least());
        }
        let mut parts = Vec::with_capacity(self.pigments.len());
        for (i, pigment) in self.pigments.iter().enumerate() {
            let field = format!("{field}.pigments[{i}]");
            let share =
                check.number(format_args!("{field}.share"), pigment.share, check::FILM_SHARE);
            for (name, values) in [("k", pigment.k), ("s", pigment.s)] {
                for (c, value) in values.into_iter().enumerate() {
                    check.number(format_args!("{field}.{name}[{c}]"), value, check::FILM_OPTICS);
                }
            }
            parts.push((Optics { k: pigment.k, s: pigment.s }, share));
        }
        Film { optics: Optics::mixed(parts), thickness }
    }
}

/// A coloured butter's share of a mix.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct MixPart {
    /// What is in it.
    recipe: RecipeInputs,
    /// Its share, in any unit: they are set against each other.
    share: f64,
}

/// A film of one coloured butter, or of some mixed.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct LookFilm {
    /// What it is mixed from.
    mix: Vec<MixPart>,
    /// How it is put on.
    way: Way,
    /// Passes or coats; one if left out.
    passes: Option<u32>,
}

/// Films over chocolate, from the face inward.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct ColourLookRequest {
    /// The films.
    films: Vec<LookFilm>,
    /// How a finished piece looks, `#rrggbb`, to correct a colour's strength by.
    seen: Option<SeenPiece>,
}

/// A finished piece.
#[derive(Debug, Deserialize, ToSchema)]
#[serde(deny_unknown_fields)]
pub struct SeenPiece {
    /// How it looks, `#rrggbb`.
    srgb: String,
    /// The chocolate behind it.
    family: Family,
    /// Which film is to be corrected, counted from the face, from 0.
    film: usize,
}

/// How the films look over a chocolate.
#[derive(Debug, Serialize, ToSchema)]
pub struct LookOver {
    /// The chocolate.
    family: Family,
    /// It by itself, `#rrggbb`.
    bare: String,
    /// How all the films look over it.
    looks: String,
    /// How they look with each film that is put in: the first alone, the first two, …
    as_put_in: Vec<String>,
    /// How they would look with white behind them.
    backed: String,
}

/// A colour's strength, from a finished piece.
#[derive(Debug, Serialize, ToSchema)]
pub struct StrengthAnswer {
    /// So many times what was counted on.
    factor: f64,
    /// How it then looks, `#rrggbb`.
    looks: String,
    /// Whether it then looks as was seen; otherwise no strength does, and the hue is
    /// another.
    matches: bool,
}

/// How films look.
#[derive(Debug, Serialize, ToSchema)]
pub struct ColourLookAnswer {
    /// Each film by itself, thick, `#rrggbb`.
    alone: Vec<String>,
    /// Over each chocolate.
    over: Vec<LookOver>,
    /// The strength of a colour, where a finished piece was shown.
    strength: Option<StrengthAnswer>,
    /// Remarks on the pigments.
    notes: Vec<Note>,
}

/// A look that is off by no more than this is the same to the eye.
const SAME_TO_THE_EYE: f64 = 0.04;
const FAMILIES: [Family; 5] =
    [Family::Dark, Family::Milk, Family::White, Family::Ruby, Family::Blond];

/// How coloured butters look in films over each chocolate, mixed or stacked; and how
/// strong one is, from a piece that was made.
#[utoipa::path(tag = "calc", request_body = ColourLookRequest, responses((status = 200, body = ColourLookAnswer), (status = 422, body = Problem)))]
#[post("/colour-look")]
pub async fn look(Body(request): Body<ColourLookRequest>) -> Answer<Json<ColourLookAnswer>> {
    let mut check = Checker::new();
    check_count("films", request.films.len(), &mut check);
    let mut notes = Vec::new();
    let films: Vec<_> = request
        .films
        .iter()
        .enumerate()
        .map(|(i, film)| film.check(&format!("films[{i}]"), &mut notes, &mut check))
        .collect();
    let seen = request.seen.as_ref().map(|seen| seen.check(films.len(), &mut check));
    check.finish()?;
    notes.dedup();
    let over = FAMILIES.map(|family| {
        let ground = Ground::from(family).tinted();
        let backed: Vec<_> = films.iter().copied().chain([Film::white()]).collect();
        LookOver {
            family,
            bare: hex(ground),
            looks: hex(stack(ground, &films)),
            as_put_in: (1..=films.len()).map(|n| hex(stack(ground, &films[..n]))).collect(),
            backed: hex(stack(ground, &backed)),
        }
    });
    let strength = seen.flatten().map(|(seen, family, which)| {
        let found = seen_strength(Ground::from(family).tinted(), &films, which, seen);
        StrengthAnswer {
            factor: round(found.factor, 2),
            looks: hex(found.looks),
            matches: found.off_by <= SAME_TO_THE_EYE,
        }
    });
    Ok(Json(ColourLookAnswer {
        alone: films
            .iter()
            .map(|film| hex(stack(Ground::White.tinted(), &[Film::thick(film.optics)])))
            .collect(),
        over: over.into(),
        strength,
        notes,
    }))
}

impl LookFilm {
    fn check(&self, field: &str, notes: &mut Vec<Note>, check: &mut Checker) -> Film {
        let passes = self.passes.unwrap_or(1);
        check.number(format_args!("{field}.passes"), f64::from(passes), check::PASSES);
        if self.mix.is_empty() {
            check.fault(format!("{field}.mix"), say::one_at_least());
        }
        let mut parts = Vec::with_capacity(self.mix.len());
        for (i, part) in self.mix.iter().enumerate() {
            let field = format!("{field}.mix[{i}]");
            let share = check.number(format_args!("{field}.share"), part.share, check::FILM_SHARE);
            let Some(recipe) = part.recipe.check(&format!("{field}.recipe"), check) else {
                continue;
            };
            for (pigment, _) in &recipe.pigments {
                notes.extend(pigment.remarks());
            }
            parts.push((recipe.optics(), share));
        }
        Film::lying(Optics::mixed(parts), self.way.thickness() * f64::from(passes))
    }
}

impl SeenPiece {
    fn check(&self, films: usize, check: &mut Checker) -> Option<(Rgb, Family, usize)> {
        let seen = linear(&self.srgb);
        if seen.is_none() {
            check.fault("seen.srgb", say::colour_such_as(&self.srgb));
        }
        if self.film >= films {
            check.fault("seen.film", say::one_of_the_films(films));
            return None;
        }
        Some((seen?, self.family, self.film))
    }
}
