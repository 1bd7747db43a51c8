import { memo } from "react";
import type { BowlInputs, ComponentPlan, WorkOf } from "../../api/client";
import { useOutlines } from "../useOutlines";
import { layerLook, lineOn } from "./look";
import { type PipedLooks, PipedPiece, PlainPiece } from "./PipedPiece";
import { SideBySide } from "./SideBySide";

interface Props {
  work: WorkOf<"piped">;
  plan: ComponentPlan;
  bowls: readonly BowlInputs[];
}

/** How the parts of what is piped look. */
export function pipedLooks({ work, plan, bowls }: Props): PipedLooks {
  const of = (key: string) => {
    const layer = plan.layers.find(({ chocolate }) => chocolate === key);
    return layerLook(layer ?? lineOn(plan.layers[0], key), bowls).body;
  };
  return {
    line: of(work.chocolate),
    features: of(work.second?.chocolate ?? work.chocolate),
    body: work.flooded ? of(work.flooded.chocolate) : null,
  };
}

/** Piped pieces side by side, as many as there will be. */
export const Piped = memo(function Piped({ work, plan, bowls }: Props) {
  const outlines = useOutlines(work);
  const looks = pipedLooks({ work, plan, bowls });
  const each = outlines.flatMap((one) => Array.from({ length: one.count }, () => one));
  const widest = Math.max(1, ...each.map(({ size_mm }) => Math.max(...size_mm)));
  return (
    <SideBySide pieces={plan.pieces?.count ?? 0} ground="#8D979F">
      {({ i, step }) => {
        const outline = each[i];
        const r = step * 0.36;
        const [w = 1, h = 1] = outline?.size_mm ?? [2 * r, 2 * r];
        const scale = outline ? (step * 0.9) / widest : 1;
        return (
          <g transform={`translate(${(-w * scale) / 2} ${(-h * scale) / 2}) scale(${scale})`}>
            {outline ? (
              <PipedPiece outline={outline} looks={looks} line_mm={work.line_mm} />
            ) : (
              <PlainPiece work={work} looks={looks} r={r} />
            )}
          </g>
        );
      }}
    </SideBySide>
  );
});
