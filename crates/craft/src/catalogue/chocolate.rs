//! A chocolate's own numbers.

crate::messages! {
    "chocolate";
    the_working_band() = "the working band";
    where_temper_is_lost() = "where temper is lost";
    the_melting_band() = "the melting band";
    the_limit() = "the limit";
    band_upside_down(low: StatedTemp, high: StatedTemp) = "must run upward; it runs from {low} to {high}";
    wrong_order(upper: Nested, at: StatedTemp, reaches: StatedTemp) = "must stay below {upper} at {at}; it reaches {reaches}";
    too_few_parts() = "must have two parts or more";
    not_whole(sum: FinePercent) = "must add up to 100 %; it adds up to {sum}";
    coating_with_chocolate() = "cannot mix a coating with chocolate that is tempered: their fats do not set together";
}
