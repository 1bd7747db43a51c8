import { Box, Button, Heading } from "@chakra-ui/react";
import { Dices, Download, Printer } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import { useParams } from "react-router";
import type { ComponentInputs, ComponentPlan, Paper, Plan } from "../api/client";
import { usePlan } from "../api/queries";
import { Refusal } from "../api/refusal";
import { EitherField } from "../kit/EitherField";
import { Fault } from "../kit/Fault";
import { mass } from "../kit/format";
import { SelectField } from "../kit/SelectField";
import { Missing, Standing } from "../kit/Standing";
import { WayTo } from "../kit/WayTo";
import { OutlineCheck } from "./OutlineCheck";
import { sheetWords } from "./sheetWords";
import { useSheets } from "./useSheets";

const papers: Record<Paper, string> = { a4: "A4", letter: "Letter" };

/** Sheets at true size, to pipe over, score by, or cut along. */
export default function SheetsPage() {
  const { planId = "", component = "" } = useParams();
  const plan = usePlan(planId);
  if (!plan.data) return <Missing what="plan" asked={[plan]} />;
  return <Sheets kept={plan.data} of={component} />;
}

function Sheets({ kept, of }: { kept: Plan; of: string }) {
  const work = kept.inputs.components.find(({ key }) => key === of)?.work;
  const plan = kept.plan?.components.find(({ key }) => key === of);
  const words = work && plan ? sheetWords(work, plan) : null;
  if (!work || !plan || !words) {
    return <Standing title="No sheet">This plan has nothing to draw at true size.</Standing>;
  }
  return <Drawn kept={kept} work={work} plan={plan} words={words} />;
}

interface Props {
  kept: Plan;
  work: ComponentInputs["work"];
  plan: ComponentPlan;
  words: string;
}

function Drawn({ kept, work, plan, words }: Props) {
  const [paper, setPaper] = useState<Paper>("a4");
  const [mirrored, setMirrored] = useState(true);
  const [seed, setSeed] = useState(0);
  const drawn = useSheets({ work, plan, paper, mirrored, seed });
  const sheets = drawn.data?.sheets ?? [];
  const urls = useObjectUrls(sheets);
  const piped = work.kind === "piped";
  const sideways = sheets[0]?.includes('width="297mm"') || sheets[0]?.includes('width="279.4mm"');
  const told = drawn.error instanceof Refusal ? Object.values(drawn.error.fields)[0] : undefined;
  return (
    <Box
      px={{ base: "3", md: "6" }}
      pb="8"
      maxW="1300px"
      width="full"
      mx="auto"
      _print={{ p: "0", m: "0", maxW: "none" }}
    >
      <style>{`@page { size: ${paper === "a4" ? "A4" : "letter"} ${sideways ? "landscape" : "portrait"}; margin: 0 }`}</style>
      <Box _print={{ display: "none" }}>
        <Box display="flex" alignItems="baseline" gap="4" pt="2" flexWrap="wrap">
          <Heading as="h1" textStyle="title" fontSize="2xl">
            {words}: {plan.name}
          </Heading>
          <WayTo to={`/plans/${kept.id}`}>back to the plan</WayTo>
        </Box>
        <Box display="flex" gap="3" alignItems="end" my="4" flexWrap="wrap">
          <Box w="140px">
            <SelectField label="Paper" value={paper} choices={papers} onChange={setPaper} />
          </Box>
          {piped && (
            <Box w="260px">
              <EitherField
                label="Side to pipe"
                value={mirrored}
                no="up: drawn as it is"
                yes="down: drawn mirrored"
                onChange={setMirrored}
              />
            </Box>
          )}
          {drawn.data?.score && work.kind !== "shards" && <Again again={() => setSeed(seed + 1)} />}
          {drawn.data?.score && work.kind === "shards" && work.pattern !== "even" && (
            <Again again={() => setSeed(seed + 1)} />
          )}
          <Button size="lg" h="48px" bg="ink" color="onInk" onClick={() => print()}>
            <Printer aria-hidden /> Print {sheets.length === 1 ? "it" : `${sheets.length} sheets`}
          </Button>
          {urls.map((url, i) => (
            <Button
              key={url}
              asChild
              size="lg"
              h="48px"
              variant="outline"
              borderColor="border.emphasized"
            >
              <a href={url} download={`${plan.name} ${i + 1}.svg`}>
                <Download aria-hidden /> {urls.length === 1 ? "SVG" : `SVG ${i + 1}`}
              </a>
            </Button>
          ))}
        </Box>
        {told && <Fault mb="3">It {told}</Fault>}
        {drawn.data?.score && (
          <Box mb="3" data-testid="score-words">
            {drawn.data.score.pieces} pieces, {drawn.data.score.between_cm2[0]} to{" "}
            {drawn.data.score.between_cm2[1]} cm².
          </Box>
        )}
        {work.kind === "wrap" && (
          <Box mb="3" data-testid="strip-words">
            Or cut by measure: {Math.round(plan.length_mm ?? 0)} by {work.height_mm} mm, the last{" "}
            {work.overlap_mm ?? 25} mm overlap.
          </Box>
        )}
        {drawn.data?.piping && (
          <>
            <Box mb="3" data-testid="piping-words">
              {(drawn.data.piping.length_mm / 1000).toFixed(1)} m of line,{" "}
              {mass(plan.takes.reduce((sum, { mass_g }) => sum + mass_g, 0))} of chocolate.{" "}
              {drawn.data.piping.per_sheet.join(", ")} on the{" "}
              {drawn.data.piping.per_sheet.length === 1 ? "sheet" : "sheets"}.
            </Box>
            <Box
              display="grid"
              gap="3"
              gridTemplateColumns="repeat(auto-fill, minmax(280px, 1fr))"
              mb="5"
            >
              {drawn.data.piping.outlines.map((outline) => (
                <OutlineCheck
                  key={`${outline.name} ${outline.path.length}`}
                  outline={outline}
                  line_mm={piped ? work.line_mm : 4}
                />
              ))}
            </Box>
          </>
        )}
      </Box>
      <Box
        display="flex"
        gap="4"
        flexWrap="wrap"
        data-testid="sheets"
        css={{
          "& img": { width: "300px", background: "white", border: "1px solid #C3CBC6" },
          "@media print": {
            display: "block",
            "& img": {
              width: "auto",
              maxWidth: "none",
              border: "0",
              display: "block",
              breakInside: "avoid",
            },
            "& img:not(:last-child)": { breakAfter: "page" },
          },
        }}
      >
        {urls.map((url, i) => (
          <img key={url} src={url} alt={`Sheet ${i + 1} of ${urls.length}`} />
        ))}
      </Box>
    </Box>
  );
}

function Again({ again }: { again: () => void }) {
  return (
    <Button size="lg" h="48px" variant="outline" borderColor="border.emphasized" onClick={again}>
      <Dices aria-hidden /> Another pattern
    </Button>
  );
}

/** Addresses under which the sheets can be shown and saved. */
function useObjectUrls(sheets: string[]): string[] {
  const urls = useMemo(
    () => sheets.map((svg) => URL.createObjectURL(new Blob([svg], { type: "image/svg+xml" }))),
    [sheets],
  );
  useEffect(
    () => () => {
      for (const url of urls) URL.revokeObjectURL(url);
    },
    [urls],
  );
  return urls;
}
