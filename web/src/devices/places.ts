/** A place of the application, as the frame lists it. */
export interface Place {
  to: string;
  name: string;
}

/** The places of a maker. */
export const makersPlaces: readonly Place[] = [
  { to: "/plans", name: "Plans" },
  { to: "/bench", name: "Bench" },
  { to: "/log", name: "Log" },
  { to: "/shelf", name: "Shelf" },
  { to: "/colour", name: "Colour" },
  { to: "/reference", name: "Windows" },
];

/** Those of a helper: what is to be done, and what is to be bought. */
export const helpersPlaces: readonly Place[] = [
  { to: "/to-do", name: "To do" },
  { to: "/bench", name: "Bench" },
  { to: "/shopping", name: "Shopping" },
  { to: "/reference", name: "Windows" },
];

const helpersPaths = [
  /^\/to-do$/,
  /^\/shopping$/,
  /^\/build\/[^/]+$/,
  /^\/bench(\/[^/]+)?$/,
  /^\/plans\/[^/]+\/card$/,
  /^\/reference(\/words)?$/,
  /^\/settings$/,
];

/** Whether a helper's screen has anything to do at an address. */
export function isForHelpers(path: string): boolean {
  return helpersPaths.some((known) => known.test(path));
}
