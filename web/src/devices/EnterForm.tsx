import { Button, Stack } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";

interface Props {
  /** What is sent, and what came of it. */
  enter: { mutate: () => void; isPending: boolean; error: Error | null };
  /** Whether there is enough to send. */
  ready: boolean;
  /** What is written on the touch that sends it. */
  label: ReactNode;
  /** The fields, each with what is wrong with it. */
  children: (faults: Record<string, string>) => ReactNode;
}

/** What whoever is outside fills in to be let in. */
export function EnterForm({ enter, ready, label, children }: Props) {
  const faults = enter.error instanceof Refusal ? enter.error.fields : {};
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        enter.mutate();
      }}
    >
      <Stack gap="4">
        {children(faults)}
        <Button
          type="submit"
          size="lg"
          minH="14"
          bg="ink"
          color="onInk"
          loading={enter.isPending}
          disabled={!ready}
        >
          {label}
        </Button>
        {enter.error && Object.keys(faults).length === 0 && <Fault>{enter.error.message}</Fault>}
      </Stack>
    </form>
  );
}
