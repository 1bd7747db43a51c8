//! A mould, and what weighing it has taught.

use serde::{Deserialize, Serialize};

use super::cavity::{Cavity, CavityInputs};
use super::coat::{Pouring, USUAL_FLOW_GRADE};
use super::wall::wall_of;
use crate::catalogue::shell as say;
use crate::check::{self, Checker};
use crate::chocolate::{Chocolate, Family};
use crate::units::{celsius, grams, in_millimetres, seconds};

/// The longest name of a region.
const LONGEST_NAME: usize = 40;
/// Regions, and weighings that are kept, at most.
const MOST_REGIONS: usize = 8;
const MOST_WEIGHINGS: usize = 15;
/// What a weighing may teach.
const BELIEVED: [f64; 2] = [0.4, 2.5];

/// What a mould is made of.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum MouldMaterial {
    /// Polycarbonate or another that does not bend.
    #[default]
    Rigid,
    /// Silicone.
    Silicone,
}

/// A part of a cavity's face that has a colour or a chocolate of its own.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct RegionInputs {
    /// What it is.
    pub name: String,
    /// Its share of the face.
    pub share_pct: f64,
}

/// A mould that was weighed before and after it was lined.
#[derive(Clone, Copy, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Weighing {
    /// The chocolate in it.
    pub family: Family,
    /// How freely it flows; 3 where that is not known.
    #[serde(default)]
    pub flow_grade: Option<u8>,
    /// How warm it was poured.
    #[serde(default)]
    pub poured_c: Option<f64>,
    /// How long it waited.
    pub wait_s: f64,
    /// The empty mould.
    pub empty_g: f64,
    /// The mould with its shells, scraped.
    pub lined_g: f64,
}

/// A mould, as the maker states it.
#[derive(Clone, Debug, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct MouldInputs {
    /// One cavity.
    pub cavity: CavityInputs,
    /// How many there are.
    pub count: u32,
    /// What it is made of.
    #[serde(default)]
    pub material: MouldMaterial,
    /// Whether two sides close to a whole piece; a cavity is that piece, and its opening the hole
    /// that it is filled by.
    #[serde(default)]
    pub two_sided: bool,
    /// Its face in parts, the upper first, where it has parts.
    #[serde(default)]
    pub regions: Vec<RegionInputs>,
    /// How it came out when it was weighed.
    #[serde(default)]
    pub weighings: Vec<Weighing>,
}

impl MouldInputs {
    /// So many half balls, rigid.
    #[must_use]
    pub fn hemispheres(diameter_mm: f64, count: u32) -> Self {
        Self {
            cavity: CavityInputs::hemisphere(diameter_mm),
            count,
            material: MouldMaterial::Rigid,
            two_sided: false,
            regions: Vec::new(),
            weighings: Vec::new(),
        }
    }

    /// Its cavity, with faults noted under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) -> Option<Cavity> {
        let mut faults = Checker::new();
        let cavity = self.cavity.check("cavity", &mut faults);
        faults.number("count", f64::from(self.count), check::CAVITIES);
        if self.regions.len() > MOST_REGIONS {
            let there = self.regions.len();
            faults.fault("regions", say::at_most_regions(MOST_REGIONS, there));
        }
        for (i, region) in self.regions.iter().enumerate() {
            faults.text(format_args!("regions[{i}].name"), &region.name, LONGEST_NAME);
            faults.number(
                format_args!("regions[{i}].share_pct"),
                region.share_pct,
                check::FACE_PCT,
            );
            if self.regions[..i].iter().any(|other| other.name == region.name) {
                faults.fault(format!("regions[{i}].name"), say::must_be_its_own(&region.name));
            }
        }
        let shares: f64 = self.regions.iter().map(|region| region.share_pct).sum();
        if !self.regions.is_empty() && (shares - 100.0).abs() > 0.5 {
            faults.fault("regions", say::shares_add_up(shares));
        }
        if self.weighings.len() > MOST_WEIGHINGS {
            let there = self.weighings.len();
            faults.fault("weighings", say::at_most_weighings(MOST_WEIGHINGS, there));
        }
        for (i, weighing) in self.weighings.iter().enumerate() {
            let mut of_one = Checker::new();
            weighing.check(&mut of_one);
            if let Some(cavity) = cavity.as_ref()
                && !of_one.has_faults()
                && weighing.teaches(cavity, self.count).is_none()
            {
                of_one.fault("lined_g", say::cannot_be_lined());
            }
            faults.take_under(&format!("weighings[{i}]"), of_one);
        }
        check.take_under(field, faults);
        cavity
    }

    /// What its weighings with chocolates of a family have taught: the thickness there
    /// was against the sum's, as the median with the usual; and how many they were.
    #[must_use]
    pub fn learned(&self, family: Family) -> (f64, usize) {
        let Some(cavity) = self.cavity.check("", &mut Checker::new()) else { return (1.0, 0) };
        let taught = self.weighings.iter().filter(|w| w.family == family);
        let mut factors: Vec<f64> = taught.filter_map(|w| w.teaches(&cavity, self.count)).collect();
        let count = factors.len();
        factors.push(1.0);
        factors.sort_by(f64::total_cmp);
        let middle = factors.len() / 2;
        let median = if factors.len() % 2 == 1 {
            factors[middle]
        } else {
            f64::midpoint(factors[middle - 1], factors[middle])
        };
        (median, count)
    }

    /// The share of the face that a region is; all of it where none is named.
    #[must_use]
    pub fn share_of(&self, region: Option<&str>) -> Option<f64> {
        match region {
            None => Some(1.0),
            Some(name) => {
                let found = self.regions.iter().find(|r| r.name == name);
                found.map(|region| region.share_pct / 100.0)
            }
        }
    }
}

impl Weighing {
    fn check(&self, check: &mut Checker) {
        check.optional("flow_grade", self.flow_grade.map(f64::from), check::FLOW_GRADE);
        check.optional("poured_c", self.poured_c, check::MELTED_C);
        check.number("wait_s", self.wait_s, check::WAIT_S);
        check.number("empty_g", self.empty_g, check::MOULD_G);
        check.number("lined_g", self.lined_g, check::MOULD_G);
        if self.lined_g <= self.empty_g {
            check.fault("lined_g", say::more_than_empty(grams(self.empty_g)));
        }
    }

    /// The thickness that the weight tells, against what the sum says.
    fn teaches(&self, cavity: &Cavity, count: u32) -> Option<f64> {
        let chocolate = Chocolate::of(self.family);
        let each = grams((self.lined_g - self.empty_g) / f64::from(count.max(1)));
        let shell = wall_of(cavity, each / chocolate.solid_density)?;
        let pouring = Pouring {
            chocolate: &chocolate,
            flow_grade: self.flow_grade.unwrap_or(USUAL_FLOW_GRADE),
            poured: self.poured_c.map(celsius),
            learned: 1.0,
        };
        let foretold = pouring.stays(seconds(self.wait_s));
        let factor = in_millimetres(shell) / in_millimetres(foretold);
        (BELIEVED[0]..=BELIEVED[1]).contains(&factor).then_some(factor)
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::units::{in_millilitres, millimetres};

    /// 24 half balls of 30 mm that came out `mm` thick, in dark chocolate.
    fn weighed(mm: f64) -> Weighing {
        let cavity = CavityInputs::hemisphere(30.0).check("", &mut Checker::new()).expect("sound");
        let each_g = in_millilitres(cavity.wall(millimetres(mm))) * 1.29;
        Weighing {
            family: Family::Dark,
            flow_grade: Some(3),
            poured_c: None,
            wait_s: 20.0,
            empty_g: 480.0,
            lined_g: 480.0 + 24.0 * each_g,
        }
    }

    #[test]
    fn one_weighing_moves_it_half_the_way_and_more_move_it_all_of_it() {
        let mut mould = MouldInputs::hemispheres(30.0, 24);
        assert_eq!(mould.learned(Family::Dark), (1.0, 0));
        // 1.5 mm + 20 s · 0.015 is foretold.
        mould.weighings.push(weighed(1.8 * 1.2));
        let (factor, count) = mould.learned(Family::Dark);
        assert_eq!(count, 1);
        assert!((factor - 1.1).abs() < 1e-6, "{factor}");
        mould.weighings.extend([weighed(1.8 * 1.2), weighed(1.8 * 1.2)]);
        assert!((mould.learned(Family::Dark).0 - 1.2).abs() < 1e-6);
        assert_eq!(mould.learned(Family::Milk), (1.0, 0));
    }

    #[test]
    fn a_weighing_that_cannot_be_is_refused() {
        let told = |weighing: Weighing| {
            let mut mould = MouldInputs::hemispheres(30.0, 24);
            mould.weighings.push(weighing);
            let mut check = Checker::new();
            mould.check("", &mut check);
            check.into_faults().into_iter().map(|f| f.field).collect::<Vec<_>>()
        };
        assert!(told(weighed(2.0)).is_empty());
        assert_eq!(told(Weighing { lined_g: 400.0, ..weighed(2.0) }), ["weighings[0].lined_g"]);
        assert_eq!(told(Weighing { lined_g: 5_000.0, ..weighed(2.0) }), ["weighings[0].lined_g"]);
    }

    #[test]
    fn regions_have_names_of_their_own_and_lists_an_end() {
        let told = |mould: &MouldInputs| {
            let mut check = Checker::new();
            mould.check("", &mut check);
            let faults = check.into_faults();
            faults.into_iter().map(|f| format!("{} {}", f.field, f.message)).collect::<Vec<_>>()
        };
        let half = RegionInputs { name: "cap".to_owned(), share_pct: 50.0 };
        let mut mould = MouldInputs::hemispheres(60.0, 1);
        mould.regions = vec![half.clone(), half.clone()];
        assert_eq!(told(&mould), ["regions[1].name must be its own; cap is there already"]);
        mould.regions = vec![half; 40];
        assert!(told(&mould)[0].starts_with("regions must be at most"), "{:?}", told(&mould));
        let mut mould = MouldInputs::hemispheres(30.0, 24);
        mould.weighings = vec![weighed(2.0); 100];
        assert!(told(&mould)[0].starts_with("weighings must be at most"), "{:?}", told(&mould));
    }

    #[test]
    fn regions_make_up_the_face() {
        let region = |name: &str, share_pct| RegionInputs { name: name.to_owned(), share_pct };
        let mut mould = MouldInputs::hemispheres(60.0, 1);
        mould.regions = vec![region("cap", 30.0), region("body", 60.0)];
        let mut check = Checker::new();
        mould.check("mould", &mut check);
        let told = check.into_faults();
        assert_eq!(told[0].message.text(), "must add up to 100 %; they come to 90 %");
        assert_eq!(mould.share_of(Some("cap")), Some(0.3));
        assert_eq!((mould.share_of(None), mould.share_of(Some("hat"))), (Some(1.0), None));
        let none = MouldInputs { count: 0, ..MouldInputs::hemispheres(60.0, 1) };
        let mut check = Checker::new();
        none.check("mould", &mut check);
        assert_eq!(check.into_faults()[0].message.text(), "must be 1 to 500 cavities; it is 0");
    }
}
