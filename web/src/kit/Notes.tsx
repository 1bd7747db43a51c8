import { Box, Stack } from "@chakra-ui/react";
import { Check, Info, OctagonX, TriangleAlert } from "lucide-react";
import { memo } from "react";
import type { Note } from "../api/client";
import { inWords } from "./message";

const looks = {
  info: { icon: Info, colour: "fg.muted", wash: "transparent", word: "" },
  caution: { icon: TriangleAlert, colour: "heat", wash: "heat.wash", word: "Caution: " },
  stop: { icon: OctagonX, colour: "stop", wash: "stop.wash", word: "Stop: " },
} as const;

interface Props {
  notes: Note[];
  /** What they are about, where that does not go without saying. */
  of?: string | undefined;
}

/** Remarks on a figure: told apart by shape, word and colour. */
export const Notes = memo(function Notes({ notes, of }: Props) {
  if (notes.length === 0) return null;
  return (
    <Stack as="ul" gap="1.5" listStyleType="none">
      {notes.map((note) => {
        const look = looks[note.level];
        const Icon = note.code === "room-good" ? Check : look.icon;
        return (
          <Box
            as="li"
            key={note.code}
            display="flex"
            gap="2"
            fontSize="sm"
            lineHeight="1.35"
            color={note.level === "info" ? "fg.muted" : "fg"}
            bg={look.wash}
            p={note.level === "info" ? 0 : "2"}
            borderRadius="slab"
          >
            <Box color={look.colour} flexShrink={0} pt="1px" aria-hidden>
              <Icon size={18} />
            </Box>
            <span>
              {look.word && <strong>{look.word}</strong>}
              {of && `${of}. `}
              {inWords(note)}
            </span>
          </Box>
        );
      })}
    </Stack>
  );
});
