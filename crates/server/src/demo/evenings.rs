//! What is made at Quillmere, and how it went.

use craft::boxes::{InEach, Portion};
use craft::cause::Cause;
use craft::chocolate::Family;
use craft::colour::Way;
use craft::dip::DippedShape;
use craft::filling::Ingredient;
use craft::method::{Kitchen, Method};
use craft::pantry::Spooned;
use craft::plan::{
    BowlInputs, PackedAs, PackingInputs, PlanInputs, RecipeInputs, RecipePart, WatchFor,
    WrappingInputs,
};
use craft::result::{
    BloomTests, Gloss, Look, Looks, Released, Rubbed, Snap, Stored, StoredIn, Streaks, Wetted,
};
use craft::shell::{MouldInputs, ShellWay};
use craft::work::{
    AccentInputs, CapInputs, CastInputs, CentreKind, ClustersInputs, CoatsSet, ColourInputs,
    ColourKind, CoverInputs, DippedInputs, FiguresInputs, FillingInputs, FilmInputs, HollowFor,
    HollowsInputs, InsideInputs, Lining, MadeCentres, MarbledInputs, MixedAmount, OutlineInputs,
    PipedInputs, PipedShape, ShapeInputs, ShapedBy, SheetFinish, SheetInputs, SheetShape,
    ShellsInputs, SlabInputs, ToneFill, ToneInputs, ToppingInputs, ToppingWish, TrayInputs,
    WallInputs, WorkInputs,
};

use super::pieces::{bowl, folded, ingredient, made, scattered, slab, tray};
use super::shelf::{
    ALMONDS, BERRIES, BLUE, BOXES, CEREAL, CHERRIES, CUPS, GOLD, LONG_PROBE, LOW_POWER, MOONS,
    OWLS, PLANETS, STARS, WHITE_COLOUR, shelf_id,
};

/// How an evening of the demo went.
pub(super) enum Went {
    /// Not yet at the bench.
    Planned,
    /// Planned, and to be ready for the open night on a Saturday, the first that is far enough off.
    DueOnSaturday,
    /// Still at the bench, held where seeding is under way.
    AtBench,
    /// Poured, with looks at what came out: hours after, and what was seen.
    Poured(Vec<(i64, Look)>),
    /// The same, of a bowl that was left alone on its way down.
    CalledAway(Vec<(i64, Look)>),
    /// Poured after a first test that showed streaks.
    AtSecondTry(Vec<(i64, Look)>),
    /// Given up.
    Lost(&'static str),
}

/// One of the demo's batches.
pub(super) struct Sheet {
    pub name: &'static str,
    pub note: &'static str,
    pub days_ago: i64,
    pub inputs: PlanInputs,
    pub went: Went,
}

pub(super) const GOOD: Looks = Looks {
    gloss: Gloss::Glossy,
    snap: Snap::Clean,
    released: Released::Freely,
    streaks: Streaks::None,
};
pub(super) const FAIR: Looks = Looks {
    gloss: Gloss::Satin,
    snap: Snap::Clean,
    released: Released::Freely,
    streaks: Streaks::Some,
};

/// A look at all of it, with a remark.
pub(super) fn seen(looks: Looks, note: &str) -> Look {
    Look { note: note.to_owned(), ..Look::at_all(looks) }
}

/// What stood in the warm for a week: fat bloom, by both tests.
fn bloomed() -> Look {
    let looks = Looks {
        gloss: Gloss::Dull,
        snap: Snap::Soft,
        released: Released::Freely,
        streaks: Streaks::Some,
    };
    Look {
        bloom: BloomTests { rubbed: Some(Rubbed::WipesOff), wetted: Some(Wetted::Beads) },
        stored: Stored { place: Some(StoredIn::Warm), temp_c: Some(27.0) },
        ..seen(
            looks,
            "A week in the tin on the shelf over the radiator. The rest of it was eaten in time.",
        )
    }
}

/// One slab of one chocolate.
pub(super) fn inputs(
    family: Family,
    tray: TrayInputs,
    thickness_mm: f64,
    room_c: f64,
    rh_pct: f64,
) -> PlanInputs {
    PlanInputs {
        room_c,
        rh_pct,
        fridge_c: Some(5.0),
        setting_pace: None,
        tempering_pace: None,
        labels: Vec::new(),
        trays: Vec::new(),
        watch_for: Vec::new(),
        spares: Vec::new(),
        packing: None,
        when: None,
        bowls: vec![bowl(family)],
        components: vec![made(
            "slab",
            "Slab of bark",
            WorkInputs::Slab(slab(family, tray, thickness_mm)),
        )],
    }
}

/// The same with what was learned from one before.
fn learned(plan: PlanInputs, cause: Cause) -> PlanInputs {
    let watch_for = plan.components.iter().map(|made| made.key.clone());
    let watch_for = watch_for.map(|component| WatchFor { component, cause }).collect();
    PlanInputs { watch_for, ..plan }
}

/// The same with something on top, so that every piece gets some.
fn topped(
    family: Family,
    tray: TrayInputs,
    thickness_mm: f64,
    toppings: Vec<ToppingInputs>,
) -> PlanInputs {
    let slab = SlabInputs {
        toppings,
        piece_cm2: Some(12.0),
        texture: None,
        lining: Lining::Acetate,
        ..slab(family, tray, thickness_mm)
    };
    let mut inputs = inputs(family, tray, thickness_mm, 20.5, 47.0);
    inputs.components[0].work = WorkInputs::Slab(slab);
    inputs
}

/// Milk bark by ready crystals.
fn by_ready_crystals() -> PlanInputs {
    let mut inputs = inputs(Family::Milk, tray(260.0, 180.0), 4.0, 19.5, 44.0);
    inputs.bowls[0].method = Method::find("ready_crystals");
    inputs.bowls[0].kitchen = Kitchen { ready_crystals: true, ..Kitchen::default() };
    inputs
}

/// The big evening: three things from three chocolates.
fn open_night() -> PlanInputs {
    let nebula = WorkInputs::Marbled(MarbledInputs {
        base: "dark".to_owned(),
        accents: vec![
            AccentInputs {
                chocolate: "white".to_owned(),
                share_pct: 22.0,
                colour: Some(ColourInputs { kind: ColourKind::Oil, srgb: "#6a5acd".to_owned() }),
            },
            AccentInputs { chocolate: "milk".to_owned(), share_pct: 14.0, colour: None },
        ],
        cover: CoverInputs::Thickness { tray: tray(360.0, 260.0), thickness_mm: 4.0 },
        strokes: 9,
        toppings: Vec::new(),
        lining: Lining::Acetate,
        piece_cm2: Some(20.0),
        texture: None,
    });
    let comets = WorkInputs::Clusters(ClustersInputs {
        chocolate: "milk".to_owned(),
        mixed_in: vec![
            folded(CEREAL, "flake cereal", MixedAmount::Parts { parts: 0.28 }),
            folded(
                CHERRIES,
                "dried sour cherries",
                MixedAmount::Spooned { count: 3.0, of: Spooned::Tablespoon },
            ),
        ],
        count: 24,
        each_g: 12.0,
        salted: true,
    });
    let outline = |outline, width_mm, count| OutlineInputs {
        outline,
        width_mm,
        count,
        features: Vec::new(),
        bridged: false,
    };
    let constellations = WorkInputs::Piped(PipedInputs {
        chocolate: "white".to_owned(),
        shape: PipedShape::Outlines,
        length_mm: 420.0,
        line_mm: 4.0,
        count: 12,
        flooded: None,
        frozen: None,
        second: None,
        outlines: Some(vec![
            outline(ShapeInputs::Star { points: 5, inner_pct: 45.0 }, 55.0, 8),
            outline(ShapeInputs::Moon { lit_pct: 28.0 }, 40.0, 6),
            outline(ShapeInputs::Ring { spokes: 6 }, 60.0, 3),
            outline(ShapeInputs::Word { text: "Quillmere".to_owned(), bar: true }, 170.0, 2),
        ]),
    });
    PlanInputs {
        room_c: 19.5,
        rh_pct: 45.0,
        fridge_c: Some(5.0),
        setting_pace: None,
        tempering_pace: None,
        labels: Vec::new(),
        trays: Vec::new(),
        watch_for: Vec::new(),
        spares: Vec::new(),
        packing: None,
        when: None,
        bowls: [Family::Dark, Family::Milk, Family::White].into_iter().map(bowl).collect(),
        components: vec![
            made("nebula", "Nebula marble", nebula),
            made("comets", "Comet clusters", comets),
            made("constellations", "Piped constellations", constellations),
        ],
    }
}

/// A colour from the shelf.
fn colour(key: &str, pigment: u64, parts_per_100: f64) -> BowlInputs {
    let part = RecipePart { pigment_id: Some(shelf_id(pigment)), pigment: None, parts_per_100 };
    BowlInputs {
        key: key.to_owned(),
        colour: Some(RecipeInputs { pigments: vec![part], strained: false }),
        heat_id: Some(shelf_id(LOW_POWER)),
        thermometer_id: Some(shelf_id(LONG_PROBE)),
        ..BowlInputs::usual(Family::CocoaButter)
    }
}

fn film(colour: &str, way: Way, share_pct: f64) -> FilmInputs {
    FilmInputs { share_pct, ..FilmInputs::all_over(colour, way) }
}

fn cast(
    chocolate: &str,
    mould: u64,
    casts: u32,
    shell_mm: f64,
    colours: Vec<FilmInputs>,
) -> CastInputs {
    CastInputs {
        chocolate: chocolate.to_owned(),
        mould_id: Some(shelf_id(mould)),
        // What is on the shelf takes its place.
        mould: MouldInputs::hemispheres(30.0, 1),
        casts,
        wanted: None,
        colours,
        colour_rest_h: None,
        smear: None,
        way: ShellWay::Dump,
        between: CoatsSet::Room,
        wall: WallInputs::Wished { shell_mm },
    }
}

fn in_each(component: &str, portion: Portion) -> InEach {
    let (pieces, grams) = match portion {
        Portion::Pieces(pieces) => (Some(pieces), None),
        Portion::Grams(grams) => (None, Some(grams)),
    };
    InEach { component: component.to_owned(), pieces, grams }
}

fn wrapping(goods: u64, name: &str, count: f64) -> WrappingInputs {
    WrappingInputs { name: name.to_owned(), goods_id: Some(shelf_id(goods)), count }
}

/// Three days of shells: colours, planets with ganache, moons, owls, comets on sticks
/// and a painted sheet.
fn three_days() -> PlanInputs {
    let planets = WorkInputs::Shells(ShellsInputs {
        cast: cast(
            "dark",
            PLANETS,
            1,
            2.2,
            vec![
                film("gold", Way::Fleck, 18.0),
                film("blue", Way::Brush, 100.0),
                film("white colour", Way::Brush, 100.0),
            ],
        ),
        filling: Some(FillingInputs::Ganache {
            family: Family::Dark,
            ratio: 1.5,
            butter_pct: 6.0,
            infusion: Some("orange peel".to_owned()),
            each_g: None,
        }),
        cap: Some(CapInputs { chocolate: None, cap_mm: 1.8 }),
        painted: Vec::new(),
    });
    let moons = WorkInputs::Hollows(HollowsInputs {
        cast: cast("white", MOONS, 1, 2.6, Vec::new()),
        inside: vec![
            InsideInputs {
                name: "sugar stars".to_owned(),
                each_ml: 0.15,
                each_g: 0.2,
                count: 40,
                across_mm: 7.0,
                not_food: false,
                made_here: false,
            },
            InsideInputs {
                name: "a rolled-up riddle".to_owned(),
                each_ml: 2.0,
                each_g: 0.6,
                count: 1,
                across_mm: 42.0,
                not_food: true,
                made_here: false,
            },
        ],
        purpose: HollowFor::Eating,
        stuck_on: Vec::new(),
        painted: Vec::new(),
    });
    let owls = WorkInputs::Figures(FiguresInputs {
        cast: cast("dark", OWLS, 1, 3.0, Vec::new()),
        tones: vec![ToneInputs {
            region: Some("face".to_owned()),
            chocolate: "white".to_owned(),
            fill: ToneFill::default(),
        }],
        inside: Vec::new(),
        base: None,
        dipped: None,
        stuck_on: Vec::new(),
        painted: Vec::new(),
    });
    let comets = WorkInputs::Dipped(DippedInputs {
        chocolate: "dark".to_owned(),
        name: "truffle comets".to_owned(),
        centre: CentreKind::Truffle,
        shape: DippedShape { diameter_mm: Some(28.0), ..DippedShape::default() },
        each_g: 13.0,
        centre_c: 14.0,
        count: 18,
        coat_mm: None,
        vessel_mm: 68.0,
        swirl: Some("white".to_owned()),
        sticks: true,
        made: Some(MadeCentres {
            parts: vec![
                ingredient(Ingredient::Dark, 220.0),
                ingredient(Ingredient::Cream, 100.0),
                ingredient(Ingredient::Butter, 12.0),
            ],
            shaped_by: ShapedBy::Rolling,
            steeped: None,
        }),
    });
    let phases = WorkInputs::Sheet(SheetInputs {
        chocolate: "dark".to_owned(),
        cover: CoverInputs::Thickness { tray: tray(260.0, 180.0), thickness_mm: 1.8 },
        finish: SheetFinish::Painted,
        shape: SheetShape::Flat,
        piece_cm2: 12.0,
        colours: vec![film("gold", Way::Sheet, 35.0), film("white colour", Way::Sheet, 100.0)],
    });
    PlanInputs {
        room_c: 19.5,
        rh_pct: 45.0,
        fridge_c: Some(5.0),
        setting_pace: None,
        tempering_pace: None,
        labels: Vec::new(),
        trays: Vec::new(),
        watch_for: Vec::new(),
        spares: Vec::new(),
        packing: Some(PackingInputs {
            of: PackedAs::Boxes,
            count: 9.0,
            each: vec![
                in_each("planets", Portion::Pieces(2.0)),
                in_each("comets", Portion::Pieces(1.0)),
                in_each("phases", Portion::Grams(12.0)),
            ],
            spare_pct: None,
            holds_g: None,
            wrapping: vec![wrapping(BOXES, "gift boxes", 1.0), wrapping(CUPS, "paper cups", 2.0)],
        }),
        when: None,
        bowls: vec![
            bowl(Family::Dark),
            bowl(Family::White),
            colour("blue", BLUE, 10.0),
            colour("gold", GOLD, 7.0),
            colour("white colour", WHITE_COLOUR, 10.0),
        ],
        components: vec![
            made("planets", "Planets with orange ganache", planets),
            made("moons", "Moons with a riddle", moons),
            made("owls", "Owls in two tones", owls),
            made("comets", "Comets on sticks", comets),
            made("phases", "Moon phases on a painted sheet", phases),
        ],
    }
}

#[allow(clippy::too_many_lines)] // a table
pub(super) fn sheets() -> Vec<Sheet> {
    vec![
        Sheet {
            name: "Nebula sheet for the telescope queue",
            note: "Thin, to be broken small. Violet petals on top.",
            days_ago: 0,
            inputs: topped(
                Family::Dark,
                tray(360.0, 260.0),
                3.5,
                vec![
                    scattered(
                        BERRIES,
                        "freeze-dried berry bits",
                        ToppingWish::Pieces { piece_cm2: 12.0 },
                    ),
                    scattered(
                        ALMONDS,
                        "flaked almonds",
                        ToppingWish::Spooned { count: 0.25, of: Spooned::Cup },
                    ),
                    scattered(STARS, "sugar stars", ToppingWish::Count { count: 60 }),
                ],
            ),
            went: Went::Planned,
        },
        Sheet {
            name: "Full-moon rounds, white",
            note: "One round tin first, to see how far a bag goes.",
            days_ago: 0,
            inputs: inputs(
                Family::White,
                TrayInputs::Round { diameter_mm: 240.0, rim_mm: None },
                4.0,
                19.5,
                44.0,
            ),
            went: Went::Planned,
        },
        Sheet {
            name: "Dark bark under a scatter of stars",
            note: "Main tray for the open night. Sugar stars go on at once.",
            days_ago: 0,
            inputs: inputs(Family::Dark, tray(300.0, 200.0), 4.0, 20.0, 45.0),
            went: Went::AtBench,
        },
        Sheet {
            name: "Milk bark for the youngest visitors",
            note: "No nuts in this one; made before the hazelnut tray.",
            days_ago: 2,
            inputs: inputs(Family::Milk, tray(300.0, 200.0), 4.5, 19.0, 48.0),
            went: Went::CalledAway(vec![
                (1, seen(FAIR, "A few pale swirls where I stopped stirring to answer the door.")),
                (25, seen(FAIR, "Snaps well. The swirls stay.")),
            ]),
        },
        Sheet {
            name: "Youngest visitors' milk bark, second go",
            note: "Stirred all the way down, with somebody else at the door.",
            days_ago: 1,
            inputs: learned(
                inputs(Family::Milk, tray(300.0, 200.0), 4.5, 19.0, 47.0),
                Cause::PoorStirring,
            ),
            went: Went::Poured(vec![(20, seen(GOOD, "No swirls this time."))]),
        },
        Sheet {
            name: "Hazelnut dark, gift pieces",
            note: "Roasted the day before, so the nuts were cold.",
            days_ago: 3,
            inputs: inputs(Family::Dark, tray(400.0, 300.0), 5.0, 19.5, 42.0),
            went: Went::Poured(vec![
                (2, seen(GOOD, "Let go of the sheet by itself.")),
                (26, seen(GOOD, "Best gloss so far: cool room, foil-smooth sheet.")),
            ]),
        },
        Sheet {
            name: "White sheet for moon phases",
            note: "",
            days_ago: 5,
            inputs: inputs(Family::White, tray(260.0, 180.0), 3.0, 21.0, 52.0),
            went: Went::Lost(
                "Called to the door in the middle of a burst of two and a half minutes: tan, grainy, smelt of caramel. Into the bin.",
            ),
        },
        Sheet {
            name: "White sheet, second go",
            note: "Lower power, short bursts, never left it.",
            days_ago: 4,
            inputs: inputs(Family::White, tray(260.0, 180.0), 3.0, 20.0, 50.0),
            went: Went::Poured(vec![(24, seen(GOOD, "Clean white, no streaks."))]),
        },
        Sheet {
            name: "Ruby bark with dried sour cherries",
            note: "For the raffle tins.",
            days_ago: 7,
            inputs: inputs(Family::Ruby, tray(300.0, 200.0), 4.0, 20.0, 46.0),
            went: Went::AtSecondTry(vec![
                (
                    3,
                    seen(
                        GOOD,
                        "First smear streaked; a little more seed and two minutes of stirring mended it.",
                    ),
                ),
                (27, seen(GOOD, "")),
            ]),
        },
        Sheet {
            name: "Trial slab, first try at seeding",
            note: "Small, to learn the feel of it.",
            days_ago: 12,
            inputs: inputs(Family::Dark, tray(200.0, 150.0), 4.0, 22.5, 57.0),
            went: Went::Poured(vec![
                (
                    24,
                    seen(
                        Looks {
                            gloss: Gloss::Satin,
                            snap: Snap::Soft,
                            released: Released::InPlaces,
                            streaks: Streaks::None,
                        },
                        "The room was warm and damp. Next time in the evening.",
                    ),
                ),
                (204, bloomed()),
            ]),
        },
        Sheet {
            name: "Milk comets, with ready crystals",
            note: "A small jar of ready crystals is left from the winter course.",
            days_ago: 6,
            inputs: by_ready_crystals(),
            went: Went::Poured(vec![(
                25,
                seen(GOOD, "No seeding, no lumps; it only took its time to come down."),
            )]),
        },
        Sheet {
            name: "Striped planets for small hands",
            note: "Coating, so that the children could help to spread it.",
            days_ago: 9,
            inputs: inputs(Family::Coating, tray(240.0, 160.0), 4.0, 20.0, 46.0),
            went: Went::Poured(vec![(
                3,
                seen(
                    Looks {
                        gloss: Gloss::Satin,
                        snap: Snap::Clean,
                        released: Released::Freely,
                        streaks: Streaks::None,
                    },
                    "No mirror, but no tears either. Hands washed before and after.",
                ),
            )]),
        },
        Sheet {
            name: "Nebula, comets and constellations",
            note: "For the long table on the open night. Three bowls, one after the other.",
            days_ago: 0,
            inputs: open_night(),
            went: Went::Planned,
        },
        Sheet {
            name: "Three days of planets",
            note: "Colour on Thursday, shells on Friday, filled and capped on Saturday before the doors open.",
            days_ago: 0,
            inputs: three_days(),
            went: Went::DueOnSaturday,
        },
    ]
}
