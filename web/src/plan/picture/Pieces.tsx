import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { memo } from "react";
import {
  api,
  type BowlInputs,
  type ComponentPlan,
  type PipingSheets,
  type WorkInputs,
} from "../../api/client";
import { accepted } from "../../api/refusal";
import { goodsLook } from "./goodsLook";
import { layerLook, lineOn } from "./look";
import { thrown } from "./thrown";

const WIDTH = 560;
const MOST = 60;

interface Props {
  work: WorkInputs;
  plan: ComponentPlan;
  bowls: readonly BowlInputs[];
}

/** The outlines that are piped, as the core draws them; none where none are stated. */
function useOutlines(work: WorkInputs) {
  const outlines = work.kind === "piped" ? work.outlines : null;
  const line_mm = work.kind === "piped" ? work.line_mm : 4;
  const body = { outlines: outlines ?? [], line_mm };
  return useQuery({
    queryKey: ["outlines", body],
    enabled: outlines != null,
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    queryFn: async () =>
      accepted<PipingSheets>(await api.POST("/api/v1/calc/piping-sheet", { body })),
  }).data?.outlines;
}

/** Mounds or piped pieces side by side, as many as there will be. */
export const Pieces = memo(function Pieces({ work, plan, bowls }: Props) {
  const look = layerLook(plan.layers[0], bowls);
  const outlines = useOutlines(work);
  const all = Math.round(plan.pieces?.count ?? 0);
  const count = Math.min(all, MOST);
  const across = Math.min(12, Math.max(4, Math.ceil(Math.sqrt(count * 2))));
  const step = (WIDTH - 12) / across;
  const rows = Math.max(1, Math.ceil(count / across));
  const next = thrown(3);
  const piped = work.kind === "piped";
  const dipped = work.kind === "dipped";
  const swirl = dipped && work.swirl ? layerLook(lineOn(plan.layers[0], work.swirl), bowls) : null;
  // What is mixed in, in its own colours, one after the other.
  const goods = plan.mixed_in.map(({ name }) => goodsLook(name));
  const each = outlines?.flatMap((one) => Array.from({ length: one.count }, () => one)) ?? [];
  const widest = Math.max(1, ...each.map(({ size_mm }) => Math.max(...size_mm)));
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${rows * step + 8}`}
      role="img"
      aria-label={`${all} pieces${all > count ? `, ${count} of them drawn` : ""}`}
      width="100%"
      style={{ maxHeight: "300px", background: piped ? "#8D979F" : undefined, borderRadius: 6 }}
      data-testid="pieces-picture"
    >
      {Array.from({ length: count }, (_, i) => {
        const [x, y] = [
          6 + (i % across) * step + step / 2,
          4 + Math.floor(i / across) * step + step / 2,
        ];
        const r = step * 0.36;
        const outline = each[i];
        if (piped) {
          const [w = 1, h = 1] = outline?.size_mm ?? [2 * r, 2 * r];
          const scale = outline ? (step * 0.9) / widest : 1;
          return (
            <path
              // biome-ignore lint/suspicious/noArrayIndexKey: a piece is its place
              key={i}
              transform={`translate(${x - (w * scale) / 2} ${y - (h * scale) / 2}) scale(${scale})`}
              d={outline?.path ?? `M0 ${r} H${2 * r} M${r} 0 V${2 * r}`}
              fill="none"
              stroke={look.body}
              strokeWidth={outline ? work.line_mm : step * 0.07}
              strokeLinejoin="round"
              strokeLinecap="round"
            />
          );
        }
        return (
          <g
            // biome-ignore lint/suspicious/noArrayIndexKey: a piece is its place
            key={i}
            transform={`translate(${x} ${y})`}
          >
            {dipped && work.sticks && (
              <line y1={-r * 0.2} y2={r * 1.5} stroke="#D8C9A6" strokeWidth={r * 0.14} />
            )}
            <circle r={r} fill={look.body} />
            {dipped && swirl && (
              <path
                d={`M${-r * 0.8} ${-r * 0.3} q ${r * 0.4} ${-r * 0.5} ${r * 0.8} 0 t ${r * 0.8} 0 M${-r * 0.85} ${r * 0.35} q ${r * 0.4} ${-r * 0.5} ${r * 0.85} 0 t ${r * 0.8} 0`}
                fill="none"
                stroke={swirl.body}
                strokeWidth={r * 0.18}
                strokeLinecap="round"
              />
            )}
            {dipped && (
              <circle r={r * 0.3} cx={-r * 0.3} cy={-r * 0.35} fill="#fff" opacity="0.25" />
            )}
            {!dipped &&
              Array.from(
                { length: 5 },
                (__, grain) => goods[(i + grain) % goods.length] ?? goodsLook(""),
              ).map((grainLook, grain) => (
                <circle
                  // biome-ignore lint/suspicious/noArrayIndexKey: a grain is its place
                  key={grain}
                  cx={(next() - 0.5) * r * 1.3}
                  cy={(next() - 0.5) * r * 1.3}
                  r={r * 0.2}
                  fill={grainLook.body}
                  stroke={grainLook.edge}
                  strokeWidth="0.6"
                />
              ))}
          </g>
        );
      })}
    </svg>
  );
});
