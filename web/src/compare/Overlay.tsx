import { Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from "recharts";
import type { ComparedBowl } from "../api/client";
import { degreeUnit, shownTemp } from "../kit/display";
import { colours, letters, strokes } from "./factors";

interface Props {
  bowls: ComparedBowl[];
  by: keyof ComparedBowl["moments"];
}

/** A curve in minutes from a moment. */
function from(bowl: ComparedBowl, by: Props["by"]): { min: number; temp: number }[] {
  const at = bowl.moments[by];
  if (!at) return [];
  const zero = Date.parse(at);
  return bowl.curve
    .filter(({ doubt }) => doubt == null)
    .map((point) => ({
      min: (Date.parse(point.at) - zero) / 60_000,
      temp: shownTemp(point.temp_c),
    }));
}

/** Minutes before and after the moment; the unit stands once. */
function minutes(min: number): string {
  return min === 0 ? "0 min" : `${min}`.replace("-", "−");
}

/** Curves laid over each other by a moment that all of them had. */
export default function Overlay({ bowls, by }: Props) {
  const lines = bowls.map((bowl) => from(bowl, by));
  const all = lines.flat().map(({ min }) => min);
  const [first, last] = [Math.min(...all, 0), Math.max(...all, 1)];
  const step = [5, 10, 20, 30, 60].find((one) => (last - first) / one <= 10) ?? 120;
  const begin = Math.ceil(first / step);
  const ticks = Array.from(
    { length: Math.floor(last / step) - begin + 1 },
    (_, i) => (begin + i) * step,
  );
  const axis = { stroke: "var(--chakra-colors-fg-muted)", fontSize: 14 } as const;
  return (
    <ResponsiveContainer width="100%" height="100%">
      <LineChart margin={{ top: 8, right: 30, bottom: 4, left: 0 }}>
        <XAxis
          {...axis}
          type="number"
          dataKey="min"
          domain={[first, last]}
          ticks={ticks}
          interval={0}
          tickFormatter={minutes}
          allowDuplicatedCategory={false}
        />
        <YAxis
          {...axis}
          type="number"
          domain={["auto", "auto"]}
          width={62}
          tickFormatter={(temp: number) => `${temp} ${degreeUnit}`}
        />
        <ReferenceLine x={0} stroke="var(--chakra-colors-fg)" strokeDasharray="2 3" />
        {lines.map((line, i) => (
          <Line
            key={bowls[i]?.bowl_id}
            className="compared"
            name={letters[i] ?? ""}
            data={line}
            dataKey="temp"
            dot={false}
            isAnimationActive={false}
            stroke={colours[i] ?? ""}
            strokeWidth={3}
            strokeDasharray={strokes[i] ?? ""}
          />
        ))}
      </LineChart>
    </ResponsiveContainer>
  );
}
