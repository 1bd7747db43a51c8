//! Allergens: what a plan contains, what it may contain, and whose label is still to be read.
//!
//! What is not known to be in something is never told to be absent: where no label was put in,
//! the thing is named as one whose label must be read.

use serde::{Deserialize, Serialize};

use crate::chocolate::Family;
use crate::words::worded;

worded! {
    /// An allergen that labels of chocolates and goods name; in the order in which labels do.
    Allergen {
        /// Milk and what is made of it.
        Milk = "milk",
        /// Soya, lecithin of it too.
        Soya = "soya",
        /// Nuts that grow on trees.
        Nuts = "nuts",
        /// Peanuts.
        Peanuts = "peanuts",
        /// Grain with gluten.
        Gluten = "gluten",
        /// Sesame.
        Sesame = "sesame",
        /// Egg.
        Egg = "egg",
    }
}

/// What a label says of allergens.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[serde(default, deny_unknown_fields)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct LabelInputs {
    /// What is in it.
    pub contains: Vec<Allergen>,
    /// What traces there may be of.
    pub may_contain: Vec<Allergen>,
}

/// What all of a plan contains.
#[derive(Clone, Debug, Default, PartialEq, Eq, Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub struct Declared {
    /// What is in it.
    pub contains: Vec<Allergen>,
    /// What traces there may be of, less what it contains.
    pub may_contain: Vec<Allergen>,
    /// Whose label was not put in and must be read.
    pub unread: Vec<String>,
}

/// What a family always contains: milk, white, ruby and blond are made with milk.
pub(crate) const fn of_family(family: Family) -> &'static [Allergen] {
    match family {
        Family::Milk | Family::White | Family::Ruby | Family::Blond => &[Allergen::Milk],
        Family::Dark | Family::CocoaButter | Family::Coating => &[],
    }
}

/// Words in the names of goods, and what such goods contain (*custom*: a start, no list is whole).
const IN_NAMES: [(&str, Allergen); 37] = [
    ("hazelnut", Allergen::Nuts),
    ("almond", Allergen::Nuts),
    ("walnut", Allergen::Nuts),
    ("pecan", Allergen::Nuts),
    ("pistachio", Allergen::Nuts),
    ("cashew", Allergen::Nuts),
    ("macadamia", Allergen::Nuts),
    ("chopped nuts", Allergen::Nuts),
    ("nut paste", Allergen::Nuts),
    ("praline", Allergen::Nuts),
    ("marzipan", Allergen::Nuts),
    ("brazil nut", Allergen::Nuts),
    ("peanut", Allergen::Peanuts),
    ("sesame", Allergen::Sesame),
    ("tahini", Allergen::Sesame),
    ("biscuit", Allergen::Gluten),
    ("wafer", Allergen::Gluten),
    ("pretzel", Allergen::Gluten),
    ("cookie", Allergen::Gluten),
    ("gluten", Allergen::Gluten),
    ("wheat", Allergen::Gluten),
    (" rye ", Allergen::Gluten),
    ("barley", Allergen::Gluten),
    ("oats", Allergen::Gluten),
    ("cream", Allergen::Milk),
    ("milk", Allergen::Milk),
    ("white chocolate", Allergen::Milk),
    ("ruby chocolate", Allergen::Milk),
    ("blond chocolate", Allergen::Milk),
    ("yoghurt", Allergen::Milk),
    ("nougat", Allergen::Nuts),
    ("nougat", Allergen::Egg),
    ("malted", Allergen::Gluten),
    (" malt ", Allergen::Gluten),
    ("caramel", Allergen::Milk),
    ("soya", Allergen::Soya),
    ("egg", Allergen::Egg),
];

/// Butters that are not of milk.
const OTHER_BUTTERS: [&str; 3] = ["cocoa butter", "nut butter", "almond butter"];

/// What nuts are called on a label, by the words that tell of them.
const NUTS: [(&str, &str); 8] = [
    ("hazelnut", "hazelnuts"),
    ("almond", "almonds"),
    ("walnut", "walnuts"),
    ("pecan", "pecans"),
    ("pistachio", "pistachios"),
    ("cashew", "cashews"),
    ("macadamia", "macadamias"),
    ("brazil nut", "Brazil nuts"),
];

/// What a nut is called on a label, by the word that told of it; `None` where that says no more
/// than that there are nuts.
pub(crate) fn nut_named(word: &str) -> Option<&'static str> {
    NUTS.iter().find(|(known, _)| *known == word).map(|(_, name)| *name)
}

/// Words with an allergen's name in them that are none of it.
const NOT_OF_IT: [(&str, Allergen); 4] = [
    ("coconut milk", Allergen::Milk),
    ("oat milk", Allergen::Milk),
    ("cream of tartar", Allergen::Milk),
    ("buckwheat", Allergen::Gluten),
];

/// The words in a name, in small letters, that tell of allergens, and of which.
pub(crate) fn told_by(lower: &str) -> impl Iterator<Item = (&'static str, Allergen)> {
    // A word that stands with spaces in the list is found only as a whole one.
    let apart = |c: char| if c.is_alphanumeric() { c } else { ' ' };
    let spaced = format!(" {} ", lower.chars().map(apart).collect::<String>());
    let known = IN_NAMES.iter().filter(move |(word, of)| {
        let other = |(other, none): &(&str, Allergen)| none == of && spaced.contains(other);
        spaced.contains(word) && !NOT_OF_IT.iter().any(other)
    });
    let butter = lower.contains("butter") && !OTHER_BUTTERS.iter().any(|b| lower.contains(b));
    let nuts = lower.split(|c: char| !c.is_alphabetic()).any(|word| matches!(word, "nuts" | "nut"));
    let known = known.copied().chain(butter.then_some(("butter", Allergen::Milk)));
    known.chain(nuts.then_some(("nuts", Allergen::Nuts)))
}

/// Who gathers what a plan contains.
#[derive(Debug, Default)]
pub struct Gathering {
    contains: Vec<Allergen>,
    may_contain: Vec<Allergen>,
    unread: Vec<String>,
}

impl Gathering {
    /// A chocolate of some families, and what its label says, where that was put in.
    pub fn chocolate(
        &mut self,
        name: &str,
        families: impl IntoIterator<Item = Family>,
        label: Option<&LabelInputs>,
    ) {
        for family in families {
            self.contains.extend(of_family(family));
        }
        self.label(name, label);
    }

    /// Goods by their name: what that tells, and what their label says; where that was not put
    /// in, that it is to be read.
    pub fn goods(&mut self, name: &str, label: Option<&LabelInputs>) {
        self.contains.extend(told_by(&name.to_lowercase()).map(|(_, allergen)| allergen));
        self.label(name, label);
    }

    /// What a label says; where it was not put in, that it is to be read.
    fn label(&mut self, name: &str, label: Option<&LabelInputs>) {
        if let Some(label) = label {
            self.contains.extend(&label.contains);
            self.may_contain.extend(&label.may_contain);
        } else if !self.unread.iter().any(|known| known == name) {
            self.unread.push(name.to_owned());
        }
    }

    /// All of it, each once.
    #[must_use]
    pub fn declared(self) -> Declared {
        let once = |mut all: Vec<Allergen>| {
            all.sort_unstable();
            all.dedup();
            all
        };
        let contains = once(self.contains);
        let mut may_contain = once(self.may_contain);
        may_contain.retain(|allergen| !contains.contains(allergen));
        Declared { contains, may_contain, unread: self.unread }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::plan::{BowlInputs, Plan, PlanInputs};
    use crate::work::{CoverInputs, SlabInputs, WorkInputs};

    fn with_nuts(bowl: BowlInputs) -> PlanInputs {
        let mut inputs = PlanInputs::usual(bowl.family);
        inputs.bowls = vec![bowl];
        for kind in crate::kinds::kinds() {
            if let (WorkInputs::Slab(SlabInputs { mixed_in: goods, .. }), Some(component)) =
                (kind.start, inputs.components.first_mut())
                && let WorkInputs::Slab(slab) = &mut component.work
            {
                slab.mixed_in = goods;
                slab.cover = CoverInputs::Spread { in_hand_g: 300.0, thickness_mm: 7.0 };
            }
        }
        inputs
    }

    #[test]
    fn chocolates_in_fillings_are_known_by_their_names() {
        let mut all = Gathering::default();
        all.goods("white chocolate for the filling", None);
        all.goods("dark chocolate for the ganache", None);
        let Declared { contains, unread, .. } = all.declared();
        assert_eq!(contains, [Allergen::Milk]);
        assert_eq!(unread.len(), 2, "and their labels are still to be read");
    }

    #[test]
    fn what_is_known_is_told_and_what_is_not_must_be_read() {
        let plan = Plan::of(&with_nuts(BowlInputs::usual(Family::Milk))).expect("a plan");
        let Declared { contains, may_contain, unread } = plan.allergens;
        assert_eq!(contains, [Allergen::Milk, Allergen::Nuts]);
        assert!(may_contain.is_empty());
        assert_eq!(unread.len(), 2, "{unread:?}");
        assert_eq!(unread[0], "milk");
    }

    #[test]
    fn a_label_tells_and_what_it_contains_is_not_told_as_a_trace() {
        let label = LabelInputs {
            contains: vec![Allergen::Soya],
            may_contain: vec![Allergen::Nuts, Allergen::Gluten],
        };
        let bowl = BowlInputs { label: Some(label), ..BowlInputs::usual(Family::Dark) };
        let plan = Plan::of(&with_nuts(bowl)).expect("a plan");
        let Declared { contains, may_contain, unread } = plan.allergens;
        assert_eq!(contains, [Allergen::Soya, Allergen::Nuts]);
        assert_eq!(may_contain, [Allergen::Gluten]);
        assert_eq!(unread.len(), 1, "the goods: {unread:?}");
    }

    #[test]
    fn butter_is_of_milk_and_cocoa_butter_is_not() {
        let mut gathering = Gathering::default();
        gathering.goods("cocoa butter", None);
        assert_eq!(gathering.declared().contains, []);
        let mut gathering = Gathering::default();
        gathering.goods("Butter", None);
        gathering.goods("salted peanuts", None);
        gathering.goods("salted peanuts", None);
        let declared = gathering.declared();
        assert_eq!(declared.contains, [Allergen::Milk, Allergen::Peanuts]);
        assert_eq!(declared.unread, ["Butter", "salted peanuts"]);
    }
}
