import { replaceEqualDeep, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import type { Guide } from "../api/client";
import { keys, useGuide } from "../api/queries";
import { useEventStream } from "../kit/useEventStream";
import { hearGuides } from "../outbox/entry";

/** A batch's steps as they stand on the server, live: what others tick is here at once. */
export function useLiveGuide(id: string) {
  const queries = useQueryClient();
  const know = async (fresh: Guide) => {
    // What was asked for before this was told would be older than it, and come later.
    await queries.cancelQueries({ queryKey: keys.guide(id), exact: true });
    // What did not change stays the same object, and need not be drawn anew.
    queries.setQueryData<Guide>(keys.guide(id), (before) => replaceEqualDeep(before, fresh));
  };
  const connected = useEventStream(`/api/v1/batches/${id}/guide/stream`, {
    guide: (data) => void know(JSON.parse(data) as Guide),
    beat: (data) => {
      const clock = JSON.parse(data) as Guide["clock"];
      queries.setQueryData<Guide>(keys.guide(id), (before) => before && { ...before, clock });
    },
  });
  const heard = useRef(connected);
  heard.current = connected;
  useEffect(
    () =>
      hearGuides((fresh) => {
        // Where the stream is heard it tells this too, and in the order in which things happened.
        if (fresh.batch_id === id && !heard.current) queries.setQueryData(keys.guide(id), fresh);
        void queries.invalidateQueries({ queryKey: keys.lists });
      }),
    [id, queries],
  );
  // Until the stream is heard it is asked for, so that a page that is opened shows something.
  return { ...useGuide(id, !connected), connected };
}
