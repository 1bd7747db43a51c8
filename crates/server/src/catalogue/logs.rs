//! Logs that are watched.

craft::messages! {
    "logs";
    must_be_a_name(folder: Words) = "must be the name of a file in {folder}, and nothing else";
    no_such_log(folder: Words) = "is not there: a log that is to be watched lies in {folder}";
    too_large(most: Count) = "is over {most} MB: have the thermometer's program begin a new one";
    cannot_be_read(problem: Words) = "cannot be read: {problem}";
    no_table() = "is not a table of times and temperatures";
}
