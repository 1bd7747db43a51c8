import { memo } from "react";
import type { BowlInputs, ComponentPlan, WorkOf } from "../../api/client";
import { layerLook, lineOn } from "./look";
import { strokesOf, zigzag } from "./zigzag";

const WIDTH = 560;

interface Props {
  work: WorkOf<"wrap"> | WorkOf<"ribbons">;
  plan: ComponentPlan;
  bowls: readonly BowlInputs[];
}

/** A wrap or a ribbon laid out flat, to scale; a wrap with its cake beside it. */
export const Strip = memo(function Strip({ work, plan, bowls }: Props) {
  const look = layerLook(plan.layers[0], bowls);
  const long = plan.length_mm ?? 1;
  const high = work.kind === "wrap" ? work.height_mm : work.width_mm;
  const scale = Math.min((WIDTH - 12) / long, 120 / high);
  const cake = work.kind === "wrap" ? work : null;
  const overlap = cake ? (cake.overlap_mm ?? 25) : 0;
  const small = cake ? 110 / Math.max(cake.diameter_mm, cake.height_mm) : 0;
  const below = high * scale + 34;
  const pattern = cake?.pattern;
  const line =
    pattern && plan.layers[0] ? layerLook(lineOn(plan.layers[0], pattern.chocolate), bowls) : null;
  const tall = high * 0.8;
  const strokes = pattern ? strokesOf(pattern.length_mm, long, tall) : 0;
  // What does not reach the end is as long as it is.
  const drawn = pattern ? Math.min(long, pattern.length_mm) : long;
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${below + (cake ? 140 : 4)}`}
      role="img"
      aria-label={`A strip ${Math.round(long)} mm long and ${Math.round(high)} mm high, to scale`}
      width="100%"
      style={{ maxHeight: "330px" }}
      fontSize="13"
      data-testid="strip-picture"
    >
      <rect
        x="6"
        y="6"
        width={long * scale}
        height={high * scale}
        fill={look.body}
        stroke="currentColor"
      />
      {pattern && line && (
        <path
          transform={`translate(6 ${6 + high * 0.1 * scale})`}
          d={zigzag(strokes, drawn * scale, tall * scale)}
          fill="none"
          stroke={line.body}
          strokeWidth={Math.max(1, pattern.line_mm * scale)}
          strokeLinejoin="round"
          data-testid="strip-pattern"
        />
      )}
      {overlap > 0 && (
        <rect
          x={6 + (long - overlap) * scale}
          y="6"
          width={overlap * scale}
          height={high * scale}
          fill={look.light}
          opacity="0.45"
        />
      )}
      <text x="6" y={high * scale + 24} fill="currentColor">
        {Math.round(long)} by {Math.round(high)} mm, {plan.thickness_mm} mm thick
        {overlap > 0 && `; the last ${overlap} mm overlap`}
      </text>
      {cake && (
        <g transform={`translate(20 ${below + 130 - cake.height_mm * small})`}>
          <rect
            width={cake.diameter_mm * small}
            height={cake.height_mm * small}
            fill={look.body}
            rx="2"
          />
          {pattern && line && (
            <path
              transform={`translate(0 ${high * 0.1 * small})`}
              d={zigzag(
                (strokes * cake.diameter_mm) / long,
                cake.diameter_mm * small,
                tall * small,
              )}
              fill="none"
              stroke={line.body}
              strokeWidth={Math.max(1, pattern.line_mm * small)}
              strokeLinejoin="round"
            />
          )}
          <line
            x1={-10}
            x2={cake.diameter_mm * small + 10}
            y1={(cake.height_mm - cake.cake_mm) * small}
            y2={(cake.height_mm - cake.cake_mm) * small}
            stroke={look.light}
            strokeDasharray="5 4"
            strokeWidth="2"
          />
          <text
            x={cake.diameter_mm * small + 16}
            y={(cake.height_mm - cake.cake_mm) * small + 4}
            fill="currentColor"
          >
            the cake's top, {Math.round(cake.height_mm - cake.cake_mm)} mm below the rim
          </text>
        </g>
      )}
    </svg>
  );
});
