//! How a slab sets from moment to moment.

use kurbo::common::solve_itp;

/// A time between two moments is found as a share of what lies between them, to this.
const SHARE: f64 = 1e-4;

/// A slab at some moment.
#[derive(Clone, Copy, Debug, PartialEq)]
pub(super) struct Moment {
    /// Seconds from the start.
    pub t_s: f64,
    /// Its temperature, °C.
    pub temp_c: f64,
    /// The share of its fat that has crystallised.
    pub crystals: f64,
    /// How fast it warms, K/s.
    pub warms: f64,
    /// How fast crystals form, 1/s.
    pub forms: f64,
}

/// Moments one after the other, as far apart as how fast it changes lets them be.
#[derive(Clone, Debug, Default)]
pub(super) struct Course(Vec<Moment>);

impl Course {
    /// Of moments in their order.
    pub(super) fn of(moments: impl IntoIterator<Item = Moment>) -> Self {
        Self(moments.into_iter().collect())
    }

    /// How it stands at its end.
    pub(super) fn last(&self) -> Option<Moment> {
        self.0.last().copied()
    }

    /// How it stands at a time; `None` past its end.
    pub(super) fn at(&self, t_s: f64) -> Option<Moment> {
        let after = self.0.iter().position(|m| m.t_s >= t_s)?;
        let Some(before) = after.checked_sub(1) else { return Some(self.0[0]) };
        let between = Between(self.0[before], self.0[after]);
        Some(between.at((t_s - between.0.t_s) / between.lasts()))
    }

    /// When a share has crystallised, and how warm it is then; `None` where it does not come
    /// to that.
    pub(super) fn reaches(&self, crystals: f64) -> Option<Moment> {
        let after = self.0.iter().position(|m| m.crystals >= crystals)?;
        let Some(before) = after.checked_sub(1) else { return Some(self.0[0]) };
        let between = Between(self.0[before], self.0[after]);
        let over = |share: f64| between.crystals(share) - crystals;
        let [low, high] = [between.0.crystals - crystals, between.1.crystals - crystals];
        Some(between.at(solve_itp(over, 0.0, 1.0, SHARE, 1, 0.2, low, high)))
    }

    /// Another course from one of its moments on.
    pub(super) fn then(mut self, from: Moment, after: Self) -> Self {
        self.0.retain(|moment| moment.t_s < from.t_s);
        self.0.push(from);
        self.0.extend(after.0.into_iter().map(|m| Moment { t_s: m.t_s + from.t_s, ..m }));
        self
    }
}

/// What lies between two moments: the cubics that leave and arrive as fast as it changes there.
struct Between(Moment, Moment);

impl Between {
    fn lasts(&self) -> f64 {
        self.1.t_s - self.0.t_s
    }

    fn crystals(&self, share: f64) -> f64 {
        let Self(a, b) = self;
        let lasts = self.lasts();
        cubic([a.crystals, a.forms * lasts], [b.crystals, b.forms * lasts], share)
    }

    fn temp_c(&self, share: f64) -> f64 {
        let Self(a, b) = self;
        let lasts = self.lasts();
        cubic([a.temp_c, a.warms * lasts], [b.temp_c, b.warms * lasts], share)
    }

    fn at(&self, share: f64) -> Moment {
        let Self(a, b) = self;
        let linear = |a: f64, b: f64| a + (b - a) * share;
        Moment {
            t_s: linear(a.t_s, b.t_s),
            temp_c: self.temp_c(share),
            crystals: self.crystals(share),
            warms: linear(a.warms, b.warms),
            forms: linear(a.forms, b.forms),
        }
    }
}

/// Hermite's cubic from one value and slope to another, at a share of the way.
fn cubic([a, leaves]: [f64; 2], [b, arrives]: [f64; 2], share: f64) -> f64 {
    let rest = 1.0 - share;
    let towards = share * share * (1.0 + 2.0 * rest);
    a + (b - a) * towards + leaves * share * rest * rest - arrives * share * share * rest
}
