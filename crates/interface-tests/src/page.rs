//! A browser page, with the verbs that the tests use. Everything waits for a
//! condition; nothing waits for a time.

use std::path::{Path, PathBuf};
use std::time::Duration;

use anyhow::Context;
use base64::Engine as _;
use base64::engine::general_purpose::STANDARD;
use serde_json::{Value, json};
use thirtyfour::components::SelectElement;
use thirtyfour::prelude::*;

use crate::{Kitchen, Size, root};

/// How long a condition may take to come true.
const PATIENCE: Duration = Duration::from_secs(45);
const LOOK_EVERY: Duration = Duration::from_millis(40);

/// Keeps what the page says on its console, from before its first script on.
const LISTEN: &str = "
    window.__said = [];
    for (const level of ['log', 'warn', 'error']) {
        const say = console[level].bind(console);
        console[level] = (...words) => { window.__said.push([level, words.map(String).join(' ')]); say(...words); };
    }
    addEventListener('error', (e) => window.__said.push(['error', e.message ?? String(e)]));
    addEventListener('unhandledrejection', (e) => window.__said.push(['error', String(e.reason)]));
";

/// A page in a browser of its own.
#[derive(Debug)]
pub struct Page {
    pub(crate) driver: WebDriver,
    address: String,
    profile: tempfile::TempDir,
}

impl Page {
    /// Opens a browser at laptop size, on no page yet.
    ///
    /// # Errors
    /// Where the browser does not start.
    pub async fn open(kitchen: &Kitchen) -> anyhow::Result<Self> {
        Self::begin(kitchen, &kitchen.address, &[]).await
    }

    /// The same on a device of the home network, which trusts the kitchen's authority.
    ///
    /// # Errors
    /// Where the browser does not start, or the home network is not served.
    pub async fn open_at_home(kitchen: &Kitchen) -> anyhow::Result<Self> {
        let home = kitchen.home.as_ref().context("the home network is served")?;
        let trusts = format!("--ignore-certificate-errors-spki-list={}", home.trusted);
        Self::begin(kitchen, &home.address, &[trusts]).await
    }

    async fn begin(kitchen: &Kitchen, address: &str, more: &[String]) -> anyhow::Result<Self> {
        let profile = tempfile::tempdir()?;
        let mut caps = DesiredCapabilities::chrome();
        caps.set_binary(stack::webdriver::CHROMIUM)?;
        for argument in [
            "--headless",
            "--no-sandbox",
            "--disable-gpu",
            "--disable-quic",
            "--no-first-run",
            "--disable-background-networking",
            "--disable-component-update",
            "--disable-sync",
            "--disable-dev-shm-usage",
            // Off by default where these tests run; elsewhere pages have it.
            "--enable-features=WebBluetooth",
        ] {
            caps.add_arg(argument)?;
        }
        for argument in more {
            caps.add_arg(argument)?;
        }
        caps.add_arg(&format!("--user-data-dir={}", profile.path().display()))?;
        let driver = WebDriver::new(&kitchen.webdriver, caps).await?;
        let page = Self { driver, address: address.to_owned(), profile };
        page.tell("Page.addScriptToEvaluateOnNewDocument", json!({ "source": LISTEN })).await?;
        page.resize(Size::LAPTOP).await?;
        Ok(page)
    }

    /// Closes the browser.
    pub async fn close(self) {
        // A browser that is gone already is closed too.
        let _ = self.driver.quit().await;
        drop(self.profile);
    }

    /// Says something to the browser itself.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn tell(&self, command: &str, parameters: Value) -> anyhow::Result<Value> {
        Ok(self.driver.cdp().send_raw(command, parameters).await?)
    }

    /// Where the browser itself is spoken to, beside its driver.
    ///
    /// # Errors
    /// Where it does not say.
    pub fn own_line(&self) -> anyhow::Result<String> {
        let said = std::fs::read_to_string(self.profile.path().join("DevToolsActivePort"))?;
        let (port, path) = said.trim().split_once('\n').context("a port and a path")?;
        Ok(format!("ws://127.0.0.1:{port}{path}"))
    }

    /// How many pages of paper it takes, as it would be printed.
    ///
    /// # Errors
    /// Where the browser does not answer.
    pub async fn printed_pages(&self) -> anyhow::Result<usize> {
        let print = json!({ "preferCSSPageSize": true, "printBackground": true });
        let printed = self.tell("Page.printToPDF", print).await?;
        let pdf = STANDARD.decode(printed["data"].as_str().context("a PDF")?)?;
        let of = |kind: &[u8]| pdf.windows(kind.len()).filter(|w| *w == kind).count();
        // The tree of pages is marked like a page.
        Ok(of(b"/Type /Page") - of(b"/Type /Pages"))
    }

    /// How long the page's main thread has been at work, s.
    ///
    /// # Errors
    /// Where the browser does not tell.
    pub async fn busy_s(&self) -> anyhow::Result<f64> {
        self.tell("Performance.enable", json!({})).await?;
        let told = self.tell("Performance.getMetrics", json!({})).await?;
        told["metrics"]
            .as_array()
            .and_then(|all| all.iter().find(|m| m["name"] == "TaskDuration"))
            .and_then(|metric| metric["value"].as_f64())
            .context("the browser tells its task duration")
    }

    /// Goes to an address of the application.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn go(&self, path: &str) -> anyhow::Result<()> {
        Ok(self.driver.goto(format!("{}{path}", self.address)).await?)
    }

    /// Loads the page anew.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn reload(&self) -> anyhow::Result<()> {
        Ok(self.driver.refresh().await?)
    }

    /// Where the page is now, without the server's address.
    ///
    /// # Errors
    /// Where the browser does not say.
    pub async fn path(&self) -> anyhow::Result<String> {
        Ok(self.driver.current_url().await?.path().to_owned())
    }

    /// The element that a selector finds, once it is there.
    ///
    /// # Errors
    /// Where it does not come.
    pub async fn find(&self, css: &str) -> anyhow::Result<WebElement> {
        self.driver
            .query(By::Css(css))
            .wait(PATIENCE, LOOK_EVERY)
            .first()
            .await
            .with_context(|| format!("nothing is {css}"))
    }

    /// The button or link with a name, once it is there: what it shows or is
    /// labelled with begins so.
    ///
    /// # Errors
    /// Where it does not come.
    pub async fn named(&self, name: &str) -> anyhow::Result<WebElement> {
        let xpath = format!(
            "//*[self::button or self::a or self::label][starts-with(normalize-space(.), \"{name}\") \
             or starts-with(@aria-label, \"{name}\")]"
        );
        self.driver
            .query(By::XPath(xpath))
            .wait(PATIENCE, LOOK_EVERY)
            .and_displayed()
            .first()
            .await
            .with_context(|| format!("nothing is called {name}"))
    }

    /// Touches the button or link with a name.
    ///
    /// # Errors
    /// Where there is none, or something lies over it.
    pub async fn touch(&self, name: &str) -> anyhow::Result<()> {
        again(async || self.touch_once(name).await).await
    }

    async fn touch_once(&self, name: &str) -> anyhow::Result<()> {
        let element = self.named(name).await?;
        element.scroll_into_view().await?;
        // One that was drawn anew while it was waited for is to be found again.
        let until = element.wait_until().wait(PATIENCE, LOOK_EVERY).ignore_errors(false);
        until.enabled().await?;
        element.click().await.with_context(|| format!("{name} cannot be touched"))
    }

    /// Goes to a place of what is open: of a plan, of the shelf.
    ///
    /// # Errors
    /// Where there is none of that name.
    pub async fn place(&self, name: &str) -> anyhow::Result<()> {
        let link = format!("//nav[@data-testid='places']/a[normalize-space(.)='{name}']");
        let link = self.driver.query(By::XPath(link)).wait(PATIENCE, LOOK_EVERY).first().await;
        Ok(link.with_context(|| format!("no place is called {name}"))?.click().await?)
    }

    /// Opens every part of the page that is folded, those within others too, once what a plan
    /// asked the server for is there.
    ///
    /// # Errors
    /// Where they do not open.
    pub async fn unfold(&self) -> anyhow::Result<()> {
        self.until_count("[data-testid=stated][aria-busy=true]", 0).await?;
        self.find("[data-testid=fold]").await?;
        let folded = "const folded = [...document.querySelectorAll( \
                '[data-testid=fold][aria-expanded=false]')]; \
            const now = performance.now(); \
            for (const fold of folded) { \
                if (now - (fold.touchedAt ?? -2000) < 2000) continue; \
                fold.touchedAt = now; \
                fold.click(); \
            } \
            return folded.length";
        self.until_script(folded, "all unfolded", |left| *left == json!(0)).await?;
        Ok(())
    }

    /// Presses a key on the page as a whole.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn press(&self, key: &str) -> anyhow::Result<()> {
        Ok(self.driver.action_chain().send_keys(key).perform().await?)
    }

    /// Types into the field with a label, in place of what is there.
    ///
    /// # Errors
    /// Where there is none.
    pub async fn fill(&self, label: &str, text: &str) -> anyhow::Result<()> {
        again(async || self.fill_once(label, text).await).await
    }

    async fn fill_once(&self, label: &str, text: &str) -> anyhow::Result<()> {
        let field = self.field(label).await?;
        field.scroll_into_view().await?;
        field.send_keys(Key::Control + "a").await?;
        if text.is_empty() {
            field.send_keys(Key::Delete + "").await?;
        } else {
            field.send_keys(text).await?;
        }
        Ok(())
    }

    /// Types into the field with a label, of those within a group that has a name.
    ///
    /// # Errors
    /// Where there is none.
    pub async fn fill_in(&self, group: &str, label: &str, text: &str) -> anyhow::Result<()> {
        let label = format!(
            "//*[@role='group'][@aria-label=\"{group}\"]//label[normalize-space(.)=\"{label}\"]"
        );
        let found = self.driver.query(By::XPath(label)).wait(PATIENCE, LOOK_EVERY).first().await?;
        let id = found.attr("for").await?.context("a field of its own")?;
        let field = self.find(&format!("[id='{id}']")).await?;
        field.scroll_into_view().await?;
        field.send_keys(Key::Control + "a").await?;
        Ok(field.send_keys(text).await?)
    }

    /// Puts a day or a time into the field with a label, as it is kept: how it is typed is another
    /// matter in each country.
    ///
    /// # Errors
    /// Where there is none.
    pub async fn put(&self, label: &str, value: &str) -> anyhow::Result<()> {
        let field = self.field(label).await?;
        field.scroll_into_view().await?;
        let script = "const [field, value] = arguments;
            const set = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value').set;
            set.call(field, value);
            field.dispatchEvent(new Event('input', { bubbles: true }));";
        self.driver.execute(script, vec![field.to_json()?, value.into()]).await?;
        Ok(())
    }

    /// Gives a file to the field with a label, which need not be seen.
    ///
    /// # Errors
    /// Where there is none.
    pub async fn give(&self, label: &str, file: &Path) -> anyhow::Result<()> {
        again(async || self.give_once(label, file).await).await
    }

    async fn give_once(&self, label: &str, file: &Path) -> anyhow::Result<()> {
        let field = self
            .driver
            .query(By::Css(format!("input[type=file][aria-label=\"{label}\"]")))
            .wait(PATIENCE, LOOK_EVERY)
            .first()
            .await
            .with_context(|| format!("no file field is labelled {label}"))?;
        Ok(field.send_keys(file.canonicalize()?.display().to_string()).await?)
    }

    /// Chooses from the list with a label.
    ///
    /// # Errors
    /// Where there is no such list, or nothing in it has those words.
    pub async fn choose(&self, label: &str, words: &str) -> anyhow::Result<()> {
        again(async || self.choose_once(label, words).await).await
    }

    async fn choose_once(&self, label: &str, words: &str) -> anyhow::Result<()> {
        // What a list offers may come from the server, later than the list.
        let script = format!(
            "const list = document.evaluate({}, document, null, 9).singleNodeValue; \
             return [...(list?.options ?? [])].some(({{ text }}) => text.trim() === {})",
            json!(labelled(label)),
            json!(words)
        );
        let what = format!("{label} offers {words}");
        self.until_script(&script, &what, |offered| *offered == json!(true)).await?;
        let list = SelectElement::new(&self.field(label).await?).await?;
        Ok(list.select_by_visible_text(words).await?)
    }

    /// The field with a label.
    ///
    /// # Errors
    /// Where there is none.
    pub async fn field(&self, label: &str) -> anyhow::Result<WebElement> {
        self.driver
            .query(By::XPath(labelled(label)))
            .wait(PATIENCE, LOOK_EVERY)
            .first()
            .await
            .with_context(|| format!("no field is labelled {label}"))
    }

    /// What the element with a test id shows.
    ///
    /// # Errors
    /// Where it does not come.
    pub async fn shown(&self, id: &str) -> anyhow::Result<String> {
        self.until(id, "there", |text| !text.is_empty()).await
    }

    /// Waits until the element with a test id shows something that will do.
    ///
    /// # Errors
    /// Where it does not come to that.
    pub async fn until(
        &self,
        id: &str,
        what: &str,
        will_do: impl Fn(&str) -> bool,
    ) -> anyhow::Result<String> {
        let script = format!(
            "const found = document.querySelector(\"[data-testid='{id}']\"); \
             return found ? found.innerText : '';"
        );
        let shown = |value: &Value| value.as_str().unwrap_or_default().to_owned();
        self.until_script(&script, &format!("{id}: {what}"), |value| will_do(&shown(value)))
            .await
            .map(|value| shown(&value))
    }

    /// Waits until the element with a test id shows some words.
    ///
    /// # Errors
    /// Where it does not come to that.
    pub async fn until_shown(&self, id: &str, words: &str) -> anyhow::Result<String> {
        self.until(id, words, |text| text.contains(words)).await
    }

    /// Waits until a selector finds so many elements.
    ///
    /// # Errors
    /// Where it does not come to that.
    pub async fn until_count(&self, css: &str, count: usize) -> anyhow::Result<()> {
        let script = format!("return document.querySelectorAll(\"{css}\").length");
        let what = format!("{count} of {css}");
        self.until_script(&script, &what, |found| *found == json!(count)).await?;
        Ok(())
    }

    /// Waits until what a script returns will do, and gives it.
    ///
    /// # Errors
    /// Where it does not come to that.
    pub async fn until_script(
        &self,
        script: &str,
        what: &str,
        will_do: impl Fn(&Value) -> bool,
    ) -> anyhow::Result<Value> {
        let mut last = Value::Null;
        let patient = async {
            loop {
                // A page that goes while it is asked, for the next or to be loaded anew, says
                // nothing: the one that comes is asked.
                match self.run(script).await {
                    Ok(now) if will_do(&now) => return now,
                    Ok(now) => last = now,
                    Err(error) => last = json!(format!("{error:#}")),
                }
                tokio::time::sleep(LOOK_EVERY).await;
            }
        };
        tokio::time::timeout(PATIENCE, patient)
            .await
            .with_context(|| format!("it never came to this: {what}"))
            .with_context(|| format!("it was {last:#}"))
    }

    /// Waits until the page as a whole shows some words.
    ///
    /// # Errors
    /// Where it does not come to that.
    pub async fn until_said(&self, words: &str) -> anyhow::Result<()> {
        // Looked for in one go: what is drawn anew between two looks is no fault of the page.
        let script = format!(
            "const words = {}; \
             const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT); \
             while (texts.nextNode()) {{ \
                 const {{ textContent, parentElement }} = texts.currentNode; \
                 if (textContent.replace(/\\s+/g, ' ').includes(words) \
                     && parentElement.checkVisibility()) return true; \
             }} \
             return false",
            json!(words)
        );
        let what = format!("the page says: {words}");
        self.until_script(&script, &what, |found| *found == json!(true)).await?;
        Ok(())
    }

    /// Waits until the page shows some words no longer.
    ///
    /// # Errors
    /// Where it goes on to.
    pub async fn until_unsaid(&self, words: &str) -> anyhow::Result<()> {
        let script = format!("return !document.body.innerText.includes({})", json!(words));
        let what = format!("the page no longer says: {words}");
        self.until_script(&script, &what, |gone| *gone == json!(true)).await?;
        Ok(())
    }

    /// Waits until a refusal is said beside a field, or under a list.
    ///
    /// # Errors
    /// Where it does not come to that.
    pub async fn until_refused(&self, words: &str) -> anyhow::Result<()> {
        let said = "return [...document.querySelectorAll( \
            '.chakra-field__errorText, [role=alert]')].map((e) => e.innerText)";
        self.until_script(said, words, |all| {
            let mut all = all.as_array().into_iter().flatten().filter_map(Value::as_str);
            all.any(|said| said.contains(words))
        })
        .await?;
        Ok(())
    }

    /// Runs a script in the page.
    ///
    /// # Errors
    /// Where it throws.
    pub async fn run(&self, script: &str) -> anyhow::Result<Value> {
        Ok(self.driver.execute(script, Vec::new()).await?.json().clone())
    }

    /// Runs a script that answers through a callback, its last argument.
    ///
    /// # Errors
    /// Where it throws or does not answer.
    pub async fn run_async(&self, script: &str) -> anyhow::Result<Value> {
        Ok(self.driver.execute_async(script, Vec::new()).await?.json().clone())
    }

    /// Waits until the page has what it asked the server for, and nothing moves.
    ///
    /// # Errors
    /// Where it does not come to that.
    pub async fn settled(&self) -> anyhow::Result<()> {
        let still = "const waits = document.querySelector('[data-testid=loading]'); \
            const moving = document.getAnimations().filter((a) => a.playState === 'running'); \
            return document.querySelector('main')?.childElementCount > 0 && !waits \
                && moving.length === 0";
        self.until_script(still, "loaded and still", |now| *now == json!(true)).await?;
        Ok(())
    }

    /// What the page complained of on its console.
    ///
    /// # Errors
    /// Where the browser does not say.
    pub async fn complaints(&self) -> anyhow::Result<Vec<String>> {
        let said = self
            .run("return (window.__said ?? []).filter(([l]) => l === 'error').map(([, w]) => w)")
            .await?;
        Ok(serde_json::from_value(said)?)
    }

    /// Forgets what the page complained of: the test made it.
    ///
    /// # Errors
    /// Where the browser refuses.
    pub async fn forgive(&self) -> anyhow::Result<()> {
        self.run("window.__said = []").await?;
        Ok(())
    }

    /// Takes a picture.
    ///
    /// # Errors
    /// Where the browser refuses or the file cannot be written.
    pub async fn picture(&self, path: &std::path::Path) -> anyhow::Result<()> {
        Ok(self.driver.screenshot(path).await?)
    }

    /// Leaves the page's picture and console where they can be looked at.
    ///
    /// # Errors
    /// Where they cannot be written.
    pub async fn leave_evidence(&self, name: &str) -> anyhow::Result<PathBuf> {
        let folder = root().join("test-artifacts");
        std::fs::create_dir_all(&folder)?;
        let picture = folder.canonicalize()?.join(format!("{name}.png"));
        self.picture(&picture).await?;
        let said = self.run("return window.__said ?? []").await?;
        std::fs::write(picture.with_extension("txt"), format!("{said:#}"))?;
        Ok(picture)
    }
}

/// Finds the field with a label.
fn labelled(label: &str) -> String {
    format!(
        "//input[@aria-label=\"{label}\"] | //textarea[@aria-label=\"{label}\"] \
         | //*[@id=//label[normalize-space(.)=\"{label}\"]/@for]"
    )
}

/// Does something to what is found on the page; where that was drawn anew meanwhile, it is found
/// again: what was found is not what is there now.
async fn again(act: impl AsyncFn() -> anyhow::Result<()>) -> anyhow::Result<()> {
    for _ in 0..5 {
        match act().await {
            Err(error) if format!("{error:#}").contains("stale element") => {}
            done => return done,
        }
    }
    act().await
}
