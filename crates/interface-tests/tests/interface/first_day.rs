//! The first day: an installation with nothing on its shelf.

use interface_tests::{Kitchen, browse_at};

#[tokio::test(flavor = "multi_thread")]
async fn what_it_is_melted_with_is_asked_once_and_stands_in_every_melt() {
    browse_at(Kitchen::just_installed(), "first_day", async |page| {
        page.go("/").await?;
        page.touch("Plan something").await?;
        page.until_said("How do you melt?").await?;
        page.is_accessible().await?;
        page.fill("Microwave", "640").await?;
        page.touch("That is my microwave").await?;
        page.until_said("at half of 640 W").await?;
        page.until_count("[data-testid=heat-asked]", 0).await?;
        // The next plan knows it.
        page.go("/").await?;
        page.touch("Plan something").await?;
        page.until_said("at half of 640 W").await?;
        page.until_count("[data-testid=heat-asked]", 0).await?;
        Ok(())
    })
    .await;
}
