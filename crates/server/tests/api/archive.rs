//! Everything out, everything in.

use std::io::{Cursor, Read, Write};

use serde_json::{Value, json};
use zip::write::{SimpleFileOptions, ZipWriter};
use zip::{CompressionMethod, ZipArchive};

use crate::kitchen::{Kitchen, Said, text};

/// A kitchen in which something was planned, made, judged, photographed and put on the shelf.
async fn lived_in() -> Kitchen {
    let kitchen = Kitchen::new().await;
    let bag = json!({ "thing": { "kind": "chocolate", "name": "Bag ✶", "family": "dark" },
        "left": 900 });
    kitchen.post("/shelf", bag).await.with(201);
    let place = json!({ "kind": "kitchen", "room_c": 19.5, "zone": "Europe/Oslo" });
    let nobody = uuid::Uuid::nil();
    kitchen.put(&format!("/shelf/{nobody}"), Some(1), place).await.with(200);
    let plan = kitchen.plan("Comet bark").await;
    let mut inputs = kitchen.stated(&plan).await;
    inputs["room_c"] = json!(21.5);
    kitchen.restate(&plan, inputs).await.with(200);
    let batch = kitchen.begun(&plan).await;
    let bowl = kitchen.poured(&batch).await;
    kitchen.read(&bowl, json!({ "temp_c": 31.25 })).await;
    let look = json!({ "gloss": "glossy", "snap": "clean", "released": "freely",
        "streaks": "none", "seen": ["bubbles"], "note": "two\nlines" });
    kitchen.post(&format!("/batches/{batch}/results"), look).await.with(201);
    kitchen.done(&batch, "slab/spread", false).await;
    let jpeg = include_bytes!("../../../../docs/screenshots/bench.png");
    let photos = format!("/batches/{batch}/photos");
    kitchen.post_text(&photos, "image/png", jpeg.to_vec()).await.with(201);
    kitchen
}

/// What there is to see of a kitchen, without what goes on by itself.
async fn seen(kitchen: &Kitchen) -> Value {
    let plans = kitchen.get("/plans").await.with(200)["plans"].clone();
    let mut all = vec![plans.clone(), kitchen.get("/shelf").await.with(200)];
    for plan in plans.as_array().expect("a list") {
        all.push(kitchen.get(&format!("/plans/{}", text(&plan["id"]))).await.with(200));
    }
    for line in kitchen.batches().await {
        let id = text(&line["id"]);
        let mut batch = kitchen.get(&format!("/batches/{id}")).await.with(200);
        batch["clock"] = Value::Null;
        all.push(kitchen.get(&format!("/batches/{id}/photos")).await.with(200));
        for bowl in batch["bowls"].as_array().expect("a list") {
            let bowl = text(&bowl["id"]);
            for part in ["readings", "entries"] {
                all.push(kitchen.get(&format!("/bowls/{bowl}/{part}")).await.with(200));
            }
        }
        all.push(batch);
    }
    Value::Array(all)
}

async fn bring_in(kitchen: &Kitchen, archive: Vec<u8>) -> Said {
    kitchen.post_text("/archive", "application/zip", archive).await
}

#[actix_web::test]
async fn what_goes_out_comes_in_elsewhere_as_it_was_and_twice_is_once() {
    let old = lived_in().await;
    let archive = old.file("/archive").await;
    let before = seen(&old).await;

    let new = Kitchen::new().await;
    bring_in(&new, archive.clone()).await.with(204);
    assert_eq!(seen(&new).await, before);
    bring_in(&new, archive.clone()).await.with(204);
    assert_eq!(seen(&new).await, before);
    let photo = async |kitchen: &Kitchen| {
        let batch = text(&kitchen.batches().await[0]["id"]);
        let all = kitchen.get(&format!("/batches/{batch}/photos")).await.with(200);
        kitchen.file(&format!("/photos/{}", text(&all[0]["id"]))).await
    };
    assert_eq!(photo(&new).await, photo(&old).await);

    // Into one in use it is merged: what is there stays, what is not there comes.
    let mine = new.plan("Mine").await;
    let batch = text(&new.batches().await[0]["id"]);
    let rename = json!({ "name": "Renamed here", "note": "" });
    new.put(&format!("/batches/{batch}"), Some(1), rename).await.with(200);
    old.plan("Later").await;
    bring_in(&new, old.file("/archive").await).await.with(204);
    let plans = new.get("/plans").await.with(200);
    let names: Vec<_> =
        plans["plans"].as_array().expect("a list").iter().map(|p| text(&p["name"])).collect();
    for name in ["Mine", "Later", "Comet bark"] {
        assert!(names.contains(&name.to_owned()), "{names:?}");
    }
    new.get(&format!("/plans/{mine}")).await.with(200);
    assert_eq!(new.get(&format!("/batches/{batch}")).await.with(200)["name"], "Renamed here");
}

/// Whoever listens goes away after the first bytes.
struct Gone;

impl Write for Gone {
    fn write(&mut self, _: &[u8]) -> std::io::Result<usize> {
        Err(std::io::ErrorKind::BrokenPipe.into())
    }

    fn flush(&mut self) -> std::io::Result<()> {
        Ok(())
    }
}

#[actix_web::test]
async fn one_that_is_not_written_to_its_end_is_in_nobodys_way() {
    let kitchen = lived_in().await;
    for _ in 0..20 {
        let pool = kitchen.state.pool.clone();
        let done = tokio::task::spawn_blocking(move || {
            server::archive::write(&pool, Gone, &server::saving::Progress::default())
        })
        .await;
        done.expect("no panic").expect_err("nobody listens");
        kitchen.plan("Goes on").await;
    }
}

#[actix_web::test]
async fn a_record_that_went_on_in_two_places_is_one_again() {
    let old = Kitchen::new().await;
    let batch = old.batch("Bark").await;
    let opened = old.post(&format!("/batches/{batch}/bowls"), json!({})).await.with(201);
    let bowl = text(&opened["bowl"]["id"]);
    let new = Kitchen::new().await;
    bring_in(&new, old.file("/archive").await).await.with(204);
    assert_eq!(new.bowl_now(&bowl).await["phase"], "melting");
    old.act(&bowl, json!({ "kind": "poured" })).await.with(201);
    new.read(&bowl, json!({ "temp_c": 44.0 })).await.with(201);
    bring_in(&new, old.file("/archive").await).await.with(204);
    let batch = new.get(&format!("/batches/{batch}")).await.with(200);
    assert_eq!((&batch["stage"], &batch["bowls"][0]["status"]), (&json!("made"), &json!("poured")));
    let readings = new.get(&format!("/bowls/{bowl}/readings")).await.with(200);
    assert_eq!(readings.as_array().map(Vec::len), Some(1));
}

/// An archive with something done to its files.
fn forged(archive: &[u8], forge: impl Fn(&str, &mut Vec<u8>), more: &[(&str, &[u8])]) -> Vec<u8> {
    let mut zip = ZipArchive::new(Cursor::new(archive)).expect("a ZIP");
    let mut out = ZipWriter::new(Cursor::new(Vec::new()));
    let options = SimpleFileOptions::default().compression_method(CompressionMethod::Deflated);
    for i in 0..zip.len() {
        let mut file = zip.by_index(i).expect("a file");
        let name = file.name().expect("a name").into_owned();
        let mut bytes = Vec::new();
        file.read_to_end(&mut bytes).expect("read");
        forge(&name, &mut bytes);
        out.start_file(name, options).expect("begun");
        out.write_all(&bytes).expect("written");
    }
    for (name, bytes) in more {
        out.start_file(*name, options).expect("begun");
        out.write_all(bytes).expect("written");
    }
    out.finish().expect("done").into_inner()
}

fn swapped(bytes: &mut Vec<u8>, from: &str, to: &str) {
    let text = String::from_utf8(std::mem::take(bytes)).expect("text");
    assert!(text.contains(from), "{from} in {text}");
    *bytes = text.replace(from, to).into_bytes();
}

#[actix_web::test]
async fn what_is_hostile_torn_or_foreign_is_refused_with_a_reason_and_nothing_is_kept() {
    let old = lived_in().await;
    let archive = old.file("/archive").await;
    let nothing = |_: &str, _: &mut Vec<u8>| {};
    let mut cut = archive.clone();
    cut.truncate(archive.len() / 2);
    let mut foreign = ZipWriter::new(Cursor::new(Vec::new()));
    foreign.start_file("holiday.txt", SimpleFileOptions::default()).expect("begun");
    let foreign = foreign.finish().expect("done").into_inner();
    let cases = [
        (b"no ZIP at all".to_vec(), "no archive of Wide Sheen"),
        (cut, "no archive of Wide Sheen"),
        (foreign, "no archive of Wide Sheen"),
        (forged(&archive, nothing, &[("../../etc/passwd", b"x")]), "other files in it"),
        (
            forged(
                &archive,
                |name, bytes| {
                    if name == "plans.jsonl" {
                        swapped(bytes, "Comet bark", "Comet burk");
                    }
                },
                &[],
            ),
            "was changed on the way",
        ),
        (
            forged(
                &archive,
                |name, bytes| {
                    if name == "manifest.json" {
                        swapped(bytes, "wide-sheen-archive-1", "wide-sheen-archive-2");
                    }
                },
                &[],
            ),
            "a later release",
        ),
        (
            forged(
                &archive,
                |name, bytes| {
                    if name == "manifest.json" {
                        swapped(bytes, "plans.jsonl", "../../plans.jsonl");
                    }
                },
                &[],
            ),
            "does not tell of",
        ),
        (
            forged(
                &archive,
                |name, bytes| {
                    if name == "readings.csv" {
                        *bytes = vec![b'0'; 64 << 20];
                    }
                },
                &[],
            ),
            "was changed on the way",
        ),
    ];
    let new = Kitchen::new().await;
    let before = seen(&new).await;
    for (archive, reason) in cases {
        let told = bring_in(&new, archive).await.refuses("file");
        assert!(told.contains(reason), "{reason}: {told}");
        assert_eq!(seen(&new).await, before, "{reason}");
    }
}

#[actix_web::test]
async fn what_hangs_on_nothing_takes_all_of_it_back() {
    let old = lived_in().await;
    let archive = old.file("/archive").await;
    // Told truly, but without the batches that its bowls are of.
    let none = "e3b0c44298fc1c149afbf4c8996fb92427ae41e4649b934ca495991b7852b855";
    let forged = forged(
        &archive,
        |name, bytes| match name {
            "batches.jsonl" => bytes.clear(),
            "manifest.json" => {
                let mut manifest: Value = serde_json::from_slice(bytes).expect("JSON");
                let files = manifest["files"].as_array_mut().expect("files");
                let file = files.iter_mut().find(|f| f["name"] == "batches.jsonl").expect("told");
                file["bytes"] = json!(0);
                file["sha256"] = json!(none);
                *bytes = serde_json::to_vec(&manifest).expect("JSON");
            }
            _ => {}
        },
        &[],
    );
    let new = Kitchen::new().await;
    let told = bring_in(&new, forged).await.refuses("file");
    assert!(told.contains("hangs on what is not in it"), "{told}");
    assert_eq!(new.get("/plans").await.with(200)["plans"], json!([]));
}

#[actix_web::test]
async fn the_copy_of_the_day_is_made_once_by_one_and_tried_again_where_it_failed() {
    let kitchen = Kitchen::new().await;
    let other = kitchen.beside().await;
    let folder = tempfile::tempdir().expect("a folder");
    let in_the_way = folder.path().join("copies");
    std::fs::write(&in_the_way, "a file where the folder should be").expect("written");
    let failed = server::archive::copy_if_due(&kitchen.state, &in_the_way).await;
    assert!(failed.is_err(), "{failed:?}");

    // It is due still, and of two servers that look at once one makes it.
    let copies = folder.path().join("others");
    let (here, there) = futures::join!(
        server::archive::copy_if_due(&kitchen.state, &copies),
        server::archive::copy_if_due(&other.state, &copies)
    );
    let made = [here.expect("made or not"), there.expect("made or not")];
    assert_eq!(made.iter().filter(|made| **made).count(), 1, "{made:?}");
    assert_eq!(std::fs::read_dir(&copies).expect("there").count(), 1);
    assert!(!server::archive::copy_if_due(&kitchen.state, &copies).await.expect("made already"));
    kitchen.pass(chrono::TimeDelta::days(1));
    assert!(server::archive::copy_if_due(&kitchen.state, &copies).await.expect("the next day"));
}

#[actix_web::test]
async fn an_archive_of_a_release_before_comes_in_and_says_what_it_said() {
    let kitchen = Kitchen::new().await;
    bring_in(&kitchen, include_bytes!("../fixtures/archive-1.zip").to_vec()).await.with(204);
    let batches = kitchen.batches().await;
    assert_eq!(batches.len(), 11);
    for line in &batches {
        let id = text(&line["id"]);
        assert_eq!(line["unreadable"], Value::Null, "{line}");
        let batch = kitchen.get(&format!("/batches/{id}")).await.with(200);
        let guide = kitchen.get(&format!("/batches/{id}/guide")).await.with(200);
        let progress = guide["progress"].as_array().expect("lines");
        let steps: Vec<&Value> =
            progress.iter().flat_map(|line| line["steps"].as_array().expect("steps")).collect();
        assert!(steps.len() > 4 && !batch["plan"].is_null(), "{batch}");
        for step in steps {
            assert!(!text(&step["text"]["text"]).is_empty(), "{step}");
            assert_eq!(step["text"]["code"], "before.text");
        }
    }
    for plan in kitchen.get("/plans").await.with(200)["plans"].as_array().expect("a list") {
        kitchen.get(&format!("/plans/{}", text(&plan["id"]))).await.with(200);
    }
}

#[actix_web::test]
async fn how_far_an_archive_is_can_be_asked_for_by_its_id() {
    let kitchen = lived_in().await;
    let id = uuid::Uuid::now_v7();
    kitchen.get(&format!("/archive/{id}")).await.with(404);
    kitchen.file(&format!("/archive?id={id}")).await;
    let told = kitchen.get(&format!("/archive/{id}")).await.with(200);
    assert_eq!(told["state"], "finished");
    assert!(told["of"].as_u64().is_some_and(|of| of > 10), "{told}");
    assert_eq!(told["done"], told["of"], "every row that is counted is written, and no other");
    // Nobody takes this one.
    let archives = server::saving::Archives::default();
    let progress = archives.begin(id);
    let pool = kitchen.state.pool.clone();
    let written = progress.clone();
    let done = tokio::task::spawn_blocking(move || server::archive::write(&pool, Gone, &written));
    assert!(done.await.expect("joined").is_err());
    assert_eq!(progress.now().2, server::saving::Writing::BrokenOff);
}
