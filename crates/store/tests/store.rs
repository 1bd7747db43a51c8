//! What is kept is kept once, whole, and as it was; over a private MariaDB.

#[path = "store/devices.rs"]
mod devices;
#[path = "store/kitchen.rs"]
mod kitchen;
#[path = "store/making.rs"]
mod making;
#[path = "store/shelf.rs"]
mod shelf;
