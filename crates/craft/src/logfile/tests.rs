use chrono::{DateTime, TimeDelta, Utc};

use super::{Asked, DateOrder, Log, Scale, read};
use crate::units::in_celsius;

fn start() -> DateTime<Utc> {
    "2026-11-25T19:00:00Z".parse().expect("a time")
}

pub(super) fn asked() -> Asked {
    Asked {
        time_column: None,
        temp_column: None,
        unit: None,
        date_order: None,
        utc_offset_min: 0,
        shift_s: 0.0,
        start: start(),
    }
}

fn lines(log: &Log) -> Vec<(i64, f64)> {
    log.lines
        .iter()
        .map(|l| ((l.at - start()).num_seconds(), (in_celsius(l.temp) * 100.0).round() / 100.0))
        .collect()
}

fn good(text: &str) -> Vec<(i64, f64)> {
    lines(&read(text.as_bytes(), &asked()).expect("it is understood"))
}

fn refused(bytes: &[u8], asked: &Asked) -> (String, String) {
    let fault = read(bytes, asked).expect_err("it is refused").remove(0);
    (fault.field, fault.message.to_string())
}

#[test]
fn separators_decimal_signs_headings_and_marks_are_found() {
    let wanted = [(0, 45.5), (10, 44.25)];
    for text in [
        "time,temperature\n0,45.5\n10,44.25\n",
        "\u{feff}Elapsed (s);Temp °C\n0;45,5\n10;44,25\n",
        "Seconds\tProbe\n0\t45.5\n10\t44.25\n",
        "0,45.5\n10,44.25\n",
        "My device 4\nSerial 1234\ntime,temp\n0,45.5\n10,44.25\n\n",
        "time,temp_f\n0,113.9\n10,111.65\n",
        "elapsed,temp\n0:00,45.5\n0:10,44.25\n",
        "elapsed min,temp\n0,45.5\n0.16667,44.25\n",
        "when it was: date,temperature\n2026-11-25T19:00:00Z,45.5\n2026-11-25T20:00:10+01:00,44.25\n",
        "date,temp\n25.11.2026 19:00:00,45.5\n25.11.2026 19:00:10,44.25\n",
        "date,temp\n11/25/2026 19:00:00,45.5\n11/25/2026 19:00:10,44.25\n",
        "time,temp\n1795633200,45.5\n1795633210,44.25\n",
        "clock,temp\n19:00:00,45.5\n19:00:10,44.25\n",
    ] {
        assert_eq!(good(text), wanted, "{text}");
    }
    let mut wide = vec![0xFF, 0xFE];
    wide.extend("time;temp\n0;45,5\n10;44,25\n".encode_utf16().flat_map(u16::to_le_bytes));
    assert_eq!(lines(&read(&wide, &asked()).expect("UTF-16")), wanted);
    assert_eq!(good("time;temp \u{b0}C\n0;45,5\n10;44,25\n"), wanted);
    let latin = b"time;temp \xB0C\n0;45,5\n10;44,25\n";
    assert_eq!(lines(&read(latin, &asked()).expect("one-byte letters")), wanted);
}

#[test]
fn clocks_that_are_off_are_put_right_and_midnight_is_passed() {
    let at_home = Asked { utc_offset_min: 60, shift_s: -30.0, ..asked() };
    let log = read(b"clock,temp\n20:00:30,45.5\n", &at_home).expect("understood");
    assert_eq!(lines(&log), [(0, 45.5)]);
    let late = Asked { start: "2026-11-25T23:59:00Z".parse().expect("a time"), ..asked() };
    let log = read(b"clock,temp\n23:59:50,31\n00:00:10,30.9\n", &late).expect("understood");
    assert_eq!(log.lines[1].at - log.lines[0].at, TimeDelta::seconds(20));
}

#[test]
fn a_probe_that_was_out_leaves_a_gap_and_no_fault() {
    let log = read(b"time,temp\n0,45\n5,---\n10,\n15,44\n", &asked()).expect("understood");
    assert_eq!((log.lines.len(), log.empty), (2, 2));
}

#[test]
fn what_cannot_be_told_is_asked_for_by_name() {
    let two = b"time,probe 1,probe 2\n0,45,21\n10,44,21\n";
    let (field, said) = refused(two, &asked());
    assert_eq!(field, "temp_column");
    assert!(said.contains("say which of probe 1, probe 2"), "{said}");
    let chosen = Asked { temp_column: Some("Probe 2".into()), ..asked() };
    assert_eq!(lines(&read(two, &chosen).expect("chosen"))[0], (0, 21.0));
    let wrong = Asked { temp_column: Some("oven".into()), ..asked() };
    assert!(refused(two, &wrong).1.contains("must be one of time, probe 1, probe 2; it is oven"));

    let odd = b"alpha,beta\n0,45\n10,44\n";
    assert_eq!(refused(odd, &asked()).0, "time_column");

    let hot = b"time,temp\n0,113.9\n10,111.2\n";
    let (field, said) = refused(hot, &asked());
    assert_eq!(field, "unit");
    assert!(said.contains("looks like °F"), "{said}");
    let f = Asked { unit: Some(Scale::F), ..asked() };
    assert_eq!(lines(&read(hot, &f).expect("told"))[0].1, 45.5);

    let either = b"date,temp\n03/04/2026 19:00:00,45\n";
    assert_eq!(refused(either, &asked()).0, "date_order");
    let april = Asked { date_order: Some(DateOrder::DayFirst), ..asked() };
    let log = read(either, &april).expect("told");
    assert!(log.lines[0].at.to_rfc3339().starts_with("2026-04-03"));
}

#[test]
fn what_is_no_log_is_refused_with_the_reason() {
    for (bytes, field, words) in [
        (&b""[..], "file", "is empty"),
        (b"  \n\n", "file", "is empty"),
        (b"\x89PNG\r\n\x1a\n\0\0\0", "file", "is not a table of text"),
        (b"just some words\nand more\n", "file", "must have a column of times"),
        (b"time,temp\n0,warm\n10,hot\n", "temp_column", "temp"),
        (b"time,temp\n0,45\n10,hot\n", "temp_column", "line 3 has “hot”"),
        (b"time,temp\nsoon,45\nlater,44\n", "time_column", "has “soon”"),
        (b"time,temp\n0,---\n", "temp_column", "temp"),
        (b"time,temp\n0,900\n5,20\n6,20\n", "line 2", "must be -60 to 250"),
        (b"time,temp\n-5,45\n6,44\n", "time_column", "has “-5”"),
    ] {
        let (at, said) = refused(bytes, &asked());
        assert_eq!(at, field, "{said}");
        assert!(said.contains(words), "{said}");
    }
}

#[test]
fn stretches_are_read_in_the_unit_of_their_heading() {
    for (heading, cells, apart_s) in [
        ("elapsed ms", ["0", "90000"], 90),
        ("elapsed milliseconds", ["0", "1500"], 1),
        ("time (min)", ["0", "1.5"], 90),
        ("seconds", ["0", "90"], 90),
        ("elapsed", ["0:00:00", "1:02:03"], 3723),
        ("duration", ["0:00", "2:05"], 125),
        // A time of day without its seconds.
        ("time", ["19:00", "19:02"], 120),
    ] {
        let [first, second] = cells;
        let read = good(&format!("{heading};temp\n{first};45\n{second};44\n"));
        assert_eq!(read[1].0 - read[0].0, apart_s, "{heading}");
    }
}

#[test]
fn times_and_temperatures_are_two_columns_and_a_log_has_an_end() {
    let both = Asked { temp_column: Some("time".into()), ..asked() };
    let (field, said) = refused(b"time,temp\n0,45\n10,44\n", &both);
    assert_eq!(
        (field.as_str(), said.as_str()),
        ("temp_column", "must be another column than the times'")
    );
    let out = Asked { temp_column: Some("temp".into()), ..asked() };
    assert_eq!(
        refused(b"time,temp\n0,---\n10,---\n", &out),
        ("file".into(), "has no temperatures".into())
    );
    let mut long = String::from("time,temp\n");
    for i in 0..=super::MOST_LINES {
        long += &format!("{i},45\n");
    }
    let (field, said) = refused(long.as_bytes(), &asked());
    assert_eq!(field, "file");
    assert!(said.starts_with("must have at most"), "{said}");
}
