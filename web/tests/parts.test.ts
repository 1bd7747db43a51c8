import { defaultConfig } from "@chakra-ui/react";
import { expect, test } from "vitest";
import { parts } from "../src/theme/parts";

const sources = import.meta.glob<string>("../src/**/*.{ts,tsx}", {
  query: "?raw",
  import: "default",
  eager: true,
});

/** Parts of the component library that the interface takes: `Button`, `Slider` … */
function taken(): Set<string> {
  const names = new Set<string>();
  for (const source of Object.values(sources)) {
    for (const [, list] of source.matchAll(/import \{([^}]*)\} from "@chakra-ui\/react"/g)) {
      for (const name of list?.split(",") ?? []) names.add(name.trim());
    }
  }
  return names;
}

test("every part taken from the component library brings its styles", () => {
  const known = {
    ...defaultConfig.theme?.recipes,
    ...defaultConfig.theme?.slotRecipes,
  };
  const ours = { ...parts.theme?.recipes, ...parts.theme?.slotRecipes };
  const drawnInside: Record<string, string> = { checkbox: "checkmark", radioGroup: "radiomark" };
  const needed = new Set<string>();
  for (const name of taken()) {
    const key = name.charAt(0).toLowerCase() + name.slice(1);
    if (!(key in known)) continue;
    needed.add(key);
    if (drawnInside[key]) needed.add(drawnInside[key]);
  }
  expect(needed.size).toBeGreaterThan(10);
  expect(Object.keys(ours).sort()).toEqual([...needed].sort());
});
