import { Box, Button, chakra } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Archive, Copy, Trash2, Undo2 } from "lucide-react";
import { memo } from "react";
import { Link as RouterLink, useNavigate } from "react-router";
import { api, type Plan, type PlanInputs } from "../api/client";
import { keys } from "../api/queries";
import { done } from "../api/refusal";
import { stageWords } from "../batch/words";
import { Fault } from "../kit/Fault";
import { Fold } from "../kit/Fold";
import { day } from "../kit/format";
import { TextField } from "../kit/TextField";
import type { TakenOut } from "../kit/Undone";
import { useNewPlan } from "./useNewPlan";
import type { PlanDraft } from "./usePlanDraft";

const Link = chakra(RouterLink);

type Props = Pick<PlanDraft, "say" | "save" | "undo"> & {
  name: string;
  note: string;
  /** What is stated now, for a copy: it is not followed step by step. */
  stated: () => PlanInputs;
  kept: Plan;
  noteError: string | undefined;
};

/** What else can be done with a plan, and what was made of it. */
export const PlanDeeds = memo(function PlanDeeds(props: Props) {
  const { kept, name, note, stated, noteError, say, save, undo } = props;
  const { id } = kept;
  const navigate = useNavigate();
  const queries = useQueryClient();
  const copy = useNewPlan();
  const back = useMutation({ mutationFn: undo });
  const takeOut = useMutation({
    mutationFn: async (how: TakenOut["how"]) => {
      await save();
      const params = { path: { id } };
      const archived = !kept.archived;
      done(
        how === "deleted"
          ? await api.DELETE("/api/v1/plans/{id}", { params })
          : await api.PUT("/api/v1/plans/{id}/archived", { params, body: { archived } }),
      );
      return how;
    },
    onSuccess: (how) => {
      queries.invalidateQueries({ queryKey: keys.lists });
      queries.invalidateQueries({ queryKey: keys.plan(id) });
      if (how === "archived" && kept.archived) return;
      const out: TakenOut = { of: "plans", id, name, how };
      navigate("/plans", { state: { out } });
    },
  });
  const look = { variant: "outline", borderColor: "border.emphasized" } as const;
  const failed = back.error ?? takeOut.error ?? copy.error;
  return (
    <Fold
      title="Note, undo, copy, archive, delete"
      value={
        [
          note,
          kept.batches.length > 0 &&
            `made ${kept.batches.length === 1 ? "once" : `${kept.batches.length} times`}`,
        ]
          .filter(Boolean)
          .join("; ") || "no note"
      }
      faulty={noteError !== undefined}
    >
      <TextField
        label="Note"
        kind="lines"
        value={note}
        error={noteError}
        onChange={(note) => say({ note })}
      />
      <Box display="flex" gap="2" flexWrap="wrap">
        <Button
          {...look}
          disabled={kept.undoes === 0 || back.isPending}
          onClick={() => back.mutate()}
        >
          <Undo2 aria-hidden /> Undo the last edit
        </Button>
        <Button
          {...look}
          disabled={copy.isPending}
          onClick={() =>
            copy.mutate({ name: `${name}, a copy`.slice(0, 120), note, inputs: stated() })
          }
        >
          <Copy aria-hidden /> Make a copy
        </Button>
        <Button {...look} disabled={takeOut.isPending} onClick={() => takeOut.mutate("archived")}>
          <Archive aria-hidden /> {kept.archived ? "Take it into use again" : "Archive"}
        </Button>
        <Button {...look} disabled={takeOut.isPending} onClick={() => takeOut.mutate("deleted")}>
          <Trash2 aria-hidden /> Delete
        </Button>
      </Box>
      {failed && <Fault mt="2">That was not done: {failed.message}</Fault>}
      {kept.batches.length > 0 && (
        <Box mt="4">
          <Box textStyle="label" mb="1">
            Made of it
          </Box>
          {kept.batches.map((batch) => (
            <Link
              key={batch.id}
              to={`/log/${batch.id}`}
              display="flex"
              justifyContent="space-between"
              gap="3"
              color="ink"
              textDecoration="underline"
              minH="48px"
              alignItems="center"
            >
              <span>Begun {day(batch.begun_at)}</span>
              <span>{stageWords[batch.stage]}</span>
            </Link>
          ))}
        </Box>
      )}
    </Fold>
  );
});
