import { Box, Button, Collapsible } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { type ActionAnswer, api, type EntryAnswer, type NewAction } from "../api/client";
import { keys, useEntries } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";
import type { BowlAction } from "../bench/useBench";
import { told } from "../bench/words";
import { Fault } from "../kit/Fault";
import { day, temperature, time } from "../kit/format";
import { TextField } from "../kit/TextField";
import { UnitField } from "../kit/UnitField";

interface Props {
  bowlId: string;
  batchId: string;
  opened_at: string;
  /** When its course ended, where it did. */
  ended_at: string | null;
  poured: boolean;
}

/**
 * What was entered of a bowl, and what of it was a mistake: nothing is rewritten, a
 * correction is an entry of its own and says when it was made.
 */
export function Corrections({ bowlId, batchId, opened_at, ended_at, poured }: Props) {
  const known = useEntries(bowlId).data;
  const queries = useQueryClient();
  const [correcting, setCorrecting] = useState<string>();
  const [grams, setGrams] = useState<number | null>(null);
  const [pouredAt, setPouredAt] = useState("");
  const correct = useMutation({
    mutationFn: async (action: BowlAction & Pick<NewAction, "at">) =>
      accepted<ActionAnswer>(
        await api.POST("/api/v1/bowls/{id}/actions", {
          params: { path: { id: bowlId } },
          body: { id: crypto.randomUUID(), ...action },
        }),
      ),
    onSuccess: () => {
      setCorrecting(undefined);
      queries.invalidateQueries({ queryKey: keys.bowl(bowlId) });
      queries.invalidateQueries({ queryKey: keys.batch(batchId) });
      queries.invalidateQueries({ queryKey: keys.lists });
    },
  });
  if (!known) return null;
  const entries = known.entries.filter(({ kind }) => kind !== "undone");
  const typed = known.readings.filter(({ source }) => source === "hand");
  const error = correct.error;
  const reason = error instanceof Refusal ? error.why : "";
  const look = { size: "sm", variant: "outline" } as const;
  return (
    <Collapsible.Root lazyMount>
      <Collapsible.Trigger asChild>
        <Button variant="outline" borderColor="border.emphasized">
          Correct a mistake in the record
        </Button>
      </Collapsible.Trigger>
      <Collapsible.Content>
        <Box display="grid" gap="1" fontSize="sm" mt="3" data-testid="corrections">
          {entries.map((entry) => (
            <Line key={entry.id} at={entry.at} gone={entry.undone} words={words(entry, ended_at)}>
              {!entry.undone && correcting !== entry.id && (
                <>
                  {entry.grams != null && entry.kind !== "amount_corrected" && (
                    <Button
                      {...look}
                      onClick={() => {
                        setCorrecting(entry.id);
                        setGrams(entry.grams ?? null);
                      }}
                    >
                      Other grams
                    </Button>
                  )}
                  <Button
                    {...look}
                    disabled={correct.isPending}
                    onClick={() => correct.mutate({ kind: "undone", undoes: entry.id })}
                  >
                    Did not happen
                  </Button>
                </>
              )}
              {correcting === entry.id && (
                <Box display="flex" gap="2" alignItems="end">
                  <UnitField label="Weighed" unit="g" value={grams} onChange={setGrams} />
                  <Button
                    {...look}
                    disabled={grams === null || correct.isPending}
                    onClick={() =>
                      correct.mutate({ kind: "amount_corrected", corrects: entry.id, grams })
                    }
                  >
                    Correct it
                  </Button>
                </Box>
              )}
            </Line>
          ))}
          {typed.map(({ id, at, temp_c, withdrawn }) => (
            <Line key={id} at={at} gone={withdrawn} words={`Read ${temperature(temp_c)}`}>
              {!withdrawn && (
                <Button
                  {...look}
                  disabled={correct.isPending}
                  onClick={() => correct.mutate({ kind: "reading_withdrawn", reading: id })}
                >
                  Mistyped
                </Button>
              )}
            </Line>
          ))}
          {!poured && (
            <Box display="flex" gap="2" alignItems="end" mt="2" flexWrap="wrap">
              <Box w="230px">
                <TextField
                  label="Poured at"
                  kind="moment"
                  value={pouredAt}
                  placeholder={opened_at}
                  onChange={setPouredAt}
                />
              </Box>
              <Button
                {...look}
                disabled={Number.isNaN(Date.parse(pouredAt))}
                onClick={() =>
                  correct.mutate({ kind: "poured", at: new Date(pouredAt).toISOString() })
                }
              >
                Note the pour
              </Button>
            </Box>
          )}
          {reason && <Fault>Not saved: {reason}</Fault>}
        </Box>
      </Collapsible.Content>
    </Collapsible.Root>
  );
}

/** What was done; of what was entered afterwards, when it was. */
function words(entry: EntryAnswer, ended_at: string | null): string {
  const said = told(entry);
  const { entered_at } = entry;
  const since = Date.parse(ended_at ?? entry.at);
  return entered_at && Date.parse(entered_at) - since > 60_000
    ? `${said} (entered ${day(entered_at)})`
    : said;
}

interface LineProps {
  at: string;
  words: string;
  gone: boolean;
  children: React.ReactNode;
}

function Line({ at, words: said, gone, children }: LineProps) {
  return (
    <Box display="flex" gap="3" alignItems="center" flexWrap="wrap" minH="48px">
      <Box w="48px" flexShrink={0} color="fg.muted">
        {time(at)}
      </Box>
      <Box
        flex="1 1 120px"
        textDecoration={gone ? "line-through" : "none"}
        color={gone ? "fg.muted" : "fg"}
      >
        {said}
        {gone && (
          <Box as="span" srOnly>
            {" taken back"}
          </Box>
        )}
      </Box>
      {children}
    </Box>
  );
}
