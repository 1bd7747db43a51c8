import { Box } from "@chakra-ui/react";
import { inWords } from "../kit/message";
import type { following } from "./following";

/** What comes next and later, in a line. */
export function Following({ next, later }: ReturnType<typeof following>) {
  if (!next) return null;
  const [after] = later;
  return (
    <Box fontSize="sm" data-testid="following">
      <strong>Next:</strong> {inWords(next)}
      {after && (
        <Box as="span" color="fg.muted">
          {" "}
          · Later: {inWords(after)}
          {later.length > 1 && ` and ${later.length - 1} more`}
        </Box>
      )}
    </Box>
  );
}
