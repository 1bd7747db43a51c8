import { Box } from "@chakra-ui/react";
import type { BowlAnswer } from "../api/client";
import { CountdownTo } from "./CountdownTo";
import type { KitchenClock } from "./useBowl";

/** After the pour: what is due, in the order in which it binds. */
export function SettingStrip({ bowl, time }: { bowl: BowlAnswer; time: KitchenClock }) {
  if (bowl.setting.length === 0) return null;
  return (
    <Box
      as="section"
      aria-label="After the pour"
      display="grid"
      gap="3"
      gridTemplateColumns={{ base: "1fr 1fr", md: "repeat(4, 1fr)" }}
    >
      {bowl.setting.map((countdown) => (
        <Box key={countdown.what} bg="bg.panel" borderRadius="slab" p="4">
          <CountdownTo countdown={countdown} time={time} big />
        </Box>
      ))}
    </Box>
  );
}
