//! Measures how long it takes from a step of the thickness slider to the new
//! figure on screen; run by `scripts/bench-interface`.

use anyhow::{Context, ensure};
use interface_tests::{Kitchen, Page};

/// Steps the slider and waits, in the page, for the figure to change; the
/// times are the page's own, to the frame in which the figure is drawn.
const STEPS: &str = "
    const done = arguments[arguments.length - 1];
    const slider = document.querySelector('[role=slider]');
    const figure = document.querySelector('[data-testid=to-weigh]');
    const took = [];
    slider.focus();
    const step = (n) => {
        if (n === 200) return done(took);
        const key = n % 40 < 20 ? 'ArrowRight' : 'ArrowLeft';
        const begun = performance.now();
        const seen = new MutationObserver(() => {
            seen.disconnect();
            requestAnimationFrame(() => {
                took.push(performance.now() - begun);
                requestAnimationFrame(() => step(n + 1));
            });
        });
        seen.observe(figure, { characterData: true, childList: true, subtree: true });
        slider.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    };
    step(0);
";

#[tokio::main]
async fn main() -> anyhow::Result<()> {
    let page = Page::open(Kitchen::shared()).await?;
    page.go("/plans").await?;
    page.touch("Plan something").await?;
    page.until_shown("to-weigh", "g").await?;
    let took = page.run_async(STEPS).await?;
    let mut took: Vec<f64> =
        took.as_array().context("times")?.iter().filter_map(serde_json::Value::as_f64).collect();
    ensure!(took.len() == 200, "{} steps were followed", took.len());
    took.sort_by(f64::total_cmp);
    println!(
        "slider step to figure on screen: median {:.1} ms, p95 {:.1} ms, of {} steps",
        took[100],
        took[190],
        took.len()
    );
    page.close().await;
    Ok(())
}
