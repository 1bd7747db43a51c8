//! What goes into shells.

use serde::{Deserialize, Serialize};

use super::drafting::Drafting;
use super::parts::Goods;
use super::task::{TaskDraft, Timing};
use crate::catalogue::cautions;
use crate::catalogue::work::filling as say;
use crate::check;
use crate::chocolate::Family;
use crate::filling::{
    BUTTER_IN_C, Balance, FillingRecipe, IngredientInputs, Making, PIPE_BELOW_C, Texture, density,
    ganache, keeping,
};
use crate::keeping::{Lasts, Store};
use crate::message::Until;
use crate::note::{Note, Working};

use crate::units::{
    Mass, Volume, celsius, grams, in_grams, in_grams_per_cubic_centimetre, in_millilitres,
};

/// The longest name.
const LONGEST_NAME: usize = 80;
/// What stays in pan and bag (*custom*).
pub(super) const STAYS_BEHIND: f64 = 0.08;
/// Ganache rests overnight, hours (docs/craft.md, section 9).
pub(super) const RESTS_H: f64 = 8.0;
/// What was made pipes smooth, or can be shaped, for so long, hours (*custom*).
pub(super) const KEEPS_SMOOTH_H: f64 = 48.0;
/// Herbs, spices and tea give off most of their scent in so long, s (*custom*).
const STEEPS_S: f64 = 1_200.0;
/// A filling crusts for some hours, and dries out after a day (*custom*).
pub(super) const CRUSTS_H: f64 = 4.0;
pub(super) const CRUSTS_AT_MOST_H: f64 = 24.0;

/// What goes into each shell.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(tag = "kind", rename_all = "snake_case", deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum FillingInputs {
    /// Chocolate and cream.
    Ganache {
        /// Its chocolate; not tempered.
        family: Family,
        /// Parts of chocolate to one of cream, by weight.
        ratio: f64,
        /// Butter, of chocolate and cream together.
        #[serde(default)]
        butter_pct: f64,
        /// What is steeped in the cream, and strained out.
        #[serde(default)]
        infusion: Option<String>,
        /// How much goes in each; as much as there is room for, if left out.
        #[serde(default)]
        each_g: Option<f64>,
    },
    /// By a recipe of one's own, in weights; as much of it is made as the shells take.
    Recipe {
        /// What it is called.
        name: String,
        /// What is put in.
        parts: Vec<IngredientInputs>,
        /// What is steeped in what is watery, and strained out.
        #[serde(default, skip_serializing_if = "Option::is_none")]
        steeped: Option<String>,
        /// How much goes in each; as much as there is room for, if left out.
        #[serde(default)]
        each_g: Option<f64>,
    },
    /// Another that is made or bought elsewhere.
    Other {
        /// What it is.
        name: String,
        /// What a millilitre of it weighs.
        density_g_cm3: f64,
        /// Whether it has water in it, from cream, purée or fresh herbs.
        #[serde(default)]
        perishable: bool,
        /// How much goes in each; as much as there is room for, if left out.
        #[serde(default)]
        each_g: Option<f64>,
    },
}

/// What a filling comes to.
pub(super) struct Filled {
    pub goods: Vec<Goods>,
    /// What goes in each shell.
    pub each_g: f64,
    /// The share of the room under the cap that it takes, 0 to 1.
    pub share: f64,
    pub tasks: Vec<TaskDraft>,
    pub notes: Vec<Note>,
    pub working: Vec<Working>,
    pub keeps: Lasts,
    /// How it is balanced, where that is known.
    pub balance: Option<Balance>,
}

impl FillingInputs {
    fn each_g(&self) -> Option<f64> {
        match self {
            Self::Ganache { each_g, .. }
            | Self::Recipe { each_g, .. }
            | Self::Other { each_g, .. } => *each_g,
        }
    }

    /// What so many shells with so much room take, made while they rest; faults are
    /// noted under `filling`.
    pub(super) fn fill(
        &self,
        (room, capped): (Volume, bool),
        count: u32,
        at: &mut Drafting<'_>,
    ) -> Option<Filled> {
        let mut recipe = None;
        let g_ml = match self {
            Self::Recipe { name, parts, steeped, .. } => {
                at.check.text("filling.name", name, LONGEST_NAME);
                if let Some(steeped) = steeped {
                    at.check.text("filling.steeped", steeped, LONGEST_NAME);
                }
                let stated = FillingRecipe::check(parts, "filling.parts", at.check)?;
                in_grams_per_cubic_centimetre(recipe.insert(stated).density())
            }
            Self::Ganache { ratio, butter_pct, infusion, .. } => {
                at.number("filling.ratio", *ratio, check::GANACHE_RATIO);
                at.number("filling.butter_pct", *butter_pct, check::BUTTER_PCT);
                if let Some(infusion) = infusion {
                    at.check.text("filling.infusion", infusion, LONGEST_NAME);
                }
                in_grams_per_cubic_centimetre(density())
            }
            Self::Other { name, density_g_cm3, .. } => {
                at.check.text("filling.name", name, LONGEST_NAME);
                at.number("filling.density_g_cm3", *density_g_cm3, check::DENSITY_G_CM3)
            }
        };
        let most_g = in_millilitres(room) * g_ml;
        let each_g = match self.each_g() {
            None => most_g,
            Some(each) => at.number("filling.each_g", each, check::FILLING_G),
        };
        if each_g > most_g * 1.001 {
            at.check.fault("filling.each_g", say::more_than_room(grams(most_g), grams(each_g)));
        }
        if at.check.has_faults() {
            return None;
        }
        let total_g = each_g * f64::from(count) * (1.0 + STAYS_BEHIND);
        let mut filled = Filled {
            goods: Vec::new(),
            each_g,
            share: each_g / most_g,
            tasks: Vec::new(),
            notes: Vec::new(),
            working: vec![
                Working::new(
                    if capped { "room under the cap" } else { "room up to the rim" },
                    in_millilitres(room),
                    "ml",
                ),
                Working::new("filling in each", each_g, "g"),
                Working::new("filling in all, with what stays behind", total_g, "g"),
            ],
            keeps: Lasts::as_dated(Store::CoolRoom, say::keeps_as_filling()),
            balance: None,
        };
        match self {
            Self::Recipe { name, parts, steeped, .. } => {
                let recipe = recipe?;
                filled.by_recipe((&recipe, parts), grams(total_g), at);
                filled.tasks.extend(made(
                    "filling",
                    name,
                    &recipe,
                    steeped.as_deref(),
                    Some("scrape"),
                ));
                if !capped && filled.texture() == Some(Texture::Dips) {
                    filled.notes.push(Note::caution("soft-filling", say::soft_for_open()));
                }
                if matches!(filled.texture(), Some(Texture::Rolls | Texture::Cuts)) {
                    filled.notes.push(Note::caution("firm-filling", say::firm_to_pipe()));
                }
            }
            Self::Ganache { family, ratio, butter_pct, infusion, .. } => {
                let made = ganache(*family, *ratio, butter_pct / 100.0, grams(total_g));
                let part = |name: &str, mass| at.goods(name, mass, "in the filling");
                let chocolate = format!("{family} chocolate for the ganache");
                filled.goods.push(part(&chocolate, made.chocolate));
                filled.goods.push(part("cream", made.cream));
                if in_grams(made.butter) > 0.0 {
                    filled.goods.push(part("butter", made.butter));
                }
                filled.keeps = keeping(made.water);
                filled.notes.extend(made.notes);
                filled.working.extend(made.working);
                filled.tasks.push(ganache_task(infusion.as_deref()));
            }
            Self::Other { name, perishable, .. } => {
                filled.goods.push(at.goods(name, grams(total_g), "in the filling"));
                if *perishable {
                    filled.keeps = Lasts::as_dated(Store::Fridge, say::keeps_perishable());
                }
                filled.notes.push(Note::info("shells-rest", say::shells_rest()));
                if *perishable {
                    filled.notes.push(Note::caution("perishable", filled.keeps.text.clone()));
                }
            }
        }
        filled.tasks.push(self.pipe(capped));
        Some(filled)
    }

    fn pipe(&self, capped: bool) -> TaskDraft {
        let text = if matches!(self, Self::Ganache { .. }) {
            say::fill_ganache(celsius(PIPE_BELOW_C))
        } else {
            say::fill(celsius(PIPE_BELOW_C))
        };
        let how = if capped { say::fill_how() } else { say::fill_open_how() };
        let task = TaskDraft::new("fill", text, how, 600.0).minding(cautions::allergens());
        let (made, rested, until, late) = match self {
            Self::Ganache { .. } => (
                "ganache",
                say::fill_ganache_from(),
                say::fill_ganache_until(Until),
                say::fill_ganache_late(),
            ),
            Self::Recipe { .. } => (
                "filling",
                say::fill_rested(),
                say::fill_rested_until(Until),
                say::fill_rested_late(),
            ),
            // As soon as the shells have set: they are, once their rim was touched and scraped.
            Self::Other { .. } => return task,
        };
        task.since(made, 0).from(Timing::Hours(RESTS_H), rested).until(
            Timing::Hours(KEEPS_SMOOTH_H),
            until,
            late,
        )
    }
}

impl Filled {
    fn texture(&self) -> Option<Texture> {
        self.balance.as_ref()?.texture
    }

    /// Puts in so much of what a recipe makes.
    fn by_recipe(
        &mut self,
        (recipe, parts): (&FillingRecipe, &[IngredientInputs]),
        total: Mass,
        at: &Drafting<'_>,
    ) {
        self.goods.extend(of_recipe((recipe, parts), total, "in the filling", at));
        let balance = recipe.balance();
        self.keeps = balance.keeping();
        self.notes.extend(balance.notes.iter().cloned());
        self.working.extend(balance.working.iter().cloned());
        self.balance = Some(balance);
    }
}

/// What so much of a recipe takes of each.
pub(super) fn of_recipe(
    (recipe, parts): (&FillingRecipe, &[IngredientInputs]),
    total: Mass,
    goes: &'static str,
    at: &Drafting<'_>,
) -> Vec<Goods> {
    parts
        .iter()
        .zip(recipe.scaled(total))
        .map(|(part, mass)| {
            at.goods(part.called(), mass, goes).of_pantry(None, part.label.as_ref())
        })
        .collect()
}

/// Make what a recipe says, the day before; what is steeped in it first.
pub(super) fn made(
    key: &str,
    name: &str,
    recipe: &FillingRecipe,
    steeped: Option<&str>,
    after: Option<&str>,
) -> Vec<TaskDraft> {
    let how = match recipe.making() {
        Making::Emulsion => say::make_emulsion(),
        Making::Fatty => say::make_fatty(),
        Making::Without => say::make_without(),
    };
    let after = |task: TaskDraft| match after {
        Some(step) => task.since(step, 0),
        None => task,
    };
    let make = TaskDraft::new(key, say::make(name), how, 1_500.0).minding(say::make_mind());
    match steeped {
        None => vec![after(make)],
        Some(what) => {
            let steep = TaskDraft::new("steep", say::steep(what), say::steep_how(), 300.0)
                .minding(say::make_mind());
            let strained = make.since("steep", 0).from(Timing::After(STEEPS_S), say::steeped(what));
            vec![after(steep), strained]
        }
    }
}

fn ganache_task(infusion: Option<&str>) -> TaskDraft {
    let how = infusion.map_or_else(say::ganache_how, say::ganache_infused_how);
    TaskDraft::new("ganache", say::ganache(BUTTER_IN_C), how, 1_200.0)
        .minding(say::ganache_mind())
        .since("scrape", 0)
}
