//! What is made takes its goods from the shelf, once anything of it was done.
//!
//! How much is what was worked out when the batch was begun; which goods, what the shelf has by
//! that id or name now. An event that is taken back gives them back. A rehearsal takes nothing.

use craft::batch::{begun, is_packed};
use craft::plan::{GoodsTaken, PlanInputs};
use craft::shelf::in_its_unit;
use craft::shelf::stock::Move;
use craft::time::WallTime;
use craft::units::{grams, in_grams};
use serde::Deserialize;
use store::stock::MoveRow;
use store::{Connection, StoreError};
use uuid::Uuid;

use crate::answer::packing::WrappingAnswer;
use crate::making::{Making, counted};
use crate::on_shelf::OnShelf;

/// What a batch keeps of its components' goods.
#[derive(Debug, Default, Deserialize)]
struct Components {
    components: Vec<Component>,
    #[serde(default)]
    packing: Option<Packing>,
}

/// What it is packed into.
#[derive(Debug, Deserialize)]
struct Packing {
    count: f64,
    wrapping: Vec<WrappingAnswer>,
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

/// Which goods of the shelf they are, and how much in what those are counted in: chocolate for a
/// filling is of the bag that the batch is made from.
fn found(
    taken: &GoodsTaken,
    stated: Option<&PlanInputs>,
    on_shelf: &OnShelf,
) -> Option<(Uuid, f64)> {
    let chocolate =
        stated.and_then(|stated| on_shelf.shelf.chocolate_of_a_filling(stated, &taken.name));
    if let Some(id) = chocolate {
        return Some((id, in_grams(taken.mass)));
    }
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
    let packed = [earlier, &making.events].map(|events| is_packed(&making.lines, events));
    if before == after && packed[0] == packed[1] {
        return Ok(());
    }
    let computed = store::batches::computed(&mut *connection, making.batch.id).await?;
    let of_all: Components = serde_json::from_value(computed.plan).unwrap_or_default();
    let stated = store::batches::begun_with(&mut *connection, making.batch.id).await?.stated.ok();
    for component in &of_all.components {
        let key = component.key.as_str();
        let (was, is) = (before.contains(key), after.contains(key));
        if was == is {
            continue;
        }
        for (taken, goes) in component.takes() {
            let id = move_id(making.batch.id, key, &taken.name, goes);
            let found =
                found(&taken, stated.as_ref(), on_shelf).filter(|_| is && making.batch.real_time);
            take_or_give_back(connection, id, found, wall).await?;
        }
    }
    if packed[0] != packed[1] {
        for (name, goods_id, count) in
            wrapped(connection, making, of_all.packing, stated.as_ref()).await?
        {
            let id = move_id(making.batch.id, "", &name, "packed in");
            let taken = GoodsTaken { goods_id, ..GoodsTaken::by_the_piece(&name, count) };
            let found = found(&taken, stated.as_ref(), on_shelf)
                .filter(|_| packed[1] && making.batch.real_time);
            take_or_give_back(connection, id, found, wall).await?;
        }
    }
    Ok(())
}

/// Takes so much of a thing from the shelf, or gives back what was taken by that id.
async fn take_or_give_back(
    connection: &mut Connection,
    id: Uuid,
    found: Option<(Uuid, f64)>,
    wall: WallTime,
) -> Result<(), StoreError> {
    let Some((thing_id, amount)) = found else {
        return store::stock::take_back(connection, id).await;
    };
    let taken = MoveRow { id, thing_id, bowl_id: None, kind: Move::Taken, amount, at: wall.0 };
    store::stock::take(connection, &taken).await
}

/// What goes into packing: for as many as the last count says can be filled, for all where nothing
/// was counted.
async fn wrapped(
    connection: &mut Connection,
    making: &Making,
    packing: Option<Packing>,
    stated: Option<&PlanInputs>,
) -> Result<Vec<(String, Option<Uuid>, f64)>, StoreError> {
    let Some(packing) = packing else { return Ok(Vec::new()) };
    let counted = counted(&mut *connection, making.batch.id, stated).await?;
    let fills = counted.and_then(|counted| counted.fills);
    let share = fills.map_or(1.0, |fills| f64::from(fills) / packing.count.max(1.0));
    let all = packing.wrapping.into_iter();
    Ok(all.map(|one| (one.name, one.goods_id, one.count * share)).collect())
}
