//! Drives the real interface in headless Chromium: the tests in
//! `tests/interface`, the pictures for the README and the measurement of how
//! fast a slider is followed share this.

mod checks;
mod device;
mod kitchen;
mod page;
mod peripheral;
mod tabs;
mod tempering;

pub use device::Size;
pub use kitchen::Kitchen;
pub use page::Page;
pub use peripheral::Peripheral;
pub use tempering::tempered;

use std::panic::AssertUnwindSafe;
use std::path::PathBuf;

use futures::FutureExt;

/// Runs a test in a browser of its own. Where it fails, the page's picture and
/// console are left in `test-artifacts/`, and said where.
///
/// # Panics
/// Where the test fails: that is its point.
pub async fn browse(name: &str, test: impl AsyncFnOnce(&Page) -> anyhow::Result<()>) {
    browse_at(Kitchen::shared(), name, test).await;
}

/// The same, against another server.
///
/// # Panics
/// Where the test fails.
pub async fn browse_at(
    kitchen: &Kitchen,
    name: &str,
    test: impl AsyncFnOnce(&Page) -> anyhow::Result<()>,
) {
    let page = Page::open(kitchen).await.expect("a browser");
    let outcome = AssertUnwindSafe(test(&page)).catch_unwind().await;
    let complaints = page.complaints().await.unwrap_or_default();
    let failure = match outcome {
        Ok(Ok(())) if complaints.is_empty() => None,
        Ok(Ok(())) => Some(format!("the page complained: {complaints:?}")),
        Ok(Err(error)) => Some(format!("{error:#}")),
        Err(panic) => Some(
            panic
                .downcast_ref::<String>()
                .cloned()
                .or_else(|| panic.downcast_ref::<&str>().map(ToString::to_string))
                .unwrap_or_else(|| "panicked".to_owned()),
        ),
    };
    if let Some(failure) = failure {
        let left = page.leave_evidence(name).await;
        page.close().await;
        match left {
            Ok(path) => panic!("{failure}\nsee {}", path.display()),
            Err(error) => panic!("{failure}\nand no picture could be taken: {error:#}"),
        }
    }
    page.close().await;
}

/// The project's folder.
#[must_use]
pub fn root() -> PathBuf {
    PathBuf::from(env!("CARGO_MANIFEST_DIR")).join("../..")
}
