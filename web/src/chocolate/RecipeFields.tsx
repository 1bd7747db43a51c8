import { Box, Button, IconButton, Stack } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { RecipeInputs } from "../api/client";
import { usePigments, useShelf } from "../api/queries";
import { SelectField } from "../kit/SelectField";
import { SliderField } from "../kit/SliderField";

type Part = RecipeInputs["pigments"][number];

const SAVED = "shelf ";
const MOST = 6;

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
  const { pigments } = recipe;
  const set = (i: number, patch: Partial<Part>) =>
    onChange({
      ...recipe,
      pigments: pigments.map((part, at) => (at === i ? { ...part, ...patch } : part)),
    });
  const named = (value: string): Partial<Part> => {
    const id = value.startsWith(SAVED) ? value.slice(SAVED.length) : null;
    const pigment = usual.find(({ name }) => name === value) ?? null;
    return { pigment_id: id, pigment: id ? null : pigment };
  };
  const message = errors[`${field}.pigments`];
  return (
    <Stack gap="3">
      {pigments.map((part, i) => {
        const value = part.pigment_id ? SAVED + part.pigment_id : (part.pigment?.name ?? "");
        const known = usual.some(({ name }) => name === value);
        return (
          <Box
            // biome-ignore lint/suspicious/noArrayIndexKey: a pigment is its place
            key={i}
            display="grid"
            gap="2"
          >
            <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 44px" alignItems="end">
              <SelectField
                label={pigments.length > 1 ? `Pigment ${i + 1}` : "Pigment"}
                value={value}
                choices={[
                  ...saved.map(({ id, thing }) => ({ value: SAVED + id, label: thing.name })),
                  ...(part.pigment && !known ? [{ value, label: part.pigment.name }] : []),
                  ...usual.map(({ name }) => ({ value: name, label: `${name}, as usual` })),
                ]}
                error={
                  errors[`${field}.pigments[${i}].pigment_id`] ??
                  errors[`${field}.pigments[${i}].pigment`] ??
                  errors[`${field}.pigments[${i}].pigment.carrier`] ??
                  errors[`${field}.pigments[${i}].pigment.food`]
                }
                onChange={(next) => set(i, named(next))}
              />
              <IconButton
                aria-label={`Take away: pigment ${i + 1}`}
                variant="ghost"
                disabled={pigments.length <= 1}
                onClick={() =>
                  onChange({ ...recipe, pigments: pigments.filter((_, at) => at !== i) })
                }
              >
                <X size={18} />
              </IconButton>
            </Box>
            <SliderField
              label="Strength"
              spoken={`Parts of pigment ${i + 1} to 100 of butter`}
              exactly="To 100 of butter"
              unit="parts"
              value={part.parts_per_100}
              range={[0.5, 20]}
              step={0.5}
              marks={[5, 10, 15]}
              error={errors[`${field}.pigments[${i}].parts_per_100`]}
              onChange={(parts_per_100) => set(i, { parts_per_100 })}
            />
          </Box>
        );
      })}
      {message && (
        <Box color="stop" fontWeight="560" fontSize="sm">
          The pigments {message}
        </Box>
      )}
      <Button
        variant="outline"
        minH="44px"
        disabled={pigments.length >= MOST || usual.length === 0}
        onClick={() =>
          onChange({
            ...recipe,
            pigments: [
              ...pigments,
              { pigment: usual[0] ?? null, pigment_id: null, parts_per_100: 2 },
            ],
          })
        }
      >
        <Plus aria-hidden /> One pigment more
      </Button>
      {strains && (
        <SelectField
          label="Strained through cloth"
          value={recipe.strained ? "yes" : ""}
          choices={[
            { value: "", label: "no: for brush or finger" },
            { value: "yes", label: "yes: for an airbrush" },
          ]}
          onChange={(yes) => onChange({ ...recipe, strained: yes !== "" })}
        />
      )}
    </Stack>
  );
}
