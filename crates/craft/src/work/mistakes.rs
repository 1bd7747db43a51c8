//! What goes wrong, what to do, and how it is avoided next time.

/// One mistake.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub struct Mistake {
    /// What is seen.
    pub seen: &'static str,
    /// Likely causes.
    pub cause: &'static str,
    /// What can still be done.
    pub rescue: &'static str,
    /// How it is avoided.
    pub next_time: &'static str,
}

impl Mistake {
    /// The same of a coating, which has no temper to be out of.
    #[must_use]
    pub fn of_coating(self) -> Self {
        if self == WILL_NOT_RELEASE {
            Self {
                cause: "not yet firm, or too thin",
                next_time: "leave it until it is firm all through",
                ..self
            }
        } else if self == STAYS_IN_MOULD {
            Self {
                cause: "too thin, not yet firm, or a dirty or warm mould",
                next_time: "a thicker shell, a polished mould",
                ..self
            }
        } else if self == STREAKS {
            Self {
                cause: "warm goods, or overheated",
                next_time: "goods at room temperature; no hotter than its melt",
                ..self
            }
        } else if self == COLOUR_STAYS {
            Self {
                cause: "colour too fresh or too thick, or the coating too cool when it was poured",
                next_time: "wait; the coating warm enough to run",
                ..self
            }
        } else {
            self
        }
    }
}

pub(super) const TOPPING_FALLS_OFF: Mistake = Mistake {
    seen: "Topping falls off",
    cause: "it went on too late",
    rescue: "melt a little chocolate to stick it",
    next_time: "keep to the topping window",
};

pub(super) const THIN_PATCHES: Mistake = Mistake {
    seen: "Thin patches shatter",
    cause: "spread unevenly, or too thin",
    rescue: "use them as small bits",
    next_time: "spread from the middle to the edges and tap the tray level",
};

pub(super) const WILL_NOT_RELEASE: Mistake = Mistake {
    seen: "It will not leave the sheet",
    cause: "not yet shrunk, too thin, or not in temper",
    rescue: "a few more minutes in the fridge",
    next_time: "test before pouring",
};

pub(super) const SUGAR_BLOOM: Mistake = Mistake {
    seen: "Tacky, then sandy white specks",
    cause: "dew from the fridge, or a damp room",
    rescue: "none for looks",
    next_time: "out before the dew; or in a closed box until it is warm",
};

pub(super) const STREAKS: Mistake = Mistake {
    seen: "Streaks and grey swirls",
    cause: "warm goods, or not in temper",
    rescue: "melt it down and start again",
    next_time: "goods at room temperature; test before pouring",
};

pub(super) const FALLS_APART: Mistake = Mistake {
    seen: "It falls apart",
    cause: "more dry goods than the chocolate can bind",
    rescue: "drizzle chocolate over it",
    next_time: "at most 1.2 parts of dry goods to one of chocolate",
};

pub(super) const LAYERS_PART: Mistake = Mistake {
    seen: "Layers part when broken",
    cause: "the lower layer was too cold or too set, or its surface fatty",
    rescue: "eat it",
    next_time: "pour the second while the first is just set",
};

pub(super) const MUDDY: Mistake = Mistake {
    seen: "Marbling is muddy",
    cause: "too many strokes",
    rescue: "none",
    next_time: "stop early",
};

pub(super) const GRAINY_COLOUR: Mistake = Mistake {
    seen: "Coloured chocolate is grainy and thick",
    cause: "a water-based colour",
    rescue: "none: it has seized; use it in a sauce",
    next_time: "colours soluble in oil, or powder in cocoa butter",
};

pub(super) const PIECE_BREAKS: Mistake = Mistake {
    seen: "A piped piece breaks as it is lifted",
    cause: "lines too thin, or not joined",
    rescue: "patch it from behind",
    next_time: "a heavier line, and bridges",
};

pub(super) const STAYS_IN_MOULD: Mistake = Mistake {
    seen: "It will not leave the mould",
    cause: "too thin, not yet shrunk, not in temper, or a dirty or warm mould",
    rescue: "five more minutes in the fridge; then the freezer for one; else melt it out",
    next_time: "a thicker shell, a polished mould, a test before pouring",
};

pub(super) const COLOUR_STAYS: Mistake = Mistake {
    seen: "Colour stays in the mould",
    cause: "colour out of temper, too fresh or too thick, or chocolate too cool when it was poured",
    rescue: "none for this cast",
    next_time: "hold the colour in its band; wait; chocolate at the top of its range",
};

pub(super) const PINHOLES: Mistake = Mistake {
    seen: "Pinholes and bubbles",
    cause: "not knocked out, or poured from too high",
    rescue: "none",
    next_time: "tap and shake it; brush a first coat",
};

pub(super) const FINE_CRACKS: Mistake = Mistake {
    seen: "Fine cracks",
    cause: "chilled too hard or too long, a thin wall, or a centre much colder than the coat",
    rescue: "none",
    next_time: "a shorter chill; centres firm and cold, not frozen",
};

pub(super) const GREY_BETWEEN: Mistake = Mistake {
    seen: "A grey layer between two tones",
    cause: "the earlier tone sweated in the fridge",
    rescue: "none",
    next_time: "let each tone set in the room",
};

pub(super) const COLOUR_SMEARS: Mistake = Mistake {
    seen: "The colour smears or melts",
    cause: "chocolate too hot, or colour not set",
    rescue: "none",
    next_time: "wait until it is dry; pour at the top of the band and no hotter",
};

pub(super) const WRAP_CRACKS: Mistake = Mistake {
    seen: "The wrap cracks as it is bent",
    cause: "too thick, or lifted too late",
    rescue: "patch from behind, or break it into shards for the side",
    next_time: "lift it while it still bends",
};

pub(super) const WRAP_FLOPS: Mistake = Mistake {
    seen: "The wrap flops over the top",
    cause: "it stands too high above the cake",
    rescue: "trim it with a hot knife",
    next_time: "at most 2 cm above the cake",
};

pub(super) const RIBBON_SNAPS: Mistake = Mistake {
    seen: "The ribbon snaps",
    cause: "left on the stone a moment too long",
    rescue: "melt it and spread again",
    next_time: "trim and lift at once, one ribbon at a time",
};

pub(super) const SUGAR_GRAINS: Mistake = Mistake {
    seen: "The sugar turns cloudy and grainy",
    cause: "stirred while it boiled, or crystals on the pan's wall",
    rescue: "add water, dissolve it and boil again",
    next_time: "glucose in it, walls brushed with water, no stirring",
};

pub(super) const SUGAR_STICKY: Mistake = Mistake {
    seen: "The sheet stays sticky",
    cause: "not boiled high enough, or a damp room",
    rescue: "none",
    next_time: "to the hard crack, and into an airtight box once cold",
};
