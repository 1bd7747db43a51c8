import { memo, useId } from "react";
import type { BowlInputs, ComponentPlan, WorkInputs } from "../../api/client";
import { CavitySection } from "./CavitySection";
import { FacePatch } from "./FacePatch";
import { FilmOrder } from "./FilmOrder";
import { layerLook } from "./look";
import { PaintedOn } from "./PaintedOn";

const WIDTH = 560;
const MOST = 48;
const PAD = 10;
/** So many cavities are drawn each for itself. */
const VARIANTS = [0, 1, 2, 3];

type Cast = NonNullable<ComponentPlan["cast"]>;

interface Props {
  plan: ComponentPlan;
  cast: Cast;
  bowls: readonly BowlInputs[];
  work: WorkInputs;
}

/** The opening of a cavity in mm: across, down, and whether it is round. */
function opening({ cavity, across_mm }: Cast) {
  return cavity.shape === "block"
    ? { across: cavity.length_mm ?? across_mm, down: cavity.width_mm ?? across_mm, round: false }
    : { across: across_mm, down: across_mm, round: true };
}

/** So many in a row that the rows are full, if that is near what fits the picture. */
function columnsOf(count: number, fit: number): number {
  const most = Math.max(1, Math.min(count, Math.ceil(fit)));
  const full = Array.from({ length: count }, (_, i) => i + 1).filter((n) => count % n === 0);
  const near = full.filter((n) => n >= fit * 0.7 && n <= fit * 1.4);
  return near.length > 0 ? Math.max(...near) : most;
}

/** The mould from its face, as the pieces come out of it, one of them in section. */
export const FaceOfMould = memo(function FaceOfMould({ plan, cast, bowls, work }: Props) {
  const id = useId();
  const { across, down, round } = opening(cast);
  if (!(across > 0 && down > 0)) return null;
  const count = Math.min(cast.cavities, MOST);
  const columns = columnsOf(count, Math.sqrt((count * 1.9 * down) / across));
  const rows = Math.ceil(count / columns);
  const step = Math.min((WIDTH - 2 * PAD) / columns, (250 * across) / (down * rows));
  const scale = (step * 0.86) / across;
  const [w, h] = [across * scale, down * scale];
  const row = h + step * 0.14;
  const high = rows * row + 2 * PAD;
  const wide = columns * step + 2 * PAD;
  const left = (WIDTH - wide) / 2 + PAD;
  const fullRows = Math.floor(count / columns);
  const face = plan.face;
  const shell = layerLook(plan.layers[0], bowls);
  const stated = ("cast" in work ? work.cast.smear : null) ?? undefined;
  const of = stated && plan.layers.find(({ chocolate }) => chocolate === stated.chocolate);
  const smear = stated && { looks: layerLook(of, bowls).body, share: stated.share_pct / 100 };
  return (
    <>
      <svg
        viewBox={`0 0 ${WIDTH} ${high}`}
        role="img"
        aria-label={`The mould from its face: ${cast.cavities} cavities, ${Math.round(across)} mm across, as they come out`}
        width="100%"
        style={{ maxHeight: "300px" }}
        data-testid="mould-picture"
      >
        <defs>
          {round ? (
            <radialGradient id={`${id}-light`} cx="0.36" cy="0.3" r="0.75">
              <stop offset="0" stopColor="#fff" stopOpacity="0.75" />
              <stop offset="0.16" stopColor="#fff" stopOpacity="0.25" />
              <stop offset="0.45" stopColor="#fff" stopOpacity="0" />
              <stop offset="1" stopColor="#000" stopOpacity="0.3" />
            </radialGradient>
          ) : (
            // Broad and slanting, as a light over a flat face is.
            <linearGradient id={`${id}-light`} x1="0" y1="0" x2="1" y2="0.6">
              <stop offset="0.1" stopColor="#fff" stopOpacity="0.05" />
              <stop offset="0.3" stopColor="#fff" stopOpacity="0.3" />
              <stop offset="0.42" stopColor="#fff" stopOpacity="0.02" />
              <stop offset="1" stopColor="#000" stopOpacity="0.15" />
            </linearGradient>
          )}
          <clipPath id={`${id}-cavity`}>
            {round ? (
              <circle r={w / 2} />
            ) : (
              <rect x={-w / 2} y={-h / 2} width={w} height={h} rx="4" />
            )}
          </clipPath>
        </defs>
        <rect
          x={(WIDTH - wide) / 2}
          width={wide}
          height={high}
          rx="8"
          fill="var(--chakra-colors-bg-muted)"
          stroke="currentColor"
          strokeOpacity="0.5"
        />
        {/* Four cavities are drawn, and the tray is tiled with them: each is full of flecks. */}
        <defs>
          <pattern
            id={`${id}-tray`}
            patternUnits="userSpaceOnUse"
            x={left}
            y={PAD}
            width={2 * step}
            height={2 * row}
          >
            {VARIANTS.map((i) => (
              <g
                key={i}
                transform={`translate(${((i % 2) + 0.5) * step} ${(Math.floor(i / 2) + 0.5) * row})`}
                clipPath={`url(#${id}-cavity)`}
              >
                {face ? (
                  <FacePatch face={face} w={w} h={h} seed={i + 1} smear={smear} />
                ) : (
                  <rect x={-w / 2} y={-h / 2} width={w} height={h} fill={shell.body} />
                )}
                {plan.painted && <PaintedOn painted={plan.painted} w={w} h={h} seed={i + 1} />}
                <rect x={-w / 2} y={-h / 2} width={w} height={h} fill={`url(#${id}-light)`} />
              </g>
            ))}
          </pattern>
        </defs>
        {fullRows > 0 && (
          <rect
            x={left}
            y={PAD}
            width={columns * step}
            height={fullRows * row}
            fill={`url(#${id}-tray)`}
          />
        )}
        {count % columns > 0 && (
          <rect
            x={left}
            y={PAD + fullRows * row}
            width={(count % columns) * step}
            height={row}
            fill={`url(#${id}-tray)`}
          />
        )}
      </svg>
      {face && face.films.length > 0 && (
        <FilmOrder face={face} behind={shell.body} what="the shell" />
      )}
      <CavitySection
        plan={plan}
        cast={cast}
        bowls={bowls}
        joined={work.kind === "hollows" ? (work.inside ?? []) : undefined}
        stuckOn={work.kind === "hollows" ? work.stuck_on : undefined}
      />
    </>
  );
});
