import { Box } from "@chakra-ui/react";
import type { PipingSheets } from "../api/client";
import { Notes } from "../kit/Notes";

interface Props {
  outline: PipingSheets["outlines"][number];
  line_mm: number;
}

/** One outline as heavy as it is piped, with a mark wherever it would come apart. */
export function OutlineCheck({ outline, line_mm }: Props) {
  const [w = 1, h = 1] = outline.size_mm;
  const edge = line_mm + 6;
  const [wide, high] = [w + 2 * edge, h + 2 * edge];
  const mark = Math.max(wide, high) / 36;
  return (
    <Box bg="bg.panel" borderRadius="slab" p="4" data-testid="outline-check">
      <Box display="flex" justifyContent="space-between" gap="3" mb="2">
        <strong>{outline.name}</strong>
        <span>
          {outline.count} of {Math.round(outline.length_mm)} mm
        </span>
      </Box>
      <svg
        viewBox={`${-edge} ${-edge} ${wide} ${high}`}
        width="100%"
        style={{ maxHeight: "200px" }}
        role="img"
        aria-label={`${outline.name}, ${outline.parts} ${outline.parts === 1 ? "part" : "parts"}`}
      >
        <path
          d={outline.path}
          fill="none"
          stroke="#2C1A12"
          strokeWidth={line_mm}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
        <path d={outline.path} fill="none" stroke="#C09A80" strokeWidth={line_mm / 5} />
        {outline.ends_mm.map(([x, y]) => (
          <circle
            key={`e ${x} ${y}`}
            cx={x}
            cy={y}
            r={mark * 0.7}
            fill="none"
            stroke="#17607D"
            strokeWidth={mark / 4}
          />
        ))}
        {outline.thin_mm.map(([x = 0, y = 0]) => (
          <rect
            key={`t ${x} ${y}`}
            x={x - mark}
            y={y - mark}
            width={mark * 2}
            height={mark * 2}
            fill="none"
            stroke="#D9480F"
            strokeWidth={mark / 3}
          />
        ))}
        {outline.loose_mm.map(([x = 0, y = 0]) => (
          <path
            key={`l ${x} ${y}`}
            d={`M${x - mark} ${y - mark} l${mark * 2} ${mark * 2} m0 ${-mark * 2} l${-mark * 2} ${mark * 2}`}
            stroke="#E5193F"
            strokeWidth={mark / 2.5}
          />
        ))}
      </svg>
      <Notes notes={outline.notes} />
      {outline.notes.length > 0 && (
        <Box fontSize="xs" color="fg.muted" mt="1">
          Crosses: loose parts. Squares: thin joints. Rings: open ends.
        </Box>
      )}
    </Box>
  );
}
