//! A copy a day, the last seven kept.

use std::fs;
use std::path::{Path, PathBuf};
use std::time::Duration;

use store::house;

use crate::state::State;

/// How often it is looked whether a copy is due.
const LOOK_EVERY: Duration = Duration::from_secs(10 * 60);
/// So many are kept.
const KEPT: usize = 7;
/// So much of the disk stays free at least.
const SPARE: u64 = 512 << 20;

/// Keeps a copy a day in a folder for as long as the process lives; `say` tells where one was
/// not made, and why. Of several servers on one database one makes it.
pub async fn keep_daily(state: State, folder: PathBuf, say: impl Fn(&str) + Send + 'static) {
    loop {
        let today = state.wall.now().0.date_naive().to_string();
        let copied = house::get(&state.pool, house::COPIED).await;
        if matches!(copied, Ok(kept) if kept.as_deref() != Some(today.as_str())) {
            // Said before it is made: another server on this database need not make one too.
            let noted = house::set(&state.pool, house::COPIED, &today).await;
            if noted.is_ok()
                && let Err(error) = copy(&state, &folder, &today).await
            {
                say(&format!("Today's copy was not made: {error:#}"));
            }
        }
        tokio::time::sleep(LOOK_EVERY).await;
    }
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
        let written = fs::File::create(&draft)
            .map_err(anyhow::Error::from)
            .and_then(|out| super::write(&pool, std::io::BufWriter::new(out)));
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
