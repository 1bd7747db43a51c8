//! Servers over one scratch database, and one ChromeDriver, shared by everything in this
//! process: one with the demo, one without anything, one over what the release before left.

use std::io::Read;
use std::sync::OnceLock;

use anyhow::Context;
use chrono::Utc;
use flate2::read::GzDecoder;
use server::app::{Running, Serving, serve};
use server::clock::WallClock;
use server::state::State;
use sqlx::Connection;
use stack::DataDir;
use stack::database::{Database, Durability};
use stack::webdriver::WebDriverServer;
use tempfile::TempDir;
use uuid::Uuid;

use crate::root;

/// What servers and browsers stand on.
#[derive(Debug)]
struct Ground {
    database: Database,
    driver: WebDriverServer,
    _folder: TempDir,
}

impl Ground {
    fn shared() -> anyhow::Result<&'static Self> {
        static SHARED: OnceLock<Result<Ground, String>> = OnceLock::new();
        let ground = SHARED.get_or_init(|| Self::laid().map_err(|error| format!("{error:#}")));
        ground.as_ref().map_err(|error| anyhow::anyhow!("{error}"))
    }

    fn laid() -> anyhow::Result<Self> {
        let folder = tempfile::tempdir()?;
        let database =
            Database::start(DataDir::open(&folder.path().join("data"))?, Durability::Scratch)?;
        let driver = WebDriverServer::start(&folder.path().join("chromedriver.log"))?;
        Ok(Self { database, driver, _folder: folder })
    }
}

/// What a server starts from.
#[derive(Clone, Copy, Debug)]
enum From {
    Demo,
    Nothing,
    ReleaseBefore,
}

/// What a browser is run against.
#[derive(Debug)]
pub struct Kitchen {
    /// The server's address.
    pub address: String,
    /// `ChromeDriver`'s address.
    pub webdriver: String,
}

impl Kitchen {
    /// The one of this process with the demo, started when first asked for.
    ///
    /// # Panics
    /// Where it cannot be started: nothing can be tested then.
    pub fn shared() -> &'static Self {
        static SHARED: OnceLock<Kitchen> = OnceLock::new();
        SHARED.get_or_init(|| Self::beside(From::Demo))
    }

    /// One that was just installed, without the demo.
    ///
    /// # Panics
    /// Where it cannot be started: nothing can be tested then.
    pub fn just_installed() -> &'static Self {
        static SHARED: OnceLock<Kitchen> = OnceLock::new();
        SHARED.get_or_init(|| Self::beside(From::Nothing))
    }

    /// One over a database that the release before wrote, brought up to date.
    ///
    /// # Panics
    /// Where it cannot be started: nothing can be tested then.
    pub fn of_the_release_before() -> &'static Self {
        static SHARED: OnceLock<Kitchen> = OnceLock::new();
        SHARED.get_or_init(|| Self::beside(From::ReleaseBefore))
    }

    /// On a thread of its own: the caller may be inside a runtime already.
    fn beside(from: From) -> Self {
        std::thread::spawn(move || Self::start(from))
            .join()
            .map_err(|_| anyhow::anyhow!("starting panicked"))
            .flatten()
            .expect("the kitchen starts")
    }

    fn start(from: From) -> anyhow::Result<Self> {
        let ground = Ground::shared()?;
        let interface = root().join("web/dist");
        anyhow::ensure!(
            interface.join("index.html").is_file(),
            "the interface is not built; ./test builds it"
        );
        let (say, hear) = std::sync::mpsc::channel();
        std::thread::spawn(move || {
            let system = actix_web::rt::System::new();
            let done = system.block_on(async {
                let url = url(&ground.database, from).await?;
                let pool = store::connect(&url).await?;
                let wall = WallClock::new(Utc::now);
                let state = State::new(pool.clone(), wall.clone());
                match from {
                    From::Demo => server::demo::load(&pool, wall.now()).await?,
                    From::Nothing => store::migrate(&pool).await?,
                    From::ReleaseBefore => {
                        let done = server::upgrade::bring_up_to_date(&state).await;
                        done.map_err(|problem| anyhow::anyhow!("{problem}"))?;
                    }
                }
                let Running { address, server, .. } =
                    serve(state, Serving { interface: Some(interface), ..Serving::default() })
                        .await?;
                say.send(address)?;
                server.await?;
                anyhow::Ok(())
            });
            if let Err(error) = done {
                eprintln!("the server stopped: {error:#}");
            }
        });
        let address = hear.recv().context("the server did not start")?;
        Ok(Self { address: format!("http://{address}"), webdriver: ground.driver.url() })
    }
}

/// The address of a database that a server starts from.
async fn url(database: &Database, from: From) -> anyhow::Result<String> {
    match from {
        From::Demo => Ok(database.url()),
        From::Nothing => {
            let name = store::create_database(&database.url(), Uuid::new_v4()).await?;
            Ok(database.url_of(&name))
        }
        From::ReleaseBefore => {
            let name = store::create_database(&database.url(), Uuid::new_v4()).await?;
            let url = database.url_of(&name);
            let path = root().join("crates/store/tests/fixtures/release-0.1.sql.gz");
            let mut sql = String::new();
            GzDecoder::new(std::fs::File::open(path)?).read_to_string(&mut sql)?;
            let mut old = sqlx::MySqlConnection::connect(&url).await?;
            // A file of our own, as it is committed.
            sqlx::raw_sql(sqlx::AssertSqlSafe(sql)).execute(&mut old).await?;
            old.close().await?;
            Ok(url)
        }
    }
}
