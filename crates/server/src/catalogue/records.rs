//! Plans, batches, bowls and what was done.

craft::messages! {
    "records";
    missing() = "is missing";
    not_known(known: Words) = "is not known here; known: {known}";
    cannot_be_read(problem: Words) = "{problem}";
    one_to(most: Count, given: Number) = "must be 1 to {most}; it is {given}";
    at_most_characters(most: Count) = "must be at most {most} characters";
    next_of_the_page_before() = "must be the `next` of the page before";
    not_a_field() = "is not a field of an action";
    needed_for_this_action() = "is needed for this kind of action";
    not_complete() = "is not complete";
    action_of_this_bowl() = "must be an action of this bowl";
    action_with_a_weight() = "must be an action with a weight";
    action_that_stands() = "must be an action of this bowl that stands";
    reading_of_this_bowl() = "must be a reading of this bowl";
    one_of(keys: List) = "must be one of {keys}";
    real_chocolate_keeps_real_time() = "must be 1 without the simulated thermometer: real chocolate keeps real time";
    a_sitting() = "a sitting";
    sitting(name: Words, first: Nested) = "{name}: {first}";
    some_minutes(minutes: WholeMinutes) = "{minutes}";
    some_hours(hours: Number) = "{hours} hours";
    waits_too_long(sitting: Nested, by: Nested) = "{sitting} comes too late, by {by}.";
    tempered_once_more(sitting: Nested, by: Nested) = "{sitting} comes {by} after its chocolate is held in temper: that is tempered once more for it.";
    keeps_too_short(sitting: Nested, by: Nested) = "{sitting} is done too early: it does not keep until it is needed, by {by}.";
    longer_than_hours(sitting: Nested, by: Nested) = "{sitting} takes longer than your free hours, by {by}: it begins with them.";
    not_at_that_time(sitting: Nested, by: Nested) = "{sitting} cannot be done when you put it: it is off by {by}.";
    mend_begin_by() = "Begin sooner.";
    mend_second_pair() = "Work with a second pair of hands.";
    mend_second_mould(name: Words) = "Use a second mould for {name}.";
    mend_second_tray(name: Words) = "Use another tray for {name}.";
    mend_second_bowl(name: Words) = "Use another bowl for {name}.";
    mend_second_heat(name: Words) = "Melt by something else for {name}.";
    mend_second_stone(name: Words) = "Use a second stone for {name}.";
    mend_fridge() = "Make room for one more in the fridge.";
    mend_without(name: Words) = "Leave out {name}.";
    mend_unpinned() = "Let go of the times you set.";
    ready_by_passed() = "The time it was to be ready by has passed.";
    begin_passed() = "The time you wanted to begin has passed: it is put from now on.";
    at_most_days_ahead(days: Count) = "must be at most {days} days ahead";
    nothing_counted() = "must name at least one thing that was made";
    not_made_in_it(key: Words) = "must be something that this batch makes, each once; it is {key}";
    done_at_the_bench() = "is done at the bench: its pour ends it";
    event_of_this_batch() = "must be an event of this batch";
    from_to(from: Words, to: Words, given: Words) = "must be from {from} to {to}; it is {given}. Check the sender's clock.";
}
