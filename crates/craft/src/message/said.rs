//! A wording and what stands in it, put into words when somebody asks for them.

use std::borrow::Cow;
use std::collections::BTreeMap;
use std::fmt;

use serde::{Deserialize, Deserializer, Serialize, Serializer};

use super::Param;

/// What stands in a wording, in the order of its names.
type Params = Box<[(Cow<'static, str>, Param)]>;

/// A wording, and what stands in it.
///
/// Most of what a plan could say is never read: it is worded only when it is asked for.
#[derive(Clone, Debug, PartialEq)]
pub struct Said {
    wording: Cow<'static, str>,
    params: Params,
}

impl Said {
    pub(super) fn new<const N: usize>(
        wording: &'static str,
        mut params: [(&'static str, Param); N],
    ) -> Self {
        params.sort_unstable_by_key(|(name, _)| *name);
        let params = Box::new(params.map(|(name, param)| (Cow::Borrowed(name), param)));
        Self { wording: wording.into(), params }
    }

    /// In words, in °C and grams.
    #[must_use]
    pub fn text(&self) -> Cow<'_, str> {
        if self.params.is_empty() {
            Cow::Borrowed(&self.wording)
        } else {
            Cow::Owned(self.to_string())
        }
    }

    /// How it is worded, with `{name}` where the parameter of that name stands; `None` where
    /// nothing does.
    #[must_use]
    pub fn template(&self) -> Option<&Cow<'static, str>> {
        (!self.params.is_empty()).then_some(&self.wording)
    }

    /// What stands in it, by name.
    #[must_use]
    pub fn params(&self) -> BTreeMap<&str, &Param> {
        self.params.iter().map(|(name, param)| (name.as_ref(), param)).collect()
    }

    fn param(&self, name: &str) -> Option<&Param> {
        self.params.iter().find(|(other, _)| other == name).map(|(_, param)| param)
    }
}

impl fmt::Display for Said {
    /// The wording with each `{name}` replaced by that parameter; a name that is not there
    /// stays as it is.
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        let mut rest: &str = &self.wording;
        if self.params.is_empty() {
            return f.write_str(rest);
        }
        while let Some((before, after)) = rest.split_once('{') {
            f.write_str(before)?;
            let Some((name, after)) = after.split_once('}') else {
                f.write_str("{")?;
                rest = after;
                continue;
            };
            match self.param(name) {
                Some(param) => param.fmt(f)?,
                None => write!(f, "{{{name}}}")?,
            }
            rest = after;
        }
        f.write_str(rest)
    }
}

/// A wording and what stands in it, as they are sent and stored.
#[derive(Serialize, Deserialize)]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
#[cfg_attr(feature = "schema", schema(as = Said))]
struct Told<'s> {
    /// In words, in °C and grams.
    #[cfg_attr(feature = "schema", schema(value_type = String))]
    text: Cow<'s, str>,
    /// How it is worded, with `{name}` where the parameter of that name stands; left out
    /// where nothing does.
    #[serde(default, skip_serializing_if = "Option::is_none")]
    #[cfg_attr(feature = "schema", schema(value_type = Option<String>))]
    template: Option<Cow<'s, str>>,
    /// What stands in it, by name.
    #[serde(default, skip_serializing_if = "BTreeMap::is_empty")]
    #[cfg_attr(feature = "schema", schema(value_type = BTreeMap<String, Param>))]
    params: BTreeMap<Cow<'s, str>, Cow<'s, Param>>,
}

impl Serialize for Said {
    fn serialize<S: Serializer>(&self, serializer: S) -> Result<S::Ok, S::Error> {
        let params = self.params.iter();
        Told {
            text: self.text(),
            template: self.template().map(|wording| Cow::Borrowed(wording.as_ref())),
            params: params
                .map(|(name, param)| (Cow::Borrowed(name.as_ref()), Cow::Borrowed(param)))
                .collect(),
        }
        .serialize(serializer)
    }
}

impl<'de> Deserialize<'de> for Said {
    fn deserialize<D: Deserializer<'de>>(deserializer: D) -> Result<Self, D::Error> {
        let Told { text, template, params } = Told::deserialize(deserializer)?;
        let params = params
            .into_iter()
            .map(|(name, param)| (Cow::Owned(name.into_owned()), param.into_owned()));
        Ok(Self {
            wording: Cow::Owned(template.unwrap_or(text).into_owned()),
            params: params.collect(),
        })
    }
}

#[cfg(feature = "schema")]
mod schema {
    use utoipa::openapi::{RefOr, Schema};
    use utoipa::{PartialSchema, ToSchema};

    use super::{Said, Told};

    impl PartialSchema for Said {
        fn schema() -> RefOr<Schema> {
            Told::schema()
        }
    }

    impl ToSchema for Said {
        fn name() -> std::borrow::Cow<'static, str> {
            Told::name()
        }

        fn schemas(schemas: &mut Vec<(String, RefOr<Schema>)>) {
            Told::schemas(schemas);
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;
    use crate::message::Words;

    #[test]
    fn a_wording_with_a_stray_brace_is_shown_as_it_is() {
        let said = Said::new("{a} {b} {", [("a", Words::from("A").into())]);
        assert_eq!(said.text(), "A {b} {");
    }
}
