//! Two thermometers at one bowl: what the difference between edge and middle says.

use chrono::TimeDelta;

use super::context::CoachContext;
use crate::bowl::Heat;
use crate::catalogue::bench as say;
use crate::message::Message;
use crate::units::{degrees, in_degrees, rise};

/// From this difference on a bowl is to be stirred, °C: a working range is hardly wider (*custom*).
const UNEVEN_C: f64 = 1.5;
/// An edge that is so much colder than the middle is not in the chocolate, °C (*custom*).
const OUT_OF_IT_C: f64 = 12.0;
/// Two readings that lie further apart in time are not compared.
const TOGETHER: TimeDelta = TimeDelta::seconds(30);

impl CoachContext<'_> {
    /// What the edge says beside the instruction, which goes by the middle. Nothing where there
    /// is no second thermometer, or what it said is old.
    pub(crate) fn uneven(&self) -> Option<Message> {
        let (middle, edge) = (self.bowl.thermometer.latest?, self.bowl.thermometer.edge?);
        let fresh = self.now - middle.at <= TOGETHER && self.now - edge.at <= TOGETHER;
        // Nobody measures in an oven, or what has left the bowl.
        let in_oven = matches!(self.bowl.heating.heat, Heat::Burst { .. });
        // A bottle is shaken whole.
        let in_bottle = self.setup.course.softened_in.is_some();
        if !fresh || in_oven || in_bottle || self.bowl.ended() {
            return None;
        }
        let by = rise(middle.temp, edge.temp);
        let limit = self.setup.chocolate.windows.limit;
        if in_degrees(by) <= -OUT_OF_IT_C {
            Some(say::edge_out_of_it(edge.temp))
        } else if edge.temp >= limit && self.bowl.heating.heat != Heat::Off {
            Some(say::edge_over_limit(edge.temp, limit))
        } else if in_degrees(by) <= -UNEVEN_C {
            Some(say::edge_is_colder(degrees(-in_degrees(by)), edge.temp))
        } else if in_degrees(by) >= UNEVEN_C {
            Some(say::edge_is_hotter(by, edge.temp))
        } else {
            None
        }
    }
}
