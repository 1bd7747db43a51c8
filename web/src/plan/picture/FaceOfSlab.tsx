import { memo, useId } from "react";
import type { BowlInputs, ComponentPlan, WorkInputs } from "../../api/client";
import { Cuts } from "./Cuts";
import { Edge } from "./Edge";
import { FacePatch } from "./FacePatch";
import { FilmOrder } from "./FilmOrder";
import { goodsLook } from "./goodsLook";
import { layerLook, sugarLook } from "./look";
import { Marble } from "./Marble";
import { Scatter } from "./Scatter";

const WIDTH = 560;
const HEIGHT = 250;

/** The outline in mm: its extent and, for round ones, that it is round. */
function extent(outline: NonNullable<ComponentPlan["outline"]>) {
  switch (outline.shape) {
    case "rectangle":
      return {
        across: Math.max(outline.length_mm, outline.width_mm),
        down: Math.min(outline.length_mm, outline.width_mm),
        round: false,
      };
    case "round":
      return { across: outline.diameter_mm, down: outline.diameter_mm, round: true };
    case "free": {
      const diameter = Math.sqrt((outline.area_cm2 * 400) / Math.PI);
      return { across: diameter, down: diameter, round: true };
    }
  }
}

interface Props {
  work: WorkInputs;
  plan: ComponentPlan;
  outline: NonNullable<ComponentPlan["outline"]>;
  bowls: readonly BowlInputs[];
}

/** A slab from above, with what is on it and how it parts, and its edge enlarged. */
export const FaceOfSlab = memo(function FaceOfSlab({ work, plan, outline, bowls }: Props) {
  const id = useId();
  const { across, down, round } = extent(outline);
  if (!(across > 0 && down > 0)) return null;
  const scale = Math.min((WIDTH - 170) / across, (HEIGHT - 20) / down);
  const box = {
    x: 6,
    y: 6 + (HEIGHT - 20 - down * scale) / 2,
    w: across * scale,
    h: down * scale,
  };
  const looks = plan.layers.map((layer) => layerLook(layer, bowls));
  const marbled = work.kind === "marbled";
  const face = (marbled ? looks[0] : looks.at(-1)) ?? sugarLook;
  const films = plan.face && plan.face.films.length > 0 ? plan.face : null;
  const light = films ? "#FFFFFF" : face.light;
  const words = round
    ? `${Math.round(across)} mm across`
    : `${Math.round(across)} by ${Math.round(down)} mm`;
  const middle: [number, number] = [box.x + box.w / 2, box.y + box.h / 2];
  const edgeTop = Math.max(30, box.y + 16);
  // The largest first: the smaller ones lie between them.
  const toppings = ("toppings" in work ? (work.toppings ?? []) : [])
    .map(({ name, across_mm }, i) => ({ name, across_mm, planned: plan.toppings[i], i }))
    .sort((a, b) => b.across_mm - a.across_mm);
  const side = films ? "its face, as it comes off the sheet" : "from above";
  return (
    <>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT + 30 + (plan.thickness_mm ?? 0) * scale}`}
        role="img"
        aria-label={`${plan.name}: ${words}, ${plan.thickness_mm} mm thick, ${side} and from the side to scale, and its edge enlarged`}
        width="100%"
        style={{ maxHeight: "330px" }}
        fontSize="13"
        data-testid="slab-picture"
      >
        <defs>
          <clipPath id={`${id}-shape`}>
            {round ? (
              <circle cx={middle[0]} cy={middle[1]} r={box.w / 2} />
            ) : (
              <rect x={box.x} y={box.y} width={box.w} height={box.h} rx="4" />
            )}
          </clipPath>
          <linearGradient id={`${id}-light`} x1="0" y1="0" x2="1" y2="1">
            <stop offset="0.28" stopColor={light} stopOpacity="0" />
            <stop offset="0.42" stopColor={light} stopOpacity="0.5" />
            <stop offset="0.5" stopColor={light} stopOpacity="0.15" />
            <stop offset="0.62" stopColor={light} stopOpacity="0" />
          </linearGradient>
        </defs>
        <g clipPath={`url(#${id}-shape)`}>
          <rect x={box.x} y={box.y} width={box.w} height={box.h} fill={face.body} />
          {films && (
            <g transform={`translate(${middle[0]} ${middle[1]})`}>
              <FacePatch face={films} w={box.w} h={box.h} seed={1} />
            </g>
          )}
          {marbled && (
            <Marble
              parts={plan.layers.map(({ share_pct }, i) => ({
                body: looks[i]?.body ?? face.body,
                share: share_pct / 100,
              }))}
              strokes={work.strokes}
              muddied={(plan.muddied_pct ?? 0) / 100}
              box={box}
            />
          )}
          <rect x={box.x} y={box.y} width={box.w} height={box.h} fill={`url(#${id}-light)`} />
          {toppings.map(
            ({ name, across_mm, planned, i }) =>
              planned && (
                <Scatter
                  key={i}
                  count={planned.count}
                  radius={(across_mm * scale) / 2}
                  middle={middle}
                  size={[box.w, box.h]}
                  round={round}
                  look={goodsLook(name)}
                  seed={7 + i}
                />
              ),
          )}
          {plan.pieces?.area_cm2 != null && (
            <Cuts
              outline={outline}
              piece_cm2={plan.pieces.area_cm2}
              even={work.kind === "shards" && work.pattern === "even"}
              at={[box.x, box.y]}
              scale={scale}
            />
          )}
        </g>
        {round ? (
          <circle cx={middle[0]} cy={middle[1]} r={box.w / 2} fill="none" stroke="currentColor" />
        ) : (
          <rect
            x={box.x}
            y={box.y}
            width={box.w}
            height={box.h}
            rx="4"
            fill="none"
            stroke="currentColor"
          />
        )}
        <Section
          plan={plan}
          looks={looks.length > 0 ? looks : [sugarLook]}
          marbled={marbled}
          at={[box.x, HEIGHT + 2]}
          wide={box.w}
          scale={scale}
        />
        <text x="6" y={HEIGHT + 24 + (plan.thickness_mm ?? 0) * scale} fill="currentColor">
          {words}, {side}, and from the side, to scale
        </text>
        <g transform={`translate(${WIDTH - 132} ${edgeTop})`}>
          <Edge plan={plan} looks={looks.length > 0 ? looks : [sugarLook]} marbled={marbled} />
        </g>
      </svg>
      {films && <FilmOrder face={films} behind={face.body} what="the chocolate" />}
    </>
  );
});

interface SectionProps {
  plan: ComponentPlan;
  looks: readonly { body: string }[];
  marbled: boolean;
  at: [number, number];
  wide: number;
  scale: number;
}

/** The slab from the side, at the scale it has from above. */
function Section({ plan, looks, marbled, at, wide, scale }: SectionProps) {
  const whole = (plan.thickness_mm ?? 0) * scale;
  const stacked = !marbled && plan.layers.length > 1;
  const tall = stacked ? plan.layers.map((layer) => layer.thickness_mm * scale) : [whole];
  let below = at[1] + whole;
  return (
    <g data-testid="section">
      {tall.map((high, i) => {
        below -= high;
        return (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: a layer is its place
            key={i}
            x={at[0]}
            y={below}
            width={wide}
            height={Math.max(high, 0.75)}
            fill={looks[i]?.body}
            stroke="currentColor"
            strokeWidth="0.5"
          />
        );
      })}
    </g>
  );
}
