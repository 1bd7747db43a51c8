//! The forms of the kinds of work: what is typed is what is planned, what is wrong is
//! said beside its field, and what belongs to a list comes and goes.

use anyhow::ensure;
use interface_tests::{Page, browse};
use serde_json::{Value, json};

use crate::api;

/// What is done to one field, and what is planned then.
enum Step {
    /// Typed: label, text, where it stands in the work, and as what.
    Fill(&'static str, &'static str, &'static str, Value),
    /// Chosen: label, words, where it stands in the work, and as what.
    Choose(&'static str, &'static str, &'static str, Value),
    /// Typed and refused: label, text, and the words beside the field.
    Refused(&'static str, &'static str, &'static str),
    /// A button.
    Touch(&'static str),
}

use Step::{Choose, Fill, Refused, Touch};

/// Goes through the forms of some kinds, one after another in one batch.
async fn go_through(page: &Page, kinds: &[(&str, Vec<Step>)]) -> anyhow::Result<()> {
    let plan = api::id(&api::new_plan("forms").await?)?;
    page.go(&format!("/plans/{plan}")).await?;
    page.until_shown("to-weigh", "325 g").await?;
    for (kind, steps) in kinds {
        page.choose("Replace or add", &format!("replace with: {kind}")).await?;
        let mut expected = Vec::new();
        for step in steps {
            page.unfold().await?;
            match step {
                Fill(label, text, pointer, value) => {
                    page.fill(label, text).await?;
                    expected.push((*pointer, value));
                }
                Choose(label, words, pointer, value) => {
                    page.choose(label, words).await?;
                    expected.push((*pointer, value));
                }
                Refused(label, text, words) => {
                    page.fill(label, text).await?;
                    page.until_refused(words).await?;
                    let saving = page.shown("saving").await?;
                    ensure!(saving != "Saved", "{kind}: {label} = {text} is said to be saved");
                }
                Touch(name) => page.touch(name).await?,
            }
        }
        page.until("saving", "saved", |text| text == "Saved").await?;
        let kept = api::get(&format!("/plans/{plan}")).await?;
        let work = &kept["inputs"]["components"][0]["work"];
        for (pointer, value) in expected {
            let is = work.pointer(pointer).unwrap_or(&Value::Null);
            let same = is == value || (is.is_number() && is.as_f64() == value.as_f64());
            ensure!(same, "{kind}: {pointer} is {is}, not {value}: {work}");
        }
    }
    page.forgive().await
}

#[tokio::test(flavor = "multi_thread")]
async fn forms_of_flat_work_keep_what_is_typed_and_say_what_is_wrong() {
    browse("forms_flat", async |page| {
        go_through(
            page,
            &[
                (
                    "clusters",
                    vec![
                        Refused(
                            "How many",
                            "-4",
                            "How many must be a whole number, 0 or more; it is -4",
                        ),
                        Fill("How many", "30", "/count", json!(30)),
                        Refused("Weight each", "9000", "Weight each must be"),
                        Fill("Weight each", "15", "/each_g", json!(15)),
                        Choose("On each", "a few flakes of salt", "/salted", json!(true)),
                        Refused(
                            "Parts to one of chocolate",
                            "1.5",
                            "must be at most 1.2 to one of chocolate",
                        ),
                        Refused("Water in it", "130", "must be 0 to 100 %"),
                        Fill("Water in it", "4", "/mixed_in/0/known/water_pct", json!(4)),
                        Choose(
                            "How much",
                            "in cups or spoons",
                            "/mixed_in/0/amount/by",
                            json!("spooned"),
                        ),
                        Fill("Measures", "0.25", "/mixed_in/0/amount/count", json!(0.25)),
                        Choose(
                            "Measure",
                            "tablespoons",
                            "/mixed_in/0/amount/of",
                            json!("tablespoon"),
                        ),
                    ],
                ),
                (
                    "layered bark",
                    vec![
                        Touch("Add layer"),
                        Choose("Third layer", "dark", "/layers/1/chocolate", json!("dark")),
                        Fill("Thickness", "2.5", "/layers/0/thickness_mm", json!(2.5)),
                        Touch("Remove: second layer"),
                        Choose(
                            "Surface",
                            "parchment: matt underside",
                            "/lining",
                            json!("parchment"),
                        ),
                        Fill("Piece size", "25", "/piece_cm2", json!(25)),
                    ],
                ),
                (
                    "marbled bark",
                    vec![
                        Touch("Add accent"),
                        Refused("Share", "99", "The accents"),
                        Fill("Share", "30", "/accents/0/share_pct", json!(30)),
                        Touch("Remove: accent 2"),
                        Fill("Strokes", "12", "/strokes", json!(12)),
                    ],
                ),
                (
                    "scored shards",
                    vec![
                        Fill("Shard size", "18", "/piece_cm2", json!(18)),
                        Choose("Marks", "straight, into equal pieces", "/pattern", json!("even")),
                    ],
                ),
                (
                    "wrap round a cake",
                    vec![
                        Fill("Cake width, iced", "200", "/diameter_mm", json!(200)),
                        Refused("Overlap", "900", "Overlap must be"),
                        Fill("Overlap", "30", "/overlap_mm", json!(30)),
                        Choose(
                            "Pattern first",
                            "piped in another chocolate",
                            "/pattern/line_mm",
                            json!(3),
                        ),
                        Fill("Line length", "1500", "/pattern/length_mm", json!(1500)),
                    ],
                ),
                (
                    "piped pieces",
                    vec![
                        Choose(
                            "Line length by",
                            "as these outlines take",
                            "/outlines/0/width_mm",
                            json!(55),
                        ),
                        Refused(
                            "Points",
                            "-5",
                            "Points must be a whole number, 0 or more; it is -5",
                        ),
                        Choose("Outline", "ring", "/outlines/0/outline/shape", json!("ring")),
                        Fill("Spokes", "7", "/outlines/0/outline/spokes", json!(7)),
                        Fill("Width", "55", "/outlines/0/width_mm", json!(55)),
                        Touch("Add outline"),
                        Touch("Remove: outline 2"),
                        Choose(
                            "Bodies",
                            "flooded: outlined, then filled",
                            "/flooded/depth_mm",
                            json!(2.5),
                        ),
                        Refused("Depth", "20", "Depth must be"),
                        Fill("Depth", "2.5", "/flooded/depth_mm", json!(2.5)),
                        Choose(
                            "Backs",
                            "spread over with another chocolate",
                            "/flooded/back/depth_mm",
                            json!(1.5),
                        ),
                        Refused("Depth of the back", "9", "Depth of the back must be"),
                        Fill("Depth of the back", "1.5", "/flooded/back/depth_mm", json!(1.5)),
                        Choose(
                            "A second colour",
                            "for the features, piped first",
                            "/outlines/0/features",
                            json!([2, 4]),
                        ),
                        Touch("4: "),
                        Touch("3: "),
                        Touch("2: "),
                        Touch("3: "),
                    ],
                ),
                (
                    "ribbons from a frozen slab",
                    vec![
                        Fill("Ribbon width", "45", "/width_mm", json!(45)),
                        Refused("Stone temperature", "12", "Stone temperature must be"),
                        Fill("Stone temperature", "-18", "/stone_c", json!(-18)),
                    ],
                ),
                (
                    "boiled-sugar sheet",
                    vec![
                        Choose(
                            "Boiled",
                            "what is in hand, in weights",
                            "/recipe/by",
                            json!("weights"),
                        ),
                        Refused("Sugar", "5", "Sugar must be 20 to 5000 g"),
                        Fill("Sugar", "280", "/recipe/sugar_g", json!(280)),
                        Fill("Flavour", "mint oil", "/flavour", json!("mint oil")),
                        Fill("Pulled", "12", "/pulls", json!(12)),
                        Fill("Whitened part", "15", "/whitened_pct", json!(15)),
                        Refused("Altitude", "12000", "Altitude must be"),
                        Fill("Altitude", "800", "/altitude_m", json!(800)),
                    ],
                ),
            ],
        )
        .await
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn forms_of_moulded_and_dipped_work_do_so_too() {
    browse("forms_moulded", async |page| {
        go_through(
            page,
            &[
                (
                    "filled shells",
                    vec![
                        Choose(
                            "Cavity",
                            "a bar or a box",
                            "/cast/mould/cavity/shape",
                            json!("block"),
                        ),
                        Refused("Depth", "4000", "Depth must be"),
                        Fill("Depth", "18", "/cast/mould/cavity/depth_mm", json!(18)),
                        Choose("Material", "silicone", "/cast/mould/material", json!("silicone")),
                        Touch("Divide the face into regions"),
                        Refused("Share of the face", "50", "The regions must add up to 100 %"),
                        Fill(
                            "Share of the face",
                            "25",
                            "/cast/mould/regions/0/share_pct",
                            json!(25),
                        ),
                        Choose("Wall", "Set the drain time", "/cast/wall/by", json!("waited")),
                        Fill("Drain time", "40", "/cast/wall/wait_s", json!(40)),
                        Choose("Filling", "another filling", "/filling/kind", json!("other")),
                        Fill(
                            "Name of the filling",
                            "Pear jelly",
                            "/filling/name",
                            json!("Pear jelly"),
                        ),
                        Choose(
                            "Perishable",
                            "yes: cream, purée, fresh things",
                            "/filling/perishable",
                            json!(true),
                        ),
                        Choose("Closure", "nothing: open on top", "/cap", Value::Null),
                    ],
                ),
                (
                    "joined hollows",
                    vec![
                        Fill(
                            "Inside (1)",
                            "a slip of paper",
                            "/inside/0/name",
                            json!("a slip of paper"),
                        ),
                        Choose(
                            "Kind",
                            "not food: a toy, a slip of paper",
                            "/inside/0/not_food",
                            json!(true),
                        ),
                        Touch("Add something inside"),
                        Touch("Remove: mini marshmallows"),
                        Choose("Use", "ornament to hang", "/purpose", json!("ornament")),
                    ],
                ),
                (
                    "two-tone figures",
                    vec![
                        Refused("Share of the face", "150", "Share of the face must be"),
                        Fill(
                            "Share of the face",
                            "25",
                            "/cast/mould/regions/0/share_pct",
                            json!(25),
                        ),
                        Choose("Shell method", "brushed coats", "/cast/way", json!("brush")),
                        Choose("Coats set", "in the fridge", "/cast/between", json!("fridge")),
                        Fill("Casts", "2", "/cast/casts", json!(2)),
                        Choose("Count by", "pieces wanted", "/cast/casts", json!(2)),
                        Fill("Pieces wanted", "3", "/cast/wanted", json!(3)),
                        Choose("It lies", "solid, all through", "/tones/0/fill/by", json!("solid")),
                        Fill("In each", "12", "/tones/0/fill/each_g", json!(12)),
                        Touch("Add ears, leaves, a horn"),
                        Choose(
                            "Made by",
                            "cut from a thin sheet",
                            "/stuck_on/0/made_by",
                            json!("cutting"),
                        ),
                        Refused("Weight of one", "0", "Weight of one must be"),
                        Fill("Weight of one", "3", "/stuck_on/0/each_g", json!(3)),
                        Choose("Foot", "closed with a plate", "/base/cap_mm", json!(2)),
                        Choose(
                            "Once it is out of the mould",
                            "a part of it is dipped",
                            "/dipped/share_pct",
                            json!(20),
                        ),
                        Fill("How deep", "30", "/dipped/deep_mm", json!(30)),
                        Choose(
                            "Before the shell",
                            "a smear: streaks, or a first thin coat",
                            "/cast/smear/share_pct",
                            json!(30),
                        ),
                    ],
                ),
                (
                    "solid bars and pieces",
                    vec![
                        Refused("Depth", "2", "Depth must be"),
                        Fill("Depth", "10", "/cast/mould/cavity/depth_mm", json!(10)),
                        Touch("Add dry goods"),
                        Touch("Add topping"),
                        Touch("Paint or dust the finished pieces"),
                        Choose("With", "dry dust", "/painted/0/with/by", json!("dust")),
                        Fill(
                            "Name of the dust",
                            "moon dust",
                            "/painted/0/with/name",
                            json!("moon dust"),
                        ),
                    ],
                ),
                (
                    "dipped pieces",
                    vec![
                        Choose("Kind", "fresh fruit", "/centre", json!("fruit")),
                        Choose("Shape", "another shape: measured", "/shape/height_mm", json!(60)),
                        Fill("Surface", "35", "/shape/area_cm2", json!(35)),
                        Choose("Sticks", "yes", "/sticks", json!(true)),
                        Refused("Vessel width", "10", "Vessel width must be"),
                        Fill("Vessel width", "90", "/vessel_mm", json!(90)),
                        Choose("Two-tone", "zigzags of another: white", "/swirl", json!("white")),
                        Choose("Centres made", "here: rolled", "/made/shaped_by", json!("rolling")),
                        Refused("Weight 2", "0", "Weight 2 must be"),
                        Fill("Weight 2", "110", "/made/parts/1/grams", json!(110)),
                        Fill("Steeped in it, strained out", "mint", "/made/steeped", json!("mint")),
                    ],
                ),
                (
                    "coloured cocoa butter",
                    vec![
                        Choose("Based on", "the powder in hand", "/amount/by", json!("pigment")),
                        Refused("Amount", "0", "Amount must be"),
                        Fill("Amount", "4", "/amount/pigment_g", json!(4)),
                    ],
                ),
            ],
        )
        .await
    })
    .await;
}
