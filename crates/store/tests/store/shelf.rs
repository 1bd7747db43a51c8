//! The shelf: what stands on it, what is in stock, what bowls taught.

use craft::chocolate::Family;
use craft::heat::Material;
use craft::learn::{GearNumbers, Number};
use craft::plan::OwnInputs;
use craft::shelf::stock::Move;
use craft::shelf::{ChocolateInputs, HeatInputs, Shelf, Taught, Thing, WareInputs};
use store::stock::MoveRow;
use store::{Connection, Pool, Sent, StoreError};
use uuid::Uuid;

use crate::kitchen::{at, empty, open_bowl, wall, whole};

fn chocolate(name: &str) -> Thing {
    Thing::Chocolate(ChocolateInputs {
        looks: None,
        name: name.to_owned(),
        family: Family::Dark,
        blend: None,
        own: OwnInputs { work_c: Some([30.5, 31.5]), ..OwnInputs::default() },
        flow_grade: None,
        lot: String::new(),
        best_before: None,
        price_per_kg: None,
        pack_g: None,
        label: String::new(),
        allergens: None,
    })
}

async fn put(pool: &Pool, id: Uuid, thing: &Thing, s: i64) -> Result<Sent, StoreError> {
    whole(pool, async |tx: &mut Connection| {
        store::shelf::insert(tx, id, thing, store::digest(thing), wall(s)).await
    })
    .await
}

fn moved(thing_id: Uuid, bowl_id: Option<Uuid>, kind: Move, amount: f64) -> MoveRow {
    let id = if kind == Move::Taken { bowl_id.expect("a bowl") } else { Uuid::now_v7() };
    MoveRow { id, thing_id, bowl_id, kind, amount, at: at(0) }
}

async fn note(pool: &Pool, moved: &MoveRow) -> Result<Sent, StoreError> {
    whole(pool, async |tx: &mut Connection| store::stock::append(tx, moved).await).await
}

#[tokio::test]
async fn what_a_bowl_took_keeps_its_place_and_goes_back_with_its_pour() {
    let pool = empty().await;
    let bag = Uuid::now_v7();
    put(&pool, bag, &chocolate("Dark"), 0).await.expect("kept");
    let (_, bowl) = open_bowl(&pool).await;
    let left = async || {
        let left = store::stock::all_left(&pool).await.expect("a list");
        left.get(&bag).map(|amount| amount.round())
    };
    assert_eq!(left().await, None);
    let counted = moved(bag, None, Move::Counted, 900.0);
    assert_eq!(note(&pool, &counted).await.expect("new"), Sent::New);
    assert_eq!(note(&pool, &counted).await.expect("kept already"), Sent::Again);
    let take = async |g| {
        let taken = moved(bag, Some(bowl.id), Move::Taken, g);
        store::stock::take(&pool, &taken).await.expect("kept");
    };
    take(300.0).await;
    assert_eq!(left().await, Some(600.0));
    // Weighed after the pour: what is settled again later does not count twice.
    note(&pool, &moved(bag, None, Move::Counted, 580.0)).await.expect("new");
    take(320.0).await;
    assert_eq!(left().await, Some(580.0));
    note(&pool, &moved(bag, Some(bowl.id), Move::Returned, 20.0)).await.expect("new");
    assert_eq!(left().await, Some(600.0));
    let kinds = async || {
        let moves = store::stock::of_bowl(&pool, bowl.id).await.expect("a list");
        moves.into_iter().map(|m| (m.kind, m.amount.round())).collect::<Vec<_>>()
    };
    assert_eq!(kinds().await, [(Move::Taken, 320.0), (Move::Returned, 20.0)]);
    store::stock::give_back(&pool, bowl.id).await.expect("there");
    assert_eq!(kinds().await, [(Move::Returned, 20.0)]);

    let nowhere = moved(Uuid::now_v7(), None, Move::Bought, 1.0);
    assert!(matches!(note(&pool, &nowhere).await, Err(StoreError::NotFound("thing on the shelf"))));
}

#[tokio::test]
async fn things_stand_on_the_shelf_as_stated_until_they_are_archived() {
    let pool = empty().await;
    let (bag, bowl) = (Uuid::now_v7(), Uuid::now_v7());
    let ware = Thing::Ware(WareInputs {
        name: "Glass".into(),
        material: Material::Glass,
        mass_g: 450.0,
        how_many: None,
    });
    assert_eq!(put(&pool, bag, &chocolate("Dark"), 0).await.expect("new"), Sent::New);
    assert_eq!(put(&pool, bag, &chocolate("Dark"), 0).await.expect("known"), Sent::Again);
    let other = put(&pool, bag, &chocolate("Other"), 0).await;
    assert!(matches!(other, Err(StoreError::OtherContent(_))), "{other:?}");
    put(&pool, bowl, &ware, 1).await.expect("new");
    let kept = store::shelf::get(&pool, bag).await.expect("there");
    assert_eq!((kept.thing, kept.version, kept.put_away), (Ok(chocolate("Dark")), 1, false));
    // The kitchen is there from the start, before all else.
    let all = store::shelf::list(&pool).await.expect("a list");
    assert_eq!(all.iter().map(|row| row.id).collect::<Vec<_>>(), [Shelf::KITCHEN, bag, bowl]);

    store::shelf::set_archived(&pool, bag, true).await.expect("there");
    assert!(store::shelf::get(&pool, bag).await.expect("there").put_away);
    let edit = async |thing: &Thing| {
        whole(&pool, async |tx: &mut Connection| store::shelf::update(tx, bag, 1, thing).await)
            .await
    };
    edit(&chocolate("Darker")).await.expect("the newest");
    let again = store::shelf::get(&pool, bag).await.expect("there");
    assert_eq!((again.thing, again.version, again.put_away), (Ok(chocolate("Darker")), 2, false));
    assert!(matches!(edit(&ware).await, Err(StoreError::Changed { current: 2 })));
    let unknown = store::shelf::set_archived(&pool, Uuid::now_v7(), true).await;
    assert!(matches!(unknown, Err(StoreError::NotFound(_))));
}

#[tokio::test]
async fn what_was_learned_outlives_its_bowl_and_is_taken_back_with_it() {
    let pool = empty().await;
    let (_, bowl) = open_bowl(&pool).await;
    let stove = Uuid::now_v7();
    let numbers = GearNumbers { efficiency: Some(0.4), ..GearNumbers::default() };
    let taught = Taught { opened: at(0), ware_id: None, heat_id: Some(stove), numbers };
    store::shelf::learn(&pool, bowl.id, &taught).await.expect("kept");
    let heat = Thing::Heat(HeatInputs { name: "Ring".into(), microwave: None, how_many: None });
    put(&pool, stove, &heat, 1).await.expect("new");
    let learned = async || {
        let rows = store::shelf::list(&pool).await.expect("a list");
        let shelf = store::shelf::as_ruled(&rows, &pool).await.expect("a shelf");
        shelf.learned(Number::Efficiency, None, Some(stove)).map(|learned| learned.bowls)
    };
    assert_eq!(learned().await, Some(1));
    store::shelf::unteach(&pool, bowl.id).await.expect("there");
    assert_eq!(learned().await, None);
}

#[tokio::test]
async fn cleared_there_is_an_empty_kitchen_and_nothing_else() {
    let pool = empty().await;
    let (batch, ..) = open_bowl(&pool).await;
    put(&pool, Uuid::now_v7(), &chocolate("Dark"), 0).await.expect("new");
    store::shelf::unlearn(&pool, Shelf::KITCHEN, wall(5)).await.expect("there");
    store::clear(&pool).await.expect("cleared");
    assert!(store::batches::get(&pool, batch.id).await.is_err());
    let all = store::shelf::list(&pool).await.expect("a list");
    assert_eq!(all.len(), 1);
    assert_eq!((all[0].id, all[0].learns_from), (Shelf::KITCHEN, None));
}

#[test]
fn moves_from_archives_of_before_goods_were_counted_are_read() {
    let told = r#"{"chocolate_id":"00000000-0000-0000-0000-000000000001",
        "id":"00000000-0000-0000-0000-000000000002","bowl_id":null,"kind":"counted",
        "grams":412.5,"at":"2026-05-01T12:00:00"}"#;
    let read: store::archive::StockMove = serde_json::from_str(told).expect("it is read");
    assert_eq!((read.thing_id, read.amount), (Uuid::from_u128(1), 412.5));
    let again = serde_json::to_string(&read).expect("it is written");
    assert!(again.contains("thing_id") && again.contains("amount"), "{again}");
}
