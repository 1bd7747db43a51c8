//! What an open night asks of a schedule, for its bench and its tests.

use std::collections::BTreeMap;

use chrono::{NaiveTime, TimeZone, Utc};
use craft::schedule::{Asked, Hold, Hours, Task};

/// Six casts of eight components, each coloured, poured, filled and capped.
pub fn asked() -> Asked {
    let cast = |component: u32, cast: u32| {
        let key = move |task: &str| format!("{task} {component}.{cast}");
        let colour = Task::new(&key("colour"), 25.0);
        let pour = Task::new(&key("pour"), 35.0).after(&key("colour"), 360.0, Some(72.0 * 60.0));
        let fill = Task::new(&key("fill"), 25.0).after(&key("pour"), 480.0, Some(48.0 * 60.0));
        let cap = Task::new(&key("cap"), 30.0).after(&key("fill"), 240.0, Some(24.0 * 60.0));
        let peel = Task::new(&key("peel"), 10.0).after(&key("cap"), 40.0, None);
        [colour, pour, fill, cap, peel]
    };
    let casts = (0..8).flat_map(|component| (0..6).map(move |n| (component, n)));
    let holds = casts.clone().map(|(component, n)| {
        let (from, to) = (format!("colour {component}.{n}"), format!("peel {component}.{n}"));
        Hold::whole(format!("mould {component}"), from, to)
    });
    let hour = |h| NaiveTime::from_hms_opt(h, 0, 0).expect("an hour");
    Asked {
        tasks: casts.flat_map(|(component, n)| cast(component, n)).collect(),
        holds: holds.collect(),
        at_hand: Vec::new(),
        hands: 1,
        hours: Hours::daily(hour(8), hour(20), chrono_tz::UTC),
        busy: Vec::new(),
        begin: Utc.with_ymd_and_hms(2026, 10, 10, 8, 0, 0).single(),
        ready_by: None,
        pinned: BTreeMap::new(),
    }
}
