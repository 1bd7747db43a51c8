import type { ComponentPlan } from "../../api/client";
import { Spots } from "./Spots";
import { thrown } from "./thrown";

export type Face = NonNullable<ComponentPlan["face"]>;

interface Props {
  face: Face;
  /** It is drawn so wide and so high, its middle at the origin. */
  w: number;
  h: number;
  seed: number;
  /** What is smeared on the bare mould: how it looks, and the share that it covers. */
  smear?: { looks: string; share: number } | undefined;
}

/** One face: its parts from top to bottom by their shares, with flecks and streaks. */
export function FacePatch({ face, w, h, seed, smear }: Props) {
  const next = thrown(seed);
  let top = -h / 2;
  // A colour all over hides what is smeared behind it.
  const bare = face.films.every(({ share_pct }) => share_pct < 100);
  return (
    <>
      {face.parts.map((part, i) => {
        const tall = (h * part.share_pct) / 100;
        const y = top;
        top += tall;
        return (
          <g key={part.name ?? i}>
            <rect x={-w / 2} y={y} width={w} height={tall + 0.5} fill={part.looks} />
            {smear && bare && (
              <Spots {...{ w, y, tall, next }} share={smear.share} streaky looks={smear.looks} />
            )}
            {part.flecks.map(({ film, looks }) => {
              const of = face.films[film];
              const way = of?.way;
              return (
                <Spots
                  key={film}
                  {...{ w, y, tall, looks, next }}
                  share={(of?.share_pct ?? 0) / 100}
                  streaky={way === "finger" || way === "brush" || way === "sheet"}
                />
              );
            })}
          </g>
        );
      })}
    </>
  );
}
