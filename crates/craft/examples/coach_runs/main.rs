//! The coach on simulated evenings: 500 of them by default, over families,
//! methods, masses, rooms, thermometers and makers, drawn from a seed.
//!
//! `scripts/bench-coach [RUNS] [SEED]`; results in `docs/performance.md`.
//!
//! The evenings are played by the model that the simulated thermometer measures;
//! what the coach sees are noisy readings and what the maker enters. The truth it
//! is judged by is the model's.

mod best;
mod judge;
mod report;
mod scenario;

use std::sync::atomic::{AtomicU64, Ordering};
use std::thread;

use judge::Judgement;
use scenario::{Scenario, Ways};

fn main() {
    let mut numbers = std::env::args().skip(1).map(|text| text.parse::<u64>().expect("a number"));
    let runs = numbers.next().unwrap_or(500);
    let seed = numbers.next().unwrap_or(1);
    let ways = [
        ("a maker who follows", Ways::Follows, 1),
        ("one touch in fifteen is of any other button", Ways::Foolish(1.0 / 15.0), 4),
        ("it is left to go cold, and tested cold", Ways::GoesCold, 4),
        ("it is poured without a test that has passed, and taken back", Ways::PoursTooSoon, 4),
    ];
    for (what, ways, one_in) in ways {
        println!("\nKitchens unlike the usual one; {what}:");
        report::print(&played(runs / one_in, seed, ways));
    }
}

fn played(runs: u64, seed: u64, ways: Ways) -> Vec<(u64, Judgement, Scenario)> {
    let next = AtomicU64::new(0);
    let play = || {
        let mut judged = Vec::new();
        loop {
            let number = next.fetch_add(1, Ordering::Relaxed);
            if number >= runs {
                return judged;
            }
            let scenario = Scenario::draw(seed, number, ways);
            judged.push((number, Judgement::of(&scenario), scenario));
        }
    };
    let mut judged: Vec<_> = thread::scope(|scope| {
        let cores = thread::available_parallelism().map_or(1, usize::from);
        let players: Vec<_> = (0..cores).map(|_| scope.spawn(play)).collect();
        players.into_iter().flat_map(|player| player.join().expect("it does not panic")).collect()
    });
    judged.sort_by_key(|(number, ..)| *number);
    judged
}
