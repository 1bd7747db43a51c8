//! Who asks: this machine's own screen, or one of the maker's devices.

use std::future::{Ready, ready};

use actix_web::dev::Payload;
use actix_web::{FromRequest, HttpMessage, HttpRequest};
use craft::bowl::Place;
use store::devices::DeviceRow;
use trust::Role;
use uuid::Uuid;

use crate::problem::Problem;

/// Who asks, once let in.
#[derive(Clone, Debug)]
pub enum Who {
    /// This machine's own screen, or a program on it.
    Here,
    /// A device of the home network.
    Device(Box<DeviceRow>),
}

impl Who {
    /// What it may do.
    #[must_use]
    pub fn role(&self) -> Role {
        self.device().map_or(Role::Maker, |device| device.role)
    }

    /// The device, where it is one.
    #[must_use]
    pub fn device(&self) -> Option<&DeviceRow> {
        match self {
            Self::Here => None,
            Self::Device(device) => Some(device),
        }
    }

    /// The device's id, where it is one.
    #[must_use]
    pub fn device_id(&self) -> Option<Uuid> {
        self.device().map(|device| device.id)
    }

    /// What the device is called, where it is one.
    #[must_use]
    pub fn name(&self) -> Option<&str> {
        self.device().map(|device| device.name.as_str())
    }

    /// Where in its bowl a thermometer stands; none where it is none.
    #[must_use]
    pub fn place(&self) -> Option<Place> {
        let device = self.device().filter(|device| device.role == Role::Thermometer);
        device.map(|device| device.place)
    }

    /// Whether an address may be one of this bowl: a thermometer measures the one it is lent to.
    #[must_use]
    pub fn measures(&self, path: &str) -> bool {
        let thermometer = self.device().filter(|device| device.role == Role::Thermometer);
        let (Some(device), Some(bowl)) = (thermometer, path.strip_prefix("/api/v1/bowls/")) else {
            return true;
        };
        device.bowl_id.is_some_and(|id| bowl.starts_with(&format!("{id}/")))
    }
}

/// Somebody who is not let in, but may ask to be.
#[derive(Clone, Debug)]
pub enum Outside {
    /// A device that shows nothing.
    NotLetIn,
    /// A device whose token is none, or was sent away.
    Unknown,
    /// A device that was let in at another address: it, or a copy of its token.
    OtherAddress(Box<DeviceRow>),
    /// This machine's own screen, where there is a passphrase.
    SignIn,
}

impl Outside {
    /// What it is told.
    #[must_use]
    pub fn problem(&self) -> Problem {
        match self {
            Self::NotLetIn => Problem::not_let_in(),
            Self::Unknown => Problem::unknown_device(),
            Self::OtherAddress(_) => Problem::other_address(),
            Self::SignIn => Problem::sign_in(),
        }
    }
}

/// What a browser's token is kept in. The prefix has browsers take it from this host alone, and
/// over TLS alone; on loopback there is none.
#[must_use]
pub const fn session_cookie(is_shared: bool) -> &'static str {
    if is_shared { "__Host-wide-sheen" } else { "wide-sheen" }
}

/// The gate says who it is; what it has not seen is nobody's.
impl FromRequest for Who {
    type Error = Problem;
    type Future = Ready<Result<Self, Problem>>;

    fn from_request(request: &HttpRequest, _: &mut Payload) -> Self::Future {
        ready(request.extensions().get::<Self>().cloned().ok_or_else(Problem::not_let_in))
    }
}
