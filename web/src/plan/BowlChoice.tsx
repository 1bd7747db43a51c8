import { Box } from "@chakra-ui/react";
import type { BowlInputs } from "../api/client";
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
        <Box
          key={bowl.key}
          as="button"
          aria-pressed={bowl.key === chosen}
          onClick={() => onChoose(bowl.key)}
          display="flex"
          alignItems="center"
          gap="2"
          minH="48px"
          px="3"
          borderRadius="slab"
          borderWidth="2px"
          bg="bg.panel"
          cursor="pointer"
          fontWeight={bowl.key === chosen ? "640" : "500"}
          borderColor={bowl.key === chosen ? "ink" : "border"}
        >
          <Box
            w="24px"
            h="24px"
            borderRadius="4px"
            borderWidth="1px"
            style={{ background: looks.get(bowl.key) ?? lookOf(bowl) }}
          />
          {names.get(bowl.key)}
        </Box>
      ))}
    </Box>
  );
}
