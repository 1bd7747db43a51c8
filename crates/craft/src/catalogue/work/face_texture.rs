//! What the face of a slab is drawn with.

crate::messages! {
    "face-texture";
    fork() = "Draw a fork through its face";
    fork_how() = "Dry, in waves, so shallow that the tray does not show. Stop after one pass: it goes on closing until it thickens.";
    comb() = "Draw a comb over its face";
    comb_how() = "Dry and in one go, a little tilted, as it begins to thicken; wipe the comb after each stroke.";
    bubbles() = "Lay the bubble sheet on it, bubbles down";
    bubbles_how() = "Lower it from one edge, so that no air is caught; press it lightly all over.";
    bubbles_mind() = "Only a bubble sheet that is sold for food, washed and bone dry: what wraps parcels is not made to touch food.";
    until(until: Until) = "its face takes a pattern {until}";
    late() = "It has set too far: leave its face as it is.";
    peel() = "Peel the bubble sheet off its face";
    peel_how() = "Slowly, folded back on itself; what tears has not set through: give it a few more minutes.";
    nothing_under_it() = "must be another where something lies on top: a bubble sheet would press it in and lift it off";
}
