import { degreeUnit, shownDegrees } from "../kit/display";

/** What a thermometer is off by, in words. */
export function offWords(offset_c: number | null | undefined): string {
  if (offset_c == null) return "not checked: its readings are taken as they are";
  if (offset_c === 0) return "checked: reads true";
  const by = `${shownDegrees(Math.abs(offset_c)).toFixed(1)} ${degreeUnit}`;
  return offset_c > 0 ? `reads ${by} low; corrected` : `reads ${by} high; corrected`;
}
