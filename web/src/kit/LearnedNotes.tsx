import { Box } from "@chakra-ui/react";
import { Lightbulb } from "lucide-react";
import type { Message } from "../api/client";
import { inWords } from "./message";

/** What was learned from how things came out before, marked as such. */
export function LearnedNotes({ notes }: { notes: Message[] | undefined }) {
  if (!notes?.length) return null;
  return (
    <>
      {notes.map((note) => (
        <Box
          key={note.text}
          data-testid="learned"
          display="flex"
          gap="2"
          alignItems="center"
          bg="cool.wash"
          borderRadius="slab"
          px="3"
          py="2"
          mt="2"
          fontWeight="560"
        >
          <Box flexShrink={0}>
            <Lightbulb size={20} aria-hidden />
          </Box>
          {inWords(note)}
        </Box>
      ))}
    </>
  );
}
