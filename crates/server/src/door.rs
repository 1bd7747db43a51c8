//! Who is let in, in memory: the home network as it is served, the passphrase of this machine's own
//! screen, who was just sent away, who was not let in.

use std::collections::HashMap;
use std::net::IpAddr;
use std::sync::{Arc, Mutex, OnceLock, RwLock};
use std::time::Duration;

use craft::time::WallTime;
use store::{Pool, StoreError};
use tokio::sync::broadcast;
use tokio::time::Instant;
use trust::Token;
use uuid::Uuid;

use crate::clock::WallClock;
use crate::sharing::Sharing;

/// Who was not let in is written down this often, however often it was tried.
const WRITE_EVERY: Duration = Duration::from_secs(1);
/// So many addresses at most are told apart meanwhile.
const MOST_ADDRESSES: usize = 100;
/// A device has so long to sign what it was asked to sign.
const ASKED_FOR: Duration = Duration::from_secs(60);

/// Who is let in, in memory.
#[derive(Debug)]
pub struct Door {
    sharing: OnceLock<Arc<Sharing>>,
    /// The hash of the passphrase, where one is set.
    passphrase: RwLock<Option<String>>,
    /// What this server's own programs show: the simulated thermometers.
    own: Option<Token>,
    /// Told to each stream whose device may have been sent away.
    changed: broadcast::Sender<()>,
    refused: Mutex<HashMap<(IpAddr, String), u32>>,
    /// What devices at another address than before were asked to sign.
    asked: Mutex<HashMap<Uuid, (String, Instant)>>,
}

impl Default for Door {
    fn default() -> Self {
        Self {
            sharing: OnceLock::new(),
            passphrase: RwLock::default(),
            own: Token::random().ok(),
            changed: broadcast::channel(1).0,
            refused: Mutex::default(),
            asked: Mutex::default(),
        }
    }
}

impl Door {
    /// The home network, where it is served.
    #[must_use]
    pub fn sharing(&self) -> Option<&Arc<Sharing>> {
        self.sharing.get()
    }

    /// Says how the home network is served.
    pub fn share(&self, sharing: Arc<Sharing>) {
        // Said once, at start-up.
        let _ = self.sharing.set(sharing);
    }

    /// Reads what others may have set, and has every stream look whether it may go on.
    ///
    /// # Errors
    /// Where the database fails.
    pub async fn changed(&self, pool: &Pool) -> Result<(), StoreError> {
        let kept = store::house::get(pool, store::house::PASSPHRASE).await?;
        if let Ok(mut passphrase) = self.passphrase.write() {
            *passphrase = kept;
        }
        // Nobody listening is no failure.
        let _ = self.changed.send(());
        Ok(())
    }

    /// The hash of the passphrase that this machine's own screen asks for, where there is one.
    #[must_use]
    pub fn passphrase(&self) -> Option<String> {
        self.passphrase.read().ok().and_then(|passphrase| passphrase.clone())
    }

    /// What this server's own programs show.
    #[must_use]
    pub fn own(&self) -> Option<String> {
        self.own.as_ref().map(Token::text)
    }

    /// Whether it was one of this server's own programs that showed it.
    #[must_use]
    pub fn is_own(&self, shown: &Token) -> bool {
        self.own.as_ref().is_some_and(|own| own.digest() == shown.digest())
    }

    /// Waits until a device is no longer let in.
    pub async fn sent_away(&self, pool: Pool, device: Option<Uuid>) {
        let Some(device) = device else { return std::future::pending().await };
        let mut changes = self.changed.subscribe();
        loop {
            // That it fell behind is a change too.
            if matches!(changes.recv().await, Err(broadcast::error::RecvError::Closed)) {
                return;
            }
            if let Err(StoreError::NotFound(_)) = store::devices::get(&pool, device).await {
                return;
            }
        }
    }

    /// What a device at another address is to sign.
    #[must_use]
    pub fn ask(&self, device: Uuid) -> Option<String> {
        let text = Token::random().ok()?.text();
        let mut asked = self.asked.lock().ok()?;
        asked.retain(|_, (_, at)| at.elapsed() < ASKED_FOR);
        asked.insert(device, (text.clone(), Instant::now()));
        Some(text)
    }

    /// What a device was asked to sign a moment ago. It is asked once.
    #[must_use]
    pub fn asked(&self, device: Uuid) -> Option<String> {
        let (text, at) = self.asked.lock().ok()?.remove(&device)?;
        (at.elapsed() < ASKED_FOR).then_some(text)
    }

    /// Notes that somebody was not let in. However often it is tried, it is written down once a
    /// second.
    pub fn refused(self: &Arc<Self>, pool: &Pool, wall: &WallClock, from: IpAddr, why: &str) {
        let Ok(mut refused) = self.refused.lock() else { return };
        let is_first = refused.is_empty();
        let key = (from, why.to_owned());
        if refused.len() < MOST_ADDRESSES || refused.contains_key(&key) {
            *refused.entry(key).or_default() += 1;
        }
        if is_first {
            let (door, pool, now) = (self.clone(), pool.clone(), wall.now());
            tokio::spawn(async move {
                tokio::time::sleep(WRITE_EVERY).await;
                let all = door.refused.lock().map(|mut all| std::mem::take(&mut *all));
                if let Err(error) = write(&pool, now, all.unwrap_or_default()).await {
                    tracing::error!(%error, "who was not let in could not be written down");
                }
            });
        }
    }
}

async fn write(
    pool: &Pool,
    now: WallTime,
    all: HashMap<(IpAddr, String), u32>,
) -> Result<(), StoreError> {
    for ((from, why), times) in all {
        let mut connection = pool.acquire().await?;
        store::devices::refused(&mut connection, now, (&from.to_string(), &why), times).await?;
    }
    Ok(())
}
