import { Box, Button, chakra, Heading } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import { useState } from "react";
import { Link as RouterLink, useNavigate } from "react-router";
import type { PlanLine } from "../api/client";
import { type PlansOf, useBatches, usePlans } from "../api/queries";
import { BatchRow } from "../batch/BatchRow";
import { useUnderWay } from "../guide/useUnderWay";
import { More } from "../kit/More";
import { SearchField } from "../kit/SearchField";
import { Missing } from "../kit/Standing";
import { Undone } from "../kit/Undone";
import { WhichOf } from "../kit/WhichOf";
import { LooksDue } from "../looks/LooksDue";
import { Ways } from "../start/Ways";
import { OutOfTheWay } from "./OutOfTheWay";
import { PlanRow } from "./PlanRow";

const Link = chakra(RouterLink);

const which: Record<PlansOf, string> = {
  in_use: "In use",
  archived: "Archived",
  deleted: "Deleted",
};

/** What one intends to make, and what is being made now. */
export function PlansPage() {
  const [of, setOf] = useState<PlansOf>("in_use");
  const [search, setSearch] = useState("");
  const plans = usePlans(of, search);
  const underWay = useBatches("under_way", "");
  const navigate = useNavigate();
  const { all } = useUnderWay();
  if (!plans.data || !underWay.data) return <Missing what="plans" asked={[plans, underWay]} />;
  // What wants hands now comes before what only waits.
  const pressing = new Set(all.filter(({ at }) => at === null).map(({ batch }) => batch));
  const groups = [
    { title: "Needs you now", batches: underWay.data.filter(({ id }) => pressing.has(id)) },
    { title: "Under way", batches: underWay.data.filter(({ id }) => !pressing.has(id)) },
  ];
  const none = plans.data.length === 0 && underWay.data.length === 0;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1100px" width="full" mx="auto">
      <Box display="flex" justifyContent="space-between" alignItems="center" py="4" gap="4">
        <Heading as="h1" textStyle="title" fontSize="2xl">
          Plans
        </Heading>
        <Button size="lg" h="52px" bg="ink" color="onInk" onClick={() => navigate("/plans/new")}>
          <Plus aria-hidden /> New plan
        </Button>
      </Box>
      <Undone />
      {none && of === "in_use" && !search && (
        <Box mb="6">
          <Ways />
        </Box>
      )}
      {groups.map(
        ({ title, batches }) =>
          batches.length > 0 && (
            <Box as="section" aria-label={title} mb="5" key={title}>
              <Heading as="h2" textStyle="label" mb="2">
                {title}
              </Heading>
              {batches.map((batch) => (
                <Link
                  key={batch.id}
                  to={batch.bowl_id ? `/bench/${batch.bowl_id}` : `/build/${batch.id}`}
                  display="block"
                  mb="2"
                >
                  <BatchRow batch={batch} />
                </Link>
              ))}
            </Box>
          ),
      )}
      <More list={underWay} />
      <LooksDue />
      <Box as="section" aria-label="All plans">
        <Box display="flex" gap="3" flexWrap="wrap" mb="3" alignItems="center">
          <Box flex="1 1 260px">
            <SearchField of="the plans" onSearch={setSearch} />
          </Box>
          <WhichOf label="Which plans" value={of} choices={which} onChange={setOf} />
        </Box>
        {plans.data.length === 0 && (
          <Box color="fg.muted">{search ? `No plan with “${search}” in it.` : emptyWords[of]}</Box>
        )}
        {of === "in_use" ? (
          [
            { title: "Planned", plans: plans.data.filter(({ batches }) => batches === 0) },
            { title: "Made before", plans: plans.data.filter(({ batches }) => batches > 0) },
          ].map(
            ({ title, plans: some }) =>
              some.length > 0 && (
                <Box as="section" aria-label={title} mb="4" key={title}>
                  <Heading as="h2" textStyle="label" mb="2">
                    {title}
                  </Heading>
                  <PlanRows plans={some} deleted={false} />
                </Box>
              ),
          )
        ) : (
          <PlanRows plans={plans.data} deleted={of === "deleted"} />
        )}
        <More list={plans} />
      </Box>
    </Box>
  );
}

/** Plans one under the other; one that cannot be opened says what can be done with it. */
function PlanRows({ plans, deleted }: { plans: readonly PlanLine[]; deleted: boolean }) {
  return plans.map((plan) =>
    deleted || plan.unreadable ? (
      <OutOfTheWay key={plan.id} plan={plan} deleted={deleted} />
    ) : (
      <Link key={plan.id} to={`/plans/${plan.id}`} display="block" mb="2">
        <PlanRow plan={plan} />
      </Link>
    ),
  );
}

const emptyWords: Record<PlansOf, string> = {
  in_use: "Nothing else is planned.",
  archived: "No plan is archived.",
  deleted: "Nothing was deleted in the last 30 days.",
};
