import { Box } from "@chakra-ui/react";
import { useState } from "react";
import type { Seen } from "../api/client";
import { Smear } from "./Smear";
import { Touch } from "./Touch";
import { useKeys } from "./useKeys";
import { seenWords } from "./words";

const looks: Seen[] = ["sets_from_edge", "even_satin", "streaks", "still_wet"];

/** What each says of the bowl, where it is seen in time. */
const means: Record<Seen, string> = {
  sets_from_edge: "✓ good",
  even_satin: "✓ good",
  streaks: "✗ not tempered",
  still_wet: "not yet, or not tempered",
};

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
      gap={{ base: "1.5", md: "2" }}
      gridTemplateColumns="repeat(4, minmax(0, 1fr))"
    >
      {looks.map((seen, i) => (
        <Touch
          key={seen}
          hotkey={String(i + 1)}
          onClick={() => look(seen)}
          minH="64px"
          px={{ base: "1", md: "2", lg: "3" }}
          fontSize={{ base: "sm", md: "lg" }}
          justifyContent={{ base: "center", md: "space-between" }}
        >
          <Box
            as="span"
            display="inline-flex"
            flexDirection={{ base: "column", lg: "row" }}
            columnGap="3"
            rowGap="1"
            alignItems="center"
            textAlign={{ base: "center", lg: "start" }}
            css={{ "& svg": { maxWidth: "100%" } }}
          >
            <Smear seen={seen} />
            <span>
              {seenWords[seen]}
              <Box as="span" display="block" fontSize={{ base: "xs", md: "sm" }} fontWeight="500">
                {means[seen]}
              </Box>
            </span>
          </Box>
        </Touch>
      ))}
    </Box>
  );
}
