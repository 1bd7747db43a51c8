//! What holds for every page: nothing that axe finds, nothing too wide, nothing too small to touch,
//! nothing that stands out of its button or is cut off.

use anyhow::ensure;

use crate::{Page, root};

const SPILT: &str = include_str!("spilt.js");

impl Page {
    /// Fails where the page can be scrolled sideways.
    ///
    /// # Errors
    /// Where it can.
    pub async fn fits_sideways(&self) -> anyhow::Result<()> {
        let over = self
            .run("const d = document.documentElement; return d.scrollWidth - d.clientWidth")
            .await?;
        ensure!(over.as_i64().is_some_and(|over| over <= 0), "the page is {over} px too wide");
        Ok(())
    }

    /// What axe finds, of any level.
    ///
    /// # Errors
    /// Where it cannot be run.
    pub async fn axe(&self) -> anyhow::Result<Vec<String>> {
        let axe = std::fs::read_to_string(root().join("web/node_modules/axe-core/axe.min.js"))?;
        self.run(&axe).await?;
        let found = self
            .run_async(
                "const done = arguments[arguments.length - 1]; \
                 axe.run({ resultTypes: ['violations'] }).then((r) => done(r.violations \
                   .map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160) + ' ' + (n.any[0]?.message ?? '')).join(' | ')}`)), \
                   (e) => done([String(e)]))",
            )
            .await?;
        Ok(serde_json::from_value(found)?)
    }

    /// Fails where axe finds anything, of any level, once the page is loaded.
    ///
    /// # Errors
    /// With what it finds.
    pub async fn is_accessible(&self) -> anyhow::Result<()> {
        self.until_count("[data-testid=loading]", 0).await?;
        let found = self.axe().await?;
        ensure!(found.is_empty(), "axe finds {found:#?}");
        Ok(())
    }

    /// Fails where something to touch is smaller than 48 px, a link in a sentence excepted.
    ///
    /// # Errors
    /// With what is too small.
    pub async fn can_be_touched(&self) -> anyhow::Result<()> {
        let small = "const asked = 'button, a[href], select, textarea, summary, [role=button], \
                   [role=tab], [data-part=control], label:has(input), input:not([type=hidden])'; \
                 const found = []; \
                 for (const e of document.querySelectorAll(asked)) { \
                   const box = e.getBoundingClientRect(), look = getComputedStyle(e); \
                   const unseen = box.width <= 1 || box.height <= 1 || look.opacity === '0' \
                     || look.clip !== 'auto' || !e.checkVisibility({ visibilityProperty: true }); \
                   const within = e.matches('input, [data-part=control]') && e.closest('label'); \
                   if (unseen || within || look.display === 'inline') continue; \
                   if (box.width < 47.5 || box.height < 47.5) \
                     found.push(`${Math.round(box.width)} x ${Math.round(box.height)}: \
                       ${e.outerHTML.slice(0, 60)} ${e.getAttribute('aria-label') ?? e.innerText}`); \
                 } \
                 return [...new Set(found)].map((one) => `${one} (of ${innerWidth} px)`)";
        // A page that was just turned or widened settles first.
        self.until_script(small, "nothing too small to touch", |small| {
            small.as_array().is_some_and(Vec::is_empty)
        })
        .await?;
        Ok(())
    }

    /// What stands out of the button or link it is in, and words that are cut off with nothing to
    /// show that they are.
    ///
    /// # Errors
    /// Where it cannot be looked for.
    pub async fn spilt(&self) -> anyhow::Result<Vec<String>> {
        Ok(serde_json::from_value(self.run(SPILT).await?)?)
    }

    /// Fails where something stands out of the button or link it is in, or is cut off.
    ///
    /// # Errors
    /// With what does.
    pub async fn nothing_spills(&self) -> anyhow::Result<()> {
        // A page that was just turned or widened settles first.
        self.until_script(SPILT, "nothing that spills out", |spilt| {
            spilt.as_array().is_some_and(Vec::is_empty)
        })
        .await?;
        Ok(())
    }
}
