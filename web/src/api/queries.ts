import { useQueries, useQuery } from "@tanstack/react-query";
import {
  api,
  type Batch,
  type BatchLine,
  type BowlWithPlan,
  type Component,
  type Family,
  type MethodAnswer,
  type WindowsAnswer,
} from "./client";
import { accepted } from "./refusal";

/** What is read once and shown in more than one place. */
export const keys = {
  methods: ["methods"] as const,
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

/** The usual windows of each family. */
export function useWindowsOf(families: readonly Family[]) {
  return useQueries({
    queries: families.map((family) => ({
      queryKey: ["windows", family],
      staleTime: Number.POSITIVE_INFINITY,
      queryFn: async () =>
        accepted<WindowsAnswer>(await api.POST("/api/v1/calc/windows", { body: { family } })),
    })),
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
