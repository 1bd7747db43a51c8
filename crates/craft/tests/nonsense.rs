//! No number that makes no sense gets into a plan: each is refused, by the name of its
//! own field.

use craft::chocolate::Family;
use craft::kinds::{Kind, kinds};
use craft::plan::{BowlInputs, Plan, PlanInputs};
use craft::work::ComponentInputs;
use serde_json::{Value, json};

/// A batch of a kind, as it starts.
fn start(kind: &Kind) -> Value {
    let used = kind.start.chocolates();
    let mut bowls: Vec<_> = [Family::Dark, Family::White, Family::Milk]
        .map(BowlInputs::usual)
        .into_iter()
        .filter(|bowl| used.contains(&bowl.key))
        .collect();
    bowls.extend(kind.colours.clone());
    let work = kind.start.clone();
    let components = vec![ComponentInputs { key: "it".into(), name: kind.name.into(), work }];
    let inputs =
        PlanInputs { fridge_c: Some(5.0), bowls, components, ..PlanInputs::usual(Family::Dark) };
    serde_json::to_value(inputs).expect("inputs are data")
}

/// Every number that is stated, as a JSON pointer.
fn numbers(value: &Value, at: &str, found: &mut Vec<String>) {
    match value {
        Value::Number(_) => found.push(at.to_owned()),
        Value::Array(all) => {
            for (i, one) in all.iter().enumerate() {
                numbers(one, &format!("{at}/{i}"), found);
            }
        }
        Value::Object(all) => {
            for (name, one) in all {
                numbers(one, &format!("{at}/{name}"), found);
            }
        }
        _ => {}
    }
}

/// The field that a pointer leads to, as refusals call it. Of a band both ends are one.
fn field(pointer: &str) -> String {
    let pointer = ["_c/0", "_c/1"]
        .into_iter()
        .find_map(|end| pointer.strip_suffix(end))
        .map_or_else(|| pointer.to_owned(), |of| format!("{of}_c"));
    pointer.split('/').skip(1).fold(String::new(), |at, part| match part.parse::<usize>() {
        Ok(i) => format!("{at}[{i}]"),
        Err(_) if at.is_empty() => part.to_owned(),
        Err(_) => format!("{at}.{part}"),
    })
}

/// What is told of a batch with one number changed, or that it was planned.
fn told(inputs: &Value, pointer: &str, number: Value) -> Result<(), Vec<String>> {
    let mut inputs = inputs.clone();
    *inputs.pointer_mut(pointer).expect("it was found there") = number;
    let Ok(inputs) = serde_json::from_value::<PlanInputs>(inputs) else {
        // What is counted takes no fraction and no sign: it is refused before the core.
        return Err(vec![field(pointer)]);
    };
    Plan::of(&inputs).map(|_| ()).map_err(|faults| faults.into_iter().map(|f| f.field).collect())
}

/// Numbers of the same kind that no kitchen has.
fn nonsense(number: &Value) -> [Value; 2] {
    if number.is_u64() {
        [json!(4_000_000_000_u32), json!(-4)]
    } else {
        [json!(4.0e9), json!(-4.0e9)]
    }
}

/// What is wrong with how nonsense is refused in these inputs, and how much was tried.
fn wrong_with(name: &str, inputs: &Value) -> (Vec<String>, usize) {
    assert_eq!(told(inputs, "/room_c", inputs["room_c"].clone()), Ok(()), "{name} can be planned");
    let mut found = Vec::new();
    numbers(inputs, "", &mut found);
    let mut wrong = Vec::new();
    for pointer in &found {
        let own = field(pointer);
        for number in nonsense(inputs.pointer(pointer).expect("it was found there")) {
            match told(inputs, pointer, number.clone()) {
                Ok(()) => wrong.push(format!("{name}: {own} = {number} is taken")),
                Err(fields) if fields.iter().filter(|f| **f == own).count() == 1 => {}
                Err(fields) => {
                    wrong.push(format!("{name}: {own} = {number} is told of {fields:?}"));
                }
            }
        }
    }
    (wrong, 2 * found.len())
}

#[test]
fn of_every_kind_as_it_starts_nonsense_is_refused_once_by_the_name_of_its_field() {
    let all = kinds();
    let told: Vec<_> = all.iter().map(|kind| wrong_with(kind.name, &start(kind))).collect();
    let wrong: Vec<_> = told.iter().flat_map(|(wrong, _)| wrong.clone()).collect();
    assert!(wrong.is_empty(), "{}", wrong.join("\n"));
    let tried: usize = told.iter().map(|(_, tried)| tried).sum();
    assert!(tried > 300, "only {tried}");
}

#[test]
fn what_may_be_left_out_is_refused_as_well_where_it_is_stated() {
    let topping = json!({ "name": "stars", "across_mm": 6, "each_g": 0.2,
        "wish": { "by": "pieces", "piece_cm2": 16 } });
    let tray = json!({ "shape": "rectangle", "length_mm": 300, "width_mm": 200, "rim_mm": 20 });
    let cases = [
        (
            "Slab of bark",
            json!({ "toppings": [topping], "piece_cm2": 16.0,
                "mixed_in": [{ "name": "nuts", "amount": { "by": "parts", "parts": 0.3 }, "density_g_cm3": 1.05 }],
                "cover": { "by": "in_hand", "tray": tray, "in_hand_g": 380.0 } }),
        ),
        (
            "Slab of bark",
            json!({ "toppings": [{ "name": "salt", "across_mm": 1, "each_g": 0.01,
                    "wish": { "by": "coverage", "coverage_pct": 5.0 } }],
                "cover": { "by": "portions", "thickness_mm": 4.0,
                    "portions": { "of": "bags", "count": 6, "each_g": 80.0 } } }),
        ),
        (
            "Slab of bark",
            json!({ "toppings": [{ "name": "nibs", "across_mm": 3, "each_g": 0.05,
                    "wish": { "by": "share", "share_pct": 8.0 } }],
                "cover": { "by": "spread", "in_hand_g": 380.0, "thickness_mm": 4.0 } }),
        ),
        (
            "Slab of bark",
            json!({ "cover": { "by": "thickness", "thickness_mm": 4.0,
                "tray": { "shape": "round", "diameter_mm": 240.0, "rim_mm": 20.0 } } }),
        ),
        (
            "Slab of bark",
            json!({ "cover": { "by": "thickness", "thickness_mm": 4.0,
                "tray": { "shape": "area", "area_cm2": 600.0 } } }),
        ),
        (
            "Slab of bark",
            json!({ "toppings": [
                    { "name": "nuts", "across_mm": 12, "each_g": 1.0, "wish": { "by": "spooned", "count": 0.5, "of": "cup" },
                        "known": { "bulk_g_ml": 0.5, "temp_c": 22.0, "water_pct": 4.0, "fat_pct": 60.0 } },
                    { "name": "cherries", "across_mm": 9, "each_g": 0.6, "wish": { "by": "count", "count": 20 } },
                    { "name": "nibs", "across_mm": 4, "each_g": 0.1, "wish": { "by": "grams", "mass_g": 15.0 } },
                    { "name": "salt", "across_mm": 2, "each_g": 0.01, "wish": { "by": "fill_to", "total_g": 120.0 } },
                ],
                "cover": { "by": "thickness", "thickness_mm": 4.0, "tray": tray } }),
        ),
        (
            "Slab of bark",
            json!({ "mixed_in": [
                    { "name": "nuts", "amount": { "by": "share", "share_pct": 12.0 }, "density_g_cm3": 1.05 },
                    { "name": "raisins", "amount": { "by": "spooned", "count": 2.0, "of": "tablespoon" },
                        "density_g_cm3": 1.3, "known": { "bulk_g_ml": 0.6 } },
                    { "name": "wafers", "amount": { "by": "count", "count": 6, "each_g": 2.0 }, "density_g_cm3": 0.5 },
                ],
                "cover": { "by": "thickness", "thickness_mm": 7.0, "tray": tray } }),
        ),
        (
            "Slab of bark",
            json!({ "mixed_in": [
                    { "name": "nuts", "amount": { "by": "grams", "mass_g": 40.0 }, "density_g_cm3": 1.05 },
                    { "name": "raisins", "amount": { "by": "fill_to", "total_g": 100.0 }, "density_g_cm3": 1.3 },
                ],
                "cover": { "by": "thickness", "thickness_mm": 7.0, "tray": tray } }),
        ),
        (
            "Slab of bark",
            json!({ "mixed_in": [
                    { "name": "nuts", "amount": { "by": "grams", "mass_g": 40.0 }, "density_g_cm3": 1.05,
                        "prepared": [{ "by": "toasting", "oven_c": 160.0, "minutes": 10.0 },
                            { "by": "candying", "sugar_parts": 0.5 }, { "by": "chopping", "to": "fine" }] },
                ],
                "toppings": [
                    { "name": "cherries", "across_mm": 9, "each_g": 0.6, "wish": { "by": "count", "count": 20 },
                        "prepared": [{ "by": "drying", "dryer_c": 60.0, "hours": 8.0, "leaves_pct": 20.0 }] },
                ],
                "cover": { "by": "thickness", "thickness_mm": 7.0, "tray": tray } }),
        ),
        ("Layered bark", json!({ "toppings": [topping], "piece_cm2": 16.0 })),
        ("Wrap round a cake", json!({ "overlap_mm": 25.0, "spill_pct": 15.0 })),
        (
            "Wrap round a cake",
            json!({ "frozen": { "weighs_kg": 8.0, "cold_c": -18.0 }, "strips": 3 }),
        ),
        (
            "Piped pieces",
            json!({ "shape": "nests", "frozen": { "weighs_kg": 8.0, "cold_c": -18.0 } }),
        ),
        (
            "Wrap round a cake",
            json!({ "pattern": { "chocolate": "dark", "length_mm": 2000.0, "line_mm": 3.0 } }),
        ),
        (
            "Piped pieces",
            json!({ "second": { "chocolate": "dark", "length_mm": 60.0 }, "outlines": null }),
        ),
        (
            "Piped pieces",
            json!({ "flooded": { "chocolate": "dark", "depth_mm": 3.0, "area_cm2": 12.0,
                "back": { "chocolate": "dark", "depth_mm": 1.0 } } }),
        ),
        (
            "Piped pieces",
            json!({ "outlines": [
                { "outline": { "shape": "star", "points": 5, "inner_pct": 45.0 }, "width_mm": 60.0, "count": 4 },
                { "outline": { "shape": "moon", "lit_pct": 30.0 }, "width_mm": 50.0, "count": 4 },
                { "outline": { "shape": "ring", "spokes": 6 }, "width_mm": 50.0, "count": 4 },
                { "outline": { "shape": "leaf", "veins": 3 }, "width_mm": 50.0, "count": 4 },
                { "outline": { "shape": "lattice", "bars": 3, "high_pct": 80.0 }, "width_mm": 50.0, "count": 4 },
            ] }),
        ),
        (
            "Boiled-sugar sheet",
            json!({ "tray": tray, "whitened_pct": 10.0, "altitude_m": 400.0, "pulls": 8,
                "recipe": { "by": "parts", "sugar": 3.0, "syrup": 1.0, "water": 1.0 } }),
        ),
        (
            "Boiled-sugar sheet",
            json!({ "recipe": { "by": "weights", "sugar_g": 300.0, "syrup_g": 100.0, "water_g": 90.0 } }),
        ),
        (
            "Filled shells",
            json!({ "filling": { "kind": "other", "name": "praline", "density_g_cm3": 1.2,
                "perishable": false, "each_g": 2.0 } }),
        ),
        (
            "Filled shells",
            json!({ "filling": { "kind": "ganache", "family": "milk", "ratio": 2.0,
                "butter_pct": 5.0, "each_g": 2.0 } }),
        ),
        (
            "Filled shells",
            json!({ "filling": { "kind": "recipe", "name": "fruit", "each_g": 2.0, "parts": [
                { "ingredient": "puree", "grams": 100.0 }, { "ingredient": "white_31", "grams": 300.0 },
                { "ingredient": { "water_pct": 20.0, "fat_pct": 10.0, "sugar_pct": 40.0 },
                    "name": "spread", "grams": 40.0 }] } }),
        ),
        (
            "Dipped pieces",
            json!({ "made": { "shaped_by": "cutting", "steeped": "star anise", "parts": [
                { "ingredient": "cream_35", "grams": 100.0 }, { "ingredient": "dark_66", "grams": 260.0 }] } }),
        ),
        (
            "Dipped pieces",
            json!({ "coat_mm": 1.3,
                "shape": { "area_cm2": 30.0, "volume_ml": 12.0, "height_mm": 60.0 } }),
        ),
        (
            "Two-tone figures",
            json!({ "tones": [
                    { "region": "face", "chocolate": "white", "fill": { "by": "layer", "thickness_mm": 1.5 } },
                    { "chocolate": "white", "fill": { "by": "layer", "thickness_mm": 1.0 } },
                ],
                "inside": [{ "name": "bonbons", "each_ml": 6.0, "each_g": 8.0, "count": 2, "across_mm": 24.0 }],
                "base": { "cap_mm": 2.0 },
                "dipped": { "chocolate": "white", "share_pct": 20.0, "deep_mm": 25.0, "vessel_mm": 80.0 },
                "stuck_on": [{ "name": "ears", "chocolate": "white", "made_by": "piping", "count": 2, "each_g": 1.5 }],
                "painted": [{ "with": { "by": "dust", "name": "gold dust" }, "share_pct": 20.0 }] }),
        ),
        (
            "Two-tone figures",
            json!({ "tones": [
                { "region": "face", "chocolate": "white", "fill": { "by": "solid", "each_g": 20.0 } },
            ] }),
        ),
        (
            "Joined hollows",
            json!({ "cast": { "chocolate": "dark", "mould": { "count": 6,
                    "cavity": { "shape": "hemisphere", "diameter_mm": 60.0 } }, "casts": 1, "wanted": 7, "colour_rest_h": 3.0,
                "smear": { "chocolate": "dark", "share_pct": 30.0 },
                "wall": { "by": "wished", "shell_mm": 2.5 } } }),
        ),
        ("Coloured cocoa butter", json!({ "amount": { "by": "butter", "butter_g": 30.0 } })),
        ("Coloured cocoa butter", json!({ "amount": { "by": "pigment", "pigment_g": 3.0 } })),
    ];
    let all = kinds();
    let mut wrong = Vec::new();
    for (name, stated) in cases {
        let kind = all.iter().find(|kind| kind.name == name).expect("a kind");
        let mut inputs = start(kind);
        let work = inputs["components"][0]["work"].as_object_mut().expect("fields");
        work.extend(stated.as_object().expect("fields").clone());
        // Where outlines say how much is piped, how many and how long are not asked for.
        let asked = |told: &String| {
            inputs["components"][0]["work"]["outlines"].is_null()
                || !["work.count", "work.length_mm"].iter().any(|field| told.contains(field))
        };
        wrong.extend(wrong_with(name, &inputs).0.into_iter().filter(asked));
    }
    assert!(wrong.is_empty(), "{}", wrong.join("\n"));
}

#[test]
fn of_a_bowl_and_a_mould_nonsense_is_refused_too() {
    let mut wrong = Vec::new();
    let mut slab = serde_json::to_value(PlanInputs::usual(Family::Dark)).expect("data");
    slab["setting_pace"] = json!(1.1);
    let bowl = slab["bowls"][0].as_object_mut().expect("a bowl");
    let stated = json!({
        "own": { "melt_c": [46.0, 49.0], "limit_c": 50.0, "cool_c": [27.0, 28.0],
            "work_c": [31.0, 32.0], "lost_c": 33.0, "thick_c": 29.0, "fat_pct": 38.0 },
        "offset_c": 0.4, "stone_c": 19.0, "total_g": 600.0, "room_c": 20.0, "melt_to_c": 47.0,
        "target_c": 31.8, "seed_c": 20.0, "bowl": { "material": "glass", "mass_g": 450.0 },
        "cooling_min": 12.0, "crystals_pct": 1.0, "flow_grade": 3,
    });
    bowl.extend(stated.as_object().expect("fields").clone());
    wrong.extend(wrong_with("a bowl", &slab).0);

    let all = kinds();
    let shells = all.iter().find(|kind| kind.name == "Filled shells").expect("a kind");
    // Each with what two dozen of its shells weigh about.
    for (cavity, shells_g) in [
        (json!({ "shape": "cylinder", "diameter_mm": 30.0, "depth_mm": 15.0 }), 110.0),
        (json!({ "shape": "cone", "diameter_mm": 30.0, "depth_mm": 30.0 }), 80.0),
        (json!({ "shape": "block", "length_mm": 60.0, "width_mm": 30.0, "depth_mm": 20.0 }), 280.0),
        (
            json!({ "shape": "measured", "volume_ml": 10.0, "area_cm2": 25.0, "opening_cm2": 9.0 }),
            125.0,
        ),
    ] {
        let mut inputs = start(shells);
        let cast = &mut inputs["components"][0]["work"]["cast"];
        cast["mould"]["cavity"] = cavity;
        cast["mould"]["weighings"] = json!([{ "family": "dark", "flow_grade": 3,
            "poured_c": 31.5, "wait_s": 30.0, "empty_g": 600.0, "lined_g": 600.0 + shells_g }]);
        cast["wall"] = json!({ "by": "waited", "wait_s": 30.0, "poured_c": 31.5 });
        wrong.extend(wrong_with("a mould", &inputs).0);
    }
    assert!(wrong.is_empty(), "{}", wrong.join("\n"));
}
