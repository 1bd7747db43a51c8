import { Box, Input } from "@chakra-ui/react";
import { useState } from "react";
import { massUnit, typedMass } from "../kit/display";
import { typedNumber } from "../kit/typed";
import type { Adding } from "./adding";
import { Touch } from "./Touch";

interface Props {
  adding: Adding;
  onAdd: (grams: number) => void;
}

/** Another amount than the advised or planned one. */
export function OtherAmount({ adding, onAdd }: Props) {
  const [text, setText] = useState("");
  const own = typedNumber(text) ?? 0;
  return (
    <Box
      as="form"
      display="grid"
      gridTemplateColumns="minmax(0, 1fr) auto"
      gap="2"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        if (own > 0) {
          onAdd(typedMass(own));
          setText("");
        }
      }}
    >
      <Input
        aria-label={`Other amount of ${adding.of}, ${massUnit}`}
        placeholder={`other ${adding.of}, ${massUnit}`}
        inputMode="decimal"
        h="full"
        minH="64px"
        fontSize="lg"
        bg="bg.panel"
        borderWidth="2px"
        borderColor="border.emphasized"
        _placeholder={{ color: "fg.subtle" }}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Touch type="submit" disabled={!(own > 0)}>
        Add
      </Touch>
    </Box>
  );
}
