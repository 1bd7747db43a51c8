//! What follows from a plan.

use chrono::NaiveDate;
use craft::allergens::Declared;
use craft::cause::Cause;
use craft::colour::measured;
use craft::edits::{Uses, uses};
use craft::message::Message;
use craft::note::{Note, first_in_the_way};
use craft::plan::{GoodsTaken, LeftOver, Plan, PlanInputs, PlannedBowl, WatchFor};
use craft::schedule::{Span, span};
use craft::steps::Line;
use craft::units::{Mass, in_seconds};
use craft::work::ComponentInputs;
use serde::Serialize;
use utoipa::ToSchema;

use super::bowl_plan::BowlPlanAnswer;
use super::component_plan::ComponentPlanAnswer;
use super::cost::PlanCostAnswer;
use super::figures::RoomAnswer;
use super::packing::PackedAnswer;
use super::shelf::GoodsStockAnswer;
use super::{grams, round};
use crate::on_shelf::OnShelf;

/// Where a left-over could go.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct IdeaAnswer {
    /// In a few words.
    pub text: Message,
    /// A component that takes all of it, ready to be added.
    pub component: ComponentInputs,
}

/// What is left over.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct LeftOverAnswer {
    /// How much.
    pub mass_g: f64,
    /// Where it could go.
    pub ideas: Vec<IdeaAnswer>,
}

impl From<LeftOver> for LeftOverAnswer {
    fn from(left: LeftOver) -> Self {
        let idea =
            |idea: craft::plan::Idea| IdeaAnswer { text: idea.text, component: idea.component };
        Self { mass_g: grams(left.mass), ideas: left.ideas.into_iter().map(idea).collect() }
    }
}

/// A part of a bowl that is in temper.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct TakenPartAnswer {
    /// The bowl that it is taken from, by key.
    pub from: String,
    /// What texts call that.
    pub label: String,
    /// How much is taken.
    pub mass_g: f64,
}

/// What is stirred into a bowl, or into what is taken from one.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct TintedAnswer {
    /// The colour, by key.
    pub colour: String,
    /// Its share of the chocolate's weight.
    pub share_pct: f64,
    /// How much, in grams, drops or spoons; `null` where nothing is made from it yet.
    pub amount: Option<Message>,
}

/// A chocolate of the batch.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct PlannedBowlAnswer {
    /// What components call it.
    pub key: String,
    /// What texts call it.
    pub label: String,
    /// What the components take of it.
    pub needed_g: f64,
    /// What moulds and vessels give back.
    pub returned_g: f64,
    /// How it is tempered; `null` where nothing is made from it, and for what is taken from
    /// another bowl.
    pub plan: Option<BowlPlanAnswer>,
    /// What it is a part of, where it is taken from another bowl.
    pub taken: Option<TakenPartAnswer>,
    /// What is stirred into it.
    pub tinted: Option<TintedAnswer>,
    /// How it looks, `#rrggbb`, where that is not as its family does.
    pub looks: Option<String>,
    /// What is left over, where more is weighed out than is needed.
    pub left_over: Option<LeftOverAnswer>,
    /// Remarks.
    pub notes: Vec<Note>,
}

/// What is shown of a plan, and kept of it when a batch is begun.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct PlanAnswer {
    /// The room.
    pub room: RoomAnswer,
    /// The chocolates.
    pub bowls: Vec<PlannedBowlAnswer>,
    /// What is made.
    pub components: Vec<ComponentPlanAnswer>,
    /// Remarks on all of it together.
    pub notes: Vec<Note>,
    /// What all of it contains.
    pub allergens: Declared,
    /// How it is packed, where it is.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub packing: Option<PackedAnswer>,
    /// What it costs, by the prices of when it was worked out; `null` where nobody can tell.
    #[serde(skip_serializing_if = "Option::is_none")]
    pub cost: Option<PlanCostAnswer>,
}

/// What a component is made from.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct MadeFromAnswer {
    /// The component's key.
    pub component: String,
    /// The chocolates and colours it is made from, by key, the first first.
    pub chocolates: Vec<String>,
}

/// What some goods go into.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct GoodsUseAnswer {
    /// What is made, by name.
    pub component: String,
    /// Where it goes: "mixed in", "on top".
    pub goes: String,
    /// How much of it.
    pub mass_g: f64,
}

/// One of the goods that a plan takes besides chocolate, whatever it goes into.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct GoodsTakenAnswer {
    /// What it is.
    pub name: String,
    /// All that is taken of it.
    pub mass_g: f64,
    /// How many, of what nobody eats: sticks, sheets, bags.
    pub count: Option<f64>,
    /// What it goes into.
    pub uses: Vec<GoodsUseAnswer>,
    /// What the shelf has of it; `null` where it does not stand there.
    pub stock: Option<GoodsStockAnswer>,
}

impl GoodsTakenAnswer {
    fn of(taken: GoodsTaken, on_shelf: &OnShelf, today: NaiveDate) -> Self {
        Self {
            stock: GoodsStockAnswer::of(on_shelf, &taken, today),
            name: taken.name,
            mass_g: grams(taken.mass),
            count: taken.count,
            uses: taken
                .uses
                .into_iter()
                .map(|used| GoodsUseAnswer {
                    component: used.component,
                    goes: used.goes.to_owned(),
                    mass_g: grams(used.mass),
                })
                .collect(),
        }
    }
}

/// What is in the way of a plan.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct InTheWayAnswer {
    /// What.
    pub note: Note,
    /// The chocolate it is about, by key.
    pub bowl: Option<String>,
    /// What is made that it is about, by key.
    pub component: Option<String>,
}

/// How long a plan takes, whatever the time of day.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, ToSchema)]
pub struct TakesAnswer {
    /// From the first touch to the last, with the waits between.
    pub over_s: f64,
    /// Of it, with the hands.
    pub hands_s: f64,
    /// In so many sittings.
    pub sittings: usize,
}

impl From<Span> for TakesAnswer {
    fn from(Span { over, hands, sittings }: Span) -> Self {
        let whole = |time| in_seconds(time).round();
        Self { over_s: whole(over), hands_s: whole(hands), sittings }
    }
}

/// Everything that follows from what is stated of a plan.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct WholePlanAnswer {
    /// What is shown of it.
    #[serde(flatten)]
    pub shown: PlanAnswer,
    /// The steps: a line for each tempering, then for each cast of each component.
    pub lines: Vec<Line>,
    /// What each component is made from.
    pub made_from: Vec<MadeFromAnswer>,
    /// How long all of it takes.
    pub takes: TakesAnswer,
    /// The gravest of what it has to say, where that is more than worth knowing.
    pub in_the_way: Option<InTheWayAnswer>,
    /// Chocolates that nothing is made from, and nothing tinted with.
    pub unused: Vec<String>,
    /// Those of them of which nothing was said either: they may go.
    pub idle: Vec<String>,
    /// What it takes besides chocolate, each of the goods once.
    pub goods: Vec<GoodsTakenAnswer>,
    /// What to watch for, learned from how it came out before.
    pub watch_for: Vec<WatchForAnswer>,
}

/// Something to watch for.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct WatchForAnswer {
    /// The component, by its key.
    pub component: String,
    /// What the maker calls it.
    pub name: String,
    /// What went wrong before.
    pub cause: Cause,
    /// The same, in words.
    pub went_wrong: Message,
    /// What is done otherwise.
    pub next_time: Message,
}

/// What a plan watches for, with what that is called.
fn watch_for(plan: &Plan) -> Vec<WatchForAnswer> {
    let of = plan.watch_for.iter().filter_map(|WatchFor { component, cause }| {
        let made = plan.components.iter().find(|made| made.key == *component)?;
        Some(WatchForAnswer {
            component: component.clone(),
            name: made.name.clone(),
            cause: *cause,
            went_wrong: cause.name(),
            next_time: cause.next_time(),
        })
    });
    of.collect()
}

impl WholePlanAnswer {
    /// What follows from a plan, from how it is stated, and from what the shelf has today of its
    /// goods. What is in the way is found once all is remarked: [`Self::weigh_remarks`].
    #[must_use]
    pub fn of(
        mut plan: Plan,
        stated: &PlanInputs,
        filled: &PlanInputs,
        (on_shelf, today): (&OnShelf, NaiveDate),
    ) -> Self {
        let currency = on_shelf.shelf.kitchen().currency;
        let Uses { made_from, unused, idle } = uses(stated);
        let made_from = stated.components.iter().zip(made_from);
        let lines = craft::steps::lines(&plan);
        let takes = span(&lines);
        let cost = on_shelf.shelf.cost(&plan, filled, takes.hands).ok();
        let cost = cost.map(|cost| PlanCostAnswer::of(cost, &currency));
        let goods = std::mem::take(&mut plan.goods);
        Self {
            watch_for: watch_for(&plan),
            goods: goods.into_iter().map(|g| GoodsTakenAnswer::of(g, on_shelf, today)).collect(),
            takes: takes.into(),
            lines,
            shown: PlanAnswer { cost, ..plan.into() },
            in_the_way: None,
            made_from: made_from
                .map(|(component, chocolates)| MadeFromAnswer {
                    component: component.key.clone(),
                    chocolates,
                })
                .collect(),
            unused,
            idle,
        }
    }

    /// Finds what is in the way, in what is remarked by now.
    pub fn weigh_remarks(&mut self) {
        let PlanAnswer { room, bowls, components, notes, packing, .. } = &self.shown;
        let of_bowls = bowls.iter().flat_map(|bowl| {
            let plan = bowl.plan.as_ref();
            let stock = plan.and_then(|plan| plan.stock.as_ref()).map(|stock| &stock.notes);
            let amounts = plan.map(|plan| &plan.amounts.notes);
            let its = [stock, amounts, Some(&bowl.notes)].into_iter().flatten().flatten();
            its.map(|note| (note, Some(&bowl.key), None))
        });
        let of_components = components.iter().flat_map(|component| {
            component.notes.iter().map(|note| (note, None, Some(&component.key)))
        });
        let of_goods = self.goods.iter().filter_map(|goods| goods.stock.as_ref());
        let of_goods = of_goods.flat_map(|stock| stock.notes.iter().map(|note| (note, None, None)));
        let of_packing = packing.iter().flat_map(|packing| &packing.notes);
        let of_all = notes.iter().chain(of_packing).map(|note| (note, None, None));
        let of_room = room.notes.iter().map(|note| (note, None, None));
        let all = of_all.chain(of_bowls).chain(of_components).chain(of_goods).chain(of_room);
        self.in_the_way =
            first_in_the_way(all, |(note, ..)| note.level).map(|(note, bowl, component)| {
                InTheWayAnswer {
                    note: note.clone(),
                    bowl: bowl.cloned(),
                    component: component.cloned(),
                }
            });
    }
}

impl From<Plan> for PlanAnswer {
    fn from(plan: Plan) -> Self {
        let room = RoomAnswer { notes: plan.room_notes, ..(&plan.room).into() };
        let parts: Vec<(String, String)> = plan
            .bowls
            .iter()
            .filter_map(|bowl| Some((bowl.key.clone(), bowl.taken.as_ref()?.from.clone())))
            .collect();
        let made_from = |key: &str| -> Vec<String> {
            let is_of_it =
                |of: &str| of == key || parts.iter().any(|(part, from)| part == of && from == key);
            let makes = |c: &&craft::plan::PlannedComponent| {
                c.draft.takes.iter().any(|portion| is_of_it(&portion.chocolate))
            };
            plan.components.iter().filter(makes).map(|c| c.name.clone()).collect()
        };
        let bowl = |bowl: PlannedBowl| PlannedBowlAnswer {
            tinted: bowl.tinted.map(|tinted| TintedAnswer {
                colour: tinted.colour,
                share_pct: round(tinted.share * 100.0, 2),
                amount: (tinted.into > Mass::default())
                    .then(|| measured(tinted.into * tinted.share)),
            }),
            taken: bowl.taken.map(|taken| TakenPartAnswer {
                from: taken.from,
                label: taken.label,
                mass_g: grams(taken.mass),
            }),
            looks: bowl.looks,
            plan: bowl.plan.map(|of_bowl| BowlPlanAnswer {
                room: Some(room.clone()),
                made: made_from(&bowl.key),
                ..of_bowl.into()
            }),
            key: bowl.key,
            label: bowl.label,
            needed_g: grams(bowl.needed),
            returned_g: grams(bowl.returned),
            left_over: bowl.left_over.map(Into::into),
            notes: bowl.notes,
        };
        Self {
            bowls: plan.bowls.into_iter().map(bowl).collect(),
            components: plan.components.into_iter().map(Into::into).collect(),
            room,
            notes: plan.notes,
            allergens: plan.allergens,
            packing: plan.packing.map(Into::into),
            cost: None,
        }
    }
}
