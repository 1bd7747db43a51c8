//! Who vouches for this installation in its home network, and whom it lets in.
//!
//! An [`Authority`] is made once, kept in the data folder, and trusted once on each of the maker's
//! devices. It signs the certificate that the home network is served with ([`Authority::served`]), which
//! is renewed as addresses change and as it ages, without a device being asked again. The authority
//! can vouch for nothing but names and addresses of a home network: whoever trusts it does not
//! thereby trust it about a bank.
//!
//! A device is let in by a [`Code`] that a screen which is in already shows ([`Pairing`]), and from
//! then on shows a [`Token`]; at another address than before it proves by its [`OwnKey`] that it is no
//! copy of one. This machine's own screen needs neither, unless the maker sets a
//! [`passphrase`].

mod authority;
mod code;
mod fingerprint;
mod home;
mod kept;
mod name;
mod own_key;
mod pairing;
pub mod passphrase;
mod role;
mod served;
mod token;

pub use authority::Authority;
pub use code::Code;
pub use home::is_at_home;
pub use name::Name;
pub use own_key::OwnKey;
pub use pairing::{Pairing, STANDS, Standing, TRIES, Tried};
pub use role::Role;
pub use served::Served;
pub use token::Token;

use std::path::PathBuf;

/// What failed, of certificates, codes and passphrases.
#[derive(Debug, thiserror::Error)]
pub enum TrustError {
    /// A file could not be read or written.
    #[error("{path} cannot be read or written", path = path.display())]
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
    /// It cannot be served with.
    #[error("the certificate cannot be served with: {0}")]
    NotServed(String),
    /// The machine gives no chance.
    #[error("no secret could be made: {0}")]
    NoChance(#[from] getrandom::Error),
    /// A passphrase is too short or too long.
    #[error(
        "a passphrase has {least} to {most} characters; it has {length}",
        least = passphrase::FEWEST,
        most = passphrase::MOST
    )]
    Passphrase {
        /// How long it is.
        length: usize,
    },
    /// A passphrase could not be hashed.
    #[error("the passphrase could not be kept: {0}")]
    NotHashed(String),
    /// The home network is served under no name at all.
    #[error("there is no name or address to make a certificate for")]
    Nameless,
}
