import { memo } from "react";
import type { ComponentPlan } from "../../api/client";
import { goodsLook } from "./goodsLook";
import { thrown } from "./thrown";

const WIDE = 96;
/** Thicker than this it is drawn smaller. */
const TALL = 150;
/** The middle size of a grain of what is folded in. */
const GRAIN = 3.2;
const MOST_GRAINS = 150;

interface Look {
  body: string;
  light: string;
}

interface Props {
  plan: ComponentPlan;
  /** How each layer looks, the lowest first. */
  looks: readonly Look[];
  marbled: boolean;
}

/** The edge, enlarged: its layers, what is in them and on them, and the underside. */
export const Edge = memo(function Edge({ plan, looks, marbled }: Props) {
  const thickness = plan.thickness_mm ?? 0;
  const scale = Math.min(14, TALL / Math.max(thickness, 1));
  const height = thickness * scale;
  const next = thrown(5);
  const layers = marbled ? plan.layers.slice(0, 1) : plan.layers;
  let below = height;
  const bands = (layers.length > 0 ? layers : [undefined]).map((layer, i) => {
    const tall = layer && !marbled && layers.length > 1 ? layer.thickness_mm * scale : height;
    below -= tall;
    return { y: below, tall, look: looks[i] ?? looks[0], key: i };
  });
  // As many grains as fill the share of the section that the goods fill of the slab.
  const grains = plan.mixed_in.flatMap(({ name, volume_pct }) => {
    const filled = (volume_pct / 100) * WIDE * height;
    const count = Math.min(MOST_GRAINS, Math.round(filled / (Math.PI * GRAIN ** 2)));
    return Array.from({ length: count }, () => goodsLook(name));
  });
  const bumps = plan.toppings
    .flatMap(({ name, covered_pct }) => {
      const count = Math.min(9, Math.max(1, Math.round((covered_pct / 100) * 9)));
      return Array.from({ length: count }, (_, i) => ({ at: (i + 0.5) / count, name }));
    })
    .sort((a, b) => a.at - b.at)
    .slice(0, 9);
  const under = undersides[plan.underside ?? ""];
  return (
    <g>
      {bands.map(({ key, y, tall, look }) => (
        <rect
          key={key}
          y={y}
          width={WIDE}
          height={tall}
          fill={look?.body}
          stroke="currentColor"
          strokeWidth="0.75"
        />
      ))}
      {marbled &&
        looks.slice(1).map((look, i) => (
          <path
            // biome-ignore lint/suspicious/noArrayIndexKey: an accent is its place
            key={i}
            d={`M0 ${height * (0.3 + i * 0.25)} q ${WIDE / 4} ${-height * 0.3} ${WIDE / 2} 0 t ${WIDE / 2} 0`}
            fill="none"
            stroke={look.body}
            strokeWidth={Math.max(2, height * 0.14)}
          />
        ))}
      {grains.map((look, i) => (
        <circle
          // biome-ignore lint/suspicious/noArrayIndexKey: grains have no identity but their place
          key={i}
          cx={4 + next() * (WIDE - 8)}
          cy={3 + next() * Math.max(height - 6, 1)}
          r={GRAIN * (0.8 + next() * 0.4)}
          fill={look.body}
          stroke={look.edge}
          strokeWidth="0.6"
        />
      ))}
      {bumps.map(({ name }, i) => (
        <ellipse
          // biome-ignore lint/suspicious/noArrayIndexKey: they have no identity but their place
          key={i}
          cx={((i + 0.5) / bumps.length) * WIDE}
          cy={-1}
          rx="6"
          ry="4"
          fill={goodsLook(name).body}
          stroke={goodsLook(name).edge}
          strokeWidth="0.6"
        />
      ))}
      {under && (
        <line
          x1="0"
          x2={WIDE}
          y1={height + 3}
          y2={height + 3}
          stroke={plan.face?.parts[0]?.looks ?? under.colour}
          strokeWidth="4"
          strokeDasharray={under.dashes}
        />
      )}
      {Array.from({ length: Math.floor(thickness) + 1 }, (_, mm) => (
        <line
          // biome-ignore lint/suspicious/noArrayIndexKey: a mark is its millimetre
          key={mm}
          x1={WIDE + 4}
          x2={WIDE + (mm % 5 === 0 ? 18 : 12)}
          y1={height - mm * scale}
          y2={height - mm * scale}
          stroke="currentColor"
        />
      ))}
      <text x="0" y={height + 24} fill="currentColor">
        {plan.underside ? `underside: ${plan.underside}` : "its edge"}
      </text>
      <text
        x="0"
        y={bumps.length > 0 ? -14 : -8}
        fill="currentColor"
        fontWeight="600"
        fontSize="16"
      >
        {Math.round(thickness * 10) / 10} mm
      </text>
    </g>
  );
});

/** How each underside is drawn: its light, and what breaks it up. */
const undersides: Record<string, { colour: string; dashes?: string }> = {
  matt: { colour: "#9AA39D", dashes: "1 3" },
  gloss: { colour: "#6FB7D9" },
  satin: { colour: "#8FA9B3", dashes: "3 1" },
  crumpled: { colour: "#7F8B93", dashes: "2 3 5 2" },
  printed: { colour: "#C2478A", dashes: "8 4" },
  painted: { colour: "#C2478A" },
  flecked: { colour: "#C2478A", dashes: "2 6" },
};
