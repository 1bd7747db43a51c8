import { Box, Button } from "@chakra-ui/react";
import type { Symptom } from "../api/client";
import { symptomNames, symptoms } from "../logbook/words";

interface Props {
  seen: Symptom[];
  onChange: (seen: Symptom[]) => void;
}

/** The faults that can be seen, each a touch on or off. */
export function SymptomPicker({ seen, onChange }: Props) {
  return (
    <Box display="flex" gap="1.5" flexWrap="wrap">
      {symptomNames.map((symptom) => {
        const is = seen.includes(symptom);
        return (
          <Button
            key={symptom}
            type="button"
            variant="outline"
            px="3"
            minH="48px"
            aria-pressed={is}
            borderWidth="2px"
            borderColor={is ? "ink" : "border"}
            fontWeight={is ? "640" : "500"}
            onClick={() =>
              onChange(is ? seen.filter((one) => one !== symptom) : [...seen, symptom])
            }
          >
            {symptoms[symptom]}
          </Button>
        );
      })}
    </Box>
  );
}
