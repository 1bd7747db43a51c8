import { Box, Button, chakra, Heading } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Volume2, VolumeX } from "lucide-react";
import { useEffect, useRef } from "react";
import { Link as RouterLink, useParams } from "react-router";
import { type Notice, useNotice } from "../alarms/notify";
import { api, type Batch, type Guide, type StepEvent } from "../api/client";
import { keys, useBatch } from "../api/queries";
import { accepted } from "../api/refusal";
import { grows, stored } from "../batch/afterwards";
import { CountForm } from "../batch/CountForm";
import { play } from "../bench/alarms";
import { Edged } from "../bench/Edged";
import { levels } from "../bench/levels";
import { Paces } from "../bench/Paces";
import { Touch } from "../bench/Touch";
import { useKeys } from "../bench/useKeys";
import { useScreenAwake } from "../bench/useScreenAwake";
import { Allergens } from "../chocolate/Allergens";
import { useMe } from "../devices/me";
import { Fault } from "../kit/Fault";
import { inWords } from "../kit/message";
import { Offline } from "../kit/Offline";
import { Panel } from "../kit/Panel";
import { Failed, Loading } from "../kit/Standing";
import { useFocusKept } from "../kit/useFocusKept";
import { useStored } from "../kit/useStored";
import { WayTo } from "../kit/WayTo";
import { useKeptSteps, useOutbox } from "../outbox/outbox";
import { AtTheSameTime } from "./AtTheSameTime";
import { ComingStrip } from "./ComingStrip";
import { DaysLeft } from "./DaysLeft";
import { Following } from "./Following";
import { following } from "./following";
import { shared, type ToDo, whose } from "./hands";
import { InHand } from "./InHand";
import { NowCard } from "./NowCard";
import { ProgressList } from "./ProgressList";
import { ToBowl } from "./ToBowl";
import { useGuideClock } from "./useGuideClock";
import { useLiveGuide } from "./useLiveGuide";
import { WithoutServer } from "./WithoutServer";

const Link = chakra(RouterLink);

export default function GuidePage() {
  const { batchId = "" } = useParams();
  const guide = useLiveGuide(batchId);
  if (!guide.data) {
    return guide.error ? (
      <Failed what="guide" error={guide.error} retry={() => guide.refetch()} />
    ) : (
      <Loading what="the guide" />
    );
  }
  return <Guided guide={guide.data} reached={guide.connected || !guide.isError} />;
}

function Guided({ guide, reached }: { guide: Guide; reached: boolean }) {
  const clock = useGuideClock(guide.clock);
  const batch = useBatch(guide.batch_id).data;
  const queries = useQueryClient();
  const [silent, setSilent] = useStored("wide-sheen.silent", false);
  const params = { path: { id: guide.batch_id } };
  const known = async (fresh: Guide) => {
    // What was asked for before this was done would be older than its answer.
    await queries.cancelQueries({ queryKey: keys.guide(guide.batch_id) });
    queries.setQueryData(keys.guide(guide.batch_id), fresh);
    queries.invalidateQueries({ queryKey: keys.lists });
  };
  const { put, waiting, failing, refusal } = useOutbox(guide.batch_id);
  const ticked = useKeptSteps(guide.batch_id);
  // Sent again it is kept once: its id is made here, and goes with it.
  const send = (body: StepEvent) => put({ kind: "event", body });
  const pace = useMutation({
    mutationFn: async (body: { rate: number; skip_to?: string }) =>
      accepted<Guide>(await api.PUT("/api/v1/batches/{id}/clock", { params, body })),
    onSuccess: known,
  });
  useScreenAwake();
  const kept = useFocusKept<HTMLDivElement>();
  const keptInTime = useFocusKept<HTMLDivElement>();
  const me = useMe().data;
  const helper = me?.role === "helper";
  const { now, also } = shared(guide, me);
  const another = now !== undefined && whose(now, me) === "another";
  const mayDo = (!helper || now?.for_helper) && !another;
  const away = !reached || failing;
  // What was ticked off and could not be sent is done, as far as this screen can tell.
  const isTicked = away && now !== undefined && ticked.has(now.step);
  const mayUndo = Boolean(guide.last_event) && (!helper || guide.undo_for_helper);
  // A tempering is over when its bowl is poured, and not by a tick.
  const atBench = now?.kind === "tempering";
  const opens = now?.state === "wait" ? now.opens?.at : undefined;
  useSound(now ? `${now.step} ${now.state}` : "", now?.state, silent);
  const tick = (step: string, just_now = false) => {
    // Entered when it was done, and not when it could be sent; at another pace than the wall's the
    // server's own time is the better one, unless it is away.
    const known = away || guide.clock.rate === 1;
    const at = known ? { at: new Date(clock.now()).toISOString() } : {};
    send({ kind: "done", id: crypto.randomUUID(), ...at, step, just_now });
  };
  useNotice(
    now ? `${now.step} ${now.state}` : "",
    now && (now.state === "do" || now.state === "closing" || now.state === "missed")
      ? noticeOf(now, guide.batch_id, mayDo && !atBench && !now.is_touch)
      : null,
  );
  const done = (just_now: boolean) => {
    if (now && mayDo && !atBench && !ticked.has(now.step)) tick(now.step, just_now);
  };
  const undo = () => {
    if (guide.last_event && mayUndo) {
      send({ kind: "undone", id: crypto.randomUUID(), event: guide.last_event });
    }
  };
  useKeys({ d: () => done(false), u: undo, j: now?.is_touch ? () => done(true) : undefined });
  return (
    <Box
      px={{ base: "3", md: "6" }}
      pb="6"
      maxW="1500px"
      width="full"
      mx="auto"
      display="grid"
      gap="3"
    >
      <Box display="flex" alignItems="baseline" gap="4" flexWrap="wrap" pt="2">
        <Heading as="h1" textStyle="title" fontSize="2xl">
          {guide.batch_name}
        </Heading>
        {guide.plan_id && (
          <WayTo to={`/plans/${guide.plan_id}${helper ? "/card" : ""}`}>the plan</WayTo>
        )}
        {!helper && <WayTo to={`/log/${guide.batch_id}`}>the record</WayTo>}
        <WayTo to="/bench">the bench</WayTo>
        <Button variant="ghost" ms="auto" aria-pressed={silent} onClick={() => setSilent(!silent)}>
          {silent ? <VolumeX aria-hidden /> : <Volume2 aria-hidden />}
          {silent ? "Sounds are off" : "Sounds are on"}
        </Button>
      </Box>
      {away && (
        <Offline data-testid="connection">
          No connection. What you enter is kept here and sent when it is back.
          {waiting > 0 && ` Waiting: ${waiting}.`}
        </Offline>
      )}
      {away && (
        <WithoutServer
          progress={guide.progress}
          kept={ticked}
          helper={helper}
          tick={(step) => tick(step)}
        />
      )}
      {guide.untempered.map(({ chocolate, why, instead }) => (
        <Edged
          key={chocolate}
          role="alert"
          wash={levels.stop.wash}
          edge={levels.stop.edge}
          data-testid="untempered"
        >
          <Box>
            <Box textStyle="wide" fontSize={{ base: "xl", md: "2xl" }} lineHeight="1.1">
              {chocolate}: {inWords(why)}
            </Box>
            <Box mt="1" color="fg.muted">
              {inWords(instead)}{" "}
              <Link to="/bench" color="ink" textDecoration="underline">
                To the bench
              </Link>
            </Box>
          </Box>
        </Edged>
      ))}
      {isTicked ? null : now ? (
        <NowCard now={now} clock={clock} />
      ) : (
        <Box bg="work.wash" borderRadius="slab" p="5" data-testid="build-now">
          <Box textStyle="wide" fontSize="4xl">
            {guide.stage === "lost" ? "Given up" : "All is made"}
          </Box>
          {guide.stage === "lost" ? (
            <Box mt="2">Nothing is left to do here.</Box>
          ) : (
            batch?.plan && (
              <Box mt="2" data-testid="afterwards">
                {stored(batch.plan).map((words) => (
                  <Box key={words}>{words}</Box>
                ))}
                {grows(batch.plan) && <Box>Judge gloss and snap after 24 hours.</Box>}
              </Box>
            )
          )}
          {!helper && (
            <Button asChild size="lg" minH="14" mt="4" bg="ink" color="onInk">
              <RouterLink to={`/log/${guide.batch_id}`}>
                {guide.stage === "lost" ? "The record" : "Record result"}
              </RouterLink>
            </Button>
          )}
        </Box>
      )}
      {batch && now && !helper && <Packing step={now.step} batch={batch} />}
      <Following {...following(guide)} />
      <Allergens of={batch?.plan?.allergens} />
      {refusal && <Fault>Not saved: {refusal.message}</Fault>}
      {me?.has_others && now && !away && <InHand step={now} batchId={guide.batch_id} me={me} />}
      {me?.has_others && <AtTheSameTime also={also} me={me} />}
      <Box
        role="group"
        aria-label="What is done now"
        {...kept}
        data-touches
        display={isTicked ? "none" : "grid"}
        gap="3"
        gridTemplateColumns={{
          base: "1fr 1fr",
          md: now?.is_touch || now?.bowl_id ? "2fr 1fr 1fr" : "3fr 1fr",
        }}
      >
        {now && (now.bowl_id || !helper) && <ToBowl now={now} batchId={guide.batch_id} />}
        {now && !mayDo ? (
          <Box
            bg="bg.panel"
            borderRadius="slab"
            px="4"
            minH="16"
            display="flex"
            alignItems="center"
            fontWeight="600"
            fontSize="lg"
            data-testid="for-the-maker"
          >
            {another ? "Other hands have it." : "This step is the maker's."}
          </Box>
        ) : now?.is_touch ? (
          <>
            <Touch advised={!now.state.startsWith("wait")} hotkey="J" onClick={() => done(true)}>
              Just dried
            </Touch>
            <Touch hotkey="D" onClick={() => done(false)}>
              Dried earlier
            </Touch>
          </>
        ) : (
          !atBench &&
          now && (
            <Touch advised={!now.state.startsWith("wait")} hotkey="D" onClick={() => done(false)}>
              Done
            </Touch>
          )
        )}
        <Touch hotkey="U" disabled={!mayUndo} onClick={undo}>
          Undo
        </Touch>
      </Box>
      <ComingStrip coming={guide.coming} time={clock} />
      <DaysLeft batchId={guide.batch_id} last={guide.last_event} over={!now} />
      <ProgressList progress={guide.progress} now={now} kept={ticked} />
      {!helper && (
        <Box
          role="group"
          aria-label="Time"
          {...keptInTime}
          display="flex"
          gap="3"
          alignItems="center"
          flexWrap="wrap"
          data-rate={guide.clock.rate}
        >
          <Box textStyle="label" id="build-pace">
            Time, to try it out
          </Box>
          <Paces
            labelledBy="build-pace"
            rate={guide.clock.rate}
            days
            set={(rate) => pace.mutate({ rate })}
          />
          {opens && (
            <Touch onClick={() => pace.mutate({ rate: guide.clock.rate, skip_to: opens })}>
              Skip the wait
            </Touch>
          )}
          <Button
            variant="ghost"
            ms="auto"
            disabled={!guide.last_event || waiting > 0}
            onClick={() => send({ kind: "started_over", id: crypto.randomUUID() })}
          >
            Start over
          </Button>
        </Box>
      )}
    </Box>
  );
}

/** A step that wants hands, as it is shown beside other applications. */
function noticeOf(now: ToDo, batchId: string, mayTick: boolean | undefined): Notice {
  const body: StepEvent = { kind: "done", id: crypto.randomUUID(), step: now.step };
  return {
    title: `${now.name}: ${inWords(now.text)}`,
    body: inWords(now.detail),
    path: `/build/${batchId}`,
    stays: now.state !== "do",
    answer: mayTick ? { label: "Done", of: batchId, said: { kind: "event", body } } : undefined,
  };
}

/** What packing needs at its steps: the count, and the labels. */
function Packing({ step, batch }: { step: string; batch: Batch }) {
  if (step === "=packing/count") {
    return (
      <Panel title="Count">
        <CountForm key={batch.counted?.noted_at ?? "new"} batch={batch} />
      </Panel>
    );
  }
  if (step === "=packing/label") {
    return <WayTo to={`/log/${batch.id}/labels`}>Print the labels</WayTo>;
  }
  return null;
}

/** Sounds once when what is to be done changes and presses. */
function useSound(cause: string, state: string | undefined, silent: boolean): void {
  const before = useRef<string>(undefined);
  useEffect(() => {
    const changed = before.current !== undefined && before.current !== cause;
    if (changed && !silent && (state === "closing" || state === "missed")) play("timer");
    else if (changed && !silent && state === "do") play("band");
    before.current = cause;
  }, [cause, state, silent]);
}
