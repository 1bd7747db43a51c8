import { Box, Button, chakra, Heading } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import { Link as RouterLink } from "react-router";
import { useBatches } from "../api/queries";
import { BatchRow } from "../batch/BatchRow";
import { useNewBatch } from "../batch/useNewBatch";
import { Failed, Loading, Standing } from "../kit/Standing";

const Link = chakra(RouterLink);

/** What is planned, and what is at the bench now. */
export function PlansPage() {
  const batches = useBatches();
  const begin = useNewBatch();
  if (batches.error) {
    return <Failed what="plans" error={batches.error} retry={() => batches.refetch()} />;
  }
  if (!batches.data) return <Loading what="the plans" />;
  const atBench = batches.data.filter((b) => b.stage === "at_bench");
  const planned = batches.data.filter((b) => b.stage === "planned");
  const start = { label: "Plan something", onClick: () => begin.mutate({ name: "New batch" }) };
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1100px" width="full" mx="auto">
      {atBench.length + planned.length === 0 ? (
        <Standing title="Nothing planned" action={start}>
          Say what you want to make and from which chocolate. How much to melt, how much to hold
          back and what the room means for it follow at once.
        </Standing>
      ) : (
        <>
          <Box display="flex" justifyContent="space-between" alignItems="center" py="4" gap="4">
            <Heading as="h1" textStyle="title" fontSize="2xl">
              Plans
            </Heading>
            <Button size="lg" h="52px" bg="ink" color="onInk" onClick={start.onClick}>
              <Plus aria-hidden /> {start.label}
            </Button>
          </Box>
          {atBench.length > 0 && (
            <Box as="section" aria-label="At the bench" mb="6">
              <Heading as="h2" textStyle="label" mb="2">
                At the bench now
              </Heading>
              {atBench.map((batch) => (
                <Link key={batch.id} to={`/bench/${batch.bowl_id}`} display="block" mb="2">
                  <BatchRow batch={batch} />
                </Link>
              ))}
            </Box>
          )}
          <Box as="section" aria-label="Planned">
            <Heading as="h2" textStyle="label" mb="2">
              Planned
            </Heading>
            {planned.length === 0 && <Box color="fg.muted">Nothing else is planned.</Box>}
            {planned.map((batch) => (
              <Link key={batch.id} to={`/plans/${batch.id}`} display="block" mb="2">
                <BatchRow batch={batch} />
              </Link>
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}
