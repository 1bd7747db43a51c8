import { Box, Field, Input, Stack } from "@chakra-ui/react";
import type { PigmentInputs } from "../api/client";
import type { OnShelf } from "../api/queries";
import { SelectField } from "../kit/SelectField";
import { UnitField } from "../kit/UnitField";
import { type FieldsProps, Gear } from "./Gear";

const carriers: Record<PigmentInputs["carrier"], string> = {
  powder: "a powder that disperses in fat",
  oil: "a colour in oil",
  water: "water-based drops or paste",
  gel: "a gel",
};
const foods: Record<NonNullable<PigmentInputs["food"]>, string> = {
  for_eating: "sold for eating",
  not_said: "it does not say",
  not_for_eating: "for decoration only, or non-toxic",
};

function words({ thing }: OnShelf<"pigment">): string {
  return [
    thing.opaque ? "hides" : "transparent",
    thing.shimmer && "shimmers",
    foods[thing.food ?? "not_said"],
    thing.check_country && "check your country",
    thing.strength != null && thing.strength !== 1 && `${thing.strength} times as strong`,
  ]
    .filter((part) => typeof part === "string")
    .join(", ");
}

/** The pigments, with what their labels say. */
export function Pigments({ pigments }: { pigments: OnShelf<"pigment">[] }) {
  return (
    <Gear
      title="Pigments"
      one="a pigment"
      none="No pigment yet. Only what disperses in fat and is sold for eating colours cocoa butter."
      items={pigments}
      fresh={{
        kind: "pigment",
        name: "",
        carrier: "powder",
        srgb: "#2b4fc2",
        opaque: false,
        shimmer: false,
        food: "not_said",
        check_country: false,
      }}
      words={words}
      swatch={({ thing }) => thing.srgb}
      learns={false}
      Fields={PigmentFields}
    />
  );
}

function PigmentFields({ draft, errors, onChange }: FieldsProps<"pigment">) {
  const set = (patch: Partial<PigmentInputs>) => onChange({ ...draft, ...patch });
  const yes = (label: string, name: "opaque" | "shimmer" | "check_country", words: string[]) => (
    <SelectField
      label={label}
      value={draft[name] ? "yes" : ""}
      choices={[
        { value: "", label: words[0] ?? "no" },
        { value: "yes", label: words[1] ?? "yes" },
      ]}
      onChange={(value) => set({ [name]: value !== "" })}
    />
  );
  return (
    <Stack gap="3">
      <SelectField
        label="It is"
        value={draft.carrier}
        choices={Object.entries(carriers).map(([value, label]) => ({ value, label }))}
        error={errors.carrier}
        onChange={(carrier) => set({ carrier: carrier as PigmentInputs["carrier"] })}
      />
      <Box display="grid" gridTemplateColumns="1fr 1fr" gap="3" alignItems="end">
        <Field.Root>
          <Field.Label textStyle="label">It looks</Field.Label>
          <Input
            type="color"
            p="1"
            value={draft.srgb}
            onChange={(event) => set({ srgb: event.target.value })}
          />
        </Field.Root>
        {yes("Behind it", "opaque", ["shows through", "is hidden"])}
        {yes("Shimmer", "shimmer", ["no", "yes: mica"])}
        <UnitField
          label="Strength"
          unit="×"
          optional="1"
          value={draft.strength}
          error={errors.strength}
          onChange={(strength) => set({ strength })}
        />
      </Box>
      <SelectField
        label="Its label says"
        value={draft.food ?? "not_said"}
        choices={Object.entries(foods).map(([value, label]) => ({ value, label }))}
        error={errors.food}
        onChange={(food) => set({ food: food as NonNullable<PigmentInputs["food"]> })}
      />
      {yes("Law", "check_country", ["nothing known", "barred in some countries: check yours"])}
      <UnitField
        label="100 g cost"
        unit=""
        optional="not known"
        value={draft.price_per_100g}
        error={errors.price_per_100g}
        onChange={(price_per_100g) => set({ price_per_100g })}
      />
    </Stack>
  );
}
