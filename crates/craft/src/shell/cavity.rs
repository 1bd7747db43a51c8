//! A cavity: how much it holds, how much wall it has, how wide it opens.

use std::f64::consts::PI;

use serde::{Deserialize, Serialize};

use crate::catalogue::shell as say;
use crate::check::{self, Bounds, Checker};
use crate::units::{
    Area, Length, Volume, in_millilitres, in_millimetres, in_square_centimetres, millilitres,
    millimetres, square_centimetres,
};

/// The form of a cavity.
#[derive(Clone, Copy, Debug, Default, PartialEq, Eq, Hash, Serialize, Deserialize)]
#[serde(rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum CavityShape {
    /// Half a ball: `diameter_mm`.
    Hemisphere,
    /// A round disc or cup with straight walls: `diameter_mm`, `depth_mm`.
    Cylinder,
    /// A cone: `diameter_mm`, `depth_mm`.
    Cone,
    /// A bar or box: `length_mm`, `width_mm`, `depth_mm`.
    Block,
    /// Any other, as measured: `volume_ml` (the water it holds, in grams),
    /// `area_cm2`, `opening_cm2`.
    #[default]
    Measured,
}

/// A cavity, as the maker states it: the form, and what that form is known by.
#[derive(Clone, Copy, Debug, Default, PartialEq, Serialize, Deserialize)]
#[serde(deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct CavityInputs {
    /// Its form; `measured` if left out.
    #[serde(default)]
    pub shape: CavityShape,
    /// Across the opening.
    #[serde(default)]
    pub diameter_mm: Option<f64>,
    /// The longer side of the opening.
    #[serde(default)]
    pub length_mm: Option<f64>,
    /// The shorter side of the opening.
    #[serde(default)]
    pub width_mm: Option<f64>,
    /// How deep it is.
    #[serde(default)]
    pub depth_mm: Option<f64>,
    /// What it holds: a gram of water is a millilitre.
    #[serde(default)]
    pub volume_ml: Option<f64>,
    /// Its inside, without the opening.
    #[serde(default)]
    pub area_cm2: Option<f64>,
    /// Its opening.
    #[serde(default)]
    pub opening_cm2: Option<f64>,
}

/// A cavity.
#[derive(Clone, Copy, Debug, PartialEq)]
pub struct Cavity {
    /// What it holds.
    pub volume: Volume,
    /// Its inside, without the opening.
    pub area: Area,
    /// Its opening.
    pub opening: Area,
}

impl CavityInputs {
    /// Half a ball.
    #[must_use]
    pub fn hemisphere(diameter_mm: f64) -> Self {
        Self { shape: CavityShape::Hemisphere, diameter_mm: Some(diameter_mm), ..Self::default() }
    }

    /// The cavity, with faults noted under `field`; `None` where a number is missing.
    pub fn check(&self, field: &str, check: &mut Checker) -> Option<Cavity> {
        let mut faults = Checker::new();
        let cavity = self.check_bare(&mut faults);
        let sound = !faults.has_faults();
        check.take_under(field, faults);
        cavity.filter(|_| sound)
    }

    fn check_bare(&self, check: &mut Checker) -> Option<Cavity> {
        let mut needed = |name: &str, value: Option<f64>, bounds: Bounds| match value {
            Some(value) => Some(check.number(name, value, bounds)),
            None => {
                check.fault(name, say::needed_for_this_form(bounds));
                None
            }
        };
        let mm = check::CAVITY_MM;
        match self.shape {
            CavityShape::Hemisphere => {
                let r = needed("diameter_mm", self.diameter_mm, mm)? / 2.0;
                Some(Cavity::of(2.0 / 3.0 * PI * r.powi(3), 2.0 * PI * r * r, PI * r * r))
            }
            CavityShape::Cylinder => {
                let diameter = needed("diameter_mm", self.diameter_mm, mm);
                let depth = needed("depth_mm", self.depth_mm, mm)?;
                let r = diameter? / 2.0;
                let opening = PI * r * r;
                Some(Cavity::of(opening * depth, opening + 2.0 * PI * r * depth, opening))
            }
            CavityShape::Cone => {
                let diameter = needed("diameter_mm", self.diameter_mm, mm);
                let depth = needed("depth_mm", self.depth_mm, mm)?;
                let r = diameter? / 2.0;
                let opening = PI * r * r;
                Some(Cavity::of(opening * depth / 3.0, PI * r * r.hypot(depth), opening))
            }
            CavityShape::Block => {
                let length = needed("length_mm", self.length_mm, mm);
                let width = needed("width_mm", self.width_mm, mm);
                let depth = needed("depth_mm", self.depth_mm, mm)?;
                let (length, width) = (length?, width?);
                let opening = length * width;
                Some(Cavity::of(opening * depth, opening + 2.0 * depth * (length + width), opening))
            }
            CavityShape::Measured => {
                let volume = needed("volume_ml", self.volume_ml, check::CAVITY_ML);
                let area = needed("area_cm2", self.area_cm2, check::CAVITY_CM2);
                let opening = needed("opening_cm2", self.opening_cm2, check::CAVITY_CM2)?;
                let (volume, area) = (volume?, area?);
                // Of what is out of its own bounds no more is said.
                if !check.has_faults() && opening >= area {
                    check.fault(
                        "opening_cm2",
                        say::less_than_the_inside(
                            square_centimetres(area),
                            square_centimetres(opening),
                        ),
                    );
                }
                Some(Cavity {
                    volume: millilitres(volume),
                    area: square_centimetres(area),
                    opening: square_centimetres(opening),
                })
            }
        }
    }
}

impl Cavity {
    /// By millimetres, square and cubic.
    fn of(volume_mm3: f64, area_mm2: f64, opening_mm2: f64) -> Self {
        Self {
            volume: millilitres(volume_mm3 / 1_000.0),
            area: square_centimetres(area_mm2 / 100.0),
            opening: square_centimetres(opening_mm2 / 100.0),
        }
    }

    /// R_e = 3V/A: the radius of the half ball that has as much wall to its room
    /// (docs/craft.md, section 4).
    #[must_use]
    pub fn radius(&self) -> Length {
        let mm = 3.0 * in_millilitres(self.volume) * 10.0 / in_square_centimetres(self.area);
        millimetres(mm)
    }

    /// What is left of it where a share of its face, 0 to 1, is filled solid and so much of its
    /// room is taken up: a shell in it has that much less to line and to fill.
    #[must_use]
    pub fn without(&self, face: f64, room: Volume) -> Self {
        Self { volume: self.volume - room, area: self.area * (1.0 - face), opening: self.opening }
    }

    /// How far across a ball is that holds as much.
    #[must_use]
    pub fn as_a_ball(&self) -> Length {
        millimetres((6.0 * in_millilitres(self.volume) * 1_000.0 / PI).cbrt())
    }

    /// The wall of a shell of this thickness: A·t·(1 − x + x²/3), x = t/R_e; exact
    /// for half a ball.
    #[must_use]
    pub fn wall(&self, shell: Length) -> Volume {
        let t = in_millimetres(shell);
        let x = (t / in_millimetres(self.radius())).min(1.0);
        let t = x * in_millimetres(self.radius());
        millilitres(in_square_centimetres(self.area) * t / 10.0 * (1.0 - x + x * x / 3.0))
    }

    /// How far across it is where it opens, as though that were round.
    #[must_use]
    pub fn across(&self) -> Length {
        millimetres((in_square_centimetres(self.opening) * 100.0 / PI).sqrt() * 2.0)
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    fn cavity(inputs: CavityInputs) -> Result<Cavity, Vec<String>> {
        let mut check = Checker::new();
        let cavity = inputs.check("cavity", &mut check);
        cavity.ok_or_else(|| {
            check.into_faults().into_iter().map(|f| format!("{} {}", f.field, f.message)).collect()
        })
    }

    #[test]
    fn half_a_ball_and_its_measures_are_the_same_cavity() {
        let ball = cavity(CavityInputs::hemisphere(26.0)).expect("a cavity");
        assert!((in_millilitres(ball.volume) - 4.601).abs() < 1e-3);
        assert!((in_millimetres(ball.radius()) - 13.0).abs() < 1e-9);
        assert!((in_millimetres(ball.across()) - 26.0).abs() < 1e-9);
        let measured = CavityInputs {
            volume_ml: Some(in_millilitres(ball.volume)),
            area_cm2: Some(in_square_centimetres(ball.area)),
            opening_cm2: Some(in_square_centimetres(ball.opening)),
            ..CavityInputs::default()
        };
        let again = cavity(measured).expect("a cavity");
        assert!(
            (in_millilitres(again.wall(millimetres(1.8)) - ball.wall(millimetres(1.8)))).abs()
                < 1e-9
        );
        // A wall as thick as the radius fills it.
        let full = ball.wall(millimetres(13.0));
        assert!((in_millilitres(full) - in_millilitres(ball.volume)).abs() < 1e-9);
    }

    #[test]
    fn each_form_has_the_volume_that_geometry_gives() {
        let block = CavityInputs {
            shape: CavityShape::Block,
            length_mm: Some(100.0),
            width_mm: Some(40.0),
            depth_mm: Some(10.0),
            ..CavityInputs::default()
        };
        let block = cavity(block).expect("a cavity");
        assert!((in_millilitres(block.volume) - 40.0).abs() < 1e-9);
        assert!((in_square_centimetres(block.area) - 68.0).abs() < 1e-9);
        let round = |shape| {
            let inputs = CavityInputs {
                shape,
                diameter_mm: Some(20.0),
                depth_mm: Some(30.0),
                ..CavityInputs::default()
            };
            cavity(inputs).expect("a cavity")
        };
        let (cup, cone) = (round(CavityShape::Cylinder), round(CavityShape::Cone));
        assert!((in_millilitres(cup.volume) / in_millilitres(cone.volume) - 3.0).abs() < 1e-9);
        assert!(cone.area < cup.area);
    }

    #[test]
    fn what_a_form_needs_is_named() {
        let told = cavity(CavityInputs::default()).expect_err("nothing is stated");
        assert_eq!(told.len(), 3, "{told:?}");
        assert_eq!(told[0], "cavity.volume_ml is needed for this form: 0.2 to 3000 ml");
        let told = cavity(CavityInputs {
            shape: CavityShape::Cone,
            diameter_mm: Some(0.0),
            ..CavityInputs::default()
        });
        assert_eq!(told.expect_err("no depth").len(), 2);
        let wide = CavityInputs {
            volume_ml: Some(5.0),
            area_cm2: Some(6.0),
            opening_cm2: Some(9.0),
            ..CavityInputs::default()
        };
        assert!(
            cavity(wide).expect_err("opens wider than it is")[0].starts_with("cavity.opening_cm2")
        );
    }
}
