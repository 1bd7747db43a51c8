//! Figures as the calculation endpoints give them, and as plans have them in parts.

use craft::chocolate::{Chocolate, Family};
use craft::fridge::Stay;
use craft::heat::cooling::Eta;
use craft::heat::microwave::BurstPlan;
use craft::heat::seed::SeedPlan;
use craft::message::Message;
use craft::note::{Note, Working};
use craft::room::Room;
use craft::setting::{Moment, Setting};
use craft::spread::slab::Slab;
use craft::units::{
    Time, in_grams_per_cubic_centimetre, in_millimetres, in_percent, in_seconds,
    in_square_centimetres,
};
use serde::Serialize;
use utoipa::ToSchema;

use super::{band, celsius, grams, round, seconds};
use crate::catalogue::calc as say;

/// Temperature windows of a chocolate.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct WindowsAnswer {
    /// The family.
    pub family: Family,
    /// Whether any number is the maker's own.
    pub own: bool,
    /// Melting band.
    #[schema(min_items = 2, max_items = 2)]
    pub melt_c: [f64; 2],
    /// Never above.
    pub limit_c: f64,
    /// Cool point of the two-step methods; none for coatings.
    #[schema(min_items = 2, max_items = 2)]
    pub cool_c: Option<[f64; 2]>,
    /// Working band.
    #[schema(min_items = 2, max_items = 2)]
    pub work_c: [f64; 2],
    /// Above it temper is lost; none for coatings.
    pub lost_c: Option<f64>,
    /// Below it the bowl sets up.
    pub thick_c: f64,
    /// Fat.
    pub fat_pct: f64,
    /// Density once set.
    pub density_g_cm3: f64,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<&Chocolate> for WindowsAnswer {
    fn from(chocolate: &Chocolate) -> Self {
        let w = &chocolate.windows;
        let source = if chocolate.own {
            Note::info("own-numbers", say::own_numbers())
        } else {
            Note::info("family-numbers", say::family_numbers())
        };
        Self {
            family: chocolate.family,
            own: chocolate.own,
            melt_c: band(w.melt),
            limit_c: celsius(w.limit),
            cool_c: w.cool.map(band),
            work_c: band(w.work),
            lost_c: w.lost.map(celsius),
            thick_c: celsius(w.thick),
            fat_pct: round(in_percent(chocolate.fat), 2),
            density_g_cm3: round(in_grams_per_cubic_centimetre(chocolate.solid_density), 4),
            notes: vec![source],
            sum: Vec::new(),
        }
    }
}

/// Seed and how to add it.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct SeedAnswer {
    /// Hold this much back.
    pub seed_g: f64,
    /// Melt this much.
    pub melted_g: f64,
    /// Both.
    pub total_g: f64,
    /// Seed as a share of what is melted.
    pub share_of_melted_pct: f64,
    /// Half, a third, the rest; they add up to `seed_g`.
    #[schema(min_items = 3, max_items = 3)]
    pub additions_g: [f64; 3],
    /// Where the melt stops.
    pub melted_c: f64,
    /// Where seeding aims.
    pub target_c: f64,
    /// The seed's temperature.
    pub seed_c: f64,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

impl SeedAnswer {
    /// The answer for a plan made with these temperatures.
    #[must_use]
    pub fn new(
        plan: SeedPlan,
        melted: craft::units::Temperature,
        target: craft::units::Temperature,
        seed: craft::units::Temperature,
    ) -> Self {
        let seed_g = grams(plan.seed);
        let [first, second, _] = plan.additions.map(grams);
        Self {
            seed_g,
            melted_g: grams(plan.melted),
            total_g: grams(plan.total),
            share_of_melted_pct: round(in_percent(plan.share_of_melted()), 2),
            // The last takes up the rounding, so that what is shown adds up.
            additions_g: [first, second, round(seed_g - first - second, 2)],
            melted_c: celsius(melted),
            target_c: celsius(target),
            seed_c: celsius(seed),
            notes: plan.notes,
            sum: plan.working,
        }
    }
}

/// A slab's figures.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct SlabAnswer {
    /// Thickness once set.
    pub thickness_mm: f64,
    /// Chocolate in the piece.
    pub chocolate_g: f64,
    /// Chocolate to weigh out, with the allowance.
    pub to_weigh_g: f64,
    /// Area covered.
    pub area_cm2: f64,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<Slab> for SlabAnswer {
    fn from(slab: Slab) -> Self {
        Self {
            thickness_mm: round(in_millimetres(slab.thickness), 3),
            chocolate_g: grams(slab.chocolate),
            to_weigh_g: grams(slab.to_weigh),
            area_cm2: round(in_square_centimetres(slab.area), 2),
            notes: slab.notes,
            sum: slab.working,
        }
    }
}

/// A melt in bursts.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct MicrowaveAnswer {
    /// Heating in all.
    pub seconds: f64,
    /// The bursts.
    pub bursts_s: Vec<f64>,
    /// At which setting, in words.
    pub power: Message,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<BurstPlan> for MicrowaveAnswer {
    fn from(plan: BurstPlan) -> Self {
        Self {
            seconds: seconds(plan.total),
            bursts_s: plan.bursts.into_iter().map(seconds).collect(),
            power: plan.setting,
            notes: vec![
                Note::info("stir-after-each", say::stir_after_each()),
                Note::info("hot-bowl", say::hot_bowl()),
            ],
            sum: plan.working,
        }
    }
}

/// A room's verdict.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct RoomAnswer {
    /// Dew forms on anything colder.
    pub dew_point_c: f64,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<&Room> for RoomAnswer {
    fn from(room: &Room) -> Self {
        Self { dew_point_c: celsius(room.dew_point()), notes: room.verdict(), sum: room.working() }
    }
}

/// When a temperature is reached, in seconds after the last reading; all `null`
/// where it is never reached or not known.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct EtaAnswer {
    /// Which temperature.
    pub target_c: f64,
    /// Most likely.
    pub eta_s: Option<f64>,
    /// Not likely before.
    pub earliest_s: Option<f64>,
    /// Not likely after; `null` where it may never be.
    pub latest_s: Option<f64>,
}

impl EtaAnswer {
    /// The answer for a target.
    #[must_use]
    pub fn new(target_c: f64, eta: Option<Eta>) -> Self {
        Self {
            target_c,
            eta_s: eta.map(|e| seconds(e.typical)),
            earliest_s: eta.map(|e| seconds(e.earliest)),
            latest_s: eta.and_then(|e| e.latest).map(seconds),
        }
    }
}

/// A fitted cooling.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct CoolingAnswer {
    /// Cooling rate; `null` where there is no fit.
    pub k_per_min: Option<f64>,
    /// The bowl's own heat loss, where its mass was given.
    pub ua_w_k: Option<f64>,
    /// When each target is reached.
    pub etas: Vec<EtaAnswer>,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

/// A time after the pour, with its range.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct MomentAnswer {
    /// Most likely, seconds.
    pub typical: f64,
    /// Not likely before, seconds.
    pub earliest: f64,
    /// Not likely after, seconds.
    pub latest: f64,
}

impl From<Moment> for MomentAnswer {
    fn from(m: Moment) -> Self {
        Self {
            typical: seconds(m.typical),
            earliest: seconds(m.earliest),
            latest: seconds(m.latest),
        }
    }
}

/// Windows after the pour, seconds from it.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct SettingAnswer {
    /// Toppings still stick until then.
    pub topping_until_s: MomentAnswer,
    /// Dry to the touch.
    pub touch_dry_s: MomentAnswer,
    /// Cut from then…
    pub cut_from_s: MomentAnswer,
    /// …until then.
    pub cut_to_s: MomentAnswer,
    /// A wrap or a ribbon still bends until then.
    pub flexible_until_s: MomentAnswer,
    /// A second layer holds from touch dry on, and still grips until then.
    pub second_layer_until_s: MomentAnswer,
    /// Lets go by itself.
    pub release_s: MomentAnswer,
}

impl From<Setting> for SettingAnswer {
    fn from(s: Setting) -> Self {
        Self {
            topping_until_s: s.topping_until.into(),
            touch_dry_s: s.touch_dry.into(),
            cut_from_s: s.cut_from.into(),
            cut_to_s: s.cut_to.into(),
            flexible_until_s: s.flexible_until.into(),
            second_layer_until_s: s.second_layer_until.into(),
            release_s: s.release.into(),
        }
    }
}

/// A stay in a closed box or bag.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct BoxedAnswer {
    /// Until it lets go.
    pub shortest_min: f64,
    /// How long to leave it.
    pub advised_min: f64,
    /// How long the box stays closed in the room afterwards.
    pub left_closed_min: f64,
}

/// How long it may lie there.
#[derive(Clone, Debug, PartialEq, Serialize, ToSchema)]
pub struct FridgeAnswer {
    /// Until it lets go; `null` where the fridge is too warm for that.
    pub shortest_min: Option<f64>,
    /// Until dew would form on it outside; `null` where none does.
    pub longest_min: Option<f64>,
    /// How long to leave it; `null` where the two cross.
    pub advised_min: Option<f64>,
    /// In a closed box or bag, where no dew forms on it: where no stay is advised without one;
    /// `null` too where the fridge is too warm.
    pub boxed: Option<BoxedAnswer>,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub sum: Vec<Working>,
}

impl From<Stay> for FridgeAnswer {
    fn from(stay: Stay) -> Self {
        // To a hundredth of a minute, and never past what is meant.
        let hundredths = |time: Time| in_seconds(time) / 60.0 * 100.0;
        let at_least = |time: Time| hundredths(time).ceil() / 100.0;
        let at_most = |time: Time| hundredths(time).floor() / 100.0;
        Self {
            shortest_min: stay.shortest.map(at_least),
            longest_min: stay.longest.map(at_most),
            advised_min: stay.advised.map(at_most),
            boxed: stay.boxed.map(|boxed| BoxedAnswer {
                shortest_min: at_least(boxed.shortest),
                advised_min: at_least(boxed.advised),
                left_closed_min: at_least(boxed.left_closed),
            }),
            notes: stay.notes,
            sum: stay.working,
        }
    }
}
