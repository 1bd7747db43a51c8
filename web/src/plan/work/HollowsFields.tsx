import { Box, Button, IconButton, Stack } from "@chakra-ui/react";
import { Plus, X } from "lucide-react";
import type { WorkOf } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { CastFields } from "./CastFields";
import { CountField } from "./CountField";
import { NumberField } from "./NumberField";
import type { FieldsOf } from "./WorkFields";

type Hollows = WorkOf<"hollows">;
type Inside = NonNullable<Hollows["inside"]>[number];

const fresh: Inside = {
  name: "mini marshmallows",
  each_ml: 0.9,
  each_g: 0.2,
  count: 12,
  across_mm: 12,
  not_food: false,
};

/** Joined hollows, and what goes inside. */
export function HollowsFields({ work, errors, onChange, ...pick }: FieldsOf<Hollows>) {
  const inside = work.inside ?? [];
  const set = (i: number, patch: Partial<Inside>) =>
    onChange({ inside: inside.map((one, at) => (at === i ? { ...one, ...patch } : one)) });
  return (
    <Stack gap="4">
      <CastFields {...pick} cast={work.cast} of="Halves from" errors={errors} onChange={onChange} />
      <SelectField
        label="Made for"
        value={work.purpose ?? "eating"}
        choices={[
          { value: "eating", label: "opening and eating" },
          { value: "drink", label: "a cup of hot milk" },
          { value: "ornament", label: "hanging up" },
        ]}
        onChange={(purpose) => onChange({ purpose: purpose as NonNullable<Hollows["purpose"]> })}
      />
      {inside.map((one, i) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: a thing is its place
          key={i}
          borderInlineStartWidth="4px"
          borderColor="border.emphasized"
          ps="3"
          display="grid"
          gap="2"
        >
          <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 44px" alignItems="end">
            <TextField
              label={`Inside (${i + 1})`}
              value={one.name}
              error={errors[`inside[${i}].name`]}
              onChange={(name) => set(i, { name })}
            />
            <IconButton
              aria-label={`Take away: ${one.name}`}
              variant="ghost"
              onClick={() => onChange({ inside: inside.filter((_, at) => at !== i) })}
            >
              <X size={18} />
            </IconButton>
          </Box>
          <Box display="grid" gridTemplateColumns="1fr 1fr" gap="2">
            <CountField
              label="In each"
              value={one.count}
              error={errors[`inside[${i}].count`]}
              onChange={(count) => set(i, { count })}
            />
            <NumberField
              label="One takes"
              unit="ml"
              value={one.each_ml}
              error={errors[`inside[${i}].each_ml`]}
              onChange={(each_ml) => set(i, { each_ml })}
            />
            <NumberField
              label="Weighs"
              unit="g"
              value={one.each_g}
              error={errors[`inside[${i}].each_g`]}
              onChange={(each_g) => set(i, { each_g })}
            />
            <NumberField
              label="Across"
              unit="mm"
              value={one.across_mm}
              error={errors[`inside[${i}].across_mm`]}
              onChange={(across_mm) => set(i, { across_mm })}
            />
          </Box>
          <SelectField
            label="It is"
            value={one.not_food ? "no" : ""}
            choices={[
              { value: "", label: "food" },
              { value: "no", label: "not food: a toy, a slip of paper" },
            ]}
            onChange={(no) => set(i, { not_food: no !== "" })}
          />
        </Box>
      ))}
      {errors.inside && (
        <Box color="stop" fontWeight="560" fontSize="sm">
          What goes inside {errors.inside}
        </Box>
      )}
      <Button
        variant="outline"
        minH="44px"
        disabled={inside.length >= 8}
        onClick={() => onChange({ inside: [...inside, fresh] })}
      >
        <Plus aria-hidden /> One thing more inside
      </Button>
    </Stack>
  );
}
