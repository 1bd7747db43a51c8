//! Ribbons from a frozen slab.

crate::messages! {
    "ribbons";
    eaten_soon() = "Not tempered: eat it within a day or two, then it dulls. Wipe the frost off the stone: water makes chocolate seize.";
    line() = "Take the stone out of the freezer and wipe off the frost";
    line_how() = "A strip of card the size of the ribbon lies ready.";
    line_mind() = "One drop of water makes chocolate seize: dry the stone before each pull.";
    pour(count: Count, label: Words) = "Spread, lift and fold {count} ribbons of {label}, one at a time";
    pour_how(bends: Seconds) = "In one movement, thin, along the stone. Trimmed and lifted as soon as it holds, it bends for about {bends}: fold it before you spread the next.";
    chill() = "Keep them cold until they are served";
    chill_how() = "They are not tempered.";
    check_frost() = "No frost, no drop of water";
    check_one_pull() = "Only as much as one pull at a time";
}
