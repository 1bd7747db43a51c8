import { Box, Button, chakra, Heading } from "@chakra-ui/react";
import { Plus } from "lucide-react";
import { useState } from "react";
import { Link as RouterLink } from "react-router";
import { type PlansOf, useBatches, usePlans } from "../api/queries";
import { BatchRow } from "../batch/BatchRow";
import { More } from "../kit/More";
import { SearchField } from "../kit/SearchField";
import { Failed, Loading, Standing } from "../kit/Standing";
import { Undone } from "../kit/Undone";
import { OutOfTheWay } from "./OutOfTheWay";
import { PlanRow } from "./PlanRow";
import { useNewPlan } from "./useNewPlan";

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
  const begin = useNewPlan();
  const error = plans.error ?? underWay.error;
  if (error) return <Failed what="plans" error={error} retry={() => plans.refetch()} />;
  if (!plans.data || !underWay.data) return <Loading what="the plans" />;
  const start = { label: "Plan something", onClick: () => begin.mutate({ name: "New plan" }) };
  const none = plans.data.length === 0 && underWay.data.length === 0;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1100px" width="full" mx="auto">
      <Box display="flex" justifyContent="space-between" alignItems="center" py="4" gap="4">
        <Heading as="h1" textStyle="title" fontSize="2xl">
          Plans
        </Heading>
        <Button size="lg" h="52px" bg="ink" color="onInk" onClick={start.onClick}>
          <Plus aria-hidden /> {start.label}
        </Button>
      </Box>
      <Undone />
      {underWay.data.length > 0 && (
        <Box as="section" aria-label="Under way" mb="6">
          <Heading as="h2" textStyle="label" mb="2">
            Under way
          </Heading>
          {underWay.data.map((batch) => (
            <Link
              key={batch.id}
              to={batch.bowl_id ? `/bench/${batch.bowl_id}` : `/build/${batch.id}`}
              display="block"
              mb="2"
            >
              <BatchRow batch={batch} />
            </Link>
          ))}
          <More list={underWay} />
        </Box>
      )}
      <Box as="section" aria-label="Planned">
        <Box display="flex" gap="3" flexWrap="wrap" mb="3" alignItems="center">
          <Box flex="1 1 260px">
            <SearchField of="the plans" onSearch={setSearch} />
          </Box>
          <Box as="fieldset" aria-label="Which plans" display="flex" gap="1">
            {(Object.keys(which) as PlansOf[]).map((one) => (
              <Button
                key={one}
                variant={one === of ? "solid" : "ghost"}
                minH="48px"
                aria-pressed={one === of}
                {...(one === of && { bg: "ink", color: "onInk" })}
                onClick={() => setOf(one)}
              >
                {which[one]}
              </Button>
            ))}
          </Box>
        </Box>
        {none && of === "in_use" && !search ? (
          <Standing title="Nothing planned" action={start}>
            Say what you want to make and from which chocolate. How much to melt, how much to hold
            back and what the room means for it follow at once.
          </Standing>
        ) : (
          plans.data.length === 0 && (
            <Box color="fg.muted">
              {search ? `No plan with “${search}” in it.` : emptyWords[of]}
            </Box>
          )
        )}
        {plans.data.map((plan) =>
          of === "deleted" || plan.unreadable ? (
            <OutOfTheWay key={plan.id} plan={plan} deleted={of === "deleted"} />
          ) : (
            <Link key={plan.id} to={`/plans/${plan.id}`} display="block" mb="2">
              <PlanRow plan={plan} />
            </Link>
          ),
        )}
        <More list={plans} />
      </Box>
    </Box>
  );
}

const emptyWords: Record<PlansOf, string> = {
  in_use: "Nothing else is planned.",
  archived: "No plan is archived.",
  deleted: "Nothing was deleted in the last 30 days.",
};
