import { Box } from "@chakra-ui/react";
import { useBuild } from "../api/queries";
import { time } from "../kit/format";
import { Loading } from "../kit/Standing";

/** What was built, and when each task was done. */
export function BuiltPanel({ batchId }: { batchId: string }) {
  const build = useBuild(batchId).data;
  if (!build) return <Loading what="the build" />;
  return (
    <Box display="grid" gap="4" data-testid="built">
      {build.progress.map(({ component, name, tasks, pace }) => (
        <Box key={component}>
          <Box fontWeight="600">{name}</Box>
          {pace != null && (
            <Box fontSize="sm">It took {pace.toFixed(2)} times as long to set as foretold.</Box>
          )}
          <Box as="ul" listStyleType="none" fontSize="sm" mt="1">
            {tasks.map(({ key, text, done_at }) => (
              <Box as="li" key={key} display="flex" gap="3" color={done_at ? "fg" : "fg.muted"}>
                <Box w="48px" flexShrink={0}>
                  {done_at ? time(done_at) : "–"}
                </Box>
                {text}
              </Box>
            ))}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
