import { Box } from "@chakra-ui/react";
import { Check, Circle, CircleDot, Minus } from "lucide-react";
import { memo } from "react";
import type { Guide } from "../api/client";
import { time } from "../kit/format";
import { inWords } from "../kit/message";
import { paceWords } from "./paceWords";

interface Props {
  progress: Guide["progress"];
  now: NonNullable<Guide["now"]> | undefined;
  /** What was ticked off here and is not on the server yet. */
  kept: ReadonlySet<string>;
}

/** How far each line of steps is: what is tempered, and what is made of it. */
export const ProgressList = memo(function ProgressList({ progress, now, kept }: Props) {
  return (
    <Box
      display="grid"
      gap="3"
      gridTemplateColumns="repeat(auto-fit, minmax(280px, 1fr))"
      data-testid="progress"
    >
      {progress.map(({ line, name, steps, next, pace }) => {
        const nextAt = next ? steps.findIndex((step) => step.key === next) : steps.length;
        return (
          <Box key={line} bg="bg.panel" borderRadius="slab" p="4">
            <Box textStyle="title" fontSize="md" mb="2">
              {name}
            </Box>
            {pace != null && (
              <Box fontSize="sm" mb="1">
                {paceWords(pace)}: the times that follow are moved.
              </Box>
            )}
            <Box as="ol" listStyleType="none" fontSize="sm" display="grid" gap="1">
              {steps.map(({ key, text, done_at, done_on }, i) => {
                // What comes before the next step and was not ticked was passed over.
                const passed = !done_at && i < nextAt;
                const current = now?.step === key;
                const Icon = done_at ? Check : passed ? Minus : key === next ? CircleDot : Circle;
                return (
                  <Box
                    as="li"
                    key={key}
                    display="flex"
                    gap="2"
                    alignItems="baseline"
                    fontWeight={current ? "640" : "400"}
                    color={(done_at || passed) && !current ? "fg.muted" : "fg"}
                  >
                    <Icon
                      size={14}
                      aria-label={done_at ? "done" : passed ? "passed over" : "to do"}
                      style={{ flexShrink: 0 }}
                    />
                    <span>{inWords(text)}</span>
                    {(done_at || kept.has(key)) && (
                      <Box as="span" ms="auto" flexShrink={0} textAlign="end">
                        {done_at ? time(done_at) : "kept here"}
                        {done_on && (
                          <Box as="span" display="block" fontSize="xs">
                            {done_on}
                          </Box>
                        )}
                      </Box>
                    )}
                  </Box>
                );
              })}
            </Box>
          </Box>
        );
      })}
    </Box>
  );
});
