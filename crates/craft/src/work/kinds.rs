//! The kinds of work in words, each with where its plan starts.

use super::{
    AccentInputs, ClustersInputs, CoverInputs, LayerInputs, LayeredInputs, Lining, MarbledInputs,
    MixedInInputs, PipedInputs, PipedShape, RibbonsInputs, ShardPattern, ShardsInputs, SheetFinish,
    SheetInputs, SheetShape, SlabInputs, SugarInputs, ToppingInputs, ToppingWish, TrayInputs,
    WorkInputs, WrapInputs,
};
use super::{
    BottledAmount, BottledInputs, CapInputs, CastInputs, CentreKind, DippedInputs, FiguresInputs,
    FillingInputs, FilmInputs, HollowFor, HollowsInputs, InsideInputs, ShellsInputs, ToneInputs,
    WallInputs,
};
use crate::chocolate::Family;
use crate::colour::{USUAL_PARTS, Way, usual_pigments};
use crate::dip::DippedShape;
use crate::plan::BowlInputs;
use crate::shell::{CAP_MM, CavityInputs, MouldInputs, RegionInputs, ShellWay};
use crate::spread::mixed;
use crate::spread::topping;

/// A kind of work in words.
#[derive(Clone, Debug, PartialEq)]
pub struct Kind {
    /// Its name on screen.
    pub name: &'static str,
    /// What it is, in a sentence.
    pub how: &'static str,
    /// The chocolates that its start is made from; in `start` they go by their
    /// family's name.
    pub families: &'static [Family],
    /// The colours that its start is made with, as bowls of their own.
    pub colours: Vec<BowlInputs>,
    /// Where its plan starts.
    pub start: WorkInputs,
}

const DARK: &[Family] = &[Family::Dark];
const DARK_AND_WHITE: &[Family] = &[Family::Dark, Family::White];

fn tray() -> TrayInputs {
    TrayInputs::Rectangle { length_mm: 300.0, width_mm: 200.0, rim_mm: None }
}

fn cover(thickness_mm: f64) -> CoverInputs {
    CoverInputs::Thickness { tray: tray(), thickness_mm }
}

fn dark() -> String {
    Family::Dark.to_string()
}

fn white() -> String {
    Family::White.to_string()
}

/// Dry goods as they usually are, in a ratio that binds well.
fn goods() -> MixedInInputs {
    let [(name, density_g_cm3), ..] = mixed::USUAL;
    MixedInInputs { name: name.to_owned(), parts: 0.5, density_g_cm3 }
}

/// By custom about an eighth of the chocolate.
fn topped() -> ToppingInputs {
    let [_, (name, across_mm, each_g), ..] = topping::USUAL;
    ToppingInputs {
        name: name.to_owned(),
        across_mm,
        each_g,
        wish: ToppingWish::Share { share_pct: 12.5 },
    }
}

/// Every kind, in the order in which they are offered.
#[must_use]
#[allow(clippy::too_many_lines)] // a table
pub fn kinds() -> Vec<Kind> {
    vec![
        Kind {
            name: "Slab of bark",
            how: "Poured, spread, topped, broken by hand.",
            families: DARK,
            colours: Vec::new(),
            start: WorkInputs::Slab(SlabInputs {
                chocolate: dark(),
                cover: cover(4.0),
                mixed_in: None,
                topping: None,
                lining: Lining::Parchment,
                piece_cm2: None,
            }),
        },
        Kind {
            name: "Mixed-in bark",
            how: "Dry goods folded in, then spread.",
            families: DARK,
            colours: Vec::new(),
            start: WorkInputs::Slab(SlabInputs {
                chocolate: dark(),
                cover: cover(7.0),
                mixed_in: Some(goods()),
                topping: None,
                lining: Lining::Parchment,
                piece_cm2: None,
            }),
        },
        Kind {
            name: "Clusters",
            how: "Dry goods bound by chocolate, spooned into mounds.",
            families: DARK,
            colours: Vec::new(),
            start: WorkInputs::Clusters(ClustersInputs {
                chocolate: dark(),
                mixed_in: goods(),
                count: 24,
                each_g: 12.0,
                salted: false,
            }),
        },
        Kind {
            name: "Layered bark",
            how: "Two to four chocolates, one over the other.",
            families: DARK_AND_WHITE,
            colours: Vec::new(),
            start: WorkInputs::Layered(LayeredInputs {
                tray: tray(),
                layers: [dark(), white()]
                    .map(|chocolate| LayerInputs { chocolate, thickness_mm: 3.0 })
                    .into(),
                topping: Some(topped()),
                lining: Lining::Parchment,
                piece_cm2: None,
            }),
        },
        Kind {
            name: "Marbled bark",
            how: "A base with others drawn through it.",
            families: DARK_AND_WHITE,
            colours: Vec::new(),
            start: WorkInputs::Marbled(MarbledInputs {
                base: dark(),
                accents: vec![AccentInputs { chocolate: white(), share_pct: 30.0, colour: None }],
                cover: cover(4.0),
                strokes: 8,
                topping: None,
                lining: Lining::Acetate,
                piece_cm2: None,
            }),
        },
        Kind {
            name: "Scored shards",
            how: "Scored while soft, broken along the marks.",
            families: DARK,
            colours: Vec::new(),
            start: WorkInputs::Shards(ShardsInputs {
                chocolate: dark(),
                cover: cover(4.0),
                topping: None,
                lining: Lining::Parchment,
                piece_cm2: 20.0,
                pattern: ShardPattern::Uneven,
            }),
        },
        Kind {
            name: "Sheet: shapes, shards, curls",
            how: "Thin, on a painted, flecked, printed or plain sheet.",
            families: DARK,
            colours: vec![colour("blue", "Blue lake"), colour("white colour", "Titanium white")],
            start: WorkInputs::Sheet(SheetInputs {
                chocolate: dark(),
                cover: cover(1.5),
                finish: SheetFinish::Painted,
                shape: SheetShape::Shards,
                piece_cm2: 12.0,
                colours: vec![
                    FilmInputs { share_pct: 60.0, ..FilmInputs::all_over("blue", Way::Sheet) },
                    FilmInputs::all_over("white colour", Way::Sheet),
                ],
            }),
        },
        Kind {
            name: "Wrap round a cake",
            how: "A strip, lifted while it bends.",
            families: DARK,
            colours: Vec::new(),
            start: WorkInputs::Wrap(WrapInputs {
                chocolate: dark(),
                diameter_mm: 180.0,
                cake_mm: 90.0,
                height_mm: 105.0,
                thickness_mm: 2.0,
                overlap_mm: None,
                spill_pct: None,
                pattern: None,
            }),
        },
        Kind {
            name: "Piped pieces",
            how: "Outlines, lattices, nests, bowls over ice.",
            families: DARK,
            colours: Vec::new(),
            start: WorkInputs::Piped(PipedInputs {
                chocolate: dark(),
                shape: PipedShape::Outlines,
                length_mm: 320.0,
                line_mm: 4.0,
                count: 12,
                second: None,
                outlines: None,
            }),
        },
        Kind {
            name: "Ribbons from a frozen slab",
            how: "Spread on a frozen stone, lifted within seconds.",
            families: DARK,
            colours: Vec::new(),
            start: WorkInputs::Ribbons(RibbonsInputs {
                chocolate: dark(),
                length_mm: 250.0,
                width_mm: 40.0,
                thickness_mm: 1.0,
                count: 6,
                stone_kg: 6.0,
                stone_c: -18.0,
            }),
        },
        Kind {
            name: "Boiled-sugar sheet",
            how: "Clear as ice. The hottest thing in this kitchen.",
            families: &[],
            colours: Vec::new(),
            start: WorkInputs::Sugar(SugarInputs {
                tray: tray(),
                thickness_mm: 4.0,
                altitude_m: None,
                whitened_pct: None,
                piece_cm2: 20.0,
            }),
        },
        Kind {
            name: "Filled shells",
            how: "Glossy shells from a mould, coloured, filled, capped.",
            families: DARK,
            colours: vec![colour("blue", "Blue lake"), colour("white colour", "Titanium white")],
            start: WorkInputs::Shells(ShellsInputs {
                cast: CastInputs {
                    colours: vec![
                        FilmInputs::all_over("blue", Way::Brush),
                        FilmInputs::all_over("white colour", Way::Brush),
                    ],
                    ..cast(MouldInputs::hemispheres(30.0, 24), 1.8)
                },
                filling: Some(FillingInputs::Ganache {
                    family: Family::Dark,
                    ratio: 1.5,
                    butter_pct: 0.0,
                    infusion: None,
                    each_g: None,
                }),
                cap: Some(CapInputs { chocolate: None, cap_mm: CAP_MM }),
            }),
        },
        Kind {
            name: "Joined hollows",
            how: "Two halves joined, with something dry between them: gifts, drink bombs, ornaments.",
            families: DARK,
            colours: Vec::new(),
            start: WorkInputs::Hollows(HollowsInputs {
                cast: CastInputs { casts: 2, ..cast(MouldInputs::hemispheres(60.0, 6), 2.5) },
                inside: vec![InsideInputs {
                    name: "puffed cereal".to_owned(),
                    each_ml: 25.0,
                    each_g: 2.0,
                    count: 1,
                    across_mm: 8.0,
                    not_food: false,
                }],
                purpose: HollowFor::Eating,
            }),
        },
        Kind {
            name: "Figures of several tones",
            how: "Each region of a mould in its own chocolate, set before the next.",
            families: DARK_AND_WHITE,
            colours: Vec::new(),
            start: WorkInputs::Figures(FiguresInputs {
                cast: cast(
                    MouldInputs {
                        cavity: CavityInputs {
                            volume_ml: Some(120.0),
                            area_cm2: Some(130.0),
                            opening_cm2: Some(28.0),
                            ..CavityInputs::default()
                        },
                        regions: vec![
                            RegionInputs { name: "face".to_owned(), share_pct: 25.0 },
                            RegionInputs { name: "body".to_owned(), share_pct: 75.0 },
                        ],
                        ..MouldInputs::hemispheres(60.0, 2)
                    },
                    3.0,
                ),
                tones: vec![ToneInputs { region: "face".to_owned(), chocolate: white() }],
            }),
        },
        Kind {
            name: "Dipped things",
            how: "Truffles on sticks, fruit, biscuits; in one chocolate or two.",
            families: DARK,
            colours: Vec::new(),
            start: WorkInputs::Dipped(DippedInputs {
                chocolate: dark(),
                name: "truffles".to_owned(),
                centre: CentreKind::Truffle,
                shape: DippedShape { diameter_mm: Some(28.0), ..DippedShape::default() },
                each_g: 13.0,
                centre_c: 14.0,
                count: 24,
                coat_mm: None,
                vessel_mm: 70.0,
                swirl: None,
                sticks: true,
            }),
        },
        Kind {
            name: "Colour to keep",
            how: "Coloured cocoa butter, tempered and bottled, from what is in hand.",
            families: &[],
            colours: vec![colour("blue", "Blue lake")],
            start: WorkInputs::Bottled(BottledInputs {
                colour: "blue".to_owned(),
                amount: BottledAmount::Total { total_g: 60.0 },
            }),
        },
    ]
}

/// A mould filled and dumped once with dark, without colour.
fn cast(mould: MouldInputs, shell_mm: f64) -> CastInputs {
    CastInputs {
        chocolate: dark(),
        mould_id: None,
        mould,
        casts: 1,
        colours: Vec::new(),
        way: ShellWay::Dump,
        wall: WallInputs::Wished { shell_mm },
    }
}

/// A usual pigment in cocoa butter, ten parts to a hundred.
fn colour(key: &str, name: &str) -> BowlInputs {
    let pigment = usual_pigments().into_iter().find(|pigment| pigment.name == name);
    BowlInputs::coloured(key, pigment.expect("it is on the list"), USUAL_PARTS)
}
