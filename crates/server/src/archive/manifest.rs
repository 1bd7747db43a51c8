//! What an archive says of itself.

use std::io::{self, Read, Write};

use chrono::{DateTime, Utc};
use serde::{Deserialize, Serialize};
use sha2::{Digest, Sha256};

/// The contents of an archive.
#[derive(Debug, Serialize, Deserialize)]
pub struct Manifest {
    /// Its format.
    pub format: String,
    /// The release that wrote it.
    pub release: String,
    /// The database's schema, as it was then.
    pub schema: i64,
    /// When it was written.
    pub written_at: DateTime<Utc>,
    /// Its files.
    pub files: Vec<File>,
}

/// A file in an archive.
#[derive(Clone, Debug, PartialEq, Eq, Serialize, Deserialize)]
pub struct File {
    /// What it is called.
    pub name: String,
    /// How long it is.
    pub bytes: u64,
    /// Its checksum, hexadecimal.
    pub sha256: String,
}

/// Counts what goes through it, and adds it up.
pub struct Summed<T> {
    inner: T,
    bytes: u64,
    sum: Sha256,
}

impl<T> Summed<T> {
    pub fn new(inner: T) -> Self {
        Self { inner, bytes: 0, sum: Sha256::new() }
    }

    /// What went through, as a file of that name.
    pub fn done(self, name: &str) -> File {
        use std::fmt::Write;
        let mut sha256 = String::new();
        for byte in self.sum.finalize() {
            let _ = write!(sha256, "{byte:02x}");
        }
        File { name: name.to_owned(), bytes: self.bytes, sha256 }
    }
}

impl<T: Write> Write for Summed<T> {
    fn write(&mut self, buffer: &[u8]) -> io::Result<usize> {
        let count = self.inner.write(buffer)?;
        self.bytes += count as u64;
        self.sum.update(&buffer[..count]);
        Ok(count)
    }

    fn flush(&mut self) -> io::Result<()> {
        self.inner.flush()
    }
}

impl<T: Read> Read for Summed<T> {
    fn read(&mut self, buffer: &mut [u8]) -> io::Result<usize> {
        let count = self.inner.read(buffer)?;
        self.bytes += count as u64;
        self.sum.update(&buffer[..count]);
        Ok(count)
    }
}
