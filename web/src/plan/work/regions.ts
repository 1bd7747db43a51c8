import type { MouldInputs } from "../../api/client";

/** What lies on a region, by its name, or on the whole face. */
interface OnRegion {
  region?: string | null;
}

/** What lies on a mould's regions, each by the name that its region has after a change of the mould. */
export function onRegions<T extends OnRegion>(
  lying: readonly T[],
  { regions: before = [] }: MouldInputs,
  { regions: after = [] }: MouldInputs,
): T[] {
  // A region that is put in or away moves the others: nothing was called anew then.
  if (before.length !== after.length) return [...lying];
  return lying.map((one) => {
    const place = before.findIndex(({ name }) => name === one.region);
    const now = after[place]?.name;
    return now === undefined ? one : { ...one, region: now };
  });
}
