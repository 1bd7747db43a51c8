//! The house as `docs/architecture.md` draws it: arrows run down.

use std::collections::BTreeSet;
use std::path::{Path, PathBuf};

fn root() -> PathBuf {
    Path::new(env!("CARGO_MANIFEST_DIR")).join("../..")
}

/// The modules of a crate, from the ground up, as the page has them.
fn floors(of: &str) -> Vec<String> {
    let page = std::fs::read_to_string(root().join("docs/architecture.md")).expect("the page");
    let start = page.find(&format!("- `{of}`, from the ground up:")).expect("a list");
    let list = &page[start..];
    let list = &list[list.find(':').expect("a colon")..list.find(".\n").expect("an end")];
    list.split('`').skip(1).step_by(2).map(ToOwned::to_owned).collect()
}

/// The Rust files under a folder.
fn files(folder: &Path, found: &mut Vec<PathBuf>) {
    for entry in std::fs::read_dir(folder).expect("a folder").flatten() {
        let path = entry.path();
        if path.is_dir() {
            files(&path, found);
        } else if path.extension().is_some_and(|kind| kind == "rs") {
            found.push(path);
        }
    }
}

/// The modules that a file's code names, tests and comments aside.
fn named(text: &str) -> BTreeSet<String> {
    let code = text.split("#[cfg(test)]").next().unwrap_or_default();
    let lines = code.lines().filter(|line| !line.trim_start().starts_with("//"));
    let code = lines.collect::<Vec<_>>().join("\n");
    let word = |from: &str| -> String {
        from.chars().take_while(|c| c.is_alphanumeric() || *c == '_').collect()
    };
    let mut all: BTreeSet<String> = code.split("crate::").skip(1).map(word).collect();
    // `use crate::{a, b::c}` names several.
    for group in code.split("crate::{").skip(1) {
        let group = group.split(';').next().unwrap_or_default();
        all.extend(group.split([',', '{']).map(|part| word(part.trim())));
    }
    all
}

#[test]
fn no_arrow_runs_up() {
    let mut wrong = Vec::new();
    for of in ["craft", "server"] {
        let floors = floors(of);
        let floor = |module: &str| floors.iter().position(|known| known == module);
        let source = root().join("crates").join(of).join("src");
        let mut all = Vec::new();
        files(&source, &mut all);
        let mut met = BTreeSet::new();
        for path in all {
            let inside = path.strip_prefix(&source).expect("inside").to_owned();
            let first = inside.components().next().expect("a name").as_os_str();
            let module = first.to_string_lossy().trim_end_matches(".rs").to_owned();
            let is_a_test = inside
                .components()
                .any(|part| part.as_os_str().to_string_lossy().starts_with("tests"));
            if is_a_test || ["lib", "main"].contains(&module.as_str()) {
                continue;
            }
            let Some(here) = floor(&module) else {
                wrong.push(format!("{of}: {module} stands on no floor of docs/architecture.md"));
                continue;
            };
            met.insert(module.clone());
            for other in named(&std::fs::read_to_string(&path).expect("text")) {
                if floor(&other).is_some_and(|there| there > here) {
                    wrong.push(format!(
                        "{of}: {} takes from {other}, which stands above it",
                        inside.display()
                    ));
                }
            }
        }
        wrong.extend(
            floors
                .iter()
                .filter(|known| !met.contains(*known))
                .map(|known| format!("{of}: there is no {known}")),
        );
    }
    assert!(wrong.is_empty(), "{}", wrong.join("\n"));
}

/// What a type is called in the description of the API: its own name, or the one it asks for.
fn described(text: &str) -> Vec<String> {
    let mut found = Vec::new();
    let mut lines = text.lines().peekable();
    while let Some(line) = lines.next() {
        if !(line.contains("ToSchema") && line.contains("derive")) {
            continue;
        }
        let mut asked = None;
        for next in std::iter::once(line).chain(lines.by_ref()) {
            if let Some((_, name)) = next.split_once("schema(as = ") {
                asked = name.split(')').next().map(ToOwned::to_owned);
            }
            if let Some((_, name)) =
                next.split_once("pub struct ").or_else(|| next.split_once("pub enum "))
            {
                let own: String = name.chars().take_while(|c| c.is_alphanumeric()).collect();
                found.push(asked.unwrap_or(own));
                break;
            }
        }
    }
    found
}

#[test]
fn no_two_types_have_one_name_in_the_description_of_the_api() {
    // The later one would take the place of the other, and nothing would say so.
    let mut all = Vec::new();
    for of in ["craft", "store", "server"] {
        files(&root().join("crates").join(of).join("src"), &mut all);
    }
    let read = |path: &PathBuf| std::fs::read_to_string(path).expect("a file");
    let mut names: Vec<_> = all.iter().flat_map(|path| described(&read(path))).collect();
    assert!(names.len() > 150, "{}", names.len());
    names.sort();
    let twice: Vec<_> = names.windows(2).filter(|two| two[0] == two[1]).collect();
    assert!(twice.is_empty(), "{twice:?}");
}
