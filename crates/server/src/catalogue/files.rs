//! Files that are brought in.

craft::messages! {
    "files";
    reading_needs() = "a reading needs temp_c and source";
    cannot_be_read(problem: Words) = "{problem}";
    at_most_lines(most: Count) = "must have at most {most} lines";
    none_of_its_times(first: Words, last: Words, opened_at: Words) = "none of its times is this bowl's: the log runs from {first} to {last} UTC, the bowl was opened at {opened_at}. Say by how many seconds its clock is off, or its utc_offset_min";
    format(format: Words, given: Words) = "must be {format}; it is {given}";
    at_most_with_actions(most: Count) = "must be at most {most} with the actions";
    at_most(most: Count) = "must be at most {most}";
    base64() = "must be base64";
    no_archive() = "is no archive of Wide Sheen";
    no_archive_or_not_all(problem: Words) = "is no archive of Wide Sheen, or not all of it: {problem}";
    too_many_files(most: Count) = "has more than {most} files in it";
    other_files() = "has other files in it than it says";
    file_not_told(name: Words) = "has a file in it that it does not tell of: “{name}”";
    file_not_ours(name: Words) = "has a file in it that is none of ours: “{name}”";
    larger_unpacked(name: Words) = "would be far larger unpacked than it is: “{name}”";
    changed_on_the_way(name: Words) = "was changed on the way: “{name}” is not what it was";
    place_cannot_be_read(place: Words, problem: Words) = "cannot be read: {place}: {problem}";
    hangs_on(place: Words, what: Words) = "hangs on what is not in it: {place}: {what} is missing";
    no_photo(name: Words) = "has a photo in it that is none: {name}";
    later_release(release: Words) = "was written by a later release ({release}): import it there";
    not_a_colour() = "is not a colour on the shelf";
    png_or_jpeg() = "must be a PNG or a JPEG";
    at_most_pixels(side: Count) = "must be at most {side} pixels on a side, and forty million in all";
    damaged() = "is damaged, or no picture";
}
