import { Box } from "@chakra-ui/react";
import type { BowlWithPlan } from "../api/client";
import { Fold } from "../kit/Fold";
import { mass } from "../kit/format";
import { AmountForm } from "../shelf/AmountForm";

interface Props {
  bowlId: string;
  taken: NonNullable<BowlWithPlan["taken"]>;
}

/** What the bowl took from the shelf, and what of it goes back. */
export function TakenPanel({ bowlId, taken }: Props) {
  return (
    <Fold title="From the shelf" value={`${mass(taken.taken_g)} taken; put back what is left`}>
      <Box data-testid="taken" mb="2">
        {taken.name}: <strong>{mass(taken.taken_g)}</strong> taken
        {taken.returned_g > 0 && (
          <>
            , <strong>{mass(taken.returned_g)}</strong> returned
          </>
        )}
        .
      </Box>
      <AmountForm
        id={taken.chocolate_id}
        unit="g"
        label="Left over, returned to stock"
        move={(amount) => ({ kind: "returned", amount, bowl_id: bowlId })}
        button="Return to stock"
      />
    </Fold>
  );
}
