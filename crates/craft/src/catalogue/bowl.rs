//! A bowl: its smear, its entries.

crate::messages! {
    "bowl";
    does_not_go_with(kinds: List) = "does not go with this kind; it goes with {kinds}";
    needed_for_this_action() = "is needed for this kind of action";
    sets_from_edge(at: Minutes) = "Setting from the edge at {at}: in temper.";
    even_and_satin(at: Minutes) = "Even and satin at {at}: in temper.";
    weak(took: Minutes) = "Set, but it took {took}: weak temper. It will hold; stir well and use it at the lower end of the range.";
    seen_late(at: WholeMinutes) = "Even and satin at {at}, and nobody saw when it turned dull: in temper, perhaps a weak one. Stir well and use it at the lower end of the range.";
    wet_too_soon(at: Minutes, again: StatedMinutes) = "Wet at {at} says nothing yet. Check again at {again}.";
    streaks() = "Streaks: not in temper. Do not pour.";
    still_wet(at: WholeMinutes) = "Still wet at {at}: not in temper. Do not pour.";
    set_too_late(at: WholeMinutes) = "Set only after {at}: not in temper. Do not pour.";
}
