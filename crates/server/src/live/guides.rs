//! The guides that are watched: one telling each, however many screens listen.

use std::collections::HashMap;
use std::sync::{Arc, Mutex};

use tokio::sync::{Notify, watch};
use uuid::Uuid;

use super::Told;

/// A guide that is watched.
#[derive(Debug)]
struct Watched {
    told: watch::Receiver<Told>,
    happened: Arc<Notify>,
}

/// The guides that are watched, by batch.
#[derive(Debug, Default)]
pub struct Guides(Mutex<HashMap<Uuid, Watched>>);

impl Guides {
    /// What is told of a batch's guide, where that goes on.
    #[must_use]
    pub fn going(&self, batch_id: Uuid) -> Option<watch::Receiver<Told>> {
        let mut watched = self.0.lock().ok()?;
        watched.retain(|_, one| one.told.has_changed().is_ok());
        watched.get(&batch_id).map(|one| one.told.clone())
    }

    /// Begins to tell; what is given back is said when something happens to the batch.
    ///
    /// # Errors
    /// With what is told already, where another began in the same moment.
    pub fn begin(
        &self,
        batch_id: Uuid,
        told: watch::Receiver<Told>,
    ) -> Result<Arc<Notify>, watch::Receiver<Told>> {
        let happened = Arc::new(Notify::new());
        if let Ok(mut watched) = self.0.lock() {
            let going = watched.get(&batch_id).filter(|one| one.told.has_changed().is_ok());
            if let Some(going) = going {
                return Err(going.told.clone());
            }
            watched.insert(batch_id, Watched { told, happened: happened.clone() });
        }
        Ok(happened)
    }

    /// Something happened to a batch.
    pub fn touch(&self, batch_id: Uuid) {
        if let Some(one) = self.0.lock().ok().as_ref().and_then(|watched| watched.get(&batch_id)) {
            one.happened.notify_one();
        }
    }
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn of_two_that_begin_at_once_one_tells_and_both_listen_to_it() {
        let told = |whole: &str| Told { whole: whole.into(), changes: 0, beat: "".into() };
        let (guides, batch) = (Guides::default(), Uuid::from_u128(1));
        let (first, hears) = watch::channel(told("first"));
        let (_second, late) = watch::channel(told("second"));
        assert!(guides.begin(batch, hears).is_ok());
        let going = guides.begin(batch, late.clone()).expect_err("one tells already");
        assert_eq!(&*going.borrow().whole, "first");
        // Once it has ended, the next one begins.
        drop((first, going));
        assert!(guides.begin(batch, late).is_ok());
    }
}
