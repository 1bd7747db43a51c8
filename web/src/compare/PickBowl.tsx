import { Box, Button } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Batch } from "../api/client";
import { useBatches } from "../api/queries";
import { accepted } from "../api/refusal";
import { asOpened } from "../batch/asOpened";
import { Fault } from "../kit/Fault";
import { day } from "../kit/format";
import { More } from "../kit/More";
import { SearchField } from "../kit/SearchField";

interface Props {
  without: string[];
  onPick: (bowlId: string) => void;
}

/** Finds a batch; the bowl of it that was poured first and is not picked yet is compared. */
export function PickBowl({ without, onPick }: Props) {
  const [search, setSearch] = useState("");
  const batches = useBatches("made", search);
  const pick = useMutation({
    mutationFn: async (id: string) => {
      const params = { path: { id } };
      const batch = accepted<Batch>(await api.GET("/api/v1/batches/{id}", { params }));
      const first = asOpened(batch.bowls).find(
        (bowl) => bowl.status === "poured" && !without.includes(bowl.id),
      );
      if (!first) throw new Error("No other bowl of it was poured at the bench.");
      return first.id;
    },
    onSuccess: onPick,
  });
  return (
    <Box display="grid" gap="2">
      <SearchField of="the log" onSearch={setSearch} />
      {pick.error && <Fault>{pick.error.message}</Fault>}
      {(batches.data ?? []).map((batch) => (
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
