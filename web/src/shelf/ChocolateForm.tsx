import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { ThingOf } from "../api/client";
import { type OnShelf, useWindows } from "../api/queries";
import { FamilyField } from "../chocolate/FamilyField";
import { LooksField } from "../chocolate/LooksField";
import { OwnNumbersFields } from "../chocolate/OwnNumbersFields";
import { Pair } from "../kit/Pair";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";
import { UnitField } from "../kit/UnitField";
import { lookOf } from "../theme/chocolate";
import { flowWords } from "./flow";
import { LabelFields } from "./LabelFields";
import { ThingForm } from "./ThingForm";
import { useDeeds, useKeep } from "./useThing";

const fresh: ThingOf<"chocolate"> = {
  kind: "chocolate",
  name: "",
  family: "dark",
  blend: null,
  own: {},
  flow_grade: null,
  lot: "",
  best_before: null,
  price_per_kg: null,
  label: "",
};

interface Props {
  standing: OnShelf<"chocolate"> | null;
  done: () => void;
}

/** What the bag says, and how much of it there is. */
export function ChocolateForm({ standing, done }: Props) {
  const [draft, setDraft] = useState(standing?.thing ?? fresh);
  const [left, setLeft] = useState<number | null>(standing?.left ?? null);
  const { keep, busy, errors, said } = useKeep(standing, done);
  const { putAway } = useDeeds(standing?.id ?? "");
  // What is greyed in the fields is the usual, and what is wrong shows at once.
  const { windows, faults } = useWindows(draft);
  const wrong = { ...faults, ...errors };
  const set = (patch: Partial<ThingOf<"chocolate">>) => setDraft({ ...draft, ...patch });
  return (
    <ThingForm
      busy={busy}
      said={said}
      onKeep={() => keep({ thing: draft, left })}
      onLeave={done}
      onPutAway={standing ? () => putAway.mutate() : undefined}
    >
      <TextField
        label="Name"
        value={draft.name}
        error={wrong.name}
        placeholder="your name for it"
        onChange={(name) => set({ name })}
      />
      <Box display="grid" gap="4" gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1fr" }}>
        <Box display="grid" gap="3" alignContent="start">
          <FamilyField family={draft.family} blend={draft.blend} errors={wrong} onChange={set} />
          <LooksField
            looks={draft.looks}
            usual={lookOf({ ...draft, looks: null })}
            error={wrong.looks}
            onChange={(looks) => set({ looks })}
          />
          <Pair>
            {!standing && (
              <UnitField
                label="In stock"
                unit="g"
                optional="not counted"
                value={left}
                error={wrong.left}
                onChange={setLeft}
              />
            )}
            <UnitField
              label="Price per kg"
              unit=""
              optional="not known"
              value={draft.price_per_kg}
              error={wrong.price_per_kg}
              onChange={(price_per_kg) => set({ price_per_kg })}
            />
            <UnitField
              label="Bag size"
              unit="g"
              optional="not known"
              value={draft.pack_g}
              error={wrong.pack_g}
              onChange={(pack_g) => set({ pack_g })}
            />
            <TextField
              label="Best before"
              kind="day"
              value={draft.best_before ?? ""}
              error={wrong.best_before}
              onChange={(day) => set({ best_before: day || null })}
            />
            <TextField
              label="Lot"
              value={draft.lot ?? ""}
              error={wrong.lot}
              onChange={(lot) => set({ lot })}
            />
          </Pair>
          <SelectField
            label="Flow"
            value={draft.flow_grade == null ? "" : String(draft.flow_grade)}
            choices={[
              { value: "", label: "not known" },
              ...Object.entries(flowWords).map(([grade, word]) => ({
                value: grade,
                label: `${grade}: ${word}`,
              })),
            ]}
            error={wrong.flow_grade}
            onChange={(grade) => set({ flow_grade: grade === "" ? null : Number(grade) })}
          />
          <TextField
            label="Label: ingredients"
            kind="lines"
            value={draft.label ?? ""}
            error={wrong.label}
            onChange={(label) => set({ label })}
          />
          <LabelFields label={draft.allergens} onChange={(allergens) => set({ allergens })} />
        </Box>
        {windows && (
          <OwnNumbersFields
            own={draft.own}
            windows={windows}
            errors={wrong}
            onChange={(own) => set({ own })}
          />
        )}
      </Box>
    </ThingForm>
  );
}
