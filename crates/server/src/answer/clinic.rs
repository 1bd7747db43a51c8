//! What the clinic says.

use craft::clinic::{Asks, Cause, Diagnosis, Evidence, Fact, Likely, Question, Suspect};
use craft::message::Message;
use craft::note::{Note, Working};
use craft::result::Symptom;
use serde::Serialize;
use utoipa::ToSchema;

use super::round;

/// What one fact says of a cause.
#[derive(Debug, Serialize, ToSchema)]
pub struct EvidenceAnswer {
    /// Which fact.
    pub fact: Fact,
    /// What it is, or that it was not noted.
    pub says: Message,
    /// Whether it speaks for the cause; `null` where it is not known, or says nothing.
    #[serde(rename = "for")]
    pub speaks_for: Option<bool>,
    /// So many times as likely the cause is with it.
    pub ratio: f64,
}

impl From<Evidence> for EvidenceAnswer {
    fn from(one: Evidence) -> Self {
        let speaks_for = one.speaks_for();
        Self { fact: one.fact, ratio: one.ratio, says: one.says, speaks_for }
    }
}

/// A fault of those that were seen, and how often the cause shows as it.
#[derive(Debug, Serialize, ToSchema)]
pub struct ShowsAs {
    /// Which.
    pub symptom: Symptom,
    /// How often, 0 to 1.
    pub chance: f64,
}

/// A cause, and what there is to say of it.
#[derive(Debug, Serialize, ToSchema)]
pub struct CauseAnswer {
    /// Which.
    pub key: Cause,
    /// What it is, in words.
    pub name: Message,
    /// How likely, 0 to 1.
    pub chance: f64,
    /// The same, in a word.
    pub likely: Likely,
    /// The same, in a word and numbers.
    pub words: Message,
    /// How often it happens, before anything is known, 0 to 1.
    pub prior: f64,
    /// What of what was seen it shows as.
    pub shows: Vec<ShowsAs>,
    /// What speaks for it and against it, and what is not known.
    pub evidence: Vec<EvidenceAnswer>,
    /// What can still be done with what was made.
    pub rescue: Message,
    /// What is done otherwise next time.
    pub next_time: Message,
    /// The working: how often it happens, what each known fact makes of that, how often it shows so.
    pub sum: Vec<Working>,
}

/// How a line of the working calls how often a cause shows as a fault.
fn shows_as(symptom: Symptom) -> &'static str {
    match symptom {
        Symptom::Dull => "shows as no shine",
        Symptom::Streaks => "shows as streaks",
        Symptom::FatBloom => "shows as fat bloom",
        Symptom::SugarBloom => "shows as sugar bloom",
        Symptom::Soft => "shows as a soft break",
        Symptom::Stuck => "shows as stuck pieces",
        Symptom::Cracks => "shows as cracks",
        Symptom::ThinSpots => "shows as thin spots",
        Symptom::Bubbles => "shows as bubbles",
        Symptom::ColourLeft => "shows as colour left behind",
        Symptom::ThickInBowl => "shows as a thick bowl",
        Symptom::Seized => "shows as a seized bowl",
        Symptom::LayersPart => "shows as layers that part",
        Symptom::ToppingsFall => "shows as toppings that fall",
        Symptom::Muddy => "shows as muddy colours",
        Symptom::BreaksOnLifting => "shows as breaks on lifting",
        Symptom::GreyLayer => "shows as a grey layer",
        Symptom::Burnt => "shows as a burnt taste",
    }
}

/// The working of a cause.
fn sum(suspect: &Suspect) -> Vec<Working> {
    let prior = Working::new("happens, before anything is known", suspect.prior, "");
    let known = suspect.evidence.iter().filter(|one| one.known);
    let ratios = known.map(|one| Working::new(one.fact.noted(), one.ratio, "times"));
    let shows =
        suspect.shows.iter().map(|(symptom, chance)| Working::new(shows_as(*symptom), *chance, ""));
    let chance = Working::new("against all other causes", round(suspect.chance, 3), "");
    [prior].into_iter().chain(ratios).chain(shows).chain([chance]).collect()
}

impl From<Suspect> for CauseAnswer {
    fn from(suspect: Suspect) -> Self {
        let shows = suspect.shows.iter().map(|&(symptom, chance)| ShowsAs { symptom, chance });
        Self {
            sum: sum(&suspect),
            key: suspect.cause,
            name: suspect.cause.name(),
            chance: round(suspect.chance, 4),
            likely: suspect.likely(),
            words: suspect.in_words(),
            prior: suspect.prior,
            shows: shows.collect(),
            rescue: suspect.rescue,
            next_time: suspect.cause.next_time(),
            evidence: suspect.evidence.into_iter().map(Into::into).collect(),
        }
    }
}

/// A question whose answer would tell much.
#[derive(Debug, Serialize, ToSchema)]
pub struct QuestionAnswer {
    /// The field of `facts` that it is about.
    pub fact: Fact,
    /// What is asked.
    pub text: Message,
    /// What it is answered with.
    pub asks: Asks,
    /// How much less would be in doubt, bits.
    pub tells: f64,
}

impl From<Question> for QuestionAnswer {
    fn from(question: Question) -> Self {
        let fact = question.fact;
        let (text, asks) = (fact.question(), fact.asks());
        Self { fact, text, asks, tells: round(question.tells, 3) }
    }
}

/// Why something came out as it did.
#[derive(Debug, Serialize, ToSchema)]
pub struct ClinicAnswer {
    /// The causes, the most likely first.
    pub causes: Vec<CauseAnswer>,
    /// What to ask, that which tells most first.
    pub questions: Vec<QuestionAnswer>,
    /// What should have been noted, where it cannot be told from what was.
    pub cannot_be_told: Option<Message>,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working of the likeliest.
    pub sum: Vec<Working>,
}

impl From<Diagnosis> for ClinicAnswer {
    fn from(of: Diagnosis) -> Self {
        let sum = of.suspects.first().map_or_else(Vec::new, sum);
        Self {
            causes: of.suspects.into_iter().map(Into::into).collect(),
            questions: of.questions.into_iter().map(Into::into).collect(),
            cannot_be_told: of.cannot_be_told,
            notes: Vec::new(),
            sum,
        }
    }
}
