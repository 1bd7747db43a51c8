//! Shells, hollows, figures, dipped pieces, and the colours on their faces.

use super::*;
use crate::plan::{RecipePart, TintInputs};
use crate::shell::{Coat, ShellWay};

fn shells(change: impl FnOnce(&mut ShellsInputs)) -> WorkInputs {
    let WorkInputs::Shells(mut shells) = start("Filled shells") else { unreachable!() };
    change(&mut shells);
    WorkInputs::Shells(shells)
}

fn close(a: f64, b: f64, by: f64) -> bool {
    (a - b).abs() <= by
}

#[test]
fn filled_shells_take_what_geometry_and_custom_say() {
    let plan = plan(shells(|_| {}));
    let draft = &it(&plan).draft;
    let cast = draft.shown.cast.as_ref().expect("it is cast");
    // Half a ball of 30 mm with a wall of 1.8: 2/3·π·(1.5³ − 1.32³) ml of dark.
    let each = 2.0 / 3.0 * std::f64::consts::PI * (1.5f64.powi(3) - 1.32f64.powi(3)) * 1.29;
    assert!(close(in_grams(cast.each), each, 1e-6), "{:?}", cast.each);
    let cap = std::f64::consts::PI * 1.5 * 1.5 * 0.18 * 1.29;
    assert!(close(takes(&plan, "dark"), 24.0 * (each + cap), 1e-6));
    // Each film: 24 · 2π·1.5² cm² · 0.01 cm · 0.97 / 0.9.
    let film = 24.0 * 2.0 * std::f64::consts::PI * 2.25 * 0.01 * 0.97 / 0.9;
    assert!(close(takes(&plan, "blue"), film, 1e-6));
    let in_filling: f64 =
        draft.goods.iter().filter(|g| g.goes == "in the filling").map(|g| in_grams(g.mass)).sum();
    let room = crate::units::in_millilitres(cast.filling);
    // Three parts, each as the scale shows it.
    assert!((in_filling - 24.0 * room * 1.18 * 1.08).abs() < 1.5, "{in_filling}");
    assert!(draft.said.keeps.as_ref().is_some_and(|keeps| keeps.text.text().contains("10 days")));
    assert!(codes(&plan).contains(&"perishable"));
}

#[test]
fn more_is_at_hand_than_is_kept_and_comes_back() {
    let plan = plan(shells(|_| {}));
    let dark = plan.bowls.iter().find(|b| b.key == "dark").expect("dark");
    let total = in_grams(dark.plan.as_ref().expect("tempered").total);
    // 24 · 7.069 ml · 1.29 · 0.97 and 15 g that stay behind.
    assert!(close(total, 24.0 * 7.0686 * 1.29 * 0.97 + 15.0, 0.05), "{total}");
    assert!(close(in_grams(dark.returned), total - 15.0 - in_grams(dark.needed), 1e-6));
    // A colour is made for its tool, not with fifteen grams more.
    let blue = plan.bowls.iter().find(|b| b.key == "blue").expect("blue");
    assert!(close(in_grams(blue.plan.as_ref().expect("made").total), 5.0, 1e-9));
    let recipe = blue.plan.as_ref().and_then(|p| p.colour.as_ref()).expect("a recipe");
    assert!(close(in_grams(recipe.amounts.pigment) * 10.0, in_grams(recipe.amounts.butter), 1e-9));
    // A second cast is filled with what the first gave back.
    let twice = super::plan(shells(|shells| shells.cast.casts = 2));
    let twice = twice.bowls.iter().find(|b| b.key == "dark").expect("dark");
    let twice = in_grams(twice.plan.as_ref().expect("tempered").total);
    assert!(twice > total && twice < total * 1.5, "{twice}");
}

#[test]
fn what_comes_back_from_shells_makes_the_bark() {
    let mut with_bark = inputs(shells(|_| {}));
    let shells_alone = Plan::of(&with_bark).expect("a plan");
    let weighed = |plan: &Plan| in_grams(plan.bowls[0].plan.as_ref().expect("dark").total);
    with_bark.components.push(ComponentInputs {
        key: "bark".to_owned(),
        name: "Bark".to_owned(),
        work: WorkInputs::Slab(slab(CoverInputs::Spread { in_hand_g: 60.0, thickness_mm: 4.0 })),
    });
    let both = Plan::of(&with_bark).expect("a plan");
    assert!(close(weighed(&shells_alone), weighed(&both), 1e-9));
    assert!(both.bowls[0].returned < shells_alone.bowls[0].returned);
}

#[test]
fn the_order_of_work_is_colour_rest_shell_night_fill_crust_cap() {
    let plan = plan(shells(|_| {}));
    let keys: Vec<_> = it(&plan).tasks.iter().map(|task| task.key.as_str()).collect();
    assert_eq!(
        keys,
        [
            "polish",
            "colour-1",
            "colour-2",
            "wipe",
            "pour",
            "knock",
            "dump",
            "stand",
            "touch-rim",
            "scrape",
            "ganache",
            "fill",
            "cap",
            "touch-dry",
            "fridge-in",
            "fridge-out",
            "peel"
        ]
    );
    let task = |key: &str| it(&plan).tasks.iter().find(|t| t.key == key).expect("such a task");
    let pour = task("pour");
    assert_eq!(pour.since.as_deref(), Some("colour-2"));
    assert!(close(
        in_seconds(pour.from.as_ref().expect("waits").moment.typical),
        6.0 * 3_600.0,
        1e-6
    ));
    let caution = task("colour-1").caution.as_ref().expect("minded");
    assert!(caution.text().contains("sold for eating"));
    let stay = it(&plan).fridge.as_ref().and_then(|stay| stay.advised).expect("a short chill");
    let minutes = in_seconds(stay) / 60.0;
    assert!((4.0..12.0).contains(&minutes), "{minutes}");
}

#[test]
fn what_goes_in_first_is_seen_and_a_wrong_order_is_named() {
    let right = plan(shells(|_| {}));
    assert!(!codes(&right).contains(&"upside-down") && !codes(&right).contains(&"sinks"));
    let face = it(&right).draft.shown.face.as_ref().expect("coloured");
    assert!(face.films.iter().all(|film| film.seen));
    let wrong = plan(shells(|shells| shells.cast.colours.reverse()));
    let told =
        it(&wrong).draft.said.notes.iter().find(|n| n.code == "upside-down").expect("it is said");
    assert_eq!(told.level, Level::Stop);
    assert!(told.text().contains("blue first, then white colour"), "{}", told.text());
    let alone = plan(shells(|shells| {
        shells.cast.colours.pop();
    }));
    assert!(codes(&alone).contains(&"sinks"));
    let part = &it(&alone).draft.shown.face.as_ref().expect("coloured").parts[0];
    assert_ne!(part.looks, part.backed);
    // Flecks behind a field that hides are not seen either.
    let flecked = plan(shells(|shells| {
        let fleck = FilmInputs {
            share_pct: 20.0,
            ..FilmInputs::all_over("blue", crate::colour::Way::Fleck)
        };
        shells.cast.colours[0] = FilmInputs::all_over("white colour", crate::colour::Way::Brush);
        shells.cast.colours[1] = fleck;
    }));
    assert!(codes(&flecked).contains(&"upside-down"), "{:?}", codes(&flecked));
}

#[test]
fn two_films_of_the_same_white_are_one_too_many_and_not_upside_down() {
    let plan = plan(shells(|shells| {
        shells.cast.colours[0] = FilmInputs {
            passes: 8,
            ..FilmInputs::all_over("white colour", crate::colour::Way::Brush)
        };
        shells.cast.colours[1] = shells.cast.colours[0].clone();
    }));
    assert!(codes(&plan).contains(&"not-seen") && !codes(&plan).contains(&"upside-down"));
}

#[test]
fn a_wished_wall_tells_the_wait_and_a_wait_tells_the_wall() {
    let wished = plan(shells(|shells| shells.cast.wall = WallInputs::Wished { shell_mm: 2.1 }));
    let cast = it(&wished).draft.shown.cast.clone().expect("it is cast");
    let Coat::Dumped { wait: Some(wait) } = cast.coat else { panic!("{:?}", cast.coat) };
    assert!(close(in_seconds(wait), 40.0, 1e-6));
    let waited = plan(shells(|shells| {
        shells.cast.wall = WallInputs::Waited { wait_s: 40.0, poured_c: None };
    }));
    let shell = it(&waited).draft.shown.cast.clone().expect("it is cast").shell;
    assert!(close(in_millimetres(shell), 2.1, 1e-9));
    let brushed = plan(shells(|shells| shells.cast.way = ShellWay::Brush));
    assert_eq!(
        it(&brushed).draft.shown.cast.as_ref().map(|c| c.coat),
        Some(Coat::Brushed { coats: 2 })
    );
    assert!(it(&brushed).tasks.iter().any(|task| task.key == "coat-2"));
    assert!(in_grams(brushed.bowls[0].returned) < 1e-9);
    let told = faults(shells(|shells| {
        shells.cast.way = ShellWay::Brush;
        shells.cast.wall = WallInputs::Waited { wait_s: 40.0, poured_c: None };
    }));
    assert!(told[0].starts_with("components[0].work.cast.wall.wait_s goes with filling"));
}

#[test]
fn what_cannot_be_cast_is_refused_where_it_was_stated() {
    let small = faults(shells(|shells| {
        shells.cast.mould.cavity.diameter_mm = Some(10.0);
        shells.cast.wall = WallInputs::Wished { shell_mm: 5.5 };
    }));
    assert!(
        small[0].starts_with(
            "components[0].work.cast.wall.shell_mm must be less than the cavity's radius of 5.0 mm"
        ),
        "{small:?}"
    );
    let full = faults(shells(|shells| {
        let Some(FillingInputs::Ganache { each_g, .. }) = &mut shells.filling else { return };
        *each_g = Some(40.0);
    }));
    assert!(full[0].starts_with("components[0].work.filling.each_g must be at most"), "{full:?}");
    let none = faults(shells(|shells| shells.cast.mould.count = 0));
    assert_eq!(none[0], "components[0].work.cast.mould.count must be 1 to 500 cavities; it is 0");
    let stranger = faults(shells(|shells| shells.cast.colours[0].colour = "dark".to_owned()));
    assert!(
        stranger[0].contains("must name a coloured cocoa butter of this batch"),
        "{stranger:?}"
    );
    let cap = faults(shells(|shells| shells.filling = None));
    assert!(cap[0].starts_with("components[0].work.cap closes a filling"), "{cap:?}");
}

fn hollows(change: impl FnOnce(&mut HollowsInputs)) -> WorkInputs {
    let WorkInputs::Hollows(mut hollows) = start("Joined hollows") else { unreachable!() };
    change(&mut hollows);
    WorkInputs::Hollows(hollows)
}

#[test]
fn a_hollow_is_two_halves_and_holds_what_fits() {
    let plan = plan(hollows(|_| {}));
    let draft = &it(&plan).draft;
    assert_eq!(draft.size.pieces.expect("pairs").count, 6.0);
    assert!(it(&plan).tasks.iter().any(|task| task.key == "join"));
    let told = faults(hollows(|hollows| hollows.inside[0].each_ml = 400.0));
    assert!(told[0].starts_with("components[0].work.inside must fit:"), "{told:?}");
    assert!(told[0].contains("A mould 100 mm across would do"), "{told:?}");
    let one = faults(hollows(|hollows| {
        hollows.cast.casts = 1;
        hollows.cast.mould.count = 1;
    }));
    assert!(one[0].contains("two halves at least"), "{one:?}");
}

#[test]
fn purposes_have_their_cautions() {
    let of = |purpose, diameter_mm: f64| {
        plan(hollows(|hollows| {
            hollows.purpose = purpose;
            hollows.cast.mould.cavity.diameter_mm = Some(diameter_mm);
            hollows.inside[0].each_ml = 5.0;
            hollows.inside[0].not_food = true;
        }))
    };
    let small = of(HollowFor::Drink, 50.0);
    assert!(codes(&small).contains(&"drink-small") && codes(&small).contains(&"not-food-inside"));
    assert!(codes(&of(HollowFor::Drink, 60.0)).contains(&"drink-milk"));
    let hung = of(HollowFor::Ornament, 60.0);
    assert!(codes(&hung).contains(&"ornament"));
    assert!(it(&hung).tasks.iter().any(|task| task.key == "hook" && task.caution.is_some()));
}

#[test]
fn tones_set_before_the_body_goes_in() {
    let plan = plan(start("Two-tone figures"));
    // 130 cm² · 25 % · 0.09 cm · 1.26, twice.
    assert!(close(takes(&plan, "white"), 2.0 * 130.0 * 0.25 * 0.09 * 1.26, 1e-6));
    let keys: Vec<_> = it(&plan).tasks.iter().map(|task| task.key.as_str()).collect();
    let place = |key: &str| keys.iter().position(|k| *k == key).expect("such a task");
    assert!(place("tone-1") < place("touch-tone-1") && place("touch-tone-1") < place("pour"));
    assert!(it(&plan).draft.shown.face.as_ref().is_some_and(|face| face.parts.len() == 2));
    let WorkInputs::Figures(mut figures) = start("Two-tone figures") else { unreachable!() };
    figures.tones[0].region = Some("hat".to_owned());
    let told = faults(WorkInputs::Figures(figures));
    assert!(told[0].starts_with("components[0].work.tones[0].region must be a region"), "{told:?}");
}

fn dipped(change: impl FnOnce(&mut DippedInputs)) -> WorkInputs {
    let WorkInputs::Dipped(mut dipped) = start("Dipped pieces") else { unreachable!() };
    change(&mut dipped);
    WorkInputs::Dipped(dipped)
}

#[test]
fn dips_need_depth_and_give_it_back() {
    let plan = plan(dipped(|dipped| dipped.swirl = Some("white".to_owned())));
    let coat = std::f64::consts::PI * 2.8 * 2.8 * 0.13;
    let coats = 24.0 * coat * 1.29;
    assert!(close(takes(&plan, "dark"), 0.75 * coats, 1e-6));
    assert!(close(takes(&plan, "white"), 0.25 * coats, 1e-6));
    assert!(plan.bowls[0].returned > Mass::default());
    assert!(codes(&plan).contains(&"sticks"));
    let frozen = super::plan(dipped(|dipped| dipped.centre_c = -18.0));
    assert!(codes(&frozen).contains(&"centre-cold"));
    let told = faults(dipped(|dipped| dipped.vessel_mm = 25.0));
    assert!(told[0].starts_with("components[0].work.vessel_mm must be wider"), "{told:?}");
}

#[test]
fn a_painted_sheet_takes_its_colours() {
    let WorkInputs::Sheet(sheet) = start("Sheet: shapes, shards, curls") else { unreachable!() };
    let planned = plan(WorkInputs::Sheet(sheet.clone()));
    // 600 cm² · 60 % · 0.012 cm · 0.97 / 0.9.
    assert!(close(takes(&planned, "blue"), 600.0 * 0.6 * 0.012 * 0.97 / 0.9, 1e-6));
    let face = it(&planned).draft.shown.face.as_ref().expect("painted");
    assert_eq!(face.parts[0].flecks.len(), 1);
    let plain = SheetInputs { finish: SheetFinish::Plain, ..sheet };
    assert!(faults(WorkInputs::Sheet(plain))[0].contains("colours go with a painted"));
}

#[test]
fn tints_take_from_their_colour_and_stay_under_their_limit() {
    let mut tinted = inputs(shells(|_| {}));
    let dark = tinted.bowls.iter_mut().find(|b| b.key == "dark").expect("dark");
    dark.tint =
        Some(TintInputs { colour: "blue".to_owned(), share_pct: 4.0, drops_per_100_g: None });
    let planned = Plan::of(&tinted).expect("a plan");
    let total = |key: &str| {
        let bowl = planned.bowls.iter().find(|b| b.key == key).expect("it is there");
        in_grams(bowl.plan.as_ref().expect("made").total)
    };
    assert!(close(total("blue"), 5.0 + 0.04 * total("dark"), 1e-6));
    let told = |change: &dyn Fn(&mut TintInputs)| {
        let mut inputs = tinted.clone();
        let tint = inputs.bowls.iter_mut().find_map(|b| b.tint.as_mut()).expect("tinted");
        change(tint);
        Plan::of(&inputs).expect_err("refused")[0].field.clone()
    };
    assert!(told(&|tint| tint.share_pct = 21.0).ends_with("tint.share_pct"));
    assert!(told(&|tint| tint.colour = "red".to_owned()).ends_with("tint.colour"));
}

#[test]
fn recipes_are_refused_part_by_part() {
    let mut inputs = inputs(shells(|_| {}));
    let blue = inputs.bowls.iter().position(|b| b.key == "blue").expect("blue");
    let recipe = inputs.bowls[blue].colour.as_mut().expect("a recipe");
    recipe.pigments[0].parts_per_100 = 18.0;
    let second = RecipePart { parts_per_100: 4.0, ..recipe.pigments[0].clone() };
    recipe.pigments.push(second);
    let told = Plan::of(&inputs).expect_err("too thick");
    assert!(
        told[0].message.text().contains("blocks and will not flow; they come to 22"),
        "{told:?}"
    );
    inputs.bowls[blue].colour.as_mut().expect("a recipe").pigments[1].pigment = None;
    let told = Plan::of(&inputs).expect_err("no pigment");
    assert!(
        told.iter().any(|f| f.message.text() == "is needed, or pigment_id of one from the shelf")
    );
    let dark = inputs.bowls.iter().position(|b| b.key == "dark").expect("dark");
    inputs.bowls[dark].colour = inputs.bowls[blue].colour.clone();
    let told = Plan::of(&inputs).expect_err("no cocoa butter");
    assert!(told.iter().any(|f| f.field == format!("bowls[{dark}].colour")), "{told:?}");
}

#[test]
fn a_bottle_is_made_from_what_is_in_hand() {
    let of = |amount| WorkInputs::Bottled(BottledInputs { colour: "blue".to_owned(), amount });
    // Ten parts to a hundred of butter, whichever of the three is known.
    for amount in [
        BottledAmount::Total { total_g: 88.0 },
        BottledAmount::Butter { butter_g: 80.0 },
        BottledAmount::Pigment { pigment_g: 8.0 },
    ] {
        let plan = plan(of(amount));
        let blue = plan.bowls.iter().find_map(|bowl| bowl.plan.as_ref()?.colour.as_ref());
        let amounts = blue.expect("a colour").amounts;
        assert!(close(in_grams(amounts.butter), 80.0, 1e-6), "{amounts:?}");
        assert!(close(in_grams(amounts.pigment), 8.0, 1e-6), "{amounts:?}");
    }
    let told = faults(of(BottledAmount::Pigment { pigment_g: 0.0 }));
    assert!(told[0].contains("must be 0.01 to 2000 g; it is 0"), "{told:?}");
    let dark = WorkInputs::Bottled(BottledInputs {
        colour: "dark".to_owned(),
        amount: BottledAmount::Total { total_g: 40.0 },
    });
    assert!(faults(dark)[0].contains("must name a coloured cocoa butter"));
}
