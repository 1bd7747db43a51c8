//! A thermometer's log that is brought in.

crate::messages! {
    "logfile";
    cannot_be_read() = "cannot be read";
    too_many_lines(most: Count) = "must have at most {most} lines";
    another_column() = "must be another column than the times'";
    looks_like_fahrenheit(middle: Tenths) = "looks like °F: the middle of it is {middle}. Say C or F";
    must_be_numbers(unread: List) = "must be numbers; {unread}";
    must_be_numbers_and_more(some: List) = "must be numbers; {some} and more";
    no_temperatures() = "has no temperatures";
    not_a_table() = "is not a table of text";
    empty() = "is empty";
    two_columns() = "must have a column of times and one of temperatures, with a comma, a semicolon or a tab between";
    must_be_heading(headings: List, asked: Words) = "must be one of {headings}; it is {asked}";
    cannot_be_told(headings: List) = "cannot be told; say which of {headings}";
    could_be_more(headings: List) = "could be more than one; say which of {headings}";
    must_be_times(reading: Count, text: Words) = "must be times; reading {reading} has “{text}”";
    say_date_order() = "cannot be told: say day_first or month_first";
    line_has(line: Count, text: Words) = "line {line} has “{text}”";
}
