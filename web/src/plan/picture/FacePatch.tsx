import type { ComponentPlan } from "../../api/client";
import { thrown } from "./thrown";

export type Face = NonNullable<ComponentPlan["face"]>;

interface Props {
  face: Face;
  /** It is drawn so wide and so high, its middle at the origin. */
  w: number;
  h: number;
  seed: number;
}

/** One face: its parts from top to bottom by their shares, with flecks and streaks. */
export function FacePatch({ face, w, h, seed }: Props) {
  const next = thrown(seed);
  let top = -h / 2;
  return (
    <>
      {face.parts.map((part, i) => {
        const tall = (h * part.share_pct) / 100;
        const y = top;
        top += tall;
        return (
          <g key={part.name ?? i}>
            <rect x={-w / 2} y={y} width={w} height={tall + 0.5} fill={part.looks} />
            {part.flecks.map(({ film, looks }) => {
              const of = face.films[film];
              const share = (of?.share_pct ?? 0) / 100;
              const streaky = of?.way === "finger" || of?.way === "brush" || of?.way === "sheet";
              // A stroke is about a finger long, a fleck small beside the piece.
              const count = streaky
                ? Math.min(30, Math.max(3, Math.round((share * w * tall) / 900)))
                : Math.min(40, Math.round(share * 90));
              // So many that together they cover the share.
              const r = Math.sqrt((share * w * tall) / (count * Math.PI * (streaky ? 5 : 1)));
              return Array.from({ length: count }, (_, n) => (
                <ellipse
                  // biome-ignore lint/suspicious/noArrayIndexKey: a fleck is its place
                  key={`${film} ${n}`}
                  cx={(next() - 0.5) * w}
                  cy={y + next() * tall}
                  rx={streaky ? r * 4 : r}
                  ry={streaky ? r * 1.25 : r}
                  transform={streaky ? `rotate(${-28 + next() * 12})` : undefined}
                  fill={looks}
                />
              ));
            })}
          </g>
        );
      })}
    </>
  );
}
