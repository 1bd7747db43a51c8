import { Box } from "@chakra-ui/react";
import type { GoodsNotes } from "../../api/client";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { type Errors, fieldsOf } from "../../kit/fieldsOf";
import { UnitField } from "../../kit/UnitField";

interface Props {
  known: GoodsNotes;
  errors: Errors;
  /** Its place among the fields. */
  at: string;
  onChange: (known: GoodsNotes) => void;
}

function inBrief({ bulk_g_ml, water_pct, fat_pct }: GoodsNotes): string {
  const parts = [
    bulk_g_ml != null && `a cup weighs ${Math.round(bulk_g_ml * 236.6)} g`,
    water_pct != null && `${water_pct} % water`,
    fat_pct != null && `${fat_pct} % fat`,
  ].filter((part) => typeof part === "string");
  return parts.join(", ") || "nothing more known";
}

/** What else is known of goods: what a measure of them weighs, how warm, moist and fat they are. */
export function KnownFields({ known, errors, at, onChange }: Props) {
  const field = fieldsOf(known, errors, (patch) => onChange({ ...known, ...patch }), `${at}.`);
  return (
    <Box gridColumn="1 / -1">
      <Fold
        inner
        title="Measure, temperature, water, fat"
        value={inBrief(known)}
        faulty={faultyIn(errors, at)}
      >
        <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
          <UnitField label="Weight of 1 ml" unit="g" optional="" {...field("bulk_g_ml")} />
          <UnitField label="Temperature" unit="°C" optional="the room's" {...field("temp_c")} />
          <UnitField label="Water" unit="%" optional="not known" {...field("water_pct")} />
          <UnitField label="Fat" unit="%" optional="not known" {...field("fat_pct")} />
        </Box>
      </Fold>
    </Box>
  );
}
