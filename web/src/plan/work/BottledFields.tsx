import { Stack } from "@chakra-ui/react";
import type { WorkOf } from "../../api/client";
import { AmountOfColour } from "./AmountOfColour";
import { ColourPick } from "./ColourPick";
import type { FieldsOf } from "./fieldsOfWork";

/** A bottle of colour, to keep. */
export function BottledFields({ work, errors, onChange, ...pick }: FieldsOf<WorkOf<"bottled">>) {
  return (
    <Stack gap="4">
      <ColourPick
        {...pick}
        label="Colour"
        value={work.colour}
        error={errors.colour}
        patch={(colour) => ({ colour })}
        onChange={onChange}
      />
      <AmountOfColour
        amount={work.amount}
        errors={errors}
        onChange={(amount) => onChange({ amount })}
      />
    </Stack>
  );
}
