//! Under what this machine is asked for in its home network.

use std::fmt;
use std::net::IpAddr;

use crate::TrustError;

/// A name or an address of this machine.
#[derive(Clone, Debug, PartialEq, Eq, PartialOrd, Ord, Hash)]
pub enum Name {
    /// `kitchen.local`.
    Dns(String),
    /// `192.168.1.20`.
    Address(IpAddr),
}

impl Name {
    /// As a certificate says it.
    pub(crate) fn in_certificate(&self) -> Result<rcgen::SanType, TrustError> {
        Ok(match self {
            Self::Dns(name) => rcgen::SanType::DnsName(name.as_str().try_into()?),
            Self::Address(address) => rcgen::SanType::IpAddress(*address),
        })
    }
}

impl fmt::Display for Name {
    fn fmt(&self, f: &mut fmt::Formatter<'_>) -> fmt::Result {
        match self {
            Self::Dns(name) => f.write_str(name),
            Self::Address(address) => address.fmt(f),
        }
    }
}
