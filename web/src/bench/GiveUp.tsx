import { Box, Input } from "@chakra-ui/react";
import { useState } from "react";
import { Touch } from "./Touch";

/** Ends a bowl that cannot be saved, with the reason for the log. */
export function GiveUp({ onGiveUp }: { onGiveUp: (reason: string) => void }) {
  const [reason, setReason] = useState<string>();
  if (reason === undefined) {
    return <Touch onClick={() => setReason("")}>Give up</Touch>;
  }
  return (
    <Box
      as="form"
      gridColumn="1 / -1"
      display="grid"
      gridTemplateColumns="minmax(0, 1fr) auto auto"
      gap="2"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        if (reason.trim()) onGiveUp(reason.trim());
      }}
    >
      <Input
        autoFocus
        aria-label="What went wrong"
        placeholder="What went wrong?"
        maxLength={500}
        h="64px"
        fontSize="lg"
        bg="bg.panel"
        borderWidth="2px"
        borderColor="border.emphasized"
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
      <Touch type="submit" disabled={!reason.trim()}>
        Give up
      </Touch>
      <Touch type="button" onClick={() => setReason(undefined)}>
        Go on
      </Touch>
    </Box>
  );
}
