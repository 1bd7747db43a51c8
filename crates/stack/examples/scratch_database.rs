//! Runs a scratch database until it is killed, and prints its address: for
//! `scripts/prepare-queries` and `scripts/bench-http`.

use std::path::PathBuf;

use stack::DataDir;
use stack::database::{Database, Durability};

fn main() -> Result<(), Box<dyn std::error::Error>> {
    let dir = std::env::args_os().nth(1).map(PathBuf::from).ok_or("give a folder")?;
    let database = Database::start(DataDir::open(&dir)?, Durability::Scratch)?;
    println!("{}", database.url());
    loop {
        std::thread::park();
    }
}
