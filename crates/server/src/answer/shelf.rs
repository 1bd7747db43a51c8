//! What stands on the shelf, with what follows from it.

use chrono::NaiveDate;
use craft::learn::Number;
use craft::note::Note;
use craft::pantry::CountedIn;
use craft::plan::GoodsTaken;
use craft::shelf::{GoodsStock, Shelf, Thing, stock};
use craft::units::{Mass, grams as in_mass};
use serde::Serialize;
use store::shelf::ShelfRow;
use utoipa::ToSchema;
use uuid::Uuid;

use super::figures::WindowsAnswer;
use super::{grams, round};
use crate::on_shelf::OnShelf;

/// What there is of a planned chocolate, and what it costs.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct StockAnswer {
    /// What the maker calls it.
    pub name: String,
    /// What is left of it; `null` where that is not known.
    pub left_g: Option<f64>,
    /// What is still to be bought for it; `null` where it is not known what is left.
    pub short_g: Option<f64>,
    /// What is weighed out costs this, in the maker's own money.
    pub cost: Option<f64>,
    /// Remarks.
    pub notes: Vec<Note>,
}

impl StockAnswer {
    /// What there is of a chocolate, for a bowl that takes so much of it.
    #[must_use]
    pub fn of(on_shelf: &OnShelf, id: Uuid, needed: Mass, today: NaiveDate) -> Option<Self> {
        let chocolate = on_shelf.shelf.chocolate(id)?;
        let left = on_shelf.left.get(&id).copied().map(in_mass);
        Some(Self {
            name: chocolate.name.clone(),
            left_g: left.map(grams),
            short_g: left.map(|left| grams(stock::short(left, needed))),
            cost: stock::cost(chocolate, needed).map(|cost| round(cost, 2)),
            notes: stock::remarks(chocolate, left, needed, today),
        })
    }
}

/// What the shelf has of goods that a plan takes, in what they are counted in.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct GoodsStockAnswer {
    /// Their id.
    pub id: Uuid,
    /// What they are counted in.
    pub unit: CountedIn,
    /// What is left of them; `null` where that is not known.
    pub left: Option<f64>,
    /// What is needed; `null` where it is not known what a millilitre or a piece weighs.
    pub needed: Option<f64>,
    /// What is still to be bought; `null` where that cannot be known.
    pub short: Option<f64>,
    /// The same in packs; `null` where it is not known what one holds.
    pub packs: Option<f64>,
    /// What is used costs this, in the maker's own money.
    pub cost: Option<f64>,
    /// Remarks.
    pub notes: Vec<Note>,
}

impl GoodsStockAnswer {
    /// What the shelf has of goods that are taken; none where they do not stand there.
    #[must_use]
    pub fn of(on_shelf: &OnShelf, taken: &GoodsTaken, today: NaiveDate) -> Option<Self> {
        let (id, goods) = on_shelf.shelf.goods_taken(taken, |id| on_shelf.in_use(id))?;
        let left = on_shelf.left.get(&id).copied();
        let stock = GoodsStock::of(goods, left, taken, today);
        let tenths = |amount: Option<f64>| amount.map(|amount| round(amount, 1));
        Some(Self {
            id,
            unit: goods.unit,
            left: tenths(left),
            needed: tenths(stock.needed),
            short: tenths(stock.short),
            packs: stock.packs,
            cost: stock.cost.map(|cost| round(cost, 2)),
            notes: stock.notes,
        })
    }
}

/// A number that is learned.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, ToSchema)]
#[serde(rename_all = "snake_case")]
pub enum NumberName {
    /// How fast the bowl loses heat, against what is usual.
    CoolingRatio,
    /// The share of the microwave's heat that melts chocolate.
    Efficiency,
    /// How far the bowl carries over off the heat, in degrees.
    CarryOverC,
    /// The share of the microwave's heat that shows after a short warming.
    BurstResponse,
    /// How long work takes to set, against what is usual.
    SettingPace,
    /// How long it takes until a bowl is in temper, against what is usual.
    TemperingPace,
    /// What the hair dryer brings into a bowl, in watts.
    DryerW,
    /// How fast warm water warms the bowl, against what is usual.
    WarmWaterRatio,
    /// What a moment over simmering water brings into the bowl, in watts.
    BathW,
}

impl From<Number> for NumberName {
    fn from(number: Number) -> Self {
        match number {
            Number::Cooling => Self::CoolingRatio,
            Number::Efficiency => Self::Efficiency,
            Number::CarryOver => Self::CarryOverC,
            Number::BurstResponse => Self::BurstResponse,
            Number::SettingPace => Self::SettingPace,
            Number::TemperingPace => Self::TemperingPace,
            Number::Dryer => Self::DryerW,
            Number::WarmWater => Self::WarmWaterRatio,
            Number::Bath => Self::BathW,
        }
    }
}

/// What was learned of a thing.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct LearnedAnswer {
    /// Which number.
    pub number: NumberName,
    /// What is used now.
    pub value: f64,
    /// What is used where nothing was learned.
    pub usual: f64,
    /// How many bowls it rests on.
    pub bowls: usize,
    /// The heat source it was learned with, where it belongs to the two together.
    pub with: Option<String>,
}

/// A thing on the shelf.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ThingAnswer {
    /// Its id.
    pub id: Uuid,
    /// Counts its edits; what an edit is made from.
    pub version: u32,
    /// What the maker states; `null` where what is kept cannot be read.
    pub thing: Option<Thing>,
    /// Why it cannot be read, where it cannot; it can be saved as it is.
    pub unreadable: Option<String>,
    /// Whether it is archived.
    pub archived: bool,
    /// A chocolate's windows, its own numbers in them.
    pub windows: Option<WindowsAnswer>,
    /// A chocolate's windows without its own numbers.
    pub usual: Option<WindowsAnswer>,
    /// What is left of a chocolate in grams, of goods in what they are counted in; `null` where
    /// that is not known.
    pub left: Option<f64>,
    /// What a checked thermometer reads too little.
    pub offset_c: Option<f64>,
    /// What was learned of it.
    pub learned: Vec<LearnedAnswer>,
}

/// Everything on the shelf that was not put away.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct ShelfAnswer {
    /// The things, the oldest first; the kitchen is always among them.
    pub things: Vec<ThingAnswer>,
}

impl From<&OnShelf> for ShelfAnswer {
    fn from(on_shelf: &OnShelf) -> Self {
        let in_use = on_shelf.rows.iter().filter(|row| !row.put_away);
        Self { things: in_use.map(|row| ThingAnswer::new(on_shelf, row)).collect() }
    }
}

impl ThingAnswer {
    /// A thing as it stands there.
    #[must_use]
    pub fn new(on_shelf: &OnShelf, row: &ShelfRow) -> Self {
        let shelf = &on_shelf.shelf;
        let thing = row.thing.as_ref().ok();
        let (windows, usual) = match thing {
            Some(Thing::Chocolate(chocolate)) => {
                let used = chocolate.chocolate("", &mut craft::check::Checker::new());
                (Some((&used).into()), Some((&chocolate.usual()).into()))
            }
            _ => (None, None),
        };
        Self {
            id: row.id,
            version: row.version,
            windows,
            usual,
            left: on_shelf.left.get(&row.id).map(|left| round(*left, 2)),
            offset_c: match thing {
                Some(Thing::Thermometer(thermometer)) => thermometer.offset_c(),
                _ => None,
            },
            learned: match thing {
                Some(Thing::Ware(_)) => of_ware(on_shelf, row.id),
                Some(Thing::Heat(_)) => {
                    learned(shelf, Number::Efficiency, None, Some((row.id, None)))
                        .into_iter()
                        .collect()
                }
                Some(Thing::Kitchen(_)) => {
                    [Number::SettingPace, Number::TemperingPace, Number::Dryer]
                        .into_iter()
                        .filter_map(|number| learned(shelf, number, None, None))
                        .collect()
                }
                _ => Vec::new(),
            },
            thing: thing.cloned(),
            unreadable: row.thing.as_ref().err().map(ToString::to_string),
            archived: row.put_away,
        }
    }
}

/// How a bowl cools, and what it does with each heat source.
fn of_ware(on_shelf: &OnShelf, id: Uuid) -> Vec<LearnedAnswer> {
    let shelf = &on_shelf.shelf;
    let own = [Number::Cooling, Number::WarmWater]
        .into_iter()
        .filter_map(|number| learned(shelf, number, Some(id), None));
    let with_heat = on_shelf.rows.iter().flat_map(|row| {
        let Ok(Thing::Heat(heat)) = &row.thing else { return Vec::new() };
        [Number::CarryOver, Number::BurstResponse, Number::Bath]
            .into_iter()
            .filter_map(|number| {
                learned(shelf, number, Some(id), Some((row.id, Some(heat.name.as_str()))))
            })
            .collect()
    });
    own.chain(with_heat).collect()
}

fn learned(
    shelf: &Shelf,
    number: Number,
    ware_id: Option<Uuid>,
    heat: Option<(Uuid, Option<&str>)>,
) -> Option<LearnedAnswer> {
    let found = shelf.learned(number, ware_id, heat.map(|(id, _)| id))?;
    Some(LearnedAnswer {
        number: number.into(),
        value: round(found.value, 2),
        usual: number.usual(),
        bowls: found.bowls,
        with: heat.and_then(|(_, name)| name).map(ToOwned::to_owned),
    })
}
