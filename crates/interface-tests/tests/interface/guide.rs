//! Following the build guide to its end, as one who does what it says.
//!
//! Time stands still while something is to be done, and waits are skipped:
//! however slow the machine, nothing is missed.

use anyhow::{Context, ensure};
use interface_tests::Page;
use serde_json::Value;

/// What the guide shows, read at one moment.
struct Shown {
    /// `do`, `closing`, `missed`, `wait` or `wait_for_bowl`; none at the end.
    state: Option<String>,
    text: String,
    /// The long wait it announces, if any.
    come_back: Option<String>,
    /// Whether it asks for a touch, to hear when it is dry.
    touch: bool,
    /// The tempering that it asks for, if it does.
    tempering: Option<String>,
    /// How many steps of all lines are ticked.
    done: usize,
}

const LOOK: &str = "
    const card = document.querySelector('[data-testid=build-now]');
    return card && {
        state: card.dataset.state ?? null,
        text: card.innerText,
        back: card.querySelector('[data-testid=come-back]')?.innerText ?? null,
        tempering: card.dataset.kind === 'tempering' ? card.dataset.step : null,
        touch: [...document.querySelectorAll('button')].some((b) => b.innerText.startsWith('Just dried')),
        done: document.querySelectorAll(TICKED).length,
    };";

/// A task that is done.
const TICKED: &str = "[data-testid=progress] [aria-label=done]";

/// Skips the wait; whether it was still to be skipped, and nothing while that is not there yet.
const SKIP: &str = "
    if (document.querySelector('[data-testid=build-now]')?.dataset.state !== 'wait') return false;
    const all = [...document.querySelectorAll('button')];
    const skip = all.find((button) => button.innerText.startsWith('Skip the wait'));
    if (!skip) return null;
    skip.click();
    return true;";

async fn look(page: &Page) -> anyhow::Result<Shown> {
    page.find("[data-testid=build-now]").await?;
    let seen = page.run(&format!("const TICKED = '{TICKED}'; {LOOK}")).await?;
    let words = |of: &Value| of.as_str().map(ToOwned::to_owned);
    Ok(Shown {
        state: words(&seen["state"]),
        text: words(&seen["text"]).context("the guide says something")?,
        come_back: words(&seen["back"]),
        tempering: words(&seen["tempering"]),
        touch: seen["touch"].as_bool().context("a yes or a no")?,
        done: usize::try_from(seen["done"].as_u64().context("a number of tasks")?)?,
    })
}

/// What following the guide came to.
pub struct Followed {
    pub done: usize,
    /// The long waits it announced, each as it did.
    pub waits: Vec<String>,
}

/// Does what the guide says, as soon as it says so, until all is built. What a
/// task needs is brought before it by `bring`, which is told what the guide shows.
pub async fn follow(
    page: &Page,
    bring: impl AsyncFn(&str) -> anyhow::Result<()>,
) -> anyhow::Result<Followed> {
    let mut followed = Followed { done: 0, waits: Vec::new() };
    page.touch("held").await?;
    page.find("[data-rate='0']").await?;
    for _ in 0..400 {
        let shown = look(page).await?;
        let Some(state) = shown.state.as_deref() else {
            ensure!(shown.text.contains("All is made"), "{}", shown.text);
            return Ok(followed);
        };
        match state {
            "wait" => {
                // While something goes on at the bench a wait may be over before it is skipped.
                let is_done = |done: &Value| *done != Value::Null;
                let skipped = page.until_script(SKIP, "the wait is skipped or over", is_done);
                let skipped = skipped.await? == true;
                page.find("[data-testid=build-now]:not([data-state=wait])").await?;
                followed.waits.extend(shown.come_back.filter(|_| skipped));
            }
            "wait_for_bowl" => {
                bring(&shown.text).await?;
                page.find("[data-testid=build-now]:not([data-state=wait_for_bowl])").await?;
            }
            // Its pour at the bench ends it; until that is heard of, the next step waits for it.
            "do" if let Some(step) = &shown.tempering => {
                bring(&shown.text).await?;
                let next = format!(":not([data-step='{step}']):not([data-state=wait_for_bowl])");
                page.find(&format!("[data-testid=build-now]{next}")).await?;
            }
            "do" | "closing" => {
                // What is counted is noted before it is ticked.
                if shown.text.contains("Count whole and broken pieces") {
                    bring(&shown.text).await?;
                }
                page.press(if shown.touch { "j" } else { "d" }).await?;
                // A pour at the bench may be ticked at the same time.
                let ticked = format!("return document.querySelectorAll('{TICKED}').length");
                let more = |count: &Value| count.as_u64() > Some(shown.done as u64);
                page.until_script(&ticked, "one more is ticked", more).await?;
                followed.done += 1;
            }
            _ => anyhow::bail!("who is in time misses nothing: {}", shown.text),
        }
    }
    anyhow::bail!("the build comes to no end")
}

/// Goes through what is left of the guide by what is marked on it and by nothing else: `act` sets
/// off what has a name, `moved` looks at the page once that led on. Waits are skipped.
pub async fn go_through(
    page: &Page,
    act: impl AsyncFn(&str) -> anyhow::Result<()>,
    moved: impl AsyncFn() -> anyhow::Result<()>,
) -> anyhow::Result<()> {
    // The step, how it stands, and what is marked as the thing to do.
    let now = "const now = document.querySelector('[data-testid=build-now]'); \
        return [now?.dataset.step ?? '', now?.dataset.state ?? '', \
            document.querySelector('[data-advised]')?.innerText.split('\\n')[0] ?? '']";
    page.find("[data-testid=build-now]").await?;
    for _ in 0..40 {
        let at = page.run(now).await?;
        let [step, state, advised] = [0, 1, 2].map(|i| at[i].as_str().unwrap_or_default());
        if step.is_empty() {
            page.until_said("All is made").await?;
            return Ok(());
        }
        let acted = act(if state == "wait" { "Skip the wait" } else { advised }).await;
        // While something goes on at the bench a wait may be over before it is skipped.
        if acted.is_err() && state == "wait" && page.run(now).await?[1] != "wait" {
            continue;
        }
        acted?;
        page.until_script(now, "the next thing", |next| {
            next[0] != at[0] || (next[1] != at[1] && next[2] != "")
        })
        .await?;
        moved().await?;
    }
    anyhow::bail!("it is never all made")
}
