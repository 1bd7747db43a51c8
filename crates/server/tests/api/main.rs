//! The API over a private MariaDB of its own.

mod batches;
mod bench;
mod bowls;
mod builds;
mod calc;
mod colour_bowl;
mod days;
mod flat_work;
mod kitchen;
mod methods;
mod moulded;
mod nonsense;
mod photos;
mod record;
mod refusals;
mod sheets;
mod shelf;
mod simulated;
mod stream;
mod trouble;
mod usual;
