import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { SelectField } from "../../kit/SelectField";
import { CastFields } from "./CastFields";
import type { FieldsOf } from "./fieldsOfWork";
import { InsideFields } from "./InsideFields";
import { PaintedFields } from "./PaintedFields";
import { StuckOnFields } from "./StuckOnFields";

type Hollows = WorkOf<"hollows">;

const purposes: Record<NonNullable<Hollows["purpose"]>, string> = {
  eating: "eating",
  drink: "drink, in hot milk",
  ornament: "ornament to hang",
};

/** Joined hollows, and what goes inside. */
export function HollowsFields({ work, errors, onChange, ...pick }: FieldsOf<Hollows>) {
  return (
    <Stack gap="4">
      <CastFields {...pick} cast={work.cast} of="Halves from" errors={errors} onChange={onChange} />
      <SelectField
        label="Use"
        value={work.purpose ?? "eating"}
        choices={purposes}
        onChange={(purpose) => onChange({ purpose })}
      />
      <InsideFields
        inside={work.inside ?? []}
        errors={errors}
        onChange={(inside) => onChange({ inside })}
      />
      <StuckOnFields
        {...pick}
        stuckOn={work.stuck_on ?? []}
        usual={work.cast.chocolate}
        errors={errors}
        onChange={onChange}
      />
      <PaintedFields {...pick} painted={work.painted ?? []} errors={errors} onChange={onChange} />
    </Stack>
  );
}
