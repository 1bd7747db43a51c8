import { memo } from "react";
import { Places } from "../kit/Places";

/** The places of a plan; what leads on from another has no place of its own on a phone. */
const places: { at: string; name: string; wide?: boolean }[] = [
  { at: "", name: "Plan" },
  { at: "/boxes", name: "Boxes" },
  { at: "/schedule", name: "Schedule" },
  { at: "/shopping", name: "Shopping" },
  { at: "/cost", name: "Cost", wide: true },
  { at: "/steps", name: "Steps" },
  { at: "/card", name: "Paper" },
];

/** The places of one plan. */
export const PlanPlaces = memo(function PlanPlaces({ planId }: { planId: string }) {
  return (
    <Places
      label="Of this plan"
      places={places.map(({ at, name, wide }) => ({ to: `/plans/${planId}${at}`, name, wide }))}
    />
  );
});
