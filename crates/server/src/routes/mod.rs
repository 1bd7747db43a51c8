//! The routes: one file for each noun, one function for each verb.

pub mod actions;
pub mod batches;
pub mod bench;
pub mod bowls;
pub mod builds;
pub mod calc;
pub mod days;
pub mod dry_goods;
pub mod kinds;
pub mod methods;
pub mod outcomes;
pub mod photos;
pub mod pigments;
pub mod plan;
pub mod readings;
pub mod record;
pub mod reminders;
pub mod shelf;
pub mod stream;
pub mod toppings;
pub mod trays;
mod version;

use utoipa_actix_web::scope;
use utoipa_actix_web::service_config::ServiceConfig;

/// The whole API, as one table.
pub fn api(config: &mut ServiceConfig<'_>) {
    config.service(
        scope("/api/v1")
            .service(scope("/calc").configure(calc::routes))
            .service(methods::list)
            .service(toppings::list)
            .service(trays::list)
            .service(kinds::list)
            .service(pigments::list)
            .service(reminders::list)
            .service(dry_goods::list)
            .service(shelf::read)
            .service(shelf::add)
            .service(shelf::edit)
            .service(shelf::put_away)
            .service(shelf::unlearn)
            .service(shelf::move_stock)
            .service(batches::list)
            .service(batches::create)
            .service(batches::read)
            .service(batches::edit)
            .service(batches::delete)
            .service(outcomes::list)
            .service(outcomes::append)
            .service(plan::read)
            .service(plan::edit)
            .service(days::read)
            .service(days::calendar)
            .service(builds::begin)
            .service(builds::read)
            .service(builds::set_clock)
            .service(builds::append)
            .service(bench::watch)
            .service(bench::read)
            .service(bowls::open)
            .service(bowls::read)
            .service(bowls::set_thermometer)
            .service(photos::append)
            .service(photos::append_of_batch)
            .service(photos::list_of_batch)
            .service(photos::list)
            .service(photos::read)
            .service(photos::forget)
            .service(record::save_csv)
            .service(record::save_json)
            .service(record::bring_in)
            .service(record::bring_in_log)
            .service(readings::list)
            .service(readings::append)
            .service(actions::list)
            .service(actions::append)
            .service(stream::watch),
    );
}
