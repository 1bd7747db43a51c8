import { Box, Button, chakra } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, type Batch } from "../api/client";
import { keys } from "../api/queries";
import { done } from "../api/refusal";
import { MakeAgain } from "../clinic/MakeAgain";
import { Fault } from "../kit/Fault";
import { day } from "../kit/format";
import { inWords } from "../kit/message";
import { Panel } from "../kit/Panel";
import type { TakenOut } from "../kit/Undone";
import { WayTo } from "../kit/WayTo";
import { StarButton } from "./StarButton";

const Anchor = chakra("a");

/** Where a batch stands, what is still to do, and what can be done with it as a whole. */
export function BatchActions({ batch }: { batch: Batch }) {
  const { id, stage, to_do, plan_id } = batch;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const params = { path: { id } };
  const changed = () => {
    queries.invalidateQueries({ queryKey: keys.lists });
    queries.invalidateQueries({ queryKey: keys.batch(id) });
  };
  const close = useMutation({
    mutationFn: async (closed: boolean) => {
      done(await api.PUT("/api/v1/batches/{id}/closed", { params, body: { closed } }));
    },
    onSuccess: changed,
  });
  const remove = useMutation({
    mutationFn: async () => {
      done(await api.DELETE("/api/v1/batches/{id}", { params }));
    },
    onSuccess: () => {
      queries.invalidateQueries({ queryKey: keys.lists });
      const out: TakenOut = { of: "batches", id, name: batch.name, how: "deleted" };
      navigate("/log", { state: { out } });
    },
  });
  const look = { variant: "outline", borderColor: "border.emphasized" } as const;
  const failed = close.error ?? remove.error;
  return (
    <Panel title="This batch">
      <Box fontSize="sm" color="fg.muted" mb="2">
        Begun {day(batch.begun_at)}
        {batch.closed_at && `, closed ${day(batch.closed_at)}`}. Worked out by release{" "}
        {batch.made_by}. What it says is what was planned and done then; later edits of the plan
        change nothing here.
      </Box>
      {stage === "under_way" && (
        <Box mb="3" data-testid="to-do">
          <Box fontWeight="600">Still to do</Box>
          <Box as="ul" listStyleType="square" ps="5" fontSize="sm">
            {to_do.map(({ line, name, text, more }) => (
              <li key={line}>
                {name}: {inWords(text)}
                {more > 0 && `, and ${more} more ${more === 1 ? "step" : "steps"}`}
              </li>
            ))}
          </Box>
        </Box>
      )}
      <Box display="flex" gap="4" mb="2" flexWrap="wrap">
        <WayTo to={`/build/${id}`}>The guide</WayTo>
        {plan_id && <WayTo to={`/plans/${plan_id}`}>The plan</WayTo>}
        <WayTo to={`/log/${id}/page`}>On one page</WayTo>
      </Box>
      {!batch.unreadable && <MakeAgain batch={batch} />}
      <Box display="flex" gap="2" flexWrap="wrap" mt="2">
        <StarButton batch={batch} />
        {batch.closed_at ? (
          <Button {...look} disabled={close.isPending} onClick={() => close.mutate(false)}>
            Take it up again
          </Button>
        ) : (
          stage === "under_way" && (
            <Button {...look} disabled={close.isPending} onClick={() => close.mutate(true)}>
              Close it: that is all of it
            </Button>
          )
        )}
        <Button {...look} disabled={remove.isPending} onClick={() => remove.mutate()}>
          Delete
        </Button>
        <Button {...look} asChild>
          <Anchor href={`/api/v1/batches/${id}/document`} download>
            Save it as it is
          </Anchor>
        </Button>
      </Box>
      {failed && <Fault mt="2">That was not done: {failed.message}</Fault>}
    </Panel>
  );
}
