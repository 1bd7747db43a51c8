import { describe, expect, it } from "vitest";
import { strokesOf, zigzag } from "../src/plan/picture/zigzag";

/** How long a path of straight lines is. */
function longOf(path: string): number {
  const points = path
    .slice(1)
    .split(" L")
    .map((point) => point.split(" ").map(Number) as [number, number]);
  return points
    .slice(1)
    .reduce(
      (sum, [x, y], i) => sum + Math.hypot(x - (points[i]?.[0] ?? 0), y - (points[i]?.[1] ?? 0)),
      0,
    );
}

describe("a pattern on a strip", () => {
  it("is about as long as the line that is piped", () => {
    for (const line of [1500, 2500, 6000]) {
      const strokes = strokesOf(line, 700, 90);
      expect(Math.abs(longOf(zigzag(strokes, 700, 90)) - line) / line).toBeLessThan(0.05);
    }
  });

  it("runs straight where the line does not reach the end", () => {
    expect(strokesOf(300, 700, 90)).toBe(0);
    expect(zigzag(0, 300, 90)).toBe("M0 45 H300");
  });
});
