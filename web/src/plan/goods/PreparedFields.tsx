import { Box, IconButton } from "@chakra-ui/react";
import { X } from "lucide-react";
import type { Preparation } from "../../api/client";
import { Fold } from "../../kit/Fold";
import { faultyIn } from "../../kit/faultyIn";
import { type Errors, fieldsOf } from "../../kit/fieldsOf";
import { NumberField } from "../../kit/NumberField";
import { SelectField } from "../../kit/SelectField";

type By = Preparation["by"];
type Of<B extends By> = Extract<Preparation, { by: B }>;

const words: Record<By, string> = {
  toasting: "toasted",
  candying: "candied",
  chopping: "chopped",
  melting: "melted",
  drying: "dried",
};

const start: { [B in By]: Of<B> } = {
  toasting: { by: "toasting", oven_c: 160, minutes: 10 },
  candying: { by: "candying", sugar_parts: 0.5 },
  chopping: { by: "chopping", to: "medium" },
  melting: { by: "melting", to_c: 40 },
  drying: { by: "drying", dryer_c: 60, hours: 8, leaves_pct: 20 },
};

const fineness: Record<Of<"chopping">["to"], string> = {
  coarse: "halves and quarters",
  medium: "like peppercorns",
  fine: "like coarse sugar",
};

/** So many preparations of one of the goods at most. */
const MOST = 4;

interface Props {
  prepared: readonly Preparation[] | undefined;
  errors: Errors;
  /** Their place among the fields. */
  at: string;
  onChange: (prepared: Preparation[]) => void;
}

const none: Preparation[] = [];

/** What is done to goods before they go in or on, one after the other. */
export function PreparedFields({ prepared = none, errors, at, onChange }: Props) {
  return (
    <Box gridColumn="1 / -1">
      <Fold
        inner
        title="Prepared first"
        value={prepared.map(({ by }) => words[by]).join(", then ") || "as they are"}
        faulty={faultyIn(errors, at)}
      >
        {prepared.map((one, i) => (
          <Box
            // biome-ignore lint/suspicious/noArrayIndexKey: each is its place in the list
            key={i}
            display="grid"
            gap="2"
            gridTemplateColumns="minmax(0, 1fr) auto"
            alignItems="end"
          >
            <SelectField
              label={i === 0 ? "They are" : "Then they are"}
              value={one.by}
              choices={words}
              onChange={(by) => onChange(prepared.with(i, start[by]))}
            />
            <IconButton
              aria-label={`Remove: ${words[one.by]}`}
              variant="ghost"
              onClick={() => onChange(prepared.toSpliced(i, 1))}
            >
              <X size={18} />
            </IconButton>
            <Box gridColumn="1 / -1" display="grid" gap="2" gridTemplateColumns="1fr 1fr">
              <OneFields
                one={one}
                errors={errors}
                at={`${at}[${i}].`}
                onChange={(next) => onChange(prepared.with(i, next))}
              />
            </Box>
          </Box>
        ))}
        {prepared.length < MOST && (
          <SelectField<By | "">
            label={prepared.length === 0 ? "They are" : "Then they are"}
            value=""
            choices={{ "": prepared.length === 0 ? "not prepared" : "ready", ...words }}
            onChange={(by) => by && onChange([...prepared, start[by]])}
          />
        )}
      </Fold>
    </Box>
  );
}

interface OneProps<P> {
  one: P;
  errors: Errors;
  at: string;
  onChange: (one: Preparation) => void;
}

/** The numbers of one preparation. */
function OneFields({ one, errors, at, onChange }: OneProps<Preparation>) {
  switch (one.by) {
    case "toasting": {
      const field = fieldsOf(one, errors, (patch) => onChange({ ...one, ...patch }), at);
      return (
        <>
          <NumberField label="Oven" unit="°C" {...field("oven_c")} />
          <NumberField label="Time in it" unit="min" {...field("minutes")} />
        </>
      );
    }
    case "candying": {
      const field = fieldsOf(one, errors, (patch) => onChange({ ...one, ...patch }), at);
      return <NumberField label="Sugar to one of them" unit="parts" {...field("sugar_parts")} />;
    }
    case "chopping": {
      const field = fieldsOf(one, errors, (patch) => onChange({ ...one, ...patch }), at);
      return <SelectField label="How fine" choices={fineness} {...field("to")} />;
    }
    case "melting": {
      const field = fieldsOf(one, errors, (patch) => onChange({ ...one, ...patch }), at);
      return <NumberField label="No warmer than" unit="°C" {...field("to_c")} />;
    }
    case "drying": {
      const field = fieldsOf(one, errors, (patch) => onChange({ ...one, ...patch }), at);
      return (
        <>
          <NumberField label="Low oven, dryer" unit="°C" {...field("dryer_c")} />
          <NumberField label="Time in it" unit="h" {...field("hours")} />
          <NumberField label="Weight that is left" unit="%" {...field("leaves_pct")} />
        </>
      );
    }
  }
}
