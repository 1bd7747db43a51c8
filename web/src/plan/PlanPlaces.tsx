import { memo } from "react";
import { Places } from "../kit/Places";

const places = [
  { at: "", name: "Plan" },
  { at: "/boxes", name: "Boxes" },
  { at: "/schedule", name: "Schedule" },
  { at: "/shopping", name: "Shopping" },
  { at: "/cost", name: "Cost" },
  { at: "/steps", name: "Steps" },
  { at: "/card", name: "Paper" },
];

/** The places of one plan. */
export const PlanPlaces = memo(function PlanPlaces({ planId }: { planId: string }) {
  return (
    <Places
      label="Of this plan"
      places={places.map(({ at, name }) => ({ to: `/plans/${planId}${at}`, name }))}
    />
  );
});
