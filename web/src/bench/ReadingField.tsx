import { Box, Input } from "@chakra-ui/react";
import { type Ref, useState } from "react";
import { degreeUnit, shownTemp, typedTemp } from "../kit/display";
import { Fault } from "../kit/Fault";
import { typedNumber } from "../kit/typed";
import { Touch } from "./Touch";

/** A reading as it might be. */
const usual = shownTemp(31.5).toFixed(1);

interface Props {
  onRead: (temp_c: number) => void;
  field: Ref<HTMLInputElement>;
}

/** A reading typed by hand: digits, Enter. */
export function ReadingField({ onRead, field }: Props) {
  const [text, setText] = useState("");
  const [fault, setFault] = useState("");
  return (
    <Box
      as="form"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        const value = typedNumber(text);
        if (value === null || Number.isNaN(value)) {
          setFault(`Type a number in ${degreeUnit}, like ${usual}`);
          return;
        }
        onRead(typedTemp(value));
        setText("");
        setFault("");
        // The keys go back to the bench.
        (document.activeElement as HTMLElement | null)?.blur();
      }}
    >
      <Box display="grid" gridTemplateColumns="minmax(0, 1fr) auto" gap="2">
        <Input
          ref={field}
          aria-label={`Reading typed by hand, ${degreeUnit}`}
          aria-invalid={fault !== ""}
          placeholder={`${usual} ${degreeUnit}`}
          inputMode="decimal"
          autoComplete="off"
          h="full"
          minH="64px"
          fontSize="2xl"
          fontWeight="600"
          bg="bg.panel"
          borderWidth="2px"
          borderColor="border.emphasized"
          _placeholder={{ color: "fg.subtle", fontWeight: "400" }}
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
        <Touch type="submit" hotkey="R">
          Read
        </Touch>
      </Box>
      {fault && <Fault mt="1">{fault}</Fault>}
    </Box>
  );
}
