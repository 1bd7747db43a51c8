import { Box, Button } from "@chakra-ui/react";
import { useState } from "react";
import type { BowlWithPlan } from "../api/client";
import { Refusal } from "../api/refusal";
import { mass } from "../kit/format";
import { Panel } from "../kit/Panel";
import { UnitField } from "../kit/UnitField";
import { useDeeds } from "../shelf/useThing";

interface Props {
  bowlId: string;
  taken: NonNullable<BowlWithPlan["taken"]>;
}

/** What the bowl took from the shelf, and what of it goes back. */
export function TakenPanel({ bowlId, taken }: Props) {
  const [grams, setGrams] = useState<number | null>(null);
  const { move } = useDeeds(taken.chocolate_id);
  const fault = move.error instanceof Refusal ? move.error.fields.grams : undefined;
  return (
    <Panel title="From the shelf">
      <Box data-testid="taken" mb="2">
        {taken.name}: <strong>{mass(taken.taken_g)}</strong> taken
        {taken.returned_g > 0 && (
          <>
            , <strong>{mass(taken.returned_g)}</strong> returned
          </>
        )}
        .
      </Box>
      <Box
        as="form"
        display="grid"
        gridTemplateColumns="minmax(0, 160px) auto 1fr"
        gap="2"
        alignItems="end"
        onSubmit={(event: React.FormEvent) => {
          event.preventDefault();
          if (grams === null) return;
          move.mutate(
            { kind: "returned", grams, bowl_id: bowlId },
            { onSuccess: () => setGrams(null) },
          );
        }}
      >
        <UnitField
          label="Left over, put back"
          unit="g"
          optional=""
          value={grams}
          error={fault}
          onChange={setGrams}
        />
        <Button
          type="submit"
          variant="outline"
          borderColor="border.emphasized"
          h="40px"
          disabled={move.isPending}
        >
          Put it back
        </Button>
      </Box>
    </Panel>
  );
}
