import { Box } from "@chakra-ui/react";
import type { Message } from "../api/client";
import { inWords } from "../kit/message";

/** What will be different, a line each. */
export function Changes({ changes }: { changes: Message[] }) {
  return (
    <Box as="ul" listStyleType="square" ps="5">
      {changes.map((change) => (
        <li key={`${change.code} ${change.text}`}>{inWords(change)}</li>
      ))}
    </Box>
  );
}
