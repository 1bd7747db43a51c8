import type { WorkOf } from "../../api/client";
import { thrown } from "./thrown";

type Inside = NonNullable<WorkOf<"hollows">["inside"]>;

/** More than this would only be a blur. */
const MOST = 60;

interface Props {
  inside: Inside;
  /** The room within the walls, from its middle: half its width and half its height, mm. */
  room: [number, number];
  /** The room of both halves, ml. */
  room_ml: number;
  /** Picture units to the mm. */
  scale: number;
}

/** What lies inside a joined hollow, to scale, heaped on the bottom. */
export function Inside({ inside, room: [half, deep], room_ml, scale }: Props) {
  const next = thrown(11);
  const taken = inside.reduce((sum, { count, each_ml }) => sum + count * each_ml, 0);
  // Loose things take about half as much room again as they have.
  const share = Math.min(1, (taken * 1.5) / Math.max(room_ml, 0.1));
  // How high a round room is filled with that share of it.
  const level = share ** 0.65;
  const things = inside.flatMap((one) =>
    Array.from({ length: Math.min(one.count, MOST) }, () => one),
  );
  return things.map(({ across_mm, each_ml, not_food }, i) => {
    const long = across_mm / 2;
    // As thick as its volume makes it: a rolled slip is long and thin, a ball is round.
    const thick = Math.min(long, Math.sqrt((3 * each_ml * 1000) / (4 * Math.PI * long)));
    const lowest = deep * Math.sqrt(Math.max(0, 1 - Math.min(long / half, 1) ** 2)) - thick;
    const y = lowest - next() * Math.max(0, 2 * deep * level - 2 * thick);
    const free = Math.sqrt(Math.max(0, 1 - (y / deep) ** 2)) * half - long;
    const x = (next() * 2 - 1) * Math.max(0, free);
    const shared = {
      transform: `translate(${x * scale} ${Math.max(-deep + thick, y) * scale}) rotate(${(next() - 0.5) * 30})`,
      fill: not_food ? "#FFFFFF" : "#E8D9B8",
      stroke: not_food ? "#5B6B7A" : "#6B5433",
      strokeWidth: 0.8,
    };
    return (
      <ellipse
        // biome-ignore lint/suspicious/noArrayIndexKey: a thing is its place
        key={i}
        rx={long * scale}
        ry={thick * scale}
        {...shared}
      />
    );
  });
}
