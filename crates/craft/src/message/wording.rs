//! How wordings are declared, and what is wrong with one.

/// Declares the wordings of one area of the catalogue: each with its name and with what
/// stands in it. The function of that name makes the [`Message`](crate::message::Message);
/// its code is the area and the name.
///
/// ```
/// craft::messages! {
///     "door";
///     how_warm(now: Temp) = "It is {now} out there.";
/// }
/// let said = how_warm(craft::units::celsius(-4.0));
/// assert_eq!((&*said.code, &*said.text()), ("door.how_warm", "It is -4.0 °C out there."));
/// ```
#[macro_export]
macro_rules! messages {
    ($area:literal; $($name:ident($($param:ident: $kind:ident),*) = $wording:literal;)+) => {
        $(
            #[doc = concat!("“", $wording, "”")]
            #[must_use]
            pub fn $name(
                $($param: impl Into<$crate::message::$kind>),*
            ) -> $crate::message::Message {
                $crate::message::Message::new(
                    concat!($area, ".", stringify!($name)),
                    $wording,
                    [$((
                        stringify!($param),
                        $crate::message::Param::from(Into::<$crate::message::$kind>::into($param)),
                    )),*],
                )
            }
        )+

        /// Every one of them, as the tests look at it.
        #[cfg(test)]
        pub const ALL: &[$crate::message::Wording] = &[$(
            $crate::message::Wording {
                code: concat!($area, ".", stringify!($name)),
                wording: $wording,
                params: &[$(stringify!($param)),*],
            }
        ),+];
    };
}

/// A wording as it is declared.
#[derive(Clone, Copy, Debug)]
pub struct Wording {
    /// The area and the name.
    pub code: &'static str,
    /// The words, with the places of what stands in them.
    pub wording: &'static str,
    /// What is declared to stand in it.
    pub params: &'static [&'static str],
}

/// What is wrong with wordings: a place that is not declared or the other way round, a code
/// that is there twice, a temperature or a mass that is written out and cannot be shown in
/// another unit, a unit that its quantity brings along already, a name of the code.
#[must_use]
pub fn flaws(wordings: &[Wording]) -> Vec<String> {
    let mut flaws = Vec::new();
    for (i, one) in wordings.iter().enumerate() {
        let mut flaw = |what: String| flaws.push(format!("{}: {what}: {}", one.code, one.wording));
        if wordings[..i].iter().any(|other| other.code == one.code) {
            flaw("is there twice".to_owned());
        }
        for name in one.params {
            if !one.wording.contains(&format!("{{{name}}}")) {
                flaw(format!("{name} stands nowhere"));
            }
        }
        for place in one.wording.split('{').skip(1).filter_map(|rest| Some(rest.split_once('}')?.0))
        {
            if !one.params.contains(&place) {
                flaw(format!("{place} is not declared"));
            }
        }
        let words: Vec<&str> = one
            .wording
            .split(|c: char| c.is_whitespace() || ",.;:()".contains(c))
            .filter(|word| !word.is_empty())
            .collect();
        for pair in words.windows(2) {
            let number = pair[0].ends_with(|c: char| c.is_ascii_digit());
            if number && matches!(pair[1], "°C" | "°F" | "g" | "kg" | "oz" | "degrees") {
                flaw(format!("{} {} is written out", pair[0], pair[1]));
            }
            if pair[0].ends_with('}') && matches!(pair[1], "°C" | "g" | "mm" | "min" | "ml" | "cm²")
            {
                flaw(format!("{} is said twice", pair[1]));
            }
        }
        let is_name_in_code = |word: &&str| {
            word.as_bytes()
                .windows(2)
                .any(|pair| pair[0].is_ascii_lowercase() && pair[1].is_ascii_uppercase())
        };
        if let Some(name) = words.iter().find(|word| is_name_in_code(word)) {
            flaw(format!("{name} is a name in the code"));
        }
        if one.wording.trim() != one.wording || one.wording.contains("  ") {
            flaw("has spaces too many".to_owned());
        }
    }
    flaws
}

#[cfg(test)]
mod tests {
    use super::*;

    fn flaw(wording: &'static str, params: &'static [&'static str]) -> Vec<String> {
        flaws(&[Wording { code: "a.b", wording, params }])
    }

    #[test]
    fn each_flaw_is_found() {
        assert!(flaw("Warm it to {to}, no more.", &["to"]).is_empty());
        for (wording, params, found) in [
            ("Warm it.", &["to"][..], "to stands nowhere"),
            ("Warm it to {to}.", &[], "to is not declared"),
            ("Warm it to 31 °C.", &[], "31 °C is written out"),
            ("Add 3 g, stir.", &[], "3 g is written out"),
            ("Add {much} g, stir.", &["much"], "g is said twice"),
            ("Warm  it.", &[], "spaces too many"),
            ("WarmBack it.", &[], "WarmBack is a name in the code"),
        ] {
            let told = flaw(wording, params);
            assert!(told.len() == 1 && told[0].contains(found), "{wording}: {told:?}");
        }
        let twice = Wording { code: "a.b", wording: "Stir.", params: &[] };
        assert!(flaws(&[twice, twice])[0].contains("is there twice"));
    }
}
