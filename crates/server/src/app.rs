//! The application: the API, the interface's files, and what goes round them.

use std::net::{Ipv4Addr, SocketAddr, TcpListener};
use std::path::{Path, PathBuf};
use std::sync::Arc;

use actix_extensible_rate_limit::backend::memory::InMemoryBackend;
use actix_files::{Files, NamedFile};
use actix_web::body::MessageBody;
use actix_web::dev::{ServiceFactory, ServiceRequest, ServiceResponse};
use actix_web::http::StatusCode;
use actix_web::http::header::{
    CACHE_CONTROL, CONTENT_SECURITY_POLICY, REFERRER_POLICY, X_CONTENT_TYPE_OPTIONS,
    X_FRAME_OPTIONS,
};
use actix_web::middleware::{Compress, DefaultHeaders, Next, from_fn};
use actix_web::{App, HttpRequest, HttpServer, get, web};
use serde_json::Value;
use tracing::Instrument;
use utoipa_actix_web::AppExt;

use crate::body::LARGEST_BODY;
use crate::document::document;
use crate::findings::catch_up_behind;
use crate::gate::let_in;
use crate::limits::limiter;
use crate::problem::Problem;
use crate::rights::is_of;
use crate::routes;
use crate::sharing::{Share, Sharing, look_after};
use crate::state::State;

/// Scripts, fonts and styles ship with the application; nothing else is loaded.
/// Styles are put in by the interface's own style engine, hence the one
/// exception.
const POLICY: &str = "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; \
                      img-src 'self' data: blob:; connect-src 'self'; font-src 'self'; \
                      object-src 'none'; base-uri 'none'; form-action 'self'; \
                      frame-ancestors 'none'";

#[get("/api/v1/openapi.json")]
async fn described(document: web::Data<Value>) -> web::Json<Value> {
    web::Json(document.get_ref().clone())
}

/// Whether a server that watches over itself answers.
#[get("/api/v1/health")]
async fn health() -> web::Json<Value> {
    web::Json(serde_json::json!({ "ok": true }))
}

/// An address that is none, or one that takes other methods.
async fn no_such_route(
    request: HttpRequest,
    document: web::Data<Value>,
) -> Result<&'static str, Problem> {
    let is_known = document["paths"]
        .as_object()
        .is_some_and(|all| all.keys().any(|known| is_of(known, request.path())));
    Err(if is_known {
        Problem::no_such_method()
    } else {
        Problem::not_found("There is no such address here.")
    })
}

/// A path or query that cannot be read: an id that is none.
fn bad_path(error: actix_web::error::PathError, _: &actix_web::HttpRequest) -> actix_web::Error {
    Problem::bad_address(error.to_string()).into()
}

/// A question behind the `?` that cannot be read.
fn bad_query(
    error: actix_web::error::QueryPayloadError,
    _: &actix_web::HttpRequest,
) -> actix_web::Error {
    Problem::bad_address(error.to_string()).into()
}

/// Every request runs in a span of its own, so that what is logged on the way
/// says which it was.
async fn in_a_span(
    request: ServiceRequest,
    next: Next<impl MessageBody>,
) -> Result<ServiceResponse<impl MessageBody>, actix_web::Error> {
    let span = tracing::info_span!("request", method = %request.method(), path = request.path());
    next.call(request).instrument(span).await
}

/// Lets in what comes from here, and has nobody wait for a database that is known to be away.
async fn at_the_gate(
    state: web::Data<State>,
    request: ServiceRequest,
    next: Next<impl MessageBody>,
) -> Result<ServiceResponse<impl MessageBody>, actix_web::Error> {
    let kept = request.path().starts_with("/api/v1/") && needs_database(request.path());
    let let_in = let_in(&state, &request).await;
    if kept && state.live.is_away() && let_in.as_ref().err().is_none_or(Problem::is_passing) {
        return Err(Problem::away().into());
    }
    let_in?;
    next.call(request).await
}

/// Writes down who was not let in, and who tried what is not theirs.
async fn noted(
    state: web::Data<State>,
    request: ServiceRequest,
    next: Next<impl MessageBody>,
) -> Result<ServiceResponse<impl MessageBody>, actix_web::Error> {
    let from = request.peer_addr().map(|peer| peer.ip());
    let answer = next.call(request).await;
    let error = match &answer {
        Ok(response) => response.response().error(),
        Err(error) => Some(error),
    };
    let problem = error.and_then(|error| error.as_error::<Problem>()).cloned();
    // The limiter hands its refusal on as a mere answer.
    let too_often = || {
        let status = answer.as_ref().ok()?.status();
        (status == StatusCode::TOO_MANY_REQUESTS).then(Problem::too_often)
    };
    let problem = problem.or_else(too_often);
    if let (Some(from), Some(why)) = (from, problem.as_ref().and_then(Problem::of_the_door)) {
        state.door.refused(&state.pool, &state.wall, from, why);
    }
    answer
}

/// Arithmetic and the API's own description do without; what watches says by itself who is away.
fn needs_database(path: &str) -> bool {
    !["health", "openapi.json", "calc/", "version"]
        .iter()
        .any(|free| path["/api/v1/".len()..].starts_with(free))
        && !path.ends_with("/stream")
}

/// The application over a state, with the interface's files where they are.
pub fn app(
    state: State,
    document: web::Data<Value>,
    interface: Option<PathBuf>,
    counted: InMemoryBackend,
) -> App<
    impl ServiceFactory<
        ServiceRequest,
        Config = (),
        Response = ServiceResponse<impl MessageBody>,
        Error = actix_web::Error,
        InitError = (),
    >,
> {
    let (app, _) = App::new()
        .app_data(web::Data::new(state))
        .app_data(document)
        .app_data(web::PayloadConfig::new(LARGEST_BODY))
        .app_data(web::PathConfig::default().error_handler(bad_path))
        .app_data(web::QueryConfig::default().error_handler(bad_query))
        // Before the API, whose scope would take these addresses too.
        .service(described)
        .service(health)
        .into_utoipa_app()
        .configure(routes::api)
        .split_for_parts();
    app.service(web::scope("/api").default_service(web::to(no_such_route)))
        .configure(|config| match interface {
            Some(folder) => serve_interface(config, &folder),
            None => {
                config.default_service(web::to(no_such_route));
            }
        })
        .wrap(from_fn(at_the_gate))
        .wrap(limiter(counted))
        .wrap(from_fn(noted))
        .wrap(from_fn(in_a_span))
        .wrap(
            DefaultHeaders::new()
                .add((CONTENT_SECURITY_POLICY, POLICY))
                .add((X_CONTENT_TYPE_OPTIONS, "nosniff"))
                .add((X_FRAME_OPTIONS, "DENY"))
                .add((REFERRER_POLICY, "no-referrer"))
                .add((CACHE_CONTROL, "no-cache")),
        )
}

/// The interface's files. Any other address is the interface's own to show.
fn serve_interface(config: &mut web::ServiceConfig, folder: &Path) {
    let page = folder.join("index.html");
    config.service(
        // What is built carries its content's hash in its name.
        web::scope("/assets")
            .wrap(DefaultHeaders::new().add((CACHE_CONTROL, "public, max-age=31536000, immutable")))
            .wrap(Compress::default())
            .service(Files::new("", folder.join("assets"))),
    );
    config.service(Files::new("/", folder).index_file("index.html").default_handler(
        actix_web::dev::fn_service(move |request: ServiceRequest| {
            let page = page.clone();
            async move {
                let (request, _) = request.into_parts();
                let file = NamedFile::open(page)?;
                let response = file.into_response(&request);
                Ok(ServiceResponse::new(request, response))
            }
        }),
    ));
}

/// How to serve.
#[derive(Debug, Default)]
pub struct Serving {
    /// The port of loopback; 0 takes a free one.
    pub port: u16,
    /// The home network beside it, where it is to be served.
    pub share: Option<Share>,
    /// The interface's files.
    pub interface: Option<PathBuf>,
    /// Where thermometers' own programs write their logs; without, none is watched.
    pub logs: Option<PathBuf>,
}

/// A running server.
pub struct Running {
    /// Where it listens.
    pub address: SocketAddr,
    /// Where it listens for the home network.
    pub shared: Option<SocketAddr>,
    /// Ends when the server does.
    pub server: actix_web::dev::Server,
}

/// Why it does not serve.
#[derive(Debug, thiserror::Error)]
pub enum NotServed {
    /// The port is taken, or may not be listened on.
    #[error("port {port} cannot be listened on")]
    Port {
        /// Which.
        port: u16,
        /// Why not.
        source: std::io::Error,
    },
    /// The home network cannot be served.
    #[error("the home network cannot be served")]
    Share(#[from] trust::TrustError),
    /// The TLS library does not offer what is needed.
    #[error("the home network cannot be served")]
    Tls(#[from] rustls::Error),
    /// Something of the machine failed.
    #[error(transparent)]
    Io(#[from] std::io::Error),
    /// What is known of who is let in could not be read.
    #[error(transparent)]
    Store(#[from] store::StoreError),
}

fn listen(on: Ipv4Addr, port: u16) -> Result<(TcpListener, SocketAddr), NotServed> {
    let listener =
        TcpListener::bind((on, port)).map_err(|source| NotServed::Port { port, source })?;
    let address = listener.local_addr()?;
    Ok((listener, address))
}

/// Starts serving on loopback, and the home network beside it where that is asked for.
///
/// # Errors
/// Where a port is taken, or there is no certificate to serve the home network with.
pub async fn serve(state: State, serving: Serving) -> Result<Running, NotServed> {
    let Serving { port, share, interface, logs } = serving;
    // Whatever speaks TLS in this process does so by the same arithmetic; where that was settled
    // before, it stays.
    let _ = rustls::crypto::ring::default_provider().install_default();
    state.door.changed(&state.pool).await?;
    let (listener, address) = listen(Ipv4Addr::LOCALHOST, port)?;
    let document = web::Data::new(document());
    let counted = InMemoryBackend::builder().build();
    let for_app = state.clone();
    let server = HttpServer::new(move || {
        app(for_app.clone(), document.clone(), interface.clone(), counted.clone())
    })
    .listen(listener)?;
    let (server, shared) = match share {
        None => (server, None),
        Some(share) => {
            let (listener, at) = listen(share.on, share.port)?;
            let sharing = Arc::new(Sharing::open(share, at.port(), state.wall.now().0)?);
            state.door.share(sharing.clone());
            let tls = sharing.tls()?;
            actix_web::rt::spawn(look_after(sharing, state.wall.clone()));
            (server.listen_rustls_0_23(listener, tls)?, Some(at))
        }
    };
    let server = server.disable_signals().shutdown_timeout(2).run();
    state.thermometers.post_to(format!("http://{address}"));
    // It ends with the process; where the database is of a later release, `main` hears of it.
    state.follow();
    catch_up_behind(&state);
    let thermometers = (&*state.thermometers, state.door.own());
    if let Err(error) = crate::thermometer::resume(&state, &state.live, thermometers).await {
        tracing::error!(%error, "the simulated thermometers could not be taken up again");
    }
    if let Some(folder) = logs {
        std::fs::create_dir_all(&folder)?;
        state.logs.lie_in(folder);
        if let Err(error) = crate::watched_logs::resume(&state, &state.live, &state.logs).await {
            tracing::error!(%error, "the logs that were watched could not be taken up again");
        }
    }
    Ok(Running { address, shared, server })
}
