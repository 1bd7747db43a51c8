import { memo } from "react";
import type { GoodsLook } from "./goodsLook";
import { thrown } from "./thrown";

/** As many as can be told apart on a screen. */
const MOST = 600;

interface Props {
  count: number;
  /** Radius of one, and the slab from its middle, all in the picture's units. */
  radius: number;
  middle: [number, number];
  size: [number, number];
  round: boolean;
  look: GoodsLook;
  /** Another for each topping, so that they do not lie on each other. */
  seed: number;
}

/** Toppings scattered over a slab, as many and as large as they will be. */
export const Scatter = memo(function Scatter(props: Props) {
  const { count, radius, middle, size, round, look, seed } = props;
  const next = thrown(seed);
  const places = Array.from({ length: Math.min(count, MOST) }, () => {
    if (round) {
      const [far, turn] = [Math.sqrt(next()) * (size[0] / 2 - radius), next() * 2 * Math.PI];
      return [middle[0] + far * Math.cos(turn), middle[1] + far * Math.sin(turn)];
    }
    const along = (i: 0 | 1) => middle[i] + (next() - 0.5) * (size[i] - 2 * radius);
    return [along(0), along(1)];
  });
  return (
    <g data-testid="scatter" fill={look.body} stroke={look.edge} strokeWidth="0.6">
      {places.map(([x = 0, y = 0]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r={Math.max(radius, 0.8)} />
      ))}
    </g>
  );
});
