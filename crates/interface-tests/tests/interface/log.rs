//! A day later.

use interface_tests::browse;

use crate::api;

#[tokio::test(flavor = "multi_thread")]
async fn the_log_has_every_evening_of_the_demo() {
    browse("log", async |page| {
        page.go("/log").await?;
        for name in ["Hazelnut dark, gift pieces", "White sheet for moon phases"] {
            page.until_said(name).await?;
        }
        page.until_said("tan, grainy, smelt of caramel").await?;
        page.touch("Hazelnut dark, gift pieces").await?;
        page.until_said("Plan against what happened").await?;
        page.until_said("Best gloss so far").await?;
        page.find(".recharts-line-curve").await?;
        Ok(())
    })
    .await;
}

#[tokio::test(flavor = "multi_thread")]
async fn what_is_not_there_is_said() {
    browse("missing", async |page| {
        for (path, words) in [
            ("/plans/00000000-0000-0000-0000-000000000000", "There is no such batch."),
            ("/bench/00000000-0000-0000-0000-000000000000", "There is no such bowl."),
            ("/log/00000000-0000-0000-0000-000000000000", "There is no such batch."),
            ("/nowhere", "This address leads nowhere."),
        ] {
            page.go(path).await?;
            page.until_said(words).await?;
        }
        let planned = api::demo("planned").await?;
        page.go(&format!("/log/{}", api::id(&planned)?)).await?;
        page.until_said("It has not been at the bench yet.").await?;
        Ok(())
    })
    .await;
}
