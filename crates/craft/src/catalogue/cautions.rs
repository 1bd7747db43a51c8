//! Cautions that belong to more than one kind of work.

crate::messages! {
    "cautions";
    sharp() = "Hard, sharp pieces are a choking hazard for small children.";
    allergens() = "Name what goes in on the label: nuts, milk, gluten, sesame and soya are allergens.";
    food_colour() = "Only colour sold for eating; some are barred from food in some countries: check yours.";
}
