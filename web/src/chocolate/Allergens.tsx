import { Box } from "@chakra-ui/react";
import type { Allergen, WholePlan } from "../api/client";

export const allergenWords: Record<Allergen, string> = {
  milk: "milk",
  soya: "soya",
  nuts: "nuts",
  peanuts: "peanuts",
  gluten: "gluten",
  sesame: "sesame",
  egg: "egg",
};

interface Props {
  /** None where a batch of an earlier release was kept without it. */
  of: WholePlan["allergens"] | null | undefined;
}

/** What all of it contains, may contain, and whose label is still to be read. */
export function Allergens({ of }: Props) {
  if (!of) return null;
  const { contains, may_contain, unread } = of;
  const listed = (all: readonly Allergen[]) => all.map((one) => allergenWords[one]).join(", ");
  return (
    <Box data-testid="allergens" fontSize="sm">
      {contains.length > 0 && <strong>{`Contains ${listed(contains)}. `}</strong>}
      {may_contain.length > 0 && `May contain ${listed(may_contain)}. `}
      {unread.length > 0 && `Read the label of: ${unread.join(", ")}.`}
    </Box>
  );
}
