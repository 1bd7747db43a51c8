//! The home network, served over TLS: under which names, with which certificate.

use std::collections::BTreeSet;
use std::net::Ipv4Addr;
use std::path::PathBuf;
use std::sync::{Arc, RwLock};
use std::time::Duration;

use chrono::{DateTime, Utc};
use rustls::crypto::ring;
use rustls::server::{ClientHello, ResolvesServerCert, ServerConfig};
use rustls::sign::CertifiedKey;
use trust::{Authority, Name, TrustError};

use crate::clock::WallClock;
use crate::home_network;

/// How often it is looked whether the network gave this machine another address, and how old the
/// certificate is.
const LOOK_EVERY: Duration = Duration::from_secs(30);

/// How the home network is to be served.
#[derive(Clone, Debug)]
pub struct Share {
    /// Where the authority and the certificate are kept.
    pub folder: PathBuf,
    /// The one address of this machine to serve on; every one that it has at home, where it is
    /// unspecified.
    pub on: Ipv4Addr,
    /// The port; 0 takes a free one.
    pub port: u16,
}

impl Share {
    /// The names and addresses of this machine, as they are at this moment.
    fn names(&self) -> BTreeSet<Name> {
        if self.on.is_unspecified() { home_network::names() } else { home_network::only(self.on) }
    }
}

/// What is served at this moment.
#[derive(Debug)]
struct Current {
    key: Arc<CertifiedKey>,
    names: BTreeSet<Name>,
    until: DateTime<Utc>,
}

/// The home network, as it is served.
#[derive(Debug)]
pub struct Sharing {
    share: Share,
    port: u16,
    authority: Authority,
    current: RwLock<Current>,
}

impl Sharing {
    /// Opens the authority and the certificate of a folder, or makes them; `port` is the one that
    /// is listened on.
    ///
    /// # Errors
    /// Where they can be neither read nor made, or this machine is in no home network.
    pub fn open(share: Share, port: u16, now: DateTime<Utc>) -> Result<Self, TrustError> {
        let authority = Authority::open(&share.folder, &home_network::machine(), now)?;
        let current = current(&authority, &share.names(), now)?;
        Ok(Self { share, port, authority, current: RwLock::new(current) })
    }

    /// Serves with a new certificate where this machine has other addresses now, or the one it has
    /// grows old. Without any address it goes on with what it has: the network may be back soon.
    ///
    /// # Errors
    /// Where none can be made.
    pub fn look(&self, now: DateTime<Utc>) -> Result<(), TrustError> {
        let names = self.share.names();
        if names.is_empty() {
            return Ok(());
        }
        let next = current(&self.authority, &names, now)?;
        if let Ok(mut current) = self.current.write() {
            *current = next;
        }
        Ok(())
    }

    /// Whether it is served under a name or an address.
    #[must_use]
    pub fn answers_to(&self, host: &str) -> bool {
        let same = |name: &Name| name.to_string().eq_ignore_ascii_case(host);
        self.current.read().is_ok_and(|current| current.names.iter().any(same))
    }

    /// Where devices find it: the address that most likely leads here first, its name last, since
    /// not every network knows names.
    #[must_use]
    pub fn addresses(&self) -> Vec<String> {
        let Ok(current) = self.current.read() else { return Vec::new() };
        let usual = home_network::usual().map(Name::Address);
        let mut names: Vec<&Name> = current.names.iter().collect();
        names.sort_by_key(|name| (matches!(name, Name::Dns(_)), Some(*name) != usual.as_ref()));
        names.into_iter().map(|name| format!("https://{name}:{}", self.port)).collect()
    }

    /// The name of the authority, as devices list it.
    #[must_use]
    pub fn authority(&self) -> String {
        self.authority.name()
    }

    /// What a person compares on a device with what is shown here.
    #[must_use]
    pub fn fingerprint(&self) -> String {
        self.authority.fingerprint()
    }

    /// What devices are given to trust, DER.
    #[must_use]
    pub fn certificate(&self) -> Vec<u8> {
        self.authority.certificate().to_vec()
    }

    /// The same as text, for programs.
    #[must_use]
    pub fn pem(&self) -> String {
        self.authority.pem()
    }

    /// Until when the certificate that is served with holds.
    #[must_use]
    pub fn until(&self) -> Option<DateTime<Utc>> {
        self.current.read().ok().map(|current| current.until)
    }

    /// How to serve: TLS 1.3 and nothing older.
    ///
    /// # Errors
    /// Where the library does not offer it.
    pub fn tls(self: &Arc<Self>) -> Result<ServerConfig, rustls::Error> {
        let builder = ServerConfig::builder_with_provider(ring::default_provider().into())
            .with_protocol_versions(&[&rustls::version::TLS13])?;
        Ok(builder.with_no_client_auth().with_cert_resolver(self.clone()))
    }
}

/// The certificate at this moment; none for another name than ours. Who asks for an address names
/// none at all.
impl ResolvesServerCert for Sharing {
    fn resolve(&self, hello: ClientHello<'_>) -> Option<Arc<CertifiedKey>> {
        if hello.server_name().is_some_and(|name| !self.answers_to(name)) {
            return None;
        }
        self.current.read().ok().map(|current| current.key.clone())
    }
}

fn current(
    authority: &Authority,
    names: &BTreeSet<Name>,
    now: DateTime<Utc>,
) -> Result<Current, TrustError> {
    let served = authority.served(names, now)?;
    let key = ring::default_provider()
        .key_provider
        .load_private_key(served.key)
        .map_err(|error| TrustError::NotServed(error.to_string()))?;
    let key = Arc::new(CertifiedKey::new(served.chain, key));
    Ok(Current { key, names: served.names, until: served.until })
}

/// Looks after the certificate for as long as it is served.
pub async fn look_after(sharing: Arc<Sharing>, wall: WallClock) {
    loop {
        tokio::time::sleep(LOOK_EVERY).await;
        let (sharing, now) = (sharing.clone(), wall.now().0);
        let looked = tokio::task::spawn_blocking(move || sharing.look(now)).await;
        if let Ok(Err(error)) = looked {
            tracing::error!(%error, "the certificate for the home network could not be renewed");
        }
    }
}
