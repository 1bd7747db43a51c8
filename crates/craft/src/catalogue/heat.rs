//! Heat and seed.

crate::messages! {
    "heat";
    no_seed_needed() = "In that time the bowl loses all this heat to the room by itself. Hold a handful back all the same: without seed there is no temper.";
    little_seed(share: Percent, usual: PercentRange) = "Seed is only {share} of the melted mass; {usual} is usual. Few crystals go in: stir longer and test with care.";
    much_seed(share: Percent, usual: PercentRange) = "Seed is {share} of the melted mass; {usual} is usual. Lumps may stay: melt less hot, use a lighter bowl, or wait a little before seeding.";
    nothing_to_seed() = "a coating is not tempered, so it takes no seed";
    melted_not_above_target(target: Temp, melted: Temp) = "must be above the target of {target}; it is {melted}";
    seed_not_below_target(target: Temp, seed: Temp) = "must be below the target of {target}; it is {seed}";
    too_little_to_forecast(readings: Count, span: Seconds) = "needs at least {readings} readings over {span} since the last change";
    not_cooling() = "the readings are not falling toward the room";
    at_full_power(output: Number) = "at full power, {output} W";
    at_half_power(output: Number) = "at half of {output} W";
    at_a_share_of_power(share: Percent, output: Number) = "at {share} of {output} W";
    at_room(room: Temp) = "a reading is at or below the room's {room}";
    outside_split(low: Temp, high: Temp, target: Temp) = "must be between {low}, where the stone brings it, and {high}, where the melt stops; it is {target}";
}
