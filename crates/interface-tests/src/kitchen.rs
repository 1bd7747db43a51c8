//! Servers over one scratch database, and one ChromeDriver, shared by everything in this
//! process: one with the demo, one without anything, one over what the release before left.

use std::io::Read;
use std::net::Ipv4Addr;
use std::path::{Path, PathBuf};
use std::sync::OnceLock;

use anyhow::Context;
use base64::Engine as _;
use base64::engine::general_purpose::STANDARD;
use chrono::Utc;
use flate2::read::GzDecoder;
use server::app::{Running, Serving, serve};
use server::clock::WallClock;
use server::sharing::Share;
use server::state::State;
use sha2::{Digest, Sha256};
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
    folder: TempDir,
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
        Ok(Self { database, driver, folder })
    }
}

/// What a server starts from.
#[derive(Clone, Copy, Debug)]
enum From {
    Demo,
    Nothing,
    ReleaseBefore,
    /// The demo, with the home network served.
    Shared,
    /// Nothing, with the home network served, and an interface that a test may change.
    Renewed,
}

/// How the home network finds a kitchen.
#[derive(Clone, Debug)]
pub struct HomeNetwork {
    /// The address.
    pub address: String,
    /// The SHA-256 of its authority's public key, base64: a browser can be told to trust that.
    pub trusted: String,
}

/// What a browser is run against.
#[derive(Debug)]
pub struct Kitchen {
    /// The server's address.
    pub address: String,
    /// The home network, where it is served.
    pub home: Option<HomeNetwork>,
    /// `ChromeDriver`'s address.
    pub webdriver: String,
    /// Where thermometers' own programs write their logs.
    pub logs: PathBuf,
    /// The built interface that is served.
    pub interface: PathBuf,
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

    /// One with the demo, that its home network finds too.
    ///
    /// # Panics
    /// Where it cannot be started: nothing can be tested then.
    pub fn at_home() -> &'static Self {
        static SHARED: OnceLock<Kitchen> = OnceLock::new();
        SHARED.get_or_init(|| Self::beside(From::Shared))
    }

    /// One without the demo, that its home network finds too, and whose interface is its own: a
    /// new release can be put in its place.
    ///
    /// # Panics
    /// Where it cannot be started: nothing can be tested then.
    pub fn to_be_renewed() -> &'static Self {
        static SHARED: OnceLock<Kitchen> = OnceLock::new();
        SHARED.get_or_init(|| Self::beside(From::Renewed))
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
        let built = root().join("web/dist");
        anyhow::ensure!(
            built.join("index.html").is_file(),
            "the interface is not built; ./test builds it"
        );
        let interface = match from {
            From::Renewed => copied(&built, &ground.folder.path().join("interface"))?,
            _ => built,
        };
        let served = interface.clone();
        let (say, hear) = std::sync::mpsc::channel();
        std::thread::spawn(move || {
            let system = actix_web::rt::System::new();
            let done = system.block_on(async {
                let url = url(&ground.database, from).await?;
                let pool = store::connect(&url).await?;
                let wall = WallClock::new(Utc::now);
                let state = State::new(pool.clone(), wall.clone());
                match from {
                    From::Demo | From::Shared => server::demo::load(&pool, wall.now()).await?,
                    From::Nothing | From::Renewed => store::migrate(&pool).await?,
                    From::ReleaseBefore => {
                        let done = server::upgrade::bring_up_to_date(&state).await;
                        done.map_err(|problem| anyhow::anyhow!("{problem}"))?;
                    }
                }
                let is_shared = matches!(from, From::Shared | From::Renewed);
                let share = is_shared.then(|| share(ground, from));
                let logs = Some(logs(ground));
                let serving = Serving { port: 0, share, interface: Some(served), logs };
                let Running { address, shared, server } = serve(state.clone(), serving).await?;
                let certificate = state.door.sharing().map(|sharing| sharing.certificate());
                let home = shared.zip(certificate).map(|(at, der)| HomeNetwork {
                    address: format!("https://{at}"),
                    trusted: key_of(&der),
                });
                say.send((address, home))?;
                server.await?;
                anyhow::Ok(())
            });
            if let Err(error) = done {
                eprintln!("the server stopped: {error:#}");
            }
        });
        let (address, home) = hear.recv().context("the server did not start")?;
        let (address, logs) = (format!("http://{address}"), logs(ground));
        Ok(Self { address, home, webdriver: ground.driver.url(), logs, interface })
    }
}

/// A folder with all that is in it, elsewhere.
fn copied(from: &Path, to: &Path) -> anyhow::Result<PathBuf> {
    std::fs::create_dir_all(to)?;
    for entry in std::fs::read_dir(from)? {
        let entry = entry?.path();
        let at = to.join(entry.file_name().context("a name")?);
        if entry.is_dir() {
            copied(&entry, &at)?;
        } else {
            std::fs::copy(&entry, &at)?;
        }
    }
    Ok(to.to_owned())
}

/// Where thermometers' own programs write their logs.
fn logs(ground: &Ground) -> PathBuf {
    ground.folder.path().join("logs")
}

/// The home network of the tests: this machine by another of its addresses.
fn share(ground: &Ground, from: From) -> Share {
    let folder = ground.folder.path().join(format!("trust-{from:?}"));
    Share { folder, on: Ipv4Addr::new(127, 0, 0, 2), port: 0 }
}

/// The SHA-256 of a certificate's public key, base64.
fn key_of(certificate: &[u8]) -> String {
    let parsed = x509_parser::parse_x509_certificate(certificate).expect("a certificate");
    STANDARD.encode(Sha256::digest(parsed.1.public_key().raw))
}

/// The address of a database that a server starts from.
async fn url(database: &Database, from: From) -> anyhow::Result<String> {
    match from {
        From::Demo => Ok(database.url()),
        From::Nothing | From::Shared | From::Renewed => {
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
