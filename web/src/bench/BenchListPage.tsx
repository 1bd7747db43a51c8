import { Box, Heading } from "@chakra-ui/react";
import { Navigate, useNavigate } from "react-router";
import { useIsHelper } from "../devices/me";
import { Offline } from "../kit/Offline";
import { Loading, Standing } from "../kit/Standing";
import { useStored } from "../kit/useStored";
import { useAlarms } from "./alarms";
import { BowlCard } from "./BowlCard";
import { ColoursInBand } from "./ColoursInBand";
import { useScreenAwake } from "./useScreenAwake";
import { useWholeBench } from "./useWholeBench";

/** Every bowl at the bench: one pair of hands, and which of them needs it first. */
export default function BenchListPage() {
  const { bench, connected, realNow } = useWholeBench();
  const navigate = useNavigate();
  const [silent] = useStored("wide-sheen.silent", false);
  const first = bench?.bowls[0];
  useAlarms(first, silent, useIsHelper());
  useScreenAwake();
  if (!bench) return <Loading what="the bench" />;
  if (bench.bowls.length === 0) {
    return (
      <Standing
        title="The bench is clear"
        action={{ label: "Plans", onClick: () => navigate("/plans") }}
      >
        Start tempering from a plan and its bowl appears here.
      </Standing>
    );
  }
  // One bowl alone: the bench is that bowl.
  if (bench.bowls.length === 1 && first) return <Navigate to={`/bench/${first.id}`} replace />;
  return (
    <Box px={{ base: "3", md: "6" }} pb="6" maxW="1400px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        At the bench
      </Heading>
      {!connected && <Offline mb="2" />}
      <ColoursInBand bowls={bench.bowls} />
      <Box display="grid" gap="2.5">
        {bench.bowls.map((bowl, i) => (
          <BowlCard
            key={bowl.id}
            bowl={bowl}
            heardNow={bench.now}
            realNow={realNow}
            first={i === 0 && bowl.needs === "now"}
          />
        ))}
      </Box>
    </Box>
  );
}
