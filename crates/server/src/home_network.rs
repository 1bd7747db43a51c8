//! Under which names and addresses the home network finds this machine.

use std::collections::BTreeSet;
use std::net::{IpAddr, Ipv4Addr, UdpSocket};

use trust::{Name, is_at_home};

/// This machine's name, as devices of the house ask for it: `kitchen` of `kitchen.example.net`.
#[must_use]
pub fn machine() -> String {
    let name = hostname::get().ok().and_then(|name| name.into_string().ok()).unwrap_or_default();
    let name = name.split('.').next().unwrap_or_default().to_ascii_lowercase();
    let is_a_name = !name.is_empty()
        && name.len() <= 63
        && name.chars().all(|c| c.is_ascii_alphanumeric() || c == '-')
        && !name.starts_with('-');
    if is_a_name { name } else { "kitchen".to_owned() }
}

/// Its name in the house and its addresses there, as they are at this moment. An address that the
/// world can ask for is none of them.
#[must_use]
pub fn names() -> BTreeSet<Name> {
    let addresses = if_addrs::get_if_addrs().unwrap_or_default();
    let at_home = addresses
        .into_iter()
        .map(|interface| interface.ip())
        .filter(|address| address.is_ipv4() && !address.is_loopback() && is_at_home(*address));
    of(&machine(), at_home)
}

/// The address under which this machine goes out, where it does: of several the one that the house's
/// other devices most likely find it at. Nothing is sent to learn of it.
#[must_use]
pub fn usual() -> Option<IpAddr> {
    let socket = UdpSocket::bind((Ipv4Addr::UNSPECIFIED, 0)).ok()?;
    // An address for documentation, RFC 5737: whichever way it would go, others would too.
    socket.connect((Ipv4Addr::new(192, 0, 2, 1), 9)).ok()?;
    socket.local_addr().ok().map(|address| address.ip())
}

/// Its name in the house and this one address.
#[must_use]
pub fn only(address: Ipv4Addr) -> BTreeSet<Name> {
    of(&machine(), std::iter::once(IpAddr::V4(address)).filter(|address| is_at_home(*address)))
}

fn of(machine: &str, addresses: impl Iterator<Item = IpAddr>) -> BTreeSet<Name> {
    let mut names: BTreeSet<Name> = addresses.map(Name::Address).collect();
    // Without an address there is nothing that a name could stand for.
    if !names.is_empty() {
        names.insert(Name::Dns(format!("{machine}.local")));
    }
    names
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_machine_without_a_home_address_has_no_name_either() {
        assert!(of("kitchen", std::iter::empty()).is_empty());
        let names = of("kitchen", std::iter::once(IpAddr::from([192, 168, 1, 20])));
        let told: Vec<_> = names.iter().map(ToString::to_string).collect();
        assert_eq!(told, ["kitchen.local", "192.168.1.20"]);
    }

    #[test]
    fn this_machine_has_a_name_that_a_certificate_can_have() {
        let name = machine();
        assert!(name.chars().all(|c| c.is_ascii_lowercase() || c.is_ascii_digit() || c == '-'));
        assert!((1..=63).contains(&name.len()), "{name}");
    }
}
