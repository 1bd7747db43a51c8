import { Box, Stack } from "@chakra-ui/react";
import type { Batch } from "../api/client";
import { grows } from "../batch/afterwards";
import { day } from "../kit/format";
import { lookNames, looks, lookWord, symptoms } from "./words";

const DAY_MS = 24 * 3_600_000;

interface Props {
  batch: Batch;
  /** When it was poured, where that is known. */
  poured_at: string | null | undefined;
  /** Whether it was given up. */
  lost: boolean;
}

/** The looks at what came out; and when the next is worth taking. */
export function Results({ batch, poured_at, lost }: Props) {
  const poured = poured_at ? Date.parse(poured_at) : null;
  // What is not tempered does not grow: it dulls.
  const waits = batch.plan === null || batch.plan === undefined || grows(batch.plan);
  const due = poured === null || !waits ? null : poured + DAY_MS;
  const settled =
    due !== null && batch.results.some((o) => Date.parse(o.noted_at) >= due - 3_600_000);
  return (
    <Stack gap="4">
      {batch.results.length === 0 && (
        <Box color="fg.muted">{lost ? "Nothing came out." : "Not looked at yet."}</Box>
      )}
      {batch.results.map((one) => (
        <Box key={one.id}>
          <Box textStyle="label">
            {day(one.noted_at)}
            {poured !== null && `, ${hours(Date.parse(one.noted_at) - poured)} after the pour`}
          </Box>
          <Box display="flex" gap="5" flexWrap="wrap" mt="1">
            {lookNames.map((look) => (
              <Box key={look}>
                <Box fontSize="sm" color="fg.muted">
                  {looks[look].label}
                </Box>
                <Box fontWeight="600" fontSize="lg">
                  {one.looks ? lookWord(look, one.looks[look]) : "–"}
                </Box>
              </Box>
            ))}
          </Box>
          {one.seen.length > 0 && (
            <Box mt="1" fontWeight="560">
              Seen: {one.seen.map((seen) => symptoms[seen].toLowerCase()).join(", ")}
            </Box>
          )}
          {one.note && (
            <Box mt="1" whiteSpace="pre-line">
              {one.note}
            </Box>
          )}
        </Box>
      ))}
      {due !== null && !settled && (
        <Box bg="cool.wash" borderRadius="slab" p="3" fontWeight="560">
          {Date.now() < due
            ? `Check again after 24 hours, from ${day(new Date(due).toISOString())}: gloss and snap go on improving for a day.`
            : "A day has passed since the pour: check again, and note gloss and snap."}
        </Box>
      )}
    </Stack>
  );
}

function hours(ms: number): string {
  const h = Math.round(ms / 3_600_000);
  return h < 1 ? "within the hour" : h === 1 ? "1 hour" : `${h} hours`;
}
