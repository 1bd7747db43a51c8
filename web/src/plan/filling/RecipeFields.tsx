import { Box } from "@chakra-ui/react";
import type { FillingIngredient, IngredientInputs, OwnComposition } from "../../api/client";
import { type Errors, fieldsOf } from "../../kit/fieldsOf";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { BalanceOf } from "./BalanceOf";
import {
  chosen,
  ingredientName,
  ingredientWords,
  OWN,
  ownStart,
  type StartingRecipe,
  startingRecipes,
} from "./ingredients";

/** So many different things are in a filling at most. */
const MOST = 40;

const names = Object.keys(startingRecipes) as StartingRecipe[];

interface Props {
  /** What is put in, and what is steeped in it and strained out. */
  recipe: Recipe;
  errors: Errors;
  /** The recipe's place among the fields. */
  at: string;
  onChange: (patch: Partial<Recipe>) => void;
}

interface Recipe {
  parts: IngredientInputs[];
  steeped?: string | null;
}

/** A recipe in weights, and how it is balanced; as much of it is made as is needed. */
export function RecipeFields({ recipe, errors, at: its, onChange: onRecipe }: Props) {
  const { parts, steeped } = recipe;
  const at = `${its}.parts`;
  const onChange = (next: IngredientInputs[]) => onRecipe({ parts: next });
  return (
    <Box display="grid" gap="3">
      <SelectField<"" | StartingRecipe>
        label="Start from"
        value={names.find((name) => startingRecipes[name] === parts) ?? ""}
        choices={[
          { value: "", label: "this recipe" },
          ...names.map((name) => ({ value: name, label: name })),
        ]}
        onChange={(name) => name && onChange(startingRecipes[name])}
      />
      <ListField
        items={parts}
        at={at}
        errors={errors}
        fewest={1}
        most={MOST}
        nameOf={ingredientName}
        whole="Recipe"
        more="Add ingredient"
        onMore={() => onChange([...parts, { ingredient: "butter", grams: 20 }])}
        onChange={onChange}
      >
        {({ item, i, at: place, field, changed, away }) => (
          <Box role="group" aria-label={ingredientName(item)}>
            <Box
              display="grid"
              gridTemplateColumns="minmax(0, 1fr) 96px auto"
              gap="2"
              alignItems="end"
            >
              <SelectField<FillingIngredient | typeof OWN>
                label={`Ingredient ${i + 1}`}
                value={chosen(item)}
                choices={{ ...ingredientWords, [OWN]: "another: by its label" }}
                onChange={(next) =>
                  onChange(changed({ ingredient: next === OWN ? ownStart : next, name: null }))
                }
              />
              <NumberField label={`Weight ${i + 1}`} unit="g" {...field("grams")} />
              {away}
            </Box>
            {typeof item.ingredient !== "string" && (
              <OwnFields
                own={item.ingredient}
                name={item.name ?? ""}
                errors={errors}
                at={place}
                onName={(name) => onChange(changed({ name: name || null }))}
                onChange={(ingredient) => onChange(changed({ ingredient }))}
              />
            )}
          </Box>
        )}
      </ListField>
      <TextField
        label="Steeped in it, strained out"
        value={steeped ?? ""}
        error={errors[`${its}.steeped`]}
        placeholder="nothing"
        onChange={(next) => onRecipe({ steeped: next || null })}
      />
      <BalanceOf parts={parts} />
    </Box>
  );
}

interface OwnProps {
  own: OwnComposition;
  name: string;
  errors: Errors;
  /** The ingredient's place among the fields. */
  at: string;
  onName: (name: string) => void;
  onChange: (own: OwnComposition) => void;
}

/** What the label of another ingredient says. */
function OwnFields({ own, name, errors, at, onName, onChange }: OwnProps) {
  const field = fieldsOf(
    own,
    errors,
    (patch) => onChange({ ...own, ...patch }),
    `${at}.ingredient.`,
  );
  return (
    <Box
      display="grid"
      gap="2"
      mt="2"
      alignItems="start"
      gridTemplateColumns="repeat(3, minmax(0, 1fr))"
    >
      <Box gridColumn="1 / -1">
        <TextField
          label="Name of the ingredient"
          value={name}
          error={errors[`${at}.name`]}
          onChange={onName}
        />
      </Box>
      <NumberField label="Water" unit="%" {...field("water_pct")} />
      <NumberField label="Fat" unit="%" {...field("fat_pct")} />
      <NumberField label="Sugar" unit="%" {...field("sugar_pct")} />
    </Box>
  );
}
