import { Box, Button, Heading } from "@chakra-ui/react";
import { lazy, Suspense, useState } from "react";
import { Link, useParams } from "react-router";
import type { Batch, BowlWithPlan } from "../api/client";
import { useBatch, useBowlWithPlan } from "../api/queries";
import { day } from "../kit/format";
import { Panel } from "../kit/Panel";
import { Photos } from "../kit/Photos";
import { Failed, Loading, Standing } from "../kit/Standing";
import { familyNames } from "../theme/chocolate";
import { BuiltPanel } from "./BuiltPanel";
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
  const [chosen, setChosen] = useState<string>();
  const bowlId = chosen ?? batch.data?.bowls[0]?.id;
  const bowl = useBowlWithPlan(bowlId);
  const failed = batch.error ?? bowl.error;
  if (failed) return <Failed what="batch" error={failed} retry={() => batch.refetch()} />;
  if (batch.data && !bowlId) {
    if (batch.data.building) return <WithoutBowl batch={batch.data} />;
    return <Standing title={batch.data.name}>It has not been at the bench yet.</Standing>;
  }
  if (!batch.data || !bowl.data) return <Loading what="the batch" />;
  return <Entry batch={batch.data} known={bowl.data} onChoose={setChosen} />;
}

/** What was made without a bowl at the bench: boiled sugar, or built by the guide alone. */
function WithoutBowl({ batch }: { batch: Batch }) {
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1100px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        {batch.name}
      </Heading>
      {batch.note && <Box mb="3">{batch.note}</Box>}
      <Box display="grid" gap="4" gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }}>
        <HowItWasBuilt batchId={batch.id} />
        <Box display="grid" gap="4" alignContent="start">
          <Panel title="What came out">
            <Outcomes batch={batch} poured_at={null} lost={false} />
            <PiecePhotos batchId={batch.id} />
          </Panel>
          <Panel title="Note a look">
            <OutcomeForm batchId={batch.id} />
          </Panel>
        </Box>
      </Box>
    </Box>
  );
}

function PiecePhotos({ batchId }: { batchId: string }) {
  return (
    <Box mt="4">
      <Photos of="batches" id={batchId} what="the pieces" />
    </Box>
  );
}

function HowItWasBuilt({ batchId }: { batchId: string }) {
  return (
    <Panel title="How it was built">
      <BuiltPanel batchId={batchId} />
      <Box asChild color="ink" textDecoration="underline" mt="3" display="inline-block" py="2">
        <Link to={`/build/${batchId}`}>Back to the build guide</Link>
      </Box>
    </Panel>
  );
}

interface Props {
  batch: Batch;
  known: BowlWithPlan;
  onChoose: (bowlId: string) => void;
}

function Entry({ batch, known, onChoose }: Props) {
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
          {familyNames[plan.windows.family]}, for {plan.made.join(", ") || "bark"}. {words}
        </Box>
        {batch.note && <Box mt="1">{batch.note}</Box>}
        {batch.bowls.length > 1 && (
          <Box
            as="fieldset"
            aria-label="Bowls of this batch"
            display="flex"
            gap="2"
            mt="3"
            flexWrap="wrap"
          >
            {batch.bowls.map(({ id, chocolate, opened_at }) => (
              <Button
                key={id}
                variant="outline"
                minH="44px"
                aria-pressed={id === bowl.id}
                borderWidth="2px"
                borderColor={id === bowl.id ? "ink" : "border"}
                onClick={() => onChoose(id)}
              >
                {chocolate}, {day(opened_at)}
              </Button>
            ))}
          </Box>
        )}
      </Box>
      <Box
        display="grid"
        gap="4"
        gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "minmax(0, 1.7fr) minmax(340px, 1fr)" }}
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
          <Outcomes batch={batch} poured_at={bowl.poured_at} lost={bowl.gave_up != null} />
          <PiecePhotos batchId={batch.id} />
        </Panel>
        {bowl.tested && (
          <Panel title="The smear">
            <Photos of="bowls" id={bowl.id} what="the smear" />
          </Panel>
        )}
        {batch.building && <HowItWasBuilt batchId={batch.id} />}
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
