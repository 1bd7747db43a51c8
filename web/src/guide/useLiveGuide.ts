import { replaceEqualDeep, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import type { Guide } from "../api/client";
import { keys, useGuide } from "../api/queries";
import { hearGuides } from "../bench/outbox";
import { useEventStream } from "../kit/useEventStream";

/** A batch's steps as they stand on the server, live: what others tick is here at once. */
export function useLiveGuide(id: string) {
  const queries = useQueryClient();
  const know = (fresh: Guide) =>
    // What did not change stays the same object, and need not be drawn anew.
    queries.setQueryData<Guide>(keys.guide(id), (before) => replaceEqualDeep(before, fresh));
  const connected = useEventStream(`/api/v1/batches/${id}/guide/stream`, {
    guide: (data) => know(JSON.parse(data) as Guide),
    beat: (data) => {
      const clock = JSON.parse(data) as Guide["clock"];
      queries.setQueryData<Guide>(keys.guide(id), (before) => before && { ...before, clock });
    },
  });
  useEffect(
    () =>
      hearGuides((fresh) => {
        if (fresh.batch_id === id) queries.setQueryData(keys.guide(id), fresh);
        void queries.invalidateQueries({ queryKey: keys.lists });
      }),
    [id, queries],
  );
  // Until the stream is heard it is asked for, so that a page that is opened shows something.
  return { ...useGuide(id, true, !connected), connected };
}
