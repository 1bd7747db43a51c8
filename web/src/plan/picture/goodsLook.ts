/** How goods are drawn: their body and their edge. */
export interface GoodsLook {
  body: string;
  edge: string;
}

const plain: GoodsLook = { body: "#E8D9B8", edge: "#6B5433" };

/** By a word of their name; the first that is found counts. */
const looks: [RegExp, GoodsLook][] = [
  [/salt|coconut|marshmallow|sugar pearl/i, { body: "#FBFAF5", edge: "#8C8A80" }],
  [/star|sprinkle/i, { body: "#F4D35E", edge: "#8A6A12" }],
  [/cherr|cranberr|rose/i, { body: "#9E2B3F", edge: "#4E121D" }],
  [/berr|petal|violet/i, { body: "#B4508F", edge: "#5C2148" }],
  [/raisin|fig|date|prune|nib/i, { body: "#4B2E39", edge: "#D9C7B0" }],
  [/pistachio|pumpkin|mint|matcha/i, { body: "#9DB668", edge: "#4B5E26" }],
  [/orange|apricot|mango|ginger|peel/i, { body: "#E39A3B", edge: "#80500F" }],
  [/almond/i, { body: "#F1E2C4", edge: "#8B6A3E" }],
  [/nut|pecan|praline|sesame/i, { body: "#CFA36B", edge: "#6B4A1F" }],
  [/cereal|flake|wafer|biscuit|pretzel|cookie/i, { body: "#E3B765", edge: "#80591A" }],
];

/** How goods of a name look, about. */
export function goodsLook(name: string): GoodsLook {
  return looks.find(([word]) => word.test(name))?.[1] ?? plain;
}
