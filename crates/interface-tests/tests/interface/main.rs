//! The real interface, driven as its users do.

mod api;
mod away;
mod bench;
mod build;
mod colour;
mod days;
mod devices;
mod display;
mod evening;
mod every_page;
mod first_day;
mod forms;
mod gear;
mod guide;
mod keyboard;
mod log;
mod logic;
mod moulded;
mod plan;
mod several;
mod sheets;
mod shelf;
mod thermometers;
mod thread;
mod work;
