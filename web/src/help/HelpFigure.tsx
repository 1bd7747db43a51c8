import type { ReactNode } from "react";
import type { Topic } from "../api/client";
import { chocolateColours } from "../theme/chocolate";

const dark = chocolateColours.dark.body;
const pale = chocolateColours.white.body;
const steel = "#8D979F";
const ink = "currentColor";
const blue = "#2F5FB3";

/** An arrow along a path: the way a hand goes. */
function Way({ d }: { d: string }) {
  return (
    <path
      d={d}
      fill="none"
      stroke={ink}
      strokeWidth="2"
      strokeDasharray="5 4"
      markerEnd="url(#help-way)"
    />
  );
}

/** A mould in section: two cavities, so full. */
function Mould({
  y = 30,
  full = 0,
  turned = false,
}: {
  y?: number;
  full?: number;
  turned?: boolean;
}) {
  const cavity = (x: number, r: number) => `M${x - r} 0 A${r} ${r} 0 0 0 ${x + r} 0 Z`;
  return (
    <g transform={`translate(0 ${y}) ${turned ? "scale(1 -1)" : ""}`}>
      <path d="M30 0 H170 V44 H30 Z" fill={steel} opacity="0.55" />
      {[68, 132].map((x) => (
        <g key={x}>
          <path d={cavity(x, 28)} fill={full > 0 ? dark : "var(--chakra-colors-bg-panel)"} />
          {full > 0 && full < 1 && (
            <path d={cavity(x, 28 * (1 - full))} fill="var(--chakra-colors-bg-panel)" />
          )}
        </g>
      ))}
    </g>
  );
}

function Tray({ children }: { children?: ReactNode }) {
  return (
    <>
      <path d="M24 62 H176" stroke={steel} strokeWidth="4" strokeLinecap="round" />
      <path d="M24 62 V50 M176 62 V50" stroke={steel} strokeWidth="4" strokeLinecap="round" />
      {children}
    </>
  );
}

/** A blade: its handle up, its edge on the work. */
function Blade({ x, y, tilt }: { x: number; y: number; tilt: number }) {
  return (
    <g transform={`translate(${x} ${y}) rotate(${tilt})`}>
      <rect x="-3" y="-34" width="6" height="34" fill={steel} rx="2" />
      <rect x="-5" y="-52" width="10" height="20" fill="#6B5139" rx="3" />
    </g>
  );
}

const figures: Record<Topic, ReactNode> = {
  temper: (
    <>
      <path d="M60 34 H140 L128 72 H72 Z" fill={dark} stroke={ink} />
      <circle cx="88" cy="46" r="5" fill={chocolateColours.dark.light} />
      <circle cx="108" cy="54" r="4" fill={chocolateColours.dark.light} />
      <path d="M122 10 L106 58" stroke="#6B5139" strokeWidth="6" strokeLinecap="round" />
      <Way d="M76 26 C84 14 116 14 124 26" />
    </>
  ),
  spread: (
    <Tray>
      <path d="M28 58 H128 V52 H60 C50 52 40 48 28 48 Z" fill={dark} />
      <Blade x={132} y={58} tilt={62} />
      <Way d="M96 34 H60" />
    </Tray>
  ),
  knock: (
    <>
      <g transform="rotate(-5 24 62)">
        <Tray>
          <rect x="28" y="50" width="144" height="8" fill={dark} />
          {[52, 88, 120, 150].map((x) => (
            <circle key={x} cx={x} cy="48" r="3" fill="none" stroke={ink} />
          ))}
        </Tray>
      </g>
      <Way d="M186 44 V64" />
    </>
  ),
  fill: (
    <>
      <Mould full={1} />
      <path d="M84 4 C96 4 100 12 100 28" stroke={dark} strokeWidth="9" fill="none" />
      <Way d="M116 14 H160" />
    </>
  ),
  dump: (
    <>
      <Mould y={46} full={0.2} turned />
      <path d="M68 46 V80 M132 46 V80" stroke={dark} strokeWidth="8" strokeLinecap="round" />
      <Way d="M14 20 C4 34 4 46 14 58" />
    </>
  ),
  coat: (
    <>
      <Mould full={0.2} />
      <g transform="translate(78 44) rotate(38)">
        <rect x="-4" y="-50" width="8" height="34" fill="#6B5139" rx="3" />
        <rect x="-6" y="-18" width="12" height="18" fill={dark} />
      </g>
      <Way d="M48 36 C52 56 84 60 92 40" />
    </>
  ),
  scrape: (
    <>
      <Mould full={0.2} />
      <Blade x={104} y={30} tilt={48} />
      <Way d="M112 16 H168" />
    </>
  ),
  unmould: (
    <>
      <Mould y={44} turned />
      <path d="M40 78 A28 28 0 0 1 96 78 Z M104 78 A28 28 0 0 1 160 78 Z" fill={dark} />
      <Way d="M182 20 V60" />
    </>
  ),
  colour: (
    <>
      <Mould />
      <path d="M42 32 A26 26 0 0 0 94 32" fill="none" stroke={blue} strokeWidth="5" />
      <path d="M48 32 A20 20 0 0 0 88 32" fill="none" stroke={pale} strokeWidth="5" />
      <text x="104" y="20" fill={ink} fontSize="12">
        first in, first seen
      </text>
    </>
  ),
  touch: (
    <Tray>
      <rect x="28" y="50" width="144" height="8" fill={dark} />
      <path
        d="M150 14 L120 44 C116 48 110 50 110 50 C110 50 112 42 116 38 L144 8 Z"
        fill="#E2B99A"
        stroke={ink}
      />
    </Tray>
  ),
  chill: (
    <>
      <rect x="70" y="6" width="60" height="76" rx="4" fill="none" stroke={ink} strokeWidth="2" />
      <path d="M70 34 H130 M70 58 H130" stroke={ink} />
      <rect x="80" y="50" width="40" height="6" fill={dark} />
      <circle cx="100" cy="20" r="9" fill="none" stroke={ink} strokeWidth="2" />
      <path d="M100 20 V14 M100 20 L105 22" stroke={ink} strokeWidth="2" />
    </>
  ),
  peel: (
    <>
      <rect x="24" y="52" width="152" height="10" fill={dark} />
      <path d="M24 50 H110 C140 50 146 30 118 26 H96" fill="none" stroke={blue} strokeWidth="3" />
      <Way d="M116 14 H70" />
    </>
  ),
  lift: (
    <>
      <path d="M20 70 H150" stroke={steel} strokeWidth="3" />
      <path d="M30 64 C70 60 100 50 140 22" fill="none" stroke={dark} strokeWidth="7" />
      <path d="M30 68 C70 64 100 54 142 26" fill="none" stroke={blue} strokeWidth="2" />
      <Way d="M156 40 V14" />
    </>
  ),
  wrap: (
    <>
      <path d="M60 34 V70 C60 80 140 80 140 70 V34" fill={pale} stroke={ink} />
      <ellipse cx="100" cy="34" rx="40" ry="12" fill={pale} stroke={ink} />
      <path d="M56 28 V72 C64 86 104 88 124 80 V36 C104 44 66 40 56 28 Z" fill={dark} />
      <Way d="M132 88 C156 80 160 62 150 46" />
    </>
  ),
  pipe: (
    <>
      <path d="M24 70 H112" stroke={dark} strokeWidth="6" strokeLinecap="round" />
      <path d="M112 68 L120 40" stroke={dark} strokeWidth="4" />
      <path d="M118 42 L130 4 L160 14 Z" fill={pale} stroke={ink} />
      <Way d="M140 66 H180" />
    </>
  ),
  dip: (
    <>
      <path d="M64 30 V80 H136 V30" fill="none" stroke={steel} strokeWidth="4" />
      <rect x="67" y="40" width="66" height="38" fill={dark} />
      <circle cx="100" cy="40" r="15" fill="#7A4E33" />
      <path d="M100 26 V2" stroke={steel} strokeWidth="3" />
      <Way d="M152 70 V16" />
    </>
  ),
  join: (
    <>
      <path d="M70 36 A30 30 0 0 1 130 36 Z" fill={dark} />
      <path d="M70 50 A30 30 0 0 0 130 50 Z" fill={dark} />
      <Way d="M100 0 V4" />
      <path d="M20 84 H66" stroke="#C2543A" strokeWidth="4" />
      <text x="20" y="76" fill={ink} fontSize="11">
        warm
      </text>
      <Way d="M150 14 V32" />
      <Way d="M150 76 V54" />
    </>
  ),
  score: (
    <Tray>
      <rect x="28" y="50" width="144" height="8" fill={dark} />
      {[64, 100].map((x) => (
        <path key={x} d={`M${x} 50 V58`} stroke={pale} strokeWidth="2" />
      ))}
      <Blade x={136} y={54} tilt={0} />
    </Tray>
  ),
  draw: (
    <>
      <rect x="24" y="10" width="152" height="70" rx="4" fill={dark} />
      <path
        d="M34 30 C64 14 74 46 104 30 S150 20 168 34 M34 62 C70 50 84 76 118 60 S150 56 168 64"
        fill="none"
        stroke={pale}
        strokeWidth="6"
      />
      <path d="M150 2 L124 44" stroke="#D8C9A6" strokeWidth="4" />
    </>
  ),
  boil: (
    <>
      <path d="M62 30 V74 H138 V30" fill="none" stroke={steel} strokeWidth="5" />
      <rect x="65" y="44" width="70" height="28" fill="#CFE3EC" />
      {[80, 100, 118].map((x) => (
        <circle key={x} cx={x} cy="48" r="5" fill="#fff" stroke="#8FB3C2" />
      ))}
      <path d="M100 66 V6" stroke="#C2543A" strokeWidth="4" />
      <path
        d="M74 84 L80 78 L86 84 M94 84 L100 78 L106 84 M114 84 L120 78 L126 84"
        stroke="#C2543A"
        strokeWidth="2"
        fill="none"
      />
    </>
  ),
};

/** How a topic is done, in a few strokes; it says nothing that the words beside it do not. */
export function HelpFigure({ of }: { of: Topic }) {
  return (
    <svg viewBox="0 0 200 92" width="100%" style={{ maxHeight: "150px" }} aria-hidden="true">
      <defs>
        <marker
          id="help-way"
          viewBox="0 0 8 8"
          refX="6"
          refY="4"
          markerWidth="6"
          markerHeight="6"
          orient="auto"
        >
          <path d="M0 0 L8 4 L0 8 Z" fill={ink} />
        </marker>
      </defs>
      {figures[of]}
    </svg>
  );
}
