import { Box } from "@chakra-ui/react";
import type { Looks } from "../api/client";

/**
 * How it came out, over its drawing: a clear light across what is glossy, a soft one on satin,
 * patches of grey on what has bloomed or streaks.
 */
export function Finish({ looks }: { looks: Looks }) {
  const grey = looks.streaks !== "none";
  const light = { glossy: 0.55, satin: 0.25, dull: 0 }[looks.gloss];
  const spots = looks.streaks === "many" ? 0.75 : 0.5;
  return (
    <Box
      aria-hidden
      position="absolute"
      inset="0"
      data-finish={grey ? "bloomed" : looks.gloss}
      style={{
        background: grey
          ? [
              `radial-gradient(circle at 30% 40%, rgba(200, 200, 198, ${spots}) 0 9%, transparent 16%)`,
              `radial-gradient(circle at 62% 60%, rgba(200, 200, 198, ${spots}) 0 12%, transparent 20%)`,
              `radial-gradient(circle at 74% 28%, rgba(200, 200, 198, ${spots}) 0 7%, transparent 13%)`,
              `radial-gradient(circle at 44% 74%, rgba(200, 200, 198, ${spots}) 0 6%, transparent 12%)`,
            ].join(", ")
          : `linear-gradient(105deg, transparent 38%, rgba(255, 255, 255, ${light}) 47%, rgba(255, 255, 255, ${light * 0.5}) 53%, transparent 60%)`,
      }}
    />
  );
}
