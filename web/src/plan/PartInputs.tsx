import { Box, Stack } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlInputs, PigmentChoice } from "../api/client";
import { Fold } from "../kit/Fold";
import { mass } from "../kit/format";
import { UnitField } from "../kit/UnitField";
import { CalledField } from "./CalledField";
import { TintFields } from "./TintFields";

interface Props {
  bowl: BowlInputs;
  /** What it is a part of: of a chocolate, or of a colour. */
  into: "chocolate" | "colour";
  /** What that is called. */
  of: string | undefined;
  name: string;
  colours: readonly string[];
  errors: Record<string, string>;
  onChange: (patch: Partial<BowlInputs>) => void;
  onAddColour: (pigment: PigmentChoice, patch: (key: string) => Partial<BowlInputs>) => void;
}

/** A part of a bowl that is in temper: what is stirred into it, and how much is taken. */
export const PartInputs = memo(function PartInputs(props: Props) {
  const { bowl, into, of, name, colours, errors, onChange, onAddColour } = props;
  return (
    <Fold
      title="The part"
      value={`${name}, ${bowl.total_g == null ? "as much as it takes" : mass(bowl.total_g)}`}
      faulty={Object.keys(errors).length > 0}
      open
    >
      <Stack gap="4">
        <Box fontSize="sm" data-testid="part-of">
          Taken from the {of ?? bowl.taken_from} once that is in temper, and not melted by itself.
        </Box>
        <CalledField bowl={bowl} errors={errors} onChange={onChange} />
        <TintFields
          tint={bowl.tint}
          into={into}
          colours={colours.filter((key) => key !== bowl.key)}
          errors={errors}
          onChange={onChange}
          onAddColour={onAddColour}
        />
        <UnitField
          label="Take"
          unit="g"
          optional="as much as it takes"
          value={bowl.total_g}
          error={errors.total_g ?? errors.taken_from}
          onChange={(total_g) => onChange({ total_g })}
        />
      </Stack>
    </Fold>
  );
});
