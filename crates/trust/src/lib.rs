//! Who vouches for this installation in its home network.
//!
//! An [`Authority`] is made once, kept in the data folder, and trusted once on each of the maker's
//! devices. It signs the certificate that the home network is served with ([`Authority::served`]), which
//! is renewed as addresses change and as it ages, without a device being asked again. The authority
//! can vouch for nothing but names and addresses of a home network: whoever trusts it does not
//! thereby trust it about a bank.

mod authority;
mod fingerprint;
mod kept;
mod name;
mod served;

pub use authority::Authority;
pub use fingerprint::fingerprint;
pub use name::Name;
pub use served::Served;

use std::path::PathBuf;

/// Why there is no certificate.
#[derive(Debug, thiserror::Error)]
pub enum TrustError {
    /// A file could not be read or written.
    #[error("{path}: {source}", path = path.display())]
    Io {
        /// Which.
        path: PathBuf,
        /// Why not.
        source: std::io::Error,
    },
    /// What is kept cannot be used.
    #[error(
        "{path} cannot be used ({reason}). Move it away to have it made anew: every device then has \
         to trust this installation anew",
        path = path.display()
    )]
    Unusable {
        /// Which file.
        path: PathBuf,
        /// What is wrong with it.
        reason: String,
    },
    /// None could be made.
    #[error("no certificate could be made: {0}")]
    NotMade(#[from] rcgen::Error),
    /// The home network is served under no name at all.
    #[error("there is no name or address to make a certificate for")]
    Nameless,
}
