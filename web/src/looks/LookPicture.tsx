import type { ReactNode } from "react";
import type { Symptom } from "../api/client";
import { chocolateColours } from "../theme/chocolate";
import type { Look } from "./words";

const { body, edge, light } = chocolateColours.milk;
const VEIL = "#D8D4CC";

/** The piece that everything is seen on: a bar of 48 by 32, a little from above. */
function Piece({ children, broken }: { children?: ReactNode; broken?: boolean }) {
  return (
    <>
      {!broken && <rect x="6" y="8" width="44" height="26" rx="4" fill={edge} />}
      {!broken && <rect x="6" y="6" width="44" height="26" rx="4" fill={body} />}
      {children}
    </>
  );
}

const Sheen = ({ strength }: { strength: number }) => (
  <path d="M18 6h8l-9 26h-8z" fill="#FFFFFF" opacity={strength} />
);

/** Two halves of a broken bar: their edges say how it broke. */
function Halves({ left, right }: { left: string; right: string }) {
  return (
    <>
      <path d={left} fill={body} />
      <path d={right} fill={body} />
    </>
  );
}

/** A mould's cavity with what stands above it or stays in it. */
function Mould({ lifted, left }: { lifted: number; left?: string }) {
  return (
    <>
      <path d="M4 20h48v14a3 3 0 0 1-3 3H7a3 3 0 0 1-3-3z" fill={VEIL} />
      <path d="M12 20h32l-4 12H16z" fill="#FFFFFF" />
      {left && <path d={left} fill={body} />}
      {lifted > 0 && (
        <path d="M12 20h32l-4 12H16z" fill={body} transform={`translate(0 ${-lifted})`} />
      )}
    </>
  );
}

const dots = (places: [number, number][], r: number, fill: string, opacity = 1) =>
  places.map(([x, y]) => (
    <circle key={`${x}-${y}`} cx={x} cy={y} r={r} fill={fill} opacity={opacity} />
  ));

const strokes = (d: string, colour: string, width: number, opacity = 1) => (
  <path
    d={d}
    fill="none"
    stroke={colour}
    strokeWidth={width}
    strokeLinecap="round"
    opacity={opacity}
  />
);

const bowl = (inside: ReactNode) => (
  <>
    <path d="M6 14h44a22 22 0 0 1-44 0z" fill={VEIL} />
    {inside}
  </>
);

// Faults that the looks name already are drawn as those.
const noShine = (
  <Piece>
    <rect x="6" y="6" width="44" height="26" rx="4" fill={light} opacity="0.45" />
  </Piece>
);
const bent = (
  <Piece broken>
    <path d="M5 26c8-16 38-16 46 0l-7 4c-8-12-24-12-32 0z" fill={body} />
  </Piece>
);
const leftBehind = <Mould lifted={0} left="M12 20h32l-4 12H16z" />;

const drawn: Record<`${Look}-${string}` | Symptom, ReactNode> = {
  "gloss-glossy": (
    <Piece>
      <Sheen strength={0.75} />
    </Piece>
  ),
  "gloss-satin": (
    <Piece>
      <Sheen strength={0.3} />
    </Piece>
  ),
  "gloss-dull": noShine,
  "snap-clean": (
    <Piece broken>
      <Halves left="M5 12h20l-3 6 3 8H5z" right="M31 12h20v14H31l-3-8z" />
    </Piece>
  ),
  "snap-soft": (
    <Piece broken>
      <Halves
        left="M5 14c8-2 14-2 20 0c-2 3 2 5-1 7s1 4-1 6H5z"
        right="M32 14c7-2 12-2 19 0v13H31c2-2-2-4 0-6s-1-5 1-7z"
      />
    </Piece>
  ),
  "snap-bends": bent,
  "released-freely": <Mould lifted={16} />,
  "released-in_places": <Mould lifted={13} left="M16 28l1 4h10l2-4z" />,
  "released-stuck": leftBehind,
  "streaks-none": (
    <Piece>
      <Sheen strength={0.4} />
    </Piece>
  ),
  "streaks-some": <Piece>{strokes("M14 26c6-8 10-2 14-10", VEIL, 2.5, 0.8)}</Piece>,
  "streaks-many": (
    <Piece>
      {strokes("M10 26c6-8 8-2 12-14M20 30c6-8 10-4 14-20M34 30c4-8 8-6 12-16", VEIL, 2.5, 0.9)}
    </Piece>
  ),
  dull: noShine,
  streaks: <Piece>{strokes("M10 26c6-8 8-2 12-14M26 30c6-8 10-4 14-20", VEIL, 2.5, 0.9)}</Piece>,
  fat_bloom: (
    <Piece>
      {dots(
        [
          [18, 16],
          [36, 22],
          [27, 12],
          [42, 12],
        ],
        6,
        VEIL,
        0.6,
      )}
    </Piece>
  ),
  sugar_bloom: (
    <Piece>
      {dots(
        [
          [12, 12],
          [18, 20],
          [25, 11],
          [30, 24],
          [36, 15],
          [43, 22],
          [22, 28],
          [45, 11],
          [14, 26],
          [38, 28],
        ],
        1.8,
        "#FFFFFF",
        0.9,
      )}
    </Piece>
  ),
  soft: bent,
  stuck: leftBehind,
  cracks: <Piece>{strokes("M8 10l10 7-3 6 12 8M32 7l-4 8 8 4", "#FFFFFF", 1.6)}</Piece>,
  thin_spots: (
    <Piece>
      {dots(
        [
          [20, 18],
          [38, 24],
        ],
        4.5,
        "#FFFFFF",
        0.9,
      )}
    </Piece>
  ),
  bubbles: (
    <Piece>
      {dots(
        [
          [15, 14],
          [24, 24],
          [33, 13],
          [42, 22],
          [18, 27],
        ],
        2.2,
        edge,
      )}
    </Piece>
  ),
  colour_left: (
    <>
      <Mould lifted={0} left="M14 24h9l2 4h-9zM31 22h10l-2 6h-9z" />
      <path d="M12 4h32l-3 10H15z" fill={body} />
    </>
  ),
  thick_in_bowl: bowl(<path d="M12 14c4-8 8-3 12-7s6 2 10-1 8 3 10 8z" fill={body} />),
  seized: bowl(
    <path d="M14 14l3-6 5 3 4-6 5 6 5-4 2 7z" fill={body} stroke={edge} strokeWidth="1" />,
  ),
  layers_part: (
    <>
      <rect x="6" y="6" width="44" height="10" rx="3" fill={body} transform="rotate(-4 28 11)" />
      <rect x="6" y="22" width="44" height="11" rx="3" fill={chocolateColours.white.edge} />
    </>
  ),
  toppings_fall: (
    <>
      <rect x="6" y="10" width="44" height="16" rx="4" fill={body} />
      {dots(
        [
          [16, 32],
          [26, 34],
          [38, 32],
        ],
        3,
        "#D9B36A",
      )}
    </>
  ),
  muddy: (
    <Piece>
      <path d="M6 18c8-8 14 8 22 0s14 8 22 0v10a4 4 0 0 1-4 4H10a4 4 0 0 1-4-4z" fill="#7B6A66" />
    </Piece>
  ),
  breaks_on_lifting: (
    <>
      {strokes("M6 26c6-14 10-14 14-4M30 14c6-4 12 6 20 10", body, 3.5)}
      {strokes("M20 22l3 4M30 14l-3-4", body, 3.5, 0.7)}
    </>
  ),
  grey_layer: (
    <>
      <rect x="6" y="6" width="44" height="11" rx="3" fill={body} />
      <rect x="6" y="16" width="44" height="6" fill={VEIL} />
      <rect x="6" y="21" width="44" height="12" rx="3" fill={body} />
    </>
  ),
  burnt: (
    <>
      <rect x="6" y="16" width="44" height="16" rx="4" fill={chocolateColours.dark.edge} />
      {strokes("M18 12c-3-4 3-5 0-9M30 12c-3-4 3-5 0-9M42 12c-3-4 3-5 0-9", "#8A8A88", 1.8)}
    </>
  ),
};

interface Props {
  /** A look with its value, or a fault. */
  of: `${Look}-${string}` | Symptom;
}

/** What a look or a fault looks like, drawn on a small bar. */
export function LookPicture({ of }: Props) {
  return (
    <svg viewBox="0 0 56 40" width="56" height="40" aria-hidden="true" data-look={of}>
      {drawn[of]}
    </svg>
  );
}
