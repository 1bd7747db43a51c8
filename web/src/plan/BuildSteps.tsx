import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { ComponentPlan, Due, Line } from "../api/client";
import { StepHelp } from "../help/StepHelp";
import { Fold } from "../kit/Fold";
import { stretch } from "../kit/format";
import { LearnedNotes } from "../kit/LearnedNotes";
import { inWords } from "../kit/message";
import { Notes } from "../kit/Notes";

function range(due: Due): string {
  const [a, b] = [stretch(due.earliest_s), stretch(due.latest_s)];
  return a === b ? a : `${a} to ${b}`;
}

interface Props extends Pick<ComponentPlan, "notes" | "checks" | "mistakes"> {
  lines: Line[];
  /** The component's key. */
  of: string;
}

/**
 * Its steps in order, each with its window; what to look for, and what goes wrong. By its
 * parts: what looks other but is built the same is not drawn anew.
 */
export const BuildSteps = memo(function BuildSteps(props: Props) {
  const { lines, of, notes, checks, mistakes } = props;
  const own = lines.filter((line) => line.of.of === "component" && line.of.component === of);
  const [first] = own;
  const textOf = new Map(
    lines.flatMap(({ steps }) => steps.map(({ key, text }) => [key, inWords(text)])),
  );
  return (
    <Box display="grid" gap="4">
      {own.length > 1 && (
        <Box fontWeight="560">
          In {own.length} runs of the mould, one after the other, each with these steps:
        </Box>
      )}
      <Box as="ol" display="grid" gap="1.5" data-testid="build-steps">
        {first?.steps.map((step, i) => (
          <Box
            as="li"
            key={step.key}
            display="grid"
            gridTemplateColumns={{
              base: "28px 1fr",
              md: "28px minmax(0, 1fr) minmax(180px, 0.5fr)",
            }}
            columnGap="2"
            alignItems="baseline"
          >
            <Box color="fg.muted" fontWeight="560">
              {i + 1}
            </Box>
            <Box>
              <Box as="span" fontWeight="600">
                {inWords(step.text)}.
              </Box>{" "}
              <Box as="span" color="fg.muted" fontSize="sm">
                {inWords(step.detail)} {step.caution && inWords(step.caution)}
              </Box>
              <LearnedNotes notes={step.learned} />
              <StepHelp of={step.topic} />
            </Box>
            <Box fontSize="sm" gridColumn={{ base: "2", md: "3" }}>
              {step.wait?.opens && (
                <>
                  {inWords(step.wait.opens.what)}: <strong>{range(step.wait.opens)}</strong>
                  {step.wait.closes ? ", " : " "}
                </>
              )}
              {step.wait?.closes && (
                <>
                  {inWords(step.wait.closes.what)} <strong>{range(step.wait.closes)}</strong>{" "}
                </>
              )}
              {step.wait && (step.wait.opens || step.wait.closes) && (
                <Box as="span" color="fg.muted">
                  after “{textOf.get(step.wait.step)}”
                </Box>
              )}
            </Box>
          </Box>
        ))}
      </Box>
      <Notes notes={notes} />
      <Fold inner title="Look for" value={checks[0] ? inWords(checks[0]) : "nothing"}>
        <Box as="ul" ps="5" listStyleType="square" fontSize="sm">
          {checks.map((check) => (
            <li key={check.code}>{inWords(check)}</li>
          ))}
        </Box>
      </Fold>
      <Fold
        inner
        title="What goes wrong"
        value={mistakes.map(({ seen }) => seen.toLowerCase()).join(", ")}
      >
        <Box as="ul" ps="5" listStyleType="square" fontSize="sm">
          {mistakes.map(({ seen, cause, rescue, next_time }) => (
            <li key={seen}>
              <strong>{seen}</strong>: {cause}. Now: {rescue}. Next time: {next_time}.
            </li>
          ))}
        </Box>
      </Fold>
    </Box>
  );
});
