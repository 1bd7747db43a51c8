import { Box, Button } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Fault } from "../kit/Fault";

interface Props {
  children: ReactNode;
  busy: boolean;
  /** Why it was not saved, where no field is at fault. */
  said?: string | undefined;
  onKeep: () => void;
  onLeave: () => void;
  /** Puts the thing away, where it stands on the shelf already. */
  onPutAway?: (() => void) | undefined;
}

/** The frame of every form on the shelf. */
export function ThingForm({ children, busy, said, onKeep, onLeave, onPutAway }: Props) {
  return (
    <Box
      as="form"
      display="grid"
      gap="3"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        onKeep();
      }}
    >
      {children}
      {said && <Fault>{said}</Fault>}
      <Box display="flex" gap="2" flexWrap="wrap">
        <Button type="submit" h="48px" px="6" bg="ink" color="onInk" disabled={busy}>
          Save
        </Button>
        <Button
          variant="outline"
          borderColor="border.emphasized"
          h="48px"
          onClick={onLeave}
          disabled={busy}
        >
          Cancel
        </Button>
        {onPutAway && (
          <Button variant="ghost" color="stop" h="48px" ms="auto" onClick={onPutAway}>
            Archive
          </Button>
        )}
      </Box>
    </Box>
  );
}
