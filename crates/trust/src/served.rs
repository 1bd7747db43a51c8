//! The certificate that the home network is served with.

use std::collections::BTreeSet;
use std::net::IpAddr;
use std::path::Path;

use chrono::{DateTime, TimeDelta, Utc};
use rcgen::{CertificateParams, DnType, ExtendedKeyUsagePurpose, KeyPair, KeyUsagePurpose};
use rustls_pki_types::{CertificateDer, PrivateKeyDer, PrivatePkcs8KeyDer};
use x509_parser::certificate::X509Certificate;
use x509_parser::extensions::GeneralName;
use x509_parser::prelude::FromDer;

use crate::authority::{Authority, CLOCKS_DIFFER};
use crate::kept::{Kept, certified};
use crate::{Name, TrustError};

/// Where it is kept.
const FILE: &str = "served.pem";
/// It holds so long: browsers take none that holds longer than 398 days.
const HOLDS: TimeDelta = TimeDelta::days(180);
/// It is renewed so long before its end.
const BEFORE_ITS_END: TimeDelta = TimeDelta::days(60);

/// What to serve with.
#[derive(Debug)]
pub struct Served {
    /// The certificate and the authority that signed it.
    pub chain: Vec<CertificateDer<'static>>,
    /// Its key.
    pub key: PrivateKeyDer<'static>,
    /// It holds until then.
    pub until: DateTime<Utc>,
    /// The names and addresses that it is for.
    pub names: BTreeSet<Name>,
}

impl Authority {
    /// The certificate for these names and addresses: the one that is kept, or a new one where
    /// those are others, it ends within two months, or another authority signed it.
    ///
    /// # Errors
    /// Where there is no name, or it cannot be kept.
    pub fn served(&self, names: &BTreeSet<Name>, now: DateTime<Utc>) -> Result<Served, TrustError> {
        if names.is_empty() {
            return Err(TrustError::Nameless);
        }
        let path = self.folder.join(FILE);
        // What cannot be read any more is worth nothing to anybody: it is made anew.
        let kept = Kept::read(&path).ok().flatten();
        if let Some(kept) = kept
            && self.is_for(&kept, &path, names, now)
        {
            return self.with(&kept, &path, names);
        }
        let key = KeyPair::generate()?;
        let made = params(names, now)?.signed_by(&key, &self.issuer)?;
        Kept::write(&path, &key, &made)?;
        self.with(&Kept { key, certificate: made.der().clone() }, &path, names)
    }

    fn is_for(&self, kept: &Kept, path: &Path, names: &BTreeSet<Name>, now: DateTime<Utc>) -> bool {
        let Ok((_, own)) = X509Certificate::from_der(self.certificate()) else { return false };
        let Ok((_, parsed)) = X509Certificate::from_der(&kept.certificate) else { return false };
        let signed = parsed.verify_signature(Some(own.public_key())).is_ok();
        let holds = kept.until(path).is_ok_and(|until| until - now > BEFORE_ITS_END);
        signed && holds && names_of(&parsed) == *names
    }

    fn with(&self, kept: &Kept, path: &Path, names: &BTreeSet<Name>) -> Result<Served, TrustError> {
        let own = CertificateDer::from(self.certificate().to_vec());
        Ok(Served {
            chain: vec![kept.certificate.clone(), own],
            key: PrivatePkcs8KeyDer::from(kept.key.serialize_der()).into(),
            until: kept.until(path)?,
            names: names.clone(),
        })
    }
}

fn params(names: &BTreeSet<Name>, now: DateTime<Utc>) -> Result<CertificateParams, TrustError> {
    let mut params = CertificateParams::default();
    params.distinguished_name = rcgen::DistinguishedName::new();
    params.distinguished_name.push(DnType::CommonName, "Wide Sheen");
    params.subject_alt_names =
        names.iter().map(Name::in_certificate).collect::<Result<_, TrustError>>()?;
    params.not_before = certified(now - CLOCKS_DIFFER)?;
    params.not_after = certified(now + HOLDS)?;
    params.key_usages = vec![KeyUsagePurpose::DigitalSignature];
    params.extended_key_usages = vec![ExtendedKeyUsagePurpose::ServerAuth];
    params.use_authority_key_identifier_extension = true;
    Ok(params)
}

/// What a certificate is for.
fn names_of(parsed: &X509Certificate<'_>) -> BTreeSet<Name> {
    let Ok(Some(names)) = parsed.subject_alternative_name() else { return BTreeSet::new() };
    let name = |name: &GeneralName<'_>| match name {
        GeneralName::DNSName(name) => Some(Name::Dns((*name).to_owned())),
        GeneralName::IPAddress(bytes) => address(bytes).map(Name::Address),
        _ => None,
    };
    names.value.general_names.iter().filter_map(name).collect()
}

fn address(bytes: &[u8]) -> Option<IpAddr> {
    let v4 = <[u8; 4]>::try_from(bytes).map(IpAddr::from);
    v4.or_else(|_| <[u8; 16]>::try_from(bytes).map(IpAddr::from)).ok()
}
