import { Box } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { type ArchiveProgress, api } from "../api/client";
import { accepted } from "../api/refusal";
import { Fault } from "../kit/Fault";

/** How often it is asked how far it is. */
const ASKED_EVERY_MS = 400;

/** How far the file is that the browser is saving, until all of it is there. */
export function SavingProgress({ id }: { id: string }) {
  const asked = useQuery({
    queryKey: ["archive", id],
    // The file may not have been begun yet.
    retry: 10,
    retryDelay: ASKED_EVERY_MS,
    refetchInterval: ({ state }) =>
      state.data && state.data.state !== "under_way" ? false : ASKED_EVERY_MS,
    queryFn: async () =>
      accepted<ArchiveProgress>(
        await api.GET("/api/v1/archive/{id}", { params: { path: { id } } }),
      ),
  });
  const { done = 0, of = 0, state = "under_way" } = asked.data ?? {};
  if (asked.error || state === "broken_off") {
    return <Fault mt="2">The file was not written to its end: save it anew.</Fault>;
  }
  const finished = state === "finished";
  const share = finished ? 100 : of > 0 ? Math.floor((done / of) * 100) : 0;
  const words = finished
    ? `All ${of.toLocaleString("en-GB")} entries are in the file.`
    : `${share} % of ${of.toLocaleString("en-GB")} entries are in the file…`;
  return (
    <Box mt="2" fontWeight="560" role="status" data-testid="saving">
      <Box
        role="progressbar"
        aria-label="Saving everything"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={share}
        h="10px"
        maxW="420px"
        bg="bg.muted"
        borderRadius="slab"
        overflow="hidden"
        mb="1"
      >
        <Box h="full" bg="ink" width={`${share}%`} />
      </Box>
      {words}
    </Box>
  );
}
