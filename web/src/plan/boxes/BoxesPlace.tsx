import { Box, Button } from "@chakra-ui/react";
import { memo, useState } from "react";
import { Link as RouterLink } from "react-router";
import {
  api,
  type Enough,
  type InEach,
  type Packing,
  type PlanInputs,
  type WholePlan,
} from "../../api/client";
import { accepted, Refusal } from "../../api/refusal";
import { CountField } from "../../kit/CountField";
import { Fault } from "../../kit/Fault";
import { fieldsOf } from "../../kit/fieldsOf";
import { mass } from "../../kit/format";
import { Notes } from "../../kit/Notes";
import { Panel } from "../../kit/Panel";
import { SelectField } from "../../kit/SelectField";
import { UnitField } from "../../kit/UnitField";
import { WayTo } from "../../kit/WayTo";
import { packedWords } from "../../labels/packedWords";
import type { Edit } from "../usePlanDraft";
import { InEachFields } from "./InEachFields";
import { WrappingFields } from "./WrappingFields";

const ways = {
  "": "not packed",
  boxes: "boxes",
  bags: "bags",
  servings: "servings, on a plate",
} as const;

interface Props {
  planId: string;
  draft: PlanInputs;
  plan: WholePlan;
  errors: Record<string, string>;
  onChange: (edit: Edit) => void;
}

/** How many, and for what: boxes, bags or servings, what lies in each, and what that takes. */
export const BoxesPlace = memo(function BoxesPlace(props: Props) {
  const { planId, draft, plan, errors, onChange } = props;
  const packing = draft.packing;
  const state = (next: Packing | null) => onChange((inputs) => ({ ...inputs, packing: next }));
  const pack = (of: keyof typeof ways) => {
    if (of === "") state(null);
    else state(packing ? { ...packing, of } : { of, count: 12, each: firstOf(draft, plan) });
  };
  const field =
    packing && fieldsOf<Packing>(packing, errors, (p) => state({ ...packing, ...p }), "packing.");
  return (
    <Box
      display="grid"
      gap="4"
      gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "380px minmax(0, 1fr)" }}
      alignItems="start"
      maxW="1200px"
    >
      <Panel title="Boxes, bags, servings">
        <Box display="grid" gap="3">
          <SelectField label="Packed as" value={packing?.of ?? ""} choices={ways} onChange={pack} />
          {packing && field && (
            <>
              <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
                <CountField label={`How many ${packing.of}`} {...field("count")} />
                <UnitField label="Spares" unit="%" optional="as learned" {...field("spare_pct")} />
              </Box>
              <InEachFields draft={draft} packing={packing} errors={errors} onChange={state} />
              <UnitField label="Weight limit each" unit="g" optional="none" {...field("holds_g")} />
              {packing.of !== "servings" && (
                <WrappingFields packing={packing} errors={errors} onChange={state} />
              )}
            </>
          )}
          {!packing && (
            <Box color="fg.muted" fontSize="sm">
              Say how many boxes, bags or servings it is for, and what lies in each. From that
              follow the pieces of each kind with some to spare, the casts, the grams, and what
              there is to buy and to label.
            </Box>
          )}
        </Box>
      </Panel>
      {packing && plan.packing && (
        <Filled
          planId={planId}
          draft={draft}
          packed={plan.packing}
          onMade={(inputs) => onChange(() => inputs)}
        />
      )}
    </Box>
  );
});

/** What a box holds to begin with: two of each that goes by the piece, some of what does not. */
function firstOf(draft: PlanInputs, plan: WholePlan): InEach[] {
  return draft.components.map(({ key }) => {
    const made = plan.components.find((one) => one.key === key);
    return made?.pieces ? { component: key, pieces: 2 } : { component: key, grams: 40 };
  });
}

interface FilledProps {
  planId: string;
  draft: PlanInputs;
  packed: NonNullable<WholePlan["packing"]>;
  onMade: (inputs: PlanInputs) => void;
}

/** What the boxes take of each kind, what the plan makes, and how many it fills. */
function Filled({ planId, draft, packed, onMade }: FilledProps) {
  const enough = packed.fills >= packed.count && packed.kinds.every((k) => k.makes >= k.make);
  const words = packedWords[packed.of];
  return (
    <Panel title={`${packed.count} ${packed.of} of ${mass(packed.weighs_g)}`} data-testid="filled">
      <Box textStyle="figure" fontSize="2xl" mb="1" data-testid="fills">
        {packed.fills >= packed.count
          ? `The plan fills all ${packed.count}.`
          : `The plan fills ${packed.fills} of ${packed.count}: ${packed.scarcest} runs out first.`}
      </Box>
      <Box as="section" aria-label="What is made of each kind" overflowX="auto" tabIndex={0}>
        <Box
          as="table"
          width="full"
          data-testid="packed-kinds"
          css={{
            "& th": { textStyle: "label", textAlign: "start", py: "2", pe: "4" },
            "& td": { py: "2", pe: "4", borderTopWidth: "1px", borderColor: "border" },
            "& .number": { fontWeight: 600 },
          }}
        >
          <thead>
            <tr>
              <th>Kind</th>
              <th>In each</th>
              <th>Total</th>
              <th>Make</th>
              <th>Plan makes</th>
              <th>Left over</th>
            </tr>
          </thead>
          <tbody>
            {packed.kinds.map((kind) => (
              <tr key={kind.component}>
                <td>{kind.name}</td>
                <td>{amount(kind.each, kind.by_the_piece)}</td>
                <td>{amount(kind.wanted, kind.by_the_piece)}</td>
                <td className="number">
                  {amount(kind.make, kind.by_the_piece)}
                  <Box as="span" color="fg.muted" fontWeight="400" fontSize="sm">
                    {` ${kind.spare_pct} % spare${kind.learned ? ", as counted" : ""}`}
                  </Box>
                </td>
                <td className="number">
                  {amount(kind.makes, kind.by_the_piece)}
                  {(kind.casts ?? 1) > 1 && (
                    <Box as="span" color="fg.muted" fontWeight="400" fontSize="sm">
                      {` in ${kind.casts} casts`}
                    </Box>
                  )}
                </td>
                <td>{amount(kind.left, kind.by_the_piece)}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
      {!enough && <MakeEnough draft={draft} onMade={onMade} />}
      <Box mt="3">
        <Notes notes={packed.notes} />
      </Box>
      {words.labelled && (
        <Box mt="2">
          <WayTo to={`/plans/${planId}/labels`}>Preview the labels</WayTo>
        </Box>
      )}
      <Box mt="2" fontSize="sm" color="fg.muted">
        Count what comes out in the{" "}
        <RouterLink to="/log" style={{ textDecoration: "underline" }}>
          log
        </RouterLink>
        : what breaks there tells how many to spare.
      </Box>
    </Panel>
  );
}

/** States of each kind how much is made, so that there is enough. */
function MakeEnough({ draft, onMade }: Pick<FilledProps, "draft" | "onMade">) {
  const [said, setSaid] = useState<string>();
  const make = async () => {
    try {
      const answer = await api.POST("/api/v1/calc/plan/enough", { body: draft });
      const { inputs, by_hand } = accepted<Enough>(answer);
      onMade(inputs);
      setSaid(
        by_hand.length > 0
          ? `See to it yourself, where it says how much is made: ${by_hand.join(", ")}.`
          : undefined,
      );
    } catch (error) {
      setSaid(error instanceof Refusal ? tooMuch(draft, error) : "No connection: try again.");
    }
  };
  return (
    <>
      <Button mt="3" size="lg" h="52px" bg="ink" color="onInk" onClick={make}>
        Make enough of each
      </Button>
      {said && <Fault mt="2">{said}</Fault>}
    </>
  );
}

function amount(value: number, by_the_piece: boolean): string {
  return by_the_piece ? String(Math.round(value)) : mass(value);
}

/** What is too much for one plan, by what is made. */
function tooMuch({ components }: PlanInputs, { fields, message }: Refusal): string {
  const named = Object.entries(fields).map(([field, wrong]) => {
    const i = /^components\[(\d+)\]/.exec(field)?.[1];
    const name = i === undefined ? undefined : components[Number(i)]?.name;
    return name ? `${name} ${wrong}` : wrong;
  });
  return named.length > 0 ? `Too much for one plan. ${named.join(". ")}.` : message;
}
