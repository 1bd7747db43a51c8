//! Bars and pieces cast solid.

crate::messages! {
    "solids";
    must_be_solid() = "must be solid; what has a wall and a hollow is a shell or a figure";
    no_back() = "must be nothing: a mould that closes leaves no open back to put it on";
    no_room(fixed: StatedGrams) = "must leave room for chocolate: {fixed} of it fill the mould";
    check_level() = "The backs are level with the mould's face, and nothing hangs over";
    check_air() = "Knocked until no bubble comes up";
    check_cloudy() = "From below, the mould has gone cloudy before it is turned over";
}
