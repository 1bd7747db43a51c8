import { keepPreviousData, useQueries, useQuery } from "@tanstack/react-query";
import {
  api,
  type BarkInputs,
  type Batch,
  type BatchLine,
  type BlendPart,
  type BowlWithPlan,
  type Component,
  type Family,
  type MethodAnswer,
  type ShelfAnswer,
  type Thing,
  type ThingAnswer,
  type ThingOf,
  type UsualDryGoods,
  type UsualTopping,
  type WindowsAnswer,
} from "./client";
import { accepted, Refusal } from "./refusal";

/** What is read once and shown in more than one place. */
export const keys = {
  methods: ["methods"] as const,
  toppings: ["toppings"] as const,
  dryGoods: ["dry-goods"] as const,
  shelf: ["shelf"] as const,
  batches: ["batches"] as const,
  batch: (id: string) => ["batches", id] as const,
  component: (id: string) => ["components", id] as const,
  bowl: (id: string) => ["bowls", id] as const,
};

export function useMethods() {
  return useQuery({
    queryKey: keys.methods,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => accepted<MethodAnswer[]>(await api.GET("/api/v1/methods")),
  });
}

export function useDryGoods() {
  return useQuery({
    queryKey: keys.dryGoods,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => accepted<UsualDryGoods[]>(await api.GET("/api/v1/dry-goods")),
  });
}

export function useToppings() {
  return useQuery({
    queryKey: keys.toppings,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => accepted<UsualTopping[]>(await api.GET("/api/v1/toppings")),
  });
}

/** A thing on the shelf of which the kind is known. */
export type OnShelf<K extends Thing["kind"]> = Omit<ThingAnswer, "thing"> & { thing: ThingOf<K> };

/** What stands on the shelf, by its kind. */
export interface Shelf {
  chocolates: OnShelf<"chocolate">[];
  wares: OnShelf<"ware">[];
  heats: OnShelf<"heat">[];
  thermometers: OnShelf<"thermometer">[];
  kitchen: OnShelf<"kitchen"> | undefined;
}

function ofKind<K extends Thing["kind"]>(things: ThingAnswer[], kind: K): OnShelf<K>[] {
  return things.filter((one): one is OnShelf<K> => one.thing.kind === kind);
}

function byKind({ things }: ShelfAnswer): Shelf {
  return {
    chocolates: ofKind(things, "chocolate"),
    wares: ofKind(things, "ware"),
    heats: ofKind(things, "heat"),
    thermometers: ofKind(things, "thermometer"),
    kitchen: ofKind(things, "kitchen")[0],
  };
}

export function useShelf() {
  return useQuery({
    queryKey: keys.shelf,
    queryFn: async () => accepted<ShelfAnswer>(await api.GET("/api/v1/shelf")),
    select: byKind,
  });
}

function usualWindows(family: Family) {
  return {
    queryKey: ["windows", family],
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () =>
      accepted<WindowsAnswer>(await api.POST("/api/v1/calc/windows", { body: { family } })),
  };
}

/** The windows of a chocolate that is being described; the last ones that could be. */
export function useWindows({
  family,
  blend,
  own,
}: {
  family: Family;
  blend?: BlendPart[] | null | undefined;
  own?: BarkInputs["own"];
}) {
  const body = blend ? { blend, own: own ?? {} } : { family, own: own ?? {} };
  const asked = useQuery({
    queryKey: ["windows", body],
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    queryFn: async () => accepted<WindowsAnswer>(await api.POST("/api/v1/calc/windows", { body })),
  });
  const usual = useQuery(usualWindows(family));
  const faults: Record<string, string> = asked.error instanceof Refusal ? asked.error.fields : {};
  return { windows: asked.data ?? usual.data, faults };
}

/** The usual windows of each family. */
export function useWindowsOf(families: readonly Family[]) {
  return useQueries({
    queries: families.map(usualWindows),
    combine: (asked) => ({
      windows: asked.flatMap((one) => one.data ?? []),
      error: asked.find((one) => one.error)?.error ?? null,
    }),
  });
}

export function useBatches() {
  return useQuery({
    queryKey: keys.batches,
    queryFn: async () => accepted<BatchLine[]>(await api.GET("/api/v1/batches")),
  });
}

export function useBatch(id: string) {
  return useQuery({
    queryKey: keys.batch(id),
    queryFn: async () =>
      accepted<Batch>(await api.GET("/api/v1/batches/{id}", { params: { path: { id } } })),
  });
}

export function useComponentOf(id: string | undefined) {
  return useQuery({
    queryKey: keys.component(id ?? ""),
    enabled: id !== undefined,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () =>
      accepted<Component>(
        await api.GET("/api/v1/components/{id}", { params: { path: { id: id ?? "" } } }),
      ),
  });
}

export function useBowlWithPlan(id: string | undefined) {
  return useQuery({
    queryKey: keys.bowl(id ?? ""),
    enabled: id !== undefined,
    queryFn: async () =>
      accepted<BowlWithPlan>(
        await api.GET("/api/v1/bowls/{id}", { params: { path: { id: id ?? "" } } }),
      ),
  });
}
