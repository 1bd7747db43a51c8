//! The figures, by method.

use std::collections::BTreeMap;

use craft::coach::Rule;
use craft::method::Method;
use craft::pot::Condition;

use crate::judge::Judgement;
use crate::scenario::Scenario;

type Judged = (u64, Judgement, Scenario);

/// Prints a table by method, then what went wrong, run by run.
pub fn print(judged: &[Judged]) {
    println!(
        "{:<18} {:>4} {:>9} {:>7} {:>5} {:>11} {:>6} {:>9} {:>9} {:>7} {:>6}",
        "method",
        "runs",
        "in temper",
        "thick",
        "over",
        "false al./h",
        "tests",
        "time/best",
        "forecasts",
        "held",
        "width"
    );
    for method in Method::all() {
        let of: Vec<_> = judged.iter().filter(|(.., s)| s.run.method == method).collect();
        line(method.about().name, &of);
    }
    line("all", &judged.iter().collect::<Vec<_>>());
    println!("\nFalse alarms by rule:");
    let mut rules: BTreeMap<String, usize> = BTreeMap::new();
    for rule in judged.iter().flat_map(|(_, j, _)| &j.false_alarms) {
        *rules.entry(name(*rule)).or_default() += 1;
    }
    for (rule, times) in rules {
        println!("  {times:>4} {rule}");
    }
    println!("\nAdvised though doing nothing would have been quicker:");
    let mut rules: BTreeMap<String, usize> = BTreeMap::new();
    for rule in judged.iter().flat_map(|(_, j, _)| &j.worse_than_nothing) {
        *rules.entry(name(*rule)).or_default() += 1;
    }
    for (rule, times) in rules {
        println!("  {times:>4} {rule}");
    }
    let too_soon: Vec<_> = judged.iter().filter_map(|(_, j, s)| Some((j.too_soon?, s))).collect();
    if !too_soon.is_empty() {
        let tested = too_soon.iter().filter(|(_, s)| s.run.setup.course.is_tested);
        let silent = tested.clone().filter(|(poured, _)| !poured.said).count();
        let tempered =
            tested.clone().filter(|(poured, _)| poured.condition != Condition::NotInTemper).count();
        println!(
            "\nPoured too soon: {}, {tempered} of them in temper by chance; not said of {silent}",
            tested.count()
        );
    }
    println!("\nNot in temper, or over the limit:");
    for (number, j, s) in judged.iter().filter(|(_, j, _)| !j.in_temper || j.over_limit.is_some()) {
        println!(
            "  #{number} {} {:?} {:.0} g, {}: {:?} at {:.1} °C, {}{} after {:.0} min, {} tests",
            s.run.method,
            s.inputs.family,
            craft::units::in_grams(s.run.setup.total()),
            if s.run.setup.microwave.is_some() { "bursts" } else { "water bath" },
            j.condition,
            j.end_c,
            if j.poured { "poured" } else { "not poured" },
            j.over_limit.map_or(String::new(), |by| format!(", {by:.1} °C over the limit")),
            j.hours * 60.0,
            j.tests,
        );
    }
}

fn name(rule: Rule) -> String {
    format!("{rule:?}")
}

fn line(name: &str, of: &[&Judged]) {
    let share = |n: usize, of: usize| 100.0 * n as f64 / of.max(1) as f64;
    let good = of.iter().filter(|(_, j, _)| j.in_temper).count();
    let thick = of.iter().filter(|(_, j, _)| j.condition == Condition::OverSeeded).count();
    let over = of.iter().filter(|(_, j, _)| j.over_limit.is_some()).count();
    let hours: f64 = of.iter().map(|(_, j, _)| j.hours).sum();
    let false_alarms: usize = of.iter().map(|(_, j, _)| j.false_alarms.len()).sum();
    let tests: usize = of.iter().map(|(_, j, _)| j.tests).sum();
    let ratios = of.iter().filter_map(|(_, j, _)| Some(j.ready_s? / j.best_s?));
    let forecasts: Vec<_> = of.iter().flat_map(|(_, j, _)| &j.forecasts).collect();
    let held = forecasts.iter().filter(|f| f.held).count();
    println!(
        "{name:<18} {:>4} {:>7.1} % {:>5.0} % {:>5} {:>11.2} {:>6.1} {:>9.2} {:>9} {:>7} {:>6}",
        of.len(),
        share(good, of.len()),
        share(thick, of.len()),
        over,
        false_alarms as f64 / hours,
        tests as f64 / of.len().max(1) as f64,
        median(ratios),
        forecasts.len(),
        told(share(held, forecasts.len()), 1, forecasts.len()),
        told(100.0 * median(forecasts.iter().map(|f| f.width)), 0, forecasts.len()),
    );
}

/// A share, where there is anything that it is a share of.
fn told(pct: f64, decimals: usize, of: usize) -> String {
    if of == 0 { "–".to_owned() } else { format!("{pct:.decimals$} %") }
}

fn median(values: impl Iterator<Item = f64>) -> f64 {
    let mut values: Vec<_> = values.collect();
    values.sort_by(f64::total_cmp);
    values.get(values.len() / 2).copied().unwrap_or(f64::NAN)
}
