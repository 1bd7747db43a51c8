import { Box, Button, chakra, Heading } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Plus, X } from "lucide-react";
import { lazy, Suspense, useState } from "react";
import { Link as RouterLink, useSearchParams } from "react-router";
import { api, type ComparedBowl, type Factor } from "../api/client";
import { keys, useMethods } from "../api/queries";
import { accepted } from "../api/refusal";
import { band, day, mass, temperature } from "../kit/format";
import { inWords } from "../kit/message";
import { Panel } from "../kit/Panel";
import { Loading, Missing } from "../kit/Standing";
import { WhichOf } from "../kit/WhichOf";
import { faultsOf } from "../looks/words";
import { colours, letters, moments, said, strokes } from "./factors";
import { PickBowl } from "./PickBowl";

const Overlay = lazy(() => import("./Overlay"));
const Link = chakra(RouterLink);
const MOST = 4;

/** Two to four bowls beside each other: their curves, how they were made, what stands out. */
export default function ComparePage() {
  const [params, setParams] = useSearchParams();
  const ids = (params.get("bowls") ?? "").split(",").filter(Boolean).slice(0, MOST);
  const set = (next: string[]) => setParams({ bowls: next.join(",") }, { replace: true });
  const [picking, setPicking] = useState(false);
  const open = picking || ids.length < 2;
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" maxW="1300px" width="full" mx="auto">
      <Heading as="h1" textStyle="title" fontSize="2xl" py="4">
        Compare
      </Heading>
      {ids.length >= 2 && (
        <Compared ids={ids} remove={(id) => set(ids.filter((one) => one !== id))} />
      )}
      {ids.length < MOST && !open && (
        <Button variant="outline" minH="48px" mt="4" onClick={() => setPicking(true)}>
          <Plus aria-hidden /> Add a bowl
        </Button>
      )}
      {ids.length < MOST && open && (
        <Panel title={ids.length === 0 ? "Pick the first" : "Pick another"} mt="4">
          <PickBowl
            without={ids}
            onPick={(id) => {
              set([...ids, id]);
              setPicking(false);
            }}
          />
        </Panel>
      )}
    </Box>
  );
}

function Compared({ ids, remove }: { ids: string[]; remove: (id: string) => void }) {
  const [by, setBy] = useState<keyof ComparedBowl["moments"]>("off_heat");
  const asked = useQuery({
    queryKey: [...keys.lists, "compare", ids],
    queryFn: async () =>
      accepted<ComparedBowl[]>(
        await api.GET("/api/v1/log/compare", { params: { query: { bowls: ids.join(",") } } }),
      ),
  });
  if (!asked.data) return <Missing what="comparison" asked={[asked]} />;
  const bowls = asked.data;
  const without = bowls.filter((bowl) => !bowl.moments[by]);
  return (
    <Box display="grid" gap="4" gridTemplateColumns="minmax(0, 1fr)">
      <Panel title="The curves">
        <WhichOf label="Laid over each other by" value={by} choices={moments} onChange={setBy} />
        <Box h={{ base: "260px", md: "380px" }} mt="3" data-testid="overlay">
          <Suspense fallback={<Loading what="the curves" />}>
            <Overlay bowls={bowls} by={by} />
          </Suspense>
        </Box>
        {without.length > 0 && (
          <Box color="fg.muted">
            {`Not noted of ${without.map(({ name }) => name).join(", ")}: its curve is left out.`}
          </Box>
        )}
      </Panel>
      <Panel title="How they were made">
        <Box overflowX="auto" tabIndex={0} role="region" aria-label="Bowl by bowl">
          <Facts bowls={bowls} remove={remove} />
        </Box>
      </Panel>
    </Box>
  );
}

function areDifferent(values: readonly string[]): boolean {
  return new Set(values).size > 1;
}

/** A line of the drawing, for the head of a column. */
function Mark({ i }: { i: number }) {
  return (
    <svg viewBox="0 0 44 10" height="10" style={{ flex: "0 1 44px", minWidth: 20 }} aria-hidden>
      <path d="M0 5h44" stroke={colours[i]} strokeWidth="3" strokeDasharray={strokes[i]} />
    </svg>
  );
}

function Facts({ bowls, remove }: { bowls: ComparedBowl[]; remove: (id: string) => void }) {
  const factors = bowls[0]?.facts.map(({ factor }) => factor) ?? [];
  const each = (factor: Factor) =>
    bowls.map(({ facts }) => facts.find((one) => one.factor === factor));
  // What stands out anywhere comes first, then what differs.
  const off = (factor: Factor) => Math.max(...each(factor).map((one) => one?.off ?? 0));
  const differs = (factor: Factor) =>
    areDifferent(each(factor).map((one) => said(factor, one?.value)));
  const rows = factors.toSorted(
    (a, b) => off(b) - off(a) || Number(differs(b)) - Number(differs(a)),
  );
  const cell = {
    px: { base: "1.5", md: "3" },
    py: "2",
    borderTopWidth: "1px",
    borderColor: "border",
  } as const;
  const methods = useMethods().data ?? [];
  const planned: { name: string; of: (bowl: ComparedBowl) => string }[] = [
    {
      name: "Tempered by",
      of: ({ plan }) => methods.find(({ key }) => key === plan.method)?.name ?? plan.method,
    },
    { name: "Weighed out", of: ({ plan }) => mass(plan.to_weigh_g) },
    { name: "Melt to, planned", of: ({ plan }) => temperature(plan.amounts.melted_c) },
    {
      name: "Seed, planned",
      of: ({ plan }) => (plan.amounts.seed_g > 0 ? mass(plan.amounts.seed_g) : "none"),
    },
    { name: "Range to pour in", of: ({ use_c }) => band(use_c) },
  ];
  const told = bowls.some(({ facts }) => facts.some(({ usual }) => usual != null));
  return (
    <>
      <Box
        as="table"
        width="full"
        textAlign="start"
        fontSize={{ base: "sm", md: "md" }}
        data-testid="compared"
      >
        <thead>
          <tr>
            <Box as="th" {...cell} borderTopWidth="0" textAlign="start" fontWeight="500">
              What
            </Box>
            {bowls.map((bowl, i) => (
              <Box as="th" key={bowl.bowl_id} {...cell} borderTopWidth="0" textAlign="start">
                <Box display="flex" gap="2" alignItems="center">
                  <Mark i={i} /> {letters[i]}
                  <Button
                    variant="ghost"
                    minH="48px"
                    minW="48px"
                    aria-label={`Take ${bowl.name} out`}
                    onClick={() => remove(bowl.bowl_id)}
                  >
                    <X aria-hidden />
                  </Button>
                </Box>
                <Link
                  to={`/log/${bowl.batch_id}`}
                  textDecoration="underline"
                  fontWeight="640"
                  minH="48px"
                  display="flex"
                  alignItems="center"
                >
                  {bowl.name}
                </Link>
                <Box fontWeight="400" fontSize="sm" color="fg.muted">
                  {`${bowl.made}, ${day(bowl.opened_at)}`}
                </Box>
              </Box>
            ))}
            {told && (
              <Box as="th" {...cell} borderTopWidth="0" textAlign="start" fontWeight="500">
                Usual when it goes well
              </Box>
            )}
          </tr>
        </thead>
        <tbody>
          <tr>
            <Box as="th" {...cell} textAlign="start" fontWeight="560">
              Came out
            </Box>
            {bowls.map(({ bowl_id, seen, looked }) => (
              <Box as="td" key={bowl_id} {...cell} fontWeight="640">
                {!looked ? "not looked at" : seen.length === 0 ? "without a fault" : faultsOf(seen)}
              </Box>
            ))}
            {told && <Box as="td" {...cell} />}
          </tr>
          {planned.map(({ name, of }) => {
            const differ = areDifferent(bowls.map(of));
            return (
              <tr key={name}>
                <Box as="th" {...cell} textAlign="start" fontWeight="560">
                  {name}
                </Box>
                {bowls.map((bowl) => (
                  <Box as="td" key={bowl.bowl_id} {...cell} fontWeight={differ ? "640" : undefined}>
                    {of(bowl)}
                  </Box>
                ))}
                {told && <Box as="td" {...cell} />}
              </tr>
            );
          })}
          {rows.map((factor) => {
            const of = each(factor);
            const name = of[0]?.name;
            const usual = of.find((one) => one?.usual != null)?.usual;
            const differ = differs(factor);
            return (
              <tr key={factor}>
                <Box as="th" {...cell} textAlign="start" fontWeight="560">
                  {name && inWords(name)}
                </Box>
                {of.map((one, i) => (
                  <Box
                    as="td"
                    key={bowls[i]?.bowl_id}
                    {...cell}
                    fontWeight={differ ? "640" : undefined}
                    {...(one?.stands_out && { bg: "heat.wash" })}
                  >
                    {said(factor, one?.value)}
                    {one?.stands_out && " – stands out"}
                  </Box>
                ))}
                {told && (
                  <Box as="td" {...cell} color="fg.muted">
                    {usual == null ? "" : said(factor, usual)}
                  </Box>
                )}
              </tr>
            );
          })}
        </tbody>
      </Box>
      {!told && (
        <Box mt="2" color="fg.muted">
          What is usual when it goes well is told from five batches without a fault on.
        </Box>
      )}
    </>
  );
}
