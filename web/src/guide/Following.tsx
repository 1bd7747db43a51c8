import { Box } from "@chakra-ui/react";
import type { Guide } from "../api/client";
import { inWords } from "../kit/message";
import { following } from "./following";

/** What comes next and later, in a line: the same at the guide and at the bench. */
export function Following({ guide }: { guide: Guide }) {
  const { next, later } = following(guide);
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
