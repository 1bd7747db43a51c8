//! A private MariaDB: its own data, its own socket in it, its own password.

use std::fs;
use std::io::{Read, Write};
use std::os::unix::fs::{DirBuilderExt, OpenOptionsExt};
use std::os::unix::net::UnixStream;
use std::path::{Path, PathBuf};
use std::process::Command;
use std::sync::atomic::{AtomicBool, Ordering};
use std::sync::{Arc, Mutex, PoisonError};
use std::thread::JoinHandle;
use std::time::{Duration, Instant};

use uuid::Uuid;

use crate::companion::Companion;
use crate::data_dir::DataDir;
use crate::{StackError, at};

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

/// How often it is looked whether the server still runs.
const LOOK_EVERY: Duration = Duration::from_millis(200);
/// How long before a start that failed is tried again.
const TRY_AGAIN: Duration = Duration::from_secs(5);

/// A running private database. Dropping it stops the server.
#[derive(Debug)]
pub struct Database {
    socket: PathBuf,
    password: String,
    server: Arc<Mutex<Option<Companion>>>,
    stopping: Arc<AtomicBool>,
    watch: Option<JoinHandle<()>>,
    how: How,
    dir: DataDir,
}

/// How the server is started.
#[derive(Clone, Debug)]
struct How {
    program: PathBuf,
    arguments: Vec<String>,
    data: PathBuf,
    socket: PathBuf,
    log: PathBuf,
}

impl How {
    /// Starts the server, and waits until it takes connections.
    fn start(&self) -> Result<Companion, StackError> {
        let deadline = Instant::now() + PATIENCE;
        // One whose own process was killed is still about to end; its files are its own until then.
        while left_over(&self.data) && Instant::now() < deadline {
            std::thread::sleep(LOOK_EVERY);
        }
        let mut companion = Companion::start(&self.program, &self.arguments, &self.log)
            .map_err(at(&self.program))?;
        while !greets(&self.socket) {
            let ended = companion.ended().map_err(at(&self.program))?.is_some();
            if ended || Instant::now() > deadline {
                drop(companion);
                return Err(StackError::DatabaseDown {
                    dir: self.data.clone(),
                    reason: last_complaint(&self.log),
                    log: self.log.clone(),
                });
            }
            std::thread::sleep(Duration::from_millis(50));
        }
        Ok(companion)
    }
}

/// Whether a server of an earlier start still runs on these files.
fn left_over(data: &Path) -> bool {
    let pid = fs::read_to_string(pid_file(data)).unwrap_or_default();
    let Ok(pid) = pid.trim().parse::<u32>() else { return false };
    let command = fs::read(format!("/proc/{pid}/cmdline")).unwrap_or_default();
    String::from_utf8_lossy(&command).contains(&format!("--datadir={}", data.display()))
}

fn pid_file(data: &Path) -> PathBuf {
    data.join("mariadbd.pid")
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
        let scratch = scratch(&dir)?;
        if !data.join("mysql").exists() {
            install(&data, &scratch, &log)?;
        }
        let socket = socket(&data)?;
        let password = Uuid::new_v4().simple().to_string();
        let init = dir.path().join("init.sql");
        write_private(&init, &grants(&password, durability))?;

        let mut arguments = vec![
            "--no-defaults".to_owned(),
            format!("--datadir={}", data.display()),
            format!("--socket={}", socket.display()),
            format!("--pid-file={}", pid_file(&data).display()),
            format!("--tmpdir={}", scratch.display()),
            format!("--init-file={}", init.display()),
            // Whoever may not open the folder cannot reach it at all.
            "--skip-networking".to_owned(),
            "--skip-name-resolve".to_owned(),
            "--local-infile=OFF".to_owned(),
            "--skip-symbolic-links".to_owned(),
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
        let how = How { program: server, arguments, data, socket: socket.clone(), log };
        let companion = how.start()?;
        Ok(Self {
            socket,
            password,
            server: Arc::new(Mutex::new(Some(companion))),
            stopping: Arc::new(AtomicBool::new(false)),
            watch: None,
            how,
            dir,
        })
    }

    /// The folder that it is in.
    #[must_use]
    pub fn dir(&self) -> &DataDir {
        &self.dir
    }

    /// Has the server started again whenever it ends by itself, and says so.
    pub fn keep_up(&mut self, say: impl Fn(&str) + Send + 'static) {
        let (server, stopping, how) =
            (self.server.clone(), self.stopping.clone(), self.how.clone());
        self.watch = Some(std::thread::spawn(move || {
            while !stopping.load(Ordering::Relaxed) {
                std::thread::sleep(LOOK_EVERY);
                let mut held = server.lock().unwrap_or_else(PoisonError::into_inner);
                let runs = held.as_mut().is_some_and(|server| matches!(server.ended(), Ok(None)));
                if runs || stopping.load(Ordering::Relaxed) {
                    continue;
                }
                *held = None;
                say("The database has ended by itself; it is started again…");
                match how.start() {
                    Ok(companion) => {
                        *held = Some(companion);
                        say("The database is back.");
                    }
                    Err(error) => {
                        say(&format!(
                            "The database did not come back ({error}); it is tried again."
                        ));
                        drop(held);
                        std::thread::sleep(TRY_AGAIN);
                    }
                }
            }
        }));
    }

    /// The address of the main database.
    #[must_use]
    pub fn url(&self) -> String {
        self.url_of(NAME)
    }

    /// The address of another database on the same server, as tests use them.
    #[must_use]
    pub fn url_of(&self, name: &str) -> String {
        let socket = percent_encoding::utf8_percent_encode(
            &self.socket.to_string_lossy(),
            percent_encoding::NON_ALPHANUMERIC,
        )
        .to_string();
        format!("mysql://{NAME}:{}@localhost/{name}?socket={socket}", self.password)
    }
}

impl Drop for Database {
    fn drop(&mut self) {
        self.stopping.store(true, Ordering::Relaxed);
        if let Some(watch) = self.watch.take() {
            let _ = watch.join();
        }
        *self.server.lock().unwrap_or_else(PoisonError::into_inner) = None;
    }
}

/// Whether the server takes connections. It listens some time before it does, and
/// one that is asked to end in between never hears it; so the test is its
/// greeting, which it sends to whom it has let in.
fn greets(socket: &Path) -> bool {
    UnixStream::connect(socket).is_ok_and(|mut connection| {
        connection.set_read_timeout(Some(PATIENCE)).is_ok()
            && connection.read(&mut [0]).is_ok_and(|bytes| bytes > 0)
    })
}

/// The server's own rules: one user with rights on one schema, and nobody without a password.
/// For tests there are schemas of each test's own.
fn grants(password: &str, durability: Durability) -> String {
    // The password is hexadecimal, made above; nothing from outside is in here.
    let for_tests = match durability {
        Durability::Full => String::new(),
        Durability::Scratch => format!("GRANT ALL ON `test\\_%`.* TO '{NAME}'@'localhost';\n"),
    };
    // A folder that an earlier release made had an account without a password, and one that
    // came by TCP.
    format!(
        "CREATE DATABASE IF NOT EXISTS {NAME};\n\
         DELETE FROM mysql.global_priv WHERE User <> 'mariadb.sys' AND NOT (User = 'root' AND Host = 'localhost');\n\
         FLUSH PRIVILEGES;\n\
         ALTER USER IF EXISTS 'root'@'localhost' IDENTIFIED VIA unix_socket;\n\
         CREATE OR REPLACE USER '{NAME}'@'localhost' IDENTIFIED BY '{password}';\n\
         GRANT ALL ON {NAME}.* TO '{NAME}'@'localhost';\n\
         {for_tests}"
    )
}

/// A Unix socket's path has at most so many bytes.
const LONGEST_SOCKET: usize = 100;

/// Unix sockets have short names; a deep folder would not fit in one, and gets a short one of
/// its own that nobody else may open.
fn socket(data: &Path) -> Result<PathBuf, StackError> {
    let beside = data.join("socket");
    if beside.as_os_str().len() <= LONGEST_SOCKET {
        return Ok(beside);
    }
    let folder = std::env::temp_dir().join(format!("wide-sheen-{}", Uuid::new_v4().simple()));
    let short = folder.join("socket");
    if short.as_os_str().len() > LONGEST_SOCKET {
        return Err(StackError::PathTooLong(data.to_owned()));
    }
    fs::DirBuilder::new().mode(0o700).create(&folder).map_err(at(&folder))?;
    Ok(short)
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

/// Where the server keeps what it needs for a moment. It removes what lies there when it starts:
/// in a folder that is shared it would take it from another server that runs.
fn scratch(dir: &DataDir) -> Result<PathBuf, StackError> {
    let folder = dir.path().join("scratch");
    fs::DirBuilder::new().recursive(true).mode(0o700).create(&folder).map_err(at(&folder))?;
    Ok(folder)
}

fn install(data: &Path, scratch: &Path, log: &Path) -> Result<(), StackError> {
    let program = find("mariadb-install-db")?;
    let out = fs::File::create(log).map_err(at(log))?;
    let status = Command::new(&program)
        .args(["--no-defaults", "--auth-root-authentication-method=socket", "--skip-test-db"])
        .arg(format!("--datadir={}", data.display()))
        .arg(format!("--tmpdir={}", scratch.display()))
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

/// Copies a database into a file of a folder, compressed; gives the file. What the copy is of
/// stays as it is.
///
/// # Errors
/// Where the address cannot be read, MariaDB's own tool is missing or fails, or the file
/// cannot be written.
pub fn dump(url: &str, folder: &Path, name: &str) -> Result<PathBuf, StackError> {
    let program = find("mariadb-dump")?;
    let address = Address::read(url).ok_or(StackError::BadAddress)?;
    fs::create_dir_all(folder).map_err(at(folder))?;
    let secret = folder.join(format!(".{}.cnf", Uuid::new_v4().simple()));
    write_private(&secret, &address.options())?;
    let file = folder.join(format!("{name}-{}.sql", now_s()));
    let out = fs::OpenOptions::new()
        .write(true)
        .create_new(true)
        .mode(0o600)
        .open(&file)
        .map_err(at(&file))?;
    let done = Command::new(&program)
        .arg(format!("--defaults-file={}", secret.display()))
        .args(["--single-transaction", "--hex-blob", "--skip-lock-tables", "--no-tablespaces"])
        .arg(&address.database)
        .stdout(out)
        .output();
    // Whatever came of it, the password does not stay.
    let _ = fs::remove_file(&secret);
    let done = done.map_err(at(&program))?;
    if done.status.success() {
        return Ok(file);
    }
    let _ = fs::remove_file(&file);
    let said = String::from_utf8_lossy(&done.stderr);
    Err(StackError::DumpFailed(said.lines().next_back().unwrap_or("it said nothing").to_owned()))
}

fn now_s() -> u64 {
    std::time::SystemTime::now()
        .duration_since(std::time::UNIX_EPOCH)
        .map_or(0, |since| since.as_secs())
}

/// Where a database is, as MariaDB's own tools are told.
#[derive(Debug, PartialEq, Eq)]
struct Address {
    user: String,
    password: String,
    host: String,
    port: Option<u16>,
    socket: Option<String>,
    database: String,
}

impl Address {
    fn read(url: &str) -> Option<Self> {
        let url = url::Url::parse(url).ok()?;
        let plain = |text: &str| {
            percent_encoding::percent_decode_str(text).decode_utf8().map(|t| t.into_owned()).ok()
        };
        let socket = url.query_pairs().find(|(name, _)| name == "socket");
        Some(Self {
            user: plain(url.username())?,
            password: plain(url.password().unwrap_or_default())?,
            host: url.host_str()?.to_owned(),
            port: url.port(),
            socket: socket.map(|(_, path)| path.into_owned()),
            database: plain(url.path().trim_start_matches('/'))?,
        })
    }

    /// As an options file: what stands on a command line can be read by everybody.
    fn options(&self) -> String {
        let quoted = |text: &str| text.replace('\\', "\\\\").replace('"', "\\\"");
        let mut options = format!(
            "[client]\nuser=\"{}\"\npassword=\"{}\"\n",
            quoted(&self.user),
            quoted(&self.password)
        );
        match &self.socket {
            Some(socket) => options.push_str(&format!("socket=\"{}\"\n", quoted(socket))),
            None => {
                options.push_str(&format!("host=\"{}\"\n", quoted(&self.host)));
                options
                    .push_str(&self.port.map(|port| format!("port={port}\n")).unwrap_or_default());
            }
        }
        options
    }
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
    fn a_fresh_one_answers_at_its_socket_and_starts_again() {
        let dir = tempfile::tempdir().expect("a folder");
        let path = dir.path().join("data");
        for _ in 0..2 {
            let held = DataDir::open(&path).expect("ours");
            let database = Database::start(held, Durability::Scratch).expect("comes up");
            assert!(database.url().starts_with("mysql://wide_sheen:"));
            assert!(greets(&database.socket));
        }
    }

    #[test]
    fn several_are_made_at_the_same_time() {
        let dir = tempfile::tempdir().expect("a folder");
        let starts: Vec<_> = (0..6)
            .map(|n| {
                let held = DataDir::open(&dir.path().join(n.to_string())).expect("ours");
                std::thread::spawn(move || Database::start(held, Durability::Scratch))
            })
            .collect();
        for start in starts {
            let came_up = start.join().expect("no panic");
            assert!(greets(&came_up.expect("comes up").socket));
        }
    }

    #[test]
    fn one_that_is_killed_comes_back_by_itself() {
        let dir = tempfile::tempdir().expect("a folder");
        let path = dir.path().join("data");
        let held = DataDir::open(&path).expect("ours");
        let mut database = Database::start(held, Durability::Scratch).expect("comes up");
        let (said, hear) = std::sync::mpsc::channel();
        database.keep_up(move |words| said.send(words.to_owned()).unwrap_or_default());
        let data = path.canonicalize().expect("there").join("mariadb");
        let pid = fs::read_to_string(pid_file(&data)).expect("it runs");
        let killed = Command::new("kill").args(["-KILL", pid.trim()]).status().expect("kill");
        assert!(killed.success());
        let words = |within| hear.recv_timeout(within).expect("it says so");
        assert!(words(PATIENCE).contains("started again"));
        assert_eq!(words(PATIENCE), "The database is back.");
        assert!(greets(&database.socket));
    }
}
