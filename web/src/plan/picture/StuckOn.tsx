import type { BowlInputs, ComponentPlan, WorkOf } from "../../api/client";
import { layerLook, lineOn } from "./look";

interface Props {
  parts: NonNullable<WorkOf<"hollows">["stuck_on"]>;
  plan: ComponentPlan;
  bowls: readonly BowlInputs[];
  /** Half as wide and half as high as what they are stuck on is drawn. */
  half: [number, number];
}

/** So many of one part are drawn. */
const MOST = 8;
/** How far they stand apart, round the top. */
const APART = Math.PI / 4.5;

/** Ears, horns, leaves: each in its chocolate, round the top of what they are stuck on. */
export function StuckOn({ parts, plan, bowls, half: [wide, high] }: Props) {
  return parts.map(({ name, chocolate, count, each_g }, row) => {
    const layer = plan.layers.find((one) => one.chocolate === chocolate);
    const look = layerLook(layer ?? lineOn(plan.layers[0], chocolate), bowls);
    const drawn = Math.min(count, MOST);
    const r = Math.min(wide, high) * Math.min(0.3, 0.14 * Math.cbrt(each_g));
    return Array.from({ length: drawn }, (_, i) => {
      const turn = (i - (drawn - 1) / 2) * APART + row * 0.2;
      const [x, y] = [wide * Math.sin(turn), -high * Math.cos(turn)];
      return (
        <ellipse
          // biome-ignore lint/suspicious/noArrayIndexKey: a part is its place
          key={`${name} ${i}`}
          rx={r * 0.6}
          ry={r}
          transform={`translate(${x} ${y}) rotate(${(turn * 180) / Math.PI})`}
          fill={look.body}
          stroke="currentColor"
          strokeWidth="0.75"
          data-testid="stuck-on"
        />
      );
    });
  });
}
