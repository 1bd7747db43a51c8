//! What the server itself refuses and remarks: its part of the catalogue, one file an area.
//! What the core says of the craft is worded in the core.

pub mod calc;
pub mod door;
pub mod files;
pub mod logs;
pub mod records;
pub mod shelf;

#[cfg(test)]
mod tests {
    use craft::message::flaws;

    use super::{calc, door, files, logs, records, shelf};

    #[test]
    fn wordings_are_whole_and_hold_no_quantity_of_their_own() {
        let all = [calc::ALL, door::ALL, files::ALL, logs::ALL, records::ALL, shelf::ALL].concat();
        assert_eq!(flaws(&all), Vec::<String>::new());
    }
}
