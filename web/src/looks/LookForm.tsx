import { Box, Button, Stack } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { api, type Batch, type Looks, type NewResult, type Result } from "../api/client";
import { keys } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";
import { Fault } from "../kit/Fault";
import { Fold } from "../kit/Fold";
import { asTyped, momentOf } from "../kit/moments";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";
import { UnitField } from "../kit/UnitField";
import { BloomTests } from "./BloomTests";
import { LookPicture } from "./LookPicture";
import { PictureChoice } from "./PictureChoice";
import { SymptomPicker } from "./SymptomPicker";
import { besidesLooks, type Look, lookNames, looks, storedIn, tastes } from "./words";

type Draft = Partial<Looks> &
  Pick<NewResult, "taste" | "component"> & {
    bloom: NonNullable<NewResult["bloom"]>;
    stored: NonNullable<NewResult["stored"]>;
    seen: NonNullable<NewResult["seen"]>;
    note: string;
    /** As it was typed, by this device's clock; now, while it is empty. */
    looked: string;
  };

const empty: Draft = {
  component: null,
  taste: null,
  bloom: { rubbed: null, wetted: null },
  stored: { place: null, temp_c: null },
  seen: [],
  note: "",
  looked: "",
};

const notSaid = { "": "not noted" } as const;

/** Half a minute with one hand: four touches and, if there is more to say, what was seen besides. */
export function LookForm({ batch }: { batch: Batch }) {
  const [draft, setDraft] = useState<Draft>(empty);
  const set = (patch: Partial<Draft>) => setDraft({ ...draft, ...patch });
  const queries = useQueryClient();
  const { gloss, snap, released, streaks, looked, ...more } = draft;
  const complete = gloss && snap && released && streaks;
  const looked_at = looked === "" ? null : momentOf(looked);
  const keep = useMutation({
    mutationFn: async () => {
      if (!complete || looked_at === undefined) return;
      const said = { gloss, snap, released, streaks, ...more };
      accepted<Result>(
        await api.POST("/api/v1/batches/{id}/results", {
          params: { path: { id: batch.id } },
          body: { id: crypto.randomUUID(), looked_at, ...said },
        }),
      );
    },
    onSuccess: () => {
      setDraft(empty);
      queries.invalidateQueries({ queryKey: keys.batch(batch.id) });
      queries.invalidateQueries({ queryKey: keys.lists });
      queries.invalidateQueries({ queryKey: keys.looksDue });
    },
  });
  const faults = keep.error instanceof Refusal ? keep.error.fields : {};
  const unread = looked_at === undefined ? "must be a day and a time" : undefined;
  const inMore = unread ?? faults.looked_at ?? faults["stored.temp_c"];
  const parts = (batch.stated?.components ?? []).map(({ key, name }) => [key, name]);
  return (
    <Stack
      as="form"
      gap="4"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        keep.mutate();
      }}
    >
      {parts.length > 1 && (
        <PictureChoice
          label="What you look at"
          name="component"
          value={draft.component ?? ""}
          choices={{ "": "All of it", ...Object.fromEntries(parts) }}
          onChange={(component) => set({ component: component || null })}
        />
      )}
      <Box display="grid" gap="4" gridTemplateColumns={{ base: "minmax(0, 1fr)", xl: "1fr 1fr" }}>
        {lookNames.map((look) => (
          <PictureChoice<string>
            key={look}
            label={looks[look].label}
            name={look}
            value={draft[look] ?? null}
            choices={looks[look].words}
            picture={(value) => <LookPicture of={`${look}-${value}` as `${Look}-${string}`} />}
            onChange={(value) => set({ [look]: value })}
          />
        ))}
      </Box>
      <Box as="fieldset">
        <Box as="legend" textStyle="label" mb="1">
          Seen as well, if anything
        </Box>
        <SymptomPicker seen={draft.seen} among={besidesLooks} onChange={(seen) => set({ seen })} />
      </Box>
      <Fold inner title="A grey veil" value="Fat bloom or sugar bloom: two tests tell">
        <BloomTests tests={draft.bloom} onChange={(bloom) => set({ bloom })} />
      </Fold>
      <Fold
        inner
        title="Taste, storage, time"
        value="If there is more to say"
        faulty={inMore !== undefined}
      >
        <PictureChoice
          label="Taste"
          name="taste"
          value={draft.taste ?? ""}
          choices={{ "": "Not tried", ...tastes }}
          onChange={(taste) => set({ taste: taste || null })}
        />
        <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr">
          <SelectField
            label="Kept in"
            value={draft.stored.place ?? ""}
            choices={{ ...notSaid, ...storedIn }}
            onChange={(place) => set({ stored: { ...draft.stored, place: place || null } })}
          />
          <UnitField
            label="Kept at"
            unit="°C"
            optional="not noted"
            value={draft.stored.temp_c ?? null}
            error={faults["stored.temp_c"]}
            onChange={(temp_c) => set({ stored: { ...draft.stored, temp_c } })}
          />
        </Box>
        <TextField
          label="Looked at"
          kind="moment"
          value={looked || asTyped(new Date().toISOString())}
          error={unread ?? faults.looked_at}
          onChange={(next) => set({ looked: next })}
        />
      </Fold>
      <TextField
        label="Anything else"
        kind="lines"
        value={draft.note}
        error={faults.note}
        onChange={(note) => set({ note })}
      />
      {keep.error && Object.keys(faults).length === 0 && (
        <Fault>Not saved: {keep.error.message}</Fault>
      )}
      <Button
        type="submit"
        size="lg"
        h="52px"
        bg="ink"
        color="onInk"
        disabled={!complete || unread !== undefined || keep.isPending}
      >
        {complete ? "Save" : "Choose one in each line"}
      </Button>
    </Stack>
  );
}
