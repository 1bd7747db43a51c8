import { Box, Button, chakra } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { memo } from "react";
import { Link as RouterLink, useNavigate } from "react-router";
import type { BatchRef } from "../api/client";
import { keys } from "../api/queries";
import { beginBatch } from "../batch/beginBatch";
import { openBowl } from "../bench/openBowl";
import { Fault } from "../kit/Fault";
import { day } from "../kit/format";

const Link = chakra(RouterLink);

interface Props {
  planId: string;
  /** Its batches, the latest first. */
  batches: BatchRef[];
  /** The chocolate that is shown, where something is made from it. */
  chocolate: string | undefined;
  /** Its name, where there are several. */
  name: string | undefined;
  /** Whether it cannot be begun now: it is at fault, or still being changed. */
  busy: boolean;
  /** Saves it, or says why it is not saved: what is made is what stands on the screen. */
  saved: () => Promise<void>;
}

/** Where it goes from here: to the bench, or on to the guide. */
export const PlanActions = memo(function PlanActions(props: Props) {
  const { planId, batches, chocolate, name, saved } = props;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const begin = async () => {
    await saved();
    const batch = await beginBatch(planId);
    queries.invalidateQueries({ queryKey: keys.lists });
    queries.invalidateQueries({ queryKey: keys.plan(planId) });
    return batch;
  };
  const open = useMutation({
    mutationFn: async () => openBowl((await begin()).id, chocolate),
    onSuccess: ({ bowl }) => navigate(`/bench/${bowl.id}`),
  });
  const guide = useMutation({
    mutationFn: begin,
    onSuccess: ({ id }) => navigate(`/build/${id}`),
  });
  const failed = open.error ?? guide.error;
  const underWay = batches.find(({ stage }) => stage === "under_way");
  const look = {
    size: "lg",
    h: "auto",
    minH: "56px",
    px: "6",
    maxW: "full",
    whiteSpace: "normal",
  } as const;
  const solid = { bg: "ink", color: "onInk" };
  const outline = { variant: "outline", borderColor: "border.emphasized" } as const;
  const busy = props.busy || open.isPending || guide.isPending;
  return (
    <>
      {underWay ? (
        <>
          <Button {...look} {...solid} asChild>
            <Link to={`/build/${underWay.id}`}>Go on: begun {day(underWay.begun_at)}</Link>
          </Button>
          <Button {...look} {...outline} disabled={busy} onClick={() => guide.mutate()}>
            Begin another batch
          </Button>
        </>
      ) : (
        <>
          {chocolate !== undefined && (
            <Button {...look} {...solid} disabled={busy} onClick={() => open.mutate()}>
              {name === undefined ? "Start tempering" : `Start tempering: ${name}`}
            </Button>
          )}
          <Button {...look} {...outline} disabled={busy} onClick={() => guide.mutate()}>
            Build guide
          </Button>
        </>
      )}
      {failed && <Fault width="full">That could not be begun: {failed.message}</Fault>}
      {underWay && (
        <Box width="full" fontSize="sm" color="fg.muted">
          What was begun goes on as it was planned then: changes made here go into the next batch.
        </Box>
      )}
    </>
  );
});
