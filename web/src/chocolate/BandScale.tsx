import { Box } from "@chakra-ui/react";
import type { WindowsAnswer } from "../api/client";
import { shownTemp, typedTemp } from "../kit/display";
import { temperature } from "../kit/format";

/** The stretch on which every family fits, °C. */
const LO = 22;
const HI = 62;
const at = (c: number) => ((c - LO) / (HI - LO)) * 100;

const looks = {
  cool: { colour: "cool", wash: "cool.wash" },
  work: { colour: "work", wash: "work.wash" },
  melt: { colour: "heat", wash: "heat.wash" },
} as const;

/** Round temperatures along the scale, as they are shown. */
function marks(): { shown: number; c: number }[] {
  const step = shownTemp(1) - shownTemp(0) > 1.5 ? 10 : 5;
  const first = Math.ceil(shownTemp(LO) / step) * step;
  const count = Math.floor((shownTemp(HI) - first) / step) + 1;
  return Array.from({ length: count }, (_, i) => {
    const shown = first + i * step;
    return { shown, c: typedTemp(shown) };
  });
}

/** The scale over the rows. */
export function ScaleMarks() {
  return (
    <Box position="relative" h="24px" fontSize="sm" color="fg.muted" aria-hidden>
      {marks().map(({ shown, c }) => (
        <Box key={shown} position="absolute" left={`${at(c)}%`} transform="translateX(-50%)">
          {shown}
        </Box>
      ))}
    </Box>
  );
}

/** One chocolate's windows on the common scale: bands told apart by place, word and colour. */
export function BandScale({ windows }: { windows: WindowsAnswer }) {
  // Where the two overlap, as for coatings, each has half of the height.
  const overlap = windows.work_c[1] > windows.melt_c[0];
  const place = (name: "cool" | "work" | "melt") => ({
    top: overlap && name === "melt" ? "50%" : "0",
    bottom: overlap && name === "work" ? "50%" : "0",
  });
  const bands = [
    ...(windows.cool_c ? [{ name: "cool" as const, ends: windows.cool_c }] : []),
    { name: "work" as const, ends: windows.work_c },
    { name: "melt" as const, ends: windows.melt_c },
  ];
  return (
    <Box position="relative" h="46px" bg="bg.subtle" borderRadius="4px" overflow="hidden">
      {marks().map(({ shown, c }) => (
        <Box
          key={shown}
          position="absolute"
          left={`${at(c)}%`}
          top="0"
          bottom="0"
          borderInlineStartWidth="1px"
          borderColor="border"
        />
      ))}
      {bands.map(({ name, ends }) => (
        <Box
          key={name}
          position="absolute"
          left={`${at(ends[0])}%`}
          width={`${at(ends[1]) - at(ends[0])}%`}
          {...place(name)}
          bg={looks[name].wash}
          borderBottomWidth="5px"
          borderColor={looks[name].colour}
          display="flex"
          alignItems="center"
          justifyContent="center"
          fontSize="xs"
          fontWeight="600"
          css={{ printColorAdjust: "exact" }}
        >
          {/* A narrow band has its name along it. */}
          <Box
            as="span"
            writingMode={name === "melt" ? undefined : { base: "vertical-rl", md: "horizontal-tb" }}
          >
            {name}
          </Box>
        </Box>
      ))}
      {windows.lost_c != null && (
        <Box
          position="absolute"
          left={`${at(windows.lost_c)}%`}
          top="0"
          bottom="0"
          borderInlineStartWidth="2px"
          borderStyle="dashed"
          borderColor="fg.muted"
          title={`Temper is lost above ${temperature(windows.lost_c)}`}
        />
      )}
      <Box
        position="absolute"
        left={`${at(windows.limit_c)}%`}
        top="0"
        bottom="0"
        borderInlineStartWidth="4px"
        borderColor="stop"
        title={`Never above ${temperature(windows.limit_c)}`}
      />
    </Box>
  );
}
