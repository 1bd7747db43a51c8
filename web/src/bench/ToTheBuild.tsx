import { useMutation } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api } from "../api/client";
import { accepted } from "../api/refusal";
import { Touch } from "./Touch";

/** From a poured bowl on to what is built from it. */
export function ToTheBuild({ batchId }: { batchId: string }) {
  const navigate = useNavigate();
  const begin = useMutation({
    mutationFn: async () =>
      accepted(await api.POST("/api/v1/batches/{id}/build", { params: { path: { id: batchId } } })),
    onSuccess: () => navigate(`/build/${batchId}`),
  });
  return (
    <Touch advised disabled={begin.isPending} onClick={() => begin.mutate()}>
      Go on with the build guide
    </Touch>
  );
}
