//! Wide Sheen's web server: HTTP in and out. It neither computes (that is
//! `craft`) nor writes SQL (that is `store`).

pub mod afterwards;
pub mod answer;
pub mod app;
pub mod body;
pub mod clock;
pub mod demo;
pub mod hub;
mod misread;
pub mod on_shelf;
pub mod picture;
pub mod probes;
pub mod problem;
pub mod record_csv;
pub mod routes;
pub mod saved_inputs;
pub mod state;
pub mod thermometer;
