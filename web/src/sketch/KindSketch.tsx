import type { ReactNode } from "react";
import type { Family, KindAnswer, WorkKind } from "../api/client";
import { chocolateColours } from "../theme/chocolate";

/** What is drawn: the kinds of work, and a slab that has goods in it. */
export type Sketched = WorkKind | "mixed";

type Chocolate = (typeof chocolateColours)[Family];

/** What it is drawn in: its first chocolate, another, a pale one, and its colour. */
interface Palette {
  first: Chocolate;
  other: Chocolate;
  pale: Chocolate;
  colour: string;
}

const BLUE = "#2F5FB3";
const GOODS = "#E9D8A9";

/** A broad light over what lies flat. */
function Sheen({ x, y, w, h }: { x: number; y: number; w: number; h: number }) {
  const at = x + w * 0.3;
  return (
    <path
      d={`M${at} ${y}h${w * 0.16}l${-h * 0.45} ${h}h${-w * 0.16}z`}
      fill="#FFFFFF"
      opacity="0.22"
    />
  );
}

function Ball({ x, y, r, fill }: { x: number; y: number; r: number; fill: string }) {
  return (
    <>
      <circle cx={x} cy={y} r={r} fill={fill} />
      <ellipse
        cx={x - r * 0.35}
        cy={y - r * 0.4}
        rx={r * 0.28}
        ry={r * 0.18}
        fill="#FFFFFF"
        opacity="0.6"
      />
    </>
  );
}

const dots = [
  [24, 22],
  [38, 40],
  [52, 20],
  [63, 50],
  [78, 30],
  [92, 46],
  [31, 54],
  [100, 22],
];

/** A drawing of each kind, in the chocolate's own colours. */
const sketches: Record<Sketched, (palette: Palette) => ReactNode> = {
  slab: ({ first }) => (
    <>
      <rect x="12" y="10" width="96" height="52" rx="3" fill={first.body} />
      <Sheen x={12} y={10} w={96} h={52} />
      {dots.map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r="3.4" fill={GOODS} />
      ))}
    </>
  ),
  mixed: ({ first, other }) => (
    <>
      <path
        d="M14 20l14-9 20 4 18-5 22 3 18 10-4 22 3 12-22 6-24-3-22 4-20-8 4-18z"
        fill={first.body}
      />
      {dots.map(([x, y]) => (
        <ellipse key={`${x} ${y}`} cx={x} cy={y} rx="6" ry="4.4" fill={other.body} />
      ))}
      {dots.slice(2, 6).map(([x = 0, y = 0]) => (
        <circle key={`${x} ${y}`} cx={x + 7} cy={y + 5} r="3" fill={GOODS} />
      ))}
    </>
  ),
  clusters: ({ first, other }) => (
    <>
      {[28, 62, 94].map((x, i) => (
        <g key={x}>
          <path
            d={`M${x - 17} 58c-2-10 4-20 9-21 1-9 8-12 12-8 8-1 13 8 11 14 5 4 4 12 2 15z`}
            fill={i === 1 ? other.body : first.body}
          />
          <circle cx={x - 6} cy="42" r="4" fill={GOODS} />
          <circle cx={x + 5} cy="36" r="3.4" fill={GOODS} />
          <circle cx={x + 6} cy="50" r="4" fill={GOODS} />
        </g>
      ))}
    </>
  ),
  layered: ({ first, pale }) => (
    <>
      <path d="M12 24l16-10h80l-16 10z" fill={first.body} />
      <path d="M28 14h22l-16 10h-22z" fill="#FFFFFF" opacity="0.18" />
      <rect x="12" y="24" width="80" height="12" fill={first.edge} />
      <rect x="12" y="36" width="80" height="12" fill={pale.body} />
      <rect x="12" y="48" width="80" height="12" fill={first.body} />
      <path d="M92 24l16-10v36l-16 10z" fill={first.edge} />
      <path d="M92 36l16-10v12l-16 10z" fill={pale.edge} />
    </>
  ),
  marbled: ({ first, pale }) => (
    <>
      <rect x="12" y="10" width="96" height="52" rx="3" fill={first.body} />
      <g fill="none" strokeLinecap="round">
        <path d="M16 26c18-14 26 18 44 4s26-6 44-10" stroke="#7B68C9" strokeWidth="7" />
        <path d="M16 46c20-10 28 12 46 2s26-10 42-2" stroke={pale.body} strokeWidth="5" />
        <path d="M18 56c22-6 34 4 84-4" stroke="#7B68C9" strokeWidth="3" />
      </g>
      <Sheen x={12} y={10} w={96} h={52} />
    </>
  ),
  shards: ({ first }) => (
    <>
      <path d="M12 12l26-2-8 50-18 2z" fill={first.body} />
      <path d="M43 10l22 1-12 50-18-1z" fill={first.body} />
      <path d="M70 11l14-1-2 50-24 1z" fill={first.body} />
      <path d="M89 10l19 3v48l-21-1z" fill={first.body} />
      <path d="M46 14l8 1-8 40-6-1z" fill="#FFFFFF" opacity="0.2" />
    </>
  ),
  sheet: ({ pale, colour }) => (
    <>
      <circle cx="32" cy="38" r="19" fill={pale.body} stroke={pale.edge} />
      <path d="M32 19a19 19 0 010 38a26 26 0 000-38z" fill={colour} />
      <circle cx="72" cy="44" r="13" fill={pale.body} stroke={pale.edge} />
      <path d="M92 14c16 2 18 16 8 20s-8 18 6 24" fill="none" stroke={colour} strokeWidth="8" />
      <path d="M92 14c16 2 18 16 8 20" fill="none" stroke="#FFFFFF" opacity="0.3" strokeWidth="3" />
    </>
  ),
  wrap: ({ first, pale }) => (
    <>
      <path d="M22 26v24c0 8 17 13 38 13s38-5 38-13V26z" fill={first.body} />
      <path d="M30 32v26l10 3V36z" fill="#FFFFFF" opacity="0.22" />
      <ellipse cx="60" cy="26" rx="38" ry="13" fill={first.edge} />
      <ellipse cx="60" cy="29" rx="33" ry="9" fill={pale.body} />
    </>
  ),
  piped: ({ first }) => (
    <g fill="none" stroke={first.body} strokeWidth="5" strokeLinejoin="round">
      <path d="M40 10l7 18 19 1-15 12 5 19-16-11-16 11 5-19-15-12 19-1z" />
      <path d="M84 22a14 14 0 1014 22 18 18 0 01-14-22z" />
    </g>
  ),
  ribbons: ({ first, other }) => (
    <g fill="none" strokeLinecap="round" strokeWidth="9">
      <path d="M16 50c4-40 28-40 24-6s20 26 24-4 26-26 38 2" stroke={first.edge} />
      <path d="M16 47c4-40 28-40 24-6s20 26 24-4 26-26 38 2" stroke={other.body} strokeWidth="6" />
    </g>
  ),
  sugar: () => (
    <>
      <path
        d="M14 16l90-6 6 46-92 6z"
        fill="#CFE3EC"
        stroke="#8FB3C2"
        strokeWidth="1.5"
        opacity="0.9"
      />
      <path d="M24 44c16-20 28 8 44-8s22-8 34-14" fill="none" stroke="#FFFFFF" strokeWidth="7" />
      <path d="M30 18l14-1-10 40-8 1z" fill="#FFFFFF" opacity="0.7" />
    </>
  ),
  shells: ({ first, colour }) => (
    <>
      {[26, 60, 94].map((x) => (
        <g key={x}>
          <Ball x={x} y={24} r={14} fill={colour} />
          <Ball x={x} y={54} r={14} fill={first.body} />
        </g>
      ))}
    </>
  ),
  hollows: ({ other, pale }) => (
    <>
      <path d="M12 32a22 22 0 0044 0z" fill={other.body} />
      <ellipse cx="34" cy="32" rx="22" ry="6" fill={other.edge} />
      <circle cx="30" cy="31" r="3" fill={pale.body} />
      <circle cx="39" cy="32" r="3" fill={pale.body} />
      <Ball x={86} y={38} r={22} fill={other.body} />
      <path d="M64 38h44" stroke={other.edge} strokeWidth="2" />
    </>
  ),
  figures: ({ first, pale }) => (
    <>
      <path d="M60 8c20 0 26 18 26 32s-10 26-26 26-26-12-26-26 6-32 26-32z" fill={first.body} />
      <path d="M60 16c12 0 17 8 17 15s-7 12-17 12-17-5-17-12 5-15 17-15z" fill={pale.body} />
      <circle cx="53" cy="28" r="4" fill={first.body} />
      <circle cx="67" cy="28" r="4" fill={first.body} />
      <path d="M57 34h6l-3 6z" fill="#D69A3A" />
      <path d="M42 44c2 10 6 16 10 18" fill="none" stroke="#FFFFFF" opacity="0.3" strokeWidth="3" />
    </>
  ),
  solids: ({ first, colour }) => (
    <>
      <rect x="16" y="10" width="88" height="52" rx="4" fill={first.body} />
      <path
        d="M38 10v52M60 10v52M82 10v52M16 36h88"
        fill="none"
        stroke={first.edge}
        strokeWidth="3"
      />
      <path d="M24 30c22-16 40 14 72-6" fill="none" stroke={colour} strokeWidth="4" />
      <Sheen x={16} y={10} w={88} h={52} />
    </>
  ),
  dipped: ({ first, pale }) => (
    <>
      <path d="M32 44v22" stroke="#C9A775" strokeWidth="4" />
      <Ball x={32} y={30} r={20} fill={first.body} />
      <path
        d="M16 24c8 6 24-6 32 2M14 34c10 6 26-4 36 2"
        fill="none"
        stroke={pale.body}
        strokeWidth="2.5"
      />
      <rect x="68" y="12" width="40" height="48" rx="6" fill="#D9B27C" />
      <path d="M68 36c12-8 28 6 40-2v20a6 6 0 01-6 6H74a6 6 0 01-6-6z" fill={first.body} />
    </>
  ),
  bottled: ({ colour }) => (
    <>
      <path d="M52 8h16v10l8 8v32a6 6 0 01-6 6H50a6 6 0 01-6-6V26l8-8z" fill={colour} />
      <path d="M50 28h5v28h-5z" fill="#FFFFFF" opacity="0.45" />
      <rect x="51" y="5" width="18" height="7" rx="2" fill="#42505C" />
      <path d="M92 30c6 8 9 12 9 17a9 9 0 01-18 0c0-5 3-9 9-17z" fill={colour} />
    </>
  ),
};

interface Props {
  of: Sketched;
  /** Its chocolates, the first first; dark, if left out. */
  families?: readonly Family[];
  /** How its colours look. */
  colours?: readonly string[];
}

/** What a kind of work looks like, in a few strokes. */
export function KindSketch({ of, families = [], colours = [] }: Props) {
  const [one = "dark", two] = families;
  const light = one === "white" ? "milk" : "white";
  const palette = {
    first: chocolateColours[one],
    other: chocolateColours[two ?? (one === "dark" ? "milk" : one)],
    pale: chocolateColours[two ?? light],
    colour: colours[0] ?? BLUE,
  };
  return (
    <svg viewBox="0 0 120 72" width="120" height="72" aria-hidden="true">
      {sketches[of](palette)}
    </svg>
  );
}

/** What a word of a list is drawn as; nothing, where it is one of another release. */
export function sketchOf(word: string | undefined): Sketched | undefined {
  return word !== undefined && Object.hasOwn(sketches, word) ? (word as Sketched) : undefined;
}

/** What a kind is drawn as. */
export function sketched(start: KindAnswer["start"]): Sketched {
  return start.kind === "slab" && start.mixed_in?.length ? "mixed" : start.kind;
}
