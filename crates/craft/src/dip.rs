//! Dipped pieces: the coat, and the depth to dip in.

use std::f64::consts::PI;

use serde::{Deserialize, Serialize};

use crate::catalogue::spread as say;
use crate::check::{self, Checker};
use crate::chocolate::Chocolate;
use crate::message::{Message, spoken};
use crate::note::{Note, Working};
use crate::shell::melted_density;
use crate::spread::slab::with_allowance;
use crate::units::{
    Area, Length, Mass, Temperature, Volume, in_celsius, in_grams, in_millilitres, in_millimetres,
    in_square_centimetres, millilitres, millimetres, square_centimetres,
};

/// A coat, mm (docs/craft.md, section 4).
pub const COAT_MM: f64 = 1.3;
/// The chocolate stands so far over what is dipped, mm.
const OVER_MM: f64 = 15.0;
/// A centre that is colder cracks its coat; a warmer one loses its shape, °C (*custom*).
const CENTRE_C: [f64; 2] = [8.0, 20.0];

/// What is dipped, as the maker states it: a ball, or what was measured.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct DippedShape {
    /// A ball, so far across; in place of the others.
    pub diameter_mm: Option<f64>,
    /// Its surface.
    pub area_cm2: Option<f64>,
    /// Its volume: the water that it displaces, in grams.
    pub volume_ml: Option<f64>,
    /// How high it stands as it is dipped.
    pub height_mm: Option<f64>,
}

/// What is dipped.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Centre {
    /// Its surface.
    pub area: Area,
    /// Its volume.
    pub volume: Volume,
    /// Its height.
    pub height: Length,
    /// How wide: a ball's diameter, or as a cylinder of its volume and height.
    pub width: Length,
}

impl DippedShape {
    /// The centre, with faults noted under `field`.
    pub fn check(&self, field: &str, check: &mut Checker) -> Option<Centre> {
        let mut faults = Checker::new();
        let centre = self.check_bare(&mut faults);
        let sound = !faults.has_faults();
        check.take_under(field, faults);
        centre.filter(|_| sound)
    }

    fn check_bare(&self, check: &mut Checker) -> Option<Centre> {
        let measured = [self.area_cm2, self.volume_ml, self.height_mm];
        if let Some(diameter) = self.diameter_mm {
            if measured.iter().any(Option::is_some) {
                check.fault("diameter_mm", say::diameter_alone_or_all());
            }
            let d = check.number("diameter_mm", diameter, check::CAVITY_MM);
            return Some(Centre {
                area: square_centimetres(PI * d * d / 100.0),
                volume: millilitres(PI * d.powi(3) / 6_000.0),
                height: millimetres(d),
                width: millimetres(d),
            });
        }
        let [Some(area), Some(volume), Some(height)] = measured else {
            check.fault("diameter_mm", say::needed_for_a_ball());
            return None;
        };
        let area = check.number("area_cm2", area, check::CAVITY_CM2);
        let volume_ml = check.number("volume_ml", volume, check::INSIDE_ML);
        let height_mm = check.number("height_mm", height, check::CAVITY_MM);
        Some(Centre {
            area: square_centimetres(area),
            volume: millilitres(volume_ml),
            height: millimetres(height_mm),
            width: millimetres((volume_ml * 1_000.0 / height_mm * 4.0 / PI).sqrt()),
        })
    }
}

/// Why nothing can be dipped.
#[derive(Clone, Copy, Debug, PartialEq)]
pub enum DipError {
    /// The vessel is too narrow.
    VesselTooNarrow {
        /// The least, mm.
        least_mm: f64,
    },
}

impl DipError {
    /// What is wrong, and what would be right.
    #[must_use]
    pub fn message(&self) -> Message {
        match self {
            Self::VesselTooNarrow { least_mm } => say::vessel_too_narrow(millimetres(*least_mm)),
        }
    }
}

spoken!(DipError);

/// What dipping takes.
#[derive(Clone, Debug, PartialEq)]
pub struct Dipped {
    /// The coat of one.
    pub coat: Mass,
    /// The coats of all.
    pub coats: Mass,
    /// What must stand in the vessel to cover one.
    pub in_vessel: Mass,
    /// What to weigh out: the vessel still covers the last one.
    pub to_weigh: Mass,
    /// What is left in the vessel after the last, and comes back.
    pub returned: Mass,
    /// Remarks.
    pub notes: Vec<Note>,
    /// The working.
    pub working: Vec<Working>,
}

/// Coat = surface · t · ρ; the vessel needs π·d²/4·(H + 15) less what the piece
/// displaces (docs/craft.md, section 4).
///
/// # Errors
/// Where the vessel does not let the piece in.
pub fn dip(
    chocolate: &Chocolate,
    centre: &Centre,
    count: u32,
    coat: Length,
    vessel: Length,
) -> Result<Dipped, DipError> {
    let vessel_mm = in_millimetres(vessel);
    // With a coat on either side.
    let least_mm = in_millimetres(centre.width) + 2.0 * in_millimetres(coat);
    let stands = PI * vessel_mm * vessel_mm / 4.0 * (in_millimetres(centre.height) + OVER_MM);
    let around = millilitres(stands / 1_000.0 - in_millilitres(centre.volume));
    if vessel_mm <= least_mm || around <= Volume::default() {
        return Err(DipError::VesselTooNarrow { least_mm: least_mm.ceil() });
    }
    let one: Mass = centre.area * coat * chocolate.solid_density;
    let all = one * f64::from(count);
    let in_vessel: Mass = around * melted_density(chocolate);
    let mut notes = Vec::new();
    if in_vessel > all * 3.0 {
        notes.push(Note::info("narrower-vessel", say::narrower_vessel()));
    }
    Ok(Dipped {
        coat: one,
        coats: all,
        in_vessel,
        to_weigh: with_allowance(in_vessel + all),
        returned: in_vessel,
        notes,
        working: vec![
            Working::new("surface of one", in_square_centimetres(centre.area), "cm²"),
            Working::new("coat of one", in_grams(one), "g"),
            Working::new("coats of all", in_grams(all), "g"),
            Working::new("in the vessel, so that one is covered", in_grams(in_vessel), "g"),
            Working::new(
                "to weigh, with what stays behind",
                in_grams(with_allowance(in_vessel + all)),
                "g",
            ),
        ],
    })
}

/// What the temperature of a centre means for its coat.
#[must_use]
pub fn centre_remarks(temp: Temperature) -> Vec<Note> {
    let c = in_celsius(temp);
    if c < CENTRE_C[0] {
        vec![Note::caution("centre-cold", say::centre_cold())]
    } else if c > CENTRE_C[1] {
        vec![Note::caution("centre-warm", say::centre_warm())]
    } else {
        Vec::new()
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::chocolate::Family;

    fn ball(diameter_mm: f64) -> Centre {
        let shape = DippedShape { diameter_mm: Some(diameter_mm), ..DippedShape::default() };
        shape.check("shape", &mut Checker::new()).expect("sound")
    }

    #[test]
    fn a_ball_takes_its_surface_and_the_vessel_its_depth() {
        let milk = Chocolate::of(Family::Milk);
        let coat = millimetres(COAT_MM);
        let set = dip(&milk, &ball(30.0), 20, coat, millimetres(60.0)).expect("it goes in");
        // π·3² · 0.13 · 1.27
        assert!((in_grams(set.coat) - 4.668).abs() < 1e-3, "{:?}", set.coat);
        // (π·6²/4·4.5 − 14.137) · 1.27 · 0.97
        assert!((in_grams(set.in_vessel) - 139.33).abs() < 0.01, "{:?}", set.in_vessel);
        assert!(set.to_weigh > set.in_vessel + set.coats);
        let tight = dip(&milk, &ball(30.0), 20, coat, millimetres(26.0)).expect_err("too narrow");
        assert_eq!(tight.to_string(), "must be wider than what is dipped: at least 33 mm");
    }

    #[test]
    fn a_shape_is_a_ball_or_measured_and_not_both() {
        let told = |shape: DippedShape| {
            let mut check = Checker::new();
            shape.check("shape", &mut check);
            check.into_faults().into_iter().map(|f| f.field).collect::<Vec<_>>()
        };
        assert_eq!(told(DippedShape::default()), ["shape.diameter_mm"]);
        let both = DippedShape {
            diameter_mm: Some(30.0),
            height_mm: Some(30.0),
            ..DippedShape::default()
        };
        assert_eq!(told(both), ["shape.diameter_mm"]);
        let stick = DippedShape {
            area_cm2: Some(40.0),
            volume_ml: Some(12.0),
            height_mm: Some(120.0),
            diameter_mm: None,
        };
        assert!(told(stick).is_empty());
    }

    #[test]
    fn centres_are_firm_and_cold_but_not_frozen() {
        use crate::units::celsius;
        let codes = |c| centre_remarks(celsius(c)).into_iter().map(|n| n.code).collect::<Vec<_>>();
        assert_eq!(codes(-18.0), ["centre-cold"]);
        assert!(codes(14.0).is_empty());
        assert_eq!(codes(26.0), ["centre-warm"]);
    }
}
