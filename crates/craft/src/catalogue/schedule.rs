//! The order over hours and days.

crate::messages! {
    "schedule";
    nothing_to_do() = "must name at least one task";
    too_many_tasks(most: Count, given: Count) = "must be at most {most}; there are {given}";
    key_twice(key: Words, first: Count) = "must be a key of its own; “{key}” is that of task {first} too";
    too_few_hands(at_hand: Count, needed: Count) = "must be at most {at_hand}, the pairs of hands there are; it is {needed}";
    most_under_least(least: StatedMinutes, most: StatedMinutes) = "must be at least {least}, the least wait; it is {most}";
    no_such_task(key: Words) = "must be the key of a task; there is none called “{key}”";
    circle_of_waits(key: Words) = "must not wait, over others, for itself: “{key}” does";
    an_hour_such_as(usual: Words, given: Words) = "must be a time of day such as {usual}; it is “{given}”";
    weekdays() = "must be days of the week, 1 for Monday to 7 for Sunday";
    too_many_hours(most: Count) = "must be at most {most} entries";
    no_free_hours() = "must leave some hours free: there are none in which anything could be done";
    begin_or_ready_by() = "must be stated, or else when it begins: `ready_by` or `begin`";
}
