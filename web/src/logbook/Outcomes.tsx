import { Box, Stack } from "@chakra-ui/react";
import type { Batch } from "../api/client";
import { day } from "../kit/format";
import { lookNames, looks, lookWord } from "./words";

const DAY_MS = 24 * 3_600_000;

interface Props {
  batch: Batch;
  /** When it was poured, where that is known. */
  poured_at: string | null | undefined;
  /** Whether it was given up. */
  lost: boolean;
}

/** The looks at what came out; and when the next is worth taking. */
export function Outcomes({ batch, poured_at, lost }: Props) {
  const poured = poured_at ? Date.parse(poured_at) : null;
  const due = poured === null ? null : poured + DAY_MS;
  const settled =
    due !== null && batch.outcomes.some((o) => Date.parse(o.noted_at) >= due - 3_600_000);
  return (
    <Stack gap="4">
      {batch.outcomes.length === 0 && (
        <Box color="fg.muted">{lost ? "Nothing came out." : "Not looked at yet."}</Box>
      )}
      {batch.outcomes.map((outcome) => (
        <Box key={outcome.id}>
          <Box textStyle="label">
            {day(outcome.noted_at)}
            {poured !== null && `, ${hours(Date.parse(outcome.noted_at) - poured)} after the pour`}
          </Box>
          <Box display="flex" gap="5" flexWrap="wrap" mt="1">
            {lookNames.map((look) => (
              <Box key={look}>
                <Box fontSize="sm" color="fg.muted">
                  {looks[look].label}
                </Box>
                <Box fontWeight="600" fontSize="lg">
                  {lookWord(look, outcome[look])}
                </Box>
              </Box>
            ))}
          </Box>
          {outcome.note && <Box mt="1">{outcome.note}</Box>}
        </Box>
      ))}
      {due !== null && !settled && (
        <Box bg="cool.wash" borderRadius="slab" p="3" fontWeight="560">
          {Date.now() < due
            ? `Look again after 24 hours, from ${day(new Date(due).toISOString())}: gloss and snap go on improving for a day.`
            : "A day has passed since the pour: look again, and note gloss and snap."}
        </Box>
      )}
    </Stack>
  );
}

function hours(ms: number): string {
  const h = Math.round(ms / 3_600_000);
  return h < 1 ? "within the hour" : h === 1 ? "1 hour" : `${h} hours`;
}
