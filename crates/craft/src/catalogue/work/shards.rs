//! Scored shards.

crate::messages! {
    "shards";
    score() = "Score it";
    score_from() = "soft enough to score";
    score_until(until: Until) = "scores clean {until}";
    score_late() = "It cracks beside the knife now: break it at random instead.";
    break_it() = "Break it along the marks";
    break_how() = "Over an edge, in gloves.";
    check_mark() = "It has lost its wet shine and takes a clean mark";
    check_depth() = "The marks go half way down";
    check_release() = "It releases from the sheet by itself";
    score_slanted_how() = "In slanted strips of uneven width, half way down, with the back of a knife.";
    score_even_how() = "Along a ruler, half way down, with the back of a knife.";
}
