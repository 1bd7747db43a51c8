import { Box, Button, chakra, Heading } from "@chakra-ui/react";
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { Plus } from "lucide-react";
import { Link as RouterLink, useNavigate } from "react-router";
import { api, type Batch } from "../api/client";
import { keys, useBatches } from "../api/queries";
import { accepted } from "../api/refusal";
import { BatchRow } from "../batch/BatchRow";
import { Failed, Loading, Standing } from "../kit/Standing";

const Link = chakra(RouterLink);

/** What is planned, and what is at the bench now. */
export function PlansPage() {
  const batches = useBatches();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const begin = useMutation({
    mutationFn: async () =>
      accepted<Batch>(
        await api.POST("/api/v1/batches", {
          body: { id: crypto.randomUUID(), name: "New batch", note: "" },
        }),
      ),
    onSuccess: (batch) => {
      queries.invalidateQueries({ queryKey: keys.batches, exact: true });
      navigate(`/plans/${batch.id}`);
    },
  });
  if (batches.error) {
    return <Failed what="plans" error={batches.error} retry={() => batches.refetch()} />;
  }
  if (!batches.data) return <Loading what="the plans" />;
  const atBench = batches.data.filter((b) => b.stage === "at_bench");
  const planned = batches.data.filter((b) => b.stage === "planned");
  const start = { label: "Plan something", onClick: () => begin.mutate() };
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
