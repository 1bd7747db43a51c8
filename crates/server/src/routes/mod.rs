//! The routes: one file for each noun, one function for each verb.

pub mod actions;
pub mod batches;
pub mod bench;
pub mod bowls;
pub mod calc;
pub mod components;
pub mod dry_goods;
pub mod methods;
pub mod outcomes;
pub mod photos;
pub mod readings;
pub mod record;
pub mod shelf;
pub mod stream;
pub mod toppings;
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
            .service(components::read)
            .service(components::edit)
            .service(bench::watch)
            .service(bench::read)
            .service(bowls::open)
            .service(bowls::read)
            .service(bowls::set_thermometer)
            .service(photos::append)
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
