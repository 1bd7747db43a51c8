import { Box } from "@chakra-ui/react";
import type { ComponentPlan } from "../api/client";
import { mass } from "../kit/format";
import { inWords } from "../kit/message";
import { ShowSum } from "../kit/ShowSum";
import { storageWords } from "./storageWords";

function long(mm: number): string {
  return mm < 1000 ? `${Math.round(mm)} mm long` : `${(mm / 1000).toFixed(1)} m long`;
}

/** What it comes to: area, thickness, pieces, and what goes in and on. */
export function WorkFigures({ plan }: { plan: ComponentPlan }) {
  const { pieces, toppings, mixed_in } = plan;
  const facts = [
    plan.area_cm2 != null && `${Math.round(plan.area_cm2)} cm²`,
    plan.thickness_mm != null && `${Math.round(plan.thickness_mm * 10) / 10} mm`,
    plan.length_mm != null && long(plan.length_mm),
    pieces && `${Math.round(pieces.count)} pieces of ${mass(pieces.each_g)}`,
  ].filter((fact) => typeof fact === "string");
  return (
    <Box color="fg" mt="2" display="grid" gap="1">
      <Box fontWeight="600" data-testid="figures">
        {facts.join(", ")}
      </Box>
      <ShowSum steps={plan.sum} of="chocolate in it" />
      {mixed_in.map((goods, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: two may be called alike
        <Box key={i} data-testid="mixed-in">
          <strong>{`${mass(goods.mass_g)} ${goods.name}`}</strong> mixed in{" "}
          <ShowSum steps={goods.sum} of={`mixed in: ${goods.name}`} />
        </Box>
      ))}
      {toppings.map((topping, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: two may be called alike
        <Box key={i} data-testid="topping">
          <strong>{`${mass(topping.mass_g)} ${topping.name}`}</strong>{" "}
          {`on top: ${[
            `${Math.round(topping.count)} of them, on ${Math.round(topping.covered_pct)} % of the slab`,
            topping.pieces != null && `for about ${topping.pieces} pieces`,
          ]
            .filter((part) => typeof part === "string")
            .join(", ")}`}{" "}
          <ShowSum steps={topping.sum} of={`on top: ${topping.name}`} />
        </Box>
      ))}
      {plan.muddied_pct != null && (
        <Box fontSize="sm">{Math.round(plan.muddied_pct)} % of it is stirred through.</Box>
      )}
      {plan.keeps && (
        <Box fontSize="sm" data-testid="keeps">
          <strong>Keeps:</strong> {inWords(plan.keeps)}
        </Box>
      )}
      {plan.keeping && (
        <Box fontSize="sm" data-testid="storage">
          <strong>Store:</strong> {storageWords(plan.keeping)}
        </Box>
      )}
    </Box>
  );
}
