//! Shells.

crate::messages! {
    "shells";
    cap_closes_a_filling() = "closes a filling; an empty shell that is to be closed is a joined hollow";
    check_thin() = "Held to the light there are no thin patches";
    check_rim() = "The rim is clean and even";
    check_cloudy() = "From below, the mould has gone cloudy before it is turned over";
    keeps() = "About 8 weeks by custom.";
    not_full(share: Percent) = "The filling takes {share} of the room: a deeper cap closes the rest.";
    cap(label: Words) = "Cap them with the {label} and scrape";
    cap_how() = "Warm the rims with a breath of a hair dryer, pour, scrape off in one stroke.";
    cap_from() = "the filling has crusted";
    cap_until() = "cap them before the filling dries out";
    cap_late() = "The filling has stood for a day: look whether it has shrunk from the wall before it is closed.";
}
