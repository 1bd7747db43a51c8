import { Box, Input } from "@chakra-ui/react";
import { memo } from "react";
import { Fault } from "../kit/Fault";

interface Props {
  name: string;
  error: string | undefined;
  onSay: (words: { name: string }) => void;
}

/** The plan's name, edited where it stands. */
export const NameField = memo(function NameField({ name, error, onSay }: Props) {
  return (
    <Box flex={{ base: "1 1 60%", md: "1" }} minW="0">
      <Input
        aria-label="Name of the plan"
        aria-invalid={error !== undefined}
        variant="flushed"
        textStyle="title"
        fontSize={{ base: "xl", md: "2xl" }}
        h="48px"
        borderColor="transparent"
        _hover={{ borderColor: "border.emphasized" }}
        value={name}
        onChange={(event) => onSay({ name: event.target.value })}
      />
      {error && <Fault fontSize="sm">Name {error}</Fault>}
    </Box>
  );
});
