//! Everything out, everything in.

use std::io::{self, Seek, Write};

use actix_web::{HttpResponse, get, post, web};
use futures::{StreamExt, TryStreamExt};
use serde::{Deserialize, Serialize};
use tokio::sync::mpsc;
use utoipa::{IntoParams, ToSchema};
use uuid::Uuid;

use crate::body::PATIENCE;
use crate::problem::{Answer, Problem};
use crate::saving::Writing;
use crate::state::State;

/// The largest archive that is taken over HTTP.
const LARGEST: u64 = 8 << 30;

/// Writes into a channel, as a thread that may wait.
struct Sender(mpsc::Sender<io::Result<web::Bytes>>);

impl Write for Sender {
    fn write(&mut self, buffer: &[u8]) -> io::Result<usize> {
        let gone = |_| io::Error::from(io::ErrorKind::BrokenPipe);
        self.0.blocking_send(Ok(web::Bytes::copy_from_slice(buffer))).map_err(gone)?;
        Ok(buffer.len())
    }

    fn flush(&mut self) -> io::Result<()> {
        Ok(())
    }
}

/// What an archive is asked for with.
#[derive(Debug, Deserialize, IntoParams)]
#[serde(deny_unknown_fields)]
#[into_params(parameter_in = Query)]
pub struct SaveAsked {
    /// An id by which its progress can be asked for.
    id: Option<Uuid>,
}

/// Everything that is kept, as one file.
#[utoipa::path(tag = "archive", operation_id = "save_everything", params(SaveAsked), responses(
    (status = 200, description = "A ZIP", content_type = "application/zip", body = Vec<u8>)))]
#[get("/archive")]
pub async fn save(state: web::Data<State>, asked: web::Query<SaveAsked>) -> HttpResponse {
    let (send, hear) = mpsc::channel(8);
    let pool = state.pool.clone();
    let progress = asked.id.map(|id| state.archives.begin(id)).unwrap_or_default();
    tokio::task::spawn_blocking(move || {
        let out = io::BufWriter::with_capacity(1 << 16, Sender(send.clone()));
        if let Err(error) = crate::archive::write(&pool, out, &progress) {
            tracing::error!(%error, "an archive was not written to its end");
            // A file that ends early is seen to be torn, and is not taken for a whole one.
            let _ = send.blocking_send(Err(io::Error::other("not written to its end")));
        }
    });
    let day = state.wall.now().0.date_naive();
    let name = format!("attachment; filename=\"wide-sheen-{day}.zip\"");
    HttpResponse::Ok()
        .content_type("application/zip")
        .insert_header(("Content-Disposition", name))
        .streaming(tokio_stream_of(hear))
}

/// How far an archive is.
#[derive(Debug, Serialize, ToSchema)]
pub struct ArchiveProgressAnswer {
    /// Rows and photos that are written.
    done: u64,
    /// How many there are in all; 0 while they are counted.
    of: u64,
    /// Whether it goes on.
    state: Writing,
}

/// How far an archive is that was asked for with an id. The latest are remembered, by the
/// server that writes them.
#[utoipa::path(tag = "archive", operation_id = "archive_progress", params(("id" = Uuid, Path)), responses(
    (status = 200, body = ArchiveProgressAnswer), (status = 404, body = Problem)))]
#[get("/archive/{id}")]
pub async fn how_far(
    state: web::Data<State>,
    id: web::Path<Uuid>,
) -> Answer<web::Json<ArchiveProgressAnswer>> {
    let progress =
        state.archives.of(*id).ok_or_else(|| Problem::not_found("No such archive is written."))?;
    let (done, of, state) = progress.now();
    Ok(web::Json(ArchiveProgressAnswer { done, of, state }))
}

fn tokio_stream_of(
    hear: mpsc::Receiver<io::Result<web::Bytes>>,
) -> impl futures::Stream<Item = io::Result<web::Bytes>> {
    futures::stream::unfold(hear, async |mut hear| hear.recv().await.map(|part| (part, hear)))
}

/// Brings in everything of an archive that is not here yet: all of it or nothing.
#[utoipa::path(tag = "archive", operation_id = "bring_in_everything", request_body(content = Vec<u8>, content_type = "application/zip"), responses(
    (status = 204), (status = 413, body = Problem), (status = 422, body = Problem)))]
#[post("/archive")]
pub async fn bring_in(state: web::Data<State>, body: web::Payload) -> Answer<HttpResponse> {
    let mut file = tempfile::tempfile().map_err(|error| Problem::unwritten(&error))?;
    let mut body = body.map_err(|error| Problem::not_json(error.to_string())).boxed_local();
    let mut bytes = 0;
    loop {
        let part = tokio::time::timeout(PATIENCE, body.next());
        let Some(part) = part.await.map_err(|_| Problem::too_slow())?.transpose()? else { break };
        bytes += part.len() as u64;
        if bytes > LARGEST {
            return Err(Problem::too_large(usize::try_from(LARGEST).unwrap_or(usize::MAX)));
        }
        file.write_all(&part).map_err(|error| Problem::unwritten(&error))?;
    }
    file.rewind().map_err(|error| Problem::unwritten(&error))?;
    let state = state.get_ref().clone();
    let done = tokio::task::spawn_blocking(move || {
        crate::archive::bring_in(&state, io::BufReader::new(file))
    });
    done.await.map_err(|_| Problem::internal())??;
    Ok(HttpResponse::NoContent().finish())
}
