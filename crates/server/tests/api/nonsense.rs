//! Whatever is asked of `/calc`, a number that no kitchen has is refused by its own
//! name, and never breaks anything.

use serde_json::{Value, json};

use crate::kitchen::Kitchen;

/// What can be asked, each of it whole.
fn asked() -> Vec<(&'static str, Value)> {
    let own = json!({ "melt_c": [46, 49], "limit_c": 50, "cool_c": [27, 28], "work_c": [31, 32],
        "lost_c": 33, "thick_c": 29, "fat_pct": 38 });
    let bowl = json!({ "material": "glass", "mass_g": 450 });
    let pigment = json!({ "name": "A powder", "carrier": "powder", "srgb": "#2b4fc2",
        "opaque": false, "food": "for_eating", "strength": 1.2, "price_per_100g": 30 });
    let recipe = json!({ "pigments": [{ "pigment": pigment, "parts_per_100": 8 }] });
    let film = json!({ "mix": [{ "recipe": recipe, "share": 1 }], "way": "spray", "passes": 2 });
    let outline = json!({ "shape": "rectangle", "length_mm": 300, "width_mm": 200 });
    vec![
        ("windows", json!({ "family": "dark", "own": own })),
        (
            "windows",
            json!({ "blend": [{ "family": "dark", "share_pct": 60 },
                { "family": "milk", "share_pct": 40 }] }),
        ),
        (
            "seed",
            json!({ "family": "dark", "total_g": 800, "melted_c": 46, "target_c": 31.5,
                "seed_c": 20, "bowl": bowl, "room_c": 20, "minutes": 12 }),
        ),
        (
            "seed",
            json!({ "family": "milk", "melted_g": 400, "melted_c": 44, "target_c": 30,
                "seed_c": 20 }),
        ),
        (
            "slab",
            json!({ "family": "dark", "thickness_mm": 4,
                "tray": { "shape": "rectangle", "length_mm": 300, "width_mm": 200 },
                "folded_in": [{ "mass_g": 80, "density_g_cm3": 1.05 }] }),
        ),
        (
            "slab",
            json!({ "family": "dark", "mass_g": 300,
                "tray": { "shape": "round", "diameter_mm": 240 } }),
        ),
        ("room", json!({ "temp_c": 21, "rh_pct": 55 })),
        (
            "cooling",
            json!({ "room_c": 20, "family": "dark", "mass_g": 600, "bowl": bowl,
                "targets_c": [32, 30],
                "readings": [{ "t_s": 0, "temp_c": 40 }, { "t_s": 60, "temp_c": 39 },
                    { "t_s": 120, "temp_c": 38.1 }] }),
        ),
        (
            "microwave",
            json!({ "family": "white", "mass_g": 400, "start_c": 20, "target_c": 43,
                "watts": 900, "power": 0.5 }),
        ),
        (
            "ready-crystals",
            json!({ "family": "dark", "mass_g": 500, "share_pct": 1, "temp_c": 34 }),
        ),
        ("slab-split", json!({ "total_g": 900, "melted_c": 46, "slab_c": 26, "target_c": 31.5 })),
        (
            "setting",
            json!({ "family": "dark", "thickness_mm": 4, "pour_c": 31.5,
                "place": { "kind": "room", "temp_c": 19 } }),
        ),
        (
            "fridge",
            json!({ "family": "dark", "thickness_mm": 5, "start_c": 23, "fridge_c": 4,
                "room_c": 19, "rh_pct": 50 }),
        ),
        (
            "wrap",
            json!({ "family": "dark", "diameter_mm": 180, "height_mm": 110, "thickness_mm": 2,
                "cake_mm": 100, "overlap_mm": 25, "spill_pct": 15 }),
        ),
        ("wrap-sheet", json!({ "length_mm": 590, "height_mm": 110, "overlap_mm": 25 })),
        ("piped", json!({ "family": "dark", "length_mm": 300, "line_mm": 4, "count": 12 })),
        (
            "piping-sheet",
            json!({ "line_mm": 4, "outlines": [{ "width_mm": 60, "count": 4,
                "outline": { "shape": "star", "points": 5, "inner_pct": 45 } }] }),
        ),
        (
            "outlines",
            json!({ "line_mm": 4, "flooded": true, "outlines": [{ "width_mm": 60, "count": 4,
                "features": [2], "bridged": true,
                "outline": { "shape": "ring", "spokes": 6 } }] }),
        ),
        ("score-map", json!({ "outline": outline, "piece_cm2": 16, "seed": 3 })),
        ("colour-butter", json!({ "parts_per_100": 8, "total_g": 50 })),
        ("colour-butter", json!({ "parts_per_100": 8, "butter_g": 50 })),
        ("colour-butter", json!({ "parts_per_100": 8, "pigment_g": 5 })),
        ("colour-recipe", json!({ "recipe": recipe, "amount": { "by": "total", "total_g": 50 } })),
        ("colour-film", json!({ "area_cm2": 340, "way": "spray", "passes": 2, "share_pct": 60 })),
        (
            "colour-stack",
            json!({ "ground": { "reflectance": [0.1, 0.1, 0.1] }, "films": [{ "thickness": 1,
                "pigments": [{ "k": [0.4, 0.4, 0.4], "s": [0.3, 0.3, 0.3], "share": 1 }] }] }),
        ),
        (
            "colour-look",
            json!({ "films": [film], "seen": { "srgb": "#2b4fc2", "family": "white", "film": 0 } }),
        ),
        (
            "shell",
            json!({ "family": "dark", "cavity": { "shape": "hemisphere", "diameter_mm": 30 },
                "count": 24, "shell_mm": 1.8, "cap_mm": 1.8, "flow_grade": 3, "poured_c": 31.5,
                "way": "dump" }),
        ),
        (
            "dip",
            json!({ "family": "dark", "count": 18, "vessel_mm": 70, "coat_mm": 1.3,
                "shape": { "area_cm2": 25, "volume_ml": 11, "height_mm": 30 } }),
        ),
        (
            "ganache",
            json!({ "family": "dark", "ratio": 2, "total_g": 300, "butter_pct": 5, "piece_g": 12 }),
        ),
        (
            "proposals",
            json!({ "family": "dark", "in_hand_g": 400,
                "tray": { "shape": "rectangle", "length_mm": 300, "width_mm": 200, "rim_mm": 20 },
                "mould": { "cavity": { "shape": "hemisphere", "diameter_mm": 30 }, "count": 24 } }),
        ),
        (
            "filling",
            json!({ "parts": [{ "ingredient": "cream_35", "grams": 100 },
                { "ingredient": { "water_pct": 20, "fat_pct": 10, "sugar_pct": 40 }, "grams": 50 }] }),
        ),
        ("ganache", json!({ "family": "dark", "chocolate_g": 130, "cream_g": 100, "piece_g": 11 })),
        (
            "schedule",
            json!({ "zone": "UTC", "ready_by": "2030-10-12T18:00:00Z", "hands": 2,
                "hours": [{ "weekdays": [1, 2], "from": "08:00", "to": "22:00" }],
                "at_hand": [{ "what": "mould", "count": 2 }],
                "tasks": [{ "key": "pour", "minutes": 30, "hands": 1, "uses": ["mould"] },
                    { "key": "peel", "minutes": 5,
                        "after": [{ "key": "pour", "least_min": 40, "most_min": 600 }] }] }),
        ),
        (
            "clinic",
            json!({ "seen": ["dull", "streaks"], "facts": { "max_c": 48, "limit_c": 55, "lost_c": 34,
                "work_c": [31, 32], "above_lost_s": 0, "poured_c": 31.5, "seed_share_pct": 25, "seed_planned_pct": 25,
                "worked_min": 10, "stir_gap_s": 60, "room_c": 21, "rh_pct": 45, "chill_min": 10,
                "dew_limit_min": 20, "thickness_mm": 4, "goods_c": 20, "colour_rest_h": 8,
                "mould_c": 20, "oil_pct": 0, "stored_c": 17, "topped_late_min": 0, "strokes": 5,
                "age_days": 1 } }),
        ),
        (
            "boxes",
            json!({ "boxes": 30, "spare_pct": 10,
                "each": [{ "component": "moons", "pieces": 2 }, { "component": "bark", "grams": 40 }] }),
        ),
        (
            "shopping",
            json!({ "needs": [{ "item": "dark", "amount": 800, "unit": "g" }],
                "stock": [{ "item": "dark", "amount": 250, "unit": "g" }],
                "packs": [{ "item": "dark", "amount": 500, "price": 7.5 }] }),
        ),
        (
            "cost",
            json!({ "parts": [{ "amount_g": 350, "price_per_kg": 12 }],
                "packaging": [{ "count": 5, "price": 0.4 }], "pieces": 20, "margin_pct": 50 }),
        ),
        ("label", json!({ "parts": [{ "name": "dark", "grams": 200 }] })),
    ]
}

/// Every number that is stated, as a JSON pointer and as refusals call its field. Of a
/// band both ends are one field.
fn numbers(value: &Value, pointer: &str, field: &str, found: &mut Vec<(String, String)>) {
    match value {
        Value::Number(_) => found.push((pointer.to_owned(), field.to_owned())),
        Value::Array(all) => {
            for (i, one) in all.iter().enumerate() {
                let is_band = field.ends_with("_c") && all.len() == 2 && field.contains("own.");
                let field = if is_band { field.to_owned() } else { format!("{field}[{i}]") };
                numbers(one, &format!("{pointer}/{i}"), &field, found);
            }
        }
        Value::Object(all) => {
            for (name, one) in all {
                let dot = if field.is_empty() { "" } else { "." };
                numbers(one, &format!("{pointer}/{name}"), &format!("{field}{dot}{name}"), found);
            }
        }
        _ => {}
    }
}

#[actix_web::test]
async fn nonsense_is_refused_by_the_name_of_its_field_wherever_it_is_asked() {
    let kitchen = Kitchen::new().await;
    let mut wrong = Vec::new();
    for (calc, body) in asked() {
        let path = format!("/calc/{calc}");
        let whole = kitchen.post(&path, body.clone()).await;
        assert_eq!(whole.status.as_u16(), 200, "{calc} {body}: {}", whole.body);
        let mut found = Vec::new();
        numbers(&body, "", "", &mut found);
        for (pointer, field) in found {
            // A seed of chance may be any number.
            let above = if field == "seed" { json!(1e300) } else { json!(4_000_000_000_u64) };
            for number in [above, json!(-4_000_000_000_i64)] {
                let mut body = body.clone();
                *body.pointer_mut(&pointer).expect("it was found there") = number.clone();
                let said = kitchen.post(&path, body).await;
                let named = said.body["fields"]
                    .as_array()
                    .is_some_and(|all| all.iter().filter(|f| f["field"] == *field).count() == 1);
                if said.status.as_u16() != 422 || !named {
                    wrong
                        .push(format!("{calc}: {field} = {number}: {} {}", said.status, said.body));
                }
            }
        }
    }
    assert!(wrong.is_empty(), "{}", wrong.join("\n"));
}

#[actix_web::test]
async fn everything_that_can_be_asked_was() {
    let kitchen = Kitchen::new().await;
    let document = kitchen.get("/openapi.json").await.with(200);
    let paths = document["paths"].as_object().expect("paths");
    let mut left: Vec<_> =
        paths.keys().filter_map(|path| path.strip_prefix("/api/v1/calc/")).collect();
    // A whole plan is tried number by number in the core's own tests, one that makes enough is
    // such a plan, what was learned goes into one, an edit and a merge work nothing out, and units have no bounds: what is 4 billion cups is as many.
    left.retain(|calc| {
        !["plan", "plan/edit", "plan/enough", "plan/merge", "learned", "convert"].contains(calc)
            && asked().iter().all(|(done, _)| done != calc)
    });
    assert!(left.is_empty(), "{left:?}");
}

/// The bounds that the description gives the number at a pointer.
fn declared(document: &Value, schema: &Value, pointer: &[&str]) -> Option<(f64, f64)> {
    if let Some(name) = schema["$ref"].as_str() {
        return declared(document, document.pointer(&name[1..])?, pointer);
    }
    let variants = ["oneOf", "allOf"].into_iter().filter_map(|of| schema[of].as_array());
    let mut within = variants.flatten().filter_map(|one| declared(document, one, pointer));
    let Some((first, rest)) = pointer.split_first() else {
        return Some((schema["minimum"].as_f64()?, schema["maximum"].as_f64()?));
    };
    let under = if first.parse::<usize>().is_ok() {
        &schema["items"]
    } else {
        &schema["properties"][first]
    };
    within.next().or_else(|| declared(document, under, rest))
}

#[actix_web::test]
async fn the_description_gives_each_number_the_bounds_it_is_refused_by() {
    let kitchen = Kitchen::new().await;
    let document = kitchen.get("/openapi.json").await.with(200);
    let mut wrong = Vec::new();
    for (calc, body) in asked() {
        let path = format!("/calc/{calc}");
        let request = &document["paths"][format!("/api/v1{path}")]["post"]["requestBody"];
        let schema = &request["content"]["application/json"]["schema"];
        let mut found = Vec::new();
        numbers(&body, "", "", &mut found);
        for (pointer, field) in found {
            // A seed of chance may be any number, and a film is counted from those there are.
            if field == "seed" || field.ends_with(".film") {
                continue;
            }
            let parts: Vec<_> = pointer.split('/').skip(1).collect();
            let Some((least, most)) = declared(&document, schema, &parts) else {
                wrong.push(format!("{calc}: {field} has no bounds"));
                continue;
            };
            let mut body = body.clone();
            // A whole number stays one.
            let above = (most * 2.0 + 1.0).ceil();
            let number = body.pointer_mut(&pointer).expect("it was found there");
            *number = if number.is_f64() { json!(above) } else { json!(above as u64) };
            let said = kitchen.post(&path, body).await.refuses(&field);
            let told = format!("{least} to {most}");
            if !said.contains(&told) && !said.contains(&most.to_string()) {
                wrong.push(format!("{calc}: {field} is declared {told}; it is refused: {said}"));
            }
        }
    }
    assert!(wrong.is_empty(), "{}", wrong.join("\n"));
}
