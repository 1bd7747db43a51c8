import type { BlendPart, Family, RecipeInputs } from "../api/client";

/** How each family looks, set: the body, its edge in section, and a light on it. */
export const chocolateColours: Record<Family, { body: string; edge: string; light: string }> = {
  dark: { body: "#2C1A12", edge: "#1A0E09", light: "#8A7468" },
  milk: { body: "#6A4128", edge: "#4A2B19", light: "#C09A80" },
  white: { body: "#F0E4C9", edge: "#D6C59F", light: "#FFFDF6" },
  ruby: { body: "#B4596E", edge: "#8C4053", light: "#F0BCC7" },
  blond: { body: "#C6975A", edge: "#9C7240", light: "#F1D9AF" },
  cocoa_butter: { body: "#EBD58E", edge: "#CBB063", light: "#FFF8DA" },
  coating: { body: "#3A2419", edge: "#24150E", light: "#947C6F" },
};

/** A blend: its parts side by side, each as wide as its share. */
export function blendLook(parts: readonly BlendPart[]): string {
  let from = 0;
  const stops = parts.map(({ family, share_pct }) => {
    const start = from;
    from += share_pct;
    return `${chocolateColours[family].body} ${start}% ${from}%`;
  });
  return `linear-gradient(100deg, ${stops.join(", ")})`;
}

/** What a chocolate looks like: its family, or the blend in its place. */
export function lookOf(kind: {
  family: Family;
  blend?: BlendPart[] | null;
  colour?: RecipeInputs | null;
  looks?: string | null;
}): string {
  if (kind.looks) return kind.looks;
  const pigment = kind.colour?.pigments[0]?.pigment?.srgb;
  if (pigment) return pigment;
  return kind.blend ? blendLook(kind.blend) : chocolateColours[kind.family].body;
}

/** Whether dark marks are needed on it. */
export function isPale(family: Family): boolean {
  return isLight(chocolateColours[family].body);
}

/** Red, green and blue of a colour, `#rrggbb`, each of 255. */
export function channels(srgb: string): [number, number, number] {
  const of = (at: number) => Number.parseInt(srgb.slice(at, at + 2), 16);
  return [of(1), of(3), of(5)];
}

/** The same for a colour, `#rrggbb`: whichever stands out more, by the ratio that readers need. */
export function isLight(srgb: string): boolean {
  const linear = (c: number) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4);
  const [r = 0, g = 0, b = 0] = channels(srgb).map((c) => linear(c / 255));
  const shines = 0.2126 * r + 0.7152 * g + 0.0722 * b;
  // White on it stands out by 1.05/(L + 0.05): by 4.5, what small text needs, up to here.
  return shines > 0.183;
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

/** What it is called: its family, or the parts of the blend in its place. */
export function kindWords(kind: { family: Family; blend?: BlendPart[] | null }): string {
  if (!kind.blend) return familyNames[kind.family];
  const parts = kind.blend.map(
    ({ family, share_pct }) => `${share_pct} % ${familyNames[family].toLowerCase()}`,
  );
  return `Blend of ${parts.join(", ")}`;
}

export const families = Object.keys(familyNames) as Family[];
