import { Box, chakra, Heading } from "@chakra-ui/react";
import { Link as RouterLink, useNavigate } from "react-router";
import type { BatchLine } from "../api/client";
import { useBatches } from "../api/queries";
import { BatchRow } from "../batch/BatchRow";
import { Failed, Loading, Standing } from "../kit/Standing";
import { BringInBowl } from "./BringInBowl";

const Link = chakra(RouterLink);

/** Every batch that came to an end, the latest first. */
export default function LogPage() {
  const batches = useBatches();
  const navigate = useNavigate();
  if (batches.error) {
    return <Failed what="log" error={batches.error} retry={() => batches.refetch()} />;
  }
  if (!batches.data) return <Loading what="the log" />;
  const ended = batches.data
    .filter((b) => b.stage === "poured" || b.stage === "lost")
    .sort((a, b) => endedAt(b) - endedAt(a));
  if (ended.length === 0) {
    return (
      <Standing
        title="The log is empty"
        action={{ label: "Go to the plans", onClick: () => navigate("/plans") }}
      >
        Every bowl that is poured or given up is kept here, with its curve and what came out.
      </Standing>
    );
  }
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1100px" width="full" mx="auto">
      <Box display="flex" justifyContent="space-between" alignItems="center" gap="4" py="3">
        <Heading as="h1" textStyle="title" fontSize="2xl">
          Log
        </Heading>
        <BringInBowl />
      </Box>
      {ended.map((batch) => (
        <Link key={batch.id} to={`/log/${batch.id}`} display="block" mb="2">
          <BatchRow batch={batch} />
        </Link>
      ))}
    </Box>
  );
}

function endedAt(batch: BatchLine): number {
  return Date.parse(batch.ended_at ?? batch.updated_at);
}
