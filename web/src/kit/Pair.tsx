import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

/** Fields side by side. */
export function Pair({ children }: { children: ReactNode }) {
  return (
    <Box display="grid" gridTemplateColumns="1fr 1fr" gap="3" alignItems="start">
      {children}
    </Box>
  );
}
