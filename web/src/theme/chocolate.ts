import type { Family } from "../api/client";

/** How each family looks, set: the body, its edge in section, and a light on it. */
export const chocolateColours: Record<Family, { body: string; edge: string; light: string }> = {
  dark: { body: "#2C1A12", edge: "#1A0E09", light: "#8A7468" },
  milk: { body: "#6A4128", edge: "#4A2B19", light: "#C09A80" },
  white: { body: "#F0E4C9", edge: "#D6C59F", light: "#FFFDF6" },
  ruby: { body: "#B65C70", edge: "#8C4053", light: "#F0BCC7" },
  blond: { body: "#C6975A", edge: "#9C7240", light: "#F1D9AF" },
  cocoa_butter: { body: "#EBD58E", edge: "#CBB063", light: "#FFF8DA" },
  coating: { body: "#3A2419", edge: "#24150E", light: "#947C6F" },
};

/** Whether dark marks are needed on it. */
export function isPale(family: Family): boolean {
  return ["white", "blond", "cocoa_butter"].includes(family);
}

export const familyNames: Record<Family, string> = {
  dark: "Dark",
  milk: "Milk",
  white: "White",
  ruby: "Ruby",
  blond: "Blond",
  cocoa_butter: "Cocoa butter",
  coating: "Coating",
};

export const families = Object.keys(familyNames) as Family[];
