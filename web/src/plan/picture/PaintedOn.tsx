import type { ComponentPlan } from "../../api/client";
import { Spots } from "./Spots";
import { thrown } from "./thrown";

interface Props {
  painted: NonNullable<ComponentPlan["painted"]>;
  /** It is drawn so wide and so high, its middle at the origin. */
  w: number;
  h: number;
  seed: number;
}

/** Nearly all of it: then no gap between strokes is seen. */
const ALL_PCT = 95;
/** A dust and a spray lie thin. */
const THIN = 0.6;

/** What is painted or dusted on a finished piece: strokes, flecks, a film, a shimmer. */
export function PaintedOn({ painted, w, h, seed }: Props) {
  const next = thrown(seed * 31);
  return painted.map(({ looks, way, share_pct }, i) => {
    const key = `${i} ${looks}`;
    const even = way === "spray" || share_pct >= ALL_PCT;
    const opacity = way === "spray" || way == null ? THIN : 1;
    return (
      <g key={key} opacity={opacity} data-testid="painted-on">
        {even ? (
          <rect
            x={-w / 2}
            // A spray that does not cover all of it comes from above.
            y={-h / 2}
            width={w}
            height={(h * share_pct) / 100}
            fill={looks}
          />
        ) : (
          <Spots
            {...{ w, looks, next }}
            y={-h / 2}
            tall={h}
            share={share_pct / 100}
            // A dust settles in grains, as flecks do.
            streaky={way === "brush" || way === "finger"}
          />
        )}
      </g>
    );
  });
}
