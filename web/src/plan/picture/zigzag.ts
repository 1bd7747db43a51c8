/** So many strokes can be told apart on a screen. */
const MOST_STROKES = 160;

/**
 * Strokes of a line so long, drawn up and down over a strip from end to end; a line that does
 * not even reach the end runs straight.
 */
export function strokesOf(line_mm: number, long_mm: number, high_mm: number): number {
  const across = line_mm ** 2 - long_mm ** 2;
  if (across <= 0) return 0;
  return Math.min(MOST_STROKES, Math.max(1, Math.round(Math.sqrt(across) / high_mm)));
}

/** A zigzag of so many strokes in a box, as an SVG path; straight through its middle for none. */
export function zigzag(strokes: number, wide: number, high: number): string {
  if (strokes < 1) return `M0 ${high / 2} H${wide}`;
  const points = Array.from({ length: Math.ceil(strokes) + 1 }, (_, i) => {
    const x = Math.min(wide, (wide * i) / strokes);
    return `${x} ${i % 2 === 0 ? high : 0}`;
  });
  return `M${points.join(" L")}`;
}
