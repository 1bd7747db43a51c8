//! Every bowl at the bench, the one that needs hands first on top.

use std::collections::HashMap;
use std::time::Duration;

use actix_web::{get, web};
use actix_web_lab::sse::{Data, Event, Sse};
use craft::bowl::Record;
use store::bowls::BowlRow;
use tokio::sync::broadcast::Receiver;
use tokio::sync::broadcast::error::TryRecvError;
use tokio::sync::mpsc;
use uuid::Uuid;

use super::batches::open_bowls;
use crate::answer::bench::{BenchAnswer, Seat};
use crate::hub::Happening;
use crate::problem::{Answer, Problem};
use crate::state::{State, subject};

/// How often it is told anew: what is heard here is read from across the room.
const TICK: Duration = Duration::from_millis(500);
/// Bowls that were opened or closed elsewhere are noticed this often, in ticks.
const LOOK_ROUND: u32 = 4;

/// The bowls that are open, in the order in which they need hands.
#[utoipa::path(tag = "bench", operation_id = "read_bench", responses((status = 200, body = BenchAnswer)))]
#[get("/bench")]
pub async fn read(state: web::Data<State>) -> Answer<web::Json<BenchAnswer>> {
    let mut bench = Bench::new(state.get_ref().clone());
    bench.look_round().await?;
    Ok(web::Json(bench.answer().await?))
}

/// The same, live: an event `bench` twice a second.
#[utoipa::path(tag = "bench", operation_id = "watch_bench", responses(
    (status = 200, description = "Events `bench`, each a BenchAnswer", content_type = "text/event-stream", body = BenchAnswer)))]
#[get("/bench/stream")]
pub async fn watch(state: web::Data<State>) -> Answer<impl actix_web::Responder> {
    let mut bench = Bench::new(state.get_ref().clone());
    bench.look_round().await?;
    let (sender, receiver) = mpsc::channel(4);
    actix_web::rt::spawn(bench.run(sender));
    Ok(Sse::from_infallible_receiver(receiver).with_keep_alive(Duration::from_secs(10)))
}

struct Place {
    seat: Seat,
    /// Read anew only when its clock was set.
    bowl: BowlRow,
    record: Record,
    happenings: Receiver<Happening>,
}

struct Bench {
    state: State,
    places: HashMap<Uuid, Place>,
}

impl Bench {
    fn new(state: State) -> Self {
        Self { state, places: HashMap::new() }
    }

    /// Takes up bowls that are open, and lets go of those that no longer are.
    async fn look_round(&mut self) -> Result<(), Problem> {
        let open = open_bowls(&self.state).await?;
        self.places.retain(|id, _| open.iter().any(|line| line.bowl_id == *id));
        for line in open {
            if let Some(place) = self.places.get_mut(&line.bowl_id) {
                place.seat.batch_name = line.batch_name;
                continue;
            }
            // Watching starts before reading, so that nothing falls in between.
            let happenings = self.state.hub.watch(line.bowl_id);
            let bowl = store::bowls::get(&self.state.pool, line.bowl_id).await?;
            let record = self.state.record(&bowl).await?;
            let seat = Seat {
                batch_id: line.batch_id,
                batch_name: line.batch_name,
                subject: subject(&bowl)?,
            };
            self.places.insert(line.bowl_id, Place { seat, bowl, record, happenings });
        }
        Ok(())
    }

    async fn answer(&mut self) -> Result<BenchAnswer, Problem> {
        for place in self.places.values_mut() {
            place.catch_up(&self.state).await?;
        }
        let seats = self
            .places
            .values()
            .map(|place| (&place.seat, &place.record, self.state.clock_answer(&place.bowl)));
        Ok(BenchAnswer::of(seats, self.state.wall.now()))
    }

    async fn run(mut self, sender: mpsc::Sender<Event>) {
        let mut ticks = tokio::time::interval(TICK);
        let mut count = 0u32;
        loop {
            ticks.tick().await;
            if count.is_multiple_of(LOOK_ROUND) && self.look_round().await.is_err() {
                return;
            }
            count = count.wrapping_add(1);
            let Ok(answer) = self.answer().await else { return };
            let Ok(data) = Data::new_json(answer) else { return };
            if sender.send(Event::Data(data.event("bench"))).await.is_err() {
                return;
            }
        }
    }
}

impl Place {
    async fn catch_up(&mut self, state: &State) -> Result<(), Problem> {
        let id = self.bowl.id;
        loop {
            match self.happenings.try_recv() {
                Ok(Happening::Reading(reading)) => self.record.add_reading(reading),
                Ok(Happening::Action(action)) => self.record.add_action(action),
                Ok(Happening::Clock) => self.bowl = store::bowls::get(&state.pool, id).await?,
                Err(TryRecvError::Lagged(_)) => {
                    self.bowl = store::bowls::get(&state.pool, id).await?;
                    self.record = state.record(&self.bowl).await?;
                }
                Err(TryRecvError::Empty | TryRecvError::Closed) => return Ok(()),
            }
        }
    }
}
