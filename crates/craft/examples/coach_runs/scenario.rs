//! One evening, drawn from a seed.

use chrono::DateTime;

use craft::chocolate::Family;
use craft::heat::Material;
use craft::method::{Method, Run};
use craft::plan::{BowlInputs, MicrowaveInputs, WareInputs, bowl};
use craft::pot::{Evening, Mishap, Quirks};
use craft::units::in_celsius;
use rand::seq::IndexedRandom;
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;

/// What is tempered, by whom, with what.
pub struct Scenario {
    /// What the maker stated.
    pub inputs: BowlInputs,
    /// What that makes of the bowl.
    pub run: Run,
    /// How the evening goes.
    pub how: Evening,
}

/// What the maker does that was not asked for.
#[derive(Clone, Copy, PartialEq)]
pub enum Ways {
    /// Follows.
    Follows,
    /// So often touches any other button.
    Foolish(f64),
    /// Leaves it to go cold, from anywhere on its way down, and tests it cold.
    GoesCold,
    /// Pours somewhere on the way down, without a test that has passed.
    PoursTooSoon,
}

impl Ways {
    fn mishap(self, run: &Run, chance: &mut ChaCha8Rng) -> Option<Mishap> {
        let windows = &run.setup.chocolate.windows;
        let [work, thick, melt] = [windows.work.hi, windows.thick, windows.melt.lo].map(in_celsius);
        let warmest = work.max(melt - 3.0);
        match self {
            Self::Follows | Self::Foolish(_) => None,
            Self::GoesCold => Some(Mishap::LeftToGoCold {
                from_c: chance.random_range(work..=warmest),
                to_c: thick - chance.random_range(1.0..=4.0),
            }),
            Self::PoursTooSoon => {
                Some(Mishap::PouredTooSoon { at_c: chance.random_range(thick..=warmest) })
            }
        }
    }
}

impl Scenario {
    /// The evening with a number, from a seed, in a kitchen unlike the usual one. Methods take
    /// turns, so that each has its share.
    pub fn draw(seed: u64, number: u64, ways: Ways) -> Self {
        let mut chance = ChaCha8Rng::seed_from_u64(seed << 32 | number);
        let methods = Method::all();
        let method = methods[usize::try_from(number).expect("small") % methods.len()];
        let families: Vec<_> = Family::ALL.into_iter().filter(|f| method.suits(*f)).collect();
        let family = *families.choose(&mut chance).expect("each method suits one");
        // A water bath is too slow to stop for pieces that must not melt through.
        let in_bursts = method.keeps_crystals() || chance.random_bool(0.7);
        let area_cm2 = chance.random_range(250.0..=2_400.0);
        // A bowl that goes with the amount: half a gram of chocolate per cm².
        let mass_g = area_cm2 * 0.5 * chance.random_range(0.4..=1.0);
        // Nobody sells a bottle of a kilogram; it stands in no bowl.
        let bottle = Some(method) == Method::find("soften_bottle");
        let inputs = BowlInputs {
            method: Some(method),
            total_g: Some(area_cm2 * if bottle { 0.1 } else { 0.54 }),
            room_c: Some(chance.random_range(17.0..=23.0)),
            stone_c: Some(chance.random_range(15.0..=20.0)),
            bowl: Some(WareInputs {
                material: *[Material::Glass, Material::Plastic, Material::Steel, Material::Ceramic]
                    .choose(&mut chance)
                    .expect("there are four"),
                mass_g,
            })
            .filter(|_| !bottle),
            microwave: in_bursts.then(|| MicrowaveInputs {
                watts: chance.random_range(600.0..=1_000.0),
                power: chance.random_range(0.3..=0.55),
            }),
            ..BowlInputs::alone(family, 325.0)
        };
        let quirks = Quirks {
            efficiency: chance.random_range(0.38..=0.6),
            loses: chance.random_range(0.75..=1.5),
            heat_of_fat: chance.random_range(118.0..=158.0),
            melts_late_c: chance.random_range(0.0..=1.0),
            probe_lag_s: chance.random_range(3.0..=10.0),
        };
        let how = Evening {
            quirks,
            foolish: if let Ways::Foolish(share) = ways { share } else { 0.0 },
            every_s: chance.random_range(1..=6),
            noise_c: chance.random_range(0.1..=0.5),
            delay_s: (chance.random_range(2..=5), chance.random_range(6..=20)),
            misses: chance.random_range(0.0..=0.15),
            ..Evening::calm(chance.random())
        };
        let run = bowl(&inputs).expect("it can be planned").run(DateTime::UNIX_EPOCH);
        let how = Evening { mishap: ways.mishap(&run, &mut chance), ..how };
        Self { inputs, run, how }
    }
}
