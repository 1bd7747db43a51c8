import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { CountedIn, GoodsNotes, ThingOf } from "../api/client";
import type { OnShelf } from "../api/queries";
import { Fold } from "../kit/Fold";
import { faultyIn } from "../kit/faultyIn";
import { fieldsOf } from "../kit/fieldsOf";
import { SelectField } from "../kit/SelectField";
import { TextField } from "../kit/TextField";
import { UnitField } from "../kit/UnitField";
import { CommonGoods } from "./CommonGoods";
import { countedWords, fieldUnit } from "./counted";
import { LabelFields } from "./LabelFields";
import { sortWords } from "./sorts";
import { ThingForm } from "./ThingForm";
import { useDeeds, useKeep } from "./useThing";

const fresh: ThingOf<"goods"> = { kind: "goods", name: "", unit: "g", sort: "other", known: {} };

interface Props {
  standing: OnShelf<"goods"> | null;
  /** What stands there already. */
  goods: OnShelf<"goods">[];
  done: () => void;
}

/** What is known of goods: three fields say enough, the rest is folded. */
export function GoodsForm({ standing, goods, done }: Props) {
  const [draft, setDraft] = useState(standing?.thing ?? fresh);
  const [left, setLeft] = useState<number | null>(null);
  const { keep, busy, errors, said } = useKeep(standing, done);
  const { putAway } = useDeeds(standing?.id ?? "");
  const set = (patch: Partial<ThingOf<"goods">>) => setDraft({ ...draft, ...patch });
  const field = fieldsOf<ThingOf<"goods">>(draft, errors, set);
  const known = draft.known ?? {};
  const note = fieldsOf<GoodsNotes>(
    known,
    errors,
    (patch) => set({ known: { ...known, ...patch } }),
    "known.",
  );
  const unit = fieldUnit(draft.unit);
  return (
    <ThingForm
      busy={busy}
      said={said}
      onKeep={() => keep({ thing: draft, left })}
      onLeave={done}
      onPutAway={standing ? () => putAway.mutate() : undefined}
    >
      {!standing && <CommonGoods goods={goods} />}
      <Box
        display="grid"
        gap="3"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "2fr 1fr 1fr" }}
      >
        <TextField label={standing ? "Name" : "Or your own: name"} {...field("name")} />
        <SelectField<CountedIn> label="Counted" choices={countedWords} {...field("unit")} />
        {!standing && (
          <UnitField
            label="In stock"
            unit={unit}
            optional="not counted"
            value={left}
            error={errors.left}
            onChange={setLeft}
          />
        )}
      </Box>
      <Box>
        <Fold
          inner
          title="Sort, pack, date"
          value={draft.best_before ?? sortWords[draft.sort ?? "other"]}
          faulty={faultyIn(errors, "pack_size", "pack_price", "best_before")}
        >
          <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
            <SelectField
              label="Sort"
              choices={sortWords}
              {...field("sort")}
              value={draft.sort ?? "other"}
            />
            <TextField
              label="Best before"
              kind="day"
              value={draft.best_before ?? ""}
              error={errors.best_before}
              onChange={(day) => set({ best_before: day || null })}
            />
            <UnitField label="In a pack" unit={unit} optional="not known" {...field("pack_size")} />
            <UnitField
              label="Price of a pack"
              unit=""
              optional="not known"
              {...field("pack_price")}
            />
          </Box>
        </Fold>
        <Fold
          inner
          title="One of it, a cup of it, water, fat"
          value={known.bulk_g_ml != null ? `1 ml weighs ${known.bulk_g_ml} g` : "not known"}
          faulty={faultyIn(errors, "across_mm", "each_g", "density_g_cm3", "known")}
        >
          <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
            <UnitField label="Size of one" unit="mm" optional="" {...field("across_mm")} />
            <UnitField label="Weight of one" unit="g" optional="" {...field("each_g")} />
            <UnitField label="Weight of 1 ml" unit="g" optional="" {...note("bulk_g_ml")} />
            <UnitField label="Density, solid" unit="g" optional="" {...field("density_g_cm3")} />
            <UnitField label="Water in it" unit="%" optional="not known" {...note("water_pct")} />
            <UnitField label="Fat in it" unit="%" optional="not known" {...note("fat_pct")} />
          </Box>
        </Fold>
        <Fold
          inner
          title="Label, allergens"
          value={draft.label || (draft.allergens ? "allergens put in" : "still to be read")}
          faulty={faultyIn(errors, "label")}
        >
          <TextField
            label="Label: ingredients"
            kind="lines"
            value={draft.label ?? ""}
            error={errors.label}
            onChange={(label) => set({ label })}
          />
          <LabelFields label={draft.allergens} onChange={(allergens) => set({ allergens })} />
        </Fold>
      </Box>
    </ThingForm>
  );
}
