//! Everything out: row by row, so that it takes no memory however much there is.

use std::io::Write;

use chrono::Utc;
use futures::TryStreamExt;
use store::archive::{
    Actions, Batches, Bowls, Counts, EnteredBy, Lessons, PlanVersions, Plans, Readings, Results,
    Shelf, StepEvents, StockMoves, Table,
};
use store::{Connection, Pool};
use tokio::runtime::Handle;
use zip::write::{SimpleFileOptions, StreamWriter, ZipWriter};

use super::manifest::{File, Manifest, Summed};
use super::{FORMAT, MANIFEST, PHOTOS, for_each_table};
use crate::making::RELEASE;
use crate::saving::Progress;

type Zip<W> = ZipWriter<StreamWriter<W>>;

fn options() -> SimpleFileOptions {
    SimpleFileOptions::default().large_file(true).unix_permissions(0o600)
}

/// Writes everything that is kept, as it is at this moment, and says how far it is. It blocks:
/// to be called on a thread of its own, inside a runtime.
///
/// # Errors
/// Where the database fails, or what is written to does.
pub fn write(pool: &Pool, to: impl Write, progress: &Progress) -> anyhow::Result<()> {
    let written = write_all(pool, to, progress);
    progress.end(written.is_ok());
    written
}

fn write_all(pool: &Pool, to: impl Write, progress: &Progress) -> anyhow::Result<()> {
    let runtime = Handle::current();
    let mut connection = runtime.block_on(store::archive::at_one_moment(pool))?;
    progress.expect(runtime.block_on(store::archive::how_many(&mut connection))?);
    let mut zip = ZipWriter::new_stream(to);
    let mut files = Vec::new();
    macro_rules! out {
        ($table:ident, $kind:literal) => {
            files.push(table::<$table>(&runtime, &mut connection, &mut zip, $kind, progress)?);
        };
    }
    for_each_table!(out);
    photos(&runtime, &mut connection, &mut zip, &mut files, progress)?;
    let schema = runtime.block_on(store::schema_version(pool))?.unwrap_or_default();
    let manifest = Manifest {
        format: FORMAT.to_owned(),
        release: RELEASE.to_owned(),
        schema,
        written_at: Utc::now(),
        files,
    };
    zip.start_file(MANIFEST, options())?;
    serde_json::to_writer_pretty(&mut zip, &manifest)?;
    Ok(zip.finish()?.into_inner().flush()?)
}

fn table<T: Table>(
    runtime: &Handle,
    connection: &mut Connection,
    zip: &mut Zip<impl Write>,
    kind: &str,
    progress: &Progress,
) -> anyhow::Result<File> {
    let name = format!("{}.{kind}", T::NAME);
    zip.start_file(&name, options())?;
    let mut file = Summed::new(std::io::BufWriter::new(&mut *zip));
    let mut rows = T::all(connection);
    if kind == "csv" {
        let mut csv = csv::Writer::from_writer(&mut file);
        while let Some(row) = runtime.block_on(rows.try_next())? {
            csv.serialize(row)?;
            progress.step();
        }
        csv.flush()?;
    } else {
        while let Some(row) = runtime.block_on(rows.try_next())? {
            serde_json::to_writer(&mut file, &row)?;
            file.write_all(b"\n")?;
            progress.step();
        }
    }
    file.flush()?;
    Ok(file.done(&name))
}

fn photos(
    runtime: &Handle,
    connection: &mut Connection,
    zip: &mut Zip<impl Write>,
    files: &mut Vec<File>,
    progress: &Progress,
) -> anyhow::Result<()> {
    let all = runtime.block_on(store::archive::photos(connection))?;
    zip.start_file(PHOTOS, options())?;
    let mut file = Summed::new(&mut *zip);
    for photo in &all {
        serde_json::to_writer(&mut file, photo)?;
        file.write_all(b"\n")?;
    }
    files.push(file.done(PHOTOS));
    for photo in &all {
        let name = format!("photos/{}.jpg", photo.id);
        let jpeg = runtime.block_on(store::archive::picture(connection, photo.id))?;
        // They are as small as they get already.
        zip.start_file(&name, options().compression_method(zip::CompressionMethod::Stored))?;
        let mut file = Summed::new(&mut *zip);
        file.write_all(&jpeg)?;
        progress.step();
        files.push(file.done(&name));
    }
    Ok(())
}
