//! Who is let in, and who is not.

craft::messages! {
    "door";
    wrong_code(left: Count) = "is not the code that is shown; {left} tries are left";
    last_try_gone() = "was wrong five times: show a new one";
    no_code() = "is shown nowhere: show one first, on a screen that is in, under Settings";
    code_used() = "was used already: show a new one";
    code_late() = "is more than ten minutes old: show a new one";
    only_for_a_thermometer() = "is for a thermometer alone";
    no_key() = "must be a public key: a point of P-256, not compressed, as base64 for addresses";
    wrong_passphrase() = "is not the one";
    passphrase_length(least: Count, most: Count, given: Count) = "must have {least} to {most} characters; it has {given}";
    wrong_signature() = "was not made with this device's own key, or too late";
}
