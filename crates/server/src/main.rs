//! The start command's program: database, demo data, server.

use std::io::{ErrorKind, Write};
use std::net::Ipv4Addr;
use std::path::PathBuf;
use std::process::ExitCode;

use anyhow::{Context, bail};
use chrono::Utc;
use clap::{Parser, Subcommand};
use qrcode::QrCode;
use qrcode::render::unicode::Dense1x2;
use server::app::{NotServed, Running, Serving, serve};
use server::clock::WallClock;
use server::demo;
use server::document::document;
use server::sharing::{Share, Sharing};
use server::state::State;
use stack::DataDir;
use stack::database::{Database, Durability};
use store::Due;
use tracing::level_filters::LevelFilter;
use tracing_subscriber::filter::Targets;
use tracing_subscriber::layer::SubscriberExt as _;
use tracing_subscriber::util::SubscriberInitExt as _;

/// Wide Sheen: tempering chocolate at home.
#[derive(Debug, Parser)]
#[command(version)]
struct Arguments {
    #[command(subcommand)]
    command: Command,
}

#[derive(Debug, Subcommand)]
enum Command {
    /// Starts the database and the server.
    Serve(Serve),
    /// Prints the API's description.
    Openapi,
}

#[derive(Debug, clap::Args)]
struct Serve {
    /// The port on 127.0.0.1 to serve on.
    #[arg(long, default_value_t = 8080)]
    port: u16,
    /// Serves the home network too, over TLS, to devices that were let in.
    #[arg(long)]
    share: bool,
    /// The port that the home network is served on.
    #[arg(long, default_value_t = 8443, value_name = "N")]
    share_port: u16,
    /// The one address of this machine to serve the home network on, where it has several.
    #[arg(long, default_value = "0.0.0.0", value_name = "ADDRESS", hide_default_value = true)]
    share_on: Ipv4Addr,
    /// Asks for no passphrase at this machine's own screen any more.
    #[arg(long)]
    forget_passphrase: bool,
    /// Where the data is kept.
    #[arg(long, value_name = "DIR")]
    data: PathBuf,
    /// The folder in which thermometers' own programs write their logs; `logs` in the data's,
    /// if left out.
    #[arg(long, value_name = "DIR")]
    logs: Option<PathBuf>,
    /// The built interface.
    #[arg(long, value_name = "DIR")]
    web: PathBuf,
    /// Throws away all data and loads the demo anew.
    #[arg(long, conflicts_with = "empty")]
    fresh: bool,
    /// Starts without the demo.
    #[arg(long)]
    empty: bool,
    /// Brings in everything of an archive that was saved before.
    #[arg(long, value_name = "FILE")]
    restore: Option<PathBuf>,
    /// A MariaDB of your own instead of the private one.
    #[arg(long, env = "WIDE_SHEEN_DATABASE_URL", hide_env_values = true, value_name = "URL")]
    database_url: Option<String>,
}

#[actix_web::main]
async fn main() -> ExitCode {
    // Targets and levels are all that is asked for; filters by spans and fields would bring an
    // engine for regular expressions.
    let asked = std::env::var("RUST_LOG").ok().and_then(|asked| asked.parse::<Targets>().ok());
    let usual = || {
        Targets::new()
            .with_default(LevelFilter::WARN)
            .with_target("sqlx::query", LevelFilter::ERROR)
    };
    tracing_subscriber::registry()
        .with(tracing_subscriber::fmt::layer().with_writer(std::io::stderr))
        .with(asked.unwrap_or_else(usual))
        .init();
    let done = match Arguments::parse().command {
        Command::Serve(arguments) => run(arguments).await,
        Command::Openapi => print_document(),
    };
    match done {
        Ok(()) => ExitCode::SUCCESS,
        Err(error) => {
            // One line: the causes one after another.
            eprintln!("Wide Sheen: {}", format!("{error:#}").replace('\n', " "));
            ExitCode::FAILURE
        }
    }
}

fn print_document() -> anyhow::Result<()> {
    println!("{}", serde_json::to_string_pretty(&document())?);
    Ok(())
}

async fn run(arguments: Serve) -> anyhow::Result<()> {
    if !arguments.web.join("index.html").is_file() {
        bail!("{} has no built interface; ./start builds it", arguments.web.display());
    }
    // Held until the end, so that the database stops after the server.
    let mut database = match &arguments.database_url {
        Some(_) => None,
        None => Some(Database::start(DataDir::open(&arguments.data)?, Durability::Full)?),
    };
    if let Some(database) = &mut database {
        database.keep_up(say);
    }
    let url = match (&arguments.database_url, &database) {
        (Some(url), _) => url.clone(),
        (None, Some(database)) => database.url(),
        (None, None) => bail!("there is no database"),
    };
    let of_what = || match &arguments.database_url {
        Some(_) => "the database at WIDE_SHEEN_DATABASE_URL cannot be used".to_owned(),
        None => format!("the database in {} cannot be used", arguments.data.display()),
    };
    let pool = store::open(&url).await.with_context(of_what)?;
    if store::due(&pool).await.with_context(of_what)? == Due::Upgrade {
        let copies = arguments.data.join("copies");
        let copy = stack::database::dump(&url, &copies, "before-upgrade")
            .context("a copy of the database could not be made before it is brought up to date")?;
        say(&format!("The database is of an earlier release. A copy of it: {}", copy.display()));
    }
    store::migrate(&pool).await.with_context(of_what)?;

    let wall = WallClock::new(Utc::now);
    if arguments.fresh {
        store::clear(&pool).await?;
    }
    let state = State::new(pool.clone(), wall.clone());
    server::upgrade::bring_up_to_date(&state)
        .await
        .context("the database cannot be brought up to date")?;
    let loaded = store::house::get(&pool, store::house::DEMO).await?.is_some();
    if let Some(file) = &arguments.restore {
        restore(&state, file).await?;
    } else if !arguments.empty && !loaded {
        demo::load(&pool, wall.now()).await.context("the demo data could not be loaded")?;
        state.shelf.changed().await;
    }

    if arguments.forget_passphrase {
        store::house::forget(&pool, store::house::PASSPHRASE).await?;
    }
    let share = || Share {
        folder: arguments.data.join("trust"),
        on: arguments.share_on,
        port: arguments.share_port,
    };
    let serving = Serving {
        port: arguments.port,
        share: arguments.share.then(share),
        interface: Some(arguments.web),
        logs: Some(arguments.logs.unwrap_or_else(|| arguments.data.join("logs"))),
    };
    let Running { address, shared, server } =
        serve(state.clone(), serving).await.map_err(|error| match error {
            NotServed::Port { port, source } if source.kind() == ErrorKind::AddrInUse => {
                let with = if port == arguments.port { "--port" } else { "--share-port" };
                anyhow::anyhow!("port {port} is taken; choose another with {with}")
            }
            error => error.into(),
        })?;
    if let Some(database) = &database {
        database.dir().serves_at(&format!("http://{address}"))?;
    }
    say(&format!("Wide Sheen is at http://{address}  (Ctrl-C stops it)"));
    if let (Some(_), Some(sharing)) = (shared, state.door.sharing()) {
        say(&told(sharing));
    }

    let copies = arguments.data.join("copies");
    actix_web::rt::spawn(server::archive::keep_daily(state.clone(), copies, say));
    let handle = server.handle();
    let serving = tokio::spawn(server);
    tokio::select! {
        stopped = stop_asked() => {
            stopped?;
            say("Stopping…");
        }
        () = state.is_outdated() => {
            say("The database is of a later release now: another server has taken over. Stopping…");
        }
    }
    state.thermometers.stop_all();
    state.logs.stop_all();
    handle.stop(true).await;
    serving.await??;
    pool.close().await;
    drop(database);
    Ok(())
}

/// Where the home network finds it: to be read, and to be looked at with a phone's camera.
fn told(sharing: &Sharing) -> String {
    let addresses = sharing.addresses();
    let first = addresses.first().map(String::as_str).unwrap_or_default();
    let code = QrCode::new(first).map(|code| code.render::<Dense1x2>().build());
    format!(
        "In the home network it is at {}\n\n{}\n\nA device trusts it once by a certificate with \
         this fingerprint:\n{}\nHow, and how it is let in: under Settings, or in docs/sharing.md.",
        addresses.join("  or  "),
        code.unwrap_or_default(),
        sharing.fingerprint()
    )
}

/// Everything of an archive, before anybody is served.
async fn restore(state: &State, file: &std::path::Path) -> anyhow::Result<()> {
    let open = std::fs::File::open(file)
        .with_context(|| format!("{} cannot be opened", file.display()))?;
    let for_it = state.clone();
    let done = tokio::task::spawn_blocking(move || {
        server::archive::bring_in(&for_it, std::io::BufReader::new(open))
    });
    done.await?.map_err(|problem| {
        let why = problem.fields.first().map_or(problem.detail.clone(), |f| f.message.to_string());
        anyhow::anyhow!("{} {why}; nothing of it was kept", file.display())
    })?;
    // What was brought in stands for the demo.
    store::house::set(&state.pool, store::house::DEMO, "restored").await?;
    say(&format!("Everything of {} is here.", file.display()));
    Ok(())
}

/// Tells whoever listens; that nobody does any more is no reason to stop.
fn say(words: &str) {
    let mut out = std::io::stdout().lock();
    let _ = writeln!(out, "{words}").and_then(|()| out.flush());
}

async fn stop_asked() -> std::io::Result<()> {
    use tokio::signal::unix::{SignalKind, signal};
    let mut interrupt = signal(SignalKind::interrupt())?;
    let mut terminate = signal(SignalKind::terminate())?;
    tokio::select! {
        _ = interrupt.recv() => {}
        _ = terminate.recv() => {}
    }
    Ok(())
}
