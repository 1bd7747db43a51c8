//! The shelf in memory: every plan that is dragged about asks for it, and it is
//! small and seldom changes.

use std::collections::HashMap;
use std::sync::Arc;

use craft::shelf::Shelf;
use store::shelf::ShelfRow;
use store::{Pool, StoreError};
use tokio::sync::RwLock;
use uuid::Uuid;

/// What stands on the shelf, and how much of it.
#[derive(Debug)]
pub struct OnShelf {
    /// As the rules see it.
    pub shelf: Shelf,
    /// As it is kept, put away or not.
    pub rows: Vec<ShelfRow>,
    /// What is left of everything of which that is known, in what it is counted in.
    pub left: HashMap<Uuid, f64>,
}

impl OnShelf {
    /// Whether a thing is still offered.
    #[must_use]
    pub fn in_use(&self, id: Uuid) -> bool {
        self.rows.iter().any(|row| row.id == id && !row.put_away)
    }
}

/// Read from the store when it is first asked for, and again once it changed.
#[derive(Debug, Default)]
pub struct ShelfCache(RwLock<Option<Arc<OnShelf>>>);

impl ShelfCache {
    /// What stands on the shelf now.
    ///
    /// # Errors
    /// Where the store fails.
    pub async fn read(&self, pool: &Pool) -> Result<Arc<OnShelf>, StoreError> {
        if let Some(known) = self.0.read().await.as_ref() {
            return Ok(known.clone());
        }
        let mut cache = self.0.write().await;
        let rows = store::shelf::list(pool).await?;
        let fresh = Arc::new(OnShelf {
            shelf: store::shelf::as_ruled(&rows, pool).await?,
            left: store::stock::all_left(pool).await?,
            rows,
        });
        *cache = Some(fresh.clone());
        Ok(fresh)
    }

    /// It is to be read again.
    pub async fn changed(&self) {
        *self.0.write().await = None;
    }
}
