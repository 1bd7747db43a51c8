//! What is made beside a piece and stuck on it.

crate::messages! {
    "stuck-on";
    at_most_sorts(most: Count, there: Count) = "must be at most {most} sorts; there are {there}";
    pipe(count: Count, name: Words, label: Words) = "Pipe the {name} in {label}: {count}, and a few to spare";
    pipe_how() = "On a smooth sheet over a drawing; thick where they will be joined.";
    cast(count: Count, name: Words, label: Words) = "Cast the {name} in {label}: {count}, and a few to spare";
    cast_how() = "Filled level and knocked; small pieces let go sooner than large ones.";
    cut(count: Count, name: Words, label: Words) = "Spread {label} thinly and cut out the {name}: {count}, and a few to spare";
    cut_how() = "Three millimetres on a smooth sheet; cut once it has lost its wet shine, and leave them in place until they have shrunk free.";
    touch(name: Words) = "Touch the {name}";
    touch_from() = "they have set";
    stick(name: Words) = "Stick on the {name}";
    stick_how() = "Touch the joint of each to a warm plate for a second, press it on and hold it until it grips. A dab of chocolate behind it hides the seam.";
    stick_mind() = "Small parts come off: keep them from small children.";
}
