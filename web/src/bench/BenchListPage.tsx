import { Box, chakra, Heading } from "@chakra-ui/react";
import { Link as RouterLink, useNavigate } from "react-router";
import { useBatches } from "../api/queries";
import { BatchRow } from "../batch/BatchRow";
import { Failed, Loading, Standing } from "../kit/Standing";

const Link = chakra(RouterLink);

/** The bowls at the bench now. */
export default function BenchListPage() {
  const batches = useBatches();
  const navigate = useNavigate();
  if (batches.error) {
    return <Failed what="bowls" error={batches.error} retry={() => batches.refetch()} />;
  }
  if (!batches.data) return <Loading what="the bench" />;
  const open = batches.data.filter((b) => b.stage === "at_bench");
  if (open.length === 0) {
    return (
      <Standing
        title="The bench is clear"
        action={{ label: "Go to the plans", onClick: () => navigate("/plans") }}
      >
        Take a plan to the bench and its bowl appears here.
      </Standing>
    );
  }
  return (
    <Box px={{ base: "3", md: "6" }} maxW="1100px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        At the bench
      </Heading>
      {open.map((batch) => (
        <Link key={batch.id} to={`/bench/${batch.bowl_id}`} display="block" mb="2">
          <BatchRow batch={batch} />
        </Link>
      ))}
    </Box>
  );
}
