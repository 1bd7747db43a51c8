//! Made-up evenings on which the clinic is measured: what was done wrong, what the record holds of
//! it, and what was seen of the pieces.
//!
//! This was written before the clinic, and is not changed for it. It knows nothing of the clinic's
//! table: each mistake has a dose, drawn first; what is measured follows from the dose, and how likely
//! each fault is rises with it. Three facts in ten are then lost, and one fault in ten is another than
//! it was.

use craft::result::Symptom;
use rand::seq::{IndexedRandom, SliceRandom};
use rand::{RngExt, SeedableRng};
use rand_chacha::ChaCha8Rng;

/// What can be done wrong.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Mistake {
    Overheated,
    TemperLost,
    PouredTooWarm,
    PouredTooCool,
    NotTempered,
    UnderSeeded,
    OverSeeded,
    PoorStirring,
    WarmRoom,
    DampRoom,
    Dew,
    ChilledTooLong,
    TooThin,
    WarmGoods,
    ColourTooFresh,
}

use Mistake::*;

pub const ALL: [Mistake; 15] = [
    Overheated,
    TemperLost,
    PouredTooWarm,
    PouredTooCool,
    NotTempered,
    UnderSeeded,
    OverSeeded,
    PoorStirring,
    WarmRoom,
    DampRoom,
    Dew,
    ChilledTooLong,
    TooThin,
    WarmGoods,
    ColourTooFresh,
];

impl Mistake {
    /// The key by which the clinic tells it.
    pub fn key(self) -> &'static str {
        match self {
            Overheated => "overheated",
            TemperLost => "temper_lost",
            PouredTooWarm => "poured_too_warm",
            PouredTooCool => "poured_too_cool",
            NotTempered => "not_tempered",
            UnderSeeded => "under_seeded",
            OverSeeded => "over_seeded",
            PoorStirring => "poor_stirring",
            WarmRoom => "warm_room",
            DampRoom => "damp_room",
            Dew => "dew",
            ChilledTooLong => "chilled_too_long",
            TooThin => "too_thin",
            WarmGoods => "warm_goods",
            ColourTooFresh => "colour_too_fresh",
        }
    }

    /// How likely each fault is at the full dose.
    fn faults(self) -> &'static [(Symptom, f64)] {
        use Symptom::*;
        match self {
            Overheated => &[(Burnt, 0.9), (ThickInBowl, 0.3), (Dull, 0.3)],
            TemperLost => {
                &[(Dull, 0.75), (Streaks, 0.8), (Soft, 0.6), (Stuck, 0.45), (FatBloom, 0.35)]
            }
            PouredTooWarm => {
                &[(Dull, 0.65), (Streaks, 0.55), (Soft, 0.3), (Stuck, 0.3), (ColourLeft, 0.3)]
            }
            PouredTooCool => {
                &[(ThickInBowl, 0.85), (Bubbles, 0.6), (ColourLeft, 0.5), (ThinSpots, 0.25)]
            }
            NotTempered => {
                &[(Streaks, 0.85), (Dull, 0.8), (Soft, 0.7), (Stuck, 0.55), (FatBloom, 0.4)]
            }
            UnderSeeded => &[(Streaks, 0.7), (Dull, 0.6), (Soft, 0.45)],
            OverSeeded => &[(ThickInBowl, 0.9), (Bubbles, 0.45), (Dull, 0.25)],
            PoorStirring => &[(Streaks, 0.85), (Dull, 0.3), (Soft, 0.15)],
            WarmRoom => &[(Dull, 0.8), (Soft, 0.5), (Streaks, 0.3), (Stuck, 0.2)],
            DampRoom => &[(SugarBloom, 0.8), (Dull, 0.15)],
            Dew => &[(SugarBloom, 0.9), (Dull, 0.25), (GreyLayer, 0.1)],
            ChilledTooLong => &[(Cracks, 0.9), (Dull, 0.1)],
            TooThin => &[(ThinSpots, 0.8), (Cracks, 0.5), (Stuck, 0.4), (BreaksOnLifting, 0.5)],
            WarmGoods => &[(Streaks, 0.75), (Dull, 0.45), (Soft, 0.2)],
            ColourTooFresh => &[(ColourLeft, 0.9), (Muddy, 0.2)],
        }
    }
}

/// What the record holds. What nobody wrote down is `None`.
#[derive(Clone, Debug)]
pub struct Noted {
    pub limit_c: f64,
    pub lost_c: f64,
    pub work_c: [f64; 2],
    pub moulded: bool,
    pub coloured: bool,
    pub max_c: Option<f64>,
    pub above_lost_s: Option<f64>,
    pub poured_c: Option<f64>,
    /// `passed`, `failed` or `skipped`.
    pub test: Option<&'static str>,
    pub seed_share_pct: Option<f64>,
    pub stir_gap_s: Option<f64>,
    pub room_c: Option<f64>,
    pub rh_pct: Option<f64>,
    pub chill_min: Option<f64>,
    pub dew_limit_min: Option<f64>,
    pub thickness_mm: Option<f64>,
    pub goods_c: Option<f64>,
    pub colour_rest_h: Option<f64>,
}

/// An evening.
#[derive(Clone, Debug)]
pub struct Evening {
    pub made: Vec<Mistake>,
    pub noted: Noted,
    pub seen: Vec<Symptom>,
}

/// So many evenings from a seed: of each five one is clean, three have one mistake and one has two.
pub fn evenings(seed: u64, count: usize) -> Vec<Evening> {
    let mut chance = ChaCha8Rng::seed_from_u64(seed);
    (0..count)
        .map(|i| {
            let mistakes = [0, 1, 1, 1, 2][i % 5];
            // Nobody asks of an evening on which nothing shows.
            loop {
                let evening = Evening::draw(&mut chance, mistakes);
                if mistakes == 0 || !evening.seen.is_empty() {
                    return evening;
                }
            }
        })
        .collect()
}

/// What excludes each other: one evening has one pour, one share of seed, one stay in the fridge.
fn go_together(a: Mistake, b: Mistake) -> bool {
    let of_one = [
        &[PouredTooWarm, PouredTooCool, TemperLost][..],
        &[UnderSeeded, OverSeeded],
        &[NotTempered, TemperLost, UnderSeeded],
        &[Dew, ChilledTooLong],
        &[Overheated, TemperLost],
    ];
    a != b && of_one.iter().all(|group| !(group.contains(&a) && group.contains(&b)))
}

impl Evening {
    fn draw(chance: &mut ChaCha8Rng, mistakes: usize) -> Self {
        let moulded = chance.random_bool(0.5);
        let coloured = moulded && chance.random_bool(0.6);
        let with_goods = !moulded && chance.random_bool(0.6);
        let chilled = chance.random_bool(0.75);
        let possible = |mistake: &&Mistake| match mistake {
            ColourTooFresh => coloured,
            WarmGoods => with_goods,
            Dew | ChilledTooLong => chilled,
            _ => true,
        };
        let possible: Vec<Mistake> = ALL.iter().filter(possible).copied().collect();
        let mut made: Vec<Mistake> = Vec::new();
        while made.len() < mistakes {
            let mistake = *possible.choose(chance).expect("some are possible");
            if made.iter().all(|other| go_together(*other, mistake)) {
                made.push(mistake);
            }
        }
        // Dark, milk or white.
        let (limit_c, lost_c, work_c) =
            *[(55.0, 34.0, [31.0, 32.0]), (50.0, 32.5, [29.0, 30.0]), (48.0, 31.5, [28.0, 29.0])]
                .choose(chance)
                .expect("three");
        let mut noted = Noted {
            limit_c,
            lost_c,
            work_c,
            moulded,
            coloured,
            max_c: Some(limit_c - chance.random_range(2.0..9.0)),
            above_lost_s: Some(0.0),
            poured_c: Some(
                chance.random_range(work_c[0]..=work_c[1]) + chance.random_range(-0.3..0.3),
            ),
            test: Some(if chance.random_bool(0.8) { "passed" } else { "skipped" }),
            seed_share_pct: Some(chance.random_range(19.0..33.0)),
            stir_gap_s: Some(chance.random_range(20.0..110.0)),
            room_c: Some(chance.random_range(17.5..22.5)),
            rh_pct: Some(chance.random_range(32.0..58.0)),
            chill_min: chilled.then(|| chance.random_range(6.0..14.0)),
            dew_limit_min: chilled.then(|| chance.random_range(15.0..30.0)),
            thickness_mm: Some(if moulded {
                chance.random_range(2.0..3.5)
            } else {
                chance.random_range(3.0..7.0)
            }),
            goods_c: with_goods.then(|| chance.random_range(17.0..23.5)),
            colour_rest_h: coloured.then(|| chance.random_range(5.0..30.0)),
        };
        let mut seen: Vec<Symptom> = Vec::new();
        for mistake in &made {
            let dose = noted.with(*mistake, chance);
            for (fault, likely) in mistake.faults() {
                let shows = match fault {
                    Symptom::Stuck => noted.moulded,
                    Symptom::ColourLeft | Symptom::Muddy => noted.coloured,
                    _ => true,
                };
                let likely = likely * (0.35 + 0.65 * dose);
                if shows && chance.random_bool(likely) && !seen.contains(fault) {
                    seen.push(*fault);
                }
            }
        }
        noted.lose(chance);
        mistaken(&mut seen, chance);
        Self { made, noted, seen }
    }
}

impl Noted {
    /// The same with a mistake made, of some dose from 0 to 1.
    fn with(&mut self, mistake: Mistake, chance: &mut ChaCha8Rng) -> f64 {
        let dose: f64 = chance.random_range(0.0..=1.0);
        let between = |least: f64, most: f64| least + (most - least) * dose;
        match mistake {
            Overheated => self.max_c = Some(self.limit_c + between(1.0, 14.0)),
            TemperLost => self.above_lost_s = Some(between(60.0, 900.0)),
            PouredTooWarm => {
                let room = self.lost_c - self.work_c[1];
                self.poured_c = Some(self.work_c[1] + between(0.5, 0.95 * room));
            }
            PouredTooCool => self.poured_c = Some(self.work_c[0] - between(0.7, 3.0)),
            NotTempered => {
                let failed = chance.random_bool(0.5);
                self.test = Some(if failed { "failed" } else { "skipped" });
            }
            UnderSeeded => {
                self.seed_share_pct = Some(between(14.0, 5.0));
                let told = ["passed", "passed", "skipped", "failed"];
                self.test = told.choose(chance).copied();
            }
            OverSeeded => self.seed_share_pct = Some(between(40.0, 60.0)),
            PoorStirring => self.stir_gap_s = Some(between(240.0, 900.0)),
            WarmRoom => self.room_c = Some(between(25.0, 30.0)),
            DampRoom => self.rh_pct = Some(between(68.0, 90.0)),
            Dew => {
                let limit = self.dew_limit_min.unwrap_or(20.0);
                self.chill_min = Some(limit + between(3.0, 25.0));
            }
            ChilledTooLong => {
                // So dry a room that no dew forms.
                let long = between(45.0, 120.0);
                self.chill_min = Some(long);
                self.dew_limit_min = Some(long + chance.random_range(5.0..60.0));
            }
            TooThin => self.thickness_mm = Some(between(1.6, 0.8)),
            WarmGoods => self.goods_c = Some(between(28.0, 40.0)),
            ColourTooFresh => self.colour_rest_h = Some(between(2.0, 0.1)),
        }
        dose
    }

    /// Three facts in ten were never noted.
    fn lose(&mut self, chance: &mut ChaCha8Rng) {
        let lost = || chance.random_bool(0.3);
        let lost: Vec<bool> = std::iter::repeat_with(lost).take(13).collect();
        let numbers = [
            &mut self.max_c,
            &mut self.above_lost_s,
            &mut self.poured_c,
            &mut self.seed_share_pct,
            &mut self.stir_gap_s,
            &mut self.room_c,
            &mut self.rh_pct,
            &mut self.chill_min,
            &mut self.dew_limit_min,
            &mut self.thickness_mm,
            &mut self.goods_c,
            &mut self.colour_rest_h,
        ];
        for (number, is_lost) in numbers.into_iter().zip(&lost) {
            number.take_if(|_| *is_lost);
        }
        self.test.take_if(|_| lost[12]);
    }
}

/// One fault in ten is another; where there is none, in one evening of ten one is told all the same.
fn mistaken(seen: &mut Vec<Symptom>, chance: &mut ChaCha8Rng) {
    let mut all = Symptom::ALL.to_vec();
    all.shuffle(chance);
    if seen.is_empty() && chance.random_bool(0.1) {
        seen.push(all[0]);
        return;
    }
    for place in 0..seen.len() {
        if chance.random_bool(0.1)
            && let Some(other) = all.iter().find(|other| !seen.contains(other))
        {
            seen[place] = *other;
        }
    }
}
