//! Real jobs of makers, each from its plan to its log by doing what the guide says.

use serde_json::{Value, json};
use uuid::Uuid;

use crate::kitchen::{Kitchen, text};

fn tray() -> Value {
    json!({ "shape": "rectangle", "length_mm": 300, "width_mm": 200 })
}

fn topping(name: &str, across_mm: f64, each_g: f64, mass_g: f64) -> Value {
    json!({ "name": name, "across_mm": across_mm, "each_g": each_g,
        "wish": { "by": "grams", "mass_g": mass_g } })
}

fn half_balls(diameter_mm: f64, count: u32) -> Value {
    json!({ "cavity": { "shape": "hemisphere", "diameter_mm": diameter_mm }, "count": count })
}

fn colour(key: &str, name: &str, srgb: &str) -> Value {
    json!({ "key": key, "family": "cocoa_butter", "colour": { "pigments": [{ "parts_per_100": 10,
        "pigment": { "name": name, "srgb": srgb, "carrier": "powder", "opaque": false } }] } })
}

/// A job: what it is called, its bowls, what is made.
struct Job {
    name: &'static str,
    bowls: Value,
    works: Value,
}

fn jobs() -> Vec<Job> {
    let candied = json!([{ "name": "whole hazelnuts", "amount": { "by": "parts", "parts": 0.5 },
        "density_g_cm3": 1.05, "prepared": [{ "by": "candying", "sugar_parts": 0.5 }] }]);
    vec![
        Job {
            name: "Printed-sheet bark with three toppings, in bags",
            bowls: json!([{ "key": "dark", "family": "dark" }]),
            works: json!([{ "kind": "slab", "chocolate": "dark", "lining": "printed",
                "cover": { "by": "portions", "thickness_mm": 4, "portions": { "of": "bags", "count": 8, "each_g": 60 } },
                "toppings": [topping("pecan halves", 30.0, 2.0, 40.0), topping("dried sour cherries", 11.0, 0.6, 25.0),
                    topping("coarse salt", 2.0, 0.01, 2.0)] }]),
        },
        Job {
            name: "Three slabs with ready crystals and two toppings",
            bowls: json!([{ "key": "dark", "family": "dark", "method": "ready_crystals",
                "kitchen": { "stone": false, "ready_crystals": true, "tempered_pieces": true, "frozen_slab": false,
                    "colour_bottle": false, "fine_scale": false } }]),
            works: Value::Array(vec![
                json!({ "kind": "slab", "chocolate": "dark",
                "cover": { "by": "thickness", "tray": tray(), "thickness_mm": 3 },
                "toppings": [topping("cocoa nibs", 4.0, 0.04, 12.0), topping("salt flakes", 3.0, 0.004, 2.0)] });
                3
            ]),
        },
        Job {
            name: "Flooded figures in two coatings",
            bowls: json!([{ "key": "outline", "family": "coating", "looks": "#2b1a12" },
                { "key": "body", "family": "coating", "looks": "#3366cc" }]),
            works: json!([{ "kind": "piped", "chocolate": "outline", "shape": "outlines", "length_mm": 260,
                "line_mm": 3, "count": 10, "flooded": { "chocolate": "body", "depth_mm": 3, "area_cm2": 12,
                    "back": { "chocolate": "outline", "depth_mm": 1 } },
                "second": { "chocolate": "outline", "length_mm": 30 } }]),
        },
        Job {
            name: "A marbled tin from 400 g with oil",
            bowls: json!([{ "key": "dark", "family": "dark", "fat_added": { "fat": "oil", "share_pct": 2 } },
                { "key": "white", "family": "white" }]),
            works: json!([{ "kind": "marbled", "base": "dark", "strokes": 6, "lining": "bare_tin",
                "accents": [{ "chocolate": "white", "share_pct": 40 }],
                "cover": { "by": "in_hand", "tray": tray(), "in_hand_g": 400 } }]),
        },
        Job {
            name: "Fruit-purée shells in two casts",
            bowls: json!([{ "key": "dark", "family": "dark" }]),
            works: json!([{ "kind": "shells", "cast": { "chocolate": "dark", "mould": half_balls(30.0, 24),
                    "casts": 2, "wall": { "by": "wished", "shell_mm": 1.8 } },
                "filling": { "kind": "recipe", "name": "raspberry", "parts": [
                    { "ingredient": "puree", "grams": 120 }, { "ingredient": "white_31", "grams": 300 }] },
                "cap": { "cap_mm": 1.8 } }]),
        },
        Job {
            name: "Brushed hollows with ears and a hook",
            bowls: json!([{ "key": "dark", "family": "dark" }, { "key": "white", "family": "white" }]),
            works: json!([{ "kind": "hollows", "purpose": "ornament", "cast": { "chocolate": "dark",
                    "mould": half_balls(60.0, 6), "casts": 1, "wanted": 4, "way": "brush", "between": "fridge",
                    "wall": { "by": "wished", "shell_mm": 2.4 } },
                "stuck_on": [{ "name": "ears", "chocolate": "white", "made_by": "piping", "count": 2, "each_g": 2 }] }]),
        },
        Job {
            name: "Dipped rolled truffles with a zigzag from one divided bowl",
            bowls: json!([{ "key": "white", "family": "white" },
                { "key": "blue white", "family": "white", "taken_from": "white", "tint": { "colour": "blue", "share_pct": 4 } },
                colour("blue", "Blue", "#2f5fb3")]),
            works: json!([{ "kind": "dipped", "chocolate": "white", "name": "truffles", "centre": "truffle",
                "shape": { "diameter_mm": 28 }, "each_g": 13, "centre_c": 14, "count": 18, "vessel_mm": 70,
                "swirl": "blue white", "made": { "shaped_by": "rolling", "parts": [
                    { "ingredient": "cream_35", "grams": 100 }, { "ingredient": "dark_66", "grams": 200 }] } }]),
        },
        Job {
            name: "Candied-nut clusters, and the same mixture moulded",
            bowls: json!([{ "key": "milk", "family": "milk" }]),
            works: json!([
                { "kind": "clusters", "chocolate": "milk", "mixed_in": candied, "count": 20, "each_g": 12 },
                { "kind": "solids", "cast": { "chocolate": "milk", "casts": 1, "wall": { "by": "solid" },
                    "mould": { "cavity": { "shape": "block", "length_mm": 60, "width_mm": 30, "depth_mm": 12 }, "count": 8 } },
                    "mixed_in": candied }]),
        },
        Job {
            name: "A sugar sheet by weights beside coating shards",
            bowls: json!([{ "key": "blue coating", "family": "coating", "looks": "#335fbb" }]),
            works: json!([
                { "kind": "sugar", "tray": tray(), "thickness_mm": 4, "piece_cm2": 20, "recipe": { "by": "weights", "sugar_g": 300, "syrup_g": 100, "water_g": 100 } },
                { "kind": "shards", "chocolate": "blue coating", "pattern": "uneven", "piece_cm2": 20,
                    "cover": { "by": "thickness", "tray": tray(), "thickness_mm": 3 } }]),
        },
        Job {
            name: "A collar on the frozen stone",
            bowls: json!([{ "key": "dark", "family": "dark", "method": "shock_set" }]),
            works: json!([{ "kind": "wrap", "chocolate": "dark", "diameter_mm": 180, "cake_mm": 90, "height_mm": 100,
                "thickness_mm": 1.5, "frozen": { "weighs_kg": 8, "cold_c": -18 }, "strips": 2 }]),
        },
        Job {
            name: "A figure with a solid heel and a dipped toe",
            bowls: json!([{ "key": "dark", "family": "dark" }, { "key": "white", "family": "white" },
                { "key": "milk", "family": "milk" }]),
            works: json!([{ "kind": "figures", "cast": { "chocolate": "dark", "casts": 1,
                    "mould": { "cavity": { "volume_ml": 120, "area_cm2": 130, "opening_cm2": 28 }, "count": 2,
                        "regions": [{ "name": "heel", "share_pct": 20 }, { "name": "leg", "share_pct": 80 }] },
                    "wall": { "by": "wished", "shell_mm": 3 } },
                "tones": [{ "region": "heel", "chocolate": "white", "fill": { "by": "solid" } }],
                "dipped": { "chocolate": "milk", "share_pct": 15, "deep_mm": 20, "vessel_mm": 60 } }]),
        },
        Job {
            name: "A solid bar painted when finished",
            bowls: json!([{ "key": "dark", "family": "dark" }, colour("gold", "Gold", "#c9a227")]),
            works: json!([{ "kind": "solids", "cast": { "chocolate": "dark", "casts": 1, "wall": { "by": "solid" },
                    "mould": { "cavity": { "shape": "block", "length_mm": 150, "width_mm": 75, "depth_mm": 8 }, "count": 3 } },
                "painted": [{ "with": { "by": "colour", "colour": "gold", "way": "brush" }, "share_pct": 20 },
                    { "with": { "by": "dust", "name": "gold dust" }, "share_pct": 5 }] }]),
        },
        Job {
            name: "Colour thickened for a sheet",
            bowls: json!([{ "key": "dark", "family": "dark" },
                { "tint": { "colour": "cover", "share_pct": 40 }, "key": "blue", "family": "cocoa_butter",
                    "colour": colour("blue", "Blue", "#2f5fb3")["colour"] },
                colour("cover", "White", "#ffffff")]),
            works: json!([{ "kind": "sheet", "chocolate": "dark", "finish": "painted", "shape": "shards", "piece_cm2": 12,
                "cover": { "by": "thickness", "tray": tray(), "thickness_mm": 1.5 },
                "colours": [{ "colour": "blue", "way": "sheet", "share_pct": 60 }] }]),
        },
    ]
}

#[actix_web::test]
async fn every_job_is_planned_made_by_what_the_guide_says_and_logged() {
    for Job { name, bowls, works } in jobs() {
        let kitchen = Kitchen::new().await;
        let components: Vec<_> = works
            .as_array()
            .expect("works")
            .iter()
            .enumerate()
            .map(|(i, work)| json!({ "key": format!("it-{i}"), "name": format!("{name} {i}"), "work": work }))
            .collect();
        let inputs = json!({ "room_c": 19.5, "rh_pct": 42, "fridge_c": 5, "bowls": bowls,
            "components": components });
        let plan = kitchen.planned(json!({ "name": name, "inputs": inputs })).await;
        let planned = kitchen.get(&format!("/plans/{plan}")).await.with(200)["plan"].clone();
        assert!(planned.is_object(), "{name} can be planned");
        for component in planned["components"].as_array().expect("components") {
            assert!(component["keeping"]["storage"]["text"].is_string(), "{name}: {component}");
        }
        let batch = kitchen.begun(&plan).await;
        let opened = kitchen.follow(&batch).await;
        for bowl in opened {
            assert_eq!(kitchen.bowl_now(&bowl).await["phase"], "done", "{name}");
        }
        let look = json!({ "id": Uuid::new_v4(), "gloss": "glossy", "snap": "clean",
            "released": "freely", "streaks": "none", "note": "" });
        kitchen.post(&format!("/batches/{batch}/results"), look).await.with(201);
        let log = kitchen.get(&format!("/batches/{batch}")).await.with(200);
        assert_eq!(text(&log["stage"]), "made", "{name}");
    }
}
