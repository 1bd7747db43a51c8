import { Box, Stack } from "@chakra-ui/react";
import type { RecipeInputs } from "../api/client";
import { usePigments, useShelf } from "../api/queries";
import { EitherField } from "../kit/EitherField";
import { ListField } from "../kit/ListField";
import { SelectField } from "../kit/SelectField";
import { SliderField } from "../kit/SliderField";

type Part = RecipeInputs["pigments"][number];

const SAVED = "shelf ";

interface Props {
  recipe: RecipeInputs;
  errors: Record<string, string>;
  /** Its name among the fields. */
  field: string;
  /** Whether straining is asked for. */
  strains?: boolean;
  onChange: (recipe: RecipeInputs) => void;
}

/** What colours cocoa butter: pigments, each by its parts to a hundred of butter. */
export function RecipeFields({ recipe, errors, field, strains = true, onChange }: Props) {
  const saved = useShelf().data?.pigments ?? [];
  const usual = usePigments().data ?? [];
  const [first] = usual;
  const { pigments } = recipe;
  const set = (next: Part[]) => onChange({ ...recipe, pigments: next });
  const named = (value: string): Partial<Part> => {
    const id = value.startsWith(SAVED) ? value.slice(SAVED.length) : null;
    const pigment = usual.find(({ name }) => name === value) ?? null;
    return { pigment_id: id, pigment: id ? null : pigment };
  };
  return (
    <Stack gap="3">
      <ListField
        items={pigments}
        at={`${field}.pigments`}
        errors={errors}
        fewest={1}
        most={6}
        nameOf={(_, i) => `pigment ${i + 1}`}
        whole="The pigments"
        more="Add pigment"
        onMore={
          first &&
          (() => set([...pigments, { pigment: first, pigment_id: null, parts_per_100: 2 }]))
        }
        onChange={set}
      >
        {({ item, i, at, field: its, changed, away }) => {
          const value = item.pigment_id ? SAVED + item.pigment_id : (item.pigment?.name ?? "");
          const known = usual.some(({ name }) => name === value);
          return (
            <Box display="grid" gap="2">
              <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 44px" alignItems="end">
                <SelectField
                  label={pigments.length > 1 ? `Pigment ${i + 1}` : "Pigment"}
                  value={value}
                  choices={[
                    ...saved.map(({ id, thing }) => ({ value: SAVED + id, label: thing.name })),
                    ...(item.pigment && !known ? [{ value, label: item.pigment.name }] : []),
                    ...usual.map(({ name }) => ({ value: name, label: `${name}, as usual` })),
                  ]}
                  error={
                    errors[`${at}.pigment_id`] ??
                    errors[`${at}.pigment`] ??
                    errors[`${at}.pigment.carrier`] ??
                    errors[`${at}.pigment.food`]
                  }
                  onChange={(next) => set(changed(named(next)))}
                />
                {away}
              </Box>
              <SliderField
                label="Strength"
                spoken={`Parts of pigment ${i + 1} to 100 of butter`}
                exactly="To 100 of butter"
                unit="parts"
                range={[0.5, 20]}
                step={0.5}
                marks={[5, 10, 15]}
                {...its("parts_per_100")}
              />
            </Box>
          );
        }}
      </ListField>
      {strains && (
        <EitherField
          label="Strained through cloth"
          value={recipe.strained ?? false}
          no="no: for brush or finger"
          yes="yes: for an airbrush"
          onChange={(strained) => onChange({ ...recipe, strained })}
        />
      )}
    </Stack>
  );
}
