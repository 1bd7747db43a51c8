import type { FillingIngredient, IngredientInputs, OwnComposition } from "../../api/client";

/** What is known of, in the order in which it is looked for. */
export const ingredientWords: Record<FillingIngredient, string> = {
  dark_66: "dark chocolate 66 %",
  milk_38: "milk chocolate 38 %",
  white_31: "white chocolate 31 %",
  cream_35: "cream 35 %",
  milk: "milk",
  butter: "butter",
  puree: "fruit purée",
  puree_sweetened: "fruit purée, sweetened",
  citrus_juice: "lemon, lime or orange juice",
  sugar: "sugar",
  glucose_syrup: "glucose syrup",
  invert_syrup: "invert syrup",
  honey: "honey",
  sorbitol: "sorbitol powder",
  spirit_40: "spirit 40 %",
  nut_paste: "nut paste",
  water: "water",
};

/** An ingredient of one's own. */
export const OWN = "own";

export const ownStart: OwnComposition = { water_pct: 20, fat_pct: 10, sugar_pct: 50 };

/** Which one it is, for a list of choices. */
export function chosen({ ingredient }: IngredientInputs): FillingIngredient | typeof OWN {
  return typeof ingredient === "string" ? ingredient : OWN;
}

/** What it is called. */
export function ingredientName(part: IngredientInputs): string {
  const { ingredient, name } = part;
  if (name) return name;
  return typeof ingredient === "string" ? ingredientWords[ingredient] : "another ingredient";
}

/** Recipes to start from, by what they make. */
export const startingRecipes = {
  "dark ganache": [
    { ingredient: "dark_66", grams: 150 },
    { ingredient: "cream_35", grams: 100 },
    { ingredient: "glucose_syrup", grams: 15 },
  ],
  "fruit and white chocolate": [
    { ingredient: "white_31", grams: 300 },
    { ingredient: "puree", grams: 100 },
    { ingredient: "glucose_syrup", grams: 25 },
    { ingredient: "butter", grams: 25 },
  ],
  "nut paste and milk chocolate": [
    { ingredient: "nut_paste", grams: 200 },
    { ingredient: "milk_38", grams: 110 },
  ],
  "truffle to roll": [
    { ingredient: "dark_66", grams: 220 },
    { ingredient: "cream_35", grams: 100 },
    { ingredient: "butter", grams: 12 },
  ],
} satisfies Record<string, IngredientInputs[]>;

export type StartingRecipe = keyof typeof startingRecipes;
