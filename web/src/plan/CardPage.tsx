import { Box, Heading } from "@chakra-ui/react";
import { useMemo } from "react";
import { useParams } from "react-router";
import type { BowlPlan, ComponentPlan, Line, Message, Note, Plan, WholePlan } from "../api/client";
import { usePlan, useShelf } from "../api/queries";
import { Allergens } from "../chocolate/Allergens";
import { useIsHelper } from "../devices/me";
import { band, fineMass, mass, minutesRange, stretch, temperature } from "../kit/format";
import { inWords } from "../kit/message";
import { PrintButton } from "../kit/PrintButton";
import { Failed, Loading, Standing } from "../kit/Standing";
import { WayTo } from "../kit/WayTo";
import { sheetWords } from "../sheets/sheetWords";
import { PlanPlaces } from "./PlanPlaces";
import { inBrief } from "./storageWords";
import { weighedOut } from "./weighedOut";

/** The bursts of a melt, those of one length together, and at which setting. */
function BurstsOnCard({ melt }: { melt: NonNullable<BowlPlan["microwave"]> }) {
  const lengths = [...new Set(melt.bursts_s)].map((s) => {
    const times = melt.bursts_s.filter((other) => other === s).length;
    return times > 1 ? `${times} × ${s}` : `${s}`;
  });
  return (
    <>
      {": "}
      {lengths.join(", ")} s{melt.power ? ` ${inWords(melt.power)}` : ""}
    </>
  );
}

/** Everything of a plan on one sheet of paper. */
export default function CardPage() {
  const { planId = "" } = useParams();
  const kept = usePlan(planId);
  const shelf = useShelf();
  if (kept.error && !kept.data)
    return <Failed what="card" error={kept.error} retry={() => kept.refetch()} />;
  // The shelf names the bowls: without it the page would be drawn twice.
  if (!kept.data || shelf.isPending) return <Loading what="the card" />;
  const { plan } = kept.data;
  if (!plan) return <Standing title="No card yet">The plan has something to fix first.</Standing>;
  return <Card kept={kept.data} plan={plan} />;
}

function Card({ kept, plan }: { kept: Plan; plan: WholePlan }) {
  const { inputs } = kept;
  const names = useMemo(
    () => new Map(plan.bowls.map(({ key, label }) => [key, label])),
    [plan.bowls],
  );
  const small = plan.components.length > 4;
  // A helper reads it; what else there is of a plan is the maker's.
  const helper = useIsHelper();
  return (
    <Box px={{ base: "3", md: "6" }} pb="8" width="full" maxW="1000px" mx="auto">
      <style>{"@page { size: A4; margin: 10mm }"}</style>
      {!helper && <PlanPlaces planId={kept.id} />}
      {!helper && <OtherPaper kept={kept} plan={plan} />}
      <PrintButton my="3" />
      <Box
        as="article"
        bg="bg.panel"
        borderRadius="slab"
        p={{ base: "3", md: "6" }}
        fontSize={small ? "xs" : "sm"}
        data-testid="batch-card"
        _print={{ p: "0", bg: "white", fontSize: small ? "7.5pt" : "9pt" }}
      >
        <Box display="flex" justifyContent="space-between" gap="4" alignItems="baseline">
          <Heading as="h1" textStyle="title" fontSize="xl">
            {kept.name}
          </Heading>
          <Box>
            Room {temperature(inputs.room_c)}, {inputs.rh_pct} % humid
            {inputs.fridge_c != null && `, fridge ${temperature(inputs.fridge_c)}`}
          </Box>
        </Box>
        {kept.note && <Box whiteSpace="pre-line">{kept.note}</Box>}
        {/* On a narrow screen it is pushed sideways by itself. */}
        <Box overflowX="auto" tabIndex={0} mt="3" _print={{ overflowX: "visible" }}>
          <Box
            as="table"
            width="full"
            css={{
              "& td, & th": { textAlign: "start", padding: "2px 6px 2px 0", verticalAlign: "top" },
              "& th": { fontWeight: 600 },
              "& .figure": { whiteSpace: "nowrap" },
            }}
          >
            <thead>
              <tr>
                {["Chocolate", "Weigh", "Melt", "Hold back", "Add", "Work at", "Never above"].map(
                  (head) => (
                    <th key={head}>{head}</th>
                  ),
                )}
              </tr>
            </thead>
            <tbody>
              {plan.bowls.map(({ key, plan: of, taken, tinted }) =>
                taken ? (
                  <tr key={key}>
                    <td>{names.get(key)}</td>
                    <td className="figure">
                      <strong>{mass(taken.mass_g)}</strong>
                    </td>
                    <td colSpan={5}>
                      of the {names.get(taken.from) ?? taken.label}, once it is in temper
                      {tinted?.amount &&
                        `; with ${inWords(tinted.amount)} of the ${names.get(tinted.colour) ?? tinted.colour}`}
                    </td>
                  </tr>
                ) : of ? (
                  <tr key={key}>
                    <td>
                      {names.get(key)}
                      {of.colour?.melted_g != null &&
                        `: ${[
                          `${fineMass(of.colour.butter_g)} butter`,
                          ...of.colour.pigments.map(
                            ({ name, mass_g }) => `${fineMass(mass_g)} ${name}`,
                          ),
                        ].join(", ")}`}
                    </td>
                    <td className="figure">
                      <strong>{mass(weighedOut(of).total_g)}</strong>
                    </td>
                    <td>
                      {mass(of.colour?.melted_g ?? weighedOut(of).melted_g)} to{" "}
                      {temperature(of.amounts.melted_c)}
                      {of.microwave && <BurstsOnCard melt={of.microwave} />}
                    </td>
                    <td className="figure">
                      {of.amounts.seed_g > 0 ? mass(weighedOut(of).seed_g) : "–"}
                    </td>
                    <td>
                      {of.amounts.seed_g > 0
                        ? weighedOut(of).additions_g.map(mass).join(", ")
                        : of.amounts.crystals_g > 0
                          ? `${mass(weighedOut(of).crystals_g)} crystals`
                          : "–"}
                    </td>
                    <td className="figure">
                      <strong>{band(of.amounts.use_c)}</strong>
                    </td>
                    <td className="figure">{temperature(of.windows.limit_c, 0)}</td>
                  </tr>
                ) : null,
              )}
            </tbody>
          </Box>
        </Box>
        <Box
          mt="3"
          columnGap="3"
          columnCount={{ base: 1, md: plan.components.length > 1 ? 2 : 1 }}
          _print={{ columnCount: small ? 3 : Math.min(plan.components.length, 2) }}
        >
          {plan.components.map((component) => (
            <OnCard key={component.key} component={component} lines={plan.lines} names={names} />
          ))}
        </Box>
        <Box mt="3">
          <Allergens of={plan.allergens} />
        </Box>
        <Box mt="1" as="ul" ps="4" listStyleType="square">
          {cautions(plan).map((caution) => (
            <li key={caution.text}>{inWords(caution)}</li>
          ))}
          {plan.watch_for.map(({ component, cause, name, next_time }) => (
            <li key={`${component} ${cause}`}>
              Learned, {name}: {inWords(next_time)}
            </li>
          ))}
        </Box>
      </Box>
    </Box>
  );
}

/** What else of the plan goes on paper. */
function OtherPaper({ kept, plan }: { kept: Plan; plan: WholePlan }) {
  const sheets = kept.inputs.components.flatMap(({ key, name, work }) => {
    const planned = plan.components.find((one) => one.key === key);
    const words = planned && sheetWords(work, planned);
    return words ? [{ key, words: `${words}, at true size: ${name}` }] : [];
  });
  if (sheets.length === 0) return null;
  return (
    <Box display="flex" columnGap="6" flexWrap="wrap" _print={{ display: "none" }}>
      {sheets.map(({ key, words }) => (
        <WayTo key={key} to={`/plans/${kept.id}/sheets/${encodeURIComponent(key)}`}>
          {words}
        </WayTo>
      ))}
    </Box>
  );
}

/** What must not be missing on paper: each caution once. */
function cautions(plan: WholePlan): Note[] {
  const all = [...plan.notes, ...plan.room.notes, ...plan.components.flatMap(({ notes }) => notes)];
  const told = all.filter(({ level }) => level !== "info");
  return [...new Map(told.map((note) => [note.text, note])).values()];
}

interface OnCardProps {
  component: ComponentPlan;
  lines: Line[];
  names: ReadonlyMap<string, string>;
}

function OnCard({ component, lines, names }: OnCardProps) {
  const { takes, goods, used, pieces, keeps, keeping } = component;
  const of = lines.filter(
    (line) => line.of.of === "component" && line.of.component === component.key,
  );
  const steps = of[0]?.steps ?? [];
  const brief = inBrief(keeping);
  return (
    <Box borderTopWidth="2px" borderColor="fg" pt="1" mb="3" css={{ breakInside: "avoid" }}>
      <Box display="flex" justifyContent="space-between" gap="3">
        <strong>
          {component.name}
          {of.length > 1 && `, ${of.length} runs of the mould`}
        </strong>
        <span>
          {component.area_cm2 != null && `${Math.round(component.area_cm2)} cm², `}
          {component.thickness_mm != null && `${Math.round(component.thickness_mm * 10) / 10} mm`}
          {pieces && `, ${Math.round(pieces.count)} pieces`}
        </span>
      </Box>
      <Box>
        {[
          ...takes.map(
            ({ chocolate, mass_g }) => `${mass(mass_g)} ${names.get(chocolate) ?? chocolate}`,
          ),
          ...goods.map(({ name, mass_g, goes }) => `${mass(mass_g)} ${name} ${goes}`),
          ...(used ?? []).map(({ name, count }) => `${count} ${name}`),
          ...(brief === undefined ? [] : [`keeps ${brief}`]),
        ].join(", ")}
      </Box>
      <Box as="ol" listStyleType="none" mt="0.5">
        {steps.map(({ key, text, wait }) => (
          <Box as="li" key={key} display="flex" gap="2">
            <span aria-hidden>☐</span>
            <span>
              {inWords(text)}
              {wait?.opens && `${opening(inWords(text), wait.opens)} after ${range(wait.opens)}`}
              {wait?.closes && `, ${inWords(wait.closes.what)} ${range(wait.closes)}`}
            </span>
          </Box>
        ))}
      </Box>
      {keeps && brief === undefined && <Box>Keeps: {inWords(keeps)}</Box>}
      {/* Where that is not as all chocolate is kept: the card is one page. */}
      {keeping && keeping.store !== "cool_room" && <Box>Store: {inWords(keeping.storage)}</Box>}
    </Box>
  );
}

/** What opens then, unless the step has just said so. */
function opening(step: string, { what }: { what: Message }): string {
  const said = inWords(what);
  return step.toLowerCase() === said.toLowerCase() ? "" : `, ${said}`;
}

function range({ earliest_s, latest_s }: { earliest_s: number; latest_s: number }): string {
  return latest_s < 120 || latest_s >= 3600
    ? stretch(latest_s)
    : minutesRange(earliest_s, latest_s);
}
