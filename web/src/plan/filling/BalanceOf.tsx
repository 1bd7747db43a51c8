import { Box } from "@chakra-ui/react";
import type { FillingAnswer, IngredientInputs } from "../../api/client";
import { useBalance } from "../../api/queries";
import { inWords } from "../../kit/message";
import { Notes } from "../../kit/Notes";
import { ShowSum } from "../../kit/ShowSum";

const textures: Record<NonNullable<FillingAnswer["texture"]>, string> = {
  dips: "soft: dips",
  pipes: "pipes",
  rolls: "rolls",
  cuts: "cuts",
};

/** How a recipe is balanced: how it handles, how long it keeps, and why. */
export function BalanceOf({ parts }: { parts: readonly IngredientInputs[] }) {
  const made = useBalance(parts);
  if (!made) return null;
  const { water_pct, fat_pct, sugar_pct, aw, texture, keeps, notes, sum } = made;
  const figures = [
    ["water", `${water_pct.toFixed(0)} %`],
    ["fat", `${fat_pct.toFixed(0)} %`],
    ["sugar", `${sugar_pct.toFixed(0)} %`],
    ["water activity", aw == null ? "–" : aw.toFixed(2)],
    ["handles", texture ? textures[texture] : "–"],
  ];
  return (
    <Box data-testid="balance" borderTopWidth="1px" borderColor="border" pt="2">
      <Box display="flex" flexWrap="wrap" columnGap="5" rowGap="1">
        {figures.map(([name, value]) => (
          <Box key={name}>
            <Box textStyle="label">{name}</Box>
            <Box textStyle="figure" fontSize="lg">
              {value}
            </Box>
          </Box>
        ))}
      </Box>
      <Box mt="1">
        {inWords(keeps)} <ShowSum steps={sum} of="the balance" />
      </Box>
      <Notes notes={notes.filter(({ level }) => level !== "info")} />
    </Box>
  );
}
