//! The room, the fridge, and how it sets.

crate::messages! {
    "room";
    fridge_too_warm(fridge: WholeTemp) = "At {fridge} it does not set: this is no fridge.";
    stay_cannot_be(shortest: MinutesUp, longest: WholeMinutes) = "It needs {shortest} to let go, and after {longest} dew would form on it when it comes out. Put it in in a closed box or bag, and leave that closed in the room until it is warm; or let it set in the room.";
    dew_binds() = "Dew comes soon: take it out on time, or put it in a closed box or bag before it goes in.";
    release_binds() = "Until it lets go; longer is not needed, and in the end dew would form on it.";
    no_dew() = "In this room no dew forms on what comes from this fridge.";
    room_too_warm(above: StatedTemp, best: StatedTempRange) = "Above {above} tempered work sets slowly and dulls. Cool the room to {best}, or wait for the evening.";
    room_warm(best: StatedTempRange) = "A little warm: {best} is best. Setting takes longer; a fan helps.";
    room_cool(best: StatedTempRange) = "A little cool: {best} is best. The bowl thickens sooner; have the warmth ready.";
    room_damp(over: Percent, dew: WholeTemp) = "Over {over} humidity. Dew forms on anything below {dew}, so chocolate from a fridge comes out wet. Set it at room temperature, or dry the room.";
    room_good() = "A good room for tempered work.";
    must_be_a_zone(name: Words) = "must be an IANA time zone such as Europe/Oslo; it is “{name}”";
    room_does_not_set(room: WholeTemp) = "At {room} the slab does not set. Cool the room, or set it in the fridge once it is touch dry.";
}
