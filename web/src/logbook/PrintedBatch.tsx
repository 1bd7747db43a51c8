import { Box, Heading } from "@chakra-ui/react";
import { useParams } from "react-router";
import type { Batch } from "../api/client";
import { useBatch, useBowlWithPlan } from "../api/queries";
import { asOpened } from "../batch/asOpened";
import { useBatchClinic } from "../clinic/useClinic";
import { WholeCurve } from "../curve/WholeCurve";
import { day, temperature } from "../kit/format";
import { inWords } from "../kit/message";
import { usePhotos } from "../kit/Photos";
import { PrintButton } from "../kit/PrintButton";
import { Missing } from "../kit/Standing";
import { Looks } from "../looks/Looks";
import { faultsOf } from "../looks/words";
import { familyNames } from "../theme/chocolate";
import { PlanAgainst } from "./PlanAgainst";

/** So many pictures have room on a page. */
const MOST_PICTURES = 4;

/** A batch on one page: its curve, its pictures, what came out and why. */
export default function PrintedBatch() {
  const { batchId = "" } = useParams();
  const batch = useBatch(batchId);
  if (!batch.data) return <Missing what="batch" asked={[batch]} />;
  const { name, note, stated, begun_at } = batch.data;
  const first = asOpened(batch.data.bowls)[0];
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="900px" width="full" mx="auto">
      <PrintButton my="3" />
      <Box
        as="article"
        bg="bg.panel"
        borderRadius="slab"
        p={{ base: "3", md: "6" }}
        fontSize="sm"
        display="grid"
        gap="3"
        data-testid="printed-batch"
        _print={{ p: "0", bg: "white", fontSize: "9pt", gap: "2" }}
      >
        <Box display="flex" justifyContent="space-between" gap="4" flexWrap="wrap">
          <Heading as="h1" textStyle="title" fontSize="xl">
            {name}
          </Heading>
          <Box>{day(begun_at)}</Box>
        </Box>
        {stated && (
          <Box>
            {`${stated.components.map((one) => one.name).join(", ")}. ${stated.bowls.map((bowl) => bowl.name ?? familyNames[bowl.family]).join(", ")}. Room ${temperature(stated.room_c)}, ${stated.rh_pct} % humid.`}
          </Box>
        )}
        {note && <Box whiteSpace="pre-line">{note}</Box>}
        {first && <OfBowl bowlId={first.id} />}
        <Pictures batchId={batchId} />
        <Box>
          <Heading as="h2" textStyle="title" fontSize="md" mb="1">
            What came out
          </Heading>
          <Looks batch={batch.data} lost={batch.data.stage === "lost"} />
        </Box>
        <Why batch={batch.data} />
      </Box>
    </Box>
  );
}

function OfBowl({ bowlId }: { bowlId: string }) {
  const asked = useBowlWithPlan(bowlId);
  const known = asked.data;
  if (!known) return <Missing what="bowl" asked={[asked]} />;
  const { bowl } = known;
  return (
    <>
      <Box h="230px" css={{ breakInside: "avoid" }}>
        <WholeCurve bowl={bowl} />
      </Box>
      <PlanAgainst known={known} />
    </>
  );
}

function Pictures({ batchId }: { batchId: string }) {
  const photos = usePhotos("batches", batchId).data ?? [];
  if (photos.length === 0) return null;
  return (
    <Box display="flex" gap="2" flexWrap="wrap">
      {photos.slice(0, MOST_PICTURES).map(({ id }) => (
        <img key={id} src={`/api/v1/photos/${id}`} alt="" style={{ height: "120px" }} />
      ))}
    </Box>
  );
}

function Why({ batch }: { batch: Batch }) {
  const told = useBatchClinic(batch.id, batch.results.length).data;
  const of = (told?.of ?? []).filter(({ seen }) => seen.length > 0);
  if (of.length === 0) return null;
  return (
    <Box>
      <Heading as="h2" textStyle="title" fontSize="md" mb="1">
        Why
      </Heading>
      {of.map(({ component, name, seen, told: { causes } }) => {
        const first = causes[0];
        return (
          <Box key={component}>
            {`${name}, ${faultsOf(seen)}: `}
            {first &&
              `${inWords(first.name)}, ${inWords(first.words)}. ${inWords(first.next_time)}`}
          </Box>
        );
      })}
    </Box>
  );
}
