import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { BowlAnswer } from "../api/client";
import { shownTemp, typedTemp } from "../kit/display";
import { band, temperature } from "../kit/format";
import { chocolateColours, isLight, isPale } from "../theme/chocolate";
import { finishWords } from "./words";

const W = 1200;
const H = 124;

/** The stretch of the scale that matters now: wide while melting, then near. */
function span({ windows, phase, use_c: use }: BowlAnswer, temp: number): [number, number] {
  const wide = phase === "melting" || temp > use[1] + 8;
  if (wide) return [Math.min(18, Math.floor(temp) - 2), windows.limit_c + 3];
  const lo = Math.min(windows.cool_c?.[0] ?? windows.thick_c, windows.thick_c, temp) - 2;
  return [
    Math.floor(lo),
    Math.max((windows.lost_c ?? use[1]) + 3, use[1] + 2, Math.ceil(temp) + 1),
  ];
}

interface Mark {
  name: string;
  at: number;
}

/** How wide a letter is along the scale: on a phone, and on wider screens. */
const LETTER = { phone: (9 * W) / 390, wide: (9 * W) / 1_000 };

/** Names along the scale; those that would lie over each other are one, in the middle of theirs. */
function apart(marks: Mark[], letter: number): Mark[] {
  const kept: { name: string; from: number; to: number }[] = [];
  const middle = (of: { from: number; to: number }) => (of.from + of.to) / 2;
  const half = ({ name }: { name: string }) => ((name.length + 1) * letter) / 2;
  for (const { name, at } of marks.toSorted((one, other) => one.at - other.at)) {
    let next = { name, from: at, to: at };
    for (
      let last = kept.at(-1);
      last && middle(next) - half(next) < middle(last) + half(last);
      last = kept.at(-1)
    ) {
      next = { name: `${last.name}, ${next.name}`, from: last.from, to: next.to };
      kept.pop();
    }
    kept.push(next);
  }
  return kept.map((one) => ({ name: one.name, at: middle(one) }));
}

/**
 * A slab of the chocolate in hand, with the temperature scale along it. Its
 * finish is the state of the bowl; the sheen lies where the working band is.
 */
export const SheenScale = memo(function SheenScale({ bowl }: { bowl: BowlAnswer }) {
  const { windows, finish } = bowl;
  const temp = bowl.latest?.temp_c;
  const [lo, hi] = span(bowl, temp ?? 20);
  const x = (c: number) => ((c - lo) / (hi - lo)) * W;
  const family = chocolateColours[windows.family];
  const { bottle } = bowl;
  const colours = bottle
    ? { ...family, body: bottle.looks, edge: bottle.looks, light: "#FFFFFF" }
    : family;
  const pale = bottle ? isLight(bottle.looks) : isPale(windows.family);
  const mark = pale ? "#20140D" : "#FFFFFF";
  const [workLo, workHi] = bowl.use_c;
  const bands = [
    { name: "work", from: workLo, to: workHi },
    { name: "melt", from: windows.melt_c[0], to: windows.melt_c[1] },
    ...(windows.cool_c ? [{ name: "cool", from: windows.cool_c[0], to: windows.cool_c[1] }] : []),
  ].filter((b) => b.to > lo && b.from < hi);
  const lines = [
    { name: "limit", at: windows.limit_c },
    ...(windows.lost_c == null ? [] : [{ name: "lost", at: windows.lost_c }]),
    { name: "thick", at: windows.thick_c },
  ].filter((line) => line.at > lo && line.at < hi);
  const names = [
    ...bands.map((b) => ({ name: b.name, at: (x(b.from) + x(b.to)) / 2 })),
    ...lines.map((line) => ({ name: line.name, at: x(line.at) })),
  ];
  // Round numbers as they are shown, where they lie in °C.
  const [from, to] = [shownTemp(lo), shownTemp(hi)];
  const step = to - from > 60 ? 10 : to - from > 22 ? 5 : 1;
  const ticks = Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => {
    const shown = Math.ceil(from / step) * step + i * step;
    return { shown, c: typedTemp(shown) };
  }).filter(({ c }) => c > lo && c < hi);
  const sheenWidth = Math.max(x(workHi) - x(workLo), 26);
  const sheenOpacity = { matt: 0.12, satin: 0.42, sheen: 0.95, grain: 0.25, streaks: 0.1 }[finish];
  return (
    <Box px={{ base: "0", md: "6" }}>
      <Box
        as="svg"
        // @ts-expect-error Box passes svg attributes on, but is not typed for them.
        viewBox={`0 0 ${W} ${H}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={`Scale from ${temperature(lo, 0)} to ${temperature(hi, 0)}. Working band ${band(bowl.use_c)}. ${
          temp === undefined ? "No reading yet" : `Reading ${temperature(temp)}`
        }. Finish: ${finishWords[finish]}.`}
        data-testid="sheen-scale"
        data-finish={finish}
        width="full"
        height={{ base: "56px", md: "114px" }}
        display="block"
        fontSize="17px"
        fontWeight="560"
      >
        <defs>
          <linearGradient id="sheen-band" x1="0" x2="1">
            <stop offset="0" stopColor={colours.light} stopOpacity="0" />
            <stop offset="0.3" stopColor={colours.light} stopOpacity="0.9" />
            <stop offset="0.5" stopColor="#FFFFFF" stopOpacity="1" />
            <stop offset="0.7" stopColor={colours.light} stopOpacity="0.9" />
            <stop offset="1" stopColor={colours.light} stopOpacity="0" />
          </linearGradient>
          <linearGradient id="slab-satin" x1="0" y1="0" x2="0" y2="1">
            <stop offset="0" stopColor={colours.light} stopOpacity="0.5" />
            <stop offset="0.55" stopColor={colours.light} stopOpacity="0.06" />
          </linearGradient>
          <pattern
            id="slab-streaks"
            width="46"
            height="46"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(24)"
          >
            <rect width="7" height="46" fill={colours.light} opacity="0.55" />
            <rect x="19" width="3" height="46" fill={colours.light} opacity="0.4" />
            <rect x="31" width="10" height="46" fill={colours.light} opacity="0.28" />
          </pattern>
          <filter id="slab-grain">
            <feTurbulence type="fractalNoise" baseFrequency="0.35" numOctaves="2" seed="4" />
            <feColorMatrix type="saturate" values="0" />
            <feComponentTransfer>
              <feFuncA type="linear" slope="0.5" />
            </feComponentTransfer>
            <feComposite in2="SourceGraphic" operator="in" />
          </filter>
        </defs>
        <rect y="0" width={W} height="98" fill={colours.body} />
        <rect y="92" width={W} height="6" fill={colours.edge} />
        {finish !== "matt" && <rect width={W} height="92" fill="url(#slab-satin)" />}
        {finish === "streaks" && <rect width={W} height="92" fill="url(#slab-streaks)" />}
        {finish === "grain" && (
          <rect width={W} height="92" fill="#fff" filter="url(#slab-grain)" opacity="0.5" />
        )}
        <polygon
          points={`${x(workLo) + 14},0 ${x(workLo) + sheenWidth + 14},0 ${x(workLo) + sheenWidth - 14},92 ${x(workLo) - 14},92`}
          fill="url(#sheen-band)"
          opacity={sheenOpacity}
        />
        {bands.map((b) => (
          <g key={b.name}>
            <path
              d={`M${x(b.from)} 86 v6 H${x(b.to)} v-6`}
              fill="none"
              stroke={mark}
              strokeWidth="3"
              opacity="0.9"
            />
          </g>
        ))}
        {lines.map((line) => (
          <line
            key={line.name}
            x1={x(line.at)}
            x2={x(line.at)}
            y1="30"
            y2="92"
            stroke={mark}
            strokeDasharray={line.name === "limit" ? undefined : "3 5"}
            strokeWidth={line.name === "limit" ? 4 : 2}
            opacity="0.75"
          />
        ))}
        {ticks.map(({ shown, c }) => (
          <line
            key={shown}
            x1={x(c)}
            x2={x(c)}
            y1="98"
            y2={shown % 5 === 0 ? 110 : 105}
            stroke="currentColor"
            strokeWidth="1.5"
          />
        ))}
        {temp !== undefined && (
          <g
            style={{
              transform: `translateX(${x(Math.min(hi, Math.max(lo, temp)))}px)`,
              transition: "transform 300ms",
            }}
          >
            <line x1="0" x2="0" y1="0" y2="98" stroke={mark} strokeWidth="5" />
            <line x1="0" x2="0" y1="0" y2="98" stroke={pale ? "#fff" : "#000"} strokeWidth="1.5" />
            <path d="M-15 0 H15 L0 22 Z" fill={mark} stroke="#000" strokeWidth="1.5" />
          </g>
        )}
      </Box>
      <Box
        position="relative"
        h="22px"
        fontSize="sm"
        color="fg.muted"
        mt={{ base: "-8px", md: "-18px" }}
        aria-hidden
      >
        {ticks
          .filter(({ shown }) => shown % 5 === 0 || step === 1)
          .map(({ shown, c }) => (
            <Label key={shown} left={(x(c) / W) * 100}>
              {shown}
            </Label>
          ))}
      </Box>
      <Box position="relative" h="22px" fontSize="sm" fontWeight="600" aria-hidden>
        <Box hideFrom="md">
          {apart(names, LETTER.phone).map(({ name, at }) => (
            <Label key={name} left={(at / W) * 100}>
              {name}
            </Label>
          ))}
        </Box>
        <Box hideBelow="md">
          {apart(names, LETTER.wide).map(({ name, at }) => (
            <Label key={name} left={(at / W) * 100}>
              {name}
            </Label>
          ))}
        </Box>
      </Box>
    </Box>
  );
});

function Label({ left, children }: { left: number; children: React.ReactNode }) {
  return (
    <Box
      position="absolute"
      left={`clamp(22px, ${left}%, calc(100% - 22px))`}
      transform="translateX(-50%)"
      whiteSpace="nowrap"
    >
      {children}
    </Box>
  );
}
