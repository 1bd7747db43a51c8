//! The shelf.

craft::messages! {
    "shelf";
    one_kitchen() = "must not be a kitchen: there is one";
    left_of_a_chocolate() = "goes with a chocolate only";
    stay_what_it_is() = "must stay what it is";
    only_chocolate_is_counted() = "must be a chocolate: nothing else is counted";
    taken_by_its_pour() = "must not be taken: what a bowl takes is noted with its pour";
    bowl_of_what_is_returned() = "goes with what is returned, and is needed there";
    bowl_that_took_some() = "must be a bowl that took some of this chocolate";
}
