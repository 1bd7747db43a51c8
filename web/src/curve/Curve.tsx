import { memo, useMemo } from "react";
import {
  Area,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from "recharts";
import type { ActionAnswer, BowlAnswer, WindowsAnswer } from "../api/client";
import { told } from "../bench/words";
import { display, shownTemp } from "../kit/display";
import { temperature } from "../kit/format";

interface Props {
  curve: BowlAnswer["curve"];
  fan: BowlAnswer["fan"];
  actions: ActionAnswer[];
  windows: WindowsAnswer;
  /** The band to use it in, as the method has it. */
  use: BowlAnswer["use_c"];
  /** Only the last stretch, as at the bench. */
  recent?: boolean;
}

const colour = (name: string) => `var(--chakra-colors-${name})`;
const [ink, heat, work, cool, muted, stop] = ["fg", "heat", "work", "cool", "fg-muted", "stop"].map(
  colour,
) as [string, string, string, string, string, string];

const RECENT_MS = 25 * 60_000;

interface Row {
  at: number;
  temp?: number;
  doubted?: number;
  ahead?: number;
  range?: [number, number];
}

function rows(curve: Props["curve"], fan: Props["fan"], from: number): Row[] {
  const past = curve
    .filter((p) => Date.parse(p.at) >= from)
    .map((p): Row => {
      const at = Date.parse(p.at);
      const temp = shownTemp(p.temp_c);
      return p.doubt == null ? { at, temp } : { at, doubted: temp };
    });
  const future = fan.map(
    (p): Row => ({
      at: Date.parse(p.at),
      ahead: shownTemp(p.temp_c),
      range: [shownTemp(p.low_c), shownTemp(p.high_c)],
    }),
  );
  return [...past, ...future];
}

/** Ticks at whole stretches of minutes from the first reading. */
function minuteTicks(start: number, end: number): number[] {
  const minutes = (end - start) / 60_000;
  const step = [2, 5, 10, 20, 30, 60].find((s) => minutes / s <= 8) ?? 120;
  return Array.from(
    { length: Math.floor(minutes / step) + 1 },
    (_, i) => start + i * step * 60_000,
  );
}

/** What was done, written down along its line. */
function Flag({ words, viewBox }: { words: string; viewBox?: { x?: number; y?: number } }) {
  const { x = 0, y = 0 } = viewBox ?? {};
  return (
    <text
      x={x}
      y={y}
      dx="-6"
      dy="-5"
      transform={`rotate(-90 ${x} ${y})`}
      textAnchor="end"
      style={{ fill: ink, fontSize: "12px" }}
    >
      {words}
    </text>
  );
}

/** The marks that get their words written: not bursts, and none on top of another. */
function withRoom(marks: ActionAnswer[], apart: number): Set<string> {
  const kept = new Set<string>();
  let last = Number.NEGATIVE_INFINITY;
  for (const mark of marks) {
    const at = Date.parse(mark.at);
    if (mark.kind !== "heat" && at - last > apart) {
      kept.add(mark.id);
      last = at;
    }
  }
  return kept;
}

/** Round temperatures to write on the axis. */
function degreeTicks([lo, hi]: [number, number]): number[] {
  const step = hi - lo > 48 ? 20 : hi - lo > 24 ? 10 : hi - lo > 12 ? 5 : 2;
  const first = Math.ceil(lo / step) * step;
  return Array.from({ length: Math.floor((hi - first) / step) + 1 }, (_, i) => first + i * step);
}

/** The record, its windows, what was done, and the forecast as a fan. */
const Curve = memo(function Curve({ curve, fan, actions, windows, use, recent }: Props) {
  const { data, start, end, opened, domain } = useMemo(() => {
    const last = Date.parse(curve.at(-1)?.at ?? fan[0]?.at ?? new Date(0).toISOString());
    const from = recent ? last - RECENT_MS : 0;
    const data = rows(curve, fan, from);
    const start = data[0]?.at ?? 0;
    const end = Math.max(last, data.at(-1)?.at ?? 0, start + 5 * 60_000);
    // Every reading is on the scale, the doubted ones too.
    const temps = data.flatMap((r) =>
      [r.temp, r.doubted, r.range?.[0]].filter((t) => t !== undefined),
    );
    const lowest = Math.min(shownTemp(windows.thick_c - 1), ...temps);
    const hottest = Math.max(shownTemp(use[1] + 2), ...temps);
    // A band that is reached is shown whole.
    const highest =
      hottest > shownTemp(windows.melt_c[0] - 1)
        ? Math.max(hottest, shownTemp(windows.melt_c[1]))
        : hottest;
    const opened = Date.parse(curve[0]?.at ?? new Date(start).toISOString());
    return {
      data,
      start,
      end,
      opened,
      domain: [Math.floor(lowest), Math.ceil(highest + 1)] as [number, number],
    };
  }, [curve, fan, windows, use, recent]);

  if (curve.length === 0) {
    return (
      <div style={{ padding: "2rem", color: muted }}>The curve starts with the first reading.</div>
    );
  }
  const bands = [
    { name: "work", at: use, colour: work },
    { name: "melt", at: windows.melt_c, colour: heat },
    ...(windows.cool_c ? [{ name: "cool", at: windows.cool_c, colour: cool }] : []),
  ]
    .map(({ at: [lo, hi], ...band }) => ({ ...band, lo: shownTemp(lo), hi: shownTemp(hi) }))
    .filter((b) => b.lo < domain[1] && b.hi > domain[0]);
  const marks = actions.filter((a) => Date.parse(a.at) >= start && a.kind !== "stirred");
  const flagged = withRoom(marks, (end - start) / 40);
  const minutes = (at: number) => `${Math.round((at - opened) / 60_000)} min`;
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ComposedChart
        data={data}
        margin={{ top: 8, right: display.print === "large" ? 58 : 46, bottom: 0, left: 0 }}
        accessibilityLayer={false}
        role="img"
        aria-label={`Temperature over ${minutes(end)}, last ${temperature(curve.at(-1)?.temp_c ?? 0)}`}
      >
        <XAxis
          dataKey="at"
          type="number"
          scale="time"
          domain={[start, end]}
          ticks={minuteTicks(opened, end).filter((t) => t >= start)}
          tickFormatter={minutes}
          stroke={muted}
          style={{ fontSize: "13px" }}
        />
        <YAxis
          domain={domain}
          allowDataOverflow
          width={40}
          ticks={degreeTicks(domain)}
          stroke={muted}
          style={{ fontSize: "13px" }}
          unit="°"
        />
        {bands.map((band) => (
          <ReferenceArea
            key={band.name}
            y1={band.lo}
            y2={band.hi}
            fill={band.colour}
            fillOpacity={band.name === "work" ? 0.26 : 0.13}
            stroke={band.colour}
            strokeOpacity={0.6}
            ifOverflow="hidden"
            label={{
              value: band.name,
              position: "right",
              fill: ink,
              fontSize: 13,
              fontWeight: 600,
            }}
          />
        ))}
        {windows.lost_c != null && (
          <ReferenceLine
            y={shownTemp(windows.lost_c)}
            stroke={muted}
            strokeDasharray="3 5"
            ifOverflow="hidden"
          />
        )}
        <ReferenceLine
          y={shownTemp(windows.limit_c)}
          stroke={stop}
          strokeWidth={2}
          ifOverflow="hidden"
          label={{ value: "limit", position: "right", fill: ink, fontSize: 13, fontWeight: 600 }}
        />
        {marks.map((action) => (
          <ReferenceLine
            key={action.id}
            x={Date.parse(action.at)}
            stroke={action.kind === "heat" ? heat : ink}
            strokeDasharray={action.kind === "heat" ? "2 3" : undefined}
            strokeOpacity={0.55}
            label={flagged.has(action.id) ? <Flag words={told(action)} /> : ""}
          />
        ))}
        <Area
          dataKey="range"
          stroke="none"
          fill={ink}
          fillOpacity={0.3}
          isAnimationActive={false}
          connectNulls
        />
        <Line
          dataKey="ahead"
          stroke={ink}
          strokeDasharray="6 5"
          dot={false}
          isAnimationActive={false}
          connectNulls
        />
        <Line
          dataKey="temp"
          stroke={ink}
          strokeWidth={2.5}
          dot={false}
          isAnimationActive={false}
          connectNulls
        />
        <Line
          dataKey="doubted"
          stroke="none"
          dot={{ r: 4, stroke: heat, strokeWidth: 2, fill: "none" }}
          isAnimationActive={false}
        />
      </ComposedChart>
    </ResponsiveContainer>
  );
});

export default Curve;
