import { Box, Field, Input, Stack } from "@chakra-ui/react";
import type { PigmentInputs } from "../api/client";
import type { OnShelf } from "../api/queries";
import { EitherField } from "../kit/EitherField";
import { fieldsOf } from "../kit/fieldsOf";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";
import { UnitField } from "../kit/UnitField";
import { ColourPhotos } from "./ColourPhotos";
import { type FieldsProps, Gear } from "./Gear";

const carriers: Record<PigmentInputs["carrier"], string> = {
  powder: "a powder that disperses in fat",
  oil: "a colour in oil",
  water: "water-based drops or paste",
  gel: "a gel",
  butter: "coloured cocoa butter, ready: a bottle, or mixed by eye",
};
const foods: Record<NonNullable<PigmentInputs["food"]>, string> = {
  for_eating: "sold for eating",
  not_said: "it does not say",
  not_for_eating: "for decoration only, or non-toxic",
};

function words({ thing }: OnShelf<"pigment">): string {
  return [
    thing.carrier === "butter" &&
      (thing.mixed_of ? `ready, mixed of ${thing.mixed_of}` : "ready as it is"),
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
      title="Pigments and colours"
      one="a pigment"
      alone
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
      Below={ColourPhotos}
    />
  );
}

function PigmentFields({ draft, errors, onChange }: FieldsProps<"pigment">) {
  const set = (patch: Partial<PigmentInputs>) => onChange({ ...draft, ...patch });
  const field = fieldsOf<PigmentInputs>(draft, errors, set);
  const flag = (name: "opaque" | "shimmer" | "check_country") => ({
    ...field(name),
    value: draft[name] ?? false,
  });
  return (
    <Stack gap="3">
      <SelectField label="Kind" choices={carriers} {...field("carrier")} />
      {draft.carrier === "butter" && (
        <TextField
          label="Mixed of: bottles and drops, as far as you know"
          value={draft.mixed_of ?? ""}
          error={errors.mixed_of}
          onChange={(mixed_of) => set({ mixed_of })}
        />
      )}
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
        <EitherField
          label="Ground behind it"
          no="shows through"
          yes="is hidden"
          {...flag("opaque")}
        />
        <EitherField label="Shimmer" no="no" yes="yes: mica" {...flag("shimmer")} />
        <UnitField label="Strength" unit="×" optional="1" {...field("strength")} />
      </Box>
      <SelectField
        label="Label text"
        choices={foods}
        {...field("food")}
        value={draft.food ?? "not_said"}
      />
      <EitherField
        label="Law"
        no="nothing known"
        yes="barred in some countries: check yours"
        {...flag("check_country")}
      />
      <TextField
        label="Name on labels"
        placeholder="a name, a number: E 133"
        value={draft.declared ?? ""}
        error={errors.declared}
        onChange={(declared) => set({ declared })}
      />
      <UnitField
        label="Price per 100 g"
        unit=""
        optional="not known"
        {...field("price_per_100g")}
      />
    </Stack>
  );
}
