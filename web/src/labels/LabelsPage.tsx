import { Box, Button, Heading } from "@chakra-ui/react";
import { Printer } from "lucide-react";
import { useState } from "react";
import { useParams } from "react-router";
import type { Labels } from "../api/client";
import { useBatch, usePlan } from "../api/queries";
import { CountField } from "../kit/CountField";
import { EitherField } from "../kit/EitherField";
import { inWords } from "../kit/message";
import { Notes } from "../kit/Notes";
import { Panel } from "../kit/Panel";
import { SelectField } from "../kit/SelectField";
import { Missing, Standing } from "../kit/Standing";
import { useStored } from "../kit/useStored";
import { InText, WayTo } from "../kit/WayTo";
import { CardFace, type Drawn, drawnOf } from "./CardFace";
import { LabelFace } from "./LabelFace";
import { packedWords } from "./packedWords";
import { SheetFields } from "./SheetFields";
import { Sheets } from "./Sheets";
import { TagFace } from "./TagFace";
import { type LabelsOf, useLabels } from "./useLabels";

const faces = {
  label: "label with all details",
  tag: "gift tag",
  card: "card with a picture",
} as const;

/** The labels of a plan, as they will be. */
export function LabelsOfPlan() {
  const { planId = "" } = useParams();
  const plan = usePlan(planId).data;
  const drawn = plan?.plan ? drawnOf(plan.inputs, plan.plan) : [];
  return (
    <LabelsPage
      of={{ plan: planId }}
      name={plan?.name ?? ""}
      back={[`/plans/${planId}`, "the plan"]}
      drawn={drawn}
    />
  );
}

/** The labels of a batch. */
export function LabelsOfBatch() {
  const { batchId = "" } = useParams();
  const batch = useBatch(batchId).data;
  const drawn = batch?.plan && batch.stated ? drawnOf(batch.stated, batch.plan) : [];
  return (
    <LabelsPage
      of={{ batch: batchId }}
      name={batch?.name ?? ""}
      back={[`/log/${batchId}`, "the record"]}
      drawn={drawn}
    />
  );
}

interface Props {
  of: LabelsOf;
  name: string;
  back: [string, string];
  drawn: Drawn[];
}

function LabelsPage({ of, name, back, drawn }: Props) {
  const labels = useLabels(of);
  if (!labels.data) return <Missing what="labels" asked={[labels]} />;
  if (labels.data.labels.length === 0) {
    return <Standing title="No labels">Nothing of it is to be eaten.</Standing>;
  }
  return <Laid labels={labels.data} name={name} back={back} drawn={drawn} />;
}

function Laid({ labels, name, back, drawn }: Omit<Props, "of"> & { labels: Labels }) {
  const [chosen, setChosen] = useState(0);
  const [face, setFace] = useState<keyof typeof faces>("label");
  const [many, setMany] = useState<number>();
  const [from, setFrom] = useState(1);
  const [cut, setCut] = useStored("wide-sheen.cut-lines", true);
  const label = labels.labels[Math.min(chosen, labels.labels.length - 1)];
  const one = labels.packing ? packedWords[labels.packing.of].one : "box";
  const grid = labels[face];
  if (!label) return null;
  const whole = label.component == null;
  const count = many ?? (whole ? (labels.boxes ?? grid.places.length) : grid.places.length);
  const first = Math.min(Math.max(from, 1), grid.places.length);
  const inIt = drawn.filter(({ key, each }) =>
    whole ? each !== undefined : key === label.component,
  );
  return (
    <Box
      px={{ base: "3", md: "6" }}
      pb="8"
      width="full"
      display="grid"
      gap="4"
      gridTemplateColumns={{ base: "minmax(0, 1fr)", lg: "340px minmax(0, 1fr)" }}
      alignItems="start"
      _print={{ display: "block", p: "0" }}
    >
      <style>{`@page { size: ${grid.sheet.paper === "letter" ? "letter" : "A4"}; margin: 0 }`}</style>
      <Box display="grid" gap="3" pt="3" _print={{ display: "none" }}>
        <Box>
          <Heading as="h1" textStyle="title" fontSize="2xl">
            Labels
          </Heading>
          <Box color="fg.muted">
            {name} <WayTo to={back[0]}>{back[1]}</WayTo>
          </Box>
        </Box>
        <Panel title="Print labels">
          <Box display="grid" gap="3">
            <SelectField
              label="Label for"
              value={String(chosen)}
              choices={labels.labels.map(({ component, name: of }, i) => ({
                value: String(i),
                label: component == null ? `the ${one} with everything in it` : of,
              }))}
              onChange={(i) => setChosen(Number(i))}
            />
            <SelectField label="Format" value={face} choices={faces} onChange={setFace} />
            <Box display="grid" gap="3" gridTemplateColumns="1fr 1fr" alignItems="start">
              <CountField label="How many" value={count} error={undefined} onChange={setMany} />
              <CountField
                label="Start at label"
                value={first}
                error={undefined}
                onChange={setFrom}
              />
            </Box>
            <EitherField
              label="Cut lines"
              no="none: pre-cut sheets"
              yes="printed"
              value={cut}
              onChange={setCut}
            />
            <Button
              size="lg"
              h="56px"
              bg="ink"
              color="onInk"
              disabled={count < 1}
              onClick={() => print()}
            >
              <Printer aria-hidden /> Print
            </Button>
            <Box fontSize="sm" color="fg.muted">
              Print at 100 %, with “fit to page” off. Check the 100 mm line with a ruler.
            </Box>
          </Box>
        </Panel>
        <SheetFields sheet={labels.label.sheet} />
        <Notes notes={label.notes} />
        {(labels.maker === "" || labels.address === "") && (
          <Box fontSize="sm" data-testid="no-maker">
            Your name and address are missing: add them to{" "}
            <InText to="/shelf/heat">your kitchen</InText>.
          </Box>
        )}
        <Notes notes={labels.notes} />
        <Box fontSize="sm" color="fg.muted">
          {label.storage && `${inWords(label.storage)} `}
          Add what is missing on the <InText to="/shelf">shelf</InText>.
        </Box>
      </Box>
      <Sheets grid={grid} count={Math.max(0, Math.min(count, 2_000))} first={first - 1} cut={cut}>
        {face === "label" && <LabelFace label={label} of={labels} title={name} />}
        {face === "tag" && <TagFace label={label} of={labels} title={name} />}
        {face === "card" && <CardFace label={label} of={labels} title={name} drawn={inIt} />}
      </Sheets>
    </Box>
  );
}
