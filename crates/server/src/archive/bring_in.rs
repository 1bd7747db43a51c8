//! Everything in: looked through before anything of it is kept, then kept in one transaction.

use std::collections::BTreeMap;
use std::io::{BufRead, BufReader, Read, Seek};

use serde::de::DeserializeOwned;
use store::archive::{
    Actions, Batches, Bowls, Lessons, Photo, PlanVersions, Plans, Readings, Results, Shelf,
    StepEvents, StockMoves, Table, put_photo,
};
use store::bowls::BowlStatus;
use store::{Connection, StoreError};
use tokio::runtime::Handle;
use uuid::Uuid;
use zip::ZipArchive;

use super::manifest::{File, Manifest, Summed};
use super::{FORMAT, MANIFEST, PHOTOS, for_each_table};
use crate::clock::wall_time;
use crate::making::Making;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// So many files at most: two million photos would be more than anybody keeps.
const MOST_FILES: usize = 2_000_000;
/// So long at most when unpacked: what is larger is no kitchen's record.
const MOST_BYTES: u64 = 64 << 30;
/// So much longer at most than it is packed: what is more is made to burst.
const MOST_TIMES: u64 = 400;
/// The longest line: a plan with its drawings.
const LONGEST_LINE: u64 = 16 << 20;
/// The largest manifest.
const LARGEST_MANIFEST: u64 = 512 << 20;

fn refused(why: impl Into<String>) -> Problem {
    Problem::bad_field("file", why)
}

fn torn(error: impl std::fmt::Display) -> Problem {
    refused(format!("is no archive of Wide Sheen, or not all of it: {error}"))
}

/// Keeps everything of an archive that is not there yet. What is there by the same id stays:
/// twice is once. It blocks: to be called on a thread of its own, inside a runtime.
///
/// # Errors
/// Where it is no archive of ours, is of a later release, is torn or is made to burst; where
/// something in it hangs on what is not there. Nothing of it is kept then.
pub fn bring_in(state: &State, from: impl Read + Seek) -> Answer<()> {
    let mut zip = ZipArchive::new(from).map_err(torn)?;
    let manifest = looked_through(&mut zip)?;
    let runtime = Handle::current();
    let wall = state.wall.now();
    runtime.block_on(state.whole(async |tx: &mut Connection| {
        macro_rules! keep {
            ($table:ident, $kind:literal) => {
                table::<$table>(tx, &mut zip, $kind).await?;
            };
        }
        for_each_table!(keep);
        photos(tx, &mut zip).await?;
        let mut batches = Vec::new();
        each_line::<store::archive::Batch>(&mut zip, "batches.jsonl", |row| {
            batches.push(row.id);
            Ok(())
        })?;
        for id in batches {
            settle(tx, id, wall).await?;
        }
        Ok(())
    }))?;
    runtime.block_on(crate::upgrade::bring_up_to_date(state))?;
    runtime.block_on(state.shelf.changed());
    drop(manifest);
    Ok(())
}

/// Where a batch stands once what was kept here and what was brought in are one record.
async fn settle(tx: &mut Connection, id: Uuid, wall: craft::time::WallTime) -> Answer<()> {
    let batch = store::batches::get(&mut *tx, id).await?;
    for bowl in store::bowls::of_batch(&mut *tx, id).await? {
        let actions = store::actions::of_bowl(&mut *tx, bowl.id).await?;
        let record = craft::bowl::Record::new(Vec::new(), actions);
        let told = |at| wall_time(batch.clock, at, wall);
        let status = BowlStatus::by(record.actions(), told);
        let same = std::mem::discriminant(&status) == std::mem::discriminant(&bowl.status);
        // What was kept says when that was by the wall, and need not be worked out.
        if !same {
            store::bowls::set_status(&mut *tx, bowl.id, &status).await?;
        }
    }
    if batch.deleted_at.is_none()
        && let Ok(making) = Making::lock(tx, id).await
    {
        making.keep_standing(tx, making.batch.last_at).await?;
    }
    Ok(store::changes::note(tx, store::changes::Change::Batch(id), wall).await?)
}

/// Whether an archive is what it says, from beginning to end.
fn looked_through<R: Read + Seek>(zip: &mut ZipArchive<R>) -> Answer<Manifest> {
    if zip.len() > MOST_FILES {
        return Err(refused(format!("has more than {MOST_FILES} files in it")));
    }
    let manifest = {
        let file = zip.by_name(MANIFEST).map_err(|_| refused("is no archive of Wide Sheen"))?;
        let mut text = Vec::new();
        file.take(LARGEST_MANIFEST).read_to_end(&mut text).map_err(torn)?;
        serde_json::from_slice::<Manifest>(&text).map_err(torn)?
    };
    if manifest.format != FORMAT || manifest.schema > store::known_version() {
        return Err(refused(format!(
            "was written by a later release ({}): bring it in there",
            manifest.release
        )));
    }
    let told: BTreeMap<&str, &File> =
        manifest.files.iter().map(|file| (file.name.as_str(), file)).collect();
    if told.len() + 1 != zip.len() {
        return Err(refused("has other files in it than it says"));
    }
    let mut bytes = 0;
    for i in 0..zip.len() {
        let file = zip.by_index(i).map_err(torn)?;
        let name = file.name().map_err(torn)?.into_owned();
        if name == MANIFEST {
            continue;
        }
        let Some(said) = told.get(name.as_str()) else {
            return Err(refused(format!("has a file in it that it does not tell of: {name:?}")));
        };
        if !is_known(&name) {
            return Err(refused(format!("has a file in it that is none of ours: {name:?}")));
        }
        bytes += said.bytes;
        let packed = file.compressed_size();
        if bytes > MOST_BYTES || said.bytes > (packed + 4096) * MOST_TIMES {
            return Err(refused(format!("would be far larger unpacked than it is: {name:?}")));
        }
        let mut summed = Summed::new(file.take(said.bytes + 1));
        std::io::copy(&mut summed, &mut std::io::sink()).map_err(torn)?;
        if summed.done(&name) != **said {
            return Err(refused(format!("was changed on the way: {name:?} is not what it was")));
        }
    }
    Ok(manifest)
}

/// Whether a file of that name is one that we write.
fn is_known(name: &str) -> bool {
    let mut known = name == PHOTOS;
    macro_rules! or {
        ($table:ident, $kind:literal) => {
            known |= name == format!("{}.{}", $table::NAME, $kind);
        };
    }
    for_each_table!(or);
    let photo = name.strip_prefix("photos/").and_then(|name| name.strip_suffix(".jpg"));
    known || photo.is_some_and(|id| Uuid::parse_str(id).is_ok())
}

fn each_line<T: DeserializeOwned>(
    zip: &mut ZipArchive<impl Read + Seek>,
    name: &str,
    mut with: impl FnMut(T) -> Answer<()>,
) -> Answer<()> {
    let mut lines = BufReader::new(zip.by_name(name).map_err(torn)?);
    for n in 1.. {
        let mut line = Vec::new();
        let count = (&mut lines).take(LONGEST_LINE).read_until(b'\n', &mut line).map_err(torn)?;
        if count == 0 {
            break;
        }
        let row = serde_json::from_slice(&line)
            .map_err(|error| refused(format!("cannot be read: {name}, line {n}: {error}")))?;
        with(row)?;
    }
    Ok(())
}

/// Rows are read some at a time: the file cannot be held open while the database is waited for.
async fn table<T: Table>(
    tx: &mut Connection,
    zip: &mut ZipArchive<impl Read + Seek>,
    kind: &str,
) -> Answer<()> {
    let name = format!("{}.{kind}", T::NAME);
    let reader = BufReader::new(zip.by_name(&name).map_err(torn)?);
    let place = |n: usize| format!("{name}, line {n}");
    if kind == "csv" {
        let mut csv = csv::Reader::from_reader(reader);
        for (n, row) in csv.deserialize::<T::Row>().enumerate() {
            let row =
                row.map_err(|error| refused(format!("cannot be read: {}: {error}", place(n + 2))))?;
            T::put(tx, &row).await.map_err(|error| unkept(error, &place(n + 2)))?;
        }
        return Ok(());
    }
    let mut lines = reader;
    for n in 1.. {
        let mut line = Vec::new();
        let count = (&mut lines).take(LONGEST_LINE).read_until(b'\n', &mut line).map_err(torn)?;
        if count == 0 {
            break;
        }
        let row = serde_json::from_slice::<T::Row>(&line)
            .map_err(|error| refused(format!("cannot be read: {}: {error}", place(n))))?;
        T::put(tx, &row).await.map_err(|error| unkept(error, &place(n)))?;
    }
    Ok(())
}

/// A row that cannot be kept is a fault of the file, where it is not one of the database.
fn unkept(error: StoreError, place: &str) -> Problem {
    match error {
        StoreError::NotFound(what) => {
            refused(format!("hangs on what is not in it: {place}: {what} is missing"))
        }
        other => other.into(),
    }
}

async fn photos(tx: &mut Connection, zip: &mut ZipArchive<impl Read + Seek>) -> Answer<()> {
    let mut all = Vec::new();
    each_line::<Photo>(zip, PHOTOS, |photo| {
        all.push(photo);
        Ok(())
    })?;
    for photo in all {
        let name = format!("photos/{}.jpg", photo.id);
        let mut jpeg = Vec::new();
        {
            let file = zip.by_name(&name).map_err(torn)?;
            file.take(16 << 20).read_to_end(&mut jpeg).map_err(torn)?;
        }
        if !jpeg.starts_with(&[0xff, 0xd8, 0xff]) {
            return Err(refused(format!("has a photo in it that is none: {name}")));
        }
        put_photo(tx, &photo, &jpeg).await.map_err(|error| unkept(error, &name))?;
    }
    Ok(())
}
