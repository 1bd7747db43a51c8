//! A copy a day, the last seven kept.

use std::fs;
use std::path::{Path, PathBuf};
use std::time::Duration;

use store::{Connection, house, leases};

use crate::saving::Progress;
use crate::state::State;

/// How often it is looked whether a copy is due.
const LOOK_EVERY: Duration = Duration::from_secs(10 * 60);
/// So many are kept.
const KEPT: usize = 7;
/// So much of the disk stays free at least.
const SPARE: u64 = 512 << 20;

/// A copy takes no longer than this; one whose server died meanwhile is then another's to make.
const MAKING: chrono::TimeDelta = chrono::TimeDelta::hours(2);
/// Who makes the copy of the day holds this.
const LEASE: &str = "copy of the day";

/// Keeps a copy a day in a folder for as long as the process lives; `say` tells where one was
/// not made, and why: it is tried again until it is.
pub async fn keep_daily(state: State, folder: PathBuf, say: impl Fn(&str) + Send + 'static) {
    let mut said = String::new();
    loop {
        match copy_if_due(&state, &folder).await {
            Ok(_) => said.clear(),
            Err(error) => {
                let words = format!("Today's copy was not made: {error:#}");
                // The same is said once, however often it is tried.
                if words != said {
                    say(&words);
                    said = words;
                }
            }
        }
        tokio::time::sleep(LOOK_EVERY).await;
    }
}

/// Makes the copy of the day where none was made yet and no other server on the database is at
/// it; `true` where it was made here.
///
/// # Errors
/// Where it could not be made. It is due still.
pub async fn copy_if_due(state: &State, folder: &Path) -> anyhow::Result<bool> {
    let now = state.wall.now();
    let today = now.0.date_naive().to_string();
    if house::get(&state.pool, house::COPIED).await?.as_deref() == Some(today.as_str()) {
        return Ok(false);
    }
    let held = state
        .whole(async |tx: &mut Connection| {
            let until = now.after(MAKING);
            Ok(leases::hold(tx, LEASE, state.server, (now, until)).await?)
        })
        .await;
    if !held.map_err(|problem| anyhow::anyhow!("{problem}"))? {
        return Ok(false);
    }
    let made = match house::get(&state.pool, house::COPIED).await?.as_deref() {
        // Another made it between the look and the lease.
        Some(day) if day == today => Ok(false),
        _ => match copy(state, folder, &today).await {
            Ok(()) => house::set(&state.pool, house::COPIED, &today).await.map(|()| true),
            Err(error) => {
                give_back(state).await;
                return Err(error);
            }
        },
    };
    give_back(state).await;
    Ok(made?)
}

async fn give_back(state: &State) {
    // One that is not given back ends by itself.
    let _ = state
        .whole(async |tx: &mut Connection| Ok(leases::give_back(tx, LEASE, state.server).await?))
        .await;
}

async fn copy(state: &State, folder: &Path, today: &str) -> anyhow::Result<()> {
    let (pool, folder, today) = (state.pool.clone(), folder.to_owned(), today.to_owned());
    tokio::task::spawn_blocking(move || {
        fs::create_dir_all(&folder)?;
        let latest = copies(&folder)?.pop();
        let needed = latest.and_then(|file| file.metadata().ok()).map_or(0, |file| 2 * file.len());
        let free = fs4::available_space(&folder)?;
        anyhow::ensure!(
            free > needed + SPARE,
            "the disk has only {} MB left; make room in it",
            free >> 20
        );
        let (draft, file) = (folder.join(".copy"), folder.join(format!("daily-{today}.zip")));
        let written = fs::File::create(&draft).map_err(anyhow::Error::from).and_then(|out| {
            super::write(&pool, std::io::BufWriter::new(out), &Progress::default())
        });
        if let Err(error) = written {
            let _ = fs::remove_file(&draft);
            return Err(error);
        }
        fs::rename(&draft, &file)?;
        let all = copies(&folder)?;
        for old in all.iter().rev().skip(KEPT) {
            fs::remove_file(old)?;
        }
        Ok(())
    })
    .await?
}

/// The copies of a folder, the oldest first.
fn copies(folder: &Path) -> std::io::Result<Vec<PathBuf>> {
    let mut all: Vec<_> = fs::read_dir(folder)?
        .filter_map(|entry| Some(entry.ok()?.path()))
        .filter(|path| {
            let name = path.file_name().unwrap_or_default().to_string_lossy().into_owned();
            name.starts_with("daily-") && name.ends_with(".zip")
        })
        .collect();
    all.sort();
    Ok(all)
}
