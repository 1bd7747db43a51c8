//! The authority and what it signs, as a browser judges them.

#![allow(clippy::unwrap_used)]

use std::collections::BTreeSet;
use std::fs;
use std::net::{IpAddr, Ipv4Addr};
use std::os::unix::fs::PermissionsExt;
use std::time::Duration;

use chrono::{DateTime, TimeDelta, Utc};
use rustls_pki_types::{CertificateDer, ServerName, UnixTime};
use trust::{Authority, Name, Served, TrustError};
use webpki::{EndEntityCert, KeyUsage, anchor_from_trusted_cert, ring};

fn now() -> DateTime<Utc> {
    DateTime::from_timestamp(1_800_000_000, 0).unwrap()
}

fn names(all: &[&str]) -> BTreeSet<Name> {
    let name = |name: &&str| match name.parse::<IpAddr>() {
        Ok(address) => Name::Address(address),
        Err(_) => Name::Dns((*name).to_owned()),
    };
    all.iter().map(name).collect()
}

/// Whether a device that trusts the authority takes the certificate for a name at a time.
fn takes(authority: &Authority, served: &Served, name: &str, at: DateTime<Utc>) -> bool {
    let own = CertificateDer::from(authority.certificate());
    let anchors = [anchor_from_trusted_cert(&own).unwrap()];
    let seconds = u64::try_from(at.timestamp()).unwrap();
    let at = UnixTime::since_unix_epoch(Duration::from_secs(seconds));
    let certificate = EndEntityCert::try_from(&served.chain[0]).unwrap();
    let usage = KeyUsage::server_auth();
    let algorithms = [ring::ECDSA_P256_SHA256];
    let path = certificate.verify_for_usage(&algorithms, &anchors, &[], at, usage, None, None);
    let name = ServerName::try_from(name).unwrap();
    path.is_ok() && certificate.verify_is_valid_for_subject_name(&name).is_ok()
}

#[test]
fn a_device_that_trusts_the_authority_takes_what_it_serves_and_nothing_else() {
    let folder = tempfile::tempdir().unwrap();
    let authority = Authority::open(folder.path(), "kitchen", now()).unwrap();
    let names = names(&["kitchen.local", "192.168.1.20", "fe80::1"]);
    let served = authority.served(&names, now()).unwrap();
    for name in ["kitchen.local", "192.168.1.20", "fe80::1"] {
        assert!(takes(&authority, &served, name, now()), "{name}");
    }
    assert!(!takes(&authority, &served, "192.168.1.21", now()), "another address");
    assert!(!takes(&authority, &served, "kitchen.local", served.until + TimeDelta::hours(1)));
    assert!(takes(&authority, &served, "kitchen.local", now() - TimeDelta::hours(20)));
    assert!(served.until - now() < TimeDelta::days(398), "browsers take none that holds longer");
    let elsewhere = tempfile::tempdir().unwrap();
    let other = Authority::open(elsewhere.path(), "kitchen", now()).unwrap();
    assert!(!takes(&other, &served, "kitchen.local", now()), "another installation's");
}

#[test]
fn the_authority_can_vouch_for_nothing_outside_a_house() {
    let folder = tempfile::tempdir().unwrap();
    let authority = Authority::open(folder.path(), "kitchen", now()).unwrap();
    for outside in ["bank.example", "example.com", "8.8.8.8", "2001:db8::1"] {
        let served = authority.served(&names(&[outside]), now()).unwrap();
        assert!(!takes(&authority, &served, outside, now()), "{outside}");
    }
    for inside in ["10.1.2.3", "172.20.0.5", "169.254.3.4", "127.0.0.1", "fd00::7", "pi.home.arpa"]
    {
        let served = authority.served(&names(&[inside]), now()).unwrap();
        assert!(takes(&authority, &served, inside, now()), "{inside}");
    }
}

#[test]
fn both_are_made_once_and_the_certificate_anew_when_it_must_be() {
    let folder = tempfile::tempdir().unwrap();
    let open = |at| Authority::open(folder.path(), "kitchen", at).unwrap();
    let here = names(&["kitchen.local", "192.168.1.20"]);
    let first = open(now());
    let served = first.served(&here, now()).unwrap();
    let later = now() + TimeDelta::days(100);
    let again = open(later);
    assert_eq!(again.fingerprint(), first.fingerprint());
    let kept = again.served(&here, later).unwrap();
    assert_eq!((&kept.chain, &kept.key), (&served.chain, &served.key));
    // Two months before its end, or at another address, it is another one of the same authority.
    for (names, at) in [
        (here.clone(), now() + TimeDelta::days(121)),
        (names(&["kitchen.local", "192.168.1.33"]), now()),
    ] {
        let anew = again.served(&names, at).unwrap();
        assert_ne!(anew.chain[0], served.chain[0]);
        assert_eq!(anew.chain[1], served.chain[1]);
        assert_eq!(anew.names, names);
    }
    // A year before the authority's end so is the authority, and with it the certificate.
    let old = now() + TimeDelta::days(19 * 365);
    let last = open(old);
    assert_ne!(last.fingerprint(), first.fingerprint());
    assert!(takes(&last, &last.served(&here, old).unwrap(), "kitchen.local", old));
}

#[test]
fn keys_are_their_owners_alone_and_what_was_spoilt_says_what_to_do() {
    let folder = tempfile::tempdir().unwrap();
    let here = BTreeSet::from([Name::Address(Ipv4Addr::new(192, 168, 1, 20).into())]);
    let authority = Authority::open(folder.path(), "kitchen", now()).unwrap();
    let served = authority.served(&here, now()).unwrap();
    for file in ["authority.pem", "served.pem"] {
        let mode = fs::metadata(folder.path().join(file)).unwrap().permissions().mode();
        assert_eq!(mode & 0o777, 0o600, "{file}");
    }
    assert!(matches!(authority.served(&BTreeSet::new(), now()), Err(TrustError::Nameless)));
    // A spoilt certificate is made anew; a spoilt authority is not, since devices trust the old one.
    fs::write(folder.path().join("served.pem"), "nonsense").unwrap();
    assert_ne!(authority.served(&here, now()).unwrap().chain[0], served.chain[0]);
    fs::write(folder.path().join("authority.pem"), "nonsense").unwrap();
    let refused = Authority::open(folder.path(), "kitchen", now()).unwrap_err();
    assert!(refused.to_string().contains("every device then has to trust"), "{refused}");
    assert_eq!(fs::read_to_string(folder.path().join("authority.pem")).unwrap(), "nonsense");
}
