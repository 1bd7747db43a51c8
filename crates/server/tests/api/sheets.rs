//! Sheets at true size: piping sheets, score maps, a wrap's strip.

use serde_json::{Value, json};

use crate::kitchen::Kitchen;

fn sheet(outline: Value, line_mm: f64) -> Value {
    json!({ "line_mm": line_mm, "mirrored": true, "paper": "a4",
        "outlines": [{ "outline": outline, "width_mm": 60, "count": 4 }] })
}

#[actix_web::test]
async fn outlines_are_laid_out_measured_and_checked() {
    let kitchen = Kitchen::new().await;
    for outline in [
        json!({ "shape": "star", "points": 5, "inner_pct": 45 }),
        json!({ "shape": "moon", "lit_pct": 25 }),
        json!({ "shape": "ring", "spokes": 6 }),
        json!({ "shape": "leaf", "veins": 3 }),
        json!({ "shape": "lattice", "bars": 3, "high_pct": 100 }),
        json!({ "shape": "word", "text": "Comet", "bar": true }),
    ] {
        let laid = kitchen.post("/calc/piping-sheet", sheet(outline.clone(), 4.0)).await.with(200);
        let one = &laid["outlines"][0];
        assert_eq!(one["parts"], 1, "{outline}: {one}");
        let on_all: u64 =
            laid["per_sheet"].as_array().expect("sheets").iter().filter_map(Value::as_u64).sum();
        assert_eq!(on_all, 4, "{outline}");
        let sheets = laid["sheets"].as_array().expect("sheets");
        assert!(
            sheets[0].as_str().is_some_and(|s| s.starts_with("<svg") && s.contains("mirrored"))
        );
        let (each, all) = (one["length_mm"].as_f64(), laid["length_mm"].as_f64());
        assert!((each.expect("mm") * 4.0 - all.expect("mm")).abs() < 0.5, "{laid}");
    }
    let word = json!({ "shape": "word", "text": "Comet" });
    let loose = kitchen.post("/calc/piping-sheet", sheet(word, 2.0)).await.with(200);
    let one = &loose["outlines"][0];
    assert_eq!((&one["parts"], one["loose_mm"].as_array().map(Vec::len)), (&json!(5), Some(4)));
    let codes: Vec<_> =
        one["notes"].as_array().expect("notes").iter().map(|n| n["code"].clone()).collect();
    assert!(
        codes.contains(&json!("unconnected")) && codes.contains(&json!("line-thin")),
        "{codes:?}"
    );
}

#[actix_web::test]
async fn outlines_are_told_line_by_line_with_the_bridges_that_would_hold_them() {
    let kitchen = Kitchen::new().await;
    let asked = |bridged: bool, features: Value| {
        json!({ "line_mm": 2, "outlines": [{ "width_mm": 60, "count": 4, "bridged": bridged,
            "features": features, "outline": { "shape": "word", "text": "Comet" } }] })
    };
    let loose = kitchen.post("/calc/outlines", asked(false, json!([2]))).await.with(200);
    let one = &loose["outlines"][0];
    assert_eq!((&one["parts"], one["bridges_mm"].as_array().map(Vec::len)), (&json!(5), Some(4)));
    let lines = one["lines"].as_array().expect("lines");
    let features: Vec<_> = lines.iter().map(|line| line["feature"] == true).collect();
    assert!(features[1] && features.iter().filter(|feature| **feature).count() == 1, "{lines:?}");
    let joined = kitchen.post("/calc/outlines", asked(true, json!([2]))).await.with(200);
    let one = &joined["outlines"][0];
    assert_eq!((&one["parts"], &one["bridges_mm"]), (&json!(1), &json!([])));
    let more = one["lines"].as_array().expect("lines");
    assert_eq!(more.iter().filter(|line| line["bridge"] == true).count(), 4);
    assert_eq!(more.len(), lines.len() + 4);
    // A bridge is not a line of the drawing: it cannot be a feature.
    let last = json!([more.len()]);
    let told = kitchen.post("/calc/outlines", asked(true, last)).await;
    assert!(told.refuses("outlines[0].features[0]").starts_with("must name lines"));
    let star = json!({ "line_mm": 4, "outlines": [{ "width_mm": 60, "count": 4,
        "outline": { "shape": "star", "points": 5, "inner_pct": 45 } }] });
    let star = kitchen.post("/calc/outlines", star).await.with(200);
    assert_eq!(star["outlines"][0]["body"], star["outlines"][0]["path"], "it is one closed line");
}

#[actix_web::test]
async fn a_drawing_that_is_brought_gives_its_paths_and_nothing_else() {
    let kitchen = Kitchen::new().await;
    let ask = |inside: &str| {
        let svg = format!("<svg xmlns='http://www.w3.org/2000/svg'>{inside}</svg>");
        sheet(json!({ "shape": "drawing", "svg": svg }), 4.0)
    };
    let cross = "<path id='evil\"><script>' d='M0 20 L40 20 M20 0 L20 40'/><text>evil</text>";
    let escaped = cross.replace("<script>", "&lt;script&gt;").replace("evil\">", "evil&quot;&gt;");
    let laid = kitchen.post("/calc/piping-sheet", ask(&escaped)).await.with(200);
    assert_eq!(laid["outlines"][0]["parts"], 1);
    assert_eq!(laid["outlines"][0]["notes"][1]["text"], "Only paths are piped. Left out: text.");
    assert!(!laid.to_string().contains("evil"), "nothing but numbers is kept");
    for (inside, words) in [
        ("<script>alert(1)</script><path d='M0 0 L9 9'/>", "it has a <script>"),
        ("<image href='http://example.org/x.png'/>", "it has a <image>"),
        ("<path d='M0 0 L9 9' onclick='x()'/>", "it has an onclick"),
        ("<text>evil</text>", "turn its text into paths"),
        ("<path d='M0 0 L'/>", "cannot be read"),
    ] {
        let told = kitchen.post("/calc/piping-sheet", ask(inside)).await;
        let told = told.refuses("outlines[0].outline.svg");
        assert!(told.contains(words), "{inside}: {told}");
    }
    let bomb = "<!DOCTYPE svg [<!ENTITY a 'aaaa'>]><svg><path d='&a;'/></svg>";
    let told = kitchen
        .post("/calc/piping-sheet", sheet(json!({ "shape": "drawing", "svg": bomb }), 4.0))
        .await;
    told.refuses("outlines[0].outline.svg");
}

#[actix_web::test]
async fn what_cannot_be_laid_out_is_named() {
    let kitchen = Kitchen::new().await;
    let refused = async |outline: Value, field: &str| {
        kitchen.post("/calc/piping-sheet", sheet(outline, 4.0)).await.refuses(field)
    };
    refused(json!({ "shape": "star", "points": 2, "inner_pct": 45 }), "outlines[0].outline.points")
        .await;
    refused(json!({ "shape": "moon", "lit_pct": 120 }), "outlines[0].outline.lit_pct").await;
    let told =
        refused(json!({ "shape": "word", "text": "Ætna" }), "outlines[0].outline.text").await;
    assert!(told.contains("“Æ” is none of them"), "{told}");
    let mut wide = sheet(json!({ "shape": "ring", "spokes": 0 }), 4.0);
    wide["outlines"][0]["width_mm"] = json!(250);
    let told = kitchen.post("/calc/piping-sheet", wide).await.refuses("outlines[0].width_mm");
    assert!(told.contains("to go on one sheet"), "{told}");
    let none = json!({ "line_mm": 4, "outlines": [] });
    kitchen.post("/calc/piping-sheet", none).await.refuses("outlines");
}

#[actix_web::test]
async fn piped_pieces_follow_their_outlines() {
    let kitchen = Kitchen::new().await;
    let plan_id = kitchen.plan("Constellations").await;
    let mut inputs = kitchen.stated(&plan_id).await;
    inputs["components"][0]["work"] = json!({ "kind": "piped", "chocolate": "dark", "shape": "outlines",
        "length_mm": 1, "line_mm": 4, "count": 1, "outlines": [
            { "outline": { "shape": "ring", "spokes": 0 }, "width_mm": 50, "count": 10 }] });
    let plan = kitchen.post("/calc/plan", inputs.clone()).await.with(200);
    // Ten rings of 157 mm each, half round and four wide.
    let g = plan["components"][0]["takes"][0]["mass_g"].as_f64().expect("g");
    assert!((g - 10.0 * 0.157_08 * 8.105).abs() < 0.1, "{g}");
    assert_eq!(plan["components"][0]["pieces"]["count"], 10.0);
    inputs["components"][0]["work"]["outlines"][0]["count"] = json!(0);
    let told = kitchen.post("/calc/plan", inputs).await;
    told.refuses("components[0].work.outlines[0].count");
}

#[actix_web::test]
async fn a_slab_is_scored_and_a_wrap_cut_at_true_size() {
    let kitchen = Kitchen::new().await;
    let ask = json!({ "outline": { "shape": "rectangle", "length_mm": 300, "width_mm": 200 },
        "piece_cm2": 20, "pattern": "uneven", "seed": 3, "paper": "letter" });
    let map = kitchen.post("/calc/score-map", ask.clone()).await.with(200);
    assert_eq!((&map["pieces"], map["cuts"].as_array().map(Vec::len)), (&json!(30), Some(29)));
    // Two upright sheets side by side hold it; on their sides it would be four.
    assert_eq!(map["sheets"].as_array().map(Vec::len), Some(2));
    let again = kitchen.post("/calc/score-map", ask.clone()).await.with(200);
    assert_eq!(map, again, "the same seed, the same map");
    let mut crumbs = ask;
    crumbs["piece_cm2"] = json!(1);
    crumbs["outline"] = json!({ "shape": "round", "diameter_mm": 1200 });
    let told = kitchen.post("/calc/score-map", crumbs).await.refuses("piece_cm2");
    assert!(told.contains("1000 is the most"), "{told}");
    let strip = json!({ "length_mm": 590.5, "height_mm": 105, "overlap_mm": 25 });
    let cut = kitchen.post("/calc/wrap-sheet", strip).await.with(200);
    assert_eq!(cut["sheets"].as_array().map(Vec::len), Some(3));
    let endless = json!({ "length_mm": 90_000, "height_mm": 105 });
    let told = kitchen.post("/calc/wrap-sheet", endless).await.refuses("length_mm");
    assert!(told.contains("40 is the most"), "{told}");
}
