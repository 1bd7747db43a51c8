import { Box, Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { CountField } from "../../kit/CountField";
import { EitherField } from "../../kit/EitherField";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { ListField } from "../../kit/ListField";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";
import { CastFields } from "./CastFields";
import type { FieldsOf } from "./fieldsOfWork";

type Hollows = WorkOf<"hollows">;
type Inside = NonNullable<Hollows["inside"]>[number];

const purposes: Record<NonNullable<Hollows["purpose"]>, string> = {
  eating: "eating",
  drink: "drink, in hot milk",
  ornament: "ornament to hang",
};
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
  return (
    <Stack gap="4">
      <CastFields {...pick} cast={work.cast} of="Halves from" errors={errors} onChange={onChange} />
      <SelectField
        label="Use"
        value={work.purpose ?? "eating"}
        choices={purposes}
        onChange={(purpose) => onChange({ purpose })}
      />
      <Fold
        inner
        title="Inside"
        value={inside.map(({ name }) => name).join(", ") || "nothing"}
        faulty={faultyIn(errors, "inside")}
      >
        <ListField
          items={inside}
          at="inside"
          errors={errors}
          most={8}
          nameOf={({ name }) => name}
          whole="What goes inside"
          more="Add something inside"
          onMore={() => onChange({ inside: [...inside, fresh] })}
          onChange={(next) => onChange({ inside: next })}
        >
          {({ item, i, field, away }) => (
            <Box
              borderInlineStartWidth="4px"
              borderColor="border.emphasized"
              ps="3"
              display="grid"
              gap="2"
            >
              <Box display="grid" gridTemplateColumns="minmax(0, 1fr) 44px" alignItems="end">
                <TextField label={`Inside (${i + 1})`} {...field("name")} />
                {away}
              </Box>
              <Box display="grid" gridTemplateColumns="1fr 1fr" gap="2">
                <CountField label="In each" {...field("count")} />
                <NumberField label="Volume each" unit="ml" {...field("each_ml")} />
                <NumberField label="Weight" unit="g" {...field("each_g")} />
                <NumberField label="Across" unit="mm" {...field("across_mm")} />
              </Box>
              <EitherField
                label="Kind"
                no="food"
                yes="not food: a toy, a slip of paper"
                {...field("not_food")}
                value={item.not_food ?? false}
              />
            </Box>
          )}
        </ListField>
      </Fold>
    </Stack>
  );
}
