//! ChromeDriver, for the interface's tests.

use std::net::{Ipv4Addr, TcpStream};
use std::path::Path;
use std::time::{Duration, Instant};

use crate::companion::Companion;
use crate::{StackError, at, free_port};

/// Where Debian puts the browser.
pub const CHROMIUM: &str = "/usr/bin/chromium";
const CHROMEDRIVER: &str = "/usr/bin/chromedriver";
const PATIENCE: Duration = Duration::from_secs(60);

/// A running ChromeDriver. Dropping it stops it and its browsers.
#[derive(Debug)]
pub struct WebDriverServer {
    port: u16,
    _driver: Companion,
}

impl WebDriverServer {
    /// Starts ChromeDriver on a free port of loopback.
    ///
    /// # Errors
    /// Where it is not installed or does not answer.
    pub fn start(log: &Path) -> Result<Self, StackError> {
        let program = Path::new(CHROMEDRIVER);
        if !program.is_file() {
            return Err(StackError::MissingTool {
                program: "chromedriver",
                remedy: "apt-get install chromium chromium-driver",
            });
        }
        let port = free_port().map_err(at(program))?;
        let driver =
            Companion::start(program, [format!("--port={port}")], log).map_err(at(program))?;
        let deadline = Instant::now() + PATIENCE;
        while TcpStream::connect((Ipv4Addr::LOCALHOST, port)).is_err() {
            if Instant::now() > deadline {
                return Err(StackError::NoAnswer("chromedriver"));
            }
            std::thread::sleep(Duration::from_millis(20));
        }
        Ok(Self { port, _driver: driver })
    }

    /// Its address.
    #[must_use]
    pub fn url(&self) -> String {
        format!("http://127.0.0.1:{}", self.port)
    }
}
