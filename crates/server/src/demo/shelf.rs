//! What stands on the shelf at Quillmere.

use chrono::{DateTime, TimeDelta, Utc};
use craft::allergens::{Allergen, LabelInputs};
use craft::chocolate::Family;
use craft::colour::{FoodStatus, PigmentInputs, usual_pigments};
use craft::heat::Material;
use craft::method::Kitchen;
use craft::pantry::{self, CountedIn, GoodsInputs, Sort};
use craft::plan::{BlendPart, MicrowaveInputs, OwnInputs};
use craft::schedule::Weekly;
use craft::shelf::{
    ChocolateInputs, HeatInputs, KitchenInputs, MouldInputs, OffsetCheck, Shelf, ThermometerInputs,
    Thing, TrayInputs, WareInputs,
};
use craft::shell::{self, CavityInputs, RegionInputs, Weighing};
use craft::time::WallTime;
use craft::work;
use store::stock::MoveRow;
use store::{Connection, StoreError};
use uuid::Uuid;

pub(super) const GLASS_BOWL: u64 = 1;
const STEEL_BOWL: u64 = 2;
pub(super) const HALF_POWER: u64 = 3;
pub(super) const LOW_POWER: u64 = 4;
const WATER_BATH: u64 = 5;
pub(super) const LONG_PROBE: u64 = 6;
const DIAL: u64 = 7;
const ENAMEL_TRAY: u64 = 8;
const SHEET_PAN: u64 = 9;
const BIG_DARK: u64 = 11;
const MILK: u64 = 12;
const WHITE: u64 = 13;
const RUBY: u64 = 14;
const COMET_BLEND: u64 = 15;
const BUTTER: u64 = 16;
pub(super) const BLUE: u64 = 21;
pub(super) const GOLD: u64 = 22;
pub(super) const WHITE_COLOUR: u64 = 23;
const RED: u64 = 24;
pub(super) const CEREAL: u64 = 41;
pub(super) const CHERRIES: u64 = 42;
pub(super) const BERRIES: u64 = 43;
pub(super) const ALMONDS: u64 = 44;
pub(super) const STARS: u64 = 45;
const CREAM: u64 = 46;
const SUGAR: u64 = 47;
const GLUCOSE: u64 = 48;
const BAGS: u64 = 49;
const ACETATE: u64 = 50;
pub(super) const BOXES: u64 = 51;
pub(super) const CUPS: u64 = 52;
pub(super) const PLANETS: u64 = 31;
pub(super) const MOONS: u64 = 32;
pub(super) const OWLS: u64 = 33;

pub(super) fn shelf_id(number: u64) -> Uuid {
    Uuid::from_u64_pair(0x5711_0000_0000_7000, 0x9000_0000_0000_0000 | number)
}

pub(super) fn chocolate_of(family: Family) -> Option<Uuid> {
    let number = match family {
        Family::Dark => BIG_DARK,
        Family::Milk => MILK,
        Family::White => WHITE,
        Family::Ruby => RUBY,
        Family::Blond | Family::CocoaButter | Family::Coating => return None,
    };
    Some(shelf_id(number))
}

fn chocolate(name: &str, family: Family, flow_grade: u8, price_per_kg: f64) -> ChocolateInputs {
    ChocolateInputs {
        name: name.to_owned(),
        looks: None,
        family,
        blend: None,
        own: OwnInputs::default(),
        flow_grade: Some(flow_grade),
        lot: String::new(),
        best_before: None,
        price_per_kg: Some(price_per_kg),
        pack_g: Some(1_000.0),
        label: String::new(),
        allergens: None,
    }
}

/// What a label says of allergens.
fn says(contains: &[Allergen], may_contain: &[Allergen]) -> Option<LabelInputs> {
    Some(LabelInputs { contains: contains.to_vec(), may_contain: may_contain.to_vec() })
}

fn ware(name: &str, material: Material, mass_g: f64) -> Thing {
    Thing::Ware(WareInputs { name: name.to_owned(), material, mass_g, how_many: None })
}

fn tray(name: &str, length_mm: f64, width_mm: f64, rim_mm: f64) -> Thing {
    let shape = work::TrayInputs::Rectangle { length_mm, width_mm, rim_mm: Some(rim_mm) };
    Thing::Tray(TrayInputs { name: name.to_owned(), shape, how_many: None })
}

/// A usual pigment, its label read.
fn pigment(usual: &str, name: &str, price_per_100g: f64) -> Thing {
    let found = usual_pigments().into_iter().find(|pigment| pigment.name == usual);
    let usual = found.unwrap_or_else(|| unreachable!("{usual} is a usual pigment"));
    Thing::Pigment(PigmentInputs {
        name: name.to_owned(),
        food: FoodStatus::ForEating,
        price_per_100g: Some(price_per_100g),
        ..usual
    })
}

fn mould(name: &str, mould: shell::MouldInputs) -> Thing {
    Thing::Mould(MouldInputs { name: name.to_owned(), mould, how_many: None })
}

/// Common goods in a pack of so much, at a price.
fn goods(usual: &str, (size, price): (f64, f64)) -> GoodsInputs {
    let found = pantry::usual().into_iter().find(|goods| goods.name == usual);
    let usual = found.unwrap_or_else(|| unreachable!("{usual} is on the list"));
    GoodsInputs { pack_size: Some(size), pack_price: Some(price), ..usual }
}

/// Packaging in a pack of so many, at a price.
fn packaging(name: &str, (size, price): (f64, f64)) -> GoodsInputs {
    GoodsInputs {
        sort: Sort::Packaging,
        pack_size: Some(size),
        pack_price: Some(price),
        ..GoodsInputs::called(name, CountedIn::Pieces)
    }
}

/// What stands in the pantry, and how much of it.
fn in_the_pantry(now: DateTime<Utc>) -> Vec<(u64, Thing, Option<f64>)> {
    let days = |days: i64| Some((now + TimeDelta::days(days)).date_naive());
    let stars = GoodsInputs { unit: CountedIn::Pieces, ..goods("sugar stars", (500.0, 3.2)) };
    let things = [
        (
            CEREAL,
            GoodsInputs {
                allergens: says(&[Allergen::Gluten], &[Allergen::Nuts]),
                ..goods("flake cereal", (375.0, 2.9))
            },
            310.0,
        ),
        (CHERRIES, goods("dried sour cherries", (200.0, 5.4)), 160.0),
        (
            BERRIES,
            GoodsInputs {
                best_before: days(9),
                allergens: says(&[], &[]),
                ..goods("freeze-dried berry bits", (40.0, 4.8))
            },
            22.0,
        ),
        (
            ALMONDS,
            GoodsInputs {
                allergens: says(&[Allergen::Nuts], &[Allergen::Peanuts]),
                ..goods("flaked almonds", (150.0, 3.6))
            },
            90.0,
        ),
        (STARS, GoodsInputs { allergens: says(&[], &[]), ..stars }, 240.0),
        (
            CREAM,
            GoodsInputs {
                best_before: days(4),
                allergens: says(&[Allergen::Milk], &[]),
                ..goods("cream", (250.0, 1.9))
            },
            250.0,
        ),
        (SUGAR, goods("sugar", (1_000.0, 1.3)), 740.0),
        (GLUCOSE, goods("glucose syrup", (350.0, 4.1)), 200.0),
        (BAGS, goods("clear bags", (50.0, 6.5)), 34.0),
        (ACETATE, goods("acetate sheets", (10.0, 7.9)), 6.0),
        (BOXES, packaging("gift boxes", (12.0, 9.6)), 7.0),
        (CUPS, packaging("paper cups", (100.0, 3.4)), 60.0),
    ];
    things.into_iter().map(|(number, of, left)| (number, Thing::Goods(of), Some(left))).collect()
}

/// A mould that was weighed once: its shells came out thicker than foretold.
fn planets() -> shell::MouldInputs {
    shell::MouldInputs {
        weighings: vec![Weighing {
            family: Family::Dark,
            flow_grade: Some(3),
            poured_c: Some(31.4),
            wait_s: 20.0,
            empty_g: 612.0,
            lined_g: 690.0,
        }],
        ..shell::MouldInputs::hemispheres(30.0, 24)
    }
}

fn owls() -> shell::MouldInputs {
    let region = |name: &str, share_pct| RegionInputs { name: name.to_owned(), share_pct };
    shell::MouldInputs {
        cavity: CavityInputs {
            volume_ml: Some(96.0),
            area_cm2: Some(118.0),
            opening_cm2: Some(24.0),
            ..CavityInputs::default()
        },
        regions: vec![region("face", 22.0), region("body", 78.0)],
        ..shell::MouldInputs::hemispheres(60.0, 2)
    }
}

fn heat(name: &str, power: Option<f64>) -> Thing {
    let microwave = power.map(|power| MicrowaveInputs { watts: 800.0, power });
    Thing::Heat(HeatInputs { name: name.to_owned(), microwave, how_many: None })
}

/// What stands on the shelf, and how much of each chocolate before the first of
/// the evenings.
fn things(now: DateTime<Utc>) -> Vec<(u64, Thing, Option<f64>)> {
    let days = |days: i64| Some((now + TimeDelta::days(days)).date_naive());
    vec![
        (GLASS_BOWL, ware("Blue glass bowl", Material::Glass, 620.0), None),
        (STEEL_BOWL, ware("Steel bowl with the ring", Material::Steel, 310.0), None),
        (HALF_POWER, heat("Dome kitchen microwave, half power", Some(0.5)), None),
        (LOW_POWER, heat("Dome kitchen microwave, low", Some(0.35)), None),
        (WATER_BATH, heat("Water bath on the camp stove", None), None),
        (
            LONG_PROBE,
            Thing::Thermometer(ThermometerInputs {
                name: "Long probe".to_owned(),
                checked_in: Some(OffsetCheck::IceWater),
                showed_c: Some(-0.4),
            }),
            None,
        ),
        (
            DIAL,
            Thing::Thermometer(ThermometerInputs {
                name: "Dial from the drawer".to_owned(),
                checked_in: None,
                showed_c: None,
            }),
            None,
        ),
        (ENAMEL_TRAY, tray("Enamel tray with the chip", 300.0, 200.0, 18.0), None),
        (SHEET_PAN, tray("Long sheet pan", 360.0, 260.0, 22.0), None),
        (
            BIG_DARK,
            Thing::Chocolate(ChocolateInputs {
                own: OwnInputs {
                    work_c: Some([30.8, 31.8]),
                    fat_pct: Some(38.5),
                    ..OwnInputs::default()
                },
                lot: "Q 118".to_owned(),
                best_before: days(260),
                label:
                    "Cocoa mass, sugar, cocoa butter, emulsifier (lecithins, sunflower), vanilla. \
                        May contain nuts and milk."
                        .to_owned(),
                allergens: says(&[], &[Allergen::Nuts, Allergen::Milk]),
                pack_g: Some(2_500.0),
                ..chocolate("Dark 66 %, the big bag", Family::Dark, 3, 13.9)
            }),
            Some(3_000.0),
        ),
        (
            MILK,
            Thing::Chocolate(ChocolateInputs {
                best_before: days(11),
                label: "Sugar, cocoa butter, whole milk powder, cocoa mass, emulsifier (soya \
                        lecithin)."
                    .to_owned(),
                allergens: says(&[Allergen::Milk, Allergen::Soya], &[Allergen::Nuts]),
                ..chocolate("Milk 38 %", Family::Milk, 3, 12.5)
            }),
            Some(1_500.0),
        ),
        (
            WHITE,
            Thing::Chocolate(ChocolateInputs {
                best_before: days(150),
                label: "Sugar, cocoa butter, whole milk powder, skimmed milk powder, emulsifier \
                        (lecithins), vanilla."
                    .to_owned(),
                allergens: says(&[Allergen::Milk], &[]),
                ..chocolate("White 31 %, for the moons", Family::White, 4, 14.2)
            }),
            Some(480.0),
        ),
        (RUBY, Thing::Chocolate(chocolate("Ruby drops", Family::Ruby, 2, 21.0)), Some(900.0)),
        (
            BUTTER,
            Thing::Chocolate(ChocolateInputs {
                flow_grade: None,
                pack_g: Some(200.0),
                label: "Cocoa butter.".to_owned(),
                allergens: says(&[], &[]),
                ..chocolate("Cocoa butter buttons", Family::CocoaButter, 3, 24.0)
            }),
            Some(140.0),
        ),
        (
            COMET_BLEND,
            Thing::Chocolate(ChocolateInputs {
                blend: Some(vec![
                    BlendPart { family: Family::Dark, share_pct: 60.0 },
                    BlendPart { family: Family::Milk, share_pct: 40.0 },
                ]),
                allergens: says(&[Allergen::Milk], &[Allergen::Nuts]),
                ..chocolate("Comet blend", Family::Dark, 3, 13.3)
            }),
            None,
        ),
        (BLUE, pigment("Blue lake", "Night blue lake", 24.0), None),
        (GOLD, pigment("Gold mica", "Gold mica", 38.0), None),
        (WHITE_COLOUR, pigment("Titanium white", "Titanium white", 16.0), None),
        (RED, pigment("Red lake", "Mars red lake", 26.0), None),
        (PLANETS, mould("Planets, 24 half balls", planets()), None),
        (MOONS, mould("Moons, 6 half balls", shell::MouldInputs::hemispheres(70.0, 6)), None),
        (OWLS, mould("Two owls", owls()), None),
        (
            0,
            Thing::Kitchen(KitchenInputs {
                room_c: Some(20.0),
                rh_pct: Some(45.0),
                stone_c: Some(17.5),
                fridge_c: Some(5.0),
                fridge_holds: Some(3),
                at_hand: Kitchen { fine_scale: true, ..Kitchen::default() },
                zone: None,
                hours: vec![
                    weekly(&[1, 2, 3, 4, 5], "16:30", "22:30"),
                    weekly(&[6, 7], "09:00", "22:00"),
                ],
                except: Vec::new(),
                currency: "€".to_owned(),
                hour_price: None,
                kwh_price: Some(0.32),
                margin_pct: Some(30.0),
                maker: "Quillmere Observatory, the kitchen under the dome".to_owned(),
                address: "Dome Lane 3, Quillmere".to_owned(),
                label_sheet: None,
            }),
            None,
        ),
    ]
}

fn weekly(weekdays: &[u8], from: &str, to: &str) -> Weekly {
    Weekly { weekdays: weekdays.to_vec(), from: from.to_owned(), to: to.to_owned() }
}

/// Fills the shelf.
pub(super) async fn load(tx: &mut Connection, now: WallTime) -> Result<(), StoreError> {
    for (number, thing, left) in things(now.0).into_iter().chain(in_the_pantry(now.0)) {
        if matches!(thing, Thing::Kitchen(_)) {
            let kitchen = store::shelf::get(&mut *tx, Shelf::KITCHEN).await?;
            store::shelf::update(tx, Shelf::KITCHEN, kitchen.version, &thing).await?;
            continue;
        }
        let id = shelf_id(number);
        store::shelf::insert(tx, id, &thing, id, now).await?;
        if let Some(left) = left {
            let counted = MoveRow::first_count(id, left, now.0);
            store::stock::append(tx, &counted).await?;
        }
    }
    Ok(())
}
