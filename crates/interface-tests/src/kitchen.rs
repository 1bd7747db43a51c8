//! One server with the demo data, over one scratch database, and one
//! ChromeDriver, shared by everything in this process.

use std::sync::OnceLock;

use anyhow::Context;
use chrono::Utc;
use server::app::{Running, serve};
use server::clock::WallClock;
use server::state::State;
use stack::DataDir;
use stack::database::{Database, Durability};
use stack::webdriver::WebDriverServer;
use tempfile::TempDir;

use crate::root;

/// What the browser needs to be run against.
#[derive(Debug)]
pub struct Kitchen {
    /// The server's address.
    pub address: String,
    /// `ChromeDriver`'s address.
    pub webdriver: String,
    _driver: WebDriverServer,
    _database: Database,
    _folder: TempDir,
}

impl Kitchen {
    /// The one of this process, started when first asked for.
    ///
    /// # Panics
    /// Where it cannot be started: nothing can be tested then.
    pub fn shared() -> &'static Self {
        static SHARED: OnceLock<Kitchen> = OnceLock::new();
        SHARED.get_or_init(|| {
            // A thread of its own: the caller may be inside a runtime already.
            std::thread::spawn(Self::start)
                .join()
                .map_err(|_| anyhow::anyhow!("starting panicked"))
                .flatten()
                .expect("the kitchen starts")
        })
    }

    fn start() -> anyhow::Result<Self> {
        let folder = tempfile::tempdir()?;
        let database =
            Database::start(DataDir::open(&folder.path().join("data"))?, Durability::Scratch)?;
        let interface = root().join("web/dist");
        anyhow::ensure!(
            interface.join("index.html").is_file(),
            "the interface is not built; ./test builds it"
        );
        let (say, hear) = std::sync::mpsc::channel();
        let url = database.url();
        std::thread::spawn(move || {
            let system = actix_web::rt::System::new();
            let done = system.block_on(async {
                let pool = store::connect(&url).await?;
                let wall = WallClock::new(Utc::now);
                server::demo::load(&pool, wall.now()).await?;
                let state = State::new(pool, wall);
                let Running { address, server } = serve(state, 0, Some(interface)).await?;
                say.send(address)?;
                server.await?;
                anyhow::Ok(())
            });
            if let Err(error) = done {
                eprintln!("the server stopped: {error:#}");
            }
        });
        let address = hear.recv().context("the server did not start")?;
        let driver = WebDriverServer::start(&folder.path().join("chromedriver.log"))?;
        Ok(Self {
            address: format!("http://{address}"),
            webdriver: driver.url(),
            _driver: driver,
            _database: database,
            _folder: folder,
        })
    }
}
