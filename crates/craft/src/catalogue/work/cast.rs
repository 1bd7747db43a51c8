//! What is cast in a mould.

crate::messages! {
    "cast";
    wait_goes_with_dumping() = "goes with filling and dumping; brushed coats are wished for";
    weighed(weighings: Count) = "The wall goes by how this mould was weighed with such chocolate ({weighings} so far).";
    polish() = "Polish the mould";
    polish_how() = "With cotton wool, dry, every cavity; at room temperature, and no finger in it after.";
    wipe() = "Wipe the mould's flat face clean";
    wipe_how() = "Once the colour no longer smears: what is left there spoils the rim.";
    pour_how() = "At the top of its range, no hotter: cooler leaves the colour behind, hotter melts it.";
    pour(label: Words) = "Fill every cavity with the {label}";
    knock() = "Knock out the bubbles";
    knock_how() = "Against the table's edge, for half a minute; scrape the face.";
    dump() = "Turn it over and dump";
    dump_how() = "Over a bowl or parchment; knock with something of plastic, not metal; scrape while it is upside down.";
    dump_from() = "thick enough";
    stand() = "Stand it face down on parchment";
    stand_how() = "It drips into a foot that the cap or the other half joins on.";
    first_coat(label: Words) = "Brush a first coat of {label}";
    next_coat(coat: Count) = "Brush coat {coat}, thicker at the rim and on what stands out";
    coat_how() = "Hold it to the light for thin patches.";
    next_coat_from() = "the coat before has set";
    touch_rim() = "Touch the rim lightly";
    touch_rim_from() = "the rim has set";
    scrape() = "Scrape the face clean";
    scrape_how() = "From the middle outward, in one stroke.";
    turn_out() = "Turn it over and let them fall out";
    turn_out_how() = "A light twist or tap, onto a cloth. A piece that sticks has not shrunk yet: give it a few more minutes.";
    fridge_out_how() = "Seen from below, the mould has gone cloudy: they have released.";
}
