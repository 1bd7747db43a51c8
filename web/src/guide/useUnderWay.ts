import { useQuery } from "@tanstack/react-query";
import { api, type BenchAnswer, type Reminder } from "../api/client";
import { keys, useReminders } from "../api/queries";
import { accepted } from "../api/refusal";
import { inWords } from "../kit/message";

/** What is under way, and when it wants something. */
export interface UnderWay {
  to: string;
  /** The batch's id. */
  batch: string;
  name: string;
  say: string;
  /** When that is, ms; none where it is now. */
  at: number | null;
}

/** How often the bench is asked for, from wherever one is; between, clocks go on by themselves. */
const EVERY_MS = 10_000;

function ofBench({ bowls }: BenchAnswer): UnderWay[] {
  return bowls
    .filter(({ needs, phase }) => needs !== "never" && phase !== "done")
    .map(({ id, batch_id, batch_name, advice, needs, needs_at }) => ({
      to: `/bench/${id}`,
      batch: batch_id,
      name: batch_name,
      say: inWords(advice.say),
      at: needs === "now" || needs_at == null ? null : Date.parse(needs_at),
    }));
}

function ofReminders(reminders: Reminder[], atBench: ReadonlySet<string>, now: number): UnderWay[] {
  return reminders
    .filter(({ batch_id, state }) => !atBench.has(batch_id) && state !== "wait_for_bowl")
    .map(({ batch_id, batch_name, text, waits_for, opens_at, closes_at }) => {
      const opens = opens_at == null ? null : Date.parse(opens_at);
      const waits = opens !== null && opens > now;
      const missed = closes_at != null && Date.parse(closes_at) <= now;
      const step = inWords(text);
      return {
        to: `/build/${batch_id}`,
        batch: batch_id,
        name: batch_name,
        say:
          waits && waits_for ? inWords(waits_for) : missed ? `Its time has passed: ${step}` : step,
        at: waits ? opens : null,
      };
    });
}

/** What wants hands first: what does so now, then what will soonest. */
export function soonest(all: readonly UnderWay[]): UnderWay | undefined {
  const when = ({ at }: UnderWay) => at ?? Number.NEGATIVE_INFINITY;
  return all.toSorted((a, b) => when(a) - when(b))[0];
}

/** Everything under way that wants something, at the bench and in the guides. */
export function useUnderWay(): { all: UnderWay[]; now: number } {
  const bench = useQuery({
    queryKey: keys.underWay,
    refetchInterval: EVERY_MS,
    // The tab's title is read while one looks at another.
    refetchIntervalInBackground: true,
    queryFn: async () => {
      const answer = accepted<BenchAnswer>(await api.GET("/api/v1/bench"));
      return { answer, ahead: Date.parse(answer.now) - Date.now() };
    },
  });
  const reminders = useReminders().data ?? [];
  const bowls = bench.data ? ofBench(bench.data.answer) : [];
  const atBench = new Set(bench.data?.answer.bowls.map(({ batch_id }) => batch_id));
  const now = Date.now() + (bench.data?.ahead ?? 0);
  return { all: [...bowls, ...ofReminders(reminders, atBench, now)], now };
}
