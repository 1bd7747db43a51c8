//! The plan of a bowl: what to weigh, melt, hold back, add.

use craft::heat::seed::additions;
use craft::method::{Method, gate};
use craft::note::{Note, Working};
use craft::plan::BowlPlan;
use serde::Serialize;
use utoipa::ToSchema;

use super::figures::{MicrowaveAnswer, RoomAnswer, WindowsAnswer};
use super::moulded::ColourPlanAnswer;
use super::shelf::StockAnswer;
use super::{band, celsius, grams, round};

/// What is put on the maker's scale: as it shows it, and adding up.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct WeighedAnswer {
    /// All of it.
    pub total_g: f64,
    /// Melted first.
    pub melted_g: f64,
    /// Held back as seed.
    pub seed_g: f64,
    /// The seed in its additions: three, or one where it is a pinch; none without seed.
    pub additions_g: Vec<f64>,
    /// Ready crystals.
    pub crystals_g: f64,
    /// Poured out on the stone.
    pub pour_out_g: f64,
}

impl From<&BowlPlan> for WeighedAnswer {
    fn from(plan: &BowlPlan) -> Self {
        let weighed = plan.weighed_out();
        Self {
            total_g: grams(weighed.total),
            melted_g: grams(weighed.melted),
            seed_g: grams(weighed.seed),
            additions_g: weighed.additions.into_iter().map(grams).collect(),
            crystals_g: grams(weighed.crystals),
            pour_out_g: grams(weighed.pour_out),
        }
    }
}

/// What a method asks to be weighed, and where its temperatures lie.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct AmountsAnswer {
    /// Melt this much.
    pub melted_g: f64,
    /// Hold this much back, unmelted.
    pub seed_g: f64,
    /// Both.
    pub total_g: f64,
    /// Half, a third, the rest of the seed; they add up to `seed_g`.
    #[schema(min_items = 3, max_items = 3)]
    pub additions_g: [f64; 3],
    /// The same as the maker's scale shows it.
    pub weighed: WeighedAnswer,
    /// Ready crystals to stir in.
    pub crystals_g: f64,
    /// Where they go in; `null` where none do.
    #[schema(min_items = 2, max_items = 2)]
    pub gate_c: Option<[f64; 2]>,
    /// Pour this much out on the stone.
    pub pour_out_g: f64,
    /// Where the melt stops.
    pub melted_c: f64,
    /// Where the cooling aims.
    pub target_c: f64,
    /// The seed's temperature.
    pub seed_c: f64,
    /// The band to use it in.
    #[schema(min_items = 2, max_items = 2)]
    pub use_c: [f64; 2],
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<&BowlPlan> for AmountsAnswer {
    fn from(plan: &BowlPlan) -> Self {
        let amounts = &plan.amounts;
        let seed_g = grams(amounts.seed);
        let [first, second, _] = additions(amounts.seed).map(grams);
        let crystals_g = grams(amounts.crystals);
        Self {
            melted_g: grams(amounts.melted),
            seed_g,
            total_g: grams(amounts.total()),
            // The last takes up the rounding, so that what is shown adds up.
            additions_g: [first, second, round(seed_g - first - second, 2)],
            weighed: plan.into(),
            crystals_g,
            gate_c: gate(&plan.chocolate).filter(|_| crystals_g > 0.0).map(band),
            pour_out_g: grams(amounts.pour_out),
            melted_c: celsius(plan.melt_to),
            target_c: celsius(plan.target),
            seed_c: celsius(plan.seed_temp),
            use_c: band(plan.method.use_band(&plan.chocolate)),
            notes: amounts.notes.clone(),
            sum: amounts.working.clone(),
        }
    }
}

/// Everything that follows from what is stated of a bowl.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct BowlPlanAnswer {
    /// The chocolate's windows.
    pub windows: WindowsAnswer,
    /// What to weigh out.
    pub to_weigh_g: f64,
    /// How it is tempered.
    pub method: Method,
    /// The method to recommend.
    pub recommended: Method,
    /// Why, in a sentence that follows "because".
    pub recommended_because: String,
    /// Melt this, hold this back, add this, pour out that.
    pub amounts: AmountsAnswer,
    /// The melt in bursts, where a microwave is used.
    pub microwave: Option<MicrowaveAnswer>,
    /// The room, where its humidity is known.
    pub room: Option<RoomAnswer>,
    /// What there is of it, where it is a chocolate from the shelf.
    pub stock: Option<StockAnswer>,
    /// What is made from it, by name.
    pub made: Vec<String>,
    /// What goes into it, where it is a colour.
    pub colour: Option<ColourPlanAnswer>,
    /// What is stirred into it as it melts, of what is weighed out.
    pub fat_added: Option<FatAddedAnswer>,
}

/// Fat that is stirred into a chocolate as it melts.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct FatAddedAnswer {
    /// What it is called.
    pub name: String,
    /// How much of it.
    pub mass_g: f64,
    /// How much chocolate is weighed out beside it.
    pub chocolate_g: f64,
}

impl BowlPlanAnswer {
    /// A plan as it is frozen in the bowl that is opened by it.
    ///
    /// # Errors
    /// Where it cannot be written as JSON.
    pub fn frozen(&self) -> Result<serde_json::Value, serde_json::Error> {
        serde_json::to_value(self)
    }
}

impl From<BowlPlan> for BowlPlanAnswer {
    fn from(plan: BowlPlan) -> Self {
        let colour = plan.colour.as_ref().map(|colour| ColourPlanAnswer {
            // What is ready-made has its powder in it.
            melted_g: (plan.method.softened_in().is_none() && !colour.ready)
                .then(|| grams(plan.amounts.melted - colour.amounts.pigment)),
            ..colour.clone().into()
        });
        let fat_added = plan.fat_added().map(|(added, mass)| FatAddedAnswer {
            name: added.fat.name().to_owned(),
            mass_g: grams(mass),
            chocolate_g: grams(plan.chocolate_weighed()),
        });
        Self {
            fat_added,
            windows: (&plan.chocolate).into(),
            to_weigh_g: grams(plan.total),
            method: plan.method,
            recommended: plan.recommended.0,
            recommended_because: plan.recommended.1.to_owned(),
            amounts: (&plan).into(),
            microwave: plan.bursts.map(Into::into),
            room: None,
            stock: None,
            made: Vec::new(),
            colour,
        }
    }
}
