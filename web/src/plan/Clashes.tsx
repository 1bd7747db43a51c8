import { Box, Button } from "@chakra-ui/react";
import type { Clash } from "../api/client";

interface Props {
  clashes: Clash[];
  onSettle: (side: "mine" | "theirs") => void;
}

/** A value as it can be read in a line. */
function shown(value: unknown): string {
  if (value === null || value === undefined) return "nothing";
  if (typeof value === "object") return "another choice";
  return String(value);
}

/** The words of a field's path that a person can follow. */
function named(field: string): string {
  return field
    .replace(/^inputs\./, "")
    .replace(/(components|bowls)\[([^\]]*)\]/g, "$2")
    .replace(/\.work|\.cover/g, "")
    .replace(/_(mm|g|c|pct|min|cm2)\b/g, "")
    .replace(/[._]/g, " ");
}

/** The fields that two screens changed, with both values. */
export function Clashes({ clashes, onSettle }: Props) {
  if (clashes.length === 0) return null;
  return (
    <Box role="alert" bg="heat.wash" borderRadius="slab" p="4" mb="3" data-testid="clashes">
      <Box fontWeight="600">Changed on another screen too:</Box>
      <Box as="ul" listStyleType="none" my="2">
        {clashes.map(({ field, mine, theirs }) => (
          <li key={field}>
            {named(field)}: <strong>{shown(mine)}</strong> here, <strong>{shown(theirs)}</strong>{" "}
            there
          </li>
        ))}
      </Box>
      <Box display="flex" gap="2" flexWrap="wrap">
        <Button bg="ink" color="onInk" onClick={() => onSettle("mine")}>
          Keep what is here
        </Button>
        <Button
          variant="outline"
          borderColor="border.emphasized"
          onClick={() => onSettle("theirs")}
        >
          Take what is there
        </Button>
      </Box>
    </Box>
  );
}
