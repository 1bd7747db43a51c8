import { api, type BowlWithPlan } from "../api/client";
import { accepted } from "../api/refusal";

/** Takes a chocolate of a batch to the bench; the first of them, where none is named. */
export async function openBowl(
  batchId: string,
  chocolate: string | null | undefined,
): Promise<BowlWithPlan> {
  return accepted<BowlWithPlan>(
    await api.POST("/api/v1/batches/{id}/bowls", {
      params: { path: { id: batchId } },
      body: { id: crypto.randomUUID(), chocolate: chocolate ?? null, simulated: false },
    }),
  );
}
