//! Photos of smears, and thermometers that would share a bowl.

use std::io::Cursor;

use chrono::TimeDelta;
use image::{ImageFormat, Rgb, RgbImage};
use serde_json::json;

use crate::kitchen::Kitchen;

fn picture(format: ImageFormat) -> Vec<u8> {
    let mut bytes = Cursor::new(Vec::new());
    let brown = RgbImage::from_pixel(1_000, 500, Rgb([70, 45, 30]));
    brown.write_to(&mut bytes, format).expect("it is written");
    bytes.into_inner()
}

#[actix_web::test]
async fn a_photo_is_kept_written_anew_and_forgotten() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let path = format!("/bowls/{bowl}/photos");
    for (format, kind) in [(ImageFormat::Png, "image/png"), (ImageFormat::Jpeg, "image/jpeg")] {
        let kept = kitchen.post_text(&path, kind, picture(format)).await.with(201);
        assert_eq!((&kept["width"], &kept["height"]), (&json!(1000), &json!(500)));
    }
    let photos = kitchen.get(&path).await.with(200);
    let first = photos[0]["id"].as_str().expect("an id").to_owned();
    let read = kitchen.get(&format!("/photos/{first}")).await;
    assert_eq!(read.headers["content-type"], "image/jpeg");
    assert_eq!(read.headers["x-content-type-options"], "nosniff");
    assert_eq!(kitchen.delete(&format!("/photos/{first}")).await.status.as_u16(), 204);
    assert_eq!(kitchen.get(&path).await.with(200).as_array().map(Vec::len), Some(1));
    kitchen.get(&format!("/photos/{first}")).await.with(404);

    for junk in [&b"<svg onload='alert(1)'/>"[..], b"", b"\x89PNG\r\n\x1a\n cut short"] {
        kitchen.post_text(&path, "image/png", junk.to_vec()).await.refuses("photo");
    }
    let huge = kitchen.post_text(&path, "image/png", vec![0; 5 * 1024 * 1024]).await;
    assert_eq!(huge.status.as_u16(), 413);
    assert_eq!(kitchen.get(&path).await.with(200).as_array().map(Vec::len), Some(1));
    let nowhere = "/bowls/00000000-0000-0000-0000-000000000000/photos";
    kitchen.post_text(nowhere, "image/png", picture(ImageFormat::Png)).await.with(404);
}

#[actix_web::test]
async fn a_colour_mixed_by_eye_is_kept_with_its_photo_and_looks_as_that_does() {
    let kitchen = Kitchen::new().await;
    let kept = |srgb: &str| {
        json!({ "kind": "pigment", "name": "Dusk over the dome", "carrier": "butter",
            "srgb": srgb, "opaque": true, "food": "for_eating",
            "mixed_of": "blue and red, with a third of white" })
    };
    let body = json!({ "thing": kept("#2b4fc2") });
    let id = kitchen.post("/shelf", body).await.with(201)["id"].as_str().expect("id").to_owned();
    let path = format!("/shelf/{id}/photos");
    let photo = kitchen.post_text(&path, "image/png", picture(ImageFormat::Png)).await.with(201);
    assert_eq!(kitchen.get(&path).await.with(200)[0]["id"], photo["id"]);
    let spot = format!("/photos/{}/spot", photo["id"].as_str().expect("an id"));
    let seen = kitchen.post(&spot, json!({ "x_pct": 50, "y_pct": 50 })).await.with(200);
    let srgb = seen["srgb"].as_str().expect("a colour");
    let red = i32::from_str_radix(&srgb[1..3], 16).expect("hexadecimal");
    assert!((red - 70).abs() <= 4, "{srgb}");
    let saved = kitchen.put(&format!("/shelf/{id}"), Some(1), kept(srgb)).await.with(200);
    assert_eq!(saved["thing"]["srgb"], srgb);

    kitchen.post(&spot, json!({ "x_pct": 101, "y_pct": 50 })).await.refuses("x_pct");
    let nowhere = "/photos/00000000-0000-0000-0000-000000000000/spot";
    kitchen.post(nowhere, json!({ "x_pct": 1, "y_pct": 1 })).await.with(404);
    // Of a bowl or a tray on the shelf no colour is to be seen.
    let ware = json!({ "thing": { "kind": "ware", "name": "Glass", "material": "glass",
        "mass_g": 450 } });
    let ware = kitchen.post("/shelf", ware).await.with(201)["id"].as_str().expect("id").to_owned();
    let of_ware = format!("/shelf/{ware}/photos");
    let told = kitchen.post_text(&of_ware, "image/png", picture(ImageFormat::Png)).await;
    told.refuses("id");
    // It goes out and comes in with everything else.
    let archive = kitchen.file("/archive").await;
    let other = Kitchen::new().await;
    other.post_text("/archive", "application/zip", archive).await.with(204);
    assert_eq!(other.get(&path).await.with(200)[0]["id"], photo["id"]);
}

/// A PNG of 40 000 by 40 000 pixels that is a few kilobytes long: its header says so,
/// and what follows would unpack to gigabytes.
fn bomb() -> Vec<u8> {
    let mut png = picture(ImageFormat::Png);
    // The header's width and height, and its checksum after them.
    let side = 40_000u32.to_be_bytes();
    png[16..20].copy_from_slice(&side);
    png[20..24].copy_from_slice(&side);
    let crc = crc32fast::hash(&png[12..29]).to_be_bytes();
    png[29..33].copy_from_slice(&crc);
    png
}

#[actix_web::test]
async fn photos_of_finished_pieces_stand_with_their_batch() {
    let kitchen = Kitchen::new().await;
    let batch = kitchen.batch("Planets").await;
    let path = format!("/batches/{batch}/photos");
    let kept = kitchen.post_text(&path, "image/png", picture(ImageFormat::Png)).await.with(201);
    let zip = b"PK\x03\x04 a zip by another name".to_vec();
    for (junk, says) in [
        (b"<script>alert(1)</script>".to_vec(), "must be a PNG or a JPEG"),
        (zip, "must be a PNG or a JPEG"),
        (bomb(), "12000 pixels"),
    ] {
        let told = kitchen.post_text(&path, "image/png", junk).await.refuses("photo");
        assert!(told.contains(says), "{told}");
    }
    let there = kitchen.get(&path).await.with(200);
    assert_eq!(there.as_array().map(Vec::len), Some(1), "nothing is stored by half");
    assert_eq!(there[0]["id"], kept["id"]);
    let bowl = kitchen.bowl().await;
    assert_eq!(kitchen.get(&format!("/bowls/{bowl}/photos")).await.with(200), json!([]));
    let nowhere = "/batches/00000000-0000-0000-0000-000000000000/photos";
    kitchen.get(nowhere).await.with(404);
    kitchen.post_text(nowhere, "image/png", picture(ImageFormat::Png)).await.with(404);
}

#[actix_web::test]
async fn a_second_thermometer_at_a_bowl_is_refused_until_the_first_is_silent() {
    let kitchen = Kitchen::new().await;
    let bowl = kitchen.bowl().await;
    let says = |probe: &str| json!({ "temp_c": 31.0, "probe": probe });
    kitchen.read(&bowl, says("stick")).await.with(201);
    let refused = kitchen.read(&bowl, says("clip")).await.with(409);
    assert!(refused["detail"].as_str().is_some_and(|d| d.contains("measured by \"stick\"")));
    // By hand it can be read all the same.
    kitchen.read(&bowl, json!({ "temp_c": 31.0, "source": "hand" })).await.with(201);
    kitchen.pass(TimeDelta::minutes(3));
    kitchen.read(&bowl, says("clip")).await.with(201);
    kitchen.read(&bowl, says(&"x".repeat(41))).await.refuses("probe");
}
