import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Labels } from "../api/client";

/** A rule of so many millimetres shows whether the printer kept the size. */
const RULE_MM = 100;
/** It needs so much room above the first label, mm. */
const RULE_ROOM_MM = 8;

interface Props {
  grid: Labels["label"];
  /** How many labels, and at which place of the first sheet they begin. */
  count: number;
  first: number;
  /** Whether the lines to cut along are printed. */
  cut: boolean;
  children: ReactNode;
}

/** Sheets of paper at true size, with a label at each place. */
export function Sheets({ grid, count, first, cut, children }: Props) {
  const { places, paper_mm, sheet } = grid;
  const [wide = 210, high = 297] = paper_mm;
  const pages = Math.max(1, Math.ceil((first + count) / places.length));
  return (
    <Box
      overflowX="auto"
      minW="0"
      tabIndex={0}
      as="section"
      aria-label="Sheets"
      data-testid="sheets"
    >
      {Array.from({ length: pages }, (_, page) => (
        <Box
          // biome-ignore lint/suspicious/noArrayIndexKey: sheets in their order
          key={page}
          data-sheet={page + 1}
          position="relative"
          bg="white"
          color="black"
          mb="5"
          boxShadow="0 1px 6px rgba(0, 0, 0, 0.25)"
          overflow="hidden"
          style={{ width: `${wide}mm`, height: `${high}mm` }}
          css={{
            "@media print": {
              marginBottom: 0,
              boxShadow: "none",
              breakInside: "avoid",
              "&:not(:last-child)": { breakAfter: "page" },
            },
          }}
        >
          {sheet.top_mm >= RULE_ROOM_MM && <Rule left={sheet.left_mm} />}
          {places.map(([x = 0, y = 0], place) => {
            const nth = page * places.length + place - first;
            if (nth < 0 || nth >= count) return null;
            return (
              <Box
                key={`${x} ${y}`}
                data-testid="label"
                position="absolute"
                overflow="hidden"
                // On screen its edge is seen; on paper where it is to be cut.
                css={{
                  outline: "0.2mm dashed #9AA5A0",
                  "@media print": cut ? { outlineColor: "#C9D0CC" } : { outline: "none" },
                }}
                style={{
                  left: `${x}mm`,
                  top: `${y}mm`,
                  width: `${sheet.width_mm}mm`,
                  height: `${sheet.height_mm}mm`,
                }}
              >
                {children}
              </Box>
            );
          })}
        </Box>
      ))}
    </Box>
  );
}

function Rule({ left }: { left: number }) {
  return (
    <Box
      position="absolute"
      fontSize="6pt"
      style={{ left: `${left}mm`, top: "2mm", width: `${RULE_MM}mm` }}
      borderBottom="0.25mm solid black"
      borderInline="0.25mm solid black"
      h="2.5mm"
      lineHeight="2mm"
      textAlign="center"
    >
      {RULE_MM} mm
    </Box>
  );
}
