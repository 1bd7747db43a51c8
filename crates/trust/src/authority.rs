//! The authority: made once, trusted once on each device.

use std::path::{Path, PathBuf};

use chrono::{DateTime, TimeDelta, Utc};
use rcgen::{
    BasicConstraints, CertificateParams, CidrSubnet, DistinguishedName, DnType, GeneralSubtree,
    IsCa, Issuer, KeyPair, KeyUsagePurpose, NameConstraints,
};
use rustls_pki_types::CertificateDer;
use x509_parser::certificate::X509Certificate;
use x509_parser::prelude::FromDer;

use crate::TrustError;
use crate::fingerprint::fingerprint;
use crate::home;
use crate::kept::{Kept, certified};

/// Where it is kept.
const FILE: &str = "authority.pem";
/// It holds so long.
const HOLDS: TimeDelta = TimeDelta::days(20 * 365);
/// It is made anew before what it signs could outlive it.
const BEFORE_ITS_END: TimeDelta = TimeDelta::days(400);
/// Devices whose clocks are behind take it all the same.
pub(crate) const CLOCKS_DIFFER: TimeDelta = TimeDelta::days(1);

/// Who vouches for this installation.
#[derive(Debug)]
pub struct Authority {
    pub(crate) folder: PathBuf,
    pub(crate) issuer: Issuer<'static, KeyPair>,
    certificate: CertificateDer<'static>,
}

impl Authority {
    /// The authority of a folder, made where there is none and made anew a year before its end.
    /// `called` is how devices list it: this machine's name.
    ///
    /// # Errors
    /// Where the folder cannot be read or written, or holds something else.
    pub fn open(folder: &Path, called: &str, now: DateTime<Utc>) -> Result<Self, TrustError> {
        let path = folder.join(FILE);
        let kept = Kept::read(&path)?;
        if let Some(kept) = kept
            && kept.until(&path)? - now > BEFORE_ITS_END
        {
            return Self::of(folder, kept);
        }
        let key = KeyPair::generate()?;
        let made = params(called, now)?.self_signed(&key)?;
        Kept::write(&path, &key, &made)?;
        Self::of(folder, Kept { key, certificate: made.der().clone() })
    }

    fn of(folder: &Path, Kept { key, certificate }: Kept) -> Result<Self, TrustError> {
        let issuer = Issuer::from_ca_cert_der(&certificate, key).map_err(|error| {
            TrustError::Unusable { path: folder.join(FILE), reason: error.to_string() }
        })?;
        Ok(Self { folder: folder.to_owned(), issuer, certificate })
    }

    /// Its certificate, DER: what devices are given to trust.
    #[must_use]
    pub fn certificate(&self) -> &[u8] {
        &self.certificate
    }

    /// The same as text, for programs.
    #[must_use]
    pub fn pem(&self) -> String {
        pem::encode(&pem::Pem::new("CERTIFICATE", self.certificate.to_vec()))
    }

    /// Its name, as devices list it.
    #[must_use]
    pub fn name(&self) -> String {
        let parsed = X509Certificate::from_der(&self.certificate).ok();
        let name = parsed.as_ref().and_then(|(_, own)| own.subject().iter_common_name().next());
        name.and_then(|name| name.as_str().ok()).unwrap_or_default().to_owned()
    }

    /// What a person compares on the device with what is shown here.
    #[must_use]
    pub fn fingerprint(&self) -> String {
        fingerprint(&self.certificate)
    }
}

fn params(called: &str, now: DateTime<Utc>) -> Result<CertificateParams, TrustError> {
    let mut params = CertificateParams::default();
    params.distinguished_name = DistinguishedName::new();
    params.distinguished_name.push(DnType::CommonName, format!("Wide Sheen on {called}"));
    params.not_before = certified(now - CLOCKS_DIFFER)?;
    params.not_after = certified(now + HOLDS)?;
    // It signs what serves, and no further authority.
    params.is_ca = IsCa::Ca(BasicConstraints::Constrained(0));
    params.key_usages = vec![KeyUsagePurpose::KeyCertSign, KeyUsagePurpose::CrlSign];
    let v4 = home::V4.iter().map(|(net, bits)| CidrSubnet::from_v4_prefix(net.octets(), *bits));
    let v6 = home::V6.iter().map(|(net, bits)| CidrSubnet::from_v6_prefix(net.octets(), *bits));
    let names = home::NAMES.iter().map(|name| GeneralSubtree::DnsName((*name).to_owned()));
    let permitted_subtrees = v4.chain(v6).map(GeneralSubtree::IpAddress).chain(names).collect();
    params.name_constraints =
        Some(NameConstraints { permitted_subtrees, excluded_subtrees: Vec::new() });
    Ok(params)
}
