import type { ReactNode } from "react";
import { Smear } from "../bench/Smear";
import { KindSketch } from "../sketch/KindSketch";
import { chocolateColours } from "../theme/chocolate";
import type { Term } from "./glossary";

const { dark, milk } = chocolateColours;

/** A scale with its ranges, and a mark at one of them. */
function Scale({ at, w }: { at: number; w: number }) {
  return (
    <svg viewBox="0 0 120 72" width="120" height="72" aria-hidden="true">
      <rect x="6" y="26" width="108" height="20" rx="3" fill={dark.body} />
      <rect
        x={at}
        y="22"
        width={w}
        height="28"
        rx="3"
        fill="none"
        stroke="#2E56C7"
        strokeWidth="3"
      />
      <path d={`M${at + w / 2} 20l-5-9h10z`} fill="#2E56C7" />
    </svg>
  );
}

function Drawing({ children }: { children: ReactNode }) {
  return (
    <svg viewBox="0 0 120 72" width="120" height="72" aria-hidden="true">
      {children}
    </svg>
  );
}

const slab = <path d="M14 16h92v42H14z" fill={dark.body} />;

/** What a word looks like. */
const pictures: Partial<Record<Term, ReactNode>> = {
  temper: <KindSketch of="slab" />,
  seed: (
    <Drawing>
      <path d="M18 36h84c0 18-16 28-42 28S18 54 18 36z" fill="#C3CBC6" />
      <ellipse cx="60" cy="36" rx="42" ry="9" fill={milk.body} />
      {[40, 56, 72].map((x, i) => (
        <path key={x} d={`M${x} ${10 + i * 4}l12 2-2 10-12-2z`} fill={dark.body} />
      ))}
    </Drawing>
  ),
  melt: <Scale at={84} w={22} />,
  cool: <Scale at={18} w={16} />,
  working: <Scale at={48} w={14} />,
  lost: <Scale at={66} w={4} />,
  limit: <Scale at={108} w={4} />,
  test: <Smear seen="even_satin" />,
  satin: <Smear seen="sets_from_edge" />,
  bloom: (
    <Drawing>
      {slab}
      {[
        [34, 30, 9],
        [66, 42, 12],
        [88, 26, 7],
      ].map(([x, y, r]) => (
        <circle key={x} cx={x} cy={y} r={r} fill="#C8C8C6" opacity="0.6" />
      ))}
    </Drawing>
  ),
  dew_point: (
    <Drawing>
      {slab}
      {[28, 46, 64, 84].map((x, i) => (
        <path
          key={x}
          d={`M${x} ${22 + (i % 2) * 10}c4 6 6 8 6 12a6 6 0 01-12 0c0-4 2-6 6-12z`}
          fill="#82CBEA"
        />
      ))}
    </Drawing>
  ),
  rim: (
    <Drawing>
      <path d="M14 20v36h92V20" fill="none" stroke="#42505C" strokeWidth="4" />
      <path d="M18 42h84v12H18z" fill={dark.body} />
      <path d="M8 20v36" stroke="#2E56C7" strokeWidth="3" />
    </Drawing>
  ),
  shell: (
    <Drawing>
      <path d="M20 14h80c0 28-16 44-40 44S20 42 20 14z" fill={dark.body} />
      <path d="M30 14h60c0 21-12 33-30 33S30 35 30 14z" fill="#E9ECE9" />
    </Drawing>
  ),
  drain: <KindSketch of="shells" />,
  unmould: <KindSketch of="hollows" />,
  ganache: (
    <Drawing>
      <path d="M20 14h80c0 28-16 44-40 44S20 42 20 14z" fill={dark.body} />
      <path d="M28 20h64c-2 18-13 30-32 30S30 38 28 20z" fill="#8A5A3C" />
    </Drawing>
  ),
  coating: <KindSketch of="dipped" />,
  snap: (
    <Drawing>
      <path d="M12 22l44-6-6 38-38 4z" fill={dark.body} />
      <path d="M64 14l44 8-2 36-46-4 4-12-6-10z" fill={dark.body} />
    </Drawing>
  ),
};

/** A picture of what a word means, where it can be drawn. */
export function TermPicture({ of }: { of: Term }) {
  return pictures[of] ?? null;
}
