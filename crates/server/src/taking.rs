//! What is made takes its goods from the shelf, once anything of it was done.
//!
//! How much is what was worked out when the batch was begun; which goods, what the shelf has by
//! that id or name now. An event that is taken back gives them back. A rehearsal takes nothing.

use craft::batch::begun;
use craft::plan::GoodsTaken;
use craft::shelf::in_its_unit;
use craft::shelf::stock::Move;
use craft::time::WallTime;
use craft::units::grams;
use serde::Deserialize;
use store::stock::MoveRow;
use store::{Connection, StoreError};
use uuid::Uuid;

use crate::making::Making;
use crate::on_shelf::OnShelf;

/// What a batch keeps of its components' goods.
#[derive(Debug, Default, Deserialize)]
struct Components {
    components: Vec<Component>,
}

#[derive(Debug, Deserialize)]
struct Component {
    key: String,
    goods: Vec<Goods>,
    #[serde(default)]
    used: Vec<Used>,
}

/// What is used up and nobody eats.
#[derive(Debug, Deserialize)]
struct Used {
    name: String,
    count: f64,
    goes: String,
}

impl Component {
    /// All that leaves the shelf for it, each once, with where it goes.
    fn takes(&self) -> Vec<(GoodsTaken, &str)> {
        let weighed = self.goods.iter().flat_map(|goods| {
            let taken =
                |one: &Bought| GoodsTaken::weighed(&one.name, one.goods_id, grams(one.mass_g));
            goods.bought.iter().map(move |one| (taken(one), goods.goes.as_str()))
        });
        let by_the_piece = self
            .used
            .iter()
            .map(|used| (GoodsTaken::by_the_piece(&used.name, used.count), used.goes.as_str()));
        let mut all: Vec<(GoodsTaken, &str)> = Vec::new();
        for (taken, goes) in weighed.chain(by_the_piece) {
            // The sugar of two that are candied is one sugar.
            let same = |(known, where_to): &&mut (GoodsTaken, &str)| {
                (&known.name, known.goods_id, *where_to) == (&taken.name, taken.goods_id, goes)
            };
            match all.iter_mut().find(same) {
                Some((known, _)) => known.mass += taken.mass,
                None => all.push((taken, goes)),
            }
        }
        all
    }
}

#[derive(Debug, Deserialize)]
struct Goods {
    goes: String,
    /// What was bought for it. Before goods were counted nothing was kept of that.
    #[serde(default)]
    bought: Vec<Bought>,
}

#[derive(Debug, Deserialize)]
struct Bought {
    name: String,
    mass_g: f64,
    goods_id: Option<Uuid>,
}

/// Which goods of the shelf they are, and how much in what those are counted in.
fn found(taken: &GoodsTaken, on_shelf: &OnShelf) -> Option<(Uuid, f64)> {
    let (id, goods) = on_shelf.shelf.goods_taken(taken, |id| on_shelf.in_use(id))?;
    Some((id, in_its_unit(goods, taken)?))
}

/// The move is this component's and these goods', however often it is noted.
fn move_id(batch: Uuid, component: &str, name: &str, goes: &str) -> Uuid {
    Uuid::new_v5(&batch, format!("{component}\n{name}\n{goes}").as_bytes())
}

/// Takes the goods of what was begun by the latest of a batch's events from the shelf, and gives
/// back those of what it took back.
///
/// # Errors
/// Where the store fails.
pub async fn take_goods(
    connection: &mut Connection,
    making: &Making,
    on_shelf: &OnShelf,
    wall: WallTime,
) -> Result<(), StoreError> {
    let Some((_, earlier)) = making.events.split_last() else { return Ok(()) };
    let (before, after) = (begun(&making.lines, earlier), begun(&making.lines, &making.events));
    if before == after {
        return Ok(());
    }
    let computed = store::batches::computed(&mut *connection, making.batch.id).await?;
    let of_all: Components = serde_json::from_value(computed.plan).unwrap_or_default();
    for component in &of_all.components {
        let key = component.key.as_str();
        let (was, is) = (before.contains(key), after.contains(key));
        if was == is {
            continue;
        }
        for (taken, goes) in component.takes() {
            let id = move_id(making.batch.id, key, &taken.name, goes);
            match found(&taken, on_shelf) {
                Some((thing_id, amount)) if is && making.batch.real_time => {
                    let kind = Move::Taken;
                    let taken = MoveRow { id, thing_id, bowl_id: None, kind, amount, at: wall.0 };
                    store::stock::take(&mut *connection, &taken).await?;
                }
                _ => store::stock::take_back(&mut *connection, id).await?,
            }
        }
    }
    Ok(())
}
