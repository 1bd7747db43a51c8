//! The bench: a bowl, its coach, and the simulated pot.

mod bowl;
mod evening;
mod maker;
mod pot;
