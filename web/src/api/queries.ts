import { keepPreviousData, useInfiniteQuery, useQueries, useQuery } from "@tanstack/react-query";
import {
  api,
  type Batch,
  type BatchPage,
  type BlendPart,
  type BowlInputs,
  type BowlWithPlan,
  type Days,
  type EntryAnswer,
  type Family,
  type FillingAnswer,
  type GoodsInputs,
  type Guide,
  type Help,
  type IngredientInputs,
  type KindAnswer,
  type MethodAnswer,
  type PigmentInputs,
  type Plan,
  type PlanCost,
  type PlanPage,
  type Reading,
  type Reminder,
  type ShelfAnswer,
  type Shopping,
  type Thing,
  type ThingAnswer,
  type ThingOf,
  type Today,
  type UsualTray,
  type WindowsAnswer,
} from "./client";
import { accepted, Refusal } from "./refusal";
import type { paths } from "./schema";

/** What is read once and shown in more than one place. */
export const keys = {
  me: ["me"] as const,
  sharing: ["sharing"] as const,
  devices: ["devices"] as const,
  pairing: ["pairing"] as const,
  logs: ["logs"] as const,
  watched: (bowlId: string) => ["watched-logs", bowlId] as const,
  methods: ["methods"] as const,
  help: ["help"] as const,
  goods: ["goods"] as const,
  kinds: ["kinds"] as const,
  trays: ["trays"] as const,
  pigments: ["pigments"] as const,
  underWay: ["lists", "under-way"] as const,
  reminders: ["reminders"] as const,
  looksDue: ["looks-due"] as const,
  unread: ["unread"] as const,
  patterns: ["lists", "patterns"] as const,
  shelf: ["shelf"] as const,
  /** Every list of plans or batches, and whatever else changes as they come and go. */
  lists: ["lists"] as const,
  plans: ["plans"] as const,
  plan: (id: string) => ["plans", id] as const,
  batch: (id: string) => ["batches", id] as const,
  guide: (id: string) => ["batches", id, "guide"] as const,
  bowl: (id: string) => ["bowls", id] as const,
  /** A bowl, and the bench, as they were told last. */
  liveBowl: (id: string) => ["bowls", id, "live"] as const,
  liveBench: ["bench", "live"] as const,
  entries: (id: string) => ["bowls", id, "entries"] as const,
};

export function useMethods() {
  return useQuery({
    queryKey: keys.methods,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => accepted<MethodAnswer[]>(await api.GET("/api/v1/methods")),
  });
}

/** Common goods to start from. */
export function useUsualGoods() {
  return useQuery({
    queryKey: keys.goods,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => accepted<GoodsInputs[]>(await api.GET("/api/v1/goods")),
  });
}

/** What is told of each topic that steps name. */
export function useHelp() {
  return useQuery({
    queryKey: keys.help,
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () => accepted<Help[]>(await api.GET("/api/v1/help")),
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

/** This device's zone, where the kitchen states none. */
export function useZone(): { zone?: string } {
  const kitchen = useShelf().data?.kitchen;
  return kitchen?.thing.zone ? {} : { zone: Intl.DateTimeFormat().resolvedOptions().timeZone };
}

/** Where the days of a plan are a calendar file. */
export function useCalendar(id: string): string {
  return `/api/v1/plans/${id}/calendar?${new URLSearchParams({ ...useZone() })}`;
}

/** The days of a plan as it was last saved; by this device's zone, where the kitchen states none. */
export function useDays(id: string, version: number) {
  const zone = useZone();
  return useQuery({
    queryKey: ["plans", id, "days", zone, version],
    placeholderData: keepPreviousData,
    queryFn: async () =>
      accepted<Days>(
        await api.GET("/api/v1/plans/{id}/days", {
          params: { path: { id }, query: zone },
        }),
      ),
  });
}

/** What is left of a batch, over days. Asked for again each minute, and with each step. */
export function useDaysLeft(id: string, last: string | null | undefined) {
  const zone = useZone();
  return useQuery({
    queryKey: ["batches", id, "days", zone, last],
    placeholderData: keepPreviousData,
    refetchInterval: 60_000,
    queryFn: async () =>
      accepted<Days>(
        await api.GET("/api/v1/batches/{id}/days", {
          params: { path: { id }, query: zone },
        }),
      ),
  });
}

/** What is to be bought for some plans; for those that are due, where none are named. */
export function useShopping(plans: readonly string[], version = 0) {
  return useQuery({
    queryKey: [...keys.shelf, "shopping", plans, version],
    placeholderData: keepPreviousData,
    queryFn: async () => {
      const query = plans.length > 0 ? { plans: plans.join(",") } : {};
      return accepted<Shopping>(await api.GET("/api/v1/shopping", { params: { query } }));
    },
  });
}

/** What runs out, what expires, and what the shelf is enough for. */
export function useToday() {
  return useQuery({
    queryKey: [...keys.shelf, "today"],
    queryFn: async () => accepted<Today>(await api.GET("/api/v1/shelf/today")),
  });
}

/** What a batch cost, as it went. */
export function useCostOfBatch(id: string) {
  return useQuery({
    queryKey: [...keys.batch(id), "cost"],
    queryFn: async () =>
      accepted<PlanCost>(await api.GET("/api/v1/batches/{id}/cost", { params: { path: { id } } })),
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
  goods: OnShelf<"goods">[];
  kitchen: OnShelf<"kitchen"> | undefined;
  /** What is kept and cannot be read. */
  unreadable: ThingAnswer[];
}

function ofKind<K extends Thing["kind"]>(things: ThingAnswer[], kind: K): OnShelf<K>[] {
  return things.filter((one): one is OnShelf<K> => one.thing?.kind === kind);
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
    goods: ofKind(things, "goods"),
    kitchen: ofKind(things, "kitchen")[0],
    unreadable: things.filter(({ thing }) => !thing),
  };
}

export function useShelf() {
  return useQuery({
    queryKey: keys.shelf,
    queryFn: async () => accepted<ShelfAnswer>(await api.GET("/api/v1/shelf")),
    select: byKind,
  });
}

/** The sign of the kitchen's own money; none where it has none. */
export function useCurrency(): string {
  return useShelf().data?.kitchen?.thing.currency ?? "";
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

/** How a recipe is balanced; the last one that could be while it is being mended. */
export function useBalance(parts: readonly IngredientInputs[]): FillingAnswer | undefined {
  const body = { parts: [...parts] };
  const asked = useQuery({
    queryKey: ["balance", body],
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    queryFn: async () => accepted<FillingAnswer>(await api.POST("/api/v1/calc/filling", { body })),
  });
  return asked.data;
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

/** Which plans: those in use, or what was put out of the way. */
export type PlansOf = "in_use" | "archived" | "deleted";

/** Plans, those of the newest activity first, a page after the other. */
export function usePlans(of: PlansOf, search: string) {
  return useInfiniteQuery({
    queryKey: [...keys.lists, "plans", of, search],
    placeholderData: keepPreviousData,
    initialPageParam: "",
    queryFn: async ({ pageParam }) => {
      const query = { of, ...(search && { search }), ...(pageParam && { after: pageParam }) };
      return accepted<PlanPage>(await api.GET("/api/v1/plans", { params: { query } }));
    },
    getNextPageParam: (page) => page.next ?? undefined,
    select: ({ pages }) => pages.flatMap(({ plans }) => plans),
  });
}

/** Which batches: those under way, those that are over, made or given up, or what was deleted. */
export type BatchesOf = "under_way" | "over" | "made" | "given_up" | "deleted";

/** What a list of batches is narrowed to, besides words. */
export type Narrowed = Omit<
  NonNullable<paths["/api/v1/batches"]["get"]["parameters"]["query"]>,
  "of" | "search" | "after" | "most"
>;

/** Batches, those of the newest activity first, a page after the other. */
export function useBatches(of: BatchesOf, search: string, narrowed: Narrowed = {}) {
  return useInfiniteQuery({
    queryKey: [...keys.lists, "batches", of, search, narrowed],
    placeholderData: keepPreviousData,
    initialPageParam: "",
    queryFn: async ({ pageParam }) => {
      const query = {
        of,
        ...narrowed,
        ...(search && { search }),
        ...(pageParam && { after: pageParam }),
      };
      return accepted<BatchPage>(await api.GET("/api/v1/batches", { params: { query } }));
    },
    getNextPageParam: (page) => page.next ?? undefined,
    select: ({ pages }) => pages.flatMap(({ batches }) => batches),
  });
}

export async function readBatch(id: string): Promise<Batch> {
  return accepted<Batch>(await api.GET("/api/v1/batches/{id}", { params: { path: { id } } }));
}

export function useBatch(id: string) {
  return useQuery({ queryKey: keys.batch(id), queryFn: () => readBatch(id) });
}

/** What a plan states and what follows; read once, then it is the maker's draft. */
export function usePlan(id: string) {
  return useQuery({
    queryKey: keys.plan(id),
    staleTime: Number.POSITIVE_INFINITY,
    queryFn: async () =>
      accepted<Plan>(await api.GET("/api/v1/plans/{id}", { params: { path: { id } } })),
  });
}

/** A batch's steps as they stand. Asked for again every second. */
export function useGuide(id: string, enabled = true) {
  return useQuery({
    queryKey: keys.guide(id),
    enabled,
    refetchInterval: 1_000,
    queryFn: async () =>
      accepted<Guide>(await api.GET("/api/v1/batches/{id}/guide", { params: { path: { id } } })),
  });
}

/** Everything that was entered of a bowl, taken back or not. */
export function useEntries(id: string) {
  return useQuery({
    queryKey: keys.entries(id),
    queryFn: async () => {
      const params = { path: { id } };
      return {
        entries: accepted<EntryAnswer[]>(await api.GET("/api/v1/bowls/{id}/entries", { params })),
        readings: accepted<Reading[]>(await api.GET("/api/v1/bowls/{id}/readings", { params })),
      };
    },
  });
}

export async function readBowl(id: string): Promise<BowlWithPlan> {
  return accepted<BowlWithPlan>(await api.GET("/api/v1/bowls/{id}", { params: { path: { id } } }));
}

export function useBowlWithPlan(id: string | undefined) {
  return useQuery({
    queryKey: keys.bowl(id ?? ""),
    enabled: id !== undefined,
    queryFn: () => readBowl(id ?? ""),
  });
}
