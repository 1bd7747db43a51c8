import { Box, Button } from "@chakra-ui/react";
import type { LaidOut, Outlines } from "../../api/client";
import { EitherField } from "../../kit/EitherField";
import { Fault } from "../../kit/Fault";
import { Notes } from "../../kit/Notes";

interface Props {
  outline: Outlines;
  laid: LaidOut;
  line_mm: number;
  /** Whether features are piped in a colour of their own. */
  coloured: boolean;
  error: string | undefined;
  onChange: (patch: Partial<Outlines>) => void;
}

/** Lines of one outline that are shown to pick from. */
const MOST = 24;

/** An outline line by line: which are features, and what holds it together. */
export function OutlineLines({ outline, laid, line_mm, coloured, error, onChange }: Props) {
  const { features = [], bridged = false } = outline;
  const [w = 1, h = 1] = laid.size_mm;
  const edge = line_mm + 2;
  const [wide, high] = [w + 2 * edge, h + 2 * edge];
  const isFeature = (i: number) => features.includes(i + 1);
  const turn = (i: number) =>
    onChange({
      features: isFeature(i)
        ? features.filter((line) => line !== i + 1)
        : [...features, i + 1].sort((a, b) => a - b),
    });
  const own = laid.lines.filter(({ bridge }) => !bridge);
  const lines = own.slice(0, MOST);
  const numbered = coloured && lines.length > 1;
  const mark = Math.max(wide, high) / 14;
  const unconnected = laid.notes.filter(({ code }) => code === "unconnected");
  return (
    <Box display="grid" gap="2" data-testid="outline-lines">
      <svg
        viewBox={`${-edge} ${-edge} ${wide} ${high}`}
        width="100%"
        style={{ maxHeight: "150px" }}
        role="img"
        aria-label={`${laid.name}: ${laid.lines.length} lines, ${laid.parts} ${laid.parts === 1 ? "part" : "parts"}`}
      >
        {laid.lines.map(({ path, feature }) => (
          <path
            key={path}
            d={path}
            fill="none"
            stroke={feature ? "var(--chakra-colors-heat)" : "currentColor"}
            strokeWidth={line_mm}
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        ))}
        {numbered &&
          lines.map(({ path, middle_mm: [x = 0, y = 0] }, i) => (
            // Browsers draw no letter smaller than some pixels: it is scaled, not set small.
            <g key={path} transform={`translate(${x} ${y}) scale(${mark / 24})`}>
              <circle r="12" fill="var(--chakra-colors-bg-panel)" stroke="currentColor" />
              <text
                textAnchor="middle"
                dominantBaseline="central"
                fontSize="16"
                fill="currentColor"
              >
                {i + 1}
              </text>
            </g>
          ))}
        {!bridged &&
          laid.bridges_mm.map(([x1, y1, x2, y2]) => (
            <line
              key={`${x1} ${y1} ${x2} ${y2}`}
              x1={x1}
              y1={y1}
              x2={x2}
              y2={y2}
              stroke="var(--chakra-colors-stop)"
              strokeWidth={line_mm / 2}
              strokeDasharray={`${line_mm} ${line_mm}`}
            />
          ))}
      </svg>
      {unconnected.length > 0 && <Notes notes={unconnected} />}
      {(bridged || laid.bridges_mm.length > 0) && (
        <EitherField
          label="Bridges"
          value={bridged}
          no="none"
          yes={
            bridged
              ? "added: it is one part"
              : `add ${laid.bridges_mm.length === 1 ? "one short line" : `${laid.bridges_mm.length} short lines`}`
          }
          onChange={(next) => onChange({ bridged: next })}
        />
      )}
      {numbered && (
        <Box>
          <Box textStyle="label" mb="1.5">
            Features: which lines
          </Box>
          <Box display="flex" gap="1.5" flexWrap="wrap">
            {lines.map(({ path, length_mm }, i) => (
              <Button
                key={path}
                size="sm"
                h="44px"
                variant={isFeature(i) ? "solid" : "outline"}
                bg={isFeature(i) ? "ink" : undefined}
                color={isFeature(i) ? "onInk" : undefined}
                aria-pressed={isFeature(i)}
                onClick={() => turn(i)}
              >
                {i + 1}: {Math.round(length_mm)} mm
              </Button>
            ))}
          </Box>
          {own.length > MOST && (
            <Box fontSize="sm" color="fg.muted" mt="1">
              The first {MOST} of {own.length} lines.
            </Box>
          )}
        </Box>
      )}
      {error && <Fault fontSize="sm">The features {error}</Fault>}
    </Box>
  );
}
