import { Box } from "@chakra-ui/react";
import type { Coming } from "../api/client";
import { CountdownTo } from "../bench/CountdownTo";
import type { KitchenClock } from "../bench/useBowl";

/** As many as can be read from afar. */
const MOST = 8;

/** What is coming, in the order in which it binds. */
export function ComingStrip({ coming, time }: { coming: Coming[]; time: KitchenClock }) {
  if (coming.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label="What is coming"
      display="grid"
      gap="3"
      gridTemplateColumns={{ base: "1fr 1fr", md: "repeat(4, 1fr)" }}
      data-testid="coming"
    >
      {coming.slice(0, MOST).map((one) => (
        <Box
          key={`${one.line} ${one.what.code} ${one.closes}`}
          bg="bg.panel"
          borderRadius="slab"
          p="3"
          borderTopWidth="4px"
          borderColor={one.closes ? "heat" : "cool"}
        >
          <Box fontSize="sm" fontWeight="600" mb="1">
            {one.name}
          </Box>
          <CountdownTo countdown={one} time={time} big />
        </Box>
      ))}
    </Box>
  );
}
