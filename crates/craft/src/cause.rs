//! What can have gone wrong.

use crate::catalogue::clinic as say;
use crate::message::Message;
use crate::words::worded;

worded! {
    /// A cause of faults.
    Cause {
        /// Hotter than its limit.
        Overheated = "overheated",
        /// In temper, and then too warm for it.
        TemperLost = "temper_lost",
        /// Above its range when it was poured.
        PouredTooWarm = "poured_too_warm",
        /// Below its range when it was poured.
        PouredTooCool = "poured_too_cool",
        /// Never in temper.
        NotTempered = "not_tempered",
        /// Too little seed.
        UnderSeeded = "under_seeded",
        /// Too many crystals: too much seed, or worked too long.
        OverSeeded = "over_seeded",
        /// Crystals were not stirred through.
        PoorStirring = "poor_stirring",
        /// A room in which it sets too slowly.
        WarmRoom = "warm_room",
        /// A room whose air is damp.
        DampRoom = "damp_room",
        /// Water formed on it as it came out of the fridge.
        Dew = "dew",
        /// Too long, or too hard, in the cold.
        ChilledTooLong = "chilled_too_long",
        /// A wall or slab that is too thin.
        TooThin = "too_thin",
        /// What went in or on was warm.
        WarmGoods = "warm_goods",
        /// The colour was never in temper.
        ColourNotTempered = "colour_not_tempered",
        /// The colour had not set.
        ColourTooFresh = "colour_too_fresh",
        /// A warm mould.
        MouldWarm = "mould_warm",
        /// A mould that was not clean.
        MouldDirty = "mould_dirty",
        /// Turned out before it had shrunk.
        NotShrunk = "not_shrunk",
        /// Water, steam, or a colour made with water.
        Water = "water",
        /// Much oil or soft fat.
        Oil = "oil",
        /// Fats that do not crystallise together.
        IncompatibleFats = "incompatible_fats",
        /// Kept too warm.
        WarmStorage = "warm_storage",
        /// Oil of nuts on its way out.
        NutOil = "nut_oil",
        /// Toppings that went on too late.
        ToppedLate = "topped_late",
        /// Colours drawn through each other too often.
        TooManyStrokes = "too_many_strokes",
        /// Bubbles were not knocked out.
        NotKnocked = "not_knocked",
        /// A layer that was too set for the next.
        LayerTooSet = "layer_too_set",
        /// Piped lines that are thin, or do not meet.
        ThinLines = "thin_lines",
        /// A tone that sweated before the next went on.
        ToneSweated = "tone_sweated",
    }
}

impl Cause {
    /// What it is, in words.
    #[must_use]
    pub fn name(self) -> Message {
        match self {
            Self::Overheated => say::overheated(),
            Self::TemperLost => say::temper_lost(),
            Self::PouredTooWarm => say::poured_too_warm(),
            Self::PouredTooCool => say::poured_too_cool(),
            Self::NotTempered => say::not_tempered(),
            Self::UnderSeeded => say::under_seeded(),
            Self::OverSeeded => say::over_seeded(),
            Self::PoorStirring => say::poor_stirring(),
            Self::WarmRoom => say::warm_room(),
            Self::DampRoom => say::damp_room(),
            Self::Dew => say::dew(),
            Self::ChilledTooLong => say::chilled_too_long(),
            Self::TooThin => say::too_thin(),
            Self::WarmGoods => say::warm_goods(),
            Self::ColourNotTempered => say::colour_not_tempered(),
            Self::ColourTooFresh => say::colour_too_fresh(),
            Self::MouldWarm => say::mould_warm(),
            Self::MouldDirty => say::mould_dirty(),
            Self::NotShrunk => say::not_shrunk(),
            Self::Water => say::water(),
            Self::Oil => say::oil(),
            Self::IncompatibleFats => say::incompatible_fats(),
            Self::WarmStorage => say::warm_storage(),
            Self::NutOil => say::nut_oil(),
            Self::ToppedLate => say::topped_late(),
            Self::TooManyStrokes => say::too_many_strokes(),
            Self::NotKnocked => say::not_knocked(),
            Self::LayerTooSet => say::layer_too_set(),
            Self::ThinLines => say::thin_lines(),
            Self::ToneSweated => say::tone_sweated(),
        }
    }

    /// What can still be done with what was made: of chocolate that is tempered, or of coating.
    #[must_use]
    pub fn rescue(self, tempered: bool) -> Message {
        match self {
            Self::Overheated if !tempered => say::rescue_overheated_coating(),
            Self::PouredTooWarm | Self::WarmGoods if !tempered => say::rescue_melt_coating(),
            Self::PouredTooCool if !tempered => say::rescue_thick_coating(),
            Self::IncompatibleFats | Self::WarmStorage | Self::NutOil if !tempered => {
                say::rescue_bloomed_coating()
            }
            Self::Overheated => say::rescue_overheated(),
            Self::TemperLost | Self::NotTempered | Self::UnderSeeded | Self::PoorStirring => {
                say::rescue_melt_again()
            }
            Self::PouredTooWarm | Self::WarmGoods => say::rescue_melt_again(),
            Self::PouredTooCool | Self::OverSeeded => say::rescue_thick(),
            Self::WarmRoom => say::rescue_dull(),
            Self::DampRoom | Self::Dew => say::rescue_sugar_bloom(),
            Self::ChilledTooLong | Self::TooThin => say::rescue_cracked(),
            Self::ColourNotTempered | Self::ColourTooFresh => say::rescue_colour(),
            Self::MouldWarm | Self::MouldDirty | Self::NotShrunk => say::rescue_stuck(),
            Self::Water => say::rescue_seized(),
            Self::Oil => say::rescue_soft(),
            Self::IncompatibleFats | Self::WarmStorage | Self::NutOil => say::rescue_fat_bloom(),
            Self::ToppedLate => say::rescue_toppings(),
            Self::TooManyStrokes | Self::ToneSweated | Self::NotKnocked => say::rescue_none(),
            Self::LayerTooSet => say::rescue_layers(),
            Self::ThinLines => say::rescue_lines(),
        }
    }

    /// What is done otherwise next time.
    #[must_use]
    pub fn next_time(self) -> Message {
        match self {
            Self::Overheated => say::next_overheated(),
            Self::TemperLost => say::next_temper_lost(),
            Self::PouredTooWarm => say::next_poured_too_warm(),
            Self::PouredTooCool => say::next_poured_too_cool(),
            Self::NotTempered => say::next_not_tempered(),
            Self::UnderSeeded => say::next_under_seeded(),
            Self::OverSeeded => say::next_over_seeded(),
            Self::PoorStirring => say::next_poor_stirring(),
            Self::WarmRoom => say::next_warm_room(),
            Self::DampRoom => say::next_damp_room(),
            Self::Dew => say::next_dew(),
            Self::ChilledTooLong => say::next_chilled_too_long(),
            Self::TooThin => say::next_too_thin(),
            Self::WarmGoods => say::next_warm_goods(),
            Self::ColourNotTempered => say::next_colour_not_tempered(),
            Self::ColourTooFresh => say::next_colour_too_fresh(),
            Self::MouldWarm => say::next_mould_warm(),
            Self::MouldDirty => say::next_mould_dirty(),
            Self::NotShrunk => say::next_not_shrunk(),
            Self::Water => say::next_water(),
            Self::Oil => say::next_oil(),
            Self::IncompatibleFats => say::next_incompatible_fats(),
            Self::WarmStorage => say::next_warm_storage(),
            Self::NutOil => say::next_nut_oil(),
            Self::ToppedLate => say::next_topped_late(),
            Self::TooManyStrokes => say::next_too_many_strokes(),
            Self::NotKnocked => say::next_not_knocked(),
            Self::LayerTooSet => say::next_layer_too_set(),
            Self::ThinLines => say::next_thin_lines(),
            Self::ToneSweated => say::next_tone_sweated(),
        }
    }
}
