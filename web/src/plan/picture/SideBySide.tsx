import type { ReactNode } from "react";

const WIDTH = 560;
const MOST = 60;

interface Props {
  /** How many there will be. */
  pieces: number;
  /** What they lie on. */
  ground?: string | undefined;
  /** One of them, about its middle, in a place so wide. */
  children: (piece: { i: number; step: number }) => ReactNode;
}

/** Pieces side by side, as many as there will be, or the first of very many. */
export function SideBySide({ pieces, ground, children }: Props) {
  const all = Math.round(pieces);
  const count = Math.min(all, MOST);
  const across = Math.min(12, Math.max(4, Math.ceil(Math.sqrt(count * 2))));
  const step = (WIDTH - 12) / across;
  const rows = Math.max(1, Math.ceil(count / across));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${rows * step + 8}`}
      role="img"
      aria-label={`${all} pieces${all > count ? `, ${count} of them drawn` : ""}`}
      width="100%"
      style={{ maxHeight: "300px", background: ground, borderRadius: 6 }}
      data-testid="pieces-picture"
    >
      {Array.from({ length: count }, (_, i) => (
        <g
          // biome-ignore lint/suspicious/noArrayIndexKey: a piece is its place
          key={i}
          transform={`translate(${6 + (i % across) * step + step / 2} ${4 + Math.floor(i / across) * step + step / 2})`}
        >
          {children({ i, step })}
        </g>
      ))}
    </svg>
  );
}
