//! Who is let in, and who is not.

use craft::bowl::Place;
use store::devices::DeviceRow;
use store::pairings::PairingRow;
use store::{Connection, StoreError};
use trust::{Code, Pairing, Role, Standing, TRIES, Token, Tried};
use uuid::Uuid;

use crate::kitchen::{at, empty, open_bowl, wall, whole};

fn device(name: &str, s: i64) -> DeviceRow {
    DeviceRow {
        id: Uuid::now_v7(),
        name: name.to_owned(),
        role: Role::Helper,
        bowl_id: None,
        place: Place::Middle,
        paired_at: wall(s),
        seen_at: None,
        address: "192.168.1.30".to_owned(),
        own_key: Some(vec![4; 65]),
        by_passphrase: false,
    }
}

fn shown(code: &str, s: i64) -> PairingRow {
    let code = Code::typed(code).expect("six digits");
    let pairing = Pairing::of(code, Uuid::new_v4().into_bytes(), at(s));
    PairingRow { id: Uuid::now_v7(), role: Role::Helper, bowl_id: None, pairing }
}

/// Tries what was typed, as a server does.
async fn tried(pool: &store::Pool, typed: &str, s: i64) -> Tried {
    whole(pool, async |tx: &mut Connection| {
        let Some(mut row) = store::pairings::lock(&mut *tx).await? else {
            return Ok(Tried::Closed);
        };
        let tried = row.pairing.tried(typed, at(s));
        store::pairings::keep(tx, &row).await?;
        Ok(tried)
    })
    .await
    .expect("answered")
}

#[tokio::test]
async fn a_device_is_known_by_its_token_until_it_is_sent_away() {
    let pool = empty().await;
    let (tablet, phone) = (device("Tablet", 0), device("Phone", 10));
    let (one, two) = (Token::random().expect("chance"), Token::random().expect("chance"));
    store::devices::insert(&pool, &tablet, &one.digest()).await.expect("in");
    store::devices::insert(&pool, &phone, &two.digest()).await.expect("in");
    let of = async |token: &Token| store::devices::of_token(&pool, &token.digest()).await;
    assert_eq!(of(&one).await.expect("answered"), Some(tablet.clone()));
    assert_eq!(of(&Token::random().expect("chance")).await.expect("answered"), None);
    // It is noted that it is here, but not at every request.
    for (s, seen) in [(100, 100), (130, 100), (161, 161)] {
        store::devices::seen(&pool, tablet.id, wall(s)).await.expect("noted");
        let known = of(&one).await.expect("answered").expect("it is in");
        assert_eq!(known.seen_at, Some(wall(seen)), "at {s}");
    }
    let listed: Vec<_> = store::devices::list(&pool).await.expect("listed");
    assert_eq!(listed.iter().map(|d| d.id).collect::<Vec<_>>(), [phone.id, tablet.id]);
    store::devices::send_away(&pool, tablet.id, wall(200)).await.expect("there");
    assert_eq!(of(&one).await.expect("answered"), None);
    assert_eq!(store::devices::list(&pool).await.expect("listed"), [phone]);
    for gone in [tablet.id, Uuid::nil()] {
        let again = store::devices::send_away(&pool, gone, wall(210)).await;
        assert!(matches!(again, Err(StoreError::NotFound("device"))), "{again:?}");
    }
}

#[tokio::test]
async fn a_code_lets_one_in_and_a_new_one_ends_the_one_before() {
    let pool = empty().await;
    assert_eq!(tried(&pool, "042118", 0).await, Tried::Closed, "there is none");
    let begin = async |row: &PairingRow| {
        whole(&pool, async |tx: &mut Connection| store::pairings::replace(tx, row).await).await
    };
    let (first, second) = (shown("042118", 0), shown("777001", 60));
    begin(&first).await.expect("kept");
    assert_eq!(store::pairings::latest(&pool).await.expect("read"), Some(first));
    assert_eq!(tried(&pool, "000000", 10).await, Tried::Wrong { left: 4 });
    begin(&second).await.expect("kept");
    assert_eq!(tried(&pool, "042118", 70).await, Tried::Wrong { left: 4 });
    assert_eq!(tried(&pool, "777 001", 70).await, Tried::Right);
    assert_eq!(tried(&pool, "777 001", 71).await, Tried::Closed);
    let kept = store::pairings::latest(&pool).await.expect("read").expect("there");
    assert_eq!(kept.pairing.stands(at(80)), Standing::Used);
    let mut nowhere = shown("123456", 90);
    nowhere.bowl_id = Some(Uuid::now_v7());
    let refused = begin(&nowhere).await;
    assert!(matches!(refused, Err(StoreError::NotFound("bowl"))), "{refused:?}");
    assert_eq!(store::pairings::latest(&pool).await.expect("read"), Some(kept), "all or nothing");
}

#[tokio::test]
async fn of_many_who_guess_at_once_no_more_than_five_are_heard() {
    let pool = empty().await;
    let row = shown("042118", 0);
    whole(&pool, async |tx: &mut Connection| store::pairings::replace(tx, &row).await)
        .await
        .expect("kept");
    let guesses: Vec<String> = (0..20).map(|guess| format!("{:06}", 900_000 + guess)).collect();
    let all = futures::future::join_all(guesses.iter().map(|guess| tried(&pool, guess, 5))).await;
    let heard = all.iter().filter(|one| matches!(one, Tried::Wrong { .. })).count();
    assert_eq!(heard, usize::from(TRIES), "{all:?}");
    assert_eq!(tried(&pool, "042118", 6).await, Tried::Closed);
}

#[tokio::test]
async fn a_thermometer_goes_with_its_bowl_and_the_latest_refusals_are_kept() {
    let pool = empty().await;
    let (_, bowl) = open_bowl(&pool).await;
    let probe = DeviceRow { role: Role::Thermometer, bowl_id: Some(bowl.id), ..device("Probe", 0) };
    let token = Token::random().expect("chance");
    store::devices::insert(&pool, &probe, &token.digest()).await.expect("in");
    let known = store::devices::of_token(&pool, &token.digest()).await.expect("answered");
    assert_eq!(known, Some(probe));
    let lent_nowhere = DeviceRow { bowl_id: Some(Uuid::now_v7()), ..device("Other", 0) };
    let other = Token::random().expect("chance");
    let refused = store::devices::insert(&pool, &lent_nowhere, &other.digest()).await;
    assert!(matches!(refused, Err(StoreError::NotFound("bowl"))), "{refused:?}");
    let refused = async |s: i64, from: &str, why: &str| {
        let note =
            async |tx: &mut Connection| store::devices::refused(tx, wall(s), (from, why), 1).await;
        whole(&pool, note).await.expect("noted");
    };
    for n in 0..230 {
        refused(n, &format!("192.168.1.{n}"), "wrong_code").await;
    }
    let refusals = store::devices::refusals(&pool).await.expect("read");
    assert_eq!((refusals.len(), refusals[0].at), (200, wall(229)));
    // The same from the same address is counted, until some time has gone by.
    for s in [300, 301, 302, 2_000] {
        refused(s, "192.168.1.9", "wrong_code").await;
        refused(s, "192.168.1.9", "unknown").await;
    }
    let refusals = store::devices::refusals(&pool).await.expect("read");
    let latest: Vec<_> = refusals.iter().take(4).map(|r| (r.at, r.times)).collect();
    let (now, before) = (wall(2_000), wall(302));
    assert_eq!(latest, [(now, 1), (now, 1), (before, 3), (before, 3)]);
}

#[tokio::test]
async fn a_device_is_named_and_lent_anew_and_comes_back_at_another_address() {
    let pool = empty().await;
    let (_, bowl) = open_bowl(&pool).await;
    let probe = DeviceRow { role: Role::Thermometer, ..device("Probe", 0) };
    let token = Token::random().expect("chance");
    store::devices::insert(&pool, &probe, &token.digest()).await.expect("in");
    store::devices::edit(&pool, probe.id, "Left probe", (Some(bowl.id), Place::Edge))
        .await
        .expect("lent");
    store::devices::moved(&pool, probe.id, "192.168.1.77").await.expect("kept");
    let known = store::devices::get(&pool, probe.id).await.expect("there");
    assert_eq!((known.name.as_str(), known.bowl_id), ("Left probe", Some(bowl.id)));
    assert_eq!(known.place, Place::Edge);
    assert_eq!(known.address, "192.168.1.77");
    let nowhere =
        store::devices::edit(&pool, probe.id, "x", (Some(Uuid::now_v7()), Place::Middle)).await;
    assert!(matches!(nowhere, Err(StoreError::NotFound("bowl"))), "{nowhere:?}");
    store::devices::send_away(&pool, probe.id, wall(5)).await.expect("there");
    let gone = store::devices::get(&pool, probe.id).await;
    assert!(matches!(gone, Err(StoreError::NotFound("device"))), "{gone:?}");
}
