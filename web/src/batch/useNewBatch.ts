import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, type Batch, type BatchInputs } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";

interface NewBatch {
  name: string;
  /** What is made; the usual slab if left out. */
  inputs?: BatchInputs;
}

/** Begins a batch, and goes to its plan. */
export function useNewBatch() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (batch: NewBatch) =>
      accepted<Batch>(
        await api.POST("/api/v1/batches", {
          body: { id: crypto.randomUUID(), note: "", ...batch },
        }),
      ),
    onSuccess: (batch) => {
      queries.invalidateQueries({ queryKey: keys.batches, exact: true });
      navigate(`/plans/${batch.id}`);
    },
  });
}
