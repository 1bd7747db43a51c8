//! The bench: a bowl, its coach, and the simulated pot.

mod bowl;
mod colours;
mod crystals;
mod evening;
mod hands;
mod learning;
mod maker;
mod pot;
mod rules;
