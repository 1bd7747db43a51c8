import { Box } from "@chakra-ui/react";
import type { Guide } from "../api/client";
import { Touch } from "../bench/Touch";
import { inWords } from "../kit/message";

interface Props {
  progress: Guide["progress"];
  /** What was ticked off here meanwhile. */
  kept: ReadonlySet<string>;
  helper: boolean;
  tick: (step: string) => void;
}

/**
 * While the server is away nobody works out what comes first: each line's own next step, to be
 * ticked off here and sent later. A tempering is over when its bowl is poured.
 */
export function WithoutServer({ progress, kept, helper, tick }: Props) {
  const next = progress.flatMap(({ name, steps, next: first }) => {
    const from = steps.findIndex(({ key }) => key === first);
    const step = steps
      .slice(Math.max(0, from))
      .find(({ key, done_at }) => !done_at && !kept.has(key));
    return first && step && !step.key.endsWith("/temper") ? [{ name, step }] : [];
  });
  if (next.length === 0) return null;
  return (
    <Box bg="bg.panel" borderRadius="slab" p="4" data-testid="without-server">
      <Box textStyle="title" fontSize="md" mb="2">
        Next of each, while the server is away
      </Box>
      <Box as="ul" listStyleType="none" display="grid" gap="3">
        {next.map(({ name, step }) => (
          <Box
            as="li"
            key={step.key}
            display="grid"
            gridTemplateColumns="minmax(0, 1fr) auto"
            gap="3"
            alignItems="center"
          >
            <Box minW="0">
              <Box color="fg.muted" fontSize="sm">
                {name}
              </Box>
              <Box fontWeight="600">{inWords(step.text)}</Box>
            </Box>
            {(!helper || step.for_helper) && (
              <Touch minH="56px" onClick={() => tick(step.key)}>
                Done
              </Touch>
            )}
          </Box>
        ))}
      </Box>
    </Box>
  );
}
