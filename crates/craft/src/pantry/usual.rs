//! Common things, as they usually are: a start, without any maker's name (*custom*; weigh ten of
//! yours).

use super::{CountedIn, GoodsInputs, GoodsNotes, Sort};

/// What is not known of it, or does not apply.
const NOT: f64 = f64::NAN;

/// Name, mm across, g each, g/cm³ solid, g/ml as it is poured, % of water and of fat.
type Line = (&'static str, f64, f64, f64, f64, f64, f64);

const NUTS: &[Line] = &[
    ("chopped nuts", 5.0, 0.07, 1.05, 0.48, 4.0, 55.0),
    ("whole hazelnuts", 14.0, 1.1, 1.05, 0.55, 4.0, 61.0),
    ("whole almonds", 20.0, 1.2, 1.05, 0.6, 5.0, 50.0),
    ("flaked almonds", 13.0, 0.15, 1.05, 0.38, 4.0, 50.0),
    ("walnut halves", 28.0, 2.5, 1.0, 0.42, 4.0, 65.0),
    ("pecan halves", 30.0, 2.0, 1.0, 0.42, 3.0, 72.0),
    ("pistachio kernels", 12.0, 0.6, 1.05, 0.52, 4.0, 45.0),
    ("cashews", 22.0, 1.5, 1.05, 0.55, 5.0, 44.0),
    ("macadamia nuts", 18.0, 2.4, 1.0, 0.55, 1.5, 75.0),
    ("roasted peanuts", 12.0, 0.6, 1.03, 0.6, 2.0, 49.0),
    ("pumpkin seeds", 12.0, 0.1, 1.05, 0.55, 5.0, 49.0),
    ("sunflower seeds", 8.0, 0.05, 1.05, 0.55, 5.0, 51.0),
    ("sesame seeds", 3.0, 0.004, 1.1, 0.6, 5.0, 50.0),
    ("desiccated coconut", 4.0, 0.01, 1.05, 0.33, 3.0, 65.0),
    ("cocoa nibs", 4.0, 0.04, 1.05, 0.55, 4.0, 53.0),
];

const FRUIT: &[Line] = &[
    ("raisins", 9.0, 0.5, 1.35, 0.65, 16.0, 0.5),
    ("dried sour cherries", 11.0, 0.6, 1.3, 0.6, 18.0, 1.0),
    ("dried cranberries", 11.0, 0.45, 1.35, 0.5, 15.0, 1.0),
    ("soft dried apricots, diced", 8.0, 0.4, 1.3, 0.6, 28.0, 0.5),
    ("candied orange peel, diced", 6.0, 0.2, 1.35, 0.6, 16.0, 0.0),
    ("candied ginger, diced", 8.0, 0.4, 1.35, 0.6, 12.0, 0.0),
    ("banana chips", 28.0, 1.2, 0.9, 0.3, 3.0, 34.0),
    ("freeze-dried berry bits", 4.0, 0.02, 0.3, 0.2, 3.0, 2.0),
    ("freeze-dried raspberries", 15.0, 0.35, 0.2, 0.08, 3.0, 2.0),
];

const CRISP: &[Line] = &[
    ("flake cereal", 12.0, 0.05, 0.4, 0.12, 4.0, 2.0),
    ("puffed cereal", 7.0, 0.04, 0.2, 0.08, 4.0, 2.0),
    ("biscuit bits", 8.0, 0.2, 0.7, 0.4, 3.0, 20.0),
    ("wafer flakes", 6.0, 0.02, 0.6, 0.2, 2.0, 12.0),
    ("pretzel bits", 9.0, 0.3, 0.6, 0.25, 3.0, 4.0),
    ("popcorn", 18.0, 0.15, 0.1, 0.03, 4.0, 5.0),
    ("rolled oats", 8.0, 0.02, 0.8, 0.38, 8.0, 7.0),
    ("mini marshmallow", 10.0, 0.35, 0.35, 0.19, 17.0, 0.0),
    ("crushed hard sweets", 4.0, 0.05, 1.5, 0.75, 2.0, 0.0),
    ("honeycomb toffee bits", 10.0, 0.4, 0.6, 0.35, 1.0, 0.0),
];

const STREWN: &[Line] = &[
    ("sugar stars", 6.0, 0.06, 1.5, 0.75, 1.0, 0.0),
    ("sugar pearls", 4.0, 0.05, 1.5, 0.85, 1.0, 0.0),
    ("fine sugar beads", 2.0, 0.005, 1.5, 0.85, 1.0, 0.0),
    ("salt flakes", 3.0, 0.004, 2.1, 0.55, 0.0, 0.0),
    ("coarse salt", 2.0, 0.01, 2.1, 1.0, 0.0, 0.0),
    ("chilli flakes", 4.0, 0.01, 0.9, 0.35, 8.0, 12.0),
    ("ground cinnamon", NOT, NOT, 0.9, 0.5, 8.0, 1.0),
    ("ground coffee", NOT, NOT, 0.9, 0.35, 3.0, 14.0),
    ("coffee beans", 9.0, 0.13, 0.9, 0.4, 3.0, 14.0),
    ("dried petals", 8.0, 0.02, 0.3, 0.06, 8.0, 1.0),
];

const SUGAR: &[Line] = &[
    ("sugar", NOT, NOT, 1.59, 0.85, 0.0, 0.0),
    ("brown sugar", NOT, NOT, 1.59, 0.9, 2.0, 0.0),
    ("icing sugar", NOT, NOT, 1.59, 0.56, 0.0, 0.0),
    ("glucose syrup", NOT, NOT, NOT, 1.42, 20.0, 0.0),
    ("invert syrup", NOT, NOT, NOT, 1.4, 22.0, 0.0),
    ("honey", NOT, NOT, NOT, 1.42, 18.0, 0.0),
    ("sorbitol powder", NOT, NOT, 1.5, 0.7, 0.0, 0.0),
];

const DAIRY: &[Line] = &[
    ("butter", NOT, NOT, NOT, 0.91, 16.0, 82.0),
    ("clarified butter", NOT, NOT, NOT, 0.91, 0.0, 100.0),
    ("coconut fat", NOT, NOT, NOT, 0.92, 0.0, 100.0),
    ("milk powder", NOT, NOT, 1.3, 0.5, 4.0, 26.0),
    ("nut paste", NOT, NOT, NOT, 1.1, 1.0, 60.0),
];

/// Dairy and fats that are poured.
const DAIRY_POURED: &[Line] = &[
    ("cream", NOT, NOT, NOT, 1.0, 58.0, 35.0),
    ("milk", NOT, NOT, NOT, 1.03, 87.0, 4.0),
    ("sunflower oil", NOT, NOT, NOT, 0.92, 0.0, 100.0),
];

const LIQUID: &[Line] = &[
    ("lemon juice", NOT, NOT, NOT, 1.03, 90.0, 0.0),
    ("fruit purée", NOT, NOT, NOT, 1.05, 87.0, 0.0),
    ("spirit of 40 %", NOT, NOT, NOT, 0.95, 67.0, 0.0),
    ("strong coffee", NOT, NOT, NOT, 1.0, 98.0, 0.0),
    ("flavour oil", NOT, NOT, NOT, 0.92, 0.0, 100.0),
];

/// Sticks, sheets and paper: name and g each.
const STICKS: &[(&str, f64)] = &[
    ("paper sticks", 0.6),
    ("wooden sticks", 1.2),
    ("acetate sheets", 18.0),
    ("printed transfer sheets", 20.0),
    ("sheets of parchment", 6.0),
];

const PACKAGING: &[(&str, f64)] =
    &[("clear bags", 2.0), ("gift boxes", 30.0), ("paper cases", 0.3), ("labels", 0.5)];

/// What is weighed or poured, by the sort and by what it is counted in.
const BY_MEASURE: [(Sort, CountedIn, &[Line]); 8] = [
    (Sort::Nuts, CountedIn::Grams, NUTS),
    (Sort::Fruit, CountedIn::Grams, FRUIT),
    (Sort::Crisp, CountedIn::Grams, CRISP),
    (Sort::Strewn, CountedIn::Grams, STREWN),
    (Sort::Sugar, CountedIn::Grams, SUGAR),
    (Sort::Dairy, CountedIn::Grams, DAIRY),
    (Sort::Dairy, CountedIn::Millilitres, DAIRY_POURED),
    (Sort::Liquid, CountedIn::Millilitres, LIQUID),
];

const BY_PIECE: [(Sort, &[(&str, f64)]); 2] =
    [(Sort::Sticks, STICKS), (Sort::Packaging, PACKAGING)];

fn measured(sort: Sort, unit: CountedIn, line: &Line) -> GoodsInputs {
    let &(name, across_mm, each_g, density_g_cm3, bulk_g_ml, water_pct, fat_pct) = line;
    let known = |value: f64| (!value.is_nan()).then_some(value);
    GoodsInputs {
        sort,
        across_mm: known(across_mm),
        each_g: known(each_g),
        density_g_cm3: known(density_g_cm3),
        known: GoodsNotes {
            bulk_g_ml: known(bulk_g_ml),
            temp_c: None,
            water_pct: known(water_pct),
            fat_pct: known(fat_pct),
        },
        ..GoodsInputs::called(name, unit)
    }
}

/// Some sixty common things to start from; the maker's own numbers stand in for each.
#[must_use]
pub fn usual() -> Vec<GoodsInputs> {
    let of_measure = BY_MEASURE
        .iter()
        .flat_map(|(sort, unit, lines)| lines.iter().map(|line| measured(*sort, *unit, line)));
    let of_pieces = BY_PIECE.iter().flat_map(|(sort, lines)| {
        lines.iter().map(|(name, each_g)| GoodsInputs {
            sort: *sort,
            each_g: Some(*each_g),
            ..GoodsInputs::called(name, CountedIn::Pieces)
        })
    });
    of_measure.chain(of_pieces).collect()
}

/// One of those that are weighed or poured, by its name.
#[must_use]
pub fn named(name: &str) -> Option<GoodsInputs> {
    BY_MEASURE.iter().find_map(|(sort, unit, lines)| {
        let line = lines.iter().find(|line| line.0 == name)?;
        Some(measured(*sort, *unit, line))
    })
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::check::Checker;
    use std::collections::HashSet;

    #[test]
    fn the_list_is_in_order_and_each_name_is_there_once() {
        let all = usual();
        assert!(all.len() >= 60, "{}", all.len());
        let names: HashSet<_> = all.iter().map(|goods| goods.name.as_str()).collect();
        assert_eq!(names.len(), all.len());
        for goods in &all {
            let mut check = Checker::new();
            goods.check(&mut check);
            check.finish().unwrap_or_else(|faults| panic!("{}: {faults:?}", goods.name));
        }
    }

    #[test]
    fn what_is_weighed_of_them_can_be_counted() {
        for goods in usual() {
            let one = goods.weighing(1.0).unwrap_or_else(|| panic!("{}", goods.name));
            assert!(goods.counted(one * 10.0).is_some_and(|n| (n - 10.0).abs() < 1e-3));
            let parts = goods.known.water_pct.unwrap_or(0.0) + goods.known.fat_pct.unwrap_or(0.0);
            assert!(parts <= 100.0, "{}", goods.name);
        }
    }
}
