//! How long what is made keeps, by its most perishable part, how it is stored, and what it must not
//! lie beside.

use super::known_goods::Known;
use super::planned::{PlannedBowl, PlannedComponent, plan_of};
use crate::catalogue::keeping as say;
use crate::chocolate::{AddedFat, Family};
use crate::filling::COLD_C;
use crate::keeping::{Lasts, Store};
use crate::message::{Message, names};
use crate::note::Note;
use crate::work::Draft;

/// Chocolate by its family, and bark with fruit or cereal, weeks (docs/craft.md, section 6).
const DARK_WEEKS: f64 = 8.0;
const MILK_WEEKS: f64 = 6.0;
const FRUIT_OR_CEREAL_WEEKS: f64 = 3.0;
/// Chocolate that was not tempered, days (docs/craft.md, section 6).
const UNTEMPERED_DAYS: f64 = 2.0;
/// A cool room, °C (docs/craft.md, section 6).
const COOL_C: [f64; 2] = [15.0, 18.0];
/// With butter in it, and with another fat, weeks (*custom*).
const BUTTER_WEEKS: f64 = 3.0;
const FAT_WEEKS: f64 = 6.0;
/// With moist goods in it, days (*custom*).
const MOIST_DAYS: f64 = 4.0;

/// What has a date of its own is taken to keep so long, against what is custom, days (*custom*).
const UNKNOWN_DAYS: f64 = 20.0;

/// How something that is made is kept.
#[derive(Clone, Debug, PartialEq)]
pub struct Keeping {
    /// Days, at the most; `None` where only a date of its own tells.
    pub days: Option<f64>,
    /// How long, and by which part, in a sentence.
    pub text: Message,
    /// Where it is kept.
    pub store: Store,
    /// How it is stored, in words.
    pub storage: Message,
    /// What it must not lie beside.
    pub apart: Vec<Message>,
}

impl Keeping {
    /// Of what is drafted, by all that is in it; `None` of what nobody eats as it is.
    pub(super) fn of(draft: &Draft, bowls: &[PlannedBowl]) -> Option<Self> {
        let own = draft.said.keeps.clone();
        let goods = draft.goods.iter().filter(|one| matches!(one.goes, "mixed in" | "on top"));
        let of_goods = goods.filter_map(|one| of_goods(&one.name));
        let of_mixed = draft.moist.iter().map(|name| {
            let text = say::as_moist(name);
            Lasts { days: Some(MOIST_DAYS), store: Store::Fridge, text }
        });
        let parts = of_chocolates(draft, bowls).into_iter().chain(of_goods).chain(of_mixed);
        let shortest = own.into_iter().chain(parts).reduce(shorter)?;
        Some(Self {
            days: shortest.days,
            text: shortest.text,
            store: shortest.store,
            storage: match shortest.store {
                Store::CoolRoom => say::in_a_cool_room(COOL_C),
                Store::Fridge => say::in_the_fridge(COLD_C),
                Store::Dry => say::above_all_dry(),
                Store::UntilServed => say::cold_until_served(),
            },
            apart: apart(draft, shortest.store),
        })
    }

    /// Whether it softens what is crisp.
    fn is_moist(&self) -> bool {
        self.store == Store::Fridge
    }
}

/// The one that keeps less; of what has no time of its own, what is perishable comes first.
fn shorter(a: Lasts, b: Lasts) -> Lasts {
    let rank = |lasts: &Lasts| match (lasts.days, lasts.store) {
        (Some(days), _) => days,
        (None, Store::Fridge) => MOIST_DAYS,
        // Nobody knows: its own date comes before what is custom for the rest.
        (None, _) => UNKNOWN_DAYS,
    };
    if rank(&b) < rank(&a) { b } else { a }
}

fn of_goods(name: &str) -> Option<Lasts> {
    let Known { crisp, fruit, .. } = Known::by(name);
    (crisp || fruit).then(|| Lasts::weeks(FRUIT_OR_CEREAL_WEEKS, say::as_fruit_or_cereal(name)))
}

fn of_chocolates(draft: &Draft, bowls: &[PlannedBowl]) -> Vec<Lasts> {
    let mut all = Vec::new();
    for portion in &draft.takes {
        let Some(plan) = plan_of(bowls, &portion.chocolate) else { continue };
        let (family, label) = (plan.chocolate.family, plan.chocolate.family.in_words());
        if family == Family::CocoaButter {
            continue;
        }
        let shocked = draft.sets.stone.is_some() || draft.sets.on_ice;
        let untested = !plan.method.is_tested() && !plan.method.keeps_crystals();
        if family.tempers() && (shocked || untested) {
            let text = say::as_untempered();
            all.push(Lasts { days: Some(UNTEMPERED_DAYS), store: Store::UntilServed, text });
        }
        all.push(match family {
            Family::Dark | Family::Coating => {
                Lasts::weeks(DARK_WEEKS, say::as_chocolate(DARK_WEEKS, label))
            }
            _ => Lasts::weeks(MILK_WEEKS, say::as_chocolate(MILK_WEEKS, label)),
        });
        if let Some((added, _)) = plan.fat_added() {
            let weeks = if added.fat == AddedFat::Butter { BUTTER_WEEKS } else { FAT_WEEKS };
            all.push(Lasts::weeks(weeks, say::as_fat(weeks, added.fat.name())));
        }
        if plan.fats_mixed {
            all.push(Lasts::weeks(FAT_WEEKS, say::as_mixed_fats(FAT_WEEKS)));
        }
    }
    all
}

/// What it must not lie beside.
fn apart(draft: &Draft, store: Store) -> Vec<Message> {
    let known: Vec<_> =
        draft.goods.iter().map(|one| (one.name.as_str(), Known::by(&one.name))).collect();
    let named = |is: fn(&Known) -> bool| -> Vec<&str> {
        known.iter().filter(|(_, known)| is(known)).map(|(name, _)| *name).collect()
    };
    let mut apart = Vec::new();
    if known.iter().any(|(_, known)| known.nutty) {
        apart.push(say::apart_from_nut_free());
    }
    if store == Store::Fridge {
        apart.push(say::apart_from_crisp());
    }
    let crisp = named(|known| known.crisp);
    if !crisp.is_empty() {
        apart.push(say::apart_from_moist(names(crisp)));
    } else if store == Store::Dry {
        apart.push(say::sugar_apart_from_moist());
    }
    let scented = named(|known| known.scented);
    if !scented.is_empty() {
        apart.push(say::apart_from_plain(names(scented)));
    }
    if draft.shown.cast.is_some() || draft.shown.underside == Some("gloss") {
        apart.push(say::faces_apart());
    }
    apart
}

/// Remarks on what of one plan must not be packed together.
pub(super) fn packed_apart<'c>(
    components: impl IntoIterator<Item = &'c PlannedComponent> + Clone,
) -> Option<Note> {
    let keeping = |one: &&PlannedComponent| one.keeping.as_ref().is_some_and(Keeping::is_moist);
    let moist: Vec<_> =
        components.clone().into_iter().filter(keeping).map(|one| &one.name).collect();
    let crisp: Vec<_> = components
        .into_iter()
        .filter(|one| {
            let dry = one.keeping.as_ref().is_some_and(|keeping| keeping.store == Store::Dry);
            dry || one.draft.goods.iter().any(|goods| Known::by(&goods.name).crisp)
        })
        .filter(|one| !keeping(one))
        .map(|one| &one.name)
        .collect();
    (!moist.is_empty() && !crisp.is_empty())
        .then(|| Note::info("pack-apart", say::pack_apart(names(moist), names(crisp))))
}
