import { api, type Batch } from "../api/client";
import { accepted } from "../api/refusal";

/** Begins a batch of a plan. */
export async function beginBatch(planId: string): Promise<Batch> {
  return accepted<Batch>(
    await api.POST("/api/v1/plans/{id}/batches", {
      params: { path: { id: planId } },
      body: { id: crypto.randomUUID() },
    }),
  );
}
