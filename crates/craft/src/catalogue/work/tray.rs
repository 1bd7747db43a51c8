//! Trays.

crate::messages! {
    "tray";
    not_on_the_shelf() = "is not a tray on the shelf";
    above_the_rim(rim: StatedMm, thick: Mm) = "must not stand above the tray's rim of {rim}; it would be {thick} thick";
}
