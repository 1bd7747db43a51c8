import { Box, Stack } from "@chakra-ui/react";
import type { Batch, Result } from "../api/client";
import { grows } from "../batch/afterwards";
import { day, temperature } from "../kit/format";
import { LookPicture } from "./LookPicture";
import { afters, bloomTold, faultsOf, lookNames, looks, lookWord, storedIn, tastes } from "./words";

interface Props {
  batch: Batch;
  /** Whether it was given up. */
  lost: boolean;
}

/** The looks at what came out; and when the next is worth taking. */
export function Looks({ batch, lost }: Props) {
  const { results, poured_at, due_look, next_look } = batch;
  const names = new Map(batch.stated?.components.map(({ key, name }) => [key, name]));
  // What is not tempered does not grow: it dulls.
  const waits = batch.plan == null || grows(batch.plan);
  const next = next_look && due_look == null && waits ? next_look : null;
  return (
    <Stack gap="4">
      {results.length === 0 && (
        <Box color="fg.muted">{lost ? "Nothing came out." : "Not looked at yet."}</Box>
      )}
      {results.map((one) => (
        <OneLook
          key={one.id}
          one={one}
          of={one.component && names.size > 1 ? (names.get(one.component) ?? one.component) : null}
          poured={poured_at ? Date.parse(poured_at) : null}
        />
      ))}
      {!lost && due_look && (
        <Box bg="cool.wash" borderRadius="slab" p="3" fontWeight="560" _print={{ display: "none" }}>
          {`Time for a look: ${afters[due_look.after].since} has passed since the pour, ${afters[due_look.after].tells}.`}
        </Box>
      )}
      {!lost && next && (
        <Box bg="cool.wash" borderRadius="slab" p="3" fontWeight="560" _print={{ display: "none" }}>
          {next.after === "day"
            ? `Next look after 24 hours, from ${day(next.since)}: gloss and snap go on improving for a day.`
            : `Next look after ${afters[next.after].since}, from ${day(next.since)}: ${afters[next.after].tells}.`}
        </Box>
      )}
    </Stack>
  );
}

interface OneProps {
  one: Result;
  /** What was looked at, where there are several. */
  of: string | null;
  poured: number | null;
}

function OneLook({ one, of, poured }: OneProps) {
  const { stored } = one;
  const kept = [
    stored.place && storedIn[stored.place].toLowerCase(),
    stored.temp_c != null && temperature(stored.temp_c),
  ].filter(Boolean);
  const more = [
    one.seen.length > 0 && `Seen: ${faultsOf(one.seen)}`,
    bloomTold[one.bloom_told],
    one.taste && `Taste: ${tastes[one.taste].toLowerCase()}`,
    kept.length > 0 && `Kept: ${kept.join(", ")}`,
  ].filter(Boolean);
  return (
    <Box>
      <Box textStyle="label">
        {of && `${of}, `}
        {day(one.looked_at)}
        {poured !== null && `, ${after(Date.parse(one.looked_at) - poured)} after the pour`}
      </Box>
      <Box display="flex" gap="5" flexWrap="wrap" mt="1">
        {lookNames.map((look) => (
          <Box key={look}>
            {one.looks && <LookPicture of={`${look}-${one.looks[look]}`} />}
            <Box fontSize="sm" color="fg.muted">
              {looks[look].label}
            </Box>
            <Box fontWeight="600" fontSize="lg">
              {one.looks ? lookWord(look, one.looks[look]) : "–"}
            </Box>
          </Box>
        ))}
      </Box>
      {more.length > 0 && (
        <Box mt="1" fontWeight="560">
          {more.join(". ")}.
        </Box>
      )}
      {one.note && (
        <Box mt="1" whiteSpace="pre-line">
          {one.note}
        </Box>
      )}
    </Box>
  );
}

function after(ms: number): string {
  const h = Math.round(ms / 3_600_000);
  if (h < 1) return "within the hour";
  if (h >= 72) return `${Math.round(h / 24)} days`;
  return h === 1 ? "1 hour" : `${h} hours`;
}
