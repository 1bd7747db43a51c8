import { keepPreviousData, useQueries, useQuery } from "@tanstack/react-query";
import {
  api,
  type Batch,
  type BatchLine,
  type BlendPart,
  type BowlInputs,
  type BowlWithPlan,
  type Build,
  type Family,
  type KindAnswer,
  type MethodAnswer,
  type PigmentInputs,
  type PlanOfBatch,
  type Reminder,
  type ShelfAnswer,
  type Slot,
  type Thing,
  type ThingAnswer,
  type ThingOf,
  type UsualDryGoods,
  type UsualTopping,
  type UsualTray,
  type WindowsAnswer,
} from "./client";
import { accepted, Refusal } from "./refusal";

/** What is read once and shown in more than one place. */
export const keys = {
  methods: ["methods"] as const,
  toppings: ["toppings"] as const,
  dryGoods: ["dry-goods"] as const,
  kinds: ["kinds"] as const,
  trays: ["trays"] as const,
  pigments: ["pigments"] as const,
  reminders: ["reminders"] as const,
  shelf: ["shelf"] as const,
  batches: ["batches"] as const,
  batch: (id: string) => ["batches", id] as const,
  plan: (id: string) => ["batches", id, "plan"] as const,
  build: (id: string) => ["batches", id, "build"] as const,
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

export function useKinds() {
  return useQuery({
    queryKey: keys.kinds,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => accepted<KindAnswer[]>(await api.GET("/api/v1/kinds")),
  });
}

export function useTrays() {
  return useQuery({
    queryKey: keys.trays,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => accepted<UsualTray[]>(await api.GET("/api/v1/trays")),
  });
}

export function usePigments() {
  return useQuery({
    queryKey: keys.pigments,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => accepted<PigmentInputs[]>(await api.GET("/api/v1/pigments")),
  });
}

/** The builds that go on over hours and days. Asked for again twice a minute. */
export function useReminders() {
  return useQuery({
    queryKey: keys.reminders,
    refetchInterval: 30_000,
    queryFn: async () => accepted<Reminder[]>(await api.GET("/api/v1/reminders")),
  });
}

/** When a batch's sittings are begun, and when the maker is up. */
export interface DaysAsked {
  start: string;
  up_from: string;
  up_to: string;
  utc_offset_min: number;
}

/** The sittings of a batch as it was last saved. */
export function useDays(id: string, query: DaysAsked, version: number) {
  return useQuery({
    queryKey: ["batches", id, "days", query, version],
    placeholderData: keepPreviousData,
    queryFn: async () =>
      accepted<Slot[]>(
        await api.GET("/api/v1/batches/{id}/days", { params: { path: { id }, query } }),
      ),
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
  trays: OnShelf<"tray">[];
  moulds: OnShelf<"mould">[];
  pigments: OnShelf<"pigment">[];
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
    trays: ofKind(things, "tray"),
    moulds: ofKind(things, "mould"),
    pigments: ofKind(things, "pigment"),
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
  own?: BowlInputs["own"];
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

/** What a batch states and what follows; read once, then it is the maker's draft. */
export function usePlan(id: string) {
  return useQuery({
    queryKey: keys.plan(id),
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () =>
      accepted<PlanOfBatch>(
        await api.GET("/api/v1/batches/{id}/plan", { params: { path: { id } } }),
      ),
  });
}

/** A build as it stands; null where none was begun. Asked for again every second. */
export function useBuild(id: string) {
  return useQuery({
    queryKey: keys.build(id),
    refetchInterval: 1_000,
    queryFn: async () => {
      const answer = await api.GET("/api/v1/batches/{id}/build", { params: { path: { id } } });
      return answer.response.status === 404 ? null : accepted<Build>(answer);
    },
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
