import { Box } from "@chakra-ui/react";
import type { BowlInputs } from "../api/client";
import { SelectField } from "../kit/SelectField";

interface Props {
  bowls: readonly BowlInputs[];
  names: ReadonlyMap<string, string>;
  chosen: string;
  onChoose: (key: string) => void;
}

/** Which chocolate or colour the fields below are about. */
export function BowlChoice({ bowls, names, chosen, onChoose }: Props) {
  return (
    <Box bg="bg.panel" borderRadius="slab" px="4" py="2">
      <SelectField
        label="Chocolate or colour shown"
        value={chosen}
        choices={bowls.map(({ key }) => ({ value: key, label: names.get(key) ?? key }))}
        onChange={onChoose}
      />
    </Box>
  );
}
