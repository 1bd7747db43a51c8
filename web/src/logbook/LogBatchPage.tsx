import { Box, Button, Heading } from "@chakra-ui/react";
import { useState } from "react";
import { useParams } from "react-router";
import type { Batch, BowlWithPlan } from "../api/client";
import { useBatch, useBowlWithPlan, useGuide } from "../api/queries";
import { asOpened } from "../batch/asOpened";
import { CountForm } from "../batch/CountForm";
import { WhyPanel } from "../clinic/WhyPanel";
import { WholeCurve } from "../curve/WholeCurve";
import { Fold } from "../kit/Fold";
import { day } from "../kit/format";
import { Panel } from "../kit/Panel";
import { Photos } from "../kit/Photos";
import { Missing } from "../kit/Standing";
import { WayTo } from "../kit/WayTo";
import { LookForm } from "../looks/LookForm";
import { Looks } from "../looks/Looks";
import { familyNames } from "../theme/chocolate";
import { BatchActions } from "./BatchActions";
import { Corrections } from "./Corrections";
import { CostOfBatch } from "./CostOfBatch";
import { PlanAgainst } from "./PlanAgainst";
import { RecordPanel } from "./RecordPanel";
import { StepsPanel } from "./StepsPanel";
import { TakenPanel } from "./TakenPanel";

/** One batch, as it went. */
export default function LogBatchPage() {
  const { batchId = "" } = useParams();
  const batch = useBatch(batchId);
  const [chosen, setChosen] = useState<string>();
  const bowlId = chosen ?? asOpened(batch.data?.bowls ?? [])[0]?.id;
  const bowl = useBowlWithPlan(bowlId);
  // What is remembered of it may be from before its bowls came to the bench.
  if (batch.data && !bowlId && batch.isFetchedAfterMount) return <WithoutBowl batch={batch.data} />;
  if (!batch.data || !bowl.data) return <Missing what="batch" asked={[batch, bowl]} />;
  return <Entry batch={batch.data} known={bowl.data} onChoose={setChosen} />;
}

/** What was made without a bowl at the bench, or has not been there yet. */
function WithoutBowl({ batch }: { batch: Batch }) {
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1100px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        {batch.name}
      </Heading>
      {batch.unreadable && (
        <Box mb="3" fontWeight="560">
          What was stated of it cannot be read by this release: {batch.unreadable}. It is kept as it
          is.
        </Box>
      )}
      {batch.note && (
        <Box mb="3" whiteSpace="pre-line">
          {batch.note}
        </Box>
      )}
      <Box display="grid" gap="4" gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "1fr 1fr" }}>
        <Box display="grid" gap="4" alignContent="start">
          <BatchActions batch={batch} />
          {!batch.unreadable && <WhatWasDone batchId={batch.id} />}
        </Box>
        <Box display="grid" gap="4" alignContent="start">
          <WhatCameOut batch={batch} />
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

function WhatWasDone({ batchId }: { batchId: string }) {
  const steps = useGuide(batchId).data?.progress.flatMap((line) => line.steps) ?? [];
  const done = steps.filter(({ done_at }) => done_at != null).length;
  return (
    <Fold title="What was done when" value={`${done} of ${steps.length} steps, with their times`}>
      <StepsPanel batchId={batchId} />
    </Fold>
  );
}

/** What came out of it, and the place to say so: it stands open until something was said. */
function WhatCameOut({ batch, lost = false }: { batch: Batch; lost?: boolean }) {
  const said = batch.results.length > 0;
  return (
    <>
      <Panel title="What came out">
        <Looks batch={batch} lost={lost} />
        <PiecePhotos batchId={batch.id} />
      </Panel>
      <WhyPanel batch={batch} />
      {!lost && <Packed batch={batch} />}
      {!lost && (
        <Fold
          key={said ? "another look" : "first look"}
          title="How it came out"
          value="Look at it again: gloss, snap, release, streaks"
          open={!said || batch.due_look != null}
        >
          <LookForm batch={batch} />
        </Fold>
      )}
    </>
  );
}

/** What was counted, the labels, and what it cost. */
function Packed({ batch }: { batch: Batch }) {
  const counts = (batch.plan?.components ?? []).some(({ pieces }) => pieces);
  return (
    <>
      {(counts || batch.plan?.packing) && (
        <Fold
          title="Count and labels"
          value={batch.counted ? "Counted" : "Whole and broken pieces"}
          open={batch.counted == null && batch.plan?.packing != null}
        >
          <CountForm key={batch.counted?.noted_at ?? "new"} batch={batch} />
          <WayTo to={`/log/${batch.id}/labels`}>Print labels</WayTo>
        </Fold>
      )}
      <CostOfBatch batch={batch} />
    </>
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
        {batch.note && (
          <Box mt="1" whiteSpace="pre-line">
            {batch.note}
          </Box>
        )}
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
        <Box display="grid" gap="4" gridTemplateColumns="minmax(0, 1fr)">
          <Panel title="The curve">
            <Box h={{ base: "260px", md: "360px" }}>
              <WholeCurve bowl={bowl} />
            </Box>
            {bowl.poured_at && (
              <WayTo to={`/log/compare?bowls=${bowl.id}`}>Compare it with another bowl</WayTo>
            )}
            {bowl.doubted > 0 && (
              <Box fontSize="sm" color="fg.muted" mt="2">
                Open rings: {bowl.doubted} doubted {bowl.doubted === 1 ? "reading" : "readings"},
                kept and left out of trend and forecast.
              </Box>
            )}
          </Panel>
          <WhatCameOut batch={batch} lost={bowl.gave_up != null} />
        </Box>
        <Box display="grid" gap="4" gridTemplateColumns="minmax(0, 1fr)">
          <Panel title="Plan against what happened">
            <PlanAgainst known={known} />
          </Panel>
          {bowl.tested && (
            <Panel title="The smear">
              <Photos of="bowls" id={bowl.id} what="the smear" />
            </Panel>
          )}
          <WhatWasDone batchId={batch.id} />
          {known.taken && <TakenPanel bowlId={bowl.id} taken={known.taken} />}
          <RecordPanel bowlId={bowl.id} />
          <Panel title="What was entered">
            <Corrections
              bowlId={bowl.id}
              batchId={batch.id}
              opened_at={bowl.opened_at}
              ended_at={bowl.poured_at ?? (bowl.gave_up ? bowl.phase_since : null)}
              poured={bowl.poured_at != null}
            />
          </Panel>
          <BatchActions batch={batch} />
        </Box>
      </Box>
    </Box>
  );
}
