import { type QueryClient, useMutation, useQueryClient } from "@tanstack/react-query";
import { api, type StockMove, type Thing, type ThingAnswer } from "../api/client";
import { keys } from "../api/queries";
import { accepted, done, Refusal } from "../api/refusal";

/** What hangs on the shelf is asked for anew: plans follow it. It is shown once that is there. */
export function shelfChanged(queries: QueryClient): Promise<unknown> {
  // With every plan under them.
  const hanging = [keys.shelf, keys.plans, keys.lists, ["bowls"]];
  return Promise.all(hanging.map((queryKey) => queries.invalidateQueries({ queryKey })));
}

export function useShelfChanged() {
  const queries = useQueryClient();
  return () => void shelfChanged(queries);
}

interface Kept {
  thing: Thing;
  /** How much of it there is, where it is new. */
  left?: number | null;
}

/** Puts a thing on the shelf, or changes one that stands there. */
export function useKeep(
  standing: Pick<ThingAnswer, "id" | "version"> | null,
  kept: (thing: ThingAnswer) => void,
) {
  const changed = useShelfChanged();
  const keep = useMutation({
    mutationFn: async ({ thing, left }: Kept) =>
      accepted<ThingAnswer>(
        standing
          ? await api.PUT("/api/v1/shelf/{id}", {
              params: {
                path: { id: standing.id },
                header: { "If-Match": `"${standing.version}"` },
              },
              body: thing,
            })
          : await api.POST("/api/v1/shelf", {
              body: { id: crypto.randomUUID(), thing, left: left ?? null },
            }),
      ),
    onSuccess: (thing) => {
      changed();
      kept(thing);
    },
    onError: (error) => {
      if (error instanceof Refusal && error.status === 412) changed();
    },
  });
  const fields = keep.error instanceof Refusal ? keep.error.fields : {};
  const said =
    keep.error && Object.keys(fields).length === 0 ? `Not saved: ${keep.error.message}` : undefined;
  return { keep: keep.mutate, busy: keep.isPending, errors: fields, said };
}

/** What else is done with a thing that stands there. */
export function useDeeds(id: string) {
  const changed = useShelfChanged();
  const putAway = useMutation({
    mutationFn: async () => {
      done(await api.DELETE("/api/v1/shelf/{id}", { params: { path: { id } } }));
    },
    onSuccess: changed,
  });
  const unlearn = useMutation({
    mutationFn: async () =>
      accepted<ThingAnswer>(
        await api.DELETE("/api/v1/shelf/{id}/learned", { params: { path: { id } } }),
      ),
    onSuccess: changed,
  });
  const move = useMutation({
    mutationFn: async (moved: StockMove) =>
      accepted<ThingAnswer>(
        await api.POST("/api/v1/shelf/{id}/moves", {
          params: { path: { id } },
          body: { id: crypto.randomUUID(), ...moved },
        }),
      ),
    onSuccess: changed,
  });
  return { putAway, unlearn, move };
}
