//! What a line of steps is done with, of which a kitchen has only so much.

use serde::{Deserialize, Serialize};
use uuid::Uuid;

/// A thing of the kitchen. One that was picked on the shelf is the same for all that picked it.
#[derive(Clone, Copy, Debug, PartialEq, Eq, Serialize, Deserialize)]
#[serde(tag = "thing", rename_all = "snake_case")]
#[cfg_attr(feature = "schema", derive(utoipa::ToSchema))]
pub enum Gear {
    /// The mould on the shelf that it is cast in.
    Mould {
        /// Which.
        id: Uuid,
    },
    /// The tray on the shelf that it is spread in.
    Tray {
        /// Which.
        id: Uuid,
    },
    /// The bowl on the shelf that it is tempered in.
    Ware {
        /// Which.
        id: Uuid,
    },
    /// The microwave or water bath on the shelf that it is melted by.
    Heat {
        /// Which.
        id: Uuid,
    },
    /// The slab of stone, cool: it is worked on it.
    Stone {},
    /// The slab of stone, from the freezer: it is set on it.
    FrozenStone {},
}
