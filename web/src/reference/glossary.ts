/** The words of the craft, each in a line, as one would say it to a beginner. */
export const glossary = {
  temper: {
    name: "Tempered",
    line: "Set with the right crystals: it shines, snaps and comes away from what it lies on.",
  },
  seed: {
    name: "Seed",
    line: "Chocolate in temper, held back solid and stirred into the melted: its crystals are copied.",
  },
  melt: {
    name: "Melting range",
    line: "Warm enough that every old crystal is gone, and not so warm that it harms.",
  },
  cool: {
    name: "Cooling range",
    line: "Where crystals of every kind form. Most ways pass through it or stop just above.",
  },
  working: {
    name: "Working range",
    line: "Where it may be poured and worked: crystals stay, and it still flows.",
  },
  lost: {
    name: "Temper lost",
    line: "Warmed past this the right crystals melt away, and it must be tempered again.",
  },
  limit: {
    name: "Limit",
    line: "Never warmer than this: milk in it scorches, cocoa turns bitter and grainy.",
  },
  test: {
    name: "Temper test",
    line: "A thin smear on parchment: in temper it sets within minutes, even and satin.",
  },
  satin: {
    name: "Satin and sheen",
    line: "How a surface looks as crystals take hold: first a soft gloss, then a clear light on it.",
  },
  bloom: {
    name: "Bloom",
    line: "A grey film. Fat bloom comes of poor temper or warmth, sugar bloom of damp. It is edible.",
  },
  carry_over: {
    name: "Carry-over",
    line: "How far a bowl goes on warming after it is off the heat.",
  },
  dew_point: {
    name: "Dew point",
    line: "Whatever is colder than this gets wet in this room: chocolate then blooms.",
  },
  rim: {
    name: "Rim",
    line: "How high the tray's edge stands. Leave it empty where it does not matter.",
  },
  crystals: {
    name: "Ready crystals",
    line: "Cocoa butter in temper, grated or as powder: one part to a hundred does what seed does.",
  },
  shell: {
    name: "Shell and wall",
    line: "What stays in a mould once it is dumped; how thick that is.",
  },
  drain: {
    name: "Drain time",
    line: "How long a filled mould stands before it is turned over: longer makes a thicker wall.",
  },
  unmould: {
    name: "Unmould",
    line: "To turn it out. Set chocolate shrinks and comes away by itself.",
  },
  ganache: {
    name: "Ganache",
    line: "Chocolate and cream stirred into one. It perishes: mind how long it keeps.",
  },
  coating: {
    name: "Coating",
    line: "Made with other fats than cocoa butter. It is melted and used: nothing to temper.",
  },
  couverture: {
    name: "Couverture",
    line: "Chocolate with much cocoa butter: it flows thin, and is made to be tempered.",
  },
  flow: {
    name: "Flow grade",
    line: "How freely it flows melted, from thick for chips to thin for fine coats.",
  },
  snap: {
    name: "Snap",
    line: "The clean crack of a piece in temper. What bends or crumbles is not.",
  },
  seize: {
    name: "Seized",
    line: "A drop of water turned it to a stiff paste. It cannot be tempered any more.",
  },
} as const;

export type Term = keyof typeof glossary;
