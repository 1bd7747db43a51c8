import { Box } from "@chakra-ui/react";
import { memo } from "react";
import type { ComponentPlan } from "../api/client";
import { stretch } from "../kit/format";
import { Notes } from "../kit/Notes";
import { ShowSum } from "../kit/ShowSum";

type Due = NonNullable<ComponentPlan["tasks"][number]["from"]>;

function range(due: Due): string {
  const [a, b] = [stretch(due.earliest_s), stretch(due.latest_s)];
  return a === b ? a : `${a} to ${b}`;
}

/** A task by its first words, as it is named beside another. */
function inShort(text: string): string {
  const [first = text] = text.split(/[:,.]/);
  return first.toLowerCase();
}

type Props = Pick<ComponentPlan, "tasks" | "notes" | "checks" | "mistakes" | "sum" | "name">;

/**
 * Its tasks in order, each with its window; what to look for, and what goes wrong. By its
 * parts: what looks other but is built the same is not drawn anew.
 */
export const BuildSteps = memo(function BuildSteps(props: Props) {
  const { tasks, notes, checks, mistakes, sum, name } = props;
  const textOf = new Map(tasks.map(({ key, text }) => [key, text]));
  return (
    <Box display="grid" gap="4">
      <Box as="ol" display="grid" gap="1.5" data-testid="build-steps">
        {tasks.map((task, i) => (
          <Box
            as="li"
            key={task.key}
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
                {task.text}.
              </Box>{" "}
              <Box as="span" color="fg.muted" fontSize="sm">
                {task.detail} {task.caution}
              </Box>
            </Box>
            <Box fontSize="sm" gridColumn={{ base: "2", md: "3" }}>
              {task.from && (
                <Box>
                  {task.from.what}: <strong>{range(task.from)}</strong>
                </Box>
              )}
              {task.until && (
                <Box>
                  {task.until.what} <strong>{range(task.until)}</strong>
                </Box>
              )}
              {task.since && (task.from || task.until) && (
                <Box color="fg.muted" fontSize="xs">
                  after “{inShort(textOf.get(task.since) ?? "")}”
                </Box>
              )}
            </Box>
          </Box>
        ))}
      </Box>
      <Notes notes={notes} />
      <Box display="grid" gap="4" gridTemplateColumns={{ base: "minmax(0, 1fr)", md: "1fr 1.4fr" }}>
        <Box>
          <Box textStyle="label" mb="1">
            Look for
          </Box>
          <Box as="ul" ps="5" listStyleType="square" fontSize="sm">
            {checks.map((check) => (
              <li key={check}>{check}</li>
            ))}
          </Box>
        </Box>
        <Box>
          <Box textStyle="label" mb="1">
            What goes wrong
          </Box>
          <Box as="ul" ps="5" listStyleType="square" fontSize="sm">
            {mistakes.map(({ seen, cause, rescue, next_time }) => (
              <li key={seen}>
                <strong>{seen}</strong>: {cause}. Now: {rescue}. Next time: {next_time}.
              </li>
            ))}
          </Box>
        </Box>
      </Box>
      <ShowSum steps={sum} of={name.toLowerCase()} />
    </Box>
  );
});
