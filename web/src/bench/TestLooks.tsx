import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Seen } from "../api/client";
import { Touch } from "./Touch";
import { useKeys } from "./useKeys";
import { seenWords } from "./words";

const looks: Seen[] = ["sets_from_edge", "even_satin", "streaks", "still_wet"];

/** A smear as it looks in each case: shape before colour. */
function Smear({ seen }: { seen: Seen }) {
  return (
    <svg style={{ width: 72, height: 34 }} viewBox="0 0 72 34" aria-hidden="true">
      <path d="M4 20c4-14 18-17 32-15s30 0 32 12-14 13-32 12S1 30 4 20z" fill="#3A241A" />
      {seen === "sets_from_edge" && (
        <path
          d="M4 20c4-14 18-17 32-15s30 0 32 12-14 13-32 12S1 30 4 20z"
          fill="none"
          stroke="#B39C8E"
          strokeWidth="7"
        />
      )}
      {seen === "even_satin" && (
        <path d="M4 20c4-14 18-17 32-15s30 0 32 12-14 13-32 12S1 30 4 20z" fill="#8C7466" />
      )}
      {seen === "streaks" && (
        <path
          d="M10 22c14-8 40-8 54-3M14 27c16-4 30-5 44-2M14 13c14-5 30-4 46 1"
          stroke="#C9B7AB"
          strokeWidth="3"
          fill="none"
        />
      )}
      {seen === "still_wet" && (
        <path
          d="M16 12c8-4 22-5 30-3"
          stroke="#FFFFFF"
          strokeWidth="4"
          strokeLinecap="round"
          fill="none"
        />
      )}
    </svg>
  );
}

/** How long ago it may have turned dull, min. */
const AGO_MIN = [0, 1, 2, 5];

interface Props {
  /** What was seen; and how long ago it turned dull, s, where somebody says so. */
  onSeen: (seen: Seen, seconds?: number) => void;
}

/** When it turned dull: the touch comes later than the setting. */
function TurnedDull({ onSaid, onBack }: { onSaid: (seconds: number) => void; onBack: () => void }) {
  return (
    <Box
      role="group"
      aria-label="When did it turn dull?"
      display="grid"
      gap="2"
      gridTemplateColumns={{ base: "1fr 1fr", md: "auto repeat(5, 1fr)" }}
      alignItems="center"
    >
      <Box fontWeight="600" fontSize="lg" gridColumn={{ base: "1 / -1", md: "auto" }}>
        When did it turn dull?
      </Box>
      {AGO_MIN.map((min, i) => (
        <Touch key={min} hotkey={String(i + 1)} minH="64px" onClick={() => onSaid(min * 60)}>
          {min === 0 ? "Just now" : `${min} min ago`}
        </Touch>
      ))}
      <Touch minH="64px" onClick={onBack}>
        Not yet
      </Touch>
    </Box>
  );
}

/** What is seen on the smear. */
export function TestLooks({ onSeen }: Props) {
  const [dull, setDull] = useState(false);
  const look = (seen: Seen) => (seen === "even_satin" ? setDull(true) : onSeen(seen));
  const numbered = dull
    ? AGO_MIN.map((min) => () => onSeen("even_satin", min * 60))
    : looks.map((seen) => () => look(seen));
  useKeys(Object.fromEntries(numbered.map((press, i) => [String(i + 1), press])));
  if (dull) {
    return (
      <TurnedDull
        onSaid={(seconds) => onSeen("even_satin", seconds)}
        onBack={() => setDull(false)}
      />
    );
  }
  return (
    <Box
      role="group"
      aria-label="What do you see on the smear?"
      display="grid"
      gap="2"
      gridTemplateColumns={{ base: "1fr 1fr", md: "repeat(4, 1fr)" }}
    >
      {looks.map((seen, i) => (
        <Touch key={seen} hotkey={String(i + 1)} onClick={() => look(seen)} minH="64px">
          <Box as="span" display="inline-flex" gap="3" alignItems="center" textAlign="start">
            <Smear seen={seen} /> {seenWords[seen]}
          </Box>
        </Touch>
      ))}
    </Box>
  );
}
