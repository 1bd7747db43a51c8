import { Box, Button } from "@chakra-ui/react";
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Batch } from "../api/client";
import { keys, readBatch, readBowl, useBatches } from "../api/queries";
import { asOpened } from "../batch/asOpened";
import { Fault } from "../kit/Fault";
import { day } from "../kit/format";
import { More } from "../kit/More";
import { SearchField } from "../kit/SearchField";
import { letters } from "./factors";

interface Props {
  /** The bowls that are picked already. */
  without: string[];
  onPick: (bowlId: string) => void;
}

/** The bowl of a batch that was poured first of those that are not picked yet. */
function nextBowl({ bowls }: Batch, without: readonly string[]) {
  return asOpened(bowls).find(({ id, status }) => status === "poured" && !without.includes(id));
}

/** Finds a batch, those of a plan that is picked already first, and takes its next bowl. */
export function PickBowl({ without, onPick }: Props) {
  const [search, setSearch] = useState("");
  const batches = useBatches("made", search);
  const picked = useQuery({
    queryKey: [...keys.lists, "picked", without],
    queryFn: () => Promise.all(without.map(async (id) => readBatch((await readBowl(id)).batch_id))),
  }).data;
  const offered = (batches.data ?? []).filter((batch) => {
    const known = picked?.find(({ id }) => id === batch.id);
    return !known || nextBowl(known, without) !== undefined;
  });
  const samePlan = (plan: string | null | undefined) =>
    Number(picked?.some(({ plan_id }) => plan != null && plan_id === plan) ?? false);
  const pick = useMutation({
    mutationFn: async (id: string) => {
      const first = nextBowl(await readBatch(id), without);
      if (!first) throw new Error("No other bowl of it was poured at the bench.");
      return first.id;
    },
    onSuccess: onPick,
  });
  return (
    <Box display="grid" gap="2">
      {without.length === 1 &&
        picked?.map(({ id, name, ended_at, begun_at }) => (
          <Box key={id} display="flex" justifyContent="space-between" gap="3">
            <span>
              {letters[0]} <b>{name}</b>
            </span>
            <Box as="span" color="fg.muted" flexShrink={0}>
              {day(ended_at ?? begun_at)}
            </Box>
          </Box>
        ))}
      <SearchField of="the log" onSearch={setSearch} />
      {pick.error && <Fault>{pick.error.message}</Fault>}
      {offered
        .toSorted((a, b) => samePlan(b.plan_id) - samePlan(a.plan_id))
        .map((batch) => (
          <Button
            key={batch.id}
            variant="outline"
            borderColor="border"
            minH="48px"
            h="auto"
            py="2"
            justifyContent="space-between"
            whiteSpace="normal"
            textAlign="start"
            disabled={pick.isPending}
            onClick={() => pick.mutate(batch.id)}
          >
            <span>{batch.name}</span>
            <Box as="span" color="fg.muted" fontWeight="400" flexShrink={0}>
              {day(batch.ended_at ?? batch.last_at)}
            </Box>
          </Button>
        ))}
      <More list={batches} />
    </Box>
  );
}
