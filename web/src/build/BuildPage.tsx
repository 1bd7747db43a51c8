import { Box, Button, chakra, Heading } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Volume2, VolumeX } from "lucide-react";
import { useEffect, useRef } from "react";
import { Link as RouterLink, useParams } from "react-router";
import { api, type Build, type BuildEvent } from "../api/client";
import { keys, useBuild } from "../api/queries";
import { accepted } from "../api/refusal";
import { play } from "../bench/alarms";
import { Paces } from "../bench/Paces";
import { Touch } from "../bench/Touch";
import { useKeys } from "../bench/useKeys";
import { useScreenAwake } from "../bench/useScreenAwake";
import { Offline } from "../kit/Offline";
import { Failed, Loading, Standing } from "../kit/Standing";
import { useStored } from "../kit/useStored";
import { ComingStrip } from "./ComingStrip";
import { NowCard } from "./NowCard";
import { ProgressList } from "./ProgressList";
import { useBuildClock } from "./useBuildClock";

const Link = chakra(RouterLink);

export default function BuildPage() {
  const { batchId = "" } = useParams();
  const build = useBuild(batchId);
  const queries = useQueryClient();
  const params = { path: { id: batchId } };
  const begin = useMutation({
    mutationFn: async () =>
      accepted<Build>(await api.POST("/api/v1/batches/{id}/build", { params })),
    onSuccess: (fresh) => queries.setQueryData(keys.build(batchId), fresh),
  });
  if (build.data === null) {
    return (
      <Standing
        title="Not begun"
        action={{ label: "Begin the build", onClick: () => begin.mutate() }}
      >
        The guide says what to do and until when, one thing at a time, for everything in the batch.
      </Standing>
    );
  }
  if (!build.data) {
    return build.error ? (
      <Failed what="build" error={build.error} retry={() => build.refetch()} />
    ) : (
      <Loading what="the build" />
    );
  }
  return <Guide build={build.data} reached={!build.isError} />;
}

function Guide({ build, reached }: { build: Build; reached: boolean }) {
  const clock = useBuildClock(build.clock);
  const queries = useQueryClient();
  const [silent, setSilent] = useStored("wide-sheen.silent", false);
  const params = { path: { id: build.batch_id } };
  const known = async (fresh: Build) => {
    // What was asked for before this was done would be older than its answer.
    await queries.cancelQueries({ queryKey: keys.build(build.batch_id) });
    queries.setQueryData(keys.build(build.batch_id), fresh);
  };
  const send = useMutation({
    // Sent again it is kept once: the id is made here, and goes with it.
    retry: 20,
    mutationFn: async (event: BuildEvent) =>
      accepted<Build>(await api.POST("/api/v1/batches/{id}/build/events", { params, body: event })),
    onSuccess: known,
  });
  const pace = useMutation({
    mutationFn: async (body: { rate: number; skip_to?: string }) =>
      accepted<Build>(await api.PUT("/api/v1/batches/{id}/build/clock", { params, body })),
    onSuccess: known,
  });
  useScreenAwake();
  const { now } = build;
  const opens = now?.state === "wait" ? now.opens?.at : undefined;
  useSound(now ? `${now.component} ${now.task} ${now.state}` : "", now?.state, silent);
  const done = (just_now: boolean) => {
    if (!now || send.isPending) return;
    send.mutate({
      kind: "done",
      id: crypto.randomUUID(),
      component: now.component,
      task: now.task,
      just_now,
    });
  };
  const undo = () => {
    if (build.last_event) {
      send.mutate({ kind: "undone", id: crypto.randomUUID(), event: build.last_event });
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
          {build.batch_name}
        </Heading>
        <Link to={`/plans/${build.batch_id}`} color="ink" textDecoration="underline">
          the plan
        </Link>
        <Link to="/bench" color="ink" textDecoration="underline">
          the bench
        </Link>
        <Button
          variant="ghost"
          minH="48px"
          ms="auto"
          aria-pressed={silent}
          onClick={() => setSilent(!silent)}
        >
          {silent ? <VolumeX aria-hidden /> : <Volume2 aria-hidden />}
          {silent ? "Sounds are off" : "Sounds are on"}
        </Button>
      </Box>
      {(!reached || send.isPaused || send.failureCount > 0) && (
        <Offline>No connection. What you enter is sent when it is back.</Offline>
      )}
      {now ? (
        <NowCard now={now} clock={clock} />
      ) : (
        <Box bg="work.wash" borderRadius="slab" p="5" data-testid="build-now">
          <Box textStyle="wide" fontSize="4xl">
            All is built
          </Box>
          <Box mt="2">
            Airtight, cool and dark, away from smells. Judge gloss and snap after 24 hours.{" "}
            <Link to={`/log/${build.batch_id}`} color="ink" textDecoration="underline">
              Note what came out
            </Link>
          </Box>
        </Box>
      )}
      <Box
        display="grid"
        gap="3"
        gridTemplateColumns={{ base: "1fr 1fr", md: now?.is_touch ? "2fr 1fr 1fr" : "3fr 1fr" }}
      >
        {now?.is_touch ? (
          <>
            <Touch advised hotkey="J" onClick={() => done(true)}>
              Dry now
            </Touch>
            <Touch hotkey="D" onClick={() => done(false)}>
              It was dry already
            </Touch>
          </>
        ) : (
          <Touch
            advised={now?.state !== "wait" && now?.state !== "wait_for_bowl"}
            hotkey="D"
            disabled={!now}
            onClick={() => done(false)}
          >
            Done
          </Touch>
        )}
        <Touch hotkey="U" disabled={!build.last_event} onClick={undo}>
          Undo
        </Touch>
      </Box>
      <ComingStrip coming={build.coming} time={clock} />
      <ProgressList progress={build.progress} now={now ?? undefined} />
      <Box display="flex" gap="3" alignItems="center" flexWrap="wrap" data-rate={build.clock.rate}>
        <Box textStyle="label" id="build-pace">
          Time, to try it out
        </Box>
        <Paces
          labelledBy="build-pace"
          rate={build.clock.rate}
          days
          set={(rate) => pace.mutate({ rate })}
        />
        {opens && (
          <Touch onClick={() => pace.mutate({ rate: build.clock.rate, skip_to: opens })}>
            Skip the wait
          </Touch>
        )}
      </Box>
    </Box>
  );
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
