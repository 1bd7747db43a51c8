//! What goes into shells and under coats: ganache by ratio, and recipes of anything by what is
//! in them.

mod balance;
mod ganache;
mod ingredient;
mod recipe;

pub use balance::{Balance, Keeps, LEAST_WATER, Texture, balance};
pub use ganache::{
    BUTTER_IN_C, COLD_C, Ganache, KEEPS_DAYS, PIPE_BELOW_C, density, ganache, keeping, pipe_below,
    usual_ratio,
};
pub use ingredient::{Composition, Ingredient, OwnComposition, PartOf};
pub use recipe::{FillingRecipe, IngredientInputs, MOST_PARTS, Making};
