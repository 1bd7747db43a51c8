//! What a log tells over all its batches.

crate::messages! {
    "logbook";
    factor_poured() = "Poured, from the middle of its range";
    factor_peak() = "Hottest, below its limit";
    factor_test() = "Temper test passed";
    factor_seed() = "Seed, of what was planned";
    factor_stir_gap() = "Longest pause in stirring";
    factor_worked() = "Worked in temper";
    factor_room() = "Room";
    factor_humidity() = "Humidity";
    so_many_of(faulty: Count, of: Count) = "{faulty} of {of}";
    found_poured(at: StatedDegrees, more: Nested, less: Nested) = "Poured more than {at} above the middle of its range: {more} had a fault; lower: {less}.";
    found_peak(at: StatedDegrees, near: Nested, far: Nested) = "Melted to {at} below its limit or hotter: {near} had a fault; not so hot: {far}.";
    found_test(passed: Nested, not: Nested) = "Without a test that passed: {not} had a fault; with one: {passed}.";
    found_seed(at: Number, less: Nested, more: Nested) = "{at} % of the planned seed or less: {less} had a fault; more: {more}.";
    found_stir_gap(at: Seconds, more: Nested, less: Nested) = "A pause in stirring of more than {at}: {more} had a fault; shorter: {less}.";
    found_worked(at: StatedMinutes, more: Nested, less: Nested) = "Worked for more than {at}: {more} had a fault; shorter: {less}.";
    found_room(at: StatedTemp, more: Nested, less: Nested) = "A room above {at}: {more} had a fault; cooler: {less}.";
    found_humidity(at: Number, more: Nested, less: Nested) = "Air of more than {at} %: {more} had a fault; drier: {less}.";
}
