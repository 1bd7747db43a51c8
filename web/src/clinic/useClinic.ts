import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, type BatchClinic, type Clinic, type Facts, type Symptom } from "../api/client";
import { keys } from "../api/queries";
import { accepted, Refusal } from "../api/refusal";

/**
 * Why this came out, by what is known; the last answer stands while the next is asked for. What is
 * `known` already is not asked again.
 */
export function useClinic(seen: Symptom[], facts: Facts, known?: Clinic) {
  const body = { seen, facts };
  const asked = useQuery({
    queryKey: ["clinic", body],
    staleTime: Number.POSITIVE_INFINITY,
    placeholderData: keepPreviousData,
    ...(known && { initialData: known }),
    queryFn: async () => accepted<Clinic>(await api.POST("/api/v1/calc/clinic", { body })),
  });
  const faults: Record<string, string> = asked.error instanceof Refusal ? asked.error.fields : {};
  return { clinic: asked.data, error: asked.error, faults };
}

/** What a batch's own record tells. */
export function useBatchClinic(batchId: string, looks: number) {
  return useQuery({
    queryKey: [...keys.batch(batchId), "clinic", looks],
    queryFn: async () =>
      accepted<BatchClinic>(
        await api.GET("/api/v1/batches/{id}/clinic", { params: { path: { id: batchId } } }),
      ),
  });
}
