//! A private MariaDB: its own data, its own port on loopback, its own password.

use std::fs;
use std::io::{Read, Write};
use std::net::{Ipv4Addr, TcpStream};
use std::os::unix::fs::OpenOptionsExt;
use std::path::{Path, PathBuf};
use std::process::Command;
use std::time::{Duration, Instant};

use uuid::Uuid;

use crate::companion::Companion;
use crate::data_dir::DataDir;
use crate::{StackError, at, free_port};

/// How long a start may take: recovery after a crash is part of it.
const PATIENCE: Duration = Duration::from_secs(60);
const NAME: &str = "wide_sheen";
const REMEDY: &str = "apt-get install mariadb-server";

/// Whether what is written must survive a power cut.
#[derive(Clone, Copy, Debug, PartialEq, Eq)]
pub enum Durability {
    /// Every commit is on the disk before it is answered.
    Full,
    /// For tests: fast, and gone with the machine.
    Scratch,
}

/// A running private database. Dropping it stops the server.
#[derive(Debug)]
pub struct Database {
    port: u16,
    password: String,
    _server: Companion,
    _dir: DataDir,
}

impl Database {
    /// Starts the database of a data directory, making it where there is none.
    ///
    /// # Errors
    /// Where MariaDB is not installed, its files are damaged, or it does not
    /// come up.
    pub fn start(dir: DataDir, durability: Durability) -> Result<Self, StackError> {
        let server = find("mariadbd")?;
        let data = dir.path().join("mariadb");
        let log = dir.path().join("mariadb.log");
        if !data.join("mysql").exists() {
            install(&data, &log)?;
        }
        let port = free_port().map_err(at(dir.path()))?;
        let password = Uuid::new_v4().simple().to_string();
        let init = dir.path().join("init.sql");
        write_private(&init, &grants(&password))?;

        let mut arguments = vec![
            "--no-defaults".to_owned(),
            format!("--datadir={}", data.display()),
            format!("--socket={}", socket(&data).display()),
            format!("--pid-file={}", data.join("mariadbd.pid").display()),
            format!("--init-file={}", init.display()),
            format!("--port={port}"),
            "--bind-address=127.0.0.1".to_owned(),
            "--skip-name-resolve".to_owned(),
            "--skip-log-bin".to_owned(),
            "--performance-schema=OFF".to_owned(),
            "--innodb-buffer-pool-size=64M".to_owned(),
            "--character-set-server=utf8mb4".to_owned(),
            "--collation-server=utf8mb4_unicode_ci".to_owned(),
            "--sql-mode=STRICT_ALL_TABLES,NO_ENGINE_SUBSTITUTION".to_owned(),
        ];
        arguments.extend(run_as_root());
        let durable: &[&str] = match durability {
            Durability::Full => &["--innodb-flush-log-at-trx-commit=1"],
            Durability::Scratch => &[
                "--innodb-flush-log-at-trx-commit=0",
                "--innodb-flush-method=nosync",
                "--skip-innodb-doublewrite",
                "--debug-no-sync",
            ],
        };
        arguments.extend(durable.iter().map(ToString::to_string));
        let mut companion = Companion::start(&server, &arguments, &log).map_err(at(&server))?;

        let deadline = Instant::now() + PATIENCE;
        while !greets(port) {
            let ended = companion.ended().map_err(at(&server))?.is_some();
            if ended || Instant::now() > deadline {
                drop(companion);
                return Err(StackError::DatabaseDown {
                    dir: data,
                    reason: last_complaint(&log),
                    log,
                });
            }
            std::thread::sleep(Duration::from_millis(50));
        }
        Ok(Self { port, password, _server: companion, _dir: dir })
    }

    /// The address of the main database.
    #[must_use]
    pub fn url(&self) -> String {
        self.url_of(NAME)
    }

    /// The address of another database on the same server, as tests use them.
    #[must_use]
    pub fn url_of(&self, name: &str) -> String {
        format!("mysql://{NAME}:{}@127.0.0.1:{}/{name}", self.password, self.port)
    }
}

/// Whether the server takes connections. It listens some time before it does, and
/// one that is asked to end in between never hears it; so the test is its
/// greeting, which it sends to whom it has let in.
fn greets(port: u16) -> bool {
    TcpStream::connect((Ipv4Addr::LOCALHOST, port)).is_ok_and(|mut connection| {
        connection.set_read_timeout(Some(PATIENCE)).is_ok()
            && connection.read(&mut [0]).is_ok_and(|bytes| bytes > 0)
    })
}

/// The server's own rules: one user, who may make databases for tests too.
fn grants(password: &str) -> String {
    // The password is hexadecimal, made above; nothing from outside is in here.
    format!(
        "CREATE DATABASE IF NOT EXISTS {NAME};\n\
         CREATE OR REPLACE USER '{NAME}'@'127.0.0.1' IDENTIFIED BY '{password}';\n\
         GRANT ALL PRIVILEGES ON *.* TO '{NAME}'@'127.0.0.1';\n"
    )
}

/// Unix sockets have short names; a deep folder would not fit in one.
fn socket(data: &Path) -> PathBuf {
    let beside = data.join("socket");
    if beside.as_os_str().len() < 100 {
        return beside;
    }
    std::env::temp_dir().join(format!("wide-sheen-{}.socket", Uuid::new_v4().simple()))
}

fn write_private(path: &Path, text: &str) -> Result<(), StackError> {
    fs::OpenOptions::new()
        .write(true)
        .create(true)
        .truncate(true)
        .mode(0o600)
        .open(path)
        .and_then(|mut file| file.write_all(text.as_bytes()))
        .map_err(at(path))
}

fn install(data: &Path, log: &Path) -> Result<(), StackError> {
    let program = find("mariadb-install-db")?;
    let out = fs::File::create(log).map_err(at(log))?;
    let status = Command::new(&program)
        .args(["--no-defaults", "--auth-root-authentication-method=normal", "--skip-test-db"])
        .arg(format!("--datadir={}", data.display()))
        .args(run_as_root())
        .stdout(out.try_clone().map_err(at(log))?)
        .stderr(out)
        .status()
        .map_err(at(&program))?;
    if status.success() {
        return Ok(());
    }
    Err(StackError::DatabaseDown {
        dir: data.to_owned(),
        reason: last_complaint(log),
        log: log.to_owned(),
    })
}

/// MariaDB refuses to run as root unless told so.
fn run_as_root() -> Option<String> {
    let root = fs::metadata("/proc/self").is_ok_and(|me| {
        use std::os::unix::fs::MetadataExt;
        me.uid() == 0
    });
    root.then(|| "--user=root".to_owned())
}

/// A plain user's path often lacks the folders of servers.
fn find(program: &'static str) -> Result<PathBuf, StackError> {
    let path = std::env::var_os("PATH").unwrap_or_default();
    std::env::split_paths(&path)
        .chain(["/usr/sbin", "/usr/bin", "/usr/local/sbin"].map(PathBuf::from))
        .map(|folder| folder.join(program))
        .find(|file| file.is_file())
        .ok_or(StackError::MissingTool { program, remedy: REMEDY })
}

fn last_complaint(log: &Path) -> String {
    let text = fs::read_to_string(log).unwrap_or_default();
    text.lines()
        .rev()
        .find(|line| line.contains("[ERROR]"))
        .or_else(|| text.lines().next_back())
        .map_or("it said nothing", |line| {
            line.split_once("[ERROR] ").map_or(line, |(_, words)| words)
        })
        .trim()
        .to_owned()
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_damaged_database_is_said_in_one_line() {
        let dir = tempfile::tempdir().expect("a folder");
        let path = dir.path().join("data");
        let held = DataDir::open(&path).expect("made");
        let data = path.join("mariadb");
        fs::create_dir_all(data.join("mysql")).expect("made");
        fs::write(data.join("ibdata1"), "not a tablespace").expect("written");
        let error = Database::start(held, Durability::Scratch).expect_err("does not come up");
        assert!(matches!(error, StackError::DatabaseDown { .. }));
        assert_eq!(error.to_string().lines().count(), 1, "{error}");
    }

    #[test]
    fn a_fresh_one_answers_on_loopback_and_starts_again() {
        let dir = tempfile::tempdir().expect("a folder");
        let path = dir.path().join("data");
        for _ in 0..2 {
            let held = DataDir::open(&path).expect("ours");
            let database = Database::start(held, Durability::Scratch).expect("comes up");
            assert!(database.url().starts_with("mysql://wide_sheen:"));
            assert!(greets(database.port));
        }
    }
}
