import { Box, Button } from "@chakra-ui/react";
import type { Symptom } from "../api/client";
import { LookPicture } from "./LookPicture";
import { symptomNames, symptoms } from "./words";

interface Props {
  seen: Symptom[];
  onChange: (seen: Symptom[]) => void;
  /** Which are offered; all, if left out. */
  among?: readonly Symptom[];
}

/** The faults that can be seen, each a picture that is touched on or off. */
export function SymptomPicker({ seen, onChange, among = symptomNames }: Props) {
  return (
    <Box display="grid" gap="1.5" gridTemplateColumns="repeat(auto-fill, minmax(104px, 1fr))">
      {among.map((symptom) => {
        const is = seen.includes(symptom);
        return (
          <Button
            key={symptom}
            type="button"
            variant="outline"
            px="1"
            py="2"
            h="auto"
            minH="48px"
            display="grid"
            justifyItems="center"
            alignContent="start"
            gap="1"
            whiteSpace="normal"
            lineHeight="1.15"
            fontSize="sm"
            aria-pressed={is}
            borderWidth="2px"
            borderColor={is ? "ink" : "border"}
            bg={is ? "cool.wash" : undefined}
            fontWeight={is ? "640" : "500"}
            css={{ "& svg": { width: "56px", height: "40px" } }}
            onClick={() =>
              onChange(is ? seen.filter((one) => one !== symptom) : [...seen, symptom])
            }
          >
            <LookPicture of={symptom} />
            {symptoms[symptom]}
          </Button>
        );
      })}
    </Box>
  );
}
