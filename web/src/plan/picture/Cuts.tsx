import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { memo } from "react";
import { api, type ComponentPlan, type ScoreMap } from "../../api/client";
import { accepted } from "../../api/refusal";

interface Props {
  outline: NonNullable<ComponentPlan["outline"]>;
  piece_cm2: number;
  even: boolean;
  /** Where its corner lies, and how large a millimetre is. */
  at: [number, number];
  scale: number;
}

/** The pieces as they would break, or be scored. */
export const Cuts = memo(function Cuts({ outline, piece_cm2, even, at, scale }: Props) {
  const body = { outline, piece_cm2, pattern: even ? ("even" as const) : ("uneven" as const) };
  const map = useQuery({
    queryKey: ["score-map", body],
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    queryFn: async () => accepted<ScoreMap>(await api.POST("/api/v1/calc/score-map", { body })),
  });
  const lines = map.data?.cuts.map(([x1, y1, x2, y2]) => `M${x1} ${y1} L${x2} ${y2}`).join(" ");
  // Light dashes over a dark line show on dark and on white.
  return (
    <g
      data-testid="cuts"
      transform={`translate(${at[0]} ${at[1]}) scale(${scale})`}
      fill="none"
      strokeWidth={1.4 / scale}
    >
      <path d={lines} stroke="#000000" strokeOpacity="0.35" />
      <path
        d={lines}
        stroke="#FFFFFF"
        strokeOpacity="0.85"
        strokeDasharray={`${5 / scale} ${3 / scale}`}
      />
    </g>
  );
});
