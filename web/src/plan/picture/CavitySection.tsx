import { memo } from "react";
import type { BowlInputs, ComponentPlan, WorkOf } from "../../api/client";
import { mass } from "../../kit/format";
import { Inside } from "./Inside";
import { layerLook } from "./look";
import { StuckOn } from "./StuckOn";

const WIDTH = 560;
const TALL = 130;
/** Room for what is stuck on. */
const OVER = 26;

const none: NonNullable<WorkOf<"hollows">["stuck_on"]> = [];

type Cast = NonNullable<ComponentPlan["cast"]>;

interface Props {
  plan: ComponentPlan;
  cast: Cast;
  bowls: readonly BowlInputs[];
  /** Two are joined, with this inside. */
  joined: WorkOf<"hollows">["inside"] | undefined;
  /** What is stuck on them once they are joined. */
  stuckOn: WorkOf<"hollows">["stuck_on"];
}

/** How deep a cavity is, mm: as stated, or as deep as half a ball of its width; all of one, where
 * it closes to a whole piece. */
function deep({ cavity, across_mm, two_sided }: Cast): number {
  return cavity.depth_mm ?? (two_sided ? across_mm : across_mm / 2);
}

/** The outline of a cavity in section, its opening on top, so far inside its wall. */
function outline(cast: Cast, scale: number, inset: number): string {
  const across = cast.cavity.shape === "block" ? (cast.cavity.length_mm ?? 0) : cast.across_mm;
  const half = (across / 2 - inset) * scale;
  const down = (deep(cast) - inset) * scale;
  switch (cast.cavity.shape) {
    case "block":
    case "cylinder":
      return `M${-half} 0 V${down} H${half} V0 Z`;
    case "cone":
      return `M${-half} 0 L0 ${down} L${half} 0 Z`;
    default:
      if (cast.two_sided) {
        const r = down / 2;
        return `M${-half} ${r} A${half} ${r - inset * scale * 0.5} 0 0 0 ${half} ${r} A${half} ${r - inset * scale * 0.5} 0 0 0 ${-half} ${r} Z`;
      }
      return `M${-half} 0 A${half} ${down} 0 0 0 ${half} 0 Z`;
  }
}

/** How the wall comes about, in a few words. */
function filledBy({ by, coats, wait_s }: Cast): string {
  switch (by) {
    case "brushing":
      return `${coats} brushed ${coats === 1 ? "coat" : "coats"}`;
    case "turning":
      return "closed and turned";
    case "filling":
      return "filled level";
    case "dumping":
      return wait_s == null ? "dumped at once" : `dumped after ${Math.round(wait_s)} s`;
  }
}

/** One cavity in section, enlarged: wall, room, cap; with what each of them takes. */
export const CavitySection = memo(function CavitySection({
  plan,
  cast,
  bowls,
  joined,
  stuckOn = none,
}: Props) {
  const across = cast.cavity.shape === "block" ? (cast.cavity.length_mm ?? 1) : cast.across_mm;
  const halves = joined ? 2 : 1;
  const scale = Math.min(6, TALL / deep(cast), 220 / across);
  const shell = layerLook(plan.layers[0], bowls);
  const capLook = cast.cap_mm == null ? shell : layerLook(plan.layers.at(-1), bowls);
  const filled = plan.goods.some(({ goes }) => goes === "in the filling");
  const cap = (cast.cap_mm ?? 0) * scale;
  const inner = outline(cast, scale, cast.shell_mm);
  const solid = cast.by === "filling";
  const lines = [
    solid
      ? `solid, ${mass(cast.shell_g)} of chocolate in each`
      : `wall ${Math.round(cast.shell_mm * 10) / 10} mm, ${mass(cast.shell_g)} each${joined ? " half" : ""}`,
    solid ? null : `room inside ${Math.round(halves * cast.hollow_ml * 10) / 10} ml`,
    cast.cap_mm == null ? null : `cap ${cast.cap_mm} mm, ${mass(cast.cap_g)} each`,
    filledBy(cast),
    cast.casts > 1 || cast.filled < cast.cavities
      ? `${cast.filled} in ${cast.casts} ${cast.casts === 1 ? "cast" : "casts"}`
      : null,
    cast.returned_g >= 1
      ? `${mass(cast.in_hand_g)} at hand, ${mass(cast.returned_g)} of it runs back`
      : null,
  ].filter((line) => line !== null);
  const over = joined && stuckOn.length > 0 ? OVER : 0;
  const height = Math.max(halves * deep(cast) * scale + 20 + over, lines.length * 24 + 12);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      role="img"
      aria-label={`One cavity in section: ${lines.join("; ")}`}
      width="100%"
      style={{ maxHeight: joined ? "320px" : "190px", marginTop: 12 }}
      fontSize="15"
      data-testid="cavity-section"
    >
      <g
        transform={`translate(${(across * scale) / 2 + 12} ${8 + over + (halves - 1) * deep(cast) * scale})`}
      >
        {Array.from({ length: halves }, (_, half) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a half is its place
          <g key={half} transform={half === 1 ? "scale(1 -1)" : undefined}>
            <path d={outline(cast, scale, 0)} fill={shell.body} stroke="currentColor" />
            {!solid && (
              <path d={inner} fill={filled ? "#7A4E33" : "var(--chakra-colors-bg-panel)"} />
            )}
          </g>
        ))}
        {joined && (
          <StuckOn
            parts={stuckOn}
            plan={plan}
            bowls={bowls}
            half={[(across / 2) * scale, deep(cast) * scale]}
          />
        )}
        {joined && (
          <Inside
            inside={joined}
            room={[across / 2 - cast.shell_mm, deep(cast) - cast.shell_mm]}
            room_ml={2 * cast.hollow_ml}
            scale={scale}
          />
        )}
        {cap > 0 && (
          <rect
            x={(-across / 2) * scale}
            width={across * scale}
            height={cap}
            fill={capLook.body}
            stroke="currentColor"
            strokeWidth="0.75"
          />
        )}
      </g>
      {lines.map((line, i) => (
        <text key={line} x={across * scale + 44} y={24 + i * 24} fill="currentColor">
          {line}
        </text>
      ))}
    </svg>
  );
});
