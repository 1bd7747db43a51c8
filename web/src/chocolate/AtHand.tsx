import { Box, Checkbox } from "@chakra-ui/react";
import type { BowlInputs } from "../api/client";

type Kitchen = NonNullable<BowlInputs["kitchen"]>;

const gear: { name: keyof Kitchen; label: string; word: string }[] = [
  {
    name: "tempered_pieces",
    label: "Pieces still in temper: shiny, with a snap",
    word: "pieces in temper",
  },
  { name: "stone", label: "A slab of stone", word: "a stone" },
  {
    name: "ready_crystals",
    label: "Ready crystals (cocoa butter, all form V)",
    word: "ready crystals",
  },
  { name: "frozen_slab", label: "A slab in the freezer", word: "a frozen slab" },
  {
    name: "colour_bottle",
    label: "A bottle of colour, bought in temper",
    word: "a bottle of colour",
  },
  {
    name: "fine_scale",
    label: "A scale that shows 0.1 g",
    word: "a fine scale",
  },
  { name: "dryer", label: "A hair dryer", word: "a hair dryer" },
  { name: "heating_pad", label: "A heating pad, to stand a bowl on", word: "a heating pad" },
];

/** Pieces come in temper, and there is a hair dryer in the house, unless the maker says otherwise. */
const usual: readonly (keyof Kitchen)[] = ["tempered_pieces", "dryer"];
const has = (kitchen: Kitchen, name: keyof Kitchen) => kitchen[name] ?? usual.includes(name);

/** What is at hand, in a line. */
export function gearWords(kitchen: BowlInputs["kitchen"]): string {
  const words = gear.filter(({ name }) => has(kitchen ?? {}, name)).map(({ word }) => word);
  return words.length > 0 ? `At hand: ${words.join(", ")}` : "No special gear at hand";
}

interface Props {
  kitchen: BowlInputs["kitchen"];
  onChange: (kitchen: Kitchen) => void;
}

/** What is at hand: what a method may need. */
export function AtHand({ kitchen = {}, onChange }: Props) {
  return (
    <Box as="fieldset">
      <Box as="legend" textStyle="label" mb="1">
        At hand
      </Box>
      {gear.map(({ name, label }) => (
        <Checkbox.Root
          key={name}
          display="flex"
          minH="48px"
          alignItems="center"
          checked={has(kitchen, name)}
          onCheckedChange={(next) => onChange({ ...kitchen, [name]: next.checked === true })}
        >
          <Checkbox.HiddenInput />
          <Checkbox.Control />
          <Checkbox.Label fontSize="sm">{label}</Checkbox.Label>
        </Checkbox.Root>
      ))}
    </Box>
  );
}
