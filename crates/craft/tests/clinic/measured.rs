//! What the clinic makes of the evenings.

use craft::clinic::{Diagnosis, Facts, Likely, Tested, diagnose};

use crate::evenings::{Evening, Noted, evenings};

impl Noted {
    pub fn facts(&self) -> Facts {
        Facts {
            max_c: self.max_c,
            limit_c: Some(self.limit_c),
            lost_c: Some(self.lost_c),
            work_c: Some(self.work_c),
            above_lost_s: self.above_lost_s,
            poured_c: self.poured_c,
            test: self.test.and_then(Tested::from_word),
            seed_share_pct: self.seed_share_pct,
            stir_gap_s: self.stir_gap_s,
            room_c: self.room_c,
            rh_pct: self.rh_pct,
            chill_min: self.chill_min,
            dew_limit_min: self.dew_limit_min,
            thickness_mm: self.thickness_mm,
            goods_c: self.goods_c,
            colour_rest_h: self.colour_rest_h,
            moulded: Some(self.moulded),
            coloured: Some(self.coloured),
            ..Facts::default()
        }
    }
}

/// How often chances came true that were told within a tenth.
#[derive(Clone, Copy, Default)]
pub struct Bin {
    pub chances: usize,
    told: f64,
    true_ones: usize,
}

impl Bin {
    pub fn told(&self) -> f64 {
        self.told / self.chances as f64
    }

    pub fn came_true(&self) -> f64 {
        self.true_ones as f64 / self.chances as f64
    }
}

/// What came of so many evenings.
pub struct Measured {
    pub with_mistakes: usize,
    /// One of the mistakes is told first, and among the first three.
    pub first: usize,
    pub among_three: usize,
    /// All of them are among the first three.
    pub all_among_three: usize,
    pub clean: usize,
    /// Nothing is called likely.
    pub clean_in_peace: usize,
    pub bins: [Bin; 10],
}

pub fn told(evening: &Evening) -> Diagnosis {
    diagnose(&evening.seen, &evening.noted.facts())
}

pub fn measured(seeds: impl IntoIterator<Item = u64>, each: usize) -> Measured {
    let mut measured = Measured {
        with_mistakes: 0,
        first: 0,
        among_three: 0,
        all_among_three: 0,
        clean: 0,
        clean_in_peace: 0,
        bins: [Bin::default(); 10],
    };
    for evening in seeds.into_iter().flat_map(|seed| evenings(seed, each)) {
        let told = told(&evening);
        let made = |key: &str| evening.made.iter().any(|mistake| mistake.key() == key);
        let keys: Vec<&str> = told.suspects.iter().map(|one| one.cause.word()).collect();
        for suspect in &told.suspects {
            let bin = &mut measured.bins[((suspect.chance * 10.0) as usize).min(9)];
            bin.chances += 1;
            bin.told += suspect.chance;
            bin.true_ones += usize::from(made(suspect.cause.word()));
        }
        if evening.made.is_empty() {
            measured.clean += 1;
            let called = told
                .suspects
                .iter()
                .any(|one| matches!(one.likely(), Likely::Likely | Likely::AlmostCertain));
            measured.clean_in_peace += usize::from(!called);
            continue;
        }
        measured.with_mistakes += 1;
        measured.first += usize::from(keys.first().is_some_and(|key| made(key)));
        let three = &keys[..keys.len().min(3)];
        measured.among_three += usize::from(three.iter().any(|key| made(key)));
        let all = evening.made.iter().all(|mistake| three.contains(&mistake.key()));
        measured.all_among_three += usize::from(all);
    }
    measured
}
