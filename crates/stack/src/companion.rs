//! A program whose life is tied to ours.

use std::ffi::OsStr;
use std::io;
use std::os::unix::process::CommandExt;
use std::path::Path;
use std::process::{Child, Command, ExitStatus, Stdio};

/// Runs the program beside a reader of our pipe: when we stop, however we stop,
/// the pipe closes and the program is asked to end. It gets a process group of
/// its own, so that Ctrl-C reaches us alone and we stop things in order.
///
/// A program can miss the request while it is still starting, so it is asked
/// again every few seconds; one that has not ended after a minute is killed.
const LEASH: &str = r#"
exec 3<&0
"$@" </dev/null 3<&- & program=$!
(
    cat <&3 >/dev/null
    asked=0
    while [ $asked -lt 12 ]; do
        kill -TERM $program 2>/dev/null || exit
        asked=$((asked + 1))
        sleep 5 </dev/null >/dev/null 2>&1
    done
    kill -KILL $program 2>/dev/null
) & leash=$!
exec 3<&-
wait $program; code=$?
kill $leash 2>/dev/null
exit $code
"#;

/// A running program that ends when this value is dropped, or when our process
/// ends in any other way.
#[derive(Debug)]
pub struct Companion {
    child: Child,
}

impl Companion {
    /// Starts a program with its output in a log file.
    ///
    /// # Errors
    /// Where the log cannot be written or no shell can be started.
    pub fn start<S: AsRef<OsStr>>(
        program: &Path,
        arguments: impl IntoIterator<Item = S>,
        log: &Path,
    ) -> io::Result<Self> {
        let out = std::fs::File::create(log)?;
        let child = Command::new("/bin/sh")
            .args(["-c", LEASH, "leash"])
            .arg(program)
            .args(arguments)
            .stdin(Stdio::piped())
            .stdout(out.try_clone()?)
            .stderr(out)
            .process_group(0)
            .spawn()?;
        Ok(Self { child })
    }

    /// How it ended, if it has.
    ///
    /// # Errors
    /// Where the system cannot say.
    pub fn ended(&mut self) -> io::Result<Option<ExitStatus>> {
        self.child.try_wait()
    }
}

impl Drop for Companion {
    fn drop(&mut self) {
        drop(self.child.stdin.take());
        // Nothing can be done about a failure here, and the leash still holds.
        let _ = self.child.wait();
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn it_ends_when_dropped() {
        let dir = tempfile::tempdir().expect("a folder");
        let log = dir.path().join("log");
        let mut companion =
            Companion::start(Path::new("/bin/sleep"), ["600"], &log).expect("sleep starts");
        assert!(companion.ended().expect("asked").is_none());
        let started = std::time::Instant::now();
        drop(companion);
        assert!(started.elapsed().as_secs() < 60);
    }

    #[test]
    fn one_that_misses_the_first_request_is_asked_again() {
        let dir = tempfile::tempdir().expect("a folder");
        let log = dir.path().join("log");
        let stubborn =
            "trap 'trap exit TERM; echo again' TERM; echo up; while :; do sleep 0.1; done";
        let companion =
            Companion::start(Path::new("/bin/sh"), ["-c", stubborn], &log).expect("sh starts");
        while std::fs::read_to_string(&log).expect("read").is_empty() {
            std::thread::yield_now();
        }
        drop(companion);
        assert_eq!(std::fs::read_to_string(&log).expect("read"), "up\nagain\n");
    }

    #[test]
    fn its_own_end_is_seen_and_its_words_are_kept() {
        let dir = tempfile::tempdir().expect("a folder");
        let log = dir.path().join("log");
        let mut companion =
            Companion::start(Path::new("/bin/sh"), ["-c", "echo no such dough >&2; exit 7"], &log)
                .expect("sh starts");
        // Waiting on the child would let go of the leash, and end it ourselves.
        let status = loop {
            if let Some(status) = companion.ended().expect("asked") {
                break status;
            }
            std::thread::sleep(std::time::Duration::from_millis(5));
        };
        assert_eq!(status.code(), Some(7));
        assert_eq!(std::fs::read_to_string(&log).expect("read"), "no such dough\n");
    }
}
