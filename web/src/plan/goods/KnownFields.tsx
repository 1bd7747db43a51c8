import { Box, chakra } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { Link as RouterLink } from "react-router";
import type { GoodsInputs, GoodsNotes } from "../../api/client";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { type Errors, fieldsOf } from "../../kit/fieldsOf";
import { mass } from "../../kit/format";
import { UnitField } from "../../kit/UnitField";

const Link = chakra(RouterLink);

interface Props {
  known: GoodsNotes;
  errors: Errors;
  /** Its place among the fields. */
  at: string;
  /** Its size or density, in brief. */
  brief: string;
  /** Whether any of its further fields must be mended. */
  faulty: boolean;
  /** What the shelf knows of it, where it was picked there: that stands, and is changed there. */
  shelf: GoodsInputs | undefined;
  onChange: (known: GoodsNotes) => void;
  /** Its size or density. */
  children: ReactNode;
}

/** What of it is known. */
function given(notes: GoodsNotes | undefined): GoodsNotes {
  const entries = Object.entries(notes ?? {}).filter(([, value]) => value != null);
  return Object.fromEntries(entries);
}

function inBrief(brief: string, { bulk_g_ml, water_pct, fat_pct }: GoodsNotes): string {
  const parts = [
    brief,
    bulk_g_ml != null && `a cup weighs ${mass(bulk_g_ml * 236.6)}`,
    water_pct != null && `${water_pct} % water`,
    fat_pct != null && `${fat_pct} % fat`,
  ].filter((part) => typeof part === "string");
  return parts.join(", ");
}

/** What is known of goods: size, what a measure of them weighs, how warm, moist and fat they are. */
export function KnownFields(props: Props) {
  const { errors, at, brief, faulty, shelf, onChange, children } = props;
  const known = { ...props.known, ...given(shelf?.known) };
  const field = fieldsOf(known, errors, (patch) => onChange({ ...known, ...patch }), `${at}.`);
  return (
    <Box gridColumn="1 / -1">
      <Fold
        inner
        title="One of it, a cup of it, water, fat"
        value={inBrief(brief, known)}
        faulty={faulty || faultyIn(errors, at)}
      >
        <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
          {shelf ? (
            <Box gridColumn="1 / -1" fontSize="sm">
              What stands on the{" "}
              <Link to="/shelf/goods" color="ink" textDecoration="underline">
                shelf
              </Link>{" "}
              counts before what is put in here.
            </Box>
          ) : null}
          {children}
          <UnitField label="Weight of 1 ml" unit="g" optional="" {...field("bulk_g_ml")} />
          <UnitField
            label="Temperature of it"
            unit="°C"
            optional="the room's"
            {...field("temp_c")}
          />
          <UnitField label="Water in it" unit="%" optional="not known" {...field("water_pct")} />
          <UnitField label="Fat in it" unit="%" optional="not known" {...field("fat_pct")} />
        </Box>
      </Fold>
    </Box>
  );
}
