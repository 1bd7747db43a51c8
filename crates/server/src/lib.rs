//! Wide Sheen's web server: HTTP in and out. It neither computes (that is
//! `craft`) nor writes SQL (that is `store`).

pub mod agenda;
pub mod answer;
pub mod app;
pub mod archive;
pub mod body;
mod catalogue;
pub mod clock;
pub mod demo;
pub mod document;
pub mod feed;
pub mod findings;
mod gate;
pub mod going_through;
pub mod ground;
pub mod learned;
pub mod live;
pub mod making;
mod misread;
pub mod on_shelf;
mod page;
pub mod picture;
pub mod planned;
pub mod problem;
pub mod record_csv;
pub mod routes;
pub mod saving;
pub mod state;
pub mod taking;
pub mod texts;
pub mod thermometer;
pub mod upgrade;
