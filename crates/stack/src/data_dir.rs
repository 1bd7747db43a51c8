//! The folder that holds everything a running Wide Sheen keeps.

use std::fs::{self, File, TryLockError};
use std::os::unix::fs::PermissionsExt;
use std::path::{Path, PathBuf};

use crate::{StackError, at};

/// Marks a folder as ours, so that we never write into somebody else's.
const MARK: &str = "wide-sheen.mark";

/// Where the one who holds a folder says at which address it serves.
const SERVES: &str = "serves-at";

/// A data directory, held by this process alone.
#[derive(Debug)]
pub struct DataDir {
    path: PathBuf,
    _lock: File,
}

impl DataDir {
    /// Opens a data directory, making it where there is none.
    ///
    /// # Errors
    /// Where the folder has other things in it, is held by another process, or
    /// cannot be written.
    pub fn open(path: &Path) -> Result<Self, StackError> {
        fs::create_dir_all(path).map_err(at(path))?;
        let path = path.canonicalize().map_err(at(path))?;
        let mark = path.join(MARK);
        let is_empty = fs::read_dir(&path).map_err(at(&path))?.next().is_none();
        if !mark.exists() && !is_empty {
            return Err(StackError::ForeignDataDir(path));
        }
        // The database in it has a password in a file; keep others out.
        fs::set_permissions(&path, fs::Permissions::from_mode(0o700)).map_err(at(&path))?;
        let lock = File::create(&mark).map_err(at(&mark))?;
        match lock.try_lock() {
            Ok(()) => Ok(Self { path, _lock: lock }),
            Err(TryLockError::WouldBlock) => {
                let at = fs::read_to_string(path.join(SERVES)).ok();
                Err(StackError::DataDirInUse { path, at })
            }
            Err(TryLockError::Error(source)) => Err(StackError::Io { path: mark, source }),
        }
    }

    /// Notes at which address it is served, for whoever finds it held.
    ///
    /// # Errors
    /// Where that cannot be written.
    pub fn serves_at(&self, address: &str) -> Result<(), StackError> {
        let file = self.path.join(SERVES);
        fs::write(&file, address).map_err(at(&file))
    }

    /// Where it is.
    #[must_use]
    pub fn path(&self) -> &Path {
        &self.path
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn one_process_holds_it_at_a_time() {
        let dir = tempfile::tempdir().expect("a folder");
        let path = dir.path().join("data");
        let held = DataDir::open(&path).expect("made");
        let refused = DataDir::open(&path).expect_err("held").to_string();
        assert!(refused.contains("in use by another Wide Sheen"), "{refused}");
        held.serves_at("http://127.0.0.1:8080").expect("written");
        let refused = DataDir::open(&path).expect_err("held").to_string();
        assert!(refused.contains("at http://127.0.0.1:8080"), "{refused}");
        drop(held);
        assert!(DataDir::open(&path).is_ok());
    }

    #[test]
    fn somebody_elses_folder_is_left_alone() {
        let dir = tempfile::tempdir().expect("a folder");
        fs::write(dir.path().join("letters.txt"), "dear aunt").expect("written");
        let refused = DataDir::open(dir.path()).expect_err("refused");
        assert!(refused.to_string().contains("not a Wide Sheen data directory"), "{refused}");
        assert!(!dir.path().join(MARK).exists());
    }
}
