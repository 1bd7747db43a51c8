//! Several tabs of one browser.

use anyhow::Context;
use serde_json::json;

use crate::Page;

impl Page {
    /// Opens one more tab, and looks at it.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn open_tab(&self) -> anyhow::Result<()> {
        let tab = self.driver.new_tab().await?;
        Ok(self.driver.switch_to_window(tab).await?)
    }

    /// Looks at a tab, counted from 0 in the order in which they were opened.
    ///
    /// # Errors
    /// Where there is none.
    pub async fn look_at_tab(&self, number: usize) -> anyhow::Result<()> {
        let mut tabs = self.driver.windows().await?.into_iter();
        let tab = tabs.nth(number).context("there is such a tab")?;
        self.driver.switch_to_window(tab).await?;
        self.tell("Page.bringToFront", json!({})).await?;
        Ok(())
    }

    /// Closes the tab that is looked at; another is to be looked at next.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn close_tab(&self) -> anyhow::Result<()> {
        Ok(self.driver.close_window().await?)
    }

    /// Puts the tab to sleep, as browsers do with one that was not looked at for long.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn sleeps(&self) -> anyhow::Result<()> {
        self.tell("Page.setWebLifecycleState", json!({ "state": "frozen" })).await?;
        Ok(())
    }
}
