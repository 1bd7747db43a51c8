//! What is drawn: outlines, letters, sheets.

crate::messages! {
    "drawn";
    labels_off_the_paper(reaches: WholeMm, paper: WholeMm) = "must be fewer, or smaller: they reach to {reaches} on a paper of {paper}";
    too_many_sheets(sheets: Count, most: Count) = "would take {sheets} sheets of paper; {most} is the most";
    more_sheets_than(most: Count) = "would take more than {most} sheets";
    too_large_for_a_sheet(width: WholeMm, height: WholeMm, w: WholeMm, h: WholeMm) = "must be at most {width} by {height}, to go on one sheet; it is {w} by {h}";
    no_such_letter(character: Words) = "must be made of letters A to Z, digits, hyphens and spaces; “{character}” is none of them";
    pieces_too_large(slab: SquareCentimetres) = "must be at most half of the slab; the slab has {slab}";
    pieces_too_small(pieces: Count, most: Count) = "must be larger: it makes {pieces} pieces, and {most} is the most";
    file_too_large(most: Count, there: Count) = "must be at most {most} bytes; it has {there}";
    not_svg(why: Nested) = "must be an SVG file: {why}";
    none_chosen() = "none was chosen yet";
    other_root(name: Words) = "its root is <{name}>";
    as_read(problem: Words) = "{problem}";
    active(what: Nested) = "must hold drawings alone; it has {what}. Save it as a plain SVG of paths";
    active_element(name: Words) = "a <{name}>";
    active_attribute(name: Words) = "an {name}";
    a_reference() = "a reference";
    a_reference_elsewhere() = "a reference to another file";
    a_style_elsewhere() = "a style that refers to another file";
    bad_path(why: Nested) = "has a path that cannot be read: {why}";
    beyond_any_sheet() = "a point lies beyond any sheet";
    too_many_segments(most: Count, there: Count) = "must have at most {most} path segments; it has {there}";
    no_path() = "has no path to pipe";
    no_path_but(left_out: List) = "has no path to pipe: turn its {left_out} into paths first";
}
