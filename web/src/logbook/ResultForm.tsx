import { Box, Button, RadioGroup, Stack, Textarea } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Looks, type Result, type Symptom } from "../api/client";
import { keys } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";
import { SymptomPicker } from "../clinic/SymptomPicker";
import { Fault } from "../kit/Fault";
import { lookNames, looks } from "./words";

type Draft = Partial<Looks> & { note: string; seen: Symptom[] };

const empty: Draft = { note: "", seen: [] };

/** Half a minute: four touches and, if there is more to say, a line. */
export function ResultForm({ batchId }: { batchId: string }) {
  const [draft, setDraft] = useState<Draft>(empty);
  const queries = useQueryClient();
  const { gloss, snap, released, streaks, note, seen } = draft;
  const complete = gloss && snap && released && streaks;
  const keep = useMutation({
    mutationFn: async () => {
      if (!complete) return;
      accepted<Result>(
        await api.POST("/api/v1/batches/{id}/results", {
          params: { path: { id: batchId } },
          body: { id: crypto.randomUUID(), gloss, snap, released, streaks, note, seen },
        }),
      );
    },
    onSuccess: () => {
      setDraft(empty);
      queries.invalidateQueries({ queryKey: keys.batch(batchId) });
      queries.invalidateQueries({ queryKey: keys.lists });
    },
  });
  const refusal = keep.error instanceof Refusal ? keep.error.fields.note : undefined;
  return (
    <Stack
      as="form"
      gap="3"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        keep.mutate();
      }}
    >
      {lookNames.map((look) => (
        <RadioGroup.Root
          key={look}
          name={look}
          value={draft[look] ?? null}
          onValueChange={({ value }) => setDraft({ ...draft, [look]: value })}
        >
          <Box display="grid" gridTemplateColumns="84px 1fr" alignItems="center" gap="2">
            <RadioGroup.Label textStyle="label">{looks[look].label}</RadioGroup.Label>
            <Box display="grid" gridTemplateColumns="repeat(3, 1fr)" gap="1.5">
              {Object.entries(looks[look].words).map(([value, word]) => (
                <RadioGroup.Item
                  key={value}
                  value={value}
                  minH="48px"
                  px="2"
                  justifyContent="center"
                  borderWidth="2px"
                  borderColor="border.emphasized"
                  borderRadius="slab"
                  cursor="pointer"
                  fontWeight="560"
                  _checked={{ bg: "ink", color: "onInk", borderColor: "ink" }}
                >
                  <RadioGroup.ItemHiddenInput />
                  <RadioGroup.ItemText>{word}</RadioGroup.ItemText>
                </RadioGroup.Item>
              ))}
            </Box>
          </Box>
        </RadioGroup.Root>
      ))}
      <Box as="fieldset">
        <Box as="legend" textStyle="label" mb="1">
          Seen as well, if anything
        </Box>
        <SymptomPicker seen={seen} onChange={(next) => setDraft({ ...draft, seen: next })} />
      </Box>
      <Textarea
        aria-label="Anything else"
        placeholder="Anything else"
        rows={2}
        borderColor="border.emphasized"
        value={note}
        onChange={(event) => setDraft({ ...draft, note: event.target.value })}
      />
      {keep.error && (
        <Fault>Not saved: {refusal ? `the note ${refusal}` : keep.error.message}</Fault>
      )}
      <Button
        type="submit"
        size="lg"
        h="52px"
        bg="ink"
        color="onInk"
        disabled={!complete || keep.isPending}
      >
        {complete ? "Save" : "Choose one in each line"}
      </Button>
    </Stack>
  );
}
