import { memo } from "react";
import { stirred } from "./look";
import { thrown } from "./thrown";

interface Part {
  body: string;
  share: number;
}

interface Props {
  /** The base first. */
  parts: readonly Part[];
  strokes: number;
  /** How much is stirred through, 0 to 1. */
  muddied: number;
  box: { x: number; y: number; w: number; h: number };
}

const BLOBS_EACH = 9;
const BENDS = 5;

/** Blobs in their shares, drawn out by strokes, and muddier with each. */
export const Marble = memo(function Marble({ parts, strokes, muddied, box }: Props) {
  const next = thrown(23);
  const accents = parts.slice(1);
  const area = box.w * box.h;
  const mud = stirred(parts);
  const stretch = 1 + muddied * 2.2;
  const blobs = accents.flatMap((accent, of) =>
    Array.from({ length: BLOBS_EACH }, (_, i) => {
      const each = (area * accent.share) / BLOBS_EACH;
      const r = Math.sqrt(each / Math.PI) * (0.75 + next() * 0.5);
      return {
        key: `${of}-${i}`,
        fill: accent.body,
        x: box.x + next() * box.w,
        y: box.y + next() * box.h,
        rx: r * stretch,
        ry: r / stretch,
        turn: (i % 2 === 0 ? 12 : 78) + next() * 20,
      };
    }),
  );
  const lines = Array.from({ length: strokes }, (_, i) => {
    const across = i % 2 === 1;
    const at = (next() * 0.9 + 0.05) * (across ? box.w : box.h);
    const points = Array.from({ length: BENDS + 1 }, (__, step) => {
      const along = (step / BENDS) * (across ? box.h : box.w);
      const wave = (next() - 0.5) * 16;
      return across
        ? `${box.x + at + wave},${box.y + along}`
        : `${box.x + along},${box.y + at + wave}`;
    });
    const colour = (accents.length > 0 ? accents[i % accents.length] : parts[0])?.body;
    return { key: i, points: points.join(" "), colour };
  });
  return (
    <g data-testid="marble">
      {blobs.map(({ key, turn, x, y, ...ellipse }) => (
        <ellipse key={key} cx={x} cy={y} transform={`rotate(${turn} ${x} ${y})`} {...ellipse} />
      ))}
      {lines.map(({ key, points, colour }) => (
        <polyline
          key={key}
          points={points}
          fill="none"
          stroke={colour}
          strokeWidth="3"
          strokeLinejoin="round"
          opacity={0.75}
        />
      ))}
      <rect x={box.x} y={box.y} width={box.w} height={box.h} fill={mud} opacity={muddied * 0.75} />
    </g>
  );
});
