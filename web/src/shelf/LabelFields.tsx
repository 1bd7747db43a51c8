import { Box, Button } from "@chakra-ui/react";
import type { Allergen, LabelInputs } from "../api/client";
import { allergenWords } from "../chocolate/Allergens";

interface Props {
  label: LabelInputs | null | undefined;
  onChange: (label: LabelInputs | null) => void;
}

const none: LabelInputs = { contains: [], may_contain: [] };
const all = Object.keys(allergenWords) as Allergen[];

/** What a label says of allergens: what is in it, and what traces there may be of. */
export function LabelFields({ label, onChange }: Props) {
  if (!label) {
    return (
      <Button
        variant="outline"
        borderColor="border.emphasized"
        justifySelf="start"
        onClick={() => onChange(none)}
      >
        Add what the label says of allergens
      </Button>
    );
  }
  const { contains = [], may_contain = [] } = label;
  return (
    <Box display="grid" gap="3">
      <Marks
        legend="Contains"
        marked={contains}
        onChange={(next) =>
          // What is in it is no trace.
          onChange({
            contains: next,
            may_contain: may_contain.filter((one) => !next.includes(one)),
          })
        }
      />
      <Marks
        legend="May contain"
        marked={may_contain}
        onChange={(next) =>
          onChange({ may_contain: next, contains: contains.filter((one) => !next.includes(one)) })
        }
      />
    </Box>
  );
}

interface MarksProps {
  legend: string;
  marked: readonly Allergen[];
  onChange: (marked: Allergen[]) => void;
}

function Marks({ legend, marked, onChange }: MarksProps) {
  return (
    <Box as="fieldset">
      <Box as="legend" textStyle="label" mb="1">
        {legend}
      </Box>
      <Box display="flex" gap="1.5" flexWrap="wrap">
        {all.map((one) => {
          const on = marked.includes(one);
          return (
            <Button
              key={one}
              aria-label={`${legend} ${allergenWords[one]}`}
              aria-pressed={on}
              variant={on ? "solid" : "outline"}
              {...(on ? { bg: "ink", color: "onInk" } : { borderColor: "border.emphasized" })}
              onClick={() =>
                onChange(on ? marked.filter((other) => other !== one) : [...marked, one])
              }
            >
              {allergenWords[one]}
            </Button>
          );
        })}
      </Box>
    </Box>
  );
}
