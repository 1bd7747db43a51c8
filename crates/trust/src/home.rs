//! What is at home: networks and names that no two houses share with the world.

use std::net::{IpAddr, Ipv4Addr, Ipv6Addr};

/// Networks: private, link-local, and this machine's own. RFC 1918, RFC 3927, RFC 4193, RFC 4291.
pub(crate) const V4: [(Ipv4Addr, u8); 5] = [
    (Ipv4Addr::new(10, 0, 0, 0), 8),
    (Ipv4Addr::new(172, 16, 0, 0), 12),
    (Ipv4Addr::new(192, 168, 0, 0), 16),
    (Ipv4Addr::new(169, 254, 0, 0), 16),
    (Ipv4Addr::new(127, 0, 0, 0), 8),
];
pub(crate) const V6: [(Ipv6Addr, u8); 3] = [
    (Ipv6Addr::new(0xfc00, 0, 0, 0, 0, 0, 0, 0), 7),
    (Ipv6Addr::new(0xfe80, 0, 0, 0, 0, 0, 0, 0), 10),
    (Ipv6Addr::LOCALHOST, 128),
];
/// Names that mean something in a house alone. RFC 6762, RFC 8375, RFC 6761.
pub(crate) const NAMES: [&str; 4] = ["local", "home.arpa", "internal", "localhost"];

/// Whether an address is one of a home network, or of this machine itself.
#[must_use]
pub fn is_at_home(address: IpAddr) -> bool {
    match address.to_canonical() {
        IpAddr::V4(v4) => {
            let within = |(net, bits): &(Ipv4Addr, u8)| {
                (v4.to_bits() ^ net.to_bits()) >> (32 - u32::from(*bits)) == 0
            };
            V4.iter().any(within)
        }
        IpAddr::V6(v6) => {
            let within = |(net, bits): &(Ipv6Addr, u8)| {
                (v6.to_bits() ^ net.to_bits()) >> (128 - u32::from(*bits)) == 0
            };
            V6.iter().any(within)
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn a_houses_own_addresses_are_at_home_and_the_worlds_are_not() {
        for at_home in
            ["10.1.2.3", "172.31.255.255", "192.168.1.20", "127.0.0.2", "fd00::1", "fe80::1", "::1"]
        {
            assert!(is_at_home(at_home.parse().expect("one")), "{at_home}");
        }
        assert!(is_at_home("::ffff:192.168.1.20".parse().expect("one")));
        for elsewhere in
            ["8.8.8.8", "172.32.0.1", "192.169.0.1", "2001:db8::1", "::2", "::ffff:8.8.8.8"]
        {
            assert!(!is_at_home(elsewhere.parse().expect("one")), "{elsewhere}");
        }
    }
}
