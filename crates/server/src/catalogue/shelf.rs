//! The shelf.

craft::messages! {
    "shelf";
    ids_of_plans(most: Count) = "must be ids of plans with commas between, at most {most}";
    one_kitchen() = "must not be a kitchen: there is one";
    not_counted() = "goes with a chocolate or with goods only: nothing else is counted";
    counted_already() = "cannot change once some of it was counted: archive these and add them anew";
    stay_what_it_is() = "must stay what it is";
    taken_by_its_pour() = "must not be taken: what a bowl takes is noted with its pour";
    bowl_of_what_is_returned() = "goes with what is returned, and is needed there";
    bowl_that_took_some() = "must be a bowl that took some of this chocolate";
}
