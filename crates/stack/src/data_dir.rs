//! The folder that holds everything a running Wide Sheen keeps.

use std::fs::{self, File, TryLockError};
use std::os::unix::fs::PermissionsExt;
use std::path::{Path, PathBuf};

use crate::{StackError, at};

/// Marks a folder as ours, so that we never write into somebody else's.
const MARK: &str = "wide-sheen.mark";

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
            Err(TryLockError::WouldBlock) => Err(StackError::DataDirInUse(path)),
            Err(TryLockError::Error(source)) => Err(StackError::Io { path: mark, source }),
        }
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
        assert!(matches!(DataDir::open(&path), Err(StackError::DataDirInUse(_))));
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
