//! Everything in: looked through before anything of it is kept, then kept in one transaction.

use craft::message::Message;
use std::collections::BTreeMap;
use std::io::{BufRead, BufReader, Read, Seek};

use serde::de::DeserializeOwned;
use store::archive::{
    Actions, Batches, Bowls, Counts, EnteredBy, Lessons, Photo, PlanVersions, Plans, Readings,
    Results, Shelf, StepEvents, StockMoves, Table, put_photo,
};
use store::bowls::BowlStatus;
use store::{Connection, StoreError};
use tokio::runtime::Handle;
use uuid::Uuid;
use zip::ZipArchive;

use super::manifest::{File, Manifest, Summed};
use super::{FORMAT, MANIFEST, PHOTOS, for_each_table};
use crate::catalogue::files as say;
use crate::clock::wall_time;
use crate::making::Making;
use crate::problem::{Answer, Problem};
use crate::state::State;

/// Where batches are told.
const BATCHES: &str = "batches.jsonl";
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

fn refused(why: Message) -> Problem {
    Problem::bad_field("file", why)
}

fn torn(error: impl std::fmt::Display) -> Problem {
    refused(say::no_archive_or_not_all(&error))
}

/// Keeps everything of an archive that is not there yet. What is there by the same id stays:
/// twice is once. It blocks: to be called on a thread of its own, inside a runtime.
///
/// # Errors
/// Where it is no archive of ours, is of a later release, is torn or is made to burst; where
/// something in it hangs on what is not there. Nothing of it is kept then.
pub fn bring_in(state: &State, from: impl Read + Seek) -> Answer<()> {
    let mut zip = ZipArchive::new(from).map_err(torn)?;
    let Manifest { schema, .. } = looked_through(&mut zip)?;
    let runtime = Handle::current();
    let wall = state.wall.now();
    runtime.block_on(state.whole(async |tx: &mut Connection| {
        macro_rules! keep {
            ($table:ident, $kind:literal) => {
                // What there was no table for then is not in it.
                if $table::SINCE <= schema {
                    table::<$table>(tx, &mut zip, $kind).await?;
                }
            };
        }
        for_each_table!(keep);
        photos(tx, &mut zip).await?;
        let batches = json_rows::<store::archive::Batch>(opened(&mut zip, BATCHES)?, BATCHES);
        for row in batches {
            finalize_bowls(tx, row?.1.id, wall).await?;
        }
        Ok(())
    }))?;
    runtime.block_on(crate::upgrade::bring_up_to_date(state))?;
    runtime.block_on(state.shelf.changed());
    Ok(())
}

/// Where a batch stands once what was kept here and what was brought in are one record.
async fn finalize_bowls(tx: &mut Connection, id: Uuid, wall: craft::time::WallTime) -> Answer<()> {
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

/// Whether an archive is what it says, from beginning to end; what it says of itself.
fn looked_through<R: Read + Seek>(zip: &mut ZipArchive<R>) -> Answer<Manifest> {
    if zip.len() > MOST_FILES {
        return Err(refused(say::too_many_files(MOST_FILES)));
    }
    let manifest = {
        let file = zip.by_name(MANIFEST).map_err(|_| refused(say::no_archive()))?;
        let mut text = Vec::new();
        file.take(LARGEST_MANIFEST).read_to_end(&mut text).map_err(torn)?;
        serde_json::from_slice::<Manifest>(&text).map_err(torn)?
    };
    if manifest.format != FORMAT || manifest.schema > store::known_version() {
        return Err(refused(say::later_release(&manifest.release)));
    }
    let told: BTreeMap<&str, &File> =
        manifest.files.iter().map(|file| (file.name.as_str(), file)).collect();
    if told.len() + 1 != zip.len() {
        return Err(refused(say::other_files()));
    }
    let mut bytes = 0;
    for i in 0..zip.len() {
        let file = zip.by_index(i).map_err(torn)?;
        let name = file.name().map_err(torn)?.into_owned();
        if name == MANIFEST {
            continue;
        }
        let Some(said) = told.get(name.as_str()) else {
            return Err(refused(say::file_not_told(&name)));
        };
        if !is_known(&name) {
            return Err(refused(say::file_not_ours(&name)));
        }
        bytes += said.bytes;
        let packed = file.compressed_size();
        if bytes > MOST_BYTES || said.bytes > (packed + 4096) * MOST_TIMES {
            return Err(refused(say::larger_unpacked(&name)));
        }
        let mut summed = Summed::new(file.take(said.bytes + 1));
        std::io::copy(&mut summed, &mut std::io::sink()).map_err(torn)?;
        if summed.done(&name) != **said {
            return Err(refused(say::changed_on_the_way(&name)));
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

fn opened<'a, R: Read + Seek>(
    zip: &'a mut ZipArchive<R>,
    name: &str,
) -> Answer<BufReader<impl Read + use<'a, R>>> {
    Ok(BufReader::new(zip.by_name(name).map_err(torn)?))
}

/// Where a row stands, for whoever is to mend it.
struct Place<'a> {
    name: &'a str,
    line: usize,
}

impl std::fmt::Display for Place<'_> {
    fn fmt(&self, f: &mut std::fmt::Formatter<'_>) -> std::fmt::Result {
        write!(f, "{}, line {}", self.name, self.line)
    }
}

fn unread(place: &Place<'_>, error: impl std::fmt::Display) -> Problem {
    refused(say::place_cannot_be_read(place, &error))
}

/// The rows of a file of JSON lines, each with its place.
fn json_rows<'a, T: DeserializeOwned>(
    mut lines: impl BufRead + 'a,
    name: &'a str,
) -> impl Iterator<Item = Answer<(Place<'a>, T)>> + 'a {
    (1..).map_while(move |line| {
        let (place, mut text) = (Place { name, line }, Vec::new());
        match (&mut lines).take(LONGEST_LINE).read_until(b'\n', &mut text) {
            Ok(0) => None,
            Ok(_) => Some(match serde_json::from_slice(&text) {
                Ok(row) => Ok((place, row)),
                Err(error) => Err(unread(&place, error)),
            }),
            Err(error) => Some(Err(torn(error))),
        }
    })
}

/// The rows of a table with a head, each with its place.
fn csv_rows<'a, T: DeserializeOwned + 'a>(
    table: impl Read + 'a,
    name: &'a str,
) -> impl Iterator<Item = Answer<(Place<'a>, T)>> + 'a {
    csv::Reader::from_reader(table).into_deserialize().zip(2..).map(move |(row, line)| {
        let place = Place { name, line };
        match row {
            Ok(row) => Ok((place, row)),
            Err(error) => Err(unread(&place, error)),
        }
    })
}

async fn table<T: Table>(
    tx: &mut Connection,
    zip: &mut ZipArchive<impl Read + Seek>,
    kind: &str,
) -> Answer<()> {
    let name = format!("{}.{kind}", T::NAME);
    let file = opened(zip, &name)?;
    if kind == "csv" {
        put_all::<T>(tx, csv_rows(file, &name)).await
    } else {
        put_all::<T>(tx, json_rows(file, &name)).await
    }
}

async fn put_all<'a, T: Table>(
    tx: &mut Connection,
    rows: impl Iterator<Item = Answer<(Place<'a>, T::Row)>>,
) -> Answer<()> {
    for row in rows {
        let (place, row) = row?;
        T::put(tx, &row).await.map_err(|error| unkept(error, &place.to_string()))?;
    }
    Ok(())
}

/// A row that cannot be kept is a fault of the file, where it is not one of the database.
fn unkept(error: StoreError, place: &str) -> Problem {
    match error {
        StoreError::NotFound(what) => refused(say::hangs_on(place, what)),
        other => other.into(),
    }
}

async fn photos(tx: &mut Connection, zip: &mut ZipArchive<impl Read + Seek>) -> Answer<()> {
    let rows = json_rows::<Photo>(opened(zip, PHOTOS)?, PHOTOS);
    let all = rows.map(|row| Ok(row?.1)).collect::<Answer<Vec<_>>>()?;
    for photo in all {
        let name = format!("photos/{}.jpg", photo.id);
        let mut jpeg = Vec::new();
        {
            let file = zip.by_name(&name).map_err(torn)?;
            file.take(16 << 20).read_to_end(&mut jpeg).map_err(torn)?;
        }
        if !jpeg.starts_with(&[0xff, 0xd8, 0xff]) {
            return Err(refused(say::no_photo(&name)));
        }
        put_photo(tx, &photo, &jpeg).await.map_err(|error| unkept(error, &name))?;
    }
    Ok(())
}
