import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";

interface Props {
  /** What tests find it by. */
  testId?: string;
  children: ReactNode;
}

/** The fields of one entry of a list, held together by a bar at their side. */
export function Entry({ testId, children }: Props) {
  return (
    <Box
      borderInlineStartWidth="4px"
      borderColor="border.emphasized"
      ps="3"
      display="grid"
      gap="2"
      data-testid={testId}
    >
      {children}
    </Box>
  );
}
