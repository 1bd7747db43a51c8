import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { PlanInputs } from "../../api/client";
import { aSaturday, asTyped, momentOf, sameMoment } from "../../kit/moments";
import { SelectField } from "../../kit/SelectField";
import { TextField } from "../../kit/TextField";

export type When = NonNullable<PlanInputs["when"]>;

const ways = { open: "whenever I begin", ready_by: "ready by", begin: "begun at" } as const;
type Way = keyof typeof ways;

const hands = {
  alone: "I, alone",
  with_helper: "I, with a helper or a child",
  two: "two makers",
} as const;

function wayOf(when: When): Way {
  return when.ready_by ? "ready_by" : when.begin ? "begin" : "open";
}

interface Props {
  when: When;
  errors: Record<string, string>;
  onChange: (when: When) => void;
}

/** By when, from when, and by whose hands. */
export function WhenFields({ when, errors, onChange }: Props) {
  const way = wayOf(when);
  const stated = way === "open" ? undefined : when[way];
  const choose = (next: Way) => {
    const at = stated ?? aSaturday(new Date());
    onChange({
      ...when,
      ready_by: next === "ready_by" ? at : null,
      begin: next === "begin" ? at : null,
    });
  };
  return (
    <Box display="flex" gap="3" flexWrap="wrap" alignItems="start">
      <Box w={{ base: "full", sm: "200px" }}>
        <SelectField label="It is to be" value={way} choices={ways} onChange={choose} />
      </Box>
      {way !== "open" && (
        <Box w={{ base: "full", sm: "240px" }}>
          <MomentField
            key={way}
            label={way === "ready_by" ? "Ready by" : "Begun at"}
            at={stated}
            error={errors[`when.${way}`]}
            onChange={(at) => onChange({ ...when, [way]: at })}
          />
        </Box>
      )}
      <Box w={{ base: "full", sm: "240px" }}>
        <SelectField
          label="Who works"
          value={when.hands ?? "alone"}
          choices={hands}
          onChange={(who) => onChange({ ...when, hands: who })}
        />
      </Box>
    </Box>
  );
}

interface MomentProps {
  label: string;
  at: string | null | undefined;
  error?: string | undefined;
  onChange: (at: string) => void;
}

/** A day and a time. What is typed half stays on screen, and changes nothing. */
export function MomentField({ label, at, error, onChange }: MomentProps) {
  const [typed, setTyped] = useState(() => asTyped(at));
  const [shown, setShown] = useState(at);
  // Changed from elsewhere it is shown anew; what is being typed is left alone.
  if (at !== shown) {
    setShown(at);
    if (!sameMoment(momentOf(typed), at)) setTyped(asTyped(at));
  }
  const wrong = momentOf(typed) === undefined ? "must be a day and a time" : error;
  return (
    <TextField
      label={label}
      kind="moment"
      value={typed}
      error={wrong}
      onChange={(text) => {
        setTyped(text);
        const moment = momentOf(text);
        if (moment && !sameMoment(moment, at)) onChange(moment);
      }}
    />
  );
}
