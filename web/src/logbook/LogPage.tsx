import { Box, chakra, Heading } from "@chakra-ui/react";
import { useState } from "react";
import { Link as RouterLink, useNavigate } from "react-router";
import { type BatchesOf, useBatches } from "../api/queries";
import { BatchRow } from "../batch/BatchRow";
import { More } from "../kit/More";
import { SearchField } from "../kit/SearchField";
import { Failed, Loading, Standing } from "../kit/Standing";
import { Undone } from "../kit/Undone";
import { WayTo } from "../kit/WayTo";
import { WhichOf } from "../kit/WhichOf";
import { LooksDue } from "../looks/LooksDue";
import { BringInBowl } from "./BringInBowl";

const Link = chakra(RouterLink);

type LogOf = Extract<BatchesOf, "over" | "made" | "given_up">;

const which: Record<LogOf, string> = { over: "All", made: "Made", given_up: "Given up" };

/** Every batch that came to an end, that of the newest activity first. */
export default function LogPage() {
  const [search, setSearch] = useState("");
  const [of, setOf] = useState<LogOf>("over");
  const batches = useBatches(of, search);
  const navigate = useNavigate();
  if (batches.error) {
    return <Failed what="log" error={batches.error} retry={() => batches.refetch()} />;
  }
  if (!batches.data) return <Loading what="the log" />;
  const none = batches.data.length === 0;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1100px" width="full" mx="auto">
      <Box
        display="flex"
        justifyContent="space-between"
        alignItems="center"
        gap="4"
        py="3"
        flexWrap="wrap"
      >
        <Heading as="h1" textStyle="title" fontSize="2xl">
          Log
        </Heading>
        <Box display="flex" gap="4" flexWrap="wrap" alignItems="center">
          <WayTo to="/log/clinic">What went wrong?</WayTo>
          <BringInBowl />
        </Box>
      </Box>
      <Undone />
      <LooksDue />
      {none && search === "" && of === "over" ? (
        <Standing
          title="The log is empty"
          action={{ label: "Plans", onClick: () => navigate("/plans") }}
        >
          Every batch that is made, given up or closed is kept here, with its curves and what came
          out.
        </Standing>
      ) : (
        <Box display="flex" gap="3" flexWrap="wrap" mb="3" alignItems="center">
          <Box flex="1 1 260px">
            <SearchField of="the log" onSearch={setSearch} />
          </Box>
          <WhichOf label="Which batches" value={of} choices={which} onChange={setOf} />
        </Box>
      )}
      {none && (search !== "" || of !== "over") && (
        <Box color="fg.muted">
          {search ? `No batch with “${search}” in it.` : "None of these yet."}
        </Box>
      )}
      {batches.data.map((batch) => (
        <Link key={batch.id} to={`/log/${batch.id}`} display="block" mb="2">
          <BatchRow batch={batch} />
        </Link>
      ))}
      <More list={batches} />
    </Box>
  );
}
