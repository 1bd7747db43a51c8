//! A thermometer that is none: it says what one in a bowl that cools would say, as a line of °C
//! each for the clients in `docs/clients`, or appended to a log as a device's own program does.

use std::fs::OpenOptions;
use std::io::{self, Write};
use std::path::PathBuf;
use std::process::ExitCode;
use std::time::Duration;

use chrono::Local;
use clap::Parser;

/// Says what a thermometer in a bowl that cools would say: a line of °C each.
#[derive(Debug, Parser)]
#[command(version)]
struct Arguments {
    /// Appends to a log, a table with a heading, instead of writing to standard output.
    #[arg(long, value_name = "FILE")]
    log: Option<PathBuf>,
    /// What it says first, °C.
    #[arg(long, default_value_t = 46.0, value_name = "C")]
    from: f64,
    /// How warm the room is, °C.
    #[arg(long, default_value_t = 21.0, value_name = "C")]
    room: f64,
    /// In so many minutes half of what it is warmer than the room is gone.
    #[arg(long, default_value_t = 12.0, value_name = "MIN")]
    half_in: f64,
    /// How often it says something, s.
    #[arg(long, default_value_t = 1.0, value_name = "S")]
    every: f64,
    /// How often in all; without end, if left out.
    #[arg(long, value_name = "N")]
    count: Option<u64>,
    /// The log is in °F.
    #[arg(long, requires = "log")]
    fahrenheit: bool,
}

/// A thermometer flickers by so much either way, °C.
const FLICKER_C: f64 = 0.05;

impl Arguments {
    /// What it says a while after the first, °C: Newton's cooling, and a flicker that is the
    /// same each time.
    fn says(&self, after_s: f64, turn: u64) -> f64 {
        #[allow(clippy::cast_precision_loss)] // years of it are exact
        let flicker = (turn as f64 * 2.4).sin() * FLICKER_C;
        let left = 0.5_f64.powf(after_s / 60.0 / self.half_in);
        self.room + (self.from - self.room) * left + flicker
    }

    fn run(&self) -> io::Result<()> {
        let mut log = match &self.log {
            Some(path) => Some(OpenOptions::new().create(true).append(true).open(path)?),
            None => None,
        };
        if let Some(log) = &mut log
            && log.metadata()?.len() == 0
        {
            writeln!(log, "time,probe °{}", if self.fahrenheit { "F" } else { "C" })?;
        }
        for turn in 0..self.count.unwrap_or(u64::MAX) {
            if turn > 0 {
                std::thread::sleep(Duration::from_secs_f64(self.every.clamp(0.0, 3_600.0)));
            }
            #[allow(clippy::cast_precision_loss)] // years of it are exact
            let c = self.says(turn as f64 * self.every, turn);
            match &mut log {
                Some(log) => {
                    let said = if self.fahrenheit { c * 1.8 + 32.0 } else { c };
                    let time = Local::now().format("%Y-%m-%d %H:%M:%S%.3f");
                    writeln!(log, "{time},{said:.2}")?;
                }
                None => writeln!(io::stdout(), "{c:.2}")?,
            }
        }
        Ok(())
    }
}

fn main() -> ExitCode {
    let arguments = Arguments::parse();
    if !(arguments.half_in > 0.0 && arguments.every >= 0.0) {
        eprintln!("--half-in must be over 0 min, --every at least 0 s");
        return ExitCode::FAILURE;
    }
    match arguments.run() {
        Ok(()) => ExitCode::SUCCESS,
        // Whoever listened has left.
        Err(error) if error.kind() == io::ErrorKind::BrokenPipe => ExitCode::SUCCESS,
        Err(error) => {
            eprintln!("The stand-in cannot write: {error}");
            ExitCode::FAILURE
        }
    }
}
