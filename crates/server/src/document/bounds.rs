//! Between which values a number is taken.

use craft::check::{self, Bounds};
use serde_json::{Value, json};

use super::schema;

/// Which numbers of what is sent are taken between which bounds. A test holds this against
/// what is refused, and that no number is left out.
const TAKEN: &[(Bounds, &[&str])] = &[
    (check::FILM_OPTICS, &["FilmPigment.k", "FilmPigment.s"]),
    (check::ALTITUDE_M, &["SugarInputs.altitude_m"]),
    (check::BARS, &["ShapeInputs.bars"]),
    (check::BOWL_G, &["SavedWareInputs.mass_g", "WareInputs.mass_g"]),
    // The widest of what goes into the field: bursts are shorter.
    (check::DULL_FOR_S, &["Entry.seconds"]),
    (check::TASK_MIN, &["TaskRequest.minutes"]),
    (check::WAIT_MIN, &["AfterRequest.least_min", "AfterRequest.most_min"]),
    (check::HANDS, &["ScheduleRequest.hands"]),
    (
        check::AT_HAND,
        &[
            "AtHandRequest.count",
            "HeatInputs.how_many",
            "KitchenInputs.fridge_holds",
            "SavedMouldInputs.how_many",
            "SavedTrayInputs.how_many",
            "SavedWareInputs.how_many",
        ],
    ),
    (check::CLINIC_S, &["Facts.above_lost_s", "Facts.stir_gap_s"]),
    (
        check::CLINIC_MIN,
        &["Facts.chill_min", "Facts.dew_limit_min", "Facts.topped_late_min", "Facts.worked_min"],
    ),
    (check::CLINIC_SEED_PCT, &["Facts.seed_planned_pct", "Facts.seed_share_pct"]),
    (check::CLINIC_H, &["Facts.colour_rest_h"]),
    (check::CLINIC_MM, &["Facts.thickness_mm"]),
    (check::CLINIC_STROKES, &["Facts.strokes"]),
    (check::STORED_C, &["Facts.stored_c"]),
    (check::AGE_DAYS, &["Facts.age_days"]),
    (check::TASK_HANDS, &["TaskRequest.hands"]),
    (check::WEEKDAY, &["WeeklyHours.weekdays"]),
    (check::BOXES, &["BoxesRequest.boxes", "PackingInputs.count"]),
    (check::SPARE_PCT, &["BoxesRequest.spare_pct", "LearnedSpare.pct", "PackingInputs.spare_pct"]),
    (check::IN_A_BOX_G, &["InEach.grams", "PackingInputs.holds_g"]),
    (check::BAG_G, &["ChocolateInputs.pack_g"]),
    (check::HOUR_PRICE, &["KitchenInputs.hour_price"]),
    (check::KWH_PRICE, &["KitchenInputs.kwh_price"]),
    (check::LABEL_ROWS, &["LabelSheet.columns", "LabelSheet.rows"]),
    (check::LABEL_MM, &["LabelSheet.height_mm", "LabelSheet.width_mm"]),
    (
        check::LABEL_GAP_MM,
        &["LabelSheet.gap_x_mm", "LabelSheet.gap_y_mm", "LabelSheet.left_mm", "LabelSheet.top_mm"],
    ),
    (check::WRAPPINGS, &["WrappingInputs.count"]),
    (check::COUNTED, &["CountedRequest.broken", "CountedRequest.whole"]),
    (check::BOUGHT, &["AmountRequest.amount"]),
    (check::COSTED_G, &["CostPartRequest.amount_g", "LabelPartRequest.grams"]),
    (check::COSTED_COUNT, &["CostCountRequest.count"]),
    (check::MARGIN_PCT, &["CostRequest.margin_pct", "KitchenInputs.margin_pct"]),
    (check::BUTTER_PCT, &["FillingInputs.butter_pct", "GanacheRequest.butter_pct"]),
    (check::CAKE_MM, &["WrapInputs.diameter_mm", "WrapRequest.diameter_mm"]),
    (check::CAP_MM, &["CapInputs.cap_mm", "ShellRequest.cap_mm"]),
    (check::CARRY_OVER_C, &["GearNumbers.carry_over_c"]),
    (check::CASTS, &["CastInputs.casts"]),
    (check::CAVITIES, &["MouldInputs.count"]),
    (
        check::CAVITY_CM2,
        &["CavityInputs.area_cm2", "CavityInputs.opening_cm2", "DippedShape.area_cm2"],
    ),
    (check::CAVITY_ML, &["CavityInputs.volume_ml"]),
    (
        check::CAVITY_MM,
        &[
            "CavityInputs.depth_mm",
            "CavityInputs.diameter_mm",
            "CavityInputs.length_mm",
            "CavityInputs.width_mm",
            "DippedShape.diameter_mm",
            "DippedShape.height_mm",
        ],
    ),
    (check::CAVITY_MM_INSIDE, &["InsideInputs.across_mm"]),
    (check::REST_H, &["CastInputs.colour_rest_h"]),
    (check::DEEP_MM, &["ToeInputs.deep_mm"]),
    (check::DIPPED_PCT, &["ToeInputs.share_pct"]),
    (check::STUCK_ON, &["StuckOnInputs.count"]),
    (check::TONE_G, &["ToneFill.each_g"]),
    (check::TONE_MM, &["ToneFill.thickness_mm"]),
    (check::CENTRE_C, &["DippedInputs.centre_c"]),
    (
        check::CHOCOLATE_G,
        &[
            "BottledAmount.butter_g",
            "BottledAmount.total_g",
            "BowlInputs.total_g",
            "ColourButterRequest.butter_g",
            "ColourButterRequest.total_g",
            "CoolingRequest.mass_g",
            "CoverInputs.in_hand_g",
            "HaveInputs.in_hand_g",
            "FoldedInRequest.mass_g",
            "MicrowaveRequest.mass_g",
            "ReadyCrystalsRequest.mass_g",
            "SeedRequest.melted_g",
            "SeedRequest.total_g",
            "SlabRequest.mass_g",
            "SlabSplitRequest.total_g",
        ],
    ),
    (check::SUGAR_PARTS, &["SugarRecipe.sugar"]),
    (check::SYRUP_PARTS, &["SugarRecipe.syrup"]),
    (check::WATER_PARTS, &["SugarRecipe.water"]),
    (check::SUGAR_G, &["SugarRecipe.sugar_g"]),
    (check::SYRUP_G, &["SugarRecipe.syrup_g"]),
    (check::WATER_G, &["SugarRecipe.water_g"]),
    (check::PULLS, &["SugarInputs.pulls"]),
    (check::ADDED_FAT_PCT, &["AddedFatInputs.share_pct"]),
    (check::FLOODED_MM, &["FloodedInputs.depth_mm"]),
    (check::OUTLINE_LINE, &["OutlineInputs.features"]),
    (check::BACK_MM, &["BackInputs.depth_mm"]),
    (check::BODY_CM2, &["FloodedInputs.area_cm2"]),
    (check::TOASTING_C, &["Preparation.oven_c"]),
    (check::TOASTING_MIN, &["Preparation.minutes"]),
    (check::CANDYING_PARTS, &["Preparation.sugar_parts"]),
    (check::PLACE_PCT, &["SpotRequest.x_pct", "SpotRequest.y_pct"]),
    (check::MELTING_C, &["Preparation.to_c"]),
    (check::DRYING_C, &["Preparation.dryer_c"]),
    (check::DRYING_H, &["Preparation.hours"]),
    (check::DRYING_LEAVES_PCT, &["Preparation.leaves_pct"]),
    (check::BULK_G_ML, &["GoodsNotes.bulk_g_ml"]),
    (check::CLUSTER_G, &["ClustersInputs.each_g"]),
    (check::COAT_MM, &["DipRequest.coat_mm", "DippedInputs.coat_mm"]),
    (check::COLOUR_PARTS, &["ColourButterRequest.parts_per_100", "RecipePart.parts_per_100"]),
    (check::COOLING_MIN, &["BowlInputs.cooling_min", "SeedRequest.minutes"]),
    (check::COOLING_RATIO, &["GearNumbers.cooling_ratio"]),
    (check::COVERAGE_PCT, &["ToppingWish.coverage_pct"]),
    (check::CRYSTALS_PCT, &["BowlInputs.crystals_pct", "ReadyCrystalsRequest.share_pct"]),
    (
        check::DENSITY_G_CM3,
        &[
            "FillingInputs.density_g_cm3",
            "FoldedInRequest.density_g_cm3",
            "GoodsInputs.density_g_cm3",
            "MixedInInputs.density_g_cm3",
        ],
    ),
    (check::EFFICIENCY, &["GearNumbers.burst_response", "GearNumbers.efficiency"]),
    (check::FACE_CM2, &["ColourFilmRequest.area_cm2"]),
    (
        check::FACE_PCT,
        &[
            "ColourFilmRequest.share_pct",
            "FilmInputs.share_pct",
            "PaintedInputs.share_pct",
            "RegionInputs.share_pct",
            "SmearInputs.share_pct",
        ],
    ),
    (check::FAT_PCT, &["OwnInputs.fat_pct"]),
    (
        check::FILLING_G,
        &[
            "FillingInputs.each_g",
            "IngredientInputs.grams",
            "GanacheRequest.chocolate_g",
            "GanacheRequest.cream_g",
            "GanacheRequest.total_g",
        ],
    ),
    (check::FILM_SHARE, &["FilmPigment.share", "MixPart.share"]),
    (check::FILM_THICKNESS, &["StackFilm.thickness"]),
    (
        check::FLOW_GRADE,
        &[
            "BowlInputs.flow_grade",
            "ChocolateInputs.flow_grade",
            "ShellRequest.flow_grade",
            "Weighing.flow_grade",
        ],
    ),
    (check::FRIDGE_C, &["FridgeRequest.fridge_c", "KitchenInputs.fridge_c", "PlanInputs.fridge_c"]),
    (check::FROZEN_C, &["FrozenInputs.cold_c", "RibbonsInputs.stone_c"]),
    (check::GANACHE_RATIO, &["FillingInputs.ratio", "GanacheRequest.ratio"]),
    (
        check::HEIGHT_MM,
        &[
            "WrapInputs.cake_mm",
            "WrapInputs.height_mm",
            "WrapRequest.cake_mm",
            "WrapRequest.height_mm",
            "WrapSheetRequest.height_mm",
        ],
    ),
    (check::HIGH_PCT, &["ShapeInputs.high_pct"]),
    (check::INNER_PCT, &["ShapeInputs.inner_pct"]),
    (check::INSIDE_ML, &["DippedShape.volume_ml", "InsideInputs.each_ml"]),
    (
        check::LINE_MM,
        &[
            "PipedInputs.line_mm",
            "PipedRequest.line_mm",
            "PipingRequest.line_mm",
            "OutlinesRequest.line_mm",
            "WrapPattern.line_mm",
        ],
    ),
    (check::LIT_PCT, &["ShapeInputs.lit_pct"]),
    (
        check::MELTED_C,
        &[
            "BowlInputs.melt_to_c",
            "BowlInputs.target_c",
            "MicrowaveRequest.target_c",
            "OwnInputs.cool_c",
            "OwnInputs.limit_c",
            "OwnInputs.lost_c",
            "OwnInputs.melt_c",
            "OwnInputs.thick_c",
            "OwnInputs.work_c",
            "SeedRequest.melted_c",
            "SeedRequest.target_c",
            "SettingRequest.pour_c",
            "ShellRequest.poured_c",
            "SlabSplitRequest.melted_c",
            "SlabSplitRequest.target_c",
            "WallInputs.poured_c",
            "Weighing.poured_c",
        ],
    ),
    (check::MICROWAVE_POWER, &["MicrowaveInputs.power", "MicrowaveRequest.power"]),
    (check::MICROWAVE_W, &["MicrowaveInputs.watts", "MicrowaveRequest.watts"]),
    (check::MOULD_G, &["Weighing.empty_g", "Weighing.lined_g"]),
    (check::OFFSET_C, &["BowlInputs.offset_c"]),
    (check::OUTLINES, &["OutlineInputs.count"]),
    (check::OUTLINE_MM, &["OutlineInputs.width_mm"]),
    (
        check::OVERLAP_MM,
        &["WrapInputs.overlap_mm", "WrapRequest.overlap_mm", "WrapSheetRequest.overlap_mm"],
    ),
    (check::GOODS_C, &["Facts.goods_c", "Facts.mould_c", "GoodsNotes.temp_c"]),
    (
        check::GOODS_G,
        &["MixedAmount.mass_g", "MixedAmount.total_g", "ToppingWish.mass_g", "ToppingWish.total_g"],
    ),
    (
        check::GOODS_PCT,
        &[
            "Facts.oil_pct",
            "GoodsNotes.fat_pct",
            "GoodsNotes.water_pct",
            "OwnComposition.fat_pct",
            "OwnComposition.sugar_pct",
            "OwnComposition.water_pct",
        ],
    ),
    (check::MIXED_SHARE_PCT, &["MixedAmount.share_pct"]),
    (check::PARTS, &["MixedAmount.parts"]),
    (check::PASSES, &["ColourFilmRequest.passes", "FilmInputs.passes", "LookFilm.passes"]),
    (
        check::PIECES,
        &[
            "CastInputs.wanted",
            "CostRequest.pieces",
            "InEach.pieces",
            "ClustersInputs.count",
            "DipRequest.count",
            "DippedInputs.count",
            "InsideInputs.count",
            "PipedInputs.count",
            "PipedRequest.count",
            "PortionsInputs.count",
            "RibbonsInputs.count",
            "ShellRequest.count",
        ],
    ),
    (
        check::PIECE_CM2,
        &[
            "LayeredInputs.piece_cm2",
            "MarbledInputs.piece_cm2",
            "ScoreRequest.piece_cm2",
            "ShardsInputs.piece_cm2",
            "SheetInputs.piece_cm2",
            "SlabInputs.piece_cm2",
            "SugarInputs.piece_cm2",
            "ToppingWish.piece_cm2",
        ],
    ),
    (check::PIECE_G, &["DippedInputs.each_g", "GanacheRequest.piece_g", "PortionsInputs.each_g"]),
    (check::PIGMENT_G, &["BottledAmount.pigment_g", "ColourButterRequest.pigment_g"]),
    (check::PIGMENT_STRENGTH, &["PigmentInputs.strength"]),
    (
        check::PIPED_MM,
        &[
            "PipedInputs.length_mm",
            "PipedRequest.length_mm",
            "SecondColour.length_mm",
            "WrapPattern.length_mm",
            "WrapSheetRequest.length_mm",
        ],
    ),
    (check::PLACE_C, &["PlaceRequest.temp_c"]),
    (check::POINTS, &["ShapeInputs.points"]),
    (
        check::PRICE_PER_KG,
        &[
            "ChocolateInputs.price_per_kg",
            "PigmentInputs.price_per_100g",
            "CostPartRequest.price_per_kg",
        ],
    ),
    (check::PACK_PRICE, &["GoodsInputs.pack_price", "CostCountRequest.price", "PackRequest.price"]),
    (check::PACK, &["GoodsInputs.pack_size", "PackRequest.amount"]),
    (
        check::PROBE_C,
        &[
            "Facts.limit_c",
            "Facts.lost_c",
            "Facts.max_c",
            "Facts.poured_c",
            "Facts.work_c",
            "CoolingReading.temp_c",
            "CoolingRequest.targets_c",
            "NewReading.temp_c",
            "ReadyCrystalsRequest.temp_c",
            "SavedReading.temp_c",
        ],
    ),
    (check::RECORD_S, &["CoolingReading.t_s"]),
    (check::REFLECTANCE, &["GroundRequest.reflectance"]),
    (
        check::RH_PCT,
        &[
            "Facts.rh_pct",
            "FridgeRequest.rh_pct",
            "KitchenInputs.rh_pct",
            "PlanInputs.rh_pct",
            "RoomRequest.rh_pct",
        ],
    ),
    (check::RIBBON_MM, &["RibbonsInputs.thickness_mm"]),
    (check::RIM_MM, &["TrayInputs.rim_mm"]),
    (
        check::ROOM_C,
        &[
            "Facts.room_c",
            "BowlInputs.room_c",
            "CoolingRequest.room_c",
            "FridgeRequest.room_c",
            "KitchenInputs.room_c",
            "PlanInputs.room_c",
            "RoomRequest.temp_c",
            "SeedRequest.room_c",
        ],
    ),
    (check::SETTING_PACE, &["GearNumbers.setting_pace", "PlanInputs.setting_pace"]),
    (
        check::TEMPERING_PACE,
        &[
            "GearNumbers.tempering_pace",
            "TemperingPace.least",
            "TemperingPace.most",
            "TemperingPace.typical",
        ],
    ),
    (
        check::SHARE_PCT,
        &["AccentInputs.share_pct", "BlendPart.share_pct", "SugarInputs.whitened_pct"],
    ),
    (check::SHELL_MM, &["ShellRequest.shell_mm", "WallInputs.shell_mm"]),
    (
        check::SLAB_MM,
        &[
            "CoverInputs.thickness_mm",
            "FridgeRequest.thickness_mm",
            "LayerInputs.thickness_mm",
            "SettingRequest.thickness_mm",
            "SlabRequest.thickness_mm",
            "SugarInputs.thickness_mm",
            "WrapInputs.thickness_mm",
            "WrapRequest.thickness_mm",
        ],
    ),
    (check::SOLID_C, &["BowlInputs.seed_c", "SeedRequest.seed_c"]),
    (check::SPILL_PCT, &["WrapInputs.spill_pct", "WrapRequest.spill_pct"]),
    (check::SPOKES, &["ShapeInputs.spokes"]),
    (check::START_C, &["MicrowaveRequest.start_c"]),
    (check::STOCK_G, &["NewThing.left"]),
    (check::STONE_C, &["BowlInputs.stone_c", "KitchenInputs.stone_c"]),
    (check::STONE_KG, &["FrozenInputs.weighs_kg", "RibbonsInputs.stone_kg"]),
    (check::STRIPS, &["WrapInputs.strips"]),
    (check::STRIP_MM, &["RibbonsInputs.length_mm", "RibbonsInputs.width_mm"]),
    (check::STROKES, &["MarbledInputs.strokes"]),
    (check::TINT_DROPS, &["TintInputs.drops_per_100_g"]),
    (check::TINT_PCT, &["TintInputs.share_pct"]),
    (
        check::TOPPING_G,
        &[
            "InsideInputs.each_g",
            "GoodsInputs.each_g",
            "MixedAmount.each_g",
            "StuckOnInputs.each_g",
            "ToppingInputs.each_g",
        ],
    ),
    (check::TOPPING_MM, &["GoodsInputs.across_mm", "ToppingInputs.across_mm"]),
    (check::TOPPING_SHARE_PCT, &["ToppingWish.share_pct"]),
    (check::TRAY_CM2, &["OutlineAnswer.area_cm2", "TrayInputs.area_cm2"]),
    (
        check::TRAY_MM,
        &[
            "OutlineAnswer.diameter_mm",
            "OutlineAnswer.length_mm",
            "OutlineAnswer.width_mm",
            "TrayInputs.diameter_mm",
            "TrayInputs.length_mm",
            "TrayInputs.width_mm",
        ],
    ),
    (check::VEINS, &["ShapeInputs.veins"]),
    (check::VESSEL_MM, &["DipRequest.vessel_mm", "DippedInputs.vessel_mm", "ToeInputs.vessel_mm"]),
    (check::WAIT_S, &["WallInputs.wait_s", "Weighing.wait_s"]),
    (check::WEIGHED_G, &["Entry.grams"]),
    (check::WORKED_C, &["FridgeRequest.start_c", "SlabSplitRequest.slab_c"]),
];

/// Declares at each number the bounds that the core checks it by.
pub fn declare(document: &mut Value) {
    for (bounds, fields) in TAKEN {
        for field in *fields {
            let found = field.split_once('.').is_some_and(|(of, name)| {
                schema(document, of).is_some_and(|schema| put(schema, name, bounds))
            });
            debug_assert!(found, "{field} is no number of the description");
        }
    }
}

/// Puts bounds at a property of a schema, wherever the schema has it.
fn put(schema: &mut Value, name: &str, bounds: &Bounds) -> bool {
    let mut found = false;
    if let Some(property) = schema.pointer_mut(&format!("/properties/{name}")) {
        let number =
            if property.get("items").is_some() { &mut property["items"] } else { property };
        number["minimum"] = json!(bounds.min);
        number["maximum"] = json!(bounds.max);
        found = true;
    }
    let variants = schema.get_mut("oneOf").and_then(Value::as_array_mut);
    for variant in variants.into_iter().flatten() {
        found |= put(variant, name, bounds);
    }
    found
}
