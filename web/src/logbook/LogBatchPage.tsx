import { Box, Heading } from "@chakra-ui/react";
import { lazy, Suspense } from "react";
import { useParams } from "react-router";
import type { Batch, BowlWithPlan } from "../api/client";
import { useBatch, useBowlWithPlan } from "../api/queries";
import { SmearPhotos } from "../bench/SmearPhotos";
import { day } from "../kit/format";
import { Panel } from "../kit/Panel";
import { Failed, Loading, Standing } from "../kit/Standing";
import { familyNames } from "../theme/chocolate";
import { OutcomeForm } from "./OutcomeForm";
import { Outcomes } from "./Outcomes";
import { PlanAgainst } from "./PlanAgainst";
import { RecordPanel } from "./RecordPanel";
import { TakenPanel } from "./TakenPanel";

const Curve = lazy(() => import("../curve/Curve"));

/** One batch, as it went. */
export default function LogBatchPage() {
  const { batchId = "" } = useParams();
  const batch = useBatch(batchId);
  const bowlId = batch.data?.components[0]?.bowls[0]?.id;
  const bowl = useBowlWithPlan(bowlId);
  const failed = batch.error ?? bowl.error;
  if (failed) return <Failed what="batch" error={failed} retry={() => batch.refetch()} />;
  if (batch.data && !bowlId) {
    return <Standing title={batch.data.name}>It has not been at the bench yet.</Standing>;
  }
  if (!batch.data || !bowl.data) return <Loading what="the batch" />;
  return <Entry batch={batch.data} known={bowl.data} />;
}

function Entry({ batch, known }: { batch: Batch; known: BowlWithPlan }) {
  const { bowl, plan } = known;
  const words = bowl.gave_up
    ? `Given up. ${bowl.gave_up}`
    : bowl.poured_at
      ? `Poured ${day(bowl.poured_at)}`
      : "Still at the bench";
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1500px" width="full" mx="auto">
      <Box py="4">
        <Heading as="h1" textStyle="title" fontSize="2xl">
          {batch.name}
        </Heading>
        <Box color={bowl.gave_up ? "stop" : "fg.muted"} fontWeight="560" mt="1">
          {familyNames[plan.windows.family]}, {plan.slab.thickness_mm} mm. {words}
        </Box>
        {batch.note && <Box mt="1">{batch.note}</Box>}
      </Box>
      <Box
        display="grid"
        gap="4"
        gridTemplateColumns={{ base: "1fr", lg: "minmax(0, 1.7fr) minmax(340px, 1fr)" }}
        alignItems="start"
      >
        <Panel title="The curve">
          <Box h={{ base: "260px", md: "360px" }}>
            <Suspense fallback={<Loading what="the curve" />}>
              <Curve
                curve={bowl.curve}
                fan={[]}
                actions={bowl.actions}
                windows={bowl.windows}
                use={bowl.use_c}
              />
            </Suspense>
          </Box>
          {bowl.doubted > 0 && (
            <Box fontSize="sm" color="fg.muted" mt="2">
              Open rings: {bowl.doubted} doubted {bowl.doubted === 1 ? "reading" : "readings"}, kept
              and left out of trend and forecast.
            </Box>
          )}
        </Panel>
        <Panel title="Plan against what happened">
          <PlanAgainst known={known} />
        </Panel>
        <Panel title="What came out">
          <Outcomes batch={batch} bowl={bowl} />
        </Panel>
        {bowl.tested && (
          <Panel title="The smear">
            <SmearPhotos bowlId={bowl.id} />
          </Panel>
        )}
        {known.taken && <TakenPanel bowlId={bowl.id} taken={known.taken} />}
        <RecordPanel bowlId={bowl.id} />
        {!bowl.gave_up && (
          <Panel title="Note a look">
            <OutcomeForm batchId={batch.id} />
          </Panel>
        )}
      </Box>
    </Box>
  );
}
