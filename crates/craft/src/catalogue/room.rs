//! The room, the fridge, and how it sets.

crate::messages! {
    "room";
    fridge_too_warm(fridge: WholeTemp) = "{fridge} is too warm to set chocolate: turn the fridge colder, or set it in the room.";
    stay_cannot_be(shortest: MinutesUp, longest: WholeMinutes) = "It needs {shortest} to release, but after {longest} condensation forms on it when it comes out. Chill it in a closed box or bag and leave that closed in the room until it is warm, or let it set in the room.";
    dew_binds() = "Condensation sets the limit: take it out on time, or chill it in a closed box or bag.";
    release_binds() = "Until it releases. Longer is not needed, and in the end condensation forms.";
    no_dew() = "In this room nothing from this fridge gets wet.";
    room_too_warm(above: StatedTemp, best: StatedTempRange) = "Above {above} tempered work sets slowly and dulls. Cool the room to {best}, or wait for the evening.";
    room_warm(best: StatedTempRange) = "A little warm: {best} is best. It sets more slowly; a fan helps.";
    room_cool(best: StatedTempRange) = "A little cool: {best} is best. The bowl thickens sooner; keep your heat source ready.";
    room_damp(over: Percent, dew: WholeTemp) = "Over {over} humidity. Condensation forms on anything below {dew}, so chocolate comes out of a fridge wet. Set it at room temperature, or dry the room.";
    room_good() = "A good room for tempered work.";
    must_be_a_zone(name: Words) = "must be an IANA time zone such as Europe/Oslo; it is “{name}”";
    room_does_not_set(room: WholeTemp) = "At {room} it does not set. Cool the room, or set it in the fridge once it is touch dry.";
}
