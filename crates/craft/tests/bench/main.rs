//! The bench: a bowl, its coach, and the simulated pot.

mod after_pour;
mod bowl;
mod colours;
mod crystals;
mod evening;
mod foolish;
mod gentle;
mod hands;
mod learning;
mod maker;
mod melting;
mod mending;
mod pot;
mod rules;
mod two_probes;
