import type { Place } from "../api/client";

/** Where in a bowl a thermometer stands, in words. */
export const placeNames: Record<Place, string> = { middle: "in the middle", edge: "at the edge" };

/** The same, to choose from. */
export const placeChoices: Record<Place, string> = {
  middle: "In the middle",
  edge: "At the edge, beside another in the middle",
};
