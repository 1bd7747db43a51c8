import { Box } from "@chakra-ui/react";
import { useGuide } from "../api/queries";
import { paceWords } from "../guide/paceWords";
import { time } from "../kit/format";
import { inWords } from "../kit/message";
import { Missing } from "../kit/Standing";

/** What was done of each line of steps, and when. */
export function StepsPanel({ batchId }: { batchId: string }) {
  const asked = useGuide(batchId);
  const guide = asked.data;
  if (!guide) return <Missing what="steps" asked={[asked]} />;
  return (
    <Box display="grid" gap="4" data-testid="built">
      {guide.progress.map(({ line, name, steps, pace }) => (
        <Box key={line}>
          <Box fontWeight="600">{name}</Box>
          {pace != null && <Box fontSize="sm">{paceWords(pace)}.</Box>}
          <Box as="ul" listStyleType="none" fontSize="sm" mt="1">
            {steps.map(({ key, text, done_at }) => (
              <Box as="li" key={key} display="flex" gap="3" color={done_at ? "fg" : "fg.muted"}>
                <Box w="48px" flexShrink={0}>
                  {done_at ? time(done_at) : "–"}
                </Box>
                {inWords(text)}
              </Box>
            ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
