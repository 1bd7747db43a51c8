//! A certificate and its key in one file, so that there is never one without the other.

use std::fs;
use std::io::{ErrorKind, Write};
use std::path::{Path, PathBuf};

use chrono::{DateTime, Utc};
use rcgen::KeyPair;
use rustls_pki_types::CertificateDer;
use rustls_pki_types::pem::PemObject;
use x509_parser::certificate::X509Certificate;
use x509_parser::prelude::FromDer;

use crate::TrustError;

/// A certificate with its key.
#[derive(Debug)]
pub(crate) struct Kept {
    pub key: KeyPair,
    pub certificate: CertificateDer<'static>,
}

impl Kept {
    /// What a file holds; nothing where there is no such file.
    ///
    /// # Errors
    /// Where it cannot be read, or holds something else.
    pub fn read(path: &Path) -> Result<Option<Self>, TrustError> {
        let text = match fs::read_to_string(path) {
            Ok(text) => text,
            Err(error) if error.kind() == ErrorKind::NotFound => return Ok(None),
            Err(source) => return Err(TrustError::Io { path: path.to_owned(), source }),
        };
        let unusable = |reason: String| TrustError::Unusable { path: path.to_owned(), reason };
        let key = KeyPair::from_pem(&text).map_err(|error| unusable(error.to_string()))?;
        let certificate = CertificateDer::from_pem_slice(text.as_bytes())
            .map_err(|error| unusable(error.to_string()))?;
        Ok(Some(Self { key, certificate }))
    }

    /// Writes it, for its owner alone, whole or not at all.
    ///
    /// # Errors
    /// Where it cannot be written.
    pub fn write(
        path: &Path,
        key: &KeyPair,
        certificate: &rcgen::Certificate,
    ) -> Result<(), TrustError> {
        let at = |source| TrustError::Io { path: path.to_owned(), source };
        let folder = path.parent().map_or_else(PathBuf::new, Path::to_owned);
        std::fs::create_dir_all(&folder).map_err(at)?;
        // A temporary file is its owner's alone from the beginning.
        let mut file = tempfile::NamedTempFile::new_in(folder).map_err(at)?;
        file.write_all(key.serialize_pem().as_bytes()).map_err(at)?;
        file.write_all(certificate.pem().as_bytes()).map_err(at)?;
        file.as_file().sync_all().map_err(at)?;
        file.persist(path).map_err(|error| at(error.error))?;
        Ok(())
    }

    /// When the certificate ends.
    ///
    /// # Errors
    /// Where it is none.
    pub fn until(&self, path: &Path) -> Result<DateTime<Utc>, TrustError> {
        let unusable = |reason: String| TrustError::Unusable { path: path.to_owned(), reason };
        let (_, parsed) = X509Certificate::from_der(&self.certificate)
            .map_err(|error| unusable(error.to_string()))?;
        DateTime::from_timestamp(parsed.validity().not_after.timestamp(), 0)
            .ok_or_else(|| unusable("it ends at no time".to_owned()))
    }
}

/// A time as certificates have it.
pub(crate) fn certified(at: DateTime<Utc>) -> Result<time::OffsetDateTime, TrustError> {
    time::OffsetDateTime::from_unix_timestamp(at.timestamp()).map_err(|_| rcgen::Error::Time.into())
}
