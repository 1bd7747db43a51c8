//! The interface's own logic, without a browser.

use std::path::Path;
use std::process::Command;

#[test]
fn the_interfaces_logic_holds_by_its_own_runner() {
    let web = Path::new(env!("CARGO_MANIFEST_DIR")).join("../../web");
    let ran = Command::new("npm").args(["run", "--silent", "test"]).current_dir(web).output();
    let ran = ran.expect("npm");
    let said = String::from_utf8_lossy(&ran.stdout);
    assert!(ran.status.success(), "{said}\n{}", String::from_utf8_lossy(&ran.stderr));
}
