//! One chocolate to be tempered, as the maker states it: numbers with their unit
//! in the name. Checking turns them into typed quantities or tells every fault.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

use super::blend::are_fats_mixed;
use super::recipe::{Recipe, RecipeInputs, RecipePart, TintInputs};
use super::{BlendPart, MicrowaveInputs, OwnInputs, WareInputs, family_or_blend};
use crate::allergens::LabelInputs;
use crate::catalogue::plan as say;
use crate::check::{self, Checker};
use crate::chocolate::{AddedFatInputs, Chocolate, Family};
use crate::colour::{PigmentInputs, check_looks};
use crate::heat::Vessel;
use crate::heat::microwave::Microwave;
use crate::learn::GearNumbers;
use crate::message::names;
use crate::method::{Kitchen, Method, READY_SHARE_PCT};
use crate::units::{
    Mass, Temperature, TemperatureDifference, Time, celsius, degrees, grams, minutes,
};

/// The longest name of a chocolate within its batch.
pub(super) const LONGEST_KEY: usize = 40;
/// A good room, °C.
pub(super) const USUAL_ROOM_C: f64 = 20.0;

/// A chocolate to be tempered, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct BowlInputs {
    /// What the batch's components call it.
    pub key: String,
    /// What the maker calls it; by what it is, if left out.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub name: Option<String>,
    /// The chocolate that it is taken from once that is in temper, by its key: a part of that
    /// bowl, tinted or plain. All that is said here of its tempering goes by that bowl's.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub taken_from: Option<String>,
    /// The chocolate.
    pub family: Family,
    /// How it looks, `#rrggbb`: coating and wafers come in any colour. As its family does, if
    /// left out; filled in from the shelf.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub looks: Option<String>,
    /// A blend in its place.
    #[serde(default)]
    pub blend: Option<Vec<BlendPart>>,
    /// The maker's own numbers for it.
    #[serde(default)]
    pub own: OwnInputs,
    /// A chocolate from the shelf in place of family and blend, its own numbers
    /// under those given here.
    #[serde(default)]
    pub chocolate_id: Option<Uuid>,
    /// A bowl from the shelf, in place of `bowl`.
    #[serde(default)]
    pub ware_id: Option<Uuid>,
    /// A microwave or water bath from the shelf, in place of `microwave`.
    #[serde(default)]
    pub heat_id: Option<Uuid>,
    /// A thermometer from the shelf, in place of `offset_c`.
    #[serde(default)]
    pub thermometer_id: Option<Uuid>,
    /// What was learned of the gear; filled in from the shelf.
    #[serde(default)]
    pub learned: GearNumbers,
    /// What the thermometer reads too little.
    #[serde(default)]
    pub offset_c: Option<f64>,
    /// What the chocolate's label says of allergens; filled in from the shelf.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub label: Option<LabelInputs>,
    /// How it is tempered; the one to recommend, if left out.
    #[serde(default)]
    pub method: Option<Method>,
    /// What is at hand.
    #[serde(default)]
    pub kitchen: Kitchen,
    /// The stone's temperature; the room's if left out.
    #[serde(default)]
    pub stone_c: Option<f64>,
    /// Ready crystals as a share of the mass; one per cent if left out.
    #[serde(default)]
    pub crystals_pct: Option<f64>,
    /// How much is weighed out; in a batch as much as is made from it, if left out.
    #[serde(default)]
    pub total_g: Option<f64>,
    /// The room's temperature; in a batch the batch's, if left out.
    #[serde(default)]
    pub room_c: Option<f64>,
    /// Where the melt stops; the method's own if left out.
    #[serde(default)]
    pub melt_to_c: Option<f64>,
    /// Where the cooling aims; the method's own if left out.
    #[serde(default)]
    pub target_c: Option<f64>,
    /// The seed's temperature; the room's if left out.
    #[serde(default)]
    pub seed_c: Option<f64>,
    /// The bowl, where its heat is to be counted.
    #[serde(default)]
    pub bowl: Option<WareInputs>,
    /// The microwave, where one is used.
    #[serde(default)]
    pub microwave: Option<MicrowaveInputs>,
    /// How long the cooling usually takes, where the loss to the room is to be
    /// counted.
    #[serde(default)]
    pub cooling_min: Option<f64>,
    /// What colours it, where it is coloured cocoa butter.
    #[serde(default)]
    pub colour: Option<RecipeInputs>,
    /// Coloured cocoa butter that is stirred into it once it is in temper.
    #[serde(default)]
    pub tint: Option<TintInputs>,
    /// Oil, butter or coconut fat that is stirred into it as it melts.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    pub fat_added: Option<AddedFatInputs>,
    /// How freely it flows, 1 thick to 5 thin; filled in from the shelf.
    #[serde(default)]
    pub flow_grade: Option<u8>,
}

/// Checked inputs, typed.
#[derive(Clone, Debug, PartialEq)]
pub(super) struct Tempering {
    pub chocolate: Chocolate,
    /// The maker's choice, if there was one.
    pub method: Option<Method>,
    pub kitchen: Kitchen,
    pub stone: Temperature,
    pub crystals_pct: f64,
    /// What the maker weighs out, if that is stated.
    pub total: Option<Mass>,
    pub room: Temperature,
    pub melt_to: Option<Temperature>,
    pub target: Option<Temperature>,
    pub seed_temp: Temperature,
    /// The field to mend where the seed is too warm.
    pub seed_field: &'static str,
    pub ware: Option<Vessel>,
    pub microwave: Option<Microwave>,
    pub learned: GearNumbers,
    pub offset: TemperatureDifference,
    pub cooling: Option<Time>,
    pub recipe: Option<Recipe>,
    pub fat_added: Option<AddedFatInputs>,
    /// Whether it is a blend of coating and what is tempered.
    pub fats_mixed: bool,
}

impl BowlInputs {
    /// Where a plan starts before the maker says anything: melted in an 800 W
    /// microwave at half power.
    #[must_use]
    pub fn usual(family: Family) -> Self {
        Self {
            key: family.to_string(),
            name: None,
            taken_from: None,
            family,
            looks: None,
            blend: None,
            own: OwnInputs::default(),
            chocolate_id: None,
            ware_id: None,
            heat_id: None,
            thermometer_id: None,
            learned: GearNumbers::default(),
            offset_c: None,
            label: None,
            method: None,
            kitchen: Kitchen::default(),
            stone_c: None,
            crystals_pct: None,
            total_g: None,
            room_c: None,
            melt_to_c: None,
            target_c: None,
            seed_c: None,
            bowl: None,
            microwave: Some(MicrowaveInputs { watts: 800.0, power: 0.5 }),
            cooling_min: None,
            colour: None,
            tint: None,
            fat_added: None,
            flow_grade: None,
        }
    }

    /// A coloured cocoa butter, made here.
    #[must_use]
    pub fn coloured(key: &str, pigment: PigmentInputs, parts_per_100: f64) -> Self {
        let part = RecipePart { pigment_id: None, pigment: Some(pigment), parts_per_100 };
        Self {
            key: key.to_owned(),
            colour: Some(RecipeInputs { pigments: vec![part], strained: false }),
            ..Self::usual(Family::CocoaButter)
        }
    }

    /// The same by its numbers alone, without the names of what stands on a shelf.
    #[must_use]
    pub fn off_the_shelf(&self) -> Self {
        Self {
            chocolate_id: None,
            ware_id: None,
            heat_id: None,
            thermometer_id: None,
            colour: self.colour.as_ref().map(RecipeInputs::off_the_shelf),
            fat_added: self.fat_added.map(|added| AddedFatInputs { goods_id: None, ..added }),
            ..self.clone()
        }
    }

    /// As [`BowlInputs::usual`], so much of it in a room of 20 °C: a bowl that stands
    /// for itself.
    #[must_use]
    pub fn alone(family: Family, total_g: f64) -> Self {
        Self { total_g: Some(total_g), room_c: Some(USUAL_ROOM_C), ..Self::usual(family) }
    }

    /// Its quantities, with faults noted under `field` (empty for none); in a room
    /// of this temperature where it does not say itself.
    pub(super) fn check(&self, field: &str, room_c: f64, check: &mut Checker) -> Tempering {
        let mut faults = Checker::new();
        let checked = self.check_bare(room_c, &mut faults);
        check.take_under(field, faults);
        checked
    }

    fn check_bare(&self, room_c: f64, check: &mut Checker) -> Tempering {
        check.text("key", &self.key, LONGEST_KEY);
        if let Some(name) = &self.name {
            check.text("name", name, LONGEST_KEY);
        }
        check_looks(self.looks.as_deref(), check);
        let base = family_or_blend(self.family, self.blend.as_deref(), check);
        let chocolate = self.own.check("own", base, check);
        let chocolate = match &self.fat_added {
            Some(_) if self.colour.is_some() => {
                check.fault("fat_added", say::fat_goes_into_chocolate());
                chocolate
            }
            Some(added) => {
                added.check("fat_added", check);
                added.stirred_into(chocolate)
            }
            None => chocolate,
        };
        let learned = self.learned.check("learned", check);
        let offset_c = check.optional("offset_c", self.offset_c, check::OFFSET_C);
        if let Some(method) = self.method
            && !method.suits(chocolate.family)
        {
            let suiting = Method::suiting(chocolate.family).map(|m| m.about().key);
            check.fault("method", say::method_does_not_suit(&chocolate.family, names(suiting)));
        }
        let stone_c = check.optional("stone_c", self.stone_c, check::STONE_C);
        let crystals_pct = check.optional("crystals_pct", self.crystals_pct, check::CRYSTALS_PCT);
        let total_g = check.optional("total_g", self.total_g, check::CHOCOLATE_G);
        let own_room_c = check.optional("room_c", self.room_c, check::ROOM_C);
        let room_c = own_room_c.unwrap_or(room_c);
        let melt_to_c = check.optional("melt_to_c", self.melt_to_c, check::MELTED_C);
        let target_c = check.optional("target_c", self.target_c, check::MELTED_C);
        let seed_c = check.optional("seed_c", self.seed_c, check::SOLID_C);
        let ware = self.bowl.map(|bowl| {
            let ware = bowl.check("bowl", check);
            Vessel { cooling_ratio: learned.cooling_ratio.unwrap_or(ware.cooling_ratio), ..ware }
        });
        let microwave = self.microwave.map(|m| {
            let usual = m.check("microwave", check);
            Microwave { efficiency: learned.efficiency.unwrap_or(usual.efficiency), ..usual }
        });
        let cooling_min = check.optional("cooling_min", self.cooling_min, check::COOLING_MIN);
        check.optional("flow_grade", self.flow_grade.map(f64::from), check::FLOW_GRADE);
        if self.colour.is_some() && chocolate.family != Family::CocoaButter {
            check.fault("colour", say::colour_goes_with_cocoa_butter(&chocolate.family));
        }
        let recipe = self.colour.as_ref().and_then(|colour| colour.check("colour", check));
        let ready = recipe.as_ref().is_some_and(Recipe::is_ready);
        let kitchen =
            Kitchen { colour_bottle: self.kitchen.colour_bottle || ready, ..self.kitchen };

        let limit = chocolate.windows.limit;
        let melt_to = melt_to_c.map(celsius);
        if melt_to.is_some_and(|melt_to| melt_to >= limit) {
            check.fault("melt_to_c", say::must_be_below_limit(limit));
        }
        Tempering {
            total: total_g.map(grams),
            room: celsius(room_c),
            method: self.method,
            kitchen,
            stone: celsius(stone_c.unwrap_or(room_c)),
            crystals_pct: crystals_pct.unwrap_or(READY_SHARE_PCT),
            melt_to,
            target: target_c.map(celsius),
            seed_temp: celsius(seed_c.unwrap_or(room_c)),
            seed_field: if seed_c.is_some() { "seed_c" } else { "room_c" },
            ware,
            microwave,
            learned,
            offset: degrees(offset_c.unwrap_or_default()),
            cooling: cooling_min.map(minutes),
            recipe,
            fat_added: self.fat_added,
            fats_mixed: self.blend.as_deref().is_some_and(are_fats_mixed),
            chocolate,
        }
    }
}
