//! The API over a private MariaDB of its own.

mod batches;
mod bench;
mod bowls;
mod calc;
mod colour_bowl;
mod days;
mod documents;
mod edges;
mod flat_work;
mod guide;
mod kitchen;
mod methods;
mod moulded;
mod nonsense;
mod photos;
mod plans;
mod record;
mod refusals;
mod release;
mod sheets;
mod shelf;
mod simulated;
mod stream;
mod trouble;
mod two_servers;
mod usual;
