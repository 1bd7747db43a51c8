import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, type Plan } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";
import { beginBatch } from "../batch/beginBatch";
import { openBowl } from "../bench/openBowl";
import { Fault } from "../kit/Fault";

/** A whole evening at the bench with the simulated pot: nothing is melted but time. */
export function Rehearse() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const rehearse = useMutation({
    mutationFn: async () => {
      const plan = accepted<Plan>(
        await api.POST("/api/v1/plans", {
          body: {
            id: crypto.randomUUID(),
            name: "Rehearsal",
            note: "Tried without chocolate, at the simulated pot.",
          },
        }),
      );
      const batch = await beginBatch(plan.id);
      const { bowl } = await openBowl(batch.id, null);
      await api.PUT("/api/v1/bowls/{id}/thermometer", {
        params: { path: { id: bowl.id } },
        body: { simulated: true, rate: 5 },
      });
      return bowl.id;
    },
    onSuccess: (bowl) => {
      queries.invalidateQueries({ queryKey: keys.lists });
      navigate(`/bench/${bowl}`);
    },
  });
  return (
    <Box display="grid">
      <Button
        variant="plain"
        data-part="way"
        h="auto"
        display="block"
        alignContent="start"
        textAlign="start"
        whiteSpace="normal"
        bg="bg.panel"
        borderRadius="slab"
        borderWidth="2px"
        borderColor="border.emphasized"
        p="4"
        minH={{ base: "88px", md: "112px" }}
        _hover={{ borderColor: "ink" }}
        disabled={rehearse.isPending}
        onClick={() => rehearse.mutate()}
      >
        <Box data-part="title" textStyle="title" fontSize={{ base: "lg", md: "xl" }}>
          Try it without chocolate
        </Box>
        <Box
          data-part="words"
          color="fg.muted"
          fontSize="sm"
          fontWeight="400"
          mt="1.5"
          lineHeight="1.4"
        >
          A simulated pot and thermometer: follow the coach from the melt to the pour.
        </Box>
      </Button>
      {rehearse.error && (
        <Fault mt="2">The rehearsal could not be begun: {rehearse.error.message}</Fault>
      )}
    </Box>
  );
}
