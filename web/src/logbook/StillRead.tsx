import { Box } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { api, type Unread } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";

const AGAIN_MS = 3000;

/** Says so while batches are still being gone through, and shows what turns up meanwhile. */
export function StillRead() {
  const queries = useQueryClient();
  const { data } = useQuery({
    queryKey: keys.unread,
    queryFn: async () => accepted<Unread>(await api.GET("/api/v1/log/unread")),
    refetchInterval: ({ state }) => (state.data?.batches ? AGAIN_MS : false),
  });
  const left = data?.batches ?? 0;
  const before = useRef(0);
  useEffect(() => {
    if (left < before.current) queries.invalidateQueries({ queryKey: keys.lists });
    before.current = left;
  }, [queries, left]);
  if (left === 0) return null;
  return (
    <Box role="status" color="fg.muted" mb="3">
      {left === 1 ? "One batch is" : `${left} batches are`} still being gone through and turn up
      here as they are.
    </Box>
  );
}
