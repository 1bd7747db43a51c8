import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BarkInputs, Family, TrayInputs } from "../api/client";
import { chocolateColours } from "../theme/chocolate";
import { Scatter } from "./Scatter";

const WIDTH = 560;
const PLAN_HEIGHT = 250;
const DETAIL_SCALE = 14;

/** The outline in mm: its extent and, for round ones, that it is round. */
function extent(tray: TrayInputs): { across: number; down: number; round: boolean } {
  switch (tray.shape) {
    case "rectangle":
      return {
        across: Math.max(tray.length_mm, tray.width_mm),
        down: Math.min(tray.length_mm, tray.width_mm),
        round: false,
      };
    case "round":
      return { across: tray.diameter_mm, down: tray.diameter_mm, round: true };
    case "area": {
      const diameter = Math.sqrt((tray.area_cm2 * 400) / Math.PI);
      return { across: diameter, down: diameter, round: true };
    }
  }
}

interface Props {
  tray: TrayInputs;
  thickness: number;
  family: Family;
  topping: BarkInputs["topping"];
  /** How many of the topping there will be. */
  count: number | undefined;
}

/**
 * The slab from above and, at the same scale, from the side; and its edge
 * enlarged, with a millimetre rule.
 */
export const SlabPicture = memo(function SlabPicture(props: Props) {
  const { tray, thickness, family, topping, count } = props;
  const { across, down, round } = extent(tray);
  if (!(across > 0 && down > 0 && thickness > 0)) return null;
  const scale = Math.min((WIDTH - 160) / across, (PLAN_HEIGHT - 20) / down);
  const [w, h] = [across * scale, down * scale];
  const colours = chocolateColours[family];
  const top = 6 + (PLAN_HEIGHT - 20 - h) / 2;
  const section = Math.max(thickness * scale, 0.75);
  const sectionTop = PLAN_HEIGHT + 14;
  const detailX = WIDTH - 124;
  const detailH = Math.min(thickness, 14) * DETAIL_SCALE;
  const base = sectionTop + section;
  const marks = Array.from({ length: Math.floor(Math.min(thickness, 14)) + 1 }, (_, mm) => mm);
  const words = round
    ? `${Math.round(across)} mm across`
    : `${Math.round(across)} by ${Math.round(down)} mm`;
  return (
    <Box
      as="svg"
      // @ts-expect-error Box passes svg attributes on, but is not typed for them.
      viewBox={`0 0 ${WIDTH} ${Math.max(base + 26, sectionTop + 40)}`}
      role="img"
      aria-label={`A slab ${words}, ${thickness} mm thick, from above and from the side, to scale`}
      width="full"
      height="auto"
      maxH="330px"
      color="fg.muted"
      fontSize="13px"
      data-testid="slab-picture"
    >
      <defs>
        <linearGradient id="slab-light" x1="0" y1="0" x2="1" y2="1">
          <stop offset="0.28" stopColor={colours.light} stopOpacity="0" />
          <stop offset="0.42" stopColor={colours.light} stopOpacity="0.55" />
          <stop offset="0.5" stopColor={colours.light} stopOpacity="0.18" />
          <stop offset="0.62" stopColor={colours.light} stopOpacity="0" />
        </linearGradient>
      </defs>
      {round ? (
        <>
          <circle
            cx={6 + w / 2}
            cy={top + h / 2}
            r={w / 2}
            fill={colours.body}
            stroke="currentColor"
          />
          <circle cx={6 + w / 2} cy={top + h / 2} r={w / 2} fill="url(#slab-light)" />
        </>
      ) : (
        <>
          <rect
            x="6"
            y={top}
            width={w}
            height={h}
            rx="4"
            fill={colours.body}
            stroke="currentColor"
          />
          <rect x="6" y={top} width={w} height={h} rx="4" fill="url(#slab-light)" />
        </>
      )}
      {topping && count !== undefined && (
        <Scatter
          count={count}
          radius={(topping.across_mm * scale) / 2}
          middle={[6 + w / 2, top + h / 2]}
          size={[w, h]}
          round={round}
        />
      )}
      <rect
        x="6"
        y={sectionTop}
        width={w}
        height={section}
        fill={colours.body}
        stroke="currentColor"
        strokeWidth="0.75"
      />
      <text x="6" y={base + 18} fill="currentColor">
        {words}, from the side at the same scale
      </text>
      <g transform={`translate(${detailX} ${6 + (PLAN_HEIGHT - 20 - detailH) / 2})`}>
        <rect width="92" height={detailH} fill={colours.body} stroke="currentColor" />
        <rect width="92" height={Math.min(5, detailH / 3)} fill={colours.light} opacity="0.5" />
        {marks.map((mm) => (
          <line
            key={mm}
            x1="96"
            x2={mm % 5 === 0 ? 110 : 104}
            y1={detailH - mm * DETAIL_SCALE}
            y2={detailH - mm * DETAIL_SCALE}
            stroke="currentColor"
          />
        ))}
        <text x="0" y={detailH + 18} fill="currentColor">
          edge, enlarged
        </text>
        <text x="0" y="-8" fill="currentColor" fontWeight="600" fontSize="16">
          {thickness} mm
        </text>
      </g>
    </Box>
  );
});
