import { memo } from "react";
import type { BowlInputs, ComponentPlan, WorkInputs } from "../../api/client";
import { goodsLook } from "./goodsLook";
import { layerLook, lineOn } from "./look";
import { SideBySide } from "./SideBySide";
import { thrown } from "./thrown";

interface Props {
  work: WorkInputs;
  plan: ComponentPlan;
  bowls: readonly BowlInputs[];
}

/** Mounds or dipped pieces side by side, as many as there will be. */
export const Pieces = memo(function Pieces({ work, plan, bowls }: Props) {
  const look = layerLook(plan.layers[0], bowls);
  const next = thrown(3);
  const dipped = work.kind === "dipped";
  const swirl = dipped && work.swirl ? layerLook(lineOn(plan.layers[0], work.swirl), bowls) : null;
  // What is mixed in, in its own colours, one after the other.
  const goods = plan.mixed_in.map(({ name }) => goodsLook(name));
  return (
    <SideBySide pieces={plan.pieces?.count ?? 0}>
      {({ i, step }) => {
        const r = step * 0.36;
        return (
          <>
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
          </>
        );
      }}
    </SideBySide>
  );
});
