import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, type Plan, type PlanInputs } from "../api/client";
import { keys } from "../api/queries";
import { accepted } from "../api/refusal";

interface NewPlan {
  name: string;
  note?: string;
  /** What is made; the usual slab if left out. */
  inputs?: PlanInputs;
  /** A kind of work by its name, in place of what is made. */
  kind?: string;
}

/** Makes a plan, and goes to it. */
export function useNewPlan() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (plan: NewPlan) =>
      accepted<Plan>(
        await api.POST("/api/v1/plans", {
          body: { id: crypto.randomUUID(), note: "", ...plan },
        }),
      ),
    onSuccess: (plan) => {
      queries.invalidateQueries({ queryKey: keys.lists });
      navigate(`/plans/${plan.id}`);
    },
  });
}
