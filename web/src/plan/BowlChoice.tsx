import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlInputs } from "../api/client";
import { Chosen } from "../kit/Chosen";
import { Swatch } from "../kit/Swatch";
import { lookOf } from "../theme/chocolate";

interface Props {
  bowls: readonly BowlInputs[];
  names: ReadonlyMap<string, string>;
  /** How the colours among them look. */
  looks: ReadonlyMap<string, string>;
  chosen: string;
  onChoose: (key: string) => void;
}

/** Which chocolate the panels below are about. */
export function BowlChoice({ bowls, names, looks, chosen, onChoose }: Props) {
  return (
    <Box as="fieldset" aria-label="Chocolates of this batch" display="flex" gap="2" flexWrap="wrap">
      {bowls.map((bowl) => (
        <Choice
          key={bowl.key}
          of={bowl.key}
          name={names.get(bowl.key) ?? bowl.key}
          looks={looks.get(bowl.key) ?? lookOf(bowl)}
          chosen={bowl.key === chosen}
          onChoose={onChoose}
        />
      ))}
    </Box>
  );
}

interface ChoiceProps {
  of: string;
  name: string;
  looks: string;
  chosen: boolean;
  onChoose: (key: string) => void;
}

const Choice = memo(function Choice({ of, name, looks, chosen, onChoose }: ChoiceProps) {
  return (
    <Chosen
      chosen={chosen}
      onChoose={() => onChoose(of)}
      display="flex"
      alignItems="center"
      gap="2"
    >
      <Swatch looks={looks} size={24} />
      {name}
    </Chosen>
  );
});
