//! Ganache.

crate::messages! {
    "ganache";
    ganache_soft(ratio: Number, family: Words) = "Under {ratio} to 1 {family} is too soft to pipe and runs out when it is bitten, and perishes sooner.";
    ganache_firm(ratio: Number) = "Over {ratio} to 1 it sets firm: for rolled centres; it will not pipe smooth.";
    ganache_order(butter_in: StatedTempRange, piped_at: StatedTemp) = "Hot cream over the chocolate, infusions strained out first; butter in at {butter_in}; piped at {piped_at} at most.";
    keeps(water: Percent, in_the_room: Words, sealed: Words, cold: StatedTempRange) = "{water} water: it perishes. By custom {in_the_room} days in a cool room, or {sealed} days sealed at {cold}; no guess beyond that, and local law and the cream's own date come first.";
}
