//! Marbled bark.

crate::messages! {
    "marbled";
    must_disperse_in_fat() = "must be a colour soluble in oil, or powder in cocoa butter: water-based colour, gels among them, makes chocolate grainy and thick";
    must_be_a_colour(srgb: Words) = "must be a colour such as #3b5bdb; it is {srgb}";
    accents(most: Count, there: Count) = "must be 1 to {most} accents; there are {there}";
    leave_some_base(taken: Percent) = "must leave at least 1 % for the base; they take {taken}";
    muddy(strokes: Count, mixed: Percent) = "After {strokes} strokes {mixed} of it is stirred through: muddy. Stop earlier.";
    colour_food_grade() = "Two drops, stir, look. Only colour that is sold for eating and disperses in fat; some are barred from food in some countries: check yours, and the label.";
    check_in_temper() = "All chocolates in temper at once, the base at the top of its range";
    check_warm() = "All of them warm enough to run, the base the warmest";
    check_blobs() = "Blobs spread about, not all in one place";
    check_passes() = "Two or three passes, then stop";
    colour(label: Words) = "Colour the {label}";
    colour_how() = "Two drops, stir, look. Colour and chocolate both at working temperature.";
    pour(label: Words) = "Pour the {label} and level it";
    pour_how() = "It is the base.";
    blobs(label: Words) = "Drop the {label} about in blobs";
    blobs_how() = "All over, not in one place.";
    blobs_until(until: Until) = "it runs together {until}";
    draw(strokes: Count) = "Draw a stick through it: {strokes} strokes";
    draw_how() = "First one way, then across. Every stroke muddies: stop early.";
    draw_until(until: Until) = "it draws clean {until}";
    tap() = "Tap the tray level";
    tap_how() = "Once more, gently.";
    late() = "It drags now: leave it as it is.";
}
