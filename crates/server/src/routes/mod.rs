//! The routes: one file for each noun, one function for each verb.

pub mod actions;
pub mod archive;
pub mod batches;
pub mod begin;
pub mod bench;
pub mod bowls;
pub mod calc;
pub mod clinic;
pub mod cost;
pub mod counts;
pub mod days;
pub mod devices;
pub mod goods;
pub mod guide;
pub mod guide_stream;
pub mod help;
pub mod kinds;
pub mod labels;
pub mod logbook;
pub mod logs;
pub mod looks;
pub mod me;
pub mod methods;
pub mod pairing;
pub mod photos;
pub mod pigments;
pub mod plans;
pub mod readings;
pub mod record;
pub mod reminders;
pub mod results;
pub mod sent;
pub mod session;
pub mod sharing;
mod shelf;
pub mod shopping;
pub mod stream;
mod today;
pub mod trays;
mod version;

use actix_web::HttpResponse;
use actix_web::http::header::{ContentDisposition, DispositionParam, DispositionType};
use utoipa_actix_web::scope;
use utoipa_actix_web::service_config::ServiceConfig;

/// The whole API, as one table.
pub fn api(config: &mut ServiceConfig<'_>) {
    config.service(
        scope("/api/v1")
            .service(scope("/calc").configure(calc::routes))
            .service(me::read)
            .service(me::prove)
            .service(session::sign_in)
            .service(session::sign_out)
            .service(session::set_passphrase)
            .service(sharing::read)
            .service(sharing::certificate)
            .service(pairing::show)
            .service(pairing::read)
            .service(devices::let_in)
            .service(devices::list)
            .service(devices::edit)
            .service(devices::send_away)
            .service(archive::save)
            .service(archive::how_far)
            .service(archive::bring_in)
            .service(methods::list)
            .service(trays::list)
            .service(kinds::list)
            .service(pigments::list)
            .service(reminders::list)
            .service(goods::list)
            .service(help::list)
            .service(shelf::read)
            .service(shelf::add)
            .service(shelf::edit)
            .service(shelf::archive)
            .service(shelf::restore)
            .service(shelf::document)
            .service(shelf::unlearn)
            .service(today::read)
            .service(shelf::move_stock)
            .service(shelf::take_back_move)
            .service(shopping::read)
            .service(shopping::save)
            .service(plans::list)
            .service(plans::create)
            .service(plans::read)
            .service(plans::edit)
            .service(plans::undo)
            .service(plans::archive)
            .service(plans::delete)
            .service(plans::restore)
            .service(plans::begin)
            .service(plans::document)
            .service(days::read)
            .service(days::calendar)
            .service(days::left)
            .service(batches::list)
            .service(batches::read)
            .service(batches::edit)
            .service(batches::close)
            .service(batches::delete)
            .service(batches::restore)
            .service(batches::star)
            .service(batches::again)
            .service(batches::difference)
            .service(batches::document)
            .service(logbook::compare)
            .service(logbook::patterns)
            .service(logbook::unread)
            .service(looks::list)
            .service(looks::pass_over)
            .service(results::list)
            .service(results::append)
            .service(clinic::why)
            .service(counts::append)
            .service(labels::of_plan)
            .service(labels::of_batch)
            .service(cost::of_batch)
            .service(guide::read)
            .service(guide::set_clock)
            .service(guide::append)
            .service(guide::take_in_hand)
            .service(guide_stream::watch)
            .service(bench::watch)
            .service(bench::read)
            .service(bowls::open)
            .service(bowls::read)
            .service(bowls::set_thermometer)
            .service(photos::append)
            .service(photos::append_of_batch)
            .service(photos::append_of_thing)
            .service(photos::list_of_thing)
            .service(photos::spot)
            .service(photos::list_of_batch)
            .service(photos::list)
            .service(photos::read)
            .service(photos::forget)
            .service(record::save_csv)
            .service(record::save_json)
            .service(record::bring_in)
            .service(record::bring_in_log)
            .service(logs::list)
            .service(logs::of_bowl)
            .service(logs::watch)
            .service(logs::let_go)
            .service(readings::list)
            .service(readings::append)
            .service(actions::list)
            .service(actions::append)
            .service(actions::entries)
            .service(stream::watch),
    );
}

/// A file to be saved.
fn attached(kind: &str, name: &str, body: impl Into<Vec<u8>>) -> HttpResponse {
    HttpResponse::Ok()
        .content_type(kind)
        .insert_header(ContentDisposition {
            disposition: DispositionType::Attachment,
            parameters: vec![DispositionParam::Filename(name.to_owned())],
        })
        .body(body.into())
}
