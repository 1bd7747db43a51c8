import { Box, Button, VisuallyHidden } from "@chakra-ui/react";
import { Volume2, VolumeX } from "lucide-react";
import { lazy, Suspense } from "react";
import { useParams } from "react-router";
import type { BowlAnswer, Message } from "../api/client";
import { useBowlWithPlan, useGuide } from "../api/queries";
import { useIsHelper } from "../devices/me";
import { Following } from "../guide/Following";
import { besideTheBench, following } from "../guide/following";
import { LearnedNotes } from "../kit/LearnedNotes";
import { Offline } from "../kit/Offline";
import { Loading, Missing } from "../kit/Standing";
import { useStored } from "../kit/useStored";
import { useThrottled } from "../kit/useThrottled";
import { useWider } from "../kit/useWider";
import { WayTo } from "../kit/WayTo";
import { YourThermometers } from "../thermometer/YourThermometers";
import { AfterThePour } from "./AfterThePour";
import { useAlarms } from "./alarms";
import { BigTemperature } from "./BigTemperature";
import { BowlActions } from "./BowlActions";
import { hasEnded } from "./hasEnded";
import { Instruction } from "./Instruction";
import { OtherBowls } from "./OtherBowls";
import { SheenScale } from "./SheenScale";
import { ThermometerControl } from "./ThermometerControl";
import { ToTheGuide } from "./ToTheGuide";
import { useBench } from "./useBench";
import { useBowl } from "./useBowl";
import { useScreenAwake } from "./useScreenAwake";

const Curve = lazy(() => import("../curve/Curve"));

export default function BenchPage() {
  const { bowlId = "" } = useParams();
  const known = useBowlWithPlan(bowlId);
  if (!known.data) return <Missing what="bowl" asked={[known]} />;
  return (
    <Bench
      key={bowlId}
      bowlId={bowlId}
      name={known.data.batch_name}
      batchId={known.data.batch_id}
      planId={known.data.plan_id ?? undefined}
      learned={known.data.learned}
    />
  );
}

/** The curve, drawn anew once a second at most: the numbers beside it do not wait. */
function BenchCurve({ bowl, recent }: { bowl: BowlAnswer; recent: boolean }) {
  const { curve, fan, actions, windows, use_c } = useThrottled(bowl, 1_000);
  return (
    <Curve
      curve={curve}
      fan={fan}
      actions={actions}
      windows={windows}
      use={use_c}
      recent={recent}
    />
  );
}

/** What the guide has besides and after this tempering; once it is said to pour, after the pour. */
function WhatFollows({ batchId, pours }: { batchId: string; pours: boolean }) {
  const guide = useGuide(batchId).data;
  if (!guide) return null;
  return <Following {...(pours ? following(guide) : besideTheBench(guide))} />;
}

interface BenchProps {
  bowlId: string;
  name: string;
  batchId: string;
  planId: string | undefined;
  /** What was learned for it from how things came out before. */
  learned: Message[];
}

function Bench({ bowlId, name, batchId, planId, learned }: BenchProps) {
  const { bowl, connected, clock } = useBowl(bowlId);
  const { act, read, setThermometer, waiting, failing, refusal } = useBench(bowlId, clock);
  const reached = connected && !failing;
  const [silent, setSilent] = useStored("wide-sheen.silent", false);
  const helper = useIsHelper();
  useAlarms(bowl, silent, helper);
  useScreenAwake();
  // What a small screen has no room for stands behind the touch for more.
  const laptop = useWider(62);
  const tablet = useWider(48);
  if (!bowl) return <Loading what="the bowl" />;
  const pours = bowl.advice.asks?.kind === "poured";
  const ended = hasEnded(bowl.phase);
  const curve = (
    <Box h={{ base: "220px", md: "190px", lg: "180px" }} minW="0">
      <Suspense fallback={<Loading what="the curve" />}>
        <BenchCurve bowl={bowl} recent={!ended} />
      </Suspense>
    </Box>
  );
  const beside = (
    <Box display="flex" gap="4" flexWrap="wrap" alignItems="center" justifyContent="space-between">
      {helper ? (
        <Box fontWeight="560">The maker works at it: this screen looks on.</Box>
      ) : (
        <Box display="flex" gap="3" flexWrap="wrap" alignItems="center" flex="1 0 auto" maxW="full">
          <ThermometerControl clock={bowl.clock} ended={ended} set={setThermometer} />
          {!ended && !bowl.clock.simulated && <YourThermometers bowlId={bowlId} clock={clock} />}
        </Box>
      )}
      <Box display="flex" gap="3" alignItems="center" flexWrap="wrap">
        <Button
          variant="ghost"
          minH="56px"
          aria-pressed={silent}
          onClick={() => setSilent(!silent)}
        >
          {silent ? <VolumeX aria-hidden /> : <Volume2 aria-hidden />}
          {silent ? "Sounds are off" : "Sounds are on"}
        </Button>
        {bowl.phase === "done" && (
          <ToTheGuide batchId={batchId} advised={bowl.advice.level !== "stop"} />
        )}
        {!ended && (
          <WayTo minH="14" to={`/build/${batchId}`}>
            the guide
          </WayTo>
        )}
        {!ended && planId && !helper && (
          <WayTo minH="14" to={`/plans/${planId}`}>
            the plan
          </WayTo>
        )}
        {!helper && (
          <WayTo minH="14" to={`/log/${batchId}`}>
            {ended ? `Record result: ${name}` : name}
          </WayTo>
        )}
      </Box>
    </Box>
  );
  // Where there is little room, what stands beside comes below the touches.
  const rest = laptop ? undefined : (
    <>
      {!tablet && !ended && (
        <>
          <WhatFollows batchId={batchId} pours={pours} />
          {curve}
        </>
      )}
      {beside}
    </>
  );
  return (
    <Box
      display="flex"
      flexDirection="column"
      gap="1.5"
      pb={{ base: "2", md: "1" }}
      maxW="1700px"
      width="full"
      mx="auto"
    >
      <VisuallyHidden asChild>
        <h1>{name}, at the bench</h1>
      </VisuallyHidden>
      <SheenScale bowl={bowl} />
      <Box px={{ base: "3", md: "6" }} display="grid" gap="2">
        {(!reached || waiting > 0) && (
          <Offline data-testid="connection">
            {reached
              ? `Sending ${waiting} ${waiting === 1 ? "entry" : "entries"}…`
              : `No connection. What you enter is kept here and sent when it is back.${
                  waiting > 0 ? ` Waiting: ${waiting}.` : ""
                }`}
          </Offline>
        )}
        {refusal && (
          <Box role="alert" bg="heat.wash" borderRadius="slab" px="4" py="2" fontWeight="600">
            Not saved: {refusal.why}
          </Box>
        )}
        <OtherBowls bowlId={bowlId} />
        {!ended && <LearnedNotes notes={learned} />}
        <Instruction bowl={bowl} time={clock} act={helper ? undefined : act}>
          {!ended && tablet && <WhatFollows batchId={batchId} pours={pours} />}
        </Instruction>
        {bowl.phase === "done" && (
          <AfterThePour batchId={batchId} tempered={bowl.advice.level !== "stop"} />
        )}
        <Box
          display="grid"
          rowGap={{ base: "2", md: "3" }}
          columnGap={{ base: "3", md: "6" }}
          gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(430px, auto) minmax(0, 1fr)" }}
          alignItems="center"
        >
          <BigTemperature bowl={bowl} time={clock} />
          {(tablet || ended) && curve}
          <Box gridColumn={{ lg: "1 / -1" }}>
            {helper ? (
              rest
            ) : (
              <BowlActions
                bowlId={bowlId}
                phase={bowl.phase}
                advice={bowl.advice}
                additions={bowl.additions}
                burstsLeft={bowl.bursts_left_s}
                method={bowl.method}
                tested={bowl.tested}
                crystals_g={bowl.crystals_in ? null : bowl.crystals_g}
                onStone={bowl.on_stone_g != null}
                coloured={bowl.bottle != null}
                inWater={bowl.in_water_since != null}
                hasPad={bowl.has_pad}
                byMicrowave={bowl.by_microwave}
                onPad={bowl.on_pad_since != null}
                last={bowl.actions.at(-1)}
                lastTyped={bowl.last_typed}
                act={act}
                read={read}
              >
                {rest}
              </BowlActions>
            )}
          </Box>
        </Box>
        {laptop && beside}
      </Box>
    </Box>
  );
}
