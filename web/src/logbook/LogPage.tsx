import { Box, Button, chakra, Heading } from "@chakra-ui/react";
import { useState } from "react";
import { Link as RouterLink, useNavigate } from "react-router";
import { type BatchesOf, type Narrowed, useBatches } from "../api/queries";
import { BatchRow } from "../batch/BatchRow";
import { Fold } from "../kit/Fold";
import { More } from "../kit/More";
import { SearchField } from "../kit/SearchField";
import { Missing, Standing } from "../kit/Standing";
import { Undone } from "../kit/Undone";
import { useToItsEnd } from "../kit/useToItsEnd";
import { WayTo } from "../kit/WayTo";
import { WhichOf } from "../kit/WhichOf";
import { LooksDue } from "../looks/LooksDue";
import { BringInBowl } from "./BringInBowl";
import { bounds, Calendar } from "./Calendar";
import { Filters } from "./Filters";
import { StillRead } from "./StillRead";
import { Wall } from "./Wall";

const Link = chakra(RouterLink);

type LogOf = Extract<BatchesOf, "over" | "made" | "given_up">;

const which: Record<LogOf, string> = { over: "All", made: "Made", given_up: "Given up" };

const views = { list: "List", wall: "Pictures", calendar: "Calendar" } as const;
type View = keyof typeof views;

/** Every batch that came to an end, that of the newest activity first. */
export default function LogPage() {
  const [search, setSearch] = useState("");
  const [of, setOf] = useState<LogOf>("over");
  const [narrowed, setNarrowed] = useState<Narrowed>({});
  const [view, setView] = useState<View>("list");
  const [month, setMonth] = useState(() => new Date());
  const calendar = view === "calendar";
  const batches = useBatches(of, search, calendar ? { ...narrowed, ...bounds(month) } : narrowed);
  // A month is shown whole.
  useToItsEnd(batches, calendar);
  const navigate = useNavigate();
  if (!batches.data) return <Missing what="log" asked={[batches]} />;
  const none = batches.data.length === 0;
  const filters = Object.keys(narrowed).length;
  const asked = search !== "" || of !== "over" || filters > 0 || calendar;
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
          <WayTo to="/log/patterns">What the log tells</WayTo>
          <WayTo to="/log/year">The year</WayTo>
          <BringInBowl />
        </Box>
      </Box>
      <Undone />
      <LooksDue />
      {none && !asked ? (
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
          <WhichOf label="How they are shown" value={view} choices={views} onChange={setView} />
          <Box flex="1 1 100%">
            <Fold
              title="Narrow it down"
              value={
                filters === 0
                  ? "Chocolate, kind, colour, method, result, fault, gear, goods, date"
                  : `${filters} ${filters === 1 ? "condition" : "conditions"}`
              }
            >
              <Filters narrowed={narrowed} onChange={setNarrowed} />
              {filters > 0 && (
                <Button
                  variant="outline"
                  minH="48px"
                  justifySelf="start"
                  onClick={() => setNarrowed({})}
                >
                  Show everything
                </Button>
              )}
            </Fold>
          </Box>
        </Box>
      )}
      {filters > 0 && <StillRead />}
      {none && asked && !calendar && (
        <Box color="fg.muted">
          {search ? `No batch with “${search}” in it.` : "None of these yet."}
        </Box>
      )}
      {calendar && <Calendar month={month} batches={batches.data} onMonth={setMonth} />}
      {view === "wall" && <Wall batches={batches.data} />}
      {view === "list" &&
        batches.data.map((batch) => (
          <Link key={batch.id} to={`/log/${batch.id}`} display="block" mb="2">
            <BatchRow batch={batch} />
          </Link>
        ))}
      {!calendar && <More list={batches} />}
    </Box>
  );
}
