import { useQuery } from "@tanstack/react-query";
import { api, type Labels } from "../api/client";
import { useZone } from "../api/queries";
import { accepted } from "../api/refusal";

/** Of what the labels are: a plan, as they will be, or a batch. */
export type LabelsOf = { plan: string } | { batch: string };

/** The labels of a plan or a batch. They follow what the shelf says. */
export function useLabels(of: LabelsOf) {
  const zone = useZone();
  return useQuery({
    queryKey: ["labels", of, zone],
    refetchOnMount: "always",
    queryFn: async () =>
      accepted<Labels>(
        "plan" in of
          ? await api.GET("/api/v1/plans/{id}/labels", {
              params: { path: { id: of.plan }, query: zone },
            })
          : await api.GET("/api/v1/batches/{id}/labels", {
              params: { path: { id: of.batch }, query: zone },
            }),
      ),
  });
}
